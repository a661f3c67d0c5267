package trajectory

import (
	"fmt"
	"math"
	"math/big"

	"parvix/core/formula/expr"
)

// byName knows polar curves that have a name, and their equations in x and y (Bronstein, section on plane curves; Lawrence, A Catalog of
// Special Plane Curves): r is tried against each family at angles without any relation to the parts of a turn.
func (c *Curve) byName() (f Form, ok bool) {
	for _, family := range []func() (Form, bool){c.circleOrLimacon, c.conic, c.lemniscate, c.rose, c.spiral} {
		if f, ok = family(); ok {
			return f, true
		}
	}
	return f, false
}

// fits gives the coefficients with which a sum of functions of the angle is a value everywhere it is defined.
func fits(value func(angle float64) float64, basis ...func(angle float64) float64) (coefficients []float64, ok bool) {
	n := len(basis)
	normal := make([][]float64, n)
	for i := range normal {
		normal[i] = make([]float64, n+1)
	}
	defined := 0
	for _, at := range tried {
		v := value(at)
		if math.IsNaN(v) || math.IsInf(v, 0) {
			continue
		}
		defined++
		for i, f := range basis {
			for j, g := range basis {
				normal[i][j] += f(at) * g(at)
			}
			normal[i][n] += f(at) * v
		}
	}
	if defined < 2*n+2 || !eliminated(normal) {
		return nil, false
	}
	for i := range normal {
		coefficients = append(coefficients, normal[i][n]/normal[i][i])
	}
	size := 0.0
	for _, k := range coefficients {
		size = max(size, math.Abs(k))
	}
	for i, k := range coefficients {
		if math.Abs(k) < 1e-10*size {
			coefficients[i] = 0
		}
	}
	for _, at := range tried {
		v, sum := value(at), 0.0
		if math.IsNaN(v) || math.IsInf(v, 0) {
			continue
		}
		for i, f := range basis {
			sum += coefficients[i] * f(at)
		}
		if math.Abs(sum-v) > 1e-9*max(1, math.Abs(v)) {
			return nil, false
		}
	}
	return coefficients, size > 0
}

// eliminated brings a system of equations into diagonal form (Gauss and Jordan); false where it has no single solution.
func eliminated(rows [][]float64) bool {
	for i := range rows {
		best := i
		for k := i; k < len(rows); k++ {
			if math.Abs(rows[k][i]) > math.Abs(rows[best][i]) {
				best = k
			}
		}
		rows[i], rows[best] = rows[best], rows[i]
		if math.Abs(rows[i][i]) < 1e-9 {
			return false
		}
		for k := range rows {
			if k == i {
				continue
			}
			share := rows[k][i] / rows[i][i]
			for j := i; j < len(rows[k]); j++ {
				rows[k][j] -= share * rows[i][j]
			}
		}
	}
	return true
}

func one(float64) float64 { return 1 }

func multiple(f func(float64) float64, n float64) func(float64) float64 {
	return func(angle float64) float64 { return f(n * angle) }
}

// mostDenominator is the largest of a fraction by which a number is written exactly.
const mostDenominator = 1000

// exactly writes a number as a fraction or the root of one; false where it is neither.
func exactly(v float64) (n expr.Node, ok bool) {
	if r, is := fraction(v); is {
		return fractionNode(r), true
	}
	if r, is := fraction(v * v); is {
		root := expr.Node(&expr.Call{Name: "sqrt", Args: []expr.Node{fractionNode(r)}})
		if v < 0 {
			root = &expr.Neg{X: root}
		}
		return root, true
	}
	return nil, false
}

func fraction(v float64) (*big.Rat, bool) {
	for d := 1.0; d <= mostDenominator; d++ {
		if n := math.Round(v * d); math.Abs(n-v*d) < 1e-9*d && math.Abs(n) < 1e9 {
			return big.NewRat(int64(n), int64(d)), true
		}
	}
	return nil, false
}

func fractionNode(r *big.Rat) expr.Node {
	top := expr.Node(&expr.Number{Value: new(big.Rat).SetInt(new(big.Int).Abs(r.Num()))})
	if !r.IsInt() {
		top = expr.Over(top, &expr.Number{Value: new(big.Rat).SetInt(r.Denom())})
	}
	if r.Sign() < 0 {
		return &expr.Neg{X: top}
	}
	return top
}

// sumOf is the sum of multiples of nodes, exactly; false where a coefficient is not known exactly.
func sumOf(coefficients []float64, of ...expr.Node) (sum expr.Node, ok bool) {
	for i, k := range coefficients {
		if k == 0 {
			continue
		}
		n, ok := exactly(k)
		if !ok {
			return nil, false
		}
		term := expr.Times(n, of[i])
		if sum == nil {
			sum = term
		} else {
			sum = expr.Plus(sum, term)
		}
	}
	if sum == nil {
		return expr.Num(0), true
	}
	return simple(sum), true
}

func power(n expr.Node, k int64) expr.Node { return binary(expr.Pow, n, expr.Num(k)) }

