package edit

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// Decimals changes the decimal sign of a demonstration and rewrites every formula in it.
func Decimals(before *document.Document, comma bool) (*document.Document, error) {
	d := clone(before)
	if d.DecimalComma == comma {
		return d, nil
	}
	d.DecimalComma = comma
	rewrite := func(text *string, _ ...string) {
		if comma {
			*text = expr.WithDecimalComma(*text)
		} else {
			*text = expr.WithDecimalPoint(*text)
		}
	}
	d.Formulas(rewrite)
	for i := range d.Stated {
		for k := range d.Stated[i].Columns {
			cells := d.Stated[i].Columns[k].Cells
			for row := range cells {
				rewrite(&cells[row])
			}
		}
	}
	return d, d.Check()
}
