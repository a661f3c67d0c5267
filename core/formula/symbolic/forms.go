package symbolic

import (
	"math/big"

	"parvix/core/formula/expr"
)

// The forms in which a person may want to see a formula; the steps are those of every algebra course. Each gives ok false
// where the formula has no such form. Places where n has no value (see Result.Conditions) are kept by n only.

// Form names a form.
type Form string

// The forms that WriteAs knows.
const (
	ExpandedForm  Form = "expanded"
	FactoredForm  Form = "factored"
	CollectedForm Form = "collected"
	SquaredForm   Form = "squared"
	FractionsForm Form = "fractions"
)

// Forms lists all forms, in the order in which a lesson meets them.
func Forms() []Form {
	return []Form{ExpandedForm, CollectedForm, FactoredForm, SquaredForm, FractionsForm}
}

// WriteAs gives n, a formula in x, in a form.
func WriteAs(n expr.Node, x string, form Form) (expr.Node, bool) {
	switch form {
	case ExpandedForm:
		return Expand(n)
	case FactoredForm:
		return Factored(n, x)
	case CollectedForm:
		return Collect(n, x)
	case SquaredForm:
		return Squared(n, x)
	case FractionsForm:
		return PartialFractions(n, x)
	}
	return nil, false
}

// Expand multiplies n out.
func Expand(n expr.Node) (expr.Node, bool) {
	s := &simplifier{decimals: hasDecimals(n), seen: map[string]bool{}}
	p := s.normal(n)
	if expanded, ok := s.expand(p); ok {
		return s.build(expanded), true
	}
	return s.build(p), true
}

// Coefficients of the powers of x in n, the constant first; they may hold other letters. ok is false when n is no
// polynomial in x.
func Coefficients(n expr.Node, x string) (coefficients []expr.Node, ok bool) {
	s := &simplifier{decimals: hasDecimals(n), seen: map[string]bool{}}
	p := s.normal(n)
	if expanded, ok := s.expand(p); ok {
		p = expanded
	}
	const maxDegree = 40
	parts := map[int]sum{}
	highest := -1
	for _, t := range p {
		degree, rest := 0, term{coef: t.coef}
		for _, f := range t.factors {
			name, isName := f.base.(*expr.Name)
			if !isName || name.Name != x {
				if depends(f.base, x) || depends(s.build(f.exp), x) {
					return nil, false
				}
				rest.factors = append(rest.factors, f)
				continue
			}
			e, numeric := f.exp.number()
			if !numeric || !e.IsInt() || e.Sign() < 0 || e.Num().Int64() > maxDegree {
				return nil, false
			}
			degree = int(e.Num().Int64())
		}
		parts[degree] = append(parts[degree], rest)
		highest = max(highest, degree)
	}
	for degree := range highest + 1 {
		coefficients = append(coefficients, s.build(parts[degree]))
	}
	return coefficients, highest >= 0
}

// Collect orders n by powers of x: (a + b)x² + (2 − c)x.
func Collect(n expr.Node, x string) (expr.Node, bool) {
	coefficients, ok := Coefficients(n, x)
	if !ok {
		return nil, false
	}
	var out expr.Node
	for degree := len(coefficients) - 1; degree >= 0; degree-- {
		c := coefficients[degree]
		if isNumber(c, 0) {
			continue
		}
		out = joined(out, scaledPower(c, powerOf(x, degree)))
	}
	if out == nil {
		out = expr.Num(0)
	}
	return out, true
}

// powerOf is x^degree, nil for 1.
func powerOf(x string, degree int) expr.Node {
	switch degree {
	case 0:
		return nil
	case 1:
		return &expr.Name{Name: x}
	}
	return expr.Power(&expr.Name{Name: x}, expr.Num(int64(degree)))
}

// scaledPower is c·u without a factor 1; u may be nil.
func scaledPower(c, u expr.Node) expr.Node {
	switch {
	case u == nil:
		return c
	case isNumber(c, 1):
		return u
	}
	if minus, ok := c.(*expr.Neg); ok {
		return expr.Opposite(scaledPower(minus.X, u))
	}
	return expr.Times(c, u)
}

