package symbolic

import (
	"math/big"

	"parvix/core/formula/expr"
)

// Derivative is dn/dby, not yet simplified. Angles must be in radians (see Radians). Where a function has a corner or a
// jump the derivative is written so that it is undefined there (|u|′ = u·u′/|u|).
func Derivative(n expr.Node, by string) expr.Node {
	if !depends(n, by) {
		return expr.Num(0)
	}
	d := func(n expr.Node) expr.Node { return Derivative(n, by) }
	switch n := n.(type) {
	case *expr.Name:
		return expr.Num(1)
	case *expr.Neg:
		return expr.Opposite(d(n.X))
	case *expr.Degree:
		return scaled(d(n.X))
	case *expr.Binary:
		return deriveBinary(n, by)
	case *expr.Call:
		if len(n.Args) == 1 {
			return times(outer(n.Name, n.Args[0]), d(n.Args[0]))
		}
		return deriveCall(n, by)
	case *expr.Pieces:
		list := make([]expr.Piece, len(n.List))
		for i, p := range n.List {
			list[i] = expr.Piece{Body: d(p.Body), When: p.When}
			list[i].When.LoClosed, list[i].When.HiClosed = false, false
		}
		return &expr.Pieces{List: list}
	case *expr.Sum:
		if depends(n.From, by) || depends(n.To, by) {
			return expr.Over(expr.Num(0), expr.Num(0)) // defined at single places only
		}
		return &expr.Sum{Var: n.Var, From: n.From, To: n.To, Body: d(n.Body)}
	}
	return expr.Num(0)
}

func depends(n expr.Node, name string) bool {
	return expr.Any(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Name:
			return n.Name == name
		case *expr.Pieces:
			for _, p := range n.List {
				if p.When.Of == nil && p.When.Var == name {
					return true
				}
			}
		}
		return false
	})
}

func isNumber(n expr.Node, value int64) bool {
	number, ok := n.(*expr.Number)
	return ok && number.Value.Cmp(big.NewRat(value, 1)) == 0
}

// times and plus leave out ones and zeros, so that trees stay small before they are simplified.
func times(l, r expr.Node) expr.Node {
	switch {
	case isNumber(l, 0) || isNumber(r, 0):
		return expr.Num(0)
	case isNumber(l, 1):
		return r
	case isNumber(r, 1):
		return l
	}
	return expr.Times(l, r)
}

func plus(l, r expr.Node) expr.Node {
	switch {
	case isNumber(l, 0):
		return r
	case isNumber(r, 0):
		return l
	}
	return expr.Plus(l, r)
}

func deriveBinary(n *expr.Binary, by string) expr.Node {
	u, v := n.L, n.R
	du, dv := Derivative(u, by), Derivative(v, by)
	switch n.Op {
	case expr.Add:
		return plus(du, dv)
	case expr.Sub:
		return plus(du, expr.Opposite(dv))
	case expr.Mul:
		return plus(times(du, v), times(u, dv))
	case expr.Div:
		if !depends(v, by) {
			return expr.Over(du, v)
		}
		return expr.Over(expr.Minus(times(du, v), times(u, dv)), expr.Power(v, expr.Num(2)))
	}
	switch {
	case !depends(v, by):
		return times(times(v, expr.Power(u, lowered(v))), du)
	case !depends(u, by):
		return times(times(n, expr.Apply("ln", u)), dv)
	}
	return times(n, plus(times(dv, expr.Apply("ln", u)), expr.Over(times(v, du), u)))
}

// lowered is the exponent v − 1; a fraction p/q stays written as one, since that means the real root where q is odd.
func lowered(v expr.Node) expr.Node {
	if r, ok := Fraction(v); ok {
		return Ratio(new(big.Rat).Sub(r, big.NewRat(1, 1)))
	}
	return expr.Minus(v, expr.Num(1))
}

// Fraction reads a number written as ±p or ±p/q with whole p and q; a decimal such as 0.2 is none.
func Fraction(n expr.Node) (*big.Rat, bool) {
	switch n := n.(type) {
	case *expr.Neg:
		r, ok := Fraction(n.X)
		if !ok {
			return nil, false
		}
		return new(big.Rat).Neg(r), true
	case *expr.Number:
		return n.Value, n.Value.IsInt()
	case *expr.Binary:
		p, pOK := Fraction(n.L)
		q, qOK := Fraction(n.R)
		if n.Op == expr.Div && pOK && qOK && q.Sign() != 0 {
			return new(big.Rat).Quo(p, q), true
		}
	}
	return nil, false
}

