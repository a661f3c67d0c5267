package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/guide"
)

func guidesOf(d *document.Document) (at []string) {
	for i := range d.Shown {
		if g, is := d.Shown[i].Body.(*guide.Body); is {
			at = append(at, string(g.Direction)+" "+g.At)
		}
	}
	return at
}

func nowhere() []found.Point { return nil }

// The vertex of a(x − h)² + k lies at (h, k), the inflection of L/(1 + e^(−k(x − m))) at (m, L/2) (common practice).
func TestGuidesGoThroughAFeatureByItsFormula(t *testing.T) {
	d, err := edit.GuidesThrough(typed(t, "f(x) = a(x − h)² + k"), "f", document.Minima, nowhere)
	require.NoError(t, err)
	assert.Equal(t, []string{"upright h", "level k"}, guidesOf(d))
	d, err = edit.GuidesThrough(typed(t, "f(x) = L/(1 + e^(−k(x − m)))"), "f", document.Inflections, nowhere)
	require.NoError(t, err)
	assert.Equal(t, []string{"upright m", "level L/2"}, guidesOf(d))
	again, err := edit.GuidesThrough(d, "f", document.Inflections, nowhere)
	require.NoError(t, err)
	assert.Len(t, guidesOf(again), 2, "none is put twice")
}

func TestGuidesWithoutAFormulaGoThroughThePlace(t *testing.T) {
	d, err := edit.GuidesThrough(typed(t, "f(x) = x + cos x"), "f", document.Zeros, func() []found.Point { return []found.Point{{X: -0.739085133, Y: 0}} })
	require.NoError(t, err)
	assert.Equal(t, []string{"upright −0.739085133", "level 0"}, guidesOf(d))
	_, err = edit.GuidesThrough(typed(t, "f(x) = x"), "f", document.Maxima, nowhere)
	assert.Error(t, err, "there is nothing to go through")
}

func TestAFamilyIsDrawnForRoundValuesAlongADialsBar(t *testing.T) {
	d := typed(t, "f(x) = a sin(b x + c)")
	for parameter, want := range map[string][]string{"a": {"−4", "−2", "0", "2", "4"}, "b": {"1", "2", "3", "4", "5"}, "c": {"−π/2", "−π/4", "0", "π/4", "π/2"}} {
		with, err := edit.FamilyOf(d, parameter, 0, false)
		require.NoError(t, err)
		assert.Equal(t, want, with.Shown[1].Body.(*curve.Body).Family.Values, parameter)
		assert.Equal(t, "f for several values of "+parameter, with.Panels[0].Title)
	}
	beside, err := edit.FamilyOf(d, "c", 0, true)
	require.NoError(t, err)
	require.Len(t, beside.Panels, 2)
	assert.Equal(t, []string{beside.Panels[1].ID}, beside.Shown[1].Where.Panels)
	_, err = edit.FamilyOf(d, "z", 0, false)
	assert.Error(t, err)
}