// joined is sum + t with the sign of t in front of it.
func joined(sum, t expr.Node) expr.Node {
	if sum == nil {
		return t
	}
	if minus, ok := t.(*expr.Neg); ok {
		return expr.Minus(sum, minus.X)
	}
	if b, ok := t.(*expr.Binary); ok && (b.Op == expr.Add || b.Op == expr.Sub) {
		first := joined(sum, b.L)
		if b.Op == expr.Sub {
			return expr.Minus(first, b.R)
		}
		return joined(first, b.R)
	}
	if b, ok := t.(*expr.Binary); ok && (b.Op == expr.Mul || b.Op == expr.Div) {
		if c, ok := b.L.(*expr.Number); ok && c.Value.Sign() < 0 {
			return expr.Minus(sum, scaledOp(b.Op, expr.Rat(new(big.Rat).Neg(c.Value)), b.R))
		}
		if minus, ok := b.L.(*expr.Neg); ok {
			return expr.Minus(sum, scaledOp(b.Op, minus.X, b.R))
		}
	}
	if c, ok := t.(*expr.Number); ok && c.Value.Sign() < 0 {
		return expr.Minus(sum, expr.Rat(new(big.Rat).Neg(c.Value)))
	}
	return expr.Plus(sum, t)
}

func scaledOp(op expr.Op, l, r expr.Node) expr.Node {
	if op == expr.Mul && isNumber(l, 1) {
		return r
	}
	return &expr.Binary{Op: op, L: l, R: r}
}

// Factored writes a polynomial or a quotient of polynomials with rational coefficients as a product, over the rationals.
// ok is false when there is nothing to take apart.
func Factored(n expr.Node, x string) (expr.Node, bool) {
	above, below, ok := AsQuotient(n, x)
	if !ok || len(above) == 0 {
		return nil, false
	}
	top, parts := above.factored(x)
	if below.Degree() == 0 {
		return top, parts > 1
	}
	bottom, more := below.factored(x)
	return expr.Over(top, bottom), parts+more > 2
}

// factored writes the product; parts counts its factors that are no numbers.
func (p Polynomial) factored(x string) (out expr.Node, parts int) {
	content, powers := p.Factor()
	for _, f := range powers {
		base := f.Base.Node(x)
		for range f.Exponent {
			parts++
		}
		if f.Exponent > 1 {
			base = expr.Power(base, expr.Num(int64(f.Exponent)))
		}
		if out == nil {
			out = base
		} else {
			out = expr.Times(out, base)
		}
	}
	return scaledPower(Ratio(content), out), parts
}

// Squared completes the square: a·x² + b·x + c is a·(x + b/2a)² + c − b²/4a, also with letters.
func Squared(n expr.Node, x string) (expr.Node, bool) {
	c, ok := Coefficients(n, x)
	if !ok || len(c) != 3 || isNumber(c[1], 0) {
		return nil, false
	}
	shift := Simplify(expr.Over(c[1], expr.Times(expr.Num(2), c[2]))).Node
	rest := Simplify(expr.Minus(c[0], expr.Over(expr.Power(c[1], expr.Num(2)), expr.Times(expr.Num(4), c[2])))).Node
	inner := Simplify(expr.Plus(&expr.Name{Name: x}, shift)).Node
	out := scaledPower(c[2], expr.Power(inner, expr.Num(2)))
	if isNumber(rest, 0) {
		return out, true
	}
	return joined(out, rest), true
}

