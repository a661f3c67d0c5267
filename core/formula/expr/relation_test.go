package expr_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
)

func TestARelationHasItsSidesAndSigns(t *testing.T) {
	scope := &expr.Scope{Names: map[string]bool{"x": true, "y": true}}
	for text, want := range map[string]struct{ sides, signs []string }{
		"y ≥ x²":       {[]string{"y", "x^2"}, []string{"≥"}},
		"x² + y² <= 9": {[]string{"x^2+y^2", "9"}, []string{"≤"}},
		"0 < y < 2":    {[]string{"0", "y", "2"}, []string{"<", "<"}},
	} {
		r, err := expr.ParseRelation(text, scope)
		require.NoError(t, err, text)
		assert.Equal(t, want.signs, r.Signs, text)
		for i, side := range r.Sides {
			f, err := expr.Parse(want.sides[i], scope)
			require.NoError(t, err)
			assert.True(t, expr.Equal(f.Node, side), "%s: side %d is %s", text, i, expr.Text(side))
		}
	}
	for text, code := range map[string]string{"y": "no-relation", "y ≥": "unfinished", "y ≥ (x": "bracket-open", "": "empty"} {
		_, err := expr.ParseRelation(text, scope)
		p, ok := problem.Of(err)
		require.True(t, ok, text)
		assert.Equal(t, code, p.Code, text)
	}
	r, err := expr.ParseRelation("0 ≤ y < x", scope)
	require.NoError(t, err)
	assert.Equal(t, `0\le y<x`, r.LaTeX(nil))
}
