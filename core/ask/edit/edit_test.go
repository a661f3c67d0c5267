package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
)

// stated states one thing after the other, from an empty demonstration.
func stated(t *testing.T, statements ...string) *document.Document {
	t.Helper()
	d := document.New("")
	for _, s := range statements {
		var err error
		d, err = edit.State(d, "", s)
		require.NoError(t, err, s)
	}
	return d
}

func code(err error) string {
	if p, ok := problem.Of(err); ok {
		return p.Code
	}
	return ""
}

func TestAStatementBecomesAFunctionWithItsCurveOrAParameter(t *testing.T) {
	d := stated(t, "f(x) = a x²", "a = 3", "y = 2x", "sin x", "d(v, t) = v t")
	assert.Equal(t, []string{"f", "a", "g", "h", "d"}, names(d), "a bare formula takes the next free name")
	assert.Equal(t, document.Parameter, d.Stated[1].Kind)
	assert.Equal(t, 3.0, d.Scenes[0].Values["a"])
	require.Len(t, d.Shown, 3, "a function of two variables has no curve, and a surface only over the floor of x and y")
	assert.NotEqual(t, d.Shown[0].Look.Colour, d.Shown[1].Look.Colour)
	big := stated(t, "k = 40")
	assert.Equal(t, "80", big.Stated[0].To, "the bar reaches beyond the value")
}

func names(d *document.Document) (list []string) {
	for _, s := range d.Stated {
		list = append(list, s.Name)
	}
	return list
}

func TestStatingAParameterAgainGivesItsValue(t *testing.T) {
	d := stated(t, "a = 3", "a = −1")
	assert.Len(t, d.Stated, 1)
	assert.Equal(t, -1.0, d.Scenes[0].Values["a"])
	_, err := edit.State(stated(t, "f(x) = x"), "", "f(x) = 2x")
	assert.Equal(t, "name-taken", code(err))
}

func TestChangingAFunctionsNameRewritesWhoUsesIt(t *testing.T) {
	d := stated(t, "f(x) = x²", "g(x) = f(x − 1) + f'(2)")
	d, err := edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Value, Text: "f(2)"}}}})
	require.NoError(t, err)
	d, err = edit.State(d, d.Stated[0].ID, "q(x) = x² + 1")
	require.NoError(t, err)
	assert.Equal(t, "q(x − 1) + q'(2)", d.Stated[1].Formula)
	assert.Equal(t, "q", d.Shown[0].Field("function"))
	assert.Equal(t, "q(2)", d.Said[0].Field("pieces"))
}

func TestRenamingKeepsLettersApart(t *testing.T) {
	d := stated(t, "a = 1", "f(x) = a x + ax²", "g(a) = a + 1")
	d, err := edit.Rename(d, d.Stated[0].ID, "k_1")
	require.NoError(t, err)
	assert.Equal(t, "k_1 x + k_1 x²", d.Stated[1].Formula)
	assert.Equal(t, "a + 1", d.Stated[2].Formula, "there a is the variable")
	assert.Contains(t, d.Scenes[0].Values, "k_1")
	_, err = edit.Rename(d, d.Stated[0].ID, "2x")
	assert.Equal(t, "name-invalid", code(err))
	_, err = edit.Rename(d, d.Stated[0].ID, "f")
	assert.Equal(t, "name-taken", code(err))
}

func TestTheDocumentBeforeAnEditStaysAsItWas(t *testing.T) {
	d := stated(t, "f(x) = x²")
	before := string(document.Encode(d))
	_, err := edit.State(d, d.Stated[0].ID, "h(x) = 3x")
	require.NoError(t, err)
	_, err = edit.Delete(d, d.Stated[0].ID)
	require.NoError(t, err)
	assert.Equal(t, before, string(document.Encode(d)))
}

func TestDeletingTakesWithItWhatCannotBeWithoutIt(t *testing.T) {
	d := stated(t, "f(x) = x²")
	d, err := edit.Put(d, document.Entry{Body: &point.Body{X: "1", Y: "2"}})
	require.NoError(t, err)
	followed := d.Shown[1]
	assert.Equal(t, "P", followed.Field("name"))
	d, err = edit.Put(d, document.Entry{Body: &trace.Body{Of: followed.ID}})
	require.NoError(t, err)
	assert.Equal(t, followed.Look.Colour, d.Shown[2].Look.Colour, "a trace has its point's colour")
	d, err = edit.Delete(d, followed.ID)
	require.NoError(t, err)
	assert.Len(t, d.Shown, 1)
	d, err = edit.Delete(d, d.Stated[0].ID)
	require.NoError(t, err)
	assert.Empty(t, d.Shown)
}

func TestWhatIsShownMustBeReadable(t *testing.T) {
	d := stated(t, "f(x) = x²")
	for field, body := range map[string]document.Body{
		"x": &point.Body{X: "2 +", Y: "1"}, "y": &point.Body{X: "2", Y: "f("}, "name": &point.Body{Name: "2", X: "1", Y: "1"},
		"at": &guide.Body{Direction: guide.Level, At: ")"}, "function": &curve.Body{Function: "q"},
	} {
		_, err := edit.Put(d, document.Entry{Body: body})
		p, ok := problem.Of(err)
		if assert.True(t, ok, field) {
			assert.Equal(t, field, p.Field)
		}
	}
	_, err := edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Value, Text: "f("}}}})
	assert.Error(t, err)
}

func TestEntriesMoveWithinTheirPart(t *testing.T) {
	d := stated(t, "f(x) = x", "g(x) = 2x", "h(x) = 3x")
	assert.Equal(t, []string{"g", "f", "h"}, names(edit.Move(d, d.Stated[0].ID, 1)))
	assert.Equal(t, []string{"h", "f", "g"}, names(edit.Move(d, d.Stated[2].ID, -9)))
	assert.Equal(t, []string{"f", "g", "h"}, names(edit.Move(d, d.Stated[0].ID, -1)))
}

func TestLettersBecomeDials(t *testing.T) {
	d, err := edit.AddParameters(stated(t, "f(x) = a sin(ω x)"), []string{"a", "omega"})
	require.NoError(t, err)
	assert.Equal(t, []string{"f", "a", "ω"}, names(d))
	assert.NotEqual(t, d.Stated[1].Colour, d.Stated[2].Colour)
	_, err = edit.AddParameters(d, []string{"a"})
	assert.Equal(t, "name-taken", code(err))
}
