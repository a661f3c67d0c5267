package symbolic_test

import (
	"fmt"
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// The exact values agree with the functions' own values (Go's math) at every multiple of π/12, π/10 and π/8 over five turns,
// and are undefined exactly at the poles.
func TestSpecialAnglesHaveTheirExactValues(t *testing.T) {
	functions := map[string]func(x float64) float64{"sin": math.Sin, "cos": math.Cos, "tan": math.Tan,
		"cot": func(x float64) float64 { return 1 / math.Tan(x) }, "sec": func(x float64) float64 { return 1 / math.Cos(x) },
		"csc": func(x float64) float64 { return 1 / math.Sin(x) }}
	for name, f := range functions {
		for _, q := range []int64{8, 10, 12} {
			for k := -5 * q; k <= 5*q; k++ {
				angle := expr.Times(symbolic.Ratio(big.NewRat(k, q)), &expr.Constant{Name: "pi"})
				call := &expr.Call{Name: name, Args: []expr.Node{angle}}
				x := float64(k) / float64(q) * math.Pi
				if want := f(x); math.Abs(want) < 1e12 {
					value, known := symbolic.Exact(call)
					require.True(t, known, "%s(%d π/%d)", name, k, q)
					assert.InDelta(t, want, exact.Float(value), 1e-12*(1+math.Abs(want)), "%s(%d π/%d) = %s", name, k, q, expr.Text(value))
					continue
				}
				assert.True(t, symbolic.IsPole(call), "%s has a pole at %d π/%d", name, k, q)
			}
		}
	}
}

// An inverse function finds the angle again, in the range that is its own (DLMF 4.23).
func TestInverseFunctionsFindTheSpecialAngles(t *testing.T) {
	for inverse, forward := range map[string]string{"arcsin": "sin", "arccos": "cos", "arctan": "tan", "arccot": "cot"} {
		from := int64(0)
		if inverse == "arcsin" || inverse == "arctan" {
			from = -60
		}
		for _, step := range []int64{10, 12, 15} { // of 120 parts of a half turn
			for k := from; k <= from+120; k += step {
				angle := big.NewRat(k, 120)
				there := &expr.Call{Name: forward, Args: []expr.Node{expr.Times(symbolic.Ratio(angle), &expr.Constant{Name: "pi"})}}
				value, known := symbolic.Exact(there)
				if symbolic.IsPole(there) {
					continue
				}
				require.True(t, known)
				back, known := symbolic.MultipleOfPi(&expr.Call{Name: inverse, Args: []expr.Node{value}})
				if assert.True(t, known, "%s(%s)", inverse, expr.Text(value)) {
					assert.Equal(t, angle.RatString(), back.RatString(), "%s(%s)", inverse, expr.Text(value))
				}
			}
		}
	}
}

// The regular pentagon: the diagonal is the golden ratio times the side, 2 cos 36° = (1 + √5)/2, and
// 4 sin 36°·sin 72° = √5 (Euclid XIII.8 and 10; from memory).
func TestThePentagonsNumbers(t *testing.T) {
	for text, want := range map[string]string{
		"2cos(π/5)": "(1 + sqrt(5))/2", "cos(π/5) − cos(2π/5)": "1/2", "cos(π/5) cos(2π/5)": "1/4",
		"sin(π/10) sin(3π/10)": "1/4", "tan(π/8) tan(3π/8)": "1", "2cos(π/8)²": "1 + sqrt(2)/2",
	} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		w, err := expr.Parse(want, nil)
		require.NoError(t, err)
		difference := exact.Of(f.Node).Minus(exact.Of(w.Node))
		assert.True(t, difference.IsZero(), "%s is %s, not %s", text, expr.Text(exact.Of(f.Node).Node()), want)
	}
}

