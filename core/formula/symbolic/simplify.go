package symbolic

import (
	"math/big"
	"slices"
	"sort"
	"strconv"
	"strings"

	"parvix/core/formula/expr"
)

// Result is a simplified formula and what must hold for it to be the same as the one it came from.
type Result struct {
	Node expr.Node
	// Conditions are the gaps that the simplified text no longer shows: x ≠ 0 for x/x.
	Conditions []string
}

// Simplify writes n as people do: like terms collected, fractions and roots reduced, terms in textbook order. It expands
// a product only where that makes the formula shorter. The value is the same wherever n has one.
func Simplify(n expr.Node) Result {
	n = unrolled(n, func(total *expr.Sum, terms int64) bool { return terms <= shortSum || len(expr.Names(total)) == 0 })
	s := &simplifier{decimals: hasDecimals(n), seen: map[string]bool{}}
	// What one pass has cancelled may leave more to do: −(b − a)(a/a) is −(b − a) at first, then a − b.
	const passes = 4
	for range passes {
		out := s.simplify(n)
		if expr.Equal(out, n) {
			break
		}
		n = out
	}
	return Result{n, s.conditions}
}

// shortSum is how many terms a reader still likes to see written out.
const shortSum = 6

type simplifier struct {
	decimals   bool // write terminating fractions as decimals, because the input did
	conditions []string
	seen       map[string]bool
	work       int
}

func hasDecimals(n expr.Node) bool {
	found := false
	expr.Walk(n, func(n expr.Node) bool {
		if number, ok := n.(*expr.Number); ok && !number.Value.IsInt() {
			found = true
		}
		return !found
	})
	return found
}

// require notes a condition unless it is noted already or holds for a number.
func (s *simplifier) require(n expr.Node, relation string) {
	if isConstant(n) || isPositive(n) || relation == "≥" && isNeverNegative(n) {
		return
	}
	text := expr.Pretty(n) + " " + relation + " 0"
	if name, shift, ok := linearRoot(n); ok && relation == "≠" {
		text = name + " ≠ " + expr.Pretty(shift)
	}
	if !s.seen[text] {
		s.seen[text] = true
		s.conditions = append(s.conditions, text)
	}
}

// linearRoot solves x + c = 0 and x − c = 0 for the words of a condition.
func linearRoot(n expr.Node) (name string, root expr.Node, ok bool) {
	b, isBinary := n.(*expr.Binary)
	if !isBinary || b.Op != expr.Add && b.Op != expr.Sub {
		return "", nil, false
	}
	x, isName := b.L.(*expr.Name)
	c, isNumber := b.R.(*expr.Number)
	if !isName || !isNumber {
		return "", nil, false
	}
	value := new(big.Rat).Set(c.Value)
	if b.Op == expr.Add {
		value.Neg(value)
	}
	return x.Name, expr.Rat(value), true
}

func isConstant(n expr.Node) bool { return len(expr.Names(n)) == 0 }

// simplify chooses the shorter of the collected and the expanded form at each level.
func (s *simplifier) simplify(n expr.Node) expr.Node {
	if pieces, ok := n.(*expr.Pieces); ok {
		return expr.Map(pieces, s.simplify)
	}
	if total, ok := n.(*expr.Sum); ok {
		return expr.Map(total, s.simplify)
	}
	p := s.normal(n)
	best := s.build(p)
	if expanded, ok := s.expand(p); ok {
		if other := s.build(s.pythagorean(expanded)); cost(other) < cost(best) {
			return other
		}
	}
	return best
}

// cost is what a reader has to take in: nodes, with fractions and minus signs counted lightly.
func cost(n expr.Node) int {
	total := 0
	expr.Walk(n, func(n expr.Node) bool {
		switch n.(type) {
		case *expr.Neg:
		case *expr.Call:
			total += 2
		default:
			total++
		}
		return true
	})
	return total
}

// A sum is a list of terms without two alike, a term a fraction times powers, a factor base^exponent.
type sum []term

type term struct {
	coef    *big.Rat
	factors []factor // sorted by key
}

