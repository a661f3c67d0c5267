package browser

import (
	"fmt"
	"math"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/table"
)

// A lesson is built from an empty bench as a teacher would, and what she does is counted: each click, and each text that
// is typed and taken.
type lesson struct {
	t       *testing.T
	page    *rod.Page
	actions int
	// opened is what was opened last: a menu, perhaps.
	opened string
}

func emptyBench(t *testing.T) *lesson {
	t.Helper()
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	return &lesson{t: t, page: page}
}

func (l *lesson) click(selector, words string) {
	l.t.Helper()
	l.actions++
	// What was found may be drawn anew before it is met, as while an edit is taken in; then it is looked for again.
	const tries = 3
	var err error
	for range tries {
		atRest(l.t, l.page)
		e := saying(l.t, l.page, selector, words)
		if err = clickOn(e, patience/tries); err == nil {
			return
		}
	}
	require.NoError(l.t, err, "clicking %s that says %s", selector, words)
}

func (l *lesson) open(label string) { l.openIn("", label) }

// openIn opens a menu in a part of the page.
func (l *lesson) openIn(part, label string) {
	l.t.Helper()
	l.actions++
	l.opened = part + ` [aria-label="` + label + `"]`
	// A row that is drawn anew meanwhile, as after an edit, has another button; then that is looked for. One that moved away lets
	// the click meet its neighbour, whose menu is closed again.
	const tries = 5
	var err error
	for range tries {
		atRest(l.t, l.page)
		if err = clickOn(one(l.t, l.page, l.opened), patience/tries); err == nil {
			return
		}
		press(l.t, l.page, input.Escape)
	}
	require.NoError(l.t, err, "opening %s", l.opened)
}

func (l *lesson) item(words string) {
	l.t.Helper()
	l.actions++
	// A list that was drawn anew under the pointer may have closed the menu again; a person would open it once more.
	const tries = 3
	var err error
	for range tries {
		if err = takeItem(l.page, words, patience/tries); err == nil {
			return
		}
		click(l.t, one(l.t, l.page, l.opened))
	}
	require.NoError(l.t, err, "there is no item %s", words)
}

// enter types a text and takes it; a field that is open already needs no click.
func (l *lesson) enter(label, text string) {
	l.t.Helper()
	l.fill(label, text)
	press(l.t, l.page, input.Enter)
}

func (l *lesson) fill(label, text string) {
	l.t.Helper()
	l.actions++
	write(l.t, one(l.t, l.page, `input[aria-label="`+label+`"]`), text)
}

func (l *lesson) choose(label, value string) {
	l.t.Helper()
	l.actions++
	require.NoError(l.t, one(l.t, l.page, `select[aria-label="`+label+`"]`).Select([]string{value}, true, rod.SelectorTypeText))
}

func (l *lesson) state(text string) {
	l.t.Helper()
	l.enter("Statement", text)
	until(l.t, l.page, `() => !document.querySelector('input[aria-label="Statement"]')`)
	drawn(l.t, l.page) // what was stated is listed, and moves nothing any more
}

// more opens the field for another statement.
func (l *lesson) more() { l.open("State a function or a parameter") }

func (l *lesson) atMost(actions int) {
	l.t.Helper()
	assert.LessOrEqual(l.t, l.actions, actions, "actions of the teacher")
	l.t.Logf("%d actions", l.actions)
}

// assertMember holds that a member of a family is drawn where it belongs; a dotted line leaves out much of its way.
func assertMember(t *testing.T, page *rod.Page, panel int, colour string, f func(x float64) float64) {
	t.Helper()
	w := seenOn(t, page, panel)
	var places [][2]float64
	for k := range 80 {
		x := w.Left + (w.Right-w.Left)*(float64(k)+0.5)/80
		// Where the members run together on the axis the last one covers the others.
		if p := w.pixel(x, f(x)); w.holds(p, 12) && math.Abs(f(x)) > 0.15 {
			places = append(places, p)
		}
	}
	require.Greater(t, len(places), 5, "the curve is in sight")
	drawn := 0
	for _, n := range inkOn(t, page, panel, places, 3, colour) {
		if n > 0 {
			drawn++
		}
	}
	assert.Greater(t, drawn, len(places)*2/5, "a curve in the colour %s on panel %d", colour, panel+1)
}

// The first, third, fifth, seventh and ninth colour of the ramp (web/src/styles/theme.css).
var rampOfFive = []string{"#35308a", "#0b7486", "#5f7310", "#b5481b", "#6d1a5b"}

