package browser

import (
	"cmp"
	"fmt"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// byTouch makes a page one that is touched.
func byTouch(t *testing.T, page *rod.Page, width, height int) {
	t.Helper()
	points := 5
	require.NoError(t, proto.EmulationSetTouchEmulationEnabled{Enabled: true, MaxTouchPoints: &points}.Call(page))
	require.NoError(t, proto.EmulationSetDeviceMetricsOverride{Width: width, Height: height, DeviceScaleFactor: 1, Mobile: true}.Call(page))
}

// moveFingers puts fingers down, moves each from its first place to its second one, and lifts them.
func moveFingers(t *testing.T, page *rod.Page, fingers ...[2]proto.Point) {
	t.Helper()
	touch := func(kind proto.InputDispatchTouchEventType, share float64, fingers [][2]proto.Point) {
		t.Helper()
		places := []*proto.InputTouchPoint{}
		for k, f := range fingers {
			id := float64(k)
			places = append(places, &proto.InputTouchPoint{X: f[0].X + (f[1].X-f[0].X)*share, Y: f[0].Y + (f[1].Y-f[0].Y)*share, ID: &id})
		}
		require.NoError(t, proto.InputDispatchTouchEvent{Type: kind, TouchPoints: places}.Call(page))
	}
	for k := range fingers {
		touch("touchStart", 0, fingers[:k+1])
	}
	for k := 1.0; k <= 10; k++ {
		touch("touchMove", k/10, fingers)
	}
	touch("touchEnd", 1, nil)
}

func swipe(t *testing.T, page *rod.Page, x, from, to float64) {
	t.Helper()
	moveFingers(t, page, [2]proto.Point{{X: x, Y: from}, {X: x, Y: to}})
}

// pullUp opens the folio's sheet where it is one, as on a phone.
func pullUp(t *testing.T, page *rod.Page) {
	t.Helper()
	if ask[bool](t, page, `() => [...document.querySelectorAll('.grip[aria-expanded=false]')].some(e => e.getClientRects().length > 0)`) {
		click(t, one(t, page, ".grip"))
		one(t, page, ".grip[aria-expanded=true]")
	}
}

// On a phone the folio is a sheet at the lower edge: a tap pulls it up half way, so that the stage stays in sight above it, a finger on
// its grip all the way up and down again; a formula is opened in it by itself.
func TestOnAPhoneTheFolioIsASheetThatIsPulledUp(t *testing.T) {
	page := visit(t, 390, 844)
	signInDemo(t, page)
	byTouch(t, page, 390, 844)
	copyBench(t, page, fountain)
	sheet := func() [2]float64 {
		return ask[[2]float64](t, page, `() => { const b = document.querySelector('.folio').getBoundingClientRect(); return [b.top, b.bottom]; }`)
	}
	assert.InDelta(t, 844, sheet()[1], 1, "at the lower edge")
	assert.Less(t, sheet()[1]-sheet()[0], 60.0, "only its grip is in sight")
	assert.False(t, ask[bool](t, page, `() => document.querySelector('[aria-label=Stated]').checkVisibility()`), "and nothing in it is come to by Tab")
	click(t, one(t, page, ".grip"))
	until(t, page, `() => document.querySelector('.stage').getBoundingClientRect().bottom <= document.querySelector('.folio').getBoundingClientRect().top + 1`)
	saying(t, page, ".folio button", "^findings$")
	grip := func(to float64) {
		t.Helper()
		from := sheet()[0] + 20
		moveFingers(t, page, [2]proto.Point{{X: 195, Y: from}, {X: 195, Y: to}})
	}
	grip(40)
	until(t, page, `() => document.querySelector('.folio').getBoundingClientRect().top < 120`)
	grip(820)
	until(t, page, `() => document.querySelector('.folio').getBoundingClientRect().top > 780`)
	assert.Equal(t, "false", *one(t, page, ".grip").MustAttribute("aria-expanded"))
	newBench(t, page)
	until(t, page, `() => document.activeElement.getAttribute('aria-label') === 'Statement'`)
	write(t, one(t, page, `input[aria-label="Statement"]`), "f(x) = a x²")
	press(t, page, input.Enter)
	one(t, page, ".grip[aria-expanded=false]")
	until(t, page, `() => document.querySelector('.dial [role=slider]').getBoundingClientRect().bottom < document.querySelector('.folio').getBoundingClientRect().top`)
}

// Two fingers on a phone zoom where they are and move what is seen, a plane as well as space, which they do not turn; the page stays
// where it is.
func TestTwoFingersZoomAndMove(t *testing.T) {
	for _, title := range []string{lamp, "The sea bed before the mole"} {
		page := visit(t, 390, 844)
		signInDemo(t, page)
		byTouch(t, page, 390, 844)
		copyBench(t, page, title)
		box := one(t, page, ".plane").MustShape().Box()
		x, y := box.X+box.Width/2, box.Y+box.Height/2
		first := seen(t, page)
		fingers := func(from, to [2]float64, dx, dy float64) {
			moveFingers(t, page, [2]proto.Point{{X: x - from[0], Y: y - from[1]}, {X: x - to[0] + dx, Y: y - to[1] + dy}},
				[2]proto.Point{{X: x + from[0], Y: y + from[1]}, {X: x + to[0] + dx, Y: y + to[1] + dy}})
			drawn(t, page)
		}
		fingers([2]float64{30, 30}, [2]float64{60, 60}, 0, 0)
		near := seen(t, page)
		fingers([2]float64{40, 0}, [2]float64{40, 0}, 0, 60)
		moved := seen(t, page)
		assert.Zero(t, ask[float64](t, page, `() => window.scrollY`), "%s: the page stays", title)
		if first.Space == nil {
			wide := first.Right - first.Left
			assert.InDelta(t, 2, wide/(near.Right-near.Left), 0.1, "twice as near")
			assert.InDelta(t, (first.Left+first.Right)/2, (near.Left+near.Right)/2, 0.05*wide, "about the middle of both fingers")
			assert.InDelta(t, near.Right-near.Left, moved.Right-moved.Left, 0.01*wide, "as near as before")
			assert.InDelta(t, 60, (moved.Top-near.Top)/(moved.Top-moved.Bottom)*moved.Height, 3, "moved with the fingers")
			continue
		}
		zoom := func(w window) float64 { return cmp.Or(w.Space.Zoom, 1) }
		assert.InDelta(t, 2, zoom(near)/zoom(first), 0.1, "twice as near")
		assert.InDelta(t, zoom(near), zoom(moved), 0.02*zoom(near), "as near as before")
		assert.InDelta(t, 60, (near.Space.Up-moved.Space.Up)*min(moved.Width, moved.Height), 3, "moved with the fingers")
		assert.Equal(t, [2]float64{first.Space.Turn, first.Space.Tilt}, [2]float64{moved.Space.Turn, moved.Space.Tilt}, "not turned")
	}
}

// On a phone the stage stays in sight while the page is scrolled, a finger on the plane scrolls it, and what is touched is large enough.
func TestOnAPhoneTheStageStaysInSight(t *testing.T) {
	page := visit(t, 390, 844)
	signInDemo(t, page)
	byTouch(t, page, 390, 844)
	copyBench(t, page, lamp)
	drawn(t, page)
	box := one(t, page, ".plane").MustShape().Box()
	w := seen(t, page)
	swipe(t, page, box.X+box.Width/2, box.Y+box.Height-20, box.Y-200)
	until(t, page, `() => window.scrollY > 100`)
	assert.Equal(t, w, seen(t, page), "the page was scrolled, not the plane")
	until(t, page, `() => Math.abs(document.querySelector('.stage').getBoundingClientRect().top) < 1`)
	assert.Less(t, ask[float64](t, page, `() => document.querySelector('.dial').getBoundingClientRect().top`), 844.0)
	assert.Empty(t, ask[[]string](t, page, `() => [...document.querySelectorAll('button, input, select, summary, [role=slider]')]
		.filter(e => e.getClientRects().length && !e.closest('.katex, .only-spoken'))
		.filter(e => { const b = e.getBoundingClientRect(); return b.width > 1 && (b.width < 43.9 || b.height < 43.9); })
		.map(e => e.className + ' ' + (e.getAttribute('aria-label') ?? e.textContent).trim())`))
}

// Panels stand where there is room for them: beside each other on a laptop, one above the other on a tablet held upright; on a phone on
// its side the dials stand beside the stage, and nothing is covered.
func TestEveryScreenHasALayoutOfItsOwn(t *testing.T) {
	for _, size := range [][2]int{{320, 640}, {360, 740}, {430, 932}, {844, 390}, {640, 400}, {800, 1280}, {1024, 640}} {
		page := visit(t, size[0], size[1])
		signInDemo(t, page)
		copyBench(t, page, lamp)
		drawn(t, page)
		where := fmt.Sprint(size)
		for _, presented := range []bool{false, true} {
			if presented {
				click(t, saying(t, page, ".head button", "^Present$"))
				drawn(t, page)
			}
			planes := ask[[][]float64](t, page, `() => [...document.querySelectorAll('.plane')].map(p => [p.clientWidth, p.clientHeight])`)
			for _, p := range planes {
				assert.GreaterOrEqual(t, p[0], 150.0, "%s: a plane is wide enough", where)
				assert.GreaterOrEqual(t, p[1], 180.0, "%s: a plane is high enough", where)
			}
			assert.Empty(t, ask[[]string](t, page, `() => document.documentElement.scrollWidth <= innerWidth ? [] :
				[...document.querySelectorAll('.bench > *')].filter(e => e.getBoundingClientRect().right > innerWidth + 1).map(e => e.className)`), "%s: nothing lies beside the page", where)
		}
		assertAccessible(t, page, "presenting at "+where)
	}
}
