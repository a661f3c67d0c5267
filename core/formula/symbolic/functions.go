package symbolic

import (
	"math"
	"math/big"
	"sync"

	"parvix/core/formula/expr"
)

// call simplifies a function of simplified arguments.
func (s *simplifier) call(c *expr.Call) sum {
	args := make([]expr.Node, len(c.Args))
	for i, a := range c.Args {
		args[i] = s.simplify(a)
	}
	plain := atom(&expr.Call{Name: c.Name, Primes: c.Primes, Args: args})
	if c.Primes > 0 || !expr.IsBuiltin(c.Name) {
		return plain
	}
	u := s.normal(args[0])
	switch c.Name {
	case "sqrt":
		return s.single(s.raise(s.asTerm(u), constant(big.NewRat(1, 2))))
	case "cbrt":
		return s.single(s.raise(s.asTerm(u), constant(big.NewRat(1, 3))))
	case "root":
		if n, ok := args[1].(*expr.Number); ok && n.Value.IsInt() && n.Value.Sign() > 0 {
			return s.single(s.raise(s.asTerm(u), constant(new(big.Rat).Inv(n.Value))))
		}
	case "exp":
		return s.normal(expr.Power(&expr.Constant{Name: "e"}, args[0]))
	case "abs":
		return s.absolute(u, plain)
	case "floor", "ceil", "sgn":
		if value, ok := u.number(); ok {
			return constant(rounded(c.Name, value))
		}
	case "ln", "log":
		return s.logarithm(c, args, u, plain)
	case "sin", "cos", "tan", "cot", "sec", "csc":
		return s.trigonometric(c.Name, u, plain)
	case "arcsin", "arccos", "arctan", "arccot":
		return s.inverse(c.Name, args[0], u, plain)
	case "sinh", "tanh", "arsinh", "artanh", "cosh", "arcosh":
		return s.hyperbolic(c.Name, u, plain)
	case "min", "max":
		return s.extreme(c.Name, args, plain)
	}
	return plain
}

func (s *simplifier) absolute(u sum, plain sum) sum {
	if value, ok := u.number(); ok {
		return constant(new(big.Rat).Abs(value))
	}
	if len(u) != 1 {
		if isPositive(s.build(u)) {
			return u
		}
		if isLeadingNegative(u) {
			return atom(expr.Apply("abs", s.build(u.scaled(minusOne))))
		}
		return plain
	}
	t := u[0]
	out, inside := term{coef: new(big.Rat).Abs(t.coef)}, term{coef: one}
	for _, f := range t.factors {
		e, numeric := f.exp.number()
		c, isCall := f.base.(*expr.Call)
		switch {
		case isPositive(f.base), numeric && e.IsInt() && e.Num().Bit(0) == 0, isCall && c.Name == "abs",
			numeric && !realForNegative(e):
			out.factors = append(out.factors, f)
		default:
			inside.factors = append(inside.factors, f)
		}
	}
	if len(inside.factors) == 0 {
		return sum{out}
	}
	return s.single(s.product(out, atom(expr.Apply("abs", s.build(sum{inside})))[0]))
}

func isLeadingNegative(p sum) bool { return len(p) > 0 && p.ordered()[0].coef.Sign() < 0 }

func rounded(name string, value *big.Rat) *big.Rat {
	floor := new(big.Rat).SetInt(new(big.Int).Div(value.Num(), value.Denom()))
	switch {
	case name == "sgn":
		return big.NewRat(int64(value.Sign()), 1)
	case name == "ceil" && !value.IsInt():
		return floor.Add(floor, one)
	}
	return floor
}

// extreme is the largest or the smallest of numbers; plain where one is none.
func (s *simplifier) extreme(name string, args []expr.Node, plain sum) sum {
	var best *big.Rat
	for _, a := range args {
		number, ok := s.normal(a).number()
		if !ok {
			return plain
		}
		if best == nil || (number.Cmp(best) < 0) == (name == "min") {
			best = number
		}
	}
	return constant(best)
}

