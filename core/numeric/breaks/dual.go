package breaks

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// dual encloses a function and its derivative by x over an interval of x. The derivative is the whole line where the
// function may be broken or have a corner inside the interval, so a bounded derivative proves continuity.
type dual struct{ v, d interval.I }

// scope is where a dual is evaluated: x over an interval, the other inputs at their values (in[0] is not read).
type scope struct {
	x  interval.I
	in []float64
	// y is a second variable over an interval, for a compiler of boxes.
	y interval.I
}

type dualFunc func(*scope) dual

type dualCompiler struct {
	slots map[string]int
	// boxes lets the second input be a variable too; derivatives are those by the first.
	boxes bool
}

var (
	unit     = interval.Point(1)
	unitBall = interval.I{Lo: -1, Hi: 1}
	piRange  = interval.I{Lo: math.Pi, Hi: math.Nextafter(math.Pi, 4)}
	eRange   = interval.I{Lo: math.E, Hi: math.Nextafter(math.E, 3)}
)

func (c dualCompiler) compile(n expr.Node) dualFunc {
	switch n := n.(type) {
	case *expr.Number:
		v, exact := n.Value.Float64()
		enclosed := dual{v: interval.Point(v)}
		if !exact {
			enclosed.v = interval.I{Lo: math.Nextafter(v, math.Inf(-1)), Hi: math.Nextafter(v, math.Inf(1))}
		}
		return func(*scope) dual { return enclosed }
	case *expr.Constant:
		enclosed := dual{v: map[string]interval.I{"pi": piRange, "e": eRange, "inf": interval.Point(math.Inf(1))}[n.Name]}
		return func(*scope) dual { return enclosed }
	case *expr.Name:
		slot := c.slots[n.Name]
		if slot == 0 {
			return func(s *scope) dual { return dual{s.x, unit} }
		}
		if c.boxes && slot == 1 {
			return func(s *scope) dual { return dual{v: s.y} }
		}
		return func(s *scope) dual { return dual{v: interval.Point(s.in[slot])} }
	case *expr.Neg:
		x := c.compile(n.X)
		return func(s *scope) dual { a := x(s); return dual{a.v.Neg(), a.d.Neg()} }
	case *expr.Binary:
		return c.binary(n)
	case *expr.Call:
		return c.call(n)
	case *expr.Pieces:
		return c.pieces(n)
	case *expr.Sum:
		return c.sum(n)
	}
	panic("breaks: angles must be in radians before compiling")
}

// sum adds the enclosures of all terms; its ends must not depend on the variable.
func (c dualCompiler) sum(n *expr.Sum) dualFunc {
	count := len(c.slots)
	inner := dualCompiler{slots: map[string]int{n.Var: count}, boxes: c.boxes}
	for name, slot := range c.slots {
		inner.slots[name] = slot
	}
	inner.slots[n.Var] = count
	body, from, to := inner.compile(n.Body), c.compile(n.From), c.compile(n.To)
	return func(s *scope) dual {
		first, last, ok := program.WholeEnds(from(s).v.Lo, to(s).v.Lo)
		if !from(s).v.IsPoint() || !to(s).v.IsPoint() {
			return dual{interval.All, interval.All}
		}
		if !ok {
			return dual{interval.Empty, interval.Empty} // ends that are no whole numbers, or too far apart: it has no value anywhere
		}
		term := &scope{x: s.x, y: s.y, in: append(s.in[:min(count, len(s.in)):min(count, len(s.in))], 0)}
		total := dual{}
		for k := first; k <= last; k++ {
			term.in[len(term.in)-1] = float64(k)
			t := body(term)
			total = dual{total.v.Add(t.v), total.d.Add(t.d)}
		}
		return total
	}
}

