package region

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// Where is the part of the plane in which conditions hold.
type Where struct {
	body       *Body
	conditions []condition
	on         []int
	in, places []float64
	measured   measuredWhere
	// Equation is set where one of the conditions is one: what is drawn is its curve.
	Equation *Equation
	// left is what the work under way may still take, in operations.
	left float64
}

// condition is value ≤ 0, or value < 0 where it is strict.
type condition struct {
	// work is what a value takes, in operations.
	work   float64
	value  program.Point
	over   func(x, y interval.I, in []float64) interval.I
	strict bool
	// equal is the condition of an equation: value = 0.
	equal bool
	// borders are solved for y, where solved tells that they could be.
	borders []program.Point
	solved  bool
}

func loadWhere(d evaluate.Loading, b *Body, id string) *Where {
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
			c, ok := l.load(d, expr.Minus(left, right), sign == "=", inputs, id)
			if !ok {
				return nil
			}
			c.strict, c.equal = sign == "<" || sign == ">", sign == "="
			if c.equal {
				l.Equation = l.equationOf(d, text, expr.Minus(left, right))
			}
			l.conditions = append(l.conditions, c)
		}
	}
	d.CountCompile()
	if !d.AffordsCurves(curvesOf, id, "conditions") {
		return nil
	}
	return l
}

// curvesOf is how many curves a region counts as where the members of all families are bounded.
const curvesOf = 10

// load compiles the difference of two sides, and its enclosure over boxes.
func (l *Where) load(d evaluate.Loading, typed expr.Node, isEquation bool, inputs []string, id string) (c condition, ok bool) {
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
	if isEquation {
		n = changingSign(n)
	}
	if c.value, err = program.CompilePoint(n, inputs); err != nil {
		d.Report(err, id, "conditions")
		return c, false
	}
	c.work = program.Work(n, inputs)(make([]float64, len(inputs)))
	simple := symbolic.Simplify(n).Node
	c.over = breaks.EncloseBox(simple, inputs)
	c.borders, c.solved = bordersOf(simple, inputs)
	return c, true
}

// mostParts bounds a condition, in parts of its formula: it is worked out at thousands of places for a picture.
const mostParts = 200

// inputs are those in play with x and y in front.
func (l *Where) inputs(d evaluate.Moment) []float64 {
	l.in = append(append(l.in[:0], 0, 0), d.Inputs()[1:]...)
	return l.in
}

// What the value at a place and an enclosure over a box take, by the operations of the formula (measured).
const placeWork, boxWork = 2, 8

// holds tells whether a condition holds at a place; it does not where it has no value.
func (l *Where) holds(c *condition, x, y float64, in []float64) bool {
	l.left -= placeWork * c.work
	in[0], in[1] = x, y
	v := c.value(in)
	return v < 0 || v == 0 && !c.strict
}

// over encloses a condition's value over a box.
func (l *Where) over(c *condition, x, y interval.I, in []float64) interval.I {
	l.left -= boxWork * c.work
	return c.over(x, y, in)
}

// Sizes in pixels of the cells into which the panel is cut: the first, and those that are not cut any more.
const largestCell, smallestCell = 96.0, 6.0

// See is the area.
func (l *Where) See(m evaluate.Moment, _ view.View, _ any) any { return l.Measure(m) }

// Compose shades the cells in which all conditions are proven to hold, and of those on a border the part where they do. The
// borders are drawn where the others hold too.
func (l *Where) Compose(on *compose.On) []compose.Anchor {
	shape := l.shapeOn(on)
	on.Spend(on.Entry.ID, shape.spent, shape.cell > smallestCell)
	shape.spent = 0
	begun := len(on.Pen.Data)
	if l.Equation == nil {
		on.Fill(compose.ColourOf(on.Entry), shape.polygons)
	}
	for i, segments := range shape.borders {
		pen := border(on, l.conditions[i].strict)
		switch {
		case l.conditions[i].equal:
			pen.Width = on.Scaled(compose.CurveWidth)
		case l.Equation != nil:
			continue // the other conditions only cut the curve
		}
		for _, line := range joined(segments) {
			start := on.Pen.Line(pen.Colour, pen.Width, pen.Pattern, pen.Opacity)
			for _, p := range line {
				on.Pen.To(p[0], p[1])
			}
			on.Pen.EndLine(start)
		}
	}
	if l.Equation != nil {
		return l.labelled(on, begun)
	}
	if shape.area == 0 {
		return nil
	}
	middle := shape.middle()
	return label(on, on.View.AtX(middle[0]), on.View.AtY(middle[1]), on.Seen.(string))
}

// shape is the region on a panel in pixels, valid for one stamp and view.
type shape struct {
	of       *Where
	stamp    uint64
	view     view.View
	polygons [][][2]float64
	// borders are segments of the edge of each condition.
	borders [][][2][2]float64
	// cell is the size of the cells that were not cut any more, and spent the work that was not told to the picture yet.
	cell, spent float64
	// area in square pixels, and the first moments, for the middle.
	area, mx, my float64
}

func (l *Where) shapeOn(on *compose.On) *shape {
	stamp := on.Now.StampOf(l.on, -1)
	return compose.Kept(on, func(s *shape) bool { return s.of == l && s.stamp == stamp && s.view == on.View }, func() *shape {
		allowed, spent := on.Share(), 0.0
		for cell := smallestCell; ; cell *= 2 {
			s := &shape{of: l, stamp: stamp, view: on.View, cell: cell, borders: make([][][2][2]float64, len(l.conditions))}
			done := cell <= largestCell && l.cutUp(s, allowed, l.inputs(on.Now))
			if s.spent = spent + allowed - l.left; done || cell > largestCell {
				return s
			}
			spent = s.spent
		}
	})
}

// cutUp cuts the panel into cells; false when that takes more than is allowed.
func (l *Where) cutUp(s *shape, allowed float64, in []float64) bool {
	l.left = allowed
	c := cutter{shape: s, in: in}
	for y := 0.0; y < s.view.Height; y += largestCell {
		for x := 0.0; x < s.view.Width; x += largestCell {
			if c.cell(x, y, largestCell); l.left < 0 {
				return false
			}
		}
	}
	return true
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

// Measure is the area; of a region that runs off, or whose end was not found, none. A curve has none.
func (l *Where) Measure(d evaluate.Moment) string {
	if l.Equation != nil {
		return ""
	}
	return areaLaTeX(d, l.Area(d))
}

// Describe says where the conditions hold, and how large the region is.
func (l *Where) Describe(d evaluate.Moment, _ *document.Entry) []string {
	if l.Equation != nil {
		return []string{l.Equation.describe(d, strings.Join(l.body.Conditions, " where "))}
	}
	return []string{fmt.Sprintf("The region where %s%s.", strings.Join(l.body.Conditions, " and "), spoken(l.Area(d)))}
}

// Box is the region's, where it is bounded.
func (l *Where) Box(d evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if left, right, bottom, top, ok := l.extent(d); ok {
		box.Add(left, bottom)
		box.Add(right, top)
		return
	}
	if l.Equation != nil {
		for _, p := range l.Equation.places(d) {
			box.Add(p[0], p[1])
		}
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
func areaLaTeX(d evaluate.Moment, area float64) string {
	if math.IsNaN(area) {
		return ""
	}
	return d.Typeset(evaluate.AreaLaTeX(area))
}

func sorted(list []float64) []float64 {
	slices.Sort(list)
	return list
}
