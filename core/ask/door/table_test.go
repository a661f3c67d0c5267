package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/table"
)

// x² at 0, 1, 2, 3 has the differences 1, 3, 5 and the second differences 2, 2 (common practice).
func TestATableOfAFunctionTellsItsType(t *testing.T) {
	it := loaded(t, stated(t, "a = 1", "f(x) = a x²"))
	a := asked(t, it, door.Ask{Kind: door.AskTable, ID: "f", From: "0", Step: "1", By: 5})
	require.NotNil(t, a.Table)
	assert.Equal(t, "quadratic", a.Table.Type)
	assert.Equal(t, door.TableRow{X: "2", Y: "4", First: "3", Second: "2", Ratio: "4"}, a.Table.Rows[2])
	assert.Equal(t, "undefined", a.Table.Rows[1].Ratio, "1 divided by 0")
	halves := asked(t, it, door.Ask{Kind: door.AskTable, ID: "f", From: "1/2", Step: "1/2", By: 4, Values: map[string]float64{"a": 2}})
	assert.Equal(t, "0.5", halves.Table.Rows[0].X)
	assert.Equal(t, "0.5", halves.Table.Rows[0].Y)
	for _, bad := range []door.Ask{{From: "0", Step: "0"}, {From: "0", Step: "x"}, {From: "", Step: "1"}} {
		bad.Kind, bad.ID, bad.By = door.AskTable, "f", 4
		p := asked(t, it, bad).Problem
		require.NotNil(t, p)
		assert.Contains(t, []string{"from", "step"}, p.Field)
	}
}

func TestPlottedPointsTellTheirTypeAndTheirDistance(t *testing.T) {
	d := stated(t, "f(x) = 2^x")
	d, err := edit.Put(d, document.Entry{Body: &table.Body{Function: "f", Distances: true, Rows: []table.Row{{X: "0", Y: "1"}, {X: "1", Y: "2"}, {X: "2", Y: "4"}, {X: "3", Y: "8"}}}})
	require.NoError(t, err)
	id := d.Shown[len(d.Shown)-1].ID
	it := loaded(t, d)
	assert.Equal(t, "exponential", asked(t, it, door.Ask{Kind: door.AskTable, ID: id}).Table.Type)
	words := func() []string {
		require.True(t, it.Frame(0, 900, 450))
		var frame door.FrameTexts
		decode(t, it.Texts(), &frame)
		return frame.Words
	}
	assert.NotContains(t, words(), "+1", "all lie on the curve")
	// A misplaced point is shown by its distance.
	d.Shown[len(d.Shown)-1].Body.(*table.Body).Rows[1].Y = "3"
	it = loaded(t, d)
	assert.Contains(t, words(), "+1")
	_, err = edit.Put(d, document.Entry{Body: &table.Body{Rows: []table.Row{{X: "1 +", Y: "2"}}}})
	assert.Error(t, err)
}
