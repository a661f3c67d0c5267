package program_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/numeric/program"
)

func TestWhatOverflowsOnTheWayHasItsValue(t *testing.T) {
	for _, one := range []struct {
		formula string
		x, want float64
	}{
		{"e^x/(1+e^x)", 710, 1},
		{"e^x/(1+e^x)", 5000, 1},
		{"2^x/3^x", 1000, 8.107e-177}, // (2/3)^1000 = 10^(−176.0912590557), by common logarithms
		{"cosh(x)/sinh(x)", 800, 1},
		{"ln(1+e^x)", 1000, 1000},
		{"sqrt(1+e^(2x))/e^x", 600, 1},
		{"x^200/x^199", 1e10, 1e10},
		{"(e^x - e^(-x))/(e^x + e^(-x))", -900, -1},
		{"arctan(e^x)", 720, math.Pi / 2},
	} {
		f, err := expr.Parse(one.formula, nil)
		require.NoError(t, err)
		value, ok := program.Wide(f.Node, []string{"x"})
		require.True(t, ok, one.formula)
		assert.InEpsilon(t, one.want, value([]float64{one.x}), 1e-3, one.formula)
	}
}

func TestWideValuesAreThoseOfAPointWhereNothingOverflows(t *testing.T) {
	for _, formula := range []string{"e^x/(1+e^x)", "2^x - x^3", "x^(1/3) + sinh(x)", "ln(x)^2 + exp(-x)", "max(x^2, 3) - |x|^1.5", "sqrt(x^2 + 1) cosh(x)", "x^-3"} {
		f, err := expr.Parse(formula, nil)
		require.NoError(t, err)
		value, ok := program.Wide(f.Node, []string{"x"})
		require.True(t, ok)
		point, err := program.CompilePoint(f.Node, []string{"x"})
		require.NoError(t, err)
		for _, x := range []float64{0.3, 1, 2.5, 17} {
			assert.InEpsilon(t, point([]float64{x}), value([]float64{x}), 1e-13, "%s at %g", formula, x)
		}
	}
	f, err := expr.Parse("sin x", nil)
	require.NoError(t, err)
	_, ok := program.Wide(f.Node, []string{"x"})
	assert.False(t, ok, "nothing in it grows")
	f, err = expr.Parse("1/(e^x - e^x)", nil)
	require.NoError(t, err)
	value, ok := program.Wide(f.Node, []string{"x"})
	require.True(t, ok)
	assert.True(t, math.IsNaN(value([]float64{1000})), "a division by 0 stays undefined")
}
