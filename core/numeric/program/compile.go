// Package program compiles a formula: to a vector program that evaluates blocks of values, and to a Point that
// evaluates one.
//
// The formula must be inlined and in radians (core/formula/symbolic). Parameters are inputs like the variable: a moved dial
// re-runs a program, it never compiles one. What depends on parameters only is computed once a run, common parts are
// shared, whole powers become products.
package program

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
)

// BlockSize is how many values a program takes at a time; 256 to 1024 measure alike.
const BlockSize = 512

type op uint8

const (
	opAdd op = iota
	opSub
	opMul
	opDiv
	opMulAdd // a·b + c
	opNeg
	opPow
	opPowOdd
	opSin
	opCos
	opExp
	opLn
	opSqrt
	opAbs
	opUnary
	opMin
	opMax
	opRoot
	opLess
	opLessEqual
	opSelect // a ≠ 0 ? b : c
	opSum    // the sum of a program from a to b
)

// value is one node of the shared graph: an input, a constant or an operation on earlier values.
type value struct {
	op      op
	a, b, c int
	unary   string // opUnary: the function's name
	oddP    bool   // opPowOdd
	varying bool   // depends on the variable
	isConst bool
	number  float64
	input   int      // index of the input, −1 for none
	sum     *Program // opSum: what is added, with the running number as last input
}

// Program evaluates one formula. It is immutable; the working memory is a Machine.
type Program struct {
	point     Point
	inputs    int
	uniform   []step // parameters only, once a run
	varying   []step // once a block
	constants []constantSlot
	slots     int // scalars
	registers int // blocks
	result    operand
}

type constantSlot struct {
	slot  int
	value float64
}

// operand is a scalar slot or a block register; block register −1 is the variable itself.
type operand struct {
	block bool
	index int
}

type step struct {
	op      op
	dst     int
	a, b, c operand
	fn      func(float64) float64
	oddP    bool
	sum     *Program
}

// Compile compiles n for the inputs named in order: the variable first, then the parameters. A name that is not an
// input is the problem “no-value” at its place.
func Compile(n expr.Node, inputs []string) (*Program, error) {
	point, err := CompilePoint(n, inputs)
	if err != nil {
		return nil, err
	}
	return compile(n, inputs, point), nil
}

func compile(n expr.Node, inputs []string, point Point) *Program {
	g := &graph{inputs: inputs, slots: Slots(inputs), index: map[value]int{}}
	root := g.add(n)
	p := g.emit(root, len(inputs))
	p.point = point
	return p
}

// CompilePoint compiles n for single values only, which is quicker than Compile.
func CompilePoint(n expr.Node, inputs []string) (Point, error) {
	slots := Slots(inputs)
	if missing := missingName(n, slots); missing != nil {
		return nil, missing
	}
	return pointCompiler{inputs, slots}.compile(n), nil
}

// Slots gives each input its place; a variable in front hides a parameter of the same letter.
func Slots(inputs []string) map[string]int {
	slots := map[string]int{}
	for i, name := range inputs {
		if _, hidden := slots[name]; !hidden {
			slots[name] = i
		}
	}
	return slots
}

// missingName finds a name that is not an input, at its place where it is typed.
func missingName(n expr.Node, slots map[string]int) error {
	var missing *problem.Problem
	expr.Walk(n, func(n expr.Node) bool {
		if name, ok := n.(*expr.Name); ok && missing == nil {
			if _, known := slots[name.Name]; !known && !expr.IsBound(name.Name) {
				missing = problem.New("no-value", name.From, name.To, name.Name)
			}
		}
		return true
	})
	for _, name := range expr.Names(n) {
		if _, known := slots[name]; !known && missing == nil {
			missing = problem.New("no-value", n.Pos(), n.End(), name)
		}
	}
	if missing != nil {
		return missing
	}
	return nil
}

// At evaluates one place; in holds the inputs in the compiler's order. NaN where the formula has no value.
func (p *Program) At(in []float64) float64 { return p.point(in) }

type graph struct {
	inputs []string
	slots  map[string]int
	values []value
	index  map[value]int
}

// put adds a value unless an equal one is there; operations on constants are computed at once.
func (g *graph) put(v value) int {
	if v.input < 0 && !v.isConst && v.sum == nil {
		if folded, ok := g.fold(v); ok {
			return g.number(folded)
		}
		v.varying = g.values[v.a].varying || g.values[v.b].varying || g.values[v.c].varying
	}
	if i, ok := g.index[v]; ok {
		return i
	}
	g.index[v] = len(g.values)
	g.values = append(g.values, v)
	return len(g.values) - 1
}

