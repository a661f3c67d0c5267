package trajectory

import (
	"math"
	"sort"
)

// Path is a curve as it is run through: its place and its velocity over an interval of its parameter.
type Path struct {
	At, Velocity func(t float64) Place
	From, To     float64
	// All gives many places at once, where that is faster; else nil.
	All func(ts []float64) (xs, ys []float64)
}

// SharedPlace is a place of two paths, with the values of both parameters there.
type SharedPlace struct {
	Place
	T, S float64
	// off is how far apart both are still.
	off float64
}

// How finely two paths are looked through, how many meetings are listed, and how near, as a share of the size of both, they have to come.
const (
	sharedLooks = 1000
	mostShared  = 60
	sharedShare = 1e-9
	// sharedApart is how far apart two are at least: a touching is found less exactly along the curves than a crossing.
	sharedApart = 2e-4
	// longStep is the share of the size from which a step runs off or jumps.
	longStep = 0.15
)

// Shared are the places where two paths cross or touch, each once, in the order of x. Pairs of steps that lie near to each other are
// found by a grid; from each the squared distance is brought down by the method of Levenberg and Marquardt (Numerical Recipes 15.5), which
// comes to a crossing, to a touching and into a cusp. Where they run along each other there are too many: then false.
func Shared(a, b Path) (list []SharedPlace, ok bool) { return sharedOf(a, b, looked(a), looked(b)) }

// sharedOf are those of two paths that were looked through.
func sharedOf(a, b Path, first, second []Place) (list []SharedPlace, ok bool) {
	size := extent(first, second)
	if !(size > 0) {
		return nil, true
	}
	cell, tooLong := size/80, size*longStep
	grid := newStepGrid(len(first))
	eachCell(first, cell, tooLong, grid.put)
	tried := map[[2]int]bool{}
	eachCell(second, cell, tooLong, func(j, x, y int) {
		for k := grid.heads[square(x, y)]; k > 0; k = grid.next[k] {
			i := int(grid.steps[k])
			if !comeNear(first, second, i, j) {
				continue
			}
			// Neighbouring steps lead to the same meeting.
			pair := [2]int{i / 4, j / 4}
			if len(list) > mostShared || tried[pair] {
				continue
			}
			tried[pair] = true
			if m, met := closeIn(a, b, a.at(i), b.at(j), size); met {
				list = taken(list, m, size)
			}
		}
	})
	sort.Slice(list, func(i, j int) bool {
		if math.Abs(list[i].X-list[j].X) > sharedApart*size {
			return list[i].X < list[j].X
		}
		return list[i].Y < list[j].Y
	})
	return list, len(list) <= mostShared
}

func (p *Path) at(step int) float64 {
	return p.From + (p.To-p.From)*(float64(step)+0.5)/sharedLooks
}

// looked are places all along a path.
func looked(p Path) []Place {
	places := make([]Place, sharedLooks+1)
	if p.All != nil {
		ts := make([]float64, len(places))
		for i := range ts {
			ts[i] = p.From + (p.To-p.From)*float64(i)/sharedLooks
		}
		xs, ys := p.All(ts)
		for i := range places {
			places[i] = Place{xs[i], ys[i]}
		}
		return places
	}
	for i := range places {
		places[i] = p.At(p.From + (p.To-p.From)*float64(i)/sharedLooks)
	}
	return places
}

// extent is the size of the smaller of two curves; the few places of one that runs off do not count.
func extent(a, b []Place) float64 {
	return min(spreadOf(a), spreadOf(b))
}

func spreadOf(places []Place) float64 {
	// Every eighth place tells the size well enough.
	const tail, every = 0.03, 8
	size := 0.0
	for _, coordinate := range [2]func(Place) float64{func(p Place) float64 { return p.X }, func(p Place) float64 { return p.Y }} {
		var values []float64
		for i := 0; i < len(places); i += every {
			if v := coordinate(places[i]); !math.IsNaN(v) && !math.IsInf(v, 0) {
				values = append(values, v)
			}
		}
		if len(values) > 0 {
			sort.Float64s(values)
			last := float64(len(values) - 1)
			size = max(size, values[int(last*(1-tail))]-values[int(last*tail)])
		}
	}
	return size
}

// stepGrid lists the steps that go through each square of the plane. Squares that lie gridSide apart share a list: what comes near in one of
// them only is told apart by its places.
type stepGrid struct {
	heads       []int32
	next, steps []int32
}

// gridSide is how many squares there are in a row before they begin again.
const gridSide = 128

func newStepGrid(steps int) *stepGrid {
	const perStep = 4
	return &stepGrid{heads: make([]int32, gridSide*gridSide), next: make([]int32, 1, perStep*steps), steps: make([]int32, 1, perStep*steps)}
}

// square is the place of a square's list.
func square(x, y int) int { return x&(gridSide-1) + gridSide*(y&(gridSide-1)) }

