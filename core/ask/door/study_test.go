package door_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
)

func asked(t testing.TB, it *door.Door, ask door.Ask) door.Answer {
	t.Helper()
	question, err := json.Marshal(ask)
	require.NoError(t, err)
	var answer door.Answer
	require.NoError(t, json.Unmarshal(it.Ask(question), &answer))
	return answer
}

func stated(t testing.TB, statements ...string) *document.Document {
	t.Helper()
	d := document.New("Pier")
	for _, s := range statements {
		after, err := edit.State(d, "", s)
		require.NoError(t, err)
		d = after
	}
	return d
}

func TestFindingsComeAtTheValuesOfTheQuestion(t *testing.T) {
	it := loaded(t, stated(t, "h = 1", "f(x) = (x − h)²"))
	a := asked(t, it, door.Ask{Kind: door.AskFindings, ID: "f", Values: map[string]float64{"h": 2.5}})
	require.NotNil(t, a.Findings)
	assert.Equal(t, map[string]float64{"h": 2.5}, a.Findings.Found.Values)
	drawn := 0
	for _, line := range a.Findings.Lines {
		assert.NotEmpty(t, line.LaTeX, line.Name)
		if line.Drawn {
			drawn++
		}
	}
	assert.Positive(t, drawn)
	assert.NotNil(t, asked(t, it, door.Ask{Kind: door.AskFindings, ID: "q"}).Problem, "there is no q")
}

func TestAReadingHasItsPlaceOnThePanel(t *testing.T) {
	it := loaded(t, stated(t, "f(x) = x²"))
	window := &document.Window{Left: -6, Right: 6, Bottom: -3, Top: 3}
	panel := door.Ask{Kind: door.AskRead, Width: 1200, Height: 600, Window: window}
	panel.X, panel.Y = 700, 205 // near (1, 1)
	a := asked(t, it, panel)
	require.NotNil(t, a.Reading)
	assert.Equal(t, "f", a.Reading.Function)
	assert.InDelta(t, 700, a.Reading.X, 1e-9)
	assert.InDelta(t, 200, a.Reading.Y, 1e-9)
	panel.ID, panel.Text = "f", "√2"
	a = asked(t, it, panel)
	require.NotNil(t, a.Reading)
	assert.Contains(t, a.Reading.LaTeX, "=2")
	panel.Text = "2 +"
	assert.NotNil(t, asked(t, it, panel).Problem)
}

func TestFitAndAdviceAnswerForAPanel(t *testing.T) {
	it := loaded(t, stated(t, "f(x) = x² + 500"))
	panel := door.Ask{Kind: door.AskAdvice, Width: 1200, Height: 600, Window: &document.Window{Left: -6, Right: 6, Bottom: -3, Top: 3}}
	advice := asked(t, it, panel).Advice
	require.NotNil(t, advice)
	assert.Equal(t, "empty", advice.Code)
	panel.Kind = door.AskFit
	fitted := asked(t, it, panel).Mended
	require.NotNil(t, fitted)
	assert.Equal(t, advice.Mends[0].Window, fitted.Window, "the advice offers the same window")
	panel.Panel = 7
	assert.NotNil(t, asked(t, it, panel).Problem)
}

func decode(t testing.TB, data []byte, into any) {
	t.Helper()
	require.NoError(t, json.Unmarshal(data, into))
}