// logarithm: ln 1, ln e^u, and logarithms of powers of the base.
func (s *simplifier) logarithm(c *expr.Call, args []expr.Node, u, plain sum) sum {
	if u.isOne() {
		return nil
	}
	if c.Name == "ln" {
		if len(u) == 1 && u[0].coef.Cmp(one) == 0 && len(u[0].factors) == 1 {
			if base, ok := u[0].factors[0].base.(*expr.Constant); ok && base.Name == "e" {
				return u[0].factors[0].exp
			}
		}
		if value, ok := u.number(); ok && value.Sign() > 0 && value.Num().Cmp(big.NewInt(1)) == 0 {
			return atom(expr.Apply("ln", expr.Rat(new(big.Rat).Inv(value)))).scaled(minusOne)
		}
		if inverse := s.surdInverse(u); inverse != nil {
			return atom(expr.Apply("ln", s.build(inverse))).scaled(minusOne)
		}
		return plain
	}
	base := big.NewRat(10, 1)
	if len(args) == 2 {
		if n, ok := args[1].(*expr.Number); ok {
			base = n.Value
		} else if e, ok := args[1].(*expr.Constant); ok && e.Name == "e" {
			return s.call(&expr.Call{Name: "ln", Args: args[:1]})
		} else {
			return plain
		}
	}
	if value, ok := u.number(); ok {
		if e, exact := exactLog(value, base); exact {
			return constant(e)
		}
	}
	// log₂(8·2^u) = 3 + u
	if len(u) == 1 && len(u[0].factors) == 1 {
		f := u[0].factors[0]
		if value, ok := Fraction(f.base); ok {
			e, exact := exactLog(value, base)
			if lift, also := exactLog(u[0].coef, base); exact && also {
				return f.exp.scaled(e).plus(constant(lift))
			}
		}
	}
	return plain
}

// surdInverse is a + b√d for u = a − b√d with a² − b²d = 1, so that ln(2 − √3) is read as −ln(2 + √3); nil for others.
func (s *simplifier) surdInverse(u sum) sum {
	if len(u) != 2 {
		return nil
	}
	var a, b *big.Rat
	var root factor
	for _, t := range u {
		switch len(t.factors) {
		case 0:
			a = t.coef
		case 1:
			b, root = t.coef, t.factors[0]
		}
	}
	if a == nil || b == nil || a.Sign() < 0 || b.Sign() > 0 {
		return nil
	}
	d, isNumber := root.base.(*expr.Number)
	e, numeric := root.exp.number()
	if !isNumber || !numeric || e.Cmp(big.NewRat(1, 2)) != 0 {
		return nil
	}
	norm := new(big.Rat).Mul(b, b)
	norm.Mul(norm, d.Value).Sub(new(big.Rat).Mul(a, a), norm)
	if norm.Cmp(one) != 0 {
		return nil
	}
	return constant(a).plus(sum{{new(big.Rat).Neg(b), []factor{root}}})
}

// exactLog finds p/q with base^(p/q) = value, for small p and q.
func exactLog(value, base *big.Rat) (*big.Rat, bool) {
	if value.Sign() <= 0 || base.Sign() <= 0 || base.Cmp(one) == 0 {
		return nil, false
	}
	for q := int64(1); q <= 6; q++ {
		target := ratPower(value, q)
		for p := int64(0); p <= 60; p++ {
			power := ratPower(base, p)
			if power.Cmp(target) == 0 {
				return big.NewRat(p, q), true
			}
			if new(big.Rat).Inv(power).Cmp(target) == 0 {
				return big.NewRat(-p, q), true
			}
		}
	}
	return nil, false
}

// MultipleOfPi finds r in n = r·π; false where n is no such multiple that can be known.
func MultipleOfPi(n expr.Node) (*big.Rat, bool) {
	s := &simplifier{seen: map[string]bool{}}
	return multipleOfPi(s.normal(n))
}

