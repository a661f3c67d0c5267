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
)

// everywhere is a demonstration that has a formula with a decimal, and with the parameter a where one may be, in every place
// in which a formula can stand.
func everywhere(t *testing.T) *document.Document {
	t.Helper()
	d := stated(t, "a = 1.5", "b = 2.5", "f(x) = a x + 0.5", "g(x) = a − 0.5x", "r = a + 0.5cos(θ)")
	put := func(entry document.Shown) {
		var err error
		d, err = edit.PutShown(d, entry)
		require.NoError(t, err)
	}
	put(document.Shown{Kind: document.Point, Name: "P", X: "a + 0.5", Y: "f(a) − 0.5"})
	put(document.Shown{Kind: document.Guide, Direction: document.Slanted, At: "a x + 0.5"})
	put(document.Shown{Kind: document.Table, Rows: []document.Row{{X: "0.5", Y: "π/0.5"}}})
	put(document.Shown{Kind: document.Curve, Function: "f", Family: &document.Family{Parameter: "a", Values: []string{"0.5", "2.5"}}})
	put(document.Shown{Kind: document.Curve, Function: "g", Family: &document.Family{Parameter: "a", From: "0.5", To: "1.5", Step: "0.5"}})
	put(document.Shown{Kind: document.Path, Function: "f", With: "g", As: "a", Feature: "intersections"})
	put(document.Shown{Kind: document.Moving, Trajectory: &document.Trajectory{X: "a cos(t) + 0.5", Y: "0.5a sin(t)", Variable: "t", From: "a/0.5", To: "a + 2.5"}})
	curve := d.Shown[len(d.Shown)-1].ID
	put(document.Shown{Kind: document.PartOf, Of: curve, Part: &document.Part{Piece: document.Dots, Step: "a/7.5"}})
	put(document.Shown{Kind: document.CircleEntry, Circle: &document.Circle{Driver: "b", Angle: "0.5b", Radius: "a + 0.5", Centre: "a − 0.5"}})
	d, err := edit.PutSaid(d, document.Said{Pieces: []document.Piece{{Kind: document.Words, Text: "0.5 metres: "}, {Kind: document.Value, Text: "a + 0.5", Form: "number"}}})
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
	assert.Equal(t, "0.5 metres: ", comma.Said[0].Pieces[0].Text, "words are left alone")
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
		assert.NotEqual(t, "a", s.As)
		if s.Family != nil {
			assert.Equal(t, "m_1", s.Family.Parameter)
		}
	}
}

func TestAPathOfIntersectionsKeepsToItsFunctions(t *testing.T) {
	d := everywhere(t)
	renamed, err := edit.Rename(d, d.StatedNamed("g").ID, "q")
	require.NoError(t, err)
	with := ""
	for _, s := range renamed.Shown {
		with += s.With
	}
	assert.Equal(t, "q", with)
	without, err := edit.Delete(renamed, renamed.StatedNamed("q").ID)
	require.NoError(t, err)
	for _, s := range without.Shown {
		assert.NotEqual(t, document.Path, s.Kind, "a path of intersections needs both functions")
	}
}

func TestWhatCannotBeReadIsRefusedAtItsField(t *testing.T) {
	d := everywhere(t)
	polar := ""
	for _, s := range d.Shown {
		if s.Trajectory != nil && s.Trajectory.Function != "" {
			polar = s.ID
		}
	}
	for field, entry := range map[string]document.Shown{
		"part.step":        {Kind: document.PartOf, Of: polar, Part: &document.Part{Piece: document.Dots, Step: "π/"}},
		"with":             {Kind: document.Path, Function: "f", With: "nobody", As: "a", Feature: "intersections"},
		"family.parameter": {Kind: document.Moving, Trajectory: &document.Trajectory{Function: "r", From: "0", To: "2π"}, Family: &document.Family{Parameter: "c", Values: []string{"1"}}},
		"family.values":    {Kind: document.Moving, Trajectory: &document.Trajectory{Function: "r", From: "0", To: "2π"}, Family: &document.Family{Parameter: "a", Values: []string{"1 +"}}},
		"rows":             {Kind: document.Table, Rows: []document.Row{{X: "1", Y: "(2"}}},
		"trajectory.x":     {Kind: document.Moving, Trajectory: &document.Trajectory{X: "cos(", Y: "t", Variable: "t", From: "0", To: "1"}},
	} {
		_, err := edit.PutShown(d, entry)
		p, ok := problem.Of(err)
		require.True(t, ok, field)
		assert.Equal(t, field, p.Field, "%v", err)
	}
	_, err := edit.PutShown(d, document.Shown{Kind: document.PartOf, Of: polar, Part: &document.Part{Piece: document.Region}})
	require.Error(t, err, "a region needs a second curve")
}

func TestTheStepOfATableIsAnAngleToo(t *testing.T) {
	d := stated(t, "r = 1 + cos(θ)")
	d, err := edit.PutShown(d, document.Shown{Kind: document.PartOf, Of: d.Shown[0].ID, Part: &document.Part{Piece: document.Dots, Step: "π/4"}})
	require.NoError(t, err)
	degrees, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "45", degrees.Shown[1].Part.Step)
	back, err := edit.SetAngleUnit(degrees, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, "π/4", back.Shown[1].Part.Step)
}
