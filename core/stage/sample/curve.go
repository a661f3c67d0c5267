package sample

import (
	"math"
	"slices"

	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
)

// View is the visible part of the plane and its size in pixels.
type View struct {
	Left, Right, Bottom, Top float64
	Width, Height            float64
}

// Point is a place in the plane, y up.
type Point struct{ X, Y float64 }

// MarkKind says how a single point of a curve is drawn.
type MarkKind string

// The kinds of marks.
const (
	// Open: the line ends here, the point does not belong to it.
	Open MarkKind = "open"
	// Closed: the line ends here and the point belongs to it.
	Closed MarkKind = "closed"
	// Hole: the line goes on at both sides, the point is missing.
	Hole MarkKind = "hole"
)

// Mark is a hole or an end of a line.
type Mark struct {
	Point
	Kind MarkKind
}

// Curve is a sampled function: unbroken lines and marks.
type Curve struct {
	// Lines share one array of points; a Sampler reuses it, so copy what must outlive the next call.
	Lines [][]Point
	Marks []Mark
	// Envelopes are bands in which the function swings faster than pixels can show, with its bounds from left to right.
	Envelopes [][]Column
	// Complete is false when the function breaks more often than can be drawn.
	Complete bool
	// Coarse tells that the work allowed did not suffice for a line as fine as it should be, or for any.
	Coarse bool
}

// Limits and tolerances, in pixels where a length.
const (
	MaxPoints     = 4000
	firstStep     = 4.0
	bendTolerance = 0.2
	thinTolerance = 0.2
	maxHalvings   = 11
	finestPiece   = 0.25
	// How far beyond the window a line is followed, in window heights.
	overshoot = 1.5
)

// probes are the shares of a step at which it is probed, one after the other: a little off its middle, where a curve that
// turns about the middle would look straight, and again where an S looks bent that crosses the line at the first.
var probes = []float64{0.4375, 0.74}

// Sampler samples curves one after the other and reuses its memory.
type Sampler struct {
	machine  program.Machine
	points   []Point
	xs, ys   []float64
	next     []Point
	mids     []float64
	values   []float64
	bends    []bool
	newBends []bool
	lines    [][]Point
	marks    []Mark
	knots    []float64
	ends     []breakPoint
	columns  []Column
	bandsNow [][]Column // of the piece at hand
	check    survey
	// Allowed bounds the work of one curve, in operations; 0 means as much as a curve may take that is drawn alone.
	Allowed float64
	// Spent is about what the last curve took.
	Spent float64
	// Of the curve at hand: the work of one value, that of all that is allowed, and how many values may be taken.
	work, allowed float64
	most          int
	coarse        bool
}

// AllowedAlone is the work of one curve, in operations of arithmetic: 15 ms or so on the machine it was measured on.
const AllowedAlone = 3e6

// leastValues is how many values a line needs to tell anything.
const leastValues = 200

// breakPoint is a proven break with what the function does on both sides.
type breakPoint struct {
	x           float64
	value       float64 // f(x), NaN where undefined
	left, right side
}

// Curve samples f for the inputs in (in[0] is overwritten) over the width of the view.
func (s *Sampler) Curve(f *Function, in []float64, v View) Curve {
	s.points, s.lines, s.marks = s.points[:0], s.lines[:0], s.marks[:0]
	s.knots, s.ends, s.columns = s.knots[:0], s.ends[:0], s.columns[:0]
	if s.allowed = s.Allowed; s.allowed == 0 {
		s.allowed = AllowedAlone
	}
	s.Spent, s.work, s.coarse = 0, f.Work(in), false
	s.most = int(math.Min(MaxPoints, s.allowed/s.work))
	if s.most < leastValues {
		return Curve{Coarse: true}
	}
	places, complete := f.finder.Within(s.allowed, v.Left, v.Right, in)
	s.examine(f, in, v, places)
	last := breakPoint{x: v.Left, value: f.At(v.Left, in), right: side{kind: restless}}
	if len(s.ends) > 0 && s.ends[0].x == v.Left {
		last, s.ends = s.ends[0], s.ends[1:]
		last.left = side{kind: absent}
		s.mark(last)
	}
	for _, b := range s.ends {
		s.piece(f, in, v, last, b)
		s.mark(b)
		last = b
	}
	if last.x < v.Right {
		s.piece(f, in, v, last, breakPoint{x: v.Right, value: f.At(v.Right, in), left: side{kind: restless}})
	}
	return Curve{s.lines, s.marks, bands(s.columns, v.Width/(v.Right-v.Left)), complete, s.coarse}
}

