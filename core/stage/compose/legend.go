package compose

import "math"

// Sizes of a legend in pixels: the piece of line before a name, and the room around and between.
const legendLine, legendGap, legendMargin = 34.0, 4.0, 12.0

// curvesAmong parts the anchors of curves, which a legend names, from the others.
func curvesAmong(anchors []Anchor) (curves, others []Anchor) {
	for _, a := range anchors {
		if a.IsPoint || a.Pen.Width == 0 {
			others = append(others, a)
		} else {
			curves = append(curves, a)
		}
	}
	return curves, others
}

// legend names curves where it covers least. One that nobody has asked for is left out rather than to cover something.
func (c *Composer) legend(curves []Anchor, mayMiss bool) bool {
	width, height := 0.0, 0.0
	for _, a := range curves {
		size := c.labelSize(a.Label)
		width, height = math.Max(width, legendLine+8+size.Width), height+size.Height+legendGap
	}
	at, covers := c.legendPlace(width, height)
	if covers && mayMiss {
		return false
	}
	c.Room.take(at, firm)
	top := at.y
	for _, a := range curves {
		size := c.labelSize(a.Label)
		c.Pen.Segment(a.Pen.Colour, a.Pen.Width, a.Pen.Pattern, at.x, top+size.Height/2, at.x+legendLine, top+size.Height/2)
		a.Label.At = [2]float64{at.x + legendLine, top + size.Height/2}
		c.writeLabel(a.Label, box{at.x + legendLine + 8, top, size.Width, size.Height})
		top += size.Height + legendGap
	}
	return true
}

// legendPlace is where a legend covers least, the right upper corner first, and whether it covers something.
func (c *Composer) legendPlace(width, height float64) (place box, covers bool) {
	v := c.View
	best, least := box{legendMargin, legendMargin, width, height}, math.MaxInt
	across, down := v.Width-width-2*legendMargin, v.Height-height-2*legendMargin
	const tries = 6.0
	for i := tries; i >= 0; i-- {
		for k := 0.0; k <= tries; k++ {
			at := box{legendMargin + math.Max(0, across*i/tries), legendMargin + math.Max(0, down*k/tries), width, height}
			meets := 0
			for _, l := range c.pic.Labels {
				if at.meets(box{l.X, l.Y, l.Width, l.Height}) {
					meets += 200
				}
			}
			if cost := c.Room.covered(at) + meets; cost < least {
				best, least = at, cost
			}
		}
	}
	return best, least > 0
}
