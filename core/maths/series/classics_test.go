package series_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/numeric/program"
)

// Limits that calculus books prove (common practice): by the squeeze, by L'Hospital's rule, by series.
func TestTheClassicLimits(t *testing.T) {
	for _, c := range []struct{ text, at, want string }{
		{"(e^x - 1)/x", "0", "1"},
		{"ln(1 + x)/x", "0", "1"},
		{"(x - sin x)/x^3", "0", "1/6"},
		{"(tan x - sin x)/x^3", "0", "1/2"},
		{"(1 - cos(2x))/(x sin x)", "0", "2"},
		{"(sqrt(1 + x) - sqrt(1 - x))/x", "0", "1"},
		{"(cbrt(1 + x) - 1)/x", "0", "1/3"},
		{"(1 + x)^(1/x)", "0", "e"},
		{"(1 + 3x)^(2/x)", "0", "e^6"},
		{"x^x", "0", "1"},
		{"x^2 ln(x)", "0", "0"},
		{"sin(x)^(1/ln(x))", "0", "e"},
		{"(2^x - 1)/x", "0", "ln(2)"},
		{"(5^x - 3^x)/x", "0", "ln(5) - ln(3)"},
		{"arctan(x)/x", "0", "1"},
		{"(arcsin(x) - x)/x^3", "0", "1/6"},
		{"sinh(x)/x", "0", "1"},
		{"(cosh(x) - cos(x))/x^2", "0", "1"},
		{"(x^3 - 27)/(x - 3)", "3", "27"},
		{"(sqrt(x) - 2)/(x - 4)", "4", "1/4"},
		{"(x^5 - 1)/(x^3 - 1)", "1", "5/3"},
		{"ln(x)/(x - 1)", "1", "1"},
		{"x^(1/(1 - x))", "1", "1/e"},
		{"cos(x)/(x - pi/2)", "pi/2", "-1"},
		{"(1 - sin x)/(pi - 2x)^2", "pi/2", "1/8"},
		{"(sin x - sqrt(2)/2)/(x - pi/4)", "pi/4", "sqrt(2)/2"},
		{"1/x - 1/sin(x)", "0", "0"},
		{"1/x - 1/(e^x - 1)", "0", "1/2"},
		{"1/sin(x)^2 - 1/x^2", "0", "1/3"},
		{"e^(-1/x^2)/x^5", "0", "0"},
	} {
		p := exact.Of(parse(t, c.at))
		got := unbounded.Near(parse(t, c.text), "x", p, 1, p.Float()+1e-3)
		require.Equal(t, series.Finite, got.Kind, "%s at %s", c.text, c.at)
		want := exact.Of(parse(t, c.want)).Float()
		assert.InDelta(t, want, got.Limit.Float(), 1e-12*(1+math.Abs(want)), "%s at %s is %s", c.text, c.at, expr.Text(got.Limit.Node()))
	}
	for text, want := range map[string]string{
		"(1 + 1/x)^x": "e", "(1 - 2/x)^(3x)": "e^(-6)", "ln(x)/x": "0", "x^10/e^x": "0", "x^(1/x)": "1", "(sqrt(x^2 + 3x) - x)": "3/2",
		"x (ln(x + 1) - ln(x))": "1", "(3x^2 - 1)/(2x^2 + x)": "3/2", "x sin(1/x)": "1", "arctan(x)": "pi/2", "tanh(x)": "1",
		"x^2 (1 - cos(1/x))": "1/2", "(e^x + x)^(1/x)": "e", "ln(e^x + 1) - x": "0", "(2^x + 3^x)/3^x": "1",
	} {
		got := unbounded.FarOut(parse(t, text), "x", 1, 1e6)
		require.Equal(t, series.Finite, got.Kind, text)
		limit := exact.Of(parse(t, want)).Float()
		assert.InDelta(t, limit, got.Limit.Float(), 1e-12*(1+math.Abs(limit)), "%s is %s", text, expr.Text(got.Limit.Node()))
	}
}

// The side from which a limit is neared is that of the values close by.
func TestTheSideOfALimitIsThatOfTheValues(t *testing.T) {
	for _, text := range []string{"x^2", "-x^2", "x^3", "sin(x)/x", "(e^x - 1)/x", "cos(x) - x^3", "1/(1 + x)", "sqrt(1 + x)", "x ln(1 + x)", "tan(x)/x", "(1 - cos x)/x^2"} {
		f, err := program.CompilePoint(parse(t, text), []string{"x"})
		require.NoError(t, err)
		for _, side := range []int{-1, 1} {
			b := unbounded.Near(parse(t, text), "x", exact.Int(0), side, float64(side)*1e-3)
			require.Equal(t, series.Finite, b.Kind, text)
			near := f([]float64{float64(side) * 1e-3}) - b.Limit.Float()
			assert.Equal(t, math.Signbit(near), b.Side < 0, "%s on side %d", text, side)
		}
	}
}

// With little effort left the answer is none, never a wrong one.
func TestWithoutEffortNothingIsClaimed(t *testing.T) {
	for _, left := range []int{0, 10, 100, 1000, 100000} {
		e := &series.Effort{Left: left}
		b := e.Near(parse(t, "(x + sqrt(2))^x (ln(x + e) - 1)/x"), "x", exact.Int(0), 1, 1e-3)
		if b.Kind == series.Unknown {
			assert.Less(t, left, 100000, "enough for this one")
			continue
		}
		assert.Equal(t, series.Finite, b.Kind)
		assert.InDelta(t, 1/math.E, b.Limit.Float(), 1e-12, "with %d", left)
	}
}
