package expr_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
)

// The scope of most tests: f of one variable, d of two, a named parameter.
var scope = &expr.Scope{Functions: map[string]int{"f": 1, "d": 2}, Names: map[string]bool{"a": true, "speed": true, "x_1": true}}

func TestTextbookTypingIsReadAsATextbookWould(t *testing.T) {
	for typed, printed := range map[string]string{
		"2x":                             "2x",
		"xy":                             "x y",
		"a x²":                           "a x^2",
		"3sin 2x":                        "3sin(2x)",
		"sin 2x cos x":                   "sin(2x) cos(x)",
		"sin²x":                          "sin(x)^2",
		"sin^-1 x":                       "arcsin(x)",
		"−x²":                            "-x^2",
		"2^3^2":                          "2^(3^2)",
		"1/2x":                           "1/2 x",
		"|x − 4|":                        "abs(x - 4)",
		"2|x|":                           "2abs(x)",
		"√x²":                            "sqrt(x)^2",
		"√(x²)":                          "sqrt(x^2)",
		"∛x":                             "cbrt(x)",
		"log_3 81":                       "log_3(81)",
		"log₂(x)":                        "log_2(x)",
		"root_5(x)":                      "root_5(x)",
		"2pi":                            "2 pi",
		"π/2":                            "pi/2",
		"alpha + β":                      "α + β",
		"30°":                            "30°",
		"sin 30°":                        "sin(30°)",
		"a(x − h)":                       "a(x - h)",
		"f(x − h)":                       "f(x - h)",
		"f'(x) + f''(2)":                 "f'(x) + f''(2)",
		"d(x, 2)":                        "d(x, 2)",
		"speed t":                        "speed t",
		"x_1 + x₁":                       "x_1 + x_1",
		"⌊x⌋ + ⌈x⌉":                      "floor(x) + ceil(x)",
		"½x":                             "0.5x",
		"2·−3":                           "2(-3)",
		"[x + {1}]":                      "x + 1",
		"x**2":                           "x^2",
		"x² for 0 ≤ x < 2":               "x^2 for 0 <= x < 2",
		"x for x from 0 to π":            "x for 0 <= x <= pi",
		"x² for x < 0; 2x + 1 for x ≥ 0": "x^2 for x < 0; 2x + 1 for 0 <= x",
		"max(1, x, 3)":                   "max(1, x, 3)",
		"e^x":                            "e^x",
		"tg x":                           "tan(x)",
	} {
		got, err := expr.Parse(typed, scope)
		if !assert.NoError(t, err, typed) {
			continue
		}
		// Blanks about signs are a matter of taste.
		assert.Equal(t, strings.ReplaceAll(printed, " ", ""), strings.ReplaceAll(expr.Text(got.Node), " ", ""), typed)
	}
}

func TestWhatIsPrintedIsReadAgainAsItWas(t *testing.T) {
	for _, typed := range []string{"a − (b − c)", "a/(b/c)", "(a/b)/c", "(−x)²", "−(x²)", "(2^3)^2", "2(−3)x", "x^(−1/2)", "(x + 1)(x − 1)",
		"sin(x)^2 x", "|x|·|y|", "1/(2x)", "2 sqrt(3)/3", "(1/2)x", "a·3", "log_2(x)^2", "cbrt(x + 1)", "f'(x)·2", "30° + x°",
		"x² for x < 0; 2x + 1 for 0 ≤ x ≤ 3", "−a·b", "a(−b)", "(a b)^c", "e^(−x²/2)", "x_1 x_2", "3·0.5", "x^y^z"} {
		first, err := expr.Parse(typed, scope)
		require.NoError(t, err, typed)
		for _, text := range []string{expr.Text(first.Node), expr.Pretty(first.Node)} {
			again, err := expr.Parse(text, scope)
			require.NoError(t, err, text)
			assert.True(t, expr.Equal(first.Node, again.Node), "%s was printed as %s", typed, text)
		}
	}
}

// The place of a mistake stands between ⟦ and ⟧, its code behind.
func TestAMistakeIsNamedAtItsPlace(t *testing.T) {
	for marked, code := range map[string]string{
		"2x + ⟦⟧":     "unfinished",
		"sin⟦(⟧x":     "bracket-open-after",
		"2⟦(⟧x + 1":   "bracket-open",
		"x + 1⟦)⟧":    "bracket-close",
		"⟦*⟧x":        "value-missing",
		"2 + ⟦*⟧x":    "value-missing",
		"x ⟦?⟧ 2":     "character",
		"⟦|⟧x − 1":    "bars",
		"x⟦^⟧":        "exponent-missing",
		"⟦sin⟧":       "argument-missing",
		"⟦f⟧ + 1":     "function-bare",
		"⟦d(x)⟧":      "argument-count",
		"⟦1.2.3⟧":     "number",
		"a⟦'⟧":        "",
		"x² ⟦for⟧":    "",
		"x = y ⟦=⟧ 2": "equals",
	} {
		start := strings.Index(marked, "⟦")
		typed := strings.NewReplacer("⟦", "", "⟧", "").Replace(marked)
		_, err := expr.ParseStatement(typed, scope)
		p, isProblem := problem.Of(err)
		if !assert.True(t, isProblem, "%s should be refused", typed) {
			continue
		}
		assert.NotEmpty(t, p.Error())
		if code == "" {
			continue
		}
		end := strings.Index(marked, "⟧") - len("⟦")
		assert.Equal(t, code, p.Code, typed)
		assert.Equal(t, [2]int{start, end}, [2]int{p.Start, p.End}, "%s: %s", typed, p.Error())
	}
}