func (c dualCompiler) binary(n *expr.Binary) dualFunc {
	l, r := c.compile(n.L), c.compile(n.R)
	switch n.Op {
	case expr.Add:
		return both(l, r, func(a, b dual) dual { return dual{a.v.Add(b.v), a.d.Add(b.d)} })
	case expr.Sub:
		return both(l, r, func(a, b dual) dual { return dual{a.v.Sub(b.v), a.d.Sub(b.d)} })
	case expr.Mul:
		return both(l, r, product)
	case expr.Div:
		return both(l, r, func(a, b dual) dual { return product(a, inverse(b)) })
	}
	if e, ok := symbolic.Fraction(n.R); ok && e.IsInt() && e.Num().IsInt64() && math.Abs(float64(e.Num().Int64())) < 1<<20 {
		p := int(e.Num().Int64())
		return of(l, func(a dual) dual { return wholePower(a, p) })
	} else if ok && e.Denom().Bit(0) == 1 {
		p, _ := e.Float64()
		odd := e.Num().Bit(0) == 1
		return of(l, func(a dual) dual { return oddPower(a, p, odd) })
	}
	if constant, ok := n.L.(*expr.Constant); ok && constant.Name == "e" {
		return of(r, exponential)
	}
	// a^b = e^(b ln a), on the part where a > 0; at a = 0 the derivative is unbounded anyway.
	return both(l, r, func(a, b dual) dual {
		if zero := (interval.I{}); a.v == zero && a.d == zero && b.v.Lo > 0 {
			return a // 0^x is 0, and not a number too small for a float64
		}
		if b.v.IsPoint() && b.v.Lo == math.Trunc(b.v.Lo) && b.d == (interval.I{}) && math.Abs(b.v.Lo) < 1<<20 {
			return wholePower(a, int(b.v.Lo))
		}
		if b.v.IsPoint() && b.d == (interval.I{}) {
			return dual{a.v.PowReal(b.v.Lo), chain(a, b.v.Mul(a.v.PowReal(b.v.Lo-1)), a.v.Lo > 0)}
		}
		return exponential(product(b, logarithm(a)))
	})
}

// nothing is of what has no value anywhere on an interval; a formula of it has none either.
var nothing = dual{interval.Empty, interval.All}

func of(x dualFunc, f func(a dual) dual) dualFunc {
	return func(s *scope) dual {
		a := x(s)
		if a.v.IsEmpty() {
			return nothing
		}
		return f(a)
	}
}

func both(l, r dualFunc, f func(a, b dual) dual) dualFunc {
	return func(s *scope) dual {
		a, b := l(s), r(s)
		if a.v.IsEmpty() || b.v.IsEmpty() {
			return nothing
		}
		return f(a, b)
	}
}

// chain is outer·inner′ where the outer function is smooth on the whole of inner's values.
func chain(inner dual, outer interval.I, smooth bool) interval.I {
	if inner.d == (interval.I{}) {
		return inner.d
	}
	if !smooth || outer.IsEmpty() {
		return interval.All
	}
	return outer.Mul(inner.d)
}

func product(a, b dual) dual {
	if a.v.IsEmpty() || b.v.IsEmpty() {
		return nothing // as the inverse of 0
	}
	return dual{a.v.Mul(b.v), a.d.Mul(b.v).Add(a.v.Mul(b.d))}
}

func inverse(a dual) dual {
	inv := a.v.Inv()
	return dual{inv, chain(a, inv.PowInt(2).Neg(), !a.v.Has(0))}
}

func wholePower(a dual, p int) dual {
	if p < 0 {
		return inverse(wholePower(a, -p))
	}
	if p == 0 {
		return dual{v: unit}
	}
	return dual{a.v.PowInt(p), chain(a, interval.Point(float64(p)).Mul(a.v.PowInt(p-1)), true)}
}

// oddPower is the real root a^(p/q) with odd q.
func oddPower(a dual, p float64, odd bool) dual {
	size := a.v.Abs().PowReal(p)
	v := size
	if odd && a.v.Lo < 0 {
		negative := a.v.Intersect(interval.I{Lo: math.Inf(-1), Hi: 0}).Abs().PowReal(p).Neg()
		v = negative
		if a.v.Hi >= 0 {
			v = negative.Hull(a.v.Intersect(interval.I{Lo: 0, Hi: math.Inf(1)}).PowReal(p))
		}
	}
	slope := interval.Point(p).Mul(a.v.Abs().PowReal(p - 1))
	return dual{v, chain(a, slope.Hull(slope.Neg()).Intersect(signed(slope, a.v, odd)), !a.v.Has(0))}
}

// signed gives the slope its sign: that of an odd power rises on both sides, that of an even one falls for a < 0.
func signed(slope, at interval.I, odd bool) interval.I {
	if odd || at.Lo > 0 {
		return slope
	}
	return slope.Neg()
}

