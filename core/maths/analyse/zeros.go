package analyse

import (
	"math"
	"math/big"
	"slices"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/maths/solve"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// zero is a place where a formula is 0.
type zero struct {
	x   Number
	how How
}

// zeroSet are the zeros of a formula on an interval; endless tells that more lie outside the window, complete that
// nothing was missed inside it.
type zeroSet struct {
	zeros             []zero
	endless, complete bool
	all               bool
}

type solved struct {
	set solve.Set
	ok  bool
}

// closedForm solves once a formula.
func (a *analyser) closedForm(n expr.Node) solved {
	key := expr.Text(n)
	if known, ok := a.solutions[key]; ok {
		return known
	}
	if a.solving > maxSolving {
		return solved{}
	}
	a.solving += solvingCost(n)
	set, ok := solve.Zeros(n, a.variable)
	a.solutions[key] = solved{set, ok}
	return a.solutions[key]
}

// maxSolving bounds the equations that are solved in closed form for one function, maxFractions what is written as one
// fraction, by the cubes of the sizes, about half a second each: a step makes hundreds of them, of which nobody reads the
// exact numbers, and 200 nodes make a numerator of 2,700. The zeros of the others are bracketed as they stand.
const maxSolving, maxFractions = 120, 15_000_000

// solvingCost is about what it takes to solve n: functions within each other make long numbers.
func solvingCost(n expr.Node) int {
	calls := 0
	expr.Walk(n, func(n expr.Node) bool {
		if _, is := n.(*expr.Call); is {
			calls++
		}
		return true
	})
	return 1 + 3*calls*calls
}

// zerosIn finds the zeros of a smooth formula inside (lo, hi), which may be infinite.
func (a *analyser) zerosIn(n expr.Node, lo, hi float64) zeroSet {
	if s := a.closedForm(n); s.ok {
		return a.members(s.set, lo, hi)
	}
	return a.bracketed(n, lo, hi)
}

// zerosWithin finds the zeros of a formula that is smooth inside (lo, hi). A closed form is not taken on trust: where the
// formula changes its sign without a solution there, the zeros are bracketed.
func (a *analyser) zerosWithin(n expr.Node, lo, hi float64) zeroSet {
	s := a.closedForm(n)
	if !s.ok {
		return a.bracketed(n, lo, hi)
	}
	set := a.members(s.set, lo, hi)
	if set.all || !a.crossesElsewhere(n, lo, hi, set.zeros) {
		return set
	}
	a.solutions[expr.Text(n)] = solved{}
	return a.bracketed(n, lo, hi)
}

// boundedBySlope completes zeros of which more could lie outside the window: beyond the last zero of its slope a formula
// only rises or falls, so that its value there and its limit tell whether it passes 0 once more.
func (a *analyser) boundedBySlope(n expr.Node, set, slope zeroSet, lo, hi float64) zeroSet {
	if !set.endless || !set.complete || slope.endless || !slope.complete || slope.all || a.endless["places"] || a.unsettled["places"] {
		return set
	}
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return set
	}
	var more []zero
	for _, side := range []int{-1, 1} {
		end, seen := hi, math.Max(a.right, lo+1)
		if side < 0 {
			end, seen = lo, math.Min(a.left, hi-1)
		}
		if !math.IsInf(end, side) {
			continue
		}
		last := seen
		for _, z := range slope.zeros {
			last = float64(side) * math.Max(float64(side)*last, float64(side)*z.x.Value+1)
		}
		until, ok := a.signHolds(n, f, last, side)
		if !ok {
			return set
		}
		if until == seen {
			continue
		}
		from, to := math.Min(seen, until), math.Max(seen, until)
		values, complete := breaks.Zeros(n, a.variable, from, to, &a.budget)
		if !complete {
			return set
		}
		for _, v := range values {
			more = append(more, zero{Number{Value: v}, Bracketed})
		}
	}
	set.endless = false
	set.zeros = append(set.zeros, more...)
	return set
}

