package analyse_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/maths/analyse"
)

// Worked by hand from the ranges of the elementary functions (DLMF 4.2, 4.23, 4.35): 2^x takes (0, ∞), so tanh(2^x) what
// tanh takes there.
func TestARangeFollowsThroughTheLastOperation(t *testing.T) {
	for text, want := range map[string]string{
		"tanh(2^x)": "(0, 1)", "2 + 3tanh(2^x)": "(2, 5)", "2^(0.5^x)": "(1, ∞)", "5 − 2^(0.5^x)": "(−∞, 4)", "1/2^(2^x)": "(0, 1)",
		"−1/2^(2^x)": "(−1, 0)", "cosh(2^x)": "(1, ∞)", "arccos(tanh(2^x))": "(0, π/2)", "(ln(x))^(3/2)": "[0, ∞)",
		"(ln(x))^(2/3)": "[0, ∞)", "artanh(artanh(x))": "(−∞, ∞)", "cos(arsinh(x))": "[−1, 1]", "|arsinh(2^x)|": "(0, ∞)",
		"e^(sin(x²))": "[1/e, e]", "3sin(x²) + 1": "[−2, 4]", "ln(1 + x²)": "[0, ∞)", "arctan(x² sin(x))": "(−π/2, π/2)",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.RangeKnown, text)
		assert.Equal(t, want, analyse.Intervals(f.Range), text)
	}
}

// As 2^x grows, tanh(2^x) nears 1; as it fades, tanh(2^x) nears 0.
func TestALimitFollowsThroughTheLastOperation(t *testing.T) {
	for text, want := range map[string][]float64{
		"tanh(2^x)": {0, 1}, "2 + 3tanh(2^x)": {2, 5}, "5 − 2^(0.5^x)": {4}, "1/2^(2^x)": {1, 0},
	} {
		f := findings(t, text, analyse.Bounds{})
		var levels []float64
		for _, l := range f.Horizontal {
			levels = append(levels, l.Lift.Value)
		}
		assert.Equal(t, want, levels, text)
	}
}

// A root of a power is read as what it is: √(u²) = |u| (DLMF 1.9.2 for real u), √(u³) = u^(3/2).
func TestRootsOfPowersArePlain(t *testing.T) {
	for text, want := range map[string]string{
		"x − sqrt(x²)": "(−∞, 0]", "sqrt((x − 1)²)": "[0, ∞)", "sqrt(x⁴) + 1": "[1, ∞)", "cbrt(x⁶)": "[0, ∞)", "(x²)^(1/4)": "[0, ∞)", "sqrt(x⁶)": "[0, ∞)",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.RangeKnown, text)
		assert.Equal(t, want, analyse.Intervals(f.Range), text)
		assert.Empty(t, f.Undecided, text)
	}
	// √(x² − 2x + 1) = |x − 1| is two lines, which near no other, with a corner.
	corner := findings(t, "sqrt(x² − 2x + 1)", analyse.Bounds{})
	assert.Empty(t, corner.Slanted)
	require.Len(t, corner.Minima, 1)
	assert.Equal(t, "1", corner.Minima[0].X.Text())
	// f′ = √x (6 − 7x²)/2 for √(x³)(2 − x²): the maximum is at √(6/7).
	f := findings(t, "sqrt(x³)(2 − x²)", analyse.Bounds{})
	require.Len(t, f.Maxima, 1)
	assert.Equal(t, "√42/7", f.Maxima[0].X.Text())
}

// Worked by hand: f″ = e^x(e^x + 2)/(4(e^x + 1)^(3/2)) > 0.
func TestPowersOfEAndRootsHideNoInflections(t *testing.T) {
	f := findings(t, "sqrt(1 + e^x)", analyse.Bounds{})
	assert.Empty(t, f.Inflections)
	assert.Empty(t, f.Undecided)
	assert.Equal(t, "(−∞, ∞)", analyse.Intervals(f.ConcaveUp))
}

// cos(x²) = 0 at √(π/2 + kπ).
func TestPlacesUnderARootOfPiAreExact(t *testing.T) {
	f := findings(t, "sin(x²)", analyse.Bounds{Left: -3, Right: 3})
	var places []string
	for _, p := range f.Maxima {
		places = append(places, p.X.Text())
	}
	assert.Equal(t, []string{"−√(5π/2)", "−√(π/2)", "√(π/2)", "√(5π/2)"}, places)
}
