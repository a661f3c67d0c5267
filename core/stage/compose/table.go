package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// notOff is the distance in pixels below which a plotted point lies on the curve.
const notOff = 3.0

// table draws plotted points, joined where that is wanted, and how far those off the curve lie from it.
func (c *Composer) table(d *evaluate.Demonstration, index int, s *evaluate.Shown, v View) (anchors []anchor) {
	t, colour := s.Table, colourOf(s.Entry)
	if s.Entry.Joined {
		from := len(c.pen.Data)
		line := make([]sample.Point, len(t.Points))
		for i, p := range t.Points {
			line[i] = sample.Point{X: p[0], Y: p[1]}
		}
		c.clipped(line, v, strokes{colour, c.scaled(parentWidth), patternOf(s.Entry, picture.Whole), 1})
		c.room.lines(c.pen.Data[from:])
	}
	for i, p := range t.Points {
		if !v.Sees(p[0], p[1]) {
			continue
		}
		x, y := v.X(p[0]), v.Y(p[1])
		if t.Beside != nil && t.Beside.Curve != nil {
			if off := t.Off(d, i); math.Abs(v.Y(p[1]-off)-y) > notOff {
				c.pen.Segment(picture.Ink, c.scaled(guideWidth), picture.Dotted, x, y, x, v.Y(p[1]-off))
				anchors = append(anchors, anchor{x: x, y: y, isPoint: true, label: picture.Label{ID: fmt.Sprintf("%s.%d", s.Entry.ID, i),
					LaTeX: d.Typeset(signed(off)), Colour: picture.Ink}})
			}
		}
		shape := picture.Disc
		if t.Movable() {
			shape = picture.Grip
			c.pen.Handle(index+evaluate.GripStride*(i+1), x, y)
		}
		c.pen.Marker(colour, shape, x, y, c.scaled(pointRadius-1.5))
		c.room.take(x-7, y-7, 14, 14, 50)
	}
	return anchors
}

// signed writes a distance with its sign: above or below the curve.
func signed(off float64) string {
	if off > 0 {
		return "+" + number.Format(off, 2)
	}
	return number.Format(off, 2)
}
