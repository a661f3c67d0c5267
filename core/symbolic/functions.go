package symbolic

import (
	"math/big"
	"sync"

	"parvix/core/expr"
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
		return s.normal(pow(&expr.Constant{Name: "e"}, args[0]))
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
		return extreme(c.Name, args, plain)
	}
	return plain
}

func (s *simplifier) absolute(u sum, plain sum) sum {
	if value, ok := u.number(); ok {
		return constant(new(big.Rat).Abs(value))
	}
	if len(u) != 1 {
		if isLeadingNegative(u) {
			return atom(call("abs", s.build(u.scaled(minusOne))))
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
	return s.single(s.product(out, atom(call("abs", s.build(sum{inside})))[0]))
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

func extreme(name string, args []expr.Node, plain sum) sum {
	var best *big.Rat
	for _, a := range args {
		if n, ok := a.(*expr.Neg); ok {
			a = n.X
			if number, ok := a.(*expr.Number); ok {
				a = rat(new(big.Rat).Neg(number.Value))
			}
		}
		number, ok := a.(*expr.Number)
		if !ok {
			return plain
		}
		if best == nil || (number.Value.Cmp(best) < 0) == (name == "min") {
			best = number.Value
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
			return atom(call("ln", rat(new(big.Rat).Inv(value)))).scaled(minusOne)
		}
		if inverse := s.surdInverse(u); inverse != nil {
			return atom(call("ln", s.build(inverse))).scaled(minusOne)
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

// trigonometric: exact values at multiples of π/12, and an even or odd function's sign.
func (s *simplifier) trigonometric(name string, u, plain sum) sum {
	if r, ok := multipleOfPi(u); ok {
		if exact, known := exactTrigonometric(name, r); known {
			if exact == nil {
				return plain
			}
			return s.normal(exact)
		}
	}
	if !isLeadingNegative(u) {
		return plain
	}
	turned := atom(call(name, s.build(u.scaled(minusOne))))
	if name == "cos" || name == "sec" {
		return turned
	}
	return turned.scaled(minusOne)
}

// sines are sin(kπ/12) for k = 0 … 6. Source: DLMF Table 4.17.1.
func sines(k int64) expr.Node {
	switch k {
	case 0:
		return num(0)
	case 1:
		return div(sub(call("sqrt", num(6)), call("sqrt", num(2))), num(4))
	case 2:
		return div(num(1), num(2))
	case 3:
		return div(call("sqrt", num(2)), num(2))
	case 4:
		return div(call("sqrt", num(3)), num(2))
	case 5:
		return div(add(call("sqrt", num(6)), call("sqrt", num(2))), num(4))
	}
	return num(1)
}

// tangents are tan(kπ/12) for k = 0 … 6; nil where it is undefined. Source: DLMF Table 4.17.1.
func tangents(k int64) expr.Node {
	switch k {
	case 0:
		return num(0)
	case 1:
		return sub(num(2), call("sqrt", num(3)))
	case 2:
		return div(call("sqrt", num(3)), num(3))
	case 3:
		return num(1)
	case 4:
		return call("sqrt", num(3))
	case 5:
		return add(num(2), call("sqrt", num(3)))
	}
	return nil
}

// exactTrigonometric is the function at r·π: known is false off the table, exact is nil where it is undefined.
func exactTrigonometric(name string, r *big.Rat) (exact expr.Node, known bool) {
	twelfths := new(big.Rat).Mul(r, big.NewRat(12, 1))
	if !twelfths.IsInt() {
		return nil, false
	}
	k := new(big.Int).Mod(twelfths.Num(), big.NewInt(24)).Int64()
	switch name {
	case "sin":
		return signedSine(k), true
	case "cos":
		return signedSine(k + 6), true
	case "tan":
		return signedTangent(k), true
	case "cot":
		return signedTangent(6 - k + 24), true
	case "sec":
		return inverted(signedSine(k + 6)), true
	}
	return inverted(signedSine(k)), true
}

func signedSine(k int64) expr.Node {
	k %= 24
	if k >= 12 {
		return neg(signedSine(k - 12))
	}
	return sines(min(k, 12-k))
}

func signedTangent(k int64) expr.Node {
	k %= 12
	if k > 6 {
		return neg(tangents(12 - k))
	}
	return tangents(k)
}

// inverted is 1/n with the root out of the denominator; nil for n = 0.
func inverted(n expr.Node) expr.Node {
	if isNumber(n, 0) {
		return nil
	}
	if negated, ok := n.(*expr.Neg); ok {
		if inner := inverted(negated.X); inner != nil {
			return neg(inner)
		}
		return nil
	}
	if b, ok := n.(*expr.Binary); ok && b.Op == expr.Div {
		// 4/(√6 ∓ √2) = √6 ± √2.
		if two, ok := b.L.(*expr.Binary); ok {
			flipped := expr.Add
			if two.Op == expr.Add {
				flipped = expr.Sub
			}
			return &expr.Binary{Op: flipped, L: two.L, R: two.R}
		}
		return div(b.R, b.L)
	}
	return div(num(1), n)
}

// inverse: arcsin and its kin at the values of the table, and their symmetry.
func (s *simplifier) inverse(name string, arg expr.Node, u, plain sum) sum {
	if isConstant(arg) {
		if exact, known := s.inverseOfTable(name, u); known {
			return exact
		}
	}
	if (name == "arcsin" || name == "arctan") && isLeadingNegative(u) {
		return atom(call(name, s.build(u.scaled(minusOne)))).scaled(minusOne)
	}
	return plain
}

// inverseOfTable finds the angle k·π/12 at which a trigonometric function takes the value u.
func (s *simplifier) inverseOfTable(name string, u sum) (angle sum, known bool) {
	k, known := angleTable()[name][string(u.appendKey(nil))]
	if !known {
		return nil, false
	}
	return s.normal(mul(rat(big.NewRat(k, 12)), pi())), true
}

// angleTable gives for each inverse function the twelfths of π by the key of the value.
var angleTable func() map[string]map[string]int64

// The table is made by the simplifier that uses it, so it is set when the package is ready.
func init() { angleTable = sync.OnceValue(makeAngleTable) }

func makeAngleTable() map[string]map[string]int64 {
	table := map[string]map[string]int64{}
	s := &simplifier{seen: map[string]bool{}}
	for _, row := range []struct {
		inverse, forward string
		from, to         int64
	}{{"arcsin", "sin", -6, 6}, {"arccos", "cos", 0, 12}, {"arctan", "tan", -6, 6}, {"arccot", "cot", 0, 12}} {
		table[row.inverse] = map[string]int64{}
		for k := row.from; k <= row.to; k++ {
			if exact, _ := exactTrigonometric(row.forward, big.NewRat(k, 12)); exact != nil {
				table[row.inverse][string(s.normal(exact).appendKey(nil))] = k
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
	turned := atom(call(name, s.build(u.scaled(minusOne))))
	if name == "cosh" {
		return turned
	}
	return turned.scaled(minusOne)
}
