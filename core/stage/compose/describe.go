package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// describeCircle says where the point of a circle is.
func describeCircle(s *evaluate.Shown) string {
	c := s.Circle
	if !c.Exists() {
		return "A circle whose angle has no value."
	}
	text := fmt.Sprintf("A circle; its angle is %s radians, %s degrees", number.Format(c.Angle.Radians, 3), number.Format(c.Angle.Degrees(), 1))
	if quadrant, axis := c.Angle.Quadrant(); quadrant > 0 {
		return fmt.Sprintf("%s, in quadrant %d.", text, quadrant)
	} else if axis != "" {
		text += ", on the " + axis
	}
	return text + "."
}

// describePart says how long a ratio's length is; what else is shown of a circle or a trajectory needs no words beside them.
func describePart(s *evaluate.Shown) []string {
	c := s.Part.Of.Circle
	if c == nil || !c.Exists() || s.Entry.Part.Piece != document.Length {
		return nil
	}
	l := c.Lengths[s.Part.Ratio]
	if l.Undefined != "" {
		return []string{fmt.Sprintf("The %s is undefined: %s.", s.Part.Ratio.Name(), l.Undefined)}
	}
	return []string{fmt.Sprintf("The %s is %s.", s.Part.Ratio.Name(), number.Format(l.Value, 3))}
}

// describeTrajectory says how far a curve has been run through.
func describeTrajectory(s *evaluate.Shown) string {
	m := s.Trajectory
	kind := "A parametric curve"
	if m.Polar {
		kind = "The polar curve " + s.Entry.Trajectory.Function
	}
	if !m.Exists() {
		return kind + " on an empty interval."
	}
	if f := s.Family; f != nil {
		return fmt.Sprintf("%s for %d values of %s from %v to %v.", kind, len(f.Members), s.Entry.Family.Parameter, f.Members[0].Value,
			f.Members[len(f.Members)-1].Value)
	}
	p := m.Place(m.At)
	if math.IsNaN(p.X + p.Y) {
		return fmt.Sprintf("%s, run through up to %s; the point is undefined.", kind, number.Format(m.At, 3))
	}
	return fmt.Sprintf("%s, run through up to %s; its point is at (%s, %s).", kind, number.Format(m.At, 3), number.Format(p.X, 3), number.Format(p.Y, 3))
}

// describeFigure says what a piece of geometry is, and how long, how large or how steep.
func describeFigure(d *evaluate.Demonstration, s *evaluate.Shown) []string {
	f := s.Figure
	switch f.Shape {
	case document.TangentLine, document.NormalLine:
		name := map[document.FigureShape]string{document.TangentLine: "tangent", document.NormalLine: "perpendicular"}[f.Shape]
		if x, _, slope, defined := f.Line(d); defined {
			return []string{fmt.Sprintf("The %s to %s at %s with slope %s.", name, s.Entry.Function, number.Format(x, 3), number.Format(slope, 3))}
		}
		return []string{"The " + name + " to " + s.Entry.Function + " is undefined."}
	case document.Intersection:
		return []string{fmt.Sprintf("Where %s meets %s.", s.Entry.Function, s.Entry.Figure.Other)}
	}
	places, defined := f.Corners()
	if !defined {
		return nil
	}
	switch f.Shape {
	case document.Segment, document.Arrow:
		return []string{fmt.Sprintf("%s of length %s.", map[document.FigureShape]string{document.Segment: "A segment", document.Arrow: "An arrow"}[f.Shape], signedLength(places[0], places[1]))}
	case document.Polygon:
		return []string{fmt.Sprintf("A polygon of area %s.", number.Format(area(places), 3))}
	}
	return nil
}
