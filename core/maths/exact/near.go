package exact

import (
	"iter"
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Near gives the readable numbers next to a rounded one, the simplest first: short fractions, such parts of π and of e, and square roots
// of short fractions and of parts of π. Which of them it is has to be put to the test by whoever asks.
func Near(v float64) iter.Seq[expr.Node] {
	return func(visit func(expr.Node) bool) {
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return
		}
		for _, unit := range units {
			for _, q := range []int64{1, 2, 3, 4, 5, 6, 8, 10, 12} {
				p := math.Round(v / unit.size * float64(q))
				if math.Abs(p) > mostParts || math.Abs(p*unit.size/float64(q)-v) > nearBy*(1+math.Abs(v)) {
					continue
				}
				if !visit(Of(expr.Times(symbolic.Ratio(big.NewRat(int64(p), q)), unit.node)).Node()) {
					return
				}
			}
		}
		for _, unit := range units[:2] {
			for _, q := range []int64{1, 2, 3, 4, 6} {
				p := math.Round(v * v / unit.size * float64(q))
				if p > mostParts || math.Abs(math.Sqrt(p*unit.size/float64(q))-math.Abs(v)) > nearBy*(1+math.Abs(v)) {
					continue
				}
				square := Of(expr.Times(symbolic.Ratio(big.NewRat(int64(p), q)), unit.node))
				root := expr.Node(&expr.Call{Name: "sqrt", Args: []expr.Node{square.Node()}})
				if v < 0 {
					root = expr.Opposite(root)
				}
				if !visit(root) {
					return
				}
			}
		}
	}
}

// mostParts bounds the numerator of a fraction, nearBy how far a number may lie from the rounded one.
const mostParts, nearBy = 1e6, 1e-9

var units = []struct {
	size float64
	node expr.Node
}{{1, expr.Num(1)}, {math.Pi, expr.Pi()}, {math.E, &expr.Constant{Name: "e"}}}
