// Package series tells how a formula behaves next to a place or far out: its limit, exactly, and the terms after it.
//
// With x = p ± t or x = ±1/t and t → 0+, a formula becomes a sum of terms c·e^P·t^q·L^l, where L = ln(1/t), q is a
// fraction and P a sum of terms that grow without bound; the sum is cut where nothing is known any more. Such sums can
// be added, multiplied and put into functions term by term, and the first term decides. Method: truncated power series
// as in D. E. Knuth, The Art of Computer Programming, vol. 2, section 4.7, over the scale of exponentials, powers and
// logarithms (G. H. Hardy, Orders of Infinity, Cambridge 1910).
package series

import (
	"math/big"
	"sort"

	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// scale is e^P·t^q·L^l; the larger one grows faster as t → 0+.
type scale struct {
	p []term // terms that grow without bound, the strongest first
	q *big.Rat
	l int
}

type term struct {
	scale
	c exact.Value
	// restless marks a bounded factor that tends to nothing, as sin(1/t); c is then no more than a size.
	restless bool
}

// sum is what is known of a formula: terms from the strongest down, and where knowledge ends (nil: nowhere).
type sum struct {
	terms []term
	cut   *scale
}

// unknown is raised where the method cannot decide.
type unknown struct{}

func giveUp() { panic(unknown{}) }

// Effort bounds the arithmetic with the coefficients of several series together: an operation with fractions counts 1, one
// with other numbers symbolCost for each of their symbols. When nothing is left, what is asked stays Unknown. A nil Effort
// has no bound.
type Effort struct{ Left int }

const symbolCost = 8

// spend counts one operation.
func (e *Effort) spend(a, b exact.Value) {
	if e == nil {
		return
	}
	for _, c := range [2]exact.Value{a, b} {
		if _, rational := c.Rat(); !rational {
			e.Left -= symbolCost * symbolic.Size(c.Node())
		}
	}
	e.Left--
	if e.Left < 0 {
		giveUp()
	}
}

// spendProduct counts a product of long numbers, of which every symbol meets every other one.
func (e *Effort) spendProduct(a, b exact.Value) {
	if e == nil {
		return
	}
	e.spend(a, b)
	if _, rational := b.Rat(); !rational {
		e.Left -= symbolCost * symbolic.Size(a.Node()) * symbolic.Size(b.Node())
	}
}

var (
	zero = new(big.Rat)
	unit = scale{q: zero}
)

// maxTerms bounds a sum.
const maxTerms = 14

// compare tells which of two scales grows faster: 1 for a.
func (a scale) compare(b scale) int {
	if c := comparePrincipal(a.p, b.p); c != 0 {
		return c
	}
	if c := b.q.Cmp(a.q); c != 0 {
		return c
	}
	switch {
	case a.l > b.l:
		return 1
	case a.l < b.l:
		return -1
	}
	return 0
}

// comparePrincipal gives the sign of P − Q far out.
func comparePrincipal(p, q []term) int {
	if len(p) == 0 && len(q) == 0 {
		return 0
	}
	d := (*Effort)(nil).add(sum{terms: p}, sum{terms: negated(q)})
	if len(d.terms) == 0 {
		return 0
	}
	return signOf(d.terms[0].c)
}

func signOf(c exact.Value) int {
	s, known := c.Sign()
	if !known {
		giveUp()
	}
	return s
}

func negated(terms []term) []term {
	out := make([]term, len(terms))
	for i, t := range terms {
		t.c = t.c.Neg()
		out[i] = t
	}
	return out
}

func (a scale) times(b scale) scale {
	out := scale{q: new(big.Rat).Add(a.q, b.q), l: a.l + b.l, p: a.p}
	if len(b.p) > 0 {
		out.p = (*Effort)(nil).add(sum{terms: a.p}, sum{terms: b.p}).terms
	}
	return out
}

// raised is the scale to the power r.
func (a scale) raised(r *big.Rat) scale {
	l := new(big.Rat).Mul(big.NewRat(int64(a.l), 1), r)
	if !l.IsInt() {
		giveUp()
	}
	out := scale{q: new(big.Rat).Mul(a.q, r), l: int(l.Num().Int64())}
	for _, t := range a.p {
		t.c = t.c.Times(exact.Fractional(r))
		out.p = append(out.p, t)
	}
	return out
}

func constant(c exact.Value) sum {
	if c.IsZero() {
		return sum{}
	}
	return sum{terms: []term{{scale: unit, c: c}}}
}

func whole(n int64) sum { return constant(exact.Int(n)) }

// bounded is a quantity in [−1, 1] that tends to nothing.
func bounded() sum { return sum{terms: []term{{scale: unit, c: exact.Int(1), restless: true}}} }

func (e *Effort) add(a, b sum) sum {
	out := sum{cut: a.cut}
	if b.cut != nil && (out.cut == nil || b.cut.compare(*out.cut) > 0) {
		out.cut = b.cut
	}
	i, j := 0, 0
	push := func(t term) {
		if out.cut == nil || t.compare(*out.cut) > 0 {
			out.terms = append(out.terms, t)
		}
	}
	for i < len(a.terms) || j < len(b.terms) {
		if j == len(b.terms) {
			push(a.terms[i])
			i++
			continue
		}
		if i == len(a.terms) {
			push(b.terms[j])
			j++
			continue
		}
		switch a.terms[i].compare(b.terms[j].scale) {
		case 1:
			push(a.terms[i])
			i++
		case -1:
			push(b.terms[j])
			j++
		default:
			if t, left := e.merged(a.terms[i], b.terms[j]); left {
				push(t)
			}
			i++
			j++
		}
	}
	return out.shortened()
}

// merged adds two terms of one scale; left is false when they cancel exactly.
func (e *Effort) merged(a, b term) (t term, left bool) {
	if a.restless || b.restless {
		a.restless, a.c = true, exact.Int(1)
		return a, true
	}
	e.spend(a.c, b.c)
	a.c = held(a.c.Plus(b.c))
	if a.c.IsZero() {
		return a, false
	}
	signOf(a.c) // gives up on what might be 0
	return a, true
}

// maxCoefficient bounds the size of a coefficient: longer ones take longer than what they say is worth.
const maxCoefficient = 24

func held(c exact.Value) exact.Value {
	if _, rational := c.Rat(); !rational && symbolic.Size(c.Node()) > maxCoefficient {
		panic(unknown{})
	}
	return c
}

// shortened cuts a sum that has become too long.
func (a sum) shortened() sum {
	if len(a.terms) > maxTerms {
		last := a.terms[maxTerms].scale
		return sum{a.terms[:maxTerms:maxTerms], &last}
	}
	return a
}

func (e *Effort) scaled(a sum, c exact.Value) sum {
	if c.IsZero() {
		return sum{cut: a.cut}
	}
	out := sum{cut: a.cut, terms: make([]term, len(a.terms))}
	for i, t := range a.terms {
		if !t.restless {
			e.spend(t.c, c)
			t.c = held(t.c.Times(c))
		}
		out.terms[i] = t
	}
	return out
}

func (e *Effort) multiply(a, b sum) sum {
	out := sum{}
	if len(a.terms) > 0 && b.cut != nil {
		out.cut = later(out.cut, a.terms[0].times(*b.cut))
	}
	if len(b.terms) > 0 && a.cut != nil {
		out.cut = later(out.cut, b.terms[0].times(*a.cut))
	}
	if a.cut != nil && b.cut != nil {
		out.cut = later(out.cut, a.cut.times(*b.cut))
	}
	for _, s := range a.terms {
		row := sum{cut: out.cut}
		for _, t := range b.terms {
			product := term{scale: s.times(t.scale), c: exact.Int(1), restless: s.restless || t.restless}
			if out.cut != nil && product.compare(*out.cut) <= 0 {
				continue
			}
			if !product.restless {
				e.spend(s.c, t.c)
				product.c = held(s.c.Times(t.c))
			}
			row.terms = append(row.terms, product)
		}
		sort.SliceStable(row.terms, func(i, j int) bool { return row.terms[i].compare(row.terms[j].scale) > 0 })
		out = e.add(out, row)
	}
	return out
}

// later is the stronger of two cuts.
func later(a *scale, b scale) *scale {
	if a == nil || b.compare(*a) > 0 {
		return &b
	}
	return a
}

// lead is the first term, which must be known.
func (a sum) lead() term {
	if len(a.terms) == 0 || a.cut != nil && a.terms[0].compare(*a.cut) <= 0 {
		giveUp()
	}
	return a.terms[0]
}

// isZero tells that a is 0 and nothing is cut off.
func (a sum) isZero() bool { return len(a.terms) == 0 && a.cut == nil }

// apart splits a into its first term m and ε with a = m(1 + ε), ε → 0.
func (e *Effort) apart(a sum) (m term, epsilon sum) {
	m = a.lead()
	if m.restless {
		giveUp()
	}
	inverse := m.raised(big.NewRat(-1, 1))
	rest := sum{terms: a.terms[1:], cut: a.cut}
	one := exact.Int(1)
	epsilon = e.multiply(rest, sum{terms: []term{{scale: inverse, c: one.Over(m.c)}}})
	if len(epsilon.terms) > 0 && epsilon.terms[0].compare(unit) >= 0 {
		giveUp()
	}
	return m, epsilon
}

// compose is Σ c(k)·ε^k for an ε that tends to 0, so many terms deep.
func (e *Effort) compose(c func(k int) exact.Value, epsilon sum, depth int) sum {
	out := constant(c(0))
	if epsilon.isZero() {
		return out
	}
	power := whole(1)
	for k := 1; k < depth; k++ {
		power = e.multiply(power, epsilon)
		out = e.add(out, e.scaled(power, c(k)))
	}
	end := unit
	if len(epsilon.terms) > 0 {
		end = epsilon.terms[0].raised(big.NewRat(int64(depth), 1))
	} else {
		end = *epsilon.cut
	}
	return e.add(out, sum{cut: &end})
}

// binomials are the coefficients of (1 + ε)^r.
func binomials(r *big.Rat) func(k int) exact.Value {
	return func(k int) exact.Value {
		c := big.NewRat(1, 1)
		for i := range k {
			c.Mul(c, new(big.Rat).Sub(r, big.NewRat(int64(i), 1)))
			c.Quo(c, big.NewRat(int64(i+1), 1))
		}
		return exact.Fractional(c)
	}
}

// raise is a^r; a negative a needs an r with an odd denominator.
func (e *Effort) raise(a sum, r *big.Rat, depth int) sum {
	if a.isZero() && r.Sign() > 0 {
		return sum{}
	}
	m, epsilon := e.apart(a)
	c := m.c
	sign := exact.Int(1)
	if !r.IsInt() && signOf(c) < 0 {
		if r.Denom().Bit(0) == 0 {
			giveUp()
		}
		c = c.Neg()
		if r.Num().Bit(0) == 1 {
			sign = exact.Int(-1)
		}
	}
	head := sum{terms: []term{{scale: m.raised(r), c: c.Power(r).Times(sign)}}}
	return e.multiply(head, e.compose(binomials(r), epsilon, depth))
}

// logarithm is ln a for a > 0.
func (e *Effort) logarithm(a sum, depth int) sum {
	m, epsilon := e.apart(a)
	if signOf(m.c) <= 0 || m.l != 0 {
		giveUp()
	}
	out := sum{terms: m.p}
	if m.q.Sign() != 0 {
		out = e.add(out, sum{terms: []term{{scale: scale{q: zero, l: 1}, c: exact.Fractional(new(big.Rat).Neg(m.q))}}})
	}
	out = e.add(out, constant(m.c.Apply("ln")))
	return e.add(out, e.compose(func(k int) exact.Value {
		if k == 0 {
			return exact.Value{}
		}
		c := big.NewRat(1, int64(k))
		if k%2 == 0 {
			c.Neg(c)
		}
		return exact.Fractional(c)
	}, epsilon, depth))
}

// parts splits a into what grows without bound, the constant and what tends to 0.
func (a sum) parts() (large []term, c exact.Value, small sum) {
	small.cut = a.cut
	if a.cut != nil && a.cut.compare(unit) >= 0 {
		giveUp()
	}
	for _, t := range a.terms {
		switch side := t.compare(unit); {
		case side > 0:
			large = append(large, t)
		case side == 0 && t.restless:
			giveUp()
		case side == 0:
			c = t.c
		default:
			small.terms = append(small.terms, t)
		}
	}
	return large, c, small
}

// exponential is e^a.
func (e *Effort) exponential(a sum, depth int) sum {
	large, c, small := a.parts()
	head := term{scale: scale{q: zero}, c: exact.Int(1)}
	for _, t := range large {
		if len(t.p) > 0 || t.restless {
			giveUp()
		}
		// e^(rL) = t^(−r) for a fraction r.
		if r, ok := t.c.Rat(); ok && t.q.Sign() == 0 && t.l == 1 {
			head.q = new(big.Rat).Neg(r)
			continue
		}
		head.p = append(head.p, t)
	}
	if !c.IsZero() {
		head.c = c.Apply("exp")
	}
	return e.multiply(sum{terms: []term{head}}, e.compose(func(k int) exact.Value {
		return exact.Fractional(new(big.Rat).SetFrac(big.NewInt(1), new(big.Int).MulRange(1, int64(max(k, 1)))))
	}, small, depth))
}
