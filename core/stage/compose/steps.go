package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// Widths, opacities and lengths of a transformation in steps.
const (
	passedOpacity = 0.4
	passedWidth   = 1.6
	arrowWidth    = 2.0
	keyRadius     = 4.6
)

// steps draws a transformation where it stands: the parent grey and dashed, curves that it has passed faint, the present
// one strong, and arrows that carry the key points through the step at hand.
func (c *Composer) steps(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchors []anchor) {
	t := s.Steps
	stamp, hue := d.Stamp(s.Curve), colourOf(s.Entry)
	draw := func(key string, at float64, pen strokes) (anchor, bool) {
		place := t.PlaceAt(d, at)
		from := source{function: t.Parent, stamp: stamp, place: place}
		return c.stroke(c.sampled(d, s.Entry.ID+"."+key, s.Entry.ID, from, t.Inputs(d, place), v), pen, v)
	}
	label := func(a anchor, ok bool, key, latex string, colour picture.Colour) {
		if ok {
			a.label = picture.Label{ID: s.Entry.ID + "." + key, LaTeX: latex, Colour: colour}
			anchors = append(anchors, a)
		}
	}
	a, ok := draw("parent", 0, strokes{picture.Grey, c.scaled(parentWidth), picture.Dashed, 1})
	label(a, ok, "parent", "y="+d.LaTeX(t.States[0].Formula, nil), picture.Grey)
	for k := 1.0; k < t.Position; k++ {
		draw(fmt.Sprint(k), k, strokes{hue, c.scaled(passedWidth), picture.Whole, passedOpacity})
	}
	if t.Position == 0 {
		return append(anchors, c.keyPoints(d, s, v, t.PlaceAt(d, 0), picture.Grey)...)
	}
	c.stepAsymptotes(d, s, v)
	draw("now", t.Position, strokes{hue, c.scaled(curveWidth), picture.Whole, 1})
	c.arrows(d, s, v)
	return append(anchors, c.keyPoints(d, s, v, t.PlaceAt(d, t.Position), hue)...)
}

// stepAsymptotes draws those of the curve at hand.
func (c *Composer) stepAsymptotes(d *evaluate.Demonstration, s *evaluate.Shown, v View) {
	upright, level := s.Steps.Asymptotes(s.Steps.PlaceAt(d, s.Steps.Position), v.Left, v.Right)
	colour, width := colourOf(s.Entry), c.scaled(guideWidth)
	for _, at := range upright {
		if x := v.X(at); x >= 0 && x <= v.Width {
			c.pen.Segment(colour, width, picture.Dashed, x, 0, x, v.Height)
		}
	}
	for _, at := range level {
		if y := v.Y(at); y >= 0 && y <= v.Height {
			c.pen.Segment(colour, width, picture.Dashed, 0, y, v.Width, y)
		}
	}
}

// arrows lead from the key points before the step at hand to where they are now.
func (c *Composer) arrows(d *evaluate.Demonstration, s *evaluate.Shown, v View) {
	t := s.Steps
	before, now := t.PlaceAt(d, math.Ceil(t.Position)-1), t.PlaceAt(d, t.Position)
	keys := t.Keys(d)
	from := len(c.pen.Data)
	for i := 0; i+1 < len(keys); i += 2 {
		x1, y1 := before.Of(keys[i], keys[i+1])
		x2, y2 := now.Of(keys[i], keys[i+1])
		if v.Sees(x1, y1) || v.Sees(x2, y2) {
			from, to := [2]float64{v.X(x1), v.Y(y1)}, [2]float64{v.X(x2), v.Y(y2)}
			// Short of the point that stands at its end.
			if length := math.Hypot(to[0]-from[0], to[1]-from[1]); length > 2*keyRadius && length < 1e5 {
				share := 1 - float64(c.scaled(keyRadius))/length
				to = [2]float64{from[0] + (to[0]-from[0])*share, from[1] + (to[1]-from[1])*share}
				c.arrow(strokes{colourOf(s.Entry), c.scaled(arrowWidth), picture.Whole, 1}, from, to)
			}
		}
	}
	c.room.lines(c.pen.Data[from:])
}

// keyPoints draws the parent's key points at a place, with their coordinates while the curve rests.
func (c *Composer) keyPoints(d *evaluate.Demonstration, s *evaluate.Shown, v View, place evaluate.Place, colour picture.Colour) (anchors []anchor) {
	t := s.Steps
	keys := t.Keys(d)
	for i := 0; i+1 < len(keys); i += 2 {
		px, py := place.Of(keys[i], keys[i+1])
		if !v.Sees(px, py) {
			continue
		}
		x, y := v.X(px), v.Y(py)
		c.pen.Marker(colour, picture.Disc, x, y, c.scaled(keyRadius))
		c.room.take(x-6, y-6, 12, 12, 50)
		if t.Position == math.Trunc(t.Position) {
			anchors = append(anchors, anchor{x: x, y: y, isPoint: true, label: picture.Label{ID: fmt.Sprintf("%s.key%d", s.Entry.ID, i/2),
				LaTeX: d.Typeset("(" + number.Format(px, 2) + `,\;` + number.Format(py, 2) + ")"), Colour: colour}})
		}
	}
	return anchors
}

// describeSteps says where a transformation stands.
func describeSteps(d *evaluate.Demonstration, s *evaluate.Shown) string {
	t := s.Steps
	text := fmt.Sprintf("%s from its parent, after %s of %d steps.", s.Entry.Function, number.Format(math.Ceil(t.Position), 0), len(t.Steps))
	if k := int(math.Ceil(t.Position)); k > 0 {
		text += " " + t.Sentences(d)[k-1]
	}
	return text
}
