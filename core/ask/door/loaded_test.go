package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/figure"
)

// A parametric surface and a segment between points of space are drawn in space alone, a curve in planes alone.
func TestTheCoreTellsOnWhichPanelsAnEntryIsDrawn(t *testing.T) {
	d := document.New("")
	for _, line := range []string{"f(x) = x²", "(2cos u sin v, 2sin u sin v, 2cos v)", "P = (1, 2, 0)", "Q = (0, 1, 1)", "(1, 2)"} {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err, line)
	}
	segment := document.Entry{ID: "s", Body: &figure.Body{Shape: figure.Segment, Points: []string{d.Shown[2].ID, d.Shown[3].ID}}}
	d.Shown = append(d.Shown, segment)
	loaded := ask(t, door.New(), door.Ask{Kind: door.AskLoad, Document: d}).Loaded
	require.NotNil(t, loaded)
	var panels [][]string
	for _, s := range loaded.Shown {
		panels = append(panels, s.Panels)
	}
	require.Len(t, d.Panels, 2, "a surface brings its space")
	plane, space := []string{d.Panels[0].ID}, []string{d.Panels[1].ID}
	assert.Equal(t, [][]string{plane, space, space, space, plane, space}, panels)
}

// A core that is started anew while the page is in a later scene shows that scene, and not the first.
func TestANewCoreBeginsInTheSceneOfThePage(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "f(x) = x + a")
	require.NoError(t, err)
	d.Scenes = append(d.Scenes, document.Scene{ID: "scene2", Name: "Later", Values: map[string]float64{"a": 3}, Hidden: []string{d.Shown[0].ID}})
	it := door.New()
	loaded := ask(t, it, door.Ask{Kind: door.AskLoad, Document: d, Scene: 1})
	require.Nil(t, loaded.Problem, "%+v", loaded.Problem)
	assert.Equal(t, 3.0, ask(t, it, door.Ask{Kind: door.AskValues}).Values["a"])
	words := ask(t, it, door.Ask{Kind: door.AskDescribe, Width: 400, Height: 300}).Text
	assert.NotContains(t, words, "curve of f")
}
