package compose

import (
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// inkWidth is how wide in pixels a hand writes.
const inkWidth = 3.5

// inks are the colours of a hand: ink, red, blue, green.
var inks = [document.InkColours]picture.Colour{picture.Ink, 1, 0, 6}

// drawInk draws what was written by hand, above everything else.
func (c *Composer) drawInk(f *evaluate.Frame) {
	v := c.View
	for _, stroke := range f.Ink {
		start := c.Pen.Line(inks[stroke.Colour], c.Scaled(inkWidth), picture.Whole, 1)
		for i := 0; i+1 < len(stroke.Points); i += 2 {
			c.Pen.To(v.X(stroke.Points[i]), v.Y(stroke.Points[i+1]))
		}
		c.Pen.EndLine(start)
	}
}
