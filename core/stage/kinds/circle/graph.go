package circle

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// loadGraph compiles centre + radius · ratio(angle) over the driver, which stands in the variable's place.
func (p *Part) loadGraph(d evaluate.Loading, of string) {
	c := p.Of
	angle := c.angle.Inlined()
	if d.IsInDegrees() {
		angle = &expr.Degree{X: angle}
	}
	n := expr.Node(&expr.Call{Name: string(p.Ratio), Args: []expr.Node{symbolic.Radians(angle, false)}})
	using := []*evaluate.Expression{c.angle}
	if c.Scaled {
		n = expr.Plus(c.centre.Inlined(), expr.Times(c.radius.Inlined(), n))
		using = append(using, c.radius, c.centre)
	}
	n = symbolic.Substitute(n, map[string]expr.Node{c.body.Driver: &expr.Name{Name: evaluate.NoVariable}})
	d.CountCompile()
	graph, err := sample.Compile(n, d.InputNames(evaluate.NoVariable))
	if err != nil {
		d.Report(err, of, "angle")
		return
	}
	p.Graph = graph
	for _, x := range using {
		for _, i := range x.Hangs() {
			if i != c.Driver {
				p.on = append(p.on, i)
			}
		}
	}
}

// carried draws the level line from a length's end to the edge beside which the graph stands.
func (p *Part) carried(on *compose.On) {
	c, f, v := p.Of, p.Ratio, on.View
	r := roundOf(c, v)
	from, ok := r.heightOf(f, c.Lengths[f].Value, p.body.OnAxis)
	if !ok {
		return
	}
	hue := RatioHue(f)
	start := r.at(from[0], from[1])
	if f == trig.Cosine {
		thin := compose.Stroke(hue, on.Scaled(compose.RayWidth), picture.Dotted, 1)
		on.Segment(thin, r.at(0, 0), start)
		on.Segment(compose.Stroke(hue, on.Scaled(compose.LengthWidth), picture.Whole, 1), r.at(from[0], 0), start)
		on.Pen.Marker(hue, picture.Ring, start[0], start[1], on.Scaled(compose.MarkRadius))
		// The complementary angle is marked from the upright axis to the ray.
		angle := c.Angle.Radians
		r.turn(on, 0, math.Pi/2-angle, func(float64) float64 { return 0.36 }, thin)
	}
	on.Segment(compose.Stroke(hue, on.Scaled(compose.GuideWidth), picture.Dashed, 1), start, [2]float64{v.Width + view.Margin, start[1]})
}

// inGraph draws a part on the plane: a length above its place, the line that carries it, the graph as the angle runs.
func (p *Part) inGraph(on *compose.On) (compose.Anchor, string) {
	c, v := p.Of, on.View
	length := c.Lengths[p.Ratio].Value
	x, foot := v.X(c.At), v.Y(c.Centre)
	head := v.Y(c.Centre + c.Radius*length)
	hue := RatioHue(p.Ratio)
	switch p.body.Piece {
	case Length:
		if length == length {
			x += p.beside(on)
			on.Arrow(compose.Stroke(hue, on.Scaled(compose.LengthWidth), picture.Whole, 1), [2]float64{x, foot}, [2]float64{x, head})
		}
	case Carried:
		if length == length {
			on.Segment(compose.Stroke(hue, on.Scaled(compose.GuideWidth), picture.Dashed, 1), [2]float64{-view.Margin, head}, [2]float64{x, head})
		}
	case Graph:
		return p.graph(on, length == length)
	}
	return compose.Anchor{}, ""
}

// beside sets the lengths of several ratios apart that stand on the same place of the axis.
func (p *Part) beside(on *compose.On) float64 {
	before, all := 0, 0
	for _, s := range on.Now.Visible() {
		if s == on.Shown {
			before = all
		}
		other, ok := s.Live.(*Part)
		if ok && other.Of == p.Of && other.body.Piece == Length && !math.IsNaN(p.Of.Lengths[other.Ratio].Value) {
			all++
		}
	}
	return (float64(before) - float64(all-1)/2) * float64(on.Scaled(compose.LengthWidth+1.5))
}

