package program

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Point evaluates a formula at one place: inputs in the order given to the compiler. NaN where it has no value.
type Point func(in []float64) float64

// pointCompiler turns a tree into closures, which beat blocks when one value is wanted.
type pointCompiler struct {
	inputs []string
	slots  map[string]int
}

func (c pointCompiler) compile(n expr.Node) Point {
	switch n := n.(type) {
	case *expr.Number:
		v := float(n)
		return func([]float64) float64 { return v }
	case *expr.Constant:
		v := constantValue(n.Name)
		return func([]float64) float64 { return v }
	case *expr.Name:
		slot := c.slots[n.Name]
		return func(in []float64) float64 { return in[slot] }
	case *expr.Neg:
		x := c.compile(n.X)
		return func(in []float64) float64 { return -x(in) }
	case *expr.Binary:
		return c.binary(n)
	case *expr.Call:
		return c.call(n)
	case *expr.Pieces:
		return c.pieces(n)
	case *expr.Sum:
		return c.sum(n)
	}
	panic("program: angles must be in radians before compiling")
}

func float(n *expr.Number) float64 {
	v, _ := n.Value.Float64()
	return v
}

func constantValue(name string) float64 {
	return map[string]float64{"pi": math.Pi, "e": math.E, "inf": math.Inf(1)}[name]
}

func (c pointCompiler) binary(n *expr.Binary) Point {
	l, r := c.compile(n.L), c.compile(n.R)
	switch n.Op {
	case expr.Add:
		return func(in []float64) float64 { return l(in) + r(in) }
	case expr.Sub:
		return func(in []float64) float64 { return l(in) - r(in) }
	case expr.Mul:
		return func(in []float64) float64 { return l(in) * r(in) }
	case expr.Div:
		return func(in []float64) float64 { return divide(l(in), r(in)) }
	}
	e := exponentOf(n.R)
	switch {
	case e.isWhole:
		return func(in []float64) float64 { return powWhole(l(in), e.whole) }
	case e.isOddRoot:
		return func(in []float64) float64 { return powOdd(l(in), e.value, e.oddP) }
	case isE(n.L):
		return func(in []float64) float64 { return math.Exp(r(in)) }
	}
	return func(in []float64) float64 { return powReal(l(in), r(in)) }
}

func isE(n expr.Node) bool {
	c, ok := n.(*expr.Constant)
	return ok && c.Name == "e"
}

// exponent tells the three cases of a power apart: whole, real root p/q with odd q, anything else.
type exponent struct {
	isWhole, isOddRoot bool
	whole              int
	value              float64
	oddP               bool
}

func exponentOf(n expr.Node) exponent {
	r, ok := symbolic.Fraction(n)
	if !ok {
		return exponent{}
	}
	v, _ := r.Float64()
	if r.IsInt() {
		if math.Abs(v) <= 1<<20 {
			return exponent{isWhole: true, whole: int(v), value: v}
		}
		return exponent{}
	}
	return exponent{isOddRoot: r.Denom().Bit(0) == 1, value: v, oddP: r.Num().Bit(0) == 1}
}

// powWhole multiplies, as the block program does, so that both agree.
func powWhole(a float64, n int) float64 {
	if n < 0 {
		return divide(1, powWhole(a, -n))
	}
	out, square := 1.0, a
	for ; n > 0; n >>= 1 {
		if n&1 == 1 {
			out *= square
		}
		square *= square
	}
	return out
}

func (c pointCompiler) call(n *expr.Call) Point {
	args := make([]Point, len(n.Args))
	for i, a := range n.Args {
		args[i] = c.compile(a)
	}
	x := args[0]
	if f, ok := unary[n.Name]; ok {
		return func(in []float64) float64 { return f(x(in)) }
	}
	switch n.Name {
	case "tan":
		return func(in []float64) float64 { return math.Tan(x(in)) }
	case "cot":
		return func(in []float64) float64 { return divide(1, math.Tan(x(in))) }
	case "sec":
		return func(in []float64) float64 { return divide(1, math.Cos(x(in))) }
	case "csc":
		return func(in []float64) float64 { return divide(1, math.Sin(x(in))) }
	case "log":
		if len(args) == 1 {
			return func(in []float64) float64 { return ln(x(in)) / math.Ln10 }
		}
		base := args[1]
		return func(in []float64) float64 { return divide(ln(x(in)), ln(base(in))) }
	case "root":
		degree := args[1]
		return func(in []float64) float64 { return nthRoot(x(in), degree(in)) }
	case "min", "max":
		// The builtins have no value where one of two has none, math.Max(∞, NaN) is ∞.
		pick := func(v, w float64) float64 { return min(v, w) }
		if n.Name == "max" {
			pick = func(v, w float64) float64 { return max(v, w) }
		}
		return func(in []float64) float64 {
			v := args[0](in)
			for _, a := range args[1:] {
				v = pick(v, a(in))
			}
			return v
		}
	}
	panic("program: no function " + n.Name)
}

// nthRoot is the real root of an odd degree for every x, of an even degree for x ≥ 0.
func nthRoot(x, degree float64) float64 {
	if degree == math.Trunc(degree) && math.Mod(math.Abs(degree), 2) == 1 {
		return powOdd(x, 1/degree, true)
	}
	return powReal(x, divide(1, degree))
}

// piecePoint is one piece of a function, compiled.
type piecePoint struct {
	body, subject, lo, hi Point
	loClosed, hiClosed    bool
}

func (c pointCompiler) pieces(n *expr.Pieces) Point {
	pieces := make([]piecePoint, len(n.List))
	for i, p := range n.List {
		pieces[i] = piecePoint{body: c.compile(p.Body), subject: c.compile(p.When.Subject()),
			loClosed: p.When.LoClosed, hiClosed: p.When.HiClosed}
		if p.When.Lo != nil {
			pieces[i].lo = c.compile(p.When.Lo)
		}
		if p.When.Hi != nil {
			pieces[i].hi = c.compile(p.When.Hi)
		}
	}
	return func(in []float64) float64 {
		for i := range pieces {
			if pieces[i].holds(in) {
				return pieces[i].body(in)
			}
		}
		return math.NaN()
	}
}

func (p *piecePoint) holds(in []float64) bool {
	v := p.subject(in)
	if v != v {
		return false
	}
	if p.lo != nil {
		if lo := p.lo(in); !(lo < v || p.loClosed && lo == v) {
			return false
		}
	}
	if p.hi != nil {
		if hi := p.hi(in); !(v < hi || p.hiClosed && hi == v) {
			return false
		}
	}
	return true
}
