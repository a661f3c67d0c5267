// Package scatter is the scatter plot of two columns of data, with error bars, residuals to a function and rings around values that stand
// out.
package scatter

import (
	"fmt"
	"iter"
	"math"
	"slices"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// Letter begins the ids of scatter plots.
func (*Body) Letter() string { return "k" }

// Sentence says “scatter plot: h in m over t in h”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	words := "scatter plot: "
	if b.AsResiduals {
		words = "residuals: "
	}
	data := d.DataOf(b.Data)
	if data == nil || data.Column(b.X) == nil || data.Column(b.Y) == nil {
		return []evaluate.Word{evaluate.Says(words + "the data are not there")}
	}
	return []evaluate.Word{evaluate.Says(words + Head(data.Column(b.Y).Stated) + " over " + Head(data.Column(b.X).Stated))}
}

// Head is a column's name with its unit: “h in m”.
func Head(c *document.Column) string {
	if c.Unit == "" {
		return c.Name
	}
	return c.Name + " in " + c.Unit
}

// Live is a scatter plot in play.
type Live struct {
	body   *Body
	data   *evaluate.Data
	x, y   *evaluate.Column
	err    *evaluate.Column
	beside *evaluate.Function
	rows   []int // those in which both columns have a value
	stamp  uint64
}

// Load finds the columns and the function.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, data: d.DataOf(b.Data)}
	if l.data == nil {
		d.Report(problem.New("no-data", 0, 0), e.ID, "data")
		return nil
	}
	for field, name := range map[string]string{"x": b.X, "y": b.Y, "error": b.Error} {
		column := l.data.Column(name)
		if column == nil && (name != "" || field != "error") {
			d.Report(problem.New("no-column", 0, len(name), name), e.ID, field)
			return nil
		}
		switch field {
		case "x":
			l.x = column
		case "y":
			l.y = column
		default:
			l.err = column
		}
	}
	if b.Function != "" {
		l.beside = d.Graph(b.Function, e.ID)
	}
	return l
}

// points are the rows in which both columns have a value.
func (l *Live) points() []int {
	if l.rows == nil || l.stamp != l.data.Stamp() {
		_, _, l.rows = l.data.Pairs(l.x, l.y)
		l.stamp = l.data.Stamp()
	}
	return l.rows
}

// MaxHandles is the largest number of points that a hand can move.
const MaxHandles = 60

// isMovable tells whether a hand may move the point of a row.
func (l *Live) isMovable(row int) bool {
	if l.body.AsResiduals || l.y.Stated.IsComputed() {
		return false
	}
	return l.body.Grips && len(l.points()) <= MaxHandles || slices.Contains(l.body.Unlocked, row)
}

// Drag moves the point of a row, which its grip names, to the hand, on the decimals of its columns, in play only until it settles.
func (l *Live) Drag(p evaluate.Play, h evaluate.Hand) {
	row := h.Grip
	if _, there := slices.BinarySearch(l.points(), row); !there || !l.isMovable(row) {
		return
	}
	if !l.x.Stated.IsComputed() {
		p.SetCell(l.data, l.x, row, evaluate.OnGrain(h.X, grain(l.x)))
	}
	p.SetCell(l.data, l.y, row, evaluate.OnGrain(h.Y, grain(l.y)))
}

// Nudge moves a point by one unit of its column's last decimal.
func (l *Live) Nudge(p evaluate.Play, h evaluate.Hand) {
	if row := h.Grip; row >= 0 && row < len(l.x.Values) && row < len(l.y.Values) {
		h.X, h.Y = l.x.Values[row]+h.DX*grain(l.x), l.y.Values[row]+h.DY*grain(l.y)
		l.Drag(p, h)
	}
}

// grain is one unit of the last decimal in which a column is written.
func grain(c *evaluate.Column) float64 { return math.Pow(10, -float64(c.Decimals())) }

// Fillings are what the function says in rows that have no value, where these are to be filled.
func (l *Live) Fillings(m evaluate.Moment) iter.Seq2[int, float64] {
	return func(visit func(row int, y float64) bool) {
		if !l.body.Filled || l.body.AsResiduals || l.beside == nil || l.beside.Curve == nil {
			return
		}
		in := m.Inputs()
		for row, x := range l.x.Values {
			isMissing := x == x && (row >= len(l.y.Values) || l.y.Values[row] != l.y.Values[row])
			if isMissing && !visit(row, l.beside.Curve.At(x, in)) {
				return
			}
		}
	}
}

// Column is the column across whose rows it fills.
func (l *Live) Column() *evaluate.Column { return l.y }

// Settle leaves the rows to the data, which keep what a hand has moved.
func (l *Live) Settle(evaluate.Moment, *document.Entry) {}