// Ratio writes r as ±p/q.
func Ratio(r *big.Rat) expr.Node {
	if r.Sign() < 0 {
		return expr.Opposite(Ratio(new(big.Rat).Neg(r)))
	}
	if r.IsInt() {
		return expr.Rat(r)
	}
	return expr.Over(expr.Rat(new(big.Rat).SetInt(r.Num())), expr.Rat(new(big.Rat).SetInt(r.Denom())))
}

// outer is the derivative of a function of one argument at u. Source: DLMF 4.20, 4.24, 4.34, 4.38, 4.7.
func outer(name string, u expr.Node) expr.Node {
	square := func(n expr.Node) expr.Node { return expr.Power(n, expr.Num(2)) }
	switch name {
	case "sin":
		return expr.Apply("cos", u)
	case "cos":
		return expr.Opposite(expr.Apply("sin", u))
	case "tan":
		return expr.Over(expr.Num(1), square(expr.Apply("cos", u)))
	case "cot":
		return expr.Opposite(expr.Over(expr.Num(1), square(expr.Apply("sin", u))))
	case "sec":
		return expr.Times(expr.Apply("sec", u), expr.Apply("tan", u))
	case "csc":
		return expr.Opposite(expr.Times(expr.Apply("csc", u), expr.Apply("cot", u)))
	case "arcsin":
		return expr.Over(expr.Num(1), expr.Apply("sqrt", expr.Minus(expr.Num(1), square(u))))
	case "arccos":
		return expr.Opposite(expr.Over(expr.Num(1), expr.Apply("sqrt", expr.Minus(expr.Num(1), square(u)))))
	case "arctan":
		return expr.Over(expr.Num(1), expr.Plus(square(u), expr.Num(1)))
	case "arccot":
		return expr.Opposite(expr.Over(expr.Num(1), expr.Plus(square(u), expr.Num(1))))
	case "arcsec":
		return expr.Over(expr.Num(1), expr.Times(expr.Apply("abs", u), expr.Apply("sqrt", expr.Minus(square(u), expr.Num(1)))))
	case "arccsc":
		return expr.Opposite(expr.Over(expr.Num(1), expr.Times(expr.Apply("abs", u), expr.Apply("sqrt", expr.Minus(square(u), expr.Num(1))))))
	case "sinh":
		return expr.Apply("cosh", u)
	case "cosh":
		return expr.Apply("sinh", u)
	case "tanh":
		return expr.Over(expr.Num(1), square(expr.Apply("cosh", u)))
	case "coth":
		return expr.Opposite(expr.Over(expr.Num(1), square(expr.Apply("sinh", u))))
	case "arsinh":
		return expr.Over(expr.Num(1), expr.Apply("sqrt", expr.Plus(square(u), expr.Num(1))))
	case "arcosh":
		return expr.Over(expr.Num(1), expr.Apply("sqrt", expr.Minus(square(u), expr.Num(1))))
	case "artanh":
		return expr.Over(expr.Num(1), expr.Minus(expr.Num(1), square(u)))
	case "ln":
		return expr.Over(expr.Num(1), u)
	case "log":
		return expr.Over(expr.Num(1), expr.Times(u, expr.Apply("ln", expr.Num(10))))
	case "exp":
		return expr.Apply("exp", u)
	case "sqrt":
		return expr.Over(expr.Num(1), expr.Times(expr.Num(2), expr.Apply("sqrt", u)))
	case "cbrt":
		return expr.Over(expr.Num(1), expr.Times(expr.Num(3), square(expr.Apply("cbrt", u))))
	case "abs":
		return expr.Over(u, expr.Apply("abs", u))
	}
	// floor, ceil and sgn are level wherever they have a derivative.
	return expr.Num(0)
}

// deriveCall handles log and root with an index, min and max.
func deriveCall(n *expr.Call, by string) expr.Node {
	switch n.Name {
	case "log":
		return Derivative(expr.Over(expr.Apply("ln", n.Args[0]), expr.Apply("ln", n.Args[1])), by)
	case "root":
		u, degree := n.Args[0], n.Args[1]
		return times(expr.Over(n, expr.Times(degree, u)), Derivative(u, by))
	case "min", "max":
		// max(u, v) = (u + v + |u − v|)/2, and min with the other sign.
		combined := n.Args[0]
		for _, v := range n.Args[1:] {
			apart := expr.Apply("abs", expr.Minus(combined, v))
			if n.Name == "min" {
				apart = expr.Opposite(apart)
			}
			combined = expr.Over(expr.Plus(expr.Plus(combined, v), apart), expr.Num(2))
		}
		return Derivative(combined, by)
	}
	return expr.Num(0)
}
