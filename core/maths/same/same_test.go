package same_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/same"
)

func compare(t *testing.T, a, b string) same.Comparison {
	t.Helper()
	read := func(text string) expr.Node {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		return f.Node
	}
	c, err := same.Compare(read(a), read(b))
	require.NoError(t, err)
	return c
}

// Identities of DLMF 4.8 (logarithms), 4.16, 4.21 (trigonometric), 4.23 to 4.24 (inverse), 4.28, 4.35 (hyperbolic), and of
// algebra.
func TestIdentitiesOfHandbooksAreTheSame(t *testing.T) {
	for a, b := range map[string]string{
		"sin(x)^2 + cos(x)^2":   "1",
		"1 + tan(x)^2":          "sec(x)^2",
		"1 + cot(x)^2":          "csc(x)^2",
		"sin(2x)":               "2 sin(x) cos(x)",
		"cos(2x)":               "1 - 2 sin(x)^2",
		"tan(2x)":               "2tan(x)/(1 - tan(x)^2)",
		"sin(3x)":               "3 sin(x) - 4 sin(x)^3",
		"cos(3x)":               "4 cos(x)^3 - 3 cos(x)",
		"sin(x + a)":            "sin(x) cos(a) + cos(x) sin(a)",
		"cos(x - a)":            "cos(x) cos(a) + sin(x) sin(a)",
		"sin(x) + sin(a)":       "2 sin((x + a)/2) cos((x - a)/2)",
		"2 sin(x) sin(a)":       "cos(x - a) - cos(x + a)",
		"sin(x + pi/2)":         "cos(x)",
		"cos(x + pi)":           "-cos(x)",
		"tan(x + pi)":           "tan(x)",
		"arcsin(x) + arccos(x)": "pi/2",
		"cosh(x)^2 - sinh(x)^2": "1",
		"cosh(2x)":              "2cosh(x)^2 - 1",
		"sinh(x)":               "(e^x - e^(-x))/2",
		"tanh(x)":               "(e^(2x) - 1)/(e^(2x) + 1)",
		"arsinh(x)":             "ln(x + sqrt(x^2 + 1))",
		"artanh(x)":             "ln((1 + x)/(1 - x))/2",
		"ln(x^3)":               "3 ln(x)",
		"log(x)":                "ln(x)/ln(10)",
		"2^x":                   "e^(x ln 2)",
		"e^(x + a)":             "e^x e^a",
		"(x + a)^3":             "x^3 + 3x^2 a + 3x a^2 + a^3",
		"x^3 - a^3":             "(x - a)(x^2 + a x + a^2)",
		"1/(x - 1) - 1/(x + 1)": "2/(x^2 - 1)",
		"sqrt(x^2)":             "|x|",
		"|x - 2|":               "|2 - x|",
		"max(x, -x)":            "|x|",
		"(x + |x|)/2":           "x for x >= 0; 0 for x < 0",
		"x^2 + 8x + 11":         "(x + 4)^2 - 5",
		"12/(1 + 3e^(-2x))":     "12e^(2x)/(e^(2x) + 3)",
		"3sin(2x - pi/3)":       "-3sin(2(x + pi/3))",
	} {
		c := compare(t, a, b)
		assert.Nil(t, c.Differs, "%s = %s", a, b)
	}
}

func TestNearMissesAreToldWithAPlace(t *testing.T) {
	for a, b := range map[string]string{
		"sin(2x)":         "2 sin(x)",
		"(x + a)^2":       "x^2 + a^2",
		"sqrt(x^2 + 1)":   "x + 1",
		"ln(x + a)":       "ln(x) + ln(a)",
		"1/(x + a)":       "1/x + 1/a",
		"e^(x^2)":         "(e^x)^2 + 10^(-9)",
		"2^(3x)":          "6^x",
		"sin(x)":          "x - x^3/6 + x^5/120",
		"tan(x)":          "sin(x)/cos(x) + 10^(-7)",
		"x^2":             "x^2 + 10^(-6) sin(x)",
		"cos(x)":          "cos(x + 0.0001)",
		"|x|":             "x",
		"3sin(2x - pi/3)": "3sin(2x + pi/3)",
		"floor(x)":        "x - 1/2",
		"log(x)":          "ln(x)",
	} {
		c := compare(t, a, b)
		require.NotNil(t, c.Differs, "%s is not %s", a, b)
		assert.NotEqual(t, c.Differs.A, c.Differs.B)
		assert.Len(t, c.Differs.In, len(c.Names))
	}
}

func TestGapsThatOnlyOneHasAreTold(t *testing.T) {
	for a, b := range map[string]string{
		"x^2/x":             "x",
		"(x^2 - 4)/(x - 2)": "x + 2",
		"e^(ln x)":          "x",
		"sqrt(x)^2":         "x",
		"tan(x) cot(x)":     "1",
		"ln(x^2)":           "2 ln(x)",
		"x + tan(x) cos(x)": "x + sin(x)",
		"floor(x)/floor(x)": "1",
	} {
		c := compare(t, a, b)
		assert.Nil(t, c.Differs, "%s = %s where both have a value", a, b)
		assert.True(t, c.DomainsDiffer, "%s has gaps that %s has not, or the other way round", a, b)
	}
	assert.False(t, compare(t, "1/x + 1/x", "2/x").DomainsDiffer)
	assert.False(t, compare(t, "x + tan(x)", "x + sin(x)/cos(x)").DomainsDiffer)
	// What no float64 holds exists all the same.
	assert.False(t, compare(t, "1/(1 + e^(-x))", "e^x/(1 + e^x)").DomainsDiffer)
	assert.False(t, compare(t, "tanh(x)", "(e^x - e^(-x))/(e^x + e^(-x))").DomainsDiffer)
}

// A peak that no number tried at random meets lies where its inside turns; tiny values differ by their share (by hand).
func TestThinPeaksAndTinyNumbersAreCompared(t *testing.T) {
	for _, c := range []struct {
		a, b string
		same bool
	}{
		{"x²", "x² + e^(−3000(x − 7.77)²)", false}, {"sin x", "sin x + 1/(1 + 10^8 (x − 12.3)²)", false},
		{"sin x", "sin x + max(0, 1 − 10^4 |x − 3.3|)", false}, {"1.6·10^(−19)", "1.7·10^(−19)", false},
		{"1.6·10^(−19)", "16·10^(−20)", true}, {"10^(−15) x", "x/10^15", true}, {"10^(−12)", "0", false},
		{"(x − 7.77)² e^x", "e^x (x² − 15.54x + 60.3729)", true}, {"1/((x − 1/3)(x + 2))", "3/((3x − 1)(x + 2))", true},
	} {
		assert.Equal(t, c.same, compare(t, c.a, c.b).Differs == nil, "%s and %s", c.a, c.b)
	}
}
