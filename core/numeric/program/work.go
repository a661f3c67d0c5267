package program

import "parvix/core/formula/expr"

// callWork is what a function takes, in operations of arithmetic.
const callWork = 8

// Work compiles how many operations of arithmetic one value of n takes at given inputs: the terms of its sums, which
// parameters may end, count each. inputs as in Compile.
func Work(n expr.Node, inputs []string) Point {
	w := pointCompiler{inputs, Slots(inputs)}.work(n)
	if len(w.sums) == 0 {
		fixed := w.fixed
		return func([]float64) float64 { return fixed }
	}
	return w.at
}

// work is that of a formula apart from its sums, and theirs.
type work struct {
	fixed float64
	sums  []sumWork
}

type sumWork struct {
	from, to Point
	running  int // the place of the running number
	term     work
}

func (c pointCompiler) work(n expr.Node) work {
	w := work{fixed: 1}
	if total, ok := n.(*expr.Sum); ok {
		inputs := append(append([]string{}, c.inputs...), total.Var)
		term := pointCompiler{inputs, Slots(inputs)}.work(total.Body)
		w.sums = append(w.sums, sumWork{c.compile(total.From), c.compile(total.To), len(c.inputs), term})
		w.add(c.work(total.From))
		w.add(c.work(total.To))
		return w
	}
	if _, isCall := n.(*expr.Call); isCall {
		w.fixed = callWork
	}
	for _, child := range expr.Children(n) {
		w.add(c.work(child))
	}
	return w
}

func (w *work) add(other work) {
	w.fixed += other.fixed
	w.sums = append(w.sums, other.sums...)
}

// at takes the work of a sum's last term for that of all.
func (w *work) at(in []float64) float64 {
	total := w.fixed
	for i := range w.sums {
		s := &w.sums[i]
		if first, last, ok := WholeEnds(s.from(in), s.to(in)); ok && last >= first {
			inner := append(append(make([]float64, 0, s.running+1), in[:s.running]...), float64(last))
			total += float64(last-first+1) * s.term.at(inner)
		}
	}
	return total
}
