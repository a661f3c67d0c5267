package sample

import (
	"math"
	"slices"

	"parvix/core/expr"
	"parvix/core/program"
)

// Plane is a curve (x(t), y(t)), compiled for blocks of values and for single ones.
type Plane struct {
	x, y *program.Program
}

// CompilePlane compiles both coordinates, inlined and in radians, for their parameter (the first input) and the others.
func CompilePlane(x, y expr.Node, inputs []string) (*Plane, error) {
	px, err := program.Compile(x, inputs)
	if err != nil {
		return nil, err
	}
	py, err := program.Compile(y, inputs)
	if err != nil {
		return nil, err
	}
	return &Plane{px, py}, nil
}

// At is the place at t; in[0] is overwritten.
func (p *Plane) At(t float64, in []float64) Point {
	in[0] = t
	return Point{p.x.At(in), p.y.At(in)}
}

// Trail is a curve as it was run through: the places in the order of their parameter. A place without a value, where the
// line breaks, is NaN.
type Trail struct {
	T      []float64
	Points []Point
}

// How finely a trail is run through: twice as many places until the line leaves its chords by no more than a share of a
// pixel, from a first count on to a largest.
const (
	firstPlaces  = 1024
	mostPlaces   = 1 << 15
	trailSagitta = 0.4
	// longest and straight are how far apart two places may lie, in pixels, and how far what lies between them from the line
	// that joins them: a line of fewer steps is drawn faster.
	longest, straight = 48.0, 0.15
	// beyond is how many pixels away a curve counts as gone to infinity.
	beyond = 1e5
)

// Trailer runs curves through and keeps its memory.
type Trailer struct {
	machine    program.Machine
	ts, xs, ys []float64
}

// Trail runs through a curve from one value of its parameter to another; pixel is the width of one in the plane.
func (s *Trailer) Trail(p *Plane, in []float64, from, to, pixel float64) Trail {
	n := firstPlaces
	for {
		s.run(p, in, from, to, n)
		if n >= mostPlaces || s.sagitta() <= trailSagitta*pixel {
			break
		}
		n *= 2
	}
	return s.kept(p, in, pixel)
}

func (s *Trailer) run(p *Plane, in []float64, from, to float64, n int) {
	s.ts, s.xs, s.ys = s.ts[:0], slices.Grow(s.xs[:0], n+1)[:n+1], slices.Grow(s.ys[:0], n+1)[:n+1]
	for k := 0; k <= n; k++ {
		s.ts = append(s.ts, from+(to-from)*float64(k)/float64(n))
	}
	s.machine.Run(p.x, s.xs, s.ts, in)
	s.machine.Run(p.y, s.ys, s.ts, in)
}

// sagitta is about how far the line between neighbouring places leaves the curve at most: a quarter of how far each place
// lies from the chord between its neighbours.
func (s *Trailer) sagitta() float64 {
	worst := 0.0
	for i := 1; i+1 < len(s.xs); i++ {
		dx, dy := s.xs[i+1]-s.xs[i-1], s.ys[i+1]-s.ys[i-1]
		ux, uy := s.xs[i]-s.xs[i-1], s.ys[i]-s.ys[i-1]
		length := math.Hypot(dx, dy)
		off := math.Abs(ux*dy - uy*dx)
		if length > 0 {
			off /= length
		}
		// What has run away to infinity is not seen.
		if off > worst && length < 1e6 {
			worst = off
		}
	}
	return worst / 4
}

func (s *Trailer) kept(p *Plane, in []float64, pixel float64) Trail {
	var t Trail
	add := func(at float64, q Point) { t.T, t.Points = append(t.T, at), append(t.Points, q) }
	gap := Point{math.NaN(), math.NaN()}
	exists := func(q Point) bool { return !math.IsNaN(q.X+q.Y) && !math.IsInf(q.X+q.Y, 0) }
	last, was := gap, false
	// waiting is the place before, which is kept only where the line would leave it too far aside.
	waiting, waits := 0, false
	keep := func(i int) {
		last = Point{s.xs[i], s.ys[i]}
		add(s.ts[i], last)
		waits = false
	}
	for i := range s.ts {
		q := Point{s.xs[i], s.ys[i]}
		is := exists(q)
		if is != was && waits {
			keep(waiting)
		}
		if i > 0 && is != was {
			at, edge := s.edge(p, in, s.ts[i-1], s.ts[i], is, exists)
			if is {
				add(at, gap)
			}
			add(at, edge)
			if !is {
				add(at, gap)
			}
			last = edge
		}
		switch {
		case is && (i == 0 || !was):
			keep(i)
		case is && math.Hypot(q.X, q.Y) > beyond*pixel && q.X*last.X+q.Y*last.Y < 0:
			add(s.ts[i], gap) // through infinity and back from the other side
			keep(i)
		case is:
			if waits && leaves(last, Point{s.xs[waiting], s.ys[waiting]}, q, pixel) {
				keep(waiting)
			}
			waiting, waits = i, true
		}
		was = is
	}
	if waits {
		keep(waiting)
	}
	return t
}

// leaves tells whether a step from one place to another is too long, or leaves a place between them too far aside.
func leaves(from, between, to Point, pixel float64) bool {
	dx, dy := to.X-from.X, to.Y-from.Y
	length := math.Hypot(dx, dy)
	if !(length <= longest*pixel) {
		return true
	}
	ux, uy := between.X-from.X, between.Y-from.Y
	if length == 0 {
		return math.Hypot(ux, uy) > straight*pixel
	}
	// A place that lies behind or beyond the step, as at a point where the curve turns back, is not passed by it.
	along := (ux*dx + uy*dy) / length
	return math.Abs(ux*dy-uy*dx)/length > straight*pixel || along < -straight*pixel || along > length+straight*pixel
}

// edge closes in the end of a gap between two neighbouring places.
func (s *Trailer) edge(p *Plane, in []float64, low, high float64, existsHigh bool, exists func(Point) bool) (float64, Point) {
	for range 40 {
		middle := (low + high) / 2
		if exists(p.At(middle, in)) == existsHigh {
			high = middle
		} else {
			low = middle
		}
	}
	if existsHigh {
		return high, p.At(high, in)
	}
	return low, p.At(low, in)
}
