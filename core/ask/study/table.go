package study

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/maths/classify"
	"parvix/core/stage/evaluate"
)

// ValuesTable is a table with its differences and ratios, and the type that they tell.
type ValuesTable struct {
	Rows []ValuesRow
	// Reason says in a sentence what is constant, Type what follows.
	Type, Reason string
}

// ValuesRow is a row; First, Second and Ratio belong to the step from the row before, and are empty in the first rows.
type ValuesRow struct{ X, Y, First, Second, Ratio string }

// TableOf lists a function's values with the parameters in play, count rows from x on in steps.
func TableOf(d *evaluate.Demonstration, f *evaluate.Function, from, step float64, count int) ValuesTable {
	in := append([]float64{}, d.Inputs()...)
	var x, y []float64
	for k := range count {
		at := number.Round(from+float64(k)*step, 9)
		x = append(x, at)
		y = append(y, f.Curve.At(at, in))
	}
	return Tabulate(d, x, y)
}

// Tabulate looks at a table of numbers.
func Tabulate(d *evaluate.Demonstration, x, y []float64) ValuesTable {
	text := func(v float64) string {
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return "undefined"
		}
		return d.Numeral(number.Rounded(v, 4))
	}
	rising, whole := true, true
	for i := range x {
		rising = rising && (i == 0 || x[i] > x[i-1])
		whole = whole && !math.IsNaN(y[i]) && !math.IsInf(y[i], 0)
	}
	t := ValuesTable{}
	seen := classify.Of(x, y)
	if rising && whole {
		t.Type, t.Reason = string(seen.Type), seen.Reason
	}
	for i := range x {
		row := ValuesRow{X: text(x[i]), Y: text(y[i])}
		if i > 0 {
			row.First, row.Ratio = text(seen.Differences[0][i-1]), text(seen.Ratios[i-1])
		}
		if i > 1 {
			row.Second = text(seen.Differences[1][i-2])
		}
		t.Rows = append(t.Rows, row)
	}
	return t
}
