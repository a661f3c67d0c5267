// Package conic tells lines and conics from their equations: what they are, and their centre, axes, foci and where they meet the axes
// of coordinates.
package conic

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Equation is A x² + B xy + C y² + D x + E y + F = 0.
type Equation struct{ A, B, C, D, E, F float64 }

// Kind is what an equation of at most the second degree describes.
type Kind string

// The kinds; Other stands for two lines, a point and nothing at all.
const (
	Line      Kind = "line"
	Circle    Kind = "circle"
	Ellipse   Kind = "ellipse"
	Hyperbola Kind = "hyperbola"
	Parabola  Kind = "parabola"
	Other     Kind = ""
)

// Curve is a line or a conic with what is known of it.
type Curve struct {
	Kind Kind
	// Slope is that of a line, infinite for an upright one.
	Slope float64
	// Centre is that of a circle, an ellipse or a hyperbola, the vertex of a parabola.
	Centre [2]float64
	// Long and Short are the half-axes of an ellipse; of a hyperbola the real and the imaginary one; Long is a circle's radius and
	// the distance of a parabola's focus from its vertex.
	Long, Short float64
	// Turn is the angle from the x-axis to the axis on which the foci lie, in radians.
	Turn float64
	// Foci are those of an ellipse, a hyperbola or a parabola, which has one; from left to right.
	Foci [][2]float64
	// OnX and OnY are where it meets the axes.
	OnX, OnY []float64
}

// Degree tells whether a formula in x and y is a polynomial of at most the second degree in them: all third derivatives are 0.
func Degree(n expr.Node) bool {
	for _, letters := range [4]string{"xxx", "xxy", "xyy", "yyy"} {
		d := n
		for _, by := range letters {
			d = symbolic.Simplify(symbolic.Derivative(d, string(by))).Node
		}
		if zero, is := symbolic.Fraction(d); !is || zero.Sign() != 0 {
			return false
		}
	}
	return true
}

// Read gives the equation of a function that is a polynomial of at most the second degree, from its values.
func Read(f func(x, y float64) float64) Equation {
	e := Equation{F: f(0, 0)}
	e.A, e.D = (f(1, 0)+f(-1, 0))/2-e.F, (f(1, 0)-f(-1, 0))/2
	e.C, e.E = (f(0, 1)+f(0, -1))/2-e.F, (f(0, 1)-f(0, -1))/2
	e.B = (f(1, 1) - f(1, -1) - f(-1, 1) + f(-1, -1)) / 4
	return e
}

// OnAxes are the places where it meets the axes.
func (c Curve) OnAxes() (list [][2]float64) {
	for _, x := range c.OnX {
		list = append(list, [2]float64{x, 0})
	}
	for _, y := range c.OnY {
		if y != 0 || len(c.OnX) == 0 {
			list = append(list, [2]float64{0, y})
		}
	}
	return list
}

// Vertices are those of a hyperbola or an ellipse, on the axis of its foci.
func (c Curve) Vertices() (list [][2]float64) {
	if c.Kind != Hyperbola && c.Kind != Ellipse {
		return nil
	}
	sin, cos := math.Sincos(c.Turn)
	for _, side := range [2]float64{-1, 1} {
		list = append(list, [2]float64{clean(c.Centre[0] + side*c.Long*cos), clean(c.Centre[1] + side*c.Long*sin)})
	}
	return list
}

// tiny is what rounding leaves of a coefficient that is 0, as a share of the largest.
const tiny = 1e-12

