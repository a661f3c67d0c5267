package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/trajectory"
)

// Regions between polar curves as calculus books set them (common practice: a circle and a cardioid, a rose and a circle,
// two circles through the pole); the areas are worked by hand with ½∫(R² − r²) dθ between the angles of intersection.
func TestRegionsBetweenPolarCurvesHaveTheirAreas(t *testing.T) {
	turn := 2 * math.Pi
	cardioid := func(θ float64) float64 { return 1 + math.Cos(θ) }
	for _, c := range []struct {
		about    string
		f, g     func(float64) float64
		fTo, gTo float64
		common   bool
		want     float64
	}{
		{"inside r = 3 sin θ, outside r = 1 + sin θ", func(θ float64) float64 { return 3 * math.Sin(θ) }, func(θ float64) float64 { return 1 + math.Sin(θ) }, math.Pi, turn, false, math.Pi},
		{"inside r = 1 + cos θ, outside r = 1", cardioid, func(float64) float64 { return 1 }, turn, turn, false, 2 + math.Pi/4},
		{"inside both r = sin θ and r = cos θ", math.Sin, math.Cos, math.Pi, math.Pi, true, (math.Pi - 2) / 8},
		{"inside r = 4 sin 2θ, outside r = 2", func(θ float64) float64 { return 4 * math.Sin(2*θ) }, func(float64) float64 { return 2 }, turn, turn, false, 8*math.Pi/3 + 4*math.Sqrt(3)},
		{"inside both r = 1 and r = 2 cos θ", func(float64) float64 { return 1 }, func(θ float64) float64 { return 2 * math.Cos(θ) }, turn, turn, true, 2*math.Pi/3 - math.Sqrt(3)/2},
		{"inside r = 1 + cos θ and the same, written another way", cardioid, func(θ float64) float64 { return 2 * math.Cos(θ/2) * math.Cos(θ/2) }, turn, turn, true, 1.5 * math.Pi},
		{"inside r = 2, outside r = 1 + cos θ", func(float64) float64 { return 2 }, cardioid, turn, turn, false, 4*math.Pi - 1.5*math.Pi},
	} {
		region := trajectory.Between(trajectory.Encloses(c.f, 0, c.fTo), trajectory.Encloses(c.g, 0, c.gTo), c.common)
		assert.InDelta(t, c.want, region.Area(), 1e-9, c.about)
	}
}

func TestAnOutlineReachesToTheFarthestPlace(t *testing.T) {
	rose := trajectory.Encloses(func(θ float64) float64 { return math.Cos(2 * θ) }, 0, 2*math.Pi)
	assert.InDelta(t, 1, rose(math.Pi/2), 1e-12, "a petal that is drawn where r is negative")
	assert.InDelta(t, 0, rose(math.Pi/4), 1e-12)
	half := trajectory.Encloses(func(float64) float64 { return 1 }, 0, math.Pi)
	assert.Equal(t, 1.0, half(1))
	assert.Zero(t, half(4), "nothing is drawn below the axis")
	spiral := trajectory.Encloses(func(θ float64) float64 { return θ }, 0, 4*math.Pi)
	assert.InDelta(t, 1+2*math.Pi, spiral(1), 1e-12, "the outermost turn")
}

// Inside a branch of the hyperbola r = 1/(1 − 2cos θ) and outside the unit circle lies more than any number; so does inside
// r = 1/θ and r = 1/√θ, of which ½∫dθ/θ grows like a logarithm (worked by hand).
func TestARegionThatRunsOffHasNoArea(t *testing.T) {
	turn := 2 * math.Pi
	unit := trajectory.Encloses(func(float64) float64 { return 1 }, 0, turn)
	for about, r := range map[string]func(float64) float64{
		"1/(1 − 2cos θ)": func(θ float64) float64 { return 1 / (1 - 2*math.Cos(θ)) }, "1/θ": func(θ float64) float64 { return 1 / θ },
		"1/√θ": func(θ float64) float64 { return 1 / math.Sqrt(θ) },
	} {
		area := trajectory.Between(trajectory.Encloses(r, 0, turn), unit, false).Area()
		assert.True(t, math.IsInf(area, 1), "%s: %v", about, area)
	}
}

// The petals of cos nθ have the area π/4 together for an odd n, π/2 for an even one, a lemniscate r² = cos 2(θ − s) has 1 wherever it is turned
// to (Lawrence, from memory): what begins and ends where nothing is enclosed is counted up to there.
func TestWhatEndsWhereNothingIsEnclosed(t *testing.T) {
	pole := func(float64) float64 { return 0 }
	area := func(r func(float64) float64, to float64) float64 {
		return trajectory.Between(trajectory.Encloses(r, 0, to), pole, false).Area()
	}
	for n := 2.0; n <= 9; n++ {
		want, to := math.Pi/4, math.Pi
		if math.Mod(n, 2) == 0 {
			want, to = math.Pi/2, 2*math.Pi
		}
		assert.InDelta(t, want, area(func(a float64) float64 { return math.Cos(n * a) }, to), 1e-9, "%v", n)
	}
	for k := range 40 {
		turned := float64(k) * math.Pi / 37
		assert.InDelta(t, 1, area(func(a float64) float64 { return math.Sqrt(math.Max(0, math.Cos(2*(a-turned)))) }, 2*math.Pi), 1e-6, "turned by %v", turned)
	}
}
