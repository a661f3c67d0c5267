package browser

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/text"
)

func documentOf(t *testing.T, page *rod.Page) document.Document {
	t.Helper()
	return ask[document.Document](t, page, `() => parvix.document()`)
}

// agree chooses something that is agreed for the whole demonstration, in the sheet under the title.
func agree(t *testing.T, page *rod.Page, words string) {
	t.Helper()
	click(t, saying(t, page, ".ribbon button", "angles in"))
	click(t, saying(t, page, ".agreed label", words))
	press(t, page, input.Escape)
}

// state types a statement in the folio and takes it.
func state(t *testing.T, page *rod.Page, statement string) {
	t.Helper()
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	write(t, one(t, page, `input[aria-label="Statement"]`), statement)
	press(t, page, input.Enter)
	until(t, page, `() => !document.querySelector('input[aria-label="Statement"]')`)
	drawn(t, page)
}

// choose takes an action from an entry's menu.
func choose(t *testing.T, page *rod.Page, entry *rod.Element, action string) {
	t.Helper()
	// A list that is still being drawn anew would close the menu.
	atRest(t, page)
	more, err := entry.Element(".more")
	require.NoError(t, err)
	// A list that was drawn anew under the pointer may have closed the menu again; a person would click once more.
	const tries = 3
	for range tries {
		click(t, more)
		if err = takeItem(page, action, patience/tries); err == nil {
			return
		}
	}
	require.NoError(t, err, "there is no item %s", action)
}

// menuItem waits for an item of the menu that is open.
func menuItem(t *testing.T, page *rod.Page, words string) *rod.Element {
	t.Helper()
	item, err := openItem(page, words, patience)
	require.NoError(t, err, "there is no item %s", words)
	return item
}

// openItem finds an item of the menu that has the focus and rests: one that still glides into its place would be missed.
func openItem(page *rod.Page, words string, within time.Duration) (*rod.Element, error) {
	item, err := page.Timeout(within).ElementByJS(rod.Eval(`(words) => {
		const menu = document.activeElement?.closest('[role=menu]');
		const moves = menu?.closest('.ant-dropdown')?.getAnimations({ subtree: true }).some(a => a.playState === 'running');
		if (!menu || moves) return null; // null is waited for, undefined is not
		return [...menu.querySelectorAll('[role^="menuitem"]')].find(e => e.textContent.trim().startsWith(words)) ?? null;
	}`, words))
	if err != nil {
		return nil, err
	}
	return item.CancelTimeout(), nil
}

// takeItem clicks an item of the menu that is open, and says so when the click met something else.
func takeItem(page *rod.Page, words string, within time.Duration) error {
	item, err := openItem(page, words, within)
	if err != nil {
		return err
	}
	if err = clickOn(item, patience); err != nil {
		return err
	}
	missed, err := page.Timeout(patience).Eval(`() => window.clickMissed === true`)
	if err == nil && missed.Value.Bool() {
		err = fmt.Errorf("the click missed %s", words)
	}
	return err
}

func TestAnEmptyBenchBecomesAMovingFamilyByTyping(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	openShelf(t, page)
	click(t, saying(t, page, "button", "New demonstration"))
	drawn(t, page)
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	write(t, one(t, page, `input[aria-label="Statement"]`), "f(x) = a(x - h)^2 + k")
	one(t, page, ".reading .katex") // typeset while typing
	press(t, page, input.Enter)

	// Letters without a value have their dials at once.
	one(t, page, `[role="slider"][aria-label="k"]`)
	drawn(t, page)
	assert.Equal(t, map[string]float64{"a": 1, "h": 1, "k": 1}, values(t, page), "a new dial stands at 1")
	assertDrawn(t, page, hueF, func(x float64) float64 { return (x-1)*(x-1) + 1 })

	state(t, page, "a = -0.5")
	assert.InDelta(t, -0.5, values(t, page)["a"], 1e-12, "stating a value puts it in play")
	assertDrawn(t, page, hueF, func(x float64) float64 { return -0.5*(x-1)*(x-1) + 1 })
}

func TestAFormulaAndItsDialsAreUndoneAsOneStep(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "2 sin(b x + c)")
	one(t, page, `[role="slider"][aria-label="b"]`)
	one(t, page, `[role="slider"][aria-label="c"]`)
	drawn(t, page)
	assertDrawn(t, page, hueF, func(x float64) float64 { return 2 * math.Sin(x+math.Pi/6) })
	click(t, one(t, page, `[aria-label="Undo"]`))
	until(t, page, `() => parvix.document().stated.length === 0 && parvix.document().shown.length === 0`)
	click(t, one(t, page, `[aria-label="Redo"]`))
	until(t, page, `() => parvix.document().stated.length === 3`)
}