type factor struct {
	base expr.Node // simplified
	exp  sum
	key  string // text of the base
}

var one, minusOne, zero = big.NewRat(1, 1), big.NewRat(-1, 1), new(big.Rat)

func constant(r *big.Rat) sum {
	if r.Sign() == 0 {
		return nil
	}
	return sum{{coef: r}}
}

func whole(n int64) sum { return constant(big.NewRat(n, 1)) }

// number tells whether p is a number and which.
func (p sum) number() (*big.Rat, bool) {
	switch {
	case len(p) == 0:
		return zero, true
	case len(p) == 1 && len(p[0].factors) == 0:
		return p[0].coef, true
	}
	return nil, false
}

func power(base expr.Node, exp sum) factor { return factor{base, exp, expr.Text(base)} }

func atom(n expr.Node) sum { return sum{{one, []factor{power(n, whole(1))}}} }

// key identifies like terms.
func (t term) key() string { return string(t.appendKey(nil)) }

func (t term) appendKey(key []byte) []byte {
	for _, f := range t.factors {
		key = append(append(key, f.key...), 0)
		key = append(f.exp.appendKey(key), 1)
	}
	return key
}

func (p sum) appendKey(key []byte) []byte {
	for _, t := range p {
		if t.coef.IsInt() && t.coef.Num().IsInt64() {
			key = strconv.AppendInt(key, t.coef.Num().Int64(), 10)
		} else {
			key = append(key, t.coef.RatString()...)
		}
		key = append(t.appendKey(append(key, 2)), 3)
	}
	return key
}

// plus adds two sums, merging like terms; the order is settled when the sum is built.
func (p sum) plus(q sum) sum {
	type keyed struct {
		term
		key string
	}
	all := make([]keyed, 0, len(p)+len(q))
	for _, terms := range [2]sum{p, q} {
		for _, t := range terms {
			all = append(all, keyed{t, t.key()})
		}
	}
	slices.SortStableFunc(all, func(a, b keyed) int { return strings.Compare(a.key, b.key) })
	var out sum
	for i := 0; i < len(all); {
		t := all[i].term
		same := i + 1
		for ; same < len(all) && all[same].key == all[i].key; same++ {
			t.coef = new(big.Rat).Add(t.coef, all[same].coef)
		}
		if t.coef.Sign() != 0 {
			out = append(out, t)
		}
		i = same
	}
	return out
}

func (p sum) scaled(r *big.Rat) sum {
	if r.Sign() == 0 {
		return nil
	}
	out := make(sum, len(p))
	for i, t := range p {
		out[i] = term{new(big.Rat).Mul(t.coef, r), t.factors}
	}
	return out
}

// asTerm makes one term of p: a sum of several becomes a factor, freed of its common number.
func (s *simplifier) asTerm(p sum) term {
	switch len(p) {
	case 0:
		return term{coef: zero}
	case 1:
		return p[0]
	}
	content := p.content()
	primitive := p.scaled(new(big.Rat).Inv(content))
	return term{content, []factor{power(s.build(primitive), whole(1))}}
}

// content is the common number of a sum, with the sign of its leading term.
func (p sum) content() *big.Rat {
	g, l := new(big.Int), big.NewInt(1)
	for _, t := range p {
		g.GCD(nil, nil, g, new(big.Int).Abs(t.coef.Num()))
		d := t.coef.Denom()
		l.Mul(l, new(big.Int).Div(d, new(big.Int).GCD(nil, nil, l, d)))
	}
	c := new(big.Rat).SetFrac(g, l)
	if p.ordered()[0].coef.Sign() < 0 {
		c.Neg(c)
	}
	return c
}

