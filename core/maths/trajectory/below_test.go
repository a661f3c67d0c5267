package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/trajectory"
)

// fromPole is a polar curve over a turn, with its velocity from dr/dθ.
func fromPole(r, slope func(angle float64) float64) trajectory.Path {
	return trajectory.Path{To: 2 * math.Pi,
		At: func(t float64) trajectory.Place {
			return trajectory.Place{X: r(t) * math.Cos(t), Y: r(t) * math.Sin(t)}
		},
		Velocity: func(t float64) trajectory.Place {
			sin, cos := math.Sincos(t)
			return trajectory.Place{X: slope(t)*cos - r(t)*sin, Y: slope(t)*sin + r(t)*cos}
		}}
}

// A line at the distance d from the middle cuts r² acos(d/r) − d√(r² − d²) off a circle (circular segment, handbooks, from memory); half of
// the cardioid r = 1 + cos θ has 3π/4 (3π/2 in all, handbooks). The others are worked by hand: over the parabola y = x² the unit circle
// has a√(1 − a²) + asin a − ⅔a³, where a² = (√5 − 1)/2; under y = √x the circle around (2, 0) that touches the y-axis has its lower half
// 2π, 2√3 up to the crossing at x = 3, and half the segment beyond it, 2π/3 − √3/2.
func TestWhatAClosedCurveEnclosesOverAndUnderAGraphHasTheAreaOfHandbooks(t *testing.T) {
	segment := func(r, d float64) float64 { return r*r*math.Acos(d/r) - d*math.Sqrt(r*r-d*d) }
	level := func(y float64) func(float64) float64 { return func(float64) float64 { return y } }
	a := math.Sqrt((math.Sqrt(5) - 1) / 2)
	onParabola := a*math.Sqrt(1-a*a) + math.Asin(a) - 2.0/3*a*a*a
	cardioid := fromPole(func(t float64) float64 { return 1 + math.Cos(t) }, func(t float64) float64 { return -math.Sin(t) })
	twice := fromPole(func(t float64) float64 { return 2 * math.Cos(t) }, func(t float64) float64 { return -2 * math.Sin(t) })
	for _, c := range []struct {
		about       string
		of          trajectory.Path
		f           func(float64) float64
		over, under float64
	}{
		{"a circle over a level line", ring(0, 0, 2, 2), level(1), segment(2, 1), 4*math.Pi - segment(2, 1)},
		{"a circle, run through the other way", ring(0, 0, 2, -2), level(-1), 4*math.Pi - segment(2, 1), segment(2, 1)},
		{"a circle halved by its diameter", ring(0, 0, 1, 1), level(0), math.Pi / 2, math.Pi / 2},
		{"a circle halved by a slanting line", ring(3, 1, 1, 1), func(x float64) float64 { return 1 - 2*(x-3) }, math.Pi / 2, math.Pi / 2},
		{"a circle over a parabola", ring(0, 0, 1, 1), func(x float64) float64 { return x * x }, onParabola, math.Pi - onParabola},
		{"half of a cardioid", cardioid, level(0), 3 * math.Pi / 4, 3 * math.Pi / 4},
		{"a polar circle, run through twice", twice, level(0), math.Pi / 2, math.Pi / 2},
		{"a graph that begins where the circle does", ring(2, 0, 2, 2), math.Sqrt, 4*math.Pi - (2*math.Pi + 2*math.Sqrt(3) + 2*math.Pi/3 - math.Sqrt(3)/2), 2*math.Pi + 2*math.Sqrt(3) + 2*math.Pi/3 - math.Sqrt(3)/2},
		{"a line that passes over it", ring(0, 0, 1, 1), level(3), 0, math.Pi},
		{"a line that passes under it", ring(0, 0, 1, 1), level(-3), math.Pi, 0},
		{"a line that touches it", ring(0, 0, 1, 1), level(1), 0, math.Pi},
	} {
		over, why := trajectory.Below(c.of, c.f, false)
		assert.Equal(t, trajectory.Free, why, c.about)
		under, why := trajectory.Below(c.of, c.f, true)
		assert.Equal(t, trajectory.Free, why, c.about)
		assert.InDelta(t, c.over, over.Area, 1e-7, "%s: over it", c.about)
		assert.InDelta(t, c.under, under.Area, 1e-7, "%s: under it", c.about)
		assert.InDelta(t, c.over, filled(over.Loops), 1e-3*(1+c.over), "%s: what is shaded", c.about)
		assert.InDelta(t, c.under, filled(under.Loops), 1e-3*(1+c.under), "%s: what is shaded", c.about)
	}
}

// Beside a pole from which it comes back on the same side a graph lies above the circle.
func TestAGraphThatLeavesAndComesBackPartsACurve(t *testing.T) {
	peak := func(x float64) float64 { return 0.05 / math.Pow(x-0.3, 2) }
	over, why := trajectory.Below(ring(0, 0, 1, 1), peak, false)
	assert.Equal(t, trajectory.Free, why)
	under, _ := trajectory.Below(ring(0, 0, 1, 1), peak, true)
	assert.InDelta(t, math.Pi, over.Area+under.Area, 1e-8)
	assert.Len(t, over.Loops, 2, "to the left of the pole and to the right")
}

// A wave through a circle leaves several parts on both sides; together they are the circle.
func TestAWaveCutsACircleIntoPartsThatAddUp(t *testing.T) {
	wave := func(x float64) float64 { return 0.8 * math.Sin(7*x) }
	over, _ := trajectory.Below(ring(0, 0, 1, 1), wave, false)
	under, _ := trajectory.Below(ring(0, 0, 1, 1), wave, true)
	assert.InDelta(t, math.Pi, over.Area+under.Area, 1e-8)
	assert.InDelta(t, over.Area, under.Area, 1e-8, "the wave is odd: half a turn takes one to the other")
}

func TestAGraphWithAGapOrAJumpOverTheCurvePartsNothing(t *testing.T) {
	for about, f := range map[string]func(float64) float64{
		"a pole": func(x float64) float64 { return 1 / (x - 0.3) },
		"a jump": math.Floor, "a half that is missing": math.Log,
	} {
		_, why := trajectory.Below(ring(0, 0, 1, 1), f, true)
		assert.Equal(t, trajectory.Broken, why, about)
	}
	_, why := trajectory.Below(ring(3, 0, 1, 1), math.Log, true)
	assert.Equal(t, trajectory.Free, why, "what is missing elsewhere does not count")
}
