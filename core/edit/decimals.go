package edit

import (
	"parvix/core/document"
	"parvix/core/expr"
)

// Decimals changes the decimal sign of a demonstration and rewrites every formula in it.
func Decimals(before *document.Document, comma bool) (*document.Document, error) {
	d := clone(before)
	if d.DecimalComma == comma {
		return d, nil
	}
	d.DecimalComma = comma
	rewrite := func(text *string) {
		if comma {
			*text = expr.WithDecimalComma(*text)
		} else {
			*text = expr.WithDecimalPoint(*text)
		}
	}
	for i := range d.Stated {
		e := &d.Stated[i]
		for _, text := range []*string{&e.Formula, &e.From, &e.To, &e.Step} {
			rewrite(text)
		}
	}
	for i := range d.Shown {
		e := &d.Shown[i]
		for _, text := range []*string{&e.X, &e.Y, &e.At} {
			rewrite(text)
		}
		if m := e.Trajectory; m != nil {
			for _, text := range []*string{&m.X, &m.Y, &m.From, &m.To} {
				rewrite(text)
			}
		}
		if c := e.Circle; c != nil {
			for _, text := range []*string{&c.Angle, &c.Radius, &c.Centre} {
				rewrite(text)
			}
		}
	}
	for i := range d.Said {
		for k := range d.Said[i].Pieces {
			if p := &d.Said[i].Pieces[k]; p.Kind != document.Words {
				rewrite(&p.Text)
			}
		}
	}
	return d, d.Check()
}
