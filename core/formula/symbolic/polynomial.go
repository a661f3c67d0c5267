package symbolic

import (
	"math"
	"math/big"
	"math/cmplx"
	"sort"

	"parvix/core/formula/expr"
)

// Polynomial holds rational coefficients, the constant first; the last one is not 0, and the zero polynomial is empty.
type Polynomial []*big.Rat

// maxDegree bounds the polynomials that are read from formulas.
const maxDegree = 40

// AsPolynomial reads n as a polynomial in x with rational coefficients.
func AsPolynomial(n expr.Node, x string) (Polynomial, bool) {
	s := &simplifier{seen: map[string]bool{}}
	p, ok := s.expand(s.normal(n))
	if !ok {
		p = s.normal(n)
	}
	return p.polynomial(x)
}

// AsQuotient reads n as a quotient of polynomials in x with rational coefficients, in lowest terms.
func AsQuotient(n expr.Node, x string) (above, below Polynomial, ok bool) {
	if above, below, ok = asFraction(n, x); !ok {
		return nil, nil, false
	}
	above, below = Reduced(above, below)
	return above, below, true
}

// asFraction reads n as a quotient of polynomials as it stands.
func asFraction(n expr.Node, x string) (above, below Polynomial, ok bool) {
	s := &simplifier{seen: map[string]bool{}}
	q, ok := s.together(n)
	if !ok {
		return nil, nil, false
	}
	if above, ok = q.above.polynomial(x); !ok {
		return nil, nil, false
	}
	below = Polynomial{big.NewRat(1, 1)}
	for _, f := range q.below {
		base, isPolynomial := s.normal(f.base).polynomial(x)
		e, numeric := f.exp.number()
		if !isPolynomial || !numeric || !e.IsInt() || len(base) == 0 {
			return nil, nil, false
		}
		for range e.Num().Int64() {
			if below = below.Times(base); below.Degree() > maxDegree {
				return nil, nil, false
			}
		}
	}
	return above, below, true
}

// Reduced divides above and below by what they share.
func Reduced(above, below Polynomial) (Polynomial, Polynomial) {
	if len(above) == 0 {
		return nil, Polynomial{big.NewRat(1, 1)}
	}
	if g := above.GCD(below); g.Degree() > 0 {
		above, _ = above.Divide(g)
		below, _ = below.Divide(g)
	}
	content, primitive := below.Primitive()
	return above.Scaled(new(big.Rat).Inv(content)), primitive
}

// polynomial reads a sum whose terms are fractions times whole powers of x.
func (p sum) polynomial(x string) (Polynomial, bool) {
	var out Polynomial
	for _, t := range p {
		degree := int64(0)
		for _, f := range t.factors {
			name, isName := f.base.(*expr.Name)
			e, numeric := f.exp.number()
			if !isName || name.Name != x || !numeric || !e.IsInt() || e.Sign() < 0 || !e.Num().IsInt64() {
				return nil, false
			}
			degree += e.Num().Int64()
		}
		if degree > maxDegree {
			return nil, false
		}
		for int64(len(out)) <= degree {
			out = append(out, new(big.Rat))
		}
		out[degree] = new(big.Rat).Add(out[degree], t.coef)
	}
	return out.trim(), true
}

func (p Polynomial) trim() Polynomial {
	for len(p) > 0 && p[len(p)-1].Sign() == 0 {
		p = p[:len(p)-1]
	}
	return p
}

// Degree is −1 for the zero polynomial.
func (p Polynomial) Degree() int { return len(p) - 1 }

// Lead is the coefficient of the highest power.
func (p Polynomial) Lead() *big.Rat { return p[len(p)-1] }

// Node writes p in falling powers of x.
func (p Polynomial) Node(x string) expr.Node {
	var terms sum
	for i, c := range p {
		if c.Sign() == 0 {
			continue
		}
		t := term{coef: c}
		if i > 0 {
			t.factors = []factor{power(&expr.Name{Name: x}, whole(int64(i)))}
		}
		terms = append(terms, t)
	}
	s := &simplifier{seen: map[string]bool{}}
	return s.build(terms)
}

// At is p(r), by Horner's rule.
func (p Polynomial) At(r *big.Rat) *big.Rat {
	out := new(big.Rat)
	for i := len(p) - 1; i >= 0; i-- {
		out.Mul(out, r)
		out.Add(out, p[i])
	}
	return out
}

// Derivative is p′.
func (p Polynomial) Derivative() Polynomial {
	var out Polynomial
	for i := 1; i < len(p); i++ {
		out = append(out, new(big.Rat).Mul(p[i], big.NewRat(int64(i), 1)))
	}
	return out
}