func TestAFamilyOfBellsSideBySideForTwoParameters(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = a e^(-(x - c)^2)")
	l.open("Show something on the stage")
	l.item("a family")
	l.fill("Values of the family", "1, 1.5, 2, 2.5, 3")
	l.click(".entry-form button", "Show it")
	l.click(".chips button", "panels")
	l.click(".panel-menu button", "empty panel")
	until(t, l.page, `() => document.querySelectorAll('.plane').length === 2`)
	l.open("Show something on the stage")
	l.item("a family")
	l.choose("Parameter of the family", "c")
	l.fill("Values of the family", "-3, -1.5, 0, 1.5, 3")
	l.click(".entry-form button", "Show it")
	until(t, l.page, `() => parvix.document().shown.length === 3`)
	l.atMost(14)
	drawn(t, l.page)
	v := values(t, l.page)
	bell := func(a, c float64) func(x float64) float64 {
		return func(x float64) float64 { return a * math.Exp(-(x-c)*(x-c)) }
	}
	for k, a := range []float64{1, 1.5, 2, 2.5, 3} {
		if k > 0 { // the first one lies under the plain curve
			assertMember(t, l.page, 0, rampOfFive[k], bell(a, v["c"]))
		}
	}
	for k, c := range []float64{-3, -1.5, 0, 1.5, 3} {
		assertMember(t, l.page, 1, rampOfFive[k], bell(v["a"], c))
	}
	// The other dial moves all members of both panels.
	pull(t, l.page, one(t, l.page, `[data-dial="c"] .pointer`), 40, 0)
	v = values(t, l.page)
	assert.NotEqual(t, 1.0, v["c"])
	assertMember(t, l.page, 0, rampOfFive[4], bell(3, v["c"]))
	assertMember(t, l.page, 1, rampOfFive[4], bell(v["a"], 3))
}

func TestGuidesOfALogisticCurveStayRightWhileThreeDialsMove(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = L/(1 + e^(-r(x - c)))")
	l.open("Show something on the stage")
	l.item("a guide")
	l.enter("Where the guide lies", "c")
	until(t, l.page, `() => parvix.document().shown.length === 2`)
	l.open("Show something on the stage")
	l.item("a guide")
	l.choose("Direction", "level, y =")
	l.enter("Where the guide lies", "L/2")
	until(t, l.page, `() => parvix.document().shown.length === 3`)
	l.atMost(12)
	for _, dial := range []string{"L", "r", "c"} {
		pull(t, l.page, one(t, l.page, `[data-dial="`+dial+`"] .pointer`), 24, 0)
		v := values(t, l.page)
		w := seen(t, l.page)
		var upright, level [][2]float64
		for k := range 40 {
			share := (float64(k) + 0.5) / 40
			upright = append(upright, [2]float64{w.pixel(v["c"], 0)[0], share * w.Height})
			level = append(level, [2]float64{share * w.Width, w.pixel(0, v["L"]/2)[1]})
		}
		doc := documentOf(t, l.page)
		for places, hue := range map[*[][2]float64]int{&upright: doc.Shown[1].Look.Colour, &level: doc.Shown[2].Look.Colour} {
			inked := 0
			for _, n := range ink(t, l.page, *places, 4, hues[hue]) {
				if n > 0 {
					inked++
				}
			}
			assert.Greater(t, inked, 15, "a guide is not where the inflection is, after %s moved", dial)
		}
	}
}

// hues of the theme (web/src/styles/theme.css).
var hues = []string{"#0b4f8c", "#b5452c", "#0b6b6f", "#6a4c9c", "#8a5a00", "#a8326e", "#3f6212", "#4a4f57"}

func TestAReflectedShiftedLogarithmWithItsStepsDomainAndAsymptote(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = -ln(x + 4) + 2")
	l.click("[aria-label=Stated] button", "from its parent")
	one(t, l.page, ".player")
	l.click(".player button", "steps in a table")
	l.click("[aria-label=Stated] button", "^findings")
	one(t, l.page, `[data-finding="verticalAsymptotes"]`)
	l.open("Show the vertical asymptote of f on the stage")
	l.atMost(6)
	table := read(t, one(t, l.page, ".steps-table"))
	for _, words := range []string{"Shift 4 to the left.", "Reflect in the x-axis", "Shift 2 up.", "(−4, ∞)", "x = −4"} {
		assert.Contains(t, table, words)
	}
	assert.Contains(t, typesetOf(t, l.page, `[data-finding="domain"]`), "4")
	// Played from the parent, the key point (1, 0) of the logarithm goes to (−3, 2).
	click(t, saying(t, l.page, ".steps-table th button", "0"))
	until(t, l.page, `() => document.querySelector('.player .count').textContent.includes('0 of 3')`)
	for k := 1; k <= 3; k++ {
		click(t, one(t, l.page, `[aria-label="One step forward"]`))
		until(t, l.page, `k => document.querySelector('.player .count').textContent.includes(k + ' of 3')`, k)
	}
	until(t, l.page, `() => [...document.querySelectorAll('.steps-table td')].some(e => e.textContent.includes('(−3, 2)'))`)
	drawn(t, l.page)
	w := seen(t, l.page)
	assert.Positive(t, ink(t, l.page, [][2]float64{w.pixel(-3, 2)}, 4, hues[documentOf(t, l.page).Shown[1].Look.Colour])[0])
}

