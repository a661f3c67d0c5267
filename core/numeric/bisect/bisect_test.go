package bisect_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"parvix/core/numeric/bisect"
)

func TestAChangeIsClosedInFromBothSides(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		a, b := rapid.Float64Range(-1e6, 1e6).Draw(t, "a"), rapid.Float64Range(-1e6, 1e6).Draw(t, "b")
		if a == b {
			return
		}
		at := a + (b-a)*rapid.Float64Range(0.01, 0.99).Draw(t, "share")
		last, first := bisect.Change(func(x float64) bool { return (x < at) == (a < at) }, a, b, 60)
		assert.InDelta(t, at, last, 1e-9)
		assert.InDelta(t, at, first, 1e-9)
		assert.Equal(t, a < at, last < at, "still as at a")
		assert.NotEqual(t, a < at, first < at)
	})
}

func TestARootIsFoundToTheLastDigit(t *testing.T) {
	last, first := bisect.Change(func(x float64) bool { return x*x < 2 }, 0, 2, 200)
	assert.Equal(t, math.Nextafter(last, 2), first)
	assert.LessOrEqual(t, last, math.Sqrt2)
	assert.GreaterOrEqual(t, first, math.Sqrt2)
}

func TestTenHalvingsLeaveAThousandthOfTheWay(t *testing.T) {
	last, first := bisect.Change(func(x float64) bool { return x < 0.3 }, 0, 1, 10)
	assert.Equal(t, 1.0/1024, first-last)
}
