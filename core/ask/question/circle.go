package question

import (
	"encoding/json"
	"fmt"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/circle"
)

// typed is a text, or a number that stands for its own text.
type typed string

// UnmarshalJSON reads either.
func (t *typed) UnmarshalJSON(data []byte) error {
	var text string
	if json.Unmarshal(data, &text) != nil {
		var n json.Number
		if err := json.Unmarshal(data, &n); err != nil {
			return problem.New("field", 0, 0, "angle", "a text, such as “210°”")
		}
		node, err := valueNode(data)
		if err != nil {
			return err
		}
		text = expr.Text(node)
	}
	*t = typed(text)
	return nil
}

// circle answers where an angle lies and what the six functions are there; lengths are in radii, the arc in the radius's
// own unit.
func (q *Question) circle(degrees bool) (map[string]any, error) {
	text := string(q.Angle)
	if text == "" || text == "degree" || text == "radian" {
		text = q.Expr
	}
	if strings.TrimSpace(text) == "" {
		return nil, problem.New("field", 0, 0, "angle", "an angle is needed, such as “210°” or “7pi/6”")
	}
	n, err := q.readAsWritten(text)
	if err != nil {
		return nil, err
	}
	// A bare number is in the unit that is asked for; one with a degree sign or with π says its own.
	if degrees && !expr.Any(n, isDegree) && !expr.Any(n, isPi) {
		n = &expr.Degree{X: n}
	}
	n = symbolic.Radians(n, false)
	v, err := constant(n)
	if err != nil {
		return nil, err
	}
	a, ok := circle.Of(n, v)
	if !ok {
		return nil, problem.New("field", 0, 0, "angle", "it has no value")
	}
	radius := Number{Value: 1, Node: expr.Num(1)}
	if q.Radius != nil {
		radius = *q.Radius
	}
	if !(radius.Value > 0) {
		return nil, problem.New("field", 0, 0, "radius", "a number above 0 is needed")
	}
	answer := map[string]any{"radians": a.Radians, "degrees": a.Degrees(), "reference": angleFields(a.Reference()),
		"principal": angleFields(a.Principal()), "turns": a.Turns(), "coterminal": []any{angleFields(a.Coterminal(-1)), angleFields(a.Coterminal(1))}}
	if node := a.Exact(); node != nil {
		answer["exact"] = expr.Text(node)
	}
	arc := map[string]any{"value": jsonNumber(a.Radians * radius.Value)}
	if node := a.Exact(); node != nil {
		arc["exact"] = expr.Text(symbolic.Simplify(expr.Times(radius.Node, node)).Node)
	}
	answer["arc"] = arc
	if quadrant, axis := a.Quadrant(); quadrant > 0 {
		answer["quadrant"] = quadrant
	} else {
		answer["quadrant"], answer["axis"] = nil, axis
	}
	for _, f := range circle.Functions() {
		answer[string(f)] = lengthFields(f.Of(a))
	}
	return answer, nil
}

func isDegree(n expr.Node) bool { _, is := n.(*expr.Degree); return is }

func isPi(n expr.Node) bool {
	c, is := n.(*expr.Constant)
	return is && c.Name == "pi"
}

func angleFields(a circle.Angle) map[string]any {
	fields := map[string]any{"value": jsonNumber(a.Radians), "degrees": jsonNumber(a.Degrees())}
	fields["text"] = fmt.Sprintf("%v°", a.Degrees())
	if node := a.Exact(); node != nil {
		fields["exact"] = expr.Text(node)
	}
	return fields
}

func lengthFields(l circle.Length) map[string]any {
	if l.Undefined != "" {
		return map[string]any{"value": "undefined", "reason": l.Undefined, "text": "undefined: " + l.Undefined}
	}
	fields := map[string]any{"value": jsonNumber(l.Value)}
	fields["text"] = fmt.Sprint(fields["value"])
	if l.Exact != nil {
		fields["exact"] = expr.Text(l.Exact)
		fields["text"] = fmt.Sprintf("%s ≈ %v", fields["exact"], fields["value"])
	}
	return fields
}
