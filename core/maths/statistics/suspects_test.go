package statistics_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/statistics"
)

func suspects(x, y []float64) (places []int) {
	list, _ := statistics.OffNeighbours(x, y)
	for _, s := range list {
		places = append(places, s.Index)
	}
	return places
}

// Measured five times at each of six places, as a calibration is (common practice): the values at one place are no reason to doubt those at
// the next, however large the step is beside their scatter; one that was mistyped is told among them.
func TestRepeatedMeasurementsAreNoSlips(t *testing.T) {
	random := rand.New(rand.NewPCG(7, 30))
	var x, y, exact []float64
	for place := range 6 {
		for range 5 {
			x = append(x, float64(place))
			exact = append(exact, 10*float64(place))
			y = append(y, 10*float64(place)+0.05*random.NormFloat64())
		}
	}
	assert.Empty(t, suspects(x, exact), "each five times the same")
	assert.Empty(t, suspects(x, y))
	y[12] = 21.9
	assert.Equal(t, []int{12}, suspects(x, y))
	y[12], y[0] = 20.02, 1.9
	assert.Equal(t, []int{0}, suspects(x, y), "also at the end")
}

// One value off a line, a parabola or a wave is told, and none of those beside it.
func TestASlipIsToldAndNotItsNeighbours(t *testing.T) {
	for about, f := range map[string]func(x float64) float64{
		"a line":     func(x float64) float64 { return 3*x - 1 },
		"a parabola": func(x float64) float64 { return x*x/4 - x },
	} {
		var x, y []float64
		for k := range 20 {
			x, y = append(x, float64(k)), append(y, f(float64(k)))
		}
		assert.Empty(t, suspects(x, y), about)
		for _, at := range []int{0, 1, 7, 18, 19} {
			was := y[at]
			y[at] += 9
			assert.Equal(t, []int{at}, suspects(x, y), "%s, value %d", about, at)
			y[at] = was
		}
	}
	assert.Empty(t, suspects([]float64{1, 1, 1, 1, 1, 1, 1}, []float64{1, 2, 3, 4, 5, 6, 7}), "all at one place: there is no trend")
	assert.Empty(t, suspects([]float64{1, 2}, []float64{1, 9}), "too few for a trend")
}

// A table in which thousands of rows have the same x is looked through in a moment.
func BenchmarkManyAtOnePlace(b *testing.B) {
	random := rand.New(rand.NewPCG(7, 31))
	x, y := make([]float64, 10000), make([]float64, 10000)
	for i := range x {
		x[i], y[i] = float64(i%4), random.NormFloat64()
	}
	for b.Loop() {
		statistics.OffNeighbours(x, y)
	}
}
