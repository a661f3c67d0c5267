package circle

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// unrolled draws the arc on the graph's axis. Where the angle is the axis itself and the radius the unit, the arc ends at its place; else
// the axis counts another quantity, such as the time: then that is drawn on the axis, and the arc beneath it in its true length.
func (p *Part) unrolled(on *compose.On) (anchors []compose.Anchor) {
	c, v := p.Of, on.View
	hue := compose.DialColour(on.Now, c.Driver)
	foot := v.Y(c.Centre)
	thick := compose.Stroke(hue, on.Scaled(arcWidth), picture.Whole, 1)
	if c.countsItsArc() {
		on.Segment(thick, [2]float64{v.X(0), foot}, [2]float64{v.X(c.At), foot})
		return nil
	}
	begun := len(on.Pen.Data)
	label := func(k int, from, to [2]float64, latex string) {
		a := on.Middle(from, to)
		a.From, a.To, begun = begun, len(on.Pen.Data), len(on.Pen.Data)
		anchors = append(anchors, on.PartLabelled(k, a, latex, hue)...)
	}
	from, to := [2]float64{v.X(0), foot}, [2]float64{v.X(c.At), foot}
	on.Arrow(compose.Stroke(hue, on.Scaled(compose.GuideWidth+1), picture.Whole, 1), from, to)
	driver := on.Now.Dial(c.Driver).Stated.Name
	label(0, from, to, on.Now.LaTeX(&expr.Name{Name: driver}, on.Now.Class)+"="+on.Now.Typeset(atLaTeX(on, c.At)))
	// A length of the circle's picture is as long on the graph, whose heights have its scale.
	perUnit := v.Y(0) - v.Y(1)
	from[1] += float64(on.Scaled(arcBeneath))
	to = [2]float64{from[0] + math.Abs(c.Radius)*c.Angle.Radians*perUnit, from[1]}
	on.Segment(thick, from, to)
	label(1, from, to, `\text{arc }`+on.Now.Typeset(number.Format(math.Abs(c.Radius)*c.Angle.Radians, 2)))
	return anchors
}

// atLaTeX writes a place of the axis: a multiple of π where its numbers are those.
func atLaTeX(on *compose.On, at float64) string {
	if on.Panel.TicksX == document.TicksInPi {
		return evaluate.CoordinateLaTeX(at, 2)
	}
	return number.Format(at, 2)
}

// arcBeneath is how far below the axis the arc lies where the axis counts another quantity, in pixels.
const arcBeneath = 14

// countsItsArc tells whether the graph's axis counts the arc itself.
func (c *Live) countsItsArc() bool { return c.plain && (!c.Scaled || c.Radius == 1) }
