package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/stagetest"
)

// twoScenes has f = a·x with a = 1 in the first scene and 5, another window and no point in the second.
func twoScenes(t testing.TB) *evaluate.Demonstration {
	t.Helper()
	e := stagetest.Demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1},
		document.Entry{ID: "c", Body: &curve.Body{Function: "f"}}, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "f(1)"}},
		document.Entry{ID: "k", Body: &steps.Body{Function: "f"}})
	d := e.Document
	d.Scenes = append(d.Scenes, document.Scene{ID: "scene2", Name: "Steep", Values: map[string]float64{"a": 5}, Hidden: []string{"p"},
		Windows: map[string]document.Window{"plane1": {Left: 0, Right: 2, Bottom: 0, Top: 10}}, Steps: map[string]float64{"k": 0}})
	require.NoError(t, d.Check())
	return evaluate.Load(d, nil)
}

func TestAnotherSceneIsReachedByAGlide(t *testing.T) {
	e := twoScenes(t)
	panel := &e.Document.Panels[0]
	assert.True(t, e.Appears(e.Shown[1], panel))
	e.BeginScene(1)
	assert.False(t, e.Appears(e.Shown[1], panel), "what is visible changes at once")
	e.GoScene(0.5)
	assert.Equal(t, 3.0, e.Parameters[0].Value)
	assert.Equal(t, -3.0, e.Panel(0).Window.Left)
	assert.True(t, e.Moved())
	e.GoScene(1)
	assert.Equal(t, 5.0, e.Parameters[0].Value)
	assert.Equal(t, document.Window{Left: 0, Right: 2, Bottom: 0, Top: 10}, e.Panel(0).Window)
	assert.Equal(t, 0.0, e.Shown[2].Live.(evaluate.Stepped).StandsAt(), "the steps stand at the parent")
	assert.False(t, e.Moved())
}

func TestAnEditOnTheWayToASceneDoesNotStopTheWay(t *testing.T) {
	e := twoScenes(t)
	e.BeginScene(1)
	e.GoScene(0.25)
	again := evaluate.Load(e.Document, e)
	again.GoScene(0.5)
	assert.Equal(t, 3.0, again.Parameters[0].Value)
	assert.Equal(t, -3.0, again.Panel(0).Window.Left)
	again.GoScene(1)
	assert.Equal(t, 5.0, again.Parameters[0].Value)
	assert.Equal(t, document.Window{Left: 0, Right: 2, Bottom: 0, Top: 10}, again.Panel(0).Window)
	assert.Equal(t, 0.0, again.Shown[2].Live.(evaluate.Stepped).StandsAt())
	assert.False(t, again.Moved())
}

func TestStartingValuesAreThoseOfTheScene(t *testing.T) {
	e := twoScenes(t)
	e.BeginScene(1)
	e.GoScene(1)
	e.Set(0, -2)
	e.Shown[2].Live.(evaluate.Stepped).Go(1)
	assert.True(t, e.Moved())
	e.StartingValues()
	assert.Equal(t, 5.0, e.Parameters[0].Value)
	assert.Equal(t, 0.0, e.Shown[2].Live.(evaluate.Stepped).StandsAt())
	e.BeginScene(0)
	e.GoScene(1)
	assert.Equal(t, 1.0, e.Parameters[0].Value)
	assert.Equal(t, 1.0, e.Shown[2].Live.(evaluate.Stepped).StandsAt(), "a scene that does not say has the steps at their end")
}

func TestAnEditKeepsTheScene(t *testing.T) {
	e := twoScenes(t)
	e.BeginScene(1)
	e.GoScene(1)
	again := evaluate.Load(e.Document, e)
	assert.Equal(t, 1, again.Scene)
	assert.Equal(t, 5.0, again.Parameters[0].Value)
	e.Document.Scenes = e.Document.Scenes[:1]
	assert.Equal(t, 0, evaluate.Load(e.Document, e).Scene)
}

func TestAPanelMayHoldAValueOfItsOwn(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1}, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "f(1)"}})
	d := e.Document
	d.Panels = append(d.Panels, d.Panels[0])
	d.Panels[1].ID, d.Panels[1].Values = "other", map[string]float64{"a": 4}
	e = evaluate.Load(d, nil)
	for _, a := range []float64{1, 2} {
		e.Set(0, a)
		assert.Equal(t, a, heightOn(e, 0))
		assert.Equal(t, a, e.Frame(0, 600, 400).Now.Inputs()[1])
		assert.Equal(t, 4.0, heightOn(e, 1), "its dial does not move this panel")
		assert.Equal(t, 4.0, e.Frame(1, 600, 400).Now.Inputs()[1])
	}
	assert.Equal(t, 2.0, height(e))
}

// What else moves does so on a panel with a value of its own too: other dials, a point that a hand takes, a transformation.
func TestAPanelWithAValueOfItsOwnFollowsTheRest(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "a (x − b)²"}, map[string]float64{"a": 1, "b": 1},
		document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "0", Y: "f(0)"}},
		document.Entry{ID: "q", Body: &point.Body{Name: "Q", X: "1", Y: "1"}},
		document.Entry{ID: "k", Body: &steps.Body{Function: "f"}}).Document
	d.Panels = append(d.Panels, d.Panels[0])
	d.Panels[1].ID, d.Panels[1].Values = "other", map[string]float64{"a": 4}
	e := evaluate.Load(d, nil)
	e.Set(e.Find("b"), 2)
	assert.Equal(t, 4.0, heightOn(e, 0))
	assert.Equal(t, 16.0, heightOn(e, 1))
	e.Drag(1, evaluate.Hand{Panel: &d.Panels[0], Grip: -1, X: 3, Y: -2, Grain: 0.1})
	for panel := range 2 {
		x, y := e.Frame(panel, 600, 400).Appearing[1].Live.(evaluate.Placed).Position()
		assert.Equal(t, [2]float64{3, -2}, [2]float64{x, y})
	}
	e.Shown[2].Live.(evaluate.Stepped).Go(1)
	assert.Equal(t, 1.0, e.Frame(1, 600, 400).Appearing[2].Live.(evaluate.Stepped).StandsAt())
}

// heightOn is that of the point that is shown first on a panel.
func heightOn(e *evaluate.Demonstration, panel int) float64 {
	_, y := e.Frame(panel, 600, 400).Appearing[0].Live.(evaluate.Placed).Position()
	return y
}

// height is that of the point that is shown first.
func height(e *evaluate.Demonstration) float64 {
	_, y := e.Shown[0].Live.(evaluate.Placed).Position()
	return y
}

// A label can be held back alone, until it is revealed or another scene begins.
func TestALabelIsCoveredInPlay(t *testing.T) {
	e := twoScenes(t)
	shown := e.Shown[0]
	assert.True(t, e.TellsLabel(shown.Entry.ID))
	e.TurnLabel(shown)
	assert.False(t, e.TellsLabel(shown.Entry.ID))
	assert.True(t, e.InScene(shown), "the entry itself is seen")
	e.BeginScene(1)
	assert.True(t, e.TellsLabel(shown.Entry.ID))
}
