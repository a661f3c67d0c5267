package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/trajectory"
)

// ring is an ellipse around a place, run through once, against the clock's hands for a positive height.
func ring(x, y, width, height float64) trajectory.Path {
	return trajectory.Path{To: 2 * math.Pi,
		At: func(t float64) trajectory.Place {
			return trajectory.Place{X: x + width*math.Cos(t), Y: y + height*math.Sin(t)}
		},
		Velocity: func(t float64) trajectory.Place {
			return trajectory.Place{X: -width * math.Sin(t), Y: height * math.Cos(t)}
		}}
}

// The lens of two circles is r²·acos((d² + r² − R²)/2dr) + R²·acos((d² + R² − r²)/2dR) − ½√((−d + r + R)(d + r − R)(d − r + R)(d + r + R))
// (circle–circle intersection, handbooks, from memory); four quarters of the ellipses x²/a² + y²/b² = 1 and x²/b² + y²/a² = 1 share
// 4ab·atan(b/a) (worked by hand); what lies outside is the rest.
func TestTwoClosedCurvesEncloseTheAreaOfHandbooks(t *testing.T) {
	lens := func(d, r, R float64) float64 {
		return r*r*math.Acos((d*d+r*r-R*R)/(2*d*r)) + R*R*math.Acos((d*d+R*R-r*r)/(2*d*R)) -
			math.Sqrt((-d+r+R)*(d+r-R)*(d-r+R)*(d+r+R))/2
	}
	for _, c := range []struct {
		about      string
		a, b       trajectory.Path
		both, only float64
		loops      [2]int
	}{
		{"two equal circles", ring(0, 0, 1, 1), ring(1, 0, 1, 1), lens(1, 1, 1), math.Pi - lens(1, 1, 1), [2]int{1, 1}},
		{"two circles, one run through the other way", ring(0, 0, 2, -2), ring(1.5, 1, 1, 1), lens(math.Hypot(1.5, 1), 2, 1), 4*math.Pi - lens(math.Hypot(1.5, 1), 2, 1), [2]int{1, 1}},
		{"two ellipses that cross", ring(0, 0, 3, 2), ring(0, 0, 2, 3), 4 * 6 * math.Atan(2.0/3), 6*math.Pi - 4*6*math.Atan(2.0/3), [2]int{1, 2}},
		{"a circle in an ellipse", ring(0, 0, 3, 2), ring(0.5, 0, 1, 1), math.Pi, 5 * math.Pi, [2]int{1, 2}},
		{"an ellipse around which a circle goes", ring(0, 0, 1, 0.5), ring(0, 0, 2, 2), math.Pi / 2, 0, [2]int{1, 0}},
		{"two circles that touch from outside", ring(0, 0, 1, 1), ring(2, 0, 1, 1), 0, math.Pi, [2]int{0, 1}},
		// The hole is gone around from the place where they touch.
		{"two circles that touch from inside", ring(0, 0, 2, 2), ring(1, 0, 1, 1), math.Pi, 3 * math.Pi, [2]int{1, 1}},
		{"two circles apart", ring(0, 0, 1, 1), ring(5, 0, 1, 1), 0, math.Pi, [2]int{0, 1}},
	} {
		both, why := trajectory.Overlapping(c.a, c.b, true)
		assert.Equal(t, trajectory.Free, why, c.about)
		assert.InDelta(t, c.both, both.Area, 1e-8, "%s: both", c.about)
		only, why := trajectory.Overlapping(c.a, c.b, false)
		assert.Equal(t, trajectory.Free, why, c.about)
		assert.InDelta(t, c.only, only.Area, 1e-8, "%s: the first alone", c.about)
		assert.Equal(t, c.loops, [2]int{len(both.Loops), len(only.Loops)}, "%s: around how much is gone", c.about)
		assert.InDelta(t, c.both, filled(both.Loops), 1e-3*(1+c.both), "%s: what is shaded", c.about)
		assert.InDelta(t, c.only, filled(only.Loops), 1e-3*(1+c.only), "%s: what is shaded", c.about)
	}
}

// filled is the area that loops go around, by the formula for polygons.
func filled(loops [][]trajectory.Place) (area float64) {
	for _, loop := range loops {
		for i, p := range loop {
			q := loop[(i+1)%len(loop)]
			area += (p.X*q.Y - p.Y*q.X) / 2
		}
	}
	return area
}

