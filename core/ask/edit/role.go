package edit

import (
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// reach is the range of a dial with the value that it begins at.
type reach struct {
	from, to, step string
	value          float64
	whole          bool
}

// The ranges by what a letter does in a formula: common practice of the trade.
var (
	plain     = reach{"-5", "5", "0.1", 1, false}
	frequency = reach{"0", "5", "0.1", 1, false}
	rate      = reach{"-3", "3", "0.1", 1, false}
	exponent  = reach{"-3", "6", "1", 2, true}
	base      = reach{"0.1", "5", "0.1", 2, false}
	phase     = reach{"-π", "π", "π/12", 0.5235987755982988, false}
	angle     = reach{"0", "2π", "π/12", 0.5235987755982988, false}
	degrees   = map[reach]reach{phase: {"-180", "180", "15", 30, false}, angle: {"0", "360", "15", 30, false}}
)

// reachOf is the range of a letter by its role where it first stands in the stated functions and shown formulas of a document.
func reachOf(d *document.Document, letter string) (of reach) {
	of = plain
	found := false
	s := scope(d)
	d.Formulas(func(text *string, variables ...string) {
		if found {
			return
		}
		inner := s.With(variables...)
		var n expr.Node
		if f, err := expr.Parse(*text, inner); err == nil {
			n = f.Node
		} else if r, err := expr.ParseRelation(*text, inner); err == nil && len(r.Sides) == 2 {
			n = expr.Minus(r.Sides[0], r.Sides[1])
		} else {
			return
		}
		if path := pathTo(n, letter); path != nil {
			of, found = roleIn(path, variables), true
		}
	})
	if in, is := degrees[of]; is && d.AngleUnit == document.Degree {
		return in
	}
	return of
}

// pathTo is the way from a formula to where a letter first stands in it.
func pathTo(n expr.Node, letter string) []expr.Node {
	if name, is := n.(*expr.Name); is && name.Name == letter {
		return []expr.Node{n}
	}
	for _, child := range expr.Children(n) {
		if rest := pathTo(child, letter); rest != nil {
			return append([]expr.Node{n}, rest...)
		}
	}
	return nil
}

var circular = []string{"sin", "cos", "tan", "cot", "sec", "csc"}

// roleIn tells what a letter does, from the innermost operation outwards.
func roleIn(path []expr.Node, variables []string) reach {
	moves := func(n expr.Node) bool {
		return slices.ContainsFunc(expr.Names(n), func(name string) bool { return slices.Contains(variables, name) })
	}
	for i := len(path) - 2; i >= 0; i-- {
		child := path[i+1]
		switch n := path[i].(type) {
		case *expr.Call:
			switch {
			case slices.Contains(circular, n.Name) && !moves(n.Args[0]):
				return angle
			case n.Name == "log" && len(n.Args) > 1 && n.Args[1] == child:
				return base
			}
		case *expr.Binary:
			other := n.L
			if other == child {
				other = n.R
			}
			switch {
			case n.Op == expr.Pow && child == n.R && moves(n.L):
				return exponent
			case n.Op == expr.Pow && child == n.L && moves(n.R):
				return base
			case !moves(other):
			case n.Op == expr.Mul || n.Op == expr.Div:
				return outside(path[:i+1], plain, frequency, rate)
			case n.Op == expr.Add || n.Op == expr.Sub:
				return outside(path[:i+1], plain, phase, plain)
			}
		}
	}
	return plain
}

// outside picks by what stands around an operation: nothing of these, a trigonometric function, or a power whose exponent it is.
func outside(path []expr.Node, by, inCircular, inExponent reach) reach {
	for i := len(path) - 2; i >= 0; i-- {
		switch n := path[i].(type) {
		case *expr.Call:
			if slices.Contains(circular, n.Name) {
				return inCircular
			}
		case *expr.Binary:
			if n.Op == expr.Pow && n.R == path[i+1] {
				return inExponent
			}
		}
	}
	return by
}
