package browser

import (
	"fmt"
	"math"
	"regexp"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// What is pressed, turned, typed into or looked at has a name of its own (WCAG 2.2, 4.1.2).
var named = map[string]bool{"button": true, "slider": true, "link": true, "textbox": true, "checkbox": true, "radio": true, "switch": true,
	"combobox": true, "menuitem": true, "tab": true, "spinbutton": true, "image": true, "dialog": true}

// unheard is what nobody should hear: a value that is none, or the signs of a typesetter.
var unheard = regexp.MustCompile(`undefined\b|NaN|\[object|\\[a-z]+|[{}$]|Infinity`)

// node is one of the accessibility tree.
type node struct{ role, name, value string }

// heard reads the accessibility tree of a page.
func heard(t *testing.T, page *rod.Page) (list []node) {
	t.Helper()
	tree, err := proto.AccessibilityGetFullAXTree{}.Call(page)
	require.NoError(t, err)
	text := func(v *proto.AccessibilityAXValue) string {
		if v == nil {
			return ""
		}
		return v.Value.Str()
	}
	for _, n := range tree.Nodes {
		if n.Ignored {
			continue
		}
		list = append(list, node{role: text(n.Role), name: strings.TrimSpace(text(n.Name)), value: text(n.Value)})
	}
	return list
}

// All demonstrations are gone through as somebody does who neither sees nor points: every scene by its key while presenting, each thing named
// without holes, every dial told as a number.
func TestAllScenesAreWalkedByKeyAndHeard(t *testing.T) {
	for _, d := range demoDocuments(t) {
		t.Run(d.Title, func(t *testing.T) { walked(t, d) })
	}
}

// walked goes through the scenes of one demonstration, on a page of its own.
func walked(t *testing.T, d *document.Document) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	goTo(t, page, "/bench/"+importDocument(t, page, d))
	drawn(t, page)
	focusOn(t, page, "Present")
	press(t, page, input.Enter)
	until(t, page, `() => !!document.querySelector('.bench.presenting')`)
	for scene := range d.Scenes {
		if scene > 0 {
			press(t, page, input.PageDown)
		}
		if len(d.Scenes) > 1 {
			following := "The last scene"
			if scene+1 < len(d.Scenes) {
				following = "The next scene: " + d.Scenes[scene+1].Name
			}
			until(t, page, `label => [...document.querySelectorAll('button')].some(b => b.getAttribute('aria-label') === label)`, following)
		}
		drawn(t, page)
		assertHeard(t, page, fmt.Sprintf("scene %d", scene+1))
	}
	dialsByKey(t, page)
	press(t, page, input.Escape)
	until(t, page, `() => !document.querySelector('.bench.presenting')`)
}

// assertHeard holds that all of a presented scene is told, and nothing that is none.
func assertHeard(t *testing.T, page *rod.Page, where string) {
	t.Helper()
	panels := 0
	for _, n := range heard(t, page) {
		assert.False(t, named[n.role] && n.name == "", "%s: a %s without a name", where, n.role)
		assert.Empty(t, unheard.FindString(n.name+" "+n.value), "%s: the %s “%s” “%s”", where, n.role, n.name, n.value)
		if strings.HasPrefix(n.name, "Plane. ") || strings.HasPrefix(n.name, "Circle. ") || strings.HasPrefix(n.name, "Space. ") {
			panels++
		}
	}
	assert.Positive(t, panels, "%s: a panel is named", where)
	// The tree that the browser hands out leaves the text of a value out; it is an attribute.
	for _, value := range ask[[]string](t, page, `() => [...document.querySelectorAll('.deck [role=slider]')].map(e => e.getAttribute('aria-valuetext'))`) {
		assert.Regexp(t, `^[−-]?[0-9π√/.,]+°?$`, value, "%s: a dial tells a number", where)
	}
	// Between two scenes it glides.
	until(t, page, `async () => {
		const stand = await parvix.values();
		return [...document.querySelectorAll('.deck [role=slider]')].every(e => {
			const [now, low, high] = [e.ariaValueNow, e.ariaValueMin, e.ariaValueMax].map(Number);
			return low < high && Math.abs(now - stand[e.getAttribute('aria-label')]) <= 1e-5 * (high - low);
		});
	}`)
}

// focusOn goes on by Tab until what has this name has the focus.
func focusOn(t *testing.T, page *rod.Page, name string) {
	t.Helper()
	for range 200 {
		press(t, page, input.Tab)
		if ask[string](t, page, `() => (document.activeElement.getAttribute('aria-label') ?? document.activeElement.textContent).trim()`) == name {
			return
		}
	}
	require.Fail(t, "no key leads to "+name)
}

// dialsByKey moves each dial of the scene in sight by an arrow key, and back.
func dialsByKey(t *testing.T, page *rod.Page) {
	t.Helper()
	for _, name := range ask[[]string](t, page, `() => [...document.querySelectorAll('.deck [role=slider]')].filter(e => e.getClientRects().length && e.getAttribute('aria-disabled') !== 'true').map(e => e.getAttribute('aria-label'))`) {
		focusOn(t, page, name)
		before := values(t, page)[name]
		key, back := input.ArrowRight, input.ArrowLeft
		press(t, page, key)
		drawn(t, page)
		if math.Abs(values(t, page)[name]-before) < 1e-12 { // it stands at its upper end
			key, back = input.ArrowLeft, input.ArrowRight
			press(t, page, key)
			drawn(t, page)
		}
		assert.Greater(t, math.Abs(values(t, page)[name]-before), 1e-12, "the dial %s obeys the arrow keys", name)
		press(t, page, back)
		drawn(t, page)
	}
}
