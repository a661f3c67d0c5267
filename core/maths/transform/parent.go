// Package transform takes a function apart into its parent function and the transformations that lead there:
// y = A·p(B(x − h)) + k, in steps with formula, sentence and moved key points, in every right order and reading.
//
// A change within the brackets acts on x and looks reversed; one outside acts on y as it is written (common practice).
package transform

import (
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Kind names a parent function.
type Kind string

// The parents.
const (
	Linear      Kind = "linear"
	Quadratic   Kind = "quadratic"
	Cubic       Kind = "cubic"
	Absolute    Kind = "absolute value"
	SquareRoot  Kind = "square root"
	CubeRoot    Kind = "cube root"
	Reciprocal  Kind = "reciprocal"
	Reciprocal2 Kind = "reciprocal of the square"
	Exponential Kind = "exponential"
	Logarithm   Kind = "logarithm"
	Sine        Kind = "sine"
	Cosine      Kind = "cosine"
	Tangent     Kind = "tangent"
	Cotangent   Kind = "cotangent"
	Secant      Kind = "secant"
	Cosecant    Kind = "cosecant"
	Logistic    Kind = "logistic"
	Bell        Kind = "bell curve"
	HalfCircle  Kind = "half circle"
	Floor       Kind = "floor"
)

// Kinds lists the parents in the order in which they are taught.
func Kinds() []Kind {
	return []Kind{Linear, Quadratic, Cubic, Absolute, SquareRoot, CubeRoot, Reciprocal, Reciprocal2, Exponential, Logarithm,
		Sine, Cosine, Tangent, Cotangent, Secant, Cosecant, Logistic, Bell, HalfCircle, Floor}
}

// Parent is the simplest function of its family.
type Parent struct {
	Kind Kind
	// Base is that of an exponential or a logarithm, nil otherwise.
	Base expr.Node
	// Degrees tells that a wave's angles are in degrees.
	Degrees bool
}

// even and odd parents look the same after a reflection in the y-axis, or as after one in the x-axis.
var even = map[Kind]bool{Quadratic: true, Absolute: true, Reciprocal2: true, Cosine: true, Secant: true, Bell: true, HalfCircle: true}
var odd = map[Kind]bool{Linear: true, Cubic: true, CubeRoot: true, Reciprocal: true, Sine: true, Tangent: true, Cotangent: true, Cosecant: true}

// exponents: p(c·x) = c^q·p(x) for c > 0, so that a stretch along x is one along y.
var exponents = map[Kind]*big.Rat{Linear: big.NewRat(1, 1), Quadratic: big.NewRat(2, 1), Cubic: big.NewRat(3, 1), Absolute: big.NewRat(1, 1),
	SquareRoot: big.NewRat(1, 2), CubeRoot: big.NewRat(1, 3), Reciprocal: big.NewRat(-1, 1), Reciprocal2: big.NewRat(-2, 1)}

// halves are the waves whose sign turns after half a period.
var halves = map[Kind]bool{Sine: true, Cosine: true, Secant: true, Cosecant: true}

// period of a wave in its unit, nil for what is none.
func (p Parent) period() expr.Node {
	switch {
	case halves[p.Kind]:
		return simple(expr.Times(num(2), p.straight()))
	case p.Kind == Tangent || p.Kind == Cotangent:
		return p.straight()
	}
	return nil
}

// straight is half a turn.
func (p Parent) straight() expr.Node {
	if p.Degrees {
		return num(180)
	}
	return pi
}

var pi = &expr.Constant{Name: "pi"}
var euler = &expr.Constant{Name: "e"}

func num(n int64) expr.Node      { return symbolic.Ratio(big.NewRat(n, 1)) }
func ratio(a, b int64) expr.Node { return symbolic.Ratio(big.NewRat(a, b)) }

func simple(n expr.Node) expr.Node { return symbolic.Simplify(n).Node }

// Of is the parent's formula with u in the place of x.
func (p Parent) Of(u expr.Node) expr.Node {
	switch p.Kind {
	case Quadratic:
		return expr.Power(u, num(2))
	case Cubic:
		return expr.Power(u, num(3))
	case Absolute:
		return expr.Apply("abs", u)
	case SquareRoot:
		return expr.Apply("sqrt", u)
	case CubeRoot:
		return expr.Apply("cbrt", u)
	case Reciprocal:
		return expr.Over(num(1), u)
	case Reciprocal2:
		return expr.Over(num(1), expr.Power(u, num(2)))
	case Exponential:
		return expr.Power(p.Base, u)
	case Logarithm:
		if expr.Equal(p.Base, euler) {
			return expr.Apply("ln", u)
		}
		return expr.Apply("log", u, p.Base)
	case Sine, Cosine, Tangent, Cotangent, Secant, Cosecant:
		return expr.Apply(waveNames[p.Kind], u)
	case Logistic:
		return expr.Over(num(1), expr.Plus(num(1), expr.Power(euler, expr.Opposite(u))))
	case Bell:
		return expr.Power(euler, expr.Opposite(expr.Power(u, num(2))))
	case HalfCircle:
		return expr.Apply("sqrt", expr.Minus(num(1), expr.Power(u, num(2))))
	case Floor:
		return expr.Apply("floor", u)
	}
	return u
}

var waveNames = map[Kind]string{Sine: "sin", Cosine: "cos", Tangent: "tan", Cotangent: "cot", Secant: "sec", Cosecant: "csc"}

// Place is an exact point.
type Place struct{ X, Y expr.Node }

// KeyPoints are the points by which the parent's graph is drawn and recognised, from left to right.
func (p Parent) KeyPoints() []Place {
	at := func(list ...expr.Node) (places []Place) {
		for i := 0; i < len(list); i += 2 {
			places = append(places, Place{list[i], list[i+1]})
		}
		return places
	}
	n := num
	quarter := func(k int64) expr.Node { return simple(expr.Times(ratio(k, 2), p.straight())) }
	eighth := func(k int64) expr.Node { return simple(expr.Times(ratio(k, 4), p.straight())) }
	switch p.Kind {
	case Linear:
		return at(n(0), n(0), n(1), n(1))
	case Quadratic:
		return at(n(-2), n(4), n(-1), n(1), n(0), n(0), n(1), n(1), n(2), n(4))
	case Cubic:
		return at(n(-2), n(-8), n(-1), n(-1), n(0), n(0), n(1), n(1), n(2), n(8))
	case Absolute:
		return at(n(-1), n(1), n(0), n(0), n(1), n(1))
	case SquareRoot:
		return at(n(0), n(0), n(1), n(1), n(4), n(2))
	case CubeRoot:
		return at(n(-8), n(-2), n(-1), n(-1), n(0), n(0), n(1), n(1), n(8), n(2))
	case Reciprocal:
		return at(n(-1), n(-1), n(1), n(1))
	case Reciprocal2:
		return at(n(-1), n(1), n(1), n(1))
	case Exponential:
		return at(n(-1), simple(expr.Over(n(1), p.Base)), n(0), n(1), n(1), p.Base)
	case Logarithm:
		return at(simple(expr.Over(n(1), p.Base)), n(-1), n(1), n(0), p.Base, n(1))
	case Sine:
		return at(n(0), n(0), quarter(1), n(1), quarter(2), n(0), quarter(3), n(-1), quarter(4), n(0))
	case Cosine:
		return at(n(0), n(1), quarter(1), n(0), quarter(2), n(-1), quarter(3), n(0), quarter(4), n(1))
	case Tangent:
		return at(eighth(-1), n(-1), n(0), n(0), eighth(1), n(1))
	case Cotangent:
		return at(eighth(1), n(1), quarter(1), n(0), eighth(3), n(-1))
	case Secant:
		return at(n(0), n(1), quarter(2), n(-1))
	case Cosecant:
		return at(quarter(1), n(1), quarter(3), n(-1))
	case Logistic:
		return at(n(0), ratio(1, 2))
	case Bell:
		return at(n(0), n(1))
	case HalfCircle:
		return at(n(-1), n(0), n(0), n(1), n(1), n(0))
	}
	return at(n(0), n(0), n(1), n(1))
}

// Extent is an interval with exact ends; a nil end is endless.
type Extent struct {
	Lo, Hi             expr.Node
	LoClosed, HiClosed bool
}

var everything = []Extent{{}}

// domain and reach are where the parent has values and which it takes; what repeats is told in words instead.
func (p Parent) domain() (list []Extent, words string) {
	zero, one := num(0), num(1)
	switch p.Kind {
	case SquareRoot:
		return []Extent{{Lo: zero, LoClosed: true}}, ""
	case Logarithm:
		return []Extent{{Lo: zero}}, ""
	case Reciprocal, Reciprocal2:
		return []Extent{{Hi: zero}, {Lo: zero}}, ""
	case HalfCircle:
		return []Extent{{num(-1), one, true, true}}, ""
	case Tangent, Secant, Cotangent, Cosecant:
		return nil, "all x but those of the asymptotes"
	}
	return everything, ""
}

func (p Parent) reach() (list []Extent, words string) {
	zero, one := num(0), num(1)
	switch p.Kind {
	case Quadratic, Absolute, SquareRoot:
		return []Extent{{Lo: zero, LoClosed: true}}, ""
	case Reciprocal:
		return []Extent{{Hi: zero}, {Lo: zero}}, ""
	case Reciprocal2, Exponential:
		return []Extent{{Lo: zero}}, ""
	case Sine, Cosine:
		return []Extent{{num(-1), one, true, true}}, ""
	case Secant, Cosecant:
		return []Extent{{Hi: num(-1), HiClosed: true}, {Lo: one, LoClosed: true}}, ""
	case Logistic:
		return []Extent{{Lo: zero, Hi: one}}, ""
	case Bell:
		return []Extent{{Lo: zero, Hi: one, HiClosed: true}}, ""
	case HalfCircle:
		return []Extent{{zero, one, true, true}}, ""
	case Floor:
		return nil, "steps"
	}
	return everything, ""
}

// Asymptotes are upright ones at x = a, repeated where the parent is a wave, and level ones at y = b.
type Asymptotes struct {
	Upright, Level []expr.Node
	// Every is the distance at which the upright ones repeat, nil for none.
	Every expr.Node
}

func (p Parent) asymptotes() Asymptotes {
	zero := num(0)
	switch p.Kind {
	case Reciprocal, Reciprocal2:
		return Asymptotes{Upright: []expr.Node{zero}, Level: []expr.Node{zero}}
	case Exponential, Bell:
		return Asymptotes{Level: []expr.Node{zero}}
	case Logarithm:
		return Asymptotes{Upright: []expr.Node{zero}}
	case Logistic:
		return Asymptotes{Level: []expr.Node{zero, num(1)}}
	case Tangent, Secant:
		return Asymptotes{Upright: []expr.Node{simple(expr.Over(p.straight(), num(2)))}, Every: p.straight()}
	case Cotangent, Cosecant:
		return Asymptotes{Upright: []expr.Node{zero}, Every: p.straight()}
	}
	return Asymptotes{}
}
