package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// meeting loads two functions and the intersections of their curves.
func meeting(t *testing.T, f, g string) (*evaluate.Figure, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	for _, text := range []string{"f(x) = " + f, "g(x) = " + g} {
		var err error
		d, err = edit.State(d, "", text)
		require.NoError(t, err)
	}
	d.Shown = []document.Shown{{ID: "meet", Kind: document.FigureEntry, Function: "f", Figure: &document.Figure{Shape: document.Intersection, Other: "g"}}}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e.Shown[0].Figure, e
}

// By hand: a parabola touches its tangent and e^x touches x + 1 once; sin x touches 1 at π/2 and every turn further. Curves
// that come within a hundredth do not meet, nor does one that passes another at a pole or a jump.
func TestCurvesThatTouchMeetWhereTheyDo(t *testing.T) {
	for _, c := range []struct {
		f, g string
		at   []float64
	}{
		{"(x − 0.1234)²", "0", []float64{0.1234}}, {"x²", "2·1.7x − 1.7²", []float64{1.7}}, {"e^x", "x + 1", []float64{0}},
		{"sin x", "1", []float64{-3 * math.Pi / 2, math.Pi / 2}}, {"(x + 1.5)²(x − 2.5)", "0", []float64{-1.5, 2.5}},
		{"10^6 (x − 0.7)²", "0", []float64{0.7}}, {"(x − 0.3)^4", "0", []float64{0.3}}, {"−(x + 2.2222)²", "0", []float64{-2.2222}},
		// Close together, by hand: (x − 1)² = 0.0001, and 10⁵(x − ½)² = 1.
		{"x²", "2x − 0.9999", []float64{0.99, 1.01}}, {"1/(1 + 10^5 (x − 0.5)²)", "0.5", []float64{0.5 - 0.00316228, 0.5 + 0.00316228}},
		{"x² + 0.01", "0", nil}, {"1/x", "0", nil}, {"sgn(x − 0.1) + 0.5", "0", nil}, {"1/x²", "−1", nil}, {"cosh x", "0.999", nil},
	} {
		figure, e := meeting(t, c.f, c.g)
		places := figure.Crossings(e, -6.03, 6)
		if !assert.Len(t, places, len(c.at), "%s and %s", c.f, c.g) {
			continue
		}
		for i, x := range c.at {
			assert.InDelta(t, x, places[i][0], 1e-3*math.Abs(x)+1e-6, "%s and %s", c.f, c.g)
		}
	}
}
