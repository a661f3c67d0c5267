package analyse

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
)

// outer is the operation that a formula ends with, on one inner formula, or a branch of it on which it only rises or falls.
type outer struct {
	of     func(u expr.Node) expr.Node
	domain Interval
	// atLo and atHi are its limits at the ends of the domain.
	atLo, atHi Number
	falls      bool
}

// line is the whole line, taken in its order.
func line(of func(u expr.Node) expr.Node) outer {
	return outer{of: of, domain: Interval{Lo: infinite(-1), Hi: infinite(1)}, atLo: infinite(-1), atHi: infinite(1)}
}

// steady are the functions that only rise or fall (DLMF 4.2, 4.23, 4.35, 4.37).
func steady(name string) (outer, bool) {
	o := line(func(u expr.Node) expr.Node { return &expr.Call{Name: name, Args: []expr.Node{u}} })
	number := func(k int64) Number { return exactly(exact.Int(k)) }
	half := exact.Of(expr.Over(expr.Pi(), expr.Num(2)))
	switch name {
	case "cbrt", "sinh", "arsinh":
	case "exp":
		o.atLo = number(0)
	case "tanh":
		o.atLo, o.atHi = number(-1), number(1)
	case "arctan":
		o.atLo, o.atHi = exactly(half.Neg()), exactly(half)
	case "sqrt":
		o.domain, o.atLo = Interval{number(0), infinite(1), true, false}, number(0)
	case "ln":
		o.domain = Interval{number(0), infinite(1), false, false}
	case "arcosh":
		o.domain, o.atLo = Interval{number(1), infinite(1), true, false}, number(0)
	case "artanh":
		o.domain = Interval{number(-1), number(1), false, false}
	case "arcsin":
		o.domain, o.atLo, o.atHi = Interval{number(-1), number(1), true, true}, exactly(half.Neg()), exactly(half)
	case "arccos":
		o.domain, o.atLo, o.atHi, o.falls = Interval{number(-1), number(1), true, true}, exactly(half.Plus(half)), number(0), true
	default:
		return o, false
	}
	return o, true
}

// falling turns the limits at the ends about.
func (o outer) falling() outer {
	o.falls, o.atLo, o.atHi = true, o.atHi, o.atLo
	return o
}

// even are the two branches of a function that falls to its least value at 0 and rises from there.
func even(of func(u expr.Node) expr.Node, least int64) []outer {
	zero, bottom := exactly(exact.Value{}), exactly(exact.Int(least))
	left, right := line(of).falling(), line(of)
	left.domain.Hi, left.domain.HiClosed, left.atHi = zero, true, bottom
	right.domain.Lo, right.domain.LoClosed, right.atLo = zero, true, bottom
	return []outer{left, right}
}

// outermost splits a formula into its last operation, in branches that only rise or fall, and what that is done to; ok is
// false where it is none of those known here.
func outermost(n expr.Node, variable string) (branches []outer, inner expr.Node, ok bool) {
	switch n := n.(type) {
	case *expr.Neg:
		return []outer{line(func(u expr.Node) expr.Node { return expr.Opposite(u) }).falling()}, n.X, true
	case *expr.Call:
		if o, ok := steady(n.Name); ok {
			return []outer{o}, n.Args[0], true
		}
		of := func(u expr.Node) expr.Node { return &expr.Call{Name: n.Name, Args: []expr.Node{u}} }
		switch n.Name {
		case "abs":
			return even(of, 0), n.Args[0], true
		case "cosh":
			return even(of, 1), n.Args[0], true
		}
	case *expr.Binary:
		return outermostOf(n, variable)
	}
	return nil, nil, false
}

// outermostOf does so for an operation with a number.
func outermostOf(n *expr.Binary, variable string) (branches []outer, inner expr.Node, ok bool) {
	left, right := depends(n.L, variable), depends(n.R, variable)
	if left == right {
		return nil, nil, false
	}
	o := line(func(u expr.Node) expr.Node {
		if left {
			return &expr.Binary{Op: n.Op, L: u, R: n.R}
		}
		return &expr.Binary{Op: n.Op, L: n.L, R: u}
	})
	constant, inner := n.L, n.R
	if left {
		constant, inner = n.R, n.L
	}
	c := exact.Of(constant)
	sign, known := c.Sign()
	if n.Op == expr.Mul || n.Op == expr.Div {
		if !known || sign == 0 {
			return nil, nil, false
		}
	}
	falls := n.Op == expr.Sub && right || (n.Op == expr.Mul || n.Op == expr.Div) && sign < 0
	switch {
	case n.Op == expr.Pow && left:
		branches = powers(o, constant)
	case n.Op == expr.Pow:
		branches = exponentials(o, c.Float())
	case n.Op == expr.Div && right:
		branches = reciprocals(o, sign < 0)
	case falls:
		branches = []outer{o.falling()}
	default:
		branches = []outer{o}
	}
	return branches, inner, len(branches) > 0
}

// exponentials are b^u.
func exponentials(o outer, base float64) []outer {
	if !(base > 0) || base == 1 {
		return nil
	}
	if o.atLo = exactly(exact.Value{}); base < 1 {
		o = o.falling()
	}
	return []outer{o}
}

