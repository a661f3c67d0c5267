package expr_test

import (
	"encoding/xml"
	"io"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

// Presentation elements of MathML Core (W3C): mfrac, msqrt, msup, munderover with their children in order.
func TestFormulasAreWrittenInMathML(t *testing.T) {
	for text, part := range map[string]string{
		"1/x":                       "<mfrac><mrow><mn>1</mn></mrow><mrow><mi>x</mi></mrow></mfrac>",
		"√x":                        "<msqrt><mrow><mi>x</mi></mrow></msqrt>",
		"x²":                        "<msup><mrow><mi>x</mi></mrow><mrow><mn>2</mn></mrow></msup>",
		"a_1":                       "<msub><mi>a</mi><mn>1</mn></msub>",
		"sum(k² for k from 1 to n)": "<munderover><mo>∑</mo><mrow><mi>k</mi><mo>=</mo><mrow><mn>1</mn></mrow></mrow><mrow><mi>n</mi></mrow></munderover>",
		"x for x < 0; x² for x ≥ 0": "<mo>&lt;</mo>",
		"−(x + 1)":                  "<mo>−</mo><mrow><mo>(</mo><mi>x</mi><mo>+</mo><mn>1</mn><mo>)</mo></mrow>",
		"log_2 8":                   "<msub><mi>log</mi><mrow><mn>2</mn></mrow></msub>",
		"sin²x":                     "<msup><mrow><mi>sin</mi></mrow><mrow><mn>2</mn></mrow></msup>",
	} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		assert.Contains(t, expr.MathML(f.Node), part, text)
	}
}

func TestMathMLIsWellFormed(t *testing.T) {
	for _, text := range []string{"(a + b)/(2c) − |x|^3", "floor(x/2) + ∛x", "x² for 0 ≤ x ≤ 4; −x for x > 4", "sum(x^k/k for k from 1 to 5)", "30° + π"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		decoder := xml.NewDecoder(strings.NewReader(expr.MathML(f.Node)))
		for {
			if _, err = decoder.Token(); err == io.EOF {
				break
			}
			require.NoError(t, err, text)
		}
	}
}