func exponential(a dual) dual {
	e := a.v.Exp()
	return dual{e, chain(a, e, true)}
}

func logarithm(a dual) dual {
	return dual{a.v.Ln(), chain(a, a.v.Inv(), a.v.Lo > 0)}
}

func squareRoot(a dual) dual {
	root := a.v.Sqrt()
	return dual{root, chain(a, interval.Point(0.5).Mul(root.Inv()), a.v.Lo > 0)}
}

func sine(a dual) dual   { return dual{a.v.Sin(), chain(a, a.v.Cos(), true)} }
func cosine(a dual) dual { return dual{a.v.Cos(), chain(a, a.v.Sin().Neg(), true)} }

func absolute(a dual) dual {
	switch {
	case a.v.Lo >= 0:
		return a
	case a.v.Hi <= 0:
		return dual{a.v.Neg(), a.d.Neg()}
	}
	return dual{a.v.Abs(), a.d.Mul(unitBall)}
}

// step is a function that is level between the places where it jumps.
func step(a dual, v interval.I) dual {
	if v.IsPoint() {
		return dual{v: v}
	}
	return dual{v, interval.All}
}

// smooth bounds a function that rises on [lo, hi], its whole domain, with slope given by its own enclosure.
func smooth(f func(float64) float64, slope func(interval.I) interval.I, lo, hi float64) func(dual) dual {
	return func(a dual) dual {
		inside := a.v.Lo > lo && a.v.Hi < hi || math.IsInf(lo, 0) && math.IsInf(hi, 0)
		return dual{a.v.Rising(f, lo, hi), chain(a, slope(a.v), inside)}
	}
}

func onePlusSquare(v interval.I) interval.I  { return unit.Add(v.PowInt(2)) }
func oneMinusSquare(v interval.I) interval.I { return unit.Sub(v.PowInt(2)) }

var inf = math.Inf(1)

// elementary: the functions of one argument. Derivatives as in symbolic.Derivative.
var elementary = map[string]func(dual) dual{
	"sin": sine, "cos": cosine,
	"tan": func(a dual) dual { return product(sine(a), inverse(cosine(a))) },
	"cot": func(a dual) dual { return product(cosine(a), inverse(sine(a))) },
	"sec": func(a dual) dual { return inverse(cosine(a)) },
	"csc": func(a dual) dual { return inverse(sine(a)) },
	"exp": exponential, "ln": logarithm, "sqrt": squareRoot, "abs": absolute,
	"cbrt": func(a dual) dual {
		slope := a.v.Cbrt().PowInt(2).Mul(interval.Point(3)).Inv()
		return dual{a.v.Cbrt(), chain(a, slope, !a.v.Has(0))}
	},
	"arctan": smooth(math.Atan, func(v interval.I) interval.I { return onePlusSquare(v).Inv() }, -inf, inf),
	"arcsin": smooth(math.Asin, func(v interval.I) interval.I { return oneMinusSquare(v).Sqrt().Inv() }, -1, 1),
	"sinh":   smooth(math.Sinh, interval.I.Cosh, -inf, inf),
	"tanh":   smooth(math.Tanh, func(v interval.I) interval.I { return v.Cosh().PowInt(2).Inv() }, -inf, inf),
	"arsinh": smooth(math.Asinh, func(v interval.I) interval.I { return onePlusSquare(v).Sqrt().Inv() }, -inf, inf),
	"artanh": smooth(math.Atanh, func(v interval.I) interval.I { return oneMinusSquare(v).Inv() }, -1, 1),
	"arcosh": smooth(math.Acosh, func(v interval.I) interval.I { return v.PowInt(2).Sub(unit).Sqrt().Inv() }, 1, inf),
	"cosh": func(a dual) dual {
		return dual{a.v.Cosh(), chain(a, a.v.Rising(math.Sinh, -inf, inf), true)}
	},
	"floor": func(a dual) dual { return step(a, a.v.Floor()) },
	"ceil":  func(a dual) dual { return step(a, a.v.Ceil()) },
	"sgn": func(a dual) dual {
		return step(a, interval.I{Lo: sign(a.v.Lo), Hi: sign(a.v.Hi)})
	},
}

