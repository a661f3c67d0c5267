package question

import (
	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
	"parvix/core/maths/transform"
)

// transformation takes the expression apart into its parent and the steps from there.
func (q *Question) transformation(degrees bool) (map[string]any, error) {
	n, err := q.readAsWritten(q.Expr)
	if err != nil {
		return nil, err
	}
	found, reason := transform.Recognise(n, "x", degrees)
	if reason != "" {
		return map[string]any{"parent": nil, "reason": reason}, nil
	}
	readings := found.Readings("x")
	answer := readingFields(readings[0])
	equivalents := []map[string]any{}
	for _, r := range readings[1:] {
		fields := readingFields(r)
		fields["why"] = r.Why
		equivalents = append(equivalents, fields)
	}
	answer["equivalents"] = equivalents
	keys := []map[string]any{}
	states := readings[0].States("x")
	first, last := states[0], states[len(states)-1]
	for i, k := range first.Keys {
		keys = append(keys, map[string]any{"from": placeFields(k), "to": placeFields(last.Keys[i])})
	}
	answer["keyPoints"] = keys
	return answer, nil
}

func readingFields(r transform.Reading) map[string]any {
	f := r.Form
	out := map[string]any{"parent": expr.Text(f.Parent.Of(&expr.Name{Name: "x"})), "parentName": f.Parent.Kind}
	for name, n := range map[string]expr.Node{"A": f.A, "B": f.B, "h": f.H, "k": f.K} {
		out[name], out[name+"Exact"] = numberOrNull(n), expr.Text(n)
	}
	steps := []map[string]any{}
	for _, s := range r.Steps("x") {
		step := map[string]any{"kind": s.Kind(), "amount": nil, "text": s.Text(), "expr": expr.Text(s.Formula)}
		if s.Amount != nil {
			step["amount"], step["amountExact"] = numberOrNull(s.Amount), expr.Text(s.Amount)
		}
		steps = append(steps, step)
	}
	out["steps"] = steps
	return out
}

func placeFields(p transform.Place) map[string]any {
	return map[string]any{"x": numberOrNull(p.X), "y": numberOrNull(p.Y), "exact": expr.Text(p.X), "exactY": expr.Text(p.Y)}
}

// numberOrNull is a number, or null while letters stand in it.
func numberOrNull(n expr.Node) any {
	if len(expr.Names(n)) > 0 {
		return nil
	}
	return jsonNumber(exact.Float(n))
}
