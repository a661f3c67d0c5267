package exact_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
)

// By hand: √2·√2 = 2, √3² = 3, 2^(ln 5/ln 2) = 5, log 1000 = 3. Computed in float64s each is a little off, which a root, a
// step or a denominator makes a wrong value, or one where there is none.
func TestRoundingDecidesNoValue(t *testing.T) {
	for text, want := range map[string]float64{
		"√(2 − √2·√2)": 0, "arcsin(√2·√2/2)": math.Pi / 2, "arccos(√3²/3)": 0, "arcosh(√5²/5)": 0, "root_4(3 − √3²)": 0, "sgn(√2·√2 − 2)": 0,
		"⌊log(1000)⌋": 3, "ceil(10^(log 3))": 3, "∛(2^(ln(5)/ln(2)) − 5)": 0, "(√2·√2 − 2)^2": 0, "max(√2·√2, 2)": 2, "sum(1/k for k from 1 to 4)": 25.0 / 12,
		"1/(1 + √(2 − √2·√2))": 1, "⌊10·0.3⌋": 3,
	} {
		assert.InDelta(t, want, exact.Float(exact.Settled(parse(t, text))), 1e-15*(1+want), text)
	}
	for _, text := range []string{"ln(3 − √3·√3)", "1/(2 − √2·√2)", "(2 − √2·√2)^(−1)", "√(−1)^2", "0·√(−1)", "1/(√(−1) − √(−1) + 1)", "artanh(√2·√2/2)", "√(√2·√2 − 2 − 10^(−20))"} {
		assert.False(t, isFinite(exact.Float(exact.Settled(parse(t, text)))), text)
	}
	// Letters stay, and so does what is no fraction.
	for _, text := range []string{"√(x − √2)", "⌊x⌋/2", "√(1 + √2)", "ln(3)"} {
		assert.True(t, expr.Equal(parse(t, text), exact.Settled(parse(t, text))), text)
	}
}

func isFinite(v float64) bool { return !math.IsNaN(v) && !math.IsInf(v, 0) }

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return f.Node
}
