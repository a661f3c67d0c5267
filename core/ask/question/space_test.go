package question_test

import (
	"bufio"
	"encoding/json"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// spatial is a line of testdata/space.jsonl, made by SymPy and mpmath (testdata/space.py): a question with the numbers of its answer.
type spatial struct {
	Ask        map[string]any     `json:"ask"`
	At         map[string]float64 `json:"at"`
	Stationary []struct {
		X, Y, Z float64
		Kind    string
	} `json:"stationary"`
	Length, Speed, Curvature float64
	Box                      [6]float64 `json:"box"`
	Tangent                  [3]float64 `json:"tangent"`
}

func spatials(t *testing.T) (list []spatial) {
	t.Helper()
	file, err := os.Open("testdata/space.jsonl")
	require.NoError(t, err)
	defer file.Close()
	for lines := bufio.NewScanner(file); lines.Scan(); {
		var s spatial
		require.NoError(t, json.Unmarshal(lines.Bytes(), &s))
		list = append(list, s)
	}
	return list
}

// Values, partial derivatives and stationary points with their kinds agree with SymPy to a billionth.
func TestSurfacesAgreeWithTheReferenceLibrary(t *testing.T) {
	checked := 0
	for _, s := range spatials(t) {
		if s.Ask["ask"] != "surface" {
			continue
		}
		checked++
		about := s.Ask["expr"]
		a := asked(t, s.Ask)
		require.NotContains(t, a, "error", about)
		for name, want := range s.At {
			got, is := a[name].(float64)
			require.True(t, is, "%s: %s is %v", about, name, a[name])
			assert.InDelta(t, want, got, 1e-9*(1+abs(want)), "%s: %s", about, name)
		}
		assert.NotContains(t, a, "undecided", about)
		got := a["stationary"].([]any)
		require.Len(t, got, len(s.Stationary), "%s: %v", about, got)
		for i, want := range s.Stationary {
			p := got[i].(map[string]any)
			assert.InDelta(t, want.X, p["x"], 1e-9, "%s", about)
			assert.InDelta(t, want.Y, p["y"], 1e-9, "%s", about)
			assert.InDelta(t, want.Z, p["z"], 1e-9, "%s", about)
			assert.Equal(t, want.Kind, p["kind"], "%s at %v, %v", about, want.X, want.Y)
		}
	}
	assert.GreaterOrEqual(t, checked, 26)
}

func abs(v float64) float64 { return max(v, -v) }

// Lengths, boxes, speeds, curvatures and tangents of curves in space agree with SymPy and mpmath to a billionth.
func TestCurvesInSpaceAgreeWithTheReferenceLibrary(t *testing.T) {
	checked := 0
	for _, s := range spatials(t) {
		if s.Ask["ask"] != "parametric" {
			continue
		}
		checked++
		a := asked(t, s.Ask)
		require.NotContains(t, a, "error", s.Ask)
		assert.InDelta(t, s.Length, a["length"], 1e-9*(1+s.Length), "%v", s.Ask)
		assert.InDelta(t, s.Speed, a["speed"], 1e-9*(1+s.Speed), "%v", s.Ask)
		assert.InDelta(t, s.Curvature, a["curvature"], 1e-9, "%v", s.Ask)
		box := a["box"].(map[string]any)
		for k, name := range [6]string{"left", "right", "bottom", "top", "low", "high"} {
			assert.InDelta(t, s.Box[k], box[name], 1e-9*(1+abs(s.Box[k])), "%v: %s", s.Ask, name)
		}
		for k, want := range s.Tangent {
			assert.InDelta(t, want, a["tangent"].([]any)[k], 1e-9, "%v", s.Ask)
		}
	}
	assert.GreaterOrEqual(t, checked, 16)
}

// (e^t − 1)/t tends to 1 at 0 (its series is 1 + t/2 + …; any course of calculus): the curve has a hole at (0, 1, 1). It meets the plane
// y = 0 where cos t = 0; x = 0 at the hole only, and z is never 0.
func TestAHoleOfACurveInSpaceIsFoundWithItsPlace(t *testing.T) {
	a := asked(t, map[string]any{"ask": "parametric", "x": "sin t", "y": "cos t", "z": "(e^t − 1)/t", "from": "-3", "to": "3"})
	require.Len(t, a["holes"], 1)
	assert.Equal(t, map[string]any{"t": 0.0, "exact": "0", "x": 0.0, "y": 1.0, "z": 1.0}, a["holes"].([]any)[0])
	assert.Empty(t, a["breaks"])
	planes := a["planes"].(map[string]any)
	assert.Empty(t, planes["xy"])
	assert.Empty(t, planes["yz"])
	require.Len(t, planes["xz"], 2)
	assert.Equal(t, "-pi/2", planes["xz"].([]any)[0].(map[string]any)["exact"])
}

// |t|/t jumps from −1 to 1, and 1/t has no limits (common practice).
func TestABreakOfACurveInSpaceTellsBothSides(t *testing.T) {
	jump := asked(t, map[string]any{"ask": "parametric", "x": "t", "y": "t²", "z": "abs(t)/t", "from": -2, "to": 2})
	require.Len(t, jump["breaks"], 1)
	b := jump["breaks"].([]any)[0].(map[string]any)
	assert.Equal(t, []any{0.0, 0.0, -1.0}, b["left"])
	assert.Equal(t, []any{0.0, 0.0, 1.0}, b["right"])
	assert.Empty(t, jump["holes"])
	pole := asked(t, map[string]any{"ask": "parametric", "x": "t", "y": "1/t", "z": "t", "from": -2, "to": 2})
	require.Len(t, pole["breaks"], 1)
	assert.Nil(t, pole["breaks"].([]any)[0].(map[string]any)["left"])
}

// Worked examples of calculus books: the extreme values of a continuous function over a closed rectangle lie at stationary points, on the
// sides or at corners; x² − 2xy + 2y on 0 ≤ x ≤ 3, 0 ≤ y ≤ 2 has the least value 0 and the greatest 9. 1/(x² + y²) has no greatest.
func TestTheRangeOverARectangleIsTold(t *testing.T) {
	over := func(f string, x0, x1, y0, y1 any) map[string]any {
		a := asked(t, map[string]any{"ask": "surface", "expr": f, "xFrom": x0, "xTo": x1, "yFrom": y0, "yTo": y1})
		require.IsType(t, map[string]any{}, a["range"], f)
		return a["range"].(map[string]any)
	}
	r := over("x² − 2x y + 2y", 0, 3, 0, 2)
	assert.Equal(t, []any{0.0, 9.0, true, true}, []any{r["lo"], r["hi"], r["loClosed"], r["hiClosed"]})
	r = over("1/(x² + y²)", -1, 2, -1, 1)
	assert.Equal(t, []any{0.2, "inf", true, false}, []any{r["lo"], r["hi"], r["loClosed"], r["hiClosed"]})
	r = over("ln(x) + y", 0, 2, 0, 1)
	assert.Equal(t, "-inf", r["lo"])
	assert.Equal(t, map[string]any{"hi": "ln(2) + 1"}, r["exact"])
	r = over("sin x cos y", "-pi", "pi", "-pi", "pi")
	assert.Equal(t, []any{-1.0, 1.0}, []any{r["lo"], r["hi"]})
	r = over("x²", -2, 2, -1, 3)
	assert.Equal(t, []any{0.0, 4.0}, []any{r["lo"], r["hi"]}, "of one letter")
}

// What is stationary on whole lines has no list of points, and says so; at a place without a value there is no slope.
func TestWhatCannotBeListedIsSaid(t *testing.T) {
	line := asked(t, map[string]any{"ask": "surface", "expr": "(x − y)²", "xFrom": -2, "xTo": 2, "yFrom": -2, "yTo": 2})
	assert.Contains(t, line["undecided"], "stationary")
	assert.Empty(t, line["stationary"])
	cone := asked(t, map[string]any{"ask": "surface", "expr": "√(x² + y²)", "at": map[string]any{"x": 0, "y": 0}})
	assert.Equal(t, 0.0, cone["value"])
	assert.Equal(t, "undefined", cone["fx"])
	assert.NotEmpty(t, cone["reason"])
	pole := asked(t, map[string]any{"ask": "surface", "expr": "x/y", "at": map[string]any{"x": 1, "y": 0}})
	assert.Equal(t, "undefined", pole["value"])
	assert.Equal(t, "undefined", pole["fyy"])
}

// x²y − x/y at y = 2 is 2x² − x/2; (1, 1/2) lies on the level curve 3/4 of x² − y² (worked by hand).
func TestSectionsAndLevels(t *testing.T) {
	a := asked(t, map[string]any{"ask": "surface", "expr": "x² y − x/y", "section": map[string]any{"y": "2"}})
	assert.Equal(t, "2x^2 - x/2", a["section"])
	level := map[string]any{"ask": "surface", "expr": "x² − y²", "at": map[string]any{"x": 1, "y": "1/2"}, "level": "3/4"}
	assert.Equal(t, true, asked(t, level)["onLevel"])
	level["level"] = "0.7500000001"
	assert.Equal(t, false, asked(t, level)["onLevel"])
	for name, bad := range map[string]map[string]any{
		"x and y":      {"at": 3},
		"together":     {"xFrom": 0},
		"x or y":       {"section": map[string]any{"z": 1}},
		"a place":      {},
		"below":        {"xFrom": 2, "xTo": 1, "yFrom": 0, "yTo": 1},
		"has no value": {"expr": "x + q", "at": map[string]any{"x": 1, "y": 1}},
		"its value":    {"section": map[string]any{"x": 1, "y": 1}},
	} {
		q := map[string]any{"ask": "surface", "expr": "x y"}
		for k, v := range bad {
			q[k] = v
		}
		answer := asked(t, q)
		require.Contains(t, answer, "error", "%v", bad)
		assert.Contains(t, answer["error"].(map[string]any)["message"], name)
	}
}