// PartialFractions splits a quotient of polynomials with rational coefficients into a polynomial, which is its asymptote
// when it is a line, and fractions over powers of the factors of its denominator (Heaviside's method, here by
// undetermined coefficients). ok is false when there is nothing to split.
func PartialFractions(n expr.Node, x string) (expr.Node, bool) {
	above, below, ok := AsQuotient(n, x)
	if !ok || below.Degree() < 1 {
		return nil, false
	}
	whole, rest := above.Divide(below)
	content, powers := below.Factor()
	rest = rest.Scaled(new(big.Rat).Inv(content))
	shares, ok := partialShares(rest, powers)
	if !ok || len(whole) == 0 && len(shares) < 2 {
		return nil, false
	}
	var out expr.Node
	if len(whole) > 0 {
		out = whole.Node(x)
	}
	for _, s := range shares {
		bottom := s.base.Node(x)
		if s.exponent > 1 {
			bottom = expr.Power(bottom, expr.Num(int64(s.exponent)))
		}
		top, inner := s.above.Primitive()
		scale, denominator := top.Num(), top.Denom()
		over := bottom
		if denominator.Cmp(big.NewInt(1)) != 0 {
			over = expr.Times(Ratio(new(big.Rat).SetInt(denominator)), bottom)
		}
		numerator := scaledPower(Ratio(new(big.Rat).SetInt(scale)), inner.Node(x))
		if inner.Degree() == 0 {
			numerator = Ratio(new(big.Rat).SetInt(scale))
		}
		if minus, isNeg := numerator.(*expr.Neg); isNeg {
			out = joined(out, expr.Opposite(expr.Over(minus.X, over)))
			continue
		}
		out = joined(out, expr.Over(numerator, over))
	}
	return out, true
}

// share is above/base^exponent.
type share struct {
	above, base Polynomial
	exponent    int
}

// partialShares solves rest = Σ aᵢⱼ·Π/baseᵢ^j for the numerators, a linear system with one unknown a coefficient.
func partialShares(rest Polynomial, powers []Power) ([]share, bool) {
	product := Polynomial{one}
	for _, p := range powers {
		for range p.Exponent {
			product = product.Times(p.Base)
		}
	}
	var columns []Polynomial
	var shares []share
	for _, p := range powers {
		cofactor, divisor := product, Polynomial{one}
		for j := 1; j <= p.Exponent; j++ {
			divisor = divisor.Times(p.Base)
			cofactor, _ = product.Divide(divisor)
			shares = append(shares, share{make(Polynomial, p.Base.Degree()), p.Base, j})
			shift := Polynomial{one}
			for range p.Base.Degree() {
				columns = append(columns, cofactor.Times(shift))
				shift = shift.Times(Polynomial{new(big.Rat), one})
			}
		}
	}
	unknowns, ok := solveLinear(columns, rest, product.Degree())
	if !ok {
		return nil, false
	}
	kept := shares[:0]
	for _, s := range shares {
		for i := range s.above {
			s.above[i], unknowns = unknowns[0], unknowns[1:]
		}
		if s.above = s.above.trim(); len(s.above) > 0 {
			kept = append(kept, s)
		}
	}
	return kept, true
}

// solveLinear finds u with Σ uᵢ·columnᵢ = target by Gauss's elimination, size equations and unknowns.
func solveLinear(columns []Polynomial, target Polynomial, size int) ([]*big.Rat, bool) {
	at := func(p Polynomial, i int) *big.Rat {
		if i < len(p) {
			return new(big.Rat).Set(p[i])
		}
		return new(big.Rat)
	}
	rows := make([][]*big.Rat, size)
	for i := range rows {
		for _, c := range columns {
			rows[i] = append(rows[i], at(c, i))
		}
		rows[i] = append(rows[i], at(target, i))
	}
	for c := range size {
		pivot := c
		for pivot < size && rows[pivot][c].Sign() == 0 {
			pivot++
		}
		if pivot == size {
			return nil, false
		}
		rows[c], rows[pivot] = rows[pivot], rows[c]
		inverse := new(big.Rat).Inv(rows[c][c])
		for k := range rows[c] {
			rows[c][k].Mul(rows[c][k], inverse)
		}
		for r := range size {
			if r == c || rows[r][c].Sign() == 0 {
				continue
			}
			factor := new(big.Rat).Set(rows[r][c])
			for k := range rows[r] {
				rows[r][k].Sub(rows[r][k], new(big.Rat).Mul(factor, rows[c][k]))
			}
		}
	}
	out := make([]*big.Rat, size)
	for i := range out {
		out[i] = rows[i][size]
	}
	return out, true
}
