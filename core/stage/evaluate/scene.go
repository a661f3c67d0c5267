package evaluate

import (
	"math"

	"parvix/core/stage/document"
)

// scene is the scene in play; every document has one.
func (d *Demonstration) scene() *document.Scene { return &d.Document.Scenes[d.Scene] }

// InScene tells whether an entry can be drawn, belongs to the scene and is not covered.
func (d *Demonstration) InScene(s *Shown) bool {
	return s.Live != nil && !d.scene().IsHidden(s.Entry.ID) != d.turned[s.Entry.ID]
}

// Turn covers an entry that is seen, or reveals one that is not, in play only: until another scene or Unturn.
func (d *Demonstration) Turn(s *Shown) {
	d.turned[s.Entry.ID] = !d.turned[s.Entry.ID]
}

// Unturn shows what the scene shows, and nothing else.
func (d *Demonstration) Unturn() { clear(d.turned) }

// Appears tells whether an entry is drawn in the scene on a panel.
func (d *Demonstration) Appears(s *Shown, p *document.Panel) bool {
	return d.InScene(s) && s.Entry.IsOn(p.ID)
}

// Panel is a panel with its window in play.
func (d *Demonstration) Panel(i int) *document.Panel {
	p := d.Document.Panels[i]
	p.Window = d.windows[i]
	if w, linked := d.linked(i); linked {
		p.Window, p.EqualScales = w, d.Document.AngleUnit != document.Degree
	}
	return &p
}

// SetWindow gives a panel a window in play, and all panels where the windows are linked.
func (d *Demonstration) SetWindow(i int, w document.Window) {
	d.setLinked(i, w)
	for k := range d.windows {
		if k == i || d.Document.LinkedWindows {
			d.windows[k] = w
		}
	}
}

func (d *Demonstration) loadWindows() {
	for i := range d.Document.Panels {
		d.windows = append(d.windows, d.scene().WindowOf(&d.Document.Panels[i]))
	}
}

// passage is the way from what was in play to a scene.
type passage struct {
	values    map[int][2]float64
	positions map[Stepped][2]float64
	windows   [][2]document.Window
}

// BeginScene makes another scene the one in play: what is visible changes at once, values, windows and the positions of
// transformations with GoScene.
func (d *Demonstration) BeginScene(i int) {
	if i < 0 || i >= len(d.Document.Scenes) {
		return
	}
	d.Scene, d.passing = i, true
	s := d.scene()
	d.passage = passage{values: map[int][2]float64{}, positions: map[Stepped][2]float64{}}
	for k, p := range d.Parameters {
		if v, kept := s.Values[p.Stated.Name]; kept {
			d.passage.values[k] = [2]float64{p.Value, v}
		}
	}
	for _, e := range d.Shown {
		if t, ok := e.Live.(Stepped); ok {
			d.passage.positions[t] = [2]float64{t.StandsAt(), d.positionIn(e.Entry.ID, t.Count())}
		}
	}
	for k := range d.windows {
		d.passage.windows = append(d.passage.windows, [2]document.Window{d.windows[k], s.WindowOf(&d.Document.Panels[k])})
	}
	// What was covered and what was recorded belong to what was seen before.
	d.Unturn()
	d.traces = map[string][]float64{}
}

// positionIn is where a transformation with so many steps stands in the scene: at its end where the scene does not say.
func (d *Demonstration) positionIn(id string, count int) float64 {
	end := float64(count)
	if at, kept := d.scene().Steps[id]; kept {
		return math.Min(at, end)
	}
	return end
}

// PositionOf is where a transformation with so many steps begins: where it stood before, else where the scene has it.
func (d *Demonstration) PositionOf(id string, count int) float64 {
	if before := d.steppedBefore[id]; before != nil && before.Count() == count {
		return before.StandsAt()
	}
	return d.positionIn(id, count)
}

// GoScene stands at a share of the way to the scene that was begun, 1 at its end.
func (d *Demonstration) GoScene(share float64) {
	share = math.Max(0, math.Min(1, share))
	between := func(way [2]float64) float64 {
		if share == 1 {
			return way[1]
		}
		return way[0] + share*(way[1]-way[0])
	}
	// On the way nothing is traced.
	d.passing = share < 1
	for k, way := range d.passage.values {
		d.Set(k, between(way))
	}
	for steps, way := range d.passage.positions {
		steps.Go(between(way))
	}
	for k, way := range d.passage.windows {
		from, to := way[0], way[1]
		d.windows[k] = document.Window{Left: between([2]float64{from.Left, to.Left}), Right: between([2]float64{from.Right, to.Right}),
			Bottom: between([2]float64{from.Bottom, to.Bottom}), Top: between([2]float64{from.Top, to.Top})}
	}
}

// StartingValues puts the scene's values, its windows and the positions of transformations back.
func (d *Demonstration) StartingValues() {
	for k := range d.windows {
		d.windows[k] = d.scene().WindowOf(&d.Document.Panels[k])
	}
	for i, p := range d.Parameters {
		if v, ok := d.scene().Values[p.Stated.Name]; ok {
			d.Set(i, v)
		}
	}
	for _, s := range d.Shown {
		if t, ok := s.Live.(Stepped); ok {
			t.Go(d.positionIn(s.Entry.ID, t.Count()))
		}
	}
	d.Update()
	d.ClearTraces()
}

// Moved tells whether a value in play, or the position of a transformation, differs from the scene's.
func (d *Demonstration) Moved() bool {
	differs := func(v, w float64) bool { return math.Abs(v-w) > 1e-12*math.Max(1, math.Abs(w)) }
	for _, p := range d.Parameters {
		if v, ok := d.scene().Values[p.Stated.Name]; ok && differs(p.Value, v) {
			return true
		}
	}
	for _, s := range d.Shown {
		if t, ok := s.Live.(Stepped); ok && differs(t.StandsAt(), d.positionIn(s.Entry.ID, t.Count())) {
			return true
		}
	}
	return false
}

// Positions are where the transformations stand, by the ids of their entries.
func (d *Demonstration) Positions() map[string]float64 {
	at := map[string]float64{}
	for _, s := range d.Shown {
		if t, ok := s.Live.(Stepped); ok {
			at[s.Entry.ID] = t.StandsAt()
		}
	}
	return at
}
