package symbolic_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Derivatives of the elementary functions as handbooks table them: Abramowitz & Stegun 3.3.2 to 3.3.5, 4.1.46, 4.2.49,
// 4.3.105 to 4.3.110, 4.4.52 to 4.4.57, 4.5.71 to 4.5.76, 4.6.37 to 4.6.42.
func TestDerivativesAreThoseOfTheTables(t *testing.T) {
	for _, c := range []struct {
		text, want string
		at         []float64
	}{
		{"x^7", "7x^6", []float64{-1.3, 0.4, 2}},
		{"x^(5/3)", "5 x^(2/3)/3", []float64{-2, 0.3, 1.7}},
		{"1/x^3", "-3/x^4", []float64{-1.5, 0.6, 2}},
		{"sqrt(x)", "1/(2 sqrt(x))", []float64{0.2, 1, 5}},
		{"cbrt(x)", "1/(3 x^(2/3))", []float64{-2, 0.5, 3}},
		{"e^x", "e^x", []float64{-2, 0, 1.5}},
		{"a^x", "a^x ln(a)", []float64{-1, 0.5, 2}},
		{"x^x", "x^x (ln(x) + 1)", []float64{0.3, 1, 2.2}},
		{"ln(x)", "1/x", []float64{0.2, 1, 4}},
		{"log(x)", "1/(x ln(10))", []float64{0.2, 1, 4}},
		{"log_2(x)", "1/(x ln(2))", []float64{0.2, 1, 4}},
		{"sin(x)", "cos(x)", []float64{-2, 0.3, 4}},
		{"cos(x)", "-sin(x)", []float64{-2, 0.3, 4}},
		{"tan(x)", "1/cos(x)^2", []float64{-1, 0.3, 2}},
		{"cot(x)", "-1/sin(x)^2", []float64{-1, 0.3, 2}},
		{"sec(x)", "sin(x)/cos(x)^2", []float64{-1, 0.3, 2}},
		{"csc(x)", "-cos(x)/sin(x)^2", []float64{-1, 0.3, 2}},
		{"arcsin(x)", "1/sqrt(1 - x^2)", []float64{-0.8, 0, 0.5}},
		{"arccos(x)", "-1/sqrt(1 - x^2)", []float64{-0.8, 0, 0.5}},
		{"arctan(x)", "1/(1 + x^2)", []float64{-3, 0, 0.5}},
		{"arccot(x)", "-1/(1 + x^2)", []float64{-3, 0.2, 0.5}},
		{"sinh(x)", "cosh(x)", []float64{-1, 0, 2}},
		{"cosh(x)", "sinh(x)", []float64{-1, 0, 2}},
		{"tanh(x)", "1/cosh(x)^2", []float64{-1, 0, 2}},
		{"coth(x)", "-1/sinh(x)^2", []float64{-1, 0.5, 2}},
		{"arsinh(x)", "1/sqrt(x^2 + 1)", []float64{-1, 0, 2}},
		{"arcosh(x)", "1/sqrt(x^2 - 1)", []float64{1.2, 2, 5}},
		{"artanh(x)", "1/(1 - x^2)", []float64{-0.7, 0, 0.5}},
		{"|x|", "x/|x|", []float64{-2, 0.5, 3}},
		{"floor(x)", "0", []float64{-1.5, 0.5, 2.3}},
		{"ceil(x)", "0", []float64{-1.5, 0.5, 2.3}},
		{"sgn(x)", "0", []float64{-1.5, 0.5, 2.3}},
		{"exp(2x)", "2e^(2x)", []float64{-1, 0, 1.5}},
		{"root_3(x)", "1/(3 x^(2/3))", []float64{-2, 0.5, 3}},
		{"root_4(x)", "1/(4 x^(3/4))", []float64{0.5, 1, 3}},
		{"root_5(x^2 + 1)", "2x/(5 (x^2 + 1)^(4/5))", []float64{-2, 0.5, 3}},
		{"log_x(5)", "-ln(5)/(x ln(x)^2)", []float64{0.3, 2, 5}},
		{"log_(x + 1)(x)", "1/(x ln(x + 1)) - ln(x)/((x + 1) ln(x + 1)^2)", []float64{0.3, 2, 5}},
		{"max(x^2, x)", "2x", []float64{-2, -0.5, 3}},
		{"max(x^2, x)", "1", []float64{0.2, 0.5, 0.9}},
		{"min(x^2, x, 4 - x)", "1", []float64{-2, -0.5, 1.5}},
		{"min(x^2, x, 4 - x)", "2x", []float64{0.2, 0.9}},
		{"min(x^2, x, 4 - x)", "-1", []float64{2.5, 4}},
		{"(a x + b)^5", "5a (a x + b)^4", []float64{-1, 0.2, 2}},
		{"sin(a x + b)", "a cos(a x + b)", []float64{-1, 0.2, 2}},
		{"x sin(x)", "sin(x) + x cos(x)", []float64{-1, 0.2, 2}},
		{"sin(x)/x", "(x cos(x) - sin(x))/x^2", []float64{-1, 0.2, 2}},
		{"e^(-x^2/2)", "-x e^(-x^2/2)", []float64{-1, 0.2, 2}},
		{"ln(sin(x))", "cos(x)/sin(x)", []float64{0.3, 1, 2}},
		{"1/(1 + e^(-a x))", "a e^(-a x)/(1 + e^(-a x))^2", []float64{-1, 0.2, 2}},
	} {
		got := symbolic.Simplify(symbolic.Derivative(parse(t, c.text), "x")).Node
		want := parse(t, c.want)
		for _, x := range c.at {
			in := []float64{x, 1.7, 0.6}
			assert.InDelta(t, value(t, want, in), value(t, got, in), 1e-12*(1+math.Abs(value(t, want, in))), "(%s)′ = %s at %v", c.text, expr.Text(got), x)
		}
	}
}

