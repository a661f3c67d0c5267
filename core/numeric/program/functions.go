package program

import (
	"math"

	"parvix/core/formula/number"
)

// Scalar forms of the operations. A value that does not exist is NaN; what only overflows stays infinite.

func divide(a, b float64) float64 {
	if b == 0 {
		return math.NaN()
	}
	return a / b
}

func ln(x float64) float64 {
	if x <= 0 {
		return math.NaN()
	}
	return number.Ln(x)
}

// powReal is a^e for an exponent that is not written as a fraction: undefined for a negative base unless e is whole, and
// 0^0 has no value.
func powReal(a, e float64) float64 {
	if a == 0 && e <= 0 || a < 0 && e != math.Trunc(e) {
		return math.NaN() // also where a negative base has overflowed
	}
	return math.Pow(a, e)
}

// powOdd is the real root a^(p/q) with odd q, e = p/q; p tells whether the sign of a stays.
func powOdd(a, e float64, oddP bool) float64 {
	if a == 0 && e < 0 {
		return math.NaN()
	}
	r := math.Pow(math.Abs(a), e)
	if a < 0 && oddP {
		return -r
	}
	return r
}

func sgn(x float64) float64 {
	switch {
	case x > 0:
		return 1
	case x < 0:
		return -1
	}
	return x
}

func arcsec(x float64) float64 { return math.Acos(divide(1, x)) }
func arccsc(x float64) float64 { return math.Asin(divide(1, x)) }

// arccot has the range (0, π), as most textbooks define it; it is continuous at 0.
func arccot(x float64) float64 { return math.Pi/2 - math.Atan(x) }

func artanh(x float64) float64 {
	if math.Abs(x) >= 1 {
		return math.NaN()
	}
	return math.Atanh(x)
}

// unary functions that run through Go's math, one value at a time.
var unary = map[string]func(float64) float64{
	"arcsin": math.Asin, "arccos": math.Acos, "arctan": math.Atan, "arccot": arccot, "arcsec": arcsec, "arccsc": arccsc,
	"sinh": math.Sinh, "cosh": math.Cosh, "tanh": math.Tanh, "coth": func(x float64) float64 { return divide(1, math.Tanh(x)) },
	"arsinh": math.Asinh, "arcosh": math.Acosh, "artanh": artanh,
	"cbrt": math.Cbrt, "sgn": sgn, "floor": math.Floor, "ceil": math.Ceil,
	"sqrt": math.Sqrt, "abs": math.Abs,
	"sin": math.Sin, "cos": math.Cos, "ln": ln, "exp": math.Exp,
}
