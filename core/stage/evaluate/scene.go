package evaluate

import (
	"math"

	"parvix/core/stage/document"
)

// Scenes is the scene in play, the way to it, and what was covered, revealed and recorded since.
type Scenes struct {
	// Scene is its place.
	Scene int

	document *document.Document
	values   *Values
	panels   *Panels
	shown    []*Shown
	passage  passage
	passing  bool            // between two scenes
	turned   map[string]bool // entries covered or revealed in play, by id
	unnamed  map[string]bool // entries whose labels are covered in play, by id
	traces   map[string][]float64
	// steppedBefore are those of the demonstration before, by id, whose positions are taken over.
	steppedBefore map[string]Stepped
}

func newScenes(doc *document.Document, values *Values, panels *Panels) *Scenes {
	return &Scenes{document: doc, values: values, panels: panels, turned: map[string]bool{}, unnamed: map[string]bool{}, traces: map[string][]float64{}}
}

// passage is the way from what was in play to a scene, by the names of parameters and the ids of entries and panels: it goes
// on when the document is loaded anew meanwhile.
type passage struct {
	values    map[string][2]float64
	positions map[string][2]float64
	windows   map[string][2]document.Window
}

// scene is the scene in play; every document has one.
func (sc *Scenes) scene() *document.Scene { return &sc.document.Scenes[sc.Scene] }

// InScene tells whether an entry can be drawn, belongs to the scene and is not covered.
func (sc *Scenes) InScene(s *Shown) bool {
	return s.Live != nil && !sc.scene().IsHidden(s.Entry.ID) != sc.turned[s.Entry.ID]
}

// Turn covers an entry that is seen, or reveals one that is not, in play only: until another scene or Unturn.
func (sc *Scenes) Turn(s *Shown) {
	sc.turned[s.Entry.ID] = !sc.turned[s.Entry.ID]
}

// TurnLabel covers an entry's label, or reveals it, in play only.
func (sc *Scenes) TurnLabel(s *Shown) {
	sc.unnamed[s.Entry.ID] = !sc.unnamed[s.Entry.ID]
}

// TellsLabel tells whether an entry's label is not covered.
func (sc *Scenes) TellsLabel(id string) bool { return !sc.unnamed[id] }

// Unturn shows what the scene shows, and nothing else.
func (sc *Scenes) Unturn() {
	clear(sc.turned)
	clear(sc.unnamed)
}

// Appears tells whether an entry is drawn in the scene on a panel.
func (sc *Scenes) Appears(s *Shown, p *document.Panel) bool {
	return sc.InScene(s) && s.IsDrawnOn(p)
}

// BeginScene makes another scene the one in play: what is visible changes at once, values, windows and the positions of
// transformations with GoScene.
func (sc *Scenes) BeginScene(i int) {
	if i < 0 || i >= len(sc.document.Scenes) {
		return
	}
	sc.Scene, sc.passing = i, true
	s := sc.scene()
	sc.panels.asInDocument()
	if sc.values.ghost.values != nil {
		sc.values.remember(s.Values)
	}
	sc.passage = passage{map[string][2]float64{}, map[string][2]float64{}, map[string][2]document.Window{}}
	for _, p := range sc.values.Parameters {
		if v, kept := s.Values[p.Stated.Name]; kept {
			sc.passage.values[p.Stated.Name] = [2]float64{p.Value, v}
		}
	}
	for _, e := range sc.shown {
		if t, ok := e.Live.(Stepped); ok {
			sc.passage.positions[e.Entry.ID] = [2]float64{t.StandsAt(), sc.positionIn(e.Entry.ID, t.Count())}
		}
	}
	for k := range sc.panels.windows {
		p := &sc.document.Panels[k]
		sc.passage.windows[p.ID] = [2]document.Window{sc.panels.windows[k], s.WindowOf(p)}
	}
	// What was covered and what was recorded belong to what was seen before.
	sc.Unturn()
	sc.traces = map[string][]float64{}
}

