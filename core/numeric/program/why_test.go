package program_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/numeric/program"
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

// What a pupil is told: the innermost thing that does not exist, in the words of the trade (common practice).
func TestWhyThereIsNoValueIsSaidInWords(t *testing.T) {
	for text, words := range map[string]string{
		"1/(x − 2)": "the denominator is 0", "√(1 − x)": "the number under an even root is negative", "root_4(1 − x)": "the number under an even root is negative",
		"ln(2 − x)": "a logarithm needs a number above 0", "log(1 − x)": "a logarithm needs a number above 0",
		"arcsin(x)": "arcsin needs a number from −1 to 1", "arccos(−x)": "arccos needs a number from −1 to 1",
		"arcsec(x/4)": "arcsec needs a number of size 1 or more", "arccsc(0x)": "arccsc needs a number of size 1 or more",
		"arcosh(x/4)": "arcosh needs a number of 1 or more", "artanh(x)": "artanh needs a number between −1 and 1",
		"cot(0x)": "cot has a pole here: the sine is 0", "csc(x − 2)": "csc has a pole here: the sine is 0",
		"(1 − x)^(1/2)": "this power is not a real number", "(x − 2)^(−1)": "0 has no power with an exponent below 0",
		"log_1(x)": "the base of a logarithm is a number above 0 other than 1", "log_(−x)(x)": "the base of a logarithm is a number above 0 other than 1",
		"x² for x < 1": "it lies outside the interval on which the function is stated", "1/(x − 2) for x > 1; x for x ≤ 1": "the denominator is 0",
		"sum(1/(k − x) for k from 1 to 3)": "the denominator is 0",
		"sum(k for k from 1 to x/4)":       "the ends of a sum are whole numbers, with at most 1000 terms",
		"sum(k for k from 1 to 1000x)":     "the ends of a sum are whole numbers, with at most 1000 terms",
		"e^(e^(e^(x + 5)))":                program.TooLarge, "1/e^(−e^(e^(x + 5)))": program.TooSmall,
		"√(1/(x − 2)) + ln(−1)": "the denominator is 0", "max(√(−x), 1)": "the number under an even root is negative",
	} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		assert.Equal(t, words, program.Why(f.Node, []string{"x"}, []float64{2}), text)
	}
	for _, text := range []string{"x²", "∛(−x)", "x^x", "(−x)^(1/3)", "0^x", "x for x < 3", "sum(k for k from 3 to 2)"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		assert.Empty(t, program.Why(f.Node, []string{"x"}, []float64{2}), "%s has a value", text)
	}
}
