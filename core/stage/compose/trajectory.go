package compose

import (
	"fmt"
	"math"
	"slices"
	"sort"

	"parvix/core/formula/number"
	"parvix/core/maths/trajectory"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Hues of what belongs to a running point, the same in curve, graphs and readout: its radius or its coordinates, its
// velocity and its acceleration.
const (
	radiusHue       = picture.Colour(1)
	acrossHue       = picture.Colour(1)
	upHue           = picture.Colour(2)
	velocityHue     = picture.Colour(3)
	accelerationHue = picture.Colour(5)
	osculatingHue   = picture.Colour(4)
)

// pieceHue is the colour of a part of a trajectory; what lies on the curve wears the curve's.
func pieceHue(s *evaluate.Shown) picture.Colour {
	switch s.Entry.Part.Piece {
	case document.Ray:
		return radiusHue
	case document.Projections:
		return acrossHue
	case document.Velocity, document.TangentAt:
		return velocityHue
	case document.Accelerated:
		return accelerationHue
	case document.Osculating:
		return osculatingHue
	case document.Graph:
		return map[string]picture.Colour{"r": radiusHue, "x": acrossHue, "y": upHue}[s.Entry.Part.Ratio]
	}
	return colourOf(s.Part.Of.Entry)
}

// drawnTrail is a trajectory's trail, valid for one stamp, interval and scale.
type drawnTrail struct {
	curve    *sample.Plane
	stamp    uint64
	from, to float64
	pixel    float64
	trail    sample.Trail
	width    float64
}

// trailOf gives a trajectory's trail, run through again only when the curve, its interval or the scale has changed: as the
// point runs it is the same.
func (c *Composer) trailOf(d *evaluate.Demonstration, s *evaluate.Shown, v View) *drawnTrail {
	m := s.Trajectory
	run := drawnTrail{curve: m.Curve, stamp: d.TrajectoryStamp(m), from: m.From, to: m.To, pixel: (v.Right - v.Left) / v.Width}
	return c.trailFor(d, s.Entry.ID, 0, run, m.Inputs())
}

// trailFor gives the k-th trail of an entry for a run without its trail yet.
func (c *Composer) trailFor(d *evaluate.Demonstration, id string, k int, now drawnTrail, in []float64) *drawnTrail {
	if c.trails == nil {
		c.trails = map[trailKey]*drawnTrail{}
	}
	key := trailKey{id, k}
	drawn := c.trails[key]
	if drawn == nil {
		drawn = &drawnTrail{}
		c.trails[key] = drawn
	}
	if drawn.curve != now.curve || drawn.stamp != now.stamp || drawn.from != now.from || drawn.to != now.to || drawn.pixel != now.pixel {
		now.trail = c.trailer.Trail(now.curve, in, now.from, now.to, now.pixel)
		now.width = widthFor(lengthOf(now.trail.Points, now.pixel, now.pixel))
		*drawn = now
		d.CountRun(id)
	}
	if drawn.trail.Coarse && !slices.Contains(c.Coarse, id) {
		c.Coarse = append(c.Coarse, id)
	}
	return drawn
}

// trailKey names one of an entry's trails.
type trailKey struct {
	id    string
	place int
}

// trajectory draws a curve firmly as far as its point has come, the rest as it is wanted, and the point.
func (c *Composer) trajectory(d *evaluate.Demonstration, index int, s *evaluate.Shown, v View) (anchor, bool) {
	m := s.Trajectory
	if !m.Exists() {
		return anchor{}, false
	}
	drawn := c.trailOf(d, s, v)
	firm, rest := c.firmAndRest(colourOf(s.Entry), patternOf(s.Entry, picture.Whole), drawn.width)
	place := m.Place(m.At)
	a, ok := c.runUpTo(s, drawn.trail, place, firm, rest, v)
	if m.Driver >= 0 && v.Sees(place.X, place.Y) {
		x, y := v.X(place.X), v.Y(place.Y)
		hue := driverHue(d, m.Driver)
		c.pen.Handle(index, x, y)
		c.pen.Marker(hue, picture.Grip, x, y, c.scaled(pointRadius+1))
		c.room.take(x-9, y-9, 18, 18, 50)
	}
	return a, ok
}

// hairWidth is that of the faint rest of a long line: many turns of it lie close together, and a line of one pixel is drawn
// many times faster than a wider one.
const hairWidth = 1

// firmAndRest are the pens of the part that has been run through and of the rest.
func (c *Composer) firmAndRest(hue picture.Colour, pattern picture.Pattern, width float64) (firm, rest strokes) {
	firm = strokes{hue, c.scaled(width), pattern, 1}
	rest = strokes{hue, c.scaled(parentWidth), pattern, faint}
	if width < memberWidth {
		rest.width = hairWidth
	}
	return firm, rest
}

// lengthOf is the length of a line in pixels, whose sizes in the plane are given; gaps count nothing.
func lengthOf(line []sample.Point, across, up float64) float64 {
	length := 0.0
	for i := 1; i < len(line); i++ {
		if step := math.Hypot((line[i].X-line[i-1].X)/across, (line[i].Y-line[i-1].Y)/up); step == step {
			length += step
		}
	}
	return length
}

// runUpTo draws a trail firmly up to the place where its parameter is, and the rest as it is wanted.
func (c *Composer) runUpTo(s *evaluate.Shown, trail sample.Trail, place sample.Point, firm, rest strokes, v View) (anchor, bool) {
	begun := len(c.pen.Data)
	if s.Entry.Trajectory.Rest == document.RestWhole {
		rest = firm
	}
	cut := sort.SearchFloat64s(trail.T, s.Trajectory.At)
	run := append(append(c.line[:0], trail.Points[:cut]...), place)
	c.line = run
	c.broken(run, v, firm)
	if cut < len(trail.Points) && s.Entry.Trajectory.Rest != document.RestHidden {
		c.broken(append([]sample.Point{place}, trail.Points[cut:]...), v, rest)
	}
	a, ok := c.curveAnchor(c.pen.Data[begun:], v)
	c.room.lines(c.pen.Data[begun:])
	return a, ok
}

// trajectories draws a family of curves, one for each value of its parameter, all of them up to the same value of their own.
func (c *Composer) trajectories(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchors []anchor) {
	m := s.Trajectory
	if !m.Exists() {
		return nil
	}
	run := drawnTrail{curve: m.Curve, stamp: d.FamilyStamp(s), from: m.From, to: m.To, pixel: (v.Right - v.Left) / v.Width}
	for k, member := range s.Family.Members {
		in := d.InputsFor(s.Family, member)
		drawn := c.trailFor(d, s.Entry.ID, k, run, in)
		firm, rest := c.firmAndRest(rampColour(k, len(s.Family.Members)), picture.Pattern(k%3), min(drawn.width, memberWidth))
		a, ok := c.runUpTo(s, drawn.trail, m.Curve.At(m.At, in), firm, rest, v)
		if ok && s.Entry.Label != document.LabelNone {
			a.label = picture.Label{ID: fmt.Sprintf("%s.%d", s.Entry.ID, k), LaTeX: member.LaTeX, Colour: firm.colour}
			anchors = append(anchors, a)
		}
	}
	return anchors
}

// widthFor is how wide a line of this length is drawn: a long one that fills the panel thinner, so that its turns stay
// apart.
func widthFor(length float64) float64 {
	switch {
	case length > 16000:
		return curveWidth * 0.5
	case length > 7000:
		return curveWidth * 0.7
	}
	return curveWidth
}

// broken draws a line that has gaps where a place is NaN.
func (c *Composer) broken(line []sample.Point, v View, pen strokes) {
	from := 0
	for i := 0; i <= len(line); i++ {
		if i == len(line) || math.IsNaN(line[i].X) {
			if i-from > 1 {
				c.clipped(line[from:i], v, pen)
			}
			from = i + 1
		}
	}
}

// running draws a part of a trajectory at its point.
func (c *Composer) running(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchors []anchor) {
	of := s.Part.Of
	m := of.Trajectory
	if !of.Ready() || !m.Exists() {
		return nil
	}
	begun := len(c.pen.Data)
	at := m.Place(m.At)
	pixel := func(x, y float64) [2]float64 { return [2]float64{v.X(x), v.Y(y)} }
	here, pole := pixel(at.X, at.Y), pixel(0, 0)
	label := func(a anchor, latex string, hue picture.Colour) {
		a.label = picture.Label{ID: s.Entry.ID, LaTeX: d.Typeset(latex), Colour: hue}
		anchors = append(anchors, a)
	}
	switch s.Entry.Part.Piece {
	case document.Ray:
		sin, cos := math.Sincos(d.Direction(m.At))
		far := (v.Right - v.Left + v.Top - v.Bottom) + math.Hypot(v.Left+v.Right, v.Top+v.Bottom)
		c.segment(strokes{picture.Axis, c.scaled(rayWidth), picture.Dashed, 1}, pole, pixel(far*cos, far*sin))
		if r := m.Radius(m.At); r == r {
			c.arrow(strokes{radiusHue, c.scaled(lengthWidth), picture.Whole, 1}, pole, here)
			label(c.middle(pole, here), "r="+number.Format(r, 2), radiusHue)
		}
	case document.Projections:
		c.segment(strokes{acrossHue, c.scaled(rayWidth), picture.Dotted, 1}, here, pixel(at.X, 0))
		c.segment(strokes{upHue, c.scaled(rayWidth), picture.Dotted, 1}, here, pixel(0, at.Y))
		c.arrow(strokes{acrossHue, c.scaled(lengthWidth), picture.Whole, 1}, pole, pixel(at.X, 0))
		c.arrow(strokes{upHue, c.scaled(lengthWidth), picture.Whole, 1}, pole, pixel(0, at.Y))
	case document.Velocity:
		q := m.Velocity(m.At)
		c.arrow(strokes{velocityHue, c.scaled(lengthWidth), picture.Whole, 1}, here, pixel(at.X+q.X, at.Y+q.Y))
	case document.Accelerated:
		q := m.Acceleration(m.At)
		c.arrow(strokes{accelerationHue, c.scaled(lengthWidth), picture.Whole, 1}, here, pixel(at.X+q.X, at.Y+q.Y))
	case document.TangentAt:
		q := m.Velocity(m.At)
		if speed := math.Hypot(q.X, q.Y); speed > 0 {
			far := 3 * (v.Right - v.Left + v.Top - v.Bottom) / speed
			c.segment(strokes{velocityHue, c.scaled(guideWidth), picture.Dashed, 1}, pixel(at.X-far*q.X, at.Y-far*q.Y), pixel(at.X+far*q.X, at.Y+far*q.Y))
		}
	case document.Osculating:
		c.osculating(m, at, v)
	case document.Dots:
		c.dots(d, s, v)
	case document.Region:
		return c.region(d, s, v)
	case document.Directions:
		c.directions(d, of, v)
	case document.Swept:
		if a, area := c.swept(d, of, v); area == area {
			label(a, `A\approx `+number.Format(area, 2), colourOf(of.Entry))
		}
	case document.Graph:
		return c.coordinateGraph(d, s, v)
	}
	c.room.lines(c.pen.Data[begun:])
	return anchors
}

// osculating draws the circle of curvature: its centre lies at (x, y) + (−y′, x′)·(x′² + y′²)/(x′y″ − y′x″) (common practice;
// Bronstein, curvature of plane curves).
func (c *Composer) osculating(m *evaluate.Trajectory, at sample.Point, v View) {
	q, w := m.Velocity(m.At), m.Acceleration(m.At)
	cross, square := q.X*w.Y-q.Y*w.X, q.X*q.X+q.Y*q.Y
	k := square / cross
	centre := [2]float64{at.X - q.Y*k, at.Y + q.X*k}
	radius := math.Hypot(centre[0]-at.X, centre[1]-at.Y)
	if !(radius > 0) || radius > 50*(v.Right-v.Left) {
		return
	}
	pen := strokes{osculatingHue, c.scaled(guideWidth), picture.Whole, 1}
	c.around(centre, radius, 0, 2*math.Pi, v, pen)
	pen.pattern = picture.Dotted
	c.segment(pen, [2]float64{v.X(centre[0]), v.Y(centre[1])}, [2]float64{v.X(at.X), v.Y(at.Y)})
	if v.Sees(centre[0], centre[1]) {
		c.pen.Marker(osculatingHue, picture.Disc, v.X(centre[0]), v.Y(centre[1]), c.scaled(3))
	}
}

// dotCount is how many equal steps of the parameter an interval has for dots; a longer one has as many for each turn.
const dotCount = 48

// mostDots bounds the dots of one curve.
const mostDots = 2000

// stepsOf gives values of the parameter at equal steps as far as the point has come.
func stepsOf(m *evaluate.Trajectory, perTurn float64, turn float64) []float64 {
	count := math.Max(perTurn, math.Round(perTurn*(m.To-m.From)/turn))
	return stepped(m, (m.To-m.From)/math.Min(count, mostDots))
}

func stepped(m *evaluate.Trajectory, step float64) (list []float64) {
	for k := 0.0; k <= mostDots && step > 0; k++ {
		t := m.From + step*k
		if t > m.At+1e-9*step {
			break
		}
		list = append(list, math.Min(t, m.To))
	}
	return list
}

func turnOf(d *evaluate.Demonstration) float64 { return 2 * math.Pi / d.Direction(1) }

// dots stand at equal steps of the parameter, close together where the point is slow, and may be joined.
func (c *Composer) dots(d *evaluate.Demonstration, s *evaluate.Shown, v View) {
	of := s.Part.Of
	m, hue := of.Trajectory, colourOf(of.Entry)
	list, size := stepsOf(m, dotCount, turnOf(d)), c.scaled(traceRadius)
	if s.Entry.Part.Step != "" {
		list, size = stepped(m, d.Step(s.Part)), c.scaled(pointRadius-2)
	}
	var places []sample.Point
	for _, t := range list {
		p := m.Place(t)
		places = append(places, p)
		if v.Sees(p.X, p.Y) {
			c.pen.Marker(hue, picture.Disc, v.X(p.X), v.Y(p.Y), size)
		}
	}
	pen := strokes{picture.Ink, c.scaled(guideWidth), picture.Whole, 1}
	switch s.Entry.Part.Line {
	case document.Straight:
		c.broken(places, v, pen)
	case document.Smooth:
		c.broken(sample.Through(places), v, pen)
	}
}

// region fills what lies between two polar curves, and tells its area.
func (c *Composer) region(d *evaluate.Demonstration, s *evaluate.Shown, v View) []anchor {
	of, other := s.Part.Of, s.Part.Other
	if !of.Ready() || !other.Ready() || !d.HasOutline(of.Trajectory) || !d.HasOutline(other.Trajectory) {
		return nil
	}
	if c.regions == nil {
		c.regions = map[string]*drawnRegion{}
	}
	now := drawnRegion{part: s.Part, stamp: max(d.TrajectoryStamp(of.Trajectory), d.TrajectoryStamp(other.Trajectory))}
	known := c.regions[s.Entry.ID]
	if known == nil || known.part != now.part || known.stamp != now.stamp {
		region := trajectory.Between(d.Outline(of.Trajectory), d.Outline(other.Trajectory), s.Entry.Part.Common)
		now.sectors = trajectory.Sectors(region)
		now.told = evaluate.AreaLaTeX(trajectory.RegionArea(region))
		known = &now
		c.regions[s.Entry.ID] = known
		d.CountRun(s.Entry.ID)
	}
	var label anchor
	widest := 0.0
	for _, sector := range known.sectors {
		start := c.pen.Area(colourOf(of.Entry), areaOpacity)
		to := func(direction, distance float64) {
			sin, cos := math.Sincos(direction)
			c.pen.To(math.Max(-4000, math.Min(v.X(distance*cos), 8000)), math.Max(-4000, math.Min(v.Y(distance*sin), 8000)))
		}
		for _, at := range sector {
			to(at.Direction, at.Far)
			if width := at.Far - at.Near; width > widest {
				sin, cos := math.Sincos(at.Direction)
				middle := (at.Near + at.Far) / 2
				widest, label = width, anchor{x: v.X(middle * cos), y: v.Y(middle * sin), isPoint: true}
			}
		}
		for i := len(sector) - 1; i >= 0; i-- {
			to(sector[i].Direction, sector[i].Near)
		}
		c.pen.EndLine(start)
	}
	if widest == 0 {
		return nil
	}
	label.label = picture.Label{ID: s.Entry.ID, LaTeX: d.Typeset(known.told), Colour: colourOf(of.Entry)}
	return []anchor{label}
}

// drawnRegion is a region between two curves, valid for one stamp.
type drawnRegion struct {
	part    *evaluate.Part
	stamp   uint64
	sectors [][]trajectory.Sector
	told    string
}

// directions are arrowheads along the curve.
func (c *Composer) directions(d *evaluate.Demonstration, of *evaluate.Shown, v View) {
	m, size := of.Trajectory, float64(c.scaled(arrowSize+2))
	for i, t := range stepsOf(m, 12, turnOf(d)) {
		p, q := m.Place(t), m.Velocity(t)
		ux, uy := q.X/(v.Right-v.Left)*v.Width, -q.Y/(v.Top-v.Bottom)*v.Height
		length := math.Hypot(ux, uy)
		if i == 0 || !v.Sees(p.X, p.Y) || !(length > 1e-9) {
			continue
		}
		ux, uy = ux/length, uy/length
		x, y := v.X(p.X)+ux*size/2, v.Y(p.Y)+uy*size/2
		start := c.pen.Area(colourOf(of.Entry), 1)
		c.pen.To(x, y)
		c.pen.To(x-size*ux+size*0.42*uy, y-size*uy-size*0.42*ux)
		c.pen.To(x-size*ux-size*0.42*uy, y-size*uy+size*0.42*ux)
		c.pen.EndLine(start)
	}
}

// sweptArea is ½∫(x y′ − y x′) dt up to the point, by Simpson's rule with so many steps a turn; gaps count as nothing.
func sweptArea(d *evaluate.Demonstration, m *evaluate.Trajectory) float64 {
	const perTurn, most = 64, 4096
	n := 2 * math.Ceil(math.Min(most, math.Max(perTurn, perTurn*(m.At-m.From)/turnOf(d)))/2)
	sum, step := 0.0, (m.At-m.From)/n
	for k := 0.0; k <= n; k++ {
		weight := 2.0
		if k == 0 || k == n {
			weight = 1
		} else if math.Mod(k, 2) == 1 {
			weight = 4
		}
		p, q := m.Place(m.From+k*step), m.Velocity(m.From+k*step)
		if v := p.X*q.Y - p.Y*q.X; !math.IsNaN(v) && !math.IsInf(v, 0) {
			sum += weight * v / 2
		}
	}
	return math.Abs(sum * step / 3)
}

// swept fills what the ray from the pole has swept over, and gives its area; NaN beyond a place where the curve runs off, for
// the steps of a rule tell nothing of an integral without end.
func (c *Composer) swept(d *evaluate.Demonstration, of *evaluate.Shown, v View) (middle anchor, area float64) {
	m := of.Trajectory
	trail := c.trailOf(d, of, v).trail
	cut := sort.SearchFloat64s(trail.T, m.At)
	start := c.pen.Area(colourOf(of.Entry), areaOpacity)
	to := func(p sample.Point) {
		if !math.IsNaN(p.X) {
			c.pen.To(math.Max(-4000, math.Min(v.X(p.X), 8000)), math.Max(-4000, math.Min(v.Y(p.Y), 8000)))
		}
	}
	to(sample.Point{})
	area = sweptArea(d, m)
	for i, p := range trail.Points[:cut] {
		to(p)
		if i > 0 && math.IsNaN(p.X) && runsOff(trail.Points[i-1], v) {
			area = math.NaN()
		}
	}
	place := m.Place(m.At)
	to(place)
	c.pen.EndLine(start)
	return anchor{x: v.X(place.X / 2), y: v.Y(place.Y / 2), isPoint: true}, area
}

// runsOff tells that a line that ends at p has left for good: it is dozens of windows away.
func runsOff(p sample.Point, v View) bool {
	return math.Hypot(p.X, p.Y) > 30*math.Max(v.Right-v.Left, v.Top-v.Bottom)
}

// coordinateGraph draws r, x or y over the parameter, firmly as far as the point has come, with the present value as the
// same coloured length.
func (c *Composer) coordinateGraph(d *evaluate.Demonstration, s *evaluate.Shown, v View) []anchor {
	of, name := s.Part.Of, s.Entry.Part.Ratio
	m := of.Trajectory
	graph := m.Graphs[name]
	if graph == nil {
		return nil
	}
	hue := pieceHue(s)
	begun := len(c.pen.Data)
	from := source{function: graph, stamp: d.TrajectoryStamp(m)}
	drawn := c.sampled(d, s.Entry.ID, s.Entry.ID, from, m.Inputs(), v)
	length := 0.0
	for _, line := range drawn.lines {
		length += lengthOf(line, (v.Right-v.Left)/v.Width, (v.Top-v.Bottom)/v.Height)
	}
	firm, rest := c.firmAndRest(hue, picture.Whole, widthFor(length))
	for _, line := range drawn.lines {
		if of.Entry.Trajectory.Rest != document.RestHidden {
			c.clipped(within(line, m.At, m.To), v, rest)
		}
		c.clipped(within(line, m.From, m.At), v, firm)
	}
	in := m.Inputs()
	value := graph.At(m.At, in)
	if m.Driver >= 0 && value == value {
		foot, head := [2]float64{v.X(m.At), v.Y(0)}, [2]float64{v.X(m.At), v.Y(value)}
		c.arrow(strokes{hue, c.scaled(lengthWidth), picture.Whole, 1}, foot, head)
		if c.ground.near(head[0], head[1]) {
			c.pen.Marker(hue, picture.Disc, head[0], head[1], c.scaled(pointRadius-1))
		}
	}
	c.room.lines(c.pen.Data[begun:])
	a, ok := c.curveAnchor(c.pen.Data[begun:], v)
	if !ok {
		return nil
	}
	a.label = picture.Label{ID: s.Entry.ID, LaTeX: d.CoordinateLaTeX(m, name), Colour: hue}
	return []anchor{a}
}

// polarGrid draws circles about the pole and rays, numbered along the axis and around.
func (c *Composer) polarGrid(d *evaluate.Demonstration, v View, x axis) {
	far := 0.0
	for _, corner := range [4][2]float64{{v.Left, v.Bottom}, {v.Left, v.Top}, {v.Right, v.Bottom}, {v.Right, v.Top}} {
		far = math.Max(far, math.Hypot(corner[0], corner[1]))
	}
	step := 1.0
	if n := len(x.ticks); n > 1 {
		step = x.ticks[1].value - x.ticks[0].value
	}
	const mostCircles = 60
	for k := 1.0; k*step <= far && k < mostCircles; k++ {
		c.around([2]float64{}, k*step, 0, 2*math.Pi, v, strokes{picture.Grid, 1, picture.Whole, 1})
	}
	pole := [2]float64{v.X(0), v.Y(0)}
	for k := range 24 {
		sin, cos := math.Sincos(float64(k) * math.Pi / 12)
		colour := picture.FineGrid
		if k%2 == 0 {
			colour = picture.Grid
		}
		c.segment(strokes{colour, 1, picture.Whole, 1}, pole, [2]float64{v.X(far * cos), v.Y(far * sin)})
		if k%6 == 0 || k%2 == 1 {
			continue
		}
		// Each ray of 30° is numbered at the rim of the largest circle that fits.
		rim := math.Min(math.Min(v.Right, -v.Left), math.Min(v.Top, -v.Bottom)) * 0.93
		text := fmt.Sprintf("%d°", 15*k)
		if d.Document.AngleUnit != document.Degree {
			text = number.OfPi(k, 12)
		}
		if rim > 0 {
			c.write(text, v.X(rim*cos), v.Y(rim*sin), picture.Centre)
		}
	}
}
