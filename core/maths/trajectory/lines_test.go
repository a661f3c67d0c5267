package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/maths/trajectory"
)

// A table counts whole steps: the hundredth of 0.1 is 10, though ten times 0.1 added up in floats is not 1.
func TestATableDoesNotDrift(t *testing.T) {
	rows, ok := parametric(t, "t", "t²").Table(0, 10, 0.1)
	require.True(t, ok)
	require.Len(t, rows, 101)
	assert.Equal(t, 10.0, rows[100].X)
	assert.Equal(t, 100.0, rows[100].Y)
	rows, ok = polar(t, "1 + cos θ").Table(0, 2*math.Pi, math.Pi/6)
	require.True(t, ok)
	require.Len(t, rows, 13, "both ends are in it, though 2π/(π/6) is not exactly 12 in floats")
	assert.InDelta(t, 1.5, rows[2].R, 1e-15, "1 + cos π/3")
	assert.InDelta(t, 0.75, rows[2].X, 1e-15)
	assert.InDelta(t, 3*math.Sqrt(3)/4, rows[2].Y, 1e-15)
	assert.InDelta(t, 0, rows[6].R, 1e-15, "the cusp")
}

func TestATableSaysWhatHasNoValue(t *testing.T) {
	rows, ok := polar(t, "√(cos(2θ))").Table(0, math.Pi/2, math.Pi/2)
	require.True(t, ok)
	assert.Equal(t, 1.0, rows[0].R)
	assert.True(t, math.IsNaN(rows[1].R) && math.IsNaN(rows[1].X) && math.IsNaN(rows[1].Y))
	rows, ok = parametric(t, "t", "1/t").Table(-1, 1, 1)
	require.True(t, ok)
	assert.True(t, math.IsNaN(rows[1].Y))
	assert.True(t, math.IsNaN(rows[0].R), "a parametric curve has no r")
	assert.Zero(t, rows[1].X)
}

func TestATableIsRefusedThatNobodyCanRead(t *testing.T) {
	c := polar(t, "θ")
	for _, ask := range [][3]float64{{0, 1, 0}, {0, 1, -0.1}, {1, 0, 0.1}, {0, 1, math.NaN()}, {0, 1e9, 1}, {0, math.Inf(1), 1}} {
		_, ok := c.Table(ask[0], ask[1], ask[2])
		assert.False(t, ok, ask)
	}
	rows, ok := c.Table(2, 2, 1)
	assert.True(t, ok)
	assert.Len(t, rows, 1, "an interval that is one place")
}

// Lines keep to the curve: between two of their points no place of the curve is further off than a thousandth of its size.
func TestLinesFollowTheCurve(t *testing.T) {
	for _, c := range []struct {
		about    string
		curve    *trajectory.Curve
		from, to float64
		size     float64
	}{
		{"a circle", polar(t, "2"), 0, 2 * math.Pi, 4},
		{"a rose of eight petals", polar(t, "sin(4θ)"), 0, 2 * math.Pi, 2},
		{"a Lissajous curve", parametric(t, "sin(9t)", "sin(8t)"), 0, 2 * math.Pi, 2},
		{"a helix", parametric(t, "cos t", "sin t", "t/5"), 0, 20, 4},
		{"a spiral", polar(t, "θ/10"), 0, 60, 12},
	} {
		lines := c.curve.Lines(c.from, c.to)
		require.Len(t, lines, 1, "%s is one line", c.about)
		line := lines[0]
		assert.Equal(t, c.from, line[0].T)
		assert.Equal(t, c.to, line[len(line)-1].T)
		for i := 1; i < len(line); i++ {
			a, b := line[i-1], line[i]
			require.Less(t, a.T, b.T, c.about)
			for _, share := range []float64{0.2, 0.5, 0.8} {
				x, y, z := c.curve.At(a.T + share*(b.T-a.T))
				assert.Less(t, fromChord(a, b, [3]float64{x, y, z}), c.size/1000, "%s between %v and %v", c.about, a.T, b.T)
			}
		}
	}
}

// fromChord is the distance of a place from the chord between two points.
func fromChord(a, b trajectory.Point, p [3]float64) float64 {
	chord, to := [3]float64{b.X - a.X, b.Y - a.Y, b.Z - a.Z}, [3]float64{p[0] - a.X, p[1] - a.Y, p[2] - a.Z}
	along, length, square := 0.0, 0.0, 0.0
	for k := range 3 {
		along, length, square = along+chord[k]*to[k], length+chord[k]*chord[k], square+to[k]*to[k]
	}
	return math.Sqrt(math.Max(0, square-along*along/length))
}

