package evaluate

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/sample"
)

// Circle is a circle with its point in play.
type Circle struct {
	Angle circle.Angle
	// Given is the radius as it is stated; Radius and Centre are those of the pictures: 1 and 0 where the radius is the
	// unit.
	Given, Radius, Centre float64
	// Driver is the place of the parameter that the graph's axis counts, At its value.
	Driver int
	At     float64
	// Lengths are the six functions in radii.
	Lengths map[circle.Function]circle.Length

	angle, radius, centre *Expression
	// plain tells that the angle is the driver itself.
	plain bool
}

// Part is something shown of a circle.
type Part struct {
	// Of is the circle's entry.
	Of    *Shown
	Ratio circle.Function
	// Graph is the ratio's curve over the driver, nil for other pieces.
	Graph *sample.Function
	// Other is the second polar curve of a region.
	Other *Shown

	step *Expression
	on   []int // what the graph depends on, the driver apart
}

// loadCircle understands a circle; nil when there is a problem, which is then reported.
func (d *Demonstration) loadCircle(s *Shown) *Circle {
	e := s.Entry
	given := e.Circle
	c := &Circle{Driver: d.Find(given.Driver), plain: given.Angle == ""}
	if c.Driver < 0 {
		d.report(problem.New("not-a-parameter", 0, len(given.Driver), given.Driver), e.ID, "circle.driver")
		return nil
	}
	text := func(typed, usual string) string {
		if typed == "" {
			return usual
		}
		return typed
	}
	c.angle = d.expression(text(given.Angle, given.Driver), e.ID, "circle.angle")
	c.radius = d.expression(text(given.Radius, "1"), e.ID, "circle.radius")
	c.centre = d.expression(text(given.Centre, "0"), e.ID, "circle.centre")
	if c.angle == nil || c.radius == nil || c.centre == nil {
		return nil
	}
	return c
}

// loadParts finds the circles of what is shown of circles, once all entries are known.
func (d *Demonstration) loadParts() {
	for _, s := range d.Shown {
		if s.Entry.Kind != document.PartOf {
			continue
		}
		of := d.shownWithID(s.Entry.Of)
		if of != nil && of.Trajectory != nil {
			s.ready = d.loadTrajectoryPart(s, of)
			continue
		}
		if of == nil || of.Circle == nil {
			if of == nil || of.Entry.Kind != document.CircleEntry && of.Entry.Kind != document.Moving {
				d.report(problem.New("field", 0, 0, "of", "there is no such circle"), s.Entry.ID, "of")
			}
			continue
		}
		s.Part = &Part{Of: of, Ratio: circle.Function(s.Entry.Part.Ratio)}
		if s.Entry.Part.Piece == document.Graph {
			d.loadGraph(s.Part)
		}
		s.ready = true
	}
}

// loadTrajectoryPart understands what is shown of a trajectory.
func (d *Demonstration) loadTrajectoryPart(s, of *Shown) bool {
	e := s.Entry
	s.Part = &Part{Of: of}
	if e.Part.Step != "" {
		if s.Part.step = d.expression(e.Part.Step, e.ID, "part.step"); s.Part.step == nil {
			return false
		}
	}
	if e.Part.Piece == document.Region {
		other := d.shownWithID(e.Part.Other)
		if other == nil || other.Trajectory == nil || !other.Trajectory.Polar || !of.Trajectory.Polar {
			d.report(problem.New("field", 0, 0, "part.other", "a region lies between two polar curves"), e.ID, "part.other")
			return false
		}
		s.Part.Other = other
	}
	return true
}

// Step is the distance of dots by the curve's parameter; 0 for the usual one.
func (d *Demonstration) Step(p *Part) float64 {
	if p.step == nil {
		return 0
	}
	return d.at(p.step)
}