// The rules of sums, products, quotients, chains and inverse functions (Abramowitz & Stegun 3.3.1 to 3.3.6), on pairs of
// functions with values at all the places.
func TestTheRulesOfDifferentiationHold(t *testing.T) {
	derive := func(text string) expr.Node { return symbolic.Simplify(symbolic.Derivative(parse(t, text), "x")).Node }
	parts := []string{"x^3 - 2x", "e^(x/2)", "cos(2x)", "ln(x + 4)", "sqrt(x^2 + 1)"}
	for _, f := range parts {
		for _, g := range parts {
			df, dg := "("+expr.Text(derive(f))+")", "("+expr.Text(derive(g))+")"
			pf, pg := "("+f+")", "("+g+")"
			rules := map[string]string{
				pf + " + 3" + pg:             df + " + 3" + dg,
				pf + "*" + pg:                df + "*" + pg + " + " + pf + "*" + dg,
				pf + "/(2 + " + pg + "^2)":   "(" + df + "*(2 + " + pg + "^2) - " + pf + "*2*" + pg + "*" + dg + ")/(2 + " + pg + "^2)^2",
				"sin(" + pf + "*" + pg + ")": "cos(" + pf + "*" + pg + ")*(" + df + "*" + pg + " + " + pf + "*" + dg + ")",
			}
			for text, rule := range rules {
				got, want := derive(text), parse(t, rule)
				for _, x := range []float64{-0.9, 0.35, 1.2} {
					in := []float64{x, 0, 0}
					assert.InDelta(t, value(t, want, in), value(t, got, in), 1e-10*(1+math.Abs(value(t, want, in))), "%s at %v", text, x)
				}
			}
		}
	}
}

// A term divided by another has the quotient's values, and its rate is the derivative of its logarithm.
func TestTermsAreDividedFactorByFactor(t *testing.T) {
	terms, ok := symbolic.Numerator(parse(t, "3x^4 e^(2x) - 5x^2 e^x ln(x + 3) + 2 sqrt(x + 5)"))
	require.True(t, ok)
	require.Len(t, terms, 3)
	for i, a := range terms {
		for j, b := range terms {
			quotient := a.Over(b)
			if i == j {
				assert.Empty(t, quotient.Factors, "a term over itself is a number")
			}
			for _, x := range []float64{0.4, 1.1, 2.3} {
				in := []float64{x, 0, 0}
				want := value(t, a.Product(), in) / value(t, b.Product(), in)
				assert.InDelta(t, want, value(t, quotient.Product(), in), 1e-10*(1+math.Abs(want)), "%s at %v", expr.Text(quotient.Product()), x)
				h := 1e-5
				at := func(x float64) float64 { return math.Log(math.Abs(value(t, quotient.Product(), []float64{x, 0, 0}))) }
				slope := (at(x+h) - at(x-h)) / (2 * h)
				assert.InDelta(t, slope, value(t, quotient.Rate("x"), in), 1e-6*(1+math.Abs(slope)), "(ln |%s|)′ at %v", expr.Text(quotient.Product()), x)
			}
		}
	}
}