// multipleOfPi finds r in u = r·π.
func multipleOfPi(u sum) (*big.Rat, bool) {
	if len(u) == 0 {
		return zero, true
	}
	if len(u) != 1 || len(u[0].factors) != 1 {
		return nil, false
	}
	f := u[0].factors[0]
	if c, ok := f.base.(*expr.Constant); !ok || c.Name != "pi" || !f.exp.isOne() {
		return nil, false
	}
	return u[0].coef, true
}

// trigonometric: exact values at the special angles, and an even or odd function's sign.
func (s *simplifier) trigonometric(name string, u, plain sum) sum {
	if r, ok := multipleOfPi(u); ok {
		if exact, known := exactTrigonometric(name, r); known {
			if exact == nil {
				return plain
			}
			return s.normal(exact)
		}
	}
	if plainly := s.ofInverse(name, u); plainly != nil {
		return s.normal(plainly)
	}
	if !isLeadingNegative(u) {
		return plain
	}
	turned := atom(expr.Apply(name, s.build(u.scaled(minusOne))))
	if name == "cos" || name == "sec" {
		return turned
	}
	return turned.scaled(minusOne)
}

// ofInverse writes a trigonometric function of ±θ or ±2θ and quarter turns without the angle, where θ is the inverse of one:
// cos(arcsin v) = √(1 − v²), sin(arctan v) = v/√(1 + v²) (DLMF 4.24.1 to 4.24.3 solved for the functions); nil for others.
func (s *simplifier) ofInverse(name string, u sum) expr.Node {
	var angle *expr.Call
	var times *big.Rat
	var rest sum
	for _, t := range u {
		if angle == nil && len(t.factors) == 1 && t.factors[0].exp.isOne() {
			if c, ok := t.factors[0].base.(*expr.Call); ok && (c.Name == "arcsin" || c.Name == "arccos" || c.Name == "arctan") {
				angle, times = c, t.coef
				continue
			}
		}
		rest = append(rest, t)
	}
	turns, ok := multipleOfPi(rest)
	if angle == nil || !ok || !times.IsInt() || times.Num().CmpAbs(big.NewInt(2)) > 0 {
		return nil
	}
	quarters := new(big.Rat).Mul(turns, big.NewRat(2, 1))
	if !quarters.IsInt() {
		return nil
	}
	v := angle.Args[0]
	double := new(big.Rat).Abs(times).Cmp(one) > 0
	if angle.Name == "arctan" && (double || name != "tan" && name != "cot") && growsFast(v) {
		return nil
	}
	square := expr.Power(v, expr.Num(2))
	sin, cos := v, expr.Apply("sqrt", expr.Minus(expr.Num(1), square))
	switch angle.Name {
	case "arccos":
		sin, cos = cos, sin
	case "arctan":
		root := expr.Apply("sqrt", expr.Plus(expr.Num(1), square))
		sin, cos = expr.Over(v, root), expr.Over(expr.Num(1), root)
	}
	if angle.Name != "arctan" {
		inside := s.normal(expr.Minus(expr.Num(1), square))
		if value, ok := inside.number(); isConstant(v) && (!ok || value.Sign() < 0) {
			return nil // no such angle, or not surely one
		}
		s.require(s.build(inside), "≥")
	}
	if double {
		sin, cos = expr.Times(expr.Num(2), expr.Times(sin, cos)), expr.Minus(expr.Power(cos, expr.Num(2)), expr.Power(sin, expr.Num(2)))
	}
	if times.Sign() < 0 {
		sin = expr.Opposite(sin)
	}
	for range new(big.Int).Mod(quarters.Num(), big.NewInt(4)).Int64() {
		sin, cos = cos, expr.Opposite(sin)
	}
	switch name {
	case "sin":
		return sin
	case "cos":
		return cos
	case "tan":
		return expr.Over(sin, cos)
	case "cot":
		return expr.Over(cos, sin)
	case "sec":
		return expr.Over(expr.Num(1), cos)
	}
	return expr.Over(expr.Num(1), sin)
}

