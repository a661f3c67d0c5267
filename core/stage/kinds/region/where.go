package region

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
)

// Where is the part of the plane in which conditions hold.
type Where struct {
	body       *Body
	conditions []condition
	on         []int
	in, places []float64
	measured   measuredWhere
}

// condition is value ≤ 0, or value < 0 where it is strict.
type condition struct {
	value  program.Point
	over   func(x, y interval.I, in []float64) interval.I
	strict bool
	// borders are solved for y, where solved tells that they could be.
	borders []program.Point
	solved  bool
}

func loadWhere(d *evaluate.Demonstration, b *Body, id string) *Where {
	l := &Where{body: b}
	inputs := append([]string{"x", "y"}, d.InputNames("")[1:]...)
	for _, text := range b.Conditions {
		r, err := expr.ParseRelation(text, d.Scope().With("x", "y"))
		if err != nil {
			d.Report(err, id, "conditions")
			return nil
		}
		for i, sign := range r.Signs {
			left, right := r.Sides[i], r.Sides[i+1]
			if sign == ">" || sign == "≥" {
				left, right = right, left
			}
			c, ok := l.load(d, expr.Minus(left, right), inputs, id)
			if !ok {
				return nil
			}
			c.strict = sign == "<" || sign == ">"
			l.conditions = append(l.conditions, c)
		}
	}
	d.Counters.Compiles++
	return l
}

// load compiles the difference of two sides, and its enclosure over boxes.
func (l *Where) load(d *evaluate.Demonstration, typed expr.Node, inputs []string, id string) (c condition, ok bool) {
	n, err := d.Resolve(typed)
	if err != nil {
		d.Report(err, id, "conditions")
		return c, false
	}
	on, waits := d.Dependencies(n, []string{"x", "y"})
	if len(waits) > 0 {
		d.Wait(waits, typed, id, "conditions")
		return c, false
	}
	l.on = append(l.on, on...)
	if err := evaluate.Affordable(n, inputs, typed, "this condition", mostParts); err != nil {
		d.Report(err, id, "conditions")
		return c, false
	}
	if c.value, err = program.CompilePoint(n, inputs); err != nil {
		d.Report(err, id, "conditions")
		return c, false
	}
	simple := symbolic.Simplify(n).Node
	c.over = breaks.EncloseBox(simple, inputs)
	c.borders, c.solved = bordersOf(simple, inputs)
	return c, true
}

// mostParts bounds a condition, in parts of its formula: it is worked out at thousands of places for a picture.
const mostParts = 200

// inputs are those in play with x and y in front.
func (l *Where) inputs(d *evaluate.Demonstration) []float64 {
	l.in = append(append(l.in[:0], 0, 0), d.Inputs()[1:]...)
	return l.in
}

// holds tells whether a condition holds at a place; it does not where it has no value.
func (c *condition) holds(x, y float64, in []float64) bool {
	in[0], in[1] = x, y
	v := c.value(in)
	return v < 0 || v == 0 && !c.strict
}

// Sizes in pixels of the cells into which the panel is cut: the first, and those that are not cut any more.
const largestCell, smallestCell = 96.0, 6.0

// Compose shades the cells in which all conditions are proven to hold, and of those on a border the part where they do. The
// borders are drawn where the others hold too.
func (l *Where) Compose(on *compose.On) []compose.Anchor {
	shape := l.shapeOn(on)
	fill(on, shape.polygons)
	begun := len(on.Pen.Data)
	for i, segments := range shape.borders {
		pen := border(on, l.conditions[i].strict)
		for _, line := range joined(segments) {
			start := on.Pen.Line(pen.Colour, pen.Width, pen.Pattern, pen.Opacity)
			for _, p := range line {
				on.Pen.To(p[0], p[1])
			}
			on.Pen.EndLine(start)
		}
	}
	on.Room.Lines(on.Pen.Data[begun:])
	if shape.area == 0 {
		return nil
	}
	middle := shape.middle()
	return label(on, on.View.AtX(middle[0]), on.View.AtY(middle[1]), l.Measure(on.D))
}

