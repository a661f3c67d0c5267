package trajectory

import (
	"math"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/maths/solve"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
)

// Gap is a value of the parameter at which a curve in space has no place or breaks: what it tends to on either side, NaN where it tends to
// nothing. Exact is the value where it is known exactly.
type Gap struct {
	T           float64
	Exact       expr.Node
	Left, Right [3]float64
	// IsHole tells that both sides tend to one place, or, at an end of the interval, that the one side does.
	IsHole bool
}

// limitEffort bounds the series of one limit.
const limitEffort = 20000

// SpaceGaps are the holes and breaks of a curve on an interval, its ends with it.
func (c *Curve) SpaceGaps(from, to float64) (list []Gap) {
	places := breaks.Gaps(c.broken, from, to, []float64{0})
	for _, end := range [2]float64{from, to} {
		x, y, z := c.At(end)
		if s := x + y + z; math.IsNaN(s) || math.IsInf(s, 0) {
			places = append(places, end)
		}
	}
	sort.Float64s(places)
	for i, t := range places {
		if i > 0 && t == places[i-1] {
			continue
		}
		g := Gap{T: t, Exact: c.exactGap(t)}
		if g.Exact != nil {
			g.T = exact.Float(g.Exact)
		}
		step := (to - from) / 1e4
		nan := math.NaN()
		g.Left, g.Right = [3]float64{nan, nan, nan}, [3]float64{nan, nan, nan}
		if t > from {
			g.Left = c.limits(g, -1, step)
		}
		if t < to {
			g.Right = c.limits(g, 1, step)
		}
		switch {
		case t == from:
			g.IsHole = isPlace(g.Right)
			g.Left = g.Right
		case t == to:
			g.IsHole = isPlace(g.Left)
			g.Right = g.Left
		default:
			g.IsHole = isPlace(g.Left) && isPlace(g.Right) && isSame(g.Left, g.Right)
		}
		if !g.IsHole || !c.isWholeAt(g) {
			list = append(list, g)
		}
	}
	return list
}

// isWholeAt tells that the curve has the place that both sides tend to: then nothing is missing.
func (c *Curve) isWholeAt(g Gap) bool {
	x, y, z := c.At(g.T)
	return isPlace([3]float64{x, y, z}) && isSame([3]float64{x, y, z}, g.Left)
}

func isPlace(p [3]float64) bool {
	s := p[0] + p[1] + p[2]
	return !math.IsNaN(s) && !math.IsInf(s, 0)
}

func isSame(p, q [3]float64) bool {
	for k := range p {
		if !(math.Abs(p[k]-q[k]) <= 1e-9*(1+math.Abs(p[k]))) {
			return false
		}
	}
	return true
}

// exactGap is the readable number next to a place at which a coordinate has exactly no value, or at which the curve jumps; nil where none
// passes that test.
func (c *Curve) exactGap(t float64) expr.Node {
	for at := range exact.Near(t) {
		for _, n := range c.coordinates() {
			put := symbolic.Substitute(n, map[string]expr.Node{c.variable: at})
			if symbolic.IsUndefined(symbolic.Simplify(put).Node) {
				return at
			}
		}
	}
	for at := range exact.Near(t) {
		if c.jumpsAt(exact.Float(at)) {
			return at
		}
	}
	return nil
}

// jumpsAt tells that the curve has other places on both sides of a number, as near as two float64 can be.
func (c *Curve) jumpsAt(t float64) bool {
	x0, y0, z0 := c.At(math.Nextafter(t, math.Inf(-1)))
	x1, y1, z1 := c.At(math.Nextafter(t, math.Inf(1)))
	return !isSame([3]float64{x0, y0, z0}, [3]float64{x1, y1, z1})
}

