package region_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// Every point that is drawn of a curve lies on it, and nothing of it is missing: its length is that of the curve.
func TestTheCurveOfAnEquationIsDrawnRight(t *testing.T) {
	for text, c := range map[string]struct {
		value  func(x, y float64) float64 // about the distance from the curve
		length float64                    // in units, 0 where it is not known
	}{
		"x² + y² = 4": {func(x, y float64) float64 { return math.Hypot(x, y) - 2 }, 4 * math.Pi},
		"3x + 2y = 6": {func(x, y float64) float64 { return (3*x + 2*y - 6) / math.Hypot(3, 2) }, 0},
		"x = 2":       {func(x, _ float64) float64 { return x - 2 }, 0},
		"x y = 1":     {func(x, y float64) float64 { return (x*y - 1) / math.Hypot(x, y) }, 0},
		"y = 1/x":     {func(x, y float64) float64 { return (x*y - 1) / math.Hypot(x, y) }, 0},
		// What only touches 0 is drawn as well.
		"(x − y)² = 0":            {func(x, y float64) float64 { return (x - y) / math.Sqrt2 }, 0},
		"|x² + y² − 4| = 0":       {func(x, y float64) float64 { return math.Hypot(x, y) - 2 }, 4 * math.Pi},
		"3(x − 1)²(x² + y²)³ = 0": {func(x, y float64) float64 { return x - 1 }, 0},
		// Left of the axis √x has no value, so that nothing lies there.
		"√x (y − 1) = 0": {func(x, y float64) float64 {
			if x < 0.02 {
				return x
			}
			return y - 1
		}, 0},
		"|x| + |y| = 1": {func(x, y float64) float64 { return (math.Abs(x) + math.Abs(y) - 1) / math.Sqrt2 }, 4 * math.Sqrt2},
	} {
		e := shaded(t, nil, nil, region.Body{Conditions: []string{text}})
		require.Empty(t, e.Problems, text)
		v := view.Seen(&e.Document.Panels[0], 900, 450)
		length, points := 0.0, 0
		for r := range picture.Records(stagetest.Again(e, 900, 450).Live) {
			assert.NotEqual(t, picture.Area, picture.Op(r[0]), "%s: nothing is shaded", text)
			if picture.Op(r[0]) != picture.Line || r[2] < compose.CurveWidth {
				continue
			}
			for k := 6; k < len(r); k += 2 {
				x, y := v.AtX(float64(r[k])), v.AtY(float64(r[k+1]))
				assert.InDelta(t, 0, c.value(x, y), 0.02, "%s at (%v, %v)", text, x, y)
				points++
				if k > 6 {
					length += math.Hypot(x-v.AtX(float64(r[k-2])), y-v.AtY(float64(r[k-1])))
				}
			}
		}
		assert.Greater(t, points, 20, text)
		if c.length > 0 {
			assert.InEpsilon(t, c.length, length, 0.02, text)
		}
	}
}

func TestALineOrAConicTellsItsFacts(t *testing.T) {
	for text, want := range map[string]string{
		"3x + 2y = 6": "The line 3x + 2y = 6, slope −1.5, meets the axes at (2, 0), (0, 3).",
		"x² + y² = 9": "The circle x² + y² = 9, centre (0, 0), radius 3.",
		"y² = 4x":     "The parabola y² = 4x, vertex (0, 0), focus (1, 0).",
	} {
		e := shaded(t, nil, nil, region.Body{Conditions: []string{text}})
		assert.Contains(t, compose.Describe(e.Frame(0, 900, 450)), want)
		var said []string
		for _, w := range e.Document.Shown[0].Body.(*region.Body).Sentence(e, e.Shown[0]) {
			said = append(said, w.Text)
		}
		assert.Contains(t, strings.Join(said, " "), strings.Fields(want)[1])
	}
	moving := shaded(t, nil, map[string]float64{"r": 2}, region.Body{Conditions: []string{"x² + y² = r²"}})
	assert.Contains(t, compose.Describe(moving.Frame(0, 900, 450)), "radius 2.")
	moving.Set(0, 3)
	assert.Contains(t, compose.Describe(moving.Frame(0, 900, 450)), "radius 3.")
}

// Only the part of the circle on which y is above 0 is left.
func TestACurveIsCutByFurtherConditions(t *testing.T) {
	e := shaded(t, nil, nil, region.Body{Conditions: []string{"x² + y² = 4", "y > 0"}})
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	seen := false
	for r := range picture.Records(stagetest.Again(e, 900, 450).Live) {
		if picture.Op(r[0]) != picture.Line || r[2] < compose.CurveWidth {
			continue
		}
		for k := 7; k < len(r); k += 2 {
			assert.Greater(t, v.AtY(float64(r[k])), -0.05)
			seen = true
		}
	}
	assert.True(t, seen)
}
