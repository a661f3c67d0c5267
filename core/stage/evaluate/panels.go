package evaluate

import (
	"math"

	"parvix/core/stage/document"
)

// Panels are the panels with their windows in play.
type Panels struct {
	document *document.Document
	windows  []document.Window
	sizes    [][2]float64 // in pixels, as far as they are known
	// stretched are the panels one of whose axes was stretched: their scales are equal no more.
	stretched map[int]bool
	// sharing are the entries that a circle's panel and a plane beside it show in one scale.
	sharing []*document.Entry
}

// circleOf is the place of the circle panel that shows a circle of this plane panel too, −1 for none.
func (ps *Panels) circleOf(panel *document.Panel) (round int) {
	for i := range ps.document.Panels {
		if ps.document.Panels[i].Kind != document.Around {
			continue
		}
		for _, entry := range ps.sharing {
			if entry.IsOn(panel.ID) && entry.IsOn(ps.document.Panels[i].ID) {
				return i
			}
		}
	}
	return -1
}

// SetSize tells how large a panel is, in pixels: a graph beside a circle has as many pixels per unit as the circle.
func (ps *Panels) SetSize(i int, width, height float64) {
	for len(ps.sizes) < len(ps.document.Panels) {
		ps.sizes = append(ps.sizes, [2]float64{})
	}
	if i >= 0 && i < len(ps.sizes) && width >= 1 && height >= 1 {
		ps.sizes[i] = [2]float64{width, height}
	}
}

// linked is the window of a plane panel beside its circle: the same pixels per unit and the same height of the axis. In
// degrees only up and down are linked, since a degree has no length of its own. false for a panel that is on its own.
func (ps *Panels) linked(i int) (w document.Window, is bool) {
	p := &ps.document.Panels[i]
	if p.Kind != document.Plane || len(ps.sizes) <= i || ps.sizes[i][0] == 0 {
		return w, false
	}
	round := ps.circleOf(p)
	if round < 0 || ps.sizes[round][0] == 0 {
		return w, false
	}
	perUnit, middle := ps.pixelsPerUnit(round)
	w = ps.windows[i]
	half := ps.sizes[i][1] / perUnit / 2
	w.Bottom, w.Top = middle-half, middle+half
	if ps.document.AngleUnit != document.Degree {
		w.Right = w.Left + ps.sizes[i][0]/perUnit
	}
	return w, true
}

// pixelsPerUnit of a circle's panel, and the height of its middle.
func (ps *Panels) pixelsPerUnit(round int) (perUnit, middle float64) {
	w, size := ps.windows[round], ps.sizes[round]
	return math.Min(size[0]/(w.Right-w.Left), size[1]/(w.Top-w.Bottom)), (w.Bottom + w.Top) / 2
}

// setLinked zooms and pans the circle's panel with its graph.
func (ps *Panels) setLinked(i int, w document.Window) {
	now, is := ps.linked(i)
	if !is {
		return
	}
	round := ps.circleOf(&ps.document.Panels[i])
	factor := (w.Top - w.Bottom) / (now.Top - now.Bottom)
	c := ps.windows[round]
	up := (w.Bottom+w.Top)/2 - (c.Bottom+c.Top)/2
	x, y := (c.Left+c.Right)/2, (c.Bottom+c.Top)/2+up
	halfX, halfY := (c.Right-c.Left)/2*factor, (c.Top-c.Bottom)/2*factor
	ps.windows[round] = document.Window{Left: x - halfX, Right: x + halfX, Bottom: y - halfY, Top: y + halfY}
}

// Panel is a panel with its window in play.
func (ps *Panels) Panel(i int) *document.Panel {
	p := ps.document.Panels[i]
	p.Window = ps.windows[i]
	p.EqualScales = p.EqualScales && !ps.stretched[i]
	if w, linked := ps.linked(i); linked {
		p.Window, p.EqualScales = w, ps.document.AngleUnit != document.Degree
	}
	return &p
}

// asInDocument gives all panels back the scales that the document has.
func (ps *Panels) asInDocument() { ps.stretched = nil }

// SetWindow gives a panel a window in play, and all panels where the windows are linked.
func (ps *Panels) SetWindow(i int, w document.Window) {
	ps.setLinked(i, w)
	for k := range ps.windows {
		if k == i || ps.document.LinkedWindows && ps.isSpace(k) == ps.isSpace(i) {
			ps.windows[k] = w
		}
	}
}

func (ps *Panels) isSpace(i int) bool { return ps.document.Panels[i].Kind == document.InSpace }

// Stretch gives a panel a window in play of which one axis alone was stretched.
func (ps *Panels) Stretch(i int, w document.Window) {
	for k := range ps.windows {
		if k == i || ps.document.LinkedWindows {
			if ps.stretched == nil {
				ps.stretched = map[int]bool{}
			}
			ps.stretched[k] = true
		}
	}
	ps.SetWindow(i, w)
}

func (ps *Panels) loadWindows(scene *document.Scene) {
	for i := range ps.document.Panels {
		ps.windows = append(ps.windows, scene.WindowOf(&ps.document.Panels[i]))
	}
}
