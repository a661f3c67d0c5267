package number

import "math"

// Ln is the natural logarithm of x > 0. Go's math.Log reads subnormal numbers wrongly on amd64 (go1.26), so these are
// scaled first.
func Ln(x float64) float64 {
	if x > 0 && x < 0x1p-1022 {
		return math.Log(x*0x1p54) - 54*math.Ln2
	}
	return math.Log(x)
}
