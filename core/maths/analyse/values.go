package analyse

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// evaluate finds the value at a place, exactly where it can.
func (a *analyser) evaluate(i int) {
	p := &a.places[i]
	if !p.x.IsFinite() || p.border {
		return
	}
	if p.x.Value == a.lo && a.bounds.Lo != nil && !a.bounds.LoClosed || p.x.Value == a.hi && a.bounds.Hi != nil && !a.bounds.HiClosed {
		return
	}
	tree := smoothed(a.n, a.variable, p.x.Value)
	if tree == nil {
		return
	}
	var zeros []expr.Node
	if zeros, p.open = a.gatesAt(tree, p.x, p.cut); p.open {
		p.y, p.defined = a.value(tree, p.x, zeros)
		if p.isZero && p.y.Exact == nil && math.Abs(p.y.Value) < 1e-6 && a.mayBe(tree, p.x.Value, 0) {
			p.y = exactly(exact.Value{})
		}
	}
}

// valueAt evaluates a smooth formula at a cut; ok is false where a gate is shut, and where no float64 holds the value.
func (a *analyser) valueAt(tree expr.Node, x Number) (y Number, ok bool) {
	zeros, ok := a.gatesAt(tree, x, true)
	if !ok {
		return Number{}, false
	}
	return a.value(tree, x, zeros)
}

// gatesAt tells whether the gates of a smooth formula are open at x, and which of their parts are 0 there. A gate can be 0
// at a cut only, where rounding may hide it; elsewhere a small number is a number.
func (a *analyser) gatesAt(tree expr.Node, x Number, cut bool) (zeros []expr.Node, open bool) {
	for _, g := range gatesOf(tree, fractionOf) {
		f, err := program.CompilePoint(g.part, []string{a.variable})
		if err != nil {
			return nil, false
		}
		v := f([]float64{x.Value})
		if math.IsNaN(v) {
			// An inner part fails by rounding, or has no value: its own gate tells.
			if cut && fades(f, x.Value) && !g.allowsZero(a.variable, x.Value) {
				return nil, false
			}
			continue
		}
		nearZero := isNearZero(f, v, x.Value) || a.mayBe(g.part, x.Value, 0)
		if nearZero && (cut || x.Exact != nil || a.isConstant(g.part)) && a.vanishes(g.part, x) {
			if !g.allowsZero(a.variable, x.Value) {
				return nil, false
			}
			zeros = append(zeros, g.part)
			continue
		}
		if v == 0 && !cut && !a.isConstant(g.part) {
			v = a.underflow(g.part, x.Value)
		}
		if !g.test(v) && !(v == 0 && g.allowsZero(a.variable, x.Value)) {
			return nil, false
		}
	}
	return zeros, true
}

// value evaluates a smooth formula where its gates are open and some parts are 0. Where that is only known rounded, 0 is put
// in for those: the cube root of what is left of it would be no small number.
func (a *analyser) value(tree expr.Node, x Number, zeros []expr.Node) (Number, bool) {
	if len(zeros) > 0 && x.Exact == nil {
		return a.number(symbolic.Simplify(with0(tree, zeros)).Node, x)
	}
	simple := a.simple(tree)
	y, ok := a.number(simple, x)
	if len(zeros) > 0 && (!ok || y.Exact == nil) {
		return a.number(symbolic.Simplify(with0(tree, zeros)).Node, x)
	}
	if ok && y.Exact == nil && a.isRoundedMore(simple, tree, x.Value) {
		return a.number(tree, x)
	}
	return y, ok
}

// with0 puts 0 for parts of a formula; for u ± 1, the conditions of an arc sine, it puts ∓1 for u.
func with0(n expr.Node, parts []expr.Node) expr.Node {
	for _, p := range parts {
		if expr.Equal(n, p) {
			return expr.Num(0)
		}
		sum, ok := p.(*expr.Binary)
		if !ok || !expr.Equal(sum.R, expr.Num(1)) || !expr.Equal(n, sum.L) {
			continue
		}
		switch sum.Op {
		case expr.Sub:
			return expr.Num(1)
		case expr.Add:
			return expr.Num(-1)
		}
	}
	return expr.Map(n, func(child expr.Node) expr.Node { return with0(child, parts) })
}

// isRoundedMore tells that rounding leaves the value of n less certain than that of m, the same function written in
// another way: where (x² + 5x + 3)⁴ x³ is 0, twelve written-out powers leave 10⁻⁸.
func (a *analyser) isRoundedMore(n, m expr.Node, x float64) bool {
	wide, _ := breaks.Enclose(n, a.variable)(interval.Point(x))
	narrow, _ := breaks.Enclose(m, a.variable)(interval.Point(x))
	return !narrow.IsEmpty() && narrow.Hi-narrow.Lo < (wide.Hi-wide.Lo)/2
}

// isNearZero tells that v = f(x) may be 0 but for rounding: it is tiny, or next to x the values are many times larger, as
// beside a root's zero, where an angle's last digit alone makes ∛(sin π) 5e-6.
func isNearZero(f program.Point, v, x float64) bool {
	if math.Abs(v) <= 1e-10*(1+math.Abs(x)) {
		return true
	}
	h := 1e-9 * (1 + math.Abs(x))
	for _, beside := range []float64{f([]float64{x - h}), f([]float64{x + h})} {
		if math.Abs(v) <= 0.1*math.Abs(beside) {
			return true
		}
	}
	return false
}