// limits are those of the coordinates on one side, by series where the place is known exactly.
func (c *Curve) limits(g Gap, side int, step float64) (p [3]float64) {
	for k, n := range c.coordinates() {
		p[k] = math.NaN()
		if g.Exact != nil {
			effort := &series.Effort{Left: limitEffort}
			b := effort.Near(n, c.variable, exact.Of(g.Exact), side, g.T+float64(side)*step)
			if b.Kind == series.Finite {
				p[k] = b.Limit.Float()
				continue
			}
			if b.Kind != series.Unknown {
				continue
			}
		}
		// As near as rounding allows, taken twice.
		a, b := c.place[k]([]float64{g.T + float64(side)*1e-6}), c.place[k]([]float64{g.T + float64(side)*1e-5})
		if math.Abs(a-b) < 1e-3*(1+math.Abs(a)) {
			p[k] = a
		}
	}
	return p
}

// Meeting is where a curve in space meets a coordinate plane.
type Meeting struct {
	T     float64
	Exact expr.Node
	Place [3]float64
}

// MeetsPlane are the places at which a coordinate is 0, in the order of the parameter: by a complete solution where there is one, else
// bracketed.
func (c *Curve) MeetsPlane(coordinate int, from, to float64) (list []Meeting) {
	n := c.coordinates()[coordinate]
	add := func(t float64, at expr.Node) {
		x, y, z := c.At(t)
		p := [3]float64{x, y, z}
		if !isPlace(p) || t < from || t > to {
			return
		}
		for k := range p {
			p[k] = settled(p[k])
		}
		list = append(list, Meeting{t, at, p})
	}
	if set, ok := solve.Zeros(n, c.variable); ok && !set.All {
		for _, s := range set.Solutions {
			for _, t := range within(s, from, to) {
				add(t.Float(), exactOrNil(s, t))
			}
		}
	} else if !ok {
		zeros, _ := breaks.Zeros(n, c.variable, from, to, &breaks.Budget{Left: 400000, Over: 200000})
		for _, t := range zeros {
			add(t, nil)
		}
	}
	sort.SliceStable(list, func(i, j int) bool { return list[i].T < list[j].T })
	return list
}

func exactOrNil(s solve.Solution, t exact.Value) expr.Node {
	if s.Approximate {
		return nil
	}
	return t.Node()
}

// mostMeetings bounds those of one periodic solution.
const mostMeetings = 400

// within are the values of a solution on an interval.
func within(s solve.Solution, from, to float64) (list []exact.Value) {
	x := exact.Of(s.X)
	period := s.Period.Float()
	if period == 0 {
		return []exact.Value{x}
	}
	slack := 1e-9 * math.Abs(period)
	first := math.Ceil((from - slack - x.Float()) / period)
	for k := first; k < first+mostMeetings; k++ {
		t := x.Plus(s.Period.Times(exact.Int(int64(k))))
		if t.Float() > to+slack {
			break
		}
		list = append(list, t)
	}
	return list
}

// Motion is what a curve does at a value of its parameter.
type Motion struct {
	Speed, Curvature float64
	// Tangent is the unit vector along the velocity; NaN where the point rests.
	Tangent [3]float64
}

// MotionAt is the speed |v|, the curvature |v × a|/|v|³ and the unit tangent v/|v| (common practice, any course of differential geometry).
func (c *Curve) MotionAt(t float64) (m Motion) {
	var v, a [3]float64
	v[0], v[1], v[2] = c.Velocity(t)
	for k, n := range c.coordinates() {
		second := symbolic.Simplify(symbolic.Derivative(symbolic.Simplify(symbolic.Derivative(n, c.variable)).Node, c.variable)).Node
		if at, err := program.CompilePoint(second, []string{c.variable}); err == nil {
			a[k] = at([]float64{t})
		}
	}
	m.Speed = math.Hypot(math.Hypot(v[0], v[1]), v[2])
	cross := math.Hypot(math.Hypot(v[1]*a[2]-v[2]*a[1], v[2]*a[0]-v[0]*a[2]), v[0]*a[1]-v[1]*a[0])
	m.Curvature = cross / (m.Speed * m.Speed * m.Speed)
	for k := range v {
		if m.Tangent[k] = v[k] / m.Speed; math.Abs(m.Tangent[k]) < 1e-15 {
			m.Tangent[k] = 0 // what rounding leaves
		}
	}
	return m
}