func TestTheLocusOfAVertexWithItsEquation(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = 2x^2 + b x + 1")
	l.click("[aria-label=Stated] button", "what b does")
	saying(t, l.page, ".effects li", "turning point moves along")
	l.actions++
	click(t, one(t, l.page, `.effects [title="Show the path on the stage"]`))
	until(t, l.page, `() => parvix.document().shown.length === 2`)
	l.atMost(6)
	labelled(t, l.page, "1−2x")
	drawn(t, l.page)
	dial := documentOf(t, l.page).Stated[1].Colour
	w := seen(t, l.page)
	var places [][2]float64
	for k := range 60 {
		x := -1.4 + 2.8*float64(k)/59
		if p := w.pixel(x, 1-2*x*x); w.holds(p, 10) {
			places = append(places, p)
		}
	}
	inked := 0
	for _, n := range ink(t, l.page, places, 3, hues[dial]) {
		if n > 0 {
			inked++
		}
	}
	assert.Greater(t, inked, len(places)/3, "the path is dashed in the colour of its dial")
}

func TestThreeTypesTracedByOnePoint(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = 2x + 1")
	l.more()
	l.state("g(x) = x^2")
	l.more()
	l.state("h(x) = 2^x")
	l.open("Show something on the stage")
	l.item("a point that runs")
	until(t, l.page, `() => parvix.document().shown.filter(s => s.kind === 'trace').length === 3`)
	l.actions++
	pull(t, l.page, one(t, l.page, `[data-dial="t"] .pointer`), 60, 0)
	l.atMost(10)
	types := []func(x float64) float64{func(x float64) float64 { return 2*x + 1 }, func(x float64) float64 { return x * x }, math.Exp2}
	traces := 0
	for _, s := range documentOf(t, l.page).Shown {
		if s.Kind() != "trace" {
			continue
		}
		trace := ask[[]float64](t, l.page, `id => parvix.trace(id)`, s.ID)
		require.Greater(t, len(trace), 6)
		for i := 0; i < len(trace); i += 2 {
			assert.InDelta(t, types[traces](trace[i]), trace[i+1], 1e-9)
		}
		traces++
	}
	assert.Equal(t, 3, traces)
}

// Scenes keep what is in play; going there glides and ends exactly there.
func TestScenesAreBuiltAndSteppedThrough(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = a x^2")
	l.click(".ribbon button", `^\+ scene`)
	until(t, l.page, `() => parvix.document().scenes.length === 2`)
	pull(t, l.page, one(t, l.page, `[data-dial="a"] .pointer`), 60, 0)
	moved := values(t, l.page)["a"]
	require.NotEqual(t, 1.0, moved)
	click(t, saying(t, l.page, ".ribbon button", "keep as they are"))
	until(t, l.page, `v => parvix.document().scenes[1].values.a === v`, moved)
	click(t, one(t, l.page, `[aria-label^="f, seen in scene 2"]`))
	until(t, l.page, `() => (parvix.document().scenes[1].hidden ?? []).length === 1`)
	for _, want := range []float64{1, moved} {
		press(t, l.page, map[bool]input.Key{true: input.PageUp, false: input.PageDown}[want == 1])
		until(t, l.page, `async v => (await parvix.values()).a === v`, want)
	}
	assert.Empty(t, documentOf(t, l.page).Scenes[0].Hidden, "hidden in the second scene only")
	l.click(".head button", "^Present$")
	saying(t, l.page, ".head .scenes", "Scene 2")
}