// fades tells that f, which has no value at x, comes down to 0 beside it, as the root of what is 0 there.
func fades(f program.Point, x float64) bool {
	far, near := 1e-6*(1+math.Abs(x)), 1e-9*(1+math.Abs(x))
	for _, side := range []float64{-1, 1} {
		if math.Abs(f([]float64{x + side*near})) <= 0.3*math.Abs(f([]float64{x + side*far})) {
			return true
		}
	}
	return false
}

// isConstant tells whether a part is the same for every x, as 1 − x/x is.
func (a *analyser) isConstant(part expr.Node) bool {
	return !depends(part, a.variable) || !depends(symbolic.Simplify(part).Node, a.variable)
}

// vanishes tells whether a part is 0 at x, by exact numbers where x is exact or the part hangs on no x.
func (a *analyser) vanishes(part expr.Node, x Number) bool {
	put := map[string]expr.Node{a.variable: x.Exact}
	if x.Exact == nil {
		if depends(part, a.variable) {
			return true
		}
		put = nil
	}
	v := exact.Of(symbolic.Substitute(part, put))
	if _, known := v.Sign(); known {
		return v.IsZero()
	}
	return true
}

// maxExactSize bounds what is worth reading as an exact value.
const maxExactSize = 24

// mostUnderRoot is the largest number under a fourth or higher root that says more than decimals do.
var mostUnderRoot = big.NewRat(999, 1)

// longestFraction bounds the binary digits of a fraction, above and below together. Those of a float64 are more.
const longestFraction = 64

// told is an exact value, rounded where its decimals say more.
func told(v exact.Value) Number {
	if isReadable(v.Node()) {
		return exactly(v)
	}
	return Number{Value: v.Float()}
}

// isReadable tells whether an exact value says more than its decimals: no waves of inverse waves, not too long.
func isReadable(n expr.Node) bool {
	readable := symbolic.Size(n) <= maxExactSize
	expr.Walk(n, func(n expr.Node) bool {
		if r, ok := symbolic.Fraction(n); ok && !r.IsInt() && r.Num().BitLen()+r.Denom().BitLen() > longestFraction {
			readable = false
		}
		if p, ok := n.(*expr.Binary); ok && p.Op == expr.Pow {
			base, isNumber := p.L.(*expr.Number)
			readable = readable && !(isNumber && base.Value.Cmp(mostUnderRoot) > 0)
		}
		if c, ok := n.(*expr.Call); ok {
			switch c.Name {
			case "sqrt", "cbrt", "root", "ln", "log":
			case "arcsin", "arccos", "arctan", "arsinh", "arcosh", "artanh", "arccot":
				readable = readable && symbolic.Size(c) <= 9
			default:
				// sin 1 is as good a name as any; sin(2 arctan 3) is not.
				_, isNumber := exact.Of(c.Args[0]).Rat()
				readable = readable && isNumber
			}
		}
		return readable
	})
	return readable
}

// mayBe tells that w lies among the values of n next to x, where those change fast: a cube root that is 0 at ln 5/ln 2 is
// no small number at the float64 beside it.
func (a *analyser) mayBe(n expr.Node, x, w float64) bool {
	near := a.beside(n, x)
	return near.Has(w) && !math.IsInf(near.Lo, 0) && !math.IsInf(near.Hi, 0)
}

// passes0 tells that the values of n next to x lie on both sides of 0; those of e^(−x³), too small for a float64 far out, do
// not.
func (a *analyser) passes0(n expr.Node, x float64) bool {
	near := a.beside(n, x)
	return near.Lo < 0 && near.Hi > 0 && !math.IsInf(near.Lo, 0) && !math.IsInf(near.Hi, 0)
}

// beside encloses the values of n as near to x as a place is known.
func (a *analyser) beside(n expr.Node, x float64) interval.I {
	h := 1e-14 * (1 + math.Abs(x))
	near, _ := breaks.Enclose(n, a.variable)(interval.I{Lo: x - h, Hi: x + h})
	return near
}

// maxPutIn bounds the formulas into which exact numbers are put.
const maxPutIn = 200

// number puts x into a simplified formula.
func (a *analyser) number(n expr.Node, x Number) (Number, bool) {
	if !depends(n, a.variable) {
		if e := exact.Of(n); isReadable(e.Node()) && !math.IsNaN(e.Float()) {
			return exactly(e), true
		}
	}
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return Number{}, false
	}
	v := f([]float64{x.Value})
	if x.Exact != nil && symbolic.Size(n) <= maxPutIn {
		e := exact.Of(symbolic.Substitute(n, map[string]expr.Node{a.variable: x.Exact}))
		w := e.Float()
		agrees := math.IsNaN(v) || math.Abs(w-v) <= 1e-8*(1+math.Abs(w)) || a.mayBe(n, x.Value, w)
		if !math.IsNaN(w) && agrees && isReadable(e.Node()) {
			return exactly(e), true
		}
		if v != v {
			v = w // an arc cosine of −1 − 10⁻¹⁶
		}
	}
	switch {
	case math.IsNaN(v) || math.IsInf(v, 0):
		return Number{}, false
	case x.Exact == nil && math.Abs(v) < 1e-6 && a.passes0(n, x.Value):
		return exactly(exact.Value{}), true // but for the last digits of x
	}
	return Number{Value: v}, true
}
