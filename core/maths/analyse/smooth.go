package analyse

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
)

// cutsOf lists the formulas at whose zeros n may turn sharply, jump or change its piece, inner ones first.
func cutsOf(n expr.Node) []expr.Node {
	var cuts []expr.Node
	for _, child := range expr.Children(n) {
		cuts = append(cuts, cutsOf(child)...)
	}
	switch n := n.(type) {
	case *expr.Call:
		u := n.Args[0]
		switch n.Name {
		case "abs", "sgn":
			cuts = append(cuts, u)
		case "floor", "ceil":
			cuts = append(cuts, sine(expr.Times(expr.Pi(), u)))
		case "min", "max":
			for i, a := range n.Args {
				for _, b := range n.Args[i+1:] {
					cuts = append(cuts, expr.Minus(a, b))
				}
			}
		}
	case *expr.Pieces:
		for _, p := range n.List {
			for _, end := range []expr.Node{p.When.Lo, p.When.Hi} {
				if end != nil {
					cuts = append(cuts, expr.Minus(p.When.Subject(), end))
				}
			}
		}
	}
	return cuts
}

func sine(u expr.Node) expr.Node { return &expr.Call{Name: "sin", Args: []expr.Node{u}} }

// smoothed is n as it stands next to or at x: every |u| is ±u, every ⌊u⌋ a number, every function in pieces one piece.
// What has a value only where the replaced u has one keeps u as 0·u. nil where no piece holds. Values that differ from a critical one by rounding only count as equal to it.
func smoothed(n expr.Node, variable string, x float64) (out expr.Node) {
	defer func() {
		if r := recover(); r != nil {
			if _, ok := r.(noPiece); !ok {
				panic(r)
			}
			out = nil
		}
	}()
	value := func(n expr.Node) float64 {
		f, err := program.CompilePoint(n, []string{variable})
		if err != nil {
			return math.NaN()
		}
		return atOrBeside(f, x)
	}
	var walk func(n expr.Node) expr.Node
	walk = func(n expr.Node) expr.Node {
		if pieces, ok := n.(*expr.Pieces); ok {
			for _, p := range pieces.List {
				if holds(p.When, value) {
					return walk(p.Body)
				}
			}
			panic(noPiece{})
		}
		n = expr.Map(n, walk)
		c, ok := n.(*expr.Call)
		if !ok {
			return n
		}
		u := c.Args[0]
		switch c.Name {
		case "abs":
			if value(u) < 0 {
				return expr.Opposite(u)
			}
			return u
		case "sgn":
			switch v := value(u); {
			case math.Abs(v) <= tiny(x):
				return where(expr.Num(0), u)
			case v < 0:
				return where(expr.Opposite(expr.Num(1)), u)
			}
			return where(expr.Num(1), u)
		case "floor", "ceil":
			v := value(u)
			if !(math.Abs(v) < mostWhole) {
				return u // without a value, or so large that its whole part is itself as far as a float64 tells
			}
			return where(wholeNear(c.Name, v), u)
		case "min", "max":
			best := c.Args[0]
			for _, a := range c.Args[1:] {
				if (value(a) < value(best)) == (c.Name == "min") {
					best = a
				}
			}
			return where(best, c.Args...)
		}
		return n
	}
	return walk(n)
}

// besideEnd is how many neighbouring numbers an end of a domain may be off by rounding.
const besideEnd = 8

// atOrBeside is f(x), or f's value at the next number that has one: rounded, √2·√2/2 is above 1, where arccos ends.
func atOrBeside(f program.Point, x float64) float64 {
	v := f([]float64{x})
	left, right := x, x
	for k := 0; v != v && k < besideEnd; k++ {
		left, right = math.Nextafter(left, math.Inf(-1)), math.Nextafter(right, math.Inf(1))
		if v = f([]float64{left}); v != v {
			v = f([]float64{right})
		}
	}
	return v
}

// where is n where all parts have a value, which n itself need not tell.
func where(n expr.Node, parts ...expr.Node) expr.Node {
	for _, u := range parts {
		if u != n && len(gatesOf(u, fractionOf)) > 0 {
			n = expr.Plus(n, expr.Times(expr.Num(0), u))
		}
	}
	return n
}

// withSettledSteps puts whole numbers for steps of constants that are surely off a jump: ⌊tanh 6⌋ is 0.
func withSettledSteps(n expr.Node) expr.Node {
	n = expr.Map(n, withSettledSteps)
	c, ok := n.(*expr.Call)
	if !ok || c.Name != "floor" && c.Name != "ceil" || len(expr.Names(c)) > 0 {
		return n
	}
	v := exact.Float(c.Args[0])
	if math.Abs(v) > 1e9 || !isOffWhole(v) {
		return n
	}
	if c.Name == "floor" {
		return wholeNumber(math.Floor(v))
	}
	return wholeNumber(math.Ceil(v))
}

// isOffWhole tells that a number that was worked out is surely no whole one.
func isOffWhole(v float64) bool { return math.Abs(v-math.Round(v)) > 1e-9*(1+math.Abs(v)) }

