package analyse

import (
	"fmt"
	"math"
	"math/big"
	"slices"
	"sort"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
)

func decimal(v float64) expr.Node {
	r := new(big.Rat).SetFloat64(v)
	if r == nil {
		return &expr.Constant{Name: "inf"}
	}
	return symbolic.Ratio(r)
}

// collect reads the findings off places and segments.
func (a *analyser) collect(out *Findings) {
	a.collectDomain(out)
	a.collectIntercepts(out)
	a.collectPoints(out)
	a.collectGaps(out)
	a.collectFarOut(out)
	rises := func(sign int) func(s *segment) (whole, near bool) {
		return func(s *segment) (whole, near bool) { return s.known && s.rises == sign, s.near && s.rises == sign }
	}
	bends := func(sign int) func(s *segment) (whole, near bool) {
		return func(s *segment) (whole, near bool) { return s.bent && s.bends == sign, s.bentNear && s.bends == sign }
	}
	out.Rising, out.Falling = a.runs(rises(1), a.continuous), a.runs(rises(-1), a.continuous)
	out.ConcaveUp = a.runs(bends(1), func(i int) bool { return a.bendsThrough(i, 1) })
	out.ConcaveDown = a.runs(bends(-1), func(i int) bool { return a.bendsThrough(i, -1) })
	a.collectRange(out)
	if a.tooLarge {
		out.Maxima, out.Minima, out.Inflections = nil, nil, nil
		out.Rising, out.Falling, out.ConcaveUp, out.ConcaveDown = nil, nil, nil, nil
		out.Range, out.RangeKnown = nil, false
	}
	a.collectSymmetry(out)
	a.collectWave(out)
	a.admitUnseen()
	a.collectUndecided(out)
}

// admitUnseen admits that something may be missing where the sign of a slope or a bend that is not 0 throughout could not be
// seen.
func (a *analyser) admitUnseen() {
	for i := range a.segments {
		s := &a.segments[i]
		if s.tree == nil {
			continue
		}
		a.unsettled["extrema"] = a.unsettled["extrema"] || s.near && s.rises == 0 && !s.isLevel()
		a.unsettled["inflections"] = a.unsettled["inflections"] || s.bentNear && s.bends == 0 && !isLine(s)
	}
}

// inPeriod tells whether a place is the one of its kind that is listed.
func (a *analyser) inPeriod(x float64) bool {
	return a.period == 0 || x >= -1e-9*a.period && x < a.period*(1-1e-9)
}

// isShown tells the same of an interval, by its lower end.
func (a *analyser) isShown(lo float64) bool {
	return a.period == 0 || lo >= -a.period*(0.5+1e-9) && lo < a.period*(0.5-1e-9)
}

// continuous tells whether the function passes place i without a gap on both sides.
func (a *analyser) continuous(i int) bool {
	return a.meets(i, a.segments[i-1].rightEnd, &a.segments[i-1]) && a.meets(i, a.segments[i].leftEnd, &a.segments[i])
}

// meets tells whether the limit from one side is the value at place i.
func (a *analyser) meets(i int, b series.Behaviour, s *segment) bool {
	p := &a.places[i]
	if p.border {
		return s.tree != nil
	}
	return s.tree != nil && p.defined && b.Kind == series.Finite && a.closeAt(i, b.Limit.Float(), p.y.Value)
}

// closeness is the share by which numbers differ that are told apart.
const closeness = 1e-8

func close(a, b float64) bool {
	return a == b || !math.IsInf(a, 0) && !math.IsInf(b, 0) && math.Abs(a-b) <= closeness*(1+math.Abs(a)+math.Abs(b))
}

// onePeriod keeps of periodic intervals those of one period; one that reaches from border to border is the whole line.
func (a *analyser) onePeriod(list []Interval) []Interval {
	if a.period == 0 {
		return list
	}
	var kept []Interval
	for _, i := range list {
		if i.Lo.Value == a.lo && i.Hi.Value == a.hi {
			return []Interval{{Lo: infinite(-1), Hi: infinite(1)}}
		}
		if i.Lo.Value > a.lo && i.Hi.Value < a.hi && a.isShown(i.Lo.Value) {
			kept = append(kept, i)
		}
	}
	return kept
}

