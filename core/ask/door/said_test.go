package door_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/text"
)

// said gives what a text of live values says in a demonstration in degrees, in which θ drives a circle; words may follow a value after “;”.
func said(t *testing.T, form text.ValueForm, values ...string) (words []string) {
	t.Helper()
	d := document.New("")
	d.AngleUnit = document.Degree
	d, err := edit.Begin(d, edit.IdeaCircle)
	require.NoError(t, err)
	d, err = edit.Typed(d, "", "r = 2")
	require.NoError(t, err)
	body := &text.Body{}
	for _, v := range values {
		v, unit, _ := strings.Cut(v, ";")
		body.Pieces = append(body.Pieces, text.Piece{Kind: text.Value, Text: v, Form: form})
		if unit != "" {
			body.Pieces = append(body.Pieces, text.Piece{Kind: text.Words, Text: unit})
		}
	}
	d.Said = append(d.Said, document.Entry{ID: "w9", Body: body})
	angle := d.Parameters()[0].Name
	d.Scenes[0].Values[angle] = 60
	it := door.New()
	loaded := ask(t, it, door.Ask{Kind: door.AskLoad, Document: d})
	require.Nil(t, loaded.Problem, "%+v", loaded.Problem)
	for panel := range 2 {
		it.PanelSize(panel, 400, 500)
	}
	require.True(t, it.Frame(0, 400, 500))
	var texts door.FrameTexts
	require.NoError(t, json.Unmarshal(it.Texts(), &texts))
	require.NotEmpty(t, texts.Said)
	for _, p := range texts.Said[len(texts.Said)-1] {
		words = append(words, p.Text+p.LaTeX)
	}
	return words
}

// In a demonstration that counts degrees an angle is read with its sign (common practice); what may be a length is not: 2 · 60 on a circle of
// radius 2 would be an arc in radians; nor is a share of a turn.
func TestAnAngleInATextSaysThatItCountsDegrees(t *testing.T) {
	assert.Equal(t, []string{"60°", "−120°", "30°", "90°", "120", "0.5", "60°", "3600", "0.167", "10", "45°"},
		said(t, "", "θ", "−2θ", "θ/2", "θ + 30", "r θ", "cos θ", "arccos 0.5", "θ²", "θ/360", "1/6 · θ", "3/4 · θ"))
	assert.Equal(t, []string{"60", "° at the top", "60", " degrees"}, said(t, "", "θ;° at the top", "θ; degrees"), "whoever has written the unit reads it once")
	assert.Equal(t, []string{`2 \htmlClass{hue-6}{\theta}=120^{\circ}`}, said(t, text.AsEquation, "2θ"))
	assert.Equal(t, []string{`2\cdot 60^{\circ}=120^{\circ}`}, said(t, text.AsSubstituted, "2θ"))
}
