package trajectory

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
)

// mostWaves bounds the whole numbers of a Lissajous curve whose equation is written.
const mostWaves = 5

// byWaves is (A cos(mt + φ), B cos(nt + ψ)) with small m and n, a Lissajous curve. With X = x/A and Y = y/B, Chebyshev's polynomials give Tₙ(X) =
// cos(mnt + nφ) and Tₘ(Y) = cos(mnt + mψ) (DLMF 18.5.1), so that with δ = mψ − nφ: Tₙ(X)² + Tₘ(Y)² − 2cos δ Tₙ(X)Tₘ(Y) = sin² δ.
func (c *Curve) byWaves() (f Form, ok bool) {
	m, a, phase, isX := waveOf(func(t float64) float64 { x, _, _ := c.At(t); return x })
	n, b, other, isY := waveOf(func(t float64) float64 { _, y, _ := c.At(t); return y })
	if !isX || !isY || m == n || greatestDivisor(m, n) != 1 {
		return f, false
	}
	f.Kind = "a Lissajous curve"
	x, isX := sumOf([]float64{1 / a}, ofX)
	y, isY := sumOf([]float64{1 / b}, ofY)
	delta := float64(m)*other - float64(n)*phase
	cosine, isCosine := exactly(unsmudged(math.Cos(delta)))
	square, isSquare := exactly(unsmudged(math.Sin(delta) * math.Sin(delta)))
	if !isX || !isY || !isCosine || !isSquare {
		return f, true
	}
	ofTheX, ofTheY := chebyshev(n, x), chebyshev(m, y)
	switch {
	case isZero(square):
		f.Left, f.Right = ofTheY, ofTheX
		if math.Cos(delta) < 0 {
			f.Right = simple(&expr.Neg{X: ofTheX})
		}
	case isZero(cosine):
		f.Left, f.Right = expr.Plus(power(ofTheX, 2), power(ofTheY, 2)), expr.Num(1)
	default:
		product := expr.Times(simple(expr.Times(expr.Num(2), cosine)), expr.Times(ofTheX, ofTheY))
		f.Left, f.Right = expr.Minus(expr.Plus(power(ofTheX, 2), power(ofTheY, 2)), product), square
	}
	return f, true
}

// unsmudged is a cosine or a square without the last bits of its computation.
func unsmudged(v float64) float64 {
	const digits = 1e12
	return math.Round(v*digits) / digits
}

// waveOf reads a function as A cos(nt + φ) with A > 0 and a small n.
func waveOf(f func(t float64) float64) (n int, size, phase float64, ok bool) {
	for n = 1; n <= mostWaves; n++ {
		k, is := fits(f, multiple(math.Cos, float64(n)), multiple(math.Sin, float64(n)))
		if is {
			return n, math.Hypot(k[0], k[1]), math.Atan2(-k[1], k[0]), true
		}
	}
	return 0, 0, 0, false
}

func greatestDivisor(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}

// chebyshev is Tₙ of a node, by Tₙ₊₁ = 2uTₙ − Tₙ₋₁ (DLMF 18.9.1).
func chebyshev(n int, u expr.Node) expr.Node {
	before, now := []float64{1}, []float64{0, 1}
	for range n - 1 {
		next := make([]float64, len(now)+1)
		for i, k := range now {
			next[i+1] += 2 * k
		}
		for i, k := range before {
			next[i] -= k
		}
		before, now = now, next
	}
	var powers []expr.Node
	var coefficients []float64
	for i := len(now) - 1; i >= 0; i-- {
		coefficients = append(coefficients, now[i])
		switch i {
		case 0:
			powers = append(powers, expr.Num(1))
		case 1:
			powers = append(powers, u)
		default:
			powers = append(powers, power(u, int64(i)))
		}
	}
	sum, _ := sumOf(coefficients, powers...)
	return sum
}

// mostCusps bounds the cusps of a rolling circle's curve that is known by its name.
const mostCusps = 12

// byRolling knows what a point of a circle draws that rolls on a circle, by x + iy = p·e^(it) + q·e^(int), or on a line (Lawrence, A Catalog of
// Special Plane Curves): with cusps where |p| = |n q|, as many as |n − 1|.
func (c *Curve) byRolling() (f Form, ok bool) {
	x := func(t float64) float64 { x, _, _ := c.At(t); return x }
	y := func(t float64) float64 { _, y, _ := c.At(t); return y }
	if f, ok = rolledOnLine(x, y); ok {
		return f, true
	}
	for cusps := 1; cusps <= mostCusps; cusps++ {
		for _, n := range [2]float64{float64(cusps + 1), float64(1 - cusps)} {
			if n == 0 || n == 1 || n == -1 {
				continue
			}
			basis := []func(float64) float64{math.Cos, math.Sin, multiple(math.Cos, n), multiple(math.Sin, n)}
			kx, isX := fits(x, basis...)
			ky, isY := fits(y, basis...)
			// What turns has y a quarter of a turn behind x.
			if !isX || !isY || !near(ky[0], -kx[1]) || !near(ky[1], kx[0]) || !near(ky[2], -kx[3]) || !near(ky[3], kx[2]) {
				continue
			}
			p, q := math.Hypot(kx[0], kx[1]), math.Abs(n)*math.Hypot(kx[2], kx[3])
			if p == 0 || q == 0 {
				continue
			}
			return Form{Kind: rolled(n, cusps, near(p, q))}, true
		}
	}
	return f, false
}

func near(a, b float64) bool { return math.Abs(a-b) <= 1e-9*max(1, math.Abs(a)) }

// rolled names what rolls on a circle: outside for a positive n.
func rolled(n float64, cusps int, hasCusps bool) string {
	switch {
	case !hasCusps && n > 0:
		return "an epitrochoid"
	case !hasCusps:
		return "a hypotrochoid"
	case n > 0 && cusps == 1:
		return "a cardioid"
	case n > 0 && cusps == 2:
		return "a nephroid"
	case n > 0:
		return fmt.Sprintf("an epicycloid with %d cusps", cusps)
	case cusps == 3:
		return "a deltoid"
	}
	return fmt.Sprintf("a hypocycloid with %d cusps", cusps)
}

// rolledOnLine is a t + b cos t + c sin t along and a quarter of a turn behind across: a cycloid where the point lies on the circle.
func rolledOnLine(x, y func(float64) float64) (f Form, ok bool) {
	itself := func(t float64) float64 { return t }
	for _, way := range [2][2]func(float64) float64{{x, y}, {y, x}} {
		along, is := fits(way[0], one, itself, math.Cos, math.Sin)
		across, isToo := fits(way[1], one, math.Cos, math.Sin)
		if !is || !isToo || along[1] == 0 {
			continue
		}
		size := math.Hypot(along[2], along[3])
		if size == 0 || !near(size, math.Hypot(across[1], across[2])) || !near(along[2]*across[1]+along[3]*across[2], 0) {
			continue
		}
		if near(size, math.Abs(along[1])) {
			return Form{Kind: "a cycloid"}, true
		}
		return Form{Kind: "a trochoid"}, true
	}
	return f, false
}
