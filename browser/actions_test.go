package browser

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// What a teacher does from an empty bench until the picture stands is counted, “New demonstration” with it.
func counted(t *testing.T) *lesson {
	l := emptyBench(t)
	l.actions = 1
	return l
}

// paste puts several lines into the open field for statements.
func (l *lesson) paste(lines string) {
	l.t.Helper()
	l.actions++
	one(l.t, l.page, `input[aria-label="Statement"]`)
	ask[any](l.t, l.page, `lines => {
		const data = new DataTransfer();
		data.setData('text/plain', lines);
		document.querySelector('input[aria-label="Statement"]').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
	}`, lines)
	until(l.t, l.page, `() => !document.querySelector('input[aria-label="Statement"]')`)
	drawn(l.t, l.page)
}

// inkAlong tells how many of the places of a line have its colour.
func inkAlong(l *lesson, panel int, places [][2]float64, hue string) (inked int) {
	for _, n := range inkOn(l.t, l.page, panel, places, 4, hue) {
		if n > 0 {
			inked++
		}
	}
	return inked
}

// The inflection of L/(1 + e^(−k(x − m))) lies at (m, L/2) (common practice): its guides go with three dials.
func TestALogisticCurveWithGuidesThroughItsInflectionTakesSevenActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = L/(1 + e^(-k(x - m)))")
	l.click("[aria-label=Stated] button", "^findings")
	one(t, l.page, `[data-finding="inflections"]`)
	l.open("Put guides through the inflection of f")
	until(t, l.page, `() => parvix.document().shown.length === 3`)
	l.atMost(7)
	for _, dial := range []string{"L", "k", "m"} {
		pull(t, l.page, one(t, l.page, `[data-dial="`+dial+`"] .pointer`), 20, 0)
		drawn(t, l.page)
		v, w, doc := values(t, l.page), seen(t, l.page), documentOf(t, l.page)
		var upright, level [][2]float64
		for k := range 30 {
			share := (float64(k) + 0.5) / 30
			upright = append(upright, [2]float64{w.pixel(v["m"], 0)[0], share * w.Height})
			level = append(level, [2]float64{share * w.Width, w.pixel(0, v["L"]/2)[1]})
		}
		assert.Greater(t, inkAlong(l, 0, upright, hues[doc.Shown[1].Look.Colour]), 10, "upright, after %s moved", dial)
		assert.Greater(t, inkAlong(l, 0, level, hues[doc.Shown[2].Look.Colour]), 10, "level, after %s moved", dial)
	}
}

// 6 − ln x with its parent and the steps from there, its domain (0, ∞) and its asymptote x = 0, well framed.
func TestALogarithmWithEverythingTakesFiveActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = 6 - ln(x)")
	l.click("[aria-label=Stated] button", "from its parent")
	one(t, l.page, ".player")
	l.click("[aria-label=Stated] button", "^findings")
	one(t, l.page, `[data-finding="verticalAsymptotes"]`)
	l.open("Show the vertical asymptote of f on the stage")
	l.atMost(5)
	assert.Contains(t, typesetOf(t, l.page, `[data-finding="domain"]`), "0")
	drawn(t, l.page)
	w := seen(t, l.page)
	for _, p := range [][2]float64{{1, 6}, {math.E, 5}, {0, 5}, {1, 0}} {
		assert.True(t, w.holds(w.pixel(p[0], p[1]), 5), "%v is in sight", p)
	}
	assert.Less(t, w.Right-w.Left, 40.0, "the zero at e⁶ is not")
	var curve [][2]float64
	for k := range 40 {
		x := 0.2 + 0.2*float64(k)
		curve = append(curve, w.pixel(x, 6-math.Log(x)))
	}
	assert.Greater(t, inkAlong(l, 0, curve, hues[documentOf(t, l.page).Shown[1].Look.Colour]), 30)
}

