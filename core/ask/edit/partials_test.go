package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/evaluate"
)

// f(x, y) = x²y³ has f_x = 2xy³, f_y = 3x²y², f_xy = 6xy², f_yy = 6x²y (common practice); they are written as textbooks write them, and
// follow their function when it gets another name.
func TestPartialDerivativesAreWrittenAsInTextbooks(t *testing.T) {
	d := stated(t, "f(x, y) = x² y³", "g(x) = f_x(x, 2) + f_y(1, x)", "h(x) = f_xy(x, 1) + f_yy(1, x)")
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	for name, want := range map[string]float64{"g": 2*3*8 + 3*9, "h": 6*3 + 6*3} {
		in := append([]float64{}, e.Inputs()...)
		assert.Equal(t, want, e.Function(name).Curve.At(3, in), name)
	}
	renamed, err := edit.Rename(d, d.Stated[0].ID, "d")
	require.NoError(t, err)
	assert.Equal(t, "d_x(x, 2) + d_y(1, x)", renamed.Stated[1].Formula)
	assert.Equal(t, "d_xy(x, 1) + d_yy(1, x)", renamed.Stated[2].Formula)
	require.Empty(t, evaluate.Load(renamed, nil).Problems)
	circle := stated(t, "f(x, y) = x + y")
	circle.Stated[0].Formula = "f_x(x, y)"
	codes := evaluate.Load(circle, nil).Problems
	require.Len(t, codes, 1)
	assert.Equal(t, "circle", codes[0].Code)
}
