package figure

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
)

// Measure is what a text can tell of a figure: a length, an area, an angle, or an equation; empty where there is none now.
func (f *Live) Measure(d evaluate.Moment) string {
	switch f.Shape {
	case Plane:
		if p, is := f.planeNow(d); is {
			return p.laTeX()
		}
		return ""
	case Tangent, Normal:
		x, y, slope, defined := f.Line(d)
		switch {
		case !defined:
			return ""
		case math.IsInf(slope, 0):
			return d.Typeset("x=" + number.Format(x, 3))
		}
		return d.Typeset("y=" + evaluate.LineLaTeX(slope, y-slope*x, 3))
	}
	if f.inSpace {
		return d.Typeset(f.measureInSpace(d))
	}
	places, defined := f.Corners()
	if !defined {
		return ""
	}
	switch f.Shape {
	case Segment, Arrow:
		return d.Typeset(signedLength(places[0], places[1]))
	case Midpoint:
		x, y := f.Position()
		return d.Typeset(evaluate.PairLaTeX(x, y, 3))
	case Circle:
		return d.Typeset(number.Format(math.Hypot(places[1][0]-places[0][0], places[1][1]-places[0][1]), 3))
	case Polygon:
		return d.Typeset(number.Format(area(places), 3))
	case Angle, RightAngle:
		_, turn := turnFrom(places[1], places[0], places[2])
		return d.Typeset(angleLaTeX(d, turn))
	}
	return ""
}

// measureInSpace is that of what joins points of space.
func (f *Live) measureInSpace(d evaluate.Moment) string {
	places, defined := f.places()
	if !defined {
		return ""
	}
	switch f.Shape {
	case Segment:
		return number.Format(places[1].Sub(places[0]).Length(), 3)
	case Arrow:
		return compose.TripleLaTeX(d, places[1].Sub(places[0]))
	case Midpoint:
		at, _ := f.PlaceInSpace()
		return compose.TripleLaTeX(d, at)
	case Polygon:
		return number.Format(areaInSpace(places), 3)
	}
	return angleLaTeX(d, angleBetween(places[0].Sub(places[1]), places[2].Sub(places[1])))
}

// angleLaTeX writes an angle in the demonstration's unit.
func angleLaTeX(d evaluate.Moment, angle float64) string {
	if d.IsInDegrees() {
		return number.Format(angle*180/math.Pi, 1) + `^{\circ}`
	}
	return number.Format(angle, 2)
}
