package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Widths and sizes in pixels of what a circle shows.
const (
	arcWidth    = 6.0
	lengthWidth = 4.5
	rayWidth    = 1.6
	// axisOffset keeps secant and cosecant beside the cosine and the sine that lie on the same axis.
	axisOffset = 7.0
	arrowSize  = 12.0
	rightAngle = 11.0
	// faint is the opacity of a graph where the angle has not been.
	faint = 0.3
	// windingStep is how far apart the turns of an arc are drawn, as a share of the radius.
	windingStep = 0.06
)

// RatioHue is the colour of a trigonometric function in circle, graph, readout and words.
func RatioHue(f circle.Function) picture.Colour {
	for i, known := range circle.Functions() {
		if f == known {
			return picture.Colour(i)
		}
	}
	return picture.Ink
}

// round is a circle's place on a panel, in its units.
type round struct {
	v        View
	r, up    float64 // radius and height of the centre
	sin, cos float64
}

func roundOf(c *evaluate.Circle, v View) round {
	sin, cos := math.Sincos(c.Angle.Radians)
	if c.Angle.OfPi != nil {
		sin, cos = c.Lengths[circle.Sine].Value, c.Lengths[circle.Cosine].Value
	}
	return round{v, c.Radius, c.Centre, sin, cos}
}

// at is a place in radii from the centre, in pixels.
func (r round) at(x, y float64) [2]float64 {
	return [2]float64{r.v.X(x * r.r), r.v.Y(y*r.r + r.up)}
}

// circle draws the circle with its radius and point, or on a plane the handle by which the angle is moved.
func (c *Composer) circle(d *evaluate.Demonstration, index int, s *evaluate.Shown, p *document.Panel, v View) {
	if !s.Circle.Exists() {
		return
	}
	hue := driverHue(d, s.Circle.Driver)
	if p.Kind != document.Around {
		if x := v.X(s.Circle.At); x >= 0 && x <= v.Width {
			c.pen.Handle(index, x, v.Y(s.Circle.Centre))
			c.pen.Marker(hue, picture.Grip, x, v.Y(s.Circle.Centre), c.scaled(pointRadius))
		}
		return
	}
	r := roundOf(s.Circle, v)
	from := len(c.pen.Data)
	c.turn(r, 0, 2*math.Pi, func(float64) float64 { return 1 }, strokes{picture.Ink, c.scaled(rayWidth), patternOf(s.Entry, picture.Whole), 1})
	centre, point := r.at(0, 0), r.at(r.cos, r.sin)
	c.segment(strokes{picture.Ink, c.scaled(2.4), picture.Whole, 1}, centre, point)
	c.pen.Marker(picture.Ink, picture.Disc, centre[0], centre[1], c.scaled(3))
	c.room.lines(c.pen.Data[from:])
	c.pen.Handle(index, point[0], point[1])
	c.pen.Marker(hue, picture.Grip, point[0], point[1], c.scaled(pointRadius+1))
	c.room.take(point[0]-9, point[1]-9, 18, 18, 50)
}

// driverHue is the colour of the dial that turns a circle or runs along a curve.
func driverHue(d *evaluate.Demonstration, driver int) picture.Colour {
	return picture.Colour(d.Parameters[driver].Stated.Colour % evaluate.Colours)
}

// greyHue stands for the parent's grey.
const greyHue = evaluate.Colours

// Hue is the number of the colour in which an entry is drawn: its own, its parameter's, or that of what it is a part of.
func Hue(d *evaluate.Demonstration, s *evaluate.Shown) int {
	switch {
	case s.Entry.Parent:
		return greyHue
	case s.Part == nil:
		return int(hueOf(s))
	case s.Part.Of.Trajectory != nil:
		return int(pieceHue(s))
	case s.Entry.Part.Piece.HasRatio():
		return int(RatioHue(s.Part.Ratio))
	case s.Entry.Part.Piece == document.Coordinates || s.Part.Of.Circle == nil:
		return int(inkHue)
	}
	return int(driverHue(d, s.Part.Of.Circle.Driver))
}

