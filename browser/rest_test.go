package browser

import (
	"slices"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/stretchr/testify/assert"
)

// counts are what a page has done since it was opened.
type counts struct{ Frames, Messages, Timers, DisplayFrames int }

// rest is how long after the last touch nothing may happen any more, and stretch how long that is watched.
const rest, stretch = 3 * time.Second, time.Second

// assertAtRest waits after the last touch and then holds that no page does anything. All are watched at once: that
// nothing happens can only be told after some time.
func assertAtRest(t *testing.T, pages map[string]*rod.Page, where string) {
	t.Helper()
	time.Sleep(rest)
	before, requests := map[string]counts{}, house.requests.Load()
	for title, page := range pages {
		assert.Equal(t, "visible", ask[string](t, page, `() => document.visibilityState`), "a hidden page would prove nothing")
		before[title] = ask[counts](t, page, `() => parvix.counts`)
	}
	time.Sleep(stretch)
	for title, page := range pages {
		assert.Equal(t, before[title], ask[counts](t, page, `() => parvix.counts`), "%s, %s", title, where)
	}
	assert.Equal(t, requests, house.requests.Load(), "requests while %s", where)
}

func TestAtRestNothingMovesOnAnyDemonstration(t *testing.T) {
	// So many at once as a machine with two processors opens within a page's time.
	const together = 6
	for batch := range slices.Chunk(demoDocuments(t), together) {
		t.Run(batch[0].Title, func(t *testing.T) {
			pages := map[string]*rod.Page{}
			for _, d := range batch {
				page := visit(t, 1280, 800)
				signInDemo(t, page)
				copyBench(t, page, d.Title)
				pages[d.Title] = page
			}
			assertAtRest(t, pages, "on the bench")
			for _, page := range pages {
				click(t, saying(t, page, "button", "^Present$"))
				drawn(t, page)
			}
			assertAtRest(t, pages, "presenting")
		})
	}
}

func TestAHiddenWindowSweepsNothingAndGoesOnWhereItWas(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[aria-label="Sweep k"]`))
	until(t, page, `async () => (await parvix.values()).k !== 0`)
	other := sibling(t, page)
	goTo(t, other, "/shelf")
	front(t, other)
	until(t, other, `() => document.visibilityState === 'visible'`)
	assert.Equal(t, "hidden", ask[string](t, page, `() => document.visibilityState`))
	before := ask[counts](t, page, `() => parvix.counts`)
	time.Sleep(stretch)
	// But for two pictures that are on their way, and the one with which what had moved comes to rest.
	assert.LessOrEqual(t, ask[counts](t, page, `() => parvix.counts`).Frames-before.Frames, 3)
	stood := values(t, page)["k"]
	front(t, page)
	until(t, page, `async (stood) => (await parvix.values()).k !== stood`, stood)
}

// A bench that is left in the middle of a move leaves nothing running on the shelf: no sweep, no timer of its formulas, no frame.
func TestABenchThatIsLeftLeavesTheShelfAtRest(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[aria-label="Sweep k"]`))
	until(t, page, `async () => (await parvix.values()).k !== 0`)
	ask[any](t, page, `async () => {
		const plane = document.querySelector('.plane');
		for (let i = 0; i < 12; i++) {
			plane.dispatchEvent(new WheelEvent('wheel', { deltaY: 20, clientX: 300, clientY: 300, bubbles: true, cancelable: true }));
			await new Promise(requestAnimationFrame);
		}
		[...document.querySelectorAll('a')].find(a => a.textContent.includes('Shelf')).click();
	}`)
	one(t, page, ".card")
	until(t, page, `() => location.pathname === '/shelf'`)
	assertAtRest(t, map[string]*rod.Page{"the shelf": page}, "after a bench was left")
}
