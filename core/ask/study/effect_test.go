package study_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/study"
	"parvix/core/maths/locus"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
)

func effectsOf(t *testing.T, formulas map[string]string, order ...string) map[string][]study.EffectLine {
	t.Helper()
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "p", Kind: document.Parameter, Name: "p", From: "−2", To: "2", Step: "0.5"})
	for _, name := range order {
		d.Stated = append(d.Stated, document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formulas[name]})
		d.Shown = append(d.Shown, document.Entry{ID: "c" + name, Body: &curve.Body{Function: name}})
	}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	lines := map[string][]study.EffectLine{}
	for _, effect := range study.Effects(e, "p") {
		lines[effect.Function] = effect.Lines
	}
	return lines
}

func with(lines []study.EffectLine, other string) (found []study.EffectLine) {
	for _, l := range lines {
		if l.With == other {
			found = append(found, l)
		}
	}
	return found
}

func TestEachPairOfCurvesTellsItsIntersectionsOnce(t *testing.T) {
	lines := effectsOf(t, map[string]string{"f": "x^2 + p", "g": "p x", "h": "2x"}, "f", "g", "h")
	require.Len(t, with(lines["f"], "g"), 1)
	line := with(lines["f"], "g")[0]
	assert.Equal(t, locus.Intersections, line.Feature)
	assert.Contains(t, line.Before, "The intersection with g moves along")
	assert.Contains(t, line.LaTeX, "x^{3}", "x³/(x − 1), worked by hand")
	assert.Empty(t, with(lines["g"], "f"), "told under f")
	require.Len(t, with(lines["f"], "h"), 1)
	assert.Equal(t, "y=2 x", with(lines["f"], "h")[0].LaTeX)
	assert.Len(t, with(lines["g"], "h"), 1)
	assert.NotContains(t, lines, "h", "the parameter does not move it")
}

func TestNoPathIsToldOfWhatDoesNotOccur(t *testing.T) {
	lines := effectsOf(t, map[string]string{"f": "e^x + sin(p x) + 40", "g": "p - x^2", "h": "2"}, "f", "g", "h")
	assert.Empty(t, with(lines["f"], "h"), "nor a line that stays")
	assert.Len(t, with(lines["g"], "h"), 1, "p − x² touches y = 2 for p = 2")
	assert.Empty(t, with(lines["f"], "g"), "the curves never meet for p between −2 and 2")
	for _, l := range lines["g"] {
		assert.NotContains(t, l.Before, "inflection", "a parabola has none")
	}
}

func TestOfManyCurvesNoIntersectionsAreTold(t *testing.T) {
	formulas := map[string]string{"f": "p x", "g": "x^2 + p", "h": "p", "k": "x + p", "m": "p − x"}
	few := effectsOf(t, formulas, "f", "g", "h", "k")
	assert.NotEmpty(t, with(few["f"], "g"))
	many := effectsOf(t, formulas, "f", "g", "h", "k", "m")
	for name, lines := range many {
		for _, l := range lines {
			assert.Empty(t, l.With, "nobody reads ten pairs, of %s", name)
		}
	}
}
