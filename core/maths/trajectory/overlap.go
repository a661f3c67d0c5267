package trajectory

import (
	"cmp"
	"math"
	"slices"

	"parvix/core/numeric/quadrature"
)

// Overlap is what two closed curves enclose both, or one of them without the other.
type Overlap struct {
	// Loops go around it, with the region on their left; a hole is gone around the other way, as the non-zero rule fills.
	Loops [][]Place
	Area  float64
}

// Hindrance is why it cannot be told what two curves enclose.
type Hindrance int

// The hindrances: a curve that does not close or has gaps, one that runs over itself, two that run along each other, a graph with a gap
// or a jump over the curve.
const (
	Free Hindrance = iota
	Open
	RunOver
	Along
	Broken
)

// Overlapping is what a and b enclose both, or what a encloses and b does not. A curve encloses the places whose winding number is not
// 0. Both are cut where they meet and where they cross themselves; of the arcs those bound the region that have it on one side only,
// and the area is ½∮(x dy − y dx) along them (Green's theorem).
func Overlapping(a, b Path, common bool) (o Overlap, why Hindrance) {
	first, why := closedOf(a)
	if why != Free {
		return o, why
	}
	second, why := closedOf(b)
	if why != Free {
		return o, why
	}
	return overlap(first, second, common)
}

// overlap cuts two curves where they meet and puts together what bounds the region.
func overlap(first, second *limit, common bool) (o Overlap, why Hindrance) {
	meetings, apart := sharedOf(first.Path, second.Path, first.places, second.places)
	if !apart {
		return o, Along
	}
	for _, m := range meetings {
		first.cuts, second.cuts = append(first.cuts, m.T), append(second.cuts, m.S)
	}
	r := overlapping{a: first, b: second, common: common, aside: beside * extent(first.places, second.places)}
	arcs := append(r.bounding(first), r.bounding(second)...)
	for _, arc := range arcs {
		o.Area += arc.area()
	}
	loops, bridged := looped(arcs)
	o.Loops, o.Area = loops, math.Max(0, o.Area+bridged)
	return o, Free
}

// PolarOverlap is what lies between two outlines from the pole.
func PolarOverlap(f, g Outline, common bool) (o Overlap) {
	region := Between(f, g, common)
	o.Area = region.Area()
	at := func(direction, distance float64) Place {
		sin, cos := math.Sincos(direction)
		return Place{distance * cos, distance * sin}
	}
	for _, sector := range region.Sectors() {
		loop := make([]Place, 0, 2*len(sector))
		for _, s := range sector {
			loop = append(loop, at(s.Direction, s.Far))
		}
		for _, s := range slices.Backward(sector) {
			loop = append(loop, at(s.Direction, s.Near))
		}
		o.Loops = append(o.Loops, loop)
	}
	return o
}

// middleLevels is on how many level lines the widest place of a region is looked for.
const middleLevels = 24

// Middle is the middle of the widest place of a region along level lines, where a label has room.
func (o Overlap) Middle() (middle Place) {
	low, high := math.Inf(1), math.Inf(-1)
	for _, loop := range o.Loops {
		for _, p := range loop {
			low, high = min(low, p.Y), max(high, p.Y)
		}
	}
	widest := 0.0
	for k := range middleLevels {
		y := low + (high-low)*(float64(k)+0.5)/middleLevels
		line := o.crossings(y)
		winding := 0
		for i, c := range line {
			if winding != 0 && c.x-line[i-1].x > widest {
				widest, middle = c.x-line[i-1].x, Place{(c.x + line[i-1].x) / 2, y}
			}
			winding += c.up
		}
	}
	return middle
}

// crossings are where the loops cross a level line, from left to right.
func (o Overlap) crossings(y float64) (line []levelCrossing) {
	for _, loop := range o.Loops {
		p := loop[len(loop)-1]
		for _, q := range loop {
			if (p.Y <= y) != (q.Y <= y) {
				up := 1
				if p.Y > q.Y {
					up = -1
				}
				line = append(line, levelCrossing{p.X + (y-p.Y)/(q.Y-p.Y)*(q.X-p.X), up})
			}
			p = q
		}
	}
	slices.SortFunc(line, func(a, b levelCrossing) int { return cmp.Compare(a.x, b.x) })
	return line
}

