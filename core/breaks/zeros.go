package breaks

import (
	"math"

	"parvix/core/expr"
	"parvix/core/interval"
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

// listing are the limits of a list of zeros: those that crowd towards a place have no end.
var listing = limits{200, 10000}

// EncloseAt compiles n, inlined and in radians; inputs as in program.Compile, the variable first.
func EncloseAt(n expr.Node, inputs []string) func(over interval.I, in []float64) (value, slope interval.I) {
	slots := map[string]int{}
	for i, name := range inputs {
		slots[name] = i
	}
	f := dualCompiler{slots}.compile(n)
	at := &scope{}
	return func(over interval.I, in []float64) (value, slope interval.I) {
		at.x, at.in = over, in
		d := f(at)
		return d.v, d.d
	}
}

// Zeros brackets where n is 0 in [from, to], on whose inside it must be smooth. complete is false when a place could not
// be settled within the bounds of work. A zero is reported where the sign surely changes, or where n is met without a
// change of sign and is 0 there but for rounding.
func Zeros(n expr.Node, variable string, from, to float64) (zeros []float64, complete bool) {
	inputs := []string{variable}
	r := reader{inputs: inputs, duals: dualCompiler{map[string]int{variable: 0}}, f: &Finder{limits: listing}}
	r.add(n, nil, guard{kind: Corner, at: []float64{0}})
	places, complete := r.f.Find(from, to, []float64{math.NaN()})
	for _, p := range places {
		zeros = append(zeros, p.X)
	}
	return zeros, complete
}
