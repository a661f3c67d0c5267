package question_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// find writes a finding in short: sets by their text, points as (x, y), lines by their equation, in exact numbers.
func find(t testing.TB, got map[string]any, name string) string {
	t.Helper()
	switch v := got[name].(type) {
	case nil:
		return "–"
	case string:
		return v
	case float64:
		return fmt.Sprint(got[name+"Exact"])
	case map[string]any:
		if text, ok := v["text"].(string); ok {
			return text
		}
		var parts []string
		for _, item := range items(got, name) {
			switch name {
			case "verticalAsymptotes":
				parts = append(parts, fmt.Sprintf("x = %v", item["exact"]))
			case "horizontalAsymptotes":
				parts = append(parts, fmt.Sprintf("y = %v (%v)", item["exact"], item["side"]))
			case "obliqueAsymptotes":
				parts = append(parts, fmt.Sprintf("y = %v x + %v", item["exactM"], item["exactB"]))
			case "zeros":
				parts = append(parts, fmt.Sprint(item["exact"]))
			case "jumps":
				parts = append(parts, fmt.Sprintf("%v: %v → %v", item["exact"], item["left"], item["right"]))
			default:
				parts = append(parts, fmt.Sprintf("(%v, %v)", item["exact"], item["exactY"]))
			}
		}
		if repeat, ok := v["repeatExact"]; ok && len(parts) > 0 {
			parts = append(parts, fmt.Sprintf("every %v", repeat))
		}
		return strings.Join(parts, "; ")
	}
	require.Fail(t, "no finding", name)
	return ""
}

