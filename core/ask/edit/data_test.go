package edit_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/scatter"
)

func heights() document.Stated {
	return document.Stated{Name: "Heights", Columns: []document.Column{
		{Name: "t", Unit: "s", Cells: strings.Fields("0 1 2 3")}, {Name: "h", Unit: "m", Cells: append(strings.Fields("1 3 5 7"), "", " ")}}}
}

// New data bring their scatter plot and the names of the axes; cells without anything at the end fall away.
func TestDataComeWithTheirScatterPlot(t *testing.T) {
	d, err := edit.PutData(document.New("Data"), heights())
	require.NoError(t, err)
	require.Len(t, d.Data(), 1)
	assert.Equal(t, 4, d.Stated[0].Rows())
	require.Len(t, d.Shown, 1)
	assert.Equal(t, "h in m", d.Panels[0].NameY)
	assert.Equal(t, "t in s", d.Panels[0].NameX)
}

// A model that is kept is a function in the column's letter; whatever names a column follows when it is called otherwise.
func TestAKeptModelFollowsItsColumns(t *testing.T) {
	d, err := edit.PutData(document.New("Data"), heights())
	require.NoError(t, err)
	id := d.Stated[0].ID
	d, err = edit.KeepModel(d, id, "t", "h", "linear")
	require.NoError(t, err)
	m := d.StatedNamed("m")
	require.NotNil(t, m)
	assert.Equal(t, []string{"t"}, m.Variables)
	assert.Equal(t, "m", d.Shown[0].Body.(*scatter.Body).Function, "the points are held against it")

	renamed := *d.DataWith(id)
	renamed.Columns = append([]document.Column{}, renamed.Columns...)
	renamed.Columns[1].Name = "y"
	d, err = edit.PutData(d, renamed)
	require.NoError(t, err)
	assert.Equal(t, "y", d.StatedNamed("m").Fit.Y)
	assert.Equal(t, "y", d.Shown[0].Body.(*scatter.Body).Y)

	frozen, err := edit.Freeze(d, d.StatedNamed("m").ID)
	require.NoError(t, err)
	assert.Equal(t, "2t + 1", frozen.StatedNamed("m").Formula)
	assert.Nil(t, frozen.StatedNamed("m").Fit)

	// Without its data the function keeps its numbers, and the scatter plot goes.
	without, err := edit.Delete(d, id)
	require.NoError(t, err)
	assert.Equal(t, "2t + 1", without.StatedNamed("m").Formula)
	assert.Len(t, without.Shown, 1, "the curve stays")
	_, err = edit.KeepModel(without, id, "t", "h", "linear")
	assert.ErrorContains(t, err, "not there any more")
}

// A row that is deleted takes its own label and its unlocking along; what names later rows names the same measurements as before.
func TestWhatNamesRowsFollowsThemWhenOneIsDeleted(t *testing.T) {
	d := document.New("t")
	d, err := edit.PutData(d, document.Stated{Name: "M", Columns: []document.Column{
		{Name: "x", Cells: []string{"0", "1", "2", "3"}}, {Name: "y", Cells: []string{"0", "1", "9", "3"}}}})
	require.NoError(t, err)
	data := d.Stated[0].ID
	plot := d.Shown[0].Body.(*scatter.Body)
	plot.Labels = []scatter.PointLabel{{Row: 1, Words: "gone"}, {Row: 2, Words: "outlier?"}}
	plot.Unlocked = []int{0, 1, 3}
	d.Stated = append(d.Stated, document.Stated{ID: "sm", Kind: document.Function, Name: "m", Variables: []string{"x"},
		Fit: &document.Fit{Data: data, X: "x", Y: "y", Model: "linear", Rows: []int{0, 3}}})
	require.NoError(t, d.Check())

	after, err := edit.RemoveRow(d, data, 1)
	require.NoError(t, err)
	assert.Equal(t, []string{"0", "2", "3"}, after.Stated[0].Columns[0].Cells)
	now := after.Shown[0].Body.(*scatter.Body)
	assert.Equal(t, []scatter.PointLabel{{Row: 1, Words: "outlier?"}}, now.Labels)
	assert.Equal(t, []int{0, 2}, now.Unlocked)
	assert.Equal(t, []int{0, 2}, after.Stated[1].Fit.Rows)
	assert.Len(t, d.Stated[0].Columns[0].Cells, 4, "for undo")
	assert.Len(t, plot.Labels, 2, "for undo")

	_, err = edit.RemoveRow(d, data, 3)
	assert.ErrorContains(t, err, "m goes through the point of row 4")
	_, err = edit.RemoveRow(d, "s77", 0)
	assert.ErrorContains(t, err, "not there")
}

// A dial that is led to 31 reaches beyond it, at a round place, and one that is led to −7 below; who reaches already is left as it was.
func TestDialsThatAreLedBeyondTheirEndsAreWidened(t *testing.T) {
	d, err := edit.AddParameters(document.New("t"), []string{"a", "b", "k"})
	require.NoError(t, err)
	after, err := edit.Widen(d, map[string]float64{"a": 31, "b": -7, "k": 4})
	require.NoError(t, err)
	a, b, k := after.StatedNamed("a"), after.StatedNamed("b"), after.StatedNamed("k")
	assert.Equal(t, []string{"-5", "40"}, []string{a.From, a.To})
	assert.Equal(t, []string{"−10", "5"}, []string{b.From, b.To})
	assert.Equal(t, []string{"-5", "5"}, []string{k.From, k.To})
	same, err := edit.Widen(d, map[string]float64{"k": 5})
	assert.Nil(t, same)
	assert.NoError(t, err)
}
