package evaluate

import (
	"math"
	"slices"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// Shown is an entry of the stage with what its kind has made of it.
type Shown struct {
	Entry *document.Entry
	// Live is nil where the entry could not be understood, which is then reported.
	Live Live

	begun bool // that it was looked at
	depends
}

// Live is an entry of the stage, understood: a value of its kind (core/stage/kinds). What it can do with the values in play
// it says by the interfaces that follow; how it is drawn, by those of core/stage/compose.
type Live interface{}

// Updater computes values of its own again when one of the parameters has moved on which they hang, by their places.
type Updater interface {
	Hangs() []int
	Update(m Moment)
}

// Refresher writes parts of its own anew, each when what it hangs on has moved, and tells how many there were.
type Refresher interface {
	Refresh(t Telling) int
}

// Measured has a measure that a text can tell, as LaTeX; empty where it has none now.
type Measured interface {
	Measure(m Moment) string
}

// Placed is a point that others can hang on; its coordinates are NaN where it is undefined.
type Placed interface {
	Position() (x, y float64)
}

// PlacedInSpace is what may be a point of space: false where it is one of the plane, or none; NaN where it is undefined.
type PlacedInSpace interface {
	PlaceInSpace() (at view.Place, is bool)
}

// Follower records where a point has been, whose entry it names.
type Follower interface {
	Follows() string
}

// Movable is what a hand can take.
type Movable interface {
	Drag(p Play, h Hand)
	Nudge(p Play, h Hand)
}

// Hand is where a hand has come to, on a panel, and what it has taken.
type Hand struct {
	Panel *document.Panel
	// Grip is the place of the grip that it holds, −1 where the entry has but one.
	Grip int
	// X and Y are a place of the plane, DX and DY the steps of a nudge.
	X, Y, DX, DY float64
	// View is how the panel is seen, PX and PY the pixel at which the hand is.
	View   view.View
	PX, PY float64
	// Pixel is the width of one in the plane; Grain is the decimal step to which free places are rounded.
	Pixel, Grain float64
}

// Settler writes into the document where a hand has left it.
type Settler interface {
	Settle(m Moment, entry *document.Entry)
}

// Stepped stands at one of its steps, or between two; 0 is before the first.
type Stepped interface {
	StandsAt() float64
	Count() int
	Go(position float64)
}

// Graphed draws the graph of a function.
type Graphed interface {
	Graph() *Function
}

// SharesScale is what a circle's panel and a plane beside it show in one scale.
type SharesScale interface {
	SharesScale()
}

// Dimensional says on which kinds of panels it appears; what does not say it appears on all but those of space.
type Dimensional interface {
	AppearsIn(kind document.PanelKind) bool
}

// IsDrawnOn tells whether an entry is drawn on a panel where a scene shows it.
func (s *Shown) IsDrawnOn(p *document.Panel) bool { return s.Entry.IsOn(p.ID) && s.suits(p.Kind) }

// suits tells whether an entry can appear on a kind of panels.
func (s *Shown) suits(kind document.PanelKind) bool {
	if d, ok := s.Live.(Dimensional); ok {
		return d.AppearsIn(kind)
	}
	return kind != document.InSpace
}

// Loader makes of an entry what its kind makes of it; nil where there is a problem, which it reports.
type Loader func(l Loading, e *document.Entry) Live

var loaders = map[document.Kind]Loader{}

// Register tells how entries of a kind are understood; core/stage/kinds does.
func Register(kind document.Kind, load Loader) { loaders[kind] = load }

func (d *Demonstration) loadEntries() {
	d.Shown = listed(d.Document.Shown)
	d.Said = listed(d.Document.Said)
	d.shown = d.Shown
	for _, s := range d.Shown {
		d.understand(s)
		if _, is := s.Live.(SharesScale); is {
			d.sharing = append(d.sharing, s.Entry)
		}
	}
	for _, s := range d.Said {
		d.understand(s)
	}
}

func listed(entries []document.Entry) (list []*Shown) {
	for i := range entries {
		list = append(list, &Shown{Entry: &entries[i]})
	}
	return list
}

func (d *Demonstration) understand(s *Shown) {
	load := loaders[s.Entry.Kind()]
	if s.begun || load == nil {
		return
	}
	s.begun = true
	s.Live = load(d, s.Entry)
	if u, ok := s.Live.(Updater); ok {
		s.on = u.Hangs()
	}
}

// Other finds what an entry refers to by its id, understood; nil when there is none.
func (d *Demonstration) Other(id string) *Shown {
	for _, s := range d.Shown {
		if s.Entry.ID == id {
			d.understand(s)
			return s
		}
	}
	return nil
}

// Visible are the shown entries that the scene does not hide, on whatever panel.
func (d *Demonstration) Visible() (list []*Shown) {
	for _, s := range d.Shown {
		if d.InScene(s) {
			list = append(list, s)
		}
	}
	return list
}

// Update computes again what depends on parameters that moved, and records the traced points.
func (d *Demonstration) Update() {
	d.updateData()
	d.updateShown()
	for _, a := range d.asides {
		a.follow(d)
	}
	for _, s := range d.Said {
		if r, ok := s.Live.(Refresher); ok {
			d.Counters.Runs[s.Entry.ID] += r.Refresh(d)
		}
	}
	d.record()
}

func (d *Demonstration) updateShown() {
	for _, s := range d.Shown {
		if u, ok := s.Live.(Updater); ok && !d.fresh(&s.depends) {
			d.CountRun(s.Entry.ID)
			u.Update(d)
		}
	}
}

// Drag moves what a hand has taken: the demonstration, and what panels with values of their own show of it.
func (d *Demonstration) Drag(shown int, h Hand) {
	d.take(shown, func(m Movable, p Play) { m.Drag(p, h) })
}

// Nudge moves it by steps.
func (d *Demonstration) Nudge(shown int, h Hand) {
	d.take(shown, func(m Movable, p Play) { m.Nudge(p, h) })
}

func (d *Demonstration) take(shown int, move func(Movable, Play)) {
	if m, ok := d.Shown[shown].Live.(Movable); ok {
		move(m, d)
	}
	for _, a := range d.asides {
		a.take(shown, move)
	}
}

// MaxTrace bounds the positions of one trace; the oldest give way.
const MaxTrace = 4000

// record adds the places of traced points that moved.
func (d *Demonstration) record() {
	if d.passing {
		return
	}
	for _, s := range d.Shown {
		f, ok := s.Live.(Follower)
		if !ok || d.scene().IsHidden(s.Entry.ID) {
			continue
		}
		followed := d.Other(f.Follows())
		if followed == nil {
			continue
		}
		at, size := placeOf(followed.Live)
		place := at[:size]
		if size == 0 || slices.ContainsFunc(place, math.IsNaN) {
			continue
		}
		t := d.traces[s.Entry.ID]
		if len(t)%len(place) != 0 {
			t = nil // a point of the plane has become one of space
		}
		if n := len(t) - len(place); n >= 0 && slices.Equal(t[n:], place) {
			continue
		}
		if most := len(place) * MaxTrace; len(t) >= most {
			t = append(t[:0], t[most/4:]...)
		}
		d.traces[s.Entry.ID] = append(t, place...)
	}
}

// placeOf is where a point is, by two coordinates in the plane and three in space; none for what is no point.
func placeOf(l Live) (at view.Place, size int) {
	if p, ok := l.(PlacedInSpace); ok {
		if at, is := p.PlaceInSpace(); is {
			return at, 3
		}
	}
	if p, ok := l.(Placed); ok {
		at[0], at[1] = p.Position()
		return at, 2
	}
	return at, 0
}

// ClearTraces forgets the recorded positions and starts again at the present ones.
func (d *Demonstration) ClearTraces() {
	d.traces = map[string][]float64{}
	d.record()
}

// GripStride parts the index of a handle: the entry's place, and this many times its grip's place from 1 on.
const GripStride = 1000

// OnGrain rounds to a decimal step, without the last bits of a product.
func OnGrain(v, grain float64) float64 {
	return number.Round(math.Round(v/grain)*grain, number.Decimals(grain, 9))
}
