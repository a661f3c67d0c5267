package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/stagetest"
)

func TestFunctionsUseEachOtherByName(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "a x²", "g": "f(x − 3) + 1", "h": "f'(x)"}, map[string]float64{"a": 2})
	at := func(name string, x float64) float64 { return d.Function(name).Curve.At(x, d.Inputs()) }
	assert.InDelta(t, 2*4+1, at("g", 5), 1e-12)
	assert.InDelta(t, 12, at("h", 3), 1e-12)
	d.Set(d.Find("a"), -1)
	assert.InDelta(t, -4+1, at("g", 5), 1e-12, "a moved dial is a new input, nothing is compiled")
}

func TestACircleOfDefinitionsIsNamedAndHarmsNothingElse(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "g(x) + 1", "g": "h(x)", "h": "f(x)", "k": "x²"}, nil)
	assert.Equal(t, map[string]string{"ff": "circle", "fg": "circle", "fh": "circle"}, stagetest.Problems(d))
	assert.NotNil(t, d.Function("k"))
	self := stagetest.Demonstration(t, map[string]string{"f": "f(x) + 1"}, nil)
	assert.Equal(t, map[string]string{"ff": "circle"}, stagetest.Problems(self))
}

func TestALetterWithoutAValueIsMissedAndWaitedFor(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "a x + b"}, map[string]float64{"a": 1})
	assert.Equal(t, []string{"b"}, d.Missing)
	assert.Equal(t, map[string]string{"ff": "no-value"}, stagetest.Problems(d))
	assert.Nil(t, d.Function("f"))
}

func TestOnlyWhatHangsOnAMovedDialRunsAgain(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1, "b": 2, "c": 3},
		document.Entry{ID: "pa", Body: &point.Body{Name: "A", X: "1", Y: "f(1)"}},
		document.Entry{ID: "pb", Body: &point.Body{Name: "B", X: "b", Y: "2"}},
		document.Entry{ID: "gc", Body: &guide.Body{Direction: guide.Upright, At: "c"}})
	before := map[string]int{}
	for id, n := range d.Counters.Runs {
		before[id] = n
	}
	parses, compiles := d.Counters.Parses, d.Counters.Compiles
	d.Set(d.Find("a"), 4)
	d.Update()
	assert.Equal(t, before["pa"]+1, d.Counters.Runs["pa"])
	assert.Equal(t, before["pb"], d.Counters.Runs["pb"])
	assert.Equal(t, before["gc"], d.Counters.Runs["gc"])
	assert.Equal(t, [2]int{parses, compiles}, [2]int{d.Counters.Parses, d.Counters.Compiles})
	assert.InDelta(t, 4, height(d), 1e-12)
}

func TestUndefinedSpreadsQuietlyAndComesBack(t *testing.T) {
	d := stagetest.Demonstration(t, map[string]string{"f": "√(a)"}, map[string]float64{"a": 4}, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "f(1) + 1"}})
	assert.InDelta(t, 3, height(d), 1e-12)
	d.Set(0, -1)
	d.Update()
	assert.True(t, math.IsNaN(height(d)))
	assert.Empty(t, d.Problems, "undefined is no error")
	d.Set(0, 9)
	d.Update()
	assert.InDelta(t, 4, height(d), 1e-12)
}

func TestDialsKeepToTheirStepsWithoutDrift(t *testing.T) {
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-1", To: "2π", Step: "0.1"},
		document.Stated{ID: "n", Kind: document.Parameter, Name: "n", From: "1", To: "9", Step: "1", Whole: true})
	loaded := evaluate.Load(d, nil)
	p := loaded.Parameters
	assert.Equal(t, 0.3, p[0].OnStep(0.3000000004), "not 0.30000000000000004")
	written := func(v float64) string {
		loaded.Set(0, v)
		return p[0].Text()
	}
	assert.Equal(t, "0.3", written(p[0].OnStep(0.31)))
	assert.InDelta(t, 2*math.Pi, p[0].OnStep(99), 1e-12, "the end is a formula and belongs to the dial")
	assert.Equal(t, 5.0, p[1].OnStep(4.6))
	assert.Equal(t, "0.123", written(0.123), "a typed value off the steps is shown whole")
	assert.Equal(t, "6.28319", written(p[0].To), "an end off the steps too")
}

func TestSweepsRunOnceRoundAndBackAndForth(t *testing.T) {
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "0", To: "10", Step: "1"})
	p := evaluate.Load(d, nil).Parameters[0]
	at := func(way document.SweepWay, start, elapsed float64) float64 {
		v, _ := p.SweepAt(way, 10, start, elapsed)
		return v
	}
	assert.InDelta(t, 4, at(document.Once, 0.1, 3), 1e-12)
	v, ended := p.SweepAt(document.Once, 10, 0.1, 30)
	assert.True(t, ended)
	assert.Equal(t, 10.0, v, "once ends at the end and does not bounce")
	assert.InDelta(t, 3, at(document.Once, 1, 3), 1e-12, "one that stands at the end begins again")
	assert.InDelta(t, 1, at(document.Round, 0.5, 6), 1e-12)
	assert.InDelta(t, 7, at(document.BackAndForth, 0.5, 8), 1e-12)
	assert.InDelta(t, 2, at(document.BackAndForth, 0, 22), 1e-12)
	assert.InDelta(t, 3, at(document.BackAndForth, 1.5, 2), 1e-12, "begun halfway on the way back")
	assert.InDelta(t, 7, at(document.Round, 1.5, 2), 1e-12, "round there is no way back")
}