// What stands in a book is typed as it stands, in the field of Stated and in that of Shown; several lines are pasted at once.
func TestOneFieldTakesWhatABookHas(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x^2/2")
	state(t, page, "x = 2")
	state(t, page, "(p, f(p))")
	state(t, page, "x^2 + y^2 = 9")
	drawn(t, page)
	labelled(t, page, "x=2")
	labelled(t, page, "P(1,0.5)")
	labelled(t, page, "x2+y2=9")
	saying(t, page, "[aria-label=Shown] .entry", "the circle")
	click(t, one(t, page, `[aria-label="Show something on the stage"]`))
	require.NoError(t, takeItem(page, "type it", patience))
	write(t, one(t, page, `input[aria-label="Statement"]`), "(3cos t, 2sin t)")
	saying(t, page, ".reading", "cos")
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().shown.some(s => s.kind === 'trajectory')`)
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	one(t, page, `input[aria-label="Statement"]`)
	ask[any](t, page, `() => {
		const data = new DataTransfer();
		data.setData('text/plain', 'g(x) = m x + 1\nh(x) = g(x) − 2\n');
		document.querySelector('input[aria-label="Statement"]').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
	}`)
	until(t, page, `() => ['g', 'h', 'm'].every(name => parvix.document().stated.some(s => s.name === name))`)
}

// holdBack keeps from the core what holds these words, as where it is busy, until the returned function lets it go.
func holdBack(t *testing.T, page *rod.Page, words string) (letGo func()) {
	t.Helper()
	ask[any](t, page, `words => {
		const post = Worker.prototype.postMessage;
		window.held = [];
		Worker.prototype.postMessage = function (...message) {
			if (JSON.stringify(message[0]).includes(words)) held.push(() => post.apply(this, message));
			else post.apply(this, message);
		};
		window.letGo = () => { Worker.prototype.postMessage = post; held.forEach(send => send()); };
	}`, words)
	return func() {
		t.Helper()
		ask[any](t, page, `() => letGo()`)
	}
}

// A form that is still being taken in closes itself, and not the one that was opened meanwhile.
func TestAFormThatIsTakenInLateLeavesTheNextOneOpen(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	write(t, one(t, page, `input[aria-label="Statement"]`), "f(x) = x²")
	drawn(t, page)
	letGo := holdBack(t, page, `"state"`)
	press(t, page, input.Enter)
	until(t, page, `() => held.length > 0`)
	click(t, one(t, page, `[aria-label="Write a text"]`))
	one(t, page, ".entry-form .page")
	letGo()
	until(t, page, `() => parvix.document().stated.length === 1`)
	drawn(t, page)
	until(t, page, `() => !!document.querySelector('.entry-form .page') && !document.querySelector('input[aria-label="Statement"]')`)
}

func TestAMistakeIsShownAtItsPlaceAndTheLastPictureStands(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[data-entry="s1"] .says`))
	field := one(t, page, `input[aria-label="Statement"]`)
	write(t, field, "f(x) = a(x − h)² + sin(x")
	saying(t, page, ".formula-field .problem", "bracket opened after sin is not closed")
	assert.Equal(t, "(", read(t, one(t, page, ".formula-field .problem mark")), "the bracket itself is marked")
	press(t, page, input.Enter)
	saying(t, page, ".formula-field .problem", "not closed")
	assertDrawn(t, page, hueF, jet(values(t, page)))
	assert.Equal(t, "a(x − h)² + k", documentOf(t, page).Stated[0].Formula, "nothing was changed")
	press(t, page, input.Escape)
	until(t, page, `() => !document.querySelector('input[aria-label="Statement"]')`)
}

func TestAReadingThatDeservesASecondLookIsPointedOut(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	write(t, one(t, page, `input[aria-label="Statement"]`), "1/2x")
	saying(t, page, ".notice", "Write brackets for 1/\\(2x\\)")
}