func (g *graph) fold(v value) (float64, bool) {
	a, b, c := g.values[v.a], g.values[v.b], g.values[v.c]
	if !a.isConst || !b.isConst || !c.isConst {
		return 0, false
	}
	return scalar(v.op, a.number, b.number, c.number, unary[v.unary], v.oddP), true
}

func (g *graph) number(v float64) int {
	if v != v {
		// NaN is no map key; it is rare enough to stand alone.
		g.values = append(g.values, value{isConst: true, number: v, input: -1})
		return len(g.values) - 1
	}
	return g.put(value{isConst: true, number: v, input: -1})
}

func (g *graph) op1(o op, a int) int    { return g.put(value{op: o, a: a, b: a, c: a, input: -1}) }
func (g *graph) op2(o op, a, b int) int { return g.put(value{op: o, a: a, b: b, c: a, input: -1}) }
func (g *graph) op3(o op, a, b, c int) int {
	return g.put(value{op: o, a: a, b: b, c: c, input: -1})
}

func (g *graph) unary(name string, a int) int {
	return g.put(value{op: opUnary, a: a, b: a, c: a, unary: name, input: -1})
}

func (g *graph) add(n expr.Node) int {
	switch n := n.(type) {
	case *expr.Number:
		return g.number(float(n))
	case *expr.Constant:
		return g.number(constantValue(n.Name))
	case *expr.Name:
		i := g.slots[n.Name]
		return g.put(value{input: i, varying: i == 0})
	case *expr.Neg:
		return g.op1(opNeg, g.add(n.X))
	case *expr.Binary:
		return g.binary(n)
	case *expr.Call:
		return g.call(n)
	case *expr.Pieces:
		return g.pieces(n)
	case *expr.Sum:
		return g.sum(n)
	}
	panic("program: angles must be in radians before compiling")
}

func (g *graph) binary(n *expr.Binary) int {
	l := g.add(n.L)
	switch n.Op {
	case expr.Add, expr.Sub:
		r := g.add(n.R)
		if n.Op == expr.Sub {
			return g.op2(opSub, l, r)
		}
		if i, ok := g.fused(l, r); ok {
			return i
		}
		return g.op2(opAdd, l, r)
	case expr.Mul:
		return g.op2(opMul, l, g.add(n.R))
	case expr.Div:
		return g.op2(opDiv, l, g.add(n.R))
	}
	e := exponentOf(n.R)
	switch {
	case e.isWhole && (e.whole >= -64 && e.whole <= 64):
		return g.powWhole(l, e.whole)
	case e.isOddRoot && math.Abs(e.value) == 1.0/3:
		root := g.unary("cbrt", l)
		if e.value < 0 {
			return g.op2(opDiv, g.number(1), root)
		}
		return root
	case e.isOddRoot:
		return g.put(value{op: opPowOdd, a: l, b: g.number(e.value), c: l, oddP: e.oddP, input: -1})
	case isE(n.L):
		return g.op1(opExp, g.add(n.R))
	}
	if r, ok := n.R.(*expr.Number); ok && float(r) == 0.5 {
		return g.op1(opSqrt, l)
	}
	return g.op2(opPow, l, g.add(n.R))
}

// fused makes a·b + c one operation where one side is a fresh product.
func (g *graph) fused(l, r int) (int, bool) {
	for _, pair := range [2][2]int{{l, r}, {r, l}} {
		p := g.values[pair[0]]
		if p.op == opMul && !p.isConst && p.input < 0 && p.varying {
			return g.op3(opMulAdd, p.a, p.b, pair[1]), true
		}
	}
	return 0, false
}

func (g *graph) powWhole(base, n int) int {
	if n < 0 {
		return g.op2(opDiv, g.number(1), g.powWhole(base, -n))
	}
	if n == 0 {
		return g.number(1)
	}
	out, square := -1, base
	for {
		if n&1 == 1 {
			if out < 0 {
				out = square
			} else {
				out = g.op2(opMul, out, square)
			}
		}
		if n >>= 1; n == 0 {
			return out
		}
		square = g.op2(opMul, square, square)
	}
}

