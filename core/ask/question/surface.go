package question

import (
	"encoding/json"
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/surface"
)

// spatial is a question about space.
type spatial struct{ *Question }

// surface answers about a function of x and y: values and partial derivatives at a place, whether it lies on a level curve, stationary
// points and the range over a rectangle, and a section.
func (q spatial) surface(degrees bool) (map[string]any, error) {
	q.names = []string{"x", "y"}
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	for _, name := range expr.Names(n) {
		if name != "x" && name != "y" {
			return nil, problem.New("no-value", 0, 0, name)
		}
	}
	s, err := surface.New(n, "x", "y")
	if err != nil {
		return nil, err
	}
	answer := map[string]any{}
	if len(q.At) > 0 {
		if err := q.atPlace(s, n, degrees, answer); err != nil {
			return nil, err
		}
	}
	if q.XFrom != nil || q.XTo != nil || q.YFrom != nil || q.YTo != nil {
		if err := q.overRectangle(s, answer); err != nil {
			return nil, err
		}
	}
	if len(q.Section) > 0 {
		if err := q.section(n, degrees, answer); err != nil {
			return nil, err
		}
	}
	if len(answer) == 0 {
		return nil, problem.New("field", 0, 0, "at", "a place {x, y}, a rectangle or a section is needed")
	}
	return answer, nil
}

// place reads {x, y}.
func (q spatial) place(degrees bool) (map[string]expr.Node, error) {
	var given map[string]json.RawMessage
	if err := json.Unmarshal(q.At, &given); err != nil || given["x"] == nil || given["y"] == nil {
		return nil, problem.New("field", 0, 0, "at", "an object with x and y is wanted")
	}
	at := map[string]expr.Node{}
	for _, name := range []string{"x", "y"} {
		n, err := valueNode(given[name])
		if err != nil {
			return nil, problem.New("field", 0, 0, "at."+name, strings.TrimSuffix(err.Error(), "."))
		}
		at[name] = symbolic.Radians(n, degrees)
	}
	return at, nil
}

// atPlace answers the value and the partial derivatives at a place.
func (q spatial) atPlace(s *surface.Surface, n expr.Node, degrees bool, answer map[string]any) error {
	at, err := q.place(degrees)
	if err != nil {
		return err
	}
	exactly, reasons := map[string]any{}, map[string]any{}
	put := func(name string, formula expr.Node) error {
		told, err := valueOf(symbolic.Substitute(formula, at))
		if err != nil {
			return err
		}
		answer[name] = told["value"]
		if text, is := told["exact"]; is {
			exactly[name] = text
		}
		if reason, is := told["reason"]; is {
			reasons[name] = reason
			if answer["reason"] == nil {
				answer["reason"] = reason
			}
		}
		return nil
	}
	if err := put("value", n); err != nil {
		return err
	}
	for k, name := range surface.Names {
		if err := put(name, s.Partials[k]); err != nil {
			return err
		}
		// Where there is no value there is no slope either.
		if answer["value"] == "undefined" {
			answer[name] = "undefined"
			delete(exactly, name)
		}
	}
	answer["exact"] = exactly
	if len(reasons) > 0 {
		answer["reasons"] = reasons
	}
	if q.Level != nil {
		answer["onLevel"] = isOnLevel(symbolic.Substitute(n, at), q.Level.Node)
	}
	return nil
}

// isOnLevel tells whether a value is a level: exactly, or to the last digits where that cannot be told.
func isOnLevel(value, level expr.Node) bool {
	off := exact.Of(expr.Minus(value, level))
	if sign, known := off.Sign(); known {
		return sign == 0
	}
	v, err := constant(level)
	return err == nil && math.Abs(off.Float()) <= 1e-12*(1+math.Abs(v))
}

// overRectangle answers the stationary points and the range over a rectangle.
func (q spatial) overRectangle(s *surface.Surface, answer map[string]any) error {
	for _, f := range []struct {
		name   string
		number *Number
	}{{"xFrom", q.XFrom}, {"xTo", q.XTo}, {"yFrom", q.YFrom}, {"yTo", q.YTo}} {
		if f.number == nil {
			return problem.New("field", 0, 0, f.name, "xFrom, xTo, yFrom and yTo are needed together")
		}
	}
	r := surface.Rectangle{X0: q.XFrom.Value, X1: q.XTo.Value, Y0: q.YFrom.Value, Y1: q.YTo.Value}
	if !(r.X0 < r.X1 && r.Y0 < r.Y1) || math.IsInf(r.X1-r.X0+r.Y1-r.Y0, 0) {
		return problem.New("ends", 0, 0)
	}
	points, complete := s.Stationary(r)
	list := []map[string]any{}
	for _, p := range points {
		list = append(list, map[string]any{"x": jsonNumber(p.X), "y": jsonNumber(p.Y), "z": jsonNumber(p.Z), "kind": p.Kind,
			"exact": exactFields([]string{"x", "y", "z"}, p.Exact[:])})
	}
	answer["stationary"] = list
	undecided := []string{}
	if !complete {
		undecided = append(undecided, "stationary")
	}
	if extent, ok := s.Range(r); ok {
		answer["range"] = map[string]any{"lo": jsonNumber(extent.Lo), "hi": jsonNumber(extent.Hi), "loClosed": extent.LoClosed, "hiClosed": extent.HiClosed,
			"exact": exactFields([]string{"lo", "hi"}, extent.Exact[:])}
	} else {
		answer["range"] = nil
		undecided = append(undecided, "range")
	}
	if len(undecided) > 0 {
		answer["undecided"] = undecided
	}
	return nil
}

// exactFields are texts of what is known exactly, by their names.
func exactFields(names []string, nodes []expr.Node) map[string]any {
	fields := map[string]any{}
	for k, n := range nodes {
		if n != nil {
			fields[names[k]] = expr.Text(n)
		}
	}
	return fields
}

// section answers the function of the other letter where one is held.
func (q spatial) section(n expr.Node, degrees bool, answer map[string]any) error {
	if len(q.Section) != 1 {
		return problem.New("field", 0, 0, "section", "x or y with its value is wanted")
	}
	for name, data := range q.Section {
		if name != "x" && name != "y" {
			return problem.New("field", 0, 0, "section", "x or y with its value is wanted")
		}
		at, err := valueNode(data)
		if err != nil {
			return problem.New("field", 0, 0, "section."+name, strings.TrimSuffix(err.Error(), "."))
		}
		told := shown(symbolic.Simplify(symbolic.Substitute(n, map[string]expr.Node{name: symbolic.Radians(at, degrees)})))
		answer["section"], answer["latex"] = told["text"], told["latex"]
		if conditions, are := told["conditions"]; are {
			answer["conditions"] = conditions
		}
	}
	return nil
}