// product multiplies two terms, adding the exponents of equal bases.
func (s *simplifier) product(a, b term) term {
	out := term{new(big.Rat).Mul(a.coef, b.coef), nil}
	if out.coef.Sign() == 0 {
		for _, f := range append(append([]factor{}, a.factors...), b.factors...) {
			if e, ok := f.exp.number(); ok && e.Sign() < 0 {
				s.require(f.base, "≠")
			}
		}
		return term{coef: zero}
	}
	out.factors = append([]factor{}, a.factors...)
	for _, f := range b.factors {
		out = s.multiply(out, f)
	}
	sort.SliceStable(out.factors, func(i, j int) bool { return out.factors[i].key < out.factors[j].key })
	return out
}

func (s *simplifier) multiply(t term, f factor) term {
	for i, g := range t.factors {
		if g.key != f.key {
			continue
		}
		s.requireMerge(g, f)
		exp := g.exp.plus(f.exp)
		return s.product(term{t.coef, without(t.factors, i)}, s.raise(atom(f.base)[0], exp))
	}
	for i, g := range t.factors {
		if merged, ok := oneRoot(g, f); ok {
			return s.product(term{t.coef, without(t.factors, i)}, merged)
		}
		if merged, ok := s.withSize(g, f); ok {
			return s.product(term{t.coef, without(t.factors, i)}, merged)
		}
		if ratio, ok := logRatio(g, f); ok {
			return term{new(big.Rat).Mul(t.coef, ratio), without(t.factors, i)}
		}
		if cancels(f, g) {
			c := f.base.(*expr.Call)
			for _, name := range whereReciprocal(c.Name) {
				s.require(expr.Apply(name, c.Args[0]), "≠")
			}
			return term{t.coef, without(t.factors, i)}
		}
	}
	t.factors = append(append([]factor{}, t.factors...), f)
	return t
}

// oneRoot is the product of two roots of numbers of one degree: √2·√6 = 2√3.
func oneRoot(f, g factor) (term, bool) {
	a, isNumber := f.base.(*expr.Number)
	b, isNumberToo := g.base.(*expr.Number)
	e, numeric := f.exp.number()
	d, numericToo := g.exp.number()
	if !isNumber || !isNumberToo || !numeric || !numericToo || e.Cmp(d) != 0 || e.Num().Cmp(one.Num()) != 0 || a.Value.Sign() <= 0 || b.Value.Sign() <= 0 {
		return term{}, false
	}
	return root(new(big.Rat).Mul(a.Value, b.Value), e.Denom().Int64()), true
}

// logRatio is ln a/ln b where it is a fraction: ln 8/ln 2 = 3, the change of base worked out.
func logRatio(f, g factor) (*big.Rat, bool) {
	if g.exp.isOne() {
		f, g = g, f
	}
	below, ok := g.exp.number()
	if !ok || below.Cmp(minusOne) != 0 || !f.exp.isOne() {
		return nil, false
	}
	over, isLog := f.base.(*expr.Call)
	under, isLogToo := g.base.(*expr.Call)
	if !isLog || !isLogToo || over.Name != under.Name || over.Name != "ln" && over.Name != "log" || len(over.Args)+len(under.Args) != 2 {
		return nil, false
	}
	a, aOK := Fraction(over.Args[0])
	b, bOK := Fraction(under.Args[0])
	if !aOK || !bOK {
		return nil, false
	}
	return exactLog(a, b)
}

// withSize merges |u| with a square of u: u³/|u| is u·|u|, and |u|/u² is 1/|u|.
func (s *simplifier) withSize(f, g factor) (term, bool) {
	size, ok := f.base.(*expr.Call)
	if !ok || size.Name != "abs" {
		f, g = g, f
		if size, ok = f.base.(*expr.Call); !ok || size.Name != "abs" {
			return term{}, false
		}
	}
	a, aOK := f.exp.number()
	b, bOK := g.exp.number()
	if !aOK || !bOK || expr.Text(size.Args[0]) != g.key || !b.IsInt() {
		return term{}, false
	}
	two := big.NewRat(2, 1)
	switch {
	case a.Cmp(minusOne) == 0 && b.Cmp(two) >= 0:
		s.require(g.base, "≠")
		a, b = one, new(big.Rat).Sub(b, two)
	case a.Cmp(one) == 0 && b.Cmp(big.NewRat(-2, 1)) <= 0:
		a, b = minusOne, new(big.Rat).Add(b, two)
	default:
		return term{}, false
	}
	out := term{one, []factor{{f.base, constant(a), f.key}}}
	if b.Sign() == 0 {
		return out, true
	}
	return s.multiply(out, factor{g.base, constant(b), g.key}), true
}

