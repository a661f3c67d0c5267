package symbolic

import "parvix/core/formula/expr"

// Bounds of an expansion: beyond them a product stays a product.
const (
	maxExpandedPower = 12
	maxExpandedTerms = 80
)

// expand multiplies out every product and whole power of sums in p; ok is false when there is none, or it is too large.
func (s *simplifier) expand(p sum) (sum, bool) {
	var out sum
	found := false
	for _, t := range p {
		expanded, any, ok := s.expandTerm(t)
		if !ok {
			return nil, false
		}
		found = found || any
		if out = out.plus(expanded); len(out) > maxExpandedTerms {
			return nil, false
		}
	}
	return out, found
}

func (s *simplifier) expandTerm(t term) (out sum, found, ok bool) {
	rest := term{t.coef, nil}
	out = sum{{coef: one}}
	for _, f := range t.factors {
		inner, isSum := s.sumOf(f.base)
		e, numeric := f.exp.number()
		if !isSum || !numeric || !e.IsInt() || e.Sign() <= 0 {
			rest.factors = append(rest.factors, f)
			continue
		}
		if !e.Num().IsInt64() || e.Num().Int64() > maxExpandedPower {
			return nil, false, false
		}
		found = true
		for range e.Num().Int64() {
			if out = s.distribute(out, inner); len(out) > maxExpandedTerms {
				return nil, false, false
			}
		}
	}
	return s.distribute(out, sum{rest}), found, true
}

// sumOf is the normal form of a base that is a sum.
func (s *simplifier) sumOf(base expr.Node) (sum, bool) {
	switch base.(type) {
	case *expr.Binary, *expr.Neg:
		inner := s.normal(base)
		return inner, len(inner) > 1
	}
	return nil, false
}

func (s *simplifier) distribute(p, q sum) sum {
	var out sum
	for _, a := range p {
		var row sum
		for _, b := range q {
			row = row.plus(s.single(s.product(a, b)))
		}
		out = out.plus(row)
	}
	return out
}
