package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	curves "parvix/core/maths/trajectory"
)

// What closed curves enclose, from handbooks: an ellipse πab; the deltoid 2π and the nephroid 12π of radius 1 (Lawrence, A Catalog of Special
// Plane Curves, from memory), the eight curve (cos t, sin t cos t) 4/3 (the same), whose two loops are run through in opposite ways; a circle
// that is run through twice, π; the limaçon r = 1 + 2cos θ with its inner loop inside, 2π + 3√3/2 (Bronstein, from memory), more than
// nothing of which counts twice.
func TestWhatAClosedCurveEncloses(t *testing.T) {
	for name, c := range map[string]struct {
		place  func(t float64) (x, y float64)
		want   float64
		simple bool
	}{
		"ellipse":      {func(t float64) (x, y float64) { return 3 * math.Cos(t), 2 * math.Sin(t) }, 6 * math.Pi, true},
		"deltoid":      {func(t float64) (x, y float64) { return 2*math.Cos(t) + math.Cos(2*t), 2*math.Sin(t) - math.Sin(2*t) }, 2 * math.Pi, true},
		"nephroid":     {func(t float64) (x, y float64) { return 3*math.Cos(t) - math.Cos(3*t), 3*math.Sin(t) - math.Sin(3*t) }, 12 * math.Pi, true},
		"eight":        {func(t float64) (x, y float64) { return math.Cos(t), math.Sin(t) * math.Cos(t) }, 4.0 / 3, false},
		"circle twice": {func(t float64) (x, y float64) { return math.Cos(2 * t), math.Sin(2 * t) }, math.Pi, false},
		"limaçon": {func(t float64) (x, y float64) {
			r := 1 + 2*math.Cos(t)
			return r * math.Cos(t), r * math.Sin(t)
		}, 2*math.Pi + 3*math.Sqrt(3)/2, false},
	} {
		var x, y []float64
		const n = 4096
		for k := range n {
			px, py := c.place(2 * math.Pi * float64(k) / n)
			x, y = append(x, px), append(y, py)
		}
		area, simple := curves.Inside(x, y)
		assert.InDelta(t, c.want, area, 2e-4*c.want, name)
		assert.Equal(t, c.simple, simple, name)
	}
}

// What is no polygon, or lies on a line, encloses nothing.
func TestNothingEnclosesNothing(t *testing.T) {
	for _, x := range [][]float64{nil, {1, 2}, {1, 2, 3}} {
		area, _ := curves.Inside(x, make([]float64, len(x)))
		assert.Zero(t, area)
	}
}
