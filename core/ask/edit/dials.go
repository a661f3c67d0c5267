package edit

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// Widen moves the ends of dials on which values do not lie to round places beyond these, so that a dial that is led there stays adjustable on
// both sides; nil where every dial reaches its value.
func Widen(before *document.Document, values map[string]float64) (*document.Document, error) {
	d, widened := clone(before), false
	for _, p := range evaluate.Load(before, nil).Parameters {
		v, wanted := values[p.Stated.Name]
		if !wanted || v >= p.From && v <= p.To || math.IsNaN(v) || math.IsInf(v, 0) {
			continue
		}
		dial := d.StatedNamed(p.Stated.Name)
		const parts = 10 // of the new length, at least one of which lies beyond the value
		step := compose.RoundStep(max(v, p.To)-min(v, p.From), parts)
		if v > p.To {
			dial.To = number.Format((math.Floor(v/step)+2)*step, 12)
		} else {
			dial.From = number.Format((math.Ceil(v/step)-2)*step, 12)
		}
		widened = true
	}
	if !widened {
		return nil, nil
	}
	return d, d.Check()
}
