package transform_test

import (
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
)

func fraction(p, q int64) expr.Node { return symbolic.Ratio(big.NewRat(p, q)) }

// “Up 3, left 2”, reflected, stretched: the new formula in the form that one would write (common practice).
func TestAMovedFormulaIsWrittenSimplified(t *testing.T) {
	for _, c := range []struct {
		formula         string
		s, right, t, up int64
		want            string
	}{
		{"x²", 1, -2, 1, 3, "(x + 2)^2 + 3"},
		{"(x − 1)² + 1", 1, 1, 1, -1, "(x − 2)^2"},
		{"√x", 1, 4, 2, 0, "2√(x − 4)"},
		{"|x − 4|", 1, -4, -1, 0, "−|x|"},
		{"3/x", 1, 2, 1, 1, "3/(x − 2) + 1"},
		{"2x + 1", 1, 3, 1, 5, "2x"},
		{"√x", -1, 0, 1, 0, "√(−x)"},
		{"√(4 − x)", -1, 0, 1, 0, "√(x + 4)"},
	} {
		n := transform.Moved(parse(t, c.formula), "x", false, fraction(c.s, 1), fraction(c.right, 1), fraction(c.t, 1), fraction(c.up, 1))
		assert.True(t, expr.Equal(parse(t, c.want), parse(t, expr.Text(n))), "%s: %s and not %s", c.formula, expr.Text(n), c.want)
	}
}

// Whatever is moved: where the curve had (x, y) the new one has (s·x + right, t·y + up).
func TestEveryPointOfAMovedCurveGoesWhereItIsTaken(t *testing.T) {
	at := func(n expr.Node, x float64) float64 {
		f, err := program.CompilePoint(symbolic.Radians(n, false), []string{"x"})
		require.NoError(t, err)
		return f([]float64{x})
	}
	for _, text := range []string{
		"x²", "2(x − 1)³ − 4", "√(2x + 1)", "∛x − 1", "|3x − 2|", "1/x", "2/(x − 1)² + 1", "e^(2x)", "3·2^(x − 1)", "ln(x + 9)", "sin(2x − π/3)", "3cos x − 1",
		"tan(x/2)", "12/(1 + 3e^(−2x))", "e^(−x²)", "√(9 − x²)", "floor(x/2)", "x sin x", "x³ − 4x", "x + 1/x", "x² for x < 1; 2x − 1 for x ≥ 1",
	} {
		n := parse(t, text)
		for _, m := range [][4]int64{{1, -2, 1, 3}, {-1, 0, 1, 0}, {1, 0, -1, 0}, {2, 1, -3, 5}, {-3, 2, 1, -1}} {
			moved := transform.Moved(n, "x", false, fraction(m[0], 1), fraction(m[1], 2), fraction(m[2], 3), fraction(m[3], 1))
			for _, x := range []float64{-1.37, 0.21, 0.83, 2.46} {
				y := at(n, x)
				want := float64(m[2])/3*y + float64(m[3])
				got := at(moved, float64(m[0])*x+float64(m[1])/2)
				if math.IsNaN(want) {
					assert.True(t, math.IsNaN(got), "%s moved by %v: %s", text, m, expr.Text(moved))
					continue
				}
				assert.InDelta(t, want, got, 1e-9*(1+math.Abs(want)), "%s moved by %v: %s at %v", text, m, expr.Text(moved), x)
			}
		}
	}
}

// A lesson about a parent begins with a formula that is read as that parent again, moved and stretched by letters.
func TestALessonBeginsWithItsOwnParent(t *testing.T) {
	for _, kind := range []transform.Kind{transform.Linear, transform.Quadratic, transform.Cubic, transform.Absolute, transform.SquareRoot, transform.CubeRoot,
		transform.Reciprocal, transform.Reciprocal2, transform.Exponential, transform.Logarithm, transform.Sine, transform.Cosine, transform.Tangent, transform.Cotangent,
		transform.Secant, transform.Cosecant, transform.Logistic, transform.Bell, transform.HalfCircle, transform.Floor} {
		statement, known := transform.Beginning(kind)
		require.True(t, known, kind)
		with := map[string]expr.Node{"a": fraction(2, 1), "b": fraction(3, 1), "h": fraction(1, 2), "k": fraction(-1, 1), "q": fraction(2, 1)}
		r, reason := transform.Recognise(symbolic.Substitute(parse(t, statement), with), "x", false)
		require.Empty(t, reason, statement)
		assert.Equal(t, kind, r.Written.Parent.Kind, statement)
	}
	_, known := transform.Beginning("spiral")
	assert.False(t, known)
}
