package edit

import (
	"fmt"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/surface"
)

// AddMap draws the level curves of a surface from above, as a map in a plane panel of its own.
func AddMap(before *document.Document, id string, scene int) (*document.Document, error) {
	d := clone(before)
	of, _, err := surfaceOf(d, id)
	if err != nil {
		return nil, err
	}
	if len(d.Panels) == document.MaxPanels {
		return nil, problem.New("limit", 0, 0, fmt.Sprintf("%d panels", document.MaxPanels+1), fmt.Sprint(document.MaxPanels))
	}
	colour := of.Look.Colour
	keepToPanels(d)
	w := windowInSpace(d, scene)
	p := document.Panel{ID: newPanelID(d), Kind: document.Plane, Title: "From above", Grid: true, Axes: true, EqualScales: true,
		TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers, Window: document.Window{Left: w.Left, Right: w.Right, Bottom: w.Bottom, Top: w.Top}}
	for _, space := range d.Panels {
		if space.Kind == document.InSpace {
			p.NameX, p.NameY = space.NameX, space.NameY
		}
	}
	d.Panels = append(d.Panels, p)
	return Put(d, document.Entry{Look: document.Look{Colour: colour}, Where: document.Where{Panels: []string{p.ID}}, Body: &surface.PartBody{Of: id, Piece: surface.Levels}})
}

// spacePanels are the ids of the panels that show space.
func spacePanels(d *document.Document) (ids []string) {
	for _, p := range d.Panels {
		if p.Kind == document.InSpace {
			ids = append(ids, p.ID)
		}
	}
	return ids
}