// onePlace is how near together places are one on the picture, in pixels: where 1 − 3x³ comes to the end 1 of the arc cosine
// as flatly as it does, rounding finds a cluster of ends.
const onePlace = 1e-2

// examine splits the critical places into true breaks and knots, where the line goes on with a corner.
func (s *Sampler) examine(f *Function, in []float64, v View, places []breaks.Place) {
	together := onePlace * (v.Right - v.Left) / v.Width
	before := math.Inf(-1)
	for len(places) > 0 {
		n := 1
		for n < len(places) && places[n].X-places[0].X < together {
			n++
		}
		p := strongest(places[:n])
		after := math.Inf(1)
		if n < len(places) {
			after = places[n].X
		}
		room := v.Right - v.Left
		for _, d := range []float64{p.X - before, after - p.X} {
			if d > together {
				room = math.Min(room, d)
			}
		}
		before, places = places[n-1].X, places[n:]
		if p.Kind == breaks.Corner {
			s.knots = append(s.knots, p.X)
			continue
		}
		h, height := math.Min(room/3, 1e-2*(v.Right-v.Left)), v.Top-v.Bottom
		b := breakPoint{x: p.X, value: math.NaN(), left: f.approach(p.X, -h, in, height), right: f.approach(p.X, h, in, height)}
		if p.Kind == breaks.Undefined && !(b.left.clean && b.right.clean) {
			if sides, ok := f.limit(p.X, h, in); ok {
				b.left, b.right = sides[0], sides[1]
			}
		}
		if p.Kind != breaks.Undefined {
			if b.value = f.atBreak(p.X, in); math.IsInf(b.value, 0) {
				b.value = math.NaN() // too large to be drawn
			}
		}
		b.settle(unitIn(height) + math.Max(b.left.size, b.right.size))
		if b.goesOn() {
			s.knots = append(s.knots, p.X)
			continue
		}
		s.ends = append(s.ends, b)
	}
}

// strongest is the middle one of the places of the strongest kind.
func strongest(places []breaks.Place) breaks.Place {
	kind := slices.MinFunc(places, func(a, b breaks.Place) int { return int(a.Kind) - int(b.Kind) }).Kind
	var list []breaks.Place
	for _, p := range places {
		if p.Kind == kind {
			list = append(list, p)
		}
	}
	return list[len(list)/2]
}

// settle replaces a limit that is the value itself by that value, free of extrapolation's rounding; unit is what counts as 1.
func (b *breakPoint) settle(unit float64) {
	for _, one := range []*side{&b.left, &b.right} {
		if one.kind == finite && near(one.value, b.value, unit) {
			one.value = b.value
		}
	}
	if b.left.kind == finite && b.right.kind == finite && near(b.left.value, b.right.value, unit) {
		mean := (b.left.value + b.right.value) / 2
		if b.left.value != b.right.value {
			b.left.value, b.right.value = mean, mean
		}
	}
}

func near(a, b, unit float64) bool { return math.Abs(a-b) <= 1e-6*(unit+math.Abs(b)) }

// goesOn tells that the function is continuous here after all: it has a value, and both sides tend to it.
func (b *breakPoint) goesOn() bool {
	return b.left.kind == finite && b.right.kind == finite && b.left.value == b.value && b.right.value == b.value
}

// mark notes holes and ends of lines at a break.
func (s *Sampler) mark(b breakPoint) {
	left, right := b.left.kind == finite, b.right.kind == finite
	if left && right && b.left.value == b.right.value {
		s.marks = append(s.marks, Mark{Point{b.x, b.left.value}, Hole})
		if b.value == b.value {
			s.marks = append(s.marks, Mark{Point{b.x, b.value}, Closed})
		}
		return
	}
	attached := false
	for _, one := range []side{b.left, b.right} {
		switch {
		case one.kind != finite:
		case one.value == b.value:
			s.marks = append(s.marks, Mark{Point{b.x, b.value}, Closed})
			attached = true
		default:
			s.marks = append(s.marks, Mark{Point{b.x, one.value}, Open})
		}
	}
	if !attached && b.value == b.value {
		s.marks = append(s.marks, Mark{Point{b.x, b.value}, Closed})
	}
}

