package door_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/point"
)

func ask(t testing.TB, it *door.Door, question door.Ask) door.Answer {
	t.Helper()
	data, err := json.Marshal(question)
	require.NoError(t, err)
	var answer door.Answer
	require.NoError(t, json.Unmarshal(it.Ask(data), &answer))
	return answer
}

func parabola(t testing.TB) *document.Document {
	t.Helper()
	d, err := edit.State(document.New("Jet"), "", "f(x) = a(x − h)²")
	require.NoError(t, err)
	d, err = edit.AddParameters(d, []string{"a", "h"})
	require.NoError(t, err)
	d, err = edit.Put(d, document.Entry{Body: &point.Body{X: "h", Y: "0"}})
	require.NoError(t, err)
	d, err = edit.Put(d, document.Entry{Body: &point.Body{X: "2", Y: "1"}})
	require.NoError(t, err)
	return d
}

func TestAFrameHoldsDialsGroundAndWhatMoves(t *testing.T) {
	it := loaded(t, parabola(t))
	require.True(t, it.Frame(0, 900, 450))
	f := it.Floats()
	assert.Equal(t, []float32{2, 1}, f[:2], "two dials, and the ground is new")
	assert.Len(t, f, door.FrameHeader+4+int(f[2]+f[3]))
	var texts door.FrameTexts
	require.NoError(t, json.Unmarshal(it.Texts(), &texts))
	assert.Equal(t, []string{"1.0", "1.0"}, texts.Dials)
	assert.False(t, texts.Moved)

	it.DragDial(0, 0.61)
	require.True(t, it.Frame(0, 900, 450))
	f = it.Floats()
	assert.Equal(t, []float32{2, 0, 0}, f[:3], "the ground is not sent again")
	assert.InDelta(t, 1.1, f[door.FrameHeader], 1e-6)
	assert.InDelta(t, 0.61, f[door.FrameHeader+1], 1e-6)
	require.NoError(t, json.Unmarshal(it.Texts(), &texts))
	assert.True(t, texts.Moved)

	require.True(t, it.Frame(0, 900, 450))
	assert.Empty(t, it.Texts(), "the same words are not sent again")
}

func TestWhatDoesNotExistChangesNothing(t *testing.T) {
	it := door.New()
	assert.False(t, it.Frame(0, 900, 450))
	it.DragDial(0, 0.5)
	it.DragPoint(0, 0, 900, 450, 1, 1)
	it.StartingValues()
	it = loaded(t, parabola(t))
	it.DragDial(7, 0.5)
	it.SetDial(-1, 3)
	it.DragPoint(3, 9, 900, 450, 1, 1)
	it.Zoom(4, 900, 450, 0, 0, 2)
	assert.False(t, it.Frame(5, 900, 450))
	assert.True(t, it.Frame(0, 900, 450))
}

func TestAFreePointSettlesWhereTheHandLeftIt(t *testing.T) {
	d := parabola(t)
	it := loaded(t, d)
	it.DragPoint(0, 2, 900, 450, 450, 225) // the middle of the window
	it.Frame(0, 900, 450)
	after := ask(t, it, door.Ask{Kind: door.AskSettle, Document: d, ID: d.Shown[2].ID}).Document
	assert.Equal(t, []string{"0", "0"}, []string{after.Shown[2].Field("x"), after.Shown[2].Field("y")})
	it.NudgePoint(0, 1, 900, 450, 3, 0)
	assert.InDelta(t, 1.3, ask(t, it, door.Ask{Kind: door.AskValues}).Values["h"], 1e-9, "a bound point moves its dial by steps")
}

func TestPlacesOfMistakesCountAsThePageCounts(t *testing.T) {
	it := loaded(t, parabola(t))
	p := ask(t, it, door.Ask{Kind: door.AskTypeset, Text: "π² + (x"}).Problem
	require.NotNil(t, p)
	assert.Equal(t, 5, p.Start, "in UTF-16 units, though π and ² take two bytes each")
	value := ask(t, it, door.Ask{Kind: door.AskValue, Text: "2π"})
	assert.InDelta(t, 2*math.Pi, value.Number, 1e-12)
	assert.Equal(t, "not-constant", ask(t, it, door.Ask{Kind: door.AskValue, Text: "a + 1"}).Problem.Code)
	assert.Equal(t, "undefined-field", ask(t, it, door.Ask{Kind: door.AskValue, Text: "1/0"}).Problem.Code)
	assert.Equal(t, "question", ask(t, it, door.Ask{Kind: "dance"}).Problem.Code)
}

func TestAnEntryIsSaidAsATextbookWould(t *testing.T) {
	d := parabola(t)
	it := door.New()
	l := ask(t, it, door.Ask{Kind: door.AskLoad, Document: d}).Loaded
	require.NotNil(t, l)
	assert.Equal(t, "the curve of ", l.Shown[0].Sentence[0].Text)
	assert.Equal(t, " is the point ", l.Shown[1].Sentence[1].Text)
	assert.Contains(t, l.Functions[0].LaTeX, `\htmlClass{hue-`, "parameters in their colours")
	assert.Equal(t, "f(x) = a(x − h)²", l.Functions[0].Text)
}

func TestATypedWindowHasExactlyItsEnds(t *testing.T) {
	it := loaded(t, parabola(t))
	typed := document.Window{Left: -1, Right: 9, Bottom: 0, Top: 1}
	w := ask(t, it, door.Ask{Kind: door.AskTyped, Window: &typed, Width: 900, Height: 450}).Window
	require.NotNil(t, w)
	assert.Equal(t, []float64{-1, 9}, []float64{w.Left, w.Right})
	assert.InDelta(t, 5, w.Top-w.Bottom, 1e-9, "the height follows from the equal scales")
}
