package question

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/trajectory"
)

// letters are those that the parameter of a curve may have; a polar curve's is θ where it has none of them.
var letters = []string{"θ", "t", "φ", "x", "s", "u"}

// running answers about a polar or a parametric curve.
func (q *Question) running(degrees bool) (map[string]any, error) {
	c, letter, err := q.trajectory(degrees)
	if err != nil {
		return nil, err
	}
	unit := 1.0
	if degrees && c.R != nil {
		unit = math.Pi / 180
	}
	answer := map[string]any{"closing": nil, "variable": letter}
	closing, closes := c.Closing()
	if closes {
		answer["closing"] = jsonNumber(closing.Float() / unit)
		answer["closingExact"] = expr.Text(closing.Node())
		if unit != 1 {
			answer["closingExact"] = expr.Text(symbolic.Simplify(expr.Over(expr.Times(closing.Node(), expr.Num(180)), &expr.Constant{Name: "pi"})).Node)
		}
	}
	from, to, err := q.interval(c, unit)
	if err != nil {
		return nil, err
	}
	answer["from"], answer["to"] = jsonNumber(from/unit), jsonNumber(to/unit)
	area, length := c.Area(from, to), c.Length(from, to)
	answer["area"], answer["length"] = jsonNumber(area.Value), jsonNumber(length.Value)
	if c.Z != nil {
		answer["area"] = nil
	}
	answer["box"] = boxFields(c.Box(from, to))
	lines := [][][]any{}
	for _, line := range c.Lines(from, to) {
		points := make([][]any, len(line))
		for i, p := range line {
			points[i] = []any{jsonNumber(p.X), jsonNumber(p.Y)}
			if c.Z != nil {
				points[i] = append(points[i], jsonNumber(p.Z))
			}
		}
		lines = append(lines, points)
	}
	answer["lines"] = lines
	if c.Z != nil {
		if err := (spatial{q}).inSpace(c, from, to, degrees, answer); err != nil {
			return nil, err
		}
	}
	if q.Step != nil {
		rows, ok := c.Table(from, to, q.Step.Value*unit)
		if !ok {
			return nil, problem.New("field", 0, 0, "step", "a number above 0 that gives at most 20000 rows")
		}
		answer["table"] = tableRows(c, rows, letter, unit)
	}
	return answer, nil
}

// interval is the one that is asked for, in radians; a curve that never closes is answered for one turn where none is given.
func (q *Question) interval(c *trajectory.Curve, unit float64) (from, to float64, err error) {
	from, to = 0.0, 2*math.Pi
	if closing, closes := c.Closing(); closes {
		to = closing.Float()
	}
	if q.From != nil {
		from = q.From.Value * unit
		if q.To == nil {
			to += from
		}
	}
	if q.To != nil {
		to = q.To.Value * unit
	}
	if !(from < to) || math.IsInf(to-from, 0) || to-from > 1e5 {
		return 0, 0, problem.New("ends", 0, 0)
	}
	return from, to, nil
}

func tableRows(c *trajectory.Curve, rows []trajectory.Point, letter string, unit float64) []map[string]any {
	name := map[string]string{"θ": "theta", "φ": "phi"}[letter]
	if name == "" {
		name = letter
	}
	list := make([]map[string]any, len(rows))
	for i, p := range rows {
		list[i] = map[string]any{name: jsonNumber(p.T / unit), "x": jsonNumber(p.X), "y": jsonNumber(p.Y)}
		if c.R != nil {
			list[i]["r"] = jsonNumber(p.R)
		}
		if c.Z != nil {
			list[i]["z"] = jsonNumber(p.Z)
		}
	}
	return list
}

func boxFields(b trajectory.Box) map[string]any {
	fields := map[string]any{"left": jsonNumber(b.Low[0]), "right": jsonNumber(b.High[0]), "bottom": jsonNumber(b.Low[1]), "top": jsonNumber(b.High[1])}
	if b.Spatial {
		fields["low"], fields["high"] = jsonNumber(b.Low[2]), jsonNumber(b.High[2])
	}
	return fields
}

// trajectory reads the curve of the question; its parameter is the one letter that has no value.
func (q *Question) trajectory(degrees bool) (c *trajectory.Curve, letter string, err error) {
	texts := []string{string(q.R)}
	if q.Ask == "parametric" {
		texts = []string{q.X.Text, q.Y.Text}
		if q.Z != "" {
			texts = append(texts, q.Z)
		}
	}
	q.names = letters
	var nodes []expr.Node
	for i, text := range texts {
		if text == "" {
			field := "r"
			if q.Ask == "parametric" {
				field = []string{"x", "y"}[i]
			}
			return nil, "", problem.New("field", 0, 0, field, "a formula is needed")
		}
		q.Expr = text // the place of a mistake counts in this text
		n, err := q.readAsWritten(text)
		if err != nil {
			return nil, "", err
		}
		nodes = append(nodes, n)
		for _, name := range expr.Names(n) {
			if letter != "" && letter != name {
				return nil, "", problem.New("no-value", 0, 0, name)
			}
			letter = name
		}
	}
	if letter == "" {
		letter = map[string]string{"polar": "θ", "parametric": "t"}[q.Ask]
	}
	for i := range nodes {
		nodes[i] = symbolic.Radians(nodes[i], degrees)
		if degrees && q.Ask == "polar" {
			// The curve itself counts its angle in radians.
			turned := expr.Over(expr.Times(expr.Num(180), &expr.Name{Name: letter}), &expr.Constant{Name: "pi"})
			nodes[i] = symbolic.Simplify(symbolic.Substitute(nodes[i], map[string]expr.Node{letter: turned})).Node
		}
	}
	if q.Ask == "polar" {
		c, err = trajectory.Polar(nodes[0], letter)
		return c, letter, err
	}
	var z expr.Node
	if len(nodes) == 3 {
		z = nodes[2]
	}
	c, err = trajectory.Parametric(nodes[0], nodes[1], z, letter)
	return c, letter, err
}
