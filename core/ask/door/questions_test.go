package door_test

import (
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/point"
)

// words joins a sentence's words and formulas.
func words(sentence []door.PieceView) string {
	var b strings.Builder
	for _, p := range sentence {
		b.WriteString(p.Text + p.LaTeX)
	}
	return b.String()
}

// a(x − 2)² + 1: whatever a is, the vertex (2, 1) stays, and for a = 0 the curve is a level line (common practice).
func TestWhatAParameterDoesIsSaid(t *testing.T) {
	it := loaded(t, stated(t, "a = 1", "f(x) = a(x − 2)² + 1", "g(x) = x"))
	a := asked(t, it, door.Ask{Kind: door.AskEffect, ID: "a"})
	require.Len(t, a.Effects, 1, "g does not depend on it")
	assert.Equal(t, "f", a.Effects[0].Function)
	require.NotEmpty(t, a.Effects[0].Lines)
	stays := false
	for _, line := range a.Effects[0].Lines {
		assert.NotEmpty(t, words(line.Sentence))
		stays = stays || line.X == "2" && line.Y == "1"
	}
	assert.True(t, stays, "the vertex")
	require.Len(t, a.Effects[0].Degenerate, 1)
	d := a.Effects[0].Degenerate[0]
	assert.Equal(t, 0.0, d.Value)
	assert.InDelta(t, 0.5, d.Place, 1e-9, "in the middle of the bar from −5 to 5")
	assert.NotEmpty(t, d.Kind)
	assert.Equal(t, "not-a-parameter", asked(t, it, door.Ask{Kind: door.AskEffect, ID: "q"}).Problem.Code)
}

// The gallery shows every parent, drawn inside its box of 60 by 44.
func TestTheGalleryDrawsEveryParent(t *testing.T) {
	parents := asked(t, door.New(), door.Ask{Kind: door.AskGallery}).Gallery
	require.GreaterOrEqual(t, len(parents), 10)
	seen := map[string]bool{}
	for _, p := range parents {
		assert.False(t, seen[p.Kind], p.Kind)
		seen[p.Kind] = true
		assert.NotEmpty(t, p.LaTeX, p.Kind)
		require.True(t, strings.HasPrefix(p.Path, "M"), p.Kind)
		for _, place := range strings.FieldsFunc(p.Path, func(r rune) bool { return r == 'M' || r == 'L' }) {
			xy := strings.Fields(place)
			require.Len(t, xy, 2, p.Kind)
			x, err := strconv.ParseFloat(xy[0], 64)
			require.NoError(t, err)
			y, err := strconv.ParseFloat(xy[1], 64)
			require.NoError(t, err)
			assert.True(t, x >= 0 && x <= 60 && y >= 0 && y <= 44, "%s: %s", p.Kind, place)
		}
	}
}

// Each piece of geometry is said by its shape and its points.
func TestEveryFigureIsSaid(t *testing.T) {
	d := stated(t, "f(x) = x²", "g(x) = x + 1")
	var ids []string
	for i, name := range []string{"A", "B", "C"} {
		after, err := edit.Put(d, document.Entry{Body: &point.Body{Name: name, X: strconv.Itoa(i), Y: "0"}})
		require.NoError(t, err)
		d = after
		ids = append(ids, d.Shown[len(d.Shown)-1].ID)
	}
	said := map[string]bool{}
	for _, shape := range figure.Shapes() {
		body := &figure.Body{Shape: shape}
		switch n := shape.Points(); {
		case n > 0:
			body.Points = ids[:n]
		case n < 0:
			body.Points = ids
		case shape == figure.Intersection:
			body.Function, body.Other = "f", "g"
		default:
			body.Function, body.At = "f", "1/2"
		}
		if shape == figure.Midpoint {
			body.Name = "M"
		}
		after, err := edit.Put(d, document.Entry{Body: body})
		require.NoError(t, err, shape)
		l := ask(t, door.New(), door.Ask{Kind: door.AskLoad, Document: after}).Loaded
		require.NotNil(t, l, shape)
		sentence := words(l.Shown[len(l.Shown)-1].Sentence)
		assert.False(t, said[sentence], "%s is said as another one: %s", shape, sentence)
		said[sentence] = true
		for k := range body.Points {
			assert.Contains(t, sentence, string(rune('A'+k)), shape)
		}
	}
}

// A table that is asked for has its rows, with differences from row to row; a bad step is refused at its field.
func TestATableOfAFunctionIsMade(t *testing.T) {
	it := loaded(t, stated(t, "f(x) = x²"))
	a := asked(t, it, door.Ask{Kind: door.AskTable, ID: "f", From: "0", Step: "1/2", By: 5})
	require.NotNil(t, a.Table)
	require.Len(t, a.Table.Rows, 5)
	for i, y := range []string{"0", "0.25", "1", "2.25", "4"} {
		assert.Equal(t, y, a.Table.Rows[i].Y)
	}
	assert.Equal(t, []string{"", "0.25", "0.75", "1.25", "1.75"}, []string{a.Table.Rows[0].First, a.Table.Rows[1].First, a.Table.Rows[2].First, a.Table.Rows[3].First, a.Table.Rows[4].First})
	assert.Equal(t, "0.5", a.Table.Rows[4].Second)
	assert.Equal(t, "quadratic", a.Table.Type)
	for _, wrong := range []door.Ask{{Kind: door.AskTable, ID: "f", From: "0", Step: "0", By: 5}, {Kind: door.AskTable, ID: "f", From: "(", Step: "1", By: 5},
		{Kind: door.AskTable, ID: "q", From: "0", Step: "1", By: 5}} {
		assert.NotNil(t, asked(t, it, wrong).Problem, "%v", wrong)
	}
}

// The window in play is what is seen, and a demonstration is drawn whole as a picture of its own.
func TestAPictureOfADemonstrationIsDrawn(t *testing.T) {
	d := stated(t, "f(x) = x² − 1")
	a := asked(t, door.New(), door.Ask{Kind: door.AskDraw, Document: d, Width: 300, Height: 200})
	assert.Nil(t, a.Problem)
	assert.True(t, strings.HasPrefix(a.SVG, "<svg"), "an SVG picture")
	assert.Contains(t, a.SVG, `stroke="#0B4F8C"`, "the curve in its colour")
	assert.NotContains(t, a.SVG, "NaN")
	it := loaded(t, d)
	w := asked(t, it, door.Ask{Kind: door.AskWindow, Width: 900, Height: 450}).Window
	require.NotNil(t, w)
	assert.InDelta(t, 2, (w.Right-w.Left)/(w.Top-w.Bottom), 1e-9)
	text := asked(t, it, door.Ask{Kind: door.AskDescribe, Width: 900, Height: 450}).Text
	assert.Contains(t, text, "The curve of f")
}
