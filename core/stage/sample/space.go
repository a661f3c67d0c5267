package sample

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
)

// SpaceCurve is a curve (x(t), y(t), z(t)), compiled.
type SpaceCurve struct {
	coordinates [3]*Function
	derivatives [2][3]program.Point
	machine     program.Machine
	row         []float64
}

// CompileSpace compiles the coordinates, inlined and in radians, for their parameter (the first input) and the others, with their first
// and second derivatives.
func CompileSpace(nodes [3]expr.Node, inputs []string) (*SpaceCurve, error) {
	c := &SpaceCurve{}
	for k, n := range nodes {
		f, err := Compile(n, inputs)
		if err != nil {
			return nil, err
		}
		c.coordinates[k] = f
		for order := range c.derivatives {
			n = symbolic.Simplify(symbolic.Derivative(n, inputs[0])).Node
			if c.derivatives[order][k], err = program.CompilePoint(n, inputs); err != nil {
				return nil, err
			}
		}
	}
	return c, nil
}

// At is the place at t, NaN in the coordinates that have no value; in[0] is overwritten.
func (c *SpaceCurve) At(t float64, in []float64) (p [3]float64) {
	for k, f := range c.coordinates {
		p[k] = f.At(t, in)
	}
	return p
}

// Derivative is the first (0) or the second (1) derivative of the place.
func (c *SpaceCurve) Derivative(order int, t float64, in []float64) (p [3]float64) {
	in[0] = t
	for k, d := range c.derivatives[order] {
		p[k] = d(in)
	}
	return p
}

// Gap is a value of the parameter over which no line runs: what the place tends to on either side, NaN where it tends to nothing.
type Gap struct {
	T           float64
	Left, Right [3]float64
	// IsHole tells that both sides tend to one place.
	IsHole bool
}

// Gaps are those inside of an interval.
func (c *SpaceCurve) Gaps(from, to float64, in []float64) (list []Gap) {
	if g, is := c.endGap(from, (to-from)/4, in); is {
		list = append(list, g)
	}
	finders := []*breaks.Finder{c.coordinates[0].finder, c.coordinates[1].finder, c.coordinates[2].finder}
	for _, t := range breaks.Gaps(finders, from, to, in) {
		if t <= from || t >= to {
			continue
		}
		g := Gap{T: t, IsHole: true}
		step := math.Min(to-t, t-from) / 4
		for k, f := range c.coordinates {
			g.Left[k], g.Right[k] = f.tendsTo(t, -step, in), f.tendsTo(t, step, in)
			if !(math.Abs(g.Left[k]-g.Right[k]) <= oneLimit*(1+math.Abs(g.Left[k]))) {
				g.IsHole = false
			}
		}
		list = append(list, g)
	}
	if g, is := c.endGap(to, (from-to)/4, in); is {
		list = append(list, g)
	}
	return list
}

// endGap is that at an end of the interval where the curve has no place but tends to one.
func (c *SpaceCurve) endGap(t, inward float64, in []float64) (g Gap, is bool) {
	at := c.At(t, in)
	if !math.IsNaN(at[0] + at[1] + at[2]) {
		return g, false
	}
	g = Gap{T: t, IsHole: true}
	for k, f := range c.coordinates {
		g.Left[k] = f.tendsTo(t, inward, in)
	}
	g.Right = g.Left
	return g, !math.IsNaN(g.Left[0] + g.Left[1] + g.Left[2])
}

// oneLimit is how far apart the limits of both sides may lie to be one.
const oneLimit = 1e-6

// tendsTo is the limit on one side, which h leads to; NaN for none.
func (f *Function) tendsTo(t, h float64, in []float64) float64 {
	if s := f.approach(t, h, in, 1); s.kind == finite {
		return s.value
	}
	return math.NaN()
}

// Track is a curve in space as it is run through; a place where it breaks is NaN.
type Track struct {
	T      []float64
	Places [][3]float64
	// Coarse tells that the work allowed did not suffice for a line as fine as it should be.
	Coarse bool
}

// How many places a track has at first and at most.
const firstTrack, mostTrack = 512, 4096

// trackWork is how many operations the last run through a curve may take, leastTrack of how many places it is drawn whatever it takes.
const trackWork, leastTrack = 4e6, 64

// Track runs through an interval, around its gaps, with twice as many places until no chord leaves the curve by much of a pixel; units
// are the pixels of a unit along each axis.
func (c *SpaceCurve) Track(from, to float64, gaps []Gap, units [3]float64, in []float64) Track {
	work := 0.0
	for _, f := range c.coordinates {
		work += f.Work(in)
	}
	most := max(leastTrack, min(mostTrack, int(trackWork/work)))
	for count := min(firstTrack, most); ; count *= 2 {
		track := c.run(from, to, gaps, count, in)
		const fine = 0.3
		if isFine := track.bends(units) <= fine; isFine || 2*count > most {
			track.Coarse = !isFine && most < mostTrack
			return track
		}
	}
}

// run takes so many places, and those just beside the gaps.
func (c *SpaceCurve) run(from, to float64, gaps []Gap, count int, in []float64) (track Track) {
	at := from
	for k := 0; k <= len(gaps); k++ {
		end := to
		if k < len(gaps) {
			end = gaps[k].T
		}
		if end == at {
			continue // a gap at an end parts nothing
		}
		low, high := at, end
		width := 1e-12 * (1 + math.Abs(at) + math.Abs(end))
		if k > 0 {
			low += width
		}
		if k < len(gaps) {
			high -= width
		}
		parts := max(8, int(math.Ceil(float64(count)*(end-at)/(to-from))))
		ts := make([]float64, parts+1)
		for i := range ts {
			ts[i] = low + (high-low)*float64(i)/float64(parts)
		}
		track.T = append(track.T, ts...)
		track.Places = append(track.Places, c.places(ts, in)...)
		if k < len(gaps) {
			nan := math.NaN()
			track.T, track.Places = append(track.T, end), append(track.Places, [3]float64{nan, nan, nan})
		}
		at = end
	}
	return track
}

func (c *SpaceCurve) places(ts, in []float64) [][3]float64 {
	places := make([][3]float64, len(ts))
	if len(c.row) < len(ts) {
		c.row = make([]float64, len(ts))
	}
	for k, f := range c.coordinates {
		row := c.row[:len(ts)]
		f.run(&c.machine, row, ts, in)
		for i, v := range row {
			places[i][k] = v
		}
	}
	return places
}

// bends is by how many pixels every other place lies off the chord of its neighbours, at most.
func (t *Track) bends(units [3]float64) (most float64) {
	for i := 1; i+1 < len(t.Places); i += 2 {
		off := 0.0
		for k := range units {
			d := (t.Places[i][k] - (t.Places[i-1][k]+t.Places[i+1][k])/2) * units[k]
			off += d * d
		}
		if off > most && !math.IsInf(off, 0) {
			most = off
		}
	}
	return math.Sqrt(most)
}
