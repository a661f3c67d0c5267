package compose

import (
	"fmt"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// mostLabels is how many points of one finding carry their coordinates; more would hide the picture.
const mostLabels = 6

// found draws a finding of a function: points as marks, asymptotes and centre lines as guides.
func (c *Composer) found(d *evaluate.Demonstration, s *evaluate.Shown, v View) []anchor {
	switch s.Entry.Finding {
	case document.VerticalAsymptotes, document.LevelAsymptotes, document.SlantedAsymptotes, document.CentreLine:
		return c.foundGuides(d, s, v)
	}
	var anchors []anchor
	points, _ := d.ShownPoints(s, v.Left, v.Right)
	for _, p := range points {
		if !v.Sees(p.X, p.Y) {
			continue
		}
		shape := picture.Disc
		if p.Open {
			shape = picture.Ring
		}
		x, y := v.X(p.X), v.Y(p.Y)
		c.pen.Marker(colourOf(s.Entry), shape, x, y, c.scaled(pointRadius-1))
		c.room.take(x-7, y-7, 14, 14, 50)
		anchors = append(anchors, anchor{x: x, y: y, isPoint: true, label: picture.Label{
			LaTeX: d.Typeset("(" + number.Format(p.X, 2) + `,\;` + number.Format(p.Y, 2) + ")")}})
	}
	return c.labelled(s, anchors)
}

func (c *Composer) foundGuides(d *evaluate.Demonstration, s *evaluate.Shown, v View) []anchor {
	var anchors []anchor
	guides, _ := d.ShownGuides(s, v.Left, v.Right)
	from := len(c.pen.Data)
	colour, pattern := colourOf(s.Entry), patternOf(s.Entry, picture.Dashed)
	for _, g := range guides {
		if g.Upright {
			if x := v.X(g.At); x >= 0 && x <= v.Width {
				c.pen.Segment(colour, c.scaled(guideWidth), pattern, x, 0, x, v.Height)
				anchors = append(anchors, anchor{x: x, y: v.Height - 26, label: picture.Label{LaTeX: d.Typeset("x=" + number.Format(g.At, 2))}})
			}
			continue
		}
		line := []sample.Point{{X: v.Left, Y: g.At + g.Slope*v.Left}, {X: v.Right, Y: g.At + g.Slope*v.Right}}
		c.clipped(line, v, strokes{colour, c.scaled(guideWidth), pattern, 1})
		// As far to the right as the line is in sight.
		for x := v.Width - 70; x > 20; x -= 30 {
			if y := v.Y(g.At + g.Slope*v.AtX(x)); y >= 16 && y <= v.Height-16 {
				anchors = append(anchors, anchor{x: x, y: y, label: picture.Label{LaTeX: d.Typeset("y=" + lineText(g))}})
				break
			}
		}
	}
	c.room.lines(c.pen.Data[from:])
	return c.labelled(s, anchors)
}

// lineText writes m·x + b with two decimals.
func lineText(g found.Guide) string {
	lift := number.Format(g.At, 2)
	if g.Slope == 0 {
		return lift
	}
	text := number.Format(g.Slope, 2) + "x"
	switch {
	case g.Slope == 1:
		text = "x"
	case g.Slope == -1:
		text = number.Minus + "x"
	}
	switch {
	case lift == "0":
		return text
	case g.At < 0:
		return text + lift
	}
	return text + "+" + lift
}

// labelled gives the labels their ids and colours, or takes them all back where none are wanted or there are too many.
func (c *Composer) labelled(s *evaluate.Shown, anchors []anchor) []anchor {
	if s.Entry.Label == document.LabelNone || len(anchors) > mostLabels {
		return nil
	}
	for i := range anchors {
		anchors[i].label.ID, anchors[i].label.Colour = fmt.Sprintf("%s.%d", s.Entry.ID, i), colourOf(s.Entry)
	}
	return anchors
}
