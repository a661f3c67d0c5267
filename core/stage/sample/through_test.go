package sample_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/sample"
)

// The splines of Catmull and Rom go through their points and, between inner points at equal steps, give parabolas exactly.
func TestASmoothLineGoesThroughItsPlaces(t *testing.T) {
	var places []sample.Point
	for x := -3.0; x <= 3; x++ {
		places = append(places, sample.Point{X: x, Y: x*x/2 - x})
	}
	line := sample.Through(places)
	at := map[float64]float64{}
	for _, p := range line {
		at[p.X] = p.Y
		if p.X >= -2 && p.X <= 2 {
			assert.InDelta(t, p.X*p.X/2-p.X, p.Y, 1e-12, "at %v", p.X)
		}
	}
	for _, p := range places {
		assert.Equal(t, p.Y, at[p.X])
	}
	gap := sample.Point{X: math.NaN(), Y: math.NaN()}
	broken := sample.Through([]sample.Point{{X: 0, Y: 0}, {X: 1, Y: 1}, gap, {X: 3, Y: 0}})
	require.Greater(t, len(broken), 4)
	count := 0
	for _, p := range broken {
		assert.False(t, p.X > 1 && p.X < 3, "nothing joins the sides of a gap")
		if p.X != p.X {
			count++
		}
	}
	assert.Equal(t, 1, count)
}