// reciprocals are c/u on both sides of 0.
func reciprocals(o outer, negative bool) []outer {
	zero := exactly(exact.Value{})
	left, right := o, o
	left.domain.Hi, left.atLo, left.atHi, left.falls = zero, zero, infinite(-1), true
	right.domain.Lo, right.atLo, right.atHi, right.falls = zero, infinite(1), zero, true
	if negative {
		left.atHi, left.falls, right.atLo, right.falls = infinite(1), false, infinite(-1), false
	}
	return []outer{left, right}
}

// powers are u^r with a fraction r above 0: even where its numerator is, from 0 on where its denominator is.
func powers(o outer, exponent expr.Node) []outer {
	r, ok := symbolic.Fraction(exponent)
	switch {
	case !ok || r.Sign() <= 0:
		return nil
	case r.Denom().Bit(0) == 0:
		o.domain.Lo, o.domain.LoClosed, o.atLo = exactly(exact.Value{}), true, exactly(exact.Value{})
	case r.Num().Bit(0) == 0:
		return even(o.of, 0)
	}
	return []outer{o}
}

// rangeThrough is the range of a formula by those of its inside: what a steady function takes are its values of all that
// it is given. Sines and cosines take [−1, 1] of more than a turn.
func rangeThrough(n expr.Node, variable string) ([]Interval, bool) {
	if c, is := n.(*expr.Call); is && (c.Name == "sin" || c.Name == "cos") {
		inner, ok := rangeOf(c.Args[0], variable)
		one := exact.Int(1)
		for _, i := range inner {
			if ok && i.Hi.Value-i.Lo.Value > 2*math.Pi+1e-6 {
				return []Interval{{exactly(one.Neg()), exactly(one), true, true}}, true
			}
		}
		return nil, false
	}
	branches, u, ok := outermost(n, variable)
	if !ok {
		return nil, false
	}
	inner, ok := rangeOf(u, variable)
	if !ok {
		return nil, false
	}
	var list []Interval
	for _, i := range inner {
		for _, o := range branches {
			if image, ok := o.image(i); ok {
				list = append(list, image)
			}
		}
	}
	return union(list), true
}

// rangeOf is the range of a formula of its own.
func rangeOf(n expr.Node, variable string) ([]Interval, bool) {
	f, err := Function(n, variable, Bounds{})
	if err != nil || !f.RangeKnown || f.RangeEvery != nil {
		return nil, false
	}
	return f.Range, true
}

// image is what the operation makes of an interval; false where it has no value on it.
func (o outer) image(i Interval) (image Interval, ok bool) {
	lo, hi := o.atLo, o.atHi
	cut := o.domain
	if i.Lo.Value > cut.Lo.Value || same(i.Lo, cut.Lo) && !i.LoClosed {
		lo, cut.Lo, cut.LoClosed = o.at(i.Lo, cut.Lo, lo), i.Lo, i.LoClosed
	}
	if i.Hi.Value < cut.Hi.Value || same(i.Hi, cut.Hi) && !i.HiClosed {
		hi, cut.Hi, cut.HiClosed = o.at(i.Hi, cut.Hi, hi), i.Hi, i.HiClosed
	}
	if cut.Lo.Value > cut.Hi.Value || cut.Lo.Value == cut.Hi.Value && !(cut.LoClosed && cut.HiClosed) {
		return Interval{}, false
	}
	if o.falls {
		return Interval{hi, lo, cut.HiClosed, cut.LoClosed}, true
	}
	return Interval{lo, hi, cut.LoClosed, cut.HiClosed}, true
}

// at is the operation's value at a number, or its limit where that is an end of the domain.
func (o outer) at(n, end, limit Number) Number {
	if n.Value == end.Value {
		return limit
	}
	e := exact.Of(o.of(nodeOf(n)))
	if n.Exact != nil && isReadable(e.Node()) {
		return exactly(e)
	}
	return Number{Value: e.Float()}
}

// limitThrough is the behaviour far out of a formula by that of its inside: tanh(2^x) nears what tanh does, as 2^x grows.
func (a *analyser) limitThrough(n expr.Node, side int, probe float64) series.Behaviour {
	branches, u, ok := outermost(n, a.variable)
	if !ok {
		return series.Behaviour{}
	}
	inner := a.limits.FarOut(u, a.variable, side, probe)
	if inner.Kind == series.Unknown {
		inner = a.limitThrough(u, side, probe)
	}
	for _, o := range branches {
		switch {
		case inner.Kind == series.Rising && math.IsInf(o.domain.Hi.Value, 1):
			return behaviourAt(o.atHi)
		case inner.Kind == series.Falling && math.IsInf(o.domain.Lo.Value, -1):
			return behaviourAt(o.atLo)
		case inner.Kind == series.Finite && inner.Limit.Float() > o.domain.Lo.Value && inner.Limit.Float() < o.domain.Hi.Value:
			return behaviourAt(o.at(exactly(inner.Limit), o.domain.Lo, o.atLo))
		}
	}
	return series.Behaviour{}
}

func behaviourAt(n Number) series.Behaviour {
	switch {
	case math.IsInf(n.Value, 1):
		return series.Behaviour{Kind: series.Rising}
	case math.IsInf(n.Value, -1):
		return series.Behaviour{Kind: series.Falling}
	case n.IsFinite():
		return series.Behaviour{Kind: series.Finite, Limit: valueOf(n)}
	}
	return series.Behaviour{}
}
