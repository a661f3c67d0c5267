package edit_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/stagetest"
)

func field(err error) string {
	if p, ok := problem.Of(err); ok {
		return p.Field
	}
	return ""
}

// A place that is tapped is a row of the table, as it is typed; what is no number of this demonstration is refused and nothing
// is lost.
func TestAPointIsPlottedIntoATable(t *testing.T) {
	d, err := edit.Put(document.New(""), document.Entry{Body: &table.Body{Rows: []table.Row{{X: "0", Y: "1"}}}})
	require.NoError(t, err)
	id := d.Shown[0].ID
	more, err := edit.Plot(d, id, "π/2", "−1.5")
	require.NoError(t, err)
	assert.Equal(t, []table.Row{{X: "0", Y: "1"}, {X: "π/2", Y: "−1.5"}}, more.Shown[0].Body.(*table.Body).Rows)
	assert.Len(t, d.Shown[0].Body.(*table.Body).Rows, 1, "the document before stays as it was")
	_, err = edit.Plot(d, "nothing", "1", "1")
	assert.ErrorContains(t, err, "no such table")
	with := stated(t, "f(x) = x")
	_, err = edit.Plot(with, with.Shown[0].ID, "1", "1")
	assert.ErrorContains(t, err, "no such table", "a curve is none")
}

func TestATextHoldsFormulasValuesAndFindingsThatCanBeRead(t *testing.T) {
	d := stated(t, "f(x) = x²", "a = 2")
	d, err := edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "At "}, {Kind: text.Value, Text: "f(a)"}, {Kind: text.Formula, Text: "f(x) = x²"}, {Kind: text.Told, Text: "f", Finding: document.Zeros}}}})
	require.NoError(t, err)
	require.Len(t, d.Said, 1)
	id := d.Said[0].ID
	require.NotEmpty(t, id)
	changed, err := edit.Put(d, document.Entry{ID: id, Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "Only words"}}}})
	require.NoError(t, err)
	require.Len(t, changed.Said, 1, "the same id is the same text")
	assert.Equal(t, "Only words", changed.Said[0].Body.(*text.Body).Pieces[0].Text)
	for _, bad := range []text.Piece{{Kind: text.Formula, Text: "2 +"}, {Kind: text.Value, Text: ")"}, {Kind: text.Told, Text: "g", Finding: document.Zeros}} {
		_, err := edit.Put(d, document.Entry{ID: id, Body: &text.Body{Pieces: []text.Piece{bad}}})
		require.Error(t, err, bad.Text)
		assert.Equal(t, "pieces", field(err), bad.Text)
	}
	assert.Len(t, d.Said[0].Body.(*text.Body).Pieces, 4, "what was refused has changed nothing")
}

// The letters a teacher would take next, then those with a number; each function has another colour as long as there are some.
func TestNamesGoOnWhenTheLettersAreUsedUp(t *testing.T) {
	d := document.New("")
	var err error
	for k := range 13 {
		d, err = edit.State(d, "", fmt.Sprintf("x + %d", k))
		require.NoError(t, err)
	}
	assert.Equal(t, []string{"f", "g", "h", "p", "q", "r", "s", "u", "v", "w", "f_1", "f_2", "f_3"}, names(d))
	colours := map[int]bool{}
	for _, s := range d.Shown[:6] {
		colours[s.Look.Colour] = true
	}
	assert.Len(t, colours, 6)
	require.NoError(t, d.Check())
}

func TestPointsAreNamedFromPOn(t *testing.T) {
	d := document.New("")
	var err error
	for k := range 16 {
		d, err = edit.Put(d, document.Entry{Body: &point.Body{X: fmt.Sprint(k), Y: "0"}})
		require.NoError(t, err)
	}
	var list []string
	for _, s := range d.Shown {
		list = append(list, s.Field("name"))
	}
	assert.Equal(t, []string{"P", "Q", "R", "S", "T", "U", "V", "W", "A", "B", "C", "D", "P_1", "P_2", "P_3", "P_4"}, list)
}

