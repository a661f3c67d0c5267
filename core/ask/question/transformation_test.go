package question_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Worked readings as textbooks give them (common practice): a minus before the root reflects in the x-axis, one before x in
// the y-axis, and what is in the bracket moves the other way.
func TestATransformationIsReadAndComposed(t *testing.T) {
	for expr, want := range map[string]struct {
		parent     string
		a, b, h, k float64
	}{
		"-2 sqrt(3 - x) + 1":   {"sqrt(x)", -2, -1, 3, 1},
		"2(x - 1)^2 - 5":       {"x^2", 2, 1, 1, -5},
		"3/(x + 2) - 1":        {"1/x", 3, 1, -2, -1},
		"|x - 4|/2":            {"abs(x)", 0.5, 1, 4, 0},
		"3 sin(2x - pi/3) + 1": {"sin(x)", 3, 2, math.Pi / 6, 1},
		"e^(x - 2) + 3":        {"e^x", 1, 1, 2, 3},
		"ln(x + 1) - 2":        {"ln(x)", 1, 1, -1, -2},
		"x^2 - 6x + 5":         {"x^2", 1, 1, 3, -4},
	} {
		got := asked(t, map[string]any{"ask": "transformation", "expr": expr})
		assert.Equal(t, want.parent, got["parent"], expr)
		for name, number := range map[string]float64{"A": want.a, "B": want.b, "h": want.h, "k": want.k} {
			assert.InDelta(t, number, got[name], 1e-12, "%s of %s", name, expr)
		}
		steps, isList := got["steps"].([]any)
		require.True(t, isList && len(steps) > 0, expr)
		for _, s := range steps {
			step := s.(map[string]any)
			assert.NotEmpty(t, step["kind"], expr)
			assert.NotEmpty(t, step["text"], expr)
		}
		last := steps[len(steps)-1].(map[string]any)["expr"].(string)
		assert.Equal(t, true, asked(t, map[string]any{"ask": "same", "a": last, "b": expr})["same"], "the last step of %s is %s", expr, last)
		for _, p := range got["keyPoints"].([]any) {
			to := p.(map[string]any)["to"].(map[string]any)
			y, isNumber := asked(t, map[string]any{"ask": "value", "expr": expr, "with": map[string]any{"x": to["x"]}})["value"].(float64)
			if assert.True(t, isNumber, expr) {
				assert.InDelta(t, y, to["y"], 1e-9, "%s at %v", expr, to["x"])
			}
		}
		for _, e := range got["equivalents"].([]any) {
			assert.NotEmpty(t, e.(map[string]any)["why"], expr)
		}
	}
	none := asked(t, map[string]any{"ask": "transformation", "expr": "x^3 + x"})
	assert.Nil(t, none["parent"])
	assert.NotEmpty(t, none["reason"])
}

// Differences and ratios of tables as textbooks use them (common practice): equal first differences for a line, equal second
// ones for a parabola, equal ratios for an exponential function.
func TestATableIsClassified(t *testing.T) {
	for name, ys := range map[string][]any{
		"constant": {4, 4, 4, 4, 4}, "linear": {1, 3, 5, 7, 9}, "quadratic": {0, 1, 4, 9, 16}, "cubic": {0, 1, 8, 27, 64},
		"exponential": {1, 3, 9, 27, 81}, "none": {1, 5, 2, 9, 3},
	} {
		got := asked(t, map[string]any{"ask": "classify", "x": []any{0, 1, 2, 3, 4}, "y": ys})
		assert.Equal(t, name, got["type"], ys)
		assert.NotEmpty(t, got["reason"], ys)
	}
	got := asked(t, map[string]any{"ask": "classify", "x": []any{0, 1, 2, 3, 4}, "y": []any{0, 1, 4, 9, 16}})
	assert.Equal(t, []any{[]any{1.0, 3.0, 5.0, 7.0}, []any{2.0, 2.0, 2.0}, []any{0.0, 0.0}}, got["differences"])
	for _, wrong := range []map[string]any{{"x": []any{1, 2}, "y": []any{1}}, {"x": []any{2, 1, 0}, "y": []any{1, 2, 3}}, {"x": []any{1}}, {"x": "1", "y": 2}} {
		wrong["ask"] = "classify"
		assert.NotEmpty(t, asked(t, wrong)["error"], wrong)
	}
}
