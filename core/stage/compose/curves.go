package compose

import (
	"cmp"
	"math"
	"slices"

	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Source is what a curve was sampled from: it is sampled again when one of these changes.
type Source struct {
	Function *sample.Function
	Stamp    uint64
	// Variant tells curves of one function at one stamp apart: by a family's value, or by what has become of the plane.
	Variant [4]float64
}

// Drawn is a curve's lines in the plane, valid for one source and view.
type Drawn struct {
	Lines  [][]sample.Point
	source Source
	view   view.View
	marks  []sample.Mark
	bands  [][]sample.Column
	// coarse tells that it took too much work.
	coarse bool
	// tolerance is by how many pixels the lines may leave the curve.
	tolerance float64
}

// Sampled gives the lines kept under a key, sampled again where the source or the view has changed; id is the entry's.
func (c *Composer) Sampled(key, id string, from Source, in []float64) *Drawn {
	v := c.View
	if c.curves == nil {
		c.curves = map[string]*Drawn{}
	}
	drawn := c.curves[key]
	if drawn == nil {
		drawn = &Drawn{}
		c.curves[key] = drawn
	}
	if drawn.source != from || drawn.view != v || coarser(drawn.tolerance, c.Tolerance) {
		drawn.source, drawn.view, drawn.tolerance, c.sampler.Tolerance = from, v, c.Tolerance, c.Tolerance
		c.CountRun(id)
		c.sampler.Allowed = c.Share()
		drawn.keep(c.sampler.Curve(from.Function, in,
			sample.View{Left: v.Left, Right: v.Right, Bottom: v.Bottom, Top: v.Top, Width: v.Width, Height: v.Height}))
		c.left -= c.sampler.Spent
	}
	c.Spend(id, 0, drawn.coarse)
	return drawn
}

// coarser tells that what was drawn with a tolerance is not as fine as is wanted now.
func coarser(drawn, wanted float64) bool {
	return cmp.Or(drawn, sample.AtRest) > cmp.Or(wanted, sample.AtRest)
}

// Share is what one curve or region may take of the picture's work, in operations.
func (c *Composer) Share() float64 { return min(c.left/max(1, c.waiting), sample.AllowedAlone) }

// Spend notes what one has taken, and whether that did not suffice to draw it as finely as it should be.
func (c *Composer) Spend(id string, work float64, coarse bool) {
	c.left -= work
	c.waiting--
	if coarse && !slices.Contains(c.Coarse, id) {
		c.Coarse = append(c.Coarse, id)
	}
}

// pictureWork is what the curves of one picture may take together, in operations: 40 ms or so on the machine it was
// measured on.
const pictureWork = 5e6

// Stroked draws sampled lines with their bands and marks, and gives the place for a label.
func (c *Composer) Stroked(drawn *Drawn, pen Strokes) (Anchor, bool) {
	v := c.View
	from := len(c.Pen.Data)
	for _, band := range drawn.bands {
		c.band(band, pen.Colour)
	}
	for _, line := range drawn.Lines {
		c.Line(line, pen)
	}
	for _, m := range drawn.marks {
		shape := picture.Ring
		if m.Kind == sample.Closed {
			shape = picture.Disc
		}
		if v.Sees(m.X, m.Y) {
			c.Pen.Marker(pen.Colour, shape, v.X(m.X), v.Y(m.Y), c.Scaled(MarkRadius))
		}
	}
	a, ok := c.OnLines(from)
	a.Pen = pen
	return a, ok
}

// band draws an envelope: an area between its bounds, and the bounds as lines.
func (c *Composer) band(band []sample.Column, colour picture.Colour) {
	v := c.View
	half := 0.5 * (v.Right - v.Left) / v.Width
	var low, high []sample.Point
	for i, column := range band {
		if i == 0 {
			low, high = append(low, sample.Point{X: column.X - half, Y: column.Low}), append(high, sample.Point{X: column.X - half, Y: column.High})
		}
		low, high = append(low, sample.Point{X: column.X, Y: column.Low}), append(high, sample.Point{X: column.X, Y: column.High})
		if i == len(band)-1 {
			low, high = append(low, sample.Point{X: column.X + half, Y: column.Low}), append(high, sample.Point{X: column.X + half, Y: column.High})
		}
	}
	start := c.Pen.Area(colour, bandOpacity)
	held := func(p sample.Point) {
		c.Pen.To(v.X(p.X), math.Min(math.Max(v.Y(p.Y), -view.Margin), v.Height+view.Margin))
	}
	for _, p := range low {
		held(p)
	}
	for i := len(high) - 1; i >= 0; i-- {
		held(high[i])
	}
	c.Pen.EndLine(start)
	for _, bound := range [][]sample.Point{low, high} {
		c.Line(bound, Stroke(colour, c.Scaled(boundWidth), picture.Whole, 1))
	}
}

// keep copies what the sampler will overwrite.
func (k *Drawn) keep(curve sample.Curve) {
	k.Lines, k.coarse = k.Lines[:0], curve.Coarse
	for _, line := range curve.Lines {
		k.Lines = append(k.Lines, slices.Clone(line))
	}
	k.marks = append(k.marks[:0], curve.Marks...)
	k.bands = k.bands[:0]
	for _, band := range curve.Envelopes {
		k.bands = append(k.bands, slices.Clone(band))
	}
}

// Trail is a trajectory's trail, valid for one run.
type Trail struct {
	Run
	sample.Trail
	// Length is in pixels.
	Length float64
	// tolerance is by how many pixels it may leave the curve.
	tolerance float64
}

// Run is a curve that is run through: the curve at a stamp, its interval, and the width of a pixel.
type Run struct {
	Curve    *sample.Plane
	Stamp    uint64
	From, To float64
	Pixel    float64
}

// trailKey names one of an entry's trails.
type trailKey struct {
	id    string
	place int
}

// TrailOf gives the k-th trail of an entry, run through again only when the curve, its interval or the scale has changed.
func (c *Composer) TrailOf(id string, k int, run Run, in []float64) *Trail {
	if c.trails == nil {
		c.trails = map[trailKey]*Trail{}
	}
	key := trailKey{id, k}
	drawn := c.trails[key]
	if drawn == nil || drawn.Run != run || coarser(drawn.tolerance, c.Tolerance) {
		c.trailer.Tolerance = c.Tolerance
		drawn = &Trail{Run: run, tolerance: c.Tolerance, Trail: c.trailer.Trail(run.Curve, in, run.From, run.To, run.Pixel)}
		drawn.Length = LengthOf(drawn.Points, run.Pixel, run.Pixel)
		c.trails[key] = drawn
		c.CountRun(id)
	}
	if drawn.Coarse && !slices.Contains(c.Coarse, id) {
		c.Coarse = append(c.Coarse, id)
	}
	return drawn
}

// LengthOf is the length of a line in pixels, whose sizes in the plane are given; gaps count nothing.
func LengthOf(line []sample.Point, across, up float64) float64 {
	length := 0.0
	for i := 1; i < len(line); i++ {
		if step := math.Hypot((line[i].X-line[i-1].X)/across, (line[i].Y-line[i-1].Y)/up); step == step {
			length += step
		}
	}
	return length
}

// Within cuts a line that runs from left to right to an interval of x.
func Within(line []sample.Point, low, high float64) []sample.Point {
	var out []sample.Point
	cut := func(p, q sample.Point, x float64) sample.Point {
		return sample.Point{X: x, Y: p.Y + (q.Y-p.Y)*(x-p.X)/(q.X-p.X)}
	}
	for i, q := range line {
		if i > 0 {
			p := line[i-1]
			for _, x := range [2]float64{low, high} {
				if p.X < x && x < q.X {
					out = append(out, cut(p, q, x))
				}
			}
		}
		if q.X >= low && q.X <= high {
			out = append(out, q)
		}
	}
	return out
}
