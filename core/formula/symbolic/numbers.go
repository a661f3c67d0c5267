package symbolic

import (
	"math/big"

	"parvix/core/formula/expr"
)

// PutNumbers puts decimals in the place of names and tidies signs only: x − (−3) becomes x + 3, 1·x becomes x, a term
// that is 0 falls away. The order of the formula stays, so that it can be compared with the one in letters.
func PutNumbers(n expr.Node, values map[string]*big.Rat) expr.Node {
	with := map[string]expr.Node{}
	for name, v := range values {
		with[name] = signedNumber(v)
	}
	return tidy(Substitute(n, with))
}

func signedNumber(v *big.Rat) expr.Node {
	if v.Sign() < 0 {
		return expr.Opposite(expr.Rat(new(big.Rat).Neg(v)))
	}
	return expr.Rat(v)
}

func tidy(n expr.Node) expr.Node {
	n = expr.Map(n, tidy)
	switch n := n.(type) {
	case *expr.Neg:
		if inner, ok := n.X.(*expr.Neg); ok {
			return inner.X
		}
		if isNumber(n.X, 0) {
			return n.X
		}
	case *expr.Binary:
		return tidyBinary(n)
	}
	return n
}

func tidyBinary(n *expr.Binary) expr.Node {
	negative, isNegative := n.R.(*expr.Neg)
	switch n.Op {
	case expr.Add, expr.Sub:
		switch {
		case isNumber(n.R, 0):
			return n.L
		case isNumber(n.L, 0) && n.Op == expr.Add:
			return n.R
		case isNumber(n.L, 0) && isNegative:
			return negative.X
		case isNumber(n.L, 0):
			return expr.Opposite(n.R)
		case isNegative && n.Op == expr.Add:
			return expr.Minus(n.L, negative.X)
		case isNegative:
			return expr.Plus(n.L, negative.X)
		}
	case expr.Mul:
		switch {
		case isNumber(n.L, 0) || isNumber(n.R, 1):
			return n.L
		case isNumber(n.L, 1) || isNumber(n.R, 0):
			return n.R
		}
		if left, ok := n.L.(*expr.Neg); ok {
			return tidy(expr.Opposite(tidyBinary(&expr.Binary{Op: expr.Mul, L: left.X, R: n.R})))
		}
	case expr.Div:
		if isNumber(n.R, 1) {
			return n.L
		}
	case expr.Pow:
		if isNumber(n.R, 1) {
			return n.L
		}
	}
	return n
}
