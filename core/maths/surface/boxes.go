package surface

import (
	"math"

	"parvix/core/numeric/interval"
)

// within encloses the value (0) or a partial derivative over a box.
func (s *Surface) within(k int, b Rectangle) interval.I {
	return s.over[k](interval.I{Lo: b.X0, Hi: b.X1}, interval.I{Lo: b.Y0, Hi: b.Y1}, []float64{0, 0})
}

// mayBeStationary tells that the enclosures of both slopes over a box hold 0.
func (s *Surface) mayBeStationary(b Rectangle) bool {
	for k := 1; k <= 2; k++ {
		if v := s.within(k, b); v.IsEmpty() || !v.Has(0) {
			return false
		}
	}
	return true
}

// bendsToStationary tells that both slopes can be 0 at once in a box, as far as the mean value theorem tells: their values in the middle and
// the enclosures of the second derivatives, both multiplied by the inverse Hessian of the middle (the preconditioned test of E. R. Hansen,
// Global Optimization Using Interval Analysis, 1992). In a narrow valley each slope alone may be 0 along all of it.
func (s *Surface) bendsToStationary(b Rectangle) bool {
	x, y := (b.X0+b.X1)/2, (b.Y0+b.Y1)/2
	a, c, d := s.slope(2, x, y), s.slope(3, x, y), s.slope(4, x, y)
	det := a*d - c*c
	if !(math.Abs(det) > 1e-9*(a*a+2*c*c+d*d)) || math.IsInf(det, 0) {
		return true
	}
	middle := Rectangle{x, x, y, y}
	slopes := [2]interval.I{s.within(1, middle), s.within(2, middle)}
	hessian := [2][2]interval.I{{s.within(3, b), s.within(4, b)}, {s.within(4, b), s.within(5, b)}}
	away := [2]interval.I{interval.I{Lo: b.X0, Hi: b.X1}.Sub(interval.Point(x)), interval.I{Lo: b.Y0, Hi: b.Y1}.Sub(interval.Point(y))}
	for _, row := range [2][2]float64{{d / det, -c / det}, {-c / det, a / det}} {
		first, second := interval.Point(row[0]), interval.Point(row[1])
		total := first.Mul(slopes[0]).Add(second.Mul(slopes[1]))
		for k := range away {
			total = total.Add(first.Mul(hessian[0][k]).Add(second.Mul(hessian[1][k])).Mul(away[k]))
		}
		if !total.IsEmpty() && !total.Has(0) {
			return false
		}
	}
	return true
}

// Bounds of the search for a pole in a box: boxes that are looked at, and the smallest as a share of the rectangle.
const mostPoleBoxes, poleSize = 2000, 1e-9

// isPole tells that what may be stationary in a small box is a place where the function runs off: it is not bounded there, and far off at all
// corners, or grows or falls towards it however near.
func (s *Surface) isPole(b, r Rectangle) bool {
	isBounded := func(b Rectangle) bool {
		v := s.within(0, b)
		return !math.IsInf(v.Lo, 0) && !math.IsInf(v.Hi, 0)
	}
	if isBounded(b) {
		return false
	}
	const far = 100
	isFar := true
	for _, z := range [4]float64{s.At(b.X0, b.Y0), s.At(b.X1, b.Y0), s.At(b.X0, b.Y1), s.At(b.X1, b.Y1)} {
		isFar = isFar && math.Abs(z) >= far
	}
	if isFar {
		return true
	}
	queue := []Rectangle{b}
	for looked := 0; len(queue) > 0; looked++ {
		box := queue[len(queue)-1]
		queue = queue[:len(queue)-1]
		switch {
		case !s.mayBeStationary(box):
		case looked > mostPoleBoxes || isBounded(box):
			return false
		case (box.X1-box.X0)/(r.X1-r.X0) > poleSize:
			queue = append(queue, halves(box, r.X1-r.X0, r.Y1-r.Y0)...)
		default:
			if grows, falls := s.leaves(box, r); !grows && !falls {
				return false
			}
		}
	}
	return true
}