// Plus is p + c·q.
func (p Polynomial) Plus(q Polynomial, c *big.Rat) Polynomial {
	out := make(Polynomial, max(len(p), len(q)))
	for i := range out {
		out[i] = new(big.Rat)
		if i < len(p) {
			out[i].Add(out[i], p[i])
		}
		if i < len(q) {
			out[i].Add(out[i], new(big.Rat).Mul(q[i], c))
		}
	}
	return out.trim()
}

// Times is p·q.
func (p Polynomial) Times(q Polynomial) Polynomial {
	if len(p) == 0 || len(q) == 0 {
		return nil
	}
	out := make(Polynomial, len(p)+len(q)-1)
	for i := range out {
		out[i] = new(big.Rat)
	}
	for i, a := range p {
		for j, b := range q {
			out[i+j].Add(out[i+j], new(big.Rat).Mul(a, b))
		}
	}
	return out.trim()
}

// Divide gives quotient and rest; q must not be zero.
func (p Polynomial) Divide(q Polynomial) (quotient, rest Polynomial) {
	rest = append(Polynomial{}, p...)
	if len(p) >= len(q) {
		quotient = make(Polynomial, len(p)-len(q)+1)
	}
	for i := range quotient {
		quotient[i] = new(big.Rat)
	}
	for len(rest) >= len(q) {
		shift := len(rest) - len(q)
		c := new(big.Rat).Quo(rest.Lead(), q.Lead())
		quotient[shift] = c
		for i, b := range q {
			rest[i+shift] = new(big.Rat).Sub(rest[i+shift], new(big.Rat).Mul(b, c))
		}
		rest = rest.trim()
	}
	return quotient.trim(), rest
}

// Monic divides by the leading coefficient.
func (p Polynomial) Monic() Polynomial {
	if len(p) == 0 {
		return p
	}
	return p.Scaled(new(big.Rat).Inv(p.Lead()))
}

// Scaled is c·p.
func (p Polynomial) Scaled(c *big.Rat) Polynomial { return Polynomial(nil).Plus(p, c) }

// GCD is the monic greatest common divisor (Euclid).
func (p Polynomial) GCD(q Polynomial) Polynomial {
	for len(q) > 0 {
		_, rest := p.Divide(q)
		p, q = q, rest.Monic()
	}
	return p.Monic()
}

// Primitive splits p into a fraction and a polynomial with whole coefficients without a common divisor, leading one > 0.
func (p Polynomial) Primitive() (content *big.Rat, primitive Polynomial) {
	g, l := new(big.Int), big.NewInt(1)
	for _, c := range p {
		g.GCD(nil, nil, g, new(big.Int).Abs(c.Num()))
		d := c.Denom()
		l.Mul(l, new(big.Int).Div(d, new(big.Int).GCD(nil, nil, l, d)))
	}
	if g.Sign() == 0 {
		return new(big.Rat), nil
	}
	content = new(big.Rat).SetFrac(g, l)
	if p.Lead().Sign() < 0 {
		content.Neg(content)
	}
	return content, p.Scaled(new(big.Rat).Inv(content))
}

// Shifted is p(x + h).
func (p Polynomial) Shifted(h *big.Rat) Polynomial {
	var out Polynomial
	step := Polynomial{h, big.NewRat(1, 1)}.trim()
	if h.Sign() == 0 {
		step = Polynomial{new(big.Rat), big.NewRat(1, 1)}
	}
	for i := len(p) - 1; i >= 0; i-- {
		out = out.Times(step).Plus(Polynomial{p[i]}.trim(), one)
	}
	return out
}

// Power is a factor of a factored polynomial with how often it divides.
type Power struct {
	Base     Polynomial // primitive, irreducible as far as could be told
	Exponent int
}

// Factor splits p over the rationals: p = content · product of powers, in rising degree. First the repeated factors
// (D. Y. Y. Yun, 1976), then every product of complex roots that rounds to whole coefficients is tried by division, so
// that a factor is never invented; degrees above 12 keep what is left whole.
func (p Polynomial) Factor() (content *big.Rat, powers []Power) {
	content, rest := p.Primitive()
	for _, square := range rest.squareFree() {
		for _, f := range splitSquareFree(square.Base) {
			powers = append(powers, Power{f, square.Exponent})
		}
	}
	sort.SliceStable(powers, func(i, j int) bool {
		a, b := powers[i].Base, powers[j].Base
		if len(a) != len(b) {
			return len(a) < len(b)
		}
		return compareCoefficients(a, b) < 0
	})
	return content, powers
}

// compareCoefficients orders x + 1 behind x − 1 and x first, so that products read in rising roots.
func compareCoefficients(a, b Polynomial) int {
	for i := len(a) - 1; i >= 0; i-- {
		if c := a[i].Cmp(b[i]); c != 0 {
			return c
		}
	}
	return 0
}

