package edit_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trace"
)

func withFunction(t testing.TB, text string) (*document.Document, string) {
	t.Helper()
	d, err := edit.State(document.New(""), "", text)
	require.NoError(t, err)
	return d, d.Stated[0].ID
}

// A curve that is moved 3 up and 2 to the left belongs to f(x + 2) + 3 (common practice: inside changes look reversed).
func TestAMovedCurveGetsItsNewFormulaSimplified(t *testing.T) {
	for text, want := range map[string]string{"f(x) = x²": "(x + 2)² + 3", "f(x) = 2(x − 1)² − 4": "2(x + 1)² − 1", "f(x) = √x": "√(x + 2) + 3",
		"f(x) = 1/x": "1/(x + 2) + 3", "f(x) = x² + 8x + 11": "(x + 6)² − 2", "f(x) = 2x + 1": "2x + 8", "f(x) = e^x": "e^(x + 2) + 3"} {
		d, id := withFunction(t, text)
		moved, err := edit.MoveCurve(d, id, edit.Moving{Right: "−2", Up: "3"})
		require.NoError(t, err, text)
		assert.Equal(t, want, moved.Stated[0].Formula, text)
	}
	d, id := withFunction(t, "f(x) = x²")
	moved, err := edit.MoveCurve(d, id, edit.Moving{StretchY: "9", InX: true})
	require.NoError(t, err)
	assert.Equal(t, "−9x²", moved.Stated[0].Formula)
	moved, err = edit.MoveCurve(d, id, edit.Moving{StretchX: "1/3"})
	require.NoError(t, err)
	assert.Equal(t, "9x²", moved.Stated[0].Formula)
	_, err = edit.MoveCurve(d, id, edit.Moving{StretchX: "0"})
	assert.ErrorContains(t, err, "must not be 0")
	_, err = edit.MoveCurve(d, id, edit.Moving{Right: "2 +"})
	p, _ := problem.Of(err)
	require.NotNil(t, p)
	assert.Equal(t, "right", p.Field)
}

func TestTheMovedCurveIsTheCurveMoved(t *testing.T) {
	for _, text := range []string{"f(x) = x² − 3", "f(x) = x³ + x", "f(x) = sin(2x) + x", "f(x) = 3cos(x − 1)", "f(x) = ln(x + 4)", "f(x) = x e^(−x)", "f(x) = |x − 1| − 2"} {
		d, id := withFunction(t, text)
		moved, err := edit.MoveCurve(d, id, edit.Moving{Right: "3/2", Up: "−1", StretchX: "2", StretchY: "1/2", InX: true, InY: true})
		require.NoError(t, err)
		was, is := evaluate.Load(d, nil).Functions[0].Curve, evaluate.Load(moved, nil).Functions[0].Curve
		require.NotNil(t, is, moved.Stated[0].Formula)
		for x := -3.0; x < 3; x += 0.37 {
			y := was.At(x, []float64{0})
			if math.IsNaN(y) {
				continue
			}
			assert.InDelta(t, -y/2-1, is.At(-2*x+1.5, []float64{0}), 1e-9*(1+math.Abs(y)), "%s: %s", text, moved.Stated[0].Formula)
		}
	}
}

func TestAFunctionIsWrittenInAnotherForm(t *testing.T) {
	d, id := withFunction(t, "f(x) = (x − 1)(x + 3)")
	for form, want := range map[symbolic.Form]string{symbolic.ExpandedForm: "x² + 2x − 3", symbolic.SquaredForm: "(x + 1)² − 4"} {
		written, err := edit.WriteAs(d, id, form)
		require.NoError(t, err)
		assert.Equal(t, want, written.Stated[0].Formula)
	}
	d, id = withFunction(t, "f(x) = sin x")
	_, err := edit.WriteAs(d, id, symbolic.SquaredForm)
	assert.ErrorContains(t, err, "cannot be written")
}