func (a *analyser) collectIntercepts(out *Findings) {
	zero := Number{expr.Num(0), 0}
	if a.inBounds(0) {
		if tree := smoothed(a.n, a.variable, 0); tree != nil {
			if y, ok := a.valueAt(tree, zero); ok {
				out.YIntercept = &Point{X: zero, Y: y, How: Inserted}
			}
		}
	}
	for i := range a.places {
		p := &a.places[i]
		if !p.defined || p.border || !a.inPeriod(p.x.Value) {
			continue
		}
		isZero := p.y.Exact != nil && exact.Of(p.y.Exact).IsZero() || p.isZero && math.Abs(p.y.Value) < 1e-6
		if !isZero && p.isZero && i > 0 && i < len(a.segments) && a.continuous(i) {
			// Solved to be one, though the value at the nearest float64 is no small number.
			isZero = a.mayBe(a.segments[i].simple, p.x.Value, 0)
			a.unsettled["zeros"] = a.unsettled["zeros"] || !isZero
		}
		if isZero {
			how := p.how
			if how == "" {
				how = Inserted
			}
			out.Zeros = append(out.Zeros, Point{X: p.x, Y: zero, How: how})
		}
	}
	for i := range a.segments {
		s := &a.segments[i]
		if s.tree == nil {
			continue
		}
		if v, ok := s.simple.(*expr.Number); ok && v.Value.Sign() == 0 {
			out.ZeroOn = append(out.ZeroOn, Interval{s.lo, s.hi, a.places[i].defined && a.meets(i, s.leftEnd, s), a.places[i+1].defined && a.meets(i+1, s.rightEnd, s)})
		}
	}
	out.ZeroOn = a.onePeriod(out.ZeroOn)
	out.Zeros = slices.DeleteFunc(out.Zeros, func(p Point) bool {
		return slices.ContainsFunc(out.ZeroOn, func(i Interval) bool { return i.holds(p.X.Value) })
	})
}

// holds tells whether a number lies in an interval.
func (i Interval) holds(x float64) bool {
	return x > i.Lo.Value && x < i.Hi.Value || x == i.Lo.Value && i.LoClosed || x == i.Hi.Value && i.HiClosed
}

func (a *analyser) inBounds(x float64) bool {
	if a.bounds.Lo != nil && (x < a.lo || x == a.lo && !a.bounds.LoClosed) {
		return false
	}
	return a.bounds.Hi == nil || x < a.hi || x == a.hi && a.bounds.HiClosed
}

// collectPoints finds extrema and inflections.
func (a *analyser) collectPoints(out *Findings) {
	for i := range a.places {
		p := &a.places[i]
		if !p.defined || p.border || !a.inPeriod(p.x.Value) {
			continue
		}
		how := p.how
		if how == "" {
			how = Signs
		}
		var left, right *segment
		if i > 0 && a.segments[i-1].tree != nil {
			left = &a.segments[i-1]
		}
		if i < len(a.segments) && a.segments[i].tree != nil {
			right = &a.segments[i]
		}
		for sign, list := range map[int]*[]Point{1: &out.Maxima, -1: &out.Minima} {
			if (left != nil || right != nil) && !a.beyond("extrema", p.x) && !a.beyond("places", p.x) && a.tops(i, left, sign, -1) && a.tops(i, right, sign, 1) {
				*list = append(*list, Point{X: p.x, Y: p.y, How: how, End: left == nil || right == nil})
			}
		}
		if left != nil && right != nil && left.bentNear && right.bentNear && left.bends*right.bends < 0 && !a.beyond("inflections", p.x) && !a.beyond("places", p.x) && a.continuous(i) {
			smooth, known := a.smooth(i, left, right)
			if smooth {
				out.Inflections = append(out.Inflections, Point{X: p.x, Y: p.y, How: how})
			}
			a.unsettled["inflections"] = a.unsettled["inflections"] || !known
		}
	}
	out.Maxima, out.Minima = a.tryExtrema(out.Maxima, 1), a.tryExtrema(out.Minima, -1)
	for _, list := range [][]Point{out.Maxima, out.Minima, out.Inflections} {
		sort.SliceStable(list, func(i, j int) bool { return list[i].X.Value < list[j].X.Value })
	}
}

