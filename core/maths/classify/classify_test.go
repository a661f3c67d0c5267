package classify_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/classify"
)

func steps(from, step float64, count int) (x []float64) {
	for k := range count {
		x = append(x, from+step*float64(k))
	}
	return x
}

func values(x []float64, decimals float64, f func(x float64) float64) (y []float64) {
	for _, v := range x {
		unit := math.Pow(10, decimals)
		y = append(y, math.Round(f(v)*unit)/unit)
	}
	return y
}

// With equal steps in x: first differences constant, linear; second, quadratic; ratios, exponential (common practice).
func TestATableTellsItsType(t *testing.T) {
	whole := steps(0, 1, 6)
	uneven := []float64{0, 1, 3, 4, 7, 11}
	doubling := []float64{1, 2, 4, 8, 16}
	for name, c := range map[string]struct {
		x, y []float64
		want classify.Type
	}{
		"a line":                      {whole, values(whole, 9, func(x float64) float64 { return 3 - 2*x }), classify.Linear},
		"a line at uneven places":     {uneven, values(uneven, 9, func(x float64) float64 { return 5 + 2*x }), classify.Linear},
		"a line, rounded":             {whole, values(whole, 2, func(x float64) float64 { return x / 7 }), classify.Linear},
		"a parabola":                  {whole, values(whole, 9, func(x float64) float64 { return x*x - 4*x + 1 }), classify.Quadratic},
		"a parabola at uneven places": {uneven, values(uneven, 9, func(x float64) float64 { return x*x/2 + 1 }), classify.Quadratic},
		"the water jet, measured":     {steps(0, 0.5, 7), values(steps(0, 0.5, 7), 2, func(x float64) float64 { return -0.6*(x-3)*(x-3) + 4.5 }), classify.Quadratic},
		"doubling":                    {whole, values(whole, 0, func(x float64) float64 { return 3 * math.Pow(2, x) }), classify.Exponential},
		"cooling, rounded":            {whole, values(whole, 2, func(x float64) float64 { return 100 * math.Exp(-0.2*x) }), classify.Exponential},
		"below the axis":              {whole, values(whole, 0, func(x float64) float64 { return -math.Pow(3, x) }), classify.Exponential},
		"a cubic":                     {whole, values(whole, 0, func(x float64) float64 { return x*x*x - x }), classify.Cubic},
		"a power":                     {doubling, values(doubling, 9, func(x float64) float64 { return 5 * math.Pow(x, -2) }), classify.Power},
		"a logarithm":                 {doubling, values(doubling, 6, func(x float64) float64 { return math.Log(x) }), classify.Logarithmic},
		"a level row":                 {whole, []float64{4, 4, 4, 4, 4, 4}, classify.Constant},
		"a wave":                      {steps(0, 1, 9), values(steps(0, 1, 9), 3, math.Sin), classify.None},
		"two points":                  {[]float64{0, 1}, []float64{3, 9}, classify.None},
	} {
		got := classify.Of(c.x, c.y)
		assert.Equal(t, c.want, got.Type, "%s: %s", name, got.Reason)
		assert.NotEmpty(t, got.Reason, name)
	}
}

// 1, 8, 27, 64, 125 have the differences 7, 19, 37, 61, then 12, 18, 24, then 6, 6.
func TestDifferencesAndRatiosAreListed(t *testing.T) {
	got := classify.Of(steps(1, 1, 5), []float64{1, 8, 27, 64, 125})
	assert.Equal(t, [][]float64{{7, 19, 37, 61}, {12, 18, 24}, {6, 6}}, got.Differences)
	assert.Equal(t, 8.0, got.Ratios[0])
	assert.True(t, math.IsNaN(classify.Of(steps(0, 1, 3), []float64{0, 1, 2}).Ratios[0]), "a ratio by 0 does not exist")
}
