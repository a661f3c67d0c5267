package question

import (
	"math"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/classify"
	"parvix/core/maths/exact"
	"parvix/core/maths/locus"
)

// features accepts the names by which a feature is asked for.
var featureNames = map[string]locus.Feature{"vertex": locus.Vertex, "extrema": locus.Extrema, "extremum": locus.Extrema,
	"maxima": locus.Maxima, "maximum": locus.Maxima, "minima": locus.Minima, "minimum": locus.Minima,
	"inflections": locus.Inflections, "inflection": locus.Inflections, "zeros": locus.Zeros, "zero": locus.Zeros,
	"yIntercept": locus.YIntercept}

// Values of the parameter for the points of a locus, where from and to do not say others.
const locusFrom, locusTo, locusSteps = -5.0, 5.0, 40

// locus answers the path of a feature while a parameter varies.
func (q *Question) locus(degrees bool) (map[string]any, error) {
	feature, known := featureNames[q.Of]
	if !known {
		return nil, problem.New("field", 0, 0, "of", "one of vertex, extrema, maxima, minima, inflections, zeros, yIntercept")
	}
	of, ok := expr.NameOf(q.As)
	if !ok {
		return nil, problem.New("field", 0, 0, "as", "the name of a parameter")
	}
	n, err := q.readWith(degrees, of)
	if err != nil {
		return nil, err
	}
	path := locus.Of(n, "x", of, feature)
	answer := map[string]any{"equation": nil, "stays": path.Stays}
	switch {
	case path.Equation != nil:
		answer["equation"] = "y = " + expr.Text(path.Equation)
	case path.Upright != nil:
		answer["equation"] = "x = " + expr.Text(path.Upright)
	}
	from, to := locusFrom, locusTo
	if q.From != nil {
		from = q.From.Value
	}
	if q.To != nil {
		to = q.To.Value
	}
	values := make([]float64, locusSteps+1)
	for i := range values {
		values[i] = from + (to-from)*float64(i)/locusSteps
	}
	points := []map[string]any{}
	if len(expr.Names(n)) <= 2 {
		for _, p := range locus.Points(n, "x", of, feature, values) {
			points = append(points, map[string]any{"x": jsonNumber(p.X), "y": jsonNumber(p.Y), "value": jsonNumber(p.Value)})
		}
	}
	answer["points"] = points
	return answer, nil
}

// readWith reads the expression with one more letter known as a name.
func (q *Question) readWith(degrees bool, name string) (expr.Node, error) {
	q.names = append(q.names, name)
	return q.read(degrees)
}

// effect answers what a parameter does.
func (q *Question) effect(degrees bool) (map[string]any, error) {
	of, ok := expr.NameOf(q.Of)
	if !ok {
		return nil, problem.New("field", 0, 0, "of", "the name of a parameter")
	}
	n, err := q.readWith(degrees, of)
	if err != nil {
		return nil, err
	}
	e := locus.EffectOf(n, "x", of)
	fixed, moves, degenerate := []map[string]any{}, []map[string]any{}, []map[string]any{}
	for _, p := range e.Fixed {
		fields := map[string]any{"x": numberOrNull(p.X), "y": numberOrNull(p.Y), "exact": expr.Text(p.X), "exactY": expr.Text(p.Y)}
		if p.Every != nil {
			fields["repeat"], fields["repeatExact"] = jsonNumber(exact.Float(p.Every)), expr.Text(p.Every)
		}
		fixed = append(fixed, fields)
	}
	for _, m := range e.Moves {
		if !m.Path.HasEquation() && !m.Path.Stays {
			continue
		}
		path := "stays"
		switch {
		case m.Path.Stays:
		case m.Path.Equation != nil:
			path = "y = " + expr.Text(m.Path.Equation)
		default:
			path = "x = " + expr.Text(m.Path.Upright)
		}
		moves = append(moves, map[string]any{"feature": m.Feature, "path": path})
	}
	for _, d := range e.Degenerate {
		degenerate = append(degenerate, map[string]any{"value": numberOrNull(d.Value), "exact": expr.Text(d.Value),
			"becomes": d.Kind, "expr": expr.Text(d.Becomes)})
	}
	return map[string]any{"fixedPoints": fixed, "moves": moves, "degenerate": degenerate}, nil
}

// mostRows bounds a table.
const mostRows = 10000

// classify answers the type of a table.
func (q *Question) classify() (map[string]any, error) {
	if len(q.X.Numbers) != len(q.Y.Numbers) || len(q.X.Numbers) == 0 || len(q.X.Numbers) > mostRows {
		return nil, problem.New("field", 0, 0, "x", "as many numbers as in y, at least one")
	}
	for i := 1; i < len(q.X.Numbers); i++ {
		if !(q.X.Numbers[i] > q.X.Numbers[i-1]) {
			return nil, problem.New("field", 0, 0, "x", "numbers in rising order")
		}
	}
	t := classify.Of(q.X.Numbers, q.Y.Numbers)
	differences := [][]any{}
	for _, row := range t.Differences {
		differences = append(differences, jsonNumbers(row))
	}
	return map[string]any{"type": t.Type, "reason": t.Reason, "differences": differences, "ratios": jsonNumbers(t.Ratios)}, nil
}

func jsonNumbers(list []float64) []any {
	out := make([]any, 0, len(list))
	for _, v := range list {
		if math.IsNaN(v) {
			out = append(out, "undefined")
			continue
		}
		// Differences of decimals carry noise behind the twelfth digit.
		short, _ := strconv.ParseFloat(strconv.FormatFloat(v, 'g', 12, 64), 64)
		out = append(out, jsonNumber(short))
	}
	return out
}
