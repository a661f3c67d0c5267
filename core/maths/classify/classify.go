// Package classify names the type of a table by its differences and ratios.
//
// With equal steps in x: first differences constant, linear; second differences constant, quadratic; ratios constant,
// exponential (common practice). With unequal steps divided differences take their place (Abramowitz & Stegun 25.1.4).
package classify

import (
	"math"

	"parvix/core/formula/number"
)

// Type of a table.
type Type string

// The types; None is for a table in which nothing is constant.
const (
	Constant    Type = "constant"
	Linear      Type = "linear"
	Quadratic   Type = "quadratic"
	Cubic       Type = "cubic"
	Exponential Type = "exponential"
	Power       Type = "power"
	Logarithmic Type = "logarithmic"
	None        Type = "none"
)

// Table is a table with what was seen in it.
type Table struct {
	Type Type
	// Reason says in words what is constant, or what is missing.
	Reason string
	// Differences are the first, second and third ones, Ratios those of neighbouring values; a ratio by 0 is NaN.
	Differences [][]float64
	Ratios      []float64
	// EqualSteps tells that x goes in equal steps.
	EqualSteps bool
}

// Of looks at a table with rising x; x and y have the same length. Values are taken to be rounded to the decimals in
// which they are written.
func Of(x, y []float64) Table {
	t := Table{Type: None, EqualSteps: equalSteps(x)}
	slack := rounding(y)
	row := y
	for order := 1; order <= 3 && len(row) > 1; order++ {
		next := make([]float64, len(row)-1)
		for i := range next {
			next[i] = row[i+1] - row[i]
		}
		t.Differences = append(t.Differences, next)
		row = next
	}
	for i := 1; i < len(y); i++ {
		ratio := y[i] / y[i-1]
		if math.IsInf(ratio, 0) {
			ratio = math.NaN()
		}
		t.Ratios = append(t.Ratios, ratio)
	}
	if len(y) < 3 {
		t.Reason = "Two points or fewer lie on curves of every type."
		return t
	}
	divided := dividedDifferences(x, y, slack)
	switch {
	case divided.level(0):
		t.Type, t.Reason = Constant, "All values are equal."
	case divided.level(1):
		t.Type, t.Reason = Linear, says(t.EqualSteps, "The first differences are constant")
	case divided.level(2):
		t.Type, t.Reason = Quadratic, says(t.EqualSteps, "The second differences are constant")
	case ratiosConstant(x, y, slack):
		t.Type, t.Reason = Exponential, "The ratios of neighbouring values are constant."
		if !t.EqualSteps {
			t.Reason = "The ratios are constant for equal steps of x."
		}
	case divided.level(3):
		t.Type, t.Reason = Cubic, says(t.EqualSteps, "The third differences are constant")
	case positive(x) && ratiosConstant(logs(x), y, slack):
		t.Type, t.Reason = Power, "When x is multiplied by a number, so is y."
	case positive(x) && dividedDifferences(logs(x), y, slack).level(1):
		t.Type, t.Reason = Logarithmic, "When x is multiplied by a number, y grows by a constant."
	default:
		t.Reason = "Neither differences nor ratios are constant."
	}
	return t
}

func says(equal bool, words string) string {
	if equal {
		return words + "."
	}
	return words + " for equal steps of x (divided differences)."
}

// equalSteps allows for the rounding of decimals in x.
func equalSteps(x []float64) bool {
	for i := 2; i < len(x); i++ {
		if math.Abs((x[i]-x[i-1])-(x[1]-x[0])) > 1e-9*(math.Abs(x[i])+math.Abs(x[0])+1) {
			return false
		}
	}
	return true
}

// rounding is half a unit of the last decimal that the values are written with, 0 for whole numbers.
func rounding(y []float64) float64 {
	decimals := 0
	for _, v := range y {
		decimals = max(decimals, number.Decimals(v, 12))
	}
	if decimals == 0 {
		return 0
	}
	return 0.5 * math.Pow(10, -float64(decimals))
}

// divisions are divided differences with bounds of what rounding may have done to them.
type divisions [4][]struct{ value, slack float64 }

func dividedDifferences(x, y []float64, slack float64) (d divisions) {
	for _, v := range y {
		d[0] = append(d[0], struct{ value, slack float64 }{v, slack + 1e-12*math.Abs(v)})
	}
	for order := 1; order < len(d); order++ {
		for i := 0; i+order < len(y); i++ {
			a, b, width := d[order-1][i], d[order-1][i+1], x[i+order]-x[i]
			d[order] = append(d[order], struct{ value, slack float64 }{(b.value - a.value) / width, (a.slack + b.slack) / math.Abs(width)})
		}
	}
	return d
}

// level tells whether the divided differences of an order are one number, of which there must be at least two.
func (d divisions) level(order int) bool {
	if len(d[order]) < 2 {
		return false
	}
	lo, hi := math.Inf(-1), math.Inf(1)
	for _, v := range d[order] {
		lo, hi = math.Max(lo, v.value-v.slack), math.Min(hi, v.value+v.slack)
	}
	return lo <= hi+1e-9*math.Abs(hi)
}

// ratiosConstant tells whether ln |y| is a line in x.
func ratiosConstant(x, y []float64, slack float64) bool {
	sign := math.Copysign(1, y[0])
	lo, hi := math.Inf(-1), math.Inf(1)
	for i := range y {
		if y[i]*sign <= slack {
			return false
		}
		if i == 0 {
			continue
		}
		width := x[i] - x[i-1]
		least := math.Log((y[i]*sign - slack) / (y[i-1]*sign + slack))
		most := math.Log((y[i]*sign + slack) / (y[i-1]*sign - slack))
		lo, hi = math.Max(lo, least/width), math.Min(hi, most/width)
	}
	return lo <= hi+1e-9*math.Abs(hi)
}

func positive(x []float64) bool {
	for _, v := range x {
		if v <= 0 {
			return false
		}
	}
	return true
}

func logs(x []float64) []float64 {
	out := make([]float64, len(x))
	for i, v := range x {
		out[i] = math.Log(v)
	}
	return out
}
