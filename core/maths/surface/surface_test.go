package surface_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/surface"
)

func of(t testing.TB, formula string) *surface.Surface {
	t.Helper()
	f, err := expr.Parse(formula, &expr.Scope{Names: map[string]bool{"x": true, "y": true}})
	require.NoError(t, err)
	s, err := surface.New(f.Node, "x", "y")
	require.NoError(t, err)
	return s
}

type stationary struct {
	x, y, z float64
	kind    surface.Kind
}

// Functions by which minimisers are tried in print: every stationary point of a rectangle is found, and of which kind it is.
func TestStationaryPointsArePublishedOnes(t *testing.T) {
	for _, c := range []struct {
		source, formula string
		in              surface.Rectangle
		digits          float64
		want            []stationary
	}{
		{"J. Stewart, Calculus, 14.7, example 3", "x^4 + y^4 - 4x y + 1", surface.Rectangle{X0: -2, X1: 2, Y0: -2, Y1: 2}, 1e-9,
			[]stationary{{-1, -1, -1, surface.Minimum}, {0, 0, 1, surface.Saddle}, {1, 1, -1, surface.Minimum}}},
		{"D. M. Himmelblau, Applied Nonlinear Programming (1972): four minima of 0, and a maximum of 181.617 between them; the saddles from memory",
			"(x^2 + y - 11)^2 + (x + y^2 - 7)^2", surface.Rectangle{X0: -6, X1: 6, Y0: -6, Y1: 6}, 1e-3,
			[]stationary{{-3.779310, -3.283186, 0, surface.Minimum}, {-3.0730, -0.0814, 104.0152, surface.Saddle}, {-2.805118, 3.131312, 0, surface.Minimum},
				{-0.270845, -0.923039, 181.6165, surface.Maximum}, {-0.1280, -1.9537, 178.3372, surface.Saddle}, {0.0867, 2.8843, 67.7192, surface.Saddle},
				{3, 2, 0, surface.Minimum}, {3.3852, 0.0739, 13.3119, surface.Saddle}, {3.584428, -1.848126, 0, surface.Minimum}}},
		{"H. H. Rosenbrock, The Computer Journal 3 (1960)", "(1 - x)^2 + 100(y - x^2)^2", surface.Rectangle{X0: -2, X1: 2, Y0: -1, Y1: 3}, 1e-9,
			[]stationary{{1, 1, 0, surface.Minimum}}},
		{"the monkey saddle; D. Hilbert, S. Cohn-Vossen, Anschauliche Geometrie (1932), §29", "x^3 - 3x y^2", surface.Rectangle{X0: -1.1, X1: 1, Y0: -1.2, Y1: 1}, 1e-6,
			[]stationary{{0, 0, 0, surface.Undecided}}},
	} {
		list, complete := of(t, c.formula).Stationary(c.in)
		assert.True(t, complete, c.source)
		require.Len(t, list, len(c.want), c.source)
		for i, want := range c.want {
			got := list[i]
			assert.InDelta(t, want.x, got.X, c.digits, "%s: %v", c.source, want)
			assert.InDelta(t, want.y, got.Y, c.digits, "%s: %v", c.source, want)
			assert.InDelta(t, want.z, got.Z, c.digits*10, "%s: %v", c.source, want)
			assert.Equal(t, want.kind, got.Kind, "%s: %v", c.source, want)
		}
	}
}

// The six-hump camel back (L. C. W. Dixon, G. P. Szegö, Towards Global Optimisation 2, 1978): six minima, the lowest −1.0316 at
// ±(0.0898, −0.7126); 15 stationary points, two of them maxima (from memory).
func TestTheCamelBackHasSixHollows(t *testing.T) {
	list, complete := of(t, "(4 - 2.1x^2 + x^4/3) x^2 + x y + (-4 + 4y^2) y^2").Stationary(surface.Rectangle{X0: -2.2, X1: 2.1, Y0: -1.3, Y1: 1.2})
	require.True(t, complete)
	assert.Len(t, list, 15)
	kinds, lowest := map[surface.Kind]int{}, math.Inf(1)
	for _, p := range list {
		kinds[p.Kind]++
		lowest = min(lowest, p.Z)
		if p.Z < -1.03 {
			assert.InDelta(t, 0.0898, math.Abs(p.X), 1e-4)
			assert.InDelta(t, -0.7126*math.Copysign(1, p.X), p.Y, 1e-4)
		}
	}
	assert.Equal(t, 6, kinds[surface.Minimum])
	assert.Equal(t, 2, kinds[surface.Maximum])
	assert.InDelta(t, -1.0316, lowest, 1e-4)
}

