package sample

import (
	"cmp"
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
)

// Plane is a curve (x(t), y(t)), compiled for blocks of values and for single ones.
type Plane struct {
	x, y *program.Program
	// work is how many operations one place takes.
	work     program.Point
	formulas [2]expr.Node
	inputs   []string
	broken   []*breaks.Finder // of x and y, made when they are first asked for
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
	both := program.Work(expr.Plus(x, y), inputs)
	return &Plane{x: px, y: py, work: both, formulas: [2]expr.Node{x, y}, inputs: inputs}, nil
}

// cuts are the values of the parameter over which no line runs.
func (p *Plane) cuts(from, to float64, in []float64) []float64 {
	if p.broken == nil {
		p.broken = []*breaks.Finder{breaks.New(p.formulas[0], p.inputs), breaks.New(p.formulas[1], p.inputs)}
	}
	return breaks.Gaps(p.broken, from, to, in)
}

// At is the place at t; in[0] is overwritten.
func (p *Plane) At(t float64, in []float64) Point {
	in[0] = t
	return Point{p.x.At(in), p.y.At(in)}
}

// All are the places at many values of the parameter, faster than one by one; in[0] is overwritten.
func (p *Plane) All(ts, in []float64) (xs, ys []float64) {
	var m program.Machine
	xs, ys = make([]float64, len(ts)), make([]float64, len(ts))
	m.Run(p.x, xs, ts, in)
	m.Run(p.y, ys, ts, in)
	return xs, ys
}

// Trail is a curve as it was run through: the places in the order of their parameter. A place without a value, where the
// line breaks, is NaN.
type Trail struct {
	T      []float64
	Points []Point
	// Coarse tells that the work allowed did not suffice for a line as fine as it should be.
	Coarse bool
}

// How finely a trail is run through: twice as many places until the line leaves its chords by no more than a share of a
// pixel, from a first count on to a largest.
const (
	firstPlaces = 1024
	mostPlaces  = 1 << 15
	// A trail may take so many operations, but has a few places whatever they take.
	trailWork    = 1e7
	fewestPlaces = 64
	// longest is how far apart two places may lie, in pixels.
	longest = 48.0
	// beyond is how many pixels away a curve counts as gone to infinity.
	beyond = 1e5
)

// Trailer runs curves through and keeps its memory.
type Trailer struct {
	// Tolerance is by how many pixels a line may leave its curve; 0 stands for AtRest.
	Tolerance       float64
	machine         program.Machine
	ts, xs, ys      []float64
	between, values []float64
	cuts            []float64
}

// Trail runs through a curve from one value of its parameter to another; pixel is the width of one in the plane.
func (s *Trailer) Trail(p *Plane, in []float64, from, to, pixel float64) Trail {
	most := min(mostPlaces, int(trailWork/p.work(in)))
	n := max(fewestPlaces, min(firstPlaces, most))
	s.cuts = p.cuts(from, to, in)
	s.run(p, in, from, to, n)
	sagitta := 2 * cmp.Or(s.Tolerance, AtRest) * pixel
	for 2*n <= most && s.sagitta() > sagitta {
		s.double(p, in, from, to, n)
		n *= 2
	}
	// One that is only not quite smooth is not told to be coarse.
	coarse := 2*n > most && most < mostPlaces && s.sagitta() > 2*Moving*pixel
	trail := s.kept(p, in, pixel)
	trail.Coarse = coarse
	return trail
}

func (s *Trailer) run(p *Plane, in []float64, from, to float64, n int) {
	s.ts, s.xs, s.ys = s.ts[:0], resize(s.xs, n+1), resize(s.ys, n+1)
	for k := 0; k <= n; k++ {
		s.ts = append(s.ts, from+(to-from)*float64(k)/float64(n))
	}
	s.machine.Run(p.x, s.xs, s.ts, in)
	s.machine.Run(p.y, s.ys, s.ts, in)
}

// double puts a place between every two of the n steps; the places that are known stay.
func (s *Trailer) double(p *Plane, in []float64, from, to float64, n int) {
	s.between = s.between[:0]
	for k := range n {
		s.between = append(s.between, from+(to-from)*(float64(k)+0.5)/float64(n))
	}
	s.values = resize(s.values, n)
	weave := func(known []float64, between []float64) []float64 {
		known = slices.Grow(known, n)[:2*n+1]
		for k := n; k > 0; k-- {
			known[2*k], known[2*k-1] = known[k], between[k-1]
		}
		return known
	}
	for _, coordinate := range []struct {
		program *program.Program
		known   *[]float64
	}{{p.x, &s.xs}, {p.y, &s.ys}} {
		s.machine.Run(coordinate.program, s.values, s.between, in)
		*coordinate.known = weave(*coordinate.known, s.values)
	}
	s.ts = weave(s.ts, s.between)
}