// beside is how far on both sides of an arc is looked, as a share of the size of the curves.
const beside = 2e-4

// limit is a curve that parts the plane: its places at equal steps, where it is cut, and what counts as inside of it.
type limit struct {
	Path
	places []Place
	cuts   []float64
	holds  func(at Place) bool
}

// closedOf looks through a closed curve; one that is run through several times is taken once.
func closedOf(p Path) (c *limit, why Hindrance) {
	p = firstRun(p)
	c = &limit{Path: p, places: looked(p), cuts: []float64{p.From, p.To}}
	c.holds = func(at Place) bool { return c.winding(at) != 0 }
	size := spreadOf(c.places)
	for _, at := range c.places {
		if math.IsNaN(at.X+at.Y) || math.IsInf(at.X+at.Y, 0) {
			return c, Open
		}
	}
	start, end := c.places[0], c.places[sharedLooks]
	if !(size > 0) || math.Hypot(end.X-start.X, end.Y-start.Y) > 1e-9*size {
		return c, Open
	}
	crossings, once := selfMet(p, c.places, size)
	if !once {
		return c, RunOver
	}
	c.cuts = append(c.cuts, crossings...)
	return c, Free
}

// selfMet are the values of the parameter, two for each place, at which a curve crosses itself; false where it runs over itself.
func selfMet(p Path, places []Place, size float64) (cuts []float64, ok bool) {
	// Steps so near to each other are neighbours, also across the place where the curve closes.
	const neighbours = 3
	if isConvex(places) {
		return nil, true
	}
	// In squares about as wide as a step there are few steps but neighbours.
	grid, cell := newStepGrid(len(places)), size/240
	tried, found := map[[2]int]bool{}, []Place{}
	eachCell(places, cell, size*longStep, func(j, x, y int) {
		for k := grid.heads[square(x, y)]; k > 0 && len(found) <= mostShared; k = grid.next[k] {
			i := int(grid.steps[k])
			apart := j - i
			if min(apart, sharedLooks-apart) <= neighbours || !segmentsCross(places[i], places[i+1], places[j], places[j+1]) || tried[[2]int{i, j}] {
				continue
			}
			tried[[2]int{i, j}] = true
			m, met := closeIn(p, p, p.at(i), p.at(j), size)
			// What is run over is met beside each place again.
			if met && math.Abs(m.T-m.S) > neighbours*(p.To-p.From)/sharedLooks {
				cuts, found = append(cuts, m.T, m.S), append(found, m.Place)
			}
		}
		grid.put(j, x, y)
	})
	return cuts, len(found) <= mostShared
}

// isConvex tells of a closed curve that it bends to one side only and goes around once: to the right and back once. It cannot meet itself.
func isConvex(places []Place) bool {
	const straight = 1e-12
	left, right, turns := false, false, 0
	last := len(places) - 1 // where it begins
	before := Place{places[last].X - places[last-1].X, places[last].Y - places[last-1].Y}
	for i := 1; i < len(places); i++ {
		step := Place{places[i].X - places[i-1].X, places[i].Y - places[i-1].Y}
		bend, slack := before.X*step.Y-before.Y*step.X, straight*(before.X*before.X+before.Y*before.Y+step.X*step.X+step.Y*step.Y)
		left, right = left || bend > slack, right || bend < -slack
		if left && right {
			return false
		}
		if (before.X < 0) != (step.X < 0) {
			turns++
		}
		before = step
	}
	return turns == 2 && left != right
}

// winding is how often the curve goes around a place (the crossings of a ray to the right, Hormann and Agathos 2001).
func (c *limit) winding(at Place) (around int) {
	for i := 1; i < len(c.places); i++ {
		p, q := c.places[i-1], c.places[i]
		if (p.Y <= at.Y) == (q.Y <= at.Y) {
			continue
		}
		side := (q.X-p.X)*(at.Y-p.Y) - (at.X-p.X)*(q.Y-p.Y)
		switch {
		case q.Y > p.Y && side > 0:
			around++
		case q.Y < p.Y && side < 0:
			around--
		}
	}
	return around
}