var (
	ofX, ofY = expr.Node(expr.Named("x")), expr.Node(expr.Named("y"))
	// fromPole is x² + y², the square of the distance from the pole; lengths is x² − y².
	fromPole   = expr.Plus(power(ofX, 2), power(ofY, 2))
	difference = expr.Minus(power(ofX, 2), power(ofY, 2))
)

// circleOrLimacon is r = a + b cos θ + c sin θ.
func (c *Curve) circleOrLimacon() (f Form, ok bool) {
	k, is := fits(c.Radius, one, math.Cos, math.Sin)
	if !is {
		return f, false
	}
	along, ok1 := sumOf(k[1:], ofX, ofY)
	square, ok2 := exactly(k[0] * k[0])
	size, b := math.Abs(k[0]), math.Hypot(k[1], k[2])
	switch {
	case k[0] == 0:
		f = Form{fromPole, along, "a circle through the pole"}
		return f, ok1
	case b == 0:
		f = Form{fromPole, square, "a circle"}
		return f, ok2
	case math.Abs(size-b) < 1e-9*size:
		f.Kind = "a cardioid"
	case b > size:
		f.Kind = "a limaçon with an inner loop"
	case 2*b > size:
		f.Kind = "a limaçon with a dimple"
	default:
		f.Kind = "a limaçon"
	}
	if ok1 && ok2 {
		f.Left, f.Right = power(expr.Minus(fromPole, along), 2), expr.Times(square, fromPole)
		if k[0]*k[0] == 1 {
			f.Right = fromPole
		}
	}
	return f, true
}

// conic is 1/r = a + b cos θ + c sin θ: a focus lies in the pole, the eccentricity is √(b² + c²)/|a|.
func (c *Curve) conic() (f Form, ok bool) {
	k, is := fits(func(angle float64) float64 { return 1 / c.Radius(angle) }, one, math.Cos, math.Sin)
	if !is {
		return f, false
	}
	along, ok1 := sumOf(k[1:], ofX, ofY)
	if k[0] == 0 {
		return Form{along, expr.Num(1), "a line"}, ok1
	}
	e := math.Hypot(k[1], k[2]) / math.Abs(k[0])
	switch {
	case math.Abs(e-1) < 1e-9:
		f.Kind = "a parabola with its focus in the pole"
	case e < 1:
		f.Kind = "an ellipse with a focus in the pole"
	default:
		f.Kind = "a hyperbola with a focus in the pole"
	}
	if square, ok2 := exactly(k[0] * k[0]); ok1 && ok2 {
		f.Left, f.Right = simple(expr.Times(square, fromPole)), power(expr.Minus(expr.Num(1), along), 2)
	}
	return f, true
}

// Directrix is the line of a conic with a focus in the pole, of whose distance that of the pole is the eccentricity's multiple: of
// 1/r = a + b cos θ + c sin θ it is bx + cy = 1, since then ar = 1 − (bx + cy). False for another curve, and for a circle.
func (c *Curve) Directrix() (left, right expr.Node, ok bool) {
	if c.R == nil {
		return nil, nil, false
	}
	k, is := fits(func(angle float64) float64 { return 1 / c.Radius(angle) }, one, math.Cos, math.Sin)
	if !is || k[0] == 0 || k[1] == 0 && k[2] == 0 {
		return nil, nil, false
	}
	// Upright or level it is written as one.
	for i, letter := range []expr.Node{ofX, ofY} {
		if k[2-i] == 0 {
			at, exact := exactly(1 / k[1+i])
			return letter, at, exact
		}
	}
	left, ok = sumOf(k[1:], ofX, ofY)
	return left, expr.Num(1), ok
}

// lemniscate is r² = a cos 2θ + b sin 2θ.
func (c *Curve) lemniscate() (f Form, ok bool) {
	k, is := fits(func(angle float64) float64 { r := c.Radius(angle); return r * r }, multiple(math.Cos, 2), multiple(math.Sin, 2))
	if !is {
		return f, false
	}
	f.Kind = "a lemniscate"
	if right, exact := sumOf([]float64{k[0], 2 * k[1]}, difference, expr.Times(ofX, ofY)); exact {
		f.Left, f.Right = power(fromPole, 2), right
	}
	return f, true
}

// mostPetals bounds the multiples of the angle that are tried for a rose.
const mostPetals = 24