// Worked examples as every precalculus and calculus course has them (common practice, worked by hand).
func TestFindingsOfTextbookExamples(t *testing.T) {
	for _, c := range []struct {
		expr string
		want map[string]string
	}{
		{"√(x − 2)", map[string]string{"domain": "[2, ∞)", "range": "[0, ∞)"}},
		{"1/√(4 − x²)", map[string]string{"domain": "(−2, 2)", "range": "[1/2, ∞)", "verticalAsymptotes": "x = -2; x = 2", "minima": "(0, 1/2)", "symmetry": "even"}},
		{"ln(x² − 4)", map[string]string{"domain": "(−∞, −2) ∪ (2, ∞)", "range": "(−∞, ∞)", "zeros": "-sqrt(5); sqrt(5)"}},
		{"(x + 1)/(x² − 1)", map[string]string{"domain": "(−∞, −1) ∪ (−1, 1) ∪ (1, ∞)", "holes": "(-1, -1/2)", "verticalAsymptotes": "x = 1", "horizontalAsymptotes": "y = 0 (both)"}},
		{"(2x² − 3)/(x − 1)", map[string]string{"obliqueAsymptotes": "y = 2 x + 2", "verticalAsymptotes": "x = 1", "horizontalAsymptotes": ""}},
		{"|x − 3| + 2", map[string]string{"range": "[2, ∞)", "minima": "(3, 2)", "zeros": "", "decreasing": "(−∞, 3)", "increasing": "(3, ∞)"}},
		{"x² for x < 0; 2x + 1 for x ≥ 0", map[string]string{"domain": "(−∞, ∞)", "range": "(0, ∞)", "jumps": "0: 0 → 1", "zeros": ""}},
		{"x + 2 for x < 1; 4 for x = 1", nil},
		{"4 − x² for −2 ≤ x < 1", map[string]string{"domain": "[−2, 1)", "range": "[0, 4]", "zeros": "-2", "maxima": "(0, 4)"}},
		{"tan(2x)", map[string]string{"period": "pi/2", "verticalAsymptotes": "x = pi/4; every pi/2", "range": "(−∞, ∞)", "symmetry": "odd"}},
		{"sec x", map[string]string{"period": "2 pi", "range": "(−∞, −1] ∪ [1, ∞)", "minima": "(0, 1); every 2 pi"}},
		{"−2sin(πx/3) + 1", map[string]string{"period": "6", "amplitude": "2", "centreLine": "1", "range": "[−1, 3]", "maxima": "(9/2, 3); every 6"}},
		{"arctan x", map[string]string{"horizontalAsymptotes": "y = -pi/2 (left); y = pi/2 (right)", "range": "(−π/2, π/2)", "inflections": "(0, 0)"}},
		{"2^x + 3", map[string]string{"range": "(3, ∞)", "horizontalAsymptotes": "y = 3 (left)", "zeros": ""}},
		{"log_2(x + 4) − 1", map[string]string{"domain": "(−4, ∞)", "verticalAsymptotes": "x = -4", "zeros": "-2", "range": "(−∞, ∞)"}},
		{"6/(1 + 2e^(−x))", map[string]string{"range": "(0, 6)", "inflections": "(ln(2), 3)", "horizontalAsymptotes": "y = 0 (left); y = 6 (right)"}},
		{"x³ − 3x", map[string]string{"maxima": "(-1, 2)", "minima": "(1, -2)", "inflections": "(0, 0)", "symmetry": "odd", "concaveUp": "(0, ∞)"}},
		{"x e^(−x)", map[string]string{"maxima": "(1, 1/e)", "inflections": "(2, 2/e^2)", "range": "(−∞, 1/e]"}},
		{"x^(2/3)", map[string]string{"domain": "(−∞, ∞)", "range": "[0, ∞)", "minima": "(0, 0)", "inflections": ""}},
		{"∛x", map[string]string{"domain": "(−∞, ∞)", "inflections": "(0, 0)"}},
		{"floor(x) for 0 ≤ x < 3", map[string]string{"domain": "[0, 3)", "range": "{0, 1, 2}", "jumps": "1: 0 → 1; 2: 1 → 2"}},
		{"√(9 − x²)", map[string]string{"domain": "[−3, 3]", "range": "[0, 3]", "zeros": "-3; 3", "maxima": "(0, 3)"}},
		{"arcsin(2x − 1)", map[string]string{"domain": "[0, 1]", "range": "[−π/2, π/2]"}},
		{"sin²x", map[string]string{"period": "pi", "range": "[0, 1]", "amplitude": "1/2", "centreLine": "1/2"}},
		{"x + 1/x", map[string]string{"obliqueAsymptotes": "y = 1 x + 0", "maxima": "(-1, -2)", "minima": "(1, 2)", "range": "(−∞, −2] ∪ [2, ∞)"}},
		{"e^(1/x)", map[string]string{"range": "(0, 1) ∪ (1, ∞)", "verticalAsymptotes": "x = 0", "horizontalAsymptotes": "y = 1 (both)"}},
		{"(x² + x − 2)/(x² − 4x + 3)", map[string]string{"holes": "(1, -3/2)", "verticalAsymptotes": "x = 3", "horizontalAsymptotes": "y = 1 (both)", "zeros": "-2"}},
		{"|x|/x", map[string]string{"domain": "(−∞, 0) ∪ (0, ∞)", "range": "{−1, 1}", "jumps": "0: -1 → 1"}},
		{"3", map[string]string{"range": "{3}", "zeros": "", "period": "–"}},
		{"2x − 7", map[string]string{"zeros": "7/2", "range": "(−∞, ∞)", "horizontalAsymptotes": "", "obliqueAsymptotes": ""}},
	} {
		if c.want == nil {
			continue
		}
		got := asked(t, map[string]any{"ask": "features", "expr": c.expr})
		for name, want := range c.want {
			points := name == "maxima" || name == "minima"
			if points {
				var inner []any
				for _, item := range items(got, name) {
					if item["end"] != true {
						inner = append(inner, item)
					}
				}
				got[name].(map[string]any)["items"] = append([]any{}, inner...)
			}
			assert.Equal(t, want, find(t, got, name), "%s of %s", name, c.expr)
		}
	}
}

