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
	meet := func(x float64) { places = append(places, [2]float64{x, f.First.Curve.At(x, d.in)}) }
	step := (right - left) / crossingSteps
	before, was := math.NaN(), difference(left)
	for k := 1; k <= crossingSteps && len(places) < MaxCrossings; k++ {
		x := left + float64(k)*step
		now := difference(x)
		largest := math.Max(1, math.Max(math.Abs(was), math.Abs(now)))
		switch {
		case was == 0:
			meet(x - step)
		case was*now < 0:
			if at := crossing(difference, was, x-step, x); math.Abs(difference(at)) <= 1e-6*largest {
				meet(at)
			}
		case mayTouch(before, was, now):
			at := nearest(difference, x-2*step, x)
			if math.Abs(difference(at)) <= touching*math.Max(largest, math.Abs(f.First.Curve.At(at, d.in))) {
				meet(at)
			}
		}
		before, was = was, now
	}
	return places
}

// crossing halves for the place between low, where f has the sign of was, and high, where it has the other one.
func crossing(f func(float64) float64, was, low, high float64) float64 {
	for range 60 {
		middle := (low + high) / 2
		if f(middle)*was > 0 {
			low = middle
		} else {
			high = middle
		}
	}
	return (low + high) / 2
}

// touching is how near two curves come where they touch, as floats go.
const touching = 1e-12

// mayTouch tells that of three values of one sign, a step apart, the middle one is the smallest, and that the parabola through
// them comes close to 0 between.
func mayTouch(before, middle, after float64) bool {
	if !(before*middle > 0 && middle*after > 0 && math.Abs(middle) <= math.Abs(before) && math.Abs(middle) <= math.Abs(after)) {
		return false
	}
	bend := before - 2*middle + after
	lowest := middle - (after-before)*(after-before)/(8*bend)
	return bend != 0 && math.Abs(lowest) <= 0.3*math.Max(math.Abs(before), math.Abs(after))
}

// nearest closes in on the place between low and high where |f| is least, keeping two thirds each time.
func nearest(f func(float64) float64, low, high float64) float64 {
	for range 80 {
		a, b := low+(high-low)/3, high-(high-low)/3
		if math.Abs(f(a)) < math.Abs(f(b)) {
			high = b
		} else {
			low = a
		}
	}
	return (low + high) / 2
}

// MaxCrossings bounds the intersections that are shown.
const MaxCrossings = 60