// growsFast tells of a formula whose square no float64 may hold, though it holds the formula: sin(arctan e^(e^6)) is 1 to all
// its digits, and e^(e^6)/√(e^(2e^6) + 1) would come out as 0.
func growsFast(v expr.Node) bool {
	return expr.Any(v, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Number:
			return n.Value.Num().BitLen() > 200
		case *expr.Binary:
			e, ok := Fraction(n.R)
			return n.Op == expr.Pow && (!ok || e.Cmp(big.NewRat(20, 1)) > 0)
		case *expr.Call:
			return n.Name == "exp" || n.Name == "sinh" || n.Name == "cosh"
		}
		return false
	})
}

// special are the shares of a half turn up to a quarter turn whose sine is written with square roots: the multiples of
// π/12 (DLMF Table 4.17.1), of π/10 (from the regular pentagon, Euclid XIII.10) and of π/8 (half of π/4).
var special = []string{"0", "1/12", "1/10", "1/8", "1/6", "1/5", "1/4", "3/10", "1/3", "3/8", "2/5", "5/12", "1/2"}

// sines are sin(r·π) for the special r; nil for others.
func sines(r *big.Rat) expr.Node {
	root := func(n int64) expr.Node { return expr.Apply("sqrt", expr.Num(n)) }
	switch r.RatString() {
	case "0":
		return expr.Num(0)
	case "1/12":
		return expr.Over(expr.Minus(root(6), root(2)), expr.Num(4))
	case "1/10":
		return expr.Over(expr.Minus(root(5), expr.Num(1)), expr.Num(4))
	case "1/8":
		return expr.Over(expr.Apply("sqrt", expr.Minus(expr.Num(2), root(2))), expr.Num(2))
	case "1/6":
		return expr.Over(expr.Num(1), expr.Num(2))
	case "1/5":
		return expr.Over(expr.Apply("sqrt", expr.Minus(expr.Num(10), expr.Times(expr.Num(2), root(5)))), expr.Num(4))
	case "1/4":
		return expr.Over(root(2), expr.Num(2))
	case "3/10":
		return expr.Over(expr.Plus(root(5), expr.Num(1)), expr.Num(4))
	case "1/3":
		return expr.Over(root(3), expr.Num(2))
	case "3/8":
		return expr.Over(expr.Apply("sqrt", expr.Plus(expr.Num(2), root(2))), expr.Num(2))
	case "2/5":
		return expr.Over(expr.Apply("sqrt", expr.Plus(expr.Num(10), expr.Times(expr.Num(2), root(5)))), expr.Num(4))
	case "5/12":
		return expr.Over(expr.Plus(root(6), root(2)), expr.Num(4))
	case "1/2":
		return expr.Num(1)
	}
	return nil
}

// tangents are tan(r·π) for the special r below 1/2; nil for others.
func tangents(r *big.Rat) expr.Node {
	root := func(n int64) expr.Node { return expr.Apply("sqrt", expr.Num(n)) }
	switch r.RatString() {
	case "0":
		return expr.Num(0)
	case "1/12":
		return expr.Minus(expr.Num(2), root(3))
	case "1/10":
		return expr.Over(expr.Apply("sqrt", expr.Minus(expr.Num(25), expr.Times(expr.Num(10), root(5)))), expr.Num(5))
	case "1/8":
		return expr.Minus(root(2), expr.Num(1))
	case "1/6":
		return expr.Over(root(3), expr.Num(3))
	case "1/5":
		return expr.Apply("sqrt", expr.Minus(expr.Num(5), expr.Times(expr.Num(2), root(5))))
	case "1/4":
		return expr.Num(1)
	case "3/10":
		return expr.Over(expr.Apply("sqrt", expr.Plus(expr.Num(25), expr.Times(expr.Num(10), root(5)))), expr.Num(5))
	case "1/3":
		return root(3)
	case "3/8":
		return expr.Plus(root(2), expr.Num(1))
	case "2/5":
		return expr.Apply("sqrt", expr.Plus(expr.Num(5), expr.Times(expr.Num(2), root(5))))
	case "5/12":
		return expr.Plus(expr.Num(2), root(3))
	}
	return nil
}

