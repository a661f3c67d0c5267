package evaluate

import (
	"math"

	"parvix/core/document"
	"parvix/core/problem"
)

// Figure is a piece of geometry in play.
type Figure struct {
	Shape document.FigureShape
	// Points are the entries of its points, in order.
	Points []*Shown
	// First and Second are the functions of an intersection.
	First, Second *Function

	x, y, slope *Expression // of a tangent or a normal
}

// loadFigures understands the pieces of geometry, once all points are known.
func (d *Demonstration) loadFigures() {
	for _, s := range d.Shown {
		if s.Entry.Kind == document.FigureEntry {
			s.Figure = d.loadFigure(s.Entry)
			s.ready = s.Figure != nil
		}
	}
}

func (d *Demonstration) loadFigure(e *document.Shown) *Figure {
	f := &Figure{Shape: e.Figure.Shape}
	for _, id := range e.Figure.Points {
		p := d.shownWithID(id)
		if p == nil || !p.IsPoint() {
			d.report(problem.New("field", 0, 0, "points", "one of the points is no longer there"), e.ID, "figure.points")
			return nil
		}
		f.Points = append(f.Points, p)
	}
	switch f.Shape {
	case document.TangentLine, document.NormalLine:
		f.x = d.expression(e.At, e.ID, "at")
		if f.x == nil {
			return nil
		}
		f.y = d.expression(e.Function+"("+e.At+")", e.ID, "function")
		f.slope = d.expression(e.Function+"'("+e.At+")", e.ID, "function")
		if f.y == nil || f.slope == nil {
			return nil
		}
	case document.Intersection:
		f.First, f.Second = d.functions[e.Function], d.functions[e.Figure.Other]
		for _, g := range []*Function{f.First, f.Second} {
			if g == nil || g.Curve == nil || len(g.Stated.Variables) != 1 {
				d.report(problem.New("not-a-function", 0, 0, e.Function+", "+e.Figure.Other), e.ID, "function")
				return nil
			}
		}
	}
	return f
}

// IsPoint tells whether an entry is a point that a figure can hang on.
func (s *Shown) IsPoint() bool {
	return s.Entry.Kind == document.Point || s.Entry.Kind == document.FigureEntry && s.Entry.Figure.Shape == document.Midpoint
}

// Position of a point or a midpoint in play, NaN where it is undefined.
func (s *Shown) Position() (x, y float64) {
	if s.Figure == nil {
		if !s.ready {
			return math.NaN(), math.NaN()
		}
		return s.X, s.Y
	}
	x1, y1 := s.Figure.Points[0].Position()
	x2, y2 := s.Figure.Points[1].Position()
	return (x1 + x2) / 2, (y1 + y2) / 2
}

// Corners are the places of a figure's points; false where one is undefined.
func (f *Figure) Corners() (places [][2]float64, defined bool) {
	for _, p := range f.Points {
		x, y := p.Position()
		if math.IsNaN(x+y) || math.IsInf(x+y, 0) {
			return nil, false
		}
		places = append(places, [2]float64{x, y})
	}
	return places, true
}

// Line is the line of a tangent or a normal: through (x, y) with a slope, which is infinite for an upright one.
func (f *Figure) Line(d *Demonstration) (x, y, slope float64, defined bool) {
	x, y, slope = d.at(f.x), d.at(f.y), d.at(f.slope)
	if f.Shape == document.NormalLine {
		slope = -1 / slope
	}
	return x, y, slope, !math.IsNaN(x+y) && !math.IsInf(x+y, 0) && slope == slope
}

// crossingSteps is how finely a window is looked through for intersections.
const crossingSteps = 400

// Crossings are the places between left and right where both functions have the same value: each change of the sign of
// their difference, and each touch on the way, closed in by halving. Poles and jumps, where it does not become small, are
// none.
func (f *Figure) Crossings(d *Demonstration, left, right float64) (places [][2]float64) {
	difference := func(x float64) float64 { return f.First.Curve.At(x, d.in) - f.Second.Curve.At(x, d.in) }
	step := (right - left) / crossingSteps
	was := difference(left)
	for k := 1; k <= crossingSteps && len(places) < MaxCrossings; k++ {
		x := left + float64(k)*step
		now := difference(x)
		if was == 0 {
			places = append(places, [2]float64{x - step, f.First.Curve.At(x-step, d.in)})
		} else if was*now < 0 {
			low, high := x-step, x
			for range 60 {
				middle := (low + high) / 2
				if v := difference(middle); v*was > 0 {
					low = middle
				} else {
					high = middle
				}
			}
			at := (low + high) / 2
			if off := math.Abs(difference(at)); off <= 1e-6*math.Max(1, math.Max(math.Abs(was), math.Abs(now))) {
				places = append(places, [2]float64{at, f.First.Curve.At(at, d.in)})
			}
		}
		was = now
	}
	return places
}

// MaxCrossings bounds the intersections that are shown.
const MaxCrossings = 60
