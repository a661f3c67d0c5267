// Package exact computes with constants that stay exact: fractions, roots, multiples of π, e and logarithms.
//
// A Value is a fraction where it can be one, else a number a + b√d where it is one of those, else a simplified formula
// without letters. Nothing is rounded before Float.
package exact

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Value is an exact constant: a fraction, or a simplified formula without letters. The zero Value is 0.
type Value struct {
	rat  *big.Rat
	node expr.Node
}

// Of reads a formula without letters, in radians, and simplifies it.
func Of(n expr.Node) Value {
	if r, ok := rational(n); ok {
		return Value{rat: r}
	}
	if s, ok := surdOf(n); ok {
		return s.value()
	}
	if out, found := denested(n); found {
		n = out
	}
	n = symbolic.Simplify(withSurds(n)).Node
	if out, found := denested(n); found {
		n = symbolic.Simplify(out).Node
	}
	if out, found := cancelled(n); found {
		n = symbolic.Simplify(out).Node
	}
	if r, ok := rational(n); ok {
		return Value{rat: r}
	}
	return Value{node: n}
}

// cancelled puts 0 for the sums in n that are 0 though no two of their terms are alike: (1 − e)/(1 − e) is 1, and so is
// 1/(1 − e) − e/(1 − e). As one fraction such a sum has nothing above.
func cancelled(n expr.Node) (out expr.Node, found bool) {
	isOverSum := func(n expr.Node) bool {
		b, ok := n.(*expr.Binary)
		return ok && b.Op == expr.Div && expr.Any(b.R, isSum)
	}
	if !expr.Any(n, isOverSum) {
		return n, false
	}
	var settle func(n expr.Node) expr.Node
	settle = func(n expr.Node) expr.Node {
		n = expr.Map(n, settle)
		if !isSum(n) {
			return n
		}
		sum := n.(*expr.Binary)
		if math.Abs(Float(n)) > 1e-12*(math.Abs(Float(sum.L))+math.Abs(Float(sum.R))) {
			return n
		}
		above, _, ok := symbolic.Together(n)
		if zero, isNumber := rational(above); ok && isNumber && zero.Sign() == 0 {
			found = true
			return above
		}
		return n
	}
	return settle(n), found
}

func isSum(n expr.Node) bool {
	b, ok := n.(*expr.Binary)
	return ok && (b.Op == expr.Add || b.Op == expr.Sub)
}

// Fractional is the value p/q.
func Fractional(r *big.Rat) Value { return Value{rat: r} }

// Int is a whole value.
func Int(n int64) Value { return Value{rat: big.NewRat(n, 1)} }

// rational reads numbers, their negatives and quotients.
func rational(n expr.Node) (*big.Rat, bool) {
	switch n := n.(type) {
	case *expr.Number:
		return n.Value, true
	case *expr.Neg:
		if r, ok := rational(n.X); ok {
			return new(big.Rat).Neg(r), true
		}
	case *expr.Binary:
		if n.Op != expr.Div {
			return nil, false
		}
		l, lOK := rational(n.L)
		r, rOK := rational(n.R)
		if lOK && rOK && r.Sign() != 0 {
			return new(big.Rat).Quo(l, r), true
		}
	}
	return nil, false
}

// Rat gives the fraction that v is.
func (v Value) Rat() (*big.Rat, bool) {
	if v.rat == nil && v.node == nil {
		return new(big.Rat), true
	}
	return v.rat, v.rat != nil
}

// Node is v as a tree.
func (v Value) Node() expr.Node {
	if r, ok := v.Rat(); ok {
		return symbolic.Ratio(r)
	}
	return v.node
}

// Float is v rounded; NaN where it has no value.
func (v Value) Float() float64 {
	if r, ok := v.Rat(); ok {
		f, _ := r.Float64()
		return f
	}
	return Float(v.node)
}