// tops tells whether the value at place i is above (sign 1) or below (−1) all near it on one side; a side without values
// does not count.
func (a *analyser) tops(i int, s *segment, sign, side int) bool {
	if s == nil {
		return true
	}
	b := s.leftEnd
	if side < 0 {
		b = s.rightEnd
	}
	switch b.Kind {
	case series.Rising:
		return sign < 0
	case series.Falling:
		return sign > 0
	case series.Finite:
		limit, y := b.Limit.Float(), a.places[i].y.Value
		if !a.closeAt(i, limit, y) {
			return float64(sign)*(y-limit) > 0
		}
		return s.near && s.rises == -sign*side
	}
	return false
}

// smooth tells whether the slopes on both sides of place i agree, an upright tangent included; known is false where one of
// them could not be found.
func (a *analyser) smooth(i int, left, right *segment) (smooth, known bool) {
	if !a.places[i].cut {
		return true, true
	}
	l, r, known := a.slopesAt(i, left, right)
	return known && l.Kind == r.Kind && (l.Kind != series.Finite || a.areOneSlope(i, l, r)), known
}

// areOneSlope tells so of the limits of a slope at place i: far out a slope of a share of 1 is steep.
func (a *analyser) areOneSlope(i int, l, r series.Behaviour) bool {
	v, w := l.Limit.Float(), r.Limit.Float()
	if math.Abs(v-w) <= 1e-15*(math.Abs(v)+math.Abs(w)) {
		return true
	}
	return close(v, w) && math.Abs(v-w) <= closeness*(a.unitAt(i)/(1+math.Abs(a.places[i].x.Value))+math.Abs(v)+math.Abs(w))
}

// slopesAt are the limits of the slope on both sides of place i; ok is false where one has none.
func (a *analyser) slopesAt(i int, left, right *segment) (l, r series.Behaviour, ok bool) {
	p := &a.places[i]
	l, r = a.slopeBeside(p.x, left, -1), a.slopeBeside(p.x, right, 1)
	decided := func(b series.Behaviour) bool { return b.Kind != series.Unknown && b.Kind != series.Restless }
	return l, r, decided(l) && decided(r)
}

// slopeBeside is the limit of a segment's slope at its end: the slope's value where it has one there, being continuous.
func (a *analyser) slopeBeside(x Number, s *segment, side int) series.Behaviour {
	if slope, ok := a.valueAt(s.first, x); ok {
		return series.Behaviour{Kind: series.Finite, Limit: valueOf(slope)}
	}
	if x.Exact != nil {
		if b := a.effort.Near(s.first, a.variable, exact.Of(x.Exact), side, between(s.lo.Value, s.hi.Value)); b.Kind != series.Unknown {
			return b
		}
	}
	return a.followed(s, s.first, x.Value, side)
}

// bendsThrough tells whether a curve that bends one way on both sides of place i does so across it: its slope goes on in
// that sense, as for x² + |x| and not for |sin x|.
func (a *analyser) bendsThrough(i, sign int) bool {
	if !a.continuous(i) {
		return false
	}
	if !a.places[i].cut || a.places[i].border {
		return true
	}
	l, r, ok := a.slopesAt(i, &a.segments[i-1], &a.segments[i])
	if !ok || l.Kind != series.Finite || r.Kind != series.Finite {
		return false
	}
	step := r.Limit.Float() - l.Limit.Float()
	return a.areOneSlope(i, l, r) || step*float64(sign) > 0
}

// collectGaps finds vertical asymptotes, holes and jumps.
func (a *analyser) collectGaps(out *Findings) {
	for i := range a.places {
		p := &a.places[i]
		if !p.cut || !p.x.IsFinite() || p.border || !a.inPeriod(p.x.Value) {
			continue
		}
		var left, right series.Behaviour
		unknown := false
		if i > 0 && a.segments[i-1].tree != nil {
			left = a.segments[i-1].rightEnd
			unknown = left.Kind == series.Unknown
		}
		if i < len(a.segments) && a.segments[i].tree != nil {
			right = a.segments[i].leftEnd
			unknown = unknown || right.Kind == series.Unknown
		}
		grows := func(b series.Behaviour) bool { return b.Kind == series.Rising || b.Kind == series.Falling }
		if grows(left) || grows(right) {
			side := 0
			if !grows(left) {
				side = 1
			} else if !grows(right) {
				side = -1
			}
			out.Vertical = append(out.Vertical, Line{X: p.x, Side: side, How: Limit})
			continue
		}
		if unknown {
			a.unsettled["the limit at "+p.x.Text()] = true
		}
		if left.Kind != series.Finite || right.Kind != series.Finite {
			if hasRestless(left, right) {
				a.unsettled["the limit at "+p.x.Text()+": the function swings endlessly there"] = true
			}
			continue
		}
		if a.closeAt(i, left.Limit.Float(), right.Limit.Float()) {
			if !p.defined || !a.closeAt(i, left.Limit.Float(), p.y.Value) {
				out.Holes = append(out.Holes, Point{X: p.x, Y: told(left.Limit), How: Limit})
			}
			continue
		}
		value := Number{Value: math.NaN()}
		if p.defined {
			value = p.y
		}
		out.Jumps = append(out.Jumps, Jump{X: p.x, Left: told(left.Limit), Right: told(right.Limit), Value: value, How: Limit})
	}
}

