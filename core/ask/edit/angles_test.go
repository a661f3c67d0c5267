package edit_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trajectory"
	"parvix/demo"
)

func written(t *testing.T, d *document.Document) string {
	t.Helper()
	text, err := json.MarshalIndent(d, "", " ")
	require.NoError(t, err)
	return string(text)
}

// Every demonstration that ships is the same, byte for byte, when its unit of angles was changed there and back.
func TestEveryDemonstrationComesBackFromTheOtherUnit(t *testing.T) {
	all, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range all {
		other := map[document.AngleUnit]document.AngleUnit{document.Degree: document.Radian, document.Radian: document.Degree}[d.AngleUnit]
		there, _, err := edit.SetAngleUnit(d, other)
		require.NoError(t, err, d.Title)
		require.Empty(t, evaluate.Load(there, nil).Problems, d.Title)
		back, _, err := edit.SetAngleUnit(there, d.AngleUnit)
		require.NoError(t, err, d.Title)
		assert.Equal(t, written(t, d), written(t, back), d.Title)
	}
}

// What is an angle is converted, and shows what it showed: an angle inside of a sine, a dial there, a spiral's radius, the tide by hours.
func TestAnglesAreConvertedWhereTheyAreAngles(t *testing.T) {
	for _, c := range []struct{ typed, inDegrees string }{
		{"f(x) = 2 sin(x − π/6) + 1", "2 sin(x − 30) + 1"}, {"f(x) = cos(2x + 2π/3)", "cos(2x + 120)"}, {"f(t) = 3 sin(π t/6)", "3 sin(180 t/6)"},
		{"f(x) = sin(x − 30°)", "sin(x − 30°)"}, {"f(x) = x² + π", "x² + π"}, {"f(x) = sin(x − c)", "sin(x − c)"}, {"r = 0.12θ", "0.12(θ π/180)"},
		{"r = 1 + cos(θ)", "1 + cos(θ)"}} {
		d, err := edit.Typed(document.New(""), "", c.typed)
		require.NoError(t, err)
		there, _, err := edit.SetAngleUnit(d, document.Degree)
		require.NoError(t, err)
		assert.Equal(t, c.inDegrees, there.Stated[0].Formula, c.typed)
		was, is := evaluate.Load(d, nil), evaluate.Load(there, nil)
		require.Empty(t, is.Problems, c.typed)
		if m, polar := was.Shown[0].Live.(*trajectory.Live); polar {
			p, q := m.Place(1.3), is.Shown[0].Live.(*trajectory.Live).Place(1.3*180/math.Pi)
			assert.InDelta(t, p.X, q.X, 1e-9, c.typed)
			assert.InDelta(t, p.Y, q.Y, 1e-9, c.typed)
		} else {
			f, g := was.Function(d.Stated[0].Name), is.Function(d.Stated[0].Name)
			x := 1.3
			if there.Panels[0].TicksX == document.TicksInDegrees {
				x = 1.3 * 180 / math.Pi
			}
			assert.InDelta(t, f.Curve.At(1.3, was.Inputs()), g.Curve.At(x, is.Inputs()), 1e-9, c.typed)
		}
		back, _, err := edit.SetAngleUnit(there, document.Radian)
		require.NoError(t, err)
		assert.Equal(t, written(t, d), written(t, back), c.typed)
	}
}

// A function of a function of an angle takes one too.
func TestAnAngleIsPutThroughOwnFunctions(t *testing.T) {
	d := document.New("")
	for _, line := range []string{"f(x) = 2 sin(x)", "h(x) = f(x − π/3) + π"} {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err)
	}
	there, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "f(x − 60) + π", there.StatedNamed("h").Formula)
	assert.Equal(t, document.TicksInDegrees, there.Panels[0].TicksX)
	back, _, err := edit.SetAngleUnit(there, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, written(t, d), written(t, back))
}

