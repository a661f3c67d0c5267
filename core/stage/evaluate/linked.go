package evaluate

import (
	"math"

	"parvix/core/stage/document"
)

// circleOf is the place of the circle panel that shows a circle of this plane panel too, −1 for none.
func (d *Demonstration) circleOf(panel *document.Panel) (round int) {
	for i := range d.Document.Panels {
		if d.Document.Panels[i].Kind != document.Around {
			continue
		}
		for _, s := range d.Shown {
			if _, is := s.Live.(SharesScale); is && s.Entry.IsOn(panel.ID) && s.Entry.IsOn(d.Document.Panels[i].ID) {
				return i
			}
		}
	}
	return -1
}

// SetSize tells how large a panel is, in pixels: a graph beside a circle has as many pixels per unit as the circle.
func (d *Demonstration) SetSize(i int, width, height float64) {
	for len(d.sizes) < len(d.Document.Panels) {
		d.sizes = append(d.sizes, [2]float64{})
	}
	if i >= 0 && i < len(d.sizes) && width >= 1 && height >= 1 {
		d.sizes[i] = [2]float64{width, height}
	}
}

// linked is the window of a plane panel beside its circle: the same pixels per unit and the same height of the axis. In
// degrees only up and down are linked, since a degree has no length of its own. false for a panel that is on its own.
func (d *Demonstration) linked(i int) (w document.Window, is bool) {
	p := &d.Document.Panels[i]
	if p.Kind != document.Plane || len(d.sizes) <= i || d.sizes[i][0] == 0 {
		return w, false
	}
	round := d.circleOf(p)
	if round < 0 || d.sizes[round][0] == 0 {
		return w, false
	}
	perUnit, middle := d.pixelsPerUnit(round)
	w = d.windows[i]
	half := d.sizes[i][1] / perUnit / 2
	w.Bottom, w.Top = middle-half, middle+half
	if d.Document.AngleUnit != document.Degree {
		w.Right = w.Left + d.sizes[i][0]/perUnit
	}
	return w, true
}

// pixelsPerUnit of a circle's panel, and the height of its middle.
func (d *Demonstration) pixelsPerUnit(round int) (perUnit, middle float64) {
	w, size := d.windows[round], d.sizes[round]
	return math.Min(size[0]/(w.Right-w.Left), size[1]/(w.Top-w.Bottom)), (w.Bottom + w.Top) / 2
}

// setLinked zooms and pans the circle's panel with its graph.
func (d *Demonstration) setLinked(i int, w document.Window) {
	now, is := d.linked(i)
	if !is {
		return
	}
	round := d.circleOf(&d.Document.Panels[i])
	factor := (w.Top - w.Bottom) / (now.Top - now.Bottom)
	c := d.windows[round]
	up := (w.Bottom+w.Top)/2 - (c.Bottom+c.Top)/2
	x, y := (c.Left+c.Right)/2, (c.Bottom+c.Top)/2+up
	halfX, halfY := (c.Right-c.Left)/2*factor, (c.Top-c.Bottom)/2*factor
	d.windows[round] = document.Window{Left: x - halfX, Right: x + halfX, Bottom: y - halfY, Top: y + halfY}
}
