package trajectory

import (
	"fmt"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// pair is a curve with a second one: another trajectory, or the graph of a function.
type pair struct {
	of, other *Live
	graph     *evaluate.Function
}

// pairOf finds the second curve of an entry by its id; nil, with a report, where there is none.
func pairOf(d evaluate.Loading, e *document.Entry, of *Live, id string) *pair {
	other := d.Other(id)
	if other == nil || other.Live == of {
		d.Report(problem.New("field", 0, 0, "other", "two different curves are needed"), e.ID, "other")
		return nil
	}
	if m, is := other.Live.(*Live); is {
		return &pair{of: of, other: m}
	}
	f := d.Named(other.Entry.Field("function"))
	if f == nil || f.Curve == nil || len(f.Stated.Variables) != 1 {
		d.Report(problem.New("field", 0, 0, "other", "another curve, or the graph of a function, is needed"), e.ID, "other")
		return nil
	}
	return &pair{of: of, graph: f}
}

// stamp is when one of the two has changed last.
func (p *pair) stamp(d evaluate.Moment) uint64 {
	if p.graph != nil {
		return max(p.of.Stamp(d), d.Stamp(p.graph))
	}
	return max(p.of.Stamp(d), p.other.Stamp(d))
}

func (p *pair) exist() bool { return p.of.Exists() && (p.graph != nil || p.other.Exists()) }

// paths are both curves as they are run through, a graph as far as the window reaches.
func (p *pair) paths(d evaluate.Moment, v view.View) (of, other curves.Path) {
	if p.graph == nil {
		return pathOf(p.of), pathOf(p.other)
	}
	at := p.graphAt(d)
	step := 1e-6 * (v.Right - v.Left)
	return pathOf(p.of), curves.Path{From: v.Left, To: v.Right, At: func(x float64) curves.Place { return curves.Place{X: x, Y: at(x)} },
		Velocity: func(x float64) curves.Place { return curves.Place{X: 1, Y: (at(x+step) - at(x-step)) / (2 * step)} }}
}

// graphAt is the function whose graph is the second curve.
func (p *pair) graphAt(d evaluate.Moment) func(x float64) float64 {
	return func(x float64) float64 { return p.graph.Curve.At(x, d.Inputs()) }
}

// pathOf is a curve as it is run through.
func pathOf(m *Live) curves.Path {
	place := func(p sample.Point) curves.Place { return curves.Place{X: p.X, Y: p.Y} }
	return curves.Path{From: m.From, To: m.To, At: func(t float64) curves.Place { return place(m.Place(t)) },
		Velocity: func(t float64) curves.Place { return place(m.Velocity(t)) },
		All:      func(ts []float64) (xs, ys []float64) { return m.Curve.All(ts, m.in) }}
}

// overlap is what both enclose, or the first and not the second: of two polar ones by their distances from the pole. What a graph encloses
// is what lies under it.
func (p *pair) overlap(d evaluate.Moment, common bool) (curves.Overlap, curves.Hindrance) {
	switch {
	case p.graph != nil:
		return curves.Below(pathOf(p.of), p.graphAt(d), common)
	case !p.of.Polar || !p.other.Polar:
		return curves.Overlapping(pathOf(p.of), pathOf(p.other), common)
	case !p.of.HasOutline(d) || !p.other.HasOutline(d):
		return curves.Overlap{}, curves.RunOver
	}
	return curves.PolarOverlap(p.of.Outline(d), p.other.Outline(d), common), curves.Free
}

// nameOf is what a sentence calls a curve: a polar one by its name, a parametric one by its coordinates.
func nameOf(d evaluate.Moment, m *Live) evaluate.Word {
	if m.Polar {
		return evaluate.Word{LaTeX: expr.LaTeXName(m.body.Function)}
	}
	return evaluate.Word{LaTeX: m.label(d, true)}
}

// otherName is what a sentence calls the second curve.
func (p *pair) otherName(d evaluate.Moment) evaluate.Word {
	if p.graph != nil {
		return evaluate.Word{LaTeX: expr.LaTeXName(p.graph.Stated.Name)}
	}
	return nameOf(d, p.other)
}

// regionSentence says “what r encloses and s does not”, or “what r encloses under f”.
func (p *pair) regionSentence(d evaluate.Moment, common bool) []evaluate.Word {
	of, other := nameOf(d, p.of), p.otherName(d)
	switch {
	case p.graph != nil && common:
		return []evaluate.Word{evaluate.Says("what "), of, evaluate.Says(" encloses under "), other}
	case p.graph != nil:
		return []evaluate.Word{evaluate.Says("what "), of, evaluate.Says(" encloses over "), other}
	case common:
		return []evaluate.Word{evaluate.Says("what both "), of, evaluate.Says(" and "), other, evaluate.Says(" enclose")}
	}
	return []evaluate.Word{evaluate.Says("what "), of, evaluate.Says(" encloses and "), other, evaluate.Says(" does not")}
}

// spokenRegion is the same in words that are heard.
func (p *pair) spokenRegion(common bool) string {
	of := spokenName(p.of)
	switch {
	case p.graph != nil && common:
		return fmt.Sprintf("What %s encloses under %s", of, p.graph.Stated.Name)
	case p.graph != nil:
		return fmt.Sprintf("What %s encloses over %s", of, p.graph.Stated.Name)
	case common:
		return fmt.Sprintf("What %s and %s both enclose", of, spokenName(p.other))
	}
	return fmt.Sprintf("What %s encloses and %s does not", of, spokenName(p.other))
}

// spokenName is what a description calls a curve.
func spokenName(m *Live) string {
	if m.Polar {
		return m.body.Function
	}
	return "the curve with x = " + m.body.X + " and y = " + m.body.Y
}
