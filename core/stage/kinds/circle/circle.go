// Package circle is a circle whose point an angle turns, with what is shown of it: arc, angle, the six trigonometric functions
// as lengths, and their graphs.
package circle

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Letter begins the ids of circles.
func (*Body) Letter() string { return "o" }

// Live is a circle with its point in play.
type Live struct {
	// Scaled keeps the radius a length, the amplitude of the graph.
	Scaled bool
	Angle  trig.Angle
	// Given is the radius as it is stated; Radius and Centre are those of the pictures: 1 and 0 where the radius is the
	// unit.
	Given, Radius, Centre float64
	// Driver is the place of the parameter that the graph's axis counts, At its value.
	Driver int
	At     float64
	// Lengths are the six functions in radii.
	Lengths map[trig.Function]trig.Length

	body                  *Body
	angle, radius, centre *evaluate.Expression
	// plain tells that the angle is the driver itself.
	plain bool
}

// Load compiles the circle's formulas.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	c := &Live{body: b, Scaled: b.Scaled, Driver: d.Find(b.Driver), plain: b.Angle == ""}
	if c.Driver < 0 {
		d.Report(problem.New("not-a-parameter", 0, len(b.Driver), b.Driver), e.ID, "driver")
		return nil
	}
	text := func(typed, usual string) string {
		if typed == "" {
			return usual
		}
		return typed
	}
	c.angle = d.Expression(text(b.Angle, b.Driver), e.ID, "angle")
	c.radius = d.Expression(text(b.Radius, "1"), e.ID, "radius")
	c.centre = d.Expression(text(b.Centre, "0"), e.ID, "centre")
	if c.angle == nil || c.radius == nil || c.centre == nil {
		return nil
	}
	return c
}

// Sentence says “the circle with the angle θ and the radius a”.
func (b *Body) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	c, ok := s.Live.(*Live)
	if !ok {
		return []evaluate.Word{evaluate.Says("a circle")}
	}
	sentence := []evaluate.Word{evaluate.Says("the circle with the angle "), {LaTeX: c.LaTeX(d)}}
	if r := b.Radius; r != "" && r != "1" {
		sentence = append(sentence, evaluate.Says(" and the radius "), evaluate.Word{LaTeX: d.LaTeX(c.radius.Formula, d.Class)})
	}
	return sentence
}

// SharesScale: a plane beside the circle has as many pixels per unit.
func (c *Live) SharesScale() {}

// Hangs lists the parameters of the three formulas.
func (c *Live) Hangs() (on []int) {
	for _, x := range []*evaluate.Expression{c.angle, c.radius, c.centre} {
		on = append(on, x.Hangs()...)
	}
	return append(on, c.Driver)
}

// Update works angle, radius and lengths out.
func (c *Live) Update(d evaluate.Moment) {
	c.At = d.Dial(c.Driver).Value
	c.Angle = trig.At(c.angle.At(d.Inputs()) * d.RadiansPerUnit())
	c.Given = c.radius.At(d.Inputs())
	c.Radius, c.Centre = 1, 0
	if c.Scaled {
		c.Radius, c.Centre = c.Given, c.centre.At(d.Inputs())
	}
	c.Lengths = lengthsAt(c.Angle)
}

// Exists tells whether the angle and the radius have values.
func (c *Live) Exists() bool {
	return !math.IsNaN(c.Angle.Radians+c.Radius+c.Centre) && !math.IsInf(c.Angle.Radians, 0)
}

// Slope is by how many radians the angle grows when the driver grows by one.
func (c *Live) Slope(d evaluate.Moment) float64 {
	was := d.Inputs()[c.Driver+1]
	defer func() { d.Inputs()[c.Driver+1] = was }()
	d.Inputs()[c.Driver+1] = was + 1
	return c.angle.At(d.Inputs())*d.RadiansPerUnit() - c.Angle.Radians
}

// snapParts is how many equal parts a half turn has to which a dragged angle snaps: multiples of 15°.
const snapParts = 12

// snapPixels is how near a dragged angle comes before it snaps.
const snapPixels = 8.0

// Drag turns the point on the circle's panel, and moves the driver along the axis on a plane.
func (c *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	if h.Panel.Kind == document.Around {
		c.turn(d, h.X, h.Y, h.Pixel)
	} else {
		c.slide(d, h.X, h.Pixel)
	}
}

// Nudge moves the driver by steps.
func (c *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	d.Set(c.Driver, d.Dial(c.Driver).Stepped(h.DX+h.DY))
}

// turn turns the point towards (x, y) as it is seen from the centre, the short way from where it is, so that it winds
// on over several turns; near a multiple of 15° it snaps. pixel is the width of one in the circle's units.
func (c *Live) turn(d evaluate.Play, x, y, pixel float64) {
	if !c.Exists() {
		return
	}
	to := math.Atan2(y-c.Centre, x)
	if c.Radius < 0 {
		to = math.Atan2(-(y - c.Centre), -x)
	}
	to += 2 * math.Pi * math.Round((c.Angle.Radians-to)/(2*math.Pi))
	slope := c.Slope(d)
	if slope == 0 || slope != slope {
		return
	}
	part := math.Pi / snapParts
	snapped := math.Round(to / part)
	at := c.At + (to-c.Angle.Radians)/slope
	if math.Abs(to-snapped*part)*math.Abs(c.Radius) <= snapPixels*pixel {
		c.setDriver(d, c.At+(snapped*part-c.Angle.Radians)/slope, false)
		if c.plain {
			c.setDriver(d, snapped*part/d.RadiansPerUnit(), false)
		}
		return
	}
	c.setDriver(d, at, true)
}

