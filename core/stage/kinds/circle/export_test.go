package circle

import trig "parvix/core/maths/circle"

// RoundOf and the rest open the places of the lengths to the tests.
var RoundOf = roundOf

func (r round) Ends(f trig.Function, value float64, onAxis bool) (from, to [2]float64) {
	return r.ends(f, value, onAxis)
}

func (r round) Sin() float64 { return r.sin }
func (r round) Cos() float64 { return r.cos }
