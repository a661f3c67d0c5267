package document_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trajectory"
)

// Whatever rewrites formulas, as a change of the angle unit or of a name, must meet every one of them.
func TestEveryFormulaIsVisitedWithItsVariables(t *testing.T) {
	number := 0
	formula := func() string { number++; return fmt.Sprintf("formula %d", number) }
	d := &document.Document{
		Stated: []document.Stated{{Name: "f", Variables: []string{"x", "y"}, Formula: formula(), From: formula(), To: formula(), Step: formula()}},
		Shown: []document.Entry{
			{Body: &curve.Body{Function: "f", Family: &family.Given{Values: []string{formula(), formula()}, From: formula(), To: formula(), Step: formula()}}},
			{Body: &guide.Body{Direction: guide.Slanted, At: formula()}},
			{Body: &point.Body{Name: "P", X: formula(), Y: formula()}},
			{Body: &trajectory.Body{Variable: "t", X: formula(), Y: formula(), From: formula(), To: formula()}},
			{Body: &circle.Body{Angle: formula(), Radius: formula(), Centre: formula()}},
			{Body: &trajectory.PartBody{Step: formula()}},
			{Body: &table.Body{Rows: []table.Row{{X: formula(), Y: formula()}, {X: formula(), Y: formula()}}}},
			{Body: &figure.Body{Shape: figure.Tangent, Function: "f", At: formula()}},
		},
		Said: []document.Entry{{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "words"}, {Kind: text.Value, Text: formula()}}}}},
	}
	met := map[string][]string{}
	d.Formulas(func(text *string, variables ...string) {
		if *text != "" {
			met[*text] = variables
			*text = "new"
		}
	})
	for k := 1; k <= number; k++ {
		assert.Contains(t, met, fmt.Sprintf("formula %d", k))
	}
	assert.Len(t, met, number, "words and names are no formulas")
	assert.Equal(t, []string{"x", "y"}, met["formula 1"])
	assert.Equal(t, "new", d.Stated[0].Formula, "each can be rewritten in its place")
	assert.Equal(t, "f", d.Shown[0].Field("function"))
	for _, one := range []struct{ formula, variable string }{{d.Shown[1].Field("at"), "x"}, {d.Shown[3].Field("x"), "t"}} {
		assert.Equal(t, "new", one.formula)
		found := false
		for _, variables := range met {
			found = found || len(variables) == 1 && variables[0] == one.variable
		}
		assert.True(t, found, one.variable)
	}
}

// How many points a figure hangs on (Euclid, Elements I: two for a line or a circle, three for an angle; XI 2 for a plane).
func TestAFigureHangsOnItsPoints(t *testing.T) {
	want := map[figure.Shape]int{figure.Segment: 2, figure.Arrow: 2, figure.Midpoint: 2, figure.Circle: 2, figure.Arc: 3,
		figure.Angle: 3, figure.RightAngle: 3, figure.Polygon: -1, figure.Tangent: 0, figure.Normal: 0, figure.Intersection: 0, figure.Plane: 3}
	assert.Len(t, figure.Shapes(), len(want))
	for _, shape := range figure.Shapes() {
		assert.Equal(t, want[shape], shape.Points(), shape)
	}
}

func TestAWindowIsWideEnoughForItsNumbers(t *testing.T) {
	for _, w := range []document.Window{{Left: -6, Right: 6, Bottom: -4, Top: 4}, {Left: 1e6, Right: 1e6 + 1, Bottom: -1, Top: 1}, {Left: -1e-9, Right: 1e-9, Bottom: -1e-9, Top: 1e-9}, {Left: 1e12 - 1000, Right: 1e12, Bottom: 0, Top: 1}} {
		assert.True(t, w.IsWide(), w)
	}
	for _, w := range []document.Window{{Left: 1e12, Right: 1e12 + 1, Bottom: -1, Top: 1}, {Left: 0, Right: 1, Bottom: 5, Top: 5 + 1e-12}, {Left: 3, Right: 3, Bottom: 0, Top: 1}, {Left: 1, Right: 0, Bottom: 0, Top: 1}} {
		assert.False(t, w.IsWide(), w)
	}
}

func TestStatedThingsAreFoundByKindAndName(t *testing.T) {
	d := sample()
	assert.Equal(t, "s1", d.Functions()[0].ID)
	assert.Equal(t, "s2", d.Parameters()[0].ID)
	assert.Same(t, &d.Stated[1], d.StatedNamed("a"), "itself, so that it can be changed")
	assert.Nil(t, d.StatedNamed("b"))
	p := &d.Panels[0]
	scene := document.Scene{Windows: map[string]document.Window{"other": {}}}
	assert.Equal(t, p.Window, scene.WindowOf(p), "a scene without a window of its own shows the panel's")
	own := document.Window{Left: -1, Right: 1, Bottom: -1, Top: 1}
	scene.Windows[p.ID] = own
	assert.Equal(t, own, scene.WindowOf(p))
}
