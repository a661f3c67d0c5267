package program

import (
	"math"

	"parvix/core/formula/expr"
)

// Rounded is a value with about how far rounding on the way may have taken it from the true one.
type Rounded func(in []float64) (value, doubt float64)

// half a unit in the last place, as a share.
const half = 1.0 / (1 << 53)

// Rounding compiles n for values with their doubt: a running error analysis (N. J. Higham, Accuracy and Stability of
// Numerical Algorithms, 2nd ed., SIAM 2002, section 3.3), in which a function passes the doubt of its argument on by its
// slope. inputs as in CompilePoint, whose values it gives.
func Rounding(n expr.Node, inputs []string) (Rounded, error) {
	slots := Slots(inputs)
	if missing := missingName(n, slots); missing != nil {
		return nil, missing
	}
	return pointCompiler{inputs, slots}.rounded(n), nil
}

func (c pointCompiler) rounded(n expr.Node) Rounded {
	switch n := n.(type) {
	case *expr.Neg:
		x := c.rounded(n.X)
		return func(in []float64) (float64, float64) {
			v, d := x(in)
			return -v, d
		}
	case *expr.Binary:
		return c.roundedBinary(n)
	case *expr.Call:
		return c.roundedCall(n)
	}
	// Numbers, parameters, pieces and sums: what they add is left to the operations around them.
	point := c.compile(n)
	return func(in []float64) (float64, float64) {
		v := point(in)
		return v, half * math.Abs(v)
	}
}

func (c pointCompiler) roundedBinary(n *expr.Binary) Rounded {
	l, r := c.rounded(n.L), c.rounded(n.R)
	point := c.compile(n)
	if n.Op == expr.Pow {
		return func(in []float64) (float64, float64) {
			a, da := l(in)
			b, db := r(in)
			v := point(in)
			// d(a^b) = a^b·(b·da/a + ln a·db)
			doubt := math.Abs(v) * (math.Abs(b)*da/math.Abs(a) + half)
			if db > half*math.Abs(b) {
				doubt += math.Abs(v*math.Log(math.Abs(a))) * db
			}
			return v, doubt
		}
	}
	return func(in []float64) (v, doubt float64) {
		a, da := l(in)
		b, db := r(in)
		switch n.Op {
		case expr.Add:
			v, doubt = a+b, da+db
		case expr.Sub:
			v, doubt = a-b, da+db
		case expr.Mul:
			v, doubt = a*b, math.Abs(a)*db+math.Abs(b)*da
		default:
			v = divide(a, b)
			doubt = (da + math.Abs(v)*db) / math.Abs(b)
		}
		return v, doubt + half*math.Abs(v)
	}
}

func (c pointCompiler) roundedCall(n *expr.Call) Rounded {
	point := c.compile(n)
	if len(n.Args) != 1 {
		return func(in []float64) (float64, float64) {
			v := point(in)
			return v, half * math.Abs(v)
		}
	}
	x := c.rounded(n.Args[0])
	slope := slopes[n.Name]
	return func(in []float64) (float64, float64) {
		a, d := x(in)
		v := point(in)
		if slope != nil {
			d *= math.Abs(slope(a, v))
		}
		return v, d + half*math.Abs(v)
	}
}

// slopes of functions at a with value v; those that are missing are about 1, or level.
var slopes = map[string]func(a, v float64) float64{
	"tan":  func(_, v float64) float64 { return 1 + v*v },
	"cot":  func(_, v float64) float64 { return 1 + v*v },
	"sec":  func(a, v float64) float64 { return v * math.Tan(a) },
	"csc":  func(a, v float64) float64 { return v / math.Tan(a) },
	"exp":  func(_, v float64) float64 { return v },
	"sinh": func(a, _ float64) float64 { return math.Cosh(a) },
	"cosh": func(a, _ float64) float64 { return math.Sinh(a) },
	"ln":   func(a, _ float64) float64 { return 1 / a },
	"log":  func(a, _ float64) float64 { return 1 / a },
	"sqrt": func(_, v float64) float64 { return 1 / (2 * v) },
	"cbrt": func(_, v float64) float64 { return 1 / (3 * v * v) },
}