// sagitta is about how far the line between neighbouring places leaves the curve at most: a quarter of how far each place
// lies from the chord between its neighbours.
func (s *Trailer) sagitta() float64 {
	worst, next := 0.0, 0
	for i := 1; i+1 < len(s.xs); i++ {
		for next < len(s.cuts) && s.cuts[next] < s.ts[i-1] {
			next++
		}
		if next < len(s.cuts) && s.cuts[next] <= s.ts[i+1] {
			continue // no line
		}
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

// exists tells whether both coordinates are numbers.
func exists(q Point) bool { return !math.IsNaN(q.X+q.Y) && !math.IsInf(q.X+q.Y, 0) }

// keeper keeps of a trail what a picture needs. The place before is waiting: it is kept only where a longer step would pass
// it, or one before it, too far aside. The cone of directions that pass all of them narrows with each, as in thin.
type keeper struct {
	*Trailer
	trail       Trail
	pixel       float64
	last        Point
	waiting     int
	waits       bool
	right, left [2]float64
}

func (k *keeper) add(at float64, q Point) {
	k.trail.T, k.trail.Points = append(k.trail.T, at), append(k.trail.Points, q)
}

// gap ends a stretch.
func (k *keeper) gap(at float64) { k.add(at, Point{math.NaN(), math.NaN()}) }

func (k *keeper) place(i int) Point { return Point{k.xs[i], k.ys[i]} }

func (k *keeper) keep(i int) {
	k.last = k.place(i)
	k.add(k.ts[i], k.last)
	k.waits = false
}

// keepWaiting keeps the place that waits, if one does.
func (k *keeper) keepWaiting() {
	if k.waits {
		k.keep(k.waiting)
	}
}

// passes tells whether a step to q comes near enough to all places that were left out.
func (k *keeper) passes(q Point) bool {
	p := k.place(k.waiting)
	dx, dy := q.X-k.last.X, q.Y-k.last.Y
	if !(dx*dx+dy*dy <= longest*longest*k.pixel*k.pixel) || (q.X-p.X)*(p.X-k.last.X)+(q.Y-p.Y)*(p.Y-k.last.Y) < 0 {
		return false
	}
	return k.right[0]*dy-k.right[1]*dx >= 0 && k.left[0]*dy-k.left[1]*dx <= 0
}

func (k *keeper) wait(i int) {
	right, left := cone(k.last, k.place(i), 1/k.pixel, 1/k.pixel, cmp.Or(k.Tolerance, AtRest))
	if !k.waits || k.right[0]*right[1]-k.right[1]*right[0] > 0 {
		k.right = right
	}
	if !k.waits || k.left[0]*left[1]-k.left[1]*left[0] < 0 {
		k.left = left
	}
	k.waiting, k.waits = i, true
}

// visible tells whether a place is near enough to be drawn to.
func (k *keeper) visible(q Point) bool { return exists(q) && math.Hypot(q.X, q.Y) < beyond*k.pixel }

// cut makes a gap at a pole between two places.
func (k *keeper) cut(p *Plane, in []float64, i int, at float64) {
	k.keepWaiting()
	end, edge := k.edge(p, in, k.ts[i-1], at, false, k.visible)
	k.add(end, edge)
	k.gap(at)
	end, k.last = k.edge(p, in, at, k.ts[i], true, k.visible)
	k.add(end, k.last)
}

// close closes in where a gap begins or ends between two places.
func (k *keeper) close(p *Plane, in []float64, i int, is bool) {
	at, edge := k.edge(p, in, k.ts[i-1], k.ts[i], is, k.visible)
	if is {
		k.gap(at)
	}
	k.add(at, edge)
	if !is {
		k.gap(at)
	}
	k.last = edge
}

func (s *Trailer) kept(p *Plane, in []float64, pixel float64) Trail {
	k := keeper{Trailer: s, pixel: pixel, last: Point{math.NaN(), math.NaN()}}
	was, next := false, 0
	for i := range s.ts {
		q := k.place(i)
		is := exists(q)
		for ; next < len(s.cuts) && s.cuts[next] <= s.ts[i]; next++ {
			if i > 0 && s.cuts[next] >= s.ts[i-1] && was && is { // else a gap begins or ends here, which is closed in below
				k.cut(p, in, i, s.cuts[next])
			}
		}
		if is != was {
			k.keepWaiting()
			if i > 0 {
				k.close(p, in, i, is)
			}
		}
		switch {
		case is && (i == 0 || !was):
			k.keep(i)
		case is && math.Hypot(q.X, q.Y) > beyond*pixel && q.X*k.last.X+q.Y*k.last.Y < 0:
			k.gap(s.ts[i]) // through infinity and back from the other side
			k.keep(i)
		case is:
			if k.waits && !k.passes(q) {
				k.keepWaiting()
			}
			k.wait(i)
		}
		was = is
	}
	k.keepWaiting()
	return k.trail
}

// edge closes in the end of a gap between two values of the parameter.
func (s *Trailer) edge(p *Plane, in []float64, low, high float64, existsHigh bool, exists func(Point) bool) (float64, Point) {
	low, high = bisect.Change(func(t float64) bool { return exists(p.At(t, in)) != existsHigh }, low, high, 40)
	if existsHigh {
		return high, p.At(high, in)
	}
	return low, p.At(low, in)
}

// smoothSteps is into how many steps a smooth line between two places is cut.
const smoothSteps = 12

// Through is a smooth line through places: between two of them a cubic whose slopes at its ends are those from the
// neighbours (E. Catmull and R. Rom, A class of local interpolating splines, 1974). A gap, NaN, ends it.
func Through(places []Point) (line []Point) {
	exists := func(i int) bool { return i >= 0 && i < len(places) && !math.IsNaN(places[i].X+places[i].Y) }
	for i, p := range places {
		line = append(line, p)
		if !exists(i) || !exists(i+1) {
			continue
		}
		before, q, after := p, places[i+1], places[i+1]
		if exists(i - 1) {
			before = places[i-1]
		}
		if exists(i + 2) {
			after = places[i+2]
		}
		for k := 1; k < smoothSteps; k++ {
			s := float64(k) / smoothSteps
			at := func(before, p, q, after float64) float64 {
				return p + s*((q-before)+s*((2*before-5*p+4*q-after)+s*(3*(p-q)+after-before)))/2
			}
			line = append(line, Point{at(before.X, p.X, q.X, after.X), at(before.Y, p.Y, q.Y, after.Y)})
		}
	}
	return line
}