func hasRestless(list ...series.Behaviour) bool {
	for _, b := range list {
		if b.Kind == series.Restless {
			return true
		}
	}
	return false
}

func nodeOf(n Number) expr.Node {
	if n.Exact != nil {
		return n.Exact
	}
	return decimal(n.Value)
}

// collectFarOut finds level and slanted asymptotes.
func (a *analyser) collectFarOut(out *Findings) {
	if a.period > 0 || len(a.segments) == 0 {
		return
	}
	var lines []Line
	read := func(s *segment, b series.Behaviour, side int) {
		switch {
		case s.tree != nil && a.beyond("places", s.lo, s.hi) && hasJumps(a.n):
			// Far out the formula is another one at every step; stairs go on as they are, near to no line.
			if stairs, ok := a.stairs(); !ok || !stairs.goesOn() {
				a.unsettled["the behaviour far out"] = true
			}
		case s.tree == nil || isLine(s):
		case b.Kind == series.Unknown, b.LineUnknown:
			a.unsettled["the behaviour far out"] = true
		case b.Kind == series.Finite:
			lines = append(lines, Line{Slope: exactly(exact.Value{}), Lift: told(b.Limit), Side: side, How: Limit})
		case b.HasLine:
			lines = append(lines, Line{Slope: told(b.Slope), Lift: told(b.Lift), Side: side, How: Limit})
		}
	}
	if first := &a.segments[0]; math.IsInf(first.lo.Value, -1) {
		read(first, first.leftEnd, -1)
	}
	if last := &a.segments[len(a.segments)-1]; math.IsInf(last.hi.Value, 1) {
		read(last, last.rightEnd, 1)
	}
	if len(lines) == 2 && math.Abs(lines[0].Slope.Value-lines[1].Slope.Value) <= closeness*math.Abs(lines[0].Slope.Value) && close(lines[0].Lift.Value, lines[1].Lift.Value) {
		lines[0].Side = 0
		lines = lines[:1]
	}
	for _, l := range lines {
		if l.Slope.Value == 0 {
			out.Horizontal = append(out.Horizontal, l)
		} else {
			out.Slanted = append(out.Slanted, l)
		}
	}
}

// hasJumps tells whether a step function stands in n.
func hasJumps(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool {
		c, ok := n.(*expr.Call)
		return ok && isStep(c.Name)
	})
}

func isStep(function string) bool {
	return function == "floor" || function == "ceil" || function == "sgn"
}

// isLine tells whether the formula of a segment is a straight line, which nears no other.
func isLine(s *segment) bool {
	n, ok := s.second.(*expr.Number)
	return ok && n.Value.Sign() == 0
}

// runs joins neighbouring segments on which something holds to open intervals, where it holds across the place between. On
// a segment that leaves the window it holds on the whole or, being known near the window only, as far as the window goes.
func (a *analyser) runs(holds func(s *segment) (whole, near bool), across func(i int) bool) []Interval {
	var list []Interval
	joined := false
	for i := range a.segments {
		s := &a.segments[i]
		whole, near := holds(s)
		run := Interval{Lo: s.lo, Hi: s.hi}
		if !whole {
			run = a.inWindow(run)
		}
		if s.tree == nil || !whole && !near || !(run.Lo.Value < run.Hi.Value) {
			joined = false
			continue
		}
		if joined && across(i) {
			list[len(list)-1].Hi = run.Hi
		} else {
			list = append(list, run)
		}
		joined = true
	}
	return a.onePeriod(list)
}

// inWindow is the part of an interval that lies in the window.
func (a *analyser) inWindow(i Interval) Interval {
	if i.Lo.Value < a.left {
		i.Lo = exactly(exact.Of(decimal(a.left)))
	}
	if i.Hi.Value > a.right {
		i.Hi = exactly(exact.Of(decimal(a.right)))
	}
	return i
}

