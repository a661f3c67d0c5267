package trajectory

import (
	"math"
	"slices"
	"sort"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Curves is how many there are.
func (m *Live) Curves() int {
	if m.Family == nil {
		return 1
	}
	return len(m.Family.Members)
}

// Stamp grows whenever something moves that the curve depends on; its driver is not among it.
func (m *Live) Stamp(d evaluate.Moment) uint64 { return d.StampOf(m.on, -1) }

// trail is the curve's, run through again only when the curve, its interval or the scale has changed: as the point runs it is
// the same. owner is the id of the curve's entry, whose trail its parts share.
func (m *Live) trail(on *compose.On, owner string) *compose.Trail {
	run := compose.Run{Curve: m.Curve, Stamp: m.Stamp(on.Now), From: m.From, To: m.To, Pixel: on.Pixel()}
	return on.TrailOf(owner, 0, run, m.Inputs())
}

// Compose draws the curve firmly as far as its point has come, the rest as it is wanted, and the point.
func (m *Live) Compose(on *compose.On) []compose.Anchor {
	if !m.Exists() {
		return nil
	}
	if m.Family != nil {
		return members(m, on)
	}
	v, drawn := on.View, m.trail(on, on.Entry.ID)
	firm, rest := firmAndRest(on, compose.ColourOf(on.Entry), compose.PatternOf(on.Entry, picture.Whole), widthFor(drawn.Length))
	place := m.Place(m.At)
	a, ok := runUpTo(m, on, drawn.Trail, place, firm, rest)
	if m.Driver >= 0 && v.Sees(place.X, place.Y) {
		on.Pen.Handle(on.Index, v.X(place.X), v.Y(place.Y))
		on.Mark(compose.DialColour(on.Now, m.Driver), picture.Grip, place.X, place.Y, compose.PointRadius+1)
	}
	if !ok {
		return nil
	}
	return on.Labelled(a, m.label(on.Now, on.Entry.Look.Label == document.LabelFormula), compose.ColourOf(on.Entry))
}

// hairWidth is that of the faint rest of a long line: many turns of it lie close together, and a line of one pixel is drawn
// many times faster than a wider one.
const hairWidth = 1

// firmAndRest are the pens of the part that has been run through and of the rest.
func firmAndRest(on *compose.On, hue picture.Colour, pattern picture.Pattern, width float64) (firm, rest compose.Strokes) {
	firm = compose.Stroke(hue, on.Scaled(width), pattern, 1)
	rest = compose.Stroke(hue, on.Scaled(compose.ParentWidth), pattern, compose.Faint)
	if width < compose.MemberWidth {
		rest.Width = hairWidth
	}
	return firm, rest
}

// runUpTo draws a trail firmly up to the place where its parameter is, and the rest as it is wanted.
func runUpTo(m *Live, on *compose.On, trail sample.Trail, place sample.Point, firm, rest compose.Strokes) (compose.Anchor, bool) {
	begun := len(on.Pen.Data)
	if m.body.Rest == document.RestWhole {
		rest = firm
	}
	cut := sort.SearchFloat64s(trail.T, m.At)
	run := append(append(m.line[:0], trail.Points[:cut]...), place)
	m.line = run
	on.Broken(run, firm)
	if cut < len(trail.Points) && m.body.Rest != document.RestHidden {
		on.Broken(append([]sample.Point{place}, trail.Points[cut:]...), rest)
	}
	a, ok := on.OnLines(begun)
	return a, ok
}

// members draws a family of curves, one for each value of its parameter, all of them up to the same value of their own.
func members(m *Live, on *compose.On) (anchors []compose.Anchor) {
	run := compose.Run{Curve: m.Curve, Stamp: on.Now.StampOf(m.on, m.Family.Parameter), From: m.From, To: m.To, Pixel: on.Pixel()}
	for k, member := range m.Family.Members {
		in := m.Family.InputsFor(on.Now, member)
		drawn := on.TrailOf(on.Entry.ID, k, run, in)
		firm, rest := firmAndRest(on, compose.RampColour(k, len(m.Family.Members)), picture.Pattern(k%3), min(widthFor(drawn.Length), compose.MemberWidth))
		a, ok := runUpTo(m, on, drawn.Trail, m.Curve.At(m.At, in), firm, rest)
		if ok {
			anchors = append(anchors, on.PartLabelled(k, a, member.LaTeX, firm.Colour)...)
		}
	}
	return anchors
}

// widthFor is how wide a line of this length is drawn: a long one that fills the panel thinner, so that its turns stay
// apart.
func widthFor(length float64) float64 {
	switch {
	case length > 16000:
		return compose.CurveWidth * 0.5
	case length > 7000:
		return compose.CurveWidth * 0.7
	}
	return compose.CurveWidth
}

// looks is how often a curve is looked at to see how far it reaches, farthest how far away a place counts as gone; runsFar is how much
// farther than half of its places a curve goes that runs off.
const looks, farthest, runsFar = 1500, 1e4, 50

// Box is all of the curve.
func (m *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	var places []sample.Point
	var sizes []float64
	for k := range looks + 1 {
		p := m.Place(m.From + (m.To-m.From)*float64(k)/looks)
		if size := math.Hypot(p.X, p.Y); size < farthest {
			places, sizes = append(places, p), append(sizes, size)
		}
	}
	// Of a curve that runs off the part is worth seeing in which most of its course lies.
	slices.Sort(sizes)
	most := math.Inf(1)
	if n := len(sizes); n > 0 && (n < looks || sizes[n-1] > runsFar*sizes[n/2]) {
		most = 3 * sizes[n/2]
	}
	for _, p := range places {
		if math.Hypot(p.X, p.Y) <= most {
			box.Add(p.X, p.Y)
		}
	}
}