// positionIn is where a transformation with so many steps stands in the scene: at its end where the scene does not say.
func (sc *Scenes) positionIn(id string, count int) float64 {
	end := float64(count)
	if at, kept := sc.scene().Steps[id]; kept {
		return math.Min(at, end)
	}
	return end
}

// PositionOf is where a transformation with so many steps begins: where it stood before, else where the scene has it.
func (sc *Scenes) PositionOf(id string, count int) float64 {
	if before := sc.steppedBefore[id]; before != nil && before.Count() == count {
		return before.StandsAt()
	}
	return sc.positionIn(id, count)
}

// GoScene stands at a share of the way to the scene that was begun, 1 at its end.
func (sc *Scenes) GoScene(share float64) {
	share = math.Max(0, math.Min(1, share))
	between := func(way [2]float64) float64 {
		if share == 1 {
			return way[1]
		}
		return way[0] + share*(way[1]-way[0])
	}
	// On the way nothing is traced.
	sc.passing = share < 1
	for name, way := range sc.passage.values {
		if k := sc.values.Find(name); k < 0 {
			continue
		} else if sc.passing {
			sc.values.Pass(k, between(way))
		} else {
			sc.values.Set(k, way[1])
		}
	}
	for _, e := range sc.shown {
		if way, goes := sc.passage.positions[e.Entry.ID]; goes {
			if t, ok := e.Live.(Stepped); ok {
				t.Go(between(way))
			}
		}
	}
	for k, p := range sc.document.Panels {
		if way, goes := sc.passage.windows[p.ID]; goes {
			from, to := way[0], way[1]
			sc.panels.windows[k] = document.Window{Left: between([2]float64{from.Left, to.Left}), Right: between([2]float64{from.Right, to.Right}),
				Bottom: between([2]float64{from.Bottom, to.Bottom}), Top: between([2]float64{from.Top, to.Top}), Space: sightBetween(from.Space, to.Space, share)}
		}
	}
}

// sightBetween is how space is seen on the way from one window to another; it turns the shorter way round.
func sightBetween(from, to document.Sight, share float64) document.Sight {
	if share == 1 || (from == document.Sight{}) {
		return to
	}
	between := func(a, b float64) float64 { return a + share*(b-a) }
	at := to
	at.Low, at.High = between(from.Low, to.Low), between(from.High, to.High)
	at.Turn, at.Tilt = from.Turn+share*math.Remainder(to.Turn-from.Turn, 360), between(from.Tilt, to.Tilt)
	at.Zoom = between(from.Magnified(), to.Magnified())
	at.Across, at.Up = between(from.Across, to.Across), between(from.Up, to.Up)
	return at
}

// Moved tells whether a value in play, or the position of a transformation, differs from the scene's.
func (sc *Scenes) Moved() bool {
	differs := func(v, w float64) bool { return math.Abs(v-w) > 1e-12*math.Max(1, math.Abs(w)) }
	for _, p := range sc.values.Parameters {
		if v, ok := sc.scene().Values[p.Stated.Name]; ok && differs(p.Value, v) {
			return true
		}
	}
	for _, s := range sc.shown {
		if t, ok := s.Live.(Stepped); ok && differs(t.StandsAt(), sc.positionIn(s.Entry.ID, t.Count())) {
			return true
		}
	}
	return false
}

// Positions are where the transformations stand, by the ids of their entries.
func (sc *Scenes) Positions() map[string]float64 {
	at := map[string]float64{}
	for _, s := range sc.shown {
		if t, ok := s.Live.(Stepped); ok {
			at[s.Entry.ID] = t.StandsAt()
		}
	}
	return at
}

// Recorded gives the recorded positions x, y, x, y … of a trace.
func (sc *Scenes) Recorded(id string) []float64 { return sc.traces[id] }
