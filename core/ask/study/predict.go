package study

import (
	"fmt"
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/numeric/breaks"
	"parvix/core/stage/evaluate"
)

// Prediction is what a function says at an x, or where it takes a y.
type Prediction struct {
	// Lines are the answers in words with their numbers.
	Lines []string `json:"lines"`
}

// Predict tells a function's value at x, or with backward the places in a window where it takes the value v; inside tells of the data that it
// is held against whether that is said within them.
func Predict(d *evaluate.Demonstration, function, id, x string, v float64, backward bool, left, right float64) (*Prediction, error) {
	f := d.Function(function)
	if f == nil || f.Curve == nil {
		return nil, problem.New("not-a-function", 0, len(function), function)
	}
	lo, hi := math.Inf(-1), math.Inf(1)
	var xs []float64
	if data := d.DataOf(id); data != nil {
		if c := data.Column(x); c != nil {
			xs = slices.DeleteFunc(slices.Clone(c.Values), func(v float64) bool { return v != v })
		}
	}
	if len(xs) > 0 {
		lo, hi = slices.Min(xs), slices.Max(xs)
	}
	name, variable := f.Stated.Name, f.Stated.Variables[0]
	write := func(v float64) string { return d.Numeral(number.Significant(v, 5)) }
	caution := func(at float64) string {
		switch {
		case at < lo || at > hi:
			return fmt.Sprintf(" — outside the data (%s to %s): nothing measured speaks for it", write(lo), write(hi))
		case len(xs) > 0:
			return " — inside the data"
		}
		return ""
	}
	p := &Prediction{Lines: []string{}}
	if !backward {
		y := f.Curve.At(v, d.Inputs())
		if math.IsNaN(y) {
			p.Lines = append(p.Lines, fmt.Sprintf("%s(%s) does not exist.", name, write(v)))
			return p, nil
		}
		line := fmt.Sprintf("%s(%s) ≈ %s%s", name, write(v), write(y), caution(v))
		if best := d.FitOf(f); best != nil && best.Converged() {
			if band := best.Band(0.95); band != nil {
				line += fmt.Sprintf("; a further value lies between %s and %s with a probability of 95 %%", write(y-band(v)), write(y+band(v)))
			}
		}
		p.Lines = append(p.Lines, line)
		return p, nil
	}
	roots := breaks.NewRoots(expr.Minus(f.Inlined, expr.Named(level)), append(d.InputNames(variable), level))
	const work = 4e6
	found, _ := roots.Find(work, left, right, append(slices.Clone(d.Inputs()), v))
	for _, at := range found {
		p.Lines = append(p.Lines, fmt.Sprintf("%s(%s) = %s at %s ≈ %s%s", name, variable, write(v), variable, write(at), caution(at)))
	}
	if len(p.Lines) == 0 {
		p.Lines = append(p.Lines, fmt.Sprintf("%s takes the value %s nowhere between %s and %s.", name, write(v), write(left), write(right)))
	}
	return p, nil
}

// level is the input that holds a value that is looked for; it cannot be typed.
const level = "\x03"
