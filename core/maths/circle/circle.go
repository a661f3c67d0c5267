// Package circle knows the unit circle: angles, exactly where they are fractions of π, and the six trigonometric
// functions as directed lengths.
package circle

import (
	"math"
	"math/big"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// Function is one of the six trigonometric functions, by its usual short name.
type Function string

// The functions.
const (
	Sine      Function = "sin"
	Cosine    Function = "cos"
	Tangent   Function = "tan"
	Cotangent Function = "cot"
	Secant    Function = "sec"
	Cosecant  Function = "csc"
)

// Functions lists the six in the order in which they are taught.
func Functions() []Function {
	return []Function{Sine, Cosine, Tangent, Cotangent, Secant, Cosecant}
}

// Name is the function's full name.
func (f Function) Name() string {
	return map[Function]string{Sine: "sine", Cosine: "cosine", Tangent: "tangent", Cotangent: "cotangent", Secant: "secant", Cosecant: "cosecant"}[f]
}

// HasPoles tells whether the function is undefined at some angles.
func (f Function) HasPoles() bool { return f != Sine && f != Cosine }

// Angle is a turn about the centre, anticlockwise from the positive x-axis.
type Angle struct {
	// Radians is its value, any number of turns either way.
	Radians float64
	// OfPi is the exact multiple of π, nil where the angle is none that is known.
	OfPi *big.Rat
}

// finest is the finest part of a degree at which a number in play is taken for exact.
const finest = 2

// At is the angle with so many radians; a whole or half number of degrees is taken for exact.
func At(radians float64) Angle {
	a := Angle{Radians: radians}
	halves := radians * 180 / math.Pi * finest
	if k := math.Round(halves); math.Abs(halves-k) < 1e-7 && math.Abs(k) < 1e9 {
		a.OfPi = big.NewRat(int64(k), 180*finest)
	}
	return a
}

// Of is the angle that a formula without letters gives, in radians; false where it has no value.
func Of(n expr.Node, value float64) (Angle, bool) {
	if math.IsNaN(value) || math.IsInf(value, 0) {
		return Angle{}, false
	}
	r, exact := symbolic.MultipleOfPi(n)
	if !exact {
		return Angle{Radians: value}, true
	}
	return Angle{Radians: value, OfPi: r}, true
}

// Degrees is the angle in degrees, exact where OfPi is.
func (a Angle) Degrees() float64 {
	if a.OfPi != nil {
		d, _ := new(big.Rat).Mul(a.OfPi, big.NewRat(180, 1)).Float64()
		return d
	}
	return a.Radians * 180 / math.Pi
}

// Exact is the angle as a multiple of π, nil where none is known.
func (a Angle) Exact() expr.Node {
	if a.OfPi == nil {
		return nil
	}
	return OfPi(a.OfPi)
}

// Special are the angles of a turn whose sine and cosine are roots that are known by heart, the multiples of π/6 and π/4, in radians and in
// degrees (common practice).
func Special() (radians, degrees []string) {
	for k := 0; k <= 24; k++ {
		if k%2 == 0 || k%3 == 0 {
			radians, degrees = append(radians, number.OfPi(k, 12)), append(degrees, strconv.Itoa(15*k))
		}
	}
	return radians, degrees
}

// OfPi is r·π as it is written: 7π/6, −π, 0.
func OfPi(r *big.Rat) expr.Node {
	return symbolic.Simplify(expr.Times(symbolic.Ratio(r), &expr.Constant{Name: "pi"})).Node
}

// Principal is the coterminal angle from 0 to below one turn.
func (a Angle) Principal() Angle { return a.plus(-a.Turns()) }

// Turns is how many full turns lie between the principal angle and this one, below 0 for turns clockwise.
func (a Angle) Turns() int64 {
	if a.OfPi != nil {
		half := new(big.Rat).Quo(a.OfPi, big.NewRat(2, 1))
		return new(big.Int).Div(half.Num(), half.Denom()).Int64()
	}
	return int64(math.Floor(a.Radians / (2 * math.Pi)))
}

// Coterminal is the angle with the same terminal side, so many turns further.
func (a Angle) Coterminal(turns int64) Angle { return a.plus(turns) }

func (a Angle) plus(turns int64) Angle {
	if a.OfPi != nil {
		r := new(big.Rat).Add(a.OfPi, big.NewRat(2*turns, 1))
		return exactAngle(r)
	}
	return Angle{Radians: a.Radians + 2*math.Pi*float64(turns)}
}

func exactAngle(r *big.Rat) Angle {
	v, _ := r.Float64()
	return Angle{Radians: v * math.Pi, OfPi: r}
}

// Quadrant is 1 to 4; on an axis it is 0 and axis names the half axis.
func (a Angle) Quadrant() (quadrant int, axis string) {
	p := a.Principal()
	quarters := p.Radians / (math.Pi / 2)
	if p.OfPi != nil {
		quarters, _ = new(big.Rat).Mul(p.OfPi, big.NewRat(2, 1)).Float64()
	}
	if quarters == math.Trunc(quarters) {
		return 0, [4]string{"positive x-axis", "positive y-axis", "negative x-axis", "negative y-axis"}[int(quarters)%4]
	}
	return int(quarters) + 1, ""
}

// Reference is the acute angle between the terminal side and the x-axis, from 0 to a right angle.
func (a Angle) Reference() Angle {
	p := a.Principal()
	if p.OfPi != nil {
		r := new(big.Rat).Set(p.OfPi)
		if one := big.NewRat(1, 1); r.Cmp(one) > 0 {
			r.Sub(r, one)
		}
		if r.Cmp(big.NewRat(1, 2)) > 0 {
			r.Sub(big.NewRat(1, 1), r)
		}
		return exactAngle(r)
	}
	r := math.Mod(p.Radians, math.Pi)
	return Angle{Radians: math.Min(r, math.Pi-r)}
}

// Complement is the angle that makes a right angle with this one: its sine is this one's cosine.
func (a Angle) Complement() Angle {
	if a.OfPi != nil {
		return exactAngle(new(big.Rat).Sub(big.NewRat(1, 2), a.OfPi))
	}
	return Angle{Radians: math.Pi/2 - a.Radians}
}

// Length is the directed length that a function is at an angle, in radii.
type Length struct {
	// Value is NaN where there is none; then Undefined says why.
	Value float64
	// Exact is nil where no closed form is known: off the multiples of 15° (DLMF 4.17).
	Exact     expr.Node
	Undefined string
}

// Undefined at the axes: the tangent line at the point meets one axis no more (common practice).
const (
	parallelToX = "the tangent line is parallel to the x-axis"
	parallelToY = "the tangent line is parallel to the y-axis"
)

// Of is the function's value at an angle.
func (f Function) Of(a Angle) Length {
	if a.OfPi != nil {
		quarters := new(big.Rat).Mul(a.OfPi, big.NewRat(2, 1))
		if upright := quarters.IsInt() && quarters.Num().Bit(0) == 1; upright && (f == Tangent || f == Secant) {
			return Length{Value: math.NaN(), Undefined: parallelToX}
		}
		if level := quarters.IsInt() && quarters.Num().Bit(0) == 0; level && (f == Cotangent || f == Cosecant) {
			return Length{Value: math.NaN(), Undefined: parallelToY}
		}
	}
	l := Length{Value: f.at(a)}
	if twelfths := a.OfPi; twelfths != nil && new(big.Rat).Mul(twelfths, big.NewRat(12, 1)).IsInt() {
		if value, known := symbolic.Exact(&expr.Call{Name: string(f), Args: []expr.Node{OfPi(a.Principal().OfPi)}}); known {
			l.Exact, l.Value = value, exact.Float(value)
		}
	}
	return l
}

// at computes the value from the remainder of one turn, folded into the first quadrant, so that many turns lose no
// digits and the axes are met exactly.
func (f Function) at(a Angle) float64 {
	p := a.Principal()
	sin, cos := math.Sincos(p.Radians)
	if p.OfPi != nil {
		reference, _ := a.Reference().OfPi.Float64()
		sin, cos = folded(reference)
		quarters, _ := new(big.Rat).Mul(p.OfPi, big.NewRat(2, 1)).Float64()
		if quarters > 2 {
			sin = -sin
		}
		if quarters > 1 && quarters < 3 {
			cos = -cos
		}
	}
	switch f {
	case Sine:
		return sin + 0
	case Cosine:
		return cos + 0
	case Tangent:
		return sin/cos + 0
	case Cotangent:
		return cos/sin + 0
	case Secant:
		return 1 / cos
	}
	return 1 / sin
}

// folded gives sine and cosine of r·π for 0 ≤ r ≤ ½, each from the smaller of the two complementary angles.
func folded(r float64) (sin, cos float64) {
	if r > 0.25 {
		cos, sin = math.Sin((0.5-r)*math.Pi), math.Cos((0.5-r)*math.Pi)
		return sin, cos
	}
	return math.Sin(r * math.Pi), math.Cos(r * math.Pi)
}