// piece samples the unbroken function between two places.
func (s *Sampler) piece(f *Function, in []float64, v View, from, to breakPoint) {
	a, b := from.x, to.x
	width := b - a
	if width*v.Width < finestPiece*(v.Right-v.Left) {
		return
	}
	if math.IsNaN(f.At(a+width/2, in)) && math.IsNaN(f.At(a+width*0.377, in)) {
		return
	}
	s.xs = s.xs[:0]
	s.leave(f, in, v, from, width)
	s.grid(v, a, b)
	s.reach(f, in, v, to, width)
	s.evaluate(f, in)
	s.fixEnds(from, to)
	before := len(s.columns)
	s.survey(f, in, v)
	s.bandsNow = bands(s.columns[before:], v.Width/(v.Right-v.Left))
	s.refine(f, in, v)
	if from.isGap() || to.isGap() {
		s.leaveDoubtfulOut(f, in, v)
	}
	s.emit(v)
}

// isGap tells of a place without a value that the function comes to a limit at: beside it digits may cancel.
func (b *breakPoint) isGap() bool {
	return b.value != b.value && (b.left.kind == finite || b.right.kind == finite)
}

// doubtful is how far rounding may take a point that is kept, in pixels.
const doubtful = 0.3

// leaveDoubtfulOut takes the points out that rounding has moved, but for the ends, which are limits.
func (s *Sampler) leaveDoubtfulOut(f *Function, in []float64, v View) {
	sy := v.Height / (v.Top - v.Bottom)
	kept := s.next[:0]
	for i, p := range s.next {
		in[0] = p.X
		if _, doubt := f.doubted(in); i > 0 && i+1 < len(s.next) && doubt*sy > doubtful {
			continue
		}
		kept = append(kept, p)
	}
	s.next = kept
}

// leave adds the places next to the left end of a piece: the end itself where the function has a limit, else a
// geometric approach until the line has left the window.
func (s *Sampler) leave(f *Function, in []float64, v View, from breakPoint, width float64) {
	switch from.right.kind {
	case infinite:
		start := len(s.xs)
		s.follow(f, in, v, from.x, approachFrom(v, width))
		reverse(s.xs[start:])
	default:
		s.xs = append(s.xs, from.x)
	}
}

func (s *Sampler) reach(f *Function, in []float64, v View, to breakPoint, width float64) {
	switch to.left.kind {
	case infinite:
		s.follow(f, in, v, to.x, -approachFrom(v, width))
	default:
		s.xs = append(s.xs, to.x)
	}
}

func reverse(xs []float64) {
	for i, j := 0, len(xs)-1; i < j; i, j = i+1, j-1 {
		xs[i], xs[j] = xs[j], xs[i]
	}
}

// approachFrom is the distance from a pole at which the grid of a piece is left for the approach: 1/x + 16x⁴ is far off the
// window at −1 and comes back before it falls at 0.
func approachFrom(v View, width float64) float64 {
	return math.Min(width/8, firstStep*(v.Right-v.Left)/v.Width)
}

// follow steps towards a pole at c, by a quarter of the distance each time, until the value stays far off the window.
func (s *Sampler) follow(f *Function, in []float64, v View, c, h float64) {
	reach := overshoot * (v.Top - v.Bottom)
	before := 0
	// Never finer than a fiftieth of a pixel beyond what rounding can hold; a logarithm's end needs more at 0.
	for range 400 {
		x := c + h
		if x == c {
			return
		}
		s.xs = append(s.xs, x)
		y, off := f.At(x, in), 0
		switch {
		case math.IsNaN(y):
			return
		case y >= v.Top+reach:
			off = 1
		case y <= v.Bottom-reach:
			off = -1
		}
		if off != 0 && off == before {
			return
		}
		before = off
		h /= 4
	}
}

// grid adds a place every few pixels and the knots, strictly between the places that are there and b.
func (s *Sampler) grid(v View, a, b float64) {
	step := math.Max(firstStep, 2*v.Width/float64(s.most)) * (v.Right - v.Left) / v.Width
	n := math.Max(math.Ceil((b-a)/step), 8)
	knot := 0
	for knot < len(s.knots) && s.knots[knot] <= a {
		knot++
	}
	margin := (b - a) / n / 4
	last := a
	if len(s.xs) > 0 {
		last = s.xs[len(s.xs)-1]
	}
	for i := 1.0; i < n; i++ {
		x := a + (b-a)*i/n
		for ; knot < len(s.knots) && s.knots[knot] <= x; knot++ {
			s.xs = append(s.xs, s.knots[knot])
			last = s.knots[knot]
		}
		if x > last+margin*0.01 {
			s.xs = append(s.xs, x)
			last = x
		}
	}
	for ; knot < len(s.knots) && s.knots[knot] < b; knot++ {
		s.xs = append(s.xs, s.knots[knot])
	}
}