// √cos 2θ has a value in two of four quarters, tan t leaves the plane at π/2: no line runs over a gap.
func TestLinesBreakAtGaps(t *testing.T) {
	for _, c := range []struct {
		about    string
		curve    *trajectory.Curve
		from, to float64
		gap      float64
	}{
		{"a lemniscate", polar(t, "√(cos(2θ))"), -0.7, 4, math.Pi / 2},
		{"a tangent", parametric(t, "t", "tan t"), 0, 3, math.Pi / 2},
		{"a hyperbola", polar(t, "1/(1 − 2cos θ)"), 0.1, 2, math.Pi / 3},
	} {
		lines := c.curve.Lines(c.from, c.to)
		assert.Len(t, lines, 2, c.about)
		for _, line := range lines {
			assert.False(t, line[0].T < c.gap && line[len(line)-1].T > c.gap, "%s: from %v to %v", c.about, line[0].T, line[len(line)-1].T)
		}
	}
}

// Sectors of the region inside r = 3 sin θ and outside r = 1 + sin θ, which meet at π/6 and 5π/6 (common practice).
func TestSectorsEndWhereARegionDoes(t *testing.T) {
	turn := 2 * math.Pi
	circle := trajectory.Encloses(func(θ float64) float64 { return 3 * math.Sin(θ) }, 0, math.Pi)
	cardioid := trajectory.Encloses(func(θ float64) float64 { return 1 + math.Sin(θ) }, 0, turn)
	list := trajectory.Between(circle, cardioid, false).Sectors()
	require.Len(t, list, 1)
	first, last := list[0][0], list[0][len(list[0])-1]
	assert.InDelta(t, math.Pi/6, first.Direction, 1e-9)
	assert.InDelta(t, 5*math.Pi/6, last.Direction, 1e-9)
	assert.InDelta(t, 1.5, first.Far, 1e-9)
	for _, s := range list[0] {
		assert.LessOrEqual(t, s.Near, s.Far)
		assert.InDelta(t, 1+math.Sin(s.Direction), s.Near, 1e-9)
	}
	petals := trajectory.Between(trajectory.Encloses(func(θ float64) float64 { return math.Cos(2 * θ) }, 0, turn), trajectory.Encloses(func(float64) float64 { return 0.5 }, 0, turn), false).Sectors()
	assert.Len(t, petals, 5, "four petals of cos 2θ reach beyond 1/2, the one around the axis in two parts")
	assert.Empty(t, trajectory.Between(cardioid, trajectory.Encloses(func(float64) float64 { return 2.5 }, 0, turn), false).Sectors())
}

// 1/(1 − 2cos θ) runs off at π/3 and 5π/3, tan t at π/2, 1/θ at 0: worked by hand, as calculus books do with improper
// integrals. ∫dx/√x and the area under θ^(−1/4), ½∫θ^(−1/2) dθ = 1, exist all the same.
func TestWhatRunsOffHasNoEnd(t *testing.T) {
	hyperbola := polar(t, "1/(1 − 2cos θ)")
	assert.True(t, math.IsInf(hyperbola.Area(0, 2*math.Pi).Value, 1))
	assert.True(t, math.IsInf(hyperbola.Length(0, 2*math.Pi).Value, 1))
	box := hyperbola.Box(0, 2*math.Pi)
	assert.True(t, math.IsInf(box.Low[0], -1) && math.IsInf(box.High[0], 1) && math.IsInf(box.Low[1], -1) && math.IsInf(box.High[1], 1), "%v", box)
	box = parametric(t, "t", "tan t").Box(0, 1.5)
	assert.InDelta(t, math.Tan(1.5), box.High[1], 1e-9, "an end short of the pole")
	spiral := polar(t, "1/θ")
	box = spiral.Box(0, 1)
	assert.True(t, math.IsInf(box.High[0], 1))
	assert.InDelta(t, 1, box.High[1], 1e-6, "the hyperbolic spiral nears the line y = 1")
	assert.True(t, math.IsInf(spiral.Area(0, 1).Value, 1))
	quarter := polar(t, "θ^(−1/4)")
	assert.InDelta(t, 1, quarter.Area(0, 1).Value, 1e-9)
	assert.True(t, math.IsInf(quarter.Length(0, 1).Value, 1))
	assert.True(t, math.IsInf(parametric(t, "t", "ln t").Box(0, 1).Low[1], -1))
	assert.InDelta(t, 1, parametric(t, "t", "sin(t)/t").Box(-1, 1).High[1], 1e-6, "a hole is no pole")
	for from := 0.1; from < 3; from += 0.1 {
		box = parametric(t, "cos(t)² + sin(t)²", "√(2 + cos(t) − 2cos(t/2)²)").Box(from, from+2)
		assert.InDelta(t, 1, box.High[0], 1e-9, "what stays where it is but for rounding")
		assert.InDelta(t, 1, box.High[1], 1e-9)
	}
}

// The whole part of t jumps: three levels, of length 1 each, and no line in between.
func TestLinesBreakAtJumps(t *testing.T) {
	stairs := parametric(t, "t", "floor(t)")
	lines := stairs.Lines(0, 3)
	require.Len(t, lines, 3)
	for level, line := range lines {
		for _, p := range line {
			assert.Equal(t, float64(level), p.Y, "%v", p.T)
		}
	}
	assert.InDelta(t, 3, stairs.Length(0, 3).Value, 1e-9)
}
