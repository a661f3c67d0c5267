package analyse_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/maths/analyse"
)

// The period of a sum of waves is what all of them have in common (from memory): odd multiples have 2π as all multiples do, multiples of 4 have
// π/2, and where the angles are no multiples of one wave there is none. Of a sum that is not written out none is told, whatever its terms.
func TestTheSumOfWavesRepeatsWithWhatTheyHaveInCommon(t *testing.T) {
	for text, period := range map[string]float64{
		"sin(x) + sin(2x)/2 + sin(3x)/3": 2 * math.Pi,
		"sin(x) + sin(3x)/3 + sin(5x)/5": 2 * math.Pi,
		"cos(4x) + cos(8x)/4":            math.Pi / 2,
		"cos(pi x/3)/2 + cos(2pi x/3)/4": 6,
		"sin(x/2) + sin(x) + sin(2x)/2":  4 * math.Pi,
		"sin(2x/3) + cos(x/2)":           12 * math.Pi,
		"sin(x) + sin(4x)/4 + sin(9x)/9": 2 * math.Pi,
		"sin(x) cos(x)":                  math.Pi,
	} {
		p, ok := analyse.PeriodOf(parse(t, text), "x")
		require.True(t, ok, text)
		assert.InDelta(t, period, p.Float(), 1e-12, text)
	}
	for _, text := range []string{"sin(x) + sin(sqrt(2) x)", "sin(x) + x", "sin(x^2)",
		"sum(sin(k x)/k for k from 1 to 900)", "sum(x^k/k for k from 1 to 900)", "sum(sum(sin(j k x) for j from 1 to 30) for k from 1 to 30)"} {
		_, ok := analyse.PeriodOf(parse(t, text), "x")
		assert.False(t, ok, text)
	}
}
