package symbolic_test

import (
	"math"
	"testing"

	"parvix/core/formula/expr"
	"parvix/core/formula/expr/exprtest"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// places have no relation to each other, nor to π.
var places = []float64{-7.31, -2.618, -1.113, -0.457, 0.0137, 0.339, 0.811, 1.377, 2.249, 3.917, 9.73}

// well tells whether a value can be compared: it is finite, not huge, no 0 by underflow, and does not hang on the last digits of x.
func well(f program.Point, x, v float64) bool {
	if math.IsNaN(v) || v == 0 || math.Abs(v) > 1e8 {
		return false
	}
	near := f([]float64{x * (1 + 4e-14)})
	return math.Abs(near-v) <= 1e-9*(1+math.Abs(v))
}

// What is simplified has the same values wherever the formula has one; where it had none, a condition says so.
func FuzzSimplify(f *testing.F) {
	for _, seed := range []string{"", "abcdefgh", "\x09\x00\x0a\x03\x02\x0b\x01\x00", "\x0f\x00\x06\x0f\x01\x00", "\x0c\x05\x00\x03\x02\x04"} {
		f.Add([]byte(seed))
	}
	f.Fuzz(func(t *testing.T, data []byte) {
		n := exprtest.Formula(data, 4)
		sameValues(t, n, symbolic.Simplify(n).Node)
		sameValues(t, n, symbolic.Shorten(n).Node)
	})
}

func sameValues(t *testing.T, n, simple expr.Node) {
	before, err := program.CompilePoint(n, []string{"x"})
	if err != nil {
		t.Fatal(err)
	}
	after, err := program.CompilePoint(simple, []string{"x"})
	if err != nil {
		t.Fatalf("%s became %s: %v", expr.Text(n), expr.Text(simple), err)
	}
	for _, x := range places {
		v, w := before([]float64{x}), after([]float64{x})
		if !well(before, x, v) {
			continue
		}
		if math.Abs(w-v) <= 1e-6*(1+math.Abs(v)) {
			continue
		}
		if math.IsNaN(w) && (!steady(before, x) || hasUndefinedConstant(simple)) {
			continue
		}
		// e^(x³)/√(e^(2x³) + 1) is sin(arctan e^(x³)), also where a float64 holds neither part.
		if math.IsNaN(w) && program.Exists(program.Why(simple, []string{"x"}, []float64{x})) {
			continue
		}
		// A value that is nothing but rounding, as the cosine of a huge number, has wide bounds.
		if bounds, _ := breaks.Enclose(n, "x")(interval.Point(x)); w >= bounds.Lo && w <= bounds.Hi || !(bounds.Hi-bounds.Lo < 1e-6) {
			continue
		}
		t.Fatalf("%s = %v at %v, simplified %s = %v", expr.Text(n), v, x, expr.Text(simple), w)
	}
}

// hasUndefinedConstant tells whether a part without x has no value, as 0/sin π, or a power of 0, as cos(π/2)^x for x < 0, which
// rounding gives one.
func hasUndefinedConstant(n expr.Node) bool {
	found := false
	expr.Walk(n, func(n expr.Node) bool {
		if b, ok := n.(*expr.Binary); ok && (b.Op == expr.Div && isZero(b.R) || b.Op == expr.Pow && isZero(b.L)) {
			found = true
		}
		if len(expr.Names(n)) == 0 {
			f, err := program.CompilePoint(n, nil)
			found = found || err == nil && math.IsNaN(f(nil))
		}
		return !found
	})
	return found
}

func isZero(n expr.Node) bool {
	zero, isNumber := n.(*expr.Number)
	return isNumber && zero.Value.Sign() == 0
}

// steady tells whether a formula has values all around x: at a jump or an end rounding may fall on either side.
func steady(f program.Point, x float64) bool {
	for _, h := range []float64{-1e-9, 1e-9, -1e-13, 1e-13} {
		if v := f([]float64{x * (1 + h)}); math.IsNaN(v) {
			return false
		}
	}
	return true
}
