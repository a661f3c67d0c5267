package symbolic_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Worked examples of algebra courses (common practice); identities that anyone can multiply out.
func TestFormsOfAFormula(t *testing.T) {
	for _, c := range []struct {
		form       symbolic.Form
		text, want string
	}{
		{"expanded", "(x + 2)(x − 3)", "x² − x − 6"},
		{"expanded", "(a + b)³", "a³ + 3a² b + 3a b² + b³"},
		{"factored", "x² − 4", "(x − 2)(x + 2)"},
		{"factored", "x³ − 3x² + 4", "(x + 1)(x − 2)²"},
		{"factored", "2x² − 3x − 5", "(x + 1)(2x − 5)"},
		{"factored", "x⁴ + 4", "(x² − 2x + 2)(x² + 2x + 2)"}, // Sophie Germain's identity
		{"factored", "x³ − 8", "(x − 2)(x² + 2x + 4)"},
		{"factored", "(x² − 3x + 2)/(x² + x)", "(x − 2)(x − 1)/(x (x + 1))"},
		{"squared", "x² + 6x + 5", "(x + 3)² − 4"},
		{"squared", "2x² − 12x + 11", "2(x − 3)² − 7"},
		{"squared", "−x² + 4x", "−(x − 2)² + 4"},
		{"squared", "a x² + b x + c", "a (x + b/(2a))² + c − b²/(4a)"},
		{"collected", "a x² + b x² − x + 2 − c x", "(a + b) x² + (−1 − c) x + 2"},
		{"fractions", "(2x + 1)/(x − 3)", "2 + 7/(x − 3)"},
		{"fractions", "1/(x² − 1)", "1/(2(x − 1)) − 1/(2(x + 1))"},
		{"fractions", "x³/(x² − 4)", "x + 2/(x − 2) + 2/(x + 2)"},
		{"fractions", "(3x + 5)/(x + 1)²", "3/(x + 1) + 2/(x + 1)²"},
		{"fractions", "1/(x³ + x)", "1/x − x/(x² + 1)"},
	} {
		got, ok := symbolic.WriteAs(parse(t, c.text), "x", c.form)
		if !assert.True(t, ok, "%s has a form %s", c.text, c.form) {
			continue
		}
		assert.True(t, expr.Equal(symbolic.Simplify(parse(t, "("+expr.Text(got)+") − ("+c.want+")")).Node, expr.Num(0)) || expr.Text(got) == expr.Text(parse(t, c.want)),
			"%s %s is %s, by hand %s", c.text, c.form, expr.Pretty(got), c.want)
		t.Log(c.form, c.text, "→", expr.Pretty(got))
	}
}

func TestAFormThatDoesNotExistIsNotInvented(t *testing.T) {
	for text, form := range map[string]func(expr.Node, string) (expr.Node, bool){
		"x² + 1": symbolic.Factored, "x² − 2": symbolic.Factored, "sin x": symbolic.Squared, "x² + 4": symbolic.Squared,
		"1/(x − 1)": symbolic.PartialFractions, "x + 2": symbolic.PartialFractions, "2^x": symbolic.Collect,
	} {
		_, ok := form(parse(t, text), "x")
		assert.False(t, ok, text)
	}
}