// squareFree is Yun's algorithm: factors without repeated roots, each with its exponent.
func (p Polynomial) squareFree() []Power {
	if p.Degree() < 1 {
		return nil
	}
	d := p.Derivative()
	g := p.GCD(d)
	b, _ := p.Divide(g)
	c, _ := d.Divide(g)
	rest := c.Plus(b.Derivative(), minusOne)
	var out []Power
	for i := 1; b.Degree() > 0; i++ {
		a := b.GCD(rest)
		if a.Degree() > 0 {
			_, primitive := a.Primitive()
			out = append(out, Power{primitive, i})
		}
		b, _ = b.Divide(a)
		c, _ = rest.Divide(a)
		rest = c.Plus(b.Derivative(), minusOne)
	}
	return out
}

// maxSplitDegree bounds the search for factors among products of roots.
const maxSplitDegree = 12

// splitSquareFree finds the factors of a primitive polynomial without repeated roots.
func splitSquareFree(p Polynomial) []Polynomial {
	if p.Degree() <= 1 || p.Degree() > maxSplitDegree {
		return []Polynomial{p}
	}
	roots := p.complexRoots()
	for size := 1; size <= p.Degree()/2; size++ {
		if f := factorOfSize(p, roots, size); f != nil {
			rest, _ := p.Divide(f)
			_, rest = rest.Primitive()
			return append([]Polynomial{f}, splitSquareFree(rest)...)
		}
	}
	return []Polynomial{p}
}

// factorOfSize tries every choice of so many roots: lead·∏(x − root) must round to whole numbers and divide p.
func factorOfSize(p Polynomial, roots []complex128, size int) Polynomial {
	lead, _ := p.Lead().Float64()
	chosen := make([]int, size)
	var try func(from, at int) Polynomial
	try = func(from, at int) Polynomial {
		if at == size {
			return tryProduct(p, roots, chosen, lead)
		}
		for i := from; i <= len(roots)-(size-at); i++ {
			chosen[at] = i
			if f := try(i+1, at+1); f != nil {
				return f
			}
		}
		return nil
	}
	return try(0, 0)
}

func tryProduct(p Polynomial, roots []complex128, chosen []int, lead float64) Polynomial {
	product := []complex128{complex(lead, 0)}
	for _, i := range chosen {
		next := make([]complex128, len(product)+1)
		for k, c := range product {
			next[k+1] += c
			next[k] -= c * roots[i]
		}
		product = next
	}
	f := make(Polynomial, len(product))
	for i, c := range product {
		r := math.Round(real(c))
		if math.Abs(imag(c)) > 1e-4 || math.Abs(real(c)-r) > 1e-4 || math.Abs(r) > 1e15 {
			return nil
		}
		f[i] = new(big.Rat).SetInt64(int64(r))
	}
	_, f = f.Primitive()
	if _, rest := p.Divide(f); len(rest) > 0 {
		return nil
	}
	return f
}

// complexRoots approximates all roots (K. Weierstrass's simultaneous iteration); only used to guess factors, which are
// then proven by division.
func (p Polynomial) complexRoots() []complex128 {
	n := p.Degree()
	c := make([]complex128, n+1)
	monic := p.Monic()
	bound := 0.0
	for i, r := range monic {
		v, _ := r.Float64()
		c[i] = complex(v, 0)
		if i < n {
			bound = math.Max(bound, math.Pow(math.Abs(v), 1/float64(n-i)))
		}
	}
	roots := make([]complex128, n)
	for i := range roots {
		roots[i] = cmplx.Rect(math.Max(bound, 1e-3), 0.4+2*math.Pi*float64(i)/float64(n))
	}
	for range 300 {
		largest := 0.0
		for i, z := range roots {
			v := complex(0, 0)
			for k := n; k >= 0; k-- {
				v = v*z + c[k]
			}
			for j, w := range roots {
				if i != j {
					v /= z - w
				}
			}
			if cmplx.IsNaN(v) || cmplx.IsInf(v) {
				v = complex(1e-3*float64(i+1), 1e-3)
			}
			roots[i] = z - v
			largest = math.Max(largest, cmplx.Abs(v)/(1+cmplx.Abs(z)))
		}
		if largest < 1e-15 {
			break
		}
	}
	return roots
}

// RealRoots brackets every real root of a polynomial without repeated roots, in order: between the turning points the
// polynomial rises or falls, and exact signs at their neighbours decide. complete is checked by Sturm's theorem.
func (p Polynomial) RealRoots() (roots []float64, complete bool) {
	roots = p.bracketed()
	return roots, len(roots) == p.sturmCount()
}

