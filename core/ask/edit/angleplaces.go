package edit

import (
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	angles "parvix/core/maths/circle"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/kinds/table"
)

// places converts what stands at places of axes that count the new unit, so that it stays where it is seen, and in all formulas the angles
// that are put into functions of an angle, as in f(π/3).
func (u *unitChange) places(takesAngle map[string]bool) {
	for _, list := range [][]document.Entry{u.d.Shown, u.d.Said} {
		for i := range list {
			e := &list[i]
			if u.standsOnAngles(e) {
				for _, text := range placesIn(e.Body) {
					*text = u.place(*text)
				}
			}
			for _, r := range e.Refs() {
				if r.IsFormula() && r.Text != nil {
					*r.Text = u.put(*r.Text, r.Variables, takesAngle)
				}
			}
		}
	}
}

// standsOnAngles tells that all planes on which an entry is seen have an axis that was converted.
func (u *unitChange) standsOnAngles(e *document.Entry) bool {
	seen := 0
	for _, p := range u.d.Panels {
		if p.Kind != document.Plane || !e.IsOn(p.ID) {
			continue
		}
		if !u.done[p.ID] {
			return false
		}
		seen++
	}
	return seen > 0
}

// placesIn are the places along the x-axis that a body is given by.
func placesIn(body document.Body) (list []*string) {
	switch b := body.(type) {
	case *point.Body:
		if b.Z == "" {
			list = append(list, &b.X)
		}
	case *guide.Body:
		if b.Direction == guide.Upright {
			list = append(list, &b.At)
		}
	case *figure.Body:
		if b.At != "" {
			list = append(list, &b.At)
		}
	case *region.Body:
		if b.Function != "" {
			list = append(list, &b.From, &b.To)
		}
	case *table.Body:
		for i := range b.Rows {
			list = append(list, &b.Rows[i].X)
		}
	}
	return list
}

// inOther is how a place that has no short number in another unit is written there: 0.9 radians as 0.9·180/π degrees, 17.3° as 17.3·π/180.
var inOther = map[document.AngleUnit]string{document.Degree: "·180/π", document.Radian: "·π/180"}

// place writes a place on a converted axis in the new unit: a dial that it is becomes an angle, a number is converted exactly.
func (u *unitChange) place(text string) string {
	was := document.Radian
	if u.unit == document.Radian {
		was = document.Degree
	}
	if own, is := strings.CutSuffix(text, inOther[was]); is {
		return unbracketed(own)
	}
	f, err := expr.Parse(text, scope(u.d))
	if err != nil || hasUnit(f.Node) {
		return text
	}
	if name, is := f.Node.(*expr.Name); is {
		u.dial(name.Name)
		return text
	}
	if len(expr.Names(f.Node)) > 0 {
		u.tell("The place %s stays as it is: whether its letters are angles is not known.", text)
		return text
	}
	if u.isShort(f.Node) {
		return u.written(f.Node, text)
	}
	if _, sum := f.Node.(*expr.Binary); sum || strings.HasPrefix(text, "(") {
		text = "(" + text + ")"
	}
	return text + inOther[u.unit]
}

// unbracketed takes the brackets off that place has put around a formula.
func unbracketed(text string) string {
	if strings.HasPrefix(text, "(") && strings.HasSuffix(text, ")") {
		return text[1 : len(text)-1]
	}
	return text
}

// isShort tells that an angle is a share of π, so that both units write it exactly.
func (u *unitChange) isShort(n expr.Node) bool {
	at, err := program.CompilePoint(n, []string{"\x00"})
	if err != nil {
		return false
	}
	v := at([]float64{0})
	if u.unit == document.Radian {
		v = number.InRadians(v)
	}
	return angles.At(v).Exact() != nil
}

// put converts the numbers in a formula that are put into functions of an angle.
func (u *unitChange) put(text string, variables []string, takesAngle map[string]bool) string {
	f, err := expr.Parse(text, scope(u.d).With(variables...))
	if err != nil {
		return text
	}
	var pieces []piece
	expr.Walk(f.Node, func(n expr.Node) bool {
		call, is := n.(*expr.Call)
		if !is || !takesAngle[call.Name] || len(call.Args) != 1 {
			return true
		}
		arg := call.Args[0]
		if len(expr.Names(arg)) == 0 && !hasUnit(arg) {
			pieces = append(pieces, piece{arg.Pos(), arg.End(), u.place(text[arg.Pos():arg.End()])})
		} else if name, isName := arg.(*expr.Name); isName && !slices.Contains(variables, name.Name) {
			u.dial(name.Name)
		}
		return false
	})
	return put(text, pieces)
}
