package symbolic

import (
	"math/big"
	"slices"
	"sort"

	"parvix/core/formula/expr"
)

// quotient is a numerator, expanded, over powers of bases that are each no quotient.
type quotient struct {
	above sum
	below []factor // whole exponents > 0
}

// Together writes n as one fraction: above is expanded, below a product, 1 where n is no fraction. What the two share is
// left to be cancelled. ok is false when the numerator would grow too long.
func Together(n expr.Node) (above, below expr.Node, ok bool) {
	s := &simplifier{seen: map[string]bool{}}
	q, ok := s.together(n)
	if !ok {
		return nil, nil, false
	}
	return s.build(q.above), s.build(sum{{one, q.below}}), true
}

// Term is a term of an expanded sum: a fraction times powers of bases.
type Term struct {
	Coefficient *big.Rat
	Factors     []Factor
}

// Factor is Base^Exponent.
type Factor struct{ Base, Exponent expr.Node }

// Numerator gives the terms of the numerator of n, written as one fraction.
func Numerator(n expr.Node) (terms []Term, ok bool) {
	s := &simplifier{seen: map[string]bool{}}
	q, ok := s.together(n)
	if !ok {
		return nil, false
	}
	for _, t := range q.above {
		out := Term{Coefficient: t.coef}
		for _, f := range t.factors {
			out.Factors = append(out.Factors, Factor{f.base, s.build(f.exp)})
		}
		terms = append(terms, out)
	}
	return terms, true
}

func (s *simplifier) together(n expr.Node) (quotient, bool) {
	switch n := n.(type) {
	case *expr.Neg:
		q, ok := s.together(n.X)
		return quotient{q.above.scaled(minusOne), q.below}, ok
	case *expr.Binary:
		return s.togetherBinary(n)
	}
	return s.separate(s.normal(n))
}

// separate splits a normal form into numerator and denominator.
func (s *simplifier) separate(p sum) (quotient, bool) {
	out := quotient{}
	for _, t := range p {
		q := quotient{above: sum{{coef: one}}}
		above := term{coef: t.coef}
		for _, f := range t.factors {
			e, numeric := f.exp.number()
			_, isSum := s.sumOf(f.base)
			switch {
			case !numeric || !e.IsInt() && e.Sign() > 0 || !isSum && e.Sign() > 0:
				above.factors = append(above.factors, f)
			case !e.IsInt():
				// b^(−1/2) is b^(1/2)/b.
				up := new(big.Rat).SetInt(ceiling(new(big.Rat).Neg(e)))
				above.factors = append(above.factors, factor{f.base, constant(new(big.Rat).Add(e, up)), f.key})
				q.below = append(q.below, factor{f.base, constant(up), f.key})
			case isSum:
				inner, ok := s.together(f.base)
				if !ok || !e.Num().IsInt64() {
					return out, false
				}
				raised, ok := s.raiseQuotient(inner, e.Num().Int64())
				if !ok {
					return out, false
				}
				if q, ok = s.timesQuotient(q, raised); !ok {
					return out, false
				}
			default:
				q.below = append(q.below, factor{f.base, f.exp.scaled(minusOne), f.key})
			}
		}
		q.above = s.distribute(q.above, sum{above})
		var ok bool
		if out, ok = s.plusQuotient(out, q); !ok {
			return out, false
		}
	}
	return out, true
}

func ceiling(r *big.Rat) *big.Int {
	down := new(big.Int).Div(r.Num(), r.Denom())
	if !r.IsInt() {
		down.Add(down, big.NewInt(1))
	}
	return down
}

func (s *simplifier) togetherBinary(n *expr.Binary) (quotient, bool) {
	if n.Op == expr.Pow {
		if e, ok := Fraction(n.R); ok && e.IsInt() && e.Num().IsInt64() {
			q, ok := s.together(n.L)
			if !ok {
				return quotient{}, false
			}
			return s.raiseQuotient(q, e.Num().Int64())
		}
		return s.separate(s.normal(n))
	}
	l, ok := s.together(n.L)
	if !ok {
		return quotient{}, false
	}
	r, ok := s.together(n.R)
	if !ok {
		return quotient{}, false
	}
	switch n.Op {
	case expr.Add:
		return s.plusQuotient(l, r)
	case expr.Sub:
		return s.plusQuotient(l, quotient{r.above.scaled(minusOne), r.below})
	case expr.Mul:
		return s.timesQuotient(l, r)
	}
	inverse, ok := s.raiseQuotient(r, -1)
	if !ok {
		return quotient{}, false
	}
	return s.timesQuotient(l, inverse)
}

