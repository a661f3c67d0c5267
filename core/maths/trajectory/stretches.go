package trajectory

import (
	"math"
	"sort"

	"parvix/core/numeric/bisect"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/quadrature"
)

// stretch is a part of the parameter's interval on which the curve runs unbroken; goesOn tells that it goes on from the one
// before.
type stretch struct {
	from, to float64
	goesOn   bool
}

// gapSteps is how finely an interval is looked through for gaps.
const gapSteps = 4000

// pieces are the parts of an interval on which the curve has a place and runs unbroken, their ends closed in.
func (c *Curve) pieces(from, to float64) (list []stretch) {
	for _, whole := range c.defined(from, to) {
		begun := whole.from
		for _, at := range breaks.Gaps(c.broken, whole.from, whole.to, []float64{0}) {
			// Next to the break, on either side, the curve is what it is on that side.
			w := 4e-16 * (1 + math.Abs(at))
			if at-w > begun {
				list = append(list, stretch{from: begun, to: at - w})
			}
			begun = at + w
		}
		if whole.to > begun {
			list = append(list, stretch{from: begun, to: whole.to})
		}
	}
	// Long intervals are cut, so that many loops are not taken for smooth by one rule.
	var short []stretch
	for _, p := range list {
		parts := math.Ceil((p.to - p.from) / math.Pi)
		for k := 0.0; k < parts; k++ {
			short = append(short, stretch{p.from + (p.to-p.from)*k/parts, p.from + (p.to-p.from)*(k+1)/parts, k > 0})
		}
	}
	return short
}

// defined are the parts on which the curve has a place wherever it is looked for.
func (c *Curve) defined(from, to float64) (list []stretch) {
	exists := func(t float64) bool {
		x, y, z := c.At(t)
		return !math.IsNaN(x+y+z) && !math.IsInf(x+y+z, 0)
	}
	edge := func(out, in float64) float64 {
		_, in = bisect.Change(func(t float64) bool { return !exists(t) }, out, in, 70)
		return in
	}
	step := (to - from) / gapSteps
	begun, is := from, exists(from)
	for k := 1; k <= gapSteps; k++ {
		t := from + step*float64(k)
		now := exists(t)
		switch {
		case now && !is:
			begun = edge(t-step, t)
		case !now && is:
			if end := edge(t, t-step); end > begun {
				list = append(list, stretch{from: begun, to: end})
			}
		}
		is = now
	}
	if is && to > begun {
		list = append(list, stretch{from: begun, to: to})
	}
	return list
}

// leaves tells whether a coordinate grows (1) or falls (−1) without bound towards an end: its last steps grow as fast as the
// one before, as those of a logarithm do, where those towards a limit shrink.
func (c *Curve) leaves(k int, end, other float64) int {
	var v [3]float64
	for i, t := range quadrature.Beside(end, other) {
		v[i] = c.place[k]([]float64{t})
	}
	first, last := v[1]-v[0], v[2]-v[1]
	if first == 0 || !(last/first > 0.9) || math.Abs(last) < 1e-9*(1+math.Abs(v[2])) {
		return 0 // rounding alone takes steps of one size, too
	}
	return int(math.Copysign(1, last))
}

// spread is how far the places of the curve lie apart, but for the outermost twentieth on each side: what runs off without
// bound does not decide how closely the rest is looked at.
func (c *Curve) spread(from, to float64) (size float64) {
	const looks = 400
	for k := range c.place {
		var values []float64
		for i := range looks + 1 {
			if v := c.place[k]([]float64{from + (to-from)*float64(i)/looks}); !math.IsNaN(v) && !math.IsInf(v, 0) {
				values = append(values, v)
			}
		}
		if sort.Float64s(values); len(values) > 0 {
			outer := len(values) / 20
			size = math.Max(size, values[len(values)-1-outer]-values[outer])
		}
	}
	return size
}
