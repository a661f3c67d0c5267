// Package figure is a piece of geometry in the plane or in space, live as the points or the functions that it hangs on.
package figure

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// Letter begins the ids of figures.
func (*Body) Letter() string { return "e" }

// Live is a piece of geometry in play.
type Live struct {
	Shape Shape
	// Points are its points, in order.
	Points []evaluate.Placed
	// First and Second are the functions of an intersection.
	First, Second *evaluate.Function

	body        *Body
	inSpace     bool
	plane       *equation            // of a plane by its equation
	meet        *breaks.Roots        // of the difference of both
	x, y, slope *evaluate.Expression // of a tangent or a normal
}

// Load finds the points, or the function and the place.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	f := &Live{body: b, Shape: b.Shape}
	for _, id := range b.Points {
		other := d.Other(id)
		if other == nil || !isPoint(other.Entry) {
			d.Report(problem.New("field", 0, 0, "points", "one of the points is no longer there"), e.ID, "points")
			return nil
		}
		p, ok := other.Live.(evaluate.Placed)
		if !ok {
			p = nowhere{}
		}
		f.Points = append(f.Points, p)
	}
	if f.inSpace = b.Shape == Plane; len(f.Points) > 0 {
		if err := f.findSpace(); err != nil {
			d.Report(err, e.ID, "points")
			return nil
		}
	}
	return f.load(d, e.ID)
}

// findSpace tells whether the points are of the plane or of space.
func (f *Live) findSpace() error {
	spatial, known := 0, 0
	for _, p := range f.Points {
		if p == (nowhere{}) {
			continue
		}
		known++
		if _, is := placeOf(p); is {
			spatial++
		}
	}
	f.inSpace = spatial > 0 || f.Shape == Plane
	switch {
	case spatial > 0 && spatial < known:
		return problem.New("field", 0, 0, "points", "points of the plane and points of space are not joined")
	case f.Shape == Plane && spatial < known:
		return problem.New("field", 0, 0, "points", "a plane goes through points of space")
	case spatial > 0 && (f.Shape == Circle || f.Shape == Arc):
		return problem.New("field", 0, 0, "points", "a circle or an arc needs points of the plane")
	}
	return nil
}

// AppearsIn tells that what joins points of space, and a plane, stands in space.
func (f *Live) AppearsIn(kind document.PanelKind) bool {
	return (kind == document.InSpace) == f.inSpace
}

// load understands what hangs on functions.
func (f *Live) load(d evaluate.Loading, id string) kind.Live {
	b := f.body
	switch f.Shape {
	case Plane:
		if b.Equation != "" {
			if f.plane = loadEquation(d, id, b.Equation); f.plane == nil {
				return nil
			}
		}
	case Tangent, Normal:
		f.x = d.Expression(b.At, id, "at")
		if f.x == nil {
			return nil
		}
		f.y = d.Expression(b.Function+"("+b.At+")", id, "function")
		f.slope = d.Expression(b.Function+"'("+b.At+")", id, "function")
		if f.y == nil || f.slope == nil {
			return nil
		}
	case Intersection:
		f.First, f.Second = d.Named(b.Function), d.Named(b.Other)
		for _, g := range []*evaluate.Function{f.First, f.Second} {
			if g == nil || g.Curve == nil || len(g.Stated.Variables) != 1 {
				d.Report(problem.New("not-a-function", 0, 0, b.Function+", "+b.Other), id, "function")
				return nil
			}
		}
		variable := f.First.Stated.Variables[0]
		second := symbolic.Substitute(f.Second.Inlined, map[string]expr.Node{f.Second.Stated.Variables[0]: &expr.Name{Name: variable}})
		d.CountCompile()
		f.meet = breaks.NewRoots(expr.Minus(f.First.Inlined, second), d.InputNames(variable))
	}
	return f
}

// Corners are the places of a figure's points; false where one is undefined.
func (f *Live) Corners() (places [][2]float64, defined bool) {
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
func (f *Live) Line(d evaluate.Moment) (x, y, slope float64, defined bool) {
	x, y, slope = f.x.At(d.Inputs()), f.y.At(d.Inputs()), f.slope.At(d.Inputs())
	if f.Shape == Normal {
		slope = -1 / slope
	}
	return x, y, slope, !math.IsNaN(x+y) && !math.IsInf(x+y, 0) && slope == slope
}

// crossingWork bounds the search for intersections, in operations of arithmetic.
const crossingWork = 1e6

// Crossings are the places between left and right where both functions have the same value, crossing or touching: all of
// them, but for functions that meet more often than can be shown.
func (f *Live) Crossings(d evaluate.Moment, left, right float64) (places [][2]float64) {
	found, _ := f.meet.Find(crossingWork, left, right, d.Inputs())
	for _, x := range found {
		if y := f.First.Curve.At(x, d.Inputs()); y == y && len(places) < MaxCrossings {
			places = append(places, [2]float64{x, y})
		}
	}
	return places
}

// MaxCrossings bounds the intersections that are shown.
const MaxCrossings = 60

// nowhere stands for a point that could not be understood.
type nowhere struct{}

func (nowhere) Position() (x, y float64) { return math.NaN(), math.NaN() }

// isPoint tells whether an entry is a point that a figure can hang on.
func isPoint(e *document.Entry) bool {
	b, isFigure := e.Body.(*Body)
	return e.Kind() == "point" || isFigure && b.Shape == Midpoint
}

// Position is that of a midpoint.
func (f *Live) Position() (x, y float64) {
	if f.Shape != Midpoint {
		return math.NaN(), math.NaN()
	}
	x1, y1 := f.Points[0].Position()
	x2, y2 := f.Points[1].Position()
	return (x1 + x2) / 2, (y1 + y2) / 2
}

// PlaceInSpace is that of a midpoint between points of space.
func (f *Live) PlaceInSpace() (at view.Place, is bool) {
	if f.Shape != Midpoint {
		return at, false
	}
	a, first := placeOf(f.Points[0])
	b, second := placeOf(f.Points[1])
	return view.Place{}.Plus(a, 0.5).Plus(b, 0.5), first && second
}

// placeOf is the place of a point of space.
func placeOf(p evaluate.Placed) (at view.Place, is bool) {
	s, ok := p.(evaluate.PlacedInSpace)
	if !ok {
		return at, false
	}
	return s.PlaceInSpace()
}
