package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/view"
)

func emptyScenes(t *testing.T) *evaluate.Demonstration {
	t.Helper()
	d := document.New("")
	d.Scenes = append(d.Scenes, document.Scene{ID: "scene2", Name: "Later", Values: map[string]float64{}})
	return evaluate.Load(d, nil)
}

func seen(e *evaluate.Demonstration) view.View { return view.Seen(e.Panel(0), 600, 350) }

func write(e *evaluate.Demonstration, places ...[2]float64) {
	e.Ink.Begin(0, 1, places[0][0], places[0][1])
	for _, p := range places[1:] {
		e.Ink.GoOn(p[0], p[1])
	}
	e.Ink.End(seen(e))
}

// What is written belongs to its scene, is seen on its panel only, can be taken back and wiped, and changes no document.
func TestInkBelongsToItsScene(t *testing.T) {
	e := emptyScenes(t)
	write(e, [2]float64{0, 0}, [2]float64{1, 2})
	write(e, [2]float64{3, 0})
	require.Len(t, e.Ink.Strokes(), 2)
	assert.Len(t, e.Frame(0, 600, 350).Ink, 2)
	assert.Len(t, e.Ink.Strokes()[1].Points, 4, "a touch is a dot")
	assert.True(t, e.Ink.IsInPlay())
	assert.Empty(t, e.Document.Scenes[0].Ink)
	e.BeginScene(1)
	assert.Empty(t, e.Ink.Strokes())
	e.BeginScene(0)
	e.Ink.TakeBack()
	assert.Len(t, e.Ink.Strokes(), 1)
	e.Ink.Wipe()
	assert.Empty(t, e.Ink.Strokes())
	assert.False(t, e.Ink.IsInPlay(), "nothing differs from what is kept")
}

// A straight line keeps its ends only; a bent one keeps its bend to within a pixel.
func TestInkKeepsNoMorePointsThanItNeeds(t *testing.T) {
	e := emptyScenes(t)
	var straight, bent [][2]float64
	for k := range 300 {
		x := float64(k) / 100
		straight, bent = append(straight, [2]float64{x, 2 * x}), append(bent, [2]float64{x, math.Sin(3 * x)})
	}
	write(e, straight...)
	write(e, bent...)
	assert.Len(t, e.Ink.Strokes()[0].Points, 4)
	points := e.Ink.Strokes()[1].Points
	assert.Less(t, len(points), 120)
	pixel := 12.0 / 600
	for i := 2; i < len(points); i += 2 {
		x, y := (points[i-2]+points[i])/2, (points[i-1]+points[i+1])/2
		assert.InDelta(t, math.Sin(3*x), y, pixel)
	}
}

// What was written while presenting is still there when the document is loaded anew, until it keeps it itself.
func TestInkInPlaySurvivesAnEdit(t *testing.T) {
	e := emptyScenes(t)
	write(e, [2]float64{0, 0}, [2]float64{1, 2})
	edited := *e.Document
	edited.Title = "Another"
	e = evaluate.Load(&edited, e)
	assert.Len(t, e.Ink.Strokes(), 1)
	edited.Scenes[0].Ink = e.Ink.Kept()["scene1"]
	e = evaluate.Load(&edited, e)
	assert.False(t, e.Ink.IsInPlay())
	assert.Len(t, e.Ink.Strokes(), 1)
	e.Ink.Wipe()
	assert.True(t, e.Ink.IsInPlay(), "wiped in play")
	e.Ink.Forget()
	assert.Len(t, e.Ink.Strokes(), 1, "the document's is back")
}

// Nothing that is no place, no panel or no colour is written.
func TestInkRefusesWhatIsNone(t *testing.T) {
	e := emptyScenes(t)
	e.Ink.Begin(7, 0, 0, 0)
	e.Ink.Begin(0, 9, 0, 0)
	e.Ink.Begin(0, 0, math.NaN(), 0)
	e.Ink.GoOn(1, 1)
	e.Ink.End(seen(e))
	assert.Empty(t, e.Ink.Strokes())
	e.Ink.Begin(0, 0, 0, 0)
	e.Ink.GoOn(math.Inf(1), 0)
	e.Ink.End(seen(e))
	require.Len(t, e.Ink.Strokes(), 1)
	assert.Len(t, e.Ink.Strokes()[0].Points, 4)
}
