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
		benchOf(lamp)(t, page)
		goTo(t, page, "/desk/"+ask[string](t, page, `() => location.pathname.split('/').at(-1)`))
		one(t, page, ".note")
	}},
}

func benchOf(title string) func(t *testing.T, page *rod.Page) {
	return func(t *testing.T, page *rod.Page) { copyBench(t, page, title) }
}

// Axe finds nothing on any screen, nor in any menu, sheet, list or form that opens from it. What is looked at is found by itself: whatever
// says that something opens there is opened, one of each sort. Each screen is looked at in one size and one theme, with -everyway in all.
func TestNoStateShutsAnyoneOut(t *testing.T) {
	seen := []string{}
	for k, from := range standpoints {
		opened := map[string]bool{}
		for way := range len(stateSizes) * len(stateThemes) {
			size, key := stateSizes[way%3], stateThemes[way/3]
			if !*everyWay && way != (k+3*(k/3))%9 {
				continue
			}
			t.Run(fmt.Sprintf("%s at %d×%d, %s", from.name, size[0], size[1], key), func(t *testing.T) {
				page := visit(t, size[0], size[1])
				signInDemo(t, page)
				_, err := page.EvalOnNewDocument(fmt.Sprintf("localStorage.setItem('parvix-theme', %q)", key))
				require.NoError(t, err)
				from.reach(t, page)
				until(t, page, `key => document.documentElement.dataset.theme === key`, key)
				assertAccessible(t, page, from.name)
				opened[from.name] = true
				for _, name := range openers(t, page) {
					if openIt(t, page, name) {
						assertAccessible(t, page, from.name+": "+name)
						opened[from.name+": "+name] = true
					}
					closeIt(t, page, name)
				}
			})
		}
		for name := range opened {
			seen = append(seen, name)
		}
	}
	slices.Sort(seen)
	t.Logf("%d states:\n%s", len(seen), strings.Join(seen, "\n"))
	assert.GreaterOrEqual(t, len(seen), 60)
}

// closedOpeners finds what opens something and is in sight and closed, by its words.
const closedOpeners = `
	const words = e => (e.getAttribute('aria-label') ?? e.textContent).trim().replace(/\s+/g, ' ');
	const openers = [...document.querySelectorAll('button[aria-haspopup], button[aria-expanded], summary, .says')]
		.filter(e => e.getClientRects().length && !e.disabled && e.getAttribute('aria-expanded') !== 'true' && !e.closest('[inert], [role=menu], [role=dialog]'));`

// openers are the words of what opens something on a page; of several of a sort, as “What to do with f” and “… with g”, the first.
func openers(t *testing.T, page *rod.Page) []string {
	t.Helper()
	return ask[[]string](t, page, `() => {`+closedOpeners+`
		const sorts = new Map();
		const entries = Object.fromEntries([...(parvix.document?.()?.shown ?? []), ...(parvix.document?.()?.stated ?? [])].map(e => [e.id, e.kind]));
		for (const e of openers) {
			const sort = e.matches('.says') ? 'form ' + entries[e.closest('[data-entry]')?.dataset.entry] : words(e).replace(/ (with|of) .*/, '').replace(/^How .* sweeps$/, 'How it sweeps');
			if (!sorts.has(sort)) sorts.set(sort, words(e));
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

// closeIt closes what is open, as a person does: by Escape, else at the same place.
func closeIt(t *testing.T, page *rod.Page, name string) {
	t.Helper()
	press(t, page, input.Escape)
	ask[any](t, page, `() => {
		const open = window.opener;
		if (open?.isConnected && (open.getAttribute('aria-expanded') === 'true' || open.closest('details[open]') && open.matches('summary'))) open.click();
	}`)
	until(t, page, `() => !document.querySelector('[role=menu]')?.getClientRects().length`)
}
