package transform

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// canonical moves what it can out of the brackets: B becomes 1 or −1 where the parent allows it, else above 0, with the
// smallest shift. Letters whose sign is not known stay where they are.
func (f Form) canonical() Form {
	f = f.withoutFactorInside()
	switch {
	case even[f.Parent.Kind] && sign(f.B) < 0:
		f.B = simple(expr.Opposite(f.B))
	case odd[f.Parent.Kind] && sign(f.B) < 0:
		f.A, f.B = simple(expr.Opposite(f.A)), simple(expr.Opposite(f.B))
	case f.Parent.Kind == Logistic && sign(f.B) < 0:
		// 1/(1 + e^x) = 1 − 1/(1 + e^(−x))
		f.A, f.B, f.K = simple(expr.Opposite(f.A)), simple(expr.Opposite(f.B)), simple(expr.Plus(f.K, f.A))
	}
	return f.nearest()
}

// withoutFactorInside uses p(cx) = c^q p(x), ln(cx) = ln c + ln x and b^(cx) = (b^c)^x.
func (f Form) withoutFactorInside() Form {
	s := sign(f.B)
	size := simple(expr.Apply("abs", f.B))
	q := exponents[f.Parent.Kind]
	switch {
	case f.Parent.Kind == Linear:
		slope := simple(expr.Times(f.A, f.B))
		return Form{f.Parent, slope, num(1), num(0), simple(expr.Minus(f.K, expr.Times(slope, f.H)))}
	case f.Parent.Kind == SquareRoot && s == 0:
		return f
	case f.Parent.Kind == SquareRoot:
		return Form{f.Parent, simple(expr.Times(f.A, expr.Apply("sqrt", size))), num(int64(s)), f.H, f.K}
	case q != nil && even[f.Parent.Kind]:
		return Form{f.Parent, simple(expr.Times(f.A, powerOfSize(size, q))), num(1), f.H, f.K}
	case q != nil:
		factor := expr.Power(f.B, symbolic.Ratio(q))
		if f.Parent.Kind == CubeRoot {
			factor = expr.Apply("cbrt", f.B)
		}
		return Form{f.Parent, simple(expr.Times(f.A, factor)), num(1), f.H, f.K}
	case f.Parent.Kind == Logarithm && s != 0:
		lift := expr.Times(f.A, f.Parent.Of(size))
		return Form{f.Parent, f.A, num(int64(s)), f.H, simple(expr.Plus(f.K, lift))}
	case f.Parent.Kind == Exponential && s != 0:
		base := simple(expr.Power(f.Parent.Base, size))
		if _, readable := symbolic.Fraction(base); readable {
			return Form{Parent{Kind: Exponential, Base: base}, f.A, num(int64(s)), f.H, f.K}
		}
	}
	return f
}

// powerOfSize writes |b|² as b².
func powerOfSize(size expr.Node, q *big.Rat) expr.Node {
	if c, ok := size.(*expr.Call); ok && c.Name == "abs" && q.IsInt() && new(big.Int).Mod(q.Num(), big.NewInt(2)).Sign() == 0 {
		size = c.Args[0]
	}
	return expr.Power(size, symbolic.Ratio(q))
}

// nearest takes whole periods off the shift, where there are no letters; the sign of A stays as it is written.
func (f Form) nearest() Form {
	period := f.Parent.period()
	if period == nil || len(expr.Names(f.H))+len(expr.Names(f.B)) > 0 {
		return f
	}
	step := simple(expr.Over(period, expr.Apply("abs", f.B)))
	p, h := exact.Float(step), exact.Float(f.H)
	if !(p > 0) || math.IsNaN(h) || math.IsInf(h, 0) || math.Abs(h/p) > 1e6 {
		return f
	}
	if k := math.Round(h / p); math.Abs(h-k*p) < math.Abs(h)-1e-9*p {
		f.H = simple(expr.Minus(f.H, expr.Times(num(int64(k)), step)))
	}
	return f
}

// At puts values into the letters.
func (f Form) At(values map[string]expr.Node) Form {
	put := func(n expr.Node) expr.Node { return simple(symbolic.Substitute(n, values)) }
	p := f.Parent
	if p.Base != nil {
		p.Base = put(p.Base)
	}
	return Form{p, put(f.A), put(f.B), put(f.H), put(f.K)}
}

// Node is the form as a formula in x: A·p(B(x − H)) + K.
func (f Form) Node(x string) expr.Node {
	return f.outside(f.Parent.Of(f.inner(x)))
}

// inner is B(x − H), without factors of 1 and shifts of 0.
func (f Form) inner(x string) expr.Node {
	return scaled(f.B, shifted(&expr.Name{Name: x}, expr.Opposite(f.H)))
}

func (f Form) outside(p expr.Node) expr.Node { return shifted(scaled(f.A, p), f.K) }

// scaled is c·n and shifted n + c, as people write them.
func scaled(c, n expr.Node) expr.Node {
	c = simple(c)
	if isOne(c) {
		return n
	}
	if v, ok := symbolic.Fraction(c); ok && v.Cmp(big.NewRat(-1, 1)) == 0 {
		return expr.Opposite(n)
	}
	if minus, ok := c.(*expr.Neg); ok {
		return expr.Opposite(scaled(minus.X, n))
	}
	if d, ok := n.(*expr.Binary); ok && d.Op == expr.Div && isOne(d.L) {
		return expr.Over(c, d.R)
	}
	return expr.Times(c, n)
}

func shifted(n, c expr.Node) expr.Node {
	c = simple(c)
	switch m := c.(type) {
	case *expr.Neg:
		return expr.Minus(n, m.X)
	case *expr.Binary:
		// n + (a − b) with a sum in brackets reads badly; a leading minus goes in front.
		if lead, ok := m.L.(*expr.Neg); ok && (m.Op == expr.Mul || m.Op == expr.Div) {
			return expr.Minus(n, &expr.Binary{Op: m.Op, L: lead.X, R: m.R})
		}
	}
	if isZero(c) {
		return n
	}
	if v, ok := symbolic.Fraction(c); ok && v.Sign() < 0 {
		return expr.Minus(n, symbolic.Ratio(new(big.Rat).Neg(v)))
	}
	return expr.Plus(n, c)
}
