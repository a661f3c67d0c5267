package edit_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/trajectory"
)

func withCircle(t testing.TB) *document.Document {
	t.Helper()
	d, err := edit.Begin(document.New(""), edit.IdeaCircle)
	require.NoError(t, err)
	return d
}

func circleOf(d *document.Document) string {
	for _, s := range d.Shown {
		if s.Kind() == "circle" {
			return s.ID
		}
	}
	return ""
}

// A ratio is shown in the scene at hand; it is hidden there alone, and comes back without being added twice.
func TestARatioIsShownAndHiddenByScene(t *testing.T) {
	d := withCircle(t)
	d.Scenes = append(d.Scenes, document.Scene{ID: "later", Name: "Later", Values: map[string]float64{"θ": 1}})
	before := len(d.Shown)
	d, err := edit.ShowPiece(d, edit.PieceWanted{Of: circleOf(d), Ratio: "tan", Shown: true})
	require.NoError(t, err)
	assert.Len(t, d.Shown, before+2, "its length and its graph")
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: circleOf(d), Ratio: "tan", Scene: 1})
	require.NoError(t, err)
	for _, s := range d.Shown[before:] {
		assert.False(t, d.Scenes[0].IsHidden(s.ID))
		assert.True(t, d.Scenes[1].IsHidden(s.ID))
	}
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: circleOf(d), Ratio: "tan", Shown: true, Scene: 1})
	require.NoError(t, err)
	assert.Len(t, d.Shown, before+2)
	assert.Empty(t, d.Scenes[1].Hidden)
	_, err = edit.ShowPiece(d, edit.PieceWanted{Of: "none", Ratio: "tan", Shown: true})
	assert.Error(t, err)
	_, err = edit.ShowPiece(d, edit.PieceWanted{Of: circleOf(d), Piece: string(circle.Length), Ratio: "sinus", Shown: true})
	assert.Error(t, err, "there is no such ratio")
}

// 2π is 360°, π/6 is 30°; a parameter inside a formula keeps its meaning as it is typed.
func TestChangingTheAngleUnitConvertsTheDialThatTurnsACircle(t *testing.T) {
	d, _, err := edit.SetAngleUnit(withCircle(t), document.Degree)
	require.NoError(t, err)
	dial := d.StatedNamed("θ")
	assert.Equal(t, []string{"-360", "720", "1"}, []string{dial.From, dial.To, dial.Step})
	assert.Equal(t, 30.0, d.Scenes[0].Values["θ"])
	assert.Equal(t, document.TicksInDegrees, d.Panels[1].TicksX)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	assert.InDelta(t, math.Pi/6, e.Shown[0].Live.(*circle.Live).Angle.Radians, 1e-12)
	back, _, err := edit.SetAngleUnit(d, document.Radian)
	require.NoError(t, err)
	dial = back.StatedNamed("θ")
	assert.Equal(t, []string{"-2π", "4π", "π/180"}, []string{dial.From, dial.To, dial.Step})
	assert.InDelta(t, math.Pi/6, back.Scenes[0].Values["θ"], 1e-12)
	wave, err := edit.Begin(document.New(""), edit.IdeaWave)
	require.NoError(t, err)
	turned, _, err := edit.SetAngleUnit(wave, document.Degree)
	require.NoError(t, err)
	assert.Equal(t, wave.StatedNamed("t").To, turned.StatedNamed("t").To, "b(t − h) is a formula: its dials stay")
}

func TestRenamingTheDialTurnsTheCircleOn(t *testing.T) {
	d := withCircle(t)
	renamed, err := edit.Rename(d, d.StatedNamed("θ").ID, "t")
	require.NoError(t, err)
	assert.Equal(t, "t", renamed.Shown[0].Body.(*circle.Body).Driver)
	assert.Empty(t, evaluate.Load(renamed, nil).Problems)
	gone, err := edit.Delete(d, circleOf(d))
	require.NoError(t, err)
	assert.Empty(t, gone.Shown, "its parts go with it")
}

// A rose on 0 to 2π runs from 0 to 360 in degrees, its dial with it, and back; its graph's axis counts degrees.
func TestChangingTheAngleUnitConvertsPolarCurves(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaPolar)
	require.NoError(t, err)
	degrees, _, err := edit.SetAngleUnit(d, document.Degree)
	require.NoError(t, err)
	m := degrees.Shown[0].Body.(*trajectory.Body)
	assert.Equal(t, []string{"0", "360"}, []string{m.From, m.To})
	assert.Equal(t, "360", degrees.StatedNamed("θ").To)
	assert.Equal(t, document.TicksInDegrees, degrees.Panels[1].TicksX)
	assert.Equal(t, d.Panels[0], degrees.Panels[0], "the plane of the curve itself stays")
	was, is := evaluate.Load(d, nil), evaluate.Load(degrees, nil)
	require.Empty(t, is.Problems)
	p, q := was.Shown[0].Live.(*trajectory.Live).Place(1), is.Shown[0].Live.(*trajectory.Live).Place(180/math.Pi)
	assert.InDelta(t, p.X, q.X, 1e-9, "the same curve: 3cos 3θ at one radian")
	assert.InDelta(t, p.Y, q.Y, 1e-9)
	back, _, err := edit.SetAngleUnit(degrees, document.Radian)
	require.NoError(t, err)
	assert.Equal(t, "2π", back.Shown[0].Body.(*trajectory.Body).To)
}