// A trough is stationary on a whole line: its points are not listed, as if they were all.
func TestALineOfStationaryPointsIsNotCalledComplete(t *testing.T) {
	_, complete := of(t, "(x - y)^2").Stationary(surface.Rectangle{X0: -1, X1: 1, Y0: -1, Y1: 1})
	assert.False(t, complete)
}

// x² − 2xy + 2y on [0, 3] × [0, 2] lies between 0 and 9 (J. Stewart, Calculus, 14.7, example 7); xy takes its ends at corners; ln(x² + y²) falls
// without bound towards the origin, and 1/(x² + y²) grows (common practice).
func TestBetweenWhichValuesASurfaceLies(t *testing.T) {
	square := surface.Rectangle{X0: -1, X1: 1, Y0: -1, Y1: 1}
	for formula, c := range map[string]struct {
		in             surface.Rectangle
		lo, hi         float64
		loEnds, hiEnds bool
	}{
		"x^2 - 2x y + 2y": {surface.Rectangle{X0: 0, X1: 3, Y0: 0, Y1: 2}, 0, 9, true, true},
		"x y":             {surface.Rectangle{X0: -1, X1: 2, Y0: -3, Y1: 1}, -6, 3, true, true},
		"ln(x^2 + y^2)":   {square, math.Inf(-1), math.Ln2, false, true},
		"1/(x^2 + y^2)":   {square, 0.5, math.Inf(1), true, false},
		"1/(x(y^2 + 1))":  {square, math.Inf(-1), math.Inf(1), false, false},
		"1/(x y)":         {square, math.Inf(-1), math.Inf(1), false, false},
	} {
		got, ok := of(t, formula).Range(c.in)
		require.True(t, ok, formula)
		assert.Equal(t, []bool{c.loEnds, c.hiEnds}, []bool{got.LoClosed, got.HiClosed}, formula)
		for _, end := range [][2]float64{{c.lo, got.Lo}, {c.hi, got.Hi}} {
			if math.IsInf(end[0], 0) {
				assert.Equal(t, end[0], end[1], formula)
			} else {
				assert.InDelta(t, end[0], end[1], 1e-12, formula)
			}
		}
	}
}

// f_xy and f_yx are the same where both are continuous (DLMF 1.5(i)); at a place a slope is what differences near (central, from memory).
func TestPartialDerivativesAreThoseOfDifferences(t *testing.T) {
	const h = 1e-4
	s := of(t, "e^(x y) sin(x - 2y) + ln(x^2 + 3)")
	for _, at := range [][2]float64{{0.3, 0.7}, {-1.2, 0.4}, {1.1, -0.9}} {
		x, y := at[0], at[1]
		for k, want := range map[int]float64{
			0: (s.At(x+h, y) - s.At(x-h, y)) / (2 * h),
			1: (s.At(x, y+h) - s.At(x, y-h)) / (2 * h),
			2: (s.At(x+h, y) - 2*s.At(x, y) + s.At(x-h, y)) / (h * h),
			3: (s.At(x+h, y+h) - s.At(x+h, y-h) - s.At(x-h, y+h) + s.At(x-h, y-h)) / (4 * h * h),
			4: (s.At(x, y+h) - 2*s.At(x, y) + s.At(x, y-h)) / (h * h),
		} {
			partial, err := surface.New(s.Partials[k], "x", "y")
			require.NoError(t, err)
			assert.InDelta(t, want, partial.At(x, y), 1e-5*(1+math.Abs(want)), "%s at %v", surface.Names[k], at)
		}
	}
}
