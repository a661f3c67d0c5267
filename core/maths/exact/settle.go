package exact

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Settled writes a formula without letters so that rounding decides nothing in it: what stands under a root, in a
// logarithm, a step or a denominator, or between the pieces of a function, is put in as the fraction that it is. 2 − √2·√2
// is 0 then, and not 4·10⁻¹⁶ or below 0. What has no value keeps having none.
func Settled(n expr.Node) expr.Node {
	n = expr.Map(n, Settled) // a copy, which may be changed
	switch n := n.(type) {
	case *expr.Binary:
		switch n.Op {
		case expr.Div:
			n.R = plainly(n.R)
		case expr.Pow:
			n.L = plainly(n.L)
		}
	case *expr.Call:
		if decides[n.Name] {
			for i, a := range n.Args {
				n.Args[i] = plainly(a)
			}
		}
	case *expr.Pieces:
		for i := range n.List {
			when := &n.List[i].When
			for _, part := range []*expr.Node{&when.Of, &when.Lo, &when.Hi} {
				if *part != nil {
					*part = plainly(*part)
				}
			}
		}
	}
	return n
}

// decides are the functions that are undefined, jump or turn beside some of their arguments.
var decides = map[string]bool{"sqrt": true, "cbrt": true, "root": true, "ln": true, "log": true, "arcsin": true, "arccos": true, "arcsec": true, "arccsc": true,
	"arcosh": true, "artanh": true, "coth": true, "floor": true, "ceil": true, "sgn": true, "min": true, "max": true}

// plainly is a part as the fraction that it is, where it is one; a part that has no value stays.
func plainly(n expr.Node) expr.Node {
	if _, isNumber := n.(*expr.Number); isNumber || len(expr.Names(n)) > 0 {
		return n
	}
	r, ok := Of(n).Rat()
	if !ok || math.IsNaN(Float(n)) {
		return n
	}
	return symbolic.Ratio(r)
}
