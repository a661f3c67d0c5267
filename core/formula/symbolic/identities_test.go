package symbolic_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
)

// The Pythagorean and reciprocal identities (DLMF 4.21.12–14, 4.14.4–7, 4.35.11), also with what stands beside them, and
// the conditions under which they hold.
func TestIdentitiesMakeFormulasShort(t *testing.T) {
	for _, c := range []struct{ text, want, conditions string }{
		{"sin²x + cos²x", "1", ""},
		{"3 − 2sin²(5x) − 2cos²(5x)", "1", ""},
		{"x sin²x + x cos²x − x", "0", ""},
		{"(r cos θ)² + (r sin θ)²", "r²", ""},
		{"(sin x + cos x)² + (sin x − cos x)²", "2", ""},
		{"sec²x − tan²x", "1", "cos(x) ≠ 0"},
		{"csc²(2x) − cot²(2x)", "1", "sin(2x) ≠ 0"},
		{"cosh²x − sinh²x", "1", ""},
		{"tan x cot x", "1", "sin(x) ≠ 0, cos(x) ≠ 0"},
		{"5 sin x csc x", "5", "sin(x) ≠ 0"},
		{"sec(3x)² cos(3x)² + x", "x + 1", "cos(3x) ≠ 0"},
		{"sin²x + cos²y", "sin²x + cos²y", ""},
		{"2sin²x + cos²x", "2sin²x + cos²x", ""},
		{"sin²x − cos²x", "sin²x − cos²x", ""},
	} {
		got := symbolic.Simplify(parse(t, c.text))
		want := symbolic.Simplify(parse(t, c.want)).Node
		assert.True(t, expr.Equal(want, got.Node), "%s is %s, not %s", c.text, expr.Pretty(got.Node), c.want)
		assert.Equal(t, c.conditions, strings.Join(got.Conditions, ", "), c.text)
	}
}

// Fractions in lowest terms, with what the shorter form no longer shows (worked examples of algebra courses, common practice).
func TestACommonFactorIsDividedOut(t *testing.T) {
	for _, c := range [][3]string{
		{"(x² − 1)/(x − 1)", "x + 1", "x ≠ 1"},
		{"(x³ − 8)/(x − 2)", "x² + 2x + 4", "x ≠ 2"},
		{"(x² − 3x + 2)/(x² − 1)", "(x − 2)/(x + 1)", "x ≠ 1"},
		{"(x⁴ − 1)/(x² + 1)", "x² − 1", ""}, // x² + 1 is nowhere 0
		{"(x − 1)(x + 2)/(x − 1)²", "(x + 2)/(x − 1)", ""},
		{"(t² − 9)/(t + 3)", "t − 3", "t ≠ −3"},
		{"(x² − 1)/(x − 1) + x", "2x + 1", "x ≠ 1"},
		{"(2x² − 8)/(4x + 8)", "(x − 2)/2", "x ≠ −2"},
		{"(x² + 1)/(x − 1)", "(x² + 1)/(x − 1)", ""},
		{"(x¹⁰ − 1)/(x − 1)", "(x¹⁰ − 1)/(x − 1)", ""}, // ten terms say less
		{"(a² − b²)/(a − b)", "(a² − b²)/(a − b)", ""},
	} {
		got := symbolic.Shorten(parse(t, c[0]))
		assert.Equal(t, expr.Text(symbolic.Simplify(parse(t, c[1])).Node), expr.Text(got.Node), c[0])
		assert.Equal(t, c[2], strings.Join(got.Conditions, ", "), c[0])
	}
}

// What algebra and trigonometry courses call simplified (common practice; the identities in DLMF 4.14 and 4.21).
func TestTrigonometricFormulasAreShortened(t *testing.T) {
	for text, want := range map[string]string{
		"sin x/cos x": "tan x", "cos(2x)/sin(2x)": "cot(2x)", "tan x cos x": "sin x", "1/cot x": "tan x", "sec x cot x": "1/sin x",
		"sin²x/cos²x": "tan²x", "1 − sin²x": "cos²x", "3 − 3cos²(2x)": "3sin²(2x)", "1 + tan²x": "sec²x", "sec²x − 1": "tan²x",
		"csc²x − 1": "cot²x", "cosh²x − 1": "sinh²x", "x² − x² sin²a": "x² cos²a", "(1 − cos²x)/sin x": "sin x", "sin x + cos x": "sin x + cos x",
		"tan x": "tan x", "x/cos x": "x/cos x", "2sin x cos x": "2sin x cos x",
	} {
		n := parse(t, text)
		got := symbolic.Shorten(n)
		assert.Equal(t, expr.Text(symbolic.Simplify(parse(t, want)).Node), expr.Text(got.Node), text)
		before, err := program.CompilePoint(n, []string{"x", "a"})
		require.NoError(t, err)
		after, err := program.CompilePoint(got.Node, []string{"x", "a"})
		require.NoError(t, err)
		for _, x := range []float64{-2.3, -0.4, 0.7, 1.9, 4.4} {
			assert.InDelta(t, before([]float64{x, 0.8}), after([]float64{x, 0.8}), 1e-9*(1+math.Abs(before([]float64{x, 0.8}))), "%s at %v", text, x)
		}
	}
}
