package browser

import (
	"fmt"
	"math"
	"testing"

	"github.com/go-rod/rod"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// What stands on the canvas is compared with points that are computed here, independently of the core.

// window is the part of the plane that is seen, as the page tells it, and the panel's size.
type window struct {
	Left, Right, Bottom, Top float64
	Width, Height            float64
	Space                    *document.Sight
}

func seen(t *testing.T, page *rod.Page) window {
	t.Helper()
	return seenOn(t, page, 0)
}

func seenOn(t *testing.T, page *rod.Page, panel int) window {
	t.Helper()
	return ask[window](t, page, `async (panel) => {
		const plane = document.querySelectorAll('.plane')[panel];
		const {width, height} = plane.getBoundingClientRect();
		return {...await parvix.window(panel), width, height};
	}`, panel)
}

// pixel turns a place of the plane into a pixel of the panel.
func (w window) pixel(x, y float64) [2]float64 {
	return [2]float64{(x - w.Left) / (w.Right - w.Left) * w.Width, (w.Top - y) / (w.Top - w.Bottom) * w.Height}
}

func (w window) holds(p [2]float64, margin float64) bool {
	return p[0] > margin && p[0] < w.Width-margin && p[1] > margin && p[1] < w.Height-margin
}

// ink counts, around each place, the pixels of a colour on what moves: those within reach.
func ink(t *testing.T, page *rod.Page, places [][2]float64, reach int, colour string) []int {
	t.Helper()
	return inkOn(t, page, 0, places, reach, colour)
}

func inkOn(t *testing.T, page *rod.Page, panel int, places [][2]float64, reach int, colour string) []int {
	t.Helper()
	return ask[[]int](t, page, `(panel, places, reach, colour) => {
		// The canvas itself belongs to the worker; what it shows can be copied.
		const shown = document.querySelectorAll('canvas.live')[panel];
		const pen = new OffscreenCanvas(shown.width, shown.height).getContext('2d');
		pen.drawImage(shown, 0, 0);
		const want = [1, 3, 5].map(i => parseInt(colour.slice(i, i + 2), 16));
		return places.map(([x, y]) => {
			const side = 2 * reach + 1;
			const data = pen.getImageData(Math.round(x) - reach, Math.round(y) - reach, side, side).data;
			let count = 0;
			for (let i = 0; i < data.length; i += 4) {
				if (data[i + 3] > 128 && want.every((v, k) => Math.abs(v - data[i + k]) < 40)) count++;
			}
			return count;
		});
	}`, panel, places, reach, colour)
}

// shadeOn is how much of the ground what moves covers at a place, from 0 to 255.
func shadeOn(t *testing.T, page *rod.Page, panel int, place [2]float64) int {
	t.Helper()
	return ask[int](t, page, `(panel, [x, y]) => {
		const shown = document.querySelectorAll('canvas.live')[panel];
		const pen = new OffscreenCanvas(shown.width, shown.height).getContext('2d');
		pen.drawImage(shown, 0, 0);
		return pen.getImageData(Math.round(x), Math.round(y), 1, 1).data[3];
	}`, panel, place)
}

// Hues of the theme (web/src/styles/theme.css).
const (
	hueF     = "#0b4f8c"
	hueTrace = "#8a5a00"
)

// assertDrawn holds that f is drawn in a colour wherever it is in sight, and nowhere else.
func assertDrawn(t *testing.T, page *rod.Page, colour string, f func(x float64) float64) {
	t.Helper()
	w := seen(t, page)
	var on, off [][2]float64
	var names []string
	for k := range 60 {
		x := w.Left + (w.Right-w.Left)*(float64(k)+0.5)/60
		place := w.pixel(x, f(x))
		if !w.holds(place, 30) {
			continue
		}
		// A place off the curve: a good way along its normal.
		const d = 1e-4
		slope := (w.pixel(x+d, f(x+d))[1] - w.pixel(x-d, f(x-d))[1]) / (w.pixel(x+d, 0)[0] - w.pixel(x-d, 0)[0])
		length := math.Hypot(1, slope)
		aside := [2]float64{place[0] - 14*slope/length, place[1] + 14/length}
		on = append(on, place)
		names = append(names, fmt.Sprintf("x = %.3f", x))
		if farFromCurve(w, aside, f) {
			off = append(off, aside)
		}
	}
	require.Greater(t, len(on), 7, "the curve should be in sight")
	covered := 0
	for i, count := range ink(t, page, on, 2, colour) {
		if count < 3 {
			covered++
			t.Logf("no ink at %s", names[i])
		}
	}
	// Points and the trace lie over the curve in a few places.
	assert.LessOrEqual(t, covered, len(on)/5, "the curve is not drawn where it belongs")
	beside := 0
	for i, count := range ink(t, page, off, 2, colour) {
		if count > 0 {
			beside++
			t.Logf("ink beside the curve at pixel %v", off[i])
		}
	}
	// The labels of the curve and of its points wear its colour.
	assert.LessOrEqual(t, beside, len(off)/5, "the curve is drawn where it does not belong")
}

// farFromCurve tells that no part of the curve comes near a pixel.
func farFromCurve(w window, p [2]float64, f func(float64) float64) bool {
	for px := p[0] - 12; px <= p[0]+12; px += 0.25 {
		x := w.Left + px/w.Width*(w.Right-w.Left)
		if q := w.pixel(x, f(x)); math.Hypot(q[0]-p[0], q[1]-p[1]) < 8 {
			return false
		}
	}
	return true
}
