package fit

import (
	"math"
	"strconv"
)

// FewestDecimals and fewestDigits are how a coefficient is written: to three decimals at least (common practice), and to four digits that
// count where it is small.
const FewestDecimals, fewestDigits = 3, 4

// Rounded writes a coefficient as a teacher does.
func Rounded(v float64) string { return RoundedTo(v, FewestDecimals) }

// RoundedTo writes it with so many decimals at least.
func RoundedTo(v float64, decimals int) string {
	if size := math.Abs(v); size > 0 && size < 1 {
		decimals = max(decimals, fewestDigits-1-int(math.Floor(math.Log10(size))))
	}
	text := strconv.FormatFloat(v, 'f', min(decimals, 30), 64)
	if value, _ := strconv.ParseFloat(text, 64); value == 0 {
		return "0"
	}
	return text
}
