package breaks

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Enclosure bounds a formula and its derivative by the variable over an interval; the derivative is the whole line where
// the formula may be broken inside.
type Enclosure func(over interval.I) (value, slope interval.I)

// Enclose compiles n, in radians and with no other letter than its variable.
func Enclose(n expr.Node, variable string) Enclosure {
	f := dualCompiler{slots: map[string]int{variable: 0}}.compile(n)
	return func(over interval.I) (value, slope interval.I) {
		d := f(&scope{x: over, in: []float64{0}})
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
	f := dualCompiler{slots: program.Slots(inputs)}.compile(n)
	at := &scope{}
	return func(over interval.I, in []float64) (value, slope interval.I) {
		at.x, at.in = over, in
		d := f(at)
		return d.v, d.d
	}
}

// EncloseBox compiles n, inlined and in radians, over boxes of the plane; inputs as in program.Compile, x and y first. The
// enclosure is empty where n has no value in the box.
func EncloseBox(n expr.Node, inputs []string) func(x, y interval.I, in []float64) interval.I {
	f := dualCompiler{slots: program.Slots(inputs), boxes: true}.compile(n)
	at := &scope{}
	return func(x, y interval.I, in []float64) interval.I {
		at.x, at.y, at.in = x, y, in
		return f(at).v
	}
}

// Roots finds where one formula with parameters is 0; it is made once a formula.
type Roots struct {
	breaks Finder
	zero   guard
}

// NewRoots reads n, inlined and in radians; inputs as in program.Compile, the variable first.
func NewRoots(n expr.Node, inputs []string) *Roots {
	r := reader{inputs: inputs, duals: dualCompiler{slots: program.Slots(inputs)}, f: &Finder{}}
	r.read(n, nil)
	roots := &Roots{breaks: *r.f}
	r.f = &Finder{}
	if r.add(n, nil, guard{kind: Corner, at: []float64{0}}); len(r.f.guards) > 0 {
		roots.zero = r.f.guards[0]
	}
	return roots
}

// Find lists the places in [from, to] for the inputs in (in[0] is overwritten), each once and in order: where the sign
// surely changes and where n touches 0 but for rounding. complete is false where that takes more than so many operations
// of arithmetic; then some may be missing.
func (r *Roots) Find(work, from, to float64, in []float64) (places []float64, complete bool) {
	if r.zero.value == nil {
		return nil, true // it does not vary
	}
	few := r.breaks
	few.limits = drawing
	few.limits.operations = work / stepWork
	s := few.search(from, to, in)
	s.look(&r.zero)
	return slices.DeleteFunc(s.found, s.jumpsOver), s.complete
}

// jumpsOver tells that a place is a pole or a jump over 0.
func (s *search) jumpsOver(x float64) bool {
	for _, p := range s.places {
		if p.Kind != Corner && math.Abs(p.X-x) <= 1e-9*(1+math.Abs(x)) {
			v := s.at(x)
			return !(math.Abs(v) <= 1e-9)
		}
	}
	return false
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
	r := reader{inputs: []string{variable}, duals: dualCompiler{slots: map[string]int{variable: 0}}, f: &Finder{limits: limits{places: maxZeros, work: steps}}}
	r.add(n, nil, guard{kind: Corner, at: []float64{0}})
	found := r.f.search(from, to, []float64{math.NaN()})
	budget.Left -= found.work * size
	for _, p := range found.places {
		zeros = append(zeros, p.X)
	}
	return zeros, found.complete
}
