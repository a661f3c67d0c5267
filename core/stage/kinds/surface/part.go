package surface

import (
	"math"
	"slices"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Part is what is shown of a surface, in play.
type Part struct {
	body *PartBody
	of   *evaluate.Shown
	// at, x, y and step are the formulas that the piece needs; atDial, xDial and yDial the places of the dials that they are, −1 for none.
	at, x, y, step       *evaluate.Expression
	atDial, xDial, yDial int
	sampler              sample.Sampler
	// now is where the point on the surface is.
	now view.Place
	// mapped tells that a gradient may stand on a map too: on panels that were chosen for it.
	mapped bool
}

// Load finds the surface and reads the formulas.
func (b *PartBody) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	p := &Part{body: b, of: d.Other(b.Of), atDial: -1, xDial: -1, yDial: -1, mapped: b.Piece == Gradient && len(e.Where.Panels) > 0}
	if p.of == nil || p.of.Entry.Kind() != (&Body{}).Kind() {
		d.Report(problem.New("field", 0, 0, "of", "the surface is no longer there"), e.ID, "of")
		return nil
	}
	if p.surface() == nil {
		return nil
	}
	read := func(text, field string, into **evaluate.Expression, dial *int) bool {
		if *into = d.Expression(text, e.ID, field); *into == nil {
			return false
		}
		*dial = d.Find(text)
		return true
	}
	none := -1
	switch {
	case b.Piece == Section:
		if !read(b.At, "at", &p.at, &p.atDial) {
			return nil
		}
	case b.Piece == Levels && b.Step != "":
		if !read(b.Step, "step", &p.step, &none) {
			return nil
		}
	case b.isAtPoint():
		if !read(b.X, "x", &p.x, &p.xDial) || !read(b.Y, "y", &p.y, &p.yDial) {
			return nil
		}
	}
	return p
}

// surface is what it is a part of, nil where that was not understood.
func (p *Part) surface() *Live {
	l, _ := p.of.Live.(*Live)
	return l
}

// AppearsIn tells that it stands in space; level curves are a map of the plane too, on which a gradient may stand.
func (p *Part) AppearsIn(kind document.PanelKind) bool {
	return kind == document.InSpace || kind == document.Plane && (p.body.Piece == Levels || p.mapped)
}

// Update works out where the point on the surface is.
func (p *Part) Update(d evaluate.Moment) {
	if l := p.surface(); p.body.Piece == Touching && l != nil {
		x, y := p.x.At(d.Inputs()), p.y.At(d.Inputs())
		p.now = view.Place{x, y, l.Shape.At(x, y, l.inputs(d))}
	}
}

// PlaceInSpace is where the point on the surface is.
func (p *Part) PlaceInSpace() (at view.Place, is bool) { return p.now, p.body.Piece == Touching }

// Lattice asks for the lines that the piece needs: those of a plane, or the ends of a tangent plane.
func (p *Part) Lattice(on *compose.On) (x, y []float64) {
	switch {
	case p.body.Piece == Section && p.body.Axis == AcrossX:
		return []float64{p.at.At(on.Now.Inputs())}, nil
	case p.body.Piece == Section && p.body.Axis == AcrossY:
		return nil, []float64{p.at.At(on.Now.Inputs())}
	case p.body.Piece == TangentPlane:
		r := p.patch(on)
		return r[:2], r[2:]
	}
	return nil, nil
}

// sheet is the surface's on the panel, nil where the surface is not shown there.
func (p *Part) sheet(on *compose.On) *solid.Sheet {
	for _, a := range on.Frame.Appearing {
		if a.Entry.ID == p.of.Entry.ID {
			return p.surface().Sheet(on, a.Entry)
		}
	}
	return nil
}

// place is the point of the surface at which the piece is.
func (p *Part) place(on *compose.On) view.Place {
	x, y := p.x.At(on.Now.Inputs()), p.y.At(on.Now.Inputs())
	return view.Place{x, y, p.surface().At(on.Now, on.View.Projection.Box)(x, y)}
}

// Compose puts the piece into space, or draws the map of level curves.
func (p *Part) Compose(on *compose.On) []compose.Anchor {
	switch p.body.Piece {
	case Section:
		return p.section(on)
	case Levels:
		if on.View.Projection.Is {
			return p.levels(on)
		}
		return p.levelMap(on)
	}
	if p.body.Piece == Gradient && !on.View.Projection.Is {
		return gradientOnMap(p, on)
	}
	at := p.place(on)
	if !at.IsFinite() || !on.View.Projection.Holds(at) {
		return nil
	}
	switch p.body.Piece {
	case TangentPlane:
		return p.tangentPlane(on, at)
	case Gradient:
		return p.gradient(on, at)
	case Slopes:
		return p.slopes(on, at)
	}
	return p.point(on, at)
}

// wallOpacity is that of a section's plane.
const wallOpacity = 0.16