func (a *analyser) collectSymmetry(out *Findings) {
	bounded := a.bounds.Lo != nil || a.bounds.Hi != nil
	var cuts []float64
	if bounded || hasJumps(a.n) || hasPieces(a.n) {
		for i := range a.places {
			if p := &a.places[i]; p.cut && !p.border && p.x.IsFinite() && len(cuts) < mostCutsMirrored {
				cuts = append(cuts, p.x.Value)
			}
		}
	}
	f, value := a.f, exactlyAt(a.n, a.variable)
	if bounded {
		inside := func(f func(x float64) float64) func(x float64) float64 {
			return func(x float64) float64 {
				if !a.inBounds(x) {
					return math.NaN()
				}
				return f(x)
			}
		}
		value = inside(value)
		within := inside(func(x float64) float64 { return a.f([]float64{x}) })
		f = func(in []float64) float64 { return within(in[0]) }
	}
	out.Symmetry, out.SymmetryHow = symmetryOf(a.n, a.variable, f, cuts, value)
	if a.crowded && out.SymmetryHow != Identity {
		out.Symmetry = "none" // of places that are one here no values are compared
	}
}

// mostCutsMirrored bounds the places at which a symmetry is tried besides those at random.
const mostCutsMirrored = 40

func (a *analyser) collectWave(out *Findings) {
	if out.Period == nil || !out.RangeKnown || len(out.Range) != 1 {
		return
	}
	lo, hi := out.Range[0].Lo, out.Range[0].Hi
	if !lo.IsFinite() || !hi.IsFinite() || !out.Range[0].LoClosed || !out.Range[0].HiClosed {
		return
	}
	half := exact.Fractional(big.NewRat(1, 2))
	middle := func(sign int64) *Number {
		if lo.Exact == nil || hi.Exact == nil {
			return &Number{Value: (hi.Value + float64(sign)*lo.Value) / 2}
		}
		n := exactly(exact.Of(hi.Exact).Plus(exact.Of(lo.Exact).Times(exact.Int(sign))).Times(half))
		return &n
	}
	out.CentreLine, out.Amplitude = middle(1), middle(-1)
}

func (a *analyser) collectUndecided(out *Findings) {
	out.Undecided = []string{}
	names := map[string]string{"places": "places where the function turns, jumps or has gaps", "zeros": "zeros",
		"extrema": "extrema, rise and fall", "inflections": "inflections, bends"}
	var outside, missing []string
	for _, list := range []string{"places", "zeros", "extrema", "inflections"} {
		if a.endless[list] && a.period == 0 {
			outside = append(outside, names[list])
		}
		if a.unsettled[list] {
			missing = append(missing, names[list])
		}
		delete(a.unsettled, list)
	}
	if len(outside) > 0 {
		out.Undecided = append(out.Undecided, fmt.Sprintf("only listed from x = %s to %s: %s", number.Format(a.left, 4), number.Format(a.right, 4), strings.Join(outside, ", ")))
	}
	if len(missing) > 0 {
		out.Undecided = append(out.Undecided, "some may be missing: "+strings.Join(missing, ", "))
	}
	var rest []string
	for words := range a.unsettled {
		rest = append(rest, words)
	}
	sort.Strings(rest)
	out.Undecided = append(out.Undecided, rest...)
	if !out.DomainKnown {
		out.Undecided = append(out.Undecided, "domain")
	}
	if len(a.refuted) > 0 {
		out.Undecided = append(out.Undecided, "values of the function speak against what was found, so it is not told")
	}
	if a.tooLarge {
		out.Undecided = append(out.Undecided, "turns and slopes: some values are too large to be written")
	}
	if !out.RangeKnown {
		out.Undecided = append(out.Undecided, "range")
	}
}

