package edit_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trajectory"
)

// everywhere is a demonstration that has a formula with a decimal, and with the parameter a where one may be, in every place
// in which a formula can stand.
func everywhere(t *testing.T) *document.Document {
	t.Helper()
	d := stated(t, "a = 1.5", "b = 2.5", "f(x) = a x + 0.5", "g(x) = a − 0.5x", "r = a + 0.5cos(θ)")
	put := func(entry document.Entry) {
		var err error
		d, err = edit.Put(d, entry)
		require.NoError(t, err)
	}
	put(document.Entry{Body: &point.Body{Name: "P", X: "a + 0.5", Y: "f(a) − 0.5"}})
	put(document.Entry{Body: &guide.Body{Direction: guide.Slanted, At: "a x + 0.5"}})
	put(document.Entry{Body: &table.Body{Rows: []table.Row{{X: "0.5", Y: "π/0.5"}}}})
	put(document.Entry{Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: []string{"0.5", "2.5"}}}})
	put(document.Entry{Body: &curve.Body{Function: "g", Family: &family.Given{Parameter: "a", From: "0.5", To: "1.5", Step: "0.5"}}})
	put(document.Entry{Body: &path.Body{Function: "f", With: "g", As: "a", Feature: "intersections"}})
	put(document.Entry{Body: &trajectory.Body{X: "a cos(t) + 0.5", Y: "0.5a sin(t)", Variable: "t", From: "a/0.5", To: "a + 2.5"}})
	curve := d.Shown[len(d.Shown)-1].ID
	put(document.Entry{Body: &trajectory.PartBody{Of: curve, Piece: trajectory.Dots, Step: "a/7.5"}})
	put(document.Entry{Body: &circle.Body{Driver: "b", Angle: "0.5b", Radius: "a + 0.5", Centre: "a − 0.5"}})
	d, err := edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "0.5 metres: "}, {Kind: text.Value, Text: "a + 0.5", Form: "number"}}}})
	require.NoError(t, err)
	return d
}

func formulas(d *document.Document) (list []string) {
	d.Formulas(func(text *string, _ ...string) {
		if *text != "" {
			list = append(list, *text)
		}
	})
	return list
}

func TestTheDecimalSignIsChangedInEveryFormula(t *testing.T) {
	d := everywhere(t)
	comma, err := edit.Decimals(d, true)
	require.NoError(t, err)
	require.Len(t, formulas(comma), len(formulas(d)))
	for i, text := range formulas(comma) {
		assert.NotContains(t, text, ".", "%s", formulas(d)[i])
	}
	assert.Equal(t, "0.5 metres: ", comma.Said[0].Body.(*text.Body).Pieces[0].Text, "words are left alone")
	back, err := edit.Decimals(comma, false)
	require.NoError(t, err)
	assert.Equal(t, formulas(d), formulas(back))
	assert.Empty(t, evaluate.Load(comma, nil).Problems, "with a comma everything can still be read")
}

func TestAParametersNameIsChangedInEveryFormula(t *testing.T) {
	d := everywhere(t)
	renamed, err := edit.Rename(d, d.StatedNamed("a").ID, "m_1")
	require.NoError(t, err)
	for i, text := range formulas(d) {
		if strings.Contains(text, "a") && !strings.Contains(text, "tan") {
			assert.Contains(t, formulas(renamed)[i], "m_1", "%s", text)
		}
	}
	assert.Empty(t, evaluate.Load(renamed, nil).Problems, "nothing hangs on the old name")
	for _, s := range renamed.Shown {
		assert.NotEqual(t, "a", s.Field("as"))
		assert.NotEqual(t, "a", s.Field("family.parameter"))
	}
}

func TestAPathOfIntersectionsKeepsToItsFunctions(t *testing.T) {
	d := everywhere(t)
	renamed, err := edit.Rename(d, d.StatedNamed("g").ID, "q")
	require.NoError(t, err)
	with := ""
	for _, s := range renamed.Shown {
		with += s.Field("with")
	}
	assert.Equal(t, "q", with)
	without, err := edit.Delete(renamed, renamed.StatedNamed("q").ID)
	require.NoError(t, err)
	for _, s := range without.Shown {
		assert.NotEqual(t, document.Kind("path"), s.Kind(), "a path of intersections needs both functions")
	}
}

func TestWhatCannotBeReadIsRefusedAtItsField(t *testing.T) {
	d := everywhere(t)
	polar := ""
	for _, s := range d.Shown {
		if m, ok := s.Body.(*trajectory.Body); ok && m.Function != "" {
			polar = s.ID
		}
	}
	for field, body := range map[string]document.Body{
		"step":             &trajectory.PartBody{Of: polar, Piece: trajectory.Dots, Step: "π/"},
		"with":             &path.Body{Function: "f", With: "nobody", As: "a", Feature: "intersections"},
		"family.parameter": &trajectory.Body{Function: "r", From: "0", To: "2π", Family: &family.Given{Parameter: "c", Values: []string{"1"}}},
		"family.values":    &trajectory.Body{Function: "r", From: "0", To: "2π", Family: &family.Given{Parameter: "a", Values: []string{"1 +"}}},
		"rows":             &table.Body{Rows: []table.Row{{X: "1", Y: "(2"}}},
		"x":                &trajectory.Body{X: "cos(", Y: "t", Variable: "t", From: "0", To: "1"},
	} {
		_, err := edit.Put(d, document.Entry{Body: body})
		p, ok := problem.Of(err)
		require.True(t, ok, field)
		assert.Equal(t, field, p.Field, "%v", err)
	}
	_, err := edit.Put(d, document.Entry{Body: &trajectory.PartBody{Of: polar, Piece: trajectory.Enclosed}})
	require.Error(t, err, "a region needs a second curve")
}

func TestTheStepOfATableIsAnAngleToo(t *testing.T) {
	d := stated(t, "r = 1 + cos(θ)")
	d, err := edit.Put(d, document.Entry{Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Dots, Step: "π/4"}})
	require.NoError(t, err)
	degrees, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "45", degrees.Shown[1].Field("step"))
	back, _, err := edit.SetAngleUnit(degrees, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, "π/4", back.Shown[1].Field("step"))
}