func TestAnIdeaFillsTheBench(t *testing.T) {
	l := emptyBench(t)
	l.click(".beginnings button", "^A family")
	until(t, l.page, `() => parvix.document().stated.length === 4`)
	l.atMost(10)
	labelled(t, l.page, "a=")
	saved(t, l.page) // the window has been fitted too
	drawn(t, l.page)
	v := values(t, l.page)
	assertMember(t, l.page, 0, "#9a6200", func(x float64) float64 { return (x-v["h"])*(x-v["h"])/2 + v["k"] })
	pull(t, l.page, one(t, l.page, `[data-dial="h"] .pointer`), 30, 0)
	v = values(t, l.page)
	assert.NotZero(t, v["h"])
	assertMember(t, l.page, 0, "#9a6200", func(x float64) float64 { return (x-v["h"])*(x-v["h"])/2 + v["k"] })
	saying(t, l.page, "[aria-label=Said]", "Each curve has its own a")
}

func TestAParentIsMovedByHandAndByNumbers(t *testing.T) {
	l := emptyBench(t)
	l.click("summary", "parent")
	l.click(".gallery button", "^quadratic")
	until(t, l.page, `() => parvix.document().stated.length === 4`)
	assert.Equal(t, map[string]float64{"a": 1, "h": 0, "k": 0}, values(t, l.page))
	// Grabbed at its key point the curve moves, and the formula follows.
	pull(t, l.page, one(t, l.page, `[data-grip="1"]`), 76, -76)
	v := values(t, l.page)
	assert.InDelta(t, 1, v["h"], 0.11)
	assert.InDelta(t, 1, v["k"], 0.11)
	assert.Equal(t, 1.0, v["a"])
	assertDrawn(t, l.page, hueF, func(x float64) float64 { return (x-v["h"])*(x-v["h"]) + v["k"] })
	pull(t, l.page, one(t, l.page, `[data-grip="2"]`), 0, -76)
	assert.InDelta(t, 2, values(t, l.page)["a"], 0.11)
	l.more()
	l.state("g(x) = x^2")
	entries, err := l.page.Elements("[aria-label=Stated] .entry")
	require.NoError(t, err)
	choose(t, l.page, entries[len(entries)-1], "Move or stretch")
	l.fill("to the right by", "-2")
	l.fill("up by", "3")
	l.click(".entry-form button", "Move it")
	until(t, l.page, `() => parvix.document().stated.at(-1).formula === '(x + 2)² + 3'`)
}

func TestPlottedPointsAreTypedAndAMisplacedOneIsShown(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x^2/2")
	l.open("Show something on the stage")
	l.item("plotted points")
	for k, p := range [][2]string{{"0", "0"}, {"1", "1/2"}, {"2", "2"}, {"-1", "3/2"}} {
		l.fill(fmt.Sprintf("x of point %d", k+1), p[0])
		l.fill(fmt.Sprintf("y of point %d", k+1), p[1])
	}
	click(t, one(t, l.page, `[aria-label="Distances from a curve"]`))
	l.click(".entry-form button", "Show it")
	until(t, l.page, `() => parvix.document().shown.at(-1).kind === 'table'`)
	assert.Len(t, documentOf(t, l.page).Shown[1].Body.(*table.Body).Rows, 4)
	drawn(t, l.page)
	w := seen(t, l.page)
	hue := hues[documentOf(t, l.page).Shown[1].Look.Colour]
	for _, p := range [][2]float64{{0, 0}, {1, 0.5}, {2, 2}, {-1, 1.5}} {
		assert.Positive(t, ink(t, l.page, [][2]float64{w.pixel(p[0], p[1])}, 3, hue)[0], "the point %v", p)
	}
	labelled(t, l.page, "+1")
	// The table of the function names its type by its second differences.
	click(t, saying(t, l.page, "[aria-label=Stated] button", "^table"))
	saying(t, l.page, ".values .told", "It is quadratic")
}

func TestTheBoardIsHeldStillPointedAtAndPutBack(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = a x")
	l.click(".head button", "^Present$")
	click(t, one(t, l.page, `[aria-label="Sweep a"]`))
	until(t, l.page, `async () => (await parvix.values()).a !== 1`)
	require.NoError(t, one(t, l.page, ".plane").Focus())
	press(t, l.page, 'h')
	one(t, l.page, `[aria-label="Sweep a"]`)
	press(t, l.page, 'p')
	one(t, l.page, ".large-pointer")
	press(t, l.page, 's')
	until(t, l.page, `async () => (await parvix.values()).a === 1`)
	press(t, l.page, '?')
	saying(t, l.page, ".keys", "hold still")
	assertAccessible(t, l.page, "the list of keys")
}

