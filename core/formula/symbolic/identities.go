package symbolic

import (
	"math/big"

	"parvix/core/formula/expr"
)

// squares are the identities f² + sign·g² = 1 of one argument, with what must not be 0 for them (DLMF 4.21.12–14 and
// 4.35.11).
var squares = map[string]struct {
	with     string
	sign     int64
	nowhere0 string
}{
	"sin":  {"cos", 1, ""},
	"cosh": {"sinh", -1, ""},
	"sec":  {"tan", -1, "cos"},
	"csc":  {"cot", -1, "sin"},
}

// reciprocals are the functions whose product is 1 wherever both have a value.
var reciprocals = map[string]string{"tan": "cot", "cot": "tan", "sin": "csc", "csc": "sin", "cos": "sec", "sec": "cos"}

// pythagorean replaces pairs such as 3x sin²u + 3x cos²u by what they have in common, 3x.
func (s *simplifier) pythagorean(p sum) sum {
	for i, t := range p {
		for k, f := range t.factors {
			c, isCall := f.base.(*expr.Call)
			if !isCall || !isTwo(f.exp) {
				continue
			}
			identity, known := squares[c.Name]
			if !known {
				continue
			}
			rest := term{t.coef, without(t.factors, k)}
			wanted := new(big.Rat).Mul(t.coef, big.NewRat(identity.sign, 1))
			j := p.indexOf(rest.key(), expr.Text(expr.Apply(identity.with, c.Args[0])), wanted)
			if j < 0 {
				continue
			}
			if identity.nowhere0 != "" {
				s.require(expr.Apply(identity.nowhere0, c.Args[0]), "≠")
			}
			var others sum
			for m, o := range p {
				if m != i && m != j {
					others = append(others, o)
				}
			}
			return s.pythagorean(others.plus(sum{rest}))
		}
	}
	return p
}

// indexOf finds the term coef·rest·base², −1 for none.
func (p sum) indexOf(rest, base string, coef *big.Rat) int {
	for j, t := range p {
		if t.coef.Cmp(coef) != 0 {
			continue
		}
		for k, f := range t.factors {
			if f.key == base && isTwo(f.exp) && (term{t.coef, without(t.factors, k)}).key() == rest {
				return j
			}
		}
	}
	return -1
}

func isTwo(p sum) bool {
	n, ok := p.number()
	return ok && n.IsInt() && n.Num().Int64() == 2
}

func without(factors []factor, k int) []factor {
	return append(append([]factor{}, factors[:k]...), factors[k+1:]...)
}

// whereReciprocal are the functions of u that must not be 0 for f·1/f to have a value.
func whereReciprocal(name string) []string {
	switch name {
	case "tan", "cot":
		return []string{"sin", "cos"}
	case "sin", "csc":
		return []string{"sin"}
	}
	return []string{"cos"}
}

// cancels tells whether f and g are one power of functions that are each other's reciprocal: tan u and cot u.
func cancels(f, g factor) bool {
	c, isCall := f.base.(*expr.Call)
	if !isCall || reciprocals[c.Name] == "" || g.key != expr.Text(expr.Apply(reciprocals[c.Name], c.Args[0])) {
		return false
	}
	return string(f.exp.appendKey(nil)) == string(g.exp.appendKey(nil))
}
