package view_test

import (
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
