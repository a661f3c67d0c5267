package view_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

func panel(equal bool) *document.Panel {
	return &document.Panel{Kind: document.Plane, EqualScales: equal, Window: document.Window{Left: -6, Right: 6, Bottom: -3, Top: 3}}
}

// A hand that takes the number 4, at pixel 1000 of 1200, to pixel 800 leaves 0 where it is: 4 is at 800 then.
func TestAStretchedAxisBringsANumberUnderTheHand(t *testing.T) {
	w := view.Stretched(panel(true), 1200, 600, false, 1000, 800)
	p := panel(false)
	p.Window = w
	v := view.Seen(p, 1200, 600)
	assert.InDelta(t, 800, v.X(4), 1e-9)
	assert.InDelta(t, 600, v.X(0), 1e-9)
	assert.Equal(t, [2]float64{-3, 3}, [2]float64{w.Bottom, w.Top}, "the other axis stays")
	w = view.Stretched(panel(true), 1200, 600, true, 100, 200)
	p.Window = w
	assert.InDelta(t, 200, view.Seen(p, 1200, 600).Y(2), 1e-9)
}

func TestAnAxisIsNotPulledOverItsOrigin(t *testing.T) {
	p := panel(false)
	assert.Equal(t, p.Window, view.Stretched(p, 1200, 600, false, 1000, 500))
	assert.Equal(t, p.Window, view.Stretched(p, 1200, 600, false, 1000, 601))
}

// With equal scales the ends that were typed are those of the window, and the other axis follows about its middle.
func TestTypedEndsOfEitherAxisCount(t *testing.T) {
	w := view.Typed(panel(true), document.Window{Left: -12, Right: 12, Bottom: -3, Top: 3}, 1200, 600)
	assert.Equal(t, document.Window{Left: -12, Right: 12, Bottom: -6, Top: 6}, w)
	w = view.Typed(panel(true), document.Window{Left: -6, Right: 6, Bottom: 0, Top: 6}, 1200, 600)
	assert.Equal(t, document.Window{Left: -6, Right: 6, Bottom: 0, Top: 6}, w)
	w = view.Typed(panel(true), document.Window{Left: -6, Right: 6, Bottom: -1, Top: 1}, 1200, 600)
	assert.Equal(t, document.Window{Left: -2, Right: 2, Bottom: -1, Top: 1}, w)
	typed := document.Window{Left: 0, Right: 1, Bottom: 5, Top: 50}
	assert.Equal(t, typed, view.Typed(panel(false), typed, 1200, 600))
}

func TestASegmentIsCutToARectangle(t *testing.T) {
	first, last, is := view.Cut(-10, 5, 30, 5, 0, 0, 10, 10)
	assert.True(t, is)
	assert.InDelta(t, 0.25, first, 1e-12)
	assert.InDelta(t, 0.5, last, 1e-12)
	for _, outside := range [][4]float64{{-10, 20, 30, 20}, {-5, 3, 3, -9}, {11, 0, 11, 10}} {
		_, _, is = view.Cut(outside[0], outside[1], outside[2], outside[3], 0, 0, 10, 10)
		assert.False(t, is, outside)
	}
	_, _, is = view.Cut(2, 2, 3, 3, 0, 0, 10, 10)
	assert.True(t, is, "one inside is kept whole")
}

// With equal scales a unit is as many pixels across as up, whatever shape the panel has, and all of the window stays in sight.
func TestEqualScalesKeepAllOfTheWindowInSight(t *testing.T) {
	for _, size := range [][2]float64{{1200, 600}, {300, 900}, {800, 800}, {390, 300}} {
		v := view.Seen(panel(true), size[0], size[1])
		assert.InDelta(t, v.X(1)-v.X(0), v.Y(0)-v.Y(1), 1e-9, size)
		for _, corner := range [][2]float64{{-6, -3}, {6, 3}, {-6, 3}} {
			assert.True(t, v.Sees(corner[0], corner[1]), "%v in %v", corner, size)
		}
		assert.InDelta(t, 0, v.AtX(size[0]/2), 1e-9, "about its middle")
	}
	degrees := panel(true)
	degrees.TicksX = document.TicksInDegrees
	degrees.Window = document.Window{Left: -180, Right: 180, Bottom: -1, Top: 1}
	v := view.Seen(degrees, 1200, 600)
	assert.InDelta(t, v.X(180)-v.X(0), math.Pi*(v.Y(0)-v.Y(1)), 1e-9, "half a turn is as long as π")
}

