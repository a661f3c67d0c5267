package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/stagetest"
)

// A dial is idle where nothing that the scene shows hangs on it: by a formula, by a function that a formula uses, or by a part's whole. A
// family runs through its parameter itself.
func TestADialThatMovesNothingIsIdle(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a x + b", "g": "f(x) + c"}, map[string]float64{"a": 1, "b": 0, "c": 2, "d": 3},
		document.Entry{ID: "c1", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "c2", Body: &curve.Body{Function: "g", Family: &family.Given{Parameter: "a", Values: []string{"1", "2"}}}},
		document.Entry{ID: "g1", Body: &guide.Body{Direction: guide.Upright, At: "d/2"}})
	assert.Empty(t, e.Idle())
	scene := &e.Document.Scenes[0]
	scene.Hidden = []string{"c1"}
	assert.Equal(t, []string{"a"}, e.Idle(), "only the family is left of what hangs on a")
	scene.Hidden = []string{"c1", "g1"}
	assert.ElementsMatch(t, []string{"a", "d"}, e.Idle())
	scene.Hidden = []string{"c1", "c2", "g1"}
	assert.ElementsMatch(t, []string{"a", "b", "c", "d"}, e.Idle())
	e.Turn(e.Shown[0])
	assert.ElementsMatch(t, []string{"c", "d"}, e.Idle(), "what is revealed counts")
	scene.Hidden = nil
	assert.Empty(t, e.Idle(), "and what is covered still does, so that no dial goes when a curve is covered")
}
