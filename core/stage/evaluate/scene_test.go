package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// twoScenes has f = a·x with a = 1 in the first scene and 5, another window and no point in the second.
func twoScenes(t testing.TB) *evaluate.Demonstration {
	t.Helper()
	e := demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f"}, document.Shown{ID: "p", Kind: document.Point, Name: "P", X: "1", Y: "f(1)"},
		document.Shown{ID: "k", Kind: document.Steps, Function: "f"})
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
	assert.Equal(t, 0.0, e.Shown[2].Steps.Position, "the steps stand at the parent")
	assert.False(t, e.Moved())
}

func TestStartingValuesAreThoseOfTheScene(t *testing.T) {
	e := twoScenes(t)
	e.BeginScene(1)
	e.GoScene(1)
	e.Set(0, -2)
	e.Shown[2].Steps.Go(1)
	assert.True(t, e.Moved())
	e.StartingValues()
	assert.Equal(t, 5.0, e.Parameters[0].Value)
	assert.Equal(t, 0.0, e.Shown[2].Steps.Position)
	e.BeginScene(0)
	e.GoScene(1)
	assert.Equal(t, 1.0, e.Parameters[0].Value)
	assert.Equal(t, 1.0, e.Shown[2].Steps.Position, "a scene that does not say has the steps at their end")
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

// y = −2·(x − 3)² + 1 (common practice): the vertex goes from (0, 0) over (3, 0) to (3, 1).
func TestStepsMoveTheKeyPointsWithTheDials(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "a(x − h)² + k"}, map[string]float64{"a": -2, "h": 3, "k": 1},
		document.Shown{ID: "k", Kind: document.Steps, Function: "f"})
	require.Empty(t, e.Problems)
	steps := e.Shown[0].Steps
	require.Len(t, steps.Steps, 3)
	at := func(position float64) [2]float64 {
		x, y := steps.PlaceAt(e, position).Of(0, 0)
		return [2]float64{x, y}
	}
	assert.Equal(t, [2]float64{0, 0}, at(0))
	assert.Equal(t, [2]float64{3, 0}, at(1))
	assert.Equal(t, [2]float64{1.5, 0}, at(0.5))
	assert.Equal(t, [2]float64{3, 1}, at(3))
	assert.Equal(t, []string{"Shift 3 to the right. (h = 3)", "Stretch vertically by the factor 2 and reflect in the x-axis: every y is multiplied by −2. (a = −2)",
		"Shift 1 up. (k = 1)"}, steps.Sentences(e))
	compiled := e.Counters.Compiles
	e.Set(e.Find("h"), -1)
	e.Set(e.Find("a"), 0)
	assert.Equal(t, [2]float64{-1, 1}, at(3))
	assert.Equal(t, "Shift 1 to the left. (h = −1)", steps.Sentences(e)[0])
	assert.Contains(t, steps.Sentences(e)[1], "flat on the x-axis")
	_, reach := steps.ExtentsText(e, steps.PlaceAt(e, 3))
	assert.Equal(t, "{1}", reach)
	assert.Equal(t, compiled, e.Counters.Compiles, "a moved dial compiles nothing")
}

func TestAFamilyFollowsTheOtherDialsOnly(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "a x + b"}, map[string]float64{"a": 1, "b": 0},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Family: &document.Family{Parameter: "a", Values: []string{"−3", "1/2", "2π"}}},
		document.Shown{ID: "r", Kind: document.Curve, Function: "f", Family: &document.Family{Parameter: "b", From: "−1", To: "1", Step: "0.5"}})
	require.Empty(t, e.Problems)
	list, spread := e.Shown[0], e.Shown[1]
	require.Len(t, list.Family.Members, 3)
	require.Len(t, spread.Family.Members, 5)
	assert.Equal(t, 0.5, spread.Family.Members[3].Value)
	stamp := e.FamilyStamp(list)
	e.Set(e.Find("a"), 4)
	assert.Equal(t, stamp, e.FamilyStamp(list), "its own parameter does not move it")
	e.Set(e.Find("b"), 4)
	assert.Greater(t, e.FamilyStamp(list), stamp)
	in := e.InputsFor(list.Family, list.Family.Members[0])
	assert.Equal(t, -3.0*2+4, list.Curve.Curve.At(2, in))
	for formula, code := range map[string]string{"b": "not-constant", "1/0": "undefined-field"} {
		bad := demonstration(t, map[string]string{"f": "a x + b"}, map[string]float64{"a": 1, "b": 0},
			document.Shown{ID: "c", Kind: document.Curve, Function: "f", Family: &document.Family{Parameter: "a", Values: []string{formula}}})
		assert.Equal(t, code, problems(bad)["c"], formula)
	}
	many := demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Family: &document.Family{Parameter: "a", From: "0", To: "100", Step: "1"}})
	assert.Equal(t, "limit", problems(many)["c"])
}

func TestAPanelMayHoldAValueOfItsOwn(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1}, document.Shown{ID: "p", Kind: document.Point, Name: "P", X: "1", Y: "f(1)"})
	release := e.Hold(map[string]float64{"a": 4})
	assert.Equal(t, 4.0, e.Shown[0].Y)
	assert.Equal(t, 4.0, e.Inputs()[1])
	release()
	assert.Equal(t, 1.0, e.Shown[0].Y)
	assert.Equal(t, 1.0, e.Inputs()[1])
}
