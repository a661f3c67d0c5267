package study

import (
	"math"
	"slices"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// stopping are the findings at which a sweep may rest.
var stopping = []document.Finding{document.Zeros, document.Maxima, document.Minima, document.Inflections, document.Holes}

// Stops are the places of a function's findings at values of the dials within the ends of one, as texts in rising order: where its sweep rests
// while the class speaks about them.
func Stops(doc *document.Document, dial, function string, values map[string]float64) ([]string, error) {
	d := evaluate.Load(doc, nil)
	for name, v := range values {
		if k := d.Find(name); k >= 0 {
			d.Set(k, v)
		}
	}
	d.Update()
	i, f := d.Find(dial), d.Function(function)
	if i < 0 || f == nil || f.Curve == nil || len(f.Stated.Variables) != 1 {
		return nil, problem.New("field", 0, 0, "text", "there is no such dial or function")
	}
	if slices.Contains(f.Hangs(), i) {
		return nil, problem.New("field", 0, 0, "text", function+" itself changes with "+dial+", and its findings with it")
	}
	findings, err := Of(d, f, 0, 0)
	if err != nil {
		return nil, err
	}
	p, all := d.Parameters[i], Found(d, f, findings)
	var places []float64
	for _, finding := range stopping {
		for _, point := range all.Points[finding] {
			places = append(places, repeated(point.X, all.Period, p.From, p.To)...)
		}
	}
	slices.Sort(places)
	places = slices.CompactFunc(places, func(a, b float64) bool { return math.Abs(b-a) < 1e-9*(p.To-p.From) })
	if len(places) == 0 || len(places) > document.MaxStops {
		return nil, problem.New("field", 0, 0, "text", "within the ends of the dial there are no findings at which it could rest, or too many")
	}
	var texts []string
	for _, at := range places {
		texts = append(texts, d.Numeral(evaluate.PlaceText(at)))
	}
	return texts, nil
}

// repeated are the places at, at ± period … within ends; without a period the one, if it lies there.
func repeated(at, period, from, to float64) (places []float64) {
	slack := 1e-12 * (to - from)
	if period <= 0 {
		if at >= from-slack && at <= to+slack {
			return []float64{at}
		}
		return nil
	}
	for k := math.Ceil((from - slack - at) / period); at+k*period <= to+slack && len(places) <= document.MaxStops; k++ {
		places = append(places, at+k*period)
	}
	return places
}
