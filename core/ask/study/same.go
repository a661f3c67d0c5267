package study

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/same"
	"parvix/core/stage/evaluate"
)

// mostCompared bounds the functions that one is compared with.
const mostCompared = 20

// SameGraph names the other functions of one variable that have the same graph as f at the values in play, however they
// are written: −3 sin(2x + 2π/3) and 3 sin(2x − π/3).
func SameGraph(d *evaluate.Demonstration, f *evaluate.Function) (names []string) {
	x := f.Stated.Variables[0]
	own := d.WithNumbers(f)
	for i, g := range d.Functions {
		if g == f || g.Curve == nil || len(g.Stated.Variables) != 1 || i > mostCompared || differAtOnce(d, f, g) {
			continue
		}
		other := symbolic.Substitute(d.WithNumbers(g), map[string]expr.Node{g.Stated.Variables[0]: &expr.Name{Name: x}})
		if c, err := same.Compare(own, other); err == nil && c.Differs == nil && !c.DomainsDiffer {
			names = append(names, g.Stated.Name)
		}
	}
	return names
}

// differAtOnce tells two functions apart at a few places, before anything slow is tried.
func differAtOnce(d *evaluate.Demonstration, f, g *evaluate.Function) bool {
	in := d.Inputs()
	for _, x := range []float64{0.37, 1.91, -2.63, 4.11} {
		v, w := f.Curve.At(x, in), g.Curve.At(x, in)
		if math.IsNaN(v) != math.IsNaN(w) || math.Abs(v-w) > 1e-6*math.Max(1, math.Abs(v)) {
			return true
		}
	}
	return false
}
