// Package trace is the trace of a point: where it has been.
package trace

import (
	"math"
	"slices"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Letter begins the ids of traces.
func (*Body) Letter() string { return "t" }

// Live is a trace; what it records belongs to the demonstration in play.
type Live struct {
	body *Body
	of   *evaluate.Shown
}

// Load notes whose trace it is.
func (b *Body) Load(d evaluate.Loading, _ *document.Entry) kind.Live { return &Live{b, d.Other(b.Of)} }

// isInSpace tells whether the point is one of space.
func (l *Live) isInSpace() (is bool) {
	if l.of == nil {
		return l.body.Space
	}
	if p, ok := l.of.Live.(evaluate.PlacedInSpace); ok {
		_, is = p.PlaceInSpace()
	}
	return is
}

// AppearsIn tells that it stands where its point does.
func (l *Live) AppearsIn(kind document.PanelKind) bool {
	return (kind == document.InSpace) == l.isInSpace()
}

// Sentence says “the trace of P”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	if p := d.Other(b.Of); p != nil {
		return []evaluate.Word{evaluate.Says("the trace of "), evaluate.NameWord(p.Entry.Field("name"))}
	}
	return []evaluate.Word{evaluate.Says("a trace")}
}

// Follows names the point.
func (l *Live) Follows() string { return l.body.Of }

// Places are the kept positions and those recorded since, and whether they are those of space.
func (l *Live) Places(d evaluate.Moment, id string) (numbers []float64, inSpace bool) {
	return slices.Concat(l.kept(), d.Recorded(id)), l.isInSpace()
}

// kept are the kept positions, as far as they are of the point's own room.
func (l *Live) kept() []float64 {
	if l.body.Space != l.isInSpace() {
		return nil
	}
	return l.body.Kept
}

// A trace of more than mostTraced places is drawn with its dots crowded pixels apart, of which nothing is seen.
const mostTraced, crowded = 1000, 2.0

// Compose draws a dot for each place, as far apart as it is wanted.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	kept, recorded := l.kept(), on.Now.Recorded(on.Entry.ID)
	if l.isInSpace() {
		l.inSpace(on, kept, recorded)
		return nil
	}
	apart := l.body.Apart
	if (len(kept)+len(recorded))/2 > mostTraced {
		apart = math.Max(apart, crowded)
	}
	// All of a trace is gone through in every frame: what all dots have in common is asked once.
	colour, shape, radius := compose.ColourOf(on.Entry), compose.ShapeOf(on.Entry, picture.Disc), on.Scaled(compose.TraceRadius)
	v := on.View
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	lastX, lastY := math.Inf(-1), math.Inf(-1)
	for _, list := range [2][]float64{kept, recorded} {
		for i := 0; i+1 < len(list); i += 2 {
			x, y := (list[i]-v.Left)*sx, (v.Top-list[i+1])*sy
			dx, dy := x-lastX, y-lastY
			if !v.Sees(list[i], list[i+1]) || dx*dx+dy*dy < apart*apart {
				continue
			}
			lastX, lastY = x, y
			on.Pen.Marker(colour, shape, x, y, radius)
		}
	}
	return nil
}

// Describe says nothing: the point says where it is.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string { return nil }

// inSpace puts a dot for each place into space.
func (l *Live) inSpace(on *compose.On, lists ...[]float64) {
	apart := math.Max(l.body.Apart, crowded)
	last := [2]float64{math.Inf(-1), 0}
	for _, list := range lists {
		for i := 0; i+2 < len(list); i += 3 {
			at := view.Place(list[i : i+3])
			pixel := on.View.Projection.Pixel(at)
			if math.Hypot(pixel[0]-last[0], pixel[1]-last[1]) < apart {
				continue
			}
			last = pixel
			on.Space.AddMark(solid.Mark{At: at, Colour: compose.ColourOf(on.Entry), Shape: compose.ShapeOf(on.Entry, picture.Disc), Radius: on.Scaled(compose.TraceRadius),
				Owner: on.Index})
		}
	}
}

// Box is all of the trace.
func (l *Live) Box(d evaluate.Moment, s *evaluate.Shown, _ *document.Panel, box kind.Box) {
	places, inSpace := l.Places(d, s.Entry.ID)
	if inSpace {
		for i := 0; i+2 < len(places); i += 3 {
			box.AddPlace(view.Place(places[i : i+3]))
		}
		return
	}
	for i := 0; i+1 < len(places); i += 2 {
		box.Add(places[i], places[i+1])
	}
}
