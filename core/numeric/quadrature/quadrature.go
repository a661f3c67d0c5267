// Package quadrature works out integrals of one variable, with places where the function has gaps or grows without bound.
package quadrature

import "math"

// Integral is a value with an estimate of its error.
type Integral struct {
	Value, Error float64
}

// Nodes and weights of the Kronrod rule with 15 points and of the Gauss rule with 7 inside it: QUADPACK (Piessens et al.
// 1983), the positive half; the odd places are Gauss's.
var (
	nodes = [8]float64{0.991455371120812639206854697526329, 0.949107912342758524526189684047851, 0.864864423359769072789712788640926,
		0.741531185599394439863864773280788, 0.586087235467691130294144691693013, 0.405845151377397166906606412076961,
		0.207784955007898467600689403773245, 0}
	kronrod = [8]float64{0.022935322010529224963732008058970, 0.063092092629978553290700663189204, 0.104790010322250183839876322541518,
		0.140653259715525918745189590510238, 0.169004726639267902826583426598550, 0.190350578064785409913256402421014,
		0.204432940075298892414161999234649, 0.209482141084727828012999174891714}
	gauss = [4]float64{0.129484966168869693270611432679082, 0.279705391489276667901467771423780, 0.381830050505118944950369775488975,
		0.417959183673469387755102040816327}
)

// An integral is taken to about this share of its size; halving ends at this depth.
const (
	wantedShare = 1e-13
	deepest     = 48
	// mostRules bounds the work of one integral.
	mostRules = 60000
)

// Piece is the integral between two places between which the function has no gap; ∞ where it grows without bound towards
// one. The piece is run through with a substitution that comes to rest at its ends, so that values without bound there do no
// harm.
func Piece(f func(t float64) float64, a, b float64) Integral {
	if diverges(f, a, b) || diverges(f, b, a) {
		return Integral{Value: math.Inf(1)}
	}
	sum := Integral{}
	if within, is := steep(f, a, b); is {
		a, sum.Value = a+nearEnd*(b-a), sum.Value+within
	}
	if within, is := steep(f, b, a); is {
		b, sum.Value = b-nearEnd*(b-a), sum.Value+within
	}
	g := func(s float64) float64 {
		v := f(a + (b-a)*s*s*(3-2*s))
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return 0 // rounding at an end
		}
		return v * 6 * s * (1 - s) * (b - a)
	}
	r := rules{f: g}
	whole, off := r.rule(0, 1)
	r.scale = math.Abs(whole)
	part := r.halve(0, 1, whole, off, 0)
	return Integral{sum.Value + part.Value, sum.Error + part.Error}
}

// Smooth is the integral between two places between and at which the function has values; scale is the size of the sum that it
// is a part of, whose last digits decide nothing.
func Smooth(f func(t float64) float64, a, b, scale float64) Integral {
	r := rules{f: f}
	value, off := r.rule(a, b)
	r.scale = scale + math.Abs(value)
	return r.halve(a, b, value, off, 0)
}

// nearEnd is the share of a piece beside an end at which a function grows without bound that is not run through.
const nearEnd = 1e-9

// steep tells whether f grows like C/√x towards an end, as the speed at the knot of a lemniscate does, and gives what lies
// within nearEnd of it: 2C√x. There numbers lie too far apart to be run through.
func steep(f func(t float64) float64, end, other float64) (within float64, is bool) {
	h := 1e-7 * (other - end)
	near, nearer := f(end+h), f(end+h/4)
	if !(near > 0) || math.Abs(nearer/near-2) > 0.02 {
		return 0, false
	}
	c := near * math.Sqrt(math.Abs(h))
	return 2 * c * math.Sqrt(nearEnd*math.Abs(other-end)), true
}

type rules struct {
	f     func(float64) float64
	scale float64
	count int
}

// rule gives Kronrod's value and how far Gauss's lies from it.
func (q *rules) rule(a, b float64) (value, off float64) {
	q.count++
	middle, half := (a+b)/2, (b-a)/2
	at := q.f(middle)
	k, g := kronrod[7]*at, gauss[3]*at
	for i := range 7 {
		v := q.f(middle-half*nodes[i]) + q.f(middle+half*nodes[i])
		k += kronrod[i] * v
		if i%2 == 1 {
			g += gauss[i/2] * v
		}
	}
	return k * half, math.Abs(k-g) * half
}

func (q *rules) halve(a, b, value, off float64, depth int) Integral {
	if off <= wantedShare*math.Max(q.scale, math.Abs(value)) || depth >= deepest || q.count > mostRules {
		return Integral{value, off}
	}
	middle := (a + b) / 2
	v1, o1 := q.rule(a, middle)
	v2, o2 := q.rule(middle, b)
	if depth > 6 && math.Abs(v1+v2-value) <= 1e-15*q.scale {
		return Integral{v1 + v2, math.Abs(v1 + v2 - value)}
	}
	left, right := q.halve(a, middle, v1, o1, depth+1), q.halve(middle, b, v2, o2, depth+1)
	return Integral{left.Value + right.Value, left.Error + right.Error}
}

// Beside are places on the way to an end, so far apart that rounding does not count.
func Beside(end, other float64) (list [3]float64) {
	room := math.Min(math.Abs(other-end), 1+math.Abs(end))
	for i, share := range [3]float64{1e-3, 1e-5, 1e-7} {
		list[i] = end + math.Copysign(share*room, other-end)
	}
	return list
}

// diverges tells whether the integral of f grows without bound towards an end: f grows at least like 1/distance there
// (comparison of improper integrals, common practice).
func diverges(f func(t float64) float64, end, other float64) bool {
	var mass [3]float64
	for i, t := range Beside(end, other) {
		mass[i] = math.Abs(f(t)) * math.Abs(t-end)
	}
	return mass[0] > 0 && mass[1] > 0.9*mass[0] && mass[2] > 0.9*mass[1]
}
