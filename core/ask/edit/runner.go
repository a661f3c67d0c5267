package edit

import (
	"strings"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trace"
)

// RunAlong puts a point on the x-axis, driven by a dial of its own, and one above it on every curve that is shown, each
// with its trace: types are compared by what one point drives.
func RunAlong(before *document.Document, scene int) (*document.Document, error) {
	d := clone(before)
	var functions []string
	for _, s := range d.Shown {
		hidden := scene >= 0 && scene < len(d.Scenes) && d.Scenes[scene].IsHidden(s.ID)
		if c, ok := s.Body.(*curve.Body); ok && c.Family == nil && !c.Parent && !hidden {
			functions = append(functions, c.Function)
		}
	}
	if len(functions) == 0 {
		return nil, problem.New("no-curve", 0, 0)
	}
	name := freeLetter(d, strings.Fields("t u s v w q")...)
	p := newParameter(d, d.NewID("s"), name, freeColour(parameterColours(d)))
	p.Sweep = &document.Sweep{Way: document.Once, Seconds: 6}
	d.Stated = append(d.Stated, p)
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = evaluate.DefaultValue
	}
	var err error
	put := func(entry document.Entry) string {
		if err != nil {
			return ""
		}
		var next *document.Document
		if next, err = Put(d, entry); err != nil {
			return ""
		}
		d = next
		return d.Shown[len(d.Shown)-1].ID
	}
	put(document.Entry{Look: document.Look{Label: document.LabelName}, Body: &point.Body{X: name, Y: "0"}})
	for _, f := range functions {
		id := put(document.Entry{Look: document.Look{Label: document.LabelCoordinates}, Body: &point.Body{X: name, Y: f + "(" + name + ")"}})
		if err != nil {
			return nil, err
		}
		// The point and its trace wear the curve's colour.
		for _, s := range before.Shown {
			if c, ok := s.Body.(*curve.Body); ok && c.Function == f && !c.Parent {
				d.Shown[len(d.Shown)-1].Look.Colour = s.Look.Colour
			}
		}
		put(document.Entry{Body: &trace.Body{Of: id}})
	}
	if err != nil {
		return nil, err
	}
	return d, d.Check()
}
