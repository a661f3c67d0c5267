package evaluate

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// Table is a table's points, in the order of the rows.
type Table struct {
	Points [][2]float64
	// Beside is the function with which the points are compared, nil for none.
	Beside *Function

	rows    []document.Row
	moved   []bool
	movable bool
}

// loadTable works out a table's points; nil when a row cannot be read, which is then reported.
func (d *Demonstration) loadTable(e *document.Shown) *Table {
	t := &Table{rows: e.Rows, moved: make([]bool, len(e.Rows)), movable: e.Grips}
	for _, r := range e.Rows {
		x := d.constant(r.X, math.NaN(), e.ID, "rows")
		y := d.constant(r.Y, math.NaN(), e.ID, "rows")
		if x != x || y != y {
			if d.problemFree(e.ID) {
				d.report(problem.New("row", 0, 0, r.X, r.Y), e.ID, "rows")
			}
			return nil
		}
		t.Points = append(t.Points, [2]float64{x, y})
	}
	if e.Distances && e.Function != "" {
		t.Beside = d.Function(e.Function)
	}
	return t
}

func (d *Demonstration) problemFree(id string) bool {
	for _, p := range d.Problems {
		if p.Object == id {
			return false
		}
	}
	return true
}

// MaxHandles is the largest number of plotted points that a hand can move.
const MaxHandles = 60

// Movable tells whether a hand may move the points, each by a handle of its own.
func (t *Table) Movable() bool { return t.movable && len(t.Points) <= MaxHandles }

// Rows are the points as they are typed, where a hand has left them.
func (t *Table) Rows(d *Demonstration) []document.Row {
	rows := make([]document.Row, len(t.Points))
	for i, p := range t.Points {
		rows[i] = t.rows[i]
		if t.moved[i] {
			rows[i] = document.Row{X: d.Numeral(number.Format(p[0], 9)), Y: d.Numeral(number.Format(p[1], 9))}
		}
	}
	return rows
}

func (t *Table) drag(i int, x, y, grain float64) {
	t.Points[i] = [2]float64{onGrain(x, grain), onGrain(y, grain)}
	t.moved[i] = true
}

// Off is how far above the function a point of the table lies, NaN where it has no value.
func (t *Table) Off(d *Demonstration, i int) float64 {
	return t.Points[i][1] - t.Beside.Curve.At(t.Points[i][0], d.in)
}