// A figure of eight (sin t, sin 2t) encloses 8/3 in its two halves, which are run through in opposite ways: ∮y dx over the right one is
// 4/3 (worked by hand). An upright line through a wide rectangle-like ring takes the halves apart. An astroid (cos³t, sin³t) encloses
// 3π/8 (handbooks) and lies inside the circle around it, which it touches in its cusps.
func TestCurvesThatCrossThemselvesOrHaveCuspsEncloseAsOthersDo(t *testing.T) {
	eight := trajectory.Path{To: 2 * math.Pi,
		At:       func(t float64) trajectory.Place { return trajectory.Place{X: math.Sin(t), Y: math.Sin(2 * t)} },
		Velocity: func(t float64) trajectory.Place { return trajectory.Place{X: math.Cos(t), Y: 2 * math.Cos(2*t)} }}
	astroid := trajectory.Path{To: 2 * math.Pi,
		At: func(t float64) trajectory.Place {
			return trajectory.Place{X: math.Pow(math.Cos(t), 3), Y: math.Pow(math.Sin(t), 3)}
		},
		Velocity: func(t float64) trajectory.Place {
			c, s := math.Cos(t), math.Sin(t)
			return trajectory.Place{X: -3 * c * c * s, Y: 3 * s * s * c}
		}}
	for _, c := range []struct {
		about      string
		a, b       trajectory.Path
		both, only float64
	}{
		{"an eight inside a circle", eight, ring(0, 0, 3, 3), 8.0 / 3, 0},
		{"a circle around an eight", ring(0, 0, 3, 3), eight, 8.0 / 3, 9*math.Pi - 8.0/3},
		{"the right half of an eight", eight, ring(5, 0, 5, 20), 0, 0},
		{"an astroid in its circle", ring(0, 0, 1, 1), astroid, 3 * math.Pi / 8, 5 * math.Pi / 8},
	} {
		both, why := trajectory.Overlapping(c.a, c.b, true)
		assert.Equal(t, trajectory.Free, why, c.about)
		only, why := trajectory.Overlapping(c.a, c.b, false)
		assert.Equal(t, trajectory.Free, why, c.about)
		if c.both > 0 {
			assert.InDelta(t, c.both, both.Area, 1e-8, "%s: both", c.about)
			assert.InDelta(t, c.only, only.Area, 1e-8, "%s: the first alone", c.about)
		} else {
			assert.InDelta(t, 8.0/3, both.Area+only.Area, 1e-8, "%s: together it is all of the eight", c.about)
		}
	}
}

func TestCurvesThatEncloseNothingThatCanBeToldAreRefused(t *testing.T) {
	half := ring(0, 0, 1, 1)
	half.To = math.Pi
	_, why := trajectory.Overlapping(half, ring(0, 0, 2, 2), true)
	assert.Equal(t, trajectory.Open, why, "half a circle does not close")
	there := trajectory.Path{To: 2 * math.Pi,
		At: func(t float64) trajectory.Place {
			return trajectory.Place{X: math.Cos(t), Y: math.Cos(t) * math.Cos(t)}
		},
		Velocity: func(t float64) trajectory.Place { return trajectory.Place{X: -math.Sin(t), Y: -math.Sin(2 * t)} }}
	_, why = trajectory.Overlapping(there, ring(0.5, 0, 1, 1), true)
	assert.Equal(t, trajectory.RunOver, why, "an arc of a parabola that is run through there and back")
	_, why = trajectory.Overlapping(ring(0, 0, 1, 0), ring(0.5, 0, 1, 1), true)
	assert.Equal(t, trajectory.RunOver, why, "an ellipse without height is a segment there and back")
	_, why = trajectory.Overlapping(ring(0, 0, 1, 1), ring(0, 0, 1, 1), true)
	assert.Equal(t, trajectory.Along, why, "two circles that are the same")
}

func TestACurveThatIsRunThroughSeveralTimesEnclosesWhatItDoesOnce(t *testing.T) {
	thrice := ring(0, 0, 1, 1)
	thrice.To = 6 * math.Pi
	both, why := trajectory.Overlapping(thrice, ring(0.5, 0, 1, 1), true)
	assert.Equal(t, trajectory.Free, why)
	once, _ := trajectory.Overlapping(ring(0, 0, 1, 1), ring(0.5, 0, 1, 1), true)
	assert.InDelta(t, once.Area, both.Area, 1e-9)
}

func BenchmarkOverlapping(b *testing.B) {
	for b.Loop() {
		trajectory.Overlapping(ring(0, 0, 3, 2), ring(0, 0, 2, 3), true)
	}
}
