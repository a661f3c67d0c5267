package browser

import (
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/finding"
)

// typesetOf is the LaTeX behind what an element typesets.
func typesetOf(t *testing.T, page *rod.Page, selector string) string {
	t.Helper()
	return ask[string](t, page, `s => [...document.querySelectorAll(s + ' annotation')].map(a => a.textContent).join(' ')`, selector)
}

func openFindings(t *testing.T, page *rod.Page) {
	t.Helper()
	click(t, saying(t, page, "[aria-label=Stated] .soft", "^findings$"))
	one(t, page, ".findings .line")
}

// tap taps a place of the plane, given as a share of its width and height.
func tap(t *testing.T, page *rod.Page, x, y float64) {
	t.Helper()
	shape, err := one(t, page, ".plane").Shape()
	require.NoError(t, err)
	box := shape.Box()
	require.NoError(t, page.Mouse.MoveTo(proto.Point{X: box.X + box.Width*x, Y: box.Y + box.Height*y}))
	require.NoError(t, page.Mouse.Click(proto.InputMouseButtonLeft, 1))
}

// The vertex form −0.6(x − 3)² + 4.5: vertex (3, 4.5), zeros 3 ± √30/2 (common practice).
func TestFindingsAreExactAndFollowTheDial(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	openFindings(t, page)
	assert.Contains(t, typesetOf(t, page, `[data-finding="zeros"]`), `\sqrt{30}`)
	assert.Contains(t, typesetOf(t, page, `[data-finding="maxima"]`), `4.5`)
	assert.Contains(t, typesetOf(t, page, `[data-finding="range"]`), `4.5]`)
	click(t, saying(t, page, ".findings .link", "the way each was found"))
	saying(t, page, ".findings small", "solved exactly")

	pull(t, page, one(t, page, `[data-dial="h"] .pointer`), -60, 0)
	until(t, page, `() => {
		const shown = document.querySelector('[data-finding="maxima"] annotation')?.textContent;
		return shown && !shown.includes('(3,') && document.querySelector('.findings').getAttribute('aria-busy') === 'false';
	}`)
	h := values(t, page)["h"]
	assert.NotEqual(t, 3.0, h)
}

func TestAFindingIsShownOnTheStageAndToldInAText(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	openFindings(t, page)
	for _, finding := range []string{"zeros", "maxima", "yIntercept"} {
		click(t, one(t, page, `[data-finding="`+finding+`"] [title="Show on the stage"]`))
		until(t, page, `f => document.querySelector('[data-finding="' + f + '"] [aria-pressed=true]') !== null`, finding)
	}
	// Both zeros are marked with their coordinates.
	labelled(t, page, "5.74")
	labelled(t, page, "0.26")
	click(t, one(t, page, `[data-finding="range"] [title="Put into a text"]`))
	saying(t, page, "[aria-label=Said] .text", "Range of f")
	until(t, page, `() => [...document.querySelectorAll('[aria-label=Said] annotation')].some(a => a.textContent.includes('4.5]'))`)
	saved(t, page)
	d := documentOf(t, page)
	kinds := map[document.Finding]bool{}
	for _, s := range d.Shown {
		if shown, ok := s.Body.(*finding.Body); ok {
			kinds[shown.Finding] = true
		}
	}
	assert.Len(t, kinds, 3)

	// The text is live.
	press(t, page, input.Escape)
	pull(t, page, one(t, page, `[data-dial="k"] .pointer`), -50, 0)
	until(t, page, `() => [...document.querySelectorAll('[aria-label=Said] annotation')].some(a => a.textContent.startsWith('(-\\infty') && !a.textContent.includes('4.5]'))`)

	// A second press takes the marks off again.
	click(t, one(t, page, `[data-finding="zeros"] [aria-pressed=true]`))
	until(t, page, `() => document.querySelector('[data-finding="zeros"] [aria-pressed=true]') === null`)
}

