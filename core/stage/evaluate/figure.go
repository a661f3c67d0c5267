package evaluate

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/stage/document"
)

// Figure is a piece of geometry in play.
type Figure struct {
	Shape document.FigureShape
	// Points are the entries of its points, in order.
	Points []*Shown
	// First and Second are the functions of an intersection.
	First, Second *Function

	meet        *breaks.Roots // of the difference of both
	x, y, slope *Expression   // of a tangent or a normal
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
		variable := f.First.Stated.Variables[0]
		second := symbolic.Substitute(f.Second.Inlined, map[string]expr.Node{f.Second.Stated.Variables[0]: &expr.Name{Name: variable}})
		d.Counters.Compiles++
		f.meet = breaks.NewRoots(&expr.Binary{Op: expr.Sub, L: f.First.Inlined, R: second}, append([]string{variable}, d.inputs[1:]...))
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

// crossingWork bounds the search for intersections, in operations of arithmetic.
const crossingWork = 1e6

// Crossings are the places between left and right where both functions have the same value, crossing or touching: all of
// them, but for functions that meet more often than can be shown.
func (f *Figure) Crossings(d *Demonstration, left, right float64) (places [][2]float64) {
	found, _ := f.meet.Find(crossingWork, left, right, d.in)
	for _, x := range found {
		if y := f.First.Curve.At(x, d.in); y == y && len(places) < MaxCrossings {
			places = append(places, [2]float64{x, y})
		}
	}
	return places
}

// MaxCrossings bounds the intersections that are shown.
const MaxCrossings = 60
