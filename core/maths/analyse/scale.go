package analyse

import (
	"maps"
	"math"
	"math/big"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// What differs by rounding only is told from what differs by a share of 1. A function of which all values are tiny, as
// 1.6·10^(−19)·⌊x⌋, is therefore examined times a power of ten.

// tinyValues are smaller than this.
const tinyValues = 1e-3

// mostRounding is the share of a value that its enclosure is wide at most where it is more than rounding.
const mostRounding = 1e-6

// ofSize1 is a function times 10^k with values about 1, compiled; k is 0 where its values are no more than rounding, or not tiny.
func ofSize1(n expr.Node, variable string, bounds Bounds) (scaled expr.Node, k int, f program.Point, err error) {
	if f, err = program.CompilePoint(n, []string{variable}); err != nil {
		return nil, 0, nil, err
	}
	if k = powerOfTen(n, variable, f, bounds); k != 0 {
		n = inTens(n, k)
		f, err = program.CompilePoint(n, []string{variable})
	}
	return n, k, f, err
}

// powerOfTen is the k for which 10^k times the function has values about 1; 0 where it need not be.
func powerOfTen(n expr.Node, variable string, f program.Point, bounds Bounds) int {
	at, largest := 0.0, 0.0
	for _, x := range bounds.places() {
		if v := math.Abs(f([]float64{x})); v > largest {
			at, largest = x, v
		}
	}
	if largest == 0 || largest >= tinyValues {
		return 0
	}
	v, _ := breaks.Enclose(n, variable)(interval.Point(at))
	if !(v.Hi-v.Lo <= mostRounding*largest) {
		return 0
	}
	return -int(math.Floor(math.Log10(largest)))
}

// places are numbers without any relation to each other inside the bounds.
func (b Bounds) places() []float64 {
	lo, hi := math.Inf(-1), math.Inf(1)
	if b.Lo != nil {
		lo = b.Lo.Float()
	}
	if b.Hi != nil {
		hi = b.Hi.Float()
	}
	list := slices.DeleteFunc(slices.Clone(places), func(x float64) bool { return x < lo || x > hi })
	if !math.IsInf(hi-lo, 0) {
		golden := (math.Sqrt(5) - 1) / 2
		for k := range 30 {
			list = append(list, lo+(hi-lo)*math.Mod(float64(k+1)*golden, 1))
		}
	}
	return list
}

// inTens is a formula times 10^k; pieces stay pieces.
func inTens(n expr.Node, k int) expr.Node {
	if k == 0 {
		return n
	}
	if p, is := n.(*expr.Pieces); is {
		scaled := *p
		scaled.List = slices.Clone(p.List)
		for i := range scaled.List {
			scaled.List[i].Body = inTens(scaled.List[i].Body, k)
		}
		return &scaled
	}
	return expr.Times(symbolic.Ratio(tens(k)), n)
}

func tens(k int) *big.Rat {
	power := new(big.Int).Exp(big.NewInt(10), big.NewInt(int64(max(k, -k))), nil)
	if k < 0 {
		return new(big.Rat).SetFrac(big.NewInt(1), power)
	}
	return new(big.Rat).SetInt(power)
}

// inTens multiplies all values that are told by 10^k.
func (f *Findings) inTens(k int) {
	if k == 0 {
		return
	}
	unit := exact.Fractional(tens(k))
	for _, list := range [][]Point{f.Zeros, f.Maxima, f.Minima, f.Inflections, f.Holes} {
		for i := range list {
			list[i].Y.multiply(unit)
		}
	}
	if f.YIntercept != nil {
		f.YIntercept.Y.multiply(unit)
	}
	for i := range f.Range {
		f.Range[i].Lo.multiply(unit)
		f.Range[i].Hi.multiply(unit)
	}
	for i := range f.Jumps {
		for _, n := range []*Number{&f.Jumps[i].Left, &f.Jumps[i].Right, &f.Jumps[i].Value} {
			n.multiply(unit)
		}
	}
	for _, list := range [][]Line{f.Horizontal, f.Slanted} {
		for i := range list {
			list[i].Slope.multiply(unit)
			list[i].Lift.multiply(unit)
		}
	}
	for _, n := range []*Number{f.RangeEvery, f.CentreLine, f.Amplitude} {
		n.multiply(unit)
	}
}

// mostWidened is how much finer than usual places are looked at.
const mostWidened = 30

// widened examines a function of which places crowd, as those of x² − 10^(−20), over an axis on which they lie apart; ok is false
// where they do so on no axis, as 1 and 1 + 10^(−12), and for a function with waves or steps, that has more and more of them the
// further it goes.
func (a *analyser) widened(n expr.Node, bounds Bounds) (out *Findings, ok bool) {
	k := int(math.Ceil(-math.Log10(a.gap)))
	goesOn := expr.Any(n, func(n expr.Node) bool {
		c, is := n.(*expr.Call)
		return is && (isWave(c.Name) || isStep(c.Name)) && depends(c, a.variable)
	})
	if k < 1 || k > mostWidened || goesOn {
		return nil, false
	}
	narrow, wide := exact.Fractional(tens(-k)), exact.Fractional(tens(k))
	axis := expr.Times(narrow.Node(), &expr.Name{Name: a.variable})
	for _, end := range []**exact.Value{&bounds.Lo, &bounds.Hi} {
		if *end != nil {
			v := (*end).Times(wide)
			*end = &v
		}
	}
	bounds.Left, bounds.Right = a.left*wide.Float(), a.right*wide.Float()
	b, out, err := begin(symbolic.Substitute(n, map[string]expr.Node{a.variable: axis}), a.variable, bounds)
	if err != nil {
		return nil, false
	}
	b.cut()
	b.examine()
	if b.crowded || slices.Contains(slices.Collect(maps.Values(b.endless)), true) {
		return nil, false
	}
	b.try()
	b.collect(out)
	if len(out.Undecided) > 0 {
		return nil, false
	}
	out.inTens(-b.tens)
	out.overTens(-k)
	return out, true
}

// overTens multiplies all places that are told by 10^k.
func (f *Findings) overTens(k int) {
	narrow := exact.Fractional(tens(k))
	for _, list := range [][]Point{f.Zeros, f.Maxima, f.Minima, f.Inflections, f.Holes} {
		for i := range list {
			list[i].X.multiply(narrow)
		}
	}
	for _, list := range [][]Interval{f.Domain, f.ZeroOn, f.Rising, f.Falling, f.ConcaveUp, f.ConcaveDown} {
		for i := range list {
			list[i].Lo.multiply(narrow)
			list[i].Hi.multiply(narrow)
		}
	}
	for i := range f.Jumps {
		f.Jumps[i].X.multiply(narrow)
	}
	for i := range f.Vertical {
		f.Vertical[i].X.multiply(narrow)
	}
	for i := range f.Slanted {
		f.Slanted[i].Slope.multiply(exact.Fractional(tens(-k)))
	}
}

// multiply multiplies a number that is told, nil for none.
func (n *Number) multiply(by exact.Value) {
	switch {
	case n == nil:
	case n.Exact != nil:
		*n = exactly(exact.Of(n.Exact).Times(by))
	default:
		n.Value *= by.Float()
	}
}

// closeAt tells whether two values or limits at place i are one, but for rounding: where the function is small on both sides
// rounding is smaller too.
func (a *analyser) closeAt(i int, v, w float64) bool {
	if !close(v, w) || math.Abs(v-w) <= 1e-15*(math.Abs(v)+math.Abs(w)) {
		return close(v, w)
	}
	return math.Abs(v-w) <= closeness*(a.unitAt(i)+math.Abs(v)+math.Abs(w))
}

// unitAt is what counts as 1 at place i: 1, or less where the function is small all around.
func (a *analyser) unitAt(i int) float64 {
	x, size := a.places[i].x.Value, 0.0
	value := breaks.Enclose(a.n, a.variable)
	beside := func(at float64) bool {
		v, _ := value(interval.Point(at))
		if v.IsEmpty() {
			return true
		}
		most := math.Max(math.Abs(v.Lo), math.Abs(v.Hi))
		size = math.Max(size, most)
		return v.Hi-v.Lo <= mostRounding*most
	}
	const near = 1e-3
	if i > 0 && !beside(x-near*math.Min(1+math.Abs(x), x-a.places[i-1].x.Value)) {
		return 1
	}
	if i+1 < len(a.places) && !beside(x+near*math.Min(1+math.Abs(x), a.places[i+1].x.Value-x)) {
		return 1
	}
	if size == 0 {
		return 1
	}
	return math.Min(1, size/near)
}