// overlapping is the work on two curves.
type overlapping struct {
	a, b   *limit
	common bool
	aside  float64
}

// has tells that a place belongs to the region.
func (r *overlapping) has(at Place) bool {
	return r.a.holds(at) && r.b.holds(at) == r.common
}

// arc is a part of a curve on which the region lies on the left, in the direction from From to To.
type arc struct {
	of       *limit
	from, to float64
}

// bounding are the arcs of one of the curves that bound the region.
func (r *overlapping) bounding(c *limit) (arcs []arc) {
	slices.Sort(c.cuts)
	for k := 1; k < len(c.cuts); k++ {
		from, to := c.cuts[k-1], c.cuts[k]
		if !(to-from > 1e-12*(c.To-c.From)) {
			continue
		}
		switch votes := r.sides(c, from, to); {
		case votes > 0:
			arcs = append(arcs, arc{c, from, to})
		case votes < 0:
			arcs = append(arcs, arc{c, to, from})
		}
	}
	return arcs
}

// sides asks at three places of an arc on which side the region lies: left is 1, right −1, both or none 0. Near an end another curve
// may come between, so that the three vote; two that agree need no third.
func (r *overlapping) sides(c *limit, from, to float64) (votes int) {
	for _, share := range [3]float64{0.3, 0.5, 0.7} {
		t := from + share*(to-from)
		// A place at which the curve was looked at lies on its polygon.
		if step := (c.To - c.From) / sharedLooks; to-from > 8*step {
			t = c.From + math.Round((t-c.From)/step)*step
		}
		p, v := c.At(t), c.Velocity(t)
		speed := math.Hypot(v.X, v.Y)
		if !(speed > 0) {
			continue
		}
		dx, dy := -v.Y/speed*r.aside, v.X/speed*r.aside
		left, right := r.has(Place{p.X + dx, p.Y + dy}), r.has(Place{p.X - dx, p.Y - dy})
		switch {
		case left && !right:
			votes++
		case right && !left:
			votes--
		}
		if votes*votes > 1 {
			break
		}
	}
	return votes
}

// area is the arc's part of ½∮(x dy − y dx).
func (a arc) area() float64 {
	density := func(t float64) float64 {
		p, v := a.of.At(t), a.of.Velocity(t)
		if d := (p.X*v.Y - p.Y*v.X) / 2; !math.IsNaN(d) {
			return d
		}
		return 0 // a place without a direction
	}
	from, to := min(a.from, a.to), max(a.from, a.to)
	value := quadrature.Smooth(density, from, to, 0).Value
	if a.from > a.to {
		return -value
	}
	return value
}

// line are the places of an arc, from end to end.
func (a arc) line() []Place {
	steps := max(2, int(math.Ceil(math.Abs(a.to-a.from)/(a.of.To-a.of.From)*sharedLooks)))
	list := make([]Place, steps+1)
	for k := range list {
		list[k] = a.of.At(a.from + (a.to-a.from)*float64(k)/float64(steps))
	}
	return list
}

// looped puts arcs together into loops, each arc behind the one that ends nearest to its beginning. What lies between the ends, a
// rounding, is bridged: its part of ½∮(x dy − y dx) comes back.
func looped(arcs []arc) (loops [][]Place, bridged float64) {
	left := make([][]Place, len(arcs))
	for i, a := range arcs {
		left[i] = a.line()
	}
	bridge := func(p, q Place) { bridged += (p.X*q.Y - p.Y*q.X) / 2 }
	for len(left) > 0 {
		loop := left[0]
		left = left[1:]
		for {
			end := loop[len(loop)-1]
			next, least := -1, math.Hypot(loop[0].X-end.X, loop[0].Y-end.Y)
			for i, line := range left {
				if away := math.Hypot(line[0].X-end.X, line[0].Y-end.Y); away < least {
					next, least = i, away
				}
			}
			if next < 0 {
				bridge(end, loop[0])
				break
			}
			bridge(end, left[next][0])
			loop = append(loop, left[next]...)
			left = slices.Delete(left, next, next+1)
		}
		loops = append(loops, loop)
	}
	return loops, bridged
}
