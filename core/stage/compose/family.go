package compose

import (
	"fmt"
	"math"

	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// family draws one curve for each member, in a ramp of colours and with patterns in turn, each labelled with its value.
func (c *Composer) family(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchors []anchor) {
	stamp := d.FamilyStamp(s)
	for k, m := range s.Family.Members {
		key := fmt.Sprintf("%s.%d", s.Entry.ID, k)
		from := source{function: s.Curve.Curve, stamp: stamp, place: evaluate.Place{Lift: m.Value}}
		drawn := c.sampled(d, key, s.Entry.ID, from, d.InputsFor(s.Family, m), v)
		pen := strokes{colour: rampColour(k, len(s.Family.Members)), width: c.scaled(memberWidth), pattern: picture.Pattern(k % 3), opacity: 1}
		a, ok := c.stroke(drawn, pen, v)
		if ok && s.Entry.Label != "none" {
			a.label = picture.Label{ID: key, LaTeX: m.LaTeX, Colour: pen.colour}
			anchors = append(anchors, a)
		}
	}
	return anchors
}

const memberWidth = 2.6

// rampColour is the colour of member k of n: the ramp's ends are the first and the last.
func rampColour(k, n int) picture.Colour {
	if n < 2 {
		return picture.Ramp
	}
	return picture.Ramp + picture.Colour(math.Round(float64(k)*(picture.RampColours-1)/float64(n-1)))
}

func describeCurve(s *evaluate.Shown) string {
	if s.Family == nil {
		return "The curve of " + s.Entry.Function + "."
	}
	return fmt.Sprintf("%d curves of %s, for values of %s from %v to %v.", len(s.Family.Members), s.Entry.Function,
		s.Entry.Family.Parameter, s.Family.Members[0].Value, s.Family.Members[len(s.Family.Members)-1].Value)
}
