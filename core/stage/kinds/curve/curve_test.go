package curve_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// The vertex of a(x − h)² + k is (h, k); the point beside it at x = h + 1 lies a above it (common practice).
func TestACurveIsMovedAndStretchedByItsKeyPoints(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a(x − h)² + k"}, map[string]float64{"a": 1, "h": 0, "k": 0},
		document.Entry{ID: "c", Body: &curve.Body{Function: "f", Grips: true}})
	moved := e.Shown[0].Live.(*curve.Live)
	require.Len(t, moved.Grips, 2)
	moved.Drag(e, evaluate.Hand{Grip: 0, X: 2.04, Y: -1.31, Grain: 0.1})
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value, "on the dial's steps")
	assert.InDelta(t, -1.3, e.Parameters[e.Find("k")].Value, 1e-12)
	moved.Drag(e, evaluate.Hand{Grip: 1, X: 3, Y: 1.7, Grain: 0.1})
	assert.InDelta(t, 3, e.Parameters[e.Find("a")].Value, 1e-12)
	stagetest.Again(e, 900, 450)
	assert.InDelta(t, 2, moved.Grips[0].X, 1e-12)
	assert.InDelta(t, -1.3, moved.Grips[0].Y, 1e-12)
	moved.Drag(e, evaluate.Hand{Grip: 7, Grain: 0.1}) // there is no such grip
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value)

	plain := stagetest.Demonstration(t, map[string]string{"f": "(x − 1)² + 2"}, nil, document.Entry{ID: "c", Body: &curve.Body{Function: "f", Grips: true}})
	assert.Empty(t, plain.Shown[0].Live.(*curve.Live).Grips, "without dials there is nothing to move")
	wave := stagetest.Demonstration(t, map[string]string{"f": "a sin(b(x − h))"}, map[string]float64{"a": 1, "b": 1, "h": 0},
		document.Entry{ID: "c", Body: &curve.Body{Function: "f", Grips: true}})
	wave.Shown[0].Live.(*curve.Live).Drag(wave, evaluate.Hand{Grip: 1, X: 0.7853981633974483, Y: 2, Grain: 0.1})
	assert.InDelta(t, 2, wave.Parameters[wave.Find("a")].Value, 1e-12)
	assert.InDelta(t, 2, wave.Parameters[wave.Find("b")].Value, 1e-12, "half as wide, twice as fast")
}

func TestAFamilyFollowsTheOtherDialsOnly(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a x + b"}, map[string]float64{"a": 1, "b": 0},
		document.Entry{ID: "c", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: []string{"−3", "1/2", "2π"}}}},
		document.Entry{ID: "r", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "b", From: "−1", To: "1", Step: "0.5"}}})
	require.Empty(t, e.Problems)
	list, spread := e.Shown[0].Live.(*curve.Live), e.Shown[1].Live.(*curve.Live)
	require.Len(t, list.Family.Members, 3)
	require.Len(t, spread.Family.Members, 5)
	assert.Equal(t, 0.5, spread.Family.Members[3].Value)
	stamp := e.StampOf(list.Function.Hangs(), list.Family.Parameter)
	e.Set(e.Find("a"), 4)
	assert.Equal(t, stamp, e.StampOf(list.Function.Hangs(), list.Family.Parameter), "its own parameter does not move it")
	e.Set(e.Find("b"), 4)
	assert.Greater(t, e.StampOf(list.Function.Hangs(), list.Family.Parameter), stamp)
	in := list.Family.InputsFor(e, list.Family.Members[0])
	assert.Equal(t, -3.0*2+4, list.Function.Curve.At(2, in))
	for formula, code := range map[string]string{"b": "not-constant", "1/0": "undefined-field"} {
		bad := stagetest.Demonstration(t, map[string]string{"f": "a x + b"}, map[string]float64{"a": 1, "b": 0},
			document.Entry{ID: "c", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: []string{formula}}}})
		assert.Equal(t, code, stagetest.Problems(bad)["c"], formula)
	}
	many := stagetest.Demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1},
		document.Entry{ID: "c", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", From: "0", To: "100", Step: "1"}}})
	assert.Equal(t, "limit", stagetest.Problems(many)["c"])
}

