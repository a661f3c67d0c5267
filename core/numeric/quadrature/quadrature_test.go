package quadrature_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/numeric/quadrature"
)

// Integrals of the handbook (Bronstein, tables of definite and of improper integrals; the half disc by its area).
func TestIntegralsOfTheHandbook(t *testing.T) {
	for name, c := range map[string]struct {
		f         func(float64) float64
		a, b, sum float64
	}{
		"a sine's half wave":      {math.Sin, 0, math.Pi, 2},
		"a half disc":             {func(x float64) float64 { return math.Sqrt(9 - x*x) }, -3, 3, 9 * math.Pi / 2},
		"1/√x, improper":          {func(x float64) float64 { return 1 / math.Sqrt(x) }, 0, 1, 2},
		"the logarithm, improper": {math.Log, 0, 1, -1},
		"a bell":                  {func(x float64) float64 { return math.Exp(-x * x) }, -8, 8, math.Sqrt(math.Pi)},
		"1/(1 + x²)":              {func(x float64) float64 { return 1 / (1 + x*x) }, 0, 1, math.Pi / 4},
	} {
		assert.InDelta(t, c.sum, quadrature.Piece(c.f, c.a, c.b).Value, 1e-11*math.Max(1, math.Abs(c.sum)), name)
	}
	assert.True(t, math.IsInf(quadrature.Piece(func(x float64) float64 { return 1 / x }, 0, 1).Value, 1), "1/x has none")
	assert.InDelta(t, 9, quadrature.Smooth(func(x float64) float64 { return x * x }, 0, 3, 0).Value, 1e-12)
}