func (p Polynomial) bracketed() []float64 {
	if p.Degree() < 1 {
		return nil
	}
	if p.Degree() == 1 {
		r, _ := new(big.Rat).Quo(new(big.Rat).Neg(p[0]), p[1]).Float64()
		return []float64{r}
	}
	bound := 1.0
	lead, _ := p.Lead().Float64()
	for _, c := range p[:len(p)-1] {
		v, _ := c.Float64()
		bound = math.Max(bound, 1+math.Abs(v/lead))
	}
	turns := append([]float64{-bound}, p.Derivative().bracketed()...)
	turns = append(turns, bound)
	f := p.inFloats()
	var roots []float64
	for i := 1; i < len(turns); i++ {
		a, b := turns[i-1], turns[i]
		sa, sb := f.signAt(a), f.signAt(b)
		switch {
		case sa == 0:
			if len(roots) == 0 || roots[len(roots)-1] != a {
				roots = append(roots, a)
			}
		case sb != 0 && sa != sb:
			roots = append(roots, f.bisect(a, b, sa))
		}
	}
	return roots
}

// inFloats is a polynomial with its coefficients as floats, rounded once.
type inFloats struct {
	p Polynomial
	c []float64
}

func (p Polynomial) inFloats() inFloats {
	c := make([]float64, len(p))
	for i := range p {
		c[i], _ = p[i].Float64()
	}
	return inFloats{p, c}
}

// at is p(x) in rounded arithmetic, by Horner's rule. It errs by less than 2n units of the sizes (N. J. Higham, Accuracy and
// Stability of Numerical Algorithms, 2002, 5.1): doubt.
func (f inFloats) at(x float64) (v, doubt float64) {
	size, far := 0.0, math.Abs(x)
	for i := len(f.c) - 1; i >= 0; i-- {
		v = v*x + f.c[i]
		size = size*far + math.Abs(f.c[i])
	}
	return v, float64(2*len(f.c)) * 0x1p-52 * size
}

// signAt is the sign of p(x), exactly where rounding could hide it.
func (f inFloats) signAt(x float64) int {
	if v, doubt := f.at(x); math.Abs(v) > doubt {
		if v > 0 {
			return 1
		}
		return -1
	}
	r := new(big.Rat).SetFloat64(x)
	if r == nil {
		return 0
	}
	return f.p.exactSign(r)
}

// exactSign is the sign of p(r) by Horner's rule in whole numbers: with r = a/b it is that of Σ cᵢ aⁱ bⁿ⁻ⁱ. Fractions would be
// reduced at every step, which took seconds at degree 40.
func (p Polynomial) exactSign(r *big.Rat) int {
	common := big.NewInt(1)
	for _, c := range p {
		if d := c.Denom(); !c.IsInt() {
			common.Mul(common, new(big.Int).Quo(d, new(big.Int).GCD(nil, nil, common, d)))
		}
	}
	out, power, term := new(big.Int), big.NewInt(1), new(big.Int)
	for i := len(p) - 1; i >= 0; i-- {
		term.Mul(p[i].Num(), power)
		if common.IsInt64() && common.Int64() == 1 {
			out.Add(out.Mul(out, r.Num()), term)
		} else {
			out.Add(out.Mul(out, r.Num()), term.Mul(term, new(big.Int).Quo(common, p[i].Denom())))
		}
		power.Mul(power, r.Denom())
	}
	return out.Sign()
}

// bisect halves down to neighbouring numbers.
func (f inFloats) bisect(a, b float64, sa int) float64 {
	for range 2000 {
		m := a + (b-a)/2
		if m <= a || m >= b {
			break
		}
		switch f.signAt(m) {
		case 0:
			return m
		case sa:
			a = m
		default:
			b = m
		}
	}
	va, _ := f.at(a)
	if vb, _ := f.at(b); math.Abs(vb) < math.Abs(va) {
		return b
	}
	return a
}

// sturmCount is the number of real roots of a square-free p (J. C. F. Sturm, 1829).
func (p Polynomial) sturmCount() int {
	chain := []Polynomial{p, p.Derivative()}
	for {
		last := chain[len(chain)-1]
		if last.Degree() < 1 {
			break
		}
		_, rest := chain[len(chain)-2].Divide(last)
		if len(rest) == 0 {
			break
		}
		// Only signs matter: a positive factor keeps the numbers short.
		content, primitive := rest.Primitive()
		if content.Sign() > 0 {
			primitive = primitive.Scaled(minusOne)
		}
		chain = append(chain, primitive)
	}
	changes := func(atMinus bool) int {
		count, before := 0, 0
		for _, q := range chain {
			if len(q) == 0 {
				continue
			}
			s := q.Lead().Sign()
			if atMinus && q.Degree()%2 == 1 {
				s = -s
			}
			if before != 0 && s != before {
				count++
			}
			before = s
		}
		return count
	}
	return changes(true) - changes(false)
}
