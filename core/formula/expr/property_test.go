package expr_test

import (
	"encoding/xml"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
)

// typed are formulas of every kind that can be typed.
var typed = []string{
	"a x² + b x + c", "2x − 3(x + 1)/(x − 2)", "−x^2^3", "1/2x", "3sin(2x − π/3) + 1", "sin² x + cos² x", "sin^-1 x", "|x − 4| + |2|x| − 1|", "√(9 − x²)", "∛(x + 1)",
	"root_5(x)", "log_3(x + 1) + ln x + log x", "e^(−x²/2)", "floor(x/2) + ceil(x)", "max(x, 2, a)", "x² for x < 0; 2x + 1 for 0 ≤ x ≤ 3", "sin 30° + x°",
	"sum(x^k/k for k from 1 to 5)", "d(x, 2) + f'(x)", "x_1 x_2 + α β", "2·3.5x", "x⁻¹ + x½", "(x − h)^2 for −2 ≤ x < 2", "arctan(1/x)·tanh(x)",
}

// damaged deletes, doubles, swaps or puts in a character.
func damaged(random *rand.Rand, text string) string {
	letters, alphabet := []rune(text), []rune("x2a(+)−*/^,;|=<≤ .'°√π_sinforkt")
	i := random.IntN(len(letters))
	switch random.IntN(4) {
	case 0:
		return string(letters[:i]) + string(letters[i+1:])
	case 1:
		return string(letters[:i+1]) + string(letters[i:])
	case 2:
		j := random.IntN(len(letters))
		letters[i], letters[j] = letters[j], letters[i]
		return string(letters)
	}
	return string(letters[:i]) + string(alphabet[random.IntN(len(alphabet))]) + string(letters[i:])
}

// Whatever is typed, it is read, and then printed so that it is read the same again, or refused with a sentence at a place
// inside it.
func TestWhateverIsTypedIsReadOrRefusedAtItsPlace(t *testing.T) {
	random := rand.New(rand.NewPCG(8, 15))
	refused, read := 0, 0
	for range 4000 {
		text := typed[random.IntN(len(typed))]
		for range 1 + random.IntN(3) {
			if text != "" {
				text = damaged(random, text)
			}
		}
		f, err := expr.Parse(text, scope)
		if err != nil {
			refused++
			p, isProblem := problem.Of(err)
			require.True(t, isProblem, "%q: %v", text, err)
			assert.True(t, p.Start >= 0 && p.Start <= p.End && p.End <= len(text), "%q: %d to %d", text, p.Start, p.End)
			assert.NotContains(t, p.Error(), "{", "%q: the sentence is filled in", text)
			assert.True(t, strings.HasSuffix(p.Error(), ".") || strings.Contains(p.Error(), "?"), "%q: %s", text, p.Error())
			continue
		}
		read++
		again, err := expr.Parse(expr.Text(f.Node), scope)
		require.NoError(t, err, "%q was printed as %q", text, expr.Text(f.Node))
		assert.True(t, expr.Equal(f.Node, again.Node), "%q was printed as %q", text, expr.Text(f.Node))
	}
	assert.Greater(t, refused, 500)
	assert.Greater(t, read, 500)
}

// Every function that a formula may use can be typed, printed, typeset and read aloud by a machine.
func TestEveryFunctionIsReadPrintedAndTypeset(t *testing.T) {
	for _, name := range expr.Builtins() {
		call := name + "(x + 1)"
		if name == "min" || name == "max" {
			call = name + "(x, 2)"
		}
		f, err := expr.Parse(call, nil)
		require.NoError(t, err, call)
		again, err := expr.Parse(expr.Text(f.Node), nil)
		require.NoError(t, err, expr.Text(f.Node))
		assert.True(t, expr.Equal(f.Node, again.Node), call)
		latex := expr.LaTeX(f.Node, nil)
		assert.Contains(t, latex, "x", call)
		assert.Equal(t, strings.Count(latex, "{"), strings.Count(latex, "}"), latex)
		assert.Equal(t, strings.Count(latex, `\left`), strings.Count(latex, `\right`), latex)
		decoder := xml.NewDecoder(strings.NewReader(expr.MathML(f.Node)))
		for {
			token, err := decoder.Token()
			if token == nil {
				break
			}
			require.NoError(t, err, call)
		}
	}
}

// With a comma for decimals every formula is read as it was, and the point comes back unchanged.
func TestTheDecimalCommaChangesNoFormula(t *testing.T) {
	withComma := *scope
	withComma.Comma = true
	for _, text := range append([]string{"0.5x + 12.25", "max(0.5, x)", "1.5 for x < 0.5; 2.25x for x ≥ 0.5"}, typed...) {
		point, err := expr.Parse(text, scope)
		require.NoError(t, err, text)
		comma, err := expr.Parse(expr.WithDecimalComma(text), &withComma)
		require.NoError(t, err, expr.WithDecimalComma(text))
		assert.True(t, expr.Equal(point.Node, comma.Node), text)
		assert.NotContains(t, expr.TextWithComma(expr.Text(point.Node)), ".", text)
	}
}