func sign(v float64) float64 {
	switch {
	case v > 0:
		return 1
	case v < 0:
		return -1
	}
	return 0
}

// minus turns f into c − f.
func minus(c interval.I, f dual) dual { return dual{c.Sub(f.v), f.d.Neg()} }

func halfPi() interval.I { return piRange.Mul(interval.Point(0.5)) }

func (c dualCompiler) call(n *expr.Call) dualFunc {
	args := make([]dualFunc, len(n.Args))
	for i, a := range n.Args {
		args[i] = c.compile(a)
	}
	x := args[0]
	if f, ok := elementary[n.Name]; ok {
		return of(x, f)
	}
	composed := func(name string, before, after func(dual) dual) dualFunc {
		f := elementary[name]
		return of(of(of(x, before), f), after)
	}
	same := func(a dual) dual { return a }
	fromHalfPi := func(a dual) dual { return minus(halfPi(), a) }
	switch n.Name {
	case "arccos":
		return composed("arcsin", same, fromHalfPi)
	case "arccot":
		return composed("arctan", same, fromHalfPi)
	case "arccsc":
		return composed("arcsin", inverse, same)
	case "arcsec":
		return composed("arcsin", inverse, fromHalfPi)
	case "coth":
		return composed("tanh", same, inverse)
	case "log":
		base := func(*scope) dual { return dual{v: interval.Point(math.Ln10)} }
		if len(args) == 2 {
			base = of(args[1], logarithm)
		}
		return both(x, base, func(a, b dual) dual { return product(logarithm(a), inverse(b)) })
	case "root":
		return both(x, args[1], nthRoot)
	case "min", "max":
		return extreme(n.Name, args)
	}
	panic("breaks: no function " + n.Name)
}

func nthRoot(a, degree dual) dual {
	if !degree.v.IsPoint() || degree.v.Lo == 0 {
		return dual{interval.All, interval.All}
	}
	q := degree.v.Lo
	if q == math.Trunc(q) && math.Mod(math.Abs(q), 2) == 1 {
		return oddPower(a, 1/q, true)
	}
	return dual{a.v.PowReal(1 / q), chain(a, interval.Point(1/q).Mul(a.v.PowReal(1/q-1)), a.v.Lo > 0)}
}

func extreme(name string, args []dualFunc) dualFunc {
	return func(s *scope) dual {
		out := args[0](s)
		for _, f := range args[1:] {
			b := f(s)
			if out.v.IsEmpty() || b.v.IsEmpty() {
				return nothing
			}
			if name == "min" {
				out, b = dual{out.v.Neg(), out.d.Neg()}, dual{b.v.Neg(), b.d.Neg()}
			}
			switch {
			case out.v.Lo >= b.v.Hi:
			case b.v.Lo >= out.v.Hi:
				out = b
			default:
				out = dual{out.v.Max(b.v), out.d.Hull(b.d)}
			}
			if name == "min" {
				out = dual{out.v.Neg(), out.d.Neg()}
			}
		}
		return out
	}
}

func (c dualCompiler) pieces(n *expr.Pieces) dualFunc {
	type piece struct{ body, subject, lo, hi dualFunc }
	list := make([]piece, len(n.List))
	for i, p := range n.List {
		list[i] = piece{body: c.compile(p.Body), subject: c.compile(p.When.Subject())}
		if p.When.Lo != nil {
			list[i].lo = c.compile(p.When.Lo)
		}
		if p.When.Hi != nil {
			list[i].hi = c.compile(p.When.Hi)
		}
	}
	return func(s *scope) dual {
		out := dual{v: interval.Empty}
		for _, p := range list {
			subject := p.subject(s).v
			certain := true
			if p.lo != nil {
				lo := p.lo(s).v
				if subject.Hi < lo.Lo {
					continue
				}
				certain = certain && subject.Lo > lo.Hi
			}
			if p.hi != nil {
				hi := p.hi(s).v
				if subject.Lo > hi.Hi {
					continue
				}
				certain = certain && subject.Hi < hi.Lo
			}
			body := p.body(s)
			if certain && out.v.IsEmpty() {
				return body
			}
			out = dual{out.v.Hull(body.v), interval.All}
			if certain {
				break
			}
		}
		if out.v.IsEmpty() {
			return dual{interval.All, interval.All}
		}
		return out
	}
}
