package symbolic_test

import (
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/exact"
	"parvix/core/expr"
	"parvix/core/symbolic"
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
				angle := &expr.Binary{Op: expr.Mul, L: symbolic.Ratio(big.NewRat(k, q)), R: &expr.Constant{Name: "pi"}}
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
				there := &expr.Call{Name: forward, Args: []expr.Node{&expr.Binary{Op: expr.Mul, L: symbolic.Ratio(angle), R: &expr.Constant{Name: "pi"}}}}
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