func TestThePaletteTypesSymbolsAtTheCaret(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	click(t, one(t, page, `[aria-label="State a function or a parameter"]`))
	click(t, saying(t, page, ".palette button", "^√\\(\\)$"))
	require.NoError(t, one(t, page, `input[aria-label="Statement"]`).Input("4 − x"))
	click(t, saying(t, page, ".palette button", "^²$"))
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().stated.length === 1`)
	drawn(t, page)
	assert.Equal(t, "√(4 − x²)", documentOf(t, page).Stated[0].Formula)
	assertDrawn(t, page, hueF, func(x float64) float64 { return math.Sqrt(4 - x*x) })
}

func TestPointsGuidesTracesAndTextsAreAddedChangedMovedAndDeleted(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	plus := `[aria-label="Show something on the stage"]`
	add := func(what string) {
		click(t, one(t, page, plus))
		require.NoError(t, takeItem(page, what, patience))
	}
	last := func() document.Entry {
		d := documentOf(t, page)
		return d.Shown[len(d.Shown)-1]
	}
	entries := func(n int) { until(t, page, `(n) => parvix.document().shown.length === n`, n) }

	add("a point")
	write(t, one(t, page, `input[aria-label="x of the point"]`), "h + 1")
	write(t, one(t, page, `input[aria-label="y of the point"]`), "f(h + ")
	press(t, page, input.Enter)
	saying(t, page, ".entry-form .problem", "value is missing")
	write(t, one(t, page, `input[aria-label="y of the point"]`), "f(h + 1)")
	press(t, page, input.Enter)
	entries(7)
	p := last()
	assert.Equal(t, []string{"P", "h + 1", "f(h + 1)"}, []string{p.Field("name"), p.Field("x"), p.Field("y")})
	labelled(t, page, "P")

	choose(t, page, one(t, page, `[data-entry="`+p.ID+`"]`), "Trace it")
	entries(8)
	traced := last()
	assert.Equal(t, p.ID, traced.Field("of"))

	add("a guide line")
	write(t, one(t, page, `input[aria-label="Where the guide lies"]`), "h + 1")
	press(t, page, input.Enter)
	entries(9)
	labelled(t, page, "x=4")

	click(t, one(t, page, `[aria-label="Write a text"]`))
	require.NoError(t, one(t, page, `.page[contenteditable]`).Input("The drop stands at "))
	click(t, saying(t, page, "button", "live value"))
	write(t, one(t, page, `input[aria-label="Live value"]`), "f(h + 1)")
	click(t, saying(t, page, "button", "Put it in"))
	click(t, saying(t, page, ".entry-form button", "^Keep$"))
	saying(t, page, `.folio .entry`, "The drop stands at 3.9")
	said := documentOf(t, page).Said
	assert.Equal(t, "The drop stands at ", said[len(said)-1].Body.(*text.Body).Pieces[0].Text)

	// It is live.
	click(t, one(t, page, `[aria-label="k one step up"]`))
	saying(t, page, `.folio .entry`, "The drop stands at 4")

	choose(t, page, one(t, page, `[data-entry="c1"]`), "Move up")
	until(t, page, `() => parvix.document().shown[0].id === 'c1'`)

	// Deleting a point takes its trace with it, and undo brings both back.
	choose(t, page, one(t, page, `[data-entry="`+p.ID+`"]`), "Delete")
	entries(7)
	click(t, one(t, page, `[aria-label="Undo"]`))
	entries(9)
}

func TestATextStandsOnThePictureAndLabelsKeepClear(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[data-entry="w2"] .says`))
	require.NoError(t, one(t, page, `select[aria-label="Where it stands"]`).Select([]string{"on the picture, top right"}, true, rod.SelectorTypeText))
	click(t, saying(t, page, ".entry-form button", "^Keep$"))
	saying(t, page, ".corner.topRight p", "The drop D is at")
	before := read(t, one(t, page, ".corner.topRight p"))
	click(t, one(t, page, `[aria-label="k one step down"]`))
	until(t, page, `(before) => document.querySelector('.corner.topRight p').innerText.trim().split(/\s+/).join(' ') !== before`, before)
}

func TestUndoReachesEveryEditAndRedoComesBack(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	var states []document.Document
	note := func() { states = append(states, documentOf(t, page)) }
	note()
	state(t, page, "f(x) = x^2 − 3")
	note()
	state(t, page, "c = 2")
	note()
	agree(t, page, "in degrees")
	until(t, page, `() => parvix.document().angleUnit === 'degree'`)
	note()
	click(t, one(t, page, `[aria-label="Hide f"]`))
	until(t, page, `() => (parvix.document().scenes[0].hidden ?? []).includes(parvix.document().shown[0].id)`)
	note()
	for k := len(states) - 2; k >= 0; k-- {
		require.NoError(t, page.KeyActions().Press(input.ControlLeft).Type(input.KeyZ).Release(input.ControlLeft).Do())
		until(t, page, `(want) => JSON.stringify(parvix.document()) === want`, asJSON(t, page, states[k]))
	}
	assert.True(t, ask[bool](t, page, `() => document.querySelector('[aria-label="Undo"]').disabled`))
	for k := 1; k < len(states); k++ {
		click(t, one(t, page, `[aria-label="Redo"]`))
		until(t, page, `(want) => JSON.stringify(parvix.document()) === want`, asJSON(t, page, states[k]))
	}
}

