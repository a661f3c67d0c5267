package question

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/trajectory"
)

// inSpace adds what is known of a curve in space: its holes and breaks, where it meets the coordinate planes, and its motion at a place.
func (q spatial) inSpace(c *trajectory.Curve, from, to float64, degrees bool, answer map[string]any) error {
	holes, breaks := []map[string]any{}, []map[string]any{}
	for _, g := range c.SpaceGaps(from, to) {
		fields := map[string]any{"t": jsonNumber(g.T), "exact": textOrNull(g.Exact)}
		if g.IsHole {
			fields["x"], fields["y"], fields["z"] = jsonNumber(g.Left[0]), jsonNumber(g.Left[1]), jsonNumber(g.Left[2])
			holes = append(holes, fields)
			continue
		}
		fields["left"], fields["right"] = placeOrNull(g.Left), placeOrNull(g.Right)
		breaks = append(breaks, fields)
	}
	answer["holes"], answer["breaks"] = holes, breaks
	planes := map[string][]map[string]any{}
	for k, name := range [3]string{"yz", "xz", "xy"} {
		planes[name] = []map[string]any{}
		for _, m := range c.MeetsPlane(k, from, to) {
			planes[name] = append(planes[name], map[string]any{"t": jsonNumber(m.T), "exact": textOrNull(m.Exact), "x": jsonNumber(m.Place[0]),
				"y": jsonNumber(m.Place[1]), "z": jsonNumber(m.Place[2])})
		}
	}
	answer["planes"] = planes
	if len(q.At) == 0 {
		return nil
	}
	at, err := valueNode(q.At)
	if err != nil {
		return problem.New("field", 0, 0, "at", "a value of the parameter is wanted")
	}
	t, err := constant(symbolic.Radians(at, degrees))
	if err != nil {
		return problem.New("field", 0, 0, "at", "a value of the parameter is wanted")
	}
	m := c.MotionAt(t)
	answer["speed"], answer["curvature"] = jsonNumber(m.Speed), jsonNumber(m.Curvature)
	answer["tangent"] = placeOrNull(m.Tangent)
	return nil
}

func textOrNull(n expr.Node) any {
	if n == nil {
		return nil
	}
	return expr.Text(n)
}

// placeOrNull is a place as a list, null where it is none.
func placeOrNull(p [3]float64) any {
	if s := p[0] + p[1] + p[2]; math.IsNaN(s) || math.IsInf(s, 0) {
		return nil
	}
	return []any{jsonNumber(p[0]), jsonNumber(p[1]), jsonNumber(p[2])}
}
