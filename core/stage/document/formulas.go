package document

// Formulas visits every formula of a document, to be read or rewritten, with the letters that are variables in it. Names
// that stand alone, as that of a curve's function, are no formulas.
func (d *Document) Formulas(visit func(text *string, variables ...string)) {
	for i := range d.Stated {
		e := &d.Stated[i]
		visit(&e.Formula, e.Variables...)
		for _, text := range []*string{&e.From, &e.To, &e.Step} {
			visit(text)
		}
		for k := range e.Columns {
			visit(&e.Columns[k].Formula, e.ColumnLetters()...)
		}
	}
	for _, r := range d.Refs() {
		if r.IsFormula() {
			visit(r.Text, r.Variables...)
		}
	}
}

// Refs are those of all entries, shown and said.
func (d *Document) Refs() (list []Ref) {
	for _, entries := range [][]Entry{d.Shown, d.Said} {
		for i := range entries {
			list = append(list, entries[i].Refs()...)
		}
	}
	return list
}
