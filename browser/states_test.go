package browser

import (
	"flag"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/export/theme"
)

var everyWay = flag.Bool("everyway", false, "look at every state in all sizes and all themes, not in one of each")

// The sizes and themes in which states are looked at.
var (
	stateSizes  = [][2]int{{1280, 800}, {390, 844}, {800, 1280}}
	stateThemes = []string{theme.Paper.Key, theme.Board.Key, theme.Strong.Key}
)

// standpoint is a screen from which more opens.
type standpoint struct {
	name  string
	reach func(t *testing.T, page *rod.Page)
}

// standpoints are the screens of the product, with a demonstration of each field.
var standpoints = []standpoint{
	{"the first page", func(t *testing.T, page *rod.Page) {
		require.NoError(t, proto.NetworkClearBrowserCookies{}.Call(page))
		goTo(t, page, "/")
		saying(t, page, "button", "Look around as the demo teacher")
	}},
	{"the shelf", func(t *testing.T, page *rod.Page) { openShelf(t, page) }},
	{"an empty bench", func(t *testing.T, page *rod.Page) { newBench(t, page) }},
	{"a mistake", func(t *testing.T, page *rod.Page) {
		newBench(t, page)
		write(t, one(t, page, `input[aria-label="Statement"]`), "f(x) = 3x + )")
		press(t, page, input.Enter)
		one(t, page, ".problem")
	}},
	{"a point read off", func(t *testing.T, page *rod.Page) {
		benchOf(fountain)(t, page)
		require.NoError(t, one(t, page, ".plane").Focus())
		press(t, page, 'r')
		one(t, page, ".card[role=dialog]")
	}},
	{"functions", benchOf("The beam on the sea wall")},
	{"the circle", benchOf(lamp)},
	{"polar curves", benchOf("The harbour master's flower bed")},
	{"parametric curves", benchOf("A wheel on the quay")},
	{"a family", benchOf("The fog horn fades")},
	{"data", benchOf("A slip in the tide table")},
	{"space", benchOf("The sea bed before the mole")},
	{"a curve in space", benchOf("The gull's flight")},
	{"the data desk", func(t *testing.T, page *rod.Page) {
		benchOf("A slip in the tide table")(t, page)
		pullUp(t, page)
		click(t, saying(t, page, "[aria-label=Stated] button", "^open the table|^table"))
		one(t, page, `[data-cell="0/0"]`)
	}},
	{"presenting", func(t *testing.T, page *rod.Page) {
		benchOf("The float in the tide gauge")(t, page)
		click(t, saying(t, page, ".head button", "^Present$"))
		one(t, page, ".board-bar")
		drawn(t, page)
	}},
	{"the teacher's window", func(t *testing.T, page *rod.Page) {
		board := sibling(t, page)
		benchOf(lamp)(t, board)
		goTo(t, page, "/desk/"+ask[string](t, board, `() => location.pathname.split('/').at(-1)`))
		one(t, page, ".note")
	}},
}

// benchOf opens a demonstration of its own; the shelf lists the newest only, and those of the demo data are the oldest.
func benchOf(title string) func(t *testing.T, page *rod.Page) {
	return func(t *testing.T, page *rod.Page) {
		list := demoDocuments(t)
		at := slices.IndexFunc(list, func(d *document.Document) bool { return d.Title == title })
		require.GreaterOrEqual(t, at, 0, title)
		goTo(t, page, "/bench/"+importDocument(t, page, list[at]))
		drawn(t, page)
	}
}

// Axe finds nothing on any screen, nor in any menu, sheet, list or form that opens from it. What is looked at is found by itself: whatever
// says that something opens there is opened, one of each sort. Each is looked at in one size and one theme, with -everyway in all.
func TestNoStateShutsAnyoneOut(t *testing.T) {
	states := []string{}
	looked := map[string]bool{}
	for k, from := range standpoints {
		for way := range len(stateSizes) * len(stateThemes) {
			size, key := stateSizes[way%3], stateThemes[way/3]
			if !*everyWay && way != (k+3*(k/3))%9 {
				continue
			}
			of := "" // in which way a sort was looked at, where it is in each
			if *everyWay {
				of = fmt.Sprint(way)
			}
			t.Run(fmt.Sprintf("%s at %d×%d, %s", from.name, size[0], size[1], key), func(t *testing.T) {
				page := visit(t, size[0], size[1])
				signInDemo(t, page)
				_, err := page.EvalOnNewDocument(fmt.Sprintf("localStorage.setItem('parvix-theme', %q)", key))
				require.NoError(t, err)
				from.reach(t, page)
				until(t, page, `key => document.documentElement.dataset.theme === key`, key)
				assertAccessible(t, page, from.name)
				states = append(states, from.name)
				pullUp(t, page)
				for _, o := range openers(t, page) {
					if looked[of+o.Sort] || !openIt(t, page, o.Words) {
						continue
					}
					looked[of+o.Sort] = true
					assertAccessible(t, page, from.name+": "+o.Words)
					states = append(states, from.name+": "+o.Sort)
					closeIt(t, page)
				}
			})
		}
	}
	slices.Sort(states)
	states = slices.Compact(states)
	t.Logf("%d states:\n%s", len(states), strings.Join(states, "\n"))
	assert.GreaterOrEqual(t, len(states), 60)
}

