package compose_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/legible"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/stagetest"
)

func labelOf(t *testing.T, pic *picture.Picture, id string) picture.Label {
	t.Helper()
	for _, l := range pic.Labels {
		if l.ID == id {
			return l
		}
	}
	require.Fail(t, "no label of "+id)
	return picture.Label{}
}

func TestNobodyHasToMatchColoursToKnowWhoseALabelIs(t *testing.T) {
	for _, formulas := range [][]string{{"x²", "2x + 1", "−x² + 3"}, {"x", "x²", "x³", "x⁴"}, {"e^x", "ln x", "x"}, {"sin x", "cos x", "sin x + cos x"}} {
		pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, false), 900, 560, formulas)
		v := legible.Judge(pic)
		assert.Equal(t, len(formulas), v.Labels, formulas)
		assert.Empty(t, v.Covering, formulas)
		assert.Empty(t, v.Ambiguous, formulas)
		assert.Empty(t, v.Blurred, formulas)
		assert.Empty(t, v.Far, formulas)
	}
}

func TestPointsInOnePlaceAreBothNamed(t *testing.T) {
	var points []document.Entry
	for _, name := range []string{"P", "Q", "R"} {
		points = append(points, document.Entry{ID: "p" + name, Body: &point.Body{Name: name, X: "2", Y: "1"}})
	}
	pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, false), 900, 560, nil, points...)
	assert.Len(t, pic.Labels, 3)
	assert.Empty(t, legible.Judge(pic).Covering)
}

// The members of a family of bells stand beside each other: their labels do in the same order.
func TestAFamilyIsLabelledInItsOrder(t *testing.T) {
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-5, 5, -0.5, 2, false)
	d.Stated = append(d.Stated, document.Stated{ID: "dialc", Kind: document.Parameter, Name: "c", From: "-5", To: "5", Step: "0.1"},
		document.Stated{ID: "sf", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "e^(−(x − c)²)"})
	d.Scenes[0].Values["c"] = 0
	pic := stagetest.Drawn(t, d, 900, 560, document.Entry{ID: "fam", Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "c", Values: []string{"−3", "−1", "1", "3"}}}})
	require.Len(t, pic.Labels, 4)
	last, level := math.Inf(-1), pic.Labels[0].Y
	for k := range 4 {
		l := labelOf(t, pic, fmt.Sprintf("fam.%d", k))
		assert.Greater(t, l.X, last, "label %d stands to the right of the one before", k)
		assert.InDelta(t, level, l.Y, 120, "in one row")
		last = l.X
	}
}

// A label that has stood somewhere stays there while nothing takes its place: it goes with its curve and does not jump.
func TestALabelGlidesWithItsCurve(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	var c compose.Composer
	e.Set(0, -2)
	before := labelOf(t, c.Compose(e.Frame(0, 900, 450)), "c")
	for a := -2.0; a < 2; a += 0.1 {
		e.Set(0, a)
		now := labelOf(t, c.Compose(e.Frame(0, 900, 450)), "c")
		assert.Less(t, math.Hypot(now.X-before.X, now.Y-before.Y), 30.0, "a = %v", a)
		before = now
	}
}

// The label of a point that runs along curves which cross gives way to them, but does not go back and forth: in three seconds of a drag
// it goes over to the other side at most once.
func TestALabelDoesNotGoBackAndForth(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x² − 2", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "p", Look: document.Look{Label: document.LabelCoordinates}, Body: &point.Body{Name: "P", X: "a", Y: "f(a)"}},
		document.Entry{ID: "q", Look: document.Look{Label: document.LabelCoordinates}, Body: &point.Body{Name: "Q", X: "−3 − a", Y: "a"}})
	c := compose.Composer{Tolerance: sample.Moving}
	var turns legible.Turns
	for k := range 90 {
		e.Set(0, 3-6*float64(k)/90)
		turns.Add(c.Compose(e.Frame(0, 450, 450)))
	}
	assert.Len(t, turns.Of, 3)
	assert.Empty(t, turns.BackAndForth())
}