func (s *simplifier) raiseQuotient(q quotient, n int64) (quotient, bool) {
	if n < 0 {
		flipped := quotient{above: s.multiplied(q.below)}
		switch len(q.above) {
		case 0:
			return quotient{}, false
		case 1:
			t := q.above[0]
			flipped.above = flipped.above.scaled(new(big.Rat).Inv(t.coef))
			for _, f := range t.factors {
				e, numeric := f.exp.number()
				if numeric && e.IsInt() {
					flipped.below = append(flipped.below, f)
					continue
				}
				inverse := s.raise(term{one, []factor{f}}, whole(-1))
				flipped.above = s.distribute(flipped.above, sum{inverse})
			}
		default:
			content := q.above.content()
			base := s.build(q.above.scaled(new(big.Rat).Inv(content)))
			flipped.above = flipped.above.scaled(new(big.Rat).Inv(content))
			flipped.below = []factor{power(base, whole(1))}
		}
		return s.raiseQuotient(flipped, -n)
	}
	if n > maxExpandedPower {
		return quotient{}, false
	}
	out, ok := quotient{above: sum{{coef: one}}}, true
	for ; n > 0 && ok; n-- {
		out, ok = s.timesQuotient(out, q)
	}
	return out, ok
}

// multiplied multiplies the powers out.
func (s *simplifier) multiplied(factors []factor) sum {
	out := sum{{coef: one}}
	for _, f := range factors {
		e, _ := f.exp.number()
		inner, isSum := s.sumOf(f.base)
		if !isSum {
			out = s.distribute(out, sum{{one, []factor{f}}})
			continue
		}
		for range e.Num().Int64() {
			out = s.distribute(out, inner)
		}
	}
	return out
}

func (s *simplifier) timesQuotient(a, b quotient) (quotient, bool) {
	above := s.distribute(a.above, b.above)
	return s.cancelled(quotient{above, mergeBelow(a.below, b.below, true)}), len(above) <= maxExpandedTerms
}

// cancelled divides single bases out of numerator and denominator where every term above holds them.
func (s *simplifier) cancelled(q quotient) quotient {
	var below []factor
	for _, f := range q.below {
		e, _ := f.exp.number()
		shared := e
		for _, t := range q.above {
			shared = minRat(shared, exponentIn(t, f.key))
		}
		if shared.Sign() <= 0 || !shared.IsInt() {
			below = append(below, f)
			continue
		}
		s.require(f.base, "≠")
		q.above = s.distribute(q.above, sum{{one, []factor{{f.base, constant(new(big.Rat).Neg(shared)), f.key}}}})
		if left := new(big.Rat).Sub(e, shared); left.Sign() > 0 {
			below = append(below, factor{f.base, constant(left), f.key})
		}
	}
	return quotient{q.above, below}
}

func minRat(a, b *big.Rat) *big.Rat {
	if b.Cmp(a) < 0 {
		return b
	}
	return a
}

func exponentIn(t term, key string) *big.Rat {
	for _, f := range t.factors {
		if f.key == key {
			if e, ok := f.exp.number(); ok {
				return e
			}
		}
	}
	return zero
}

// mergeBelow joins denominators: added for a product, the larger exponent for a common denominator.
func mergeBelow(a, b []factor, added bool) []factor {
	out := append([]factor{}, a...)
	for _, f := range b {
		found := false
		for i, g := range out {
			if g.key != f.key {
				continue
			}
			found = true
			ge, _ := g.exp.number()
			fe, _ := f.exp.number()
			e := ge
			if added {
				e = new(big.Rat).Add(ge, fe)
			} else if fe.Cmp(ge) > 0 {
				e = fe
			}
			out[i].exp = constant(e)
		}
		if !found {
			out = append(out, f)
		}
	}
	sort.SliceStable(out, func(i, j int) bool { return out[i].key < out[j].key })
	return out
}

func (s *simplifier) plusQuotient(a, b quotient) (quotient, bool) {
	if len(a.above) == 0 {
		return b, true
	}
	if len(b.above) == 0 {
		return a, true
	}
	below := mergeBelow(a.below, b.below, false)
	above := s.distribute(a.above, s.multiplied(missing(below, a.below)))
	above = above.plus(s.distribute(b.above, s.multiplied(missing(below, b.below))))
	if len(above) > maxExpandedTerms {
		return quotient{}, false
	}
	if len(above) == 0 {
		return quotient{}, true
	}
	return s.cancelled(quotient{above, below}), true
}

// missing are the powers by which part falls short of all.
func missing(all, part []factor) []factor {
	var out []factor
	for _, f := range all {
		e, _ := f.exp.number()
		for _, g := range part {
			if g.key == f.key {
				ge, _ := g.exp.number()
				e = new(big.Rat).Sub(e, ge)
			}
		}
		if e.Sign() > 0 {
			out = append(out, factor{f.base, constant(e), f.key})
		}
	}
	return out
}

