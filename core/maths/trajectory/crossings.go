package trajectory

import (
	"math"
	"slices"
	"sort"

	"parvix/core/numeric/bisect"
)

// Place is a place of the plane.
type Place struct{ X, Y float64 }

// How finely a curve is looked through for crossings, and how many are listed.
const (
	crossingLooks = 2400
	mostCrossings = 24
)

// OnAxes are the places where the curve meets the x-axis and the y-axis, each once, in order.
func (c *Curve) OnAxes(from, to float64) (onX, onY []Place) {
	return c.meets(1, from, to), c.meets(0, from, to)
}

// meets are the places where a coordinate is 0: where its sign changes, and where it rests at 0.
func (c *Curve) meets(k int, from, to float64) (places []Place) {
	value := func(t float64) float64 { return c.place[k]([]float64{t}) }
	add := func(t float64) {
		x, y, _ := c.At(t)
		if !math.IsNaN(x + y) {
			places = append(places, Place{settled(x), settled(y)})
		}
	}
	was := value(from)
	for i := 1; i <= crossingLooks; i++ {
		low, high := from+(to-from)*float64(i-1)/crossingLooks, from+(to-from)*float64(i)/crossingLooks
		now := value(high)
		switch {
		case was == 0:
			add(low)
		case was*now < 0:
			low, _ = bisect.Change(func(x float64) bool { return value(x)*was > 0 }, low, high, 60)
			// A pole changes the sign too, and is no meeting.
			if math.Abs(value(low)) < 1e-6*math.Max(1, math.Max(math.Abs(was), math.Abs(now))) {
				add(low)
			}
		}
		was = now
	}
	if was == 0 {
		add(to)
	}
	return once(places)
}

// settled is 0 for what rounding left of it.
func settled(v float64) float64 {
	if math.Abs(v) < 1e-9 {
		return 0
	}
	return v
}

// once keeps of places that lie on each other one, in the order of x.
func once(places []Place) (list []Place) {
	sort.Slice(places, func(i, j int) bool {
		if math.Abs(places[i].X-places[j].X) > 1e-6 {
			return places[i].X < places[j].X
		}
		return places[i].Y < places[j].Y
	})
	for _, p := range places {
		known := false
		for _, q := range list {
			known = known || math.Hypot(p.X-q.X, p.Y-q.Y) < 1e-6
		}
		if !known && len(list) < mostCrossings {
			list = append(list, p)
		}
	}
	return list
}

// SelfCrossings are the places that the curve runs through more than once, in different directions: pairs of steps that
// cross are found by a grid and closed in by Newton's method for (x, y)(t) = (x, y)(s).
func (c *Curve) SelfCrossings(from, to float64) []Place {
	size := c.spread(from, to)
	if c.Z != nil || !(size > 0) {
		return nil
	}
	cell := size / 60
	ts := make([]float64, crossingLooks+1)
	points := make([]Place, crossingLooks+1)
	grid := map[[2]int][]int{}
	for i := range ts {
		ts[i] = from + (to-from)*float64(i)/crossingLooks
		x, y, _ := c.At(ts[i])
		points[i] = Place{x, y}
	}
	var places []Place
	for i := 0; i < crossingLooks; i++ {
		a, b := points[i], points[i+1]
		if math.IsNaN(a.X+a.Y+b.X+b.Y) || math.Hypot(b.X-a.X, b.Y-a.Y) > 4*cell {
			continue
		}
		seen := map[int]bool{}
		for gx := int(math.Floor(math.Min(a.X, b.X) / cell)); gx <= int(math.Floor(math.Max(a.X, b.X)/cell)); gx++ {
			for gy := int(math.Floor(math.Min(a.Y, b.Y) / cell)); gy <= int(math.Floor(math.Max(a.Y, b.Y)/cell)); gy++ {
				key := [2]int{gx, gy}
				for _, j := range grid[key] {
					if !seen[j] && i-j > 3 && segmentsCross(a, b, points[j], points[j+1]) {
						if p, ok := c.closeIn((ts[i]+ts[i+1])/2, (ts[j]+ts[j+1])/2, size); ok {
							places = append(places, p)
						}
					}
					seen[j] = true
				}
				grid[key] = append(grid[key], i)
			}
		}
	}
	cusps := c.Cusps(from, to)
	places = slices.DeleteFunc(places, func(p Place) bool {
		return slices.ContainsFunc(cusps, func(cusp Cusp) bool { return math.Hypot(p.X-cusp.X, p.Y-cusp.Y) < 1e-6*size })
	})
	if c.crossesInPole(from, to) {
		places = append(places, Place{})
	}
	return once(places)
}

// crossesInPole tells that a polar curve passes through the pole in more than one direction.
func (c *Curve) crossesInPole(from, to float64) bool {
	angles := c.AtPole(from, to)
	return slices.ContainsFunc(angles, func(a float64) bool { return math.Abs(math.Sin(a-angles[0])) > 1e-6 })
}

func segmentsCross(a, b, p, q Place) bool {
	side := func(u, v, w Place) float64 { return (v.X-u.X)*(w.Y-u.Y) - (v.Y-u.Y)*(w.X-u.X) }
	// A crossing at an end is none by rounding alone.
	square := func(u, v Place) float64 { return (v.X-u.X)*(v.X-u.X) + (v.Y-u.Y)*(v.Y-u.Y) }
	first, second := square(a, b), square(p, q)
	slack := 1e-12 * (first*first + second*second)
	return side(a, b, p)*side(a, b, q) <= slack && side(p, q, a)*side(p, q, b) <= slack
}

// closeIn is Newton's method for the two values of the parameter; false where both run in one direction, as on a part that is
// run through twice.
func (c *Curve) closeIn(t, s, size float64) (Place, bool) {
	for range 30 {
		x1, y1, _ := c.At(t)
		x2, y2, _ := c.At(s)
		dx1, dy1, _ := c.Velocity(t)
		dx2, dy2, _ := c.Velocity(s)
		det := dy1*dx2 - dx1*dy2
		if math.Abs(det) < 1e-6*math.Hypot(dx1, dy1)*math.Hypot(dx2, dy2) || det != det {
			return Place{}, false
		}
		fx, fy := x1-x2, y1-y2
		dt, ds := (fx*dy2-fy*dx2)/det, (fx*dy1-fy*dx1)/det
		t, s = t+dt, s+ds
		if math.Abs(dt)+math.Abs(ds) < 1e-13*math.Max(1, math.Abs(t)+math.Abs(s)) {
			break
		}
	}
	x1, y1, _ := c.At(t)
	x2, y2, _ := c.At(s)
	if !(math.Hypot(x1-x2, y1-y2) < 1e-9*size) || math.Abs(t-s) < 1e-6 {
		return Place{}, false
	}
	return Place{settled(x1), settled(y1)}, true
}
