package question

import (
	"fmt"
	"math"

	"parvix/core/formula/problem"
	"parvix/core/stage/sample"
)

func (q *Question) sample(degrees bool) (map[string]any, error) {
	for name, end := range map[string]*Number{"from": q.From, "to": q.To, "bottom": q.Bottom, "top": q.Top} {
		if end == nil || math.IsNaN(end.Value) || math.IsInf(end.Value, 0) {
			return nil, problem.New("field", 0, 0, name, "a number is needed")
		}
	}
	if q.From.Value >= q.To.Value || q.Bottom.Value >= q.Top.Value {
		return nil, problem.New("ends", 0, 0)
	}
	if !(q.Width >= 1 && q.Width <= 10000 && q.Height >= 1 && q.Height <= 10000) {
		return nil, problem.New("field", 0, 0, "width", "width and height are pixels from 1 to 10000")
	}
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	f, err := sample.Compile(n, []string{"x"})
	if err != nil {
		return nil, err
	}
	var s sample.Sampler
	curve := s.Curve(f, []float64{0}, sample.View{Left: q.From.Value, Right: q.To.Value, Bottom: q.Bottom.Value,
		Top: q.Top.Value, Width: q.Width, Height: q.Height})
	lines := [][][2]float64{}
	for _, line := range curve.Lines {
		points := make([][2]float64, len(line))
		for i, p := range line {
			points[i] = [2]float64{p.X, p.Y}
		}
		lines = append(lines, points)
	}
	marks := []map[string]any{}
	for _, m := range curve.Marks {
		marks = append(marks, map[string]any{"x": m.X, "y": m.Y, "kind": m.Kind})
	}
	answer := map[string]any{"lines": lines, "marks": marks, "envelopes": envelopes(curve)}
	if !curve.Complete {
		answer["undecided"] = []string{fmt.Sprintf("the function breaks more often than can be drawn between %g and %g", q.From.Value, q.To.Value)}
	}
	return answer, nil
}

// envelopes are lists of {x, low, high}: there the function swings faster than the pixels can show.
func envelopes(curve sample.Curve) [][]map[string]any {
	list := [][]map[string]any{}
	for _, band := range curve.Envelopes {
		columns := make([]map[string]any, 0, len(band))
		for _, c := range band {
			columns = append(columns, map[string]any{"x": jsonNumber(c.X), "low": jsonNumber(c.Low), "high": jsonNumber(c.High)})
		}
		list = append(list, columns)
	}
	return list
}