// loadGraph compiles centre + radius · ratio(angle) over the driver, which stands in the variable's place.
func (d *Demonstration) loadGraph(p *Part) {
	c, e := p.Of.Circle, p.Of.Entry.Circle
	angle := c.angle.inlined
	if d.Document.AngleUnit == document.Degree {
		angle = &expr.Degree{X: angle}
	}
	n := expr.Node(&expr.Call{Name: string(p.Ratio), Args: []expr.Node{symbolic.Radians(angle, false)}})
	using := []*Expression{c.angle}
	if e.Scaled {
		n = &expr.Binary{Op: expr.Add, L: c.centre.inlined, R: &expr.Binary{Op: expr.Mul, L: c.radius.inlined, R: n}}
		using = append(using, c.radius, c.centre)
	}
	n = symbolic.Substitute(n, map[string]expr.Node{e.Driver: &expr.Name{Name: noVariable}})
	d.Counters.Compiles++
	graph, err := sample.Compile(n, d.inputs)
	if err != nil {
		d.report(err, p.Of.Entry.ID, "circle.angle")
		return
	}
	p.Graph = graph
	for _, x := range using {
		for _, i := range x.on {
			if i != c.Driver {
				p.on = append(p.on, i)
			}
		}
	}
}

// GraphStamp grows whenever something moves that a part's graph depends on; its driver is not among it.
func (d *Demonstration) GraphStamp(p *Part) uint64 {
	latest := uint64(1)
	for _, i := range p.on {
		latest = max(latest, d.moved[i])
	}
	return latest
}

func (c *Circle) expressions() []*Expression {
	if c == nil {
		return nil
	}
	return []*Expression{c.angle, c.radius, c.centre}
}

// perUnit is how many radians a unit of angles is.
func (d *Demonstration) perUnit() float64 {
	if d.Document.AngleUnit == document.Degree {
		return math.Pi / 180
	}
	return 1
}

// special holds the lengths at the multiples of 15°, each worked out when it is first met.
type special map[int64]map[circle.Function]circle.Length

func (t special) at(a circle.Angle) map[circle.Function]circle.Length {
	key, exact := int64(-1), false
	if a.OfPi != nil && 12%a.OfPi.Denom().Int64() == 0 {
		key, exact = a.Principal().OfPi.Num().Int64()*12/a.Principal().OfPi.Denom().Int64(), true
		if known, ok := t[key]; ok {
			return known
		}
	}
	lengths := map[circle.Function]circle.Length{}
	for _, f := range circle.Functions() {
		lengths[f] = f.Of(a)
	}
	if exact {
		t[key] = lengths
	}
	return lengths
}

func (d *Demonstration) updateCircle(c *Circle, given *document.Circle) {
	c.At = d.in[c.Driver+1]
	c.Angle = circle.At(d.at(c.angle) * d.perUnit())
	c.Given = d.at(c.radius)
	c.Radius, c.Centre = 1, 0
	if given.Scaled {
		c.Radius, c.Centre = c.Given, d.at(c.centre)
	}
	c.Lengths = d.specials.at(c.Angle)
}

// Exists tells whether the angle and the radius have values.
func (c *Circle) Exists() bool {
	return !math.IsNaN(c.Angle.Radians+c.Radius+c.Centre) && !math.IsInf(c.Angle.Radians, 0)
}

// Slope is by how many radians the angle grows when the driver grows by one.
func (d *Demonstration) Slope(c *Circle) float64 {
	was := d.in[c.Driver+1]
	defer func() { d.in[c.Driver+1] = was }()
	d.in[c.Driver+1] = was + 1
	return d.at(c.angle)*d.perUnit() - c.Angle.Radians
}

// snapParts is how many equal parts a half turn has to which a dragged angle snaps: multiples of 15°.
const snapParts = 12

// snapPixels is how near a dragged angle comes before it snaps.
const snapPixels = 8.0

// DragAngle turns the point towards (x, y) as it is seen from the centre, the short way from where it is, so that it winds
// on over several turns; near a multiple of 15° it snaps. pixel is the width of one in the circle's units.
func (d *Demonstration) DragAngle(s *Shown, x, y, pixel float64) {
	c := s.Circle
	if c == nil || !c.Exists() {
		return
	}
	to := math.Atan2(y-c.Centre, x)
	if c.Radius < 0 {
		to = math.Atan2(-(y - c.Centre), -x)
	}
	to += 2 * math.Pi * math.Round((c.Angle.Radians-to)/(2*math.Pi))
	slope := d.Slope(c)
	if slope == 0 || slope != slope {
		return
	}
	part := math.Pi / snapParts
	snapped := math.Round(to / part)
	at := c.At + (to-c.Angle.Radians)/slope
	if math.Abs(to-snapped*part)*math.Abs(c.Radius) <= snapPixels*pixel {
		d.setDriver(c, c.At+(snapped*part-c.Angle.Radians)/slope, false)
		if c.plain {
			d.setDriver(c, snapped*part/d.perUnit(), false)
		}
		return
	}
	d.setDriver(c, at, true)
}

