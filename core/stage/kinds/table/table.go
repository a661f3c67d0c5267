// Package table is plotted points: the rows of a table.
package table

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Letter begins the ids of tables.
func (*Body) Letter() string { return "d" }

// Sentence says “5 plotted points, joined”.
func (b *Body) Sentence(evaluate.Moment, *evaluate.Shown) []evaluate.Word {
	what := fmt.Sprintf("%d plotted points", len(b.Rows))
	if b.Joined {
		what += ", joined"
	}
	return []evaluate.Word{evaluate.Says(what)}
}

// Live is a table's points, in the order of the rows.
type Live struct {
	Points [][2]float64
	// Beside is the function with which the points are compared, nil for none.
	Beside *evaluate.Function

	body    *Body
	rows    []Row
	moved   []bool
	movable bool
}

// Load works the points out; a row that cannot be read is a problem.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	t := &Live{body: b, rows: b.Rows, moved: make([]bool, len(b.Rows)), movable: b.Grips}
	for _, r := range b.Rows {
		x := d.Constant(r.X, math.NaN(), e.ID, "rows")
		y := d.Constant(r.Y, math.NaN(), e.ID, "rows")
		if x != x || y != y {
			d.Report(problem.New("row", 0, 0, r.X, r.Y), e.ID, "rows")
			return nil
		}
		t.Points = append(t.Points, [2]float64{x, y})
	}
	if b.Distances && b.Function != "" {
		t.Beside = d.Function(b.Function)
	}
	return t
}

// MaxHandles is the largest number of plotted points that a hand can move.
const MaxHandles = 60

// Movable tells whether a hand may move the points, each by a handle of its own.
func (t *Live) Movable() bool { return t.movable && len(t.Points) <= MaxHandles }

// Rows are the points as they are typed, where a hand has left them.
func (t *Live) Rows(d evaluate.Moment) []Row {
	rows := make([]Row, len(t.Points))
	for i, p := range t.Points {
		rows[i] = t.rows[i]
		if t.moved[i] {
			rows[i] = Row{X: d.Numeral(number.Format(p[0], 9)), Y: d.Numeral(number.Format(p[1], 9))}
		}
	}
	return rows
}

func (t *Live) drag(i int, x, y, grain float64) {
	t.Points[i] = [2]float64{evaluate.OnGrain(x, grain), evaluate.OnGrain(y, grain)}
	t.moved[i] = true
}

// Off is how far above the function a point of the table lies, NaN where it has no value.
func (t *Live) Off(d evaluate.Moment, i int) float64 {
	return t.Points[i][1] - t.Beside.Curve.At(t.Points[i][0], d.Inputs())
}

// Drag moves a point to the hand, on the grain, in play only until it settles.
func (t *Live) Drag(_ evaluate.Play, h evaluate.Hand) {
	if t.Movable() && h.Grip >= 0 && h.Grip < len(t.Points) {
		t.drag(h.Grip, h.X, h.Y, h.Grain)
	}
}

// Nudge moves a point by steps of the grain.
func (t *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	if h.Grip >= 0 && h.Grip < len(t.Points) {
		h.X, h.Y = t.Points[h.Grip][0]+h.DX*h.Grain, t.Points[h.Grip][1]+h.DY*h.Grain
		t.Drag(d, h)
	}
}

// Settle writes the rows as a hand has left them.
func (t *Live) Settle(d evaluate.Moment, e *document.Entry) {
	if t.Movable() {
		e.Body.(*Body).Rows = t.Rows(d)
	}
}

// notOff is the distance in pixels below which a plotted point lies on the curve.
const notOff = 3.0

// See works out how far the points lie off the function beside them; nil where there is none.
func (t *Live) See(m evaluate.Moment, _ view.View, _ any) any {
	var off []float64
	if t.Beside != nil && t.Beside.Curve != nil {
		for i := range t.Points {
			off = append(off, t.Off(m, i))
		}
	}
	return off
}

// Compose draws plotted points, joined where that is wanted, and how far those off the curve lie from it.
func (t *Live) Compose(on *compose.On) (anchors []compose.Anchor) {
	v, colour := on.View, compose.ColourOf(on.Entry)
	if t.body.Joined {
		line := make([]sample.Point, len(t.Points))
		for i, p := range t.Points {
			line[i] = sample.Point{X: p[0], Y: p[1]}
		}
		on.Line(line, compose.Stroke(colour, on.Scaled(compose.ParentWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	}
	for i, p := range t.Points {
		if !v.Sees(p[0], p[1]) {
			continue
		}
		x, y := v.X(p[0]), v.Y(p[1])
		if offs := on.Seen.([]float64); offs != nil {
			if off := offs[i]; math.Abs(v.Y(p[1]-off)-y) > notOff {
				on.Pen.Segment(picture.Ink, on.Scaled(compose.GuideWidth), picture.Dotted, x, y, x, v.Y(p[1]-off))
				anchors = append(anchors, compose.Anchor{X: x, Y: y, IsPoint: true, Label: picture.Label{ID: fmt.Sprintf("%s.%d", on.Entry.ID, i),
					LaTeX: on.Now.Typeset(signed(off)), Colour: picture.Ink}})
			}
		}
		shape := picture.Disc
		if t.Movable() {
			shape = picture.Grip
			on.Pen.Handle(on.Index+evaluate.GripStride*(i+1), x, y)
		}
		on.Mark(colour, compose.ShapeOf(on.Entry, shape), p[0], p[1], compose.PointRadius-1.5)
	}
	return anchors
}

// signed writes a distance with its sign: above or below the curve.
func signed(off float64) string {
	if off > 0 {
		return "+" + number.Format(off, 2)
	}
	return number.Format(off, 2)
}

// Describe says how many points there are.
func (t *Live) Describe(evaluate.Moment, *document.Entry) []string {
	return []string{fmt.Sprintf("%d plotted points.", len(t.Points))}
}

// DescribeGrip says where a point is.
func (t *Live) DescribeGrip(k int) string {
	if k >= len(t.Points) {
		return ""
	}
	return fmt.Sprintf("Plotted point %d at (%s, %s).", k+1, number.Format(t.Points[k][0], 6), number.Format(t.Points[k][1], 6))
}

// Box asks for nothing: the points were plotted in the window.
func (t *Live) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}
