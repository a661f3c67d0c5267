package exact

import (
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// surd is a + b√d with fractions a, b and a whole d > 1 without square factors, or a fraction alone with d = 0. Sums,
// products and quotients of surds of one d are surds again, with the root out of the denominator.
type surd struct {
	a, b *big.Rat
	d    int64
}

func fractional(r *big.Rat) surd { return surd{a: r, b: new(big.Rat)} }

// surdOf reads a formula of numbers, the four operations, whole powers and square roots; ok is false for anything else
// and for more than one root.
func surdOf(n expr.Node) (surd, bool) {
	switch n := n.(type) {
	case *expr.Number:
		return fractional(n.Value), true
	case *expr.Neg:
		s, ok := surdOf(n.X)
		if !ok {
			return surd{}, false
		}
		return fractional(big.NewRat(-1, 1)).times(s)
	case *expr.Binary:
		return surdBinary(n)
	case *expr.Call:
		if n.Name != "sqrt" {
			return surd{}, false
		}
		if s, ok := surdOf(n.Args[0]); ok {
			return s.root()
		}
	}
	return surd{}, false
}

func surdBinary(n *expr.Binary) (surd, bool) {
	l, ok := surdOf(n.L)
	if !ok {
		return surd{}, false
	}
	if n.Op == expr.Pow {
		e, isFraction := symbolic.Fraction(n.R)
		if !isFraction || !e.IsInt() || !e.Num().IsInt64() || e.Num().Int64() > 40 || e.Num().Int64() < -40 {
			return surd{}, false
		}
		return l.power(e.Num().Int64())
	}
	r, ok := surdOf(n.R)
	if !ok {
		return surd{}, false
	}
	switch n.Op {
	case expr.Add:
		return l.plus(r, 1)
	case expr.Sub:
		return l.plus(r, -1)
	case expr.Mul:
		return l.times(r)
	}
	inverse, ok := r.inverse()
	if !ok {
		return surd{}, false
	}
	return l.times(inverse)
}

// root is √(a + b√d) where that is a surd of one root again: √(3 + 2√2) = 1 + √2.
func (s surd) root() (surd, bool) {
	if s.d == 0 {
		return squareRoot(s.a)
	}
	large, small, ok := s.roots()
	if !ok {
		return surd{}, false
	}
	return large.plus(small, int64(s.b.Sign()))
}

// roots are √x and √y in √(a ± b√d) = √x ± √y: x and y are (a ± √(a² − b²d))/2, where that root is a fraction (the rule
// for square roots of binomial surds, Euclid X.54 on; from memory).
func (s surd) roots() (large, small surd, ok bool) {
	norm := new(big.Rat).Mul(s.b, s.b)
	norm.Mul(norm, big.NewRat(-s.d, 1)).Add(norm, new(big.Rat).Mul(s.a, s.a))
	between, ok := squareRoot(norm)
	if !ok || between.d != 0 || s.a.Sign() <= 0 {
		return surd{}, surd{}, false
	}
	half := big.NewRat(1, 2)
	large, ok = squareRoot(new(big.Rat).Mul(half, new(big.Rat).Add(s.a, between.a)))
	if !ok {
		return surd{}, surd{}, false
	}
	small, ok = squareRoot(new(big.Rat).Mul(half, new(big.Rat).Sub(s.a, between.a)))
	return large, small, ok
}

// denested writes nested square roots as sums of two where they are: √(5 + 2√6) = √2 + √3. found is false where none is.
func denested(n expr.Node) (out expr.Node, found bool) {
	isRoot := func(n expr.Node) bool {
		c, ok := n.(*expr.Call)
		return ok && c.Name == "sqrt"
	}
	if !expr.Any(n, func(n expr.Node) bool { return isRoot(n) && expr.Any(n.(*expr.Call).Args[0], isRoot) }) {
		return n, false
	}
	var walk func(n expr.Node) expr.Node
	walk = func(n expr.Node) expr.Node {
		n = expr.Map(n, walk)
		if !isRoot(n) {
			return n
		}
		c := n.(*expr.Call)
		s, ok := surdOf(c.Args[0])
		if !ok || s.d == 0 {
			return n
		}
		large, small, ok := s.roots()
		if !ok {
			return n
		}
		found = true
		if s.b.Sign() < 0 {
			return expr.Minus(large.value().Node(), small.value().Node())
		}
		return expr.Plus(small.value().Node(), large.value().Node())
	}
	out = walk(n)
	return out, found
}

// withSurds writes every part of n that is a surd as one, so that the root of 20/(7 − √29) − 7 − √29 is the root of 0.
func withSurds(n expr.Node) expr.Node {
	isRoot := func(n expr.Node) bool {
		_, is := n.(*expr.Call)
		return is
	}
	if !expr.Any(n, isRoot) {
		return n
	}
	if s, ok := surdOf(n); ok {
		return s.value().Node()
	}
	return expr.Map(n, withSurds)
}

// squareRoot is √r with its square factors outside; numbers whose factors are too large are refused.
func squareRoot(r *big.Rat) (surd, bool) {
	if r.Sign() < 0 {
		return surd{}, false
	}
	// √(p/q) = √(pq)/q.
	inside := new(big.Int).Mul(r.Num(), r.Denom())
	if !inside.IsInt64() || inside.Int64() > 1e12 {
		root := new(big.Int).Sqrt(inside)
		if new(big.Int).Mul(root, root).Cmp(inside) == 0 {
			return fractional(new(big.Rat).SetFrac(root, r.Denom())), true
		}
		return surd{}, false
	}
	d, outside := inside.Int64(), int64(1)
	for k := int64(2); k*k <= d; k++ {
		for d%(k*k) == 0 {
			d /= k * k
			outside *= k
		}
	}
	factor := new(big.Rat).SetFrac(big.NewInt(outside), r.Denom())
	if d <= 1 {
		return fractional(new(big.Rat).Mul(factor, big.NewRat(d, 1))), true
	}
	return surd{new(big.Rat), factor, d}, true
}

// join finds the common root of two surds.
func (s surd) join(t surd) (int64, bool) {
	switch {
	case s.d == 0:
		return t.d, true
	case t.d == 0 || s.d == t.d:
		return s.d, true
	}
	return 0, false
}

func tidySurd(a, b *big.Rat, d int64) surd {
	if b.Sign() == 0 {
		d = 0
	}
	return surd{a, b, d}
}

func (s surd) plus(t surd, sign int64) (surd, bool) {
	d, ok := s.join(t)
	if !ok {
		return surd{}, false
	}
	c := big.NewRat(sign, 1)
	return tidySurd(new(big.Rat).Add(s.a, new(big.Rat).Mul(c, t.a)), new(big.Rat).Add(s.b, new(big.Rat).Mul(c, t.b)), d), true
}

func (s surd) times(t surd) (surd, bool) {
	d, ok := s.join(t)
	if !ok {
		return surd{}, false
	}
	a := new(big.Rat).Mul(s.b, t.b)
	a.Mul(a, big.NewRat(d, 1)).Add(a, new(big.Rat).Mul(s.a, t.a))
	b := new(big.Rat).Add(new(big.Rat).Mul(s.a, t.b), new(big.Rat).Mul(s.b, t.a))
	return tidySurd(a, b, d), true
}

func (s surd) inverse() (surd, bool) {
	norm := new(big.Rat).Mul(s.b, s.b)
	norm.Mul(norm, big.NewRat(-s.d, 1)).Add(norm, new(big.Rat).Mul(s.a, s.a))
	if norm.Sign() == 0 {
		return surd{}, false
	}
	norm.Inv(norm)
	return tidySurd(new(big.Rat).Mul(s.a, norm), new(big.Rat).Neg(new(big.Rat).Mul(s.b, norm)), s.d), true
}

func (s surd) power(n int64) (surd, bool) {
	if n < 0 {
		inverse, ok := s.inverse()
		if !ok {
			return surd{}, false
		}
		return inverse.power(-n)
	}
	out, ok := fractional(big.NewRat(1, 1)), true
	for ; n > 0 && ok; n-- {
		out, ok = out.times(s)
	}
	return out, ok
}

// value writes a + b√d in textbook order, over one denominator where there is one: (3 + √5)/2, 2√3/3, 3 − √30/2.
func (s surd) value() Value {
	if s.d == 0 {
		return Value{rat: s.a}
	}
	root := expr.Node(&expr.Call{Name: "sqrt", Args: []expr.Node{expr.Num(s.d)}})
	node := func(n expr.Node) Value { return Value{node: n} }
	if s.a.Sign() == 0 {
		return node(scaledRoot(s.b, root))
	}
	size := new(big.Rat).Abs(s.b)
	op := expr.Add
	if s.b.Sign() < 0 {
		op = expr.Sub
	}
	if s.a.Denom().Cmp(s.b.Denom()) == 0 && !s.a.IsInt() {
		above := &expr.Binary{Op: op, L: symbolic.Ratio(new(big.Rat).SetInt(s.a.Num())),
			R: scaledRoot(new(big.Rat).SetInt(size.Num()), root)}
		return node(expr.Over(above, expr.Rat(new(big.Rat).SetInt(s.a.Denom()))))
	}
	return node(&expr.Binary{Op: op, L: symbolic.Ratio(s.a), R: scaledRoot(size, root)})
}

// scaledRoot is b·√d written as −2√3/3.
func scaledRoot(b *big.Rat, root expr.Node) expr.Node {
	if b.Sign() < 0 {
		return expr.Opposite(scaledRoot(new(big.Rat).Neg(b), root))
	}
	if b.Num().Cmp(big.NewInt(1)) != 0 {
		root = expr.Times(expr.Rat(new(big.Rat).SetInt(b.Num())), root)
	}
	if b.IsInt() {
		return root
	}
	return expr.Over(root, expr.Rat(new(big.Rat).SetInt(b.Denom())))
}
