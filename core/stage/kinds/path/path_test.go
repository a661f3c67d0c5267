package path_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/maths/locus"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/stagetest"
)

func way(t testing.TB, formula string, feature locus.Feature, as string, values map[string]float64) (*evaluate.Demonstration, *path.Live) {
	t.Helper()
	e := stagetest.Demonstration(t, map[string]string{"f": formula}, values, document.Entry{ID: "w", Body: &path.Body{Function: "f", Feature: feature, As: as}})
	require.Empty(t, e.Problems, formula)
	return e, e.Shown[0].Live.(*path.Live)
}

// The vertex of a x² + b x + c runs, as b varies, on y = c − a x² (common practice), whatever a and c are at the moment.
func TestTheWayOfTheVertexFollowsTheOtherDials(t *testing.T) {
	e, p := way(t, "a x² + b x + c", locus.Extrema, "b", map[string]float64{"a": 1, "b": 2, "c": -1})
	require.NotNil(t, p.Curve)
	compiled, stamp := e.Counters.Compiles, p.Stamp(e)
	for _, a := range []float64{1, -0.5, 3} {
		for _, c := range []float64{-1, 2} {
			e.Set(e.Find("a"), a)
			e.Set(e.Find("c"), c)
			for _, b := range []float64{-4, 0.5, 3} {
				x, y := -b/(2*a), c-b*b/(4*a) // the vertex, by completing the square
				assert.InDelta(t, y, p.Curve.At(x, p.Inputs(e)), 1e-12)
			}
		}
	}
	assert.Equal(t, compiled, e.Counters.Compiles, "a moved dial compiles nothing")
	assert.Greater(t, p.Stamp(e), stamp)
	stamp = p.Stamp(e)
	e.Set(e.Find("b"), 4)
	assert.Equal(t, stamp, p.Stamp(e), "its own parameter leaves the way where it is")
	from, to := p.Bar(e)
	assert.Equal(t, [2]float64{-5, 5}, [2]float64{from, to})
}

// As k varies the vertex of a(x − h)² + k goes straight up, as h varies level, on y = k; the y-intercept of a x² + b x + c
// stays as b varies (common practice).
func TestAWayMayBeALine(t *testing.T) {
	values := map[string]float64{"a": 1, "h": 2, "k": 3}
	e, up := way(t, "a(x − h)² + k", locus.Extrema, "k", values)
	x, is := up.Upright(e)
	assert.True(t, is)
	assert.Equal(t, 2.0, x)
	e.Set(e.Find("h"), -1)
	x, _ = up.Upright(e)
	assert.Equal(t, -1.0, x)
	e, level := way(t, "a(x − h)² + k", locus.Extrema, "h", values)
	_, is = level.Upright(e)
	assert.False(t, is)
	assert.Equal(t, 3.0, level.Curve.At(-7, level.Inputs(e)))
}

// x³ − 3p²x has its turns (±p, ∓2p³) on y = −2x³ (by hand). Those of x⁴ + p sin(p x) have no equation and are followed value by
// value: where 4x³ = −p² cos(p x), at the height of the curve.
func TestAWayWithoutEquationIsFollowedValueByValue(t *testing.T) {
	e, p := way(t, "x³ − 3p² x", locus.Extrema, "p", map[string]float64{"p": 1})
	require.NotNil(t, p.Curve)
	assert.InDelta(t, -2*1.7*1.7*1.7, p.Curve.At(1.7, p.Inputs(e)), 1e-12)

	e, p = way(t, "x⁴ + p sin(p x)", locus.Extrema, "p", map[string]float64{"p": 1})
	require.Nil(t, p.Curve)
	places := p.Follow(e, -3, 3)
	require.NotEmpty(t, places)
	for _, q := range places {
		assert.InDelta(t, 0, 4*q.X*q.X*q.X+q.Value*q.Value*math.Cos(q.Value*q.X), 1e-6)
		assert.InDelta(t, math.Pow(q.X, 4)+q.Value*math.Sin(q.Value*q.X), q.Y, 1e-9)
	}
}

// Where a dial moves no such feature, or is none, the way says so and the rest of the picture stays.
func TestAWayThatDoesNotExistIsNamed(t *testing.T) {
	for _, c := range []struct {
		formula  string
		feature  locus.Feature
		as, code string
	}{
		{"a x² + b x + 1", locus.Extrema, "q", "not-a-parameter"},
		{"a x + b", locus.Extrema, "a", "no-path"},
	} {
		e := stagetest.Demonstration(t, map[string]string{"f": c.formula}, map[string]float64{"a": 1, "b": 1},
			document.Entry{ID: "w", Body: &path.Body{Function: "f", Feature: c.feature, As: c.as}},
			document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
		assert.Equal(t, c.code, stagetest.Problems(e)["w"], c.formula)
		assert.Nil(t, e.Shown[0].Live, c.formula)
		assert.NotNil(t, e.Shown[1].Live, c.formula)
	}
}

// x² and m x + 1 meet at x = (m ± √(m² + 4))/2, as m varies on the parabola (by hand).
func TestTheWayOfIntersections(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "m x + 1", "g": "x²"}, map[string]float64{"m": 1},
		document.Entry{ID: "w", Body: &path.Body{Function: "f", With: "g", Feature: locus.Intersections, As: "m"}})
	require.Empty(t, e.Problems)
	p := e.Shown[0].Live.(*path.Live)
	require.NotNil(t, p.Curve)
	for _, m := range []float64{-3, 0, 2} {
		x := (m + math.Sqrt(m*m+4)) / 2
		assert.InDelta(t, m*x+1, p.Curve.At(x, p.Inputs(e)), 1e-9)
	}
}
