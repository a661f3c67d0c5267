package evaluate

import (
	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// Frame is what a panel shows at a moment, complete before its picture begins: it holds until something is moved.
type Frame struct {
	Now   Moment
	Panel *document.Panel
	View  view.View
	// Appearing are the entries that are seen on it, in their order.
	Appearing []Appearing
	// Said are the texts.
	Said []*Shown
	// Ink is what was written on it by hand.
	Ink []document.InkStroke
}

// Appearing is an entry that appears on a panel.
type Appearing struct {
	*Shown
	// Index is its place among the shown entries, by which its handle is known.
	Index int
	// Seen is what a Sighted entry has worked out for the panel.
	Seen any
}

// Sighted is seen differently through different windows: what it shows there is worked out before it is drawn. before is
// what it worked out for the panel's last frame, nil for none; where it still holds it is given back.
type Sighted interface {
	See(m Moment, v view.View, before any) any
}

// Frame updates the values and works out what a panel shows in a size in pixels.
func (d *Demonstration) Frame(panel int, width, height float64) *Frame {
	d.Update()
	p := d.Panel(panel)
	in := d.at(p)
	f := &Frame{Now: in, Panel: p, View: view.Seen(p, width, height), Said: d.Said}
	for i, s := range in.Shown {
		if !in.Appears(s, p) {
			continue
		}
		a := Appearing{Shown: s, Index: i}
		if sighted, ok := s.Live.(Sighted); ok {
			key := sight{panel, i}
			a.Seen = sighted.See(in, f.View, d.seen[key])
			d.seen[key] = a.Seen
		}
		f.Appearing = append(f.Appearing, a)
	}
	for _, stroke := range d.Ink.Strokes() {
		if stroke.Panel == p.ID {
			f.Ink = append(f.Ink, stroke)
		}
	}
	return f
}

// sight is an entry on a panel, by their places.
type sight struct{ panel, shown int }