// shape is the region on a panel in pixels, valid for one stamp and view.
type shape struct {
	of       *Where
	stamp    uint64
	view     compose.View
	polygons [][][2]float64
	// borders are segments of the edge of each condition.
	borders [][][2][2]float64
	// area in square pixels, and the first moments, for the middle.
	area, mx, my float64
}

func (l *Where) shapeOn(on *compose.On) *shape {
	stamp := on.D.StampOf(l.on, -1)
	return compose.Kept(on, func(s *shape) bool { return s.of == l && s.stamp == stamp && s.view == on.View }, func() *shape {
		s := &shape{of: l, stamp: stamp, view: on.View, borders: make([][][2][2]float64, len(l.conditions))}
		c := cutter{shape: s, in: l.inputs(on.D)}
		for y := 0.0; y < on.View.Height; y += largestCell {
			for x := 0.0; x < on.View.Width; x += largestCell {
				c.cell(x, y, largestCell)
			}
		}
		return s
	})
}

// middle is the place of the label: the cell nearest to the centre of gravity that lies inside.
func (s *shape) middle() (best [2]float64) {
	centre, least := [2]float64{s.mx / s.area, s.my / s.area}, math.Inf(1)
	for _, polygon := range s.polygons {
		x, y := 0.0, 0.0
		for _, p := range polygon {
			x, y = x+p[0]/float64(len(polygon)), y+p[1]/float64(len(polygon))
		}
		if away := math.Hypot(x-centre[0], y-centre[1]); away < least {
			least, best = away, [2]float64{x, y}
		}
	}
	return best
}

// cutter cuts a panel into cells.
type cutter struct {
	*shape
	in []float64
}

// cell looks at a square: outside it is left, inside it is taken whole, and where a border may run it is quartered, down to
// the smallest, which are cut along the borders.
func (c *cutter) cell(x, y, size float64) {
	v := c.view
	across := interval.I{Lo: v.AtX(x), Hi: v.AtX(x + size)}
	up := interval.I{Lo: v.AtY(y + size), Hi: v.AtY(y)}
	var open []int
	for i := range c.of.conditions {
		value := c.of.conditions[i].over(across, up, c.in)
		switch {
		case value.IsEmpty() || value.Lo > 0:
			return
		case !(value.Hi < 0):
			open = append(open, i)
		}
	}
	switch {
	case len(open) == 0:
		c.take([][2]float64{{x, y}, {x + size, y}, {x + size, y + size}, {x, y + size}})
	case size > smallestCell:
		half := size / 2
		c.cell(x, y, half)
		c.cell(x+half, y, half)
		c.cell(x, y+half, half)
		c.cell(x+half, y+half, half)
	default:
		c.cut(x, y, size, open)
	}
}

// corner is a corner of a polygon; edge is the condition whose border the side after it is, −1 for none.
type corner struct {
	at   [2]float64
	edge int
}

// cut takes of a smallest cell what the conditions leave, one after the other (Sutherland and Hodgman 1974).
func (c *cutter) cut(x, y, size float64, open []int) {
	polygon := []corner{{[2]float64{x, y}, -1}, {[2]float64{x + size, y}, -1}, {[2]float64{x + size, y + size}, -1}, {[2]float64{x, y + size}, -1}}
	for _, i := range open {
		var left []corner
		for k, from := range polygon {
			to := polygon[(k+1)%len(polygon)]
			here, there := c.holds(i, from.at), c.holds(i, to.at)
			if here {
				left = append(left, from)
			}
			if here != there {
				at := c.crossing(i, from.at, to.at, here)
				edge := i // on leaving, the side runs along the border
				if there {
					edge = from.edge
				}
				left = append(left, corner{at, edge})
			}
		}
		if polygon = left; len(polygon) == 0 {
			return
		}
	}
	outline := make([][2]float64, len(polygon))
	for k, p := range polygon {
		outline[k] = p.at
		if p.edge >= 0 {
			c.borders[p.edge] = append(c.borders[p.edge], [2][2]float64{p.at, polygon[(k+1)%len(polygon)].at})
		}
	}
	c.take(outline)
}

