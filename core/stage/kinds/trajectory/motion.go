package trajectory

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/numeric/quadrature"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// motion draws the velocity, the acceleration, its two parts, or tells the length that has been run through, each with its number.
func (p *Part) motion(on *compose.On) (anchors []compose.Anchor) {
	m := p.Of
	at := m.Place(m.At)
	here := on.At(at.X, at.Y)
	arrow := func(k int, way sample.Point, pattern picture.Pattern, name string, told float64) {
		if math.IsNaN(way.X+way.Y) || math.IsInf(way.X+way.Y, 0) {
			return
		}
		hue, begun := p.Hue(on.Now), len(on.Pen.Data)
		tip := on.At(at.X+way.X, at.Y+way.Y)
		on.Arrow(compose.Stroke(hue, on.Scaled(compose.LengthWidth), pattern, 1), here, tip)
		a := on.Middle(here, tip)
		a.From, a.To = begun, len(on.Pen.Data)
		anchors = append(anchors, on.PartLabelled(k, a, on.Now.Typeset(name+"="+number.Format(told, 2)), hue)...)
	}
	v, w := m.Velocity(m.At), m.Acceleration(m.At)
	switch p.body.Piece {
	case Velocity:
		arrow(0, v, picture.Whole, `\left|v\right|`, math.Hypot(v.X, v.Y))
	case Accelerated:
		arrow(0, w, picture.Whole, `\left|a\right|`, math.Hypot(w.X, w.Y))
	case Parts:
		along, across := accelerationParts(v, w)
		speed := math.Hypot(v.X, v.Y)
		tx, ty := v.X/speed, v.Y/speed
		arrow(0, sample.Point{X: along * tx, Y: along * ty}, picture.Whole, `a_{t}`, along)
		arrow(1, sample.Point{X: -across * ty, Y: across * tx}, picture.Dashed, `a_{n}`, math.Abs(across))
	case Run:
		if s := m.lengthRun(); s == s && on.View.Sees(at.X, at.Y) {
			return on.Labelled(compose.Anchor{X: here[0], Y: here[1], IsPoint: true}, on.Now.Typeset("s="+number.Format(s, 2)), compose.ColourOf(p.of))
		}
	}
	return anchors
}

// accelerationParts are how fast the speed grows, v·a/|v|, and what turns the way, (v × a)/|v|, to the left (common practice; any course of
// mechanics).
func accelerationParts(v, a sample.Point) (along, across float64) {
	speed := math.Hypot(v.X, v.Y)
	return (v.X*a.X + v.Y*a.Y) / speed, (v.X*a.Y - v.Y*a.X) / speed
}

// lengthRun is the length of the curve up to its point.
func (m *Live) lengthRun() float64 {
	speed := func(t float64) float64 {
		v := m.Velocity(t)
		return math.Hypot(v.X, v.Y)
	}
	length := quadrature.Piece(speed, m.From, m.At)
	return length.Value
}

// Measure is the number that belongs to a piece, for a text: speed, size of the acceleration, radius of curvature, length run, the angle of
// the tangent.
func (p *Part) Measure(d evaluate.Moment) string {
	m := p.Of
	if !m.Exists() {
		return ""
	}
	v, w := m.Velocity(m.At), m.Acceleration(m.At)
	told := math.NaN()
	switch p.body.Piece {
	case Velocity:
		told = math.Hypot(v.X, v.Y)
	case Accelerated:
		told = math.Hypot(w.X, w.Y)
	case Osculating:
		_, across := accelerationParts(v, w)
		told = (v.X*v.X + v.Y*v.Y) / math.Abs(across)
	case Run:
		told = m.lengthRun()
	case TangentAt:
		_, v = p.touches(d)
		angle := math.Atan2(v.Y, v.X)
		if d.IsInDegrees() {
			return number.Format(angle*180/math.Pi, 1) + `^{\circ}`
		}
		told = angle
	}
	if math.IsNaN(told) || math.IsInf(told, 0) {
		return ""
	}
	return number.Format(told, 3)
}

// touches is where a tangent or a perpendicular stands, and the way of the curve there; in a cusp the way out of it.
func (p *Part) touches(d evaluate.Moment) (at, way sample.Point) {
	m, t := p.Of, p.Of.At
	if p.at != nil {
		t = p.at.At(d.Inputs())
	}
	at, way = m.Place(t), m.Velocity(t)
	if math.Hypot(way.X, way.Y) < 1e-9 {
		const step = 1e-5
		next := m.Velocity(t + step*(m.To-m.From))
		size := math.Hypot(next.X, next.Y)
		way = sample.Point{X: next.X / size, Y: next.Y / size}
	}
	return at, way
}

// touching draws the tangent or the perpendicular; one that stands at a place of its own has that place and its equation beside it.
func (p *Part) touching(on *compose.On) []compose.Anchor {
	v := on.View
	at, way := p.touches(on.Now)
	if p.body.Piece == NormalAt {
		way = sample.Point{X: -way.Y, Y: way.X}
	}
	speed := math.Hypot(way.X, way.Y)
	if !(speed > 0) || math.IsInf(speed, 0) || math.IsNaN(at.X+at.Y) {
		return nil
	}
	far, begun := 3*(v.Right-v.Left+v.Top-v.Bottom)/speed, len(on.Pen.Data)
	on.Segment(compose.Stroke(velocityHue, on.Scaled(compose.GuideWidth), picture.Dashed, 1), on.At(at.X-far*way.X, at.Y-far*way.Y), on.At(at.X+far*way.X, at.Y+far*way.Y))
	if p.at == nil {
		return nil
	}
	on.Mark(velocityHue, picture.Disc, at.X, at.Y, compose.MarkRadius)
	a, ok := on.OnLines(begun)
	if !ok {
		return nil
	}
	slope := way.Y / way.X
	latex := "y=" + evaluate.LineLaTeX(slope, at.Y-slope*at.X, 3)
	if math.Abs(way.X) < 1e-9*speed {
		latex = "x=" + evaluate.CoordinateLaTeX(at.X, 3)
	} else if math.Abs(way.Y) < 1e-9*speed {
		latex = "y=" + evaluate.CoordinateLaTeX(at.Y, 3)
	}
	return on.Labelled(a, on.Now.Typeset(latex), velocityHue)
}