// A curve that is dragged from the folio to a panel appears there.
func TestAnEntryIsDraggedToItsPanel(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x")
	l.click(".chips button", "panels")
	l.click(".panel-menu button", "same picture")
	until(t, l.page, `() => document.querySelectorAll('.plane').length === 2`)
	ask[any](t, l.page, `() => {
		const data = new DataTransfer();
		const row = document.querySelector('[aria-label=Shown] .entry');
		row.dispatchEvent(new DragEvent('dragstart', {bubbles: true, dataTransfer: data}));
		document.querySelectorAll('.panel')[1].dispatchEvent(new DragEvent('drop', {bubbles: true, cancelable: true, dataTransfer: data}));
	}`)
	until(t, l.page, `() => JSON.stringify(parvix.document().shown[0].where.panels) === '["plane2"]'`)
}

// Points are plotted first, by tapping; one that lies wrong is dragged to its place; only then the curve is revealed.
func TestPointsAreTappedOnTheStageAndTheCurveIsRevealed(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x^2/2")
	click(t, one(t, l.page, `[aria-label="Hide f"]`))
	until(t, l.page, `() => parvix.document().scenes[0].hidden?.length === 1`)
	l.open("Show something on the stage")
	l.item("points plotted by tapping")
	saying(t, l.page, ".plots", "Tap the stage")
	drawn(t, l.page)
	w := seen(t, l.page)
	shape, err := one(t, l.page, ".plane").Shape()
	require.NoError(t, err)
	box := shape.Box()
	for k, p := range [][2]float64{{0, 0}, {1, 0.5}, {2, 3}} {
		at := w.pixel(p[0], p[1])
		tap(t, l.page, at[0]/box.Width, at[1]/box.Height)
		until(t, l.page, `n => parvix.document().shown.at(-1).body.rows?.length === n`, k+1)
	}
	rows := documentOf(t, l.page).Shown[1].Body.(*table.Body).Rows
	assert.Equal(t, table.Row{X: "1", Y: "0.5"}, rows[1], "a tap near the grid means the grid")
	assert.Equal(t, table.Row{X: "2", Y: "3"}, rows[2])
	click(t, saying(t, l.page, ".plots button", "done"))

	// The third point belongs to (2, 2).
	from, to := w.pixel(2, 3), w.pixel(2, 2)
	pull(t, l.page, one(t, l.page, `[data-grip="3"]`), 0, to[1]-from[1])
	until(t, l.page, `() => parvix.document().shown.at(-1).body.rows[2].y === '2'`)

	l.click(".head button", "^Present$")
	click(t, saying(t, l.page, ".board-bar button", "hide"))
	curve := documentOf(t, l.page).Shown[0].ID
	one(t, l.page, `[data-cover="`+curve+`"][aria-pressed=false]`)
	click(t, one(t, l.page, `[data-cover="`+curve+`"]`))
	drawn(t, l.page)
	until(t, l.page, `() => parvix.words[0].includes('f')`)
	assertAccessible(t, l.page, "presenting with covers")
	press(t, l.page, '1')
	until(t, l.page, `id => document.querySelector('[data-cover="' + id + '"]').getAttribute('aria-pressed') === 'false'`, curve)
	assert.Equal(t, []string{curve}, documentOf(t, l.page).Scenes[0].Hidden, "the scene keeps what it shows")
}

// A triangle with its area and its right angle, from three points that can be dragged; a tangent that runs along a curve.
func TestPiecesOfGeometryAreLive(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x^2/4")
	for _, p := range [][2]string{{"0", "-1"}, {"4", "-1"}, {"0", "2"}} {
		l.open("Show something on the stage")
		l.item("a point")
		l.fill("x of the point", p[0])
		l.enter("y of the point", p[1])
		until(t, l.page, `() => !document.querySelector('input[aria-label="y of the point"]')`)
	}
	l.open("Show something on the stage")
	l.item("a piece of geometry")
	l.choose("Shape", "polygon")
	l.click(".entry-form button", "Show it")
	labelled(t, l.page, "A=6")
	assert.Len(t, documentOf(t, l.page).Shown[4].Body.(*figure.Body).Points, 3)

	// The point (4, −1) is dragged one to the left: the area is half of 3 · 3.
	w := seen(t, l.page)
	from, to := w.pixel(4, -1), w.pixel(3, -1)
	pull(t, l.page, one(t, l.page, `[data-entry="`+documentOf(t, l.page).Shown[2].ID+`"]`), to[0]-from[0], to[1]-from[1])
	labelled(t, l.page, "A=4.5")

	l.open("Show something on the stage")
	l.item("a piece of geometry")
	l.choose("Shape", "tangent")
	l.enter("Place of the line", "p")
	labelled(t, l.page, "y=0.5x−0.25")
	assertAccessible(t, l.page, "figures")
}
