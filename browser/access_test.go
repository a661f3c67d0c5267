package browser

import (
	"os"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func writeFile(t *testing.T, name, text string) {
	t.Helper()
	require.NoError(t, os.WriteFile(name, []byte(text), 0o644))
}

type violation struct {
	ID, Help string
	Nodes    []struct{ HTML, FailureSummary string }
}

// assertAccessible runs axe-core (Deque Systems) for WCAG 2.2 A and AA.
func assertAccessible(t *testing.T, page *rod.Page, where string) {
	t.Helper()
	source, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	require.NoError(t, err)
	ask[any](t, page, `(s) => { (0, eval)(s); }`, string(source))
	// What is half gone, as a menu that fades, has half its contrast.
	until(t, page, `() => document.getAnimations().every(a => a.playState !== 'running' || a.effect.getTiming().iterations === Infinity)`)
	for _, v := range ask[[]violation](t, page, `async () => (await axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})).violations`) {
		for _, n := range v.Nodes {
			assert.Fail(t, where+": "+v.Help, "%s\n%s", n.HTML, n.FailureSummary)
		}
	}
}

func TestThePanelIsDescribedInWords(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	saying(t, page, ".only-spoken[role=status]", "The curve of f: f of x equals minus 0\\.6 times the square of x minus 3, plus 4\\.5\\..*Point V at \\(3, 4\\.5\\)\\.")
	click(t, one(t, page, `[aria-label="k one step down"]`))
	saying(t, page, ".only-spoken[role=status]", "Point V at \\(3, 4\\.4\\)\\.")
}

func TestTheKeyboardAloneReachesEverything(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	var reached []string
	for range 120 {
		press(t, page, input.Tab)
		reached = append(reached, ask[string](t, page, `() => {
			const e = document.activeElement;
			return (e.getAttribute('aria-label') ?? e.textContent).trim();
		}`))
	}
	for _, want := range []string{"Present", "Export", "↺ starting values", "Plane. Arrow keys move the window, plus and minus zoom, 0 fits, R reads a point off a curve, L lets a curve be heard.",
		"Point V; arrow keys move it, Enter tells where it is", "State a function or a parameter", "Write a text", "h", "Sweep t", "k one step up"} {
		assert.Contains(t, reached, want)
	}
}

// A curve is heard at a key: what its ticks mark is said too.
func TestACurveIsHeard(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	ask[any](t, page, `() => { window.tones = 0; const start = OscillatorNode.prototype.start;
		OscillatorNode.prototype.start = function (...at) { window.tones++; return start.apply(this, at); }; }`)
	require.NoError(t, one(t, page, ".plane").Focus())
	press(t, page, 'l')
	saying(t, page, ".only-spoken[role=status]", "f: zero, maximum, zero|f: zeros, maximum, zeros|f: zero.*zero")
	until(t, page, `() => window.tones === 4`)
}

// Where a moving point is, is told on request: at its handle, as it is now, again whenever it is asked for.
func TestAPointTellsWhereItIs(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	goTo(t, page, "/bench/"+importDocument(t, page, ofLines(t, "f(x) = x²", "P = (2, f(2))", "Q = (0.5, 1)")))
	drawn(t, page)
	require.NoError(t, one(t, page, `.handle[aria-label^="Point Q"]`).Focus())
	press(t, page, input.Enter)
	saying(t, page, ".only-spoken[role=status]", `^Point Q at \(0.5, 1\)\.$`)
	press(t, page, input.ArrowRight)
	press(t, page, input.Enter)
	saying(t, page, ".only-spoken[role=status]", `^Point Q at \(0.[6-9]\d*, 1\)\.$`)
}

// The first Tab offers ways past the head; keys of a single letter can be switched off (WCAG 2.2, 2.4.1 and 2.1.4).
func TestTheKeyboardGoesPastTheHead(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	drawn(t, page)
	press(t, page, input.Tab)
	saying(t, page, ".skips button:focus", "To the stage")
	press(t, page, input.Tab)
	saying(t, page, ".skips button:focus", "To the dials")
	press(t, page, input.Enter)
	until(t, page, `() => document.activeElement.getAttribute('role') === 'slider'`)

	click(t, one(t, page, `[aria-label="List of keys"]`))
	click(t, saying(t, page, ".keys label", "single letter"))
	click(t, one(t, page, `[aria-label="Close the list of keys"]`))
	require.NoError(t, one(t, page, ".plane").Focus())
	press(t, page, 'p')
	press(t, page, '?')
	drawn(t, page)
	assert.False(t, page.MustHas(".large-pointer"))
	assert.False(t, page.MustHas(".keys"))
	assert.Equal(t, "off", ask[string](t, page, `() => localStorage.getItem('parvix-keys')`))
}

// Whatever the Tab key comes to is in sight, not covered by anything, and wears a mark (WCAG 2.2, 2.4.7 and 2.4.11, numbers from memory).
func TestWhatHasTheFocusIsSeen(t *testing.T) {
	for _, size := range [][2]int{{1280, 800}, {390, 844}} {
		page := visit(t, size[0], size[1])
		signInDemo(t, page)
		copyBench(t, page, fountain)
		seen := map[string]bool{}
		for range 90 {
			press(t, page, input.Tab)
			// What comes into sight by the focus, as a panel's controls, takes its time.
			until(t, page, `() => document.getAnimations().every(a => a.playState !== 'running' || a.effect.getTiming().iterations === Infinity)`)
			name := ask[string](t, page, `() => {
				const e = document.activeElement;
				if (e === document.body) return '';
				const name = e.tagName + ' ' + (e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 60);
				const box = e.getBoundingClientRect();
				const at = [[0.5, 0.5], [0.2, 0.5], [0.8, 0.5], [0.5, 0.2], [0.5, 0.8]].map(([x, y]) => document.elementFromPoint(box.left + x * box.width, box.top + y * box.height));
				if (!at.some(top => top && (e.contains(top) || top.contains(e)))) return 'covered: ' + name;
				const marks = [e, ...e.querySelectorAll('*'), e.parentElement].map(m => [getComputedStyle(m), getComputedStyle(m, '::after')]).flat();
				if (!marks.some(s => (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) > 0) || s.boxShadow !== 'none')) return 'without a mark: ' + name;
				return name;
			}`)
			seen[name] = true
		}
		for name := range seen {
			assert.NotRegexp(t, "^(covered|without a mark)", name, "at %v", size)
		}
		assert.Greater(t, len(seen), 30, "the keyboard came around")
	}
}

// Lines, words and letters set wider by the reader take nothing away (WCAG 2.2, 1.4.12: lines 1.5, letters 0.12, words 0.16 of the type).
func TestWiderTextLosesNothing(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	ask[any](t, page, `() => {
		const wider = new CSSStyleSheet();
		wider.replaceSync('*:not(.katex, .katex *) { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }');
		document.adoptedStyleSheets = [...document.adoptedStyleSheets, wider];
	}`)
	drawn(t, page)
	assert.Empty(t, ask[[]string](t, page, `() => [...document.querySelectorAll('button, label, h1, h2, h3, p, li, .says, summary')]
		.filter(e => e.getClientRects().length && !e.closest('.only-spoken, .katex, canvas') && getComputedStyle(e).overflow !== 'visible' && getComputedStyle(e).textOverflow !== 'ellipsis')
		.filter(e => e.scrollWidth > e.clientWidth + 2 || e.scrollHeight > e.clientHeight + 2)
		.map(e => e.className + ' ' + e.textContent.trim().slice(0, 60))`), "nothing is cut off")
	assert.LessOrEqual(t, ask[float64](t, page, `() => document.documentElement.scrollWidth - innerWidth`), 0.0, "nothing lies beside the page")
}