// closedOpeners finds what opens something and is in sight and closed, by its words.
const closedOpeners = `
	const words = e => (e.getAttribute('aria-label') ?? e.textContent).trim().replace(/\s+/g, ' ');
	const openers = [...document.querySelectorAll('button[aria-haspopup], button[aria-expanded], summary, .says, .board-bar [aria-pressed]')]
		.filter(e => e.getClientRects().length && !e.disabled && e.getAttribute('aria-expanded') !== 'true' && e.getAttribute('aria-pressed') !== 'true' && !e.closest('[inert], [role=menu], [role=dialog]'));`

// opener is something that opens something: its words, and its sort without the names of what it is about.
type opener struct{ Words, Sort string }

// openers are those on a page; of several of a sort, as “What to do with f” and “… with g”, the first.
func openers(t *testing.T, page *rod.Page) []opener {
	t.Helper()
	return ask[[]opener](t, page, `() => {`+closedOpeners+`
		const sorts = new Map();
		const entries = Object.fromEntries([...(parvix.document?.()?.shown ?? []), ...(parvix.document?.()?.stated ?? [])].map(e => [e.id, e.kind]));
		for (const e of openers) {
			const entry = e.closest('[data-entry]')?.dataset.entry;
			const Sort = entry ? (e.matches('.says') ? 'the form of ' : e.matches('[aria-haspopup]') ? 'what to do with ' : words(e) + ' of ') + (entries[entry] ?? 'a text') :
				e.matches('.dial *') ? e.className : words(e).replace(/ (with|of) .*/, '').replace(/^what .* does$/, 'what a dial does').replace(/\d+/g, 'n');
			if (!sorts.has(Sort)) sorts.set(Sort, { Words: words(e), Sort });
		}
		return [...sorts.values()];
	}`)
}

// openIt opens something by its words; false where it is not in sight any more.
func openIt(t *testing.T, page *rod.Page, name string) bool {
	t.Helper()
	atRest(t, page)
	found := ask[bool](t, page, `name => {`+closedOpeners+`
		window.opener = openers.find(e => words(e) === name);
		window.opener?.scrollIntoView({ block: 'nearest' });
		window.opener?.focus();
		window.opener?.click();
		return !!window.opener;
	}`, name)
	atRest(t, page)
	return found
}

// closeIt closes what is open, as a person does: by Escape, else at the same place. Escape on the board would leave it.
func closeIt(t *testing.T, page *rod.Page) {
	t.Helper()
	if !ask[bool](t, page, `() => !!window.opener?.closest('.board-bar')`) {
		press(t, page, input.Escape)
	}
	ask[any](t, page, `() => {
		const open = window.opener;
		const isOpen = ['aria-expanded', 'aria-pressed'].some(state => open?.getAttribute(state) === 'true') || open?.matches('details[open] > summary');
		if (open?.isConnected && isOpen) open.click();
	}`)
	until(t, page, `() => !document.querySelector('[role=menu]')?.getClientRects().length`)
}

// Axe finds nothing in the forms of what can be shown on the stage, each before anything is filled in and with what is missing told.
func TestTheFormsOfEverythingShownShutNobodyOut(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x) = x² − 1")
	const label = "Show something on the stage"
	l.open(label)
	menuItem(t, l.page, "a ")
	items := ask[[]string](t, l.page, `() => [...document.querySelectorAll('[role=menu] [role^=menuitem]:not([aria-disabled=true])')]
		.filter(e => e.getClientRects().length).map(e => e.textContent.trim())`)
	press(t, l.page, input.Escape)
	assert.Greater(t, len(items), 12)
	for _, item := range items {
		l.open(label)
		l.item(item)
		until(t, l.page, `() => !!document.querySelector('.entry-form, [aria-label="Statement"], .desk') || parvix.document().shown.length > 1`)
		drawn(t, l.page)
		assertAccessible(t, l.page, item)
		if l.page.MustHas(".entry-form") {
			press(t, l.page, input.Enter)
			atRest(t, l.page)
			assertAccessible(t, l.page, item+", with what is missing")
			press(t, l.page, input.Escape)
			atRest(t, l.page)
			if !l.page.MustHas(".entry-form") {
				continue
			}
		}
		goTo(t, l.page, ask[string](t, l.page, `() => location.pathname`))
		drawn(t, l.page)
	}
}
