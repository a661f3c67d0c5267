package analyse

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// staircase are the values of one step that is stretched and lifted: numbers at one distance. One end, or both, may be
// missing, where they go on.
type staircase struct {
	lo, hi *exact.Value
	// one is among them.
	one, every exact.Value
}

// mostStairs bounds the values that are listed one by one.
const mostStairs = 12

// stairs reads n as a line of one step, A·⌊u⌋ + B or with ⌈u⌉. As u takes every number of its range, the step takes every
// whole number that belongs to it: ⌊√x⌋ those from 0 on.
func (a *analyser) stairs() (*staircase, bool) {
	if !a.stairsRead {
		a.stairsRead = true
		a.staircase = a.readStairs()
	}
	return a.staircase, a.staircase != nil
}

func (a *analyser) readStairs() *staircase {
	var step *expr.Call
	expr.Walk(a.n, func(n expr.Node) bool {
		if c, is := n.(*expr.Call); is && step == nil && (c.Name == "floor" || c.Name == "ceil") {
			step = c
		}
		return step == nil
	})
	if step == nil || a.period > 0 && !a.unsettled["places"] {
		return nil
	}
	// The formula as one of the step's whole number.
	const whole = "whole"
	var put func(n expr.Node) expr.Node
	put = func(n expr.Node) expr.Node {
		if c, is := n.(*expr.Call); is && expr.Equal(c, step) {
			return &expr.Name{Name: whole}
		}
		return expr.Map(n, put)
	}
	n := put(a.n)
	if depends(n, a.variable) || !risesEvenly(n, whole) {
		return nil
	}
	first, last, ok := a.wholesOf(step)
	if !ok {
		return nil
	}
	at := func(k int64) exact.Value {
		return exact.Of(symbolic.Substitute(n, map[string]expr.Node{whole: expr.Num(k)}))
	}
	s := &staircase{one: at(0), every: at(1).Minus(at(0))}
	for _, end := range []struct {
		k  *int64
		at **exact.Value
	}{{first, &s.lo}, {last, &s.hi}} {
		if end.k != nil {
			v := at(*end.k)
			*end.at, s.one = &v, v
		}
	}
	if s.every.Float() < 0 {
		s.every, s.lo, s.hi = s.every.Neg(), s.hi, s.lo
	}
	if s.lo == nil && s.hi == nil {
		// Of numbers that go on both ways, the least from 0 on.
		if steps, known := s.one.Over(s.every).Rat(); known {
			share, _ := steps.Float64()
			s.one = s.one.Plus(s.every.Times(exact.Int(int64(-math.Floor(share)))))
		}
	}
	return s
}

// wholesOf are the least and the largest whole number that a step takes, nil where there is none; ok is false where the
// range of its inside is not known or has gaps.
func (a *analyser) wholesOf(step *expr.Call) (first, last *int64, ok bool) {
	if risesEvenly(step.Args[0], a.variable) && a.bounds.Lo == nil && a.bounds.Hi == nil {
		return nil, nil, true
	}
	inside, err := Function(step.Args[0], a.variable, a.bounds)
	if err != nil || !inside.RangeKnown || len(inside.Range) == 0 || inside.RangeEvery != nil {
		return nil, nil, false
	}
	for k, i := range inside.Range {
		from, lowKnown := wholeAt(i.Lo, i.LoClosed, true, step.Name)
		to, highKnown := wholeAt(i.Hi, i.HiClosed, false, step.Name)
		isNext := k == 0 || last == nil || from == nil || *from <= *last+1
		if !lowKnown || !highKnown || !isNext {
			return nil, nil, false
		}
		if k == 0 {
			first = from
		}
		last = to
	}
	return first, last, true
}

// wholeAt is the whole number that a step takes at, or next to, the lower or upper end of what stands in it; nil at
// infinity. ok is false for a rounded end that may lie on either side of a jump.
func wholeAt(end Number, closed, lower bool, step string) (k *int64, ok bool) {
	if !end.IsFinite() {
		return nil, true
	}
	v := math.Floor(end.Value)
	nearest := math.Round(end.Value)
	switch {
	case math.Abs(end.Value-nearest) < 1e-9*(1+math.Abs(end.Value)):
		if r, rational := valueOf(end).Rat(); end.Exact == nil || !rational || !r.IsInt() {
			return nil, false
		}
		v = nearest
		if !closed && lower && step == "ceil" {
			v++
		}
		if !closed && !lower && step == "floor" {
			v--
		}
	case step == "ceil":
		v++
	}
	whole := int64(v)
	return &whole, math.Abs(v) < mostWhole
}

// goesOn tells that the stairs have no last step on one side at least.
func (s *staircase) goesOn() bool { return s.lo == nil || s.hi == nil }

// tell writes the values as a range; false where they are too many to be listed.
func (s *staircase) tell(out *Findings) bool {
	single := func(v exact.Value) Interval { return Interval{exactly(v), exactly(v), true, true} }
	if s.goesOn() {
		every := exactly(s.every)
		out.Range, out.RangeEvery = []Interval{single(s.one)}, &every
		if s.lo != nil {
			out.RangeWay = 1
		} else if s.hi != nil {
			out.RangeWay = -1
		}
		return true
	}
	out.Range = nil
	for v := *s.lo; v.Float() <= s.hi.Float()+s.every.Float()/2; v = v.Plus(s.every) {
		if out.Range = append(out.Range, single(v)); len(out.Range) > mostStairs {
			out.Range = nil
			return false
		}
	}
	return true
}

// risesEvenly tells whether a formula is a line in a letter, and no level one, with a value for each of its values: 1/(2/k) is
// k/2 but for k = 0.
func risesEvenly(n expr.Node, letter string) bool {
	if slices.ContainsFunc(gatesOf(n, fractionOf), func(g gate) bool { return depends(g.part, letter) }) {
		return false
	}
	slope := symbolic.Simplify(symbolic.Derivative(n, letter)).Node
	size := math.Abs(exact.Float(slope))
	return len(expr.Names(slope)) == 0 && size > 0 && !math.IsInf(size, 1)
}