func TestATraceRecordsWhereThePointWas(t *testing.T) {
	d := stagetest.Demonstration(t, nil, map[string]float64{"a": 1}, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "a", Y: "a²"}},
		document.Entry{ID: "t", Body: &trace.Body{Of: "p", Kept: []float64{9, 9}}})
	for _, a := range []float64{2, 2, 3} {
		d.Set(0, a)
		d.Update()
	}
	places := func(d *evaluate.Demonstration, id string) []float64 {
		numbers, inSpace := d.Shown[1].Live.(*trace.Live).Places(d, id)
		assert.False(t, inSpace)
		return numbers
	}
	id := d.Shown[1].Entry.ID
	assert.Equal(t, []float64{9, 9, 1, 1, 2, 4, 3, 9}, places(d, id), "a point that rests adds nothing")
	d.ClearTraces()
	assert.Equal(t, []float64{9, 9, 3, 9}, places(d, id))
}

func TestATextShowsValueEquationAndNumbersPutIn(t *testing.T) {
	two := 2
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "f", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "a(x − 3)² + 1"},
		document.Stated{ID: "a", Kind: document.Parameter, Name: "a", Colour: 3})
	d.Scenes[0].Values["a"] = -0.5
	piece := func(form text.ValueForm, formula string) text.Piece {
		return text.Piece{Kind: text.Value, Text: formula, Form: form, Decimals: &two}
	}
	d.Said = append(d.Said, document.Entry{ID: "w", Body: &text.Body{Pieces: []text.Piece{piece(text.AsNumber, "f(0)"), piece(text.AsEquation, "f(0)"),
		piece(text.AsSubstituted, "f(2)"), piece(text.AsNumber, "1/(a + 0.5)"), {Kind: text.Formula, Text: "f(x) = a x"}}}})
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	p := e.Said[0].Live.(*text.Live).Pieces
	assert.Equal(t, "−3.5", p[0].Text)
	assert.Equal(t, `f(0)=−3.5`, p[1].LaTeX)
	assert.Equal(t, `-0.5 (2-3)^{2}+1=0.5`, p[2].LaTeX)
	assert.Equal(t, "undefined (the denominator is 0)", p[3].Text)
	assert.Equal(t, `f(x)=\htmlClass{hue-3}{a} x`, p[4].LaTeX)
}

func TestEndsAreConstantAndInOrder(t *testing.T) {
	for field, stated := range map[string]document.Stated{
		"not-constant": {From: "0", To: "b", Step: "1"}, "ends": {From: "4", To: "2", Step: "1"}, "step": {From: "0", To: "1", Step: "-1"},
		"undefined-field": {From: "0", To: "1/0", Step: "1"}, "unfinished": {From: "0 +", To: "2", Step: "1"},
	} {
		d := document.New("")
		stated.ID, stated.Kind, stated.Name = "a", document.Parameter, "a"
		d.Stated = append(d.Stated, stated)
		e := evaluate.Load(d, nil)
		assert.Equal(t, map[string]string{"a": field}, stagetest.Problems(e))
		assert.Less(t, e.Parameters[0].From, e.Parameters[0].To, "the dial still works")
	}
}

func TestANewReadingKeepsWhatIsInPlay(t *testing.T) {
	first := stagetest.Demonstration(t, map[string]string{"f": "a x"}, map[string]float64{"a": 1})
	first.Set(0, 4)
	second := evaluate.Load(first.Document, first)
	assert.Equal(t, 4.0, second.Parameters[0].Value)
	assert.True(t, second.Moved())
}

// d/dx sin(x°) = (π/180)·cos(x°): the chain rule (DLMF 1.4.8).
func TestADerivativeByAnAngleInDegreesCarriesItsFactor(t *testing.T) {
	d := document.New("Lamp")
	d.AngleUnit = document.Degree
	for _, s := range []string{"f(x) = sin x", "g(x) = f'(x)", "h(x) = f''(x)"} {
		after, err := edit.State(d, "", s)
		require.NoError(t, err)
		d = after
	}
	e := evaluate.Load(d, nil)
	assert.InDelta(t, math.Pi/180, e.Function("g").Curve.At(0, []float64{0}), 1e-15)
	assert.InDelta(t, -math.Pi*math.Pi/180/180, e.Function("h").Curve.At(90, []float64{0}), 1e-15)
}

func TestAFunctionThatUsesOthersIsShownSimplified(t *testing.T) {
	d := document.New("Crane")
	for _, s := range []string{"d(x, y) = x² + 2x y + y²", "g(x) = d(x, 2)", "h(x) = g'(x)", "u(x) = g(h(x))"} {
		after, err := edit.State(d, "", s)
		require.NoError(t, err)
		d = after
	}
	e := evaluate.Load(d, nil)
	assert.Equal(t, "x^2 + 4x + 4", expr.Text(e.Simplified(e.Function("g"))))
	assert.Equal(t, "2x + 4", expr.Text(e.Simplified(e.Function("h"))))
	assert.Nil(t, e.Simplified(e.Function("d")), "it uses no other function")
}