// section puts the plane and the curve in which it meets the surface.
func (p *Part) section(on *compose.On) []compose.Anchor {
	q := &on.View.Projection
	axis, at := p.body.Axis.index(), p.at.At(on.Now.Inputs())
	if !(at >= q.Box[axis][0] && at <= q.Box[axis][1]) {
		return nil
	}
	colour := compose.ColourOf(on.Entry)
	on.Space.AddWall(axis, solid.Wall{At: at, Hue: colour, Opacity: wallOpacity})
	frame(on, axis, at, colour)
	var lines [][]view.Place
	if axis == 2 {
		lines = levelAt(p.latticeGrid(on), at)
	} else {
		lines = p.cutLines(on, axis, at)
	}
	pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(compose.CurveWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	sheet := p.sheet(on)
	var a compose.Anchor
	found := false
	for _, line := range lines {
		on.Space.AddStrand(solid.Strand{Line: line, Pen: pen, On: sheet, Owner: on.Index})
		if !found {
			a, found = on.AlongLine(line)
		}
	}
	p.gripOf(on, axis, at, colour)
	if !found {
		return nil
	}
	return on.Labelled(a, string(p.body.Axis)+"="+number.Format(at, 2), colour)
}

// frame draws the edge of a section's plane.
func frame(on *compose.On, axis int, at float64, colour picture.Colour) {
	box := on.View.Projection.Box
	a, b := (axis+1)%3, (axis+2)%3
	var line []view.Place
	for _, corner := range [5][2]int{{0, 0}, {1, 0}, {1, 1}, {0, 1}, {0, 0}} {
		place := view.Place{}
		place[axis], place[a], place[b] = at, box[a][corner[0]], box[b][corner[1]]
		line = append(line, place)
	}
	on.Space.AddStrand(solid.Strand{Line: line, Pen: solid.Pen{Colour: colour, Width: on.Scaled(compose.GuideWidth) * 0.75, Opacity: 0.7}, Owner: on.Index})
}

// gripPlace is the corner of a section's plane at which a hand takes it: the one that is nearest to the reader.
func gripPlace(q *view.Projection, axis int, at float64) view.Place {
	var best view.Place
	nearest := math.Inf(-1)
	a, b := (axis+1)%3, (axis+2)%3
	for _, corner := range [4][2]int{{0, 0}, {1, 0}, {1, 1}, {0, 1}} {
		place := view.Place{}
		place[axis], place[a], place[b] = at, q.Box[a][corner[0]], q.Box[b][corner[1]]
		if _, _, near := q.At(place); near > nearest+1e-6 {
			best, nearest = place, near
		}
	}
	return best
}

func (p *Part) gripOf(on *compose.On, axis int, at float64, colour picture.Colour) {
	if p.atDial < 0 {
		return
	}
	place := gripPlace(&on.View.Projection, axis, at)
	on.Space.AddMark(solid.Mark{At: place, Colour: colour, Shape: picture.Grip, Radius: on.Scaled(compose.PointRadius), Owner: on.Index})
	x, y := on.InSpace(place)
	on.Pen.Handle(on.Index, x, y)
}

// cutLines is the curve of the surface in a plane across x or y, with the breaks that the function of the other letter is proven to have.
func (p *Part) cutLines(on *compose.On, axis int, at float64) (lines [][]view.Place) {
	l, q := p.surface(), &on.View.Projection
	ends := l.Rectangle(on.Now, q.Box)
	if at < ends[2*axis] || at > ends[2*axis+1] {
		return nil
	}
	other := 1 - axis
	f, low, high := l.Shape.Across, ends[0], ends[1]
	if axis == 0 {
		f, low, high = l.Shape.Along, ends[2], ends[3]
	}
	if !(low < high) {
		return nil
	}
	in, scratch := l.inputs(on.Now), slices.Clone(l.inputs(on.Now))
	in[1] = at
	p.sampler.Tolerance = on.Tolerance
	curve := p.sampler.Curve(f, in, sample.View{Left: low, Right: high, Bottom: q.Box[2][0], Top: q.Box[2][1],
		Width: (high - low) * q.Units[other], Height: (q.Box[2][1] - q.Box[2][0]) * q.Units[2]})
	if curve.Coarse {
		compose.MarkCoarse(on)
	}
	for _, run := range curve.Lines {
		line := make([]view.Place, 0, len(run))
		for _, point := range run {
			place := view.Place{}
			place[axis], place[other], place[2] = at, point.X, point.Y
			if !l.isThere(place[0], place[1], ends, scratch) {
				place[2] = math.NaN()
			}
			line = append(line, place)
		}
		lines = append(lines, line)
	}
	return lines
}

// Box is that of the surface.
func (p *Part) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Drag moves the dials on which the piece hangs to where a hand has come.
func (p *Part) Drag(d evaluate.Play, h evaluate.Hand) {
	q := &h.View.Projection
	if !q.Is {
		return
	}
	set := func(dial int, v float64) {
		if dial >= 0 {
			d.Set(dial, d.Dial(dial).OnStep(v))
		}
	}
	if p.body.Piece == Section {
		axis, at := p.body.Axis.index(), p.at.At(d.Inputs())
		from := gripPlace(q, axis, at)
		if by, ok := q.Along(from, axis, h.PX, h.PY); ok {
			set(p.atDial, at+by)
		}
		return
	}
	if !p.body.isAtPoint() {
		return
	}
	// The point slides over its own height, so that the hand stays on it where the surface is not too steep.
	x, y := p.x.At(d.Inputs()), p.y.At(d.Inputs())
	z := p.surface().Shape.At(x, y, p.surface().inputs(d))
	for range 4 {
		place, ok := q.OnHeight(z, h.PX, h.PY)
		if !ok {
			return
		}
		x, y = place[0], place[1]
		if next := p.surface().Shape.At(x, y, p.surface().inputs(d)); next == next {
			z += (next - z) / 2
		}
	}
	set(p.xDial, x)
	set(p.yDial, y)
}

// Nudge moves them by steps.
func (p *Part) Nudge(d evaluate.Play, h evaluate.Hand) {
	step := func(dial int, by float64) {
		if dial >= 0 && by != 0 {
			d.Set(dial, d.Dial(dial).Stepped(by))
		}
	}
	step(p.atDial, h.DX+h.DY)
	step(p.xDial, h.DX)
	step(p.yDial, h.DY)
}