// What was taken into account for the sake of calm is made good when the hand lets go: the labels come as near as they can.
func TestLabelsComeNearWhenTheHandLetsGo(t *testing.T) {
	coordinates := document.Look{Label: document.LabelCoordinates}
	_, e := stagetest.WithParameter(t, "x² − 2", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "p", Look: coordinates, Body: &point.Body{Name: "P", X: "a", Y: "f(a)"}},
		document.Entry{ID: "q", Look: coordinates, Body: &point.Body{Name: "Q", X: "−a", Y: "f(a)"}})
	away := func(pic *picture.Picture) (far float64) {
		for _, l := range pic.Labels {
			far = max(far, math.Hypot(l.X+l.Width/2-l.At[0], l.Y+l.Height/2-l.At[1]))
		}
		return far
	}
	var c compose.Composer
	dragged := 0.0
	for k := range 60 {
		e.Set(0, 3-6*float64(k)/90)
		dragged = away(c.Compose(e.Frame(0, 450, 450)))
	}
	c.SettleLabels()
	assert.Less(t, away(c.Compose(e.Frame(0, 450, 450))), dragged-30)
}

// A long formula that has no room gives way to the name alone.
func TestALabelWithoutRoomSaysLess(t *testing.T) {
	long := document.Entry{ID: "c", Look: document.Look{Label: document.LabelFormula}, Body: &curve.Body{Function: "f"}}
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-3, 3, -3, 3, false)
	d.Stated = append(d.Stated, document.Stated{ID: "sf", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "x³ − 3x² + 2x − 1/(x − 1) + sin x"})
	assert.Contains(t, labelOf(t, stagetest.Drawn(t, d, 900, 560, long), "c").LaTeX, "sin")
	d.Shown = nil
	assert.Equal(t, "f", labelOf(t, stagetest.Drawn(t, d, 240, 240, long), "c").LaTeX)
}

// A curve that told its name says what it is told to say from the next picture on.
func TestALabelThatIsChangedSaysTheNew(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x + a", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	d := e.Document
	var c compose.Composer
	for _, look := range []struct {
		document.Look
		says string
	}{{document.Look{}, "^f$"}, {document.Look{Label: document.LabelWords, Words: "the jet"}, "the jet"},
		{document.Look{Label: document.LabelName}, "^f$"}, {document.Look{Label: document.LabelFormula}, "^f.*="}} {
		d.Shown[0].Look = look.Look
		e = evaluate.Load(d, e)
		assert.Regexp(t, look.says, labelOf(t, c.Compose(e.Frame(0, 900, 450)), "c").LaTeX)
	}
}

// y = x passes below and left of each number's usual place; y = −x passes through it.
func TestNumbersAreNotCrossedByCurves(t *testing.T) {
	for _, formulas := range [][]string{{"x"}, {"−x"}, {"sin x"}, {"x", "−x", "sin(3x)"}, {"−0.25", "0.25"}} {
		pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, false), 900, 560, formulas)
		for _, fault := range legible.Judge(pic).Covering {
			assert.NotContains(t, fault, "a number", formulas)
		}
		assert.Greater(t, len(pic.Words), 10, "they are there all the same")
	}
}

func TestAxesAreNamedAndHaveHeads(t *testing.T) {
	p := stagetest.Plane(-6, 6, -4, 4, false)
	pic, _ := stagetest.Composed(t, p, 900, 560, nil)
	assert.Subset(t, pic.Words, []string{"x", "y"})
	heads := 0
	for r := range picture.Records(pic.Ground) {
		if picture.Op(r[0]) == picture.Area {
			heads++
		}
	}
	assert.Equal(t, 2, heads)
	p.NameX, p.NameY = "time in s", "h"
	pic, _ = stagetest.Composed(t, p, 900, 560, nil)
	assert.Contains(t, strings.Join(pic.Words, " "), "time in s")
	assert.Contains(t, pic.Words, "h")
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "sf", Kind: document.Function, Name: "f", Variables: []string{"t"}, Formula: "t²"})
	pic = stagetest.Drawn(t, d, 900, 560, document.Entry{ID: "c", Body: &curve.Body{Function: "f"}})
	assert.Contains(t, pic.Words, "t", "a function of t is drawn over t")
}

