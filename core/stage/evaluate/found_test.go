package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
)

func finding(t testing.TB, formula string, kind document.Finding, values map[string]float64) (*evaluate.Demonstration, *evaluate.Shown) {
	t.Helper()
	e := demonstration(t, map[string]string{"f": formula}, values, document.Shown{ID: "m", Kind: document.Found, Function: "f", Finding: kind})
	require.Empty(t, e.Problems)
	return e, e.Shown[0]
}

// The vertex of a(x − h)² + k is (h, k); its zeros are h ± √(−k/a) (common practice).
func TestFindingsWithAClosedFormMoveInTheSameFrame(t *testing.T) {
	e, top := finding(t, "a(x − h)² + k", document.Maxima, map[string]float64{"a": -1, "h": 3, "k": 4})
	compiled := e.Counters.Compiles
	for _, h := range []float64{3, -1.5, 0.25} {
		e.Set(e.Find("h"), h)
		e.Update()
		points, current := e.ShownPoints(top, -10, 10)
		assert.True(t, current)
		require.Len(t, points, 1)
		assert.InDelta(t, h, points[0].X, 1e-12)
		assert.InDelta(t, 4, points[0].Y, 1e-12)
	}
	e.Set(e.Find("a"), 2)
	e.Update()
	points, _ := e.ShownPoints(top, -10, 10)
	assert.Empty(t, points, "opened upwards it has no maximum")
	assert.Equal(t, compiled, e.Counters.Compiles, "a moved dial compiles nothing")

	e, zeros := finding(t, "a(x − h)² + k", document.Zeros, map[string]float64{"a": -1, "h": 3, "k": 4})
	points, _ = e.ShownPoints(zeros, -10, 10)
	require.Len(t, points, 2)
	assert.InDelta(t, 1, min(points[0].X, points[1].X), 1e-12)
	assert.InDelta(t, 5, max(points[0].X, points[1].X), 1e-12)
}

func TestAWaveHasOneYIntercept(t *testing.T) {
	e, at := finding(t, "3 sin x + 2", document.YIntercept, nil)
	f := e.Functions[0]
	point := found.Point{X: 0, Y: 2}
	e.PutFound(&found.Found{Function: "f", Formula: f.Meaning, Period: 6.283185307179586,
		Points: map[document.Finding][]found.Point{document.YIntercept: {point}}})
	points, current := e.ShownPoints(at, -20, 20)
	assert.True(t, current)
	assert.Equal(t, []found.Point{point}, points)
}

// tan(b x) has its poles at odd multiples of π/(2b) (DLMF 4.15).
func TestPolesOfAWaveMoveWithItsDial(t *testing.T) {
	e, poles := finding(t, "tan(b x)", document.VerticalAsymptotes, map[string]float64{"b": 2})
	guides, current := e.ShownGuides(poles, 0, 3)
	assert.True(t, current)
	require.Len(t, guides, 2)
	assert.InDelta(t, 0.7853981633974483, guides[0].At, 1e-12)
	assert.True(t, guides[0].Upright)
	e.Set(e.Find("b"), 1)
	e.Update()
	guides, _ = e.ShownGuides(poles, 0, 3)
	require.Len(t, guides, 1)
	assert.InDelta(t, 1.5707963267948966, guides[0].At, 1e-12)
}

func TestWhatTheOtherCoreFoundCountsForItsValuesOnly(t *testing.T) {
	e, zeros := finding(t, "x + a cos x", document.Zeros, map[string]float64{"a": -1})
	_, current := e.ShownPoints(zeros, -10, 10)
	assert.False(t, current, "it has no closed form and is still being computed")
	e.PutFound(&found.Found{Function: "f", Formula: e.Function("f").Meaning, Values: map[string]float64{"a": -1},
		Points: map[document.Finding][]found.Point{document.Zeros: {{X: 0.7390851332151607}}}})
	points, current := e.ShownPoints(zeros, -10, 10)
	assert.True(t, current)
	require.Len(t, points, 1)
	e.Set(e.Find("a"), 2)
	e.Update()
	points, current = e.ShownPoints(zeros, -10, 10)
	assert.False(t, current)
	assert.Empty(t, points, "what holds for another value is not shown")
}

func TestFindingsEndWithTheFormulaBehindTheirFunction(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "x + cos x", "g": "f(x) + 1"}, nil)
	g := e.Function("g")
	e.PutFound(&found.Found{Function: "g", Formula: g.Meaning})
	_, current := e.FoundOf(g)
	assert.True(t, current)
	for _, s := range e.Document.Functions() {
		if s.Name == "f" {
			s.Formula = "x + sin x"
		}
	}
	e = evaluate.Load(e.Document, e)
	_, current = e.FoundOf(e.Function("g"))
	assert.False(t, current, "f is another one now, and g with it")
}
