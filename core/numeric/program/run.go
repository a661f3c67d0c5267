package program

import "math"

// Machine is the working memory that programs run in; one goroutine uses it at a time. It grows to the largest program
// it has run and then allocates nothing more.
type Machine struct {
	scalars []float64
	blocks  [][]float64
	inner   *Machine // runs what a sum adds
	total   []float64
	in      []float64
}

// Run evaluates p at every x, with in holding the inputs in the compiler's order (in[0] is not read), and writes to dst,
// which is as long as xs. NaN marks what has no value.
func (m *Machine) Run(p *Program, dst, xs, in []float64) {
	m.prepare(p, in)
	for from := 0; from < len(xs); from += BlockSize {
		to := min(from+BlockSize, len(xs))
		m.block(p, dst[from:to], xs[from:to])
	}
}

func (m *Machine) prepare(p *Program, in []float64) {
	if len(m.scalars) < p.slots {
		m.scalars = make([]float64, p.slots)
	}
	for len(m.blocks) < p.registers {
		m.blocks = append(m.blocks, make([]float64, BlockSize))
	}
	copy(m.scalars, in[:p.inputs])
	for _, c := range p.constants {
		m.scalars[c.slot] = c.value
	}
	for i := range p.uniform {
		s := &p.uniform[i]
		if s.op == opSum {
			m.scalars[s.dst] = m.sumOfNumbers(p, s)
			continue
		}
		m.scalars[s.dst] = scalar(s.op, m.scalars[s.a.index], m.scalars[s.b.index], m.scalars[s.c.index], s.fn, s.oddP)
	}
}

func (m *Machine) block(p *Program, dst, xs []float64) {
	if !p.result.block {
		fill(dst, m.scalars[p.result.index])
		return
	}
	n := len(xs)
	for i := range p.varying {
		s := &p.varying[i]
		out := m.blocks[s.dst][:n]
		if i == len(p.varying)-1 {
			// The root is the last step: it writes to the caller's memory.
			out = dst
		}
		if s.op == opSum {
			m.sumOfBlocks(p, s, out, xs)
			continue
		}
		m.step(s, out, xs)
	}
	if p.result.index < 0 {
		copy(dst, xs)
	}
}

func fill(dst []float64, v float64) {
	for i := range dst {
		dst[i] = v
	}
}

// source is a block's values; a scalar gives nil.
func (m *Machine) source(o operand, xs []float64) []float64 {
	switch {
	case !o.block:
		return nil
	case o.index < 0:
		return xs
	}
	return m.blocks[o.index][:len(xs)]
}

func (m *Machine) step(s *step, out, xs []float64) {
	a := m.source(s.a, xs)
	switch s.op {
	case opAdd, opSub, opMul, opDiv:
		m.arithmetic(s, out, a, m.source(s.b, xs))
	case opMulAdd:
		m.mulAdd(s, out, xs)
	case opNeg:
		negateBlock(out, a)
	case opSin:
		sinBlock(out, a)
	case opCos:
		cosBlock(out, a)
	case opExp:
		expBlock(out, a)
	case opLn:
		lnBlock(out, a)
	case opSqrt:
		sqrtBlock(out, a)
	case opAbs:
		absBlock(out, a)
	case opUnary:
		for i, v := range a {
			out[i] = s.fn(v)
		}
	default:
		m.general(s, out, xs)
	}
}

// arithmetic is + − · / with each side a block (nil: the scalar of its slot).
func (m *Machine) arithmetic(s *step, out, a, b []float64) {
	switch {
	case b == nil:
		k := m.scalars[s.b.index]
		switch s.op {
		case opAdd:
			addScalar(out, a, k)
		case opSub:
			addScalar(out, a, -k)
		case opMul:
			scale(out, a, k)
		case opDiv:
			if k == 0 {
				k = math.NaN()
			}
			divideByScalar(out, a, k)
		}
	case a == nil:
		k := m.scalars[s.a.index]
		switch s.op {
		case opAdd:
			addScalar(out, b, k)
		case opSub:
			subtractFrom(out, b, k)
		case opMul:
			scale(out, b, k)
		case opDiv:
			divideScalar(out, b, k)
		}
	default:
		switch s.op {
		case opAdd:
			addBlocks(out, a, b)
		case opSub:
			subtractBlocks(out, a, b)
		case opMul:
			multiplyBlocks(out, a, b)
		case opDiv:
			divideBlocks(out, a, b)
		}
	}
}

// number is the scalar of o; of no use for a block.
func (m *Machine) number(o operand) float64 {
	if o.block {
		return 0
	}
	return m.scalars[o.index]
}

// mulAdd is a·b + c with a a block; b and c are blocks or scalars.
func (m *Machine) mulAdd(s *step, out, xs []float64) {
	a, b, c := m.source(s.a, xs), m.source(s.b, xs), m.source(s.c, xs)
	kb, kc := m.number(s.b), m.number(s.c)
	if a == nil {
		a, b, kb = b, nil, m.number(s.a)
	}
	switch {
	case b == nil && c == nil:
		scaleAddScalar(out, a, kb, kc)
	case b == nil:
		scaleAddBlock(out, a, c, kb)
	case c == nil:
		multiplyAddScalar(out, a, b, kc)
	default:
		multiplyAddBlocks(out, a, b, c)
	}
}

// general runs the rare operations through their scalar form.
func (m *Machine) general(s *step, out, xs []float64) {
	read := func(o operand) func(int) float64 {
		if block := m.source(o, xs); block != nil {
			return func(i int) float64 { return block[i] }
		}
		k := m.scalars[o.index]
		return func(int) float64 { return k }
	}
	a, b, c := read(s.a), read(s.b), read(s.c)
	for i := range out {
		out[i] = scalar(s.op, a(i), b(i), c(i), s.fn, s.oddP)
	}
}

// scalar is one operation on numbers; it defines what the block forms must agree with.
func scalar(o op, a, b, c float64, fn func(float64) float64, oddP bool) float64 {
	switch o {
	case opAdd:
		return a + b
	case opSub:
		return a - b
	case opMul:
		return a * b
	case opDiv:
		return divide(a, b)
	case opMulAdd:
		return a*b + c
	case opNeg:
		return -a
	case opPow:
		return powReal(a, b)
	case opPowOdd:
		return powOdd(a, b, oddP)
	case opSin:
		return math.Sin(a)
	case opCos:
		return math.Cos(a)
	case opExp:
		return math.Exp(a)
	case opLn:
		return ln(a)
	case opSqrt:
		return math.Sqrt(a)
	case opAbs:
		return math.Abs(a)
	case opUnary:
		return fn(a)
	case opMin:
		return min(a, b)
	case opMax:
		return max(a, b)
	case opRoot:
		return nthRoot(a, b)
	case opLess, opLessEqual:
		if a < b || o == opLessEqual && a == b {
			return 1
		}
		return 0
	}
	if a != 0 {
		return b
	}
	return c
}
