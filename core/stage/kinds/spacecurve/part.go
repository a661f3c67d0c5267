package spacecurve

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Part is what is shown of a curve in space, in play.
type Part struct {
	body *PartBody
	of   *evaluate.Shown
}

// Load finds the curve.
func (b *PartBody) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	p := &Part{body: b, of: d.Other(b.Of)}
	if p.of == nil || p.of.Entry.Kind() != (&Body{}).Kind() {
		d.Report(problem.New("field", 0, 0, "of", "the curve is no longer there"), e.ID, "of")
		return nil
	}
	if p.curve() == nil {
		return nil
	}
	return p
}

func (p *Part) curve() *Live {
	l, _ := p.of.Live.(*Live)
	return l
}

// AppearsIn tells that it stands in space.
func (p *Part) AppearsIn(kind document.PanelKind) bool { return kind == document.InSpace }

// Box is that of the curve.
func (p *Part) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Motion is what a curve does at its point.
type Motion struct {
	At, Velocity, Acceleration view.Place
}

// Motion is the place, the velocity and the acceleration at a value of the parameter.
func (l *Live) Motion(t float64) Motion {
	return Motion{l.Place(t), view.Place(l.Curve.Derivative(0, t, l.in)), view.Place(l.Curve.Derivative(1, t, l.in))}
}

// Curvature is that of the curve: |v × a| / |v|³ (common practice, any course of differential geometry).
func (m Motion) Curvature() float64 {
	speed := m.Velocity.Length()
	return m.Velocity.Cross(m.Acceleration).Length() / (speed * speed * speed)
}

// arrowhead of an arrow in pixels.
const arrowhead = 12.0

// Compose puts the piece into space.
func (p *Part) Compose(on *compose.On) []compose.Anchor {
	l := p.curve()
	if !l.Exists() {
		return nil
	}
	if p.body.Piece == Shadows {
		p.shadows(on)
		return nil
	}
	m := l.Motion(l.At)
	if !m.At.IsFinite() || !on.View.Projection.Holds(m.At) {
		return nil
	}
	colour := compose.ColourOf(on.Entry)
	pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(compose.GuideWidth+1), compose.PatternOf(on.Entry, picture.Whole), 1))
	arrow := func(way view.Place, label string) []compose.Anchor {
		if !way.IsFinite() || way.Length() == 0 {
			return nil
		}
		tip := m.At.Plus(way, 1)
		on.Space.AddStrand(solid.Strand{Line: []view.Place{m.At, tip}, Pen: pen, Owner: on.Index, Head: arrowhead})
		x, y := on.InSpace(tip)
		return on.Labelled(compose.Anchor{X: x, Y: y}, label+"="+number.Format(way.Length(), 2), colour)
	}
	switch p.body.Piece {
	case Velocity:
		return arrow(m.Velocity, `\left|v\right|`)
	case Accelerated:
		return arrow(m.Acceleration, `\left|a\right|`)
	case TangentAt:
		p.tangent(on, m, pen)
		return nil
	}
	return p.circle(on, m, pen)
}

// shadows puts the curve on the far sides of the box, along each axis.
func (p *Part) shadows(on *compose.On) {
	q := &on.View.Projection
	// The curve is its own entry's, whichever part asks for it first.
	t := p.curve().run(on)
	pen := compose.SpacePen(compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(compose.GuideWidth), compose.PatternOf(on.Entry, picture.Whole), 0.45))
	for axis := range 3 {
		side := q.Box[axis][1]
		if q.IsAbove(axis, (q.Box[axis][0]+q.Box[axis][1])/2) {
			side = q.Box[axis][0]
		}
		for _, piece := range p.curve().pieces(t) {
			line := make([]view.Place, 0, piece.firm)
			for _, at := range piece.line[:piece.firm] {
				at[axis] = side
				line = append(line, at)
			}
			if len(line) > 1 {
				on.Space.AddStrand(solid.Strand{Line: line, Pen: pen, Owner: on.Index})
			}
		}
	}
}

// tangent puts the tangent through the whole box.
func (p *Part) tangent(on *compose.On, m Motion, pen solid.Pen) {
	size := m.Velocity.Length()
	if !(size > 0) || math.IsInf(size, 0) {
		return
	}
	box := on.View.Projection.Box
	reach := 2 * (view.Place{box[0][1] - box[0][0], box[1][1] - box[1][0], box[2][1] - box[2][0]}).Length() / size
	on.Space.AddStrand(solid.Strand{Line: []view.Place{m.At.Plus(m.Velocity, -reach), m.At, m.At.Plus(m.Velocity, reach)}, Pen: pen, Owner: on.Index})
}

// circle puts the circle of curvature: in the plane of velocity and acceleration, its radius the inverse of the curvature.
func (p *Part) circle(on *compose.On, m Motion, pen solid.Pen) []compose.Anchor {
	curvature := m.Curvature()
	box := on.View.Projection.Box
	if most := 1 / (3 * (box[0][1] - box[0][0] + box[1][1] - box[1][0] + box[2][1] - box[2][0])); !(curvature > most) || math.IsInf(curvature, 0) {
		return nil
	}
	along := unit(m.Velocity)
	inward := unit(m.Acceleration.Plus(along, -m.Acceleration.Dot(along)))
	radius := 1 / curvature
	centre := m.At.Plus(inward, radius)
	var line []view.Place
	const steps = 120
	for k := range steps + 1 {
		sin, cos := math.Sincos(2 * math.Pi * float64(k) / steps)
		line = append(line, centre.Plus(along, radius*sin).Plus(inward, -radius*cos))
	}
	on.Space.AddStrand(solid.Strand{Line: line, Pen: pen, Owner: on.Index})
	a, ok := on.AlongLine(line)
	if !ok {
		return nil
	}
	return on.Labelled(a, `\rho=`+number.Format(radius, 2), pen.Colour)
}

func unit(v view.Place) view.Place { return view.Place{}.Plus(v, 1/v.Length()) }