// Common practice: a power of b and a logarithm to the base b undo each other.
func TestPowersAndLogarithmsUndoEachOther(t *testing.T) {
	for text, want := range map[string]string{
		"2^(log_2(5))": "5", "2^(ln(5)/ln(2) − 2)": "5/4", "3^(−(ln(5) − ln(7))/ln(3))": "7/5", "10^(log(7) + x)": "7*10^x",
		"e^(2 ln(x))": "x^2", "10^(log(x))": "x", "8^(log_2(x + 1))": "(x + 1)^3", "4^(ln(5)/ln(2))": "25", "log_2(8·2^x)": "x + 3",
		"log(10^x)": "x", "log_2(4^x)": "2x", "3^(x + log_3(2))": "2*3^x",
		// No base in common, or nothing that gets shorter.
		"2^(log_2(−5))": "2^log_2(-5)", "e^(x + ln(−3))": "e^(x + ln(-3))", "2^(ln(3)/ln(5))": "2^(ln(3)/ln(5))", "e^(x + ln(x))": "e^(x + ln(x))", "x^(ln(2)/ln(3))": "x^(ln(2)/ln(3))",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
	assert.Contains(t, symbolic.Simplify(parse(t, "10^(log(x))")).Conditions, "x > 0")
}

// By right triangles with a side 1, common practice; each is compared with Go's math package at places of every quadrant.
func TestAFunctionOfAnInverseNeedsNoAngle(t *testing.T) {
	for text, want := range map[string]string{
		"cos(arccos(x))": "x", "cos(arcsin(x))": "sqrt(1 - x^2)", "tan(arcsin(x))": "x/sqrt(1 - x^2)", "sin(arctan(x))": "x/sqrt(x^2 + 1)",
		"sec(arctan(x))": "sqrt(x^2 + 1)", "sin(2 arctan(x))": "2x/(x^2 + 1)", "cos(2 arccos(x))": "2x^2 - 1", "cot(arctan(x))": "1/x",
		"cos(arcsin(1/3))": "2 sqrt(2)/3", "sin(π − arcsin(1/3))": "1/3", "cos(arccos(1/3) − 3π)": "-1/3", "tan(π/2 − arctan(2))": "1/2",
		"sin(2 arcsin(1/3))": "4 sqrt(2)/9", "csc(arccos(3/5))": "5/4",
		// There is no angle with the sine 2, and of others the sum says no more.
		"sin(arctan(e^(e^6)))": "sin(arctan(e^(e^6)))", "cos(arctan(x^30))": "cos(arctan(x^30))", "tan(arctan(e^x))": "e^x",
		"sin(arcsin(2))": "sin(arcsin(2))", "cos(x + arcsin(x))": "cos(x + arcsin(x))", "sin(3 arcsin(x))": "sin(3 arcsin(x))",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
	assert.Equal(t, []string{"1 − x² ≥ 0"}, symbolic.Simplify(parse(t, "cos(arccos(x))")).Conditions)
	forward := map[string]func(float64) float64{"sin": math.Sin, "cos": math.Cos, "tan": math.Tan}
	inverse := map[string]func(float64) float64{"arcsin": math.Asin, "arccos": math.Acos, "arctan": math.Atan}
	for name, f := range forward {
		for of, g := range inverse {
			for _, times := range []float64{-2, -1, 1, 2} {
				for quarters := range 4 {
					n := symbolic.Simplify(parse(t, fmt.Sprintf("%s(%v·%s(x) + %d·π/2)", name, times, of, quarters))).Node
					for _, x := range []float64{-0.83, -0.31, 0.12, 0.57} {
						want := f(times*g(x) + float64(quarters)*math.Pi/2)
						assert.InDelta(t, want, value(t, n, []float64{x, 0, 0}), 1e-9*(1+math.Abs(want)), "%s of %v %s and %d quarter turns at %v", name, times, of, quarters, x)
					}
				}
			}
		}
	}
}

// The angles between −π/2 and π/2, or 0 and π, with the same sine, cosine or tangent; compared with Go's math package.
func TestAnInverseGivesTheAngleOfItsOwnRange(t *testing.T) {
	for text, want := range map[string]string{
		"arcsin(sin(1/2))": "1/2", "arcsin(sin(2))": "pi - 2", "arccos(cos(4))": "2 pi - 4", "arccos(cos(−1))": "1", "arctan(tan(2))": "2 - pi",
		"arcsin(sin(6π/7))": "pi/7", "arccos(cos(9π/7))": "5 pi/7", "arcsin(−sin(1/2))": "-1/2", "arcsin(sin(x))": "arcsin(sin(x))", "arcsin(cos(1))": "arcsin(cos(1))",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
	for k := -40; k <= 40; k++ {
		c := float64(k) / 4
		for name, want := range map[string]float64{"arcsin(sin(%v))": math.Asin(math.Sin(c)), "arccos(cos(%v))": math.Acos(math.Cos(c)), "arctan(tan(%v))": math.Atan(math.Tan(c))} {
			n := symbolic.Simplify(parse(t, fmt.Sprintf(name, c))).Node
			assert.InDelta(t, want, value(t, n, []float64{0, 0, 0}), 1e-7, name, c)
			assert.NotContains(t, expr.Text(n), "arc")
		}
	}
}

func TestWhatIsNeverNegativeNeedsNoBarsAndNoCondition(t *testing.T) {
	for text, want := range map[string]string{
		"|x² + 3|": "x^2 + 3", "|−x² − 3|": "x^2 + 3", "|e^x + 1|": "e^x + 1", "√((x² + 1)²)": "x^2 + 1", "|x² + x|": "abs(x^2 + x)", "|x³ + 1|": "abs(x^3 + 1)",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
	for text, want := range map[string]string{"|x|²": "x^2", "|x − 1|·|x − 1|": "(x - 1)^2", "|x|^4/x²": "x^2", "x/|x|²": "1/x", "|x|³": "abs(x)^3", "|x|^(−2)": "1/x^2",
		"x³/|x|": "x abs(x)", "|x|/x²": "1/abs(x)", "x/|x|": "x/abs(x)", "1/|x| − |x|/x²": "0"} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
	// The derivative of ln|u| is u′/u in every table (DLMF 4.7.1 for u > 0, and by symmetry).
	for text, want := range map[string]string{"ln|x|": "1/x", "ln|x² − 1|": "2x/(x^2 - 1)", "ln|sin(x)|": "cos(x)/sin(x)"} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(symbolic.Derivative(symbolic.Simplify(parse(t, text)).Node, "x")).Node), text)
	}
	assert.Empty(t, symbolic.Simplify(parse(t, "(x² + 1)/(x² + 1)")).Conditions)
	assert.NotEmpty(t, symbolic.Simplify(parse(t, "(x³ + 1)/(x³ + 1)")).Conditions)
}
