package circle

import (
	"math"

	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Widths and sizes in pixels of what a circle shows.
const (
	arcWidth = 6.0
	// axisOffset keeps secant and cosecant beside the cosine and the sine that lie on the same axis.
	axisOffset = 7.0
	// windingStep is how far apart the turns of an arc are drawn, as a share of the radius.
	windingStep = 0.06
)

// RatioHue is the colour of a trigonometric function in circle, graph, readout and words.
func RatioHue(f trig.Function) picture.Colour {
	for i, known := range trig.Functions() {
		if f == known {
			return picture.Colour(i)
		}
	}
	return picture.Ink
}

// round is a circle's place on a panel, in its units.
type round struct {
	v        view.View
	r, up    float64 // radius and height of the centre
	sin, cos float64
}

func roundOf(c *Live, v view.View) round {
	sin, cos := math.Sincos(c.Angle.Radians)
	if c.Angle.OfPi != nil {
		sin, cos = c.Lengths[trig.Sine].Value, c.Lengths[trig.Cosine].Value
	}
	return round{v, c.Radius, c.Centre, sin, cos}
}

// at is a place in radii from the centre, in pixels.
func (r round) at(x, y float64) [2]float64 {
	return [2]float64{r.v.X(x * r.r), r.v.Y(y*r.r + r.up)}
}

// turn draws a curve about the centre from one angle to another; distance is in radii.
func (r round) turn(on *compose.On, from, to float64, distance func(angle float64) float64, pen compose.Strokes) {
	steps := math.Min(math.Ceil(math.Abs(to-from)/(math.Pi/60))+1, 1200)
	line := make([]sample.Point, 0, int(steps)+1)
	for k := 0.0; k <= steps; k++ {
		a := from + (to-from)*k/steps
		sin, cos := math.Sincos(a)
		line = append(line, sample.Point{X: cos * distance(a) * r.r, Y: sin*distance(a)*r.r + r.up})
	}
	on.Line(line, pen)
}
