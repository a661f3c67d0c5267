package compose

import (
	"math"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// boxEdge is the edge of the box beside which an axis is numbered.
type boxEdge struct {
	axis     int
	from, to view.Place
	// out is the direction in pixels away from the box, along that of the edge.
	out, along [2]float64
	length     float64
	axisTicks  axis
}

// leastEdge is the length in pixels from which an axis is numbered; it is shorter where it is seen from its end.
const leastEdge = 40.0

// composeBox draws the ground of space: the three sides of the box that are farthest from the reader with their grid, and numbers
// along its edges.
func (c spacious) composeBox(f *evaluate.Frame) {
	p, q := f.Panel, &c.View.Projection
	c.Pen.Data = c.pic.Ground[:0]
	edges := c.boxEdges(p)
	c.box = c.box[:0]
	for i := range edges {
		for k := range edges[i].axisTicks.ticks {
			t := &edges[i].axisTicks.ticks[k]
			t.text = f.Now.Numeral(t.text)
		}
	}
	if p.Grid {
		for side := range 3 {
			c.boxSide(q, side, edges)
		}
	}
	c.numbers.Brush, c.numbers.set, c.numbers.numerals = &c.Brush, c.set, c.numbers.numerals[:0]
	if p.Axes {
		for _, e := range edges {
			c.numberEdge(e)
		}
		for _, e := range edges {
			c.nameEdge(e)
		}
	}
	c.pic.Ground = c.Pen.Data
	c.pic.GroundStamp++
}

// farEnd is the end of an axis at which the box is farther from the reader.
func farEnd(q *view.Projection, axis int) float64 {
	box := q.Box[axis]
	if q.IsAbove(axis, (box[0]+box[1])/2) {
		return box[0]
	}
	return box[1]
}

// nearEnd is the other one; the lower one where the axis lies across the reader's way.
func nearEnd(q *view.Projection, axis int) float64 {
	box := q.Box[axis]
	if math.Abs(q.Toward[axis]) < 1e-6*q.Units[axis] {
		return box[0]
	}
	return box[0] + box[1] - farEnd(q, axis)
}

// boxEdges are the edges beside which the axes are numbered: in front on the floor, and the upright one at the left.
func (c spacious) boxEdges(p *document.Panel) (edges []boxEdge) {
	q := &c.View.Projection
	styles := [3]document.TickStyle{p.TicksX, p.TicksY, document.TicksInNumbers}
	steps := [3]float64{p.StepX, p.StepY, 0}
	for axis := range 3 {
		from := view.Place{farEnd(q, 0), farEnd(q, 1), farEnd(q, 2)}
		switch axis {
		case 0:
			from[1] = nearEnd(q, 1)
		case 1:
			from[0] = nearEnd(q, 0)
		case 2:
			one, other := from, from
			one[0], other[1] = q.Box[0][0]+q.Box[0][1]-from[0], q.Box[1][0]+q.Box[1][1]-from[1]
			if from = one; q.Pixel(other)[0] < q.Pixel(one)[0] {
				from = other
			}
		}
		e := boxEdge{axis: axis, from: from, to: from}
		e.from[axis], e.to[axis] = q.Box[axis][0], q.Box[axis][1]
		a, b := q.Pixel(e.from), q.Pixel(e.to)
		if e.length = math.Hypot(b[0]-a[0], b[1]-a[1]); e.length < leastEdge {
			continue
		}
		e.along = [2]float64{(b[0] - a[0]) / e.length, (b[1] - a[1]) / e.length}
		e.out = [2]float64{-e.along[1], e.along[0]}
		middle := q.Pixel(view.Place{(q.Box[0][0] + q.Box[0][1]) / 2, (q.Box[1][0] + q.Box[1][1]) / 2, (q.Box[2][0] + q.Box[2][1]) / 2})
		if (middle[0]-a[0])*e.out[0]+(middle[1]-a[1])*e.out[1] > 0 {
			e.out = [2]float64{-e.out[0], -e.out[1]}
		}
		e.axisTicks = ticks(styles[axis], steps[axis], q.Box[axis][0], q.Box[axis][1], e.length/c.size()*closerInSpace)
		edges = append(edges, e)
	}
	return edges
}

// closerInSpace is by how much closer numbers stand along an edge that is seen aslant.
const closerInSpace = 1.25

// boxSide draws the grid of the far side of the box across an axis, at the values at which the axes are numbered.
func (c spacious) boxSide(q *view.Projection, side int, edges []boxEdge) {
	draw := func(colour picture.Colour, width float32, along int, at view.Place) {
		from, to := at, at
		from[along], to[along] = q.Box[along][0], q.Box[along][1]
		c.Segment(Stroke(colour, width, picture.Whole, 1), q.Pixel(from), q.Pixel(to))
	}
	base := view.Place{}
	base[side] = farEnd(q, side)
	for _, e := range edges {
		if e.axis == side {
			continue
		}
		for _, t := range e.axisTicks.ticks {
			at := base
			at[e.axis] = t.value
			draw(picture.Grid, 1, 3-side-e.axis, at)
		}
	}
	for k := range 3 {
		if k == side {
			continue
		}
		for _, end := range q.Box[k] {
			at := base
			at[k] = end
			draw(picture.Axis, 0.8, 3-side-k, at)
			to := at
			at[3-side-k], to[3-side-k] = q.Box[3-side-k][0], q.Box[3-side-k][1]
			c.box = append(c.box, [2][2]float64{q.Pixel(at), q.Pixel(to)})
		}
	}
}

// Distances in pixels from an edge of the box to its numbers and names.
var numbersAway = [3]float64{8, 14, 22}

// tickLength is that of the marks at an edge.
const tickLength = 4.0

// numberEdge draws the marks of an edge and gathers its numbers.
func (c spacious) numberEdge(e boxEdge) {
	q := &c.View.Projection
	corner := view.Place{nearEnd(q, 0), nearEnd(q, 1), farEnd(q, 2)}
	for _, t := range e.axisTicks.ticks {
		place := e.from
		place[e.axis] = t.value
		if e.axis == 0 && place == corner {
			continue // the edge of y ends there too
		}
		at := q.Pixel(place)
		c.Segment(Stroke(picture.Axis, 1, picture.Whole, 1), at, [2]float64{at[0] + e.out[0]*tickLength, at[1] + e.out[1]*tickLength})
		n := numeral{text: t.text, latex: stacked(t.text), onY: e.axis == 2, mayMiss: true}
		room := c.numbers.sizeOf(&n)
		for _, away := range numbersAway {
			n.places = append(n.places, c.outside(room, at, e.out, away*c.size()))
		}
		c.numbers.numerals = append(c.numbers.numerals, n)
	}
}

// outside lays a number out on one side of a place.
func (c spacious) outside(room Size, at, out [2]float64, away float64) standing {
	return c.numbers.at(room, at[0]+out[0]*away, at[1]+out[1]*away, leaning(out[0]), leaning(out[1]))
}

// leaning is −1, 0 or 1 for a direction that leads away to one side, or to none.
func leaning(v float64) float64 {
	const clear = 0.35
	switch {
	case v > clear:
		return 1
	case v < -clear:
		return -1
	}
	return 0
}

// nameEdge gathers the name of an axis: beside its middle, that of the heights above its end.
func (c spacious) nameEdge(e boxEdge) {
	latex := c.style.names[e.axis]
	if latex == "" {
		return
	}
	q := &c.View.Projection
	n := numeral{latex: latex, onY: e.axis == 2, mayMiss: true}
	room := c.numbers.sizeOf(&n)
	end, from := q.Pixel(e.to), q.Pixel(e.from)
	middle := [2]float64{(end[0] + from[0]) / 2, (end[1] + from[1]) / 2}
	// At the near corner two edges end: the names of both stand beside their middles.
	for _, away := range [3]float64{34, 44, 56} {
		n.places = append(n.places, c.outside(room, middle, e.out, away*c.size()))
	}
	if e.axis == 2 {
		n.places = append([]standing{c.outside(room, end, e.along, 12*c.size())}, n.places...)
	}
	c.numbers.numerals = append(c.numbers.numerals, n)
}

// namesInSpace are the names of the three axes.
func namesInSpace(f *evaluate.Frame) (names [3]string) {
	for k, given := range [3]string{f.Panel.NameX, f.Panel.NameY, f.Panel.NameZ} {
		names[k] = [3]string{"x", "y", "z"}[k]
		if given != "" {
			names[k] = nameLaTeX(given)
		}
	}
	return names
}

// seenFrom says in words from where space is seen.
func seenFrom(s document.Sight) string {
	switch {
	case s.Tilt > 89:
		return "straight above"
	case s.Tilt < -89:
		return "straight below"
	}
	turn := math.Mod(math.Mod(s.Turn, 360)+360, 360)
	from := [8]string{"the positive x-axis", "between the positive axes", "the positive y-axis", "between the negative x- and the positive y-axis",
		"the negative x-axis", "between the negative axes", "the negative y-axis", "between the positive x- and the negative y-axis"}[int(math.Round(turn/45))%8]
	switch {
	case s.Tilt > 5:
		return from + ", from above"
	case s.Tilt < -5:
		return from + ", from below"
	}
	return from + ", level"
}