// DragAlong moves the driver along the graph's axis, to its steps or to a multiple of 15° nearby.
func (d *Demonstration) DragAlong(s *Shown, x, pixel float64) {
	c := s.Circle
	if c == nil {
		return
	}
	if part := math.Pi / snapParts / d.perUnit(); c.plain && math.Abs(x-math.Round(x/part)*part) <= snapPixels*pixel {
		d.setDriver(c, math.Round(x/part)*part, false)
		return
	}
	d.setDriver(c, x, true)
}

func (d *Demonstration) setDriver(c *Circle, v float64, onStep bool) {
	p := d.Parameters[c.Driver]
	if onStep {
		v = p.OnStep(v)
	}
	if d.Document.AngleUnit == document.Degree {
		v = number.Round(v, 9)
	}
	d.Set(c.Driver, math.Max(p.From, math.Min(p.To, v)))
}

// circleOf is the place of the circle panel that shows a circle of this plane panel too, −1 for none.
func (d *Demonstration) circleOf(panel *document.Panel) (round int) {
	for i := range d.Document.Panels {
		if d.Document.Panels[i].Kind != document.Around {
			continue
		}
		for _, s := range d.Shown {
			if s.Circle != nil && on(s.Entry, panel.ID) && on(s.Entry, d.Document.Panels[i].ID) {
				return i
			}
		}
	}
	return -1
}

func on(e *document.Shown, panel string) bool {
	return len(e.Panels) == 0 || slices.Contains(e.Panels, panel)
}

// SetSize tells how large a panel is, in pixels: a graph beside a circle has as many pixels per unit as the circle.
func (d *Demonstration) SetSize(i int, width, height float64) {
	for len(d.sizes) < len(d.Document.Panels) {
		d.sizes = append(d.sizes, [2]float64{})
	}
	if i >= 0 && i < len(d.sizes) && width >= 1 && height >= 1 {
		d.sizes[i] = [2]float64{width, height}
	}
}

// linked is the window of a plane panel beside its circle: the same pixels per unit and the same height of the axis. In
// degrees only up and down are linked, since a degree has no length of its own. false for a panel that is on its own.
func (d *Demonstration) linked(i int) (w document.Window, is bool) {
	p := &d.Document.Panels[i]
	if p.Kind != document.Plane || len(d.sizes) <= i || d.sizes[i][0] == 0 {
		return w, false
	}
	round := d.circleOf(p)
	if round < 0 || d.sizes[round][0] == 0 {
		return w, false
	}
	perUnit, middle := d.pixelsPerUnit(round)
	w = d.windows[i]
	half := d.sizes[i][1] / perUnit / 2
	w.Bottom, w.Top = middle-half, middle+half
	if d.Document.AngleUnit != document.Degree {
		w.Right = w.Left + d.sizes[i][0]/perUnit
	}
	return w, true
}

// pixelsPerUnit of a circle's panel, and the height of its middle.
func (d *Demonstration) pixelsPerUnit(round int) (perUnit, middle float64) {
	w, size := d.windows[round], d.sizes[round]
	return math.Min(size[0]/(w.Right-w.Left), size[1]/(w.Top-w.Bottom)), (w.Bottom + w.Top) / 2
}

// setLinked zooms and pans the circle's panel with its graph.
func (d *Demonstration) setLinked(i int, w document.Window) {
	now, is := d.linked(i)
	if !is {
		return
	}
	round := d.circleOf(&d.Document.Panels[i])
	factor := (w.Top - w.Bottom) / (now.Top - now.Bottom)
	c := d.windows[round]
	up := (w.Bottom+w.Top)/2 - (c.Bottom+c.Top)/2
	x, y := (c.Left+c.Right)/2, (c.Bottom+c.Top)/2+up
	halfX, halfY := (c.Right-c.Left)/2*factor, (c.Top-c.Bottom)/2*factor
	d.windows[round] = document.Window{Left: x - halfX, Right: x + halfX, Bottom: y - halfY, Top: y + halfY}
}