// collectRange joins what the function takes on its segments and at its places. On a segment of which the signs are not
// known it takes at least what lies between its ends, being continuous there; the range is known when no value outside
// of what is surely taken is possible.
func (a *analyser) collectRange(out *Findings) {
	if stairs, ok := a.stairs(); ok && stairs.tell(out) {
		out.RangeKnown = true
		return
	}
	var list []Interval
	possible := true // whether every segment is either known or surely inside what is taken
	var doubtful, outside []*segment
	inside := make([]bool, len(a.places)) // places that a run passes without a turn: their values lie between its ends
	for i := 0; i < len(a.segments); i++ {
		s := &a.segments[i]
		if a.places[i].border || a.places[i+1].border {
			// A whole period lies between the segments at the borders.
			continue
		}
		if a.beyond("places", s.lo, s.hi) {
			// The formula holds, or is missing, next to the window only; what it takes further out is bounded by the
			// function itself.
			outside = append(outside, s)
			continue
		}
		if s.tree == nil {
			continue
		}
		first, way := i, s.rises
		for s.known && !s.isLevel() && a.goesOn(i, way) {
			i++
			inside[i] = true
			if way == 0 {
				way = a.segments[i].rises
			}
		}
		last := &a.segments[i]
		lo, loKnown := a.endOf(first, s.leftEnd)
		hi, hiKnown := a.endOf(i+1, last.rightEnd)
		if !s.known || !loKnown || !hiKnown {
			doubtful = append(doubtful, a.pointersTo(first, i)...)
		}
		if !s.lo.IsFinite() && a.swingsWide(s, -1) || !last.hi.IsFinite() && a.swingsWide(last, 1) {
			list = append(list, Interval{Lo: infinite(-1), Hi: infinite(1)})
		}
		if !loKnown || !hiKnown {
			continue
		}
		if lo.Value > hi.Value {
			lo, hi = hi, lo
		}
		if level := s.isLevel(); level || lo.Value < hi.Value {
			list = append(list, Interval{lo, hi, level, level})
		}
	}
	for i := range a.places {
		p := &a.places[i]
		if p.defined && !p.border && !inside[i] {
			list = append(list, Interval{p.y, p.y, true, true})
		}
		a.tooLarge = a.tooLarge || p.open && math.IsInf(a.f([]float64{p.x.Value}), 0)
	}
	taken := union(list)
	for _, s := range doubtful {
		v, _ := breaks.Enclose(s.simple, a.variable)(interval.I{Lo: s.lo.Value, Hi: s.hi.Value})
		possible = possible && covers(taken, v)
	}
	for _, s := range outside {
		v, _ := breaks.Enclose(a.n, a.variable)(interval.I{Lo: s.lo.Value, Hi: s.hi.Value})
		possible = possible && covers(taken, v)
	}
	if a.unsettled["places"] || a.unsettled["extrema"] || !possible {
		v, _ := breaks.Enclose(a.n, a.variable)(interval.I{Lo: a.lo, Hi: a.hi})
		possible = covers(taken, v)
	}
	possible = possible && !a.crowded
	if !possible && a.bounds.Lo == nil && a.bounds.Hi == nil {
		taken, possible = rangeThrough(a.given, a.variable)
		for i := range taken {
			taken[i].Lo.multiply(exact.Fractional(tens(a.tens)))
			taken[i].Hi.multiply(exact.Fractional(tens(a.tens)))
		}
	}
	if possible && !a.tryRange(taken) {
		possible, a.refuted["range"] = false, true
	}
	if out.RangeKnown = possible; possible {
		out.Range = taken
	}
}

// isLevel tells whether the function is constant on a segment.
func (s *segment) isLevel() bool {
	slope, ok := s.first.(*expr.Number)
	return ok && slope.Value.Sign() == 0
}

// goesOn tells whether the function rises or falls on across the place behind segment i in the way that it has taken, 0
// for one that is not seen: so close to a limit that the slope is lost in rounding it has no turn either.
func (a *analyser) goesOn(i, way int) bool {
	if i+1 >= len(a.segments) || a.places[i+2].border {
		return false
	}
	next := &a.segments[i+1]
	if next.tree == nil || !next.known || next.isLevel() || way*next.rises < 0 {
		return false
	}
	if a.places[i+1].turns && (way == 0 || next.rises == 0) {
		return false
	}
	return !a.beyond("places", next.lo, next.hi) && a.continuous(i+1)
}

func (a *analyser) pointersTo(first, last int) (list []*segment) {
	for i := first; i <= last; i++ {
		list = append(list, &a.segments[i])
	}
	return list
}

