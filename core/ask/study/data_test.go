package study_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/scatter"
)

// lineWithGaps lies on y = 2x + 1 but for rounding by hand, with a gap inside and one at the end; its line is kept as a function.
func lineWithGaps(t *testing.T, filled bool) *document.Document {
	t.Helper()
	d, err := edit.PutData(document.New("t"), document.Stated{Name: "M", Columns: []document.Column{
		{Name: "x", Cells: strings.Fields("0 1 2 3 4")}, {Name: "y", Cells: []string{"1.0", "3.0", "", "7.0"}}}})
	require.NoError(t, err)
	d, err = edit.KeepModel(d, d.Stated[0].ID, "x", "y", "linear")
	require.NoError(t, err)
	points := d.Shown[0].Body.(*scatter.Body)
	points.Function, points.Filled = d.Stated[1].Name, filled
	return d
}

// Where nothing was measured the function tells what may stand there, with the decimals of the column, in gaps and beyond the end alike; the
// data themselves are not changed, and nothing is told where it is not wanted.
func TestRowsWithoutAValueAreFilledByTheFunction(t *testing.T) {
	d := lineWithGaps(t, true)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	list, err := study.Summaries(e, d.Stated[0].ID)
	require.NoError(t, err)
	assert.Empty(t, list[0].Filled, "x has no gaps")
	assert.Equal(t, []string{"", "", "5", "", "9"}, list[1].Filled)
	assert.Equal(t, []string{"1.0", "3.0", "", "7.0"}, d.Stated[0].Columns[1].Cells)

	e = evaluate.Load(lineWithGaps(t, false), nil)
	list, err = study.Summaries(e, d.Stated[0].ID)
	require.NoError(t, err)
	assert.Empty(t, list[1].Filled)
}

// Count, mean, median, quartiles and both standard deviations of 2, 4, 4, 4, 5, 5, 7, 9, the example with which textbooks explain these (from
// memory): mean 5, standard deviation 2 for n and √(32/7) ≈ 2.1381 for n − 1.
func TestAColumnIsSummarised(t *testing.T) {
	d, err := edit.PutData(document.New("t"), document.Stated{Name: "M", Columns: []document.Column{
		{Name: "v", Cells: strings.Fields("2 4 4 4 5 5 7 9")}, {Name: "w", Formula: "v^2"}}})
	require.NoError(t, err)
	list, err := study.Summaries(evaluate.Load(d, nil), d.Stated[0].ID)
	require.NoError(t, err)
	lines := map[string]string{}
	for _, l := range list[0].Lines {
		lines[l[0]] = l[1]
	}
	assert.Equal(t, "8", lines["count n"])
	assert.Equal(t, "5", lines["mean"])
	assert.Equal(t, "4.5", lines["median"])
	assert.Equal(t, "2", lines["standard deviation (n)"])
	assert.Equal(t, "2.1381", lines["standard deviation (n − 1)"])
	assert.Equal(t, []string{"2", "9"}, []string{lines["smallest"], lines["largest"]})
	assert.Empty(t, list[0].Values, "what was typed is not told again")
	assert.Equal(t, []string{"4", "16", "16", "16", "25", "25", "49", "81"}, list[1].Values)
	_, err = study.Summaries(evaluate.Load(d, nil), "s99")
	assert.ErrorContains(t, err, "not there")
}
