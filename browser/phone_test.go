package browser

import (
	"fmt"
	"testing"

	"github.com/go-rod/rod"
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

func swipe(t *testing.T, page *rod.Page, x, from, to float64) {
	t.Helper()
	touch := func(kind proto.InputDispatchTouchEventType, places ...*proto.InputTouchPoint) {
		t.Helper()
		require.NoError(t, proto.InputDispatchTouchEvent{Type: kind, TouchPoints: append([]*proto.InputTouchPoint{}, places...)}.Call(page))
	}
	touch("touchStart", &proto.InputTouchPoint{X: x, Y: from})
	for k := 1.0; k <= 10; k++ {
		touch("touchMove", &proto.InputTouchPoint{X: x, Y: from + (to-from)*k/10})
	}
	touch("touchEnd")
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
	for _, size := range [][2]int{{360, 740}, {430, 932}, {844, 390}, {640, 400}, {800, 1280}, {1024, 640}} {
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
