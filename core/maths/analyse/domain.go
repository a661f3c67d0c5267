package analyse

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
)

// collectDomain joins segments with a value over places with one.
func (a *analyser) collectDomain(out *Findings) {
	if (a.endless["places"] || a.unsettled["places"]) && a.domainWithoutSteps(out) {
		return
	}
	out.DomainKnown = !a.unsettled["places"]
	var list []Interval
	for i := range a.places {
		p := &a.places[i]
		if p.open || p.border {
			if n := len(list); n > 0 && list[n-1].Hi.Value == p.x.Value && !list[n-1].HiClosed {
				list[n-1].HiClosed = true
			} else if n == 0 || list[n-1].Hi.Value != p.x.Value {
				list = append(list, Interval{p.x, p.x, true, true})
			}
		}
		if i == len(a.segments) || a.segments[i].tree == nil {
			continue
		}
		s := &a.segments[i]
		if n := len(list); n > 0 && list[n-1].Hi.Value == s.lo.Value && list[n-1].HiClosed {
			list[n-1].Hi, list[n-1].HiClosed = s.hi, false
			continue
		}
		list = append(list, Interval{Lo: s.lo, Hi: s.hi})
	}
	out.Domain = a.onePeriod(list)
	if a.endless["places"] && a.period == 0 {
		switch {
		case len(a.gates()) == 0 && !hasPieces(a.n):
			out.Domain = []Interval{{Lo: infinite(-1), Hi: infinite(1)}}
		case !a.isOpenOutside() && !a.domainRepeats(out):
			out.DomainKnown = false
		}
	}
}

// isOpenOutside tells that outside the window every condition of the formula is surely met, or one surely is not, however
// often the formula turns there: what has been found of the outermost segments then holds for all of them.
func (a *analyser) isOpenOutside() bool {
	for _, side := range []int{-1, 1} {
		end, last, from := a.places[0].x, a.places[1].x, a.left
		if side > 0 {
			end, last, from = a.places[len(a.places)-1].x, a.places[len(a.places)-2].x, a.right
		}
		if end.IsFinite() {
			continue // bounded
		}
		if last.IsFinite() {
			from = float64(side) * math.Max(float64(side)*from, float64(side)*last.Value)
		}
		outside := interval.Point(from).Hull(interval.Point(end.Value))
		n, ok := a.farPiece(side)
		if !ok {
			return false
		}
		allOpen, anyShut := true, false
		for _, g := range gatesOf(n, fractionOf) {
			v, _ := breaks.Enclose(g.part, a.variable)(outside)
			open, shut := g.over(v)
			allOpen, anyShut = allOpen && open, anyShut || shut
		}
		if !allOpen && !anyShut {
			return false
		}
	}
	return true
}

// over tells that the gate is surely open, or surely shut, wherever its part lies in v.
func (g gate) over(v interval.I) (open, shut bool) {
	switch {
	case v.IsEmpty():
		return false, false
	case v.Lo > 0 || v.Hi < 0:
		open = g.test(v.Lo)
		return open, !open
	case g.exponent == nil && g.allowed && (v.Lo == 0 && g.test(1) || v.Hi == 0 && g.test(-1)):
		return true, false
	}
	return false, v == interval.Point(0) && g.exponent == nil && !g.allowed
}

// farPiece is the formula as it stands far out, where one piece holds; ok is false where that depends on more than x.
func (a *analyser) farPiece(side int) (n expr.Node, ok bool) {
	ok = true
	x := float64(side) * math.MaxFloat64
	value := func(n expr.Node) float64 {
		if name, is := n.(*expr.Name); is && name.Name == a.variable {
			return x
		}
		if len(expr.Names(n)) > 0 {
			ok = false
		}
		return exact.Float(n)
	}
	var far func(n expr.Node) expr.Node
	far = func(n expr.Node) expr.Node {
		pieces, is := n.(*expr.Pieces)
		if !is {
			return expr.Map(n, far)
		}
		for _, p := range pieces.List {
			if holds(p.When, value) {
				return far(p.Body)
			}
		}
		ok = false
		return n
	}
	n = far(a.n)
	return n, ok
}