// requireMerge notes what is lost when g and f, powers of one base, become one power.
func (s *simplifier) requireMerge(g, f factor) {
	ge, gOK := g.exp.number()
	fe, fOK := f.exp.number()
	if !gOK || !fOK {
		return
	}
	if ge.Sign()*fe.Sign() < 0 && new(big.Rat).Add(ge, fe).Sign() >= 0 {
		s.require(g.base, "≠")
	}
	if !realForNegative(ge) && !realForNegative(fe) && realForNegative(new(big.Rat).Add(ge, fe)) {
		s.require(g.base, "≥")
	}
}

// realForNegative tells whether a negative number has a real power p/q: q odd in lowest terms.
func realForNegative(e *big.Rat) bool { return e.Denom().Bit(0) == 1 }

// raise is t^exp, where that is the same for all real values; else t becomes the base of a new factor.
func (s *simplifier) raise(t term, exp sum) term {
	e, numeric := exp.number()
	switch {
	case numeric && e.Sign() == 0:
		return term{coef: one}
	case numeric && e.Cmp(one) == 0:
		return t
	case t.coef.Sign() == 0:
		if numeric && e.Sign() > 0 {
			return term{coef: zero}
		}
		return term{one, []factor{power(expr.Num(0), exp)}}
	case len(t.factors) == 0:
		return s.raiseNumber(t.coef, exp)
	case numeric && e.IsInt():
		return s.raiseWhole(t, e)
	case numeric:
		return s.raiseFraction(t, e)
	case len(t.factors) == 1 && t.coef.Cmp(one) == 0:
		f := t.factors[0]
		if isPositive(f.base) {
			return term{one, []factor{power(f.base, s.timesSum(f.exp, exp))}}
		}
		if fe, ok := f.exp.number(); ok && fe.Cmp(one) == 0 {
			return term{one, []factor{power(f.base, exp)}}
		}
	}
	return term{one, []factor{power(s.build(sum{t}), exp)}}
}

// isPositive tells whether n is surely positive whatever its letters are.
func isPositive(n expr.Node) bool {
	switch n := n.(type) {
	case *expr.Constant:
		return true
	case *expr.Number:
		return n.Value.Sign() > 0
	case *expr.Binary:
		switch n.Op {
		case expr.Add:
			return isPositive(n.L) && isNeverNegative(n.R) || isNeverNegative(n.L) && isPositive(n.R)
		case expr.Mul, expr.Div:
			return isPositive(n.L) && isPositive(n.R)
		case expr.Pow:
			return isPositive(n.L)
		}
	}
	return false
}

// isNeverNegative tells whether n is surely 0 or more whatever its letters are.
func isNeverNegative(n expr.Node) bool {
	switch n := n.(type) {
	case *expr.Number:
		return n.Value.Sign() >= 0
	case *expr.Call:
		return n.Name == "abs"
	case *expr.Binary:
		switch n.Op {
		case expr.Add, expr.Mul:
			return isNeverNegative(n.L) && isNeverNegative(n.R)
		case expr.Pow:
			if e, ok := Fraction(n.R); ok && e.IsInt() && e.Num().Bit(0) == 0 && e.Sign() > 0 {
				return true
			}
		}
	}
	return isPositive(n)
}

func (s *simplifier) timesSum(p, q sum) sum {
	if c, ok := q.number(); ok {
		return p.scaled(c)
	}
	if c, ok := p.number(); ok {
		return q.scaled(c)
	}
	return sum{s.product(s.asTerm(p), s.asTerm(q))}.plus(nil)
}