// evaluate sorts out places that came twice and computes the values.
func (s *Sampler) evaluate(f *Function, in []float64) {
	unique := s.xs[:0]
	for i, x := range s.xs {
		if i == 0 || x > unique[len(unique)-1] {
			unique = append(unique, x)
			continue
		}
		// The approach to a pole on the right steps back over the last places of the grid.
		for len(unique) > 1 && unique[len(unique)-1] > x {
			unique = unique[:len(unique)-1]
		}
		if x > unique[len(unique)-1] {
			unique = append(unique, x)
		}
	}
	s.xs = unique
	s.ys = resize(s.ys, len(s.xs))
	s.Spent += s.work * float64(len(s.xs))
	f.run(&s.machine, s.ys, s.xs, in)
}

// resize gives a slice of length n with any contents.
func resize[T any](a []T, n int) []T {
	if cap(a) < n {
		a = make([]T, n, n+n/2)
	}
	return a[:n]
}

// fixEnds puts the limits in the place of values that rounding or a gap would spoil.
func (s *Sampler) fixEnds(from, to breakPoint) {
	if from.right.kind == finite {
		s.ys[0] = from.right.value
	}
	if to.left.kind == finite {
		s.ys[len(s.ys)-1] = to.left.value
	}
}

// refine halves every step off whose straight line the function lies, until none is left or the points are used up.
func (s *Sampler) refine(f *Function, in []float64, v View) {
	sx := v.Width / (v.Right - v.Left)
	s.next = s.next[:0]
	for i, x := range s.xs {
		s.next = append(s.next, Point{x, s.ys[i]})
	}
	for _, share := range probes {
		s.bends = resize(s.bends, len(s.next))
		for i := range s.bends {
			s.bends[i] = i+1 < len(s.next) && !(len(s.bandsNow) > 0 && inBand(s.bandsNow, (s.next[i].X+s.next[i+1].X)/2, column/sx))
		}
		if share != probes[0] {
			s.keepBent(f, in, v, share)
		}
		s.halve(f, in, v, share)
	}
}

// keepBent leaves of the steps those off whose line the function lies at the share of their width.
func (s *Sampler) keepBent(f *Function, in []float64, v View, share float64) {
	look := lens(v)
	s.probe(f, in, share)
	mid := 0
	for i, asked := range s.bends {
		if asked {
			s.bends[i] = look.bends(s.next[i], Point{s.mids[mid], s.values[mid]}, s.next[i+1])
			mid++
		}
	}
}

// probe evaluates the function in the steps that may bend.
func (s *Sampler) probe(f *Function, in []float64, share float64) {
	s.mids = s.mids[:0]
	for i, bends := range s.bends {
		if bends {
			s.mids = append(s.mids, s.next[i].X+(s.next[i+1].X-s.next[i].X)*share)
		}
	}
	s.values = resize(s.values, len(s.mids))
	s.Spent += s.work * float64(len(s.mids))
	f.run(&s.machine, s.values, s.mids, in)
}

// halve cuts the steps that may bend at the share of their width, and their parts as long as these bend.
func (s *Sampler) halve(f *Function, in []float64, v View, share float64) {
	look := lens(v)
	for range maxHalvings {
		s.probe(f, in, share)
		if len(s.mids) == 0 {
			return
		}
		if len(s.points)+len(s.next)+len(s.mids) > s.most {
			s.coarse = s.coarse || s.most < MaxPoints
			return
		}
		s.merge(look)
	}
}

// merge puts the computed middles between their neighbours and decides which of the halves bend.
func (s *Sampler) merge(look seen) {
	read, mid := len(s.next)-1, len(s.mids)-1
	write := read + len(s.mids)
	s.next = slices.Grow(s.next, len(s.mids))[:write+1]
	s.newBends = resize(s.newBends, write+1)
	for ; read >= 0; read-- {
		if read < len(s.bends) && s.bends[read] {
			m := Point{s.mids[mid], s.values[mid]}
			mid--
			bent := look.bends(s.next[read], m, s.next[write+1])
			s.next[write], s.newBends[write] = m, bent
			write--
			s.next[write], s.newBends[write] = s.next[read], bent
			write--
			continue
		}
		s.next[write], s.newBends[write] = s.next[read], false
		write--
	}
	s.bends, s.newBends = s.newBends, s.bends
}