// rose is r = a cos nθ + b sin nθ: it has n petals for an odd n, 2n for an even one.
func (c *Curve) rose() (f Form, ok bool) {
	for n := 2; n <= mostPetals; n++ {
		k, is := fits(c.Radius, multiple(math.Cos, float64(n)), multiple(math.Sin, float64(n)))
		if !is {
			continue
		}
		petals := n
		if n%2 == 0 {
			petals = 2 * n
		}
		f.Kind = fmt.Sprintf("a rose of %d petals", petals)
		switch n {
		case 2:
			if right, exact := sumOf([]float64{k[0], 2 * k[1]}, difference, expr.Times(ofX, ofY)); exact {
				f.Left, f.Right = power(fromPole, 3), power(right, 2)
			}
		case 3:
			// r³ cos 3θ = x³ − 3xy² and r³ sin 3θ = 3x²y − y³.
			cosine := expr.Minus(power(ofX, 3), expr.Times(expr.Num(3), expr.Times(ofX, power(ofY, 2))))
			sine := expr.Minus(expr.Times(expr.Num(3), expr.Times(power(ofX, 2), ofY)), power(ofY, 3))
			if right, exact := sumOf(k, cosine, sine); exact {
				f.Left, f.Right = power(fromPole, 2), right
			}
		}
		return f, true
	}
	return f, false
}

// spiral is r = a + bθ, r = a/θ, or r = a·e^(bθ).
func (c *Curve) spiral() (f Form, ok bool) {
	itself := func(angle float64) float64 { return angle }
	if _, is := fits(c.Radius, one, itself); is {
		return Form{Kind: "a spiral of Archimedes"}, true
	}
	if _, is := fits(func(angle float64) float64 { return 1 / c.Radius(angle) }, itself); is {
		return Form{Kind: "a hyperbolic spiral"}, true
	}
	if _, is := fits(func(angle float64) float64 { return math.Log(math.Abs(c.Radius(angle))) }, one, itself); is {
		return Form{Kind: "a logarithmic spiral"}, true
	}
	return f, false
}

// mostPower bounds the powers of a parametric curve that are tried.
const mostPower = 9

// byPowers is (a tᵖ, b t^q): (y/b)ᵖ = (x/a)^q, and (a cos³ t, b sin³ t): (x/a)^(2/3) + (y/b)^(2/3) = 1.
func (c *Curve) byPowers() (f Form, ok bool) {
	p, a, is := monomial(func(t float64) float64 { x, _, _ := c.At(t); return x })
	q, b, isToo := monomial(func(t float64) float64 { _, y, _ := c.At(t); return y })
	if is && isToo {
		return c.powers(p, q, a, b)
	}
	root := func(f func(float64) float64) func(float64) float64 {
		return func(t float64) float64 { return math.Cbrt(f(t)) }
	}
	x := func(t float64) float64 { x, _, _ := c.At(t); return x }
	y := func(t float64) float64 { _, y, _ := c.At(t); return y }
	kx, isX := fits(root(x), math.Cos, math.Sin)
	ky, isY := fits(root(y), math.Cos, math.Sin)
	if !isX || !isY || math.Abs(kx[0]*ky[0]+kx[1]*ky[1]) > 1e-9 {
		return f, false
	}
	// x^(1/3) = u cos(t − s) and y^(1/3) = ±v sin(t − s).
	u, v := math.Hypot(kx[0], kx[1]), math.Hypot(ky[0], ky[1])
	if left, exact := sumOf([]float64{1 / (u * u), 1 / (v * v)}, twoThirds(ofX), twoThirds(ofY)); exact {
		f.Left, f.Right = left, expr.Num(1)
		if square, is := exactly(u * u); is && math.Abs(u-v) < 1e-9*u {
			f.Left, f.Right = expr.Plus(twoThirds(ofX), twoThirds(ofY)), square
		}
	}
	if math.Abs(u-v) < 1e-9*u {
		f.Kind = "an astroid"
	}
	return f, f.Left != nil || f.Kind != ""
}

func twoThirds(n expr.Node) expr.Node {
	return &expr.Call{Name: "cbrt", Args: []expr.Node{power(n, 2)}}
}

// monomial reads a function as a·tᵖ.
func monomial(f func(t float64) float64) (p int, a float64, ok bool) {
	a = f(1)
	exponent := math.Log2(f(2) / a)
	p = int(math.Round(exponent))
	if math.IsNaN(exponent) || math.Abs(exponent-float64(p)) > 1e-9 || p < 1 || p > mostPower {
		return 0, 0, false
	}
	for _, t := range tried {
		if want := a * math.Pow(t, float64(p)); math.Abs(f(t)-want) > 1e-9*max(1, math.Abs(want)) {
			return 0, 0, false
		}
	}
	return p, a, true
}

// powers writes (y/b)ᵖ = (x/a)^q, both powers without a common divisor; an even one that both share would bring in another branch.
func (c *Curve) powers(p, q int, a, b float64) (f Form, ok bool) {
	for d := 2; d <= min(p, q); d++ {
		if p%d == 0 && q%d == 0 {
			return f, false
		}
	}
	left, ok1 := sumOf([]float64{1 / b}, ofY)
	right, ok2 := sumOf([]float64{1 / a}, ofX)
	if !ok1 || !ok2 {
		return f, false
	}
	f = Form{simple(power(left, int64(p))), simple(power(right, int64(q))), ""}
	if min(p, q) == 2 && max(p, q) == 3 {
		f.Kind = "a cuspidal cubic"
	}
	return f, true
}
