package number_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/formula/number"
)

func TestNumbersAreWrittenForPeople(t *testing.T) {
	for _, c := range []struct {
		v        float64
		decimals int
		want     string
	}{
		{0.1 + 0.2, 3, "0.3"}, {-1.5, 3, "−1.5"}, {2, 3, "2"}, {-0.0001, 2, "0"}, {1.0 / 3, 4, "0.3333"}, {math.NaN(), 2, "undefined"},
		{math.Inf(-1), 0, "−∞"}, {100, 0, "100"},
		{1e16, 2, "10¹⁶"}, {-4503599627370496, 4, "−4.5036·10¹⁵"}, {-1e200, 2, "−10²⁰⁰"}, {2.5e15, 2, "2.5·10¹⁵"}, {123456789012345, 2, "123456789012345"},
	} {
		assert.Equal(t, c.want, number.Format(c.v, c.decimals))
	}
	assert.Equal(t, "3.0", number.FormatFixed(3, 1), "a dial keeps its step's decimals")
	assert.Equal(t, "0.00123", number.Significant(0.00123, 3))
	assert.Equal(t, "12300", number.Significant(12300, 2))
}

// Two digits of a number say something, one of them or none does not (common practice).
func TestSmallNumbersKeepTwoDigits(t *testing.T) {
	for _, c := range []struct {
		v        float64
		decimals int
		want     string
	}{
		{0.00012, 4, "0.00012"}, {0.0012, 3, "0.0012"}, {0.012, 3, "0.012"}, {0.3, 3, "0.3"}, {2.99999999e-5, 4, "0.00003"}, {-0.000123, 4, "−0.00012"},
		{2.54e-7, 4, "2.5·10⁻⁷"}, {-1e-8, 3, "−10⁻⁸"}, {0.99999e-6, 4, "10⁻⁶"}, {1e-17, 4, "0"}, {0, 4, "0"}, {1.23456, 4, "1.2346"}, {math.NaN(), 4, "undefined"},
		{math.Inf(1), 2, "∞"}, {12345.678, 2, "12345.68"},
	} {
		assert.Equal(t, c.want, number.Rounded(c.v, c.decimals), "%v", c.v)
	}
}

func TestDecimalsOfAStep(t *testing.T) {
	for v, want := range map[float64]int{0.1: 1, 0.25: 2, 5: 0, 1e-3: 3, math.Pi: 6} {
		assert.Equal(t, want, number.Decimals(v, 6), "%v", v)
	}
	assert.Equal(t, 0.3, number.Round(0.30000000000000004, 3))
}

// ln(2^−1074) = −1074·ln 2, exactly the smallest number there is.
func TestTheLogarithmOfTheSmallestNumbers(t *testing.T) {
	assert.InDelta(t, -1074*math.Ln2, number.Ln(math.SmallestNonzeroFloat64), 1e-9)
	assert.InDelta(t, -310*math.Ln10, number.Ln(1e-310), 1e-9)
	assert.InDelta(t, math.Ln2, number.Ln(2), 0)
}