// signHolds gives a place from x on beyond which a formula that only rises or falls from x on keeps its sign.
func (a *analyser) signHolds(n expr.Node, f program.Point, x float64, side int) (until float64, ok bool) {
	b := a.limits.FarOut(n, a.variable, side, x)
	sign := 0.0
	switch b.Kind {
	case series.Rising:
		sign = 1
	case series.Falling:
		sign = -1
	case series.Finite:
		limit, known := b.Limit.Sign()
		if !known {
			return 0, false
		}
		if sign = float64(limit); sign == 0 {
			return x, true // it comes to 0 from one side
		}
	default:
		return 0, false
	}
	for range 40 {
		y := f([]float64{x})
		if math.IsNaN(y) || math.IsInf(y, 0) {
			return 0, false
		}
		if y*sign > 0 {
			return x, true
		}
		x += float64(side) * (1 + math.Abs(x))
	}
	return 0, false
}

// probes are the places at which a closed form is put to the test.
const probes = 40

// crossesElsewhere tells whether a formula passes 0 inside (lo, hi) at a place that is not among its zeros.
func (a *analyser) crossesElsewhere(n expr.Node, lo, hi float64, zeros []zero) bool {
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return false
	}
	at := func(x float64) float64 { return f([]float64{x}) }
	if math.IsInf(lo, -1) {
		lo = math.Min(a.left, hi-1)
	}
	if math.IsInf(hi, 1) {
		hi = math.Max(a.right, lo+1)
	}
	x0, y0 := math.NaN(), math.NaN()
	for k := range probes {
		x := lo + (hi-lo)*(float64(k)+0.4871)/probes
		y := at(x)
		if y*y0 < 0 && math.Min(math.Abs(y), math.Abs(y0)) > 1e-12 {
			v := crossing(at, x0, x)
			passes := math.Abs(v) < 1e-6*math.Min(math.Abs(y), math.Abs(y0))
			// About a flat zero rounding changes the sign too, so that one zero settles a step.
			if passes && !slices.ContainsFunc(zeros, func(z zero) bool { return z.x.Value > x0-1e-9 && z.x.Value < x+1e-9 }) {
				return true
			}
		}
		x0, y0 = x, y
	}
	return false
}

// crossing halves from x to z, where f has other signs, and gives f's value at the place between them: about 0 where it
// passes 0, and not where it jumps.
func crossing(f func(float64) float64, x, z float64) (value float64) {
	left := f(x)
	_, z = bisect.Change(func(x float64) bool { return f(x)*left > 0 }, x, z, 60)
	return f(z)
}

// members lists the solutions of a closed set inside (lo, hi); endless families are listed inside the window only.
func (a *analyser) members(set solve.Set, lo, hi float64) zeroSet {
	out := zeroSet{complete: true, all: set.All}
	put := func(x Number, approximate bool) {
		if x.Value <= lo+tiny(lo) || x.Value >= hi-tiny(hi) {
			// What rounding may have made of the end itself, but for a place beside a whole number: that is another one.
			for _, end := range []float64{lo, hi} {
				inside := x.Value > lo && x.Value < hi && math.Abs(x.Value-end) > 4*(math.Nextafter(math.Abs(end), math.Inf(1))-math.Abs(end))
				if inside && !approximate && end == math.Trunc(end) && math.Abs(x.Value-end) <= tiny(end) {
					out.complete = false
				}
				if p, ok := a.exactPlace(end); ok && inside && !approximate && math.Abs(x.Value-end) <= tiny(end) {
					a.crowd(exactly(p), x)
				}
			}
			return
		}
		how := Solved
		if approximate {
			x.Exact, how = nil, Bracketed
		}
		out.zeros = append(out.zeros, zero{x, how})
	}
	for _, z := range set.Solutions {
		p := z.Period.Float()
		if p == 0 {
			x := Number{z.X, z.Value}
			if !isReadable(z.X) {
				x.Exact = nil
			}
			put(x, z.Approximate)
			continue
		}
		from, to := lo, hi
		if math.IsInf(lo, 0) || math.IsInf(hi, 0) {
			out.endless = true
			from, to = math.Max(lo, a.left), math.Min(hi, a.right)
		}
		first := math.Ceil((from - z.Value) / p)
		if math.Max(-first, (to-z.Value)/p) > 1<<52 {
			out.complete = false // rounding hides which multiple a place is
			continue
		}
		for k := first; z.Value+k*p <= to; k++ {
			if len(out.zeros) > maxPlaces {
				out.complete = false
				break
			}
			x := exactly(exact.Of(expr.Plus(z.X, expr.Times(symbolic.Ratio(big.NewRat(int64(k), 1)), z.Period.Node()))))
			if !isReadable(x.Exact) {
				x.Exact = nil
			}
			put(x, z.Approximate)
		}
	}
	sort.SliceStable(out.zeros, func(i, j int) bool { return out.zeros[i].x.Value < out.zeros[j].x.Value })
	return out
}

