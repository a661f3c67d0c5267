package analyse

import (
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// plainRoots writes roots of whole powers as what they are, with the same domain: √(u²) is |u|, √(u³) is u^(3/2) and
// ∛(u³) is u. The slopes of the nested form hide where they are 0. A square that is written out counts too.
func plainRoots(n expr.Node, variable string) expr.Node {
	n = expr.Map(n, func(n expr.Node) expr.Node { return plainRoots(n, variable) })
	inner, degree := rootOf(n)
	if plain, ok := rootOfSquare(inner, degree, variable); ok {
		return plain
	}
	power, ok := inner.(*expr.Binary)
	if !ok || power.Op != expr.Pow || !depends(power.L, variable) {
		return n
	}
	k, ok := symbolic.Fraction(power.R)
	if !ok || !k.IsInt() || k.Cmp(big.NewRat(1, 1)) <= 0 {
		return n
	}
	u, exponent := power.L, new(big.Rat).Quo(k, new(big.Rat).SetInt64(degree))
	isEven := k.Num().Bit(0) == 0
	if degree%2 == 0 && isEven && !(exponent.IsInt() && exponent.Num().Bit(0) == 0) {
		u = &expr.Call{Name: "abs", Args: []expr.Node{u}}
	}
	if exponent.Cmp(big.NewRat(1, 1)) == 0 {
		return u
	}
	return expr.Power(u, symbolic.Ratio(exponent))
}

// rootOfSquare is c·|p| for the square root of c²·p² written out, as |x − 1| for √(x² − 2x + 1).
func rootOfSquare(inner expr.Node, degree int64, variable string) (expr.Node, bool) {
	if _, isBinary := inner.(*expr.Binary); degree != 2 || !isBinary {
		return nil, false
	}
	p, ok := symbolic.AsPolynomial(inner, variable)
	if !ok || p.Degree() < 2 || p.Degree() > 8 || p.Degree()%2 != 0 || p.Lead().Sign() < 0 {
		return nil, false
	}
	content, powers := p.Factor()
	root := symbolic.Polynomial{big.NewRat(1, 1)}
	for _, f := range powers {
		if f.Exponent%2 != 0 {
			return nil, false
		}
		for range f.Exponent / 2 {
			root = root.Times(f.Base)
		}
	}
	size := &expr.Call{Name: "abs", Args: []expr.Node{root.Node(variable)}}
	return expr.Times(&expr.Call{Name: "sqrt", Args: []expr.Node{symbolic.Ratio(content)}}, size), true
}

// rootOf is what stands under a root and the root's degree; nil where n is none.
func rootOf(n expr.Node) (inner expr.Node, degree int64) {
	switch n := n.(type) {
	case *expr.Call:
		switch n.Name {
		case "sqrt":
			return n.Args[0], 2
		case "cbrt":
			return n.Args[0], 3
		case "root":
			if d, ok := symbolic.Fraction(n.Args[1]); ok && d.IsInt() && d.Sign() > 0 && d.Num().IsInt64() {
				return n.Args[0], d.Num().Int64()
			}
		}
	case *expr.Binary:
		if r, ok := symbolic.Fraction(n.R); n.Op == expr.Pow && ok && r.Num().IsInt64() && r.Num().Int64() == 1 && r.Denom().Int64() > 1 {
			return n.L, r.Denom().Int64()
		}
	}
	return nil, 0
}
