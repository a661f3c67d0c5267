package circle

import (
	"math"
	"sync"

	trig "parvix/core/maths/circle"
)

// parts is how many multiples of 15° a turn has; the lengths there are worked out exactly, each when it is first met.
const parts = 24

var special = func() (list [parts]func() map[trig.Function]trig.Length) {
	for k := range list {
		list[k] = sync.OnceValue(func() map[trig.Function]trig.Length { return lengthsOf(trig.At(float64(k) * math.Pi * 2 / parts)) })
	}
	return list
}()

func lengthsAt(a trig.Angle) map[trig.Function]trig.Length {
	if a.OfPi != nil && parts/2%a.OfPi.Denom().Int64() == 0 {
		of := a.Principal().OfPi
		return special[of.Num().Int64()*parts/2/of.Denom().Int64()%parts]()
	}
	return lengthsOf(a)
}

func lengthsOf(a trig.Angle) map[trig.Function]trig.Length {
	lengths := map[trig.Function]trig.Length{}
	for _, f := range trig.Functions() {
		lengths[f] = f.Of(a)
	}
	return lengths
}