// graph draws a ratio over the driver: firmly where the angle has been since 0, elsewhere as it is wanted.
func (p *Part) graph(on *compose.On, defined bool) (compose.Anchor, string) {
	c, v, hue := p.Of, on.View, RatioHue(p.Ratio)
	if p.Graph == nil {
		return compose.Anchor{}, ""
	}
	p.asymptotes(on)
	begun := len(on.Pen.Data)
	from := compose.Source{Function: p.Graph, Stamp: on.Now.StampOf(p.on, -1)}
	drawn := on.Sampled(on.Entry.ID, on.Entry.ID, from, on.Now.Inputs())
	firm := compose.Stroke(hue, on.Scaled(compose.CurveWidth), compose.PatternOf(on.Entry, picture.Whole), 1)
	rest := firm
	rest.Opacity, rest.Width = compose.Faint, on.Scaled(compose.ParentWidth)
	if p.body.Rest == document.RestWhole {
		rest = firm
	}
	low, high := math.Min(0, c.At), math.Max(0, c.At)
	for _, line := range drawn.Lines {
		if p.body.Rest != document.RestHidden {
			on.Line(compose.Within(line, math.Inf(-1), low), rest)
			on.Line(compose.Within(line, high, math.Inf(1)), rest)
		}
		on.Line(compose.Within(line, low, high), firm)
	}
	if p.Ratio == trig.Tangent && c.Scaled {
		p.quarterPoints(on, hue)
	}
	y := v.Y(c.Centre + c.Radius*c.Lengths[p.Ratio].Value)
	if x := v.X(c.At); defined && v.Near(x, y) {
		on.Pen.Marker(hue, picture.Disc, x, y, on.Scaled(compose.PointRadius-1))
	}
	a, ok := on.OnLines(begun)
	if !ok {
		return compose.Anchor{}, ""
	}
	return a, c.GraphLaTeX(on.Now, p.Ratio)
}

// quarterPoints marks the centre of a tangent's graph and the points a quarter period beside it, which lie its factor above
// and below the centre line.
func (p *Part) quarterPoints(on *compose.On, hue picture.Colour) {
	c, v := p.Of, on.View
	slope := c.Slope(on.Now)
	if slope == 0 || slope != slope {
		return
	}
	centre := v.Y(c.Centre)
	on.Segment(compose.Stroke(picture.Axis, on.Scaled(1.2), picture.Dashed, 1), [2]float64{0, centre}, [2]float64{v.Width, centre})
	for _, quarter := range []float64{-1, 0, 1} {
		x := v.X(c.At + (quarter*math.Pi/4-c.Angle.Radians)/slope)
		y := v.Y(c.Centre + quarter*c.Radius)
		on.Segment(compose.Stroke(hue, on.Scaled(compose.RayWidth), picture.Dotted, 1), [2]float64{x, centre}, [2]float64{x, y})
		if v.Near(x, y) {
			on.Pen.Marker(hue, picture.Ring, x, y, on.Scaled(compose.MarkRadius))
		}
	}
}

// maxPoles bounds the asymptotes of one graph.
const maxPoles = 60

// asymptotes draws the upright lines where a ratio has no value.
func (p *Part) asymptotes(on *compose.On) {
	f, c, v := p.Ratio, p.Of, on.View
	if !f.HasPoles() {
		return
	}
	slope := c.Slope(on.Now)
	if slope == 0 || slope != slope {
		return
	}
	first := 0.0
	if f == trig.Tangent || f == trig.Secant {
		first = math.Pi / 2
	}
	place := func(angle float64) float64 { return c.At + (angle-c.Angle.Radians)/slope }
	angleAt := func(x float64) float64 { return c.Angle.Radians + (x-c.At)*slope }
	low, high := angleAt(v.Left), angleAt(v.Right)
	low, high = math.Min(low, high), math.Max(low, high)
	for k, n := math.Ceil((low-first)/math.Pi), 0; first+k*math.Pi <= high && n < maxPoles; k, n = k+1, n+1 {
		x := v.X(place(first + k*math.Pi))
		on.Segment(compose.Stroke(picture.Axis, on.Scaled(1.2), picture.Dashed, 1), [2]float64{x, 0}, [2]float64{x, v.Height})
	}
}
