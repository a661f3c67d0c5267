package document_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
)

// Whatever rewrites formulas, as a change of the angle unit or of a name, must meet every one of them.
func TestEveryFormulaIsVisitedWithItsVariables(t *testing.T) {
	number := 0
	text := func() string { number++; return fmt.Sprintf("formula %d", number) }
	d := &document.Document{
		Stated: []document.Stated{{Name: "f", Variables: []string{"x", "y"}, Formula: text(), From: text(), To: text(), Step: text()}},
		Shown: []document.Shown{
			{Function: "f", X: text(), Y: text(), At: text(), Rows: []document.Row{{X: text(), Y: text()}, {X: text(), Y: text()}}},
			{Kind: document.Guide, Direction: document.Slanted, At: text()},
			{Family: &document.Family{Values: []string{text(), text()}, From: text(), To: text(), Step: text()}},
			{Trajectory: &document.Trajectory{Variable: "t", X: text(), Y: text(), From: text(), To: text()}},
			{Circle: &document.Circle{Angle: text(), Radius: text(), Centre: text()}},
			{Part: &document.Part{Step: text()}},
		},
		Said: []document.Said{{Pieces: []document.Piece{{Kind: document.Words, Text: "words"}, {Kind: document.Value, Text: text()}}}},
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
	assert.Equal(t, "f", d.Shown[0].Function)
	for _, one := range []struct{ formula, variable string }{{d.Shown[1].At, "x"}, {d.Shown[3].Trajectory.X, "t"}} {
		assert.Equal(t, "new", one.formula)
		found := false
		for _, variables := range met {
			found = found || len(variables) == 1 && variables[0] == one.variable
		}
		assert.True(t, found, one.variable)
	}
}

// How many points a figure hangs on (Euclid, Elements I: two for a line or a circle, three for an angle).
func TestAFigureHangsOnItsPoints(t *testing.T) {
	want := map[document.FigureShape]int{document.Segment: 2, document.Arrow: 2, document.Midpoint: 2, document.CircleShape: 2, document.ArcShape: 3,
		document.AngleShape: 3, document.RightAngle: 3, document.Polygon: -1, document.TangentLine: 0, document.NormalLine: 0, document.Intersection: 0}
	assert.Len(t, document.Shapes(), len(want))
	for _, shape := range document.Shapes() {
		assert.Equal(t, want[shape], shape.Points(), shape)
	}
}

func TestAWindowIsWideEnoughForItsNumbers(t *testing.T) {
	for _, w := range []document.Window{{-6, 6, -4, 4}, {1e6, 1e6 + 1, -1, 1}, {-1e-9, 1e-9, -1e-9, 1e-9}, {1e12 - 1000, 1e12, 0, 1}} {
		assert.True(t, w.IsWide(), w)
	}
	for _, w := range []document.Window{{1e12, 1e12 + 1, -1, 1}, {0, 1, 5, 5 + 1e-12}, {3, 3, 0, 1}, {1, 0, 0, 1}} {
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
