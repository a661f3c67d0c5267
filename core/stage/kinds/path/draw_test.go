package path_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/stagetest"
)

// followedPath draws the path of a feature as p varies from −2 to 2 in a square of 8 by 8, 800 pixels wide, p in colour 5.
func followedPath(t *testing.T, formulas []string, body path.Body) ([][][2]float64, int, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-4, 4, -4, 4, false)
	d.Stated = append(d.Stated, document.Stated{ID: "p", Kind: document.Parameter, Name: "p", From: "−2", To: "2", Step: "0.5", Colour: 5})
	for i, formula := range formulas {
		name := string(rune('f' + i))
		d.Stated = append(d.Stated, document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
		d.Shown = append(d.Shown, document.Entry{ID: "c" + name, Look: document.Look{Colour: i}, Body: &curve.Body{Function: name}})
	}
	body.Function, body.As = "f", "p"
	d.Shown = append(d.Shown, document.Entry{ID: "way", Body: &body})
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	var c compose.Composer
	pic := c.Compose(e.Frame(0, 800, 800))
	return stagetest.Lines(pic.Live, 5), stagetest.Markers(pic.Live, 5), e
}

func TestThePathOfIntersectionsIsDrawn(t *testing.T) {
	drawn, _, e := followedPath(t, []string{"x^2 + p", "p x"}, path.Body{Feature: "intersections", With: "g"})
	require.NotEmpty(t, drawn)
	for _, line := range drawn {
		for _, q := range line {
			x, y := (q[0]-400)/100, (400-q[1])/100
			if math.Abs(x-1) > 0.2 && math.Abs(y) < 4 {
				assert.InDelta(t, x*x*x/(x-1), y, 0.03, "at x = %v", x)
			}
		}
	}
	assert.Equal(t, "path", string(e.Shown[2].Entry.Kind()))
}

// The minimum of x³/3 − p⁴ x + sin p lies at x = p², worked by hand; its path has no equation but a place for each p.
func TestAPathOfPlacesIsDrawnOverTheBar(t *testing.T) {
	drawn, dots, _ := followedPath(t, []string{"x^3/3 - p^4 x + sin(p)"}, path.Body{Feature: "extrema"})
	require.NotEmpty(t, drawn)
	assert.Zero(t, dots)
	seen := 0
	for _, line := range drawn {
		for _, q := range line {
			x, y := (q[0]-400)/100, (400-q[1])/100
			if x < 0.05 || math.Abs(y) > 3.9 {
				continue
			}
			p := math.Sqrt(x)
			one, other := -2*math.Pow(p, 6)/3+math.Sin(p), -2*math.Pow(p, 6)/3-math.Sin(p)
			assert.Less(t, min(math.Abs(one-y), math.Abs(other-y)), 0.03, "at x = %v", x)
			seen++
		}
	}
	assert.Greater(t, seen, 10)
}

func TestAPathThatCannotBeSolvedIsDotted(t *testing.T) {
	drawn, dots, _ := followedPath(t, []string{"sin(x + p) + x^2/4 + e^(p x)/9"}, path.Body{Feature: "extrema"})
	assert.Empty(t, drawn)
	assert.Greater(t, dots, 20, "a dot for each value of p that has a turning point in sight")
}
