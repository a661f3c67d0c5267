package figure_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/stagetest"
)

// meeting loads two functions and the intersections of their curves.
func meeting(t *testing.T, f, g string) (*figure.Live, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	for _, text := range []string{"f(x) = " + f, "g(x) = " + g} {
		var err error
		d, err = edit.State(d, "", text)
		require.NoError(t, err)
	}
	d.Shown = []document.Entry{{ID: "meet", Body: &figure.Body{Shape: figure.Intersection, Other: "g", Function: "f"}}}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e.Shown[0].Live.(*figure.Live), e
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
		meet, e := meeting(t, c.f, c.g)
		places := meet.Crossings(e, -6.03, 6)
		if !assert.Len(t, places, len(c.at), "%s and %s", c.f, c.g) {
			continue
		}
		for i, x := range c.at {
			assert.InDelta(t, x, places[i][0], 1e-3*math.Abs(x)+1e-6, "%s and %s", c.f, c.g)
		}
	}
}

func piece(shape figure.Shape, points ...string) document.Entry {
	return document.Entry{ID: "fig", Body: &figure.Body{Shape: shape, Points: points}}
}

// The middle of two points lies half way, and that of a middle and a point a quarter; where a point has no value none of what
// hangs on it has (common practice).
func TestGeometryHangsOnItsPoints(t *testing.T) {
	middle := piece(figure.Midpoint, "A", "B")
	middle.ID = "M"
	quarter := piece(figure.Midpoint, "M", "A")
	quarter.ID = "Q"
	e := stagetest.Demonstration(t, nil, map[string]float64{"a": 4}, at("A", "A", "0", "2"), at("B", "B", "a", "√a"), middle, quarter,
		piece(figure.Polygon, "A", "B", "M"))
	require.Empty(t, e.Problems)
	x, y := e.Shown[3].Live.(evaluate.Placed).Position()
	assert.Equal(t, [2]float64{1, 2}, [2]float64{x, y})
	corners, defined := e.Shown[4].Live.(*figure.Live).Corners()
	assert.True(t, defined)
	assert.Equal(t, [][2]float64{{0, 2}, {4, 2}, {2, 2}}, corners)
	e.Set(0, -1)
	e.Update()
	_, y = e.Shown[3].Live.(evaluate.Placed).Position()
	assert.True(t, math.IsNaN(y), "√(−1) has no value")
	_, defined = e.Shown[4].Live.(*figure.Live).Corners()
	assert.False(t, defined)

	bad := stagetest.Demonstration(t, map[string]string{"f": "x"}, nil, at("A", "A", "0", "0"), document.Entry{ID: "c", Body: &curve.Body{Function: "f"}},
		piece(figure.Segment, "A", "c"))
	assert.Equal(t, "field", stagetest.Problems(bad)["fig"], "a curve is no point")
	assert.Nil(t, bad.Shown[2].Live)
}

// The tangent of x² at p has the slope 2p and the normal −1/(2p), upright at the vertex; the tangent of ∛x at 0 is upright
// (worked examples of any calculus book; common practice).
func TestTangentsAndNormalsFollowTheirPlace(t *testing.T) {
	line := func(formula string, shape figure.Shape, at float64) (y, slope float64, defined bool) {
		e := stagetest.Demonstration(t, map[string]string{"f": formula}, map[string]float64{"p": at}, document.Entry{ID: "l", Body: &figure.Body{Shape: shape, Function: "f", At: "p"}})
		require.Empty(t, e.Problems)
		x, y, slope, defined := e.Shown[0].Live.(*figure.Live).Line(e)
		assert.Equal(t, at, x)
		return y, slope, defined
	}
	y, slope, defined := line("x²", figure.Tangent, 3)
	assert.True(t, defined)
	assert.Equal(t, [2]float64{9, 6}, [2]float64{y, slope})
	_, slope, _ = line("x²", figure.Normal, 3)
	assert.InDelta(t, -1.0/6, slope, 1e-15)
	_, slope, defined = line("x²", figure.Normal, 0)
	assert.True(t, defined)
	assert.True(t, math.IsInf(slope, 0), "upright")
	_, slope, _ = line("x² + 3", figure.Tangent, 0)
	assert.Zero(t, slope)
	_, _, defined = line("1/x", figure.Tangent, 0)
	assert.False(t, defined, "no point, no tangent")
	_, _, defined = line("|x|", figure.Tangent, 0)
	assert.False(t, defined, "no tangent at a corner")
	_, slope, _ = line("e^x", figure.Tangent, 1)
	assert.InDelta(t, math.E, slope, 1e-12)
}

func TestIntersectionsNeedTwoFunctionsOfOneVariable(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "x"}, nil, document.Entry{ID: "i", Body: &figure.Body{Shape: figure.Intersection, Other: "g", Function: "f"}})
	assert.Equal(t, "not-a-function", stagetest.Problems(e)["i"])
	assert.Nil(t, e.Shown[0].Live)
}

func at(id, name, x, y string) document.Entry {
	return document.Entry{ID: id, Body: &point.Body{Name: name, X: x, Y: y}}
}
