package analyse

import (
	"math"

	"parvix/core/exact"
	"parvix/core/expr"
	"parvix/core/symbolic"
)

// stairs reads n as one step of a line, ⌊a·x + b⌋ or ⌈a·x + b⌉, stretched and lifted: it takes a value for every whole
// number, from ⌊x⌋ on the whole numbers themselves. It gives the least value from 0 on and the distance of neighbours.
func (a *analyser) stairs() (one, every Number, ok bool) {
	var step *expr.Call
	expr.Walk(a.n, func(n expr.Node) bool {
		if c, is := n.(*expr.Call); is && step == nil && (c.Name == "floor" || c.Name == "ceil") {
			step = c
		}
		return step == nil
	})
	if step == nil || a.bounds.Lo != nil || a.bounds.Hi != nil || !risesEvenly(step.Args[0], a.variable) {
		return one, every, false
	}
	// The formula as one of the step's whole number.
	const whole = "whole"
	var put func(n expr.Node) expr.Node
	put = func(n expr.Node) expr.Node {
		if c, is := n.(*expr.Call); is && expr.Equal(c, step) {
			return &expr.Name{Name: whole}
		}
		return expr.Map(n, put)
	}
	n := put(a.n)
	if depends(n, a.variable) || !risesEvenly(n, whole) {
		return one, every, false
	}
	at := func(k int64) exact.Value {
		return exact.Of(symbolic.Substitute(n, map[string]expr.Node{whole: expr.Num(k)}))
	}
	first := at(0)
	distance := at(1).Minus(first)
	if distance.Float() < 0 {
		distance = distance.Neg()
	}
	steps, known := first.Over(distance).Rat()
	if !known {
		return exactly(first), exactly(distance), true
	}
	share, _ := steps.Float64()
	down := exact.Int(int64(-math.Floor(share)))
	return exactly(first.Plus(distance.Times(down))), exactly(distance), true
}

// risesEvenly tells whether a formula is a line in a letter, and no level one.
func risesEvenly(n expr.Node, letter string) bool {
	slope := symbolic.Simplify(symbolic.Derivative(n, letter)).Node
	size := math.Abs(exact.Float(slope))
	return len(expr.Names(slope)) == 0 && size > 0 && !math.IsInf(size, 1)
}
