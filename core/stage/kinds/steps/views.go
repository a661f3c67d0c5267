package steps

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// View is a transformation in steps.
type View struct {
	ID string `json:"id"`
	// Function and Parent are typeset; Parent is the parent's formula.
	Function string `json:"function"`
	Parent   string `json:"parent"`
	// Formulas are the function after each step.
	Formulas []string      `json:"formulas"`
	Readings []ReadingOnce `json:"readings"`
}

// ReadingOnce is one of the right readings of a transformation, to be chosen: its steps and why it is right too.
type ReadingOnce struct {
	Steps []string `json:"steps"`
	Why   string   `json:"why"`
}

// Now is a transformation where it stands, with the values in play.
type Now struct {
	ID string `json:"id"`
	// Index is the place of the entry among those that are shown.
	Index     int      `json:"index"`
	Position  float64  `json:"position"`
	Sentences []string `json:"sentences"`
	// Keys are the parent's key points and where they are now.
	Keys    []KeyMove `json:"keys"`
	Domain  string    `json:"domain"`
	Range   string    `json:"range"`
	Upright string    `json:"upright"`
	Level   string    `json:"level"`
}

// KeyMove is a key point before and after.
type KeyMove struct {
	From string `json:"from"`
	To   string `json:"to"`
}

// View is what of a transformation changes with the document only.
func (t *Live) View(d evaluate.Moment, e *document.Entry) View {
	v := View{ID: e.ID, Function: expr.LaTeXName(t.Function.Stated.Name), Parent: d.LaTeX(t.States[0].Formula, d.Class),
		Formulas: []string{}, Readings: []ReadingOnce{}}
	for _, state := range t.States[1:] {
		v.Formulas = append(v.Formulas, d.LaTeX(state.Formula, d.Class))
	}
	x := t.Function.Stated.Variables[0]
	for _, r := range t.Readings {
		once := ReadingOnce{Steps: []string{}, Why: d.Numeral(r.Why)}
		for i, step := range r.Steps(x) {
			head, _, _ := strings.Cut(step.Text(), ":")
			if i > 0 {
				head = strings.ToLower(head[:1]) + head[1:]
			}
			once.Steps = append(once.Steps, d.Numeral(strings.TrimSuffix(head, ".")))
		}
		v.Readings = append(v.Readings, once)
	}
	return v
}

// Now is where a transformation stands.
func (t *Live) Now(d evaluate.Moment, e *document.Entry, index int) Now {
	place := t.PlaceAt(d, t.Position)
	n := Now{ID: e.ID, Index: index, Position: t.Position, Sentences: t.Sentences(d), Keys: []KeyMove{}}
	n.Domain, n.Range = t.ExtentsText(d, place)
	keys := t.Keys(d)
	for i := 0; i+1 < len(keys); i += 2 {
		x, y := place.Of(keys[i], keys[i+1])
		n.Keys = append(n.Keys, KeyMove{pair(d, keys[i], keys[i+1]), pair(d, x, y)})
	}
	upright, level := t.Asymptotes(place, -10, 10)
	n.Upright, n.Level = lines(d, "x", upright), lines(d, "y", level)
	return n
}

func pair(d evaluate.Moment, x, y float64) string {
	separator := ", "
	if d.HasDecimalComma() {
		separator = "; "
	}
	return "(" + d.Numeral(number.Format(x, 2)) + separator + d.Numeral(number.Format(y, 2)) + ")"
}

// mostLines is how many asymptotes are named one by one.
const mostLines = 4

func lines(d evaluate.Moment, letter string, at []float64) string {
	var list []string
	for i, v := range at {
		if i == mostLines {
			list = append(list, "…")
			break
		}
		list = append(list, letter+" = "+d.Numeral(number.Format(v, 3)))
	}
	return strings.Join(list, ", ")
}
