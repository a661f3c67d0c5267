package document_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// A scene with ink, something held back and a note is kept as it is; what cannot be drawn or is not there is refused by name.
func TestWhatASceneKeepsForTheTalk(t *testing.T) {
	scene := func(change func(s *document.Scene)) *document.Document {
		d := document.New("Ink")
		d.Scenes[0].Ink = []document.InkStroke{{Panel: "plane1", Colour: 2, Points: []float64{0, 0, 1.5, -2}}}
		d.Scenes[0].Note = "Ask first."
		change(&d.Scenes[0])
		return d
	}
	d := scene(func(*document.Scene) {})
	require.NoError(t, d.Check())
	again, err := document.Decode(document.Encode(d))
	require.NoError(t, err)
	assert.Equal(t, d, again)

	for words, change := range map[string]func(s *document.Scene){
		"ink.colour":     func(s *document.Scene) { s.Ink[0].Colour = 4 },
		"x and y":        func(s *document.Scene) { s.Ink[0].Points = []float64{1, 2, 3} },
		"two points":     func(s *document.Scene) { s.Ink[0].Points = []float64{1, 2} },
		"10^12":          func(s *document.Scene) { s.Ink[0].Points[2] = 1e13 },
		"at most 4000":   func(s *document.Scene) { s.Ink[0].Points = make([]float64, 4002) },
		"401 strokes":    func(s *document.Scene) { s.Ink = make([]document.InkStroke, 401) },
		"“plane9”":       func(s *document.Scene) { s.Ink[0].Panel = "plane9" },
		"“c7” refers":    func(s *document.Scene) { s.Held = []document.Held{{ID: "c7"}} },
		"2000 character": func(s *document.Scene) { s.Note = string(make([]rune, 2001)) },
	} {
		assert.ErrorContains(t, scene(change).Check(), words)
	}
}

// A panel that is taken off takes its ink along.
func TestInkGoesWithItsPanel(t *testing.T) {
	d := document.New("Ink")
	d.Scenes[0].Ink = []document.InkStroke{{Panel: "plane1", Points: []float64{0, 0, 1, 1}}, {Panel: "plane2", Points: []float64{0, 0, 1, 1}}}
	d.Forget(map[string]bool{"plane2": true})
	assert.Len(t, d.Scenes[0].Ink, 1)
	d.Forget(map[string]bool{"plane1": true})
	assert.Nil(t, d.Scenes[0].Ink)
}