func (s *simplifier) raiseWhole(t term, e *big.Rat) term {
	out := s.raiseNumber(t.coef, constant(e))
	for _, f := range t.factors {
		fe, numeric := f.exp.number()
		if numeric && !realForNegative(fe) && realForNegative(new(big.Rat).Mul(fe, e)) {
			s.require(f.base, "≥")
		}
		if numeric && fe.Sign() < 0 && e.Sign() < 0 {
			s.require(f.base, "≠")
		}
		out = s.product(out, s.raiseFactor(f, e))
	}
	return out
}

func (s *simplifier) raiseFactor(f factor, e *big.Rat) term {
	exp := s.timesSum(f.exp, constant(e))
	if number, ok := f.base.(*expr.Number); ok {
		return s.raiseNumber(number.Value, exp)
	}
	v, numeric := exp.number()
	if numeric && v.Sign() == 0 {
		return term{coef: one}
	}
	// |u|² = u²
	if size, ok := f.base.(*expr.Call); ok && size.Name == "abs" && numeric && v.IsInt() && v.Num().Bit(0) == 0 {
		return s.raise(s.asTerm(s.normal(size.Args[0])), exp)
	}
	return term{one, []factor{{f.base, exp, f.key}}}
}

// raiseFraction is t^(p/q): what is surely positive leaves the root, √(x²) is |x|, the rest stays inside.
func (s *simplifier) raiseFraction(t term, e *big.Rat) term {
	out := term{coef: one}
	inside := term{new(big.Rat).Set(t.coef), nil}
	if t.coef.Sign() > 0 || realForNegative(e) {
		out = s.raiseNumber(t.coef, constant(e))
		inside.coef = one
	} else if t.coef.Cmp(minusOne) != 0 {
		out = s.raiseNumber(new(big.Rat).Neg(t.coef), constant(e))
		inside.coef = minusOne
	}
	for _, f := range t.factors {
		fe, numeric := f.exp.number()
		switch {
		case isPositive(f.base), numeric && realForNegative(fe) && realForNegative(e):
			out = s.product(out, s.raiseFactor(f, e))
		case numeric && fe.IsInt() && fe.Num().Bit(0) == 0 && len(t.factors) == 1 && inside.coef.Sign() > 0:
			size := atom(expr.Apply("abs", f.base))[0]
			out = s.product(out, s.raise(size, constant(new(big.Rat).Mul(fe, e))))
		default:
			inside.factors = append(inside.factors, f)
		}
	}
	if len(inside.factors) == 0 && inside.coef.Cmp(one) == 0 {
		return out
	}
	if len(inside.factors) == 1 && inside.coef.Cmp(one) == 0 {
		if f := inside.factors[0]; f.exp.isOne() {
			return s.product(out, term{one, []factor{{f.base, constant(e), f.key}}})
		}
	}
	return s.product(out, term{one, []factor{power(s.build(sum{inside}), constant(e))}})
}

func (p sum) isOne() bool {
	e, ok := p.number()
	return ok && e.Cmp(one) == 0
}

// maxExponent keeps exact powers of numbers printable.
const maxExponent = 64

// raiseNumber is r^exp with perfect powers taken out of roots: 8^(1/2) = 2·2^(1/2), 2^(−1/2) = 2^(1/2)/2.
func (s *simplifier) raiseNumber(r *big.Rat, exp sum) term {
	e, numeric := exp.number()
	unchanged := term{one, []factor{power(expr.Rat(r), exp)}}
	switch {
	case r.Cmp(one) == 0:
		return term{coef: one}
	case !numeric:
		return unchanged
	case r.Sign() == 0:
		if e.Sign() > 0 {
			return term{coef: zero}
		}
		return unchanged
	case r.Sign() < 0 && !realForNegative(e):
		return unchanged
	}
	p := new(big.Int).Abs(e.Num())
	if !p.IsInt64() || p.Int64() > maxExponent || !e.Denom().IsInt64() || e.Denom().Int64() > maxExponent {
		return unchanged
	}
	base := new(big.Rat).Set(r)
	if e.Sign() < 0 {
		base.Inv(base)
	}
	raised := ratPower(base, p.Int64())
	if e.IsInt() {
		return term{coef: raised}
	}
	return root(raised, e.Denom().Int64())
}