// Pixels and places are each other's inverse, whatever the window.
func TestPixelsAndPlacesAreInverse(t *testing.T) {
	for _, w := range []document.Window{{Left: -6, Right: 6, Bottom: -3, Top: 3}, {Left: 1e-4, Right: 2e-4, Bottom: -1e6, Top: 5}, {Left: 100, Right: 101, Bottom: 0, Top: 1e-3}} {
		v := view.View{Window: w, Width: 915, Height: 560}
		for _, px := range []float64{0, 1, 333.25, 915} {
			assert.InDelta(t, px, v.X(v.AtX(px)), 1e-6)
			assert.InDelta(t, px, v.Y(v.AtY(px)), 1e-6)
		}
	}
}

// What is under the pointer stays under it when the window is zoomed, and zooming back gives the window of before.
func TestTheWindowIsZoomedAboutThePointer(t *testing.T) {
	p := panel(false)
	before := view.Seen(p, 1200, 600)
	x, y := before.AtX(900), before.AtY(150)
	p.Window = view.Zoom(p, 1200, 600, 900, 150, 0.25)
	after := view.Seen(p, 1200, 600)
	assert.InDelta(t, 900, after.X(x), 1e-9)
	assert.InDelta(t, 150, after.Y(y), 1e-9)
	assert.InDelta(t, 3, after.Right-after.Left, 1e-12, "a quarter of it")
	back := view.Zoom(p, 1200, 600, 900, 150, 4)
	assert.InDelta(t, -6, back.Left, 1e-12)
	assert.InDelta(t, 3, back.Top, 1e-12)
}

// A window that would be too narrow or too wide for numbers is not taken: the one of before stands.
func TestAWindowIsNeverTooNarrowOrTooWide(t *testing.T) {
	for _, factor := range []float64{1e-9, 1e12, math.NaN(), 0} {
		p := panel(false)
		assert.Equal(t, p.Window, view.Zoom(p, 1200, 600, 10, 10, factor), factor)
	}
	far := panel(false)
	far.Window = document.Window{Left: 1e15, Right: 1e15 + 12, Bottom: -3, Top: 3}
	assert.Equal(t, far.Window, view.Zoom(far, 1200, 600, 600, 300, 1e-4), "numbers that cannot be told apart")
}

// A hand that moves the plane by 100 pixels of 1200 over 12 units moves it by one unit, the other way than the window goes.
func TestThePlaneGoesWithTheHand(t *testing.T) {
	w := view.Pan(panel(false), 1200, 600, 100, -50)
	assert.InDeltaSlice(t, []float64{-7, 5, -3.5, 2.5}, []float64{w.Left, w.Right, w.Bottom, w.Top}, 1e-12)
}

// A dragged point lies on round places that are about two pixels apart, never finer than a hand can tell.
func TestTheGrainIsARoundStepOfAboutTwoPixels(t *testing.T) {
	for _, across := range []float64{12, 1, 0.03, 3000, 7.5} {
		v := view.View{Window: document.Window{Left: 0, Right: across, Bottom: 0, Top: 1}, Width: 1000, Height: 500}
		grain := v.Grain()
		assert.InDelta(t, math.Round(math.Log10(grain)), math.Log10(grain), 1e-9, "a power of ten")
		pixels := grain / across * 1000
		assert.GreaterOrEqual(t, pixels, 2-1e-9)
		assert.Less(t, pixels, 20.0)
	}
}

// Lines are followed a little beyond the edge, and no further.
func TestLinesAreFollowedALittleBeyondTheEdge(t *testing.T) {
	v := view.Seen(panel(false), 400, 300)
	assert.True(t, v.Near(-view.Margin, 300+view.Margin))
	assert.False(t, v.Near(-view.Margin-1, 10))
	assert.False(t, v.Near(10, 301+view.Margin))
	assert.False(t, v.Sees(6.01, 0))
	assert.True(t, v.Sees(6, -3))
}
