package figure

import (
	"fmt"
	"slices"

	"parvix/core/stage/document"
)

// Body is a piece of geometry in the plane, live as what it hangs on.
type Body struct {
	Shape Shape `json:"shape"`
	// Points are the ids of the points that it joins, in order.
	Points []string `json:"points,omitempty"`
	// Name is that of a midpoint.
	Name string `json:"name,omitempty"`
	// Function and At are a tangent's or a normal's; Other is the second function of an intersection.
	Function string `json:"function,omitempty"`
	At       string `json:"at,omitempty"`
	Other    string `json:"other,omitempty"`
	// Equation is that of a plane in x, y and z which goes through no points.
	Equation string `json:"equation,omitempty"`
}

// Shape names a piece of geometry.
type Shape string

// The shapes: two points for a segment, an arrow, a midpoint and a circle (its centre and a point on it), three for an arc
// (centre, first point, a point on the last ray), an angle and a right angle (the vertex in the middle), three or more for
// a polygon; a tangent and a normal are of a function at a place, an intersection of two functions. A segment, an arrow, a midpoint,
// angles and polygons may join points of space; a plane goes through three of them, or is what fulfils an equation.
const (
	Segment      Shape = "segment"
	Arrow        Shape = "arrow"
	Midpoint     Shape = "midpoint"
	Circle       Shape = "circle"
	Arc          Shape = "arc"
	Angle        Shape = "angle"
	RightAngle   Shape = "rightAngle"
	Polygon      Shape = "polygon"
	Tangent      Shape = "tangent"
	Normal       Shape = "normal"
	Intersection Shape = "intersection"
	Plane        Shape = "plane"
)

// Shapes lists the shapes.
func Shapes() []Shape {
	return []Shape{Segment, Arrow, Midpoint, Circle, Arc, Angle, RightAngle, Polygon, Tangent, Normal, Intersection, Plane}
}

// Points is how many points a shape needs, −1 for three or more.
func (s Shape) Points() int {
	switch s {
	case Segment, Arrow, Midpoint, Circle:
		return 2
	case Arc, Angle, RightAngle, Plane:
		return 3
	case Polygon:
		return -1
	}
	return 0
}

// MaxCorners is the largest number of a polygon's corners.
const MaxCorners = 24

// Kind names the kind.
func (*Body) Kind() document.Kind { return "figure" }

// Refs are the points, or the functions and the place.
func (b *Body) Refs() []document.Ref {
	ofFunction := b.Shape.Points() == 0
	list := []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function, Optional: !ofFunction},
		{Role: document.FunctionName, Field: "other", Text: &b.Other, Optional: b.Shape != Intersection},
		{Field: "at", Text: &b.At, Optional: !ofFunction || b.Shape == Intersection},
		{Role: document.Condition, Field: "equation", Text: &b.Equation, Optional: true, Variables: []string{"x", "y", "z"}}}
	if b.Shape == Midpoint {
		list = append(list, document.Ref{Role: document.OwnName, Field: "name", Text: &b.Name, Optional: true})
	}
	for i := range b.Points {
		list = append(list, document.Ref{Role: document.EntryID, Field: "points", Text: &b.Points[i]})
	}
	return list
}

// Check holds the points to their number.
func (b *Body) Check(c *document.Checker) {
	c.Require(slices.Contains(Shapes(), b.Shape), "shape", fmt.Sprintf("“%s” is none of %q", b.Shape, Shapes()))
	if b.Shape == Plane && b.Equation != "" {
		c.Require(len(b.Points) == 0, "points", "a plane by its equation joins none")
		return
	}
	if n := b.Shape.Points(); n >= 0 {
		c.Require(len(b.Points) == n, "points", fmt.Sprintf("%d points are needed", n))
	} else {
		c.Require(len(b.Points) >= 3 && len(b.Points) <= MaxCorners, "points", fmt.Sprintf("3 to %d points are needed", MaxCorners))
	}
}