func (g *stepGrid) put(step, x, y int) {
	at := square(x, y)
	g.next, g.steps = append(g.next, g.heads[at]), append(g.steps, int32(step))
	g.heads[at] = int32(len(g.next) - 1)
}

// eachCell visits the squares through which each step goes, with those beside them, where it may touch; steps as long as that run off or
// jump.
func eachCell(places []Place, cell, tooLong float64, visit func(step, x, y int)) {
	for i := 1; i < len(places); i++ {
		a, b := places[i-1], places[i]
		if !(math.Abs(b.X-a.X) < tooLong && math.Abs(b.Y-a.Y) < tooLong) {
			continue
		}
		left, right := squares(a.X/cell, b.X/cell)
		bottom, top := squares(a.Y/cell, b.Y/cell)
		for x := left; x <= right; x++ {
			for y := bottom; y <= top; y++ {
				visit(i-1, x, y)
			}
		}
	}
}

// squares are the first and the last square between two places in squares, with those that are near.
func squares(from, to float64) (first, last int) {
	const near = 0.1
	if from > to {
		from, to = to, from
	}
	return int(math.Floor(from - near)), int(math.Floor(to + near))
}

// comeNear tells whether two steps cross, or lie so near to each other that the paths may touch beside them.
func comeNear(a, b []Place, i, j int) bool {
	p, q, r, s := a[i], a[i+1], b[j], b[j+1]
	if segmentsCross(p, q, r, s) {
		return true
	}
	long := max(math.Hypot(q.X-p.X, q.Y-p.Y), math.Hypot(s.X-r.X, s.Y-r.Y))
	return math.Hypot((p.X+q.X-r.X-s.X)/2, (p.Y+q.Y-r.Y-s.Y)/2) < 1.5*long
}

// closeIn brings two paths together from a guess.
func closeIn(a, b Path, t, s, size float64) (m SharedPlace, met bool) {
	off := func(t, s float64) (dx, dy, square float64) {
		p, q := a.At(t), b.At(s)
		dx, dy = p.X-q.X, p.Y-q.Y
		return dx, dy, dx*dx + dy*dy
	}
	dx, dy, square := off(t, s)
	damp := 1e-3
	for range 200 {
		v, w := a.Velocity(t), b.Velocity(s)
		// The normal equations of dx + v·Δt − w·Δs = 0.
		tt, ss, ts := v.X*v.X+v.Y*v.Y, w.X*w.X+w.Y*w.Y, -(v.X*w.X + v.Y*w.Y)
		gt, gs := v.X*dx+v.Y*dy, -(w.X*dx + w.Y*dy)
		extra := damp * (tt + ss)
		det := (tt+extra)*(ss+extra) - ts*ts
		if !(det > 0) {
			break
		}
		dt, ds := -((ss+extra)*gt-ts*gs)/det, -((tt+extra)*gs-ts*gt)/det
		nextT, nextS := clampTo(t+dt, a), clampTo(s+ds, b)
		nx, ny, next := off(nextT, nextS)
		if !(next < square) {
			if damp *= 10; damp > 1e12 {
				break
			}
			continue
		}
		moved := math.Abs(nextT-t) + math.Abs(nextS-s)
		t, s, dx, dy, square = nextT, nextS, nx, ny, next
		damp = max(damp/10, 1e-12)
		if moved < 1e-15*max(1, math.Abs(t)+math.Abs(s)) {
			break
		}
	}
	if !(square < sharedShare*sharedShare*size*size) {
		return m, false
	}
	p := a.At(t)
	// Where they only touch the place is found to half of the digits.
	v, w, slack := a.Velocity(t), b.Velocity(s), 1e-9
	if math.Abs(v.X*w.Y-v.Y*w.X) <= 1e-3*math.Hypot(v.X, v.Y)*math.Hypot(w.X, w.Y) {
		slack = 1e-6
	}
	rest := func(v float64) float64 {
		if math.Abs(v) < slack*size {
			return 0
		}
		return v
	}
	return SharedPlace{Place{rest(p.X), rest(p.Y)}, t, s, square}, true
}

func clampTo(t float64, p Path) float64 { return max(p.From, min(p.To, t)) }

// taken takes a place into a list, of those that lie on each other the one that was found most exactly.
func taken(list []SharedPlace, m SharedPlace, size float64) []SharedPlace {
	for k, n := range list {
		if math.Hypot(m.X-n.X, m.Y-n.Y) < sharedApart*size {
			if m.off < n.off {
				list[k] = m
			}
			return list
		}
	}
	return append(list, m)
}

// Path is the curve as it is run through over an interval.
func (c *Curve) Path(from, to float64) Path {
	return Path{From: from, To: to,
		At:       func(t float64) Place { x, y, _ := c.At(t); return Place{x, y} },
		Velocity: func(t float64) Place { x, y, _ := c.Velocity(t); return Place{x, y} }}
}