func TestLimitsAreRefusedByName(t *testing.T) {
	_, err := expr.Parse(strings.Repeat("x+", 1000)+"x", nil)
	assert.ErrorContains(t, err, "2000 characters")
	_, err = expr.Parse(strings.Repeat("(", 300)+"x"+strings.Repeat(")", 300), nil)
	assert.ErrorContains(t, err, "200 levels")
	// Powers of powers and signs of signs are printed with brackets, which must be readable again.
	for _, c := range []struct{ from, repeated, to string }{{"2", "^2", ""}, {"", "−", "x"}, {"2", "·−3", ""}, {"2", "^−2", ""}, {"2·", "−", "x^2"}, {"−", "(−", ""}} {
		refused := 0
		for count := 10; count <= 210; count++ {
			text := c.from + strings.Repeat(c.repeated, count) + c.to
			if c.repeated == "(−" {
				text += "x" + strings.Repeat(")", count)
			}
			f, err := expr.Parse(text, nil)
			if err != nil {
				refused++
				continue
			}
			_, err = expr.Parse(expr.Text(f.Node), nil)
			require.NoError(t, err, text)
		}
		assert.Less(t, refused, 190, "%q may be repeated some times", c.repeated)
	}
}

func TestAStatementHasANameAndVariables(t *testing.T) {
	for typed, want := range map[string]struct {
		name      string
		variables []string
	}{
		"g(x) = x²": {"g", []string{"x"}}, "d(x, y) = x y": {"d", []string{"x", "y"}}, "y = 2x": {"", nil}, "x²": {"", nil},
		"b = 3": {"b", nil}, "alpha = 2": {"α", nil}, "x_2 = 1": {"x_2", nil}, "w(t) = sin t": {"w", []string{"t"}},
	} {
		st, err := expr.ParseStatement(typed, scope)
		require.NoError(t, err, typed)
		assert.Equal(t, want.name, st.Name, typed)
		assert.Equal(t, want.variables, st.Variables, typed)
	}
	for _, typed := range []string{"sin(x) = 2", "pi = 3", "2x = 4", "f(2) = 1", "for = 1", "e = 2"} {
		_, err := expr.ParseStatement(typed, scope)
		assert.Error(t, err, typed)
	}
}

func TestSecondLooksAreNoticed(t *testing.T) {
	for typed, code := range map[string]string{"1/2x": "reading-product", "sin^-1 x": "reading-inverse", "atan x": "reading-short-inverse"} {
		f, err := expr.Parse(typed, nil)
		require.NoError(t, err)
		if assert.Len(t, f.Notices, 1, typed) {
			assert.Equal(t, code, f.Notices[0].Code)
		}
	}
}

func TestTypesettingBuildsFractionsRootsAndColoursParameters(t *testing.T) {
	class := func(name string) string { return map[string]string{"a": "hue-3"}[name] }
	for typed, latex := range map[string]string{
		"1/(x + 1)": `\frac{1}{x+1}`, "√(x)": `\sqrt{x}`, "a x": `\htmlClass{hue-3}{a} x`, "x^10": `x^{10}`, "1.5^x": `{1.5}^{x}`, "2^x": `2^{x}`,
		"theta": `\theta`, "log_2(x)": `\log_{2}(x)`, "x_1": `x_{1}`, "sin²x": `\sin^{2}(x)`, "|x|": `\left|x\right|`,
		"2·3": `2\cdot 3`, "30°": `30^{\circ}`, "2·30°": `2\cdot 30^{\circ}`,
	} {
		f, err := expr.Parse(typed, nil)
		require.NoError(t, err)
		assert.Equal(t, latex, expr.LaTeX(f.Node, class), typed)
	}
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"2x + 1", "sin²x/(1 − |x|)", "x² for x < 0; 2x for x ≥ 0", "f'(x_1)", "√∛⌊π⌋°", "log_3 81", "a(x−h)^-1/2", "((((", "||x|−|y||"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		got, err := expr.Parse(text, scope)
		if err != nil {
			p, isProblem := problem.Of(err)
			require.True(t, isProblem, "%q: %v", text, err)
			require.True(t, p.Start >= 0 && p.Start <= p.End, "%q: %v", text, p)
			return
		}
		printed := expr.Text(got.Node)
		again, err := expr.Parse(printed, scope)
		if len([]rune(printed)) > expr.MaxCharacters {
			return
		}
		require.NoError(t, err, "%q was printed as %q", text, printed)
		require.True(t, expr.Equal(got.Node, again.Node), "%q was printed as %q", text, printed)
		expr.LaTeX(got.Node, nil)
	})
}
