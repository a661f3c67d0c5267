package symbolic

import (
	"math/big"
	"slices"

	"parvix/core/formula/expr"
)

// Shorten simplifies and goes on with what a person tries next, as long as it makes the formula shorter: it divides a
// fraction by a common factor, writes sin x/cos x as tan x and tan x cos x as sin x, and 1 − sin²x as cos²x. Formulas that
// are worked with keep the form of Simplify, in which a function is one letter of a polynomial.
func Shorten(n expr.Node) Result {
	out := Simplify(n)
	for changed := true; changed; {
		changed = false
		for _, rewrite := range []func(expr.Node) (Result, bool){cancelled, withQuotients, withTangents, withOtherSquare} {
			next, ok := rewrite(out.Node)
			if !ok || cost(next.Node) >= cost(out.Node) && !isPolynomial(next.Node, out.Node) {
				continue
			}
			for _, c := range next.Conditions {
				if !slices.Contains(out.Conditions, c) {
					out.Conditions = append(out.Conditions, c)
				}
			}
			out.Node, changed = next.Node, true
		}
	}
	return out
}

// isPolynomial tells that a fraction has become a polynomial that is hardly longer to read.
func isPolynomial(next, before expr.Node) bool {
	b, ok := before.(*expr.Binary)
	if !ok || b.Op != expr.Div || cost(next) > cost(before)+2 {
		return false
	}
	names := expr.Names(next)
	if len(names) != 1 {
		return false
	}
	_, ok = AsPolynomial(next, names[0])
	return ok
}

// cancelled divides a quotient of polynomials in one letter by what both have in common; a condition tells what the
// shorter form no longer shows.
func cancelled(n expr.Node) (Result, bool) {
	names := expr.Names(n)
	if len(names) != 1 {
		return Result{}, false
	}
	x := names[0]
	above, below, ok := asFraction(n, x)
	if !ok || below.Degree() < 1 {
		return Result{}, false
	}
	common := above.GCD(below)
	if common.Degree() < 1 {
		return Result{}, false
	}
	above, below = Reduced(above, below)
	short := Simplify(expr.Over(above.Node(x), below.Node(x))).Node
	s := &simplifier{seen: map[string]bool{}}
	_, powers := common.Factor()
	for _, p := range powers {
		if _, rest := below.Divide(p.Base); len(rest.trim()) > 0 && p.Base.hasRealRoot() {
			s.require(p.Base.Node(x), "≠")
		}
	}
	return Result{short, s.conditions}, true
}

func (p Polynomial) hasRealRoot() bool {
	roots, _ := p.RealRoots()
	return len(roots) > 0
}

// withQuotients writes tangents and their kin as quotients of sine and cosine, which may cancel.
func withQuotients(n expr.Node) (Result, bool) {
	written := TangentsAsQuotients(n)
	if expr.Equal(written, n) {
		return Result{}, false
	}
	out := Simplify(written)
	if back, ok := withTangents(out.Node); ok && cost(back.Node) < cost(out.Node) {
		out.Node = back.Node
	}
	return out, true
}

// withTangents writes sin u/cos u as tan u and cos u/sin u as cot u.
func withTangents(n expr.Node) (Result, bool) {
	s := &simplifier{seen: map[string]bool{}}
	found := false
	var out sum
	for _, t := range s.normal(n) {
		for changed := true; changed; {
			t, changed = s.tangentOf(t)
			found = found || changed
		}
		out = out.plus(sum{t})
	}
	return Result{Node: s.build(out)}, found
}

// tangentOf finds one quotient of sine and cosine in a term.
func (s *simplifier) tangentOf(t term) (term, bool) {
	for i, f := range t.factors {
		above, ok := f.base.(*expr.Call)
		a, whole := f.exp.number()
		if !ok || above.Name != "sin" && above.Name != "cos" || !whole || !a.IsInt() || a.Sign() <= 0 {
			continue
		}
		under, quotient := "cos", "tan"
		if above.Name == "cos" {
			under, quotient = "sin", "cot"
		}
		for j, g := range t.factors {
			b, whole := g.exp.number()
			if g.key != expr.Text(expr.Apply(under, above.Args[0])) || !whole || !b.IsInt() || b.Sign() >= 0 {
				continue
			}
			k := new(big.Rat).Set(a)
			if down := new(big.Rat).Neg(b); down.Cmp(k) < 0 {
				k = down
			}
			rest := term{coef: t.coef}
			for m, other := range t.factors {
				switch m {
				case i:
					other.exp = constant(new(big.Rat).Sub(a, k))
				case j:
					other.exp = constant(new(big.Rat).Add(b, k))
				}
				if len(other.exp) > 0 {
					rest.factors = append(rest.factors, other)
				}
			}
			return s.product(rest, term{one, []factor{power(expr.Apply(quotient, above.Args[0]), constant(k))}}), true
		}
	}
	return t, false
}

// otherSquare is 1 + sign·f² = result·g², read off one of the identities f² + s·g² = 1.
type otherSquare struct {
	sign, result int64
	other        string
}

var otherSquares = func() map[string]otherSquare {
	list := map[string]otherSquare{}
	for f, identity := range squares {
		list[f] = otherSquare{-1, identity.sign, identity.with}
		list[identity.with] = otherSquare{-identity.sign, 1, f}
	}
	return list
}()

// withOtherSquare writes x − x sin²u as x cos²u, and likewise with the other pairs, in every sum of the formula.
func withOtherSquare(n expr.Node) (Result, bool) {
	found := false
	var walk func(n expr.Node) expr.Node
	walk = func(n expr.Node) expr.Node {
		n = expr.Map(n, walk)
		if b, ok := n.(*expr.Binary); ok && (b.Op == expr.Add || b.Op == expr.Sub) {
			if replaced, ok := takeOtherSquare(n); ok {
				found = true
				return replaced
			}
		}
		return n
	}
	replaced := walk(n)
	if !found {
		return Result{}, false
	}
	return Simplify(replaced), true
}

func takeOtherSquare(n expr.Node) (expr.Node, bool) {
	s := &simplifier{seen: map[string]bool{}}
	p := s.normal(n)
	for i, t := range p {
		for k, f := range t.factors {
			c, isCall := f.base.(*expr.Call)
			if !isCall || !isTwo(f.exp) {
				continue
			}
			identity, known := otherSquares[c.Name]
			if !known {
				continue
			}
			rest := term{t.coef, without(t.factors, k)}
			for j, plain := range p {
				if j == i || plain.key() != rest.key() || plain.coef.Cmp(new(big.Rat).Mul(t.coef, big.NewRat(identity.sign, 1))) != 0 {
					continue
				}
				square := term{one, []factor{power(expr.Apply(identity.other, c.Args[0]), whole(2))}}
				replaced := s.product(term{new(big.Rat).Mul(plain.coef, big.NewRat(identity.result, 1)), rest.factors}, square)
				out := sum{replaced}
				for m, other := range p {
					if m != i && m != j {
						out = out.plus(sum{other})
					}
				}
				return s.build(out), true
			}
		}
	}
	return nil, false
}
