package breaks_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Whatever place of a box is looked at, the value lies in the enclosure; where no place has one, it is empty.
func TestAnEnclosureOverABoxHoldsEveryValue(t *testing.T) {
	random := rand.New(rand.NewPCG(5, 7))
	inputs := []string{"x", "y", "a"}
	scope := &expr.Scope{Names: map[string]bool{"x": true, "y": true, "a": true}}
	for _, text := range []string{"x^2 + y^2 - 9", "y - x^2", "x y - a", "sin(x) + cos(a y)", "sqrt(x + y)", "e^(x - y)", "|x| - |y|"} {
		f, err := expr.Parse(text, scope)
		require.NoError(t, err)
		over := breaks.EncloseBox(f.Node, inputs)
		at, err := program.CompilePoint(f.Node, inputs)
		require.NoError(t, err)
		for range 200 {
			x, y := random.Float64()*8-4, random.Float64()*8-4
			wide, high := random.Float64()*2, random.Float64()*2
			box := over(interval.I{Lo: x, Hi: x + wide}, interval.I{Lo: y, Hi: y + high}, []float64{0, 0, 1.5})
			for range 20 {
				v := at([]float64{x + wide*random.Float64(), y + high*random.Float64(), 1.5})
				assert.True(t, v != v || box.Has(v), "%s: %v is not in %v", text, v, box)
			}
		}
	}
	root, err := expr.Parse("sqrt(x + y)", scope)
	require.NoError(t, err)
	assert.True(t, breaks.EncloseBox(root.Node, inputs)(interval.I{Lo: -2, Hi: -1}, interval.I{Lo: -2, Hi: -1}, []float64{0, 0, 0}).IsEmpty())
}
