package finding_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

func shownFinding(t testing.TB, formula string, kind document.Finding, values map[string]float64) (*evaluate.Demonstration, *finding.Live) {
	t.Helper()
	e := stagetest.Demonstration(t, map[string]string{"f": formula}, values, document.Entry{ID: "m", Body: &finding.Body{Function: "f", Finding: kind}})
	require.Empty(t, e.Problems)
	return e, e.Shown[0].Live.(*finding.Live)
}

// The vertex of a(x − h)² + k is (h, k); its zeros are h ± √(−k/a) (common practice).
func TestFindingsWithAClosedFormMoveInTheSameFrame(t *testing.T) {
	e, top := shownFinding(t, "a(x − h)² + k", document.Maxima, map[string]float64{"a": -1, "h": 3, "k": 4})
	compiled := e.Counters.Compiles
	for _, h := range []float64{3, -1.5, 0.25} {
		e.Set(e.Find("h"), h)
		e.Update()
		points, current := top.Points(e, -10, 10)
		assert.True(t, current)
		require.Len(t, points, 1)
		assert.InDelta(t, h, points[0].X, 1e-12)
		assert.InDelta(t, 4, points[0].Y, 1e-12)
	}
	e.Set(e.Find("a"), 2)
	e.Update()
	points, _ := top.Points(e, -10, 10)
	assert.Empty(t, points, "opened upwards it has no maximum")
	assert.Equal(t, compiled, e.Counters.Compiles, "a moved dial compiles nothing")

	e, zeros := shownFinding(t, "a(x − h)² + k", document.Zeros, map[string]float64{"a": -1, "h": 3, "k": 4})
	points, _ = zeros.Points(e, -10, 10)
	require.Len(t, points, 2)
	assert.InDelta(t, 1, min(points[0].X, points[1].X), 1e-12)
	assert.InDelta(t, 5, max(points[0].X, points[1].X), 1e-12)
}

func TestAWaveHasOneYIntercept(t *testing.T) {
	e, at := shownFinding(t, "3 sin x + 2", document.YIntercept, nil)
	f := e.Functions[0]
	point := found.Point{X: 0, Y: 2}
	e.PutFound(&found.Found{Function: "f", Formula: f.Meaning, Period: 6.283185307179586,
		Points: map[document.Finding][]found.Point{document.YIntercept: {point}}})
	points, current := at.Points(e, -20, 20)
	assert.True(t, current)
	assert.Equal(t, []found.Point{point}, points)
}

// tan(b x) has its poles at odd multiples of π/(2b) (DLMF 4.15).
func TestPolesOfAWaveMoveWithItsDial(t *testing.T) {
	e, poles := shownFinding(t, "tan(b x)", document.VerticalAsymptotes, map[string]float64{"b": 2})
	guides, current := poles.Guides(e, 0, 3)
	assert.True(t, current)
	require.Len(t, guides, 2)
	assert.InDelta(t, 0.7853981633974483, guides[0].At, 1e-12)
	assert.True(t, guides[0].Upright)
	e.Set(e.Find("b"), 1)
	e.Update()
	guides, _ = poles.Guides(e, 0, 3)
	require.Len(t, guides, 1)
	assert.InDelta(t, 1.5707963267948966, guides[0].At, 1e-12)
}

func TestWhatTheOtherCoreFoundCountsForItsValuesOnly(t *testing.T) {
	e, zeros := shownFinding(t, "x + a cos x", document.Zeros, map[string]float64{"a": -1})
	_, current := zeros.Points(e, -10, 10)
	assert.False(t, current, "it has no closed form and is still being computed")
	e.PutFound(&found.Found{Function: "f", Formula: e.Function("f").Meaning, Values: map[string]float64{"a": -1},
		Points: map[document.Finding][]found.Point{document.Zeros: {{X: 0.7390851332151607}}}})
	points, current := zeros.Points(e, -10, 10)
	assert.True(t, current)
	require.Len(t, points, 1)
	e.Set(e.Find("a"), 2)
	e.Update()
	points, current = zeros.Points(e, -10, 10)
	assert.False(t, current)
	assert.Empty(t, points, "what holds for another value is not shown")
}

