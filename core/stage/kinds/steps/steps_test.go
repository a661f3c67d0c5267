package steps_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// y = −2·(x − 3)² + 1 (common practice): the vertex goes from (0, 0) over (3, 0) to (3, 1).
func TestStepsMoveTheKeyPointsWithTheDials(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a(x − h)² + k"}, map[string]float64{"a": -2, "h": 3, "k": 1},
		document.Entry{ID: "k", Body: &steps.Body{Function: "f"}})
	require.Empty(t, e.Problems)
	taken := e.Shown[0].Live.(*steps.Live)
	require.Len(t, taken.Steps, 3)
	at := func(position float64) [2]float64 {
		x, y := taken.PlaceAt(e, position).Of(0, 0)
		return [2]float64{x, y}
	}
	assert.Equal(t, [2]float64{0, 0}, at(0))
	assert.Equal(t, [2]float64{3, 0}, at(1))
	assert.Equal(t, [2]float64{1.5, 0}, at(0.5))
	assert.Equal(t, [2]float64{3, 1}, at(3))
	assert.Equal(t, []string{"Shift 3 to the right. (h = 3)", "Stretch vertically by the factor 2 and reflect in the x-axis: every y is multiplied by −2. (a = −2)",
		"Shift 1 up. (k = 1)"}, taken.Sentences(e))
	compiled := e.Counters.Compiles
	e.Set(e.Find("h"), -1)
	e.Set(e.Find("a"), 0)
	assert.Equal(t, [2]float64{-1, 1}, at(3))
	assert.Equal(t, "Shift 1 to the left. (h = −1)", taken.Sentences(e)[0])
	assert.Contains(t, taken.Sentences(e)[1], "flat on the x-axis")
	_, reach := taken.ExtentsText(e, taken.PlaceAt(e, 3))
	assert.Equal(t, "{1}", reach)
	assert.Equal(t, compiled, e.Counters.Compiles, "a moved dial compiles nothing")
}

// y = 2(x − 1)² − 1 from y = x²: by hand, (1, 1) goes to (2, 1) when the parabola is shifted, to (2, 2) when it is stretched
// and to (2, 1) in the end.
func TestStepsLeadFromTheParentToTheCurve(t *testing.T) {
	entry := document.Entry{ID: "st", Look: document.Look{Colour: 2}, Body: &steps.Body{Function: "f"}}
	pic, e := stagetest.WithParameter(t, "2(x − 1)² − 1", entry)
	s := e.Shown[0].Live.(*steps.Live)
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	through := func(pic *picture.Picture, colour picture.Colour, x, y float64) bool {
		for _, line := range stagetest.Lines(pic.Live, colour) {
			for i := 1; i < len(line); i++ {
				p, q := line[i-1], line[i]
				if t := (v.X(x) - p[0]) / (q[0] - p[0]); t >= 0 && t <= 1 && math.Abs(p[1]+t*(q[1]-p[1])-v.Y(y)) < 1.5 {
					return true
				}
			}
		}
		return false
	}
	assert.True(t, through(pic, picture.Grey, 1.5, 2.25), "the parent, grey")
	assert.True(t, through(pic, 2, 0, 1) && through(pic, 2, 2.2, 1.88), "the curve itself")
	keys := stagetest.Markers(pic.Live, 2)
	assert.Positive(t, keys)

	s.Go(0)
	begin := stagetest.Again(e, 900, 450)
	assert.True(t, through(begin, picture.Grey, 1.5, 2.25))
	assert.Empty(t, stagetest.Lines(begin.Live, 2), "at the beginning only the parent is there")
	assert.Equal(t, keys, stagetest.Markers(begin.Live, picture.Grey), "with the same key points")

	for k := 1.0; k <= float64(len(s.Steps)); k++ {
		s.Go(k)
		place := s.PlaceAt(e, k)
		x, y := place.Of(1, 1)
		assert.True(t, through(stagetest.Again(e, 900, 450), 2, x, y), "after step %v the point (1, 1) lies on the curve", k)
		s.Go(k - 0.5)
		half := s.PlaceAt(e, k-0.5)
		x, y = half.Of(1, 1)
		assert.True(t, through(stagetest.Again(e, 900, 450), 2, x, y), "and on its way too")
	}
	s.Go(99)
	x, y := s.PlaceAt(e, s.Position).Of(0, 0)
	assert.Equal(t, [2]float64{1, -1}, [2]float64{x, y}, "the vertex at last")
	x, y = s.PlaceAt(e, s.Position).Of(1, 1)
	assert.Equal(t, [2]float64{2, 1}, [2]float64{x, y})
}

// 1/x moved to 1/(x − 2) + 1 takes its asymptotes along: x = 2 and y = 1.
func TestStepsTakeTheAsymptotesAlong(t *testing.T) {
	pic, e := stagetest.WithParameter(t, "1/(x − 2) + 1", document.Entry{ID: "st", Look: document.Look{Colour: 2}, Body: &steps.Body{Function: "f"}})
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	var upright, level bool
	for _, line := range stagetest.Lines(pic.Live, 2) {
		if len(line) == 2 {
			upright = upright || line[0][0] == line[1][0] && math.Abs(line[0][0]-v.X(2)) < 0.5
			level = level || line[0][1] == line[1][1] && math.Abs(line[0][1]-v.Y(1)) < 0.5
		}
	}
	assert.True(t, upright && level)
}
