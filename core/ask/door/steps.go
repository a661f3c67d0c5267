package door

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/evaluate"
)

// stepsView is what of a transformation changes with the document only.
func stepsView(d *evaluate.Demonstration, s *evaluate.Shown) StepsView {
	t := s.Steps
	v := StepsView{ID: s.Entry.ID, Function: expr.LaTeXName(s.Entry.Function), Parent: d.LaTeX(t.States[0].Formula, d.Class),
		Formulas: []string{}, Readings: []ReadingOnce{}}
	for _, state := range t.States[1:] {
		v.Formulas = append(v.Formulas, d.LaTeX(state.Formula, d.Class))
	}
	x := s.Curve.Stated.Variables[0]
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

// stepsNow is where a transformation stands.
func stepsNow(d *evaluate.Demonstration, index int, s *evaluate.Shown) StepsNow {
	t := s.Steps
	place := t.PlaceAt(d, t.Position)
	n := StepsNow{ID: s.Entry.ID, Index: index, Position: t.Position, Sentences: t.Sentences(d), Keys: []KeyMove{}}
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

func pair(d *evaluate.Demonstration, x, y float64) string {
	separator := ", "
	if d.Document.DecimalComma {
		separator = "; "
	}
	return "(" + d.Numeral(number.Format(x, 2)) + separator + d.Numeral(number.Format(y, 2)) + ")"
}

// mostLines is how many asymptotes are named one by one.
const mostLines = 4

func lines(d *evaluate.Demonstration, letter string, at []float64) string {
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