// With a decimal comma what the program writes has one too (decisions of a demonstration hold for all of it).
func TestWhatIsWrittenHasTheDemonstrationsDecimalSign(t *testing.T) {
	d := document.New("")
	d.DecimalComma = true
	d, err := edit.State(d, "", "f(x) = x²")
	require.NoError(t, err)
	moved, err := edit.MoveCurve(d, d.Stated[0].ID, edit.Moving{Up: "0,5"})
	require.NoError(t, err)
	assert.Equal(t, "x² + 0,5", moved.Stated[0].Formula)
}

func TestOnlyAFunctionOfOneVariableIsMoved(t *testing.T) {
	d := stated(t, "f(x, y) = x y", "a = 2")
	for _, s := range d.Stated {
		_, err := edit.MoveCurve(d, s.ID, edit.Moving{Up: "1"})
		assert.Equal(t, "not-a-function", code(err), s.Name)
	}
	_, err := edit.MoveCurve(d, "nothing", edit.Moving{Up: "1"})
	assert.Equal(t, "not-a-function", code(err))
}

// A further circle stands in the pictures of the first, turned by its own dial from another place, its graph dashed; or in panels of its
// own, as long as there is room.
func TestSeveralCircles(t *testing.T) {
	one, err := edit.AddCircle(document.New(""), circle.Body{Driver: "θ"}, false)
	require.NoError(t, err)
	require.Len(t, one.Panels, 2)
	both, err := edit.AddCircle(one, circle.Body{Driver: "φ"}, false)
	require.NoError(t, err)
	assert.Len(t, both.Panels, 2)
	values, colours := both.Scenes[0].Values, [2]int{both.StatedNamed("θ").Colour, both.StatedNamed("φ").Colour}
	assert.NotEqual(t, values["θ"], values["φ"])
	assert.NotEqual(t, colours[0], colours[1])
	patterns := map[document.LinePattern]int{}
	for _, s := range both.Shown {
		if p, is := s.Body.(*circle.PartBody); is && p.Piece == circle.Graph {
			patterns[s.Look.Pattern]++
		}
	}
	assert.Equal(t, map[document.LinePattern]int{"": 1, document.Dashed: 1}, patterns)
	beside, err := edit.AddCircle(one, circle.Body{Driver: "φ"}, true)
	require.NoError(t, err)
	require.Len(t, beside.Panels, 4)
	for _, s := range beside.Shown {
		require.Len(t, s.Where.Panels, 2)
	}
	e := stagetest.Loaded(t, beside)
	assert.Len(t, e.Frame(0, 300, 300).Appearing, len(e.Frame(2, 300, 300).Appearing), "each has its own")
	_, err = edit.AddCircle(beside, circle.Body{Driver: "ψ"}, true)
	assert.Equal(t, "limit", code(err))
}

// Changing the unit there and back gives the same ends: 2π is 360, −π/2 is −90; a letter in an end stays as it is.
func TestTheAngleUnitThereAndBack(t *testing.T) {
	d, err := edit.AddCircle(document.New(""), circle.Body{Driver: "θ", Radius: "1"}, false)
	require.NoError(t, err)
	d.Scenes[0].Windows = map[string]document.Window{d.Panels[1].ID: {Left: -1, Right: 8, Bottom: -2, Top: 2}}
	inDegrees, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "720", inDegrees.StatedNamed("θ").To)
	w := inDegrees.Scenes[0].Windows[d.Panels[1].ID]
	assert.InDelta(t, 8*180/3.141592653589793, w.Right, 1e-9, "the window of a scene counts degrees too")
	assert.Equal(t, 2.0, w.Top)
	back, _, err := edit.SetAngleUnit(inDegrees, document.Radian)
	require.NoError(t, err)
	for _, end := range []func(s *document.Stated) string{func(s *document.Stated) string { return s.To }, func(s *document.Stated) string { return s.Step }} {
		assert.Equal(t, end(d.StatedNamed("θ")), end(back.StatedNamed("θ")))
	}
	assert.InDelta(t, 8, back.Scenes[0].Windows[d.Panels[1].ID].Right, 1e-9)
}