// sight is what is seen of a scatter plot.
type sight struct {
	view  view.View
	stamp uint64
	// marked are the points that are drawn, by their places among the rows: of many, those that share a few pixels once.
	marked []int
	// off are the residuals, nil where there are none, sse the sum of their squares.
	off []float64
	sse float64
	r2  float64
}

// See finds the points in sight again when the window or the data have changed, and works out how far the points lie off the function.
func (l *Live) See(m evaluate.Moment, v view.View, before any) any {
	s := &sight{view: v, stamp: l.data.Stamp()}
	if l.beside != nil && l.beside.Curve != nil && (l.body.Residuals != NoResiduals || l.body.AsResiduals) {
		l.workOut(m, s)
	}
	if was, ok := before.(*sight); ok && was.view == v && was.stamp == s.stamp && !l.body.AsResiduals {
		s.marked = was.marked
	} else if v.Width > 0 {
		s.marked = l.inSight(s)
	}
	return s
}

// inSight are the points in sight, by their places among the rows.
func (l *Live) inSight(s *sight) []int {
	rows := l.points()
	across := int(s.view.Width/cell) + 2
	taken := make([]bool, across*(int(s.view.Height/cell)+2))
	marked := []int{}
	for k, row := range rows {
		x, y := l.x.Values[row], l.height(s, k, row)
		if y != y || !s.view.Sees(x, y) {
			continue
		}
		if len(rows) > dense {
			at := int(s.view.X(x)/cell) + across*int(s.view.Y(y)/cell)
			if at < 0 || at >= len(taken) || taken[at] && !l.isMovable(row) {
				continue
			}
			taken[at] = true
		}
		marked = append(marked, k)
	}
	return marked
}

// workOut works out the residuals.
func (l *Live) workOut(m evaluate.Moment, s *sight) {
	in, mean, rows := m.Inputs(), 0.0, l.points()
	for _, row := range rows {
		off := l.y.Values[row] - l.beside.Curve.At(l.x.Values[row], in)
		s.off = append(s.off, off)
		s.sse += off * off
		mean += l.y.Values[row] / float64(len(rows))
	}
	total := 0.0
	for _, row := range rows {
		total += (l.y.Values[row] - mean) * (l.y.Values[row] - mean)
	}
	s.r2 = 1 - s.sse/total
}

// Measure tells the sum of the squares and R².
func (l *Live) Measure(m evaluate.Moment) string {
	s := l.See(m, view.View{}, nil).(*sight)
	if s.off == nil || s.sse != s.sse {
		return ""
	}
	text := `\text{sum of squares}=` + number.Significant(s.sse, 4)
	if !math.IsNaN(s.r2) && !math.IsInf(s.r2, 0) {
		text += `,\ R^2=` + number.Format(s.r2, 4)
	}
	return m.Typeset(text)
}

// Describe says how many points there are, what stands out and how the function fits.
func (l *Live) Describe(m evaluate.Moment, e *document.Entry) []string {
	rows := l.points()
	list := []string{fmt.Sprintf("%d points: %s over %s.", len(rows), Head(l.y.Stated), Head(l.x.Stated))}
	for _, s := range m.SuspectsOf(l.data, l.x, l.y) {
		list = append(list, fmt.Sprintf("Row %d stands out: %s.", s.Row+1, s.Reason))
	}
	if s := l.See(m, view.View{}, nil).(*sight); s.off != nil {
		list = append(list, fmt.Sprintf("The sum of the squared residuals is %s, R² %s.", number.Significant(s.sse, 4), number.Format(s.r2, 4)))
	}
	return list
}

// DescribeGrip says where the point of a row is.
func (l *Live) DescribeGrip(row int) string {
	if _, there := slices.BinarySearch(l.points(), row); !there {
		return ""
	}
	return fmt.Sprintf("Row %d at (%s, %s).", row+1, number.Format(l.x.Values[row], 6), number.Format(l.y.Values[row], 6))
}

// Box takes in all points, and 0 for residuals.
func (l *Live) Box(m evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if l.body.AsResiduals {
		if s := l.See(m, view.View{}, nil).(*sight); s.off != nil {
			for k, row := range l.points() {
				box.Add(l.x.Values[row], s.off[k])
			}
			box.AddY(0)
		}
		return
	}
	for _, row := range l.points() {
		box.Add(l.x.Values[row], l.y.Values[row])
	}
}

// height is where a point is drawn.
func (l *Live) height(s *sight, k, row int) float64 {
	if l.body.AsResiduals {
		if s.off == nil {
			return math.NaN()
		}
		return s.off[k]
	}
	return l.y.Values[row]
}

var _ compose.Live = (*Live)(nil)
