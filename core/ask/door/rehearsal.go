package door

import (
	"math"

	"parvix/core/ask/edit"
	"parvix/core/stage/evaluate"
)

// Rehearsal is a double of a demonstration of which nobody sees anything. A browser translates a function of the core when
// it is first run, and translates it well when it has been run often; what a first drag would wait for is done before it.
type Rehearsal struct {
	double *Door
	turn   float64
}

// The size of the panels of a rehearsal in pixels: about those of a bench.
const rehearsedWidth, rehearsedHeight = 900, 600

// perBar is how many turns a dial takes over its bar.
const perBar = 40

// Rehearse begins the rehearsal of a door's demonstration, nil where there is none.
func Rehearse(of *Door) *Rehearsal {
	if of.d == nil {
		return nil
	}
	double := New()
	double.d = evaluate.Load(of.d.Document, nil)
	edit.TellAngles(double.d)
	double.moving = true
	return &Rehearsal{double: double}
}

// Turn moves every dial a little further, and each panel as a hand would, and composes the panels.
func (r *Rehearsal) Turn() {
	r.turn++
	share := 0.5 + 0.45*math.Sin(2*math.Pi*r.turn/perBar)
	for i := range r.double.d.Parameters {
		r.double.DragDial(i, share)
	}
	for panel := range r.double.d.Document.Panels {
		r.double.PanelSize(panel, rehearsedWidth, rehearsedHeight)
		if isSpace := spacePanel(r.double, panel) != nil; isSpace || len(r.double.d.Parameters) == 0 {
			there := math.Cos(2 * math.Pi * r.turn / perBar)
			r.double.Pan(panel, rehearsedWidth, rehearsedHeight, there, there)
			Orbit(r.double, panel, there, there)
		}
		r.double.Frame(panel, rehearsedWidth, rehearsedHeight)
	}
}