// 2|4 − x| has two right orders of its steps; the parent is bold.
func TestAnAbsoluteValueWithItsOrdersAndABoldParentTakesSixActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = 2|4 - x|")
	l.click("[aria-label=Stated] button", "from its parent")
	one(t, l.page, ".player")
	l.click(".player button", "steps in a table")
	one(t, l.page, ".steps-table")
	l.actions++
	click(t, one(t, l.page, `[aria-label=Shown] .sample.steps`))
	l.choose("Weight", "bold")
	until(t, l.page, `() => parvix.document().shown.some(s => s.look.weight === 'bold')`)
	l.atMost(6)
	assert.GreaterOrEqual(t, ask[int](t, l.page, `() => document.querySelectorAll('.steps-table .reading').length`), 2, "both orders are told")
	drawn(t, l.page)
	w := seen(t, l.page)
	for _, p := range [][2]float64{{4, 0}, {0, 8}, {0, 0}} {
		assert.True(t, w.holds(w.pixel(p[0], p[1]), 5), "%v is in sight", p)
	}
}

// The rose r = 3 sin 4θ is drawn as θ grows.
func TestARoseThatIsDrawnTakesFourActions(t *testing.T) {
	l := counted(t)
	l.state("r = 3 sin(4 θ)")
	l.click("[aria-label=Shown] button", "watch")
	until(t, l.page, `() => parvix.document().stated.length === 2`)
	l.atMost(4)
	drawn(t, l.page)
	w := seenOn(t, l.page, 0)
	for _, p := range [][2]float64{{3, 0}, {-3, 0}, {0, 3}, {0, -3}} {
		assert.True(t, w.holds(w.pixel(p[0], p[1]), 2), "%v is in sight", p)
	}
}

// Two families of bells, one for each parameter, beside each other, titled and labelled.
func TestTwoFamiliesOfBellsSideBySideTakeElevenActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = a e^(-(x - c)^2)")
	l.open("What to do with a")
	l.item("Draw a curve for each")
	until(t, l.page, `() => parvix.document().shown.length === 2`)
	l.open("What to do with c")
	l.item("The same in a panel")
	until(t, l.page, `() => document.querySelectorAll('.plane').length === 2`)
	l.atMost(11)
	drawn(t, l.page)
	saying(t, l.page, ".panel h2", "f for several values of c")
	labelled(t, l.page, "a=2")
	labelled(t, l.page, "c=2")
	// The title of the other panel says what it shows.
	require.Len(t, documentOf(t, l.page).Panels, 2)
}

// f(x) = 3x² − 2 is moved down by 4: both are seen, and the new formula simplified.
func TestACurveMovedDownBesideTheOldOneTakesFourActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = 3x^2 - 2")
	l.more()
	l.state("g(x) = f(x) - 4")
	l.atMost(4)
	drawn(t, l.page)
	saying(t, l.page, "[aria-label=Stated] .simplified", "6")
	assertDrawn(t, l.page, hueF, func(x float64) float64 { return 3*x*x - 2 })
	assertDrawn(t, l.page, hues[1], func(x float64) float64 { return 3*x*x - 6 })
}

// The tangent of x² at 1 is read off as y = 2x − 1; another way of writing it is proved to be the same.
func TestATangentReadOffAndASecondOneProvedTheSameTakesTenActions(t *testing.T) {
	l := counted(t)
	l.state("f(x) = x^2")
	l.open("Show something on the stage")
	l.item("a piece of geometry")
	l.choose("Shape", "tangent")
	l.enter("Place of the line", "1")
	until(t, l.page, `() => parvix.document().shown.length === 2`)
	labelled(t, l.page, "y=2x−1")
	l.more()
	l.paste("g(x) = 2x - 1\nh(x) = 1 + 2(x - 1)")
	until(t, l.page, `() => parvix.document().stated.length === 3`)
	l.openIn("[aria-label=Stated]", "What to do with h")
	l.item("Is it the same as g")
	saying(t, l.page, "[aria-label=Stated] .hint", "the same: their difference simplifies to 0")
	l.atMost(10)
}