func (c *cutter) holds(i int, at [2]float64) bool {
	return c.of.conditions[i].holds(c.view.AtX(at[0]), c.view.AtY(at[1]), c.in)
}

// halvings is how often a side of a cell is halved towards a border: to a hundredth of a pixel.
const halvings = 10

// crossing is where a border crosses a side, on the side where the condition holds.
func (c *cutter) crossing(i int, from, to [2]float64, holdsAtFrom bool) [2]float64 {
	along := func(t float64) [2]float64 {
		return [2]float64{from[0] + t*(to[0]-from[0]), from[1] + t*(to[1]-from[1])}
	}
	last, first := bisect.Change(func(t float64) bool { return c.holds(i, along(t)) == holdsAtFrom }, 0, 1, halvings)
	if holdsAtFrom {
		return along(last)
	}
	return along(first)
}

func (c *cutter) take(polygon [][2]float64) {
	c.polygons = append(c.polygons, polygon)
	for i, p := range polygon {
		q := polygon[(i+1)%len(polygon)]
		cross := (p[0]*q[1] - q[0]*p[1]) / 2
		c.area += cross
		c.mx += cross * (p[0] + q[0]) / 3
		c.my += cross * (p[1] + q[1]) / 3
	}
}

// joined puts segments that meet together into lines, so that dashes run on.
func joined(segments [][2][2]float64) (lines [][][2]float64) {
	near := func(p [2]float64) [2]int32 {
		return [2]int32{int32(math.Round(p[0] * 8)), int32(math.Round(p[1] * 8))}
	}
	ends := map[[2]int32][]int{}
	for i, s := range segments {
		ends[near(s[0])] = append(ends[near(s[0])], i)
		ends[near(s[1])] = append(ends[near(s[1])], i)
	}
	used := make([]bool, len(segments))
	follow := func(line [][2]float64) [][2]float64 {
		for {
			last, next := line[len(line)-1], -1
			for _, i := range ends[near(last)] {
				if !used[i] {
					next = i
				}
			}
			if next < 0 {
				return line
			}
			used[next] = true
			far := segments[next][1]
			if near(far) == near(last) {
				far = segments[next][0]
			}
			line = append(line, far)
		}
	}
	for i, s := range segments {
		if used[i] {
			continue
		}
		used[i] = true
		line := follow([][2]float64{s[0], s[1]})
		slices.Reverse(line)
		lines = append(lines, follow(line))
	}
	return lines
}

// Measure is the area; of a region that runs off, or whose end was not found, none.
func (l *Where) Measure(d *evaluate.Demonstration) string { return areaLaTeX(d, l.Area(d)) }

// Describe says where the conditions hold, and how large the region is.
func (l *Where) Describe(d *evaluate.Demonstration, _ *document.Entry) []string {
	return []string{fmt.Sprintf("The region where %s%s.", strings.Join(l.body.Conditions, " and "), spoken(l.Area(d)))}
}

// Box is the region's, where it is bounded.
func (l *Where) Box(d *evaluate.Demonstration, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if left, right, bottom, top, ok := l.extent(d); ok {
		box.Add(left, bottom)
		box.Add(right, top)
	}
}

// spoken is how an area is said behind a sentence.
func spoken(area float64) string {
	if math.IsNaN(area) || math.IsInf(area, 0) {
		return ""
	}
	return ", of area " + number.Format(area, 3)
}

// areaLaTeX writes an area: what it is exactly where that is known, else rounded; empty where there is none.
func areaLaTeX(d *evaluate.Demonstration, area float64) string {
	if math.IsNaN(area) {
		return ""
	}
	return d.Typeset(evaluate.AreaLaTeX(area))
}

func sorted(list []float64) []float64 {
	slices.Sort(list)
	return list
}
