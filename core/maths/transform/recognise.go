package transform

import (
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// Form reads a function as A·p(B(x − H)) + K; the four may hold letters.
type Form struct {
	Parent     Parent
	A, B, H, K expr.Node
}

// Recognised are the readings of one function: Canonical has B = 1 or −1 where the parent allows it, else B > 0 and the
// smallest shift; Written is the one that the formula shows, which may be the same.
type Recognised struct {
	Canonical, Written Form
}

// Recognise finds the single parent of a formula in x, its angles in radians or, as they are written, in degrees; reason
// says why there is none.
func Recognise(n expr.Node, x string, degrees bool) (r Recognised, reason string) {
	if !depends(n, x) {
		return r, "it is constant: a level line has no parent that could be moved to it"
	}
	if expr.Any(n, func(n expr.Node) bool { _, is := n.(*expr.Pieces); return is }) {
		return r, "it is given in pieces, and each piece may have a parent of its own"
	}
	written, ok := peeled(n, x)
	if !ok {
		if written, ok = peeled(simple(n), x); !ok {
			if written, ok = collected(n, x, degrees); !ok {
				return r, whyNot(n, x)
			}
		}
	}
	written = written.simplified()
	written.Parent.Degrees = degrees && waveNames[written.Parent.Kind] != ""
	return Recognised{written.canonical(), written}, ""
}

func depends(n expr.Node, x string) bool {
	return expr.Any(n, func(n expr.Node) bool { name, is := n.(*expr.Name); return is && name.Name == x })
}

func (f Form) simplified() Form {
	return Form{f.Parent, simple(f.A), simple(f.B), simple(f.H), simple(f.K)}
}

// outer applies y ↦ a·y + k to a form.
func (f Form) outer(a, k expr.Node) Form {
	f.A, f.K = simple(expr.Times(a, f.A)), simple(expr.Plus(expr.Times(a, f.K), k))
	return f
}

// peeled takes off what stands around the parent, outside first: sums, factors and signs that do not hold x.
func peeled(n expr.Node, x string) (Form, bool) {
	one, zero := num(1), num(0)
	switch n := n.(type) {
	case *expr.Neg:
		f, ok := peeled(n.X, x)
		return f.outer2(ok, num(-1), zero)
	case *expr.Binary:
		left, right := depends(n.L, x), depends(n.R, x)
		switch {
		case n.Op == expr.Add && !right:
			f, ok := peeled(n.L, x)
			return f.outer2(ok, one, n.R)
		case n.Op == expr.Add && !left:
			f, ok := peeled(n.R, x)
			return f.outer2(ok, one, n.L)
		case n.Op == expr.Sub && !right:
			f, ok := peeled(n.L, x)
			return f.outer2(ok, one, expr.Opposite(n.R))
		case n.Op == expr.Sub && !left:
			f, ok := peeled(n.R, x)
			return f.outer2(ok, num(-1), n.L)
		case n.Op == expr.Mul && !right:
			f, ok := peeled(n.L, x)
			return f.outer2(ok, n.R, zero)
		case n.Op == expr.Mul && !left:
			f, ok := peeled(n.R, x)
			return f.outer2(ok, n.L, zero)
		case n.Op == expr.Div && !right:
			f, ok := peeled(n.L, x)
			return f.outer2(ok, expr.Over(one, n.R), zero)
		case n.Op == expr.Div && !left:
			f, ok := underneath(n.R, x)
			return f.outer2(ok, n.L, zero)
		case n.Op == expr.Pow && !right:
			return powerOf(n.L, n.R, x)
		case n.Op == expr.Pow && !left:
			return exponential(n.L, n.R, x)
		}
	case *expr.Call:
		return called(n, x)
	}
	return line(n, x)
}

func (f Form) outer2(ok bool, a, k expr.Node) (Form, bool) {
	if !ok {
		return f, false
	}
	return f.outer(a, k), true
}

// inside gives B and H of u = B(x − H).
func inside(u expr.Node, x string) (b, h expr.Node, ok bool) {
	c, ok := symbolic.Coefficients(u, x)
	if !ok || len(c) != 2 || isZero(c[1]) {
		return nil, nil, false
	}
	return c[1], simple(expr.Opposite(expr.Over(c[0], c[1]))), true
}

func isZero(n expr.Node) bool {
	v, ok := symbolic.Fraction(n)
	return ok && v.Sign() == 0
}

func isOne(n expr.Node) bool {
	v, ok := symbolic.Fraction(n)
	return ok && v.Cmp(big.NewRat(1, 1)) == 0
}

// of is the form of a parent with u inside.
func of(p Parent, u expr.Node, x string) (Form, bool) {
	b, h, ok := inside(u, x)
	return Form{p, num(1), b, h, num(0)}, ok
}

// line reads m·x + b, written m(x − 0) + b.
func line(n expr.Node, x string) (Form, bool) {
	c, ok := symbolic.Coefficients(n, x)
	if !ok || len(c) != 2 {
		return Form{}, false
	}
	return Form{Parent{Kind: Linear}, c[1], num(1), num(0), c[0]}, true
}

func powerOf(base, exponent expr.Node, x string) (Form, bool) {
	q, ok := symbolic.Fraction(simple(exponent))
	if !ok {
		return Form{}, false
	}
	for kind, known := range exponents {
		if q.Cmp(known) == 0 && kind != Absolute && kind != Linear {
			if f, ok := of(Parent{Kind: kind}, base, x); ok {
				return f, true
			}
		}
	}
	if q.Cmp(big.NewRat(1, 2)) == 0 {
		return rootOf(base, x)
	}
	return Form{}, false
}

func called(c *expr.Call, x string) (Form, bool) {
	u := c.Args[0]
	one := num(1)
	switch c.Name {
	case "abs":
		return of(Parent{Kind: Absolute}, u, x)
	case "sqrt":
		return rootOf(u, x)
	case "cbrt":
		return of(Parent{Kind: CubeRoot}, u, x)
	case "root":
		if degree, ok := symbolic.Fraction(c.Args[1]); ok && degree.IsInt() {
			return powerOf(u, expr.Over(one, c.Args[1]), x)
		}
	case "exp":
		return exponential(euler, u, x)
	case "ln":
		return of(Parent{Kind: Logarithm, Base: euler}, u, x)
	case "log":
		base := num(10)
		if len(c.Args) == 2 {
			base = c.Args[1]
		}
		if !depends(base, x) {
			return of(Parent{Kind: Logarithm, Base: simple(base)}, u, x)
		}
	case "floor":
		return of(Parent{Kind: Floor}, u, x)
	case "ceil":
		// ⌈u⌉ = −⌊−u⌋
		f, ok := of(Parent{Kind: Floor}, expr.Opposite(u), x)
		return f.outer2(ok, num(-1), num(0))
	}
	for kind, name := range waveNames {
		if c.Name == name {
			return of(Parent{Kind: kind}, u, x)
		}
	}
	return Form{}, false
}

// rootOf reads √(line) and √(parabola that opens downwards), the half circle or ellipse.
func rootOf(u expr.Node, x string) (Form, bool) {
	if f, ok := of(Parent{Kind: SquareRoot}, u, x); ok {
		return f, true
	}
	c, ok := symbolic.Coefficients(u, x)
	if !ok || len(c) != 3 || sign(c[2]) >= 0 {
		return Form{}, false
	}
	// c₂x² + c₁x + c₀ = s(r² − (x − h)²) with s = −c₂
	s, h := simple(expr.Opposite(c[2])), simple(expr.Opposite(expr.Over(c[1], expr.Times(num(2), c[2]))))
	square := simple(expr.Plus(expr.Over(c[0], s), expr.Power(h, num(2))))
	if sign(square) < 0 {
		return Form{}, false
	}
	r := simple(expr.Apply("sqrt", square))
	if isZero(r) {
		return Form{}, false
	}
	return Form{Parent{Kind: HalfCircle}, simple(expr.Times(expr.Apply("sqrt", s), r)), simple(expr.Over(num(1), r)), h, num(0)}, true
}

// sign of a number without letters; a product or power of letters counts as unknown, 0, unless it is a square with a
// sign in front.
func sign(n expr.Node) int {
	if len(expr.Names(n)) == 0 {
		s, known := exact.Of(n).Sign()
		if known {
			return s
		}
		return 0
	}
	switch n := n.(type) {
	case *expr.Neg:
		return -sign(n.X)
	case *expr.Binary:
		switch n.Op {
		case expr.Mul, expr.Div:
			return sign(n.L) * sign(n.R)
		case expr.Pow:
			if q, ok := symbolic.Fraction(n.R); ok && q.IsInt() && new(big.Int).Mod(q.Num(), big.NewInt(2)).Sign() == 0 {
				return 1
			}
		}
	case *expr.Call:
		if n.Name == "abs" || n.Name == "sqrt" || n.Name == "exp" {
			return 1
		}
	}
	return 0
}

// exponential reads b^line and, as a bell curve, b^parabola that opens downwards.
func exponential(base, u expr.Node, x string) (Form, bool) {
	base = simple(base)
	if f, ok := of(Parent{Kind: Exponential, Base: base}, u, x); ok {
		return f, sign(base) > 0 && !isOne(base) || len(expr.Names(base)) > 0
	}
	c, ok := symbolic.Coefficients(u, x)
	if !ok || len(c) != 3 {
		return Form{}, false
	}
	// b^(c₂x² + c₁x + c₀) = b^k·e^(−(B(x − h))²) with B² = −c₂ ln b
	h := simple(expr.Opposite(expr.Over(c[1], expr.Times(num(2), c[2]))))
	k := simple(expr.Minus(c[0], expr.Over(expr.Power(c[1], num(2)), expr.Times(num(4), c[2]))))
	square := simple(expr.Opposite(expr.Times(c[2], expr.Apply("ln", base))))
	if sign(square) <= 0 {
		return Form{}, false
	}
	return Form{Parent{Kind: Bell}, simple(expr.Power(base, k)), simple(expr.Apply("sqrt", square)), h, num(0)}, true
}

// underneath reads 1/n.
func underneath(n expr.Node, x string) (Form, bool) {
	if f, ok := of(Parent{Kind: Reciprocal}, n, x); ok {
		return f, true
	}
	switch n := n.(type) {
	case *expr.Binary:
		if n.Op == expr.Mul && !depends(n.L, x) {
			f, ok := underneath(n.R, x)
			return f.outer2(ok, expr.Over(num(1), n.L), num(0))
		}
		if n.Op == expr.Mul && !depends(n.R, x) {
			f, ok := underneath(n.L, x)
			return f.outer2(ok, expr.Over(num(1), n.R), num(0))
		}
		if n.Op == expr.Pow && !depends(n.R, x) {
			return powerOf(n.L, expr.Opposite(n.R), x)
		}
		if n.Op == expr.Pow && !depends(n.L, x) {
			return exponential(n.L, expr.Opposite(n.R), x)
		}
	case *expr.Call:
		inverse := map[string]Kind{"cos": Secant, "sin": Cosecant, "tan": Cotangent, "cot": Tangent}
		if kind, ok := inverse[n.Name]; ok {
			return of(Parent{Kind: kind}, n.Args[0], x)
		}
	}
	if f, ok := logistic(n, x); ok {
		return f, true
	}
	return fraction(expr.Over(num(1), n), x)
}

// logistic reads 1/(c + a·b^(mx + d)) with a/c > 0: the parent is 1/(1 + e^(−x)).
func logistic(below expr.Node, x string) (Form, bool) {
	f, ok := peeled(below, x)
	if !ok || f.Parent.Kind != Exponential || isZero(simple(f.K)) {
		return Form{}, false
	}
	// c + a·e^(s(x − h)) = c(1 + e^(s(x − h) + ln(a/c)))
	s := simple(expr.Times(f.B, expr.Apply("ln", f.Parent.Base)))
	lead := simple(expr.Over(f.A, f.K))
	if len(expr.Names(lead)) == 0 && sign(lead) <= 0 {
		return Form{}, false
	}
	h := simple(expr.Minus(f.H, expr.Over(expr.Apply("ln", lead), s)))
	return Form{Parent{Kind: Logistic}, simple(expr.Over(num(1), f.K)), simple(expr.Opposite(s)), h, num(0)}, true
}

// collected reads what is not written as one parent: expanded powers, quotients of lines, sums of a sine and a cosine.
func collected(n expr.Node, x string, degrees bool) (Form, bool) {
	if f, ok := polynomial(n, x); ok {
		return f, true
	}
	if f, ok := fraction(n, x); ok {
		return f, true
	}
	return wave(n, x, degrees)
}

func polynomial(n expr.Node, x string) (Form, bool) {
	c, ok := symbolic.Coefficients(n, x)
	if !ok || len(c) < 2 || len(c) > 4 {
		return Form{}, false
	}
	switch len(c) {
	case 2:
		return line(n, x)
	case 3:
		h := simple(expr.Opposite(expr.Over(c[1], expr.Times(num(2), c[2]))))
		k := simple(expr.Minus(c[0], expr.Over(expr.Power(c[1], num(2)), expr.Times(num(4), c[2]))))
		return Form{Parent{Kind: Quadratic}, c[2], num(1), h, k}, true
	}
	// a x³ + b x² + c x + d is a(x − h)³ + k when 3ac = b².
	h := simple(expr.Opposite(expr.Over(c[2], expr.Times(num(3), c[3]))))
	if !vanishes(expr.Minus(expr.Times(expr.Times(num(3), c[3]), c[1]), expr.Power(c[2], num(2)))) {
		return Form{}, false
	}
	k := simple(expr.Plus(c[0], expr.Times(c[3], expr.Power(h, num(3)))))
	return Form{Parent{Kind: Cubic}, c[3], num(1), h, k}, true
}

func vanishes(n expr.Node) bool {
	if expanded, ok := symbolic.Expand(n); ok {
		n = expanded
	}
	return isZero(simple(n))
}

// fraction reads (ax + b)/(cx + d), and what has a perfect square below.
func fraction(n expr.Node, x string) (Form, bool) {
	above, below, ok := symbolic.Together(n)
	if !ok || !depends(below, x) {
		return Form{}, false
	}
	p, ok1 := symbolic.Coefficients(above, x)
	q, ok2 := symbolic.Coefficients(below, x)
	if !ok1 || !ok2 {
		return Form{}, false
	}
	at := func(c []expr.Node, i int) expr.Node {
		if i < len(c) {
			return c[i]
		}
		return num(0)
	}
	if len(q) == 2 && len(p) <= 2 {
		// a/c + (b − ad/c)/(c(x + d/c))
		a, b, c, d := at(p, 1), at(p, 0), q[1], q[0]
		lead := simple(expr.Over(expr.Minus(b, expr.Over(expr.Times(a, d), c)), c))
		if vanishes(lead) {
			return Form{}, false
		}
		return Form{Parent{Kind: Reciprocal}, lead, num(1), simple(expr.Opposite(expr.Over(d, c))), simple(expr.Over(a, c))}, true
	}
	if len(q) != 3 || len(p) > 3 || !vanishes(expr.Minus(expr.Power(q[1], num(2)), expr.Times(expr.Times(num(4), q[2]), q[0]))) {
		return Form{}, false
	}
	h := simple(expr.Opposite(expr.Over(q[1], expr.Times(num(2), q[2]))))
	k := simple(expr.Over(at(p, 2), q[2]))
	// what is left above after k times the square must be a number
	if !vanishes(expr.Minus(at(p, 1), expr.Times(k, q[1]))) {
		return Form{}, false
	}
	lead := simple(expr.Over(expr.Minus(at(p, 0), expr.Times(k, q[0])), q[2]))
	if vanishes(lead) {
		return Form{}, false
	}
	return Form{Parent{Kind: Reciprocal2}, lead, num(1), h, k}, true
}

// wave reads a·sin u + b·cos u + c with one u in it, and the squares and products that are such a sum: sin² u =
// (1 − cos 2u)/2, cos² u = (1 + cos 2u)/2, sin u·cos u = sin(2u)/2 (DLMF 4.21.27–29).
func wave(n expr.Node, x string, degrees bool) (Form, bool) {
	var u expr.Node
	same := true
	expr.Walk(n, func(m expr.Node) bool {
		c, is := m.(*expr.Call)
		if !is {
			return true
		}
		if c.Name != "sin" && c.Name != "cos" || u != nil && !expr.Equal(simple(u), simple(c.Args[0])) {
			same = false
		}
		u = c.Args[0]
		return false
	})
	if u == nil || !same {
		return Form{}, false
	}
	b, h, ok := inside(u, x)
	if !ok {
		return Form{}, false
	}
	s, c := "#s", "#c"
	var put func(m expr.Node) expr.Node
	put = func(m expr.Node) expr.Node {
		if call, is := m.(*expr.Call); is {
			return &expr.Name{Name: map[string]string{"sin": s, "cos": c}[call.Name]}
		}
		return expr.Map(m, put)
	}
	parts, ok := symbolic.Coefficients(put(n), s)
	if !ok || len(parts) > 3 || depends(put(n), x) {
		return Form{}, false
	}
	grid := [3][3]expr.Node{}
	for i := range grid {
		for j := range grid[i] {
			grid[i][j] = num(0)
		}
	}
	for i, part := range parts {
		if isZero(part) {
			continue
		}
		inner, ok := symbolic.Coefficients(part, c)
		if !ok || len(inner) > 3 {
			return Form{}, false
		}
		copy(grid[i][:], inner)
	}
	zero := func(list ...expr.Node) bool {
		for _, n := range list {
			if !isZero(n) {
				return false
			}
		}
		return true
	}
	if !zero(grid[2][1], grid[2][2], grid[1][2]) {
		return Form{}, false
	}
	lift := grid[0][0]
	along, across := grid[1][0], grid[0][1] // of sin u, of cos u
	if squares := !zero(grid[2][0], grid[0][2], grid[1][1]); squares {
		if !zero(along, across) {
			return Form{}, false
		}
		lift = simple(expr.Plus(lift, expr.Over(expr.Plus(grid[2][0], grid[0][2]), num(2))))
		along, across = simple(expr.Over(grid[1][1], num(2))), simple(expr.Over(expr.Minus(grid[0][2], grid[2][0]), num(2)))
		b = simple(expr.Times(num(2), b))
	}
	switch {
	case zero(along) && zero(across):
		return Form{}, false
	case zero(along):
		return Form{Parent{Kind: Cosine}, across, b, h, lift}, true
	case zero(across):
		return Form{Parent{Kind: Sine}, along, b, h, lift}, true
	}
	if len(expr.Names(along))+len(expr.Names(across)) > 0 {
		return Form{}, false
	}
	// a sin v + b cos v = r sin(v + φ) with r = √(a² + b²), cos φ = a/r, sin φ = b/r
	r := simple(expr.Apply("sqrt", expr.Plus(expr.Power(along, num(2)), expr.Power(across, num(2)))))
	phase := simple(expr.Apply("arctan", expr.Over(across, along)))
	if degrees {
		phase = simple(expr.Times(phase, expr.Over(num(180), pi)))
	}
	if sign(along) < 0 {
		phase = simple(expr.Plus(phase, Parent{Kind: Sine, Degrees: degrees}.straight()))
	}
	return Form{Parent{Kind: Sine}, r, b, simple(expr.Minus(h, expr.Over(phase, b))), lift}, true
}

// whyNot says in words why a formula has no single parent.
func whyNot(n expr.Node, x string) string {
	if c, ok := symbolic.Coefficients(n, x); ok {
		switch {
		case len(c) == 4:
			return "a cubic has x³ as its parent only when its slope is 0 at its inflection; this one has a linear part left over"
		case len(c) > 4:
			return "powers above the third are not among the parents, and this sum of powers is not one of them moved"
		}
	}
	kinds := map[string]bool{}
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Call:
			kinds[n.Name] = true
		case *expr.Binary:
			if n.Op == expr.Pow && depends(n.R, x) {
				kinds["a power with x above"] = true
			}
		}
		return true
	})
	terms := 0
	if s, ok := simple(n).(*expr.Binary); ok && (s.Op == expr.Add || s.Op == expr.Sub) && depends(s.L, x) && depends(s.R, x) {
		terms = 2
	}
	if len(kinds) > 1 || terms > 1 {
		return "it puts several functions together, so that no single parent can be moved and stretched into it"
	}
	return "no shift, stretch or reflection of one of the parents gives it"
}
