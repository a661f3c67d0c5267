package question_test

import (
	"bufio"
	"encoding/json"
	"math"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// family is a line of testdata/loci.jsonl, made by SymPy (testdata/loci.py): where turning points or inflections are at some
// values of a parameter, and the points that all curves share.
type family struct {
	Expr   string       `json:"expr"`
	As     string       `json:"as"`
	Of     string       `json:"of"`
	Points [][3]float64 `json:"points"` // value, x, y
	Fixed  *[][2]float64
}

func families(t *testing.T) (list []family) {
	t.Helper()
	file, err := os.Open("testdata/loci.jsonl")
	require.NoError(t, err)
	defer file.Close()
	for lines := bufio.NewScanner(file); lines.Scan(); {
		var f family
		require.NoError(t, json.Unmarshal(lines.Bytes(), &f))
		list = append(list, f)
	}
	return list
}

// The equation of a path holds at every place where the reference library finds the feature.
func TestPathsAgreeWithTheReferenceLibrary(t *testing.T) {
	var without []string
	checked := 0
	for _, f := range families(t) {
		a := asked(t, map[string]any{"ask": "locus", "expr": f.Expr, "of": f.Of, "as": f.As})
		require.NotContains(t, a, "error", f.Expr)
		equation, found := a["equation"].(string)
		if !found {
			without = append(without, f.Expr)
			continue
		}
		left, right, _ := strings.Cut(equation, " = ")
		for _, p := range f.Points {
			checked++
			if left == "x" {
				c := asked(t, map[string]any{"ask": "value", "expr": right, "with": map[string]any{}})["value"].(float64)
				assert.InDelta(t, c, p[1], 1e-9, "%s of %s: %s", f.Of, f.Expr, equation)
				continue
			}
			v := asked(t, map[string]any{"ask": "value", "expr": right, "with": map[string]any{"x": p[1]}})["value"]
			y, defined := v.(float64)
			require.True(t, defined, "%s of %s: %s at x = %v", f.Of, f.Expr, equation, p[1])
			assert.InDelta(t, p[2], y, 1e-9*math.Max(1, math.Abs(y)), "%s of %s for a = %v: %s", f.Of, f.Expr, p[0], equation)
		}
	}
	t.Logf("%d places on paths; without an equation: %q", checked, without)
	assert.Greater(t, checked, 300)
	assert.LessOrEqual(t, len(without), 4, "%q", without)
}

// The points that stay are those at which the derivative by the parameter vanishes for all its values.
func TestPointsThatStayAgreeWithTheReferenceLibrary(t *testing.T) {
	checked := 0
	for _, f := range families(t) {
		if f.Fixed == nil {
			continue
		}
		a := asked(t, map[string]any{"ask": "effect", "expr": f.Expr, "of": f.As})
		require.NotContains(t, a, "error", f.Expr)
		got := [][2]float64{}
		for _, p := range a["fixedPoints"].([]any) {
			p := p.(map[string]any)
			got = append(got, [2]float64{p["x"].(float64), p["y"].(float64)})
		}
		require.Len(t, got, len(*f.Fixed), "%s: %v, and the library has %v", f.Expr, got, *f.Fixed)
		for i, want := range *f.Fixed {
			checked++
			assert.InDelta(t, want[0], got[i][0], 1e-9, f.Expr)
			assert.InDelta(t, want[1], got[i][1], 1e-9, f.Expr)
		}
	}
	assert.Greater(t, checked, 20)
}
