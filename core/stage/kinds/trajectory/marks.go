package trajectory

import (
	"math"

	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// dotCount is how many equal steps of the parameter an interval has for dots; a longer one has as many for each turn.
const dotCount = 48

// mostDots bounds the dots of one curve.
const mostDots = 2000

// stepsOf gives values of the parameter at equal steps as far as the point has come.
func stepsOf(m *Live, perTurn float64, turn float64) []float64 {
	count := math.Max(perTurn, math.Round(perTurn*(m.To-m.From)/turn))
	return stepped(m, (m.To-m.From)/math.Min(count, mostDots))
}

func stepped(m *Live, step float64) (list []float64) {
	for k := 0.0; k <= mostDots && step > 0; k++ {
		t := m.From + step*k
		if t > m.At+1e-9*step {
			break
		}
		list = append(list, math.Min(t, m.To))
	}
	return list
}

func turnOf(d evaluate.Moment) float64 { return 2 * math.Pi / Direction(d, 1) }

// dots stand at equal steps of the parameter, close together where the point is slow, and may be joined.
func (p *Part) dots(on *compose.On) {
	m, v, hue := p.Of, on.View, compose.ColourOf(p.of)
	size := on.Scaled(compose.TraceRadius)
	if p.step != nil {
		size = on.Scaled(compose.PointRadius - 2)
	}
	var places []sample.Point
	for _, t := range on.Seen.([]float64) {
		at := m.Place(t)
		places = append(places, at)
		if v.Sees(at.X, at.Y) {
			on.Pen.Marker(hue, picture.Disc, v.X(at.X), v.Y(at.Y), size)
		}
	}
	pen := compose.Stroke(picture.Ink, on.Scaled(compose.GuideWidth), picture.Whole, 1)
	switch p.body.Line {
	case Straight:
		on.Broken(places, pen)
	case Smooth:
		on.Broken(sample.Through(places), pen)
	}
}

// directions are arrowheads along the curve.
func (p *Part) directions(on *compose.On) {
	m, v, size := p.Of, on.View, float64(on.Scaled(compose.ArrowSize+2))
	for i, t := range on.Seen.([]float64) {
		at, q := m.Place(t), m.Velocity(t)
		ux, uy := q.X/(v.Right-v.Left)*v.Width, -q.Y/(v.Top-v.Bottom)*v.Height
		length := math.Hypot(ux, uy)
		if i == 0 || !v.Sees(at.X, at.Y) || !(length > 1e-9) {
			continue
		}
		ux, uy = ux/length, uy/length
		x, y := v.X(at.X)+ux*size/2, v.Y(at.Y)+uy*size/2
		start := on.Pen.Area(compose.ColourOf(p.of), 1)
		on.Pen.To(x, y)
		on.Pen.To(x-size*ux+size*0.42*uy, y-size*uy-size*0.42*ux)
		on.Pen.To(x-size*ux-size*0.42*uy, y-size*uy+size*0.42*ux)
		on.Pen.EndLine(start)
	}
}
