package solve

import (
	"math"
	"math/big"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// monomial is a term of the numerator: what is free of x, a power of x, e to a formula in x, and powers of other parts.
type monomial struct {
	c       expr.Node
	power   *big.Rat
	e       expr.Node // nil for none
	kernels map[string]kernel
}

type kernel struct {
	base expr.Node
	exp  *big.Rat
}

func (s *solver) zerosOfSum(n expr.Node) Set {
	terms, ok := symbolic.Numerator(s.prepared(n))
	if !ok {
		giveUp()
	}
	monomials := make([]monomial, 0, len(terms))
	for _, t := range terms {
		monomials = append(monomials, s.monomial(t))
	}
	if len(monomials) == 0 {
		return Set{All: true}
	}
	return s.where(n, s.zerosOfMonomials(monomials))
}

// prepared writes n with sine, cosine, e and ln as its only functions where it can.
func (s *solver) prepared(n expr.Node) expr.Node {
	n = expr.Map(n, s.prepared)
	e := func(u expr.Node) expr.Node { return expr.Power(&expr.Constant{Name: "e"}, u) }
	switch n := n.(type) {
	case *expr.Binary:
		if n.Op == expr.Pow && s.depends(n.R) && !s.depends(n.L) {
			if c, ok := n.L.(*expr.Constant); ok && c.Name == "e" {
				return n
			}
			return e(expr.Times(n.R, lnOf(n.L)))
		}
	case *expr.Call:
		if len(n.Args) == 0 || !s.depends(n) {
			return n
		}
		u := n.Args[0]
		switch n.Name {
		case "tan":
			return expr.Over(expr.Apply("sin", u), expr.Apply("cos", u))
		case "cot":
			return expr.Over(expr.Apply("cos", u), expr.Apply("sin", u))
		case "sec":
			return expr.Over(expr.Num(1), expr.Apply("cos", u))
		case "csc":
			return expr.Over(expr.Num(1), expr.Apply("sin", u))
		case "exp":
			return e(u)
		case "sinh":
			return expr.Over(expr.Minus(e(u), e(expr.Opposite(u))), expr.Num(2))
		case "cosh":
			return expr.Over(expr.Plus(e(u), e(expr.Opposite(u))), expr.Num(2))
		case "tanh":
			return expr.Over(expr.Minus(e(u), e(expr.Opposite(u))), expr.Plus(e(u), e(expr.Opposite(u))))
		case "log":
			var base expr.Node = expr.Num(10)
			if len(n.Args) == 2 {
				base = n.Args[1]
			}
			return expr.Over(expr.Apply("ln", u), expr.Apply("ln", base))
		}
	}
	return n
}

// lnOf is ln n with a whole number or fraction taken apart into primes, so that ln 8 and ln 2 are seen to be related.
func lnOf(n expr.Node) expr.Node {
	r, ok := exact.Of(n).Rat()
	if len(expr.Names(n)) > 0 || !ok || r.Sign() <= 0 {
		return expr.Apply("ln", n)
	}
	var out expr.Node = expr.Num(0)
	for sign, part := range map[int64]*big.Int{1: r.Num(), -1: r.Denom()} {
		if !part.IsInt64() || part.Int64() > 1e6 {
			return expr.Apply("ln", n)
		}
		v := part.Int64()
		for p := int64(2); v > 1; p++ {
			if p*p > v {
				p = v
			}
			for v%p == 0 {
				v /= p
				out = expr.Plus(out, expr.Times(expr.Num(sign), expr.Apply("ln", expr.Num(p))))
			}
		}
	}
	return symbolic.Simplify(out).Node
}

func (s *solver) monomial(t symbolic.Term) monomial {
	m := monomial{c: symbolic.Ratio(t.Coefficient), power: new(big.Rat), kernels: map[string]kernel{}}
	for _, f := range t.Factors {
		whole := expr.Power(f.Base, f.Exponent)
		if !s.depends(f.Base) && !s.depends(f.Exponent) {
			m.c = expr.Times(m.c, whole)
			continue
		}
		if constant, ok := f.Base.(*expr.Constant); ok && constant.Name == "e" {
			if m.e != nil {
				m.e = expr.Plus(m.e, f.Exponent)
			} else {
				m.e = f.Exponent
			}
			continue
		}
		if s.depends(f.Base) && s.depends(f.Exponent) {
			m.kernels[expr.Text(whole)] = kernel{whole, big.NewRat(1, 1)}
			continue
		}
		e, ok := exact.Of(f.Exponent).Rat()
		if len(expr.Names(f.Exponent)) > 0 || !ok {
			giveUp()
		}
		if name, ok := f.Base.(*expr.Name); ok && name.Name == s.x {
			m.power = new(big.Rat).Add(m.power, e)
			continue
		}
		m.kernels[expr.Text(f.Base)] = kernel{f.Base, e}
	}
	m.c = short(m.c)
	return m
}

// zerosOfMonomials first takes out what all terms share.
func (s *solver) zerosOfMonomials(list []monomial) Set {
	shared := Set{}
	least := list[0].power
	for _, m := range list {
		if m.power.Cmp(least) < 0 {
			least = m.power
		}
	}
	if least.Sign() != 0 {
		for i := range list {
			list[i].power = new(big.Rat).Sub(list[i].power, least)
		}
		if least.Sign() > 0 {
			shared = single(expr.Num(0), false)
		}
	}
	for _, key := range keysOf(list) {
		least, base := new(big.Rat), expr.Node(nil)
		for i, m := range list {
			e := new(big.Rat)
			if k, ok := m.kernels[key]; ok {
				e, base = k.exp, k.base
			}
			if i == 0 || e.Cmp(least) < 0 {
				least = e
			}
		}
		if least.Sign() == 0 {
			continue
		}
		if least.Sign() > 0 {
			shared = shared.join(s.zeros(base))
		}
		for i := range list {
			k := kernel{base, new(big.Rat).Neg(least)}
			if own, ok := list[i].kernels[key]; ok {
				k.exp = new(big.Rat).Add(own.exp, k.exp)
			}
			delete(list[i].kernels, key)
			if k.exp.Sign() != 0 {
				list[i].kernels[key] = k
			}
		}
	}
	if len(list) == 1 {
		return shared
	}
	if s.hasWholePower(list) {
		return shared.join(s.zeros(symbolic.Simplify(s.rebuild(list, plainPart)).Node))
	}
	return shared.join(s.zerosWithoutCommon(s.exponentials(list)))
}

// hasWholePower tells whether taking out what the terms share has left a sum or product with a whole exponent, to be multiplied out:
// (x² + 1)^(−1/2) − x²·(x² + 1)^(−3/2) leaves (x² + 1) − x².
func (s *solver) hasWholePower(list []monomial) bool {
	found := false
	for _, m := range list {
		if m.e != nil {
			return false
		}
		for _, k := range m.kernels {
			b, isSum := k.base.(*expr.Binary)
			found = found || isSum && b.Op != expr.Pow && k.exp.IsInt() && k.exp.Sign() > 0
		}
	}
	return found
}

func keysOf(list []monomial) []string {
	seen := map[string]bool{}
	var keys []string
	for _, m := range list {
		for key := range m.kernels {
			if !seen[key] {
				seen[key] = true
				keys = append(keys, key)
			}
		}
	}
	sort.Strings(keys)
	return keys
}

// exponentials divides by e^u of the first term, which is never 0, and writes the rest as powers of one e^g.
func (s *solver) exponentials(list []monomial) []monomial {
	var first expr.Node = expr.Num(0)
	any := false
	for _, m := range list {
		any = any || m.e != nil
	}
	if !any {
		return list
	}
	if list[0].e != nil {
		first = list[0].e
	}
	var unit expr.Node
	ratios := make([]*big.Rat, len(list))
	for i, m := range list {
		var u expr.Node = expr.Num(0)
		if m.e != nil {
			u = m.e
		}
		d := symbolic.Simplify(expr.Minus(u, first)).Node
		ratios[i] = new(big.Rat)
		if !s.depends(d) {
			list[i].c = short(expr.Times(m.c, expr.Power(&expr.Constant{Name: "e"}, d)))
			continue
		}
		if unit == nil {
			unit = d
		}
		ratio := symbolic.Simplify(expr.Over(d, unit)).Node
		if len(expr.Names(ratio)) > 0 {
			giveUp()
		}
		r, ok := exact.Of(ratio).Rat()
		if !ok {
			giveUp()
		}
		ratios[i] = r
	}
	if unit == nil {
		for i := range list {
			list[i].e = nil
		}
		return list
	}
	step := commonMeasure(ratios)
	base := expr.Power(&expr.Constant{Name: "e"}, symbolic.Simplify(expr.Times(symbolic.Ratio(step), unit)).Node)
	key := expr.Text(base)
	least := new(big.Rat)
	for _, r := range ratios {
		if r.Cmp(least) < 0 {
			least = r
		}
	}
	for i := range list {
		list[i].e = nil
		e := new(big.Rat).Quo(new(big.Rat).Sub(ratios[i], least), step)
		if e.Sign() != 0 {
			list[i].kernels[key] = kernel{base, e}
		}
	}
	return list
}

// commonMeasure is the largest fraction of which all are whole multiples.
func commonMeasure(list []*big.Rat) *big.Rat {
	g, l := new(big.Int), big.NewInt(1)
	for _, r := range list {
		if r.Sign() == 0 {
			continue
		}
		d := r.Denom()
		l.Mul(l, new(big.Int).Div(d, new(big.Int).GCD(nil, nil, l, d)))
	}
	for _, r := range list {
		scaled := new(big.Rat).Mul(r, new(big.Rat).SetInt(l))
		g.GCD(nil, nil, g, new(big.Int).Abs(scaled.Num()))
	}
	if g.Sign() == 0 {
		return big.NewRat(1, 1)
	}
	return new(big.Rat).SetFrac(g, l)
}

// commonRoot is 1/q for the least q that makes all whole.
func commonRoot(list []*big.Rat) *big.Rat {
	return new(big.Rat).SetFrac(big.NewInt(1), commonMeasure(append(list, big.NewRat(1, 1))).Denom())
}

func (s *solver) zerosWithoutCommon(list []monomial) Set {
	keys := keysOf(list)
	hasX := false
	for _, m := range list {
		hasX = hasX || m.power.Sign() != 0
	}
	for _, key := range keys {
		if c, ok := s.kernelBase(list, key).(*expr.Call); ok && c.Name == "abs" {
			return s.zerosWithAbs(list, key)
		}
	}
	switch {
	case len(keys) == 0:
		return s.zerosOfPowers(list)
	case len(keys) == 1 && !hasX:
		return s.zerosOfKernel(list, keys[0])
	}
	if !hasX {
		if set, ok := s.trigonometric(list, keys); ok {
			return set
		}
		if set, ok := s.logarithms(list, keys); ok {
			return set
		}
	}
	for _, key := range keys {
		if k := s.exponentOf(list, key); k != nil {
			return s.withoutRadical(list, key, k)
		}
	}
	if len(keys) == 1 {
		return s.sharedPolynomial(list, keys[0])
	}
	giveUp()
	return Set{}
}

func (s *solver) kernelBase(list []monomial, key string) expr.Node {
	for _, m := range list {
		if k, ok := m.kernels[key]; ok {
			return k.base
		}
	}
	return nil
}

// zerosOfPowers solves a polynomial in x, or in a root of x when powers are fractions.
func (s *solver) zerosOfPowers(list []monomial) Set {
	powers := make([]*big.Rat, len(list))
	for i, m := range list {
		powers[i] = m.power
	}
	step := commonRoot(powers)
	out := Set{}
	for _, r := range polynomialRoots(coefficients(list, powers, step)) {
		switch {
		case step.IsInt():
			out = out.join(single(r.node, r.approximate))
		case step.Denom().Bit(0) == 0 && r.float() < 0:
		default:
			out = out.join(single(expr.Power(r.node, symbolic.Ratio(new(big.Rat).Inv(step))), r.approximate))
		}
	}
	return out
}

// maxKernelDegree bounds the polynomials in a part of the formula.
const maxKernelDegree = 24

func coefficients(list []monomial, powers []*big.Rat, step *big.Rat) []expr.Node {
	var c []expr.Node
	for i, m := range list {
		e := new(big.Rat).Quo(powers[i], step)
		if !e.IsInt() || !e.Num().IsInt64() || e.Sign() < 0 || e.Num().Int64() > maxKernelDegree {
			giveUp()
		}
		k := int(e.Num().Int64())
		for len(c) <= k {
			c = append(c, expr.Num(0))
		}
		c[k] = short(expr.Plus(c[k], m.c))
	}
	return c
}

// zerosOfKernel solves a polynomial in one part K(x), then K(x) = root for each of its roots.
func (s *solver) zerosOfKernel(list []monomial, key string) Set {
	powers := make([]*big.Rat, len(list))
	for i, m := range list {
		powers[i] = new(big.Rat)
		if k, ok := m.kernels[key]; ok {
			powers[i] = k.exp
		}
	}
	step := commonRoot(powers)
	out := Set{}
	for _, r := range polynomialRoots(coefficients(list, powers, step)) {
		base := s.kernelBase(list, key)
		if step.Cmp(big.NewRat(1, 1)) != 0 {
			if step.Denom().Bit(0) == 0 && r.float() < 0 {
				continue
			}
			r = r.of(func(n expr.Node) expr.Node { return expr.Power(n, symbolic.Ratio(new(big.Rat).Inv(step))) })
		}
		out = out.join(s.invert(base, r))
	}
	return out
}

// invert solves base = k.
func (s *solver) invert(base expr.Node, k root) Set {
	v := k.float()
	inner := func(u expr.Node, build func(n expr.Node) expr.Node) Set {
		inverse := k.of(build)
		set := s.zeros(symbolic.Simplify(expr.Minus(u, inverse.node)).Node)
		for i := range set.Solutions {
			set.Solutions[i].Approximate = set.Solutions[i].Approximate || k.approximate
		}
		return set
	}
	same := func(n expr.Node) expr.Node { return n }
	apply := func(name string) func(n expr.Node) expr.Node {
		return func(n expr.Node) expr.Node { return expr.Apply(name, n) }
	}
	if b, ok := base.(*expr.Binary); ok && b.Op == expr.Pow && !s.depends(b.L) {
		if v <= 0 {
			return Set{}
		}
		return inner(b.R, func(n expr.Node) expr.Node { return expr.Over(lnOf(n), expr.Apply("ln", b.L)) })
	}
	c, ok := base.(*expr.Call)
	if !ok {
		return inner(base, same)
	}
	u := c.Args[0]
	outside := func(lo, hi float64) bool { return v < lo || v > hi }
	switch c.Name {
	case "ln":
		return inner(u, apply("exp"))
	case "abs":
		if v < 0 {
			return Set{}
		}
		return inner(u, same).join(inner(u, func(n expr.Node) expr.Node { return expr.Opposite(n) }))
	case "sin", "cos":
		return s.invertWave(c, k)
	case "arcsin":
		if outside(-math.Pi/2, math.Pi/2) {
			return Set{}
		}
		return inner(u, apply("sin"))
	case "arccos":
		if outside(0, math.Pi) {
			return Set{}
		}
		return inner(u, apply("cos"))
	case "arctan":
		if outside(-math.Pi/2, math.Pi/2) || math.Abs(v) == math.Pi/2 {
			return Set{}
		}
		return inner(u, apply("tan"))
	case "arccot":
		if outside(0, math.Pi) || v == 0 {
			return Set{}
		}
		return inner(u, apply("cot"))
	case "arsinh":
		return inner(u, apply("sinh"))
	case "arcosh":
		if v < 0 {
			return Set{}
		}
		return inner(u, apply("cosh"))
	case "artanh":
		return inner(u, apply("tanh"))
	}
	giveUp()
	return Set{}
}

// invertWave solves sin u = k or cos u = k for u = a·x + b.
func (s *solver) invertWave(c *expr.Call, k root) Set {
	v := k.float()
	if math.Abs(v) > 1+1e-15 {
		return Set{}
	}
	angle := k.of(func(n expr.Node) expr.Node { return expr.Apply("arc"+c.Name, n) })
	turn := exact.Of(expr.Times(expr.Num(2), expr.Pi()))
	half := exact.Of(expr.Pi())
	switch {
	case c.Name == "sin" && v == 0:
		return s.angles(c.Args[0], root{node: expr.Num(0)}, half)
	case c.Name == "cos" && v == 0:
		return s.angles(c.Args[0], root{node: expr.Over(expr.Pi(), expr.Num(2))}, half)
	case math.Abs(v) == 1:
		return s.angles(c.Args[0], angle, turn)
	case c.Name == "sin":
		other := angle.of(func(n expr.Node) expr.Node { return expr.Minus(expr.Pi(), n) })
		return s.angles(c.Args[0], angle, turn).join(s.angles(c.Args[0], other, turn))
	}
	other := angle.of(func(n expr.Node) expr.Node { return expr.Opposite(n) })
	return s.angles(c.Args[0], angle, turn).join(s.angles(c.Args[0], other, turn))
}

// angles solves u = angle + k·turn for a u that is a line in x.
func (s *solver) angles(u expr.Node, angle root, turn exact.Value) Set {
	a, b, ok := s.line(u)
	if !ok {
		giveUp()
	}
	set := single(expr.Over(expr.Minus(angle.node, b), a), angle.approximate)
	period := short(expr.Over(turn.Node(), a))
	if len(expr.Names(period)) > 0 {
		set.Solutions[0].Step = period
		return set
	}
	p := exact.Of(period)
	if p.Float() < 0 {
		p = p.Neg()
	}
	set.Solutions[0].Period = p
	return set
}

// line reads u = a·x + b.
func (s *solver) line(u expr.Node) (a, b expr.Node, ok bool) {
	a = symbolic.Simplify(symbolic.Derivative(u, s.x)).Node
	if s.depends(a) || float(a) == 0 {
		return nil, nil, false
	}
	b = symbolic.Substitute(u, map[string]expr.Node{s.x: expr.Num(0)})
	return a, short(b), true
}

// zerosWithAbs solves with |u| = u and with |u| = −u, and keeps of each what has that sign.
func (s *solver) zerosWithAbs(list []monomial, key string) Set {
	u := s.kernelBase(list, key).(*expr.Call).Args[0]
	out := Set{}
	for _, sign := range []int64{1, -1} {
		replaced := s.rebuild(list, func(k string, kn kernel) expr.Node {
			if k == key {
				return expr.Power(expr.Times(expr.Num(sign), u), symbolic.Ratio(kn.exp))
			}
			return expr.Power(kn.base, symbolic.Ratio(kn.exp))
		})
		set := s.zeros(symbolic.Simplify(replaced).Node)
		if set.All {
			giveUp()
		}
		if len(expr.Names(u)) > 1 {
			giveUp()
		}
		f := s.point(u)
		for _, z := range set.Solutions {
			if z.holds(func(x float64) verdict {
				v := float64(sign) * f([]float64{x})
				switch {
				case math.IsNaN(v):
					return undefined
				case v >= -1e-10*(1+math.Abs(x)):
					return yes
				}
				return no
			}) {
				out.Solutions = append(out.Solutions, z)
			}
		}
	}
	return out
}

// rebuild writes the terms as a formula again, each part as the function says.
func (s *solver) rebuild(list []monomial, part func(key string, k kernel) expr.Node) expr.Node {
	var out expr.Node
	for _, m := range list {
		t := m.c
		if m.power.Sign() != 0 {
			t = expr.Times(t, expr.Power(&expr.Name{Name: s.x}, symbolic.Ratio(m.power)))
		}
		keys := keysOf([]monomial{m})
		for _, key := range keys {
			t = expr.Times(t, part(key, m.kernels[key]))
		}
		if m.e != nil {
			t = expr.Times(t, expr.Power(&expr.Constant{Name: "e"}, m.e))
		}
		if out == nil {
			out = t
		} else {
			out = expr.Plus(out, t)
		}
	}
	if out == nil {
		return expr.Num(0)
	}
	return out
}

func plainPart(_ string, k kernel) expr.Node { return expr.Power(k.base, symbolic.Ratio(k.exp)) }

// exponentOf gives a fractional power of a part, whose radical can be removed.
func (s *solver) exponentOf(list []monomial, key string) *big.Rat {
	for _, m := range list {
		if k, ok := m.kernels[key]; ok && !k.exp.IsInt() {
			return k.exp
		}
	}
	return nil
}

// mostSquares bounds the products that squaring makes.
const mostSquares = 80

// withoutRadical turns A + B·√u = 0 into A² − B²·u = 0, and A + B·∛u = 0 into A³ + B³·u = 0; the caller puts the
// solutions in, since squaring may add some.
func (s *solver) withoutRadical(list []monomial, key string, e *big.Rat) Set {
	u := s.kernelBase(list, key)
	q := e.Denom().Int64()
	if q > 3 {
		giveUp()
	}
	var plain, rooted []monomial
	mixed, hasX := false, false
	for _, m := range list {
		hasX = hasX || m.power.Sign() != 0
		for name, other := range m.kernels {
			mixed = mixed || name != key && other.exp.IsInt()
		}
		k, ok := m.kernels[key]
		if !ok || k.exp.IsInt() {
			plain = append(plain, m)
			continue
		}
		rest := new(big.Rat).Sub(k.exp, big.NewRat(1, q))
		if !rest.IsInt() {
			giveUp()
		}
		kernels := map[string]kernel{}
		for name, other := range m.kernels {
			kernels[name] = other
		}
		delete(kernels, key)
		if rest.Sign() != 0 {
			kernels[key] = kernel{u, rest}
		}
		rooted = append(rooted, monomial{m.c, m.power, m.e, kernels})
	}
	// Squared, x and a function of x would still stand beside each other, which nothing here solves; and terms multiply.
	if mixed && hasX || len(plain)*len(plain)+len(rooted)*len(rooted) > mostSquares {
		giveUp()
	}
	a, b := s.rebuild(plain, plainPart), s.rebuild(rooted, plainPart)
	var without expr.Node
	if q == 2 {
		without = expr.Minus(expr.Power(a, expr.Num(2)), expr.Times(expr.Power(b, expr.Num(2)), u))
	} else {
		without = expr.Plus(expr.Power(a, expr.Num(3)), expr.Times(expr.Power(b, expr.Num(3)), u))
	}
	set := s.zeros(symbolic.Simplify(without).Node)
	if set.All {
		giveUp()
	}
	// Only candidates: those that solve are kept.
	return s.where(expr.Plus(a, expr.Times(b, rootOf(u, q))), set)
}

func rootOf(u expr.Node, q int64) expr.Node {
	if q == 2 {
		return expr.Apply("sqrt", u)
	}
	return expr.Apply("cbrt", u)
}

// logarithms joins c₁·ln u₁ + c₂·ln u₂ + … + d = 0 with whole c to u₁^c₁·u₂^c₂·… = e^(−d).
func (s *solver) logarithms(list []monomial, keys []string) (Set, bool) {
	for _, key := range keys {
		c, ok := s.kernelBase(list, key).(*expr.Call)
		if !ok || c.Name != "ln" {
			return Set{}, false
		}
	}
	var scale *big.Rat
	var product expr.Node = expr.Num(1)
	var rest expr.Node = expr.Num(0)
	factors := make([]*big.Rat, len(list))
	for i, m := range list {
		if len(m.kernels) == 0 {
			rest = expr.Plus(rest, m.c)
			continue
		}
		r, ok := exact.Of(m.c).Rat()
		if len(expr.Names(m.c)) > 0 || !ok || len(m.kernels) > 1 {
			return Set{}, false
		}
		factors[i] = r
	}
	var known []*big.Rat
	for _, f := range factors {
		if f != nil {
			known = append(known, f)
		}
	}
	scale = commonMeasure(known)
	for i, m := range list {
		for _, k := range m.kernels {
			if k.exp.Cmp(big.NewRat(1, 1)) != 0 {
				return Set{}, false
			}
			e := new(big.Rat).Quo(factors[i], scale)
			product = expr.Times(product, expr.Power(k.base.(*expr.Call).Args[0], symbolic.Ratio(e)))
		}
	}
	right := short(expr.Apply("exp", expr.Opposite(expr.Over(rest, symbolic.Ratio(scale)))))
	return s.zeros(symbolic.Simplify(expr.Minus(product, right)).Node), true
}

// sharedPolynomial takes a polynomial in x out of all coefficients of the powers of one part.
func (s *solver) sharedPolynomial(list []monomial, key string) Set {
	groups := map[string]symbolic.Polynomial{}
	exps := map[string]*big.Rat{}
	var order []string
	for _, m := range list {
		e := new(big.Rat)
		if k, ok := m.kernels[key]; ok {
			e = k.exp
		}
		c, ok := exact.Of(m.c).Rat()
		if len(expr.Names(m.c)) > 0 || !ok || !m.power.IsInt() || !m.power.Num().IsInt64() || m.power.Num().Int64() > 30 {
			giveUp()
		}
		name := e.RatString()
		if _, ok := groups[name]; !ok {
			order = append(order, name)
			exps[name] = e
		}
		p := make(symbolic.Polynomial, m.power.Num().Int64()+1)
		for i := range p {
			p[i] = new(big.Rat)
		}
		p[len(p)-1] = c
		groups[name] = groups[name].Plus(p, big.NewRat(1, 1))
	}
	if len(order) < 2 {
		giveUp()
	}
	var shared symbolic.Polynomial
	for _, name := range order {
		shared = shared.GCD(groups[name])
	}
	if shared.Degree() < 1 {
		giveUp()
	}
	out := s.zeros(shared.Node(s.x))
	var rest []monomial
	for _, name := range order {
		p, _ := groups[name].Divide(shared)
		for i, c := range p {
			if c.Sign() == 0 {
				continue
			}
			m := monomial{c: symbolic.Ratio(c), power: big.NewRat(int64(i), 1), kernels: map[string]kernel{}}
			if exps[name].Sign() != 0 {
				m.kernels[key] = kernel{s.kernelBase(list, key), exps[name]}
			}
			rest = append(rest, m)
		}
	}
	return out.join(s.zerosOfMonomials(rest))
}
