package evaluate

import (
	"math"

	"parvix/core/document"
	"parvix/core/problem"
)

// Table is a table's points, in the order of the rows.
type Table struct {
	Points [][2]float64
	// Beside is the function with which the points are compared, nil for none.
	Beside *Function
}

// loadTable works out a table's points; nil when a row cannot be read, which is then reported.
func (d *Demonstration) loadTable(e *document.Shown) *Table {
	t := &Table{}
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

// Off is how far above the function a point of the table lies, NaN where it has no value.
func (t *Table) Off(d *Demonstration, i int) float64 {
	in := append([]float64{}, d.in...)
	return t.Points[i][1] - t.Beside.Curve.At(t.Points[i][0], in)
}
