package typeset_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/typeset"
)

// The same formulas are compared with the typesetter of the page, letter by letter, in browser/typeset_test.go; here stand the
// rules that can be looked up.

// TeXbook, page 170: a relation has thick spaces of 5/18 em on both sides, an operation medium ones of 4/18, a sign none.
func TestSpacesAreThoseOfTheTeXbook(t *testing.T) {
	width := func(latex string) float64 { return typeset.Set(latex).Width }
	letters := width("a") + width("b")
	assert.InDelta(t, letters+width("=")+10.0/18, width("a=b"), 1e-9)
	assert.InDelta(t, letters+width("+")+8.0/18, width("a+b"), 1e-9)
	assert.InDelta(t, width("-")+width("b"), width("-b"), 1e-9, "a minus without anything before it is a sign")
	assert.InDelta(t, letters+width("=")+width("-")+10.0/18, width("a=-b"), 1e-9)
	assert.InDelta(t, letters, width("ab"), 1e-9)
	assert.InDelta(t, width("a")+width(`\sin`)+3.0/18, width(`\sin a`), 1e-9, "a thin space behind a function")
	assert.InDelta(t, 0.7*(width("a+b")-8.0/18)+width("e")+0.05, width("e^{a+b}"), 1e-9, "none in an exponent, and half a point behind it")
}

// TeXbook, page 444, rule 15: the bar lies on the axis, a quarter of an em above the baseline, as wide as the wider part.
func TestTheBarOfAFractionLiesOnTheAxis(t *testing.T) {
	b := typeset.Set(`\frac{1}{x+1}`)
	require.Len(t, b.Rules, 1)
	bar := b.Rules[0]
	assert.InDelta(t, -0.25, bar.Y+bar.Height/2, 1e-9)
	assert.InDelta(t, 0.04, bar.Height, 1e-9)
	assert.InDelta(t, typeset.Set("x+1").Width*0.7-0.7*8.0/18, bar.Width, 1e-9)
	for _, run := range b.Runs {
		assert.Equal(t, 0.7, run.Size, "both parts are set as scripts in a line of text")
	}
}

func TestARootCoversItsBodyAndItsBarIsAsLong(t *testing.T) {
	for _, body := range []string{"x", "x^{2}+1", `\frac{a}{b}`, `\frac{\frac{a}{b}}{\frac{c}{d}}`} {
		b, inside := typeset.Set(`\sqrt{`+body+`}`), typeset.Set(body)
		bar := b.Rules[len(b.Rules)-1]
		assert.InDelta(t, inside.Width, bar.Width, 1e-9, body)
		assert.Less(t, bar.Y+bar.Height, -inside.Height+0.05, body)
		assert.GreaterOrEqual(t, b.Depth, inside.Depth, body)
	}
}

// A parameter wears its colour; it stands where it would stand without.
func TestAParameterWearsItsClassAndStaysInItsPlace(t *testing.T) {
	plain, styled := typeset.Set(`a\left(x-h\right)`), typeset.Set(`\htmlClass{hue-2}{a}\left(x-\htmlClass{hue-1}{h}\right)`)
	assert.InDelta(t, plain.Width, styled.Width, 1e-9)
	worn := map[string]string{}
	for _, r := range styled.Runs {
		worn[r.Text] = r.Class
	}
	assert.Equal(t, map[string]string{"a": "hue-2", "(": "", "x": "", "−": "", "h": "hue-1", ")": ""}, worn)
}

func TestRunsOfOneFaceAreJoined(t *testing.T) {
	b := typeset.Set(`3.14`)
	require.Len(t, b.Runs, 1)
	assert.Equal(t, "3.14", b.Runs[0].Text)
	assert.Equal(t, "f is largest", typeset.Set(`\text{f is largest}`).Runs[0].Text)
}

// Whatever comes, nothing is lost and nothing has no place: every letter is set, every length is a number.
func TestNothingThatIsTypedIsLost(t *testing.T) {
	pieces := []string{"a", "7", "{", "}", `\frac`, `\sqrt`, `\left(`, `\right)`, "^", "_", `\\`, "&", `\begin{cases}`, `\end{cases}`, `\text{`, "'", `\left|`, `\htmlClass{hue-1}`,
		`\begin{array}{c}`, "[0.7em]", `\sum`, `\`, " ", "√", "🦀"}
	random := rand.New(rand.NewPCG(8, 1))
	for range 3000 {
		latex := ""
		for range 1 + random.IntN(14) {
			latex += pieces[random.IntN(len(pieces))]
		}
		b := typeset.Set(latex)
		for _, v := range []float64{b.Width, b.Height, b.Depth} {
			require.False(t, math.IsNaN(v) || math.IsInf(v, 0), latex)
		}
		if !strings.ContainsAny(latex, `\{[`) {
			got := ""
			for _, r := range b.Runs {
				got += r.Text
			}
			assert.Equal(t, strings.Count(latex, "7"), strings.Count(got, "7"), latex)
		}
	}
}

func BenchmarkSet(b *testing.B) {
	b.ReportAllocs()
	for b.Loop() {
		typeset.Set(`f\left(x\right)=\htmlClass{hue-1}{a} \left(x-\htmlClass{hue-2}{h}\right)^{2}+\frac{1}{\sqrt{2 \pi}}`)
	}
}