// What stands on an axis that counts the new unit stays where it was seen: a guide, a point by a dial, a point on a curve, a table; and an
// angle that is put into a function is converted in every formula. There and back is the same, in decimals too.
func TestWhatStandsOnAnAxisOfAnglesStaysInItsPlace(t *testing.T) {
	d := document.New("")
	for _, line := range []string{"f(x) = 2 sin(x)", "x = π/3", "x = 0.9", "(c, f(c))", "(π/6, f(π/6))", "(1.5, 1)"} {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err, line)
	}
	d, err := edit.Put(d, document.Entry{Body: &table.Body{Rows: []table.Row{{X: "π/2", Y: "2"}, {X: "1/2 + 1/3", Y: "0"}}}})
	require.NoError(t, err)
	d, err = edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Value, Text: "f(π/6) + π"}}}})
	require.NoError(t, err)
	d.Scenes[0].Values["c"] = math.Pi / 4
	there, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	fields := map[string]bool{}
	for _, s := range there.Shown {
		for _, r := range s.Refs() {
			fields[*r.Text] = true
		}
	}
	for _, text := range []string{"60", "0.9·180/π", "c", "f(c)", "30", "f(30)", "1.5·180/π", "90", "(1/2 + 1/3)·180/π"} {
		assert.Contains(t, fields, text)
	}
	assert.Equal(t, "f(30) + π", there.Said[0].Body.(*text.Body).Pieces[0].Text)
	assert.Equal(t, 45.0, there.Scenes[0].Values["c"], "the dial is an angle")
	require.Empty(t, evaluate.Load(there, nil).Problems)
	back, _, err := edit.SetAngleUnit(there, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, written(t, d), written(t, back))
}

// Begun in degrees it is the same: whole angles become shares of π, others keep what was typed; brackets that were typed stay.
func TestPlacesInDegreesComeBackToo(t *testing.T) {
	d := document.New("")
	d.AngleUnit = document.Degree
	d.Panels[0].TicksX = document.TicksInDegrees
	for _, line := range []string{"f(x) = sin(x)", "x = 60", "x = 17.3", "x = (12.7)", "x = 100/7", "(45, f(22.5))"} {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err, line)
	}
	there, _, err := edit.SetAngleUnit(d, document.Radian)
	require.NoError(t, err)
	before, after := evaluate.Load(d, nil), evaluate.Load(there, nil)
	require.Empty(t, after.Problems)
	for i, s := range before.Shown {
		if g, is := s.Live.(*guide.Live); is {
			assert.InDelta(t, g.At*math.Pi/180, after.Shown[i].Live.(*guide.Live).At, 1e-12, "%s", there.Shown[i].Field("at"))
		}
	}
	assert.Equal(t, "π/3", there.Shown[1].Field("at"))
	assert.Equal(t, "17.3·π/180", there.Shown[2].Field("at"))
	back, _, err := edit.SetAngleUnit(there, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, written(t, d), written(t, back))
}

// A number inside of a sine that no π tells to be an angle is left, and said so.
func TestWhatMayBeAnAngleOrNotIsTold(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "f(x) = sin(x − 1)")
	require.NoError(t, err)
	there, told, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "sin(x − 1)", there.Stated[0].Formula)
	assert.Contains(t, told, "1 in f stays as it is: whether it is an angle in radians is not known.")
}

// A dial that turns goes on where it was, and steps by the same part of a turn.
func TestADialGoesOnWhereItWasInTheOtherUnit(t *testing.T) {
	d := withCircle(t)
	d.StatedNamed("θ").Step = "π/36"
	e := evaluate.Load(d, nil)
	e.Set(0, math.Pi/3)
	there, told, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "5", there.StatedNamed("θ").Step)
	assert.Contains(t, told, "The dial θ is an angle and counts the new unit.")
	inDegrees := evaluate.Load(there, e)
	assert.Equal(t, 60.0, inDegrees.Parameters[0].Value)
	back, _, err := edit.SetAngleUnit(there, document.Radian)
	require.NoError(t, err)
	assert.InDelta(t, math.Pi/3, evaluate.Load(back, inDegrees).Parameters[0].Value, 1e-15)
	assert.Equal(t, written(t, d), written(t, back))
}

// What stands inside of a sine or turns a circle is an angle; a factor is none.
func TestADialIsKnownAsAnAngle(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "f(x) = a sin(x − c)")
	require.NoError(t, err)
	assert.Equal(t, map[string]bool{"c": true}, edit.AngleDials(d))
	assert.Equal(t, map[string]bool{"θ": true}, edit.AngleDials(withCircle(t)))
}

// A multiple of π with a dial in it is converted and leaves the variable an angle; a multiple of a dial is told.
func TestAPhaseByADialIsConvertedOrTold(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "f(x) = sin(x − π c/6)")
	require.NoError(t, err)
	there, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, "sin(x − 180 c/6)", there.Stated[0].Formula)
	assert.Equal(t, document.TicksInDegrees, there.Panels[0].TicksX)
	back, _, err := edit.SetAngleUnit(there, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, written(t, d), written(t, back))
	d, err = edit.Typed(document.New(""), "", "f(x) = sin(x − 2c)")
	require.NoError(t, err)
	_, told, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	assert.Contains(t, told, "2c in f stays as it is: whether its letters are angles is not known.")
}
