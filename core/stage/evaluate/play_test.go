package evaluate_test

import (
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/stagetest"
)

// What a dial's pointer shows lies between its ends, and a step further is the next of its values (common practice).
func TestADialIsReadAndSteppedByShares(t *testing.T) {
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-2", To: "6", Step: "0.5"},
		document.Stated{ID: "n", Kind: document.Parameter, Name: "n", From: "0", To: "5", Step: "0.2", Whole: true})
	e := evaluate.Load(d, nil)
	a, n := e.Parameters[0], e.Parameters[1]
	assert.Equal(t, 0.0, a.AtFraction(0.25))
	assert.Equal(t, 2.5, a.AtFraction(0.55), "on the nearest step")
	assert.Equal(t, 0.5, a.Fraction(2))
	assert.Equal(t, 1.0, a.Fraction(99))
	assert.Equal(t, 0.0, a.Fraction(-99))
	assert.Equal(t, 2.5, a.Stepped(3), "three steps above 1")
	assert.Equal(t, 6.0, a.Stepped(100))
	assert.Equal(t, 3.0, n.Stepped(2), "whole numbers step by one")
	e.Set(0, math.NaN())
	assert.Equal(t, 1.0, a.Value, "no dial stands at what is no number")
}

// While presenting, what is shown is covered and revealed without a trace in the scenes.
func TestAnEntryIsCoveredAndRevealedInPlay(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "x"}, nil, document.Entry{ID: "c", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "d", Body: &guide.Body{Direction: guide.Level, At: "1"}})
	e.Document.Scenes[0].Hidden = []string{"d"}
	for _, s := range e.Shown {
		e.Turn(s)
	}
	assert.False(t, e.InScene(e.Shown[0]), "covered")
	assert.True(t, e.InScene(e.Shown[1]), "revealed")
	e.BeginScene(0)
	assert.True(t, e.InScene(e.Shown[0]), "a scene begins as it was kept")
	assert.False(t, e.InScene(e.Shown[1]))
	assert.Equal(t, []string{"d"}, e.Document.Scenes[0].Hidden)
}

func TestFindingsEndWithTheFormulaBehindTheirFunction(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "x + cos x", "g": "f(x) + 1"}, nil)
	g := e.Function("g")
	e.PutFound(&found.Found{Function: "g", Formula: g.Meaning})
	_, current := e.FoundOf(g)
	assert.True(t, current)
	for _, s := range e.Document.Functions() {
		if s.Name == "f" {
			s.Formula = "x + sin x"
		}
	}
	e = evaluate.Load(e.Document, e)
	_, current = e.FoundOf(e.Function("g"))
	assert.False(t, current, "f is another one now, and g with it")
}

// A family that collapses at a value is named while its dial stands there (M6: the parabola that becomes a line).
func TestACollapsedFunctionSaysWhatItIsNow(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "a x² + x"}, map[string]float64{"a": 1})
	e.PutCollapses([]found.Collapse{{Function: "f", Parameter: "a", Value: 0, Kind: "a line"}})
	assert.Empty(t, e.Collapsed(e.Function("f")))
	e.Set(0, 0)
	assert.Equal(t, "a line", e.Collapsed(e.Function("f")))
	assert.True(t, e.DependsOn(e.Function("f"), "a"))
	assert.False(t, e.DependsOn(e.Function("f"), "q"))
}

func TestMultiplesOfPiAreWrittenAsATextbookDoes(t *testing.T) {
	for text, r := range map[string]*big.Rat{"0": big.NewRat(0, 1), `\pi`: big.NewRat(1, 1), `-\pi`: big.NewRat(-1, 1), `2 \pi`: big.NewRat(2, 1),
		`\frac{\pi}{6}`: big.NewRat(1, 6), `-\frac{7 \pi}{6}`: big.NewRat(-7, 6), `\frac{3 \pi}{2}`: big.NewRat(6, 4)} {
		assert.Equal(t, text, evaluate.PiLaTeX(r))
	}
}