// Repeated are the intervals of one period of what repeats.
type Repeated struct {
	Intervals []Interval
	Period    Number
}

// domainRepeats finds a domain of which the gaps repeat though the function does not, as that of x + tan x: conditions on
// periodic parts make what repeats, the others bound it.
func (a *analyser) domainRepeats(out *Findings) bool {
	if hasPieces(a.n) || a.unsettled["places"] || a.isCondition {
		return false
	}
	var repeating, rest expr.Node = expr.Num(0), expr.Num(0)
	var gates []gate
	for _, g := range a.gates() {
		gates = append(gates, g.factors(a.variable)...)
	}
	for _, g := range gates {
		condition := g.asFormula()
		switch _, periodic := PeriodOf(g.part, a.variable); {
		case condition == nil:
		case periodic:
			repeating = expr.Plus(repeating, condition)
		default:
			rest = expr.Plus(rest, condition)
		}
	}
	again, ok := domainOf(repeating, a.variable, Bounds{})
	if !ok || again.Period == nil || len(again.Domain) == 0 {
		return false
	}
	once, ok := domainOf(rest, a.variable, a.bounds)
	if !ok || once.Period != nil {
		return false
	}
	if out.Domain = once.Domain; len(out.Domain) > 0 {
		out.DomainAgain = &Repeated{again.Domain, *again.Period}
	}
	return true
}

// factors are the conditions on each factor where a product must not be 0, else the gate itself.
func (g gate) factors(variable string) (list []gate) {
	if g.allowed || g.exponent != nil || !g.test(1) || !g.test(-1) || !depends(symbolic.Simplify(g.part).Node, variable) {
		return []gate{g}
	}
	for _, f := range factorsOf(g.part, variable) {
		list = append(list, gate{part: f, test: always})
	}
	return list
}

// asFormula is a formula that has a value where the gate is open; nil for one that is open everywhere.
func (g gate) asFormula() expr.Node {
	of := func(name string, u expr.Node) expr.Node { return &expr.Call{Name: name, Args: []expr.Node{u}} }
	part, name := g.part, "ln"
	if g.allowed {
		name = "sqrt"
	}
	switch {
	case g.exponent != nil:
		return expr.Power(g.part, g.exponent)
	case g.test(1) && g.test(-1):
		if g.allowed {
			return nil
		}
		return expr.Over(expr.Num(1), expr.Times(part, part))
	case g.test(-1):
		part = expr.Opposite(part)
	}
	return of(name, part)
}

// domainWithoutSteps finds the domain of a formula whose steps go on without end: that of the formula without them, as
// long as no condition asks for a step's number. ⌊√x⌋ has a value wherever √x has one.
func (a *analyser) domainWithoutSteps(out *Findings) bool {
	isStep := func(n expr.Node) bool {
		c, ok := n.(*expr.Call)
		return ok && (c.Name == "floor" || c.Name == "ceil")
	}
	if !expr.Any(a.n, isStep) || hasPieces(a.n) {
		return false
	}
	for _, g := range a.gates() {
		if expr.Any(g.part, isStep) {
			return false
		}
	}
	var without func(n expr.Node) expr.Node
	without = func(n expr.Node) expr.Node {
		n = expr.Map(n, without)
		if isStep(n) {
			return n.(*expr.Call).Args[0]
		}
		return n
	}
	f, ok := domainOf(without(a.n), a.variable, a.bounds)
	if !ok || (f.Period != nil) != (a.period > 0) || f.Period != nil && !close(f.Period.Value, a.period) {
		return false
	}
	out.Domain, out.DomainKnown = f.Domain, true
	return true
}

// gates are the conditions of the formula, without those of constants that hold.
func (a *analyser) gates() []gate {
	return slices.DeleteFunc(gatesOf(a.n, fractionOf), func(g gate) bool {
		v := exact.Float(g.part)
		return !depends(g.part, a.variable) && v != 0 && g.test(v)
	})
}

func hasPieces(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool { _, is := n.(*expr.Pieces); return is })
}
