package interval_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/interval"
)

// inside picks a number of an interval.
func inside(r *rand.Rand, i interval.I) float64 { return i.Lo + (i.Hi-i.Lo)*r.Float64() }

func random(r *rand.Rand) interval.I {
	a, b := r.NormFloat64()*4, r.NormFloat64()*4
	return interval.I{Lo: math.Min(a, b), Hi: math.Max(a, b)}
}

// The fundamental property of interval arithmetic (Moore, Kearfott, Cloud 2009, section 2.2): what an operation gives
// for numbers of the intervals lies in what it gives for the intervals.
func TestAnOperationEnclosesAllItsValues(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 14))
	for range 20000 {
		x, y := random(r), random(r)
		a, b := inside(r, x), inside(r, y)
		for name, c := range map[string]struct {
			whole interval.I
			one   float64
		}{
			"sum": {x.Add(y), a + b}, "product": {x.Mul(y), a * b}, "minus": {x.Neg(), -a}, "hull": {x.Hull(y), b}, "max": {x.Max(y), math.Max(a, b)},
			"quotient": {x.Div(y), a / b}, "size": {x.Abs(), math.Abs(a)}, "cube": {x.PowInt(3), a * a * a}, "square": {x.PowInt(2), a * a},
			"fourth power": {x.PowInt(4), a * a * a * a}, "sine": {x.Sin(), math.Sin(a)}, "cosine": {x.Cos(), math.Cos(a)}, "exp": {x.Exp(), math.Exp(a)},
			"cube root": {x.Cbrt(), math.Cbrt(a)}, "cosh": {x.Cosh(), math.Cosh(a)}, "floor": {x.Floor(), math.Floor(a)},
			"root": {x.Abs().Sqrt(), math.Sqrt(math.Abs(a))}, "log": {x.Abs().Ln(), math.Log(math.Abs(a))},
		} {
			require.True(t, c.whole.Has(c.one), "%s of %v and %v misses %v", name, x, y, c.one)
		}
	}
}

func TestIntersectionsMayBeEmpty(t *testing.T) {
	a, b := interval.I{Lo: 0, Hi: 2}, interval.I{Lo: 1, Hi: 3}
	assert.Equal(t, interval.I{Lo: 1, Hi: 2}, a.Intersect(b))
	assert.True(t, a.Intersect(interval.I{Lo: 5, Hi: 6}).IsEmpty())
	assert.False(t, interval.Point(0).IsEmpty())
	assert.True(t, interval.All.Has(1e300))
}