// hasDoubtfulStep tells that a step is taken of a number that is so close to a whole one that nobody can tell on which side, as
// tanh 20 is to 1, and not known to be one.
func hasDoubtfulStep(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool {
		c, ok := n.(*expr.Call)
		if !ok || c.Name != "floor" && c.Name != "ceil" || len(expr.Names(c)) > 0 {
			return false
		}
		_, known := exact.Of(c.Args[0]).Rat()
		v := exact.Float(c.Args[0])
		return !known && v == v && math.Abs(v) < 1e9 && !isOffWhole(v)
	})
}

// noPiece is raised where no piece of a function holds.
type noPiece struct{}

// tiny is a difference at x that rounding may have made.
func tiny(x float64) float64 { return 1e-11 * (1 + math.Abs(x)) }

// mostWhole is where neighbouring float64 are one apart.
const mostWhole = 1 << 53

func wholeNear(name string, v float64) expr.Node {
	r := math.Floor(v)
	if name == "ceil" {
		r = math.Ceil(v)
	}
	// At the end of a root or an inverse wave half of the digits are lost.
	if nearest := math.Round(v); math.Abs(v-nearest) < 1e-7 {
		r = nearest
	}
	return wholeNumber(r)
}

func wholeNumber(r float64) expr.Node {
	if r < 0 {
		return expr.Opposite(expr.Num(int64(-r)))
	}
	return expr.Num(int64(r))
}

// holds tells whether a condition is met, taking ends that differ by rounding as equal.
func holds(c expr.Condition, value func(expr.Node) float64) bool {
	v := value(c.Subject())
	if math.IsNaN(v) {
		return false
	}
	if c.Lo != nil {
		lo := value(c.Lo)
		equal := math.Abs(v-lo) <= tiny(v)
		if math.IsNaN(lo) || equal && !c.LoClosed || !equal && v < lo {
			return false
		}
	}
	if c.Hi != nil {
		hi := value(c.Hi)
		equal := math.Abs(v-hi) <= tiny(v)
		if math.IsNaN(hi) || equal && !c.HiClosed || !equal && v > hi {
			return false
		}
	}
	return true
}

// gate is a condition for a value to exist: part must pass test; where it is 0, allowed decides, or, for a power, whether
// the exponent is above 0.
type gate struct {
	part     expr.Node
	test     func(v float64) bool
	allowed  bool
	exponent expr.Node
}

// allowsZero tells whether the gate stays open where its part is 0.
func (g gate) allowsZero(variable string, x float64) bool {
	if g.exponent == nil {
		return g.allowed
	}
	f, err := program.CompilePoint(g.exponent, []string{variable})
	return err == nil && f([]float64{x}) > 0
}

func isPositive(v float64) bool { return v > 0 }
func isNegative(v float64) bool { return v < 0 }
func always(float64) bool       { return true }

// gatesOf lists the conditions of a smooth tree, inner ones first. Parts whose derivative only becomes infinite (an odd
// root) pass always.
func gatesOf(n expr.Node, fraction func(expr.Node) (odd, whole, negative, known bool)) []gate {
	var gates []gate
	for _, child := range expr.Children(n) {
		gates = append(gates, gatesOf(child, fraction)...)
	}
	put := func(part expr.Node, allowed bool, test func(float64) bool) {
		gates = append(gates, gate{part: part, test: test, allowed: allowed})
	}
	one := expr.Num(1)
	switch n := n.(type) {
	case *expr.Binary:
		if n.Op == expr.Div {
			put(n.R, false, always)
		}
		if n.Op == expr.Pow {
			odd, whole, negative, known := fraction(n.R)
			switch {
			case known && whole && !negative:
			case known && whole, known && odd && negative:
				put(n.L, false, always)
			case known && odd:
				put(n.L, true, always)
			case known:
				put(n.L, !negative, isPositive)
			default:
				gates = append(gates, gate{part: n.L, test: isPositive, exponent: n.R})
				if base := symbolic.Simplify(n.L).Node; len(expr.Names(base)) == 0 && exact.Of(base).IsZero() {
					put(n.R, true, always) // 0^u begins where u is 0
				}
			}
		}
	case *expr.Call:
		u := n.Args[0]
		switch n.Name {
		case "tan", "sec":
			put(&expr.Call{Name: "cos", Args: n.Args}, false, always)
		case "cot", "csc":
			put(sine(u), false, always)
		case "coth":
			put(u, false, always)
		case "ln", "log":
			put(u, false, isPositive)
		case "sqrt":
			put(u, true, isPositive)
		case "cbrt":
			put(u, true, always)
		case "root":
			odd, whole, _, known := fraction(expr.Over(one, n.Args[1]))
			if known && (odd || whole) {
				put(u, true, always)
			} else {
				put(u, true, isPositive)
			}
		case "arcsin", "arccos":
			put(expr.Minus(u, one), true, isNegative)
			put(expr.Plus(u, one), true, isPositive)
		case "artanh":
			put(expr.Minus(u, one), false, isNegative)
			put(expr.Plus(u, one), false, isPositive)
		case "arcosh":
			put(expr.Minus(u, one), true, isPositive)
		case "arcsec", "arccsc":
			put(u, false, always)
			put(expr.Minus(expr.Times(u, u), one), true, isPositive)
		}
	}
	return gates
}