// asJSON writes a document in the page's own order of fields, which is Go's.
func asJSON(t *testing.T, page *rod.Page, d document.Document) string {
	t.Helper()
	return strings.TrimSpace(ask[string](t, page, `(text) => JSON.stringify(JSON.parse(text))`, string(document.Encode(&d))))
}

func TestRenamingAParameterRewritesEveryFormula(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[data-entry="s4"] .says`))
	write(t, saying(t, page, ".entry-form label", "letter").MustElement("input"), "c")
	click(t, saying(t, page, ".entry-form button", "^Keep$"))
	one(t, page, `[role="slider"][aria-label="c"]`)
	d := documentOf(t, page)
	assert.Equal(t, "a(x − c)² + k", d.Stated[0].Formula)
	assert.InDelta(t, 3, values(t, page)["c"], 1e-12)
	drawn(t, page)
	assert.Equal(t, "c", documentOf(t, page).Shown[2].Field("at"), "the guide follows")
}

func TestTheWindowZoomsPansAndFits(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	before := seen(t, page)
	plane := one(t, page, ".plane")
	require.NoError(t, page.Mouse.MoveTo(proto.Point{X: 400, Y: 500}))
	at := func(w window) (x, y float64) {
		box := ask[[]float64](t, page, `() => { const b = document.querySelector('.plane').getBoundingClientRect(); return [b.left, b.top]; }`)
		return w.Left + (400-box[0])/w.Width*(w.Right-w.Left), w.Top - (500-box[1])/w.Height*(w.Top-w.Bottom)
	}
	x0, y0 := at(before)
	require.NoError(t, page.Mouse.Scroll(0, -240, 2))
	until(t, page, `(width) => { const w = parvix.document().panels[0].window; return w.right - w.left < width; }`, before.Right-before.Left-0.1)
	zoomed := seen(t, page)
	x1, y1 := at(zoomed)
	assert.InDelta(t, x0, x1, 1e-6, "the place under the pointer stays")
	assert.InDelta(t, y0, y1, 1e-6)
	assertDrawn(t, page, hueF, jet(values(t, page)))

	pull(t, page, plane, 120, 50)
	panned := seen(t, page)
	perPixel := (zoomed.Right - zoomed.Left) / zoomed.Width
	assert.InDelta(t, zoomed.Left-120*perPixel, panned.Left, perPixel, "the plane follows the hand")
	until(t, page, `(left) => Math.abs(parvix.document().panels[0].window.left - left) < 1e-9`, panned.Left)

	click(t, saying(t, page, ".chip", "^fit$"))
	until(t, page, `(left) => Math.abs(parvix.document().panels[0].window.left - left) > 0.01`, panned.Left)
	drawn(t, page)
	fitted := seen(t, page)
	for _, p := range [][2]float64{{3, 4.5}, {3 - math.Sqrt(7.5), 0}, {3 + math.Sqrt(7.5), 0}, {0, 0}} {
		assert.True(t, fitted.holds(fitted.pixel(p[0], p[1]), 10), "%v is an interesting place", p)
	}
	click(t, one(t, page, `[aria-label="Undo"]`))
	until(t, page, `(left) => Math.abs(parvix.document().panels[0].window.left - left) < 1e-9`, panned.Left)
}

func TestTheWindowsEndsAreTyped(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, saying(t, page, ".chip", "^window"))
	field := func(name string) *rod.Element { return one(t, page, `.window-form [aria-label="`+name+`"]`) }
	until(t, page, `() => !!document.querySelector('.window-form [aria-label="x to"]')?.value`)
	// While the first end is still being applied, the second is typed; it is read when it is entered.
	letGo := holdBack(t, page, `"typed"`)
	write(t, field("x from"), "-π")
	require.NoError(t, field("x to").Focus())
	until(t, page, `() => held.length > 0`)
	write(t, field("x to"), "3π +")
	letGo()
	until(t, page, `() => Math.abs(parvix.document().panels[0].window.left + Math.PI) < 1e-9`)
	require.NoError(t, field("x to").Type(input.Enter))
	saying(t, page, ".window-form .problem", "stops after")
	write(t, field("x to"), "3π")
	require.NoError(t, field("x to").Type(input.Enter))
	until(t, page, `() => Math.abs(parvix.document().panels[0].window.right - 3 * Math.PI) < 1e-9`)
	drawn(t, page)
	w := seen(t, page)
	assert.InDelta(t, -math.Pi, w.Left, 1e-6)
	assert.InDelta(t, 3*math.Pi, w.Right, 1e-6)
	assert.InDelta(t, w.Width/(w.Right-w.Left), w.Height/(w.Top-w.Bottom), 1e-6, "equal scales")
	// The sheet stays: the ends of y are typed next, and those of x follow.
	write(t, field("y to"), "6")
	require.NoError(t, field("y to").Type(input.Enter))
	until(t, page, `() => Math.abs(parvix.document().panels[0].window.top - 6) < 1e-9`)
	drawn(t, page)
	w = seen(t, page)
	assert.InDelta(t, w.Width/(w.Right-w.Left), w.Height/(w.Top-w.Bottom), 1e-6, "equal scales")
	write(t, field("A number on x every"), "π/3")
	write(t, field("Name of the axis y"), "height in m")
	require.NoError(t, field("Name of the axis y").Type(input.Enter))
	until(t, page, `() => parvix.document().panels[0].nameY === 'height in m' && Math.abs(parvix.document().panels[0].stepX - Math.PI / 3) < 1e-9`)
}

// A hand that takes a number of an axis stretches that axis alone.
func TestAnAxisIsStretchedByItsNumbers(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, "The float in the tide gauge")
	drawn(t, page)
	before := seen(t, page)
	type number struct{ X, Y, Width, Height float64 }
	at := ask[number](t, page, `() => parvix.numbers(0).filter(n => !n.onY).at(-1)`)
	box := one(t, page, ".plane").MustShape().Box()
	from := proto.Point{X: box.X + at.X + at.Width/2, Y: box.Y + at.Y + at.Height/2}
	require.NoError(t, page.Mouse.MoveTo(from))
	require.NoError(t, page.Mouse.Down(proto.InputMouseButtonLeft, 1))
	require.NoError(t, page.Mouse.MoveLinear(proto.Point{X: from.X - 100, Y: from.Y}, 5))
	require.NoError(t, page.Mouse.Up(proto.InputMouseButtonLeft, 1))
	until(t, page, `() => parvix.document().panels[0].equalScales === false`)
	drawn(t, page)
	after := seen(t, page)
	assert.Greater(t, after.Right-after.Left, (before.Right-before.Left)*1.05, "more of x is seen")
	assert.InDelta(t, before.Top-before.Bottom, after.Top-after.Bottom, 1e-9, "and as much of y")
}

func TestDegreesAreADemonstrationsUnit(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "3 sin(60 x)")
	agree(t, page, "in degrees")
	saying(t, page, ".ribbon button", "angles in degrees")
	drawn(t, page)
	assertDrawn(t, page, hueF, func(x float64) float64 { return 3 * math.Sin(60*x*math.Pi/180) })
}

func TestPresentingShowsTheStageLargeAndComesBack(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, saying(t, page, ".head button", "^Present$"))
	back := saying(t, page, ".board-bar button", "bench")
	until(t, page, `() => getComputedStyle(document.querySelector('.folio')).display === 'none'`)
	drawn(t, page)
	assertDrawn(t, page, hueF, jet(values(t, page)))
	click(t, back)
	until(t, page, `() => getComputedStyle(document.querySelector('.folio')).display !== 'none'`)
}

func TestOnAPhoneAFingerMovesADial(t *testing.T) {
	page := visit(t, 390, 844)
	require.NoError(t, proto.EmulationSetTouchEmulationEnabled{Enabled: true}.Call(page))
	signInDemo(t, page)
	copyBench(t, page, fountain)
	assert.LessOrEqual(t, ask[float64](t, page, `() => document.documentElement.scrollWidth`), 390.0, "one column, nothing beside it")
	rule := one(t, page, `[role="slider"][aria-label="a"]`)
	require.NoError(t, rule.ScrollIntoView())
	box := rule.MustShape().Box()
	x, y := box.X+box.Width*0.1, box.Y+box.Height/2
	require.NoError(t, page.Touch.Start(&proto.InputTouchPoint{X: x, Y: y}))
	for k := 1.0; k <= 8; k++ {
		require.NoError(t, page.Touch.Move(&proto.InputTouchPoint{X: x + 10*k, Y: y}))
	}
	require.NoError(t, page.Touch.End())
	until(t, page, `async () => { const { a } = await parvix.values(); return a > -1.5 && a < -0.7; }`)
	for _, e := range page.MustElements(".dial .key") {
		assert.GreaterOrEqual(t, e.MustShape().Box().Height, 36.0, "a key is a target for a finger")
	}
}
