package trajectory

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// findMet finds the curve that is met: another trajectory, or the graph of a function.
func (p *Part) findMet(d evaluate.Loading, e *document.Entry) bool {
	other := d.Other(p.body.Other)
	if other == nil || p.body.Other == p.body.Of {
		d.Report(problem.New("field", 0, 0, "other", "two different curves are needed"), e.ID, "other")
		return false
	}
	if m, is := other.Live.(*Live); is {
		p.Other = m
		return true
	}
	if p.Graph = d.Named(other.Entry.Field("function")); p.Graph == nil || p.Graph.Curve == nil || len(p.Graph.Stated.Variables) != 1 {
		d.Report(problem.New("field", 0, 0, "other", "a curve is met by another curve"), e.ID, "other")
		return false
	}
	return true
}

// metSentence says “where r meets s”.
func (p *Part) metSentence(d evaluate.Moment) []evaluate.Word {
	other := evaluate.Word{}
	if p.Graph != nil {
		other.LaTeX = expr.LaTeXName(p.Graph.Stated.Name)
	} else {
		other = nameOf(d, p.Other)
	}
	return []evaluate.Word{evaluate.Says("where "), nameOf(d, p.Of), evaluate.Says(" meets "), other}
}

// nameOf is what a sentence calls a curve: a polar one by its name, a parametric one by its coordinates.
func nameOf(d evaluate.Moment, m *Live) evaluate.Word {
	if m.Polar {
		return evaluate.Word{LaTeX: expr.LaTeXName(m.body.Function)}
	}
	return evaluate.Word{LaTeX: m.label(d, true)}
}

// met are the places where two curves meet, valid for one stamp of both and, for a graph, for one window.
type met struct {
	stamp       uint64
	left, right float64
	places      []curves.SharedPlace
	// alike tells that both run along each other.
	alike bool
}

// met works the places out, anew only when one of the curves has moved.
func (p *Part) met(d evaluate.Moment, v view.View, was *met) *met {
	now := &met{stamp: p.Of.Stamp(d)}
	if p.Graph != nil {
		now.stamp, now.left, now.right = max(now.stamp, d.Stamp(p.Graph)), v.Left, v.Right
	} else {
		now.stamp = max(now.stamp, p.Other.Stamp(d))
	}
	if was != nil && was.stamp == now.stamp && was.left == now.left && was.right == now.right {
		return was
	}
	if !p.Of.Exists() || p.Graph == nil && !p.Other.Exists() {
		return now
	}
	other := p.graphPath(d, v)
	if p.Graph == nil {
		other = pathOf(p.Other)
	}
	places, apart := curves.Shared(pathOf(p.Of), other)
	if now.alike = !apart; apart {
		now.places = places
	}
	return now
}

// pathOf is a curve as it is run through.
func pathOf(m *Live) curves.Path {
	place := func(p sample.Point) curves.Place { return curves.Place{X: p.X, Y: p.Y} }
	return curves.Path{From: m.From, To: m.To, At: func(t float64) curves.Place { return place(m.Place(t)) },
		Velocity: func(t float64) curves.Place { return place(m.Velocity(t)) },
		All:      func(ts []float64) (xs, ys []float64) { return m.Curve.All(ts, m.in) }}
}

// graphPath is the graph of the function that is met, as far as the window reaches.
func (p *Part) graphPath(d evaluate.Moment, v view.View) curves.Path {
	if p.Graph == nil {
		return curves.Path{}
	}
	at := func(x float64) float64 { return p.Graph.Curve.At(x, d.Inputs()) }
	step := 1e-6 * (v.Right - v.Left)
	return curves.Path{From: v.Left, To: v.Right, At: func(x float64) curves.Place { return curves.Place{X: x, Y: at(x)} },
		Velocity: func(x float64) curves.Place { return curves.Place{X: 1, Y: (at(x+step) - at(x-step)) / (2 * step)} }}
}

// mostNamed is how many meetings have their coordinates beside them.
const mostNamed = 10

// meetings marks where the curves meet.
func (p *Part) meetings(on *compose.On) (anchors []compose.Anchor) {
	known := on.Seen.(*met)
	if known.alike {
		at := p.Of.Place((p.Of.From + p.Of.To) / 2)
		return on.Labelled(compose.Anchor{X: on.View.X(at.X), Y: on.View.Y(at.Y), IsPoint: true}, `\text{one runs along the other}`, compose.ColourOf(on.Entry))
	}
	for k, m := range known.places {
		if !on.View.Sees(m.X, m.Y) {
			continue
		}
		on.Mark(compose.ColourOf(on.Entry), picture.Disc, m.X, m.Y, compose.PointRadius-1)
		if k < mostNamed {
			at := on.At(m.X, m.Y)
			anchors = append(anchors, on.PartLabelled(k, compose.Anchor{X: at[0], Y: at[1], IsPoint: true}, on.Now.Typeset(evaluate.PairLaTeX(m.X, m.Y, 2)), compose.ColourOf(on.Entry))...)
		}
	}
	return anchors
}
