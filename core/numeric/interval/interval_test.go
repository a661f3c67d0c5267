package interval_test

import (
	"math"
	"math/big"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/numeric/interval"
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

// What comes out as 0 is 0: x − x has no rounding, so that 1 − cos x is never less.
func TestASumThatIsZeroIsNotRounded(t *testing.T) {
	assert.Equal(t, 0.0, interval.Point(1).Sub(interval.I{Lo: -3, Hi: 1}).Lo)
	assert.Equal(t, 0.0, interval.I{Lo: -1, Hi: 1}.Sub(interval.Point(1)).Hi)
	assert.False(t, interval.Point(0.1).Add(interval.Point(0.2)).IsPoint(), "any other sum may be rounded")
}

// Compared with e^(x − 10)·e^10; the largest float64 is e^709.7827.
func TestPowersOfEAreEnclosedUpToTheLargestNumber(t *testing.T) {
	for _, x := range []float64{709, 709.1, 709.44, 709.5, 709.78} {
		want := math.Exp(x-10) * math.Exp(10)
		got := interval.Point(x).Exp()
		assert.InEpsilon(t, want, got.Lo, 1e-13, "%v", x)
		assert.InEpsilon(t, want, got.Hi, 1e-13, "%v", x)
		assert.True(t, got.Lo < got.Hi)
	}
	assert.Equal(t, math.Inf(1), interval.Point(710).Exp().Hi)
	assert.LessOrEqual(t, interval.I{Lo: 1, Hi: 800}.Exp().Lo, math.E)
}

// An operation that rounds widens its result on both sides, by two units in the last place at most, at every size.
func TestRoundingGoesOutwardByAHair(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 7))
	sizes := []float64{math.SmallestNonzeroFloat64, 1e-310, 0x1p-1022, 1e-9, 1, 1e9, math.MaxFloat64 / 4}
	for range 2000 {
		v := sizes[r.IntN(len(sizes))] * (1 + r.Float64())
		if r.IntN(2) == 0 {
			v = -v
		}
		sum := interval.Point(2 * v).Add(interval.Point(-v)) // v exactly
		below, above := math.Nextafter(v, math.Inf(-1)), math.Nextafter(v, math.Inf(1))
		require.LessOrEqual(t, sum.Lo, below)
		require.GreaterOrEqual(t, sum.Hi, above)
		require.GreaterOrEqual(t, sum.Lo, math.Nextafter(below, math.Inf(-1)))
		require.LessOrEqual(t, sum.Hi, math.Nextafter(above, math.Inf(1)))
	}
	assert.Equal(t, interval.All, interval.All.Add(interval.Point(1)))
	tooLarge := interval.Point(math.MaxFloat64).Add(interval.Point(math.MaxFloat64))
	assert.Equal(t, interval.I{Lo: math.MaxFloat64, Hi: math.Inf(1)}, tooLarge, "a sum that overflows is large, not infinite")
}

// Powers are compared with exact ones of math/big: xⁿ of a fraction, and (kⁿ)^(m/n) = k^m of a whole number, where the
// exponent itself is rounded.
func TestPowersEncloseTheExactOnes(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 6))
	holds := func(i interval.I, exact *big.Rat) bool {
		return new(big.Rat).SetFloat64(i.Lo).Cmp(exact) <= 0 && new(big.Rat).SetFloat64(i.Hi).Cmp(exact) >= 0
	}
	for range 400 {
		x, n := r.NormFloat64()*2, 2+r.IntN(60)
		power, base := big.NewRat(1, 1), new(big.Rat).SetFloat64(x)
		for range n {
			power.Mul(power, base)
		}
		require.True(t, holds(interval.Point(x).PowInt(n), power), "%v^%d", x, n)

		k, root, m := int64(2+r.IntN(30)), 3+r.IntN(6), 1+r.IntN(4)
		whole := new(big.Int).Exp(big.NewInt(k), big.NewInt(int64(root)), nil)
		size, _ := new(big.Float).SetInt(whole).Float64()
		want := new(big.Rat).SetInt(new(big.Int).Exp(big.NewInt(k), big.NewInt(int64(m)), nil))
		require.True(t, holds(interval.Point(size).PowReal(float64(m)/float64(root)), want), "(%d^%d)^(%d/%d)", k, root, m, root)
		require.True(t, holds(interval.Point(size).PowReal(-float64(m)/float64(root)), want.Inv(want)), "(%d^%d)^(−%d/%d)", k, root, m, root)
	}
}

func TestASignThatTheFactorsSettleIsKept(t *testing.T) {
	tiny := interval.I{Lo: 0, Hi: 1e-200}
	assert.GreaterOrEqual(t, tiny.Mul(tiny).Lo, 0.0)
	assert.LessOrEqual(t, tiny.Mul(tiny.Neg()).Hi, 0.0)
	endless := interval.I{Lo: 0, Hi: math.Inf(1)}
	assert.Equal(t, endless, endless.Mul(endless))
}
