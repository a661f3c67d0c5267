package compose_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/picture"
)

// at composes a document again after something has been done to its demonstration.
func at(e *evaluate.Demonstration, width, height float64) *picture.Picture {
	var c compose.Composer
	return c.Panel(e, &e.Document.Panels[0], width, height)
}

// withParameter composes the function f of x and a parameter a that is 1.
func withParameter(t *testing.T, formula string, shown ...document.Shown) (*picture.Picture, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	d.Panels[0] = plane(-6, 6, -3, 3, true)
	d.Stated = []document.Stated{{ID: "sa", Kind: document.Parameter, Name: "a", From: "-4", To: "4", Step: "0.1", Colour: 5},
		{ID: "sf", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: formula}}
	d.Scenes[0].Values = map[string]float64{"a": 1}
	d.Shown = shown
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return at(e, 900, 450), e
}

// One curve for each value, from one end of the ramp to the other, each with its value beside it.
func TestAFamilyHasACurveForEachValue(t *testing.T) {
	pic, e := withParameter(t, "a x²", document.Shown{ID: "fam", Kind: document.Curve, Function: "f",
		Family: &document.Family{Parameter: "a", From: "-1", To: "1", Step: "1/2"}})
	v := compose.Seen(&e.Document.Panels[0], 900, 450)
	for k, a := range []float64{-1, -0.5, 0, 0.5, 1} {
		colour := picture.Ramp + picture.Colour(2*k)
		drawn := lines(pic.Live, colour)
		require.Len(t, drawn, 1, "a = %v", a)
		for _, p := range drawn[0] {
			x := v.AtX(p[0])
			if y := v.AtY(p[1]); math.Abs(y) < 2.9 {
				assert.InDelta(t, a*x*x, y, 0.04, "a = %v at %v", a, x)
			}
		}
	}
	var labels []string
	for _, l := range pic.Labels {
		labels = append(labels, l.LaTeX)
	}
	assert.ElementsMatch(t, []string{"a=−1", "a=−0.5", "a=0", "a=0.5", "a=1"}, labels)
}

// sin 4000x turns 25 times within a pixel's width: the band between its bounds is the honest picture.
func TestWhatIsFinerThanAPixelIsABand(t *testing.T) {
	pic, e := composed(t, plane(-6, 6, -3, 3, true), 300, 150, []string{"2 sin(4000 x)"})
	v := compose.Seen(&e.Document.Panels[0], 300, 150)
	drawn := lines(pic.Live, 0)
	require.Len(t, drawn, 3, "an area and its two bounds")
	low, high := math.Inf(1), math.Inf(-1)
	for _, p := range drawn[0] {
		low, high = math.Min(low, v.AtY(p[1])), math.Max(high, v.AtY(p[1]))
	}
	assert.InDelta(t, -2, low, 0.02)
	assert.InDelta(t, 2, high, 0.02)
}

// y = 2(x − 1)² − 1 from y = x²: by hand, (1, 1) goes to (2, 1) when the parabola is shifted, to (2, 2) when it is stretched
// and to (2, 1) in the end.
func TestStepsLeadFromTheParentToTheCurve(t *testing.T) {
	entry := document.Shown{ID: "st", Kind: document.Steps, Function: "f", Colour: 2}
	pic, e := withParameter(t, "2(x − 1)² − 1", entry)
	s := e.Shown[0]
	require.NotNil(t, s.Steps)
	v := compose.Seen(&e.Document.Panels[0], 900, 450)
	through := func(pic *picture.Picture, colour picture.Colour, x, y float64) bool {
		for _, line := range lines(pic.Live, colour) {
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
	keys := markers(pic.Live, 2)
	assert.Positive(t, keys)

	s.Steps.Go(0)
	begin := at(e, 900, 450)
	assert.True(t, through(begin, picture.Grey, 1.5, 2.25))
	assert.Empty(t, lines(begin.Live, 2), "at the beginning only the parent is there")
	assert.Equal(t, keys, markers(begin.Live, picture.Grey), "with the same key points")

	for k := 1.0; k <= float64(len(s.Steps.Steps)); k++ {
		s.Steps.Go(k)
		place := s.Steps.PlaceAt(e, k)
		x, y := place.Of(1, 1)
		assert.True(t, through(at(e, 900, 450), 2, x, y), "after step %v the point (1, 1) lies on the curve", k)
		s.Steps.Go(k - 0.5)
		half := s.Steps.PlaceAt(e, k-0.5)
		x, y = half.Of(1, 1)
		assert.True(t, through(at(e, 900, 450), 2, x, y), "and on its way too")
	}
	s.Steps.Go(99)
	x, y := s.Steps.PlaceAt(e, s.Steps.Position).Of(0, 0)
	assert.Equal(t, [2]float64{1, -1}, [2]float64{x, y}, "the vertex at last")
	x, y = s.Steps.PlaceAt(e, s.Steps.Position).Of(1, 1)
	assert.Equal(t, [2]float64{2, 1}, [2]float64{x, y})
}

// 1/x moved to 1/(x − 2) + 1 takes its asymptotes along: x = 2 and y = 1.
func TestStepsTakeTheAsymptotesAlong(t *testing.T) {
	pic, e := withParameter(t, "1/(x − 2) + 1", document.Shown{ID: "st", Kind: document.Steps, Function: "f", Colour: 2})
	v := compose.Seen(&e.Document.Panels[0], 900, 450)
	var upright, level bool
	for _, line := range lines(pic.Live, 2) {
		if len(line) == 2 {
			upright = upright || line[0][0] == line[1][0] && math.Abs(line[0][0]-v.X(2)) < 0.5
			level = level || line[0][1] == line[1][1] && math.Abs(line[0][1]-v.Y(1)) < 0.5
		}
	}
	assert.True(t, upright && level)
}

// What has been found of a function is drawn where it is: zeros as points, open ones as rings, asymptotes as guides that
// repeat with the period.
func TestFindingsAreDrawnWhereTheyAre(t *testing.T) {
	show := func(id string, finding document.Finding, colour int) document.Shown {
		return document.Shown{ID: id, Kind: document.Found, Function: "f", Finding: finding, Colour: colour}
	}
	_, e := withParameter(t, "tan(x)", show("z", document.Zeros, 3), show("v", document.VerticalAsymptotes, 4), show("h", document.Holes, 6), show("s", document.SlantedAsymptotes, 7))
	f := e.Function("f")
	e.PutFound(&found.Found{Function: "f", Values: map[string]float64{}, Formula: f.Meaning, Period: math.Pi,
		Points: map[document.Finding][]found.Point{document.Zeros: {{X: 0}}, document.Holes: {{X: 1, Y: 1, Open: true}}},
		Guides: map[document.Finding][]found.Guide{document.VerticalAsymptotes: {{Upright: true, At: math.Pi / 2}}, document.SlantedAsymptotes: {{Slope: -1, At: -0.5}}}})
	pic := at(e, 900, 450)
	v := compose.Seen(&e.Document.Panels[0], 900, 450)
	assert.Equal(t, 3, markers(pic.Live, 3), "0 and ±π in the window from −6 to 6")
	guides := lines(pic.Live, 4)
	require.Len(t, guides, 4, "±π/2 and ±3π/2")
	for _, g := range guides {
		x := v.AtX(g[0][0]) / (math.Pi / 2)
		assert.InDelta(t, math.Round(x), x, 1e-3)
		assert.Equal(t, g[0][0], g[1][0])
	}
	assert.Equal(t, 4, markers(pic.Live, 6))
	for _, line := range lines(pic.Live, 7) {
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
