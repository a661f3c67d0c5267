package number

import "math"

// An angle of so many digits in one unit is meant where the other unit's number comes so near to it.
const (
	meantDigits = 6
	meantNear   = 1e-10
	keptDigits  = 12
)

// InDegrees is an angle in radians in degrees, InRadians the other way round: a number of few digits where it is all but one, so that 60° are
// π/3 and 60° again.
func InDegrees(radians float64) float64 {
	v := radians * 180 / math.Pi
	if short := Round(v, meantDigits); math.Abs(short-v) < meantNear {
		return short
	}
	return Round(v, keptDigits)
}

// InRadians is an angle in degrees in radians.
func InRadians(degrees float64) float64 {
	v := degrees / 180 * math.Pi
	if short := Round(v, meantDigits); math.Abs(short-v) < meantNear*math.Pi/180 {
		return short
	}
	return v
}