func TestAReadingSnapsNamesItsFunctionAndIsExact(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "w(x) = 2sin x")
	state(t, page, "u(x) = 1/(x − 1)")
	tap(t, page, 0.5, 0.5) // where w crosses the axes
	one(t, page, ".card[role=dialog]")
	field := one(t, page, `[aria-label="Place at which is read"]`)
	choice := one(t, page, `[aria-label="Function that is read"]`)
	require.NoError(t, choice.Select([]string{"^w$"}, true, rod.SelectorTypeRegex))
	write(t, field, "π/3")
	require.NoError(t, field.Type(input.Enter))
	until(t, page, `() => document.querySelector('.card .value annotation')?.textContent === 'w(\\frac{\\pi}{3})=\\sqrt{3}\\approx 1.732'`)

	require.NoError(t, choice.Select([]string{"^u$"}, true, rod.SelectorTypeRegex))
	write(t, field, "1")
	require.NoError(t, field.Type(input.Enter))
	saying(t, page, ".card .special", "because the denominator is 0")

	write(t, field, "2 +")
	require.NoError(t, field.Type(input.Enter))
	saying(t, page, ".card .problem", "value is missing")

	write(t, field, "3")
	require.NoError(t, field.Type(input.Enter))
	until(t, page, `() => document.querySelector('.card .value annotation')?.textContent.startsWith('u(3)=')`)
	click(t, saying(t, page, ".card button", "keep as a point"))
	until(t, page, `() => document.querySelector('.card') === null`)
	d := documentOf(t, page)
	last := d.Shown[len(d.Shown)-1]
	assert.Equal(t, []string{"3", "u(3)"}, []string{last.Field("x"), last.Field("y")})

	// The key alone opens a reading.
	require.NoError(t, one(t, page, ".plane").Focus())
	press(t, page, 'r')
	one(t, page, ".card[role=dialog]")
}

func TestAWindowThatShowsNothingIsMendedByOneAction(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x² + 500")
	drawn(t, page)
	click(t, saying(t, page, ".chip", "^window"))
	for field, end := range map[string]string{"y from": "-4", "y to": "4"} {
		write(t, one(t, page, `.window-form [aria-label="`+field+`"]`), end)
		press(t, page, input.Enter)
	}
	press(t, page, input.Escape)
	one(t, page, `[data-advice="empty"]`)
	click(t, saying(t, page, ".advice button", "fit the window"))
	until(t, page, `() => { const w = parvix.document().panels[0].window; return w.bottom < 500 && w.top > 500; }`)
	drawn(t, page)
	until(t, page, `() => document.querySelector('.advice') === null`)
}

func TestAWaveThatLooksFlatInDegreesIsPointedOut(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	agree(t, page, "in degrees")
	state(t, page, "f(x) = 3sin x")
	drawn(t, page)
	click(t, saying(t, page, ".chip", "^window"))
	for field, end := range map[string]string{"x from": "-6", "x to": "6"} {
		write(t, one(t, page, `.window-form [aria-label="`+field+`"]`), end)
		press(t, page, input.Enter)
	}
	press(t, page, input.Escape)
	saying(t, page, `[data-advice="unit"]`, "360")
	click(t, saying(t, page, ".advice button", "show two periods"))
	until(t, page, `() => { const w = parvix.document().panels[0].window; return w.left < -300 && w.right > 300; }`)
	drawn(t, page)
	until(t, page, `() => document.querySelector('.advice') === null`)
}

func TestTheDecimalSignIsASetting(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	agree(t, page, "with a comma")
	until(t, page, `() => document.querySelector('[data-dial="k"]').textContent.includes('4,5')`)
	until(t, page, `() => [...document.querySelectorAll('.now')].some(a => a.textContent.includes(',5'))`)
	state(t, page, "g(x) = 1,5x")
	saved(t, page)
	d := documentOf(t, page)
	assert.True(t, d.DecimalComma)
	for _, s := range d.Stated {
		assert.False(t, strings.Contains(s.Formula+s.Step, "."), "%+v", s)
	}
}

// The zeros of cos x − a x have no formula: they are shown again, where they are then, a moment after the hand has let go.
func TestShownFindingsWithoutAFormulaComeWhenTheHandRests(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	d := shown(t, ofLines(t, "a = 0.5", "f(x) = cos x − a x"), document.Entry{Body: &finding.Body{Function: "f", Finding: document.Zeros}})
	goTo(t, page, "/bench/"+importDocument(t, page, d))
	drawn(t, page)
	drag(t, page, "a", 20)
	a := values(t, page)["a"]
	require.NotEqual(t, 0.5, a)
	low, high := 0.0, math.Pi/2 // cos x − a x falls between them where a is positive
	require.Positive(t, a)
	for range 60 {
		if mid := (low + high) / 2; math.Cos(mid) > a*mid {
			low = mid
		} else {
			high = mid
		}
	}
	until(t, page, `x => parvix.labelled(x)`, "("+strconv.FormatFloat(math.Round(100*low)/100, 'f', -1, 64)+",0)")
}