// numerator is that of n as one fraction, without the roots and powers of e that are not 0 inside a segment, worked out once
// a formula; what stands above in n as it is written where that would take too long.
func (a *analyser) numerator(n expr.Node) expr.Node {
	key := expr.Text(n)
	above, known := a.numerators[key]
	switch {
	case known:
	case a.fractions > maxFractions:
		if b, is := n.(*expr.Binary); is && b.Op == expr.Div {
			return b.L
		}
		return n
	default:
		size := symbolic.Size(n)
		a.fractions += size * size * size
		var ok bool
		if above, _, ok = symbolic.Together(n); !ok {
			above = n
		}
		if plain, ok := symbolic.WithoutRoots(above, a.variable); ok && symbolic.Size(plain) < symbolic.Size(above) {
			above = plain
		}
		a.numerators[key] = above
	}
	return above
}

// maxPlaces bounds a list.
const maxPlaces = 400

// factorsOf lists what n is a product of, where one factor must be 0 for n to be: without exponents above 0, signs and
// numbers.
func factorsOf(n expr.Node, variable string) []expr.Node {
	switch n := n.(type) {
	case *expr.Neg:
		return factorsOf(n.X, variable)
	case *expr.Binary:
		switch n.Op {
		case expr.Mul:
			return append(factorsOf(n.L, variable), factorsOf(n.R, variable)...)
		case expr.Pow:
			if r, ok := symbolic.Fraction(n.R); ok && r.Sign() > 0 {
				return factorsOf(n.L, variable)
			}
		}
	}
	if !depends(n, variable) {
		return nil
	}
	return []expr.Node{n}
}

// bracketed finds zeros by interval arithmetic, on an unbounded side up to where the formula surely keeps its sign. Those
// of a product are those of its factors, one by one: a zero of u³ is too flat to be placed well.
func (a *analyser) bracketed(n expr.Node, lo, hi float64) zeroSet {
	factors := factorsOf(n, a.variable)
	if len(factors) == 1 && expr.Equal(factors[0], n) {
		// Inside a segment no denominator is 0, and without it a gap at an end is no obstacle.
		n = a.numerator(n)
		factors = factorsOf(n, a.variable)
	}
	if len(factors) == 1 && expr.Equal(factors[0], n) {
		return a.bracketedFactor(n, lo, hi)
	}
	out := zeroSet{complete: true}
	for _, f := range factors {
		set := a.zerosIn(f, lo, hi)
		out.zeros = append(out.zeros, set.zeros...)
		out.endless, out.complete, out.all = out.endless || set.endless, out.complete && set.complete, out.all || set.all
	}
	sort.SliceStable(out.zeros, func(i, j int) bool { return out.zeros[i].x.Value < out.zeros[j].x.Value })
	return out
}