// Of a given sinusoid two tops are read off by guides that snap to them, at π/3 and π, so that its period is 2π/3; the cosine that begins at
// the first is proved to be the same: 2cos(3(x − π/3)) + 1 = 2 sin(3x − π/2) + 1, since cos(u − π) = sin(u − π/2) for u = 3x (angle sums, common practice).
func TestASinusoidReadOffAndProvedTheSameTakesEightActions(t *testing.T) {
	l := counted(t)
	l.paste("g(x) = 2 sin(3x - π/2) + 1\nx = 0.9\nx = 2.9")
	until(t, l.page, `() => parvix.document().shown.length === 3`)
	drawn(t, l.page)
	guide := func(at, to string, dx, dy float64) {
		l.actions++
		id := ask[string](t, l.page, `at => parvix.document().shown.find(s => s.body.at === at).id`, at)
		pull(t, l.page, one(t, l.page, `.handle[data-entry="`+id+`"]`), dx, dy)
		until(t, l.page, `to => parvix.document().shown.some(s => s.body.at === to)`, to)
	}
	w := seen(t, l.page)
	guide("0.9", "π/3", w.pixel(math.Pi/3, 0)[0]-w.pixel(0.9, 0)[0]+4, 0)
	labelled(t, l.page, "π")
	guide("2.9", "π", w.pixel(math.Pi, 0)[0]-w.pixel(2.9, 0)[0]-4, 0)
	l.more()
	l.state("h(x) = 2cos(3(x - π/3)) + 1")
	l.openIn("[aria-label=Stated]", "What to do with h")
	l.item("Is it the same as g")
	saying(t, l.page, "[aria-label=Stated] .hint", "the same")
	l.atMost(8)
}

// Ten points first, in one paste, then the curve.
func TestTenPointsAndThenTheirCurveTakeFewActions(t *testing.T) {
	l := counted(t)
	lines := ""
	for k := range 10 {
		lines += "(" + string(rune('0'+k)) + ", " + string(rune('0'+k)) + "^2/4)\n"
	}
	l.paste(lines)
	until(t, l.page, `() => parvix.document().shown.length === 10`)
	l.more()
	l.state("f(x) = x^2/4")
	l.atMost(14)
	drawn(t, l.page)
	w := seen(t, l.page)
	assert.True(t, w.holds(w.pixel(9, 20.25), 2) && w.holds(w.pixel(0, 0), 2), "all of them are in sight")
	assertDrawn(t, l.page, hueF, func(x float64) float64 { return x * x / 4 })
}

// The cosine comes from the circle by one idea.
func TestTheCosineFromTheCircleTakesFourActions(t *testing.T) {
	l := counted(t)
	l.click(".beginnings button", "circle")
	until(t, l.page, `() => document.querySelectorAll('.plane').length === 2`)
	l.actions++
	click(t, one(t, l.page, `[data-ratio="cos"]`))
	l.atMost(4)
	drawn(t, l.page)
	labelled(t, l.page, "cos")
}

// A picture that is saved as SVG has the faces of its formulas with it, so that it looks the same without Parvix.
func TestAnExportedPictureCarriesTheFacesOfItsFormulas(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	ask[any](t, page, `() => {
		const original = URL.createObjectURL;
		URL.createObjectURL = (blob) => { void blob.text().then(text => (window.saved = text)); return original(blob); };
	}`)
	click(t, one(t, page, `[aria-label="Export"]`))
	require.NoError(t, takeItem(page, "Picture", patience))
	until(t, page, `() => window.saved?.includes('@font-face{font-family:ParvixFormula1;font-style:italic;src:url(data:font/woff2')`)
	until(t, page, `() => new DOMParser().parseFromString(window.saved, 'image/svg+xml').querySelectorAll('text[font-family^=ParvixFormula]').length > 3`)
}