// seen is what can be seen of a window: its scales in pixels, and how far down and up.
type seen struct{ sx, sy, low, high float64 }

func lens(v View) seen {
	beyond := 0.2 * (v.Top - v.Bottom)
	return seen{v.Width / (v.Right - v.Left), v.Height / (v.Top - v.Bottom), v.Bottom - beyond, v.Top + beyond}
}

// bends tells whether m lies off the line from p to q by more than the tolerance, where that can be seen.
func (s seen) bends(p, m, q Point) bool {
	if p.Y > s.high && m.Y > s.high && q.Y > s.high || p.Y < s.low && m.Y < s.low && q.Y < s.low {
		return false
	}
	if m.Y != m.Y || p.Y != p.Y || q.Y != q.Y {
		return m.Y == m.Y || p.Y == p.Y || q.Y == q.Y
	}
	// The distance of m from the line p–q in pixels, compared without a root.
	dx, dy := (q.X-p.X)*s.sx, (q.Y-p.Y)*s.sy
	ex, ey := (m.X-p.X)*s.sx, (m.Y-p.Y)*s.sy
	cross, square := dx*ey-dy*ex, dx*dx+dy*dy
	if square == 0 {
		return ex*ex+ey*ey > bendTolerance*bendTolerance
	}
	return cross*cross > bendTolerance*bendTolerance*square
}

// emit keeps the points that the line needs; places without a value end a line.
func (s *Sampler) emit(v View) {
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	before, start, first := len(s.points), len(s.points), len(s.lines)
	for _, p := range s.next {
		if len(s.bandsNow) > 0 && inBand(s.bandsNow, p.X, column/sx/2) {
			s.finish(&start)
			continue
		}
		if math.IsNaN(p.Y) || math.IsInf(p.Y, 0) {
			s.finish(&start)
			continue
		}
		if n := len(s.points); n > start && s.points[n-1].X == p.X {
			continue // halved down to neighbouring numbers
		}
		s.points = append(s.points, p)
	}
	s.finish(&start)
	// What was thinned out makes room for the pieces to come.
	kept := before
	for i := first; i < len(s.lines); i++ {
		n := copy(s.points[kept:], thin(s.lines[i], sx, sy))
		s.lines[i] = s.points[kept : kept+n : kept+n]
		kept += n
	}
	s.points = s.points[:kept]
}

func (s *Sampler) finish(start *int) {
	if len(s.points)-*start > 1 {
		s.lines = append(s.lines, s.points[*start:len(s.points):len(s.points)])
	}
	*start = len(s.points)
}

// thin drops, in place, points that the line between their kept neighbours passes within the tolerance: the cone of
// directions from the last kept point that stay near all dropped ones narrows with each (the cone form of K. Reumann
// and A. Witkam's line simplification, 1974).
func thin(line []Point, sx, sy float64) []Point {
	if len(line) < 3 {
		return line
	}
	kept := 1
	anchor := line[0]
	right, left := cone(anchor, line[1], sx, sy)
	for i := 1; i+1 < len(line); i++ {
		p, q := line[i], line[i+1]
		dx, dy := (q.X-anchor.X)*sx, (q.Y-anchor.Y)*sy
		// A line that turns back on itself, as at a thin peak, stays near the directions but not near the point.
		back := (q.X-p.X)*sx*(p.X-anchor.X)*sx+(q.Y-p.Y)*sy*(p.Y-anchor.Y)*sy < 0
		if back || right[0]*dy-right[1]*dx < 0 || left[0]*dy-left[1]*dx > 0 {
			line[kept] = p
			kept++
			anchor = p
			right, left = cone(anchor, q, sx, sy)
			continue
		}
		r, l := cone(anchor, q, sx, sy)
		if right[0]*r[1]-right[1]*r[0] > 0 {
			right = r
		}
		if left[0]*l[1]-left[1]*l[0] < 0 {
			left = l
		}
	}
	line[kept] = line[len(line)-1]
	return line[:kept+1]
}

// cone gives the directions from a that pass p at the tolerance's distance, clockwise and counter-clockwise, in pixels
// with y up. A point nearer than the tolerance allows a half plane.
func cone(a, p Point, sx, sy float64) (right, left [2]float64) {
	dx, dy := (p.X-a.X)*sx, (p.Y-a.Y)*sy
	k := thinTolerance / max(math.Sqrt(dx*dx+dy*dy), thinTolerance)
	return [2]float64{dx + dy*k, dy - dx*k}, [2]float64{dx - dy*k, dy + dx*k}
}
