package compose

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// snapRoom is the distance in pixels within which a tap meets a line of the grid.
const snapRoom = 7.0

// Tapped is the place of the plane that a tap means: the grid's lines nearby, else a number rounded to the grain.
func Tapped(v view.View, p *document.Panel, px, py float64) (x, y float64) {
	near := func(at, perPixel float64, style document.TickStyle, step, lo, hi, pixels float64) float64 {
		a := ticks(style, step, lo, hi, pixels)
		lines := a.fine
		for _, t := range a.ticks {
			lines = append(lines, t.value)
		}
		best := math.Inf(1)
		for _, line := range lines {
			if math.Abs(line-at) < math.Abs(best-at) {
				best = line
			}
		}
		if math.Abs(best-at) <= snapRoom*perPixel {
			return number.Round(best, 12)
		}
		return number.Round(math.Round(at/v.Grain())*v.Grain(), number.Decimals(v.Grain(), 9))
	}
	return near(v.AtX(px), (v.Right-v.Left)/v.Width, p.TicksX, p.StepX, v.Left, v.Right, v.Width),
		near(v.AtY(py), (v.Top-v.Bottom)/v.Height, p.TicksY, p.StepY, v.Bottom, v.Top, v.Height)
}
