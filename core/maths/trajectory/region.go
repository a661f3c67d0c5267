package trajectory

import (
	"math"

	"parvix/core/numeric/bisect"
	"parvix/core/numeric/quadrature"
)

// Outline is how far what a polar curve encloses reaches from the pole in one direction, in radians; 0 where it does not.
type Outline func(direction float64) float64

// Encloses gives the outline of r on an interval of its angle, in radians. In a direction the curve passes at every whole
// turn further, and on the other side of the pole where r is negative; what it encloses reaches to the farthest of these
// places.
func Encloses(r func(angle float64) float64, from, to float64) Outline {
	const slack = 1e-9
	return func(direction float64) float64 {
		far := 0.0
		for side, sign := range [2]float64{1, -1} {
			start := direction + float64(side)*math.Pi
			for k := math.Ceil((from - slack - start) / (2 * math.Pi)); start+2*math.Pi*k <= to+slack; k++ {
				if v := sign * r(math.Max(from, math.Min(to, start+2*math.Pi*k))); v > far {
					far = v
				}
			}
		}
		return far
	}
}

// Between is how a region lies between two outlines in one direction: from near to far from the pole, empty where near is
// not smaller. common takes what both enclose, else what f encloses and g does not.
func Between(f, g Outline, common bool) func(direction float64) (near, far float64) {
	return func(direction float64) (near, far float64) {
		a, b := f(direction), g(direction)
		if common {
			return 0, math.Min(a, b)
		}
		return b, a
	}
}

// beyondAll is an area that only a region reaches which runs off, as far as floats go.
const beyondAll = 1e12

// regionSteps is in how many equal sectors a region is looked at.
const regionSteps = 360

// sectorsTogether is over how many sectors that are not empty the rule goes at once.
const sectorsTogether = 15

// RegionArea is ½∫(far² − near²) dφ over one turn where the region is not empty (the area in polar coordinates, DLMF 1.5.36
// with f = 1), by Kronrod's rule on sectors that end where the region begins and ends; ∞ where no halving brings the rule to
// rest, as beside a direction in which the region runs off.
func RegionArea(region func(direction float64) (near, far float64)) float64 {
	density := func(direction float64) float64 {
		near, far := region(direction)
		return (far - near) * (far + near) / 2
	}
	inside := func(direction float64) float64 { return math.Max(0, density(direction)) }
	area, unsure, width := 0.0, 0.0, 2*math.Pi/regionSteps
	add := func(a, b float64) {
		// Where a petal ends, or one outline takes over from the other, the piece is halved.
		part := quadrature.Smooth(inside, a, b, area)
		area, unsure = area+part.Value, unsure+part.Error
	}
	// Half a sector off, so that the axes, on which curves like to end, are inside of sectors.
	begun, low := width/2, density(width/2)
	for k := range regionSteps {
		a := (float64(k) + 0.5) * width
		b := a + width
		high := density(b)
		if low <= 0 && high <= 0 {
			begun, low = b, high
			continue
		}
		if low < 0 {
			begun = crossing(density, a, b)
		}
		end := b
		if high < 0 {
			end = crossing(density, a, b)
		}
		if high <= 0 || k%sectorsTogether == sectorsTogether-1 || k == regionSteps-1 {
			add(begun, end)
			begun = b
		}
		low = high
	}
	if unsure > 1e-6*area || area > beyondAll {
		return math.Inf(1)
	}
	return area
}

// Sector is how a region lies in one direction.
type Sector struct{ Direction, Near, Far float64 }

// Sectors gives the stretches of directions in which a region is not empty, from end to end.
func Sectors(region func(direction float64) (near, far float64)) (list [][]Sector) {
	density := func(direction float64) float64 {
		near, far := region(direction)
		return far - near
	}
	put := func(direction float64) {
		near, far := region(direction)
		last := len(list) - 1
		list[last] = append(list[last], Sector{direction, min(near, far), far})
	}
	inside, width := false, 2*math.Pi/regionSteps
	for k := range regionSteps + 1 {
		a := (float64(k) + 0.5) * width
		is := density(a) > 0
		switch {
		case is && !inside:
			list = append(list, nil)
			if k > 0 {
				put(crossing(density, a-width, a))
			}
		case inside && !is:
			put(crossing(density, a-width, a))
		}
		if is {
			put(a)
		}
		inside = is
	}
	return list
}

// crossing bisects to where a density changes its sign.
func crossing(density func(float64) float64, a, b float64) float64 {
	rising := density(a) < 0
	_, after := bisect.Change(func(x float64) bool { return (density(x) < 0) == rising }, a, b, 60)
	return after
}
