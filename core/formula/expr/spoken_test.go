package expr_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

// As a teacher reads formulas aloud (ClearSpeak rules and common practice in lessons; from memory). Each comma ends what was begun: the
// square of x minus h, plus k is (x − h)² + k and not (x − h + k)².
func TestFormulasAreReadAloud(t *testing.T) {
	s := &expr.Scope{Names: map[string]bool{"x": true, "a": true, "h": true, "k": true, "n": true, "t": true, "x_1": true, "θ": true, "b": true},
		Functions: map[string]int{"f": 1, "g": 1}}
	for formula, words := range map[string]string{
		"a(x − h)² + k":              "a times the square of x minus h, plus k",
		"x² + 2x + 1":                "x squared plus 2 x plus 1",
		"(x + 1)(x − 2)":             "the quantity x plus 1, times the quantity x minus 2",
		"x³ − 3x":                    "x cubed minus 3 x",
		"√(x + 1) − 2":               "the square root of x plus 1, minus 2",
		"√x + 1":                     "the square root of x, plus 1",
		"|x − 2| + 1":                "the absolute value of x minus 2, plus 1",
		"1/x":                        "1 over x",
		"(x + 1)/(x − 2)":            "the fraction with numerator x plus 1, and denominator x minus 2",
		"1/2 x":                      "1 over 2 times x",
		"a sin(b x) + k":             "a times sine of b times x, plus k",
		"sin² x":                     "the square of sine of x",
		"sin(x²)":                    "sine of x squared",
		"e^(−x)":                     "e to the power minus x",
		"2^(x + 1) − 3":              "2 to the power x plus 1, minus 3",
		"(x − 1)^5":                  "the quantity x minus 1, to the power 5",
		"f(x) − 2":                   "f of x minus 2",
		"f(x − 2) + 1":               "f of x minus 2, plus 1",
		"f'(x)":                      "f prime of x",
		"ln(x) / x":                  "the fraction with numerator the natural logarithm of x, and denominator x",
		"log_2(x)":                   "the logarithm to base 2 of x",
		"cos θ":                      "cosine of theta",
		"x_1 + π":                    "x sub 1 plus pi",
		"−x²":                        "minus x squared",
		"(−x)²":                      "the square of minus x",
		"−0.6 x":                     "minus 0.6 x",
		"60°":                        "60 degrees",
		"sum(k² for k from 1 to n)":  "the sum, for k from 1 to n, of k squared",
		"x² for x < 0; 2x for x ≥ 0": "x squared, for x less than 0; 2 x, for x at least 0",
		"x² for −1 ≤ x < 2":          "x squared, for x at least minus 1 and less than 2",
	} {
		parsed, err := expr.Parse(formula, s)
		require.NoError(t, err, formula)
		assert.Equal(t, words, expr.Spoken(parsed.Node), formula)
	}
}