// swingsWide tells whether a segment's formula is a sine or cosine of a line times something that grows without bound
// far out, as x·sin x: being continuous, it takes every value there.
func (a *analyser) swingsWide(s *segment, side int) bool {
	var waves, others []expr.Node
	var take func(n expr.Node)
	take = func(n expr.Node) {
		switch n := n.(type) {
		case *expr.Neg:
			take(n.X)
			return
		case *expr.Binary:
			if n.Op == expr.Mul {
				take(n.L)
				take(n.R)
				return
			}
			if n.Op == expr.Div {
				take(n.L)
				others = append(others, expr.Over(expr.Num(1), n.R))
				return
			}
		case *expr.Call:
			if n.Name == "sin" || n.Name == "cos" {
				slope := symbolic.Simplify(symbolic.Derivative(n.Args[0], a.variable)).Node
				if number, ok := slope.(*expr.Number); depends(n, a.variable) && !depends(slope, a.variable) && !(ok && number.Value.Sign() == 0) {
					waves = append(waves, n)
					return
				}
			}
		}
		others = append(others, n)
	}
	take(s.simple)
	if len(waves) != 1 || len(others) == 0 {
		return false
	}
	rest := others[0]
	for _, n := range others[1:] {
		rest = expr.Times(rest, n)
	}
	probe := between(s.lo.Value, s.hi.Value)
	b := a.effort.FarOut(symbolic.Simplify(rest).Node, a.variable, side, probe)
	return b.Kind == series.Rising || b.Kind == series.Falling
}

// endOf is where a segment's values end at place i.
func (a *analyser) endOf(i int, b series.Behaviour) (end Number, known bool) {
	switch b.Kind {
	case series.Rising:
		return infinite(1), true
	case series.Falling:
		return infinite(-1), true
	case series.Finite:
		if p := &a.places[i]; p.defined && a.closeAt(i, p.y.Value, b.Limit.Float()) {
			return p.y, true
		}
		return told(b.Limit), true
	}
	return Number{}, false
}

// covers tells whether v lies in what is taken; an end that agrees with v's but for rounding takes v's number, which is
// exact where it is whole.
func covers(list []Interval, v interval.I) bool {
	for i := range list {
		t := &list[i]
		lowEnough := t.Lo.Value <= v.Lo || t.LoClosed && close(t.Lo.Value, v.Lo)
		highEnough := v.Hi <= t.Hi.Value || t.HiClosed && close(t.Hi.Value, v.Hi)
		if lowEnough && highEnough {
			t.Lo, t.Hi = whole(t.Lo, v.Lo), whole(t.Hi, v.Hi)
			return true
		}
	}
	return false
}

// whole is the whole number that bounds n from outside and agrees with it, or n itself.
func whole(n Number, bound float64) Number {
	if n.Exact == nil && n.IsFinite() && bound == math.Trunc(bound) && close(n.Value, bound) {
		return exactly(exact.Of(decimal(bound)))
	}
	return n
}

// union joins intervals of values; ends that agree but for rounding are one, the exact one kept.
func union(list []Interval) []Interval {
	sort.SliceStable(list, func(i, j int) bool {
		if !same(list[i].Lo, list[j].Lo) {
			return list[i].Lo.Value < list[j].Lo.Value
		}
		return list[i].LoClosed && !list[j].LoClosed
	})
	var out []Interval
	for _, i := range list {
		if n := len(out); n > 0 {
			last := &out[n-1]
			touches := same(last.Hi, i.Lo) && (last.HiClosed || i.LoClosed)
			overlaps := last.Hi.Value > i.Lo.Value && (!same(last.Hi, i.Lo) || surpasses(last.Hi.Value, i.Lo.Value))
			if touches || overlaps {
				switch {
				case same(last.Hi, i.Hi) && !surpasses(i.Hi.Value, last.Hi.Value):
					last.HiClosed = last.HiClosed || i.HiClosed
					if last.Hi.Exact == nil {
						last.Hi = i.Hi
					}
				case i.Hi.Value > last.Hi.Value:
					last.Hi, last.HiClosed = i.Hi, i.HiClosed
				}
				switch {
				case surpasses(last.Lo.Value, i.Lo.Value):
					last.Lo, last.LoClosed = i.Lo, i.LoClosed
				case same(last.Lo, i.Lo) && i.LoClosed:
					last.LoClosed = true
				}
				continue
			}
		}
		out = append(out, i)
	}
	return out
}

// surpasses tells that v is more than w, and not by rounding only: a function may turn a little below where it begins.
func surpasses(v, w float64) bool { return v-w > 1e-12*(1+math.Abs(v)+math.Abs(w)) }

func same(a, b Number) bool { return close(a.Value, b.Value) }