// Every parent begins as itself: dials that add stand at 0, dials that multiply at 1.
func TestALessonBeginsWithTheParentItself(t *testing.T) {
	for _, kind := range transform.Kinds() {
		d, err := edit.FromParent(document.New(""), kind)
		require.NoError(t, err, kind)
		e := evaluate.Load(d, nil)
		require.Empty(t, e.Problems, kind)
		require.Empty(t, e.Missing, kind)
		f := e.Functions[0]
		found, reason := transform.Recognise(f.Formula, "x", false)
		require.Empty(t, reason, kind)
		assert.Equal(t, kind, found.Canonical.Parent.Kind)
		place := found.Canonical
		n := evaluate.Load(d, nil).WithNumbers(f)
		now, _ := transform.Recognise(n, "x", false)
		assert.Equal(t, kind, now.Canonical.Parent.Kind, "%v", place)
		assert.Empty(t, now.Readings("x")[0].Steps("x"), kind)
	}
	_, err := edit.FromParent(document.New(""), "wobble")
	assert.Error(t, err)
}

func TestOnePointDrivesPointsOnAllCurves(t *testing.T) {
	d, _ := withFunction(t, "f(x) = 2x")
	d, err := edit.State(d, "", "g(x) = x²")
	require.NoError(t, err)
	d, err = edit.RunAlong(d, 0)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	e.Set(e.Find("t"), 3)
	e.Update()
	places := map[[2]float64]bool{}
	traces := 0
	for _, s := range e.Shown {
		switch p := s.Live.(type) {
		case *point.Live:
			places[[2]float64{p.X, p.Y}] = true
		case *trace.Live:
			traces++
		}
	}
	assert.Equal(t, map[[2]float64]bool{{3, 0}: true, {3, 6}: true, {3, 9}: true}, places)
	assert.Equal(t, 2, traces)
	_, err = edit.RunAlong(document.New(""), 0)
	assert.ErrorContains(t, err, "no curve yet")
}

func TestEveryIdeaBeginsWhole(t *testing.T) {
	for _, b := range edit.Beginnings() {
		for _, comma := range []bool{false, true} {
			empty := document.New("")
			empty.DecimalComma = comma
			d, err := edit.Begin(empty, b.Idea)
			require.NoError(t, err, b.Title)
			e := evaluate.Load(d, nil)
			assert.Empty(t, e.Problems, b.Title)
			assert.Empty(t, e.Missing, b.Title)
			assert.NotEmpty(t, d.Said, b.Title)
			assert.NotEmpty(t, d.Shown, b.Title)
		}
	}
	_, err := edit.Begin(document.New(""), "wobble")
	assert.Error(t, err)
}

// Taking hold of a curve with plain numbers puts dials in their places (vertex form, common practice).
func TestACurveWithPlainNumbersGetsDialsWhenItIsTakenHoldOf(t *testing.T) {
	for text, want := range map[string]string{"f(x) = 2(x − 3)² + 1": "a(x − h)² + k", "f(x) = x² + 8x + 11": "a(x − h)² + k",
		"f(x) = 3 sin(2x)": "a sin(b(x − h)) + k", "f(x) = |x|": "a·|x − h| + k"} {
		d, _ := withFunction(t, text)
		shown := d.Shown[0]
		shown.Body.(*curve.Body).Grips = true
		held, err := edit.Put(d, shown)
		require.NoError(t, err, text)
		assert.Equal(t, want, held.Stated[0].Formula, text)
		before, after := evaluate.Load(d, nil), evaluate.Load(held, nil)
		require.Empty(t, after.Problems, text)
		for x := -3.0; x <= 3; x += 0.37 {
			assert.InDelta(t, before.Functions[0].Curve.At(x, before.Inputs()), after.Functions[0].Curve.At(x, after.Inputs()), 1e-9, text)
		}
		assert.NotEmpty(t, after.Shown[0].Live.(*curve.Live).Grips, text)
	}
	d, _ := withFunction(t, "f(x) = 40x² + 1")
	shown := d.Shown[0]
	shown.Body.(*curve.Body).Grips = true
	held, err := edit.Put(d, shown)
	require.NoError(t, err)
	assert.Equal(t, "40", held.StatedNamed("a").To, "the dial reaches its value")
	d, _ = withFunction(t, "f(x) = x + sin x")
	shown = d.Shown[0]
	shown.Body.(*curve.Body).Grips = true
	_, err = edit.Put(d, shown)
	p, _ := problem.Of(err)
	require.NotNil(t, p)
	assert.Equal(t, "no-grips", p.Code, "no single parent can be moved to it")
}
