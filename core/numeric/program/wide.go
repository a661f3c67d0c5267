package program

import (
	"math"

	"parvix/core/formula/expr"
)

// wide is m·2^e with |m| in [½, 1), or 0 or NaN: a float64 with room for what overflows on the way, as e^x in
// e^x/(1 + e^x).
type wide struct {
	m float64
	e int
}

func wideOf(v float64) wide {
	m, e := math.Frexp(v)
	return wide{m, e}
}

func (a wide) normal() wide {
	m, e := math.Frexp(a.m)
	return wide{m, e + a.e}
}

// float is ±∞ where the value is too large for one.
func (a wide) float() float64 { return math.Ldexp(a.m, a.e) }

func (a wide) isZero() bool { return a.m == 0 }

func (a wide) neg() wide { return wide{-a.m, a.e} }

func (a wide) plus(b wide) wide {
	switch {
	case a.isZero() || a.m != a.m:
		if a.m != a.m {
			return a
		}
		return b
	case b.isZero():
		return a
	case a.e < b.e:
		a, b = b, a
	}
	return wide{a.m + math.Ldexp(b.m, b.e-a.e), a.e}.normal()
}

func (a wide) times(b wide) wide { return wide{a.m * b.m, a.e + b.e}.normal() }

func (a wide) over(b wide) wide {
	if b.isZero() {
		return wide{m: math.NaN()}
	}
	return wide{a.m / b.m, a.e - b.e}.normal()
}

func (a wide) ln() float64 {
	if !(a.m > 0) {
		return math.NaN()
	}
	return math.Log(a.m) + float64(a.e)*math.Ln2
}

// widest bounds the exponents of e, so that an int holds those of 2.
const widest = 1e9

// wideExp is e^x, by e^x = 2^k·e^(x − k ln 2) with ln 2 in two parts (W. J. Cody, W. Waite, Software Manual for the
// Elementary Functions, 1980, chapter 6).
func wideExp(x float64) wide {
	if !(math.Abs(x) < widest) {
		return wide{m: math.NaN()}
	}
	const hi, lo = 6.93147180369123816490e-01, 1.90821492927058770002e-10
	k := math.Round(x / math.Ln2)
	a := wideOf(math.Exp(x - k*hi - k*lo))
	a.e += int(k)
	return a
}

func (a wide) power(n int) wide {
	if n < 0 {
		return wideOf(1).over(a.power(-n))
	}
	out := wideOf(1)
	for ; n > 0; n >>= 1 {
		if n&1 == 1 {
			out = out.times(a)
		}
		a = a.times(a)
	}
	return out
}

// Wide compiles n like CompilePoint, for values that a Point cannot give because a part of them is too large or too small
// for a float64; it takes several times as long. ok is false where n has no such part, or sums and pieces, which are left.
func Wide(n expr.Node, inputs []string) (value Point, ok bool) {
	grows, plain := false, true
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Binary:
			grows = grows || n.Op == expr.Pow
		case *expr.Call:
			grows = grows || n.Name == "exp" || n.Name == "sinh" || n.Name == "cosh"
		case *expr.Pieces, *expr.Sum:
			plain = false
		}
		return plain
	})
	slots := Slots(inputs)
	if !grows || !plain || missingName(n, slots) != nil {
		return nil, false
	}
	w := pointCompiler{inputs, slots}.wide(n)
	return func(in []float64) float64 { return w(in).float() }, true
}

func (c pointCompiler) wide(n expr.Node) func(in []float64) wide {
	switch n := n.(type) {
	case *expr.Neg:
		x := c.wide(n.X)
		return func(in []float64) wide { return x(in).neg() }
	case *expr.Binary:
		return c.wideBinary(n)
	case *expr.Call:
		return c.wideCall(n)
	}
	x := c.compile(n)
	return func(in []float64) wide { return wideOf(x(in)) }
}

func (c pointCompiler) wideBinary(n *expr.Binary) func(in []float64) wide {
	l, r := c.wide(n.L), c.wide(n.R)
	switch n.Op {
	case expr.Add:
		return func(in []float64) wide { return l(in).plus(r(in)) }
	case expr.Sub:
		return func(in []float64) wide { return l(in).plus(r(in).neg()) }
	case expr.Mul:
		return func(in []float64) wide { return l(in).times(r(in)) }
	case expr.Div:
		return func(in []float64) wide { return l(in).over(r(in)) }
	}
	e := exponentOf(n.R)
	switch {
	case e.isWhole:
		return func(in []float64) wide { return l(in).power(e.whole) }
	case isE(n.L):
		return func(in []float64) wide { return wideExp(r(in).float()) }
	}
	point := c.compile(n)
	return func(in []float64) wide {
		if a := l(in); a.m > 0 {
			return wideExp(r(in).float() * a.ln())
		}
		return wideOf(point(in))
	}
}

func (c pointCompiler) wideCall(n *expr.Call) func(in []float64) wide {
	x := c.wide(n.Args[0])
	switch n.Name {
	case "exp":
		return func(in []float64) wide { return wideExp(x(in).float()) }
	case "cosh", "sinh":
		sign := wideOf(1)
		if n.Name == "sinh" {
			sign = wideOf(-1)
		}
		return func(in []float64) wide {
			v := x(in).float()
			return wideExp(v).plus(wideExp(-v).times(sign)).times(wideOf(0.5))
		}
	case "abs":
		return func(in []float64) wide {
			a := x(in)
			return wide{math.Abs(a.m), a.e}
		}
	case "ln":
		return func(in []float64) wide { return wideOf(x(in).ln()) }
	case "sqrt":
		return func(in []float64) wide {
			a := x(in)
			if a.e%2 != 0 {
				a = wide{2 * a.m, a.e - 1}
			}
			return wide{math.Sqrt(a.m), a.e / 2}.normal()
		}
	}
	// Of other functions the arguments must be float64s.
	args := make([]func(in []float64) wide, len(n.Args))
	inputs := make([]string, len(n.Args))
	stand := make([]expr.Node, len(n.Args))
	for i, arg := range n.Args {
		args[i], inputs[i] = c.wide(arg), "\x00"+string(rune('a'+i))
		stand[i] = &expr.Name{Name: inputs[i]}
	}
	f := pointCompiler{inputs, Slots(inputs)}.compile(&expr.Call{Name: n.Name, Args: stand})
	return func(in []float64) wide {
		values := make([]float64, len(args))
		for i, arg := range args {
			values[i] = arg(in).float()
		}
		return wideOf(f(values))
	}
}