var half = big.NewRat(1, 2)

// exactTrigonometric is the function at r·π: known is false off the table, exact is nil where it is undefined.
func exactTrigonometric(name string, r *big.Rat) (exact expr.Node, known bool) {
	toCosine := new(big.Rat).Add(r, half)
	switch name {
	case "sin":
		exact = signed(sine(r))
	case "cos":
		exact = signed(sine(toCosine))
	case "tan":
		return tangent(r)
	case "cot":
		return tangent(new(big.Rat).Sub(half, r))
	case "sec":
		return reciprocal(sine(toCosine))
	case "csc":
		return reciprocal(sine(r))
	}
	return exact, exact != nil
}

func reciprocal(size expr.Node, isBelow bool) (exact expr.Node, known bool) {
	if size == nil {
		return nil, false
	}
	return signed(inverted(size), isBelow), true
}

func signed(size expr.Node, isBelow bool) expr.Node {
	if isBelow {
		return negated(size)
	}
	return size
}

// beyond is r less the whole multiples of n.
func beyond(r *big.Rat, n int64) *big.Rat {
	step := big.NewRat(n, 1)
	share := new(big.Rat).Quo(r, step)
	whole := new(big.Rat).SetInt(new(big.Int).Div(share.Num(), share.Denom()))
	return new(big.Rat).Sub(r, whole.Mul(whole, step))
}

// sine is |sin(r·π)|, nil off the table, and whether the sine is below 0.
func sine(r *big.Rat) (size expr.Node, isBelow bool) {
	r = beyond(r, 2)
	if r.Cmp(one) >= 0 {
		r, isBelow = new(big.Rat).Sub(r, one), true
	}
	if r.Cmp(half) > 0 {
		r = new(big.Rat).Sub(one, r)
	}
	return sines(r), isBelow
}

// tangent is tan(r·π): nil and known where it is undefined, nil and unknown off the table.
func tangent(r *big.Rat) (exact expr.Node, known bool) {
	r = beyond(r, 1)
	switch r.Cmp(half) {
	case 0:
		return nil, true
	case 1:
		exact = negated(tangents(new(big.Rat).Sub(one, r)))
	default:
		exact = tangents(r)
	}
	return exact, exact != nil
}

// negated is −n, a difference turned around: −(√5 − 1)/4 is (1 − √5)/4; nil for nil.
func negated(n expr.Node) expr.Node {
	if b, ok := n.(*expr.Binary); ok {
		switch b.Op {
		case expr.Sub:
			return expr.Minus(b.R, b.L)
		case expr.Div:
			return expr.Over(negated(b.L), b.R)
		}
	}
	if n == nil {
		return nil
	}
	return expr.Opposite(n)
}

// inverted is 1/n for one of the sines, with a sum of roots out of the denominator; nil for n = 0.
func inverted(n expr.Node) expr.Node {
	if isNumber(n, 0) {
		return nil
	}
	if b, ok := n.(*expr.Binary); ok && b.Op == expr.Div {
		// 4/(√6 ∓ √2) = √6 ± √2, and 4/(√5 ∓ 1) = √5 ± 1.
		if two, ok := b.L.(*expr.Binary); ok {
			flipped := expr.Add
			if two.Op == expr.Add {
				flipped = expr.Sub
			}
			return &expr.Binary{Op: flipped, L: two.L, R: two.R}
		}
		return expr.Over(b.R, b.L)
	}
	return expr.Over(expr.Num(1), n)
}

