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
	d.Formulas(func(text *string, _ ...string) {
		if comma {
			*text = expr.WithDecimalComma(*text)
		} else {
			*text = expr.WithDecimalPoint(*text)
		}
	})
	return d, d.Check()
}