func (g *graph) call(n *expr.Call) int {
	x := g.add(n.Args[0])
	switch n.Name {
	case "sin":
		return g.op1(opSin, x)
	case "cos":
		return g.op1(opCos, x)
	case "tan":
		return g.op2(opDiv, g.op1(opSin, x), g.op1(opCos, x))
	case "cot":
		return g.op2(opDiv, g.op1(opCos, x), g.op1(opSin, x))
	case "sec":
		return g.op2(opDiv, g.number(1), g.op1(opCos, x))
	case "csc":
		return g.op2(opDiv, g.number(1), g.op1(opSin, x))
	case "exp":
		return g.op1(opExp, x)
	case "ln":
		return g.op1(opLn, x)
	case "sqrt":
		return g.op1(opSqrt, x)
	case "abs":
		return g.op1(opAbs, x)
	case "log":
		base := g.number(math.Ln10)
		if len(n.Args) == 2 {
			base = g.op1(opLn, g.add(n.Args[1]))
		}
		return g.op2(opDiv, g.op1(opLn, x), base)
	case "root":
		return g.op2(opRoot, x, g.add(n.Args[1]))
	case "min", "max":
		o := opMin
		if n.Name == "max" {
			o = opMax
		}
		for _, a := range n.Args[1:] {
			x = g.op2(o, x, g.add(a))
		}
		return x
	}
	return g.unary(n.Name, x)
}

func (g *graph) pieces(n *expr.Pieces) int {
	out := g.number(math.NaN())
	for i := len(n.List) - 1; i >= 0; i-- {
		p := n.List[i]
		body, subject := g.add(p.Body), g.add(p.When.Subject())
		mask := g.number(1)
		compare := func(closed bool, a, b int) {
			o := opLess
			if closed {
				o = opLessEqual
			}
			mask = g.op2(opMul, mask, g.op2(o, a, b))
		}
		if p.When.Lo != nil {
			compare(p.When.LoClosed, g.add(p.When.Lo), subject)
		}
		if p.When.Hi != nil {
			compare(p.When.HiClosed, subject, g.add(p.When.Hi))
		}
		out = g.op3(opSelect, mask, body, out)
	}
	return out
}

// emit orders the values that the root needs and assigns scalar slots and block registers, reusing registers whose
// value is no longer needed.
func (g *graph) emit(root, inputs int) *Program {
	p := &Program{inputs: inputs, slots: inputs}
	needed := make([]bool, len(g.values))
	g.need(root, needed)
	last := make([]int, len(g.values))
	for i, v := range g.values {
		if needed[i] && v.input < 0 && !v.isConst {
			last[v.a], last[v.b], last[v.c] = i, i, i
		}
	}
	last[root] = len(g.values)
	place := make([]operand, len(g.values))
	var free []int
	for i, v := range g.values {
		switch {
		case !needed[i]:
			continue
		case v.input == 0:
			place[i] = operand{true, -1}
			continue
		case v.input > 0:
			place[i] = operand{false, v.input}
			continue
		case v.isConst:
			place[i] = operand{false, p.slots}
			p.constants = append(p.constants, constantSlot{p.slots, v.number})
			p.slots++
			continue
		}
		s := step{sum: v.sum, op: v.op, a: place[v.a], b: place[v.b], c: place[v.c], fn: unary[v.unary], oddP: v.oddP}
		if !v.varying {
			s.dst = p.slots
			place[i] = operand{false, p.slots}
			p.slots++
			p.uniform = append(p.uniform, s)
			continue
		}
		if n := len(free); n > 0 {
			s.dst, free = free[n-1], free[:n-1]
		} else {
			s.dst = p.registers
			p.registers++
		}
		place[i] = operand{true, s.dst}
		p.varying = append(p.varying, s)
		// Sources are freed after the destination is chosen: a kernel must not write over its source.
		for k, source := range [3]int{v.a, v.b, v.c} {
			repeated := k > 0 && source == v.a || k > 1 && source == v.b
			if at := place[source]; !repeated && last[source] == i && at.block && at.index >= 0 {
				free = append(free, at.index)
			}
		}
	}
	p.result = place[root]
	return p
}

func (g *graph) need(i int, needed []bool) {
	if needed[i] {
		return
	}
	needed[i] = true
	if v := g.values[i]; v.input < 0 && !v.isConst {
		g.need(v.a, needed)
		g.need(v.b, needed)
		g.need(v.c, needed)
	}
}
