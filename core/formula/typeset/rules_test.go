package typeset_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/typeset"
)

// runOf finds the run of a text.
func runOf(t *testing.T, b typeset.Box, words string) typeset.Run {
	t.Helper()
	for _, r := range b.Runs {
		if r.Text == words {
			return r
		}
	}
	require.Fail(t, "nothing says "+words)
	return typeset.Run{}
}

// TeXbook, appendix G, rule 18 with the parameters of its page 447 for the usual face: an exponent stands 0.363 em up in running text and
// 0.289 em under a root, an index 0.15 em down, with an exponent above it 0.247 em.
func TestScriptsStandAsHighAsTheTeXbookHasThem(t *testing.T) {
	assert.InDelta(t, -0.363, runOf(t, typeset.Set("x^{2}"), "2").Y, 1e-9)
	assert.InDelta(t, -0.289, runOf(t, typeset.Set(`\sqrt{x^{2}}`), "2").Y, 1e-9)
	assert.InDelta(t, 0.15, runOf(t, typeset.Set("x_{1}"), "1").Y, 1e-9)
	both := typeset.Set("x_{1}^{2}")
	assert.InDelta(t, 0.247, runOf(t, both, "1").Y, 0.1)
	assert.GreaterOrEqual(t, runOf(t, both, "1").Y, 0.247-1e-9)
	// Rule 18e: at least four rules lie between the two.
	up, down := runOf(t, both, "2"), runOf(t, both, "1")
	assert.GreaterOrEqual(t, (down.Y-0.7*0.64444)-up.Y, 4*0.04-1e-9)
	assert.InDelta(t, up.X, down.X+0, 0.06, "one over the other, the index under the letter's lean")
}

// Scripts are 0.7 of the type, those of scripts 0.5, and nothing becomes smaller.
func TestScriptsOfScriptsBecomeSmallerTwice(t *testing.T) {
	b := typeset.Set("a^{b^{c^{d}}}")
	for words, size := range map[string]float64{"a": 1, "b": 0.7, "c": 0.5, "d": 0.5} {
		assert.InDelta(t, size, runOf(t, b, words).Size, 1e-9, words)
	}
	f := typeset.Set(`\frac{\frac{a}{b}}{c}`)
	assert.InDelta(t, 0.5, runOf(t, f, "a").Size, 1e-9)
	assert.InDelta(t, 0.7, runOf(t, f, "c").Size, 1e-9)
	assert.InDelta(t, 1.0, runOf(t, typeset.Set(`\dfrac{a}{b}`), "a").Size, 1e-9, "a displayed fraction has parts of the type's size")
}

// Rule 15: above and below a fraction's bar lies at least the bar's own thickness, three times that where it is displayed.
func TestTheBarOfAFractionTouchesNothing(t *testing.T) {
	for latex, bars := range map[string]float64{`\frac{g}{h}`: 1, `\dfrac{g}{h}`: 3, `\frac{y_{1}}{\sqrt{x}}`: 1} {
		b := typeset.Set(latex)
		bar := b.Rules[0]
		for _, r := range b.Rules {
			if r.X <= bar.X && r.Width >= bar.Width {
				bar = r
			}
		}
		for _, r := range b.Runs {
			depth := map[string]float64{"g": 0.19444, "y": 0.19444}[r.Text] * r.Size
			if r.Y < 0 && r.Text != "1" {
				assert.LessOrEqual(t, r.Y+depth, bar.Y-bars*bar.Height+1e-9, "%s: %s", latex, r.Text)
			} else if r.Text == "h" {
				assert.GreaterOrEqual(t, r.Y-0.69444*r.Size, bar.Y+bar.Height+bars*bar.Height-1e-9, "%s: %s", latex, r.Text)
			}
		}
		assert.GreaterOrEqual(t, b.Width, bar.Width+2*0.12-1e-9, "room beside the bar")
	}
}

// TeXbook, page 152: fences reach over nine tenths of what they enclose and leave out at most half an em; they stand about the axis.
func TestFencesGrowWithWhatTheyEnclose(t *testing.T) {
	for _, body := range []string{"x", "x^{2}", `\frac{a}{b}`, `\dfrac{a}{b}`, `\frac{\frac{a}{b}}{\frac{c}{d}}`, `\dfrac{\dfrac{a}{b}}{\dfrac{c}{d}}`} {
		b, inside := typeset.Set(`\left(`+body+`\right)`), typeset.Set(body)
		reach := max(inside.Height-0.25, inside.Depth+0.25)
		tall := b.Height + b.Depth
		assert.GreaterOrEqual(t, tall, min(0.901*2*reach, 2*reach-0.5)-1e-6, body)
		assert.Greater(t, b.Width, inside.Width+0.6, "%s: a fence on both sides", body)
	}
	around := typeset.Set(`\left(\dfrac{\dfrac{a}{b}}{\dfrac{c}{d}}\right)`)
	assert.InDelta(t, 0.25, (around.Height-around.Depth)/2, 0.12, "about the axis")
	bar := typeset.Set(`\left|\dfrac{a}{b}\right|`)
	require.Len(t, bar.Rules, 3, "two bars and that of the fraction")
	assert.InDelta(t, bar.Rules[0].Height, bar.Rules[len(bar.Rules)-1].Height, 1e-9)
}

// Rows of cases begin at one edge, those of an array stand in the middle of their columns, and no row touches the next.
func TestRowsOfATableStandApart(t *testing.T) {
	cases := typeset.Set(`\begin{cases}1&x\\222&y\end{cases}`)
	first, second := runOf(t, cases, "1"), runOf(t, cases, "222")
	assert.InDelta(t, first.X, second.X, 1e-9)
	assert.InDelta(t, runOf(t, cases, "x").X, runOf(t, cases, "y").X, 1e-9)
	assert.InDelta(t, 1.2*1.2, second.Y-first.Y, 1e-9, "the lines of cases are 1.44 em apart")
	array := typeset.Set(`\begin{array}{c}1\\222\end{array}`)
	first, second = runOf(t, array, "1"), runOf(t, array, "222")
	assert.InDelta(t, first.X+0.25, second.X+0.75, 1e-9, "digits are half an em wide")
	assert.InDelta(t, 1.2, second.Y-first.Y, 1e-9)
	assert.InDelta(t, 0.25, (array.Height-array.Depth)/2, 1e-9, "about the axis")
}

// A sum's sign stands about the axis and is larger than a letter; what has no glyph still takes room.
func TestSignsThatAreLargerStandAboutTheAxis(t *testing.T) {
	sum := typeset.Set(`\sum`)
	assert.InDelta(t, 0.25, (sum.Height-sum.Depth)/2, 1e-9)
	assert.Greater(t, sum.Height+sum.Depth, 0.99)
	assert.Greater(t, typeset.Set("🦀").Width, 0.3)
	assert.Zero(t, typeset.Set("").Width)
	assert.InDelta(t, typeset.Width(typeset.Roman, "3.14"), typeset.Set("3.14").Width, 1e-9)
}