// WithoutRoots divides the terms of a sum by the least power of every base that has a broken exponent in one of them, and
// by a power of e that all have: with x as its letter, the result is 0 where the sum is, as long as those bases are not.
func WithoutRoots(n expr.Node, x string) (expr.Node, bool) {
	terms, ok := Numerator(n)
	if !ok || len(terms) < 2 {
		return n, false
	}
	divisor := Term{Coefficient: one}
	for _, f := range terms[0].Factors {
		if c, is := f.Base.(*expr.Constant); is && c.Name == "e" && !slices.ContainsFunc(terms, func(t Term) bool { return t.exponentOf(f.Base) == nil }) {
			divisor.Factors = append(divisor.Factors, f)
		}
	}
	seen := map[string]bool{}
	for _, t := range terms {
		for _, f := range t.Factors {
			key := expr.Text(f.Base)
			if e, numeric := Fraction(f.Exponent); numeric && !e.IsInt() && !seen[key] && slices.Contains(expr.Names(f.Base), x) {
				seen[key] = true
				divisor.Factors = append(divisor.Factors, Factor{f.Base, Ratio(leastExponent(terms, f.Base))})
			}
		}
	}
	if len(divisor.Factors) == 0 {
		return n, false
	}
	var sum expr.Node = expr.Num(0)
	for _, t := range terms {
		sum = expr.Plus(sum, t.Over(divisor).Product())
	}
	above, _, ok := Together(sum)
	return above, ok
}

// exponentOf is that of a base, nil where the term has none.
func (t Term) exponentOf(base expr.Node) expr.Node {
	for _, f := range t.Factors {
		if expr.Equal(f.Base, base) {
			return f.Exponent
		}
	}
	return nil
}

func leastExponent(terms []Term, base expr.Node) *big.Rat {
	var least *big.Rat
	for _, t := range terms {
		e := new(big.Rat)
		if exponent := t.exponentOf(base); exponent != nil {
			if f, numeric := Fraction(exponent); numeric {
				e = f
			}
		}
		if least == nil || e.Cmp(least) < 0 {
			least = e
		}
	}
	return least
}

// Over divides by another term; factors of the same base are put together.
func (t Term) Over(u Term) Term {
	out := Term{Coefficient: new(big.Rat).Quo(t.Coefficient, u.Coefficient)}
	place := map[string]int{}
	for _, f := range t.Factors {
		place[expr.Text(f.Base)] = len(out.Factors)
		out.Factors = append(out.Factors, f)
	}
	for _, f := range u.Factors {
		e := expr.Node(expr.Opposite(f.Exponent))
		if i, known := place[expr.Text(f.Base)]; known {
			out.Factors[i].Exponent = Simplify(expr.Plus(out.Factors[i].Exponent, e)).Node
			continue
		}
		out.Factors = append(out.Factors, Factor{f.Base, Simplify(e).Node})
	}
	kept := out.Factors[:0]
	for _, f := range out.Factors {
		if e, ok := Fraction(f.Exponent); !ok || e.Sign() != 0 {
			kept = append(kept, f)
		}
	}
	out.Factors = kept
	return out
}

// Product writes the term as it stands, factors with negative powers below the bar.
func (t Term) Product() expr.Node {
	above, below := expr.Node(Ratio(t.Coefficient)), expr.Node(nil)
	for _, f := range t.Factors {
		e, ok := Fraction(f.Exponent)
		if !ok || e.Sign() > 0 {
			above = expr.Times(above, raised(f.Base, f.Exponent, e))
			continue
		}
		e = new(big.Rat).Neg(e)
		power := raised(f.Base, Ratio(e), e)
		if below == nil {
			below = power
		} else {
			below = expr.Times(below, power)
		}
	}
	if below == nil {
		return above
	}
	return expr.Over(above, below)
}

func raised(base, exponent expr.Node, e *big.Rat) expr.Node {
	if e != nil && e.Cmp(one) == 0 {
		return base
	}
	return expr.Power(base, exponent)
}

// Rate is the logarithmic derivative (ln |t|)′, the sum of those of the factors: (b^e)′/b^e = e′ ln b + e b′/b.
func (t Term) Rate(x string) expr.Node {
	var out expr.Node = expr.Num(0)
	for _, f := range t.Factors {
		if c, ok := f.Base.(*expr.Constant); ok && c.Name == "e" {
			out = expr.Plus(out, Derivative(f.Exponent, x))
			continue
		}
		out = expr.Plus(out, expr.Over(expr.Times(f.Exponent, Derivative(f.Base, x)), f.Base))
		if _, constant := Fraction(f.Exponent); !constant {
			out = expr.Plus(out, expr.Times(Derivative(f.Exponent, x), &expr.Call{Name: "ln", Args: []expr.Node{f.Base}}))
		}
	}
	return Simplify(out).Node
}

// TangentsAsQuotients writes the tangent and its kin as quotients of sine and cosine, whose denominators are the poles.
func TangentsAsQuotients(n expr.Node) expr.Node {
	n = expr.Map(n, TangentsAsQuotients)
	c, ok := n.(*expr.Call)
	if !ok || len(c.Args) != 1 {
		return n
	}
	of := func(name string) expr.Node { return expr.Apply(name, c.Args...) }
	switch c.Name {
	case "tan":
		return expr.Over(of("sin"), of("cos"))
	case "cot":
		return expr.Over(of("cos"), of("sin"))
	case "sec":
		return expr.Over(expr.Num(1), of("cos"))
	case "csc":
		return expr.Over(expr.Num(1), of("sin"))
	}
	return n
}