// One curve for each value, from one end of the ramp to the other, each with its value beside it.
func TestAFamilyHasACurveForEachValue(t *testing.T) {
	pic, e := stagetest.WithParameter(t, "a x²", document.Entry{ID: "fam", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", From: "-1", To: "1", Step: "1/2"}}})
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	for k, a := range []float64{-1, -0.5, 0, 0.5, 1} {
		colour := picture.Ramp + picture.Colour(2*k)
		drawn := stagetest.Lines(pic.Live, colour)
		require.Len(t, drawn, 1, "a = %v", a)
		for _, p := range drawn[0] {
			x := v.AtX(p[0])
			if y := v.AtY(p[1]); math.Abs(y) < 2.9 {
				assert.InDelta(t, a*x*x, y, 0.04, "a = %v at %v", a, x)
			}
		}
	}
	var labels []string
	for _, l := range pic.Labels {
		labels = append(labels, l.LaTeX)
	}
	assert.ElementsMatch(t, []string{"a=−1", "a=−0.5", "a=0", "a=0.5", "a=1"}, labels)
}

// What is remembered is drawn pale where the curve was at the scene's values, once a dial has moved, until it is forgotten.
func TestACurveIsLeftPaleWhereItWasBeforeADialMoved(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	pale := func() (n int) {
		for r := range picture.Records(stagetest.Again(e, 900, 450).Live) {
			if picture.Op(r[0]) == picture.Line && r[4] < 1 {
				n++
			}
		}
		return n
	}
	e.RememberCurves(true)
	assert.Zero(t, pale(), "nothing has moved")
	e.Set(0, 2)
	assert.Equal(t, 1, pale())
	e.RememberCurves(false)
	assert.Zero(t, pale())
}

// A bold curve is wider; a label may say words of its own, larger than usual.
func TestALookChangesWeightAndWords(t *testing.T) {
	plain, _ := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	bold, _ := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"},
		Look: document.Look{Weight: document.Bold, Label: document.LabelWords, Words: "the {rope}", LabelSize: document.Large}})
	assert.Greater(t, widest(bold.Live), widest(plain.Live))
	assert.Equal(t, `\text{the rope}`, stagetest.Labelled(bold, "c"))
	assert.Greater(t, bold.Labels[0].Height, plain.Labels[0].Height)
}

func widest(data []float32) (width float32) {
	for r := range picture.Records(data) {
		if picture.Op(r[0]) == picture.Line {
			width = max(width, r[2])
		}
	}
	return width
}

// What is remembered is the scene's: in another scene it is that scene's starting values.
func TestWhatIsRememberedFollowsTheScene(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	other := e.Document.Scenes[0]
	other.ID, other.Values = "second", map[string]float64{"a": 3}
	e.Document.Scenes = append(e.Document.Scenes, other)
	e.RememberCurves(true)
	e.BeginScene(1)
	e.GoScene(1)
	in, _ := e.Before()
	assert.Nil(t, in, "nothing has moved in the second scene")
	e.Set(0, -1)
	in, _ = e.Before()
	assert.Equal(t, 3.0, in[1])
}

// Whoever cannot see the curve hears its formula with the values in play, and where it meets the axes and turns.
func TestACurveIsDescribedInWords(t *testing.T) {
	_, e := stagetest.WithParameter(t, "a(x − 1)² − 4", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	live := e.Shown[0].Live.(*curve.Live)
	assert.Equal(t, []string{"The curve of f: f of x equals the square of x minus 1, minus 4."}, live.Describe(e, e.Shown[0].Entry))
	e.Set(0, -2)
	assert.Equal(t, "The curve of f: f of x equals minus 2 times the square of x minus 1, minus 4.", live.Describe(e, e.Shown[0].Entry)[0])
}
