// Package evaluate turns a document into values: names resolved, formulas compiled once, parameters put in.
//
// A Demonstration is made from a document and then only moved: setting a parameter marks what depends on it, and Update
// computes that again and nothing else. Counters tell how often formulas were parsed and compiled and how often each
// entry ran, so that a test can hold the stair to its word.
package evaluate

import (
	"fmt"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/found"
)

// Demonstration is a document understood, with values in play. Each of its parts knows itself and those that it is given.
type Demonstration struct {
	Document *document.Document
	Shown    []*Shown
	Said     []*Shown

	*Values
	*Formulas
	*Panels
	*Scenes
	*Findings
	*Datasets
	// Ink is what is written by hand.
	Ink     *Ink
	idle    idle
	members int // of all families together
	// asides are the demonstration as panels with values of their own show it, by their ids.
	asides map[string]*Demonstration
	seen   map[sight]any
}

// Load understands a document. Values in play and traces are taken over from before, which may be nil, for names that
// are still there; otherwise parameters start at the first scene's values.
func Load(doc *document.Document, before *Demonstration) *Demonstration {
	d := &Demonstration{Document: doc, Values: newValues(), Panels: &Panels{document: doc}, asides: map[string]*Demonstration{},
		seen: map[sight]any{}}
	d.Formulas = newFormulas(doc, d.Values)
	d.Scenes = newScenes(doc, d.Values, d.Panels)
	d.Findings = &Findings{d.Values, &discovered{found: map[string]*found.Found{}}}
	d.Ink = &Ink{document: doc, scenes: d.Scenes, inPlay: map[string][]document.InkStroke{}}
	if before != nil {
		d.takeOver(before)
	}
	d.loadWindows(d.scene())
	d.loadParameters(before)
	d.loadData(before)
	d.declareFits()
	d.loadFunctions(d.Datasets)
	d.compileColumns()
	d.updateData()
	d.loadEntries()
	d.loadAsides()
	d.steppedBefore, d.before = nil, nil
	d.Update()
	return d
}

// takeOver goes on with what was in play before; values follow with their parameters.
func (d *Demonstration) takeOver(before *Demonstration) {
	d.Counters, d.tick = before.Counters, before.tick+1
	d.discovered, d.ghost = before.discovered, before.ghost
	d.sizes = before.sizes
	d.Ink.goOnFrom(before.Ink)
	d.turned, d.unnamed, d.traces = before.turned, before.unnamed, before.traces
	d.passage, d.passing = before.passage, before.passing
	d.Scene = min(before.Scene, len(d.Document.Scenes)-1)
	d.steppedBefore = map[string]Stepped{}
	for _, s := range before.Shown {
		if stepped, ok := s.Live.(Stepped); ok {
			d.steppedBefore[s.Entry.ID] = stepped
		}
	}
}

// CountRun notes that an entry was computed.
func (d *Demonstration) CountRun(id string) { d.Counters.Runs[id]++ }

// mostMembers bounds the members of all families together.
const mostMembers = 240

// AffordsCurves takes note of so many more members of families; false when they are too many, which is then reported.
func (d *Demonstration) AffordsCurves(count int, object, field string) bool {
	if d.members += count; d.members > mostMembers {
		d.Report(problem.New("too-many-curves", 0, 0, fmt.Sprint(d.members), fmt.Sprint(mostMembers)), object, field)
		return false
	}
	return true
}

// StartingValues puts the scene's values, its windows and the positions of transformations back.
func (d *Demonstration) StartingValues() {
	d.passage, d.passing = passage{}, false
	d.asInDocument()
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