func TestFindingsOnAnInterval(t *testing.T) {
	got := asked(t, map[string]any{"ask": "features", "expr": "x²", "from": -1, "to": 2})
	assert.Equal(t, "[−1, 2]", find(t, got, "domain"))
	assert.Equal(t, "[0, 4]", find(t, got, "range"))
	assert.Equal(t, "(-1, 1); (2, 4)", find(t, got, "maxima"), "at the ends")
	assert.Equal(t, "(0, 0)", find(t, got, "minima"))
	got = asked(t, map[string]any{"ask": "features", "expr": "sin x", "from": 0, "to": "2pi"})
	assert.Equal(t, "0; pi; 2 pi", find(t, got, "zeros"))
	assert.Equal(t, "(pi/2, 1); (2 pi, 0)", find(t, got, "maxima"))
	got = asked(t, map[string]any{"ask": "features", "expr": "sin x", "angleUnit": "degree"})
	assert.Equal(t, "360", find(t, got, "period"))
	assert.Equal(t, "0; 180; every 360", find(t, got, "zeros"))
	got = asked(t, map[string]any{"ask": "features", "expr": "a(x − h)² + k", "with": map[string]any{"a": -0.5, "h": 3, "k": "9/2"}})
	assert.Equal(t, "0; 6", find(t, got, "zeros"))
	assert.Contains(t, asked(t, map[string]any{"ask": "features", "expr": "x", "from": 2, "to": 1})["error"].(map[string]any)["message"], "below")
	assert.Contains(t, asked(t, map[string]any{"ask": "features", "expr": "a x"})["error"].(map[string]any)["message"], "a has no value")
}

// Identities: DLMF 4.21 (trigonometric), 4.8 (logarithms), 4.35 (hyperbolic), and rules of algebra.
func TestSameKnowsIdentities(t *testing.T) {
	for a, b := range map[string]string{
		"sin(2x)": "2sin x cos x", "cos(2x)": "1 − 2sin²x", "sin²x + cos²x": "1", "tan x": "sin x/cos x", "cosh²x − sinh²x": "1",
		"(x + 1)²": "x² + 2x + 1", "a(x − h)²": "a x² − 2a h x + a h²", "ln(e^(2x))": "2x", "√(x²)": "|x|", "2^(x + 1)": "2·2^x",
		"sin(x + π/2)": "cos x", "1/x + 1/(x + 1)": "(2x + 1)/(x² + x)", "log_2 x": "ln x/ln 2", "(e^x + e^(−x))/2": "cosh x",
		"(x − 1)(x + 2)": "x² + x − 2", "3sin(2x − π/3)": "−3sin(2x + 2π/3)", "−x² + 4x": "4 − (x − 2)²",
	} {
		got := asked(t, map[string]any{"ask": "same", "a": a, "b": b})
		assert.Equal(t, true, got["same"], "%s = %s", a, b)
		assert.NotContains(t, got, "counterexample")
	}
}

func TestSameGivesACounterexampleAndTellsOfGaps(t *testing.T) {
	for a, b := range map[string]string{
		"(x + 1)²": "x² + 1", "√(x²)": "x", "sin(2x)": "2sin x", "2(x − 3)²": "(2x − 3)²", "|x − 4|": "x − 4", "1/(x + 1)": "1/x + 1",
		"a x": "a + x", "ln(x + 1)": "ln x + 1", "x² + 10^-6": "x²",
	} {
		got := asked(t, map[string]any{"ask": "same", "a": a, "b": b})
		assert.Equal(t, false, got["same"], "%s = %s", a, b)
		at := got["counterexample"].(map[string]any)
		assert.NotEqual(t, at["a"], at["b"], "%s and %s at %v", a, b, at)
	}
	for a, b := range map[string]string{"(x² − 1)/(x − 1)": "x + 1", "ln(x²)": "2ln x", "x/x": "1", "tan x cos x": "sin x"} {
		got := asked(t, map[string]any{"ask": "same", "a": a, "b": b})
		assert.Equal(t, true, got["same"], "%s = %s where both exist", a, b)
		assert.Equal(t, true, got["domainsDiffer"], "%s and %s", a, b)
	}
	problem := asked(t, map[string]any{"ask": "same", "a": "2x +", "b": "x"})["error"].(map[string]any)
	assert.Contains(t, problem["message"], "stops after")
}
