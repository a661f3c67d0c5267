package scatter

import (
	"fmt"
	"math"
	"slices"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

const (
	// dense is how many points are drawn as they are; of more, those that share a few pixels are drawn once, and smaller.
	dense, cell = 1500, 3.0
	// ring is how far around a point that stands out a ring lies.
	ring = 6.0
	// caps is half the width of an error bar's ends.
	caps = 4.0
)

// Compose draws the band, bars, lines, residuals, points and rings, in this order.
func (l *Live) Compose(on *compose.On) (anchors []compose.Anchor) {
	s := on.Seen.(*sight)
	rows := l.points()
	colour := compose.ColourOf(on.Entry)
	if l.body.Band && !l.body.AsResiduals {
		l.band(on)
	}
	l.bars(on, s, colour)
	if l.body.Joined {
		line := make([]sample.Point, len(rows))
		for k, row := range rows {
			line[k] = sample.Point{X: l.x.Values[row], Y: l.height(s, k, row)}
		}
		on.Line(line, compose.Stroke(colour, on.Scaled(compose.ParentWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	}
	if s.off != nil && !l.body.AsResiduals {
		l.residuals(on, s)
		anchors = append(anchors, compose.Anchor{X: on.View.Width / 2, Y: 4, IsFree: true, Others: [][2]float64{{on.View.Width / 2, on.View.Height - 2}, {on.View.Width / 4, 4}},
			Label: picture.Label{ID: on.Entry.ID, LaTeX: l.Measure(on.Now), Colour: picture.Ink}})
	}
	l.marks(on, s, colour)
	for row, y := range l.Fillings(on.Now) {
		on.Mark(colour, picture.Ring, l.x.Values[row], y, compose.PointRadius-1.5)
	}
	return append(anchors, l.labels(on, s, colour)...)
}

// band draws the edges between which a further value lies with a probability of 95 %, where the function follows from data.
func (l *Live) band(on *compose.On) {
	if l.beside == nil {
		return
	}
	best := on.Now.FitOf(l.beside)
	if best == nil || !best.Converged() {
		return
	}
	half := best.Band(0.95)
	if half == nil {
		return
	}
	const steps = 120
	v := on.View
	for _, side := range [2]float64{1, -1} {
		line := make([]sample.Point, 0, steps+1)
		for k := range steps + 1 {
			x := v.Left + (v.Right-v.Left)*float64(k)/steps
			line = append(line, sample.Point{X: x, Y: best.At(x) + side*half(x)})
		}
		on.Broken(line, compose.Stroke(picture.Grey, on.Scaled(compose.GuideWidth), picture.Dashed, 1))
	}
}

// bars draws upright error bars.
func (l *Live) bars(on *compose.On, s *sight, colour picture.Colour) {
	if l.err == nil {
		return
	}
	width := on.Scaled(compose.GuideWidth)
	for k, row := range l.points() {
		e := math.Abs(l.err.Values[row])
		y := l.height(s, k, row)
		if e != e || y != y {
			continue
		}
		top, bottom := on.At(l.x.Values[row], y+e), on.At(l.x.Values[row], y-e)
		pen := compose.Stroke(colour, width, picture.Whole, 1)
		on.Segment(pen, top, bottom)
		cap := float64(on.Scaled(caps))
		for _, end := range [2][2]float64{top, bottom} {
			on.Segment(pen, [2]float64{end[0] - cap, end[1]}, [2]float64{end[0] + cap, end[1]})
		}
	}
}

// residuals draws each as an upright segment, or as a square with it for a side, so that the areas are the squares that are summed.
func (l *Live) residuals(on *compose.On, s *sight) {
	v := on.View
	for k, row := range l.points() {
		x, y, off := l.x.Values[row], l.y.Values[row], s.off[k]
		if off != off || !v.Sees(x, y) {
			continue
		}
		px, py, foot := v.X(x), v.Y(y), v.Y(y-off)
		pen := compose.Stroke(picture.Ink, on.Scaled(compose.GuideWidth), picture.Dotted, 1)
		if l.body.Residuals == Squares {
			side := math.Abs(py - foot)
			if px+side > v.Width {
				side = -side // to the left where there is no room
			}
			start := on.Pen.Area(picture.Ink, 0.08)
			for _, corner := range [4][2]float64{{px, py}, {px + side, py}, {px + side, foot}, {px, foot}} {
				on.Pen.To(corner[0], corner[1])
			}
			on.Pen.EndLine(start)
			pen = compose.Stroke(picture.Grey, on.Scaled(compose.GuideWidth), picture.Whole, 1)
			for _, edge := range [3][4]float64{{px, py, px + side, py}, {px + side, py, px + side, foot}, {px + side, foot, px, foot}} {
				on.Segment(pen, [2]float64{edge[0], edge[1]}, [2]float64{edge[2], edge[3]})
			}
		}
		on.Segment(pen, [2]float64{px, py}, [2]float64{px, foot})
	}
}

// marks draws the points, with handles where a hand may move them, and rings around those that stand out.
func (l *Live) marks(on *compose.On, s *sight, colour picture.Colour) {
	rows := l.points()
	radius, shape := compose.PointRadius-1.5, compose.ShapeOf(on.Entry, picture.Disc)
	if len(rows) > dense {
		radius = 2
	}
	for _, k := range s.marked {
		row := rows[k]
		x, y := l.x.Values[row], l.height(s, k, row)
		if l.isMovable(row) {
			on.Pen.Handle(on.Index+evaluate.GripStride*(row+1), on.View.X(x), on.View.Y(y))
			on.Mark(colour, compose.ShapeOf(on.Entry, picture.Grip), x, y, radius)
			continue
		}
		on.Mark(colour, shape, x, y, radius)
	}
	if l.body.Unmarked || l.body.AsResiduals {
		return
	}
	for _, suspect := range on.Now.SuspectsOf(l.data, l.x, l.y) {
		l.ring(on, suspect.X, suspect.Y)
	}
}

// ring draws a quiet ring around a point, the same size in every window.
func (l *Live) ring(on *compose.On, x, y float64) {
	at := on.At(x, y)
	r := float64(on.Scaled(compose.PointRadius + ring))
	const corners = 28
	start := on.Pen.Line(picture.Ink, on.Scaled(1.6), picture.Dashed, 1)
	for k := range corners + 1 {
		sin, cos := math.Sincos(2 * math.Pi * float64(k) / corners)
		on.Pen.To(at[0]+r*cos, at[1]+r*sin)
	}
	on.Pen.EndLine(start)
}

// labels are those at single points.
func (l *Live) labels(on *compose.On, s *sight, colour picture.Colour) (anchors []compose.Anchor) {
	for i, label := range l.body.Labels {
		k, there := slices.BinarySearch(l.points(), label.Row)
		if !there {
			continue
		}
		x, y := l.x.Values[label.Row], l.height(s, k, label.Row)
		if !on.View.Sees(x, y) {
			continue
		}
		latex := compose.WordsLaTeX(label.Words)
		if label.Words == "" {
			latex = on.Now.Typeset(fmt.Sprintf("(%s, %s)", number.Format(x, 4), number.Format(y, 4)))
		}
		anchors = append(anchors, compose.Anchor{X: on.View.X(x), Y: on.View.Y(y), IsPoint: true,
			Label: picture.Label{ID: fmt.Sprintf("%s.%d", on.Entry.ID, i), LaTeX: latex, Colour: colour}})
	}
	return anchors
}
