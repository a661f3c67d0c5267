package circle

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// wave marks what a sine or a cosine is told by: on the graph the centre line, the amplitude and a period between two highest places, on
// the circle its radius, which is the amplitude.
func (p *Part) wave(on *compose.On) (anchors []compose.Anchor) {
	c, v, hue := p.Of, on.View, RatioHue(p.Ratio)
	if p.Ratio != trig.Sine && p.Ratio != trig.Cosine {
		return nil
	}
	size := math.Abs(c.Radius)
	begun := len(on.Pen.Data)
	// Each label belongs to what was drawn since the one before.
	label := func(k int, a compose.Anchor, latex string) {
		a.From, a.To, begun = begun, len(on.Pen.Data), len(on.Pen.Data)
		anchors = append(anchors, on.PartLabelled(k, a, on.Now.Typeset(latex), hue)...)
	}
	arrow := compose.Stroke(hue, on.Scaled(compose.GuideWidth+1), picture.Whole, 1)
	if on.Panel.Kind == document.Around {
		r := roundOf(c, v)
		from, to := r.at(0, 0), r.at(0, 1)
		on.Arrow(arrow, from, to)
		label(0, on.Middle(from, to), "a="+number.Format(size, 2))
		return anchors
	}
	slope := c.Slope(on.Now)
	if slope == 0 || slope != slope || size == 0 {
		return nil
	}
	centre := v.Y(c.Centre)
	on.Segment(compose.Stroke(picture.Axis, on.Scaled(1.2), picture.Dashed, 1), [2]float64{0, centre}, [2]float64{v.Width, centre})
	label(0, compose.Anchor{X: v.Width - endOfLine, Y: centre}, "y="+evaluate.CoordinateLaTeX(c.Centre, 2))
	first, second := p.tops(on, slope)
	top := c.Centre + size
	foot, head, next := [2]float64{v.X(first), centre}, [2]float64{v.X(first), v.Y(top)}, [2]float64{v.X(second), v.Y(top)}
	on.Arrow(arrow, foot, head)
	label(1, on.Middle(foot, head), "a="+number.Format(size, 2))
	on.Arrow(arrow, head, next)
	on.Arrow(arrow, next, head)
	label(2, on.Middle(head, next), "T="+p.period(on, second-first))
	// The value of the wave where its point is.
	height := c.Centre + c.Radius*c.Lengths[p.Ratio].Value
	if x, y := v.X(c.At), v.Y(height); v.Near(x, y) {
		on.Pen.Marker(hue, picture.Disc, x, y, on.Scaled(compose.PointRadius-1))
		label(3, compose.Anchor{X: x, Y: y, IsPoint: true}, fmt.Sprintf(`y(%s)=%s`, expr.LaTeXName(on.Now.Dial(c.Driver).Stated.Name), number.Format(height, 2)))
	}
	return anchors
}

// endOfLine is how far from the edge the label of the centre line stands, in pixels.
const endOfLine = 40.0

// tops are the first two places from the left of 0 on, or of the window, at which the graph is highest.
func (p *Part) tops(on *compose.On, slope float64) (first, second float64) {
	c := p.Of
	angle := 0.0
	if p.Ratio == trig.Sine {
		angle = math.Pi / 2
	}
	if c.Radius < 0 {
		angle += math.Pi
	}
	period := 2 * math.Pi / math.Abs(slope)
	at := c.At + (angle-c.Angle.Radians)/slope
	from := math.Max(0, on.View.Left)
	at -= math.Floor((at-from)/period+1e-9) * period
	return at, at + period
}

// period writes the length of a period in the unit of the axis.
func (p *Part) period(on *compose.On, length float64) string {
	if on.Now.IsInDegrees() && !p.Of.Scaled {
		return "{" + number.Format(length, 1) + `}^{\circ}`
	}
	return evaluate.CoordinateLaTeX(length, 2)
}
