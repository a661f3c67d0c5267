package evaluate

import (
	"maps"
	"math/big"

	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/document"
)

// Numbers are the parameters' values as they are written on the dials.
func (d *Demonstration) Numbers() map[string]*big.Rat {
	if d.numbersAt == d.tick && !d.held {
		return d.numbers
	}
	values := map[string]*big.Rat{}
	for _, p := range d.Parameters {
		decimals := number.Decimals(p.Value, 6)
		if r := new(big.Rat).SetFloat64(number.Round(p.Value, decimals)); r != nil {
			if short, ok := new(big.Rat).SetString(r.FloatString(decimals)); ok {
				r = short
			}
			values[p.Stated.Name] = r
		}
	}
	if !d.held {
		d.numbers, d.numbersAt = values, d.tick
	}
	return values
}

// NumbersBut are the parameters' values, those left out that a variable of the same letter hides.
func (d *Demonstration) NumbersBut(variables ...string) map[string]*big.Rat {
	all := d.Numbers()
	for _, v := range variables {
		if _, hides := all[v]; hides {
			all = maps.Clone(all)
			delete(all, v)
		}
	}
	return all
}

// Now is the function's formula with the present values put in, as LaTeX.
func (d *Demonstration) Now(f *Function) string {
	if f.Formula == nil {
		return ""
	}
	if d.held {
		return d.LaTeX(symbolic.PutNumbers(f.Formula, d.NumbersBut(f.Stated.Variables...)), nil)
	}
	if stamp := d.Stamp(f); f.nowAt != stamp {
		f.now, f.nowAt = d.LaTeX(symbolic.PutNumbers(f.Formula, d.NumbersBut(f.Stated.Variables...)), nil), stamp
	}
	return f.now
}

// Class is the style class of a parameter's letter, the same wherever it is typeset.
func (d *Demonstration) Class(name string) string {
	if i, ok := d.index[name]; ok {
		return ColourClass(d.Parameters[i].Stated.Colour)
	}
	return ""
}

// ColourClass is the style class of a colour's number.
func ColourClass(colour int) string {
	return "hue-" + string(rune('0'+((colour%document.Colours)+document.Colours)%document.Colours))
}
