package expr_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

func TestDecimalsWithAComma(t *testing.T) {
	comma := &expr.Scope{Functions: map[string]int{"d": 2}, Comma: true}
	point := &expr.Scope{Functions: map[string]int{"d": 2}}
	for typed, same := range map[string]string{
		"1,5x + 0,25":                      "1.5x + 0.25",
		"d(1,5; 2)":                        "d(1.5, 2)",
		"max(1; 2,5; x)":                   "max(1, 2.5, x)",
		"x² for x < 0\n2x + 1 for x ≥ 0,5": "x² for x < 0; 2x + 1 for x ≥ 0.5",
		"x² for x < 0; 2x for x ≥ 0":       "x² for x < 0; 2x for x ≥ 0",
	} {
		a, err := expr.Parse(typed, comma)
		require.NoError(t, err, typed)
		b, err := expr.Parse(same, point)
		require.NoError(t, err, same)
		assert.True(t, expr.Equal(a.Node, b.Node), typed)
		assert.Equal(t, same, expr.WithDecimalPoint(expr.WithDecimalComma(same)), "there and back")
	}
	_, err := expr.Parse("1.5x", comma)
	assert.ErrorContains(t, err, "with a comma here: 1,5")
	s, err := expr.ParseStatement("d(x; y) = 1,5x + y", &expr.Scope{Comma: true})
	require.NoError(t, err)
	assert.Equal(t, []string{"x", "y"}, s.Variables)
	assert.Equal(t, `\max(1;\; 2{,}5)`, expr.LaTeXWithComma(`\max(1,\; 2.5)`))
}
