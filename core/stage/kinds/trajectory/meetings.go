package trajectory

import (
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

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
	now := &met{stamp: p.both.stamp(d)}
	if p.both.graph != nil {
		now.left, now.right = v.Left, v.Right
	}
	if was != nil && was.stamp == now.stamp && was.left == now.left && was.right == now.right {
		return was
	}
	if !p.both.exist() {
		return now
	}
	places, apart := curves.Shared(p.both.paths(d, v))
	if now.alike = !apart; apart {
		now.places = places
	}
	return now
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