// inkHue is the darkest of the hues, for what belongs to no dial and no ratio.
const inkHue = picture.Colour(7)

// turn draws a curve about the centre from one angle to another; distance is in radii.
func (c *Composer) turn(r round, from, to float64, distance func(angle float64) float64, pen strokes) {
	steps := math.Min(math.Ceil(math.Abs(to-from)/(math.Pi/60))+1, 1200)
	line := make([]sample.Point, 0, int(steps)+1)
	for k := 0.0; k <= steps; k++ {
		a := from + (to-from)*k/steps
		sin, cos := math.Sincos(a)
		line = append(line, sample.Point{X: cos * distance(a) * r.r, Y: sin*distance(a)*r.r + r.up})
	}
	c.clipped(line, r.v, pen)
}

func (c *Composer) segment(pen strokes, from, to [2]float64) {
	x1, y1, x2, y2 := from[0], from[1], to[0], to[1]
	a, b, ok := clip(x1, y1, x2, y2, c.ground)
	if !ok || math.IsNaN(x1+y1+x2+y2) || math.IsInf(x1+y1+x2+y2, 0) {
		return
	}
	c.pen.Segment(pen.colour, pen.width, pen.pattern, x1+(x2-x1)*a, y1+(y2-y1)*a, x1+(x2-x1)*b, y1+(y2-y1)*b)
}

// arrow draws a directed segment; one too short for a head is a segment.
func (c *Composer) arrow(pen strokes, from, to [2]float64) {
	dx, dy := to[0]-from[0], to[1]-from[1]
	length := math.Hypot(dx, dy)
	size := math.Min(float64(c.scaled(arrowSize)), length*0.6)
	if !(length > 3) || math.IsInf(length, 0) || !c.ground.near(to[0], to[1]) {
		c.segment(pen, from, to)
		return
	}
	ux, uy := dx/length, dy/length
	c.segment(pen, from, [2]float64{to[0] - size*0.8*ux, to[1] - size*0.8*uy})
	start := c.pen.Area(pen.colour, 1)
	c.pen.To(to[0], to[1])
	c.pen.To(to[0]-size*ux+size*0.45*uy, to[1]-size*uy-size*0.45*ux)
	c.pen.To(to[0]-size*ux-size*0.45*uy, to[1]-size*uy+size*0.45*ux)
	c.pen.EndLine(start)
}

// corner draws the mark of a right angle at a place, its arms along two directions.
func (c *Composer) corner(at, along, up [2]float64) {
	size := float64(c.scaled(rightAngle))
	unit := func(to [2]float64) [2]float64 {
		dx, dy := to[0]-at[0], to[1]-at[1]
		length := math.Max(math.Hypot(dx, dy), 1e-9)
		return [2]float64{dx / length * size, dy / length * size}
	}
	a, b := unit(along), unit(up)
	pen := strokes{picture.Ink, c.scaled(1.4), picture.Whole, 1}
	c.segment(pen, [2]float64{at[0] + a[0], at[1] + a[1]}, [2]float64{at[0] + a[0] + b[0], at[1] + a[1] + b[1]})
	c.segment(pen, [2]float64{at[0] + b[0], at[1] + b[1]}, [2]float64{at[0] + a[0] + b[0], at[1] + a[1] + b[1]})
}

