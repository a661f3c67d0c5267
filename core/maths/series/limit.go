package series

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
)

// Kind says what a function does.
type Kind uint8

// The kinds of behaviour.
const (
	Unknown  Kind = iota // could not be decided
	Finite               // tends to Limit
	Rising               // grows without bound
	Falling              // falls without bound
	Restless             // swings without a limit
)

// Behaviour is what a function does next to a place or far out.
type Behaviour struct {
	Kind  Kind
	Limit exact.Value
	// Side is −1 or 1 when the function comes to its limit from below or above, 0 when it is level or swings.
	Side int
	// Slope and Lift describe the line Slope·x + Lift that the function nears far out, where HasLine is set.
	Slope, Lift exact.Value
	HasLine     bool
	// LineUnknown tells that the function grows as a line does, and that it could not be found out whether it nears one.
	LineUnknown bool
}

// depths are tried in turn: most functions need few terms, cancellation needs more.
var depths = []int{2, 4, 7, 10}

// Near is the behaviour of n, in radians and without other letters, as its variable comes to the point from one side (−1
// or 1). Nothing special may lie between the point and probe, a place on that side.
func (e *Effort) Near(n expr.Node, variable string, point exact.Value, side int, probe float64) Behaviour {
	x := constant(point)
	x = e.add(x, sum{terms: []term{{scale: scale{q: big.NewRat(1, 1)}, c: exact.Int(int64(side))}}})
	return behaviour(n, walker{Effort: e, variable: variable, x: x, probe: probe}, 0)
}

// FarOut is the behaviour of n as its variable grows (side 1) or falls (−1) without bound; probe lies beyond
// everything special.
func (e *Effort) FarOut(n expr.Node, variable string, side int, probe float64) Behaviour {
	x := sum{terms: []term{{scale: scale{q: big.NewRat(-1, 1)}, c: exact.Int(int64(side))}}}
	return behaviour(n, walker{Effort: e, variable: variable, x: x, probe: probe}, side)
}

func behaviour(n expr.Node, w walker, side int) Behaviour {
	best := Behaviour{}
	for _, w.depth = range depths {
		b, blind := attempt(n, w, side)
		if b.Kind != Unknown && !blind {
			return b
		}
		if best.Kind == Unknown {
			best = b
		}
	}
	if best.Kind == Unknown {
		return throughFunction(n, w, side)
	}
	return best
}

// throughFunction follows a limit through a function that grows without bound, or levels off, with its argument: what
// the series cannot write, as ln(ln x), may still be told.
func throughFunction(n expr.Node, w walker, side int) Behaviour {
	var name string
	var argument expr.Node
	switch n := n.(type) {
	case *expr.Neg:
		b := behaviour(n.X, w, side)
		return Behaviour{Kind: map[Kind]Kind{Rising: Falling, Falling: Rising}[b.Kind]}
	case *expr.Call:
		if len(n.Args) > 1 {
			return Behaviour{}
		}
		name, argument = n.Name, n.Args[0]
	case *expr.Binary:
		c, ok := n.L.(*expr.Constant)
		if n.Op != expr.Pow || !ok || c.Name != "e" {
			return Behaviour{}
		}
		name, argument = "exp", n.R
	default:
		return Behaviour{}
	}
	b := behaviour(argument, w, side)
	if b.Kind == Finite && name == "exp" {
		return Behaviour{Kind: Finite, Limit: b.Limit.Apply("exp"), Side: b.Side, HasLine: side != 0}
	}
	half := exact.Of(expr.Over(&expr.Constant{Name: "pi"}, expr.Num(2)))
	switch {
	case b.Kind == Rising && (name == "ln" || name == "log" || name == "sqrt" || name == "cbrt" || name == "abs" || name == "exp" || name == "arsinh"):
		return Behaviour{Kind: Rising}
	case b.Kind == Falling && (name == "cbrt" || name == "arsinh"):
		return Behaviour{Kind: Falling}
	case b.Kind == Falling && name == "abs":
		return Behaviour{Kind: Rising}
	case b.Kind == Falling && name == "exp":
		return Behaviour{Kind: Finite, Side: 1, HasLine: side != 0}
	case b.Kind == Rising && name == "arctan":
		return Behaviour{Kind: Finite, Limit: half, Side: -1, HasLine: side != 0}
	case b.Kind == Falling && name == "arctan":
		return Behaviour{Kind: Finite, Limit: half.Neg(), Side: 1, HasLine: side != 0}
	}
	return Behaviour{}
}

// attempt is one try; blind tells that the limit is known but not the side from which it is neared, since everything
// after it has cancelled as far as the terms go, or that they do not go as far as a line that may be neared.
func attempt(n expr.Node, w walker, side int) (b Behaviour, blind bool) {
	defer func() {
		if r := recover(); r != nil {
			if _, ok := r.(unknown); !ok {
				panic(r)
			}
			b = Behaviour{}
		}
	}()
	a := w.walk(n)
	b = a.behaviour(side)
	blind = b.Kind == Finite && b.Side == 0 && a.cut != nil && (len(a.terms) == 0 || len(a.terms) == 1 && a.terms[0].compare(unit) == 0)
	return b, blind || b.LineUnknown
}

func (a sum) behaviour(side int) Behaviour {
	if a.isZero() {
		return Behaviour{Kind: Finite, HasLine: side != 0}
	}
	if len(a.terms) == 0 {
		if a.cut.compare(unit) < 0 {
			return Behaviour{Kind: Finite, HasLine: side != 0}
		}
		return Behaviour{}
	}
	first := a.lead()
	size := first.compare(unit)
	switch {
	case size >= 0 && first.restless:
		return Behaviour{Kind: Restless}
	case size > 0:
		b := Behaviour{Kind: Rising}
		if signOf(first.c) < 0 {
			b.Kind = Falling
		}
		b.line(a, side)
		return b
	case size < 0:
		return Behaviour{Kind: Finite, Side: sideOf(first), HasLine: side != 0}
	}
	b := Behaviour{Kind: Finite, Limit: first.c, Lift: first.c, HasLine: side != 0}
	if len(a.terms) > 1 {
		b.Side = sideOf(a.terms[1])
	}
	if math.IsNaN(b.Limit.Float()) {
		return Behaviour{}
	}
	return b
}

func sideOf(t term) int {
	if t.restless {
		return 0
	}
	return signOf(t.c)
}

// line reads m·x + b off the terms 1/t and 1, when everything else tends to 0.
func (b *Behaviour) line(a sum, side int) {
	if side == 0 {
		return
	}
	slope := scale{q: big.NewRat(-1, 1)}
	if a.cut != nil && a.cut.compare(unit) >= 0 {
		b.LineUnknown = a.lead().compare(slope) == 0
		return
	}
	for _, t := range a.terms {
		switch {
		case t.compare(unit) < 0:
		case t.restless:
			return
		case t.compare(slope) == 0:
			b.Slope = t.c.Times(exact.Int(int64(side)))
		case t.compare(unit) == 0:
			b.Lift = t.c
		default:
			b.Slope, b.Lift = exact.Value{}, exact.Value{}
			return
		}
	}
	b.HasLine = !b.Slope.IsZero()
}