// Classify tells what an equation describes, by its invariants (Bronstein and Semendjajew, Taschenbuch der Mathematik, curves of the
// second order: reduction to the main axes).
func (e Equation) Classify() Curve {
	size := max(math.Abs(e.A), math.Abs(e.B), math.Abs(e.C), math.Abs(e.D), math.Abs(e.E), math.Abs(e.F))
	isZero := func(v float64) bool { return math.Abs(v) <= tiny*size }
	c := Curve{OnX: roots(e.A, e.D, e.F), OnY: roots(e.C, e.E, e.F)}
	if isZero(e.A) && isZero(e.B) && isZero(e.C) {
		return e.line(c, isZero)
	}
	small := e.A*e.C - e.B*e.B/4
	if math.Abs(small) <= tiny*size*size {
		return e.parabola(c, isZero)
	}
	x, y := (e.B*e.E/2-e.C*e.D)/(2*small), (e.B*e.D/2-e.A*e.E)/(2*small)
	c.Centre = [2]float64{clean(x), clean(y)}
	left := -(e.F + (e.D*x+e.E*y)/2)
	if isZero(left) {
		return c
	}
	// The form is λ u² + μ v² = left along the main axes.
	middle, apart := (e.A+e.C)/2, math.Hypot((e.A-e.C)/2, e.B/2)
	first, second := left/(middle+apart), left/(middle-apart)
	turn := math.Atan2(e.B, e.A-e.C) / 2
	switch {
	case first < 0 && second < 0:
		return c
	case first > 0 && second > 0:
		c.Kind = Ellipse
		c.Long, c.Short, c.Turn = math.Sqrt(first), math.Sqrt(second), turn
		if apart <= tiny*size {
			c.Kind, c.Turn = Circle, 0
			return c
		}
		if c.Short > c.Long {
			c.Long, c.Short, c.Turn = c.Short, c.Long, turn+math.Pi/2
		}
		return c.withFoci(math.Sqrt(c.Long*c.Long - c.Short*c.Short))
	case first > 0:
		c.Long, c.Short, c.Turn = math.Sqrt(first), math.Sqrt(-second), turn
	default:
		c.Long, c.Short, c.Turn = math.Sqrt(second), math.Sqrt(-first), turn+math.Pi/2
	}
	c.Kind = Hyperbola
	return c.withFoci(math.Hypot(c.Long, c.Short))
}

func (c Curve) withFoci(far float64) Curve {
	sin, cos := math.Sincos(c.Turn)
	for _, side := range [2]float64{-1, 1} {
		c.Foci = append(c.Foci, [2]float64{clean(c.Centre[0] + side*far*cos), clean(c.Centre[1] + side*far*sin)})
	}
	if a, b := c.Foci[0], c.Foci[1]; a[0] > b[0] || a[0] == b[0] && a[1] > b[1] {
		c.Foci[0], c.Foci[1] = b, a
	}
	return c
}

func (e Equation) line(c Curve, isZero func(float64) bool) Curve {
	switch {
	case isZero(e.D) && isZero(e.E):
		return c
	case isZero(e.E):
		c.Slope = math.Inf(1)
	default:
		c.Slope = clean(-e.D / e.E)
	}
	c.Kind = Line
	return c
}

// parabola turns the axes so that one square is left; where nothing else is left it is no parabola.
func (e Equation) parabola(c Curve, isZero func(float64) bool) Curve {
	turn := math.Atan2(e.B, e.A-e.C) / 2
	sin, cos := math.Sincos(turn)
	square := e.A*cos*cos + e.B*sin*cos + e.C*sin*sin
	along, across := e.D*cos+e.E*sin, -e.D*sin+e.E*cos
	if isZero(square) || isZero(across) {
		return c
	}
	// square u² + along u + across v + F = 0: its vertex, and p/2 from there to the focus.
	u := -along / (2 * square)
	v := -(square*u*u + along*u + e.F) / across
	c.Kind, c.Long = Parabola, math.Abs(across/square)/4
	c.Centre = [2]float64{clean(u*cos - v*sin), clean(u*sin + v*cos)}
	far := -across / square / 4
	c.Turn = turn + math.Pi/2
	c.Foci = [][2]float64{{clean(c.Centre[0] - far*sin), clean(c.Centre[1] + far*cos)}}
	return c
}

// roots solves a t² + b t + c = 0 without losing digits (Numerical Recipes, quadratic equations).
func roots(a, b, c float64) []float64 {
	if math.Abs(a) <= tiny*math.Max(math.Abs(b), math.Abs(c)) {
		if b == 0 {
			return nil
		}
		return []float64{clean(-c / b)}
	}
	d := b*b - 4*a*c
	switch {
	case d < -tiny*b*b:
		return nil
	case math.Abs(d) <= tiny*b*b:
		return []float64{clean(-b / (2 * a))}
	}
	q := -(b + math.Copysign(math.Sqrt(d), b)) / 2
	if q == 0 {
		return []float64{0}
	}
	first, second := clean(q/a), clean(c/q)
	return []float64{math.Min(first, second), math.Max(first, second)}
}

// clean takes the sign off 0, and what rounding leaves of it.
func clean(v float64) float64 {
	if math.Abs(v) < 1e-14 {
		return 0
	}
	return v
}