func ratPower(r *big.Rat, n int64) *big.Rat {
	e := big.NewInt(n)
	return new(big.Rat).SetFrac(new(big.Int).Exp(r.Num(), e, nil), new(big.Int).Exp(r.Denom(), e, nil))
}

// root is r^(1/n) as a fraction times a whole number's root: (p/q)^(1/n) = (p·q^(n−1))^(1/n)/q.
func root(r *big.Rat, n int64) term {
	sign := int64(1)
	if r.Sign() < 0 {
		sign = -1
	}
	inside := new(big.Int).Abs(r.Num())
	inside.Mul(inside, new(big.Int).Exp(r.Denom(), big.NewInt(n-1), nil))
	outside := big.NewInt(sign)
	for prime := int64(2); prime < 1000; prime++ {
		divisor := new(big.Int).Exp(big.NewInt(prime), big.NewInt(n), nil)
		if divisor.Cmp(inside) > 0 {
			break
		}
		for {
			quotient, rest := new(big.Int).QuoRem(inside, divisor, new(big.Int))
			if rest.Sign() != 0 {
				break
			}
			inside = quotient
			outside.Mul(outside, big.NewInt(prime))
		}
	}
	out := term{new(big.Rat).SetFrac(outside, r.Denom()), nil}
	if exact := new(big.Int).Sqrt(inside); n == 2 && new(big.Int).Mul(exact, exact).Cmp(inside) == 0 {
		out.coef.Mul(out.coef, new(big.Rat).SetInt(exact))
	} else if inside.Cmp(big.NewInt(1)) != 0 {
		out.factors = []factor{power(expr.Rat(new(big.Rat).SetInt(inside)), constant(big.NewRat(1, n)))}
	}
	return out
}

// maxWork bounds one simplification.
const maxWork = 20000

// normal is the normal form of n.
func (s *simplifier) normal(n expr.Node) sum {
	if s.work++; s.work > maxWork {
		return atom(n)
	}
	switch n := n.(type) {
	case *expr.Number:
		return constant(n.Value)
	case *expr.Constant, *expr.Name:
		return atom(n)
	case *expr.Neg:
		return s.normal(n.X).scaled(minusOne)
	case *expr.Degree:
		return s.normal(scaled(n.X))
	case *expr.Call:
		return s.call(n)
	case *expr.Binary:
		return s.binary(n)
	case *expr.Sum:
		return atom(expr.Map(n, s.simplify))
	}
	return atom(n)
}

func (s *simplifier) binary(n *expr.Binary) sum {
	switch n.Op {
	case expr.Add:
		return s.shorter(s.pythagorean(s.normal(n.L).plus(s.normal(n.R))))
	case expr.Sub:
		return s.shorter(s.pythagorean(s.normal(n.L).plus(s.normal(n.R).scaled(minusOne))))
	case expr.Mul:
		return s.single(s.product(s.asTerm(s.normal(n.L)), s.asTerm(s.normal(n.R))))
	case expr.Div:
		below := s.asTerm(s.normal(n.R))
		if below.coef.Sign() == 0 {
			return atom(expr.Over(s.simplify(n.L), expr.Num(0)))
		}
		return s.single(s.product(s.asTerm(s.normal(n.L)), s.raise(below, whole(-1))))
	}
	if e, ok := n.R.(*expr.Number); ok && !e.Value.IsInt() && realForNegative(e.Value) && !isConstant(n.L) {
		// A decimal exponent such as 0.2 is no real root: undefined for negative numbers, unlike 1/5.
		return atom(expr.Power(s.simplify(n.L), n.R))
	}
	exp := s.normal(n.R)
	base := s.normal(n.L)
	if split := s.withoutLogarithms(base, exp); split != nil {
		return s.normal(split)
	}
	t := s.asTerm(base)
	if e, ok := exp.number(); ok && e.Sign() == 0 {
		for _, f := range t.factors {
			s.require(f.base, "≠")
		}
	}
	return s.single(s.raise(t, exp))
}

