package solve_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/solve"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return f.Node
}

// words writes a set as “−2, 3” with “+ k·P” for periodic solutions and “≈” for bracketed ones.
func words(set solve.Set, ok bool) string {
	if !ok {
		return "no closed form"
	}
	if set.All {
		return "every x"
	}
	var out []string
	for _, z := range set.Solutions {
		text := expr.Text(z.X)
		if z.Approximate {
			text = fmt.Sprintf("≈%.9f", z.Value)
		}
		if !z.Period.IsZero() {
			text += " + k " + expr.Text(z.Period.Node())
		}
		out = append(out, text)
	}
	return strings.Join(out, ", ")
}

// Worked equations of the kinds that school books hold, solved by hand (from memory, common practice).
func TestEquationsOfSchool(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"3x - 12", "4"},
		{"x^2 - 5x + 6", "2, 3"},
		{"2x^2 - 12x + 3", "3 - sqrt(30)/2, 3 + sqrt(30)/2"},
		{"x^2 + 1", ""},
		{"x^2 - x - 1", "(1 - sqrt(5))/2, (1 + sqrt(5))/2"},
		{"x^3 - 6x^2 + 11x - 6", "1, 2, 3"},
		{"x^3 - 2", "cbrt(2)"},
		{"(x-1)^3 + 8", "-1"},
		{"x^4 - 5x^2 + 4", "-2, -1, 1, 2"},
		{"x^4 - 10x^2 + 1", "-sqrt(2) - sqrt(3), sqrt(2) - sqrt(3), sqrt(3) - sqrt(2), sqrt(2) + sqrt(3)"},
		{"x^5 - x - 1", "≈1.167303978"},
		{"(x^2-4)/(x-2)", "-2"},
		{"1/x + 1/(x-3)", "3/2"},
		{"sqrt(x+1) - 2", "3"},
		{"sqrt(2x+3) - x", "3"},
		{"sqrt(x+5) + sqrt(x) - 5", "4"},
		{"|2x-1| - 3", "-1, 2"},
		{"|x-4| - |x| ", "2"},
		{"x^2 - |x| - 6", "-3, 3"},
		{"e^x - 5", "ln(5)"},
		{"cbrt(2^x - 5)", "ln(5)/ln(2)"},
		{"cbrt(sin(x) - 1/3)", "arcsin(1/3) + k 2 pi, pi - arcsin(1/3) + k 2 pi"},
		{"2^x - 8", "3"},
		{"4^x - 3*2^x - 4", "2"},
		{"e^(2x) - 3e^x + 2", "0, ln(2)"},
		{"3^(x-1) - 9^x", "-1"},
		{"12/(1+3e^(-2x)) - 6", "ln(3)/2"},
		{"ln(x) + ln(x-2) - ln 3", "3"},
		{"ln(2x-1) - 2", "(e^2 + 1)/2"},
		{"ln(x) + 40", "1/e^40"},
		{"(x^2 - 10^6) e^(4x)", "-1000, 1000"},
		{"log(x) - 3", "1000"},
		{"x ln x - x", "e"},
		{"x e^(-x)(2-x)", "0, 2"},
		{"2x e^(-x) - x^2 e^(-x)", "0, 2"},
		{"sin x", "0 + k pi"},
		{"sin(2x) - 1/2", "pi/12 + k pi, 5 pi/12 + k pi"},
		{"cos x - 1", "0 + k 2 pi"},
		{"2sin(x)^2 - 1", "-pi/4 + k pi/2"},
		{"sin(x) + cos(x)", "-pi/4 + k pi"},
		{"sin(2x) - sin(x)", "-pi/3 + k 2 pi, 0 + k pi, pi/3 + k 2 pi"},
		{"cos(2x) + cos(x)", "-pi/3 + k 2 pi, pi/3 + k 2 pi, pi + k 2 pi"},
		{"tan x - 1", "pi/4 + k pi"},
		{"arctan(x) - pi/4", "1"},
		{"cosh(x) - 2", "-ln(2 + sqrt(3)), ln(2 + sqrt(3))"},
		{"tanh(x)", "0"},
		{"x tanh(6x)/(1 - x^2)^(3/2) + 12/(cosh(6x)^2 sqrt(1 - x^2)) - 72 arcsin(x) sinh(6x)/cosh(6x)^3", "no closed form"},
		{"x^(2/3) - 4", "-8, 8"},
		{"x - 3sqrt(x) + 2", "1, 4"},
		{"x - x", "every x"},
		{"x - cos x", "no closed form"},
		{"(x-1)(e^x-2)", "ln(2), 1"},
		{"x e^x - e^x + 2x - 2", "1"},
		{"sin(x)/x", "0 + k pi"},
		{"sqrt(x) + 3", ""},
		{"x^2 - sqrt(2)x", "0, sqrt(2)"},
		{"3sin(x) - 4cos(x) - 5", "arctan(4/3) + pi/2 + k 2 pi"},
	} {
		set, ok := solve.Zeros(parse(t, c.text), "x")
		assert.Equal(t, c.want, words(set, ok), c.text)
	}
}

