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

// Region is what lies between two outlines: in each direction from near to far from the pole, empty where near is not smaller.
type Region struct {
	f, g   Outline
	common bool
	// looks are half a step off, so that the axes, on which curves like to end, are inside of sectors; the last is the first again.
	looks [regionSteps + 1]look
	// edges are the directions at which the region begins or ends, by the look behind them.
	edges map[int]float64
}

// look is a direction with the distances of both outlines there.
type look struct{ direction, f, g float64 }

// Between looks around once. common takes what both enclose, else what f encloses and g does not.
func Between(f, g Outline, common bool) *Region {
	r := &Region{f: f, g: g, common: common, edges: map[int]float64{}}
	for k := range regionSteps {
		r.looks[k] = r.at((float64(k) + 0.5) * 2 * math.Pi / regionSteps)
	}
	r.looks[regionSteps] = look{r.looks[0].direction + 2*math.Pi, r.looks[0].f, r.looks[0].g}
	return r
}

func (r *Region) at(direction float64) look { return look{direction, r.f(direction), r.g(direction)} }

// sector is how the region lies where it was looked.
func (r *Region) sector(l look) Sector {
	if r.common {
		return Sector{l.direction, 0, min(l.f, l.g)}
	}
	return Sector{l.direction, l.g, l.f}
}

// edge is where the region begins or ends between a look and the one before.
func (r *Region) edge(k int) float64 {
	at, known := r.edges[k]
	if !known {
		at = crossing(func(direction float64) float64 { return r.sector(r.at(direction)).wide() }, r.looks[k-1].direction, r.looks[k].direction)
		r.edges[k] = at
	}
	return at
}

// takesOver tells where one outline takes over from the other between a look and the one before, so that what both enclose has a corner.
func (r *Region) takesOver(k int) (at float64, does bool) {
	before, here := r.looks[k-1], r.looks[k]
	if !r.common || (before.f < before.g) == (here.f < here.g) || !(min(before.f, before.g, here.f, here.g) > 0) {
		return 0, false
	}
	// Where both run along each other rounding alone changes sides, and there is no corner.
	const along = 1e-9
	if math.Abs(before.f-before.g)+math.Abs(here.f-here.g) < along*(here.f+here.g) {
		return 0, false
	}
	return crossing(func(direction float64) float64 { return r.f(direction) - r.g(direction) }, before.direction, here.direction), true
}

// beyondAll is an area that only a region reaches which runs off, as far as floats go.
const beyondAll = 1e12

// regionSteps is in how many equal sectors a region is looked at.
const regionSteps = 360

// sectorsTogether is over how many sectors that are not empty the rule goes at once.
const sectorsTogether = 15

// Area is ½∫(far² − near²) dφ over one turn where the region is not empty (the area in polar coordinates, DLMF 1.5.36
// with f = 1), by Kronrod's rule on sectors that end where the region begins and ends; ∞ where no halving brings the rule to
// rest, as beside a direction in which the region runs off.
func (r *Region) Area() float64 {
	density := func(direction float64) float64 {
		s := r.sector(r.at(direction))
		return max(0, s.wide()*(s.Far+s.Near)/2)
	}
	area, unsure := 0.0, 0.0
	add := func(a, b float64) {
		// Where a petal ends the piece is halved.
		part := quadrature.Smooth(density, a, b, area)
		area, unsure = area+part.Value, unsure+part.Error
	}
	begun := r.looks[0].direction
	for k := 1; k < len(r.looks); k++ {
		low, high := r.sector(r.looks[k-1]).wide(), r.sector(r.looks[k]).wide()
		if low <= 0 && high <= 0 {
			begun = r.looks[k].direction
			continue
		}
		if low < 0 {
			begun = r.edge(k)
		}
		end := r.looks[k].direction
		if high < 0 {
			end = r.edge(k)
		}
		if at, does := r.takesOver(k); does {
			add(begun, at)
			begun = at
		}
		if high <= 0 || k%sectorsTogether == 0 || k == regionSteps {
			add(begun, end)
			begun = r.looks[k].direction
		}
	}
	if unsure > 1e-6*area || area > beyondAll {
		return math.Inf(1)
	}
	return area
}

// Sector is how a region lies in one direction.
type Sector struct{ Direction, Near, Far float64 }

// wide is how far the region reaches there; below 0 where it is empty.
func (s Sector) wide() float64 { return s.Far - s.Near }

// Sectors gives the stretches of directions in which the region is not empty, from end to end.
func (r *Region) Sectors() (list [][]Sector) {
	put := func(s Sector) {
		last := len(list) - 1
		s.Near = min(s.Near, s.Far)
		list[last] = append(list[last], s)
	}
	inside := false
	for k, l := range r.looks {
		s := r.sector(l)
		is := s.wide() > 0
		if is && !inside {
			list = append(list, nil)
		}
		if is != inside && k > 0 {
			put(r.sector(r.at(r.edge(k))))
		}
		if is {
			put(s)
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
