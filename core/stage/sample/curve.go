package sample

import (
	"cmp"
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
	MaxPoints   = 4000
	firstStep   = 4.0
	movingStep  = 12.0 // of a line that follows a hand
	maxHalvings = 11
	finestPiece = 0.25
	// How far beyond the window a line is followed, in window heights.
	overshoot = 1.5
)

// By how many pixels a line may leave its curve. At rest, and in a picture that is printed, no corner is to be seen in a thick line that
// bends; while a hand moves it a line of fewer points is drawn in less time.
const (
	AtRest = 0.05
	Moving = 0.2
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
	right    []Point // the piece before it is made smooth
	smooth   bool
	off      float64 // by how many pixels the piece at hand may leave the function
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
	// Tolerance is by how many pixels a line may leave its curve; 0 stands for AtRest.
	Tolerance float64
	// Allowed bounds the work of one curve, in operations; 0 means as much as a curve may take that is drawn alone.
	Allowed float64
	// Spent is about what the last curve took.
	Spent float64
	// Of the curve at hand: the work of one value, that of all that is allowed, how many values may be taken, and the step of its grid in
	// pixels.
	work, allowed float64
	most          int
	step          float64
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
	s.points, s.lines, s.marks, s.columns = s.points[:0], s.lines[:0], s.marks[:0], s.columns[:0]
	s.knots, s.ends = s.knots[:0], s.ends[:0]
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
	isMoving := cmp.Or(s.Tolerance, AtRest) >= Moving
	s.smooth, s.step = false, firstStep
	if isMoving {
		s.step = movingStep
	}
	s.pieces(f, in, v)
	// One whose points are few is gone through once more to be smooth: of all of it no piece may lack the points that make it right.
	if isFew := smoothRoom*len(s.points) <= s.most && smoothRoom*s.Spent <= s.allowed; isFew && !s.coarse && !isMoving {
		s.points, s.lines, s.marks, s.columns = s.points[:0], s.lines[:0], s.marks[:0], s.columns[:0]
		s.smooth = true
		s.pieces(f, in, v)
	}
	return Curve{s.lines, s.marks, bands(s.columns, v.Width/(v.Right-v.Left)), complete, s.coarse}
}

// smoothRoom is how many times the points and the work of a line there have to be before it is made smooth: a quarter of the tolerance
// takes twice the points.
const smoothRoom = 3

// pieces samples one piece after the other, from break to break.
func (s *Sampler) pieces(f *Function, in []float64, v View) {
	last, ends := breakPoint{x: v.Left, value: f.At(v.Left, in), right: side{kind: restless}}, s.ends
	if len(ends) > 0 && ends[0].x == v.Left {
		last, ends = ends[0], ends[1:]
		last.left = side{kind: absent}
		s.mark(last)
	}
	for _, b := range ends {
		s.piece(f, in, v, last, b)
		s.mark(b)
		last = b
	}
	if last.x < v.Right {
		s.piece(f, in, v, last, breakPoint{x: v.Right, value: f.At(v.Right, in), left: side{kind: restless}})
	}
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
