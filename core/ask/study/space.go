package study

import (
	"math"
	"slices"

	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// AddPlace takes in a place in space.
func (f *fitting) AddPlace(p view.Place) {
	if p.IsFinite() {
		f.places = append(f.places, p)
	}
}

// inSpace is the window of a space panel that shows what was taken in, between round ends, from where it was seen before and as large
// as it fits.
func (f *fitting) inSpace(p *document.Panel) document.Window {
	w := p.Window
	w.Space.Zoom, w.Space.Across, w.Space.Up = 0, 0, 0
	if len(f.places) == 0 {
		return w
	}
	for axis, ends := range [3][2]*float64{{&w.Left, &w.Right}, {&w.Bottom, &w.Top}, {&w.Space.Low, &w.Space.High}} {
		low, high := f.extent(axis)
		if high-low < 1e-9*math.Max(1, math.Abs(high)) {
			low, high = low-1, high+1
		}
		*ends[0], *ends[1] = roundEnds(low, high, [3]document.TickStyle{p.TicksX, p.TicksY, document.TicksInNumbers}[axis])
	}
	if !w.IsWide() || !w.Space.IsDeep() {
		return p.Window
	}
	return w
}

// extent is how far the places reach along an axis; a few that lie far from all others, as beside a pole, do not count.
func (f *fitting) extent(axis int) (low, high float64) {
	values := make([]float64, len(f.places))
	for i, p := range f.places {
		values[i] = p[axis]
	}
	slices.Sort(values)
	n := len(values)
	const tail, far = 0.03, 4.0
	inner := [2]float64{values[int(tail*float64(n-1))], values[int((1-tail)*float64(n-1))]}
	low, high = values[0], values[n-1]
	if spread := inner[1] - inner[0]; spread > 0 {
		if inner[0]-low > far*spread {
			low = inner[0]
		}
		if high-inner[1] > far*spread {
			high = inner[1]
		}
	}
	return low, high
}
