package symbolic

import (
	"cmp"
	"math/big"
	"slices"
	"sort"
	"strings"

	"parvix/core/formula/expr"
)

// build writes a normal form as a tree in textbook order: falling powers, numbers before letters before functions.
func (s *simplifier) build(p sum) expr.Node {
	if len(p) == 0 {
		return expr.Num(0)
	}
	var out expr.Node
	for _, t := range p.ordered() {
		switch {
		case out == nil && t.coef.Sign() < 0:
			out = expr.Opposite(s.buildTerm(t.positive()))
		case out == nil:
			out = s.buildTerm(t)
		case t.coef.Sign() < 0:
			out = expr.Minus(out, s.buildTerm(t.positive()))
		default:
			out = expr.Plus(out, s.buildTerm(t))
		}
	}
	return out
}

func (t term) positive() term { return term{new(big.Rat).Abs(t.coef), t.factors} }

// ordered sorts terms for reading; a positive term comes first where the powers allow it.
func (p sum) ordered() sum {
	type ranked struct {
		term
		rank
	}
	all := make([]ranked, len(p))
	for i, t := range p {
		all[i] = ranked{t, t.rank()}
	}
	slices.SortStableFunc(all, func(a, b ranked) int {
		if first := cmp.Or(a.class-b.class, b.degree.Cmp(a.degree), strings.Compare(a.text, b.text)); first != 0 {
			return first
		}
		return strings.Compare(a.key(), b.key())
	})
	out := make(sum, len(p))
	for i, t := range all {
		out[i] = t.term
	}
	// 1 − x² reads better than −x² + 1 only where all but numbers are negative; the trade writes falling powers, so a
	// leading minus stays unless a single number follows a single term.
	if len(out) == 2 && out[0].coef.Sign() < 0 && out[1].coef.Sign() > 0 {
		out[0], out[1] = out[1], out[0]
	}
	return out
}

type rank struct {
	class  int // terms with letters, then constants such as π or ln 2, then plain numbers, then roots: 2 + √3
	degree *big.Rat
	text   string
}

func (t term) rank() rank {
	r := rank{class: 2, degree: new(big.Rat)}
	for _, f := range t.factors {
		if isConstant(f.base) && sumIsConstant(f.exp) {
			if _, isRoot := f.base.(*expr.Number); isRoot && r.class == 2 {
				r.class = 3
			} else if r.class != 0 && !isRoot {
				r.class = 1
			}
			continue
		}
		r.class = 0
		name, isName := f.base.(*expr.Name)
		e, numeric := f.exp.number()
		if isName && numeric && isVariable(name.Name) {
			r.degree.Add(r.degree, e)
		}
		r.text += f.key
	}
	return r
}

// isVariable tells the letters that textbooks order by: falling powers of x, not of a.
func isVariable(name string) bool {
	switch name {
	case "x", "y", "z", "t", "u", "θ":
		return true
	}
	return false
}

func sumIsConstant(p sum) bool {
	for _, t := range p {
		for _, f := range t.factors {
			if !isConstant(f.base) || !sumIsConstant(f.exp) {
				return false
			}
		}
	}
	return true
}

// buildTerm writes a positive term as number · letters · functions over a common denominator.
func (s *simplifier) buildTerm(t term) expr.Node {
	above, below := s.coefficient(t.coef)
	factors := append([]factor{}, t.factors...)
	sort.SliceStable(factors, func(i, j int) bool {
		a, b := factorRank(factors[i]), factorRank(factors[j])
		if a != b {
			return a < b
		}
		return factors[i].key < factors[j].key
	})
	var top, bottom []expr.Node
	for _, f := range factors {
		if e, ok := f.exp.number(); ok && e.Sign() < 0 {
			bottom = append(bottom, s.buildPower(f.base, f.exp.scaled(minusOne)))
			continue
		}
		top = append(top, s.buildPower(f.base, f.exp))
	}
	if above.Cmp(one) != 0 || len(top) == 0 {
		top = append([]expr.Node{expr.Rat(above)}, top...)
	}
	if below.Cmp(one) != 0 {
		bottom = append([]expr.Node{expr.Rat(below)}, bottom...)
	}
	if len(bottom) == 0 {
		return chain(top)
	}
	return expr.Over(chain(top), chain(bottom))
}

func chain(nodes []expr.Node) expr.Node {
	out := nodes[0]
	for _, n := range nodes[1:] {
		out = expr.Times(out, n)
	}
	return out
}

// coefficient splits a number into what stands above and below the fraction line.
func (s *simplifier) coefficient(c *big.Rat) (above, below *big.Rat) {
	if _, exact := c.FloatPrec(); s.decimals && exact {
		return c, one
	}
	return new(big.Rat).SetInt(c.Num()), new(big.Rat).SetInt(c.Denom())
}

// factorRank: roots of numbers and constants, parameters, variables, powers of e, functions, sums.
func factorRank(f factor) int {
	switch base := f.base.(type) {
	case *expr.Number:
		if _, numeric := f.exp.number(); numeric {
			return 0
		}
		return 4
	case *expr.Constant:
		if base.Name == "e" {
			return 4
		}
		return 1
	case *expr.Name:
		if isVariable(base.Name) {
			return 3
		}
		return 2
	case *expr.Call:
		return 5
	}
	return 6
}

func (s *simplifier) buildPower(base expr.Node, exp sum) expr.Node {
	e, numeric := exp.number()
	if !numeric {
		return expr.Power(base, s.build(exp))
	}
	if e.Cmp(one) == 0 {
		return base
	}
	if e.Num().IsInt64() && e.Num().Int64() == 1 && e.Denom().IsInt64() {
		switch degree := e.Denom().Int64(); degree {
		case 2:
			return expr.Apply("sqrt", base)
		case 3:
			return expr.Apply("cbrt", base)
		}
	}
	if e.IsInt() {
		return expr.Power(base, expr.Rat(e))
	}
	// Written p/q, which the parser reads as the real root where q is odd.
	return expr.Power(base, Ratio(e))
}
