package exact_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
)

// The values are those of Python's decimal module with 60 digits; π and e to 80 places are OEIS A000796 and A001113.
func TestDigitsThatCancelAreWorkedOut(t *testing.T) {
	for text, want := range map[string]float64{
		"√2500000003 − 50000":       2.999999999100000000539999999595e-5,
		"31830989 − 10^8/π":         0.38162093284622324732549712759,
		"3·10^11 − 95492965855π":    0.43103110297692270744875315799,
		"1 + √2·√3 − √(7 + 2√6)":    0,
		"(√10001 − 100)^2":          2.499875007811953166012402605569e-5,
		"10^6(e − 2718281828/10^9)": 4.590452353602874713526624977573e-4,
		"1/(√1000001 − 1000)":       2000.000499999875000062499960937528,
		"√(π − 31415926535/10^10)":  9.475929424739474244471539557e-6,
	} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		assert.InDelta(t, want, exact.Float(f.Node), 1e-12*math.Abs(want), text)
	}
}
