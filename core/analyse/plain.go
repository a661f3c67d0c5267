package analyse

import (
	"math/big"

	"parvix/core/expr"
	"parvix/core/symbolic"
)

// plainRoots writes roots of whole powers as what they are, with the same domain: √(u²) is |u|, √(u³) is u^(3/2) and
// ∛(u³) is u. The slopes of the nested form hide where they are 0.
func plainRoots(n expr.Node, variable string) expr.Node {
	n = expr.Map(n, func(n expr.Node) expr.Node { return plainRoots(n, variable) })
	inner, degree := rootOf(n)
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
	return &expr.Binary{Op: expr.Pow, L: u, R: symbolic.Ratio(exponent)}
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
