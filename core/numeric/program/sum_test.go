package program_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/numeric/program"
)

// Sums with closed forms: Abramowitz & Stegun 3.1 (powers, geometric) and 3.6 (series).
func TestSumsHaveTheirValues(t *testing.T) {
	for text, want := range map[string]float64{
		"sum(k for k from 1 to 100)": 5050, "sum(k² for k from 1 to 10)": 385, "sum(k³ for k from 1 to 5)": 225, "sum(2^k for k from 0 to 10)": 2047,
		"sum(k for k from 5 to 4)": 0, "sum(sum(j k for j from 1 to k) for k from 1 to 3)": 25, "∑((−1)^k/(2k + 1) for k from 0 to 999)": math.Pi/4 - 1.0/4000 + 1.0/4/1e9,
	} {
		assert.InDelta(t, want, compile(t, text, "x").At([]float64{0}), 1e-9*(1+math.Abs(want)), text)
	}
}

func TestASumInABlockAgreesWithSinglePlaces(t *testing.T) {
	p := compile(t, "sum(sin(k x)/k for k from 1 to n) + x sum(k a for k from 1 to 3)", "x", "n", "a")
	xs, out := make([]float64, 700), make([]float64, 700)
	for i := range xs {
		xs[i] = float64(i)/100 - 3
	}
	var machine program.Machine
	for _, n := range []float64{1, 7, 20} {
		machine.Run(p, out, xs, []float64{0, n, 0.5})
		for i, x := range xs {
			assert.InDelta(t, p.At([]float64{x, n, 0.5}), out[i], 1e-12, "n = %v at %v", n, x)
		}
	}
	machine.Run(p, out, xs, []float64{0, 2.5, 0.5})
	assert.True(t, math.IsNaN(out[0]), "ends are whole numbers")
}

func TestAnUndefinedSumSaysWhy(t *testing.T) {
	for text, want := range map[string]string{"sum(k for k from 1 to 2.5)": "whole numbers", "sum(1/(k − 2) for k from 1 to 3)": "denominator", "sum(k for k from 1 to 10^6)": "1000 terms"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		assert.Contains(t, program.Why(f.Node, []string{"x"}, []float64{0}), want, text)
	}
}
