package number

import "math"

// SafeExponent is up to where Go's math.Exp can be trusted on every processor: on amd64 it is infinite from 709.44 on
// (go1.26), though float64s reach to e^709.78.
const SafeExponent = 709

// Exp is e^x, up to the largest float64, to about two units in the last place.
func Exp(x float64) float64 {
	if x <= SafeExponent {
		return math.Exp(x)
	}
	return math.Exp(x-1) * math.E
}