func (a *analyser) bracketedFactor(n expr.Node, lo, hi float64) zeroSet {
	out := zeroSet{complete: true}
	from, to := lo, hi
	if math.IsInf(lo, -1) {
		if from = a.tail(n, -1, hi); math.IsNaN(from) {
			from, out.endless = math.Min(a.left, hi-1), true
		}
	}
	if math.IsInf(hi, 1) {
		if to = a.tail(n, 1, lo); math.IsNaN(to) {
			to, out.endless = math.Max(a.right, lo+1), true
		}
	}
	if !(from < to) {
		return out
	}
	// Where the formula fades to 0 at an end no interval can tell its sign; there its leading power does.
	values, complete := breaks.Zeros(n, a.variable, from+a.fading(n, from, to, 1), to-a.fading(n, to, from, -1), &a.budget)
	out.complete = complete
	margin := 1e-9 * math.Max(to-from, 1+math.Max(math.Abs(from), math.Abs(to)))
	afterLo, beforeHi := a.faded(n, lo, values, 1), a.faded(n, hi, values, -1)
	for _, v := range values {
		if v <= lo+margin || v >= hi-margin {
			// The end's own zero, unless there is none.
			own := !a.crossesBeside(n, lo, v) && !a.crossesBeside(n, hi, v)
			if own || samePlace(v, lo) || samePlace(v, hi) {
				out.complete = out.complete && own
				continue
			}
		}
		if v < afterLo || v > beforeHi {
			continue
		}
		x, how := Number{Value: v}, Bracketed
		if e, ok := recognised(n, a.variable, v); ok {
			x, how = e, Solved
		}
		out.zeros = append(out.zeros, zero{x, how})
	}
	out.zeros = a.withoutBlur(n, out.zeros)
	return out
}

// fading is how far from an end, towards the other, the formula is its leading power c·h^k but for a few percent, so that
// it has no zero there; 0 where it does not fade to 0 at the end.
func (a *analyser) fading(n expr.Node, end, other float64, side int) float64 {
	p, ok := a.exactPlace(end)
	reach := a.powerLike(n, end, other, side)
	if !ok || reach == 0 {
		return 0
	}
	if b := a.effort.Near(n, a.variable, p, side, between(end, other)); b.Kind != series.Finite || !b.Limit.IsZero() || b.Side == 0 {
		return 0
	}
	return reach
}

// fadesTo tells that the formula is one power of the distance from an end that fades to nothing but rounding within a
// distance: no constant is left over, as that of 10⁷h² − 1.
func (a *analyser) fadesTo(n expr.Node, end, distance float64, side int) bool {
	h := a.powerLike(n, end, end+float64(side), side)
	if h == 0 {
		return false
	}
	if isOffZero(n, a.variable, end) {
		return false
	}
	f, err := program.CompilePoint(n, []string{a.variable})
	return err == nil && math.Abs(f([]float64{end + float64(side)*distance/2})) <= 1e-10*math.Abs(f([]float64{end + float64(side)*h}))
}

// isOffZero tells that a formula is surely not 0 at x.
func isOffZero(n expr.Node, variable string, x float64) bool {
	v, _ := breaks.Enclose(n, variable)(interval.Point(x))
	return !v.IsEmpty() && (v.Lo > 0 || v.Hi < 0)
}

// isExactlyOffZero tells so of an end of which the exact number says more than the rounded one: x¹² − ∛(4x + 1) is 6·10⁻⁸
// at −1/4, and passes 0 before the next float64.
func (a *analyser) isExactlyOffZero(n expr.Node, end float64) bool {
	p, ok := a.exactPlace(end)
	if !ok || symbolic.Size(n) > maxPutIn {
		return false
	}
	v := exact.Of(symbolic.Substitute(n, map[string]expr.Node{a.variable: p.Node()}))
	sign, known := v.Sign()
	return known && sign != 0 && !symbolic.IsUndefined(v.Node())
}

// crossesBeside tells that a formula, which is not 0 at an end, passes 0 at a place close to it, or so close that no float64
// lies between.
func (a *analyser) crossesBeside(n expr.Node, end, x float64) bool {
	if x == end {
		return a.isExactlyOffZero(n, end)
	}
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil || math.IsInf(end, 0) || math.Abs(x-end) > 1e-6*(1+math.Abs(end)) {
		return false
	}
	if !isOffZero(n, a.variable, end) && !math.IsInf(f([]float64{end}), 0) {
		return false
	}
	return f([]float64{(x + end) / 2})*f([]float64{2*x - end}) < 0
}

