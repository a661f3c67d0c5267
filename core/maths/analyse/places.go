package analyse

import (
	"math"
	"slices"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// place is a point of the line where something may happen.
type place struct {
	x       Number
	how     How
	cut     bool // a change of formula, a gap or an end: continuity must be shown
	border  bool // an end of what is examined that is no end of the function
	open    bool // no condition of the formula is broken here
	defined bool // and a float64 holds the value
	y       Number
	isZero  bool
	turns   bool // f′ is 0 here
}

// start and end are the outermost places.
func (a *analyser) ends() (start, end place) {
	start = place{x: infinite(-1), border: a.period > 0, cut: true}
	end = place{x: infinite(1), border: a.period > 0, cut: true}
	if a.period > 0 {
		start.x, end.x = Number{Value: a.lo}, Number{Value: a.hi}
	}
	if a.bounds.Lo != nil {
		start.x = exactly(*a.bounds.Lo)
	}
	if a.bounds.Hi != nil {
		end.x = exactly(*a.bounds.Hi)
	}
	return start, end
}

// cut finds where the formula turns, jumps or ends, and splits the line there.
func (a *analyser) cut() {
	start, end := a.ends()
	places := []place{start, end}
	for _, part := range cutsOf(a.n) {
		places = a.addCut(places, part, a.lo, a.hi)
	}
	// Gates of the smooth formulas in between.
	inner := append([]place{}, places...)
	for i := 1; i < len(places); i++ {
		lo, hi := places[i-1].x.Value, places[i].x.Value
		tree := smoothed(a.n, a.variable, between(lo, hi))
		if tree == nil {
			continue
		}
		for _, g := range gatesOf(tree, fractionOf) {
			inner = a.addCut(inner, g.part, lo, hi)
		}
	}
	a.places = inner
	if len(inner) > maxPlaces {
		// Nobody reads a list of so many places, and what lies between them would take seconds.
		a.places = []place{start, end}
		a.giveUp()
	}
	if a.crowded {
		a.giveUp()
	}
}

// giveUp admits that all lists may miss something.
func (a *analyser) giveUp() {
	for _, list := range []string{"places", "zeros", "extrema", "inflections"} {
		a.unsettled[list] = true
	}
}

// addCut adds the places inside (lo, hi) where a part is 0, after those where the part itself begins or ends: beyond a gap
// csc x − cos x has another sign, without being 0. Where there is no closed form the zeros are looked for between the
// places that are known: no search may pass over a gap.
func (a *analyser) addCut(places []place, part expr.Node, lo, hi float64) []place {
	if !depends(part, a.variable) || len(places) > maxPlaces {
		return places
	}
	if factors := factorsOf(part, a.variable); len(factors) != 1 || !expr.Equal(factors[0], part) {
		// One by one: written out, a square would be too flat to be placed well.
		for _, f := range factors {
			places = a.addCut(places, f, lo, hi)
		}
		return places
	}
	n := symbolic.Simplify(part).Node
	if key := expr.Text(n); a.isCutBy[key] {
		return places
	} else if lo == a.lo && hi == a.hi {
		a.isCutBy[key] = true
	}
	for _, g := range gatesOf(n, fractionOf) {
		places = a.addCut(places, g.part, lo, hi)
	}
	if a.closedForm(n).ok {
		return a.merged(a.add(places, n, lo, hi))
	}
	for i, known := 1, slices.Clone(places); i < len(known) && len(places) <= maxPlaces; i++ {
		from, to := math.Max(lo, known[i-1].x.Value), math.Min(hi, known[i].x.Value)
		if from < to && a.open(n, between(from, to)) {
			places = a.add(places, n, from, to)
		}
	}
	return a.merged(places)
}

func depends(n expr.Node, variable string) bool {
	for _, name := range expr.Names(n) {
		if name == variable {
			return true
		}
	}
	return false
}

// fractionOf classifies an exponent.
func fractionOf(n expr.Node) (odd, whole, negative, known bool) {
	r, ok := symbolic.Fraction(n)
	if !ok && len(expr.Names(n)) == 0 {
		// A decimal or computed exponent: whole numbers count, other fractions are no real roots.
		if r, ok = exact.Of(n).Rat(); ok {
			return false, r.IsInt(), r.Sign() < 0, true
		}
		return false, false, exact.Float(n) < 0, true
	}
	if !ok {
		return false, false, false, false
	}
	return r.Denom().Bit(0) == 1, r.IsInt(), r.Sign() < 0, true
}

// add appends the zeros of a formula inside (lo, hi) as cuts.
func (a *analyser) add(places []place, n expr.Node, lo, hi float64) []place {
	set := a.zerosIn(n, lo, hi)
	if set.endless {
		a.endless["places"] = true
	}
	if !set.complete {
		a.unsettled["places"] = true
	}
	for _, z := range set.zeros {
		places = append(places, place{x: z.x, how: z.how, cut: true})
	}
	return places
}

// merged sorts places and joins those that are one, the exact one first. Of places that lie too close together to be told apart,
// though they are not one, nothing is told.
func (a *analyser) merged(places []place) []place {
	sort.SliceStable(places, func(i, j int) bool { return places[i].x.Value < places[j].x.Value })
	out := places[:0:0]
	for _, p := range places {
		if n := len(out); n > 0 && samePlace(out[n-1].x.Value, p.x.Value) {
			last := &out[n-1]
			a.crowd(last.x, p.x)
			if last.x.Exact == nil && p.x.Exact != nil {
				last.x, last.how = p.x, p.how
			}
			last.cut = last.cut || p.cut
			last.isZero = last.isZero || p.isZero
			last.turns = last.turns || p.turns
			continue
		}
		out = append(out, p)
	}
	return out
}

// crowd notes that two places are taken for one though they are not.
func (a *analyser) crowd(p, q Number) {
	if areApart(p, q) {
		a.crowded, a.gap = true, min(a.gap, math.Abs(p.Value-q.Value))
	}
}

// areApart tells that two exact numbers are not one, and differ by more than rounding.
func areApart(p, q Number) bool {
	if p.Exact == nil || q.Exact == nil || math.Abs(p.Value-q.Value) <= 1e-14*(math.Abs(p.Value)+math.Abs(q.Value)) {
		return false
	}
	sign, known := exact.Of(expr.Minus(p.Exact, q.Exact)).Sign()
	return known && sign != 0
}

func samePlace(a, b float64) bool {
	return a == b || !math.IsInf(a, 0) && !math.IsInf(b, 0) && math.Abs(a-b) <= 1e-9*(1+math.Abs(a))
}

// between is a number inside (lo, hi) that is unlikely to be special.
func between(lo, hi float64) float64 {
	switch {
	case math.IsInf(lo, -1) && math.IsInf(hi, 1):
		return 0.31830988
	case math.IsInf(lo, -1):
		return hi - 1.1547*(1+0.1*math.Abs(hi))
	case math.IsInf(hi, 1):
		return lo + 1.1547*(1+0.1*math.Abs(lo))
	}
	return lo + (hi-lo)*0.4871
}

// open tells whether a smooth formula has a value inside a segment without gates: it does at one place or nowhere.
func (a *analyser) open(tree expr.Node, x float64) bool {
	for _, g := range gatesOf(tree, fractionOf) {
		f, err := program.CompilePoint(g.part, []string{a.variable})
		if err != nil {
			return false
		}
		v := f([]float64{x})
		if v == 0 && !a.isConstant(g.part) {
			v = a.underflow(g.part, x)
		}
		if math.IsNaN(v) || v == 0 && !g.allowsZero(a.variable, x) || v != 0 && !g.test(v) {
			return false
		}
	}
	return true
}

// edge is how far beyond the window is looked, so that what lies on its edge is found.
const edge = 1e-7

// isBlurred tells that x is so close to an end of a segment that rounding shuts the formula between the two.
func (a *analyser) isBlurred(tree expr.Node, x, end float64) bool {
	return math.Abs(x-end) < 1e-6*(1+math.Abs(end)) && !a.open(tree, x+(end-x)/2)
}

// underflow is ±1 for a part that is 0 at x only because no float64 holds a number so small, as e^(−1000); 0 for any other.
func (a *analyser) underflow(part expr.Node, x float64) float64 {
	switch v, _ := breaks.Enclose(part, a.variable)(interval.Point(x)); {
	case v.Lo >= 0 && v.Hi > 0:
		return 1
	case v.Hi <= 0 && v.Lo < 0:
		return -1
	}
	return 0
}