// withoutLogarithms writes b^(v + q·log_b u) as u^q·b^v; nil when no logarithm to a power of the base stands in the
// exponent. Beside other terms u must be a number: x e^v is no shorter to read than e^(v + ln x).
func (s *simplifier) withoutLogarithms(base, exp sum) expr.Node {
	b := s.baseOfPower(base)
	if b == nil {
		return nil
	}
	if expanded, ok := s.expand(exp); ok {
		exp = expanded
	}
	var rest sum
	var out expr.Node
	for _, t := range exp {
		u, q := logarithmIn(t, b)
		if u == nil || !isConstant(u) && len(exp) > 1 || isNotAbove0(u) {
			rest = append(rest, t)
			continue
		}
		if !isConstant(u) {
			s.require(u, ">")
		}
		p := u
		if q.Cmp(one) != 0 {
			p = expr.Power(u, Ratio(q))
		}
		if out != nil {
			p = expr.Times(out, p)
		}
		out = p
	}
	if out == nil || len(rest) == 0 {
		return out
	}
	return expr.Times(out, expr.Power(b, s.build(rest)))
}

// isNotAbove0 tells of a fraction without a logarithm.
func isNotAbove0(n expr.Node) bool {
	r, ok := Fraction(n)
	return ok && r.Sign() <= 0
}

// baseOfPower is e or a number above 0 other than 1, of which there are logarithms; else nil.
func (s *simplifier) baseOfPower(base sum) expr.Node {
	if value, ok := base.number(); ok {
		if value.Sign() <= 0 || value.Cmp(one) == 0 {
			return nil
		}
		return expr.Rat(value)
	}
	if len(base) == 1 && base[0].key() == atom(&expr.Constant{Name: "e"})[0].key() && base[0].coef.Cmp(one) == 0 {
		return &expr.Constant{Name: "e"}
	}
	return nil
}

// logarithmIn finds u and q for which the term is q·log_b u, as ln 5/(2 ln 3) = ½·log₃ 5; u is nil when it is nothing
// like that.
func logarithmIn(t term, b expr.Node) (u expr.Node, q *big.Rat) {
	var own, under expr.Node // its base where one is written, and that of a logarithm below
	for _, f := range t.factors {
		e, numeric := f.exp.number()
		c, isCall := f.base.(*expr.Call)
		switch {
		case !isCall || !numeric || c.Name != "ln" && c.Name != "log":
			return nil, nil
		case e.Cmp(one) == 0 && u == nil:
			u = c.Args[0]
			if c.Name == "log" {
				own = expr.Num(10)
			}
			if len(c.Args) == 2 {
				own = c.Args[1]
			}
		case e.Cmp(minusOne) == 0 && under == nil && c.Name == "ln":
			under = c.Args[0]
		default:
			return nil, nil
		}
	}
	to := under
	switch {
	case u == nil || own != nil && under != nil:
		return nil, nil
	case own != nil:
		to = own
	case under == nil:
		to = &expr.Constant{Name: "e"}
	}
	if expr.Equal(to, b) {
		return u, t.coef
	}
	value, isNumber := b.(*expr.Number)
	below, ok := Fraction(to)
	if !isNumber || !ok {
		return nil, nil
	}
	r, ok := exactLog(value.Value, below)
	if !ok {
		return nil, nil
	}
	return u, new(big.Rat).Mul(t.coef, r)
}

// single is the sum of one term, empty for 0.
func (s *simplifier) single(t term) sum {
	if t.coef.Sign() == 0 {
		return nil
	}
	return sum{t}
}

// shorter replaces a collected sum by its expansion when that has fewer terms to read.
func (s *simplifier) shorter(p sum) sum {
	if len(p) < 2 {
		return p
	}
	if expanded, ok := s.expand(p); ok {
		if expanded = s.pythagorean(expanded); cost(s.build(expanded)) < cost(s.build(p)) {
			return expanded
		}
	}
	return p
}
