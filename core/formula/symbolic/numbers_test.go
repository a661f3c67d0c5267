package symbolic_test

import (
	"math"
	"math/big"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// As a teacher writes a formula with its numbers put in: signs that meet become one, a factor 1 and a term 0 fall away, and
// the order stays (common practice).
func TestNumbersArePutInAsOneWritesThem(t *testing.T) {
	for _, c := range []struct{ formula, a, b, want string }{
		{"(x − a)² + b", "3", "-2", "(x - 3)^2 - 2"},
		{"(x − a)² + b", "-3", "2", "(x + 3)^2 + 2"},
		{"(x − a)² + b", "0", "0", "x^2"},
		{"a x + b", "1", "-0.5", "x - 0.5"},
		{"a x + b", "-1", "4", "-x + 4"},
		{"a sin(b x)", "-2", "1", "-2sin(x)"},
		{"b − a", "-1", "5", "5 + 1"},
		{"−a", "-2", "0", "2"},
		{"a − x", "0", "0", "-x"},
		{"x/a", "4", "0", "x/4"},
	} {
		values := map[string]*big.Rat{}
		for name, text := range map[string]string{"a": c.a, "b": c.b} {
			values[name], _ = new(big.Rat).SetString(text)
		}
		got := symbolic.PutNumbers(parse(t, c.formula), values)
		assert.True(t, expr.Equal(parse(t, c.want), parse(t, expr.Text(got))), "%s with %s, %s: %s", c.formula, c.a, c.b, expr.Text(got))
	}
}

// By the definitions: ⌊x⌋ is the largest whole number that is not above x, ⌈x⌉ the smallest not below; sgn, max and min.
func TestRoundedNumbersAreWholeAtOnce(t *testing.T) {
	for text, want := range map[string]string{
		"floor(7/2)": "3", "floor(−7/2)": "-4", "floor(4)": "4", "ceil(7/2)": "4", "ceil(−7/2)": "-3", "ceil(−4)": "-4", "sgn(−0.01)": "-1",
		"sgn(0)": "0", "sgn(5/3)": "1", "max(3, −5, 7/2)": "7/2", "min(3, −5, 7/2)": "-5", "max(−1, −2)": "-1", "max(0.2, 0.5)": "0.5", "min(1/3, 0.5, 2 − 1)": "1/3",
		"floor(x)": "floor(x)", "max(x, 1)": "max(x, 1)",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
}

// Hyperbolic functions at 0 and of −u (DLMF 4.28.1 to 4.28.8, 4.30).
func TestHyperbolicFunctionsAreOddOrEven(t *testing.T) {
	for text, want := range map[string]string{
		"sinh(0)": "0", "cosh(0)": "1", "tanh(0)": "0", "arsinh(0)": "0", "artanh(0)": "0", "arcosh(1)": "0",
		"sinh(−x)": "-sinh(x)", "cosh(−x)": "cosh(x)", "tanh(−2x)": "-tanh(2x)", "arsinh(−x)": "-arsinh(x)", "artanh(−x)": "-artanh(x)",
		"arcosh(−x)": "arcosh(-x)", "cosh(x) − cosh(−x)": "0", "sinh(x) + sinh(−x)": "0",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(parse(t, text)).Node), text)
	}
}

// One fraction has the value of what it was made of.
func TestOneFractionHasTheSameValues(t *testing.T) {
	for _, text := range []string{
		"1/x + 1/(x + 1)", "x − 1/x", "(1/x)/(1/(x + 2))", "a/(x − a) + b/(x − b)", "1 + 1/(1 + 1/(1 + 1/x))", "(x/(x − 1))^3 − 1",
		"x^(−1/2) + x^(1/2)", "1/(e^x + 1) + e^x", "2/(x sin x) − cos(x)/x^2", "(1/x + 1/a)^(−1)", "√x/(1 + √x) + 1/√x",
	} {
		n := parse(t, text)
		above, below, ok := symbolic.Together(n)
		require.True(t, ok, text)
		r := rand.New(rand.NewPCG(3, 7))
		for range 20 {
			in := []float64{r.Float64()*4 + 0.3, r.Float64() + 5, r.Float64() + 7}
			want := value(t, n, in)
			assert.InDelta(t, want, value(t, above, in)/value(t, below, in), 1e-9*(1+math.Abs(want)), "%s at %v", text, in)
		}
	}
}

// Without its roots a sum is 0 at the same places, where those are not 0: √x − 2/√x, like x − 2, at 2.
func TestWithoutRootsTheZerosStay(t *testing.T) {
	for text, zeros := range map[string][]float64{
		"√x − 2/√x": {2}, "x^(3/2) − 4√x": {4}, "2x√(x + 1) + x²/√(x + 1)": {0, -2.0 / 3}, "e^x x − 3e^x": {3}, "x^(1/3) − 8x^(−2/3)": {8},
	} {
		n := parse(t, text)
		plain, ok := symbolic.WithoutRoots(n, "x")
		require.True(t, ok, text)
		for _, zero := range zeros {
			assert.InDelta(t, 0, value(t, plain, []float64{zero, 0, 0}), 1e-12, "%s: %s", text, expr.Text(plain))
		}
		for _, x := range []float64{0.3, 1.1, 5.7} {
			f, g := value(t, n, []float64{x, 0, 0}), value(t, plain, []float64{x, 0, 0})
			assert.Positive(t, f*g, "%s keeps its sign at %v: %s", text, x, expr.Text(plain))
		}
	}
	_, ok := symbolic.WithoutRoots(parse(t, "x² − 4x"), "x")
	assert.False(t, ok, "there is nothing to divide by")
}

// In every form a formula has the same values, and none is told where the formula has no such form.
func TestEveryFormIsTheSameFunction(t *testing.T) {
	for _, text := range []string{"(x − 1)(x + 2)²", "2x² − 8x + 3", "(x² + 1)/(x² − 1)", "x³ − 6x² + 11x − 6", "a x² + 2a x + b", "(2x + 1)/(x − 3)"} {
		n := parse(t, text)
		found := 0
		for _, form := range symbolic.Forms() {
			written, ok := symbolic.WriteAs(n, "x", form)
			if !ok {
				continue
			}
			found++
			for _, x := range []float64{-3.3, 0.4, 2.2, 7.1} {
				in := []float64{x, 2, -3}
				assert.InDelta(t, value(t, n, in), value(t, written, in), 1e-9*(1+math.Abs(value(t, n, in))), "%s %s: %s", text, form, expr.Text(written))
			}
		}
		assert.Positive(t, found, text)
	}
	_, ok := symbolic.WriteAs(parse(t, "x²"), "x", "upside down")
	assert.False(t, ok)
}
