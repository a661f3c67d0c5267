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
	}
	for i := range d.Shown {
		d.Shown[i].formulas(visit)
	}
	for i := range d.Said {
		for k := range d.Said[i].Pieces {
			if p := &d.Said[i].Pieces[k]; p.Kind != Words && p.Kind != Told {
				visit(&p.Text)
			}
		}
	}
}

func (s *Shown) formulas(visit func(text *string, variables ...string)) {
	visit(&s.X)
	visit(&s.Y)
	if s.Kind == Guide && s.Direction == Slanted {
		visit(&s.At, "x")
	} else {
		visit(&s.At)
	}
	for k := range s.Rows {
		visit(&s.Rows[k].X)
		visit(&s.Rows[k].Y)
	}
	if f := s.Family; f != nil {
		for k := range f.Values {
			visit(&f.Values[k])
		}
		for _, text := range []*string{&f.From, &f.To, &f.Step} {
			visit(text)
		}
	}
	if m := s.Trajectory; m != nil {
		visit(&m.X, m.Variable)
		visit(&m.Y, m.Variable)
		visit(&m.From)
		visit(&m.To)
	}
	if c := s.Circle; c != nil {
		for _, text := range []*string{&c.Angle, &c.Radius, &c.Centre} {
			visit(text)
		}
	}
	if s.Part != nil {
		visit(&s.Part.Step)
	}
}
