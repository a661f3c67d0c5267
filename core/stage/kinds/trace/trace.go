// Package trace is the trace of a point: where it has been.
package trace

import (
	"math"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
)

// Letter begins the ids of traces.
func (*Body) Letter() string { return "t" }

// Live is a trace; what it records belongs to the demonstration in play.
type Live struct{ body *Body }

// Load notes whose trace it is.
func (b *Body) Load(evaluate.Loading, *document.Entry) kind.Live { return &Live{b} }

// Sentence says “the trace of P”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	if p := d.Other(b.Of); p != nil {
		return []evaluate.Word{evaluate.Says("the trace of "), evaluate.NameWord(p.Entry.Field("name"))}
	}
	return []evaluate.Word{evaluate.Says("a trace")}
}

// Follows names the point.
func (l *Live) Follows() string { return l.body.Of }

// Places are the kept positions x, y, x, y … and those recorded since.
func (l *Live) Places(d evaluate.Moment, id string) []float64 {
	return append(append([]float64{}, l.body.Kept...), d.Recorded(id)...)
}

// A trace of more than mostTraced places is drawn with its dots crowded pixels apart, of which nothing is seen.
const mostTraced, crowded = 1000, 2.0

// Compose draws a dot for each place, as far apart as it is wanted.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	kept, recorded := l.body.Kept, on.Now.Recorded(on.Entry.ID)
	lastX, lastY := math.Inf(-1), math.Inf(-1)
	apart := l.body.Apart
	if (len(kept)+len(recorded))/2 > mostTraced {
		apart = math.Max(apart, crowded)
	}
	for _, list := range [2][]float64{kept, recorded} {
		for i := 0; i+1 < len(list); i += 2 {
			x, y := on.View.X(list[i]), on.View.Y(list[i+1])
			if !on.View.Sees(list[i], list[i+1]) || math.Hypot(x-lastX, y-lastY) < apart {
				continue
			}
			lastX, lastY = x, y
			on.Pen.Marker(compose.ColourOf(on.Entry), compose.ShapeOf(on.Entry, picture.Disc), x, y, on.Scaled(compose.TraceRadius))
		}
	}
	return nil
}

// Describe says nothing: the point says where it is.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string { return nil }

// Box is all of the trace.
func (l *Live) Box(d evaluate.Moment, s *evaluate.Shown, _ *document.Panel, box kind.Box) {
	kept, recorded := l.body.Kept, d.Recorded(s.Entry.ID)
	for _, list := range [2][]float64{kept, recorded} {
		for i := 0; i+1 < len(list); i += 2 {
			box.Add(list[i], list[i+1])
		}
	}
}
