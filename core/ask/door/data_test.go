package door_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
)

// kept is a document with data and a model of them that is kept.
func kept(t *testing.T, x, y, model string) *document.Document {
	t.Helper()
	d, err := edit.PutData(document.New("Data"), document.Stated{Name: "Heights", Columns: []document.Column{
		{Name: "t", Unit: "s", Cells: strings.Fields(x)}, {Name: "h", Unit: "m", Cells: strings.Fields(y)}}})
	require.NoError(t, err)
	if model != "" {
		d, err = edit.KeepModel(d, d.Stated[0].ID, "t", "h", model)
		require.NoError(t, err)
	}
	return d
}

// Differences speak first, then the models in the order of a course; each with what its residuals say, or why there is none.
func TestModelsAreComparedAfterDifferencesHaveSpoken(t *testing.T) {
	d := kept(t, "0 1 2 3 4 5 6 7 8 9 10 11", "1 2 5 10 17 26 37 50 65 82 101 122", "")
	a := asked(t, loaded(t, d), door.Ask{Kind: door.AskModels, ID: d.Stated[0].ID, Names: []string{"t", "h"}})
	require.NotNil(t, a.Models)
	assert.Equal(t, "The second differences are constant. That is a quadratic function.", a.Models.Suggested)
	byName := map[string]int{}
	for i, m := range a.Models.List {
		byName[m.Name] = i
	}
	quadratic := a.Models.List[byName["quadratic"]]
	assert.Equal(t, "h=t^{2}+1", quadratic.LaTeX)
	assert.Equal(t, "all points lie on the curve", quadratic.Pattern)
	assert.Contains(t, a.Models.List[byName["linear"]].Pattern, "long runs")
	assert.Contains(t, a.Models.List[byName["power"]].Reason, "above 0")
}

// 5 + 3t by hand: at 2.5 s 12.5 m, 20 m at 5 s; beyond the last second nothing was measured.
func TestPredictionsSayWhetherTheyLieWithinTheData(t *testing.T) {
	d := kept(t, "0 1 2 3 4", "5 8 11 14 17", "linear")
	it := loaded(t, d)
	predict := func(value string, backward bool) string {
		a := asked(t, it, door.Ask{Kind: door.AskPredict, Text: "m", ID: d.Stated[0].ID, Names: []string{"t"}, From: value, Empty: backward,
			Window: &document.Window{Left: -10, Right: 10, Bottom: 0, Top: 1}})
		return strings.Join(a.Prediction.Lines, "\n")
	}
	assert.Contains(t, predict("5/2", false), "m(2.5) ≈ 12.5 — inside the data")
	assert.Contains(t, predict("5", false), "m(5) ≈ 20 — outside the data (0 to 4)")
	assert.Contains(t, predict("20", true), "m(t) = 20 at t ≈ 5 — outside the data")
	assert.Contains(t, predict("100", true), "nowhere between −10 and 10")
}

// Dials are led to where the sum of squares is smallest; one that is locked stays.
func TestDialsAreLedToTheLeastSquares(t *testing.T) {
	d := kept(t, "0 1 2 3", "1 3 5 7.4", "")
	for _, text := range []string{"a = 1", "b = 0", "f(t) = a t + b"} {
		var err error
		d, err = edit.Typed(d, "", text)
		require.NoError(t, err)
	}
	lead := func() map[string]float64 {
		return asked(t, loaded(t, d), door.Ask{Kind: door.AskBestDials, Text: "f", ID: d.Stated[0].ID, Names: []string{"t", "h"}}).Values
	}
	// By hand: slope Σ(t − 3/2)(h − 4.1)/5 = 2.12, intercept 4.1 − 3/2·2.12 = 0.92.
	v := lead()
	assert.InDelta(t, 2.12, v["a"], 1e-4)
	assert.InDelta(t, 0.92, v["b"], 1e-4)
	d.StatedNamed("b").Locked = true
	v = lead()
	assert.NotContains(t, v, "b")
	assert.InDelta(t, (3+10+22.2)/14, v["a"], 1e-4, "through 0: Σth/Σt²")
}

// What rounding does to a curve is said, and what is no best fit says why.
func TestAKeptModelSaysWhatIsToBeMinded(t *testing.T) {
	caution := func(d *document.Document) string {
		a := ask(t, loaded(t, d), door.Ask{Kind: door.AskLoad, Document: d})
		return a.Loaded.Functions[0].Caution
	}
	assert.Empty(t, caution(kept(t, "0 1 2 3", "1 3 5 7.4", "linear")))
	wide := kept(t, "100000 200000 300000", "12.51 13.06 13.62", "quadratic")
	wide.Stated[1].Fit.Decimals = 1
	assert.Contains(t, caution(wide), "off by up to", "x² goes up to 9·10¹⁰, and its factor has four digits")
	assert.Contains(t, caution(kept(t, "1 1 1", "1 2 3", "linear")), "All x are equal")

	// t/2 + 1/6 is written 0.5t + 0.1667, 1/30000 beside it: nothing at data of whole units, 1.7 of 500 pixels of a hundredth.
	close := kept(t, "0 1 2", "0 1 1", "linear")
	assert.Empty(t, caution(close))
	close.Panels[0].Window = document.Window{Left: 0, Right: 0.02, Bottom: 0.16, Top: 0.17}
	assert.Contains(t, caution(close), "off by up to 1.7 pixels")
}

func TestAPastedTextIsAnsweredAsATable(t *testing.T) {
	it := loaded(t, kept(t, "0 1", "1 2", ""))
	a := asked(t, it, door.Ask{Kind: door.AskPasted, Text: "x;y\n1,5;2,25\n"})
	require.NotNil(t, a.Pasted)
	assert.Equal(t, []string{"1.5"}, a.Pasted.Columns[0].Cells, "as it is typed here")
	assert.Equal(t, "1 rows, 2 columns, with the decimal comma", a.Pasted.Words)
	bad := ask(t, it, door.Ask{Kind: door.AskPasted, Text: "1\tcold\n2\twarm\n3\t4"})
	require.NotNil(t, bad.Problem)
}
