package compose

import (
	"math"
	"slices"

	"parvix/core/formula/number"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Latticed asks for lines of the lattice on which the surfaces of a space panel stand.
type Latticed interface {
	Lattice(on *On) (x, y []float64)
}

// Costly tells how many operations one place of a surface over the floor takes.
type Costly interface {
	Work(m evaluate.Moment) float64
}

const (
	// graphWork and netWork are how many operations the cells of a surface over the floor and of a parametric one may take: some 40 ms natively.
	// A parametric one takes more for each place, since every coordinate is enclosed over every cell.
	graphWork, netWork = 16e6, 2.5e6
	// fewestCells is along an axis what a surface is still drawn of, roundMesh how many lines its mesh has besides.
	fewestCells, roundMesh = 6, 12
)

// GraphCells and NetCells are of how many cells along an axis a surface is drawn where one place takes so many operations: fewer than the most
// where these would take too long, which is told, and none where even the fewest would.
func GraphCells(on *On, most int, work float64) int { return cellsWithin(on, most, work, graphWork) }

// NetCells is the counterpart of GraphCells for a parametric surface.
func NetCells(on *On, most int, work float64) int { return cellsWithin(on, most, work, netWork) }

// MarkCoarse notes that an entry is drawn coarser than it should be, or not at all, since it takes too long.
func MarkCoarse(on *On) {
	if id := on.Entry.ID; !slices.Contains(on.Coarse, id) {
		on.Coarse = append(on.Coarse, id)
	}
}

func cellsWithin(on *On, most int, work, budget float64) int {
	cells := int(math.Sqrt(budget/max(work, 1))) - roundMesh
	if cells >= most && cells >= fewestCells {
		return most
	}
	MarkCoarse(on)
	if cells < fewestCells-roundMesh/2 {
		return 0
	}
	return max(cells, fewestCells)
}

// MovingCells is about how many cells a surface has along an axis while a hand moves something.
const MovingCells = 24

// usualCells is that at rest; meshRoom by how much closer the lines of its mesh stand than numbers.
const usualCells, meshRoom = 50, 1.5

// spacious composes the panels that show space.
type spacious struct{ *Composer }

// spacePen paints the faces and lines of space with a brush.
type spacePen struct{ *Brush }

// Face fills an outline.
func (s spacePen) Face(colour picture.Colour, opacity float32, outline [][2]float64, _ int) {
	start := s.Pen.Area(colour, opacity)
	for _, p := range outline {
		s.Pen.To(p[0], p[1])
	}
	s.Pen.EndLine(start)
}

// Line draws a line.
func (s spacePen) Line(pen solid.Pen, points [][2]float64) {
	start := s.Pen.Line(pen.Colour, pen.Width, pen.Pattern, pen.Opacity)
	for _, p := range points {
		s.Pen.To(p[0], p[1])
	}
	s.Pen.EndLine(start)
}

// drawSpace lets each entry put into space what it shows, paints that from the back to the front, and gathers the places of the labels.
func (c spacious) drawSpace(f *evaluate.Frame) (anchors []Anchor) {
	ons := make([]*On, len(f.Appearing))
	for k, a := range f.Appearing {
		ons[k] = &On{c.Composer, f, a}
	}
	c.Space.Begin(c.View.Projection, c.latticeFor(f, ons))
	if f.Panel.Axes {
		c.addAxes()
	}
	owned := make([][]Anchor, len(ons))
	for k, on := range ons {
		live, ok := on.Live.(Live)
		if !ok {
			continue
		}
		c.Weight = weights[on.Entry.Look.Weight]
		owned[k] = live.Compose(on)
	}
	c.Weight = 0
	c.Space.PaintFaces(spacePen{&c.Brush})
	lines := len(c.Pen.Data)
	parts := c.Space.Strands()
	c.paintStrands(parts, onlyAxes)
	next := firstOwner
	for k, on := range ons {
		begun := len(c.Pen.Data)
		c.paintStrands(parts, on.Index)
		c.Space.PaintMarks(&c.Pen, on.Index)
		for i := range owned[k] {
			owned[k][i].From, owned[k][i].To = begun, len(c.Pen.Data)
		}
		next = ownersOf(owned[k], next)
		anchors = append(anchors, owned[k]...)
	}
	c.Room.takeDrawn(c.Pen.Data[lines:], lines, anchors)
	c.takeBorders(c.Pen.Data[:lines], anchors)
	for _, a := range anchors {
		// A surface has no lines of its own that could be marked: its label belongs to a place of its border.
		if a.From == a.To {
			c.Room.add(a.X, a.Y, a.own)
		}
	}
	return anchors
}

// takeBorders marks the borders of surfaces, each as that of the label in its colour.
func (c spacious) takeBorders(faces []float32, anchors []Anchor) {
	for r := range picture.Records(faces) {
		if picture.Op(r[0]) != picture.Line || picture.Colour(r[1]) >= picture.Tint {
			continue
		}
		by := nobody
		for i := range anchors {
			if anchors[i].From == anchors[i].To && anchors[i].Label.Colour == picture.Colour(r[1]) {
				by = anchors[i].own
			}
		}
		c.Room.draw(r, by)
	}
	for _, edge := range c.box {
		c.Room.line([]float32{float32(edge[0][0]), float32(edge[0][1]), float32(edge[1][0]), float32(edge[1][1])}, axisLine)
	}
}

// latticeFor is the lattice of a panel: the lines of a mesh at round values, cells between them, and what entries ask for.
func (c spacious) latticeFor(f *evaluate.Frame, ons []*On) (l solid.Lattice) {
	cells := usualCells
	if c.Cells > 0 {
		cells = c.Cells
	}
	var further [2][]float64
	for _, on := range ons {
		if costs, ok := on.Live.(Costly); ok {
			few := GraphCells(on, cells, costs.Work(on.Now))
			if few == 0 {
				continue
			}
			cells = few
		}
		if asks, ok := on.Live.(Latticed); ok {
			x, y := asks.Lattice(on)
			further[0], further[1] = append(further[0], x...), append(further[1], y...)
		}
	}
	q := &c.View.Projection
	if len(further[0])+len(further[1]) == 0 {
		// No surface stands over the floor, and what else there is needs no columns.
		c.MeshX, c.MeshY = make([]bool, 2), make([]bool, 2)
		return solid.Lattice{X: slices.Clone(q.Box[0][:]), Y: slices.Clone(q.Box[1][:])}
	}
	p := f.Panel
	lines := func(axis int, mesh axis) ([]float64, []bool) {
		var values []float64
		for _, t := range mesh.ticks {
			values = append(values, t.value)
		}
		return solid.Lines(q.Box[axis][0], q.Box[axis][1], values, cells, further[axis]...)
	}
	long := func(axis int) float64 { return (q.Box[axis][1] - q.Box[axis][0]) * q.Units[axis] / q.Zoom * meshRoom }
	l.X, c.MeshX = lines(0, ticks(p.TicksX, p.StepX, q.Box[0][0], q.Box[0][1], long(0)))
	l.Y, c.MeshY = lines(1, ticks(p.TicksY, p.StepY, q.Box[1][0], q.Box[1][1], long(1)))
	return l
}

// onlyAxes owns what belongs to no entry.
const onlyAxes = -1

// addAxes puts the axes through the origin into space.
func (c spacious) addAxes() {
	box := c.View.Projection.Box
	pen := solid.Pen{Colour: picture.Axis, Width: axisWidth, Opacity: 1}
	for axis, ends := range box {
		a, b := (axis+1)%3, (axis+2)%3
		if box[a][0] > 0 || box[a][1] < 0 || box[b][0] > 0 || box[b][1] < 0 {
			continue
		}
		from, to := view.Place{}, view.Place{}
		from[axis], to[axis] = ends[0], ends[1]
		c.Space.AddStrand(solid.Strand{Line: []view.Place{from, to}, Pen: pen, Owner: onlyAxes, Head: arrowhead * c.size()})
	}
}

// paintStrands draws the lines of one owner, what is hidden first.
func (c spacious) paintStrands(parts []solid.Seen, owner int) {
	for _, hidden := range [2]bool{true, false} {
		for k := range parts {
			strand := c.Space.Of(parts[k])
			if strand.Owner != owner || parts[k].IsHidden != hidden {
				continue
			}
			pen, points := c.Space.Pen(parts[k]), parts[k].Points
			spacePen{&c.Brush}.Line(pen, points)
			if last := len(points) - 1; strand.Head > 0 && !hidden && c.Space.IsEnd(parts[k]) {
				c.headAt(pen.Colour, points[last-1], points[last], strand.Head)
			}
		}
	}
}

// headAt draws an arrowhead at the end of a step.
func (c spacious) headAt(colour picture.Colour, from, to [2]float64, length float64) {
	dx, dy := to[0]-from[0], to[1]-from[1]
	size := math.Hypot(dx, dy)
	if size < 1e-6 {
		return
	}
	dx, dy = dx/size*length, dy/size*length
	start := c.Pen.Area(colour, 1)
	c.Pen.To(to[0], to[1])
	c.Pen.To(to[0]-dx+dy*0.4, to[1]-dy-dx*0.4)
	c.Pen.To(to[0]-dx-dy*0.4, to[1]-dy+dx*0.4)
	c.Pen.EndLine(start)
}

// InSpace is where a place is seen, in pixels.
func (on *On) InSpace(p view.Place) (x, y float64) {
	at := on.View.Projection.Pixel(p)
	return at[0], at[1]
}

// SpacePen turns a way of drawing lines into that of space.
func SpacePen(s Strokes) solid.Pen { return solid.Pen(s) }

// AlongLine offers places along a line in space to its label, where they are in the box, from its end on.
func (on *On) AlongLine(line []view.Place) (a Anchor, ok bool) {
	q := &on.View.Projection
	left := 0.0
	last := [2]float64{math.Inf(1), 0}
	for k := len(line) - 1; k >= 0; k-- {
		if !line[k].IsFinite() || !q.Holds(line[k]) {
			continue
		}
		at := q.Pixel(line[k])
		if step := math.Hypot(at[0]-last[0], at[1]-last[1]); !math.IsInf(step, 1) {
			left -= step
		}
		last = at
		if left > 0 {
			continue
		}
		left = apartOnLine
		if !ok {
			a.X, a.Y, ok = at[0], at[1], true
		} else if len(a.Others) < mostPlaces {
			a.Others = append(a.Others, at)
		}
	}
	return a, ok
}

// TripleFormulaLaTeX writes the coordinates of a place in space as formulas in some variables.
func TripleFormulaLaTeX(d evaluate.Moment, coordinates [3]string, variables ...string) string {
	sep := `,\;`
	if d.HasDecimalComma() {
		sep = `;\;`
	}
	var parts [3]string
	for k, text := range coordinates {
		parts[k] = d.FormulaWord(text, variables...).LaTeX
	}
	return `\left(` + parts[0] + sep + parts[1] + sep + parts[2] + `\right)`
}

// LinearLaTeX writes a sum of multiples of letters; one without a letter stands alone.
func LinearLaTeX(coefficients []float64, letters ...string) string {
	const digits = 2
	out := ""
	for k, v := range coefficients {
		text := number.Format(math.Abs(v), digits)
		if text == "0" {
			continue
		}
		switch {
		case v < 0:
			out += "-"
		case out != "":
			out += "+"
		}
		if letters[k] == "" || text != "1" {
			out += text
		}
		out += letters[k]
	}
	if out == "" {
		return "0"
	}
	return out
}

// SpokenPlace says a place in space.
func SpokenPlace(p view.Place) string {
	const digits = 2
	return number.Format(p[0], digits) + ", " + number.Format(p[1], digits) + ", " + number.Format(p[2], digits)
}

// TripleLaTeX writes a place in space.
func TripleLaTeX(d evaluate.Moment, p view.Place) string {
	sep := `,\,`
	if d.HasDecimalComma() {
		sep = `;\,`
	}
	return "(" + number.Format(p[0], 2) + sep + number.Format(p[1], 2) + sep + number.Format(p[2], 2) + ")"
}