// What repeats is shown as often as the window holds it: the zeros of a sine every π, its poles as guides (DLMF 4.15).
func TestFindingsOfAWaveAreRepeatedOverTheWindow(t *testing.T) {
	shown := func(kind document.Finding) document.Entry {
		return document.Entry{ID: "m" + string(kind), Body: &finding.Body{Function: "f", Finding: kind}}
	}
	e := stagetest.Demonstration(t, map[string]string{"f": "x + tan(x + cos x)"}, nil, shown(document.Zeros), shown(document.VerticalAsymptotes), shown(document.LevelAsymptotes))
	e.PutFound(&found.Found{Function: "f", Formula: e.Function("f").Meaning, Period: math.Pi,
		Points: map[document.Finding][]found.Point{document.Zeros: {{X: 0.5, Y: 2}}},
		Guides: map[document.Finding][]found.Guide{document.VerticalAsymptotes: {{Upright: true, At: 1}}, document.LevelAsymptotes: {{At: 3}}}})
	points, current := e.Shown[0].Live.(*finding.Live).Points(e, -math.Pi, 2*math.Pi)
	assert.True(t, current)
	require.Len(t, points, 3, "one each turn")
	for k, p := range points {
		assert.InDelta(t, 0.5+float64(k-1)*math.Pi, p.X, 1e-12)
		assert.Equal(t, 2.0, p.Y)
	}
	guides, _ := e.Shown[1].Live.(*finding.Live).Guides(e, 0, 10)
	require.Len(t, guides, 3)
	assert.InDelta(t, 1+2*math.Pi, guides[2].At, 1e-12)
	guides, _ = e.Shown[2].Live.(*finding.Live).Guides(e, 0, 10)
	assert.Equal(t, []found.Guide{{At: 3}}, guides, "a level line is one")
	points, _ = e.Shown[0].Live.(*finding.Live).Points(e, -1e9, 1e9)
	assert.LessOrEqual(t, len(points), 200, "not the whole picture full")
}

// What has been found of a function is drawn where it is: zeros as points, open ones as rings, asymptotes as guides that
// repeat with the period.
func TestFindingsAreDrawnWhereTheyAre(t *testing.T) {
	show := func(id string, what document.Finding, colour int) document.Entry {
		return document.Entry{ID: id, Look: document.Look{Colour: colour}, Body: &finding.Body{Function: "f", Finding: what}}
	}
	_, e := stagetest.WithParameter(t, "tan(x)", show("z", document.Zeros, 3), show("v", document.VerticalAsymptotes, 4), show("h", document.Holes, 6), show("s", document.SlantedAsymptotes, 7))
	f := e.Function("f")
	e.PutFound(&found.Found{Function: "f", Values: map[string]float64{}, Formula: f.Meaning, Period: math.Pi,
		Points: map[document.Finding][]found.Point{document.Zeros: {{X: 0}}, document.Holes: {{X: 1, Y: 1, Open: true}}},
		Guides: map[document.Finding][]found.Guide{document.VerticalAsymptotes: {{Upright: true, At: math.Pi / 2}}, document.SlantedAsymptotes: {{Slope: -1, At: -0.5}}}})
	pic := stagetest.Again(e, 900, 450)
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	assert.Equal(t, 3, stagetest.Markers(pic.Live, 3), "0 and ±π in the window from −6 to 6")
	guides := stagetest.Lines(pic.Live, 4)
	require.Len(t, guides, 4, "±π/2 and ±3π/2")
	for _, g := range guides {
		x := v.AtX(g[0][0]) / (math.Pi / 2)
		assert.InDelta(t, math.Round(x), x, 1e-3)
		assert.Equal(t, g[0][0], g[1][0])
	}
	assert.Equal(t, 4, stagetest.Markers(pic.Live, 6))
	for _, line := range stagetest.Lines(pic.Live, 7) {
		for _, p := range line {
			assert.InDelta(t, -v.AtX(p[0])-0.5, v.AtY(p[1]), 0.01)
		}
	}
	texts := map[string]string{}
	for _, l := range pic.Labels {
		texts[l.ID] = l.LaTeX
	}
	assert.Equal(t, "y=−x−0.5", texts["s.0"])
}

// What is marked by a finding may be named in own words, such as the place where a jet lands.
func TestAFindingIsNamedInOwnWords(t *testing.T) {
	pic, _ := stagetest.WithParameter(t, "x − a", document.Entry{ID: "z", Look: document.Look{Label: document.LabelWords, Words: "it lands"},
		Body: &finding.Body{Function: "f", Finding: document.Zeros}})
	require.Len(t, pic.Labels, 1)
	assert.Equal(t, `\text{it lands}`, pic.Labels[0].LaTeX)
}
