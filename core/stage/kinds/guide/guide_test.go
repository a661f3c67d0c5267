package guide_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/stagetest"
)

// y = a x + b as a slanted guide: its place is b and its slope a; upright and level ones have a place only.
func TestGuidesAreFormulas(t *testing.T) {
	e := stagetest.Demonstration(t, nil, map[string]float64{"a": 2, "b": -1},
		document.Entry{ID: "s", Body: &guide.Body{Direction: guide.Slanted, At: "a x + b"}},
		document.Entry{ID: "u", Body: &guide.Body{Direction: guide.Upright, At: "a/b"}},
		document.Entry{ID: "l", Body: &guide.Body{Direction: guide.Level, At: "π a"}})
	require.Empty(t, e.Problems)
	assert.Equal(t, [2]float64{-1, 2}, [2]float64{e.Shown[0].Live.(*guide.Live).At, e.Shown[0].Live.(*guide.Live).Slope})
	assert.Equal(t, -2.0, e.Shown[1].Live.(*guide.Live).At)
	assert.InDelta(t, 2*math.Pi, e.Shown[2].Live.(*guide.Live).At, 1e-12)
	e.Set(e.Find("b"), 0)
	e.Update()
	assert.True(t, math.IsNaN(e.Shown[1].Live.(*guide.Live).At) || math.IsInf(e.Shown[1].Live.(*guide.Live).At, 0), "a/0 is no place")
	assert.Equal(t, [2]float64{0, 2}, [2]float64{e.Shown[0].Live.(*guide.Live).At, e.Shown[0].Live.(*guide.Live).Slope})
}
