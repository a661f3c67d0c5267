package program_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/expr"
	"parvix/core/program"
)

// A value that exists is not called undefined because a float64 ends at about 10^308 and 10^−324.
func TestWhatExistsIsToldFromWhatDoesNot(t *testing.T) {
	parse := func(text string) expr.Node {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		return f.Node
	}
	for text, exists := range map[string]bool{
		"(x + 6)/exp(x^3)":      true,
		"1/e^(x^3)":             true,
		"1/(10^(x^3))":          true,
		"1/(e^(x^3) x)":         true,
		"1/(2^(x^3))^2":         true,
		"1/sqrt(exp(x^3))":      true,
		"ln(exp(x^3))":          true,
		"e^(-x^3)":              true,
		"exp(sinh(x))^(-1)":     true,
		"coth(exp(x^3))":        true,
		"(x + 9.6)^(-1)":        false,
		"1/(x + 9.6)":           false,
		"1/(e^(x^3) (x + 9.6))": false,
		"ln((x + 9.6)^2)":       false,
		"ln(x)":                 false,
		"sqrt(x)":               false,
		"1/sin(0 x)":            false,
	} {
		why := program.Why(parse(text), []string{"x"}, []float64{-9.6})
		assert.NotEmpty(t, why, text)
		assert.Equal(t, exists, program.Exists(why), "%s: %s", text, why)
	}
	for text, words := range map[string]string{"log_1(5)": "base of a logarithm", "0^(-1)": "no power", "ln(-2)": "above 0",
		"(-8)^0.2": "not a real number", "sqrt(x)": "even root", "1/(x + 9.6)": "denominator", "arcsin(2)": "from −1 to 1"} {
		assert.Contains(t, program.Why(parse(text), []string{"x"}, []float64{-9.6}), words, text)
	}
	assert.Empty(t, program.Why(parse("x^2"), []string{"x"}, []float64{-9.6}))
}