// Equations in which a function of school decides, one rule each (DLMF 4.23 and 4.37 for the inverse functions; the pieces and
// extremes worked by hand): where the function is 0, and where its inside has no such value.
func TestEquationsOfOneFunction(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"sinh(x - 2)", "2"},
		{"arsinh(x^2 - 9)", "-3, 3"},
		{"artanh(x/2)", "0"},
		{"arcsin(2x - 1)", "1/2"},
		{"arctan(x^2 - x)", "0, 1"},
		{"arccos(x - 3)", "4"},
		{"arcosh(x^2)", "-1, 1"},
		{"arcsec(x + 1)", "0"},
		{"ln(x^2 - 3)", "-2, 2"},
		{"log_2(5 - x)", "4"},
		{"root_4(x - 16)", "16"},
		{"root_5(x + 32)", "-32"},
		{"tan(2x)", "0 + k pi/2"},
		{"cot(x)", "pi/2 + k pi"},
		{"sec(x) - 2", "-pi/3 + k 2 pi, pi/3 + k 2 pi"},
		{"e^(x^2)", ""},
		{"cosh(3x)", ""},
		{"sec(x)", ""},
		{"csc(x)", ""},
		{"coth(x)", ""},
		{"exp(x) + 1", ""},
		{"arccot(x)", ""},
		{"ln(x) + 5 - ln(x)", ""},
		{"max(x - 1, x - 4)", "1"},
		{"min(x - 1, x - 4)", "4"},
		{"max(x, -2)", "0"},
		{"min(x^2 - 4, 3 - x)", "-2, 2, 3"},
		{"max(x^2 - 4, x)", "0, -2"},
	} {
		set, ok := solve.Zeros(parse(t, c.text), "x")
		assert.ElementsMatch(t, strings.Split(c.want, ", "), strings.Split(words(set, ok), ", "), c.text)
	}
}

// All roots of a polynomial of a high degree would take too long to place one by one, as those in tan(x/20) that two waves with
// such a common period ask for; whoever wants those of a window brackets them.
func TestAHighDegreeIsLeftToBrackets(t *testing.T) {
	for text, want := range map[string]string{"x^11 - x - 1": "≈1.068297189", "x^29 - x - 1": "no closed form", "sec(1.1x)^3 + 1.1csc(0.9x)": "no closed form"} {
		set, ok := solve.Zeros(parse(t, text), "x")
		assert.Equal(t, want, words(set, ok), text)
	}
}

// A piece's solutions count where it holds (worked by hand).
func TestEquationsOfPieces(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"x + 2 for x < 0; x - 3 for x >= 0", "-2, 3"},
		{"x + 2 for x < -5; x - 3 for x >= -5", "3"},
		{"x^2 - 9 for x < 1; ln(x) - 1 for x >= 1", "-3, e"},
		{"x^2 - 9 for 0 < x <= 3", "3"},
		{"x^2 - 9 for 0 < x < 3", ""},
		{"sin(x) - 2 for x < 0; 5 for x >= 0", ""},
	} {
		set, ok := solve.Zeros(parse(t, c.text), "x")
		assert.Equal(t, c.want, words(set, ok), c.text)
	}
	_, ok := solve.Zeros(parse(t, "x for x < 0; 0 for x >= 0"), "x")
	assert.False(t, ok, "a whole interval of solutions is no list")
}

// With other letters the solution is a formula (the formulas of school books; common practice).
func TestEquationsWithParameters(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"a x + b", "-b/a"},
		{"x - h", "h"},
		{"e^x - a", "ln(a)"},
		{"ln(x) - b", "e^b"},
		{"sqrt(x) - a", "a^2"},
	} {
		set, ok := solve.Zeros(parse(t, c.text), "x")
		assert.Equal(t, c.want, words(set, ok), c.text)
	}
	set, ok := solve.Zeros(parse(t, "x^2 + p x + q"), "x")
	assert.True(t, ok)
	assert.Len(t, set.Solutions, 2, "−p/2 ± √(p²/4 − q)")
}