func TestNumbersStandAtAChosenStep(t *testing.T) {
	p := stagetest.Plane(-2, 2, -2, 2, false)
	p.StepX, p.StepY = 0.25, 1
	pic, _ := stagetest.Composed(t, p, 900, 560, nil)
	assert.Subset(t, pic.Words, []string{"−1.75", "0.25", "0.5", "1.25"})
	p.StepX, p.TicksX = math.Pi/6, document.TicksInPi
	pic, _ = stagetest.Composed(t, p, 900, 560, nil)
	assert.Contains(t, strings.Join(pic.Words, " "), "π 6")
	p.StepX, p.TicksX = 1e-9, document.TicksInNumbers
	pic, _ = stagetest.Composed(t, p, 900, 560, nil)
	assert.Less(t, len(pic.Ground), 5000, "a step that leaves no room is not drawn")
}

func TestPointsLieAboveCurves(t *testing.T) {
	pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, false), 900, 560, []string{"x", "−x"},
		document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "0", Y: "0"}})
	seen := false
	for r := range picture.Records(pic.Live) {
		switch picture.Op(r[0]) {
		case picture.Marker:
			seen = true
		case picture.Line:
			assert.False(t, seen && r[2] > 1, "no curve after a point")
		}
	}
	assert.True(t, seen)
}

// The search for the places of 40 labels takes at most 1 ms: the difference between the two is what it takes.
func BenchmarkFortyLabels(b *testing.B) {
	for _, labels := range []document.LabelKind{document.LabelNone, document.LabelName} {
		for _, again := range []bool{false, true} {
			b.Run(fmt.Sprintf("%s/again=%v", labels, again), func(b *testing.B) {
				d := document.New("")
				d.Panels[0] = stagetest.Plane(-6, 6, -4, 4, false)
				for k := range 20 {
					name := fmt.Sprintf("f_%d", k)
					d.Stated = append(d.Stated, document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: fmt.Sprintf("%d/4 + x/%d", k-10, k+2)})
					d.Shown = append(d.Shown, document.Entry{ID: "c" + name, Look: document.Look{Colour: k % 8, Label: labels}, Body: &curve.Body{Function: name}},
						document.Entry{ID: "p" + name, Look: document.Look{Label: labels}, Body: &point.Body{Name: fmt.Sprintf("P_%d", k), X: fmt.Sprintf("%d/2 - 5", k), Y: fmt.Sprintf("%d/3 - 3", (k*7)%20)}})
				}
				e := stagetest.Loaded(b, d)
				var c compose.Composer
				for b.Loop() {
					if !again {
						c = compose.Composer{}
					}
					c.Compose(e.Frame(0, 1280, 800))
				}
			})
		}
	}
}

// The label of an area that has moved aside of the axes goes on standing there, inside, picture after picture.
func TestALabelInsideAnAreaStays(t *testing.T) {
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-6, 6, -4, 4, false)
	d.Shown = append(d.Shown, document.Entry{ID: "z", Body: &region.Body{Conditions: []string{"x² + y² < 9"}}})
	e := stagetest.Loaded(t, d)
	var c compose.Composer
	first := labelOf(t, c.Compose(e.Frame(0, 900, 560)), "z")
	assert.False(t, first.IsLed, "there is room inside")
	for range 3 {
		assert.Equal(t, first, labelOf(t, c.Compose(e.Frame(0, 900, 560)), "z"))
	}
}
