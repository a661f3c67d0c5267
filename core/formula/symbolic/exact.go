package symbolic

import "parvix/core/formula/expr"

// Exact simplifies a constant formula; known is false when what is left is not a closed value of fractions, roots,
// π, e and logarithms.
func Exact(n expr.Node) (value expr.Node, known bool) {
	value = Simplify(n).Node
	known = true
	expr.Walk(value, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Name, *expr.Pieces:
			known = false
		case *expr.Call:
			switch n.Name {
			case "sqrt", "cbrt", "root", "ln", "log":
			default:
				known = false
			}
		case *expr.Binary:
			known = known && !(n.Op == expr.Div && isNumber(n.R, 0))
		}
		return known
	})
	return value, known
}

// IsUndefined tells whether an exact form shows that there is no value: a pole of a trigonometric function or n/0.
func IsUndefined(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Call:
			return IsPole(n)
		case *expr.Binary:
			return n.Op == expr.Div && isNumber(n.R, 0)
		}
		return false
	})
}

// IsPole tells whether c is a trigonometric function at an exact multiple of π where it has no value.
func IsPole(c *expr.Call) bool {
	switch c.Name {
	case "tan", "cot", "sec", "csc":
		if r, ok := MultipleOfPi(c.Args[0]); ok {
			exact, known := exactTrigonometric(c.Name, r)
			return known && exact == nil
		}
	}
	return false
}