// slide moves the driver along the graph's axis, to its steps or to a multiple of 15° nearby.
func (c *Live) slide(d evaluate.Play, x, pixel float64) {
	if part := math.Pi / snapParts / d.RadiansPerUnit(); c.plain && math.Abs(x-math.Round(x/part)*part) <= snapPixels*pixel {
		c.setDriver(d, math.Round(x/part)*part, false)
		return
	}
	c.setDriver(d, x, true)
}

func (c *Live) setDriver(d evaluate.Play, v float64, onStep bool) {
	p := d.Dial(c.Driver)
	if onStep {
		v = p.OnStep(v)
	}
	if d.IsInDegrees() {
		v = number.Round(v, 9)
	}
	d.Set(c.Driver, math.Max(p.From, math.Min(p.To, v)))
}

// Compose draws the circle with its radius and point, or on a plane the handle by which the angle is moved.
func (c *Live) Compose(on *compose.On) []compose.Anchor {
	if !c.Exists() {
		return nil
	}
	v := on.View
	hue := compose.DialColour(on.Now, c.Driver)
	if on.Panel.Kind != document.Around {
		if x := v.X(c.At); x >= 0 && x <= v.Width {
			on.Pen.Handle(on.Index, x, v.Y(c.Centre))
			on.Pen.Marker(hue, picture.Grip, x, v.Y(c.Centre), on.Scaled(compose.PointRadius))
		}
		return nil
	}
	r := roundOf(c, v)
	r.turn(on, 0, 2*math.Pi, func(float64) float64 { return 1 }, compose.Stroke(picture.Ink, on.Scaled(compose.RayWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	centre, point := r.at(0, 0), r.at(r.cos, r.sin)
	on.Segment(compose.Stroke(picture.Ink, on.Scaled(2.4), picture.Whole, 1), centre, point)
	on.Pen.Marker(picture.Ink, picture.Disc, centre[0], centre[1], on.Scaled(3))
	on.Pen.Handle(on.Index, point[0], point[1])
	on.Pen.Marker(hue, picture.Grip, point[0], point[1], on.Scaled(compose.PointRadius+1))
	return nil
}

// Describe says where the point of a circle is.
func (c *Live) Describe(evaluate.Moment, *document.Entry) []string {
	if !c.Exists() {
		return []string{"A circle whose angle has no value."}
	}
	text := fmt.Sprintf("A circle; its angle is %s radians, %s degrees", number.Format(c.Angle.Radians, 3), number.Format(c.Angle.Degrees(), 1))
	if quadrant, axis := c.Angle.Quadrant(); quadrant > 0 {
		return []string{fmt.Sprintf("%s, in quadrant %d.", text, quadrant)}
	} else if axis != "" {
		text += ", on the " + axis
	}
	return []string{text + "."}
}

// Box is the whole window: about the circles with what is measured at them, or of one turn of the graph from 0 on.
func (c *Live) Box(d evaluate.Moment, _ *evaluate.Shown, p *document.Panel, box kind.Box) {
	if p.Kind == document.Around {
		box.Whole(around(d, p))
		return
	}
	w := p.Window
	w.Left, w.Right = -0.5, 7
	if d.IsInDegrees() {
		w.Left, w.Right = -30, 400
	}
	box.Whole(w)
}

// roomAround is the part of the radius that is left about a circle, roomBeyond that beyond the end of a length, farthest how many radii
// from the centre a length is followed.
const roomAround, roomBeyond, farthest = 0.8, 0.15, 6.0

// around is the window of a circle's panel.
func around(d evaluate.Moment, p *document.Panel) document.Window {
	w := document.Window{Left: math.Inf(1), Right: math.Inf(-1), Bottom: math.Inf(1), Top: math.Inf(-1)}
	add := func(x, y, room float64) {
		w.Left, w.Right = math.Min(w.Left, x-room), math.Max(w.Right, x+room)
		w.Bottom, w.Top = math.Min(w.Bottom, y-room), math.Max(w.Top, y+room)
	}
	for _, s := range d.Visible() {
		if !s.Entry.IsOn(p.ID) {
			continue
		}
		switch live := s.Live.(type) {
		case *Live:
			if !live.Exists() {
				continue
			}
			add(0, live.Centre, math.Max(math.Abs(live.Radius), 0.1)*(1+roomAround))
		case *Part:
			of := live.Of
			if live.body.Piece != Length || !of.Exists() {
				continue
			}
			_, to := roundOf(of, view.View{}).ends(live.Ratio, of.Lengths[live.Ratio].Value, live.body.OnAxis)
			if size := math.Abs(of.Radius); math.Hypot(to[0], to[1]) <= farthest {
				add(to[0]*of.Radius, of.Centre+to[1]*of.Radius, roomBeyond*size)
			}
		}
	}
	if w.Left > w.Right {
		return p.Window
	}
	return w
}
