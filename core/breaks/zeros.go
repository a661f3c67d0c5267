package breaks

import (
	"math"

	"parvix/core/expr"
	"parvix/core/interval"
	"parvix/core/program"
)

// Enclosure bounds a formula and its derivative by the variable over an interval; the derivative is the whole line where
// the formula may be broken inside.
type Enclosure func(over interval.I) (value, slope interval.I)

// Enclose compiles n, in radians and with no other letter than its variable.
func Enclose(n expr.Node, variable string) Enclosure {
	f := dualCompiler{map[string]int{variable: 0}}.compile(n)
	return func(over interval.I) (value, slope interval.I) {
		d := f(&scope{over, []float64{0}})
		return d.v, d.d
	}
}

// Budget bounds the work of several searches together, in operations of interval arithmetic. A search that begins
// without any Left still gets a few steps, until Over more are spent.
type Budget struct{ Left, Over int }

// Limits of one list of zeros: those that crowd towards a place have no end.
const (
	maxZeros  = 200
	mostSteps = 3000
	fewSteps  = 300
)

// cost is about what enclosing n and its slope takes: a function as much as several operations.
func cost(n expr.Node) int {
	total := 0
	expr.Walk(n, func(n expr.Node) bool {
		total++
		if _, isCall := n.(*expr.Call); isCall {
			total += 7
		}
		return true
	})
	return total
}

// EncloseAt compiles n, inlined and in radians; inputs as in program.Compile, the variable first.
func EncloseAt(n expr.Node, inputs []string) func(over interval.I, in []float64) (value, slope interval.I) {
	f := dualCompiler{program.Slots(inputs)}.compile(n)
	at := &scope{}
	return func(over interval.I, in []float64) (value, slope interval.I) {
		at.x, at.in = over, in
		d := f(at)
		return d.v, d.d
	}
}

// Zeros brackets where n is 0 in [from, to], on whose inside it must be smooth. complete is false when a place could not
// be settled within the bounds of work. A zero is reported where the sign surely changes, or where n is met without a
// change of sign and is 0 there but for rounding. What was spent is taken from the budget.
func Zeros(n expr.Node, variable string, from, to float64, budget *Budget) (zeros []float64, complete bool) {
	if budget.Left < -budget.Over {
		return nil, false
	}
	size := cost(n)
	steps := min(max(budget.Left/size, fewSteps), mostSteps)
	r := reader{inputs: []string{variable}, duals: dualCompiler{map[string]int{variable: 0}}, f: &Finder{limits: limits{places: maxZeros, work: steps}}}
	r.add(n, nil, guard{kind: Corner, at: []float64{0}})
	found := r.f.search(from, to, []float64{math.NaN()})
	budget.Left -= found.work * size
	for _, p := range found.places {
		zeros = append(zeros, p.X)
	}
	return zeros, found.complete
}
