package evaluate

import (
	"slices"

	"parvix/core/stage/document"
)

// A panel with values of its own shows the demonstration aside: the same formulas, scenes and findings, with those values
// in the place of the dials'. It follows what is in play elsewhere, and records no traces.

// loadAsides understands the entries once more for each panel with values of its own.
func (d *Demonstration) loadAsides() {
	for i := range d.Document.Panels {
		p := &d.Document.Panels[i]
		if a := d.aside(p); a != nil {
			d.asides[p.ID] = a
		}
	}
}

// aside is the demonstration with a panel's own values; nil where it has none.
func (d *Demonstration) aside(p *document.Panel) *Demonstration {
	values := d.Values.with(p.Values)
	if values == nil {
		return nil
	}
	a := &Demonstration{Document: d.Document, Said: d.Said, Values: values, Formulas: d.Formulas.with(values), Panels: d.Panels,
		Scenes: d.Scenes, Findings: d.Findings.with(values), Datasets: d.Datasets}
	// What is wrong with an entry was reported when it was first understood.
	a.Shown = listed(d.Document.Shown)
	for _, s := range a.Shown {
		a.understand(s)
	}
	return a
}

// at is the demonstration as a panel shows it.
func (d *Demonstration) at(p *document.Panel) *Demonstration {
	if a := d.asides[p.ID]; a != nil {
		return a
	}
	return d
}

// follow takes over what has moved elsewhere.
func (d *Demonstration) follow(in *Demonstration) {
	for i, p := range in.Parameters {
		d.Set(i, p.Value)
	}
	for k := len(in.Parameters); k+1 < len(in.inputs); k++ {
		d.put(k, in.in[k+1])
	}
	for i, s := range in.Shown {
		if t, ok := s.Live.(Stepped); ok {
			if own, understood := d.Shown[i].Live.(Stepped); understood {
				own.Go(t.StandsAt())
			}
		}
	}
	d.updateShown()
}

// with are the same parameters, some of them at values that do not move; nil where none of them is named.
func (vs *Values) with(own map[string]float64) *Values {
	a := &Values{index: vs.index, inputs: vs.inputs, in: slices.Clone(vs.in), tick: vs.tick, moved: slices.Clone(vs.moved),
		still: make([]bool, len(vs.Parameters))}
	for i, p := range vs.Parameters {
		same := *p
		if v, is := own[p.Stated.Name]; is {
			same.Value, a.in[i+1], a.still[i] = v, v, true
		}
		a.Parameters = append(a.Parameters, &same)
	}
	if !slices.Contains(a.still, true) {
		return nil
	}
	return a
}

// with understands further formulas in other values.
func (fs *Formulas) with(values *Values) *Formulas {
	same := *fs
	same.values, same.now = values, map[*Function]written{}
	same.Problems, same.Notices, same.Missing = nil, nil, nil
	return &same
}

// with are the same findings, told for other values.
func (fi *Findings) with(values *Values) *Findings { return &Findings{values, fi.discovered} }