// inverse: arcsin and its kin at the values of the table, and their symmetry.
func (s *simplifier) inverse(name string, arg expr.Node, u, plain sum) sum {
	if isConstant(arg) {
		if exact, known := s.inverseOfTable(name, u); known {
			return exact
		}
		if angle := s.sameAngle(name, u); angle != nil {
			return angle
		}
	}
	if (name == "arcsin" || name == "arctan") && isLeadingNegative(u) {
		return atom(expr.Apply(name, s.build(u.scaled(minusOne)))).scaled(minusOne)
	}
	return plain
}

// sameAngle is the angle between −π/2 and π/2, or 0 and π, that has the same value as the one in arcsin(sin c); nil for
// anything else. c is a fraction, or one of π.
func (s *simplifier) sameAngle(name string, u sum) sum {
	if len(u) != 1 || u[0].coef.Cmp(one) != 0 || len(u[0].factors) != 1 || !u[0].factors[0].exp.isOne() {
		return nil
	}
	c, ok := u[0].factors[0].base.(*expr.Call)
	if !ok || "arc"+c.Name != name {
		return nil
	}
	angle := s.normal(c.Args[0])
	turns, ok := multipleOfPi(angle) // half turns
	if r, isNumber := angle.number(); isNumber {
		share, _ := r.Float64()
		turns, ok = new(big.Rat).SetFloat64(share/math.Pi), true
	}
	if !ok || new(big.Rat).Abs(turns).Cmp(big.NewRat(1<<20, 1)) > 0 {
		return nil
	}
	t, _ := turns.Float64()
	half := int64(math.Round(t))
	if name == "arccos" {
		half = int64(math.Floor(t))
	}
	out := angle.plus(s.normal(pi()).scaled(big.NewRat(-half, 1)))
	if half%2 == 0 || name == "arctan" {
		return out
	}
	out = out.scaled(minusOne) // sin(c − π) = −sin c, and cos(π − (c − π)) = cos c
	if name == "arccos" {
		out = out.plus(s.normal(pi()))
	}
	return out
}

// inverseOfTable finds the special angle at which a trigonometric function takes the value u.
func (s *simplifier) inverseOfTable(name string, u sum) (angle sum, known bool) {
	r, known := angleTable()[name][string(u.appendKey(nil))]
	if !known {
		return nil, false
	}
	return s.normal(expr.Times(expr.Rat(r), pi())), true
}

// angleTable gives for each inverse function the share of π by the key of the value.
var angleTable func() map[string]map[string]*big.Rat

// The table is made by the simplifier that uses it, so it is set when the package is ready.
func init() { angleTable = sync.OnceValue(makeAngleTable) }

func makeAngleTable() map[string]map[string]*big.Rat {
	table := map[string]map[string]*big.Rat{}
	s := &simplifier{seen: map[string]bool{}}
	for inverse, forward := range map[string]string{"arcsin": "sin", "arccos": "cos", "arctan": "tan", "arccot": "cot"} {
		table[inverse] = map[string]*big.Rat{}
		put := func(r *big.Rat) {
			if exact, _ := exactTrigonometric(forward, r); exact != nil {
				table[inverse][string(s.normal(exact).appendKey(nil))] = r
			}
		}
		for _, text := range special {
			r, _ := new(big.Rat).SetString(text)
			put(r)
			// arcsin and arctan turn about 0, arccos and arccot about π/2.
			if inverse == "arcsin" || inverse == "arctan" {
				put(new(big.Rat).Neg(r))
			} else {
				put(new(big.Rat).Sub(one, r))
			}
		}
	}
	return table
}

func (s *simplifier) hyperbolic(name string, u, plain sum) sum {
	switch {
	case len(u) == 0 && name == "cosh":
		return whole(1)
	case len(u) == 0 && name != "arcosh", u.isOne() && name == "arcosh":
		return nil
	case !isLeadingNegative(u) || name == "arcosh":
		return plain
	}
	turned := atom(expr.Apply(name, s.build(u.scaled(minusOne))))
	if name == "cosh" {
		return turned
	}
	return turned.scaled(minusOne)
}