// IsZero tells whether v is surely 0.
func (v Value) IsZero() bool {
	r, ok := v.Rat()
	return ok && r.Sign() == 0
}

// Sign is −1, 0 or 1; known is false where rounding could decide it.
func (v Value) Sign() (sign int, known bool) {
	if r, ok := v.Rat(); ok {
		return r.Sign(), true
	}
	return signOf(v.Node())
}

// signOf reads the sign off the structure of a product, so that e^(−32) is above 0 however small it is.
func signOf(n expr.Node) (sign int, known bool) {
	switch n := n.(type) {
	case *expr.Neg:
		sign, known = signOf(n.X)
		return -sign, known
	case *expr.Binary:
		if n.Op == expr.Mul || n.Op == expr.Div {
			l, lKnown := signOf(n.L)
			r, rKnown := signOf(n.R)
			return l * r, lKnown && rKnown && r != 0
		}
		if base, ok := signOf(n.L); n.Op == expr.Pow && ok && base > 0 {
			return 1, true
		}
	}
	f := Float(n)
	if math.IsNaN(f) || math.Abs(f) < 1e-11 || expr.Any(n, isUnsureRoot) {
		number, isNumber := n.(*expr.Number)
		return 0, isNumber && number.Value.Sign() == 0
	}
	if f < 0 {
		return -1, true
	}
	return 1, true
}

// isUnsureRoot tells that n is a root of a number that may be 0 but for rounding, of which the root is no small number any
// more: a cube root makes 4·10⁻⁶ of 5·10⁻¹⁷, and the arc cosine begins at 1 like a root.
func isUnsureRoot(n expr.Node) bool {
	under := func(u expr.Node) bool {
		_, known := signOf(u)
		return !known
	}
	switch n := n.(type) {
	case *expr.Binary:
		e, isFraction := symbolic.Fraction(n.R)
		return n.Op == expr.Pow && !(isFraction && e.IsInt()) && under(n.L)
	case *expr.Call:
		u := n.Args[0]
		switch n.Name {
		case "sqrt", "cbrt", "root":
			return under(u)
		case "arcsin", "arccos", "arcosh":
			return under(expr.Minus(&expr.Call{Name: "abs", Args: []expr.Node{u}}, expr.Num(1)))
		}
	}
	return false
}

func (v Value) with(w Value, op expr.Op, exact func(a, b *big.Rat) *big.Rat) Value {
	a, aOK := v.Rat()
	b, bOK := w.Rat()
	if aOK && bOK {
		return Value{rat: exact(a, b)}
	}
	return Of(&expr.Binary{Op: op, L: v.Node(), R: w.Node()})
}

// Plus is v + w.
func (v Value) Plus(w Value) Value {
	return v.with(w, expr.Add, func(a, b *big.Rat) *big.Rat { return new(big.Rat).Add(a, b) })
}

// Minus is v − w.
func (v Value) Minus(w Value) Value {
	return v.with(w, expr.Sub, func(a, b *big.Rat) *big.Rat { return new(big.Rat).Sub(a, b) })
}

// Times is v·w.
func (v Value) Times(w Value) Value {
	if v.IsZero() || w.IsZero() {
		return Value{}
	}
	return v.with(w, expr.Mul, func(a, b *big.Rat) *big.Rat { return new(big.Rat).Mul(a, b) })
}

// Over is v/w; w must not be 0.
func (v Value) Over(w Value) Value {
	return v.with(w, expr.Div, func(a, b *big.Rat) *big.Rat { return new(big.Rat).Quo(a, b) })
}

// Neg is −v.
func (v Value) Neg() Value { return Int(0).Minus(v) }

// Apply is name(v), simplified.
func (v Value) Apply(name string) Value {
	return Of(&expr.Call{Name: name, Args: []expr.Node{v.Node()}})
}

// Power is v^e, simplified.
func (v Value) Power(e *big.Rat) Value {
	return Of(expr.Power(v.Node(), symbolic.Ratio(e)))
}
