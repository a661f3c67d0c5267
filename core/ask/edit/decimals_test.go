package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

func TestTheDecimalSignChangesEveryFormulaAndNothingElse(t *testing.T) {
	d := document.New("Sample")
	var err error
	for _, text := range []string{"a = 1.5", "d(x, y) = a x + 0.25y", "f(x) = d(x, 2.5)", "g(x) = x² for x < 0.5; 2x for x ≥ 0.5"} {
		d, err = edit.State(d, "", text)
		require.NoError(t, err, text)
	}
	comma, err := edit.Decimals(d, true)
	require.NoError(t, err)
	assert.Equal(t, "d(x; 2,5)", comma.StatedNamed("f").Formula)
	assert.Equal(t, "x² for x < 0,5\n 2x for x ≥ 0,5", comma.StatedNamed("g").Formula)
	loaded := evaluate.Load(comma, nil)
	assert.Empty(t, loaded.Problems)
	back, err := edit.Decimals(comma, false)
	require.NoError(t, err)
	assert.Equal(t, d, back)

	added, err := edit.AddParameters(comma, []string{"b"})
	require.NoError(t, err)
	assert.Empty(t, evaluate.Load(added, nil).Problems, "a new dial's step is written with the comma")
}