// part draws what is shown of a circle.
func (c *Composer) part(d *evaluate.Demonstration, s *evaluate.Shown, p *document.Panel, v View) (anchors []anchor) {
	of := s.Part.Of
	if of.Trajectory != nil {
		return c.running(d, s, v)
	}
	if !of.Ready() || !of.Circle.Exists() {
		return nil
	}
	from := len(c.pen.Data)
	var a anchor
	var latex string
	hue := picture.Colour(Hue(d, s))
	angle := d.LaTeXOf(of.Circle)
	switch piece := s.Entry.Part.Piece; {
	case p.Kind != document.Around:
		a, latex = c.inGraph(d, s, v)
	case piece == document.Arc:
		a, latex = c.arc(of, v, hue)
		if of.Circle.Given != 1 && !of.Entry.Circle.Scaled {
			latex = d.Typeset(d.ArcLaTeX(of.Circle))
		}
	case piece == document.AngleMark:
		a, latex = c.angleMark(d, of, v, hue)
	case piece == document.Coordinates:
		a = c.coordinates(of, v)
		latex = d.Typeset(fmt.Sprintf(`(\cos %s,\;\sin %s)`, angle, angle))
	case piece == document.Length:
		a, latex = c.length(s, v), `\`+string(s.Part.Ratio)+" "+angle
		if of.Entry.Circle.Scaled {
			latex = d.Typeset(number.Format(of.Circle.Radius*of.Circle.Lengths[s.Part.Ratio].Value, 2))
		}
	case piece == document.Carried:
		c.carried(s, v)
	case piece == document.Triangles:
		a, latex = c.triangles(d, s, v)
		hue = picture.Ink
	}
	c.room.lines(c.pen.Data[from:])
	if latex == "" || s.Entry.Label == document.LabelNone || a.x == 0 && a.y == 0 {
		return nil
	}
	a.label = picture.Label{ID: s.Entry.ID, LaTeX: latex, Colour: hue}
	return []anchor{a}
}

// arc draws the arc from the positive x-axis to the point, thick; turns beyond the first wind outside of it.
func (c *Composer) arc(of *evaluate.Shown, v View, hue picture.Colour) (anchor, string) {
	r, to := roundOf(of.Circle, v), of.Circle.Angle.Radians
	c.turn(r, 0, to, winding(to, 1, windingStep), strokes{hue, c.scaled(arcWidth), picture.Whole, 1})
	sin, cos := math.Sincos(to / 2)
	at := r.at(cos*1.04, sin*1.04)
	latex := ""
	if r := of.Circle.Angle.OfPi; r != nil && to != 0 {
		latex = evaluate.PiLaTeX(r)
	}
	return anchor{x: at[0], y: at[1], isPoint: true}, latex
}

// winding is the distance at which an arc to an angle is drawn: on its circle within one turn, else from outside inwards.
func winding(to, distance, step float64) func(angle float64) float64 {
	if math.Abs(to) <= 2*math.Pi {
		return func(float64) float64 { return distance }
	}
	return func(a float64) float64 { return distance + step*(math.Abs(to)-math.Abs(a))/(2*math.Pi) }
}

func (c *Composer) angleMark(d *evaluate.Demonstration, of *evaluate.Shown, v View, hue picture.Colour) (anchor, string) {
	r, to := roundOf(of.Circle, v), of.Circle.Angle.Radians
	const distance = 0.26
	c.turn(r, 0, to, winding(to, distance, windingStep/2), strokes{hue, c.scaled(2.6), picture.Whole, 1})
	sin, cos := math.Sincos(to / 2)
	at := r.at(cos*distance*1.1, sin*distance*1.1)
	return anchor{x: at[0], y: at[1], isPoint: true}, d.Typeset(evaluate.DegreesLaTeX(of.Circle.Angle))
}

func (c *Composer) coordinates(of *evaluate.Shown, v View) anchor {
	r := roundOf(of.Circle, v)
	point := r.at(r.cos, r.sin)
	pen := strokes{picture.Ink, c.scaled(1.4), picture.Dotted, 1}
	c.segment(pen, point, r.at(r.cos, 0))
	c.segment(pen, point, r.at(0, r.sin))
	return anchor{x: point[0], y: point[1], isPoint: true}
}

// ends are where a ratio's directed length begins and ends, in radii from the centre. The tangent counts as positive
// clockwise from the point and the cotangent anticlockwise, so that both end on the axes with the ratio's own sign; on
// the axis lines x = r and y = r up and to the right are positive.
func (r round) ends(f circle.Function, value float64, onAxis bool) (from, to [2]float64) {
	switch f {
	case circle.Sine:
		return [2]float64{r.cos, 0}, [2]float64{r.cos, r.sin}
	case circle.Cosine:
		return [2]float64{0, 0}, [2]float64{r.cos, 0}
	case circle.Tangent:
		if onAxis {
			return [2]float64{1, 0}, [2]float64{1, value}
		}
		return [2]float64{r.cos, r.sin}, [2]float64{1 / r.cos, 0}
	case circle.Cotangent:
		if onAxis {
			return [2]float64{0, 1}, [2]float64{value, 1}
		}
		return [2]float64{r.cos, r.sin}, [2]float64{0, 1 / r.sin}
	case circle.Secant:
		if onAxis {
			return [2]float64{0, 0}, [2]float64{1, r.sin / r.cos}
		}
		return [2]float64{0, 0}, [2]float64{value, 0}
	}
	if onAxis {
		return [2]float64{0, 0}, [2]float64{r.cos / r.sin, 1}
	}
	return [2]float64{0, 0}, [2]float64{0, value}
}

// length draws a ratio as a directed segment with what makes it seen: right angles, the tangent line, the ray.
func (c *Composer) length(s *evaluate.Shown, v View) anchor {
	circleOf, f := s.Part.Of.Circle, s.Part.Ratio
	r, onAxis, value := roundOf(circleOf, v), s.Entry.Part.OnAxis, circleOf.Lengths[f].Value
	c.support(r, f, onAxis)
	if value != value {
		return anchor{}
	}
	from, to := r.ends(f, value, onAxis)
	a, b := r.at(from[0], from[1]), r.at(to[0], to[1])
	if offset := float64(c.scaled(axisOffset)); !onAxis {
		switch f {
		case circle.Secant:
			a[1], b[1] = a[1]+offset, b[1]+offset
		case circle.Cosecant:
			a[0], b[0] = a[0]-offset, b[0]-offset
		}
	}
	c.arrow(strokes{RatioHue(f), c.scaled(lengthWidth), picture.Whole, 1}, a, b)
	if f == circle.Sine && math.Abs(r.sin*r.cos) > 0.02 {
		c.corner(a, r.at(0, 0), b)
	}
	return c.middle(a, b)
}

// middle is a place for a label half way along the part of a segment that is seen.
func (c *Composer) middle(from, to [2]float64) anchor {
	a, b, ok := clip(from[0], from[1], to[0], to[1], c.ground)
	if !ok {
		return anchor{}
	}
	at := func(share float64) [2]float64 {
		share = a + (b-a)*share
		return [2]float64{from[0] + (to[0]-from[0])*share, from[1] + (to[1]-from[1])*share}
	}
	m := at(0.5)
	return anchor{x: m[0], y: m[1], others: [][2]float64{at(0.7), at(0.3), at(0.9)}}
}

// support draws thin what a length lies on: the tangent line at the point or the line x = r, and the ray to it.
func (c *Composer) support(r round, f circle.Function, onAxis bool) {
	if !f.HasPoles() {
		return
	}
	pen := strokes{picture.Axis, c.scaled(rayWidth), picture.Dashed, 1}
	point, centre := r.at(r.cos, r.sin), r.at(0, 0)
	if !onAxis {
		if f == circle.Tangent || f == circle.Cotangent {
			const far = 60
			c.segment(pen, r.at(r.cos-far*r.sin, r.sin+far*r.cos), r.at(r.cos+far*r.sin, r.sin-far*r.cos))
			c.corner(point, centre, r.at(r.cos+r.sin, r.sin-r.cos))
		}
		return
	}
	if f == circle.Tangent || f == circle.Secant {
		c.segment(pen, r.at(1, -60), r.at(1, 60))
	} else {
		c.segment(pen, r.at(-60, 1), r.at(60, 1))
	}
	c.segment(strokes{picture.Ink, c.scaled(rayWidth), picture.Dotted, 1}, r.at(-60*r.cos, -60*r.sin), r.at(60*r.cos, 60*r.sin))
}

// heightOf is the height of a ratio above the centre where it can be carried level to the graph, in radii, and where that
// line begins; false for a length that lies level or along the ray. The cosine is turned: the complementary angle has
// it for its sine.
func (r round) heightOf(f circle.Function, value float64, onAxis bool) (from [2]float64, ok bool) {
	switch {
	case f == circle.Sine:
		return [2]float64{r.cos, r.sin}, true
	case f == circle.Cosine:
		return [2]float64{r.sin, r.cos}, true
	case f == circle.Tangent && onAxis:
		return [2]float64{1, value}, value == value
	case f == circle.Cosecant && !onAxis:
		return [2]float64{0, value}, value == value
	}
	return from, false
}

// carried draws the level line from a length's end to the edge beside which the graph stands.
func (c *Composer) carried(s *evaluate.Shown, v View) {
	circleOf, f := s.Part.Of.Circle, s.Part.Ratio
	r := roundOf(circleOf, v)
	from, ok := r.heightOf(f, circleOf.Lengths[f].Value, s.Entry.Part.OnAxis)
	if !ok {
		return
	}
	hue := RatioHue(f)
	start := r.at(from[0], from[1])
	if f == circle.Cosine {
		thin := strokes{hue, c.scaled(rayWidth), picture.Dotted, 1}
		c.segment(thin, r.at(0, 0), start)
		c.segment(strokes{hue, c.scaled(lengthWidth), picture.Whole, 1}, r.at(from[0], 0), start)
		c.pen.Marker(hue, picture.Ring, start[0], start[1], c.scaled(markRadius))
		// The complementary angle is marked from the upright axis to the ray.
		angle := circleOf.Angle.Radians
		c.turn(r, 0, math.Pi/2-angle, func(float64) float64 { return 0.36 }, thin)
	}
	c.segment(strokes{hue, c.scaled(guideWidth), picture.Dashed, 1}, start, [2]float64{v.Width + margin, start[1]})
}

// triangles outlines the two similar triangles from which a ratio follows, and writes their proportion with its numbers.
func (c *Composer) triangles(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchor, string) {
	circleOf, f := s.Part.Of.Circle, s.Part.Ratio
	r, value := roundOf(circleOf, v), circleOf.Lengths[f].Value
	if value != value || math.Abs(r.sin*r.cos) < 1e-9 {
		return anchor{}, ""
	}
	other := [][2]float64{{0, 0}, {r.cos, r.sin}, {1 / r.cos, 0}}
	switch {
	case (f == circle.Tangent || f == circle.Secant) && s.Entry.Part.OnAxis:
		other = [][2]float64{{0, 0}, {1, 0}, {1, r.sin / r.cos}}
	case (f == circle.Cotangent || f == circle.Cosecant) && s.Entry.Part.OnAxis:
		other = [][2]float64{{0, 0}, {0, 1}, {r.cos / r.sin, 1}}
	case f == circle.Cotangent || f == circle.Cosecant:
		other = [][2]float64{{0, 0}, {r.cos, r.sin}, {0, 1 / r.sin}}
	}
	c.outline(r, RatioHue(f), 0.1, other)
	c.outline(r, picture.Ink, 0.12, [][2]float64{{0, 0}, {r.cos, 0}, {r.cos, r.sin}})
	// The proportion stands where the circle leaves room: below it or above.
	return anchor{x: v.Width / 2, y: v.Height - 2, others: [][2]float64{{v.Width / 2, controlsHeight}}}, d.Typeset(evaluate.ProportionLaTeX(circleOf, f, d.LaTeXOf(circleOf)))
}

func (c *Composer) outline(r round, hue picture.Colour, opacity float32, corners [][2]float64) {
	start := c.pen.Area(hue, opacity)
	for _, p := range corners {
		at := r.at(p[0], p[1])
		c.pen.To(math.Max(-2000, math.Min(at[0], 4000)), math.Max(-2000, math.Min(at[1], 4000)))
	}
	c.pen.EndLine(start)
	for i := range corners {
		from, to := corners[i], corners[(i+1)%len(corners)]
		c.segment(strokes{hue, c.scaled(2), picture.Whole, 1}, r.at(from[0], from[1]), r.at(to[0], to[1]))
	}
}

// inGraph draws a part on the plane: the arc unrolled on the axis, a length above its place, the graph as the angle runs.
func (c *Composer) inGraph(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchor, string) {
	of, part := s.Part.Of, s.Entry.Part
	circleOf := of.Circle
	length := circleOf.Lengths[s.Part.Ratio].Value
	x, foot := v.X(circleOf.At), v.Y(circleOf.Centre)
	head := v.Y(circleOf.Centre + circleOf.Radius*length)
	hue := RatioHue(s.Part.Ratio)
	switch part.Piece {
	case document.Unrolled:
		c.segment(strokes{driverHue(d, of.Circle.Driver), c.scaled(arcWidth), picture.Whole, 1}, [2]float64{v.X(0), foot}, [2]float64{x, foot})
	case document.Length:
		if length == length {
			x += c.beside(d, s)
			c.arrow(strokes{hue, c.scaled(lengthWidth), picture.Whole, 1}, [2]float64{x, foot}, [2]float64{x, head})
		}
	case document.Carried:
		if length == length {
			c.segment(strokes{hue, c.scaled(guideWidth), picture.Dashed, 1}, [2]float64{-margin, head}, [2]float64{x, head})
		}
	case document.Graph:
		return c.graph(d, s, v, length == length)
	}
	return anchor{}, ""
}

// beside sets the lengths of several ratios apart that stand on the same place of the axis.
func (c *Composer) beside(d *evaluate.Demonstration, s *evaluate.Shown) float64 {
	before, all := 0, 0
	for _, other := range d.Shown {
		if other == s {
			before = all
		}
		if other.Part != nil && other.Part.Of == s.Part.Of && other.Entry.Part.Piece == document.Length && d.InScene(other) &&
			!math.IsNaN(s.Part.Of.Circle.Lengths[other.Part.Ratio].Value) {
			all++
		}
	}
	return (float64(before) - float64(all-1)/2) * float64(c.scaled(lengthWidth+1.5))
}

// graph draws a ratio over the driver: firmly where the angle has been since 0, elsewhere as it is wanted.
func (c *Composer) graph(d *evaluate.Demonstration, s *evaluate.Shown, v View, defined bool) (anchor, string) {
	of, hue := s.Part.Of, RatioHue(s.Part.Ratio)
	circleOf := of.Circle
	if s.Part.Graph == nil {
		return anchor{}, ""
	}
	c.asymptotes(d, s, v)
	begun := len(c.pen.Data)
	from := source{function: s.Part.Graph, stamp: d.GraphStamp(s.Part)}
	drawn := c.sampled(d, s.Entry.ID, s.Entry.ID, from, d.Inputs(), v)
	firm := strokes{hue, c.scaled(curveWidth), picture.Whole, 1}
	rest := firm
	rest.opacity, rest.width = faint, c.scaled(parentWidth)
	if s.Entry.Part.Rest == document.RestWhole {
		rest = firm
	}
	low, high := math.Min(0, circleOf.At), math.Max(0, circleOf.At)
	for _, line := range drawn.lines {
		if s.Entry.Part.Rest != document.RestHidden {
			c.clipped(within(line, math.Inf(-1), low), v, rest)
			c.clipped(within(line, high, math.Inf(1)), v, rest)
		}
		c.clipped(within(line, low, high), v, firm)
	}
	if s.Part.Ratio == circle.Tangent && of.Entry.Circle.Scaled {
		c.quarterPoints(d, s, v, hue)
	}
	y := v.Y(circleOf.Centre + circleOf.Radius*circleOf.Lengths[s.Part.Ratio].Value)
	if x := v.X(circleOf.At); defined && c.ground.near(x, y) {
		c.pen.Marker(hue, picture.Disc, x, y, c.scaled(pointRadius-1))
		c.room.take(x-7, y-7, 14, 14, 50)
	}
	a, ok := c.curveAnchor(c.pen.Data[begun:], v)
	if !ok {
		return anchor{}, ""
	}
	return a, d.GraphLaTeX(of, s.Part.Ratio)
}

// quarterPoints marks the centre of a tangent's graph and the points a quarter period beside it, which lie its factor above
// and below the centre line.
func (c *Composer) quarterPoints(d *evaluate.Demonstration, s *evaluate.Shown, v View, hue picture.Colour) {
	circleOf := s.Part.Of.Circle
	slope := d.Slope(circleOf)
	if slope == 0 || slope != slope {
		return
	}
	centre := v.Y(circleOf.Centre)
	c.segment(strokes{picture.Axis, c.scaled(1.2), picture.Dashed, 1}, [2]float64{0, centre}, [2]float64{v.Width, centre})
	for _, quarter := range []float64{-1, 0, 1} {
		x := v.X(circleOf.At + (quarter*math.Pi/4-circleOf.Angle.Radians)/slope)
		y := v.Y(circleOf.Centre + quarter*circleOf.Radius)
		c.segment(strokes{hue, c.scaled(rayWidth), picture.Dotted, 1}, [2]float64{x, centre}, [2]float64{x, y})
		if c.ground.near(x, y) {
			c.pen.Marker(hue, picture.Ring, x, y, c.scaled(markRadius))
		}
	}
}

// within cuts a line that runs from left to right to an interval of x.
func within(line []sample.Point, low, high float64) []sample.Point {
	var out []sample.Point
	cut := func(p, q sample.Point, x float64) sample.Point {
		return sample.Point{X: x, Y: p.Y + (q.Y-p.Y)*(x-p.X)/(q.X-p.X)}
	}
	for i, q := range line {
		if i > 0 {
			p := line[i-1]
			for _, x := range [2]float64{low, high} {
				if p.X < x && x < q.X {
					out = append(out, cut(p, q, x))
				}
			}
		}
		if q.X >= low && q.X <= high {
			out = append(out, q)
		}
	}
	return out
}

// maxPoles bounds the asymptotes of one graph.
const maxPoles = 60

// asymptotes draws the upright lines where a ratio has no value.
func (c *Composer) asymptotes(d *evaluate.Demonstration, s *evaluate.Shown, v View) {
	f, circleOf := s.Part.Ratio, s.Part.Of.Circle
	if !f.HasPoles() {
		return
	}
	slope := d.Slope(circleOf)
	if slope == 0 || slope != slope {
		return
	}
	first := 0.0
	if f == circle.Tangent || f == circle.Secant {
		first = math.Pi / 2
	}
	place := func(angle float64) float64 { return circleOf.At + (angle-circleOf.Angle.Radians)/slope }
	angleAt := func(x float64) float64 { return circleOf.Angle.Radians + (x-circleOf.At)*slope }
	low, high := angleAt(v.Left), angleAt(v.Right)
	low, high = math.Min(low, high), math.Max(low, high)
	for k, n := math.Ceil((low-first)/math.Pi), 0; first+k*math.Pi <= high && n < maxPoles; k, n = k+1, n+1 {
		x := v.X(place(first + k*math.Pi))
		c.segment(strokes{picture.Axis, c.scaled(1.2), picture.Dashed, 1}, [2]float64{x, 0}, [2]float64{x, v.Height})
	}
}