// powerLike is how far from an end the formula is one power c·h^k with k > 0 but for a few percent, seen at three sizes of
// h; 0 where it is none.
func (a *analyser) powerLike(n expr.Node, end, other float64, side int) float64 {
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return 0
	}
	order := func(h float64) float64 {
		return math.Log2(f([]float64{end + float64(side)*h}) / f([]float64{end + float64(side)*h/2}))
	}
	for _, h := range []float64{0.1, 0.03, 0.01, 0.003, 0.001} {
		if h = math.Min(h, math.Abs(other-end)/4); h <= 0 {
			return 0
		}
		if k := order(h / 4); k > 0.2 && math.Abs(order(h)-k) < 0.03 && math.Abs(order(h/2)-k) < 0.03 {
			return h
		}
	}
	return 0
}

// faded is the place up to which zeros bracketed close to an end are only the end's own: the formula fades to 0 there,
// so that rounding hides its sign, but its series says that it keeps one. It is the end itself where there are none.
func (a *analyser) faded(n expr.Node, end float64, values []float64, side int) float64 {
	reach := end + float64(side)*1e-4*(1+math.Abs(end))
	for _, v := range values {
		distance := math.Abs(v-end) / (1 + math.Abs(end))
		if math.IsInf(end, 0) || distance > 1e-4 || distance < 1e-9 {
			continue // far away, or the end itself, which is left out anyway
		}
		if a.fadesTo(n, end, math.Abs(v-end), side) {
			return reach
		}
		p, ok := a.exactPlace(end)
		if !ok {
			return end
		}
		b := a.effort.Near(n, a.variable, p, side, v)
		// Where it fades to anything but 0, no rounding hides its sign.
		if b.Kind == series.Finite && b.Limit.IsZero() && b.Side != 0 {
			return reach
		}
		return end
	}
	return end
}

// withoutBlur drops rounded zeros about an exact one that are its own: near a zero of a higher order the formula is
// nothing but rounding.
func (a *analyser) withoutBlur(n expr.Node, zeros []zero) []zero {
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return zeros
	}
	kept := zeros[:0:0]
	for _, z := range zeros {
		blur := false
		for _, e := range zeros {
			d := math.Abs(z.x.Value - e.x.Value)
			if z.x.Exact != nil || e.x.Exact == nil || d > 1e-3*(1+math.Abs(e.x.Value)) {
				continue
			}
			size := math.Abs(f([]float64{e.x.Value + 0.1})) + math.Abs(f([]float64{e.x.Value - 0.1}))
			blur = blur || math.Abs(f([]float64{(z.x.Value + e.x.Value) / 2})) <= 1e-12*size
		}
		if !blur {
			kept = append(kept, z)
		}
	}
	return kept
}

// exactPlace finds the exact number of an end.
func (a *analyser) exactPlace(end float64) (exact.Value, bool) {
	for _, p := range a.places {
		if p.x.Value == end && p.x.Exact != nil {
			return exact.Of(p.x.Exact), true
		}
	}
	return exact.Value{}, false
}

// maxRecognised bounds the formulas that are tried at exact numbers.
const maxRecognised = 120

// recognised tries short fractions, their square roots and multiples of π/12 next to a bracketed zero, and keeps one at
// which the formula is exactly 0.
func recognised(n expr.Node, variable string, v float64) (Number, bool) {
	if symbolic.Size(n) > maxRecognised {
		return Number{}, false
	}
	for node := range exact.Near(v) {
		if !exact.Of(symbolic.Substitute(n, map[string]expr.Node{variable: node})).IsZero() {
			continue
		}
		e := exact.Of(node)
		if roots(e.Node()) > 1 {
			return Number{node, e.Float()}, true // √(5π/2) is shorter than √10·√π/2
		}
		return exactly(e), true
	}
	return Number{}, false
}

// roots counts the square roots in a number.
func roots(n expr.Node) (count int) {
	expr.Walk(n, func(n expr.Node) bool {
		if c, ok := n.(*expr.Call); ok && c.Name == "sqrt" {
			count++
		}
		return true
	})
	return count
}
