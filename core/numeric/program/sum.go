package program

import (
	"math"

	"parvix/core/formula/expr"
)

// MaxTerms bounds a sum.
const MaxTerms = 1000

// WholeEnds reads the ends of a sum; ok is false where they are no whole numbers or too far apart.
func WholeEnds(from, to float64) (first, last int, ok bool) {
	if from != math.Trunc(from) || to != math.Trunc(to) || math.Abs(from) > 1e9 || math.Abs(to) > 1e9 || to-from >= MaxTerms {
		return 0, 0, false
	}
	return int(from), int(to), true
}

// sum compiles what is added with the running number as an input behind all others.
func (g *graph) sum(n *expr.Sum) int {
	inputs := append(append([]string{}, g.inputs...), n.Var)
	point := pointCompiler{inputs, Slots(inputs)}.compile(n.Body)
	inner := compile(n.Body, inputs, point)
	from, to := g.add(n.From), g.add(n.To)
	varying := inner.result.block || g.values[from].varying || g.values[to].varying
	g.values = append(g.values, value{op: opSum, a: from, b: to, c: from, input: -1, sum: inner, varying: varying})
	return len(g.values) - 1
}

func (c pointCompiler) sum(n *expr.Sum) Point {
	inputs := append(append([]string{}, c.inputs...), n.Var)
	body := pointCompiler{inputs, Slots(inputs)}.compile(n.Body)
	from, to, count := c.compile(n.From), c.compile(n.To), len(c.inputs)
	return func(in []float64) float64 {
		return sumOf(body, append(in[:count:count], 0), from(in), to(in))
	}
}

// sumOf adds up; in has room for the running number at its end.
func sumOf(body Point, in []float64, from, to float64) float64 {
	first, last, ok := WholeEnds(from, to)
	if !ok {
		return math.NaN()
	}
	total := 0.0
	for k := first; k <= last; k++ {
		in[len(in)-1] = float64(k)
		total += body(in)
	}
	return total
}

// inputsOf are the inputs of p as they are in this run, with room for the running number.
func (m *Machine) inputsOf(p *Program) []float64 {
	m.in = append(append(m.in[:0], m.scalars[:p.inputs]...), 0)
	return m.in
}

// sumOfNumbers is a sum that does not depend on the variable.
func (m *Machine) sumOfNumbers(p *Program, s *step) float64 {
	return sumOf(s.sum.point, m.inputsOf(p), m.scalars[s.a.index], m.scalars[s.b.index])
}

// sumOfBlocks adds up at every x of a block.
func (m *Machine) sumOfBlocks(p *Program, s *step, out, xs []float64) {
	in := m.inputsOf(p)
	if s.a.block || s.b.block {
		// Ends that move with the variable: a sum of its own at every x.
		a, b := m.source(s.a, xs), m.source(s.b, xs)
		for i, x := range xs {
			in[0] = x
			from, to := m.number(s.a), m.number(s.b)
			if a != nil {
				from = a[i]
			}
			if b != nil {
				to = b[i]
			}
			out[i] = sumOf(s.sum.point, in, from, to)
		}
		return
	}
	first, last, ok := WholeEnds(m.scalars[s.a.index], m.scalars[s.b.index])
	if !ok {
		fill(out, math.NaN())
		return
	}
	if m.inner == nil {
		m.inner, m.total = &Machine{}, make([]float64, BlockSize)
	}
	fill(out, 0)
	term := m.total[:len(xs)]
	for k := first; k <= last; k++ {
		in[len(in)-1] = float64(k)
		m.inner.Run(s.sum, term, xs, in)
		for i, v := range term {
			out[i] += v
		}
	}
}
