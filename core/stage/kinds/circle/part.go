package circle

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Part is something shown of a circle.
type Part struct {
	Of    *Live
	Ratio trig.Function
	// Graph is the ratio's curve over the driver, nil for other pieces.
	Graph *sample.Function

	body *PartBody
	on   []int // what the graph depends on, the driver apart
}

// Letter begins the ids of parts.
func (*PartBody) Letter() string { return "a" }

// Load finds the circle.
func (b *PartBody) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	of := d.Other(b.Of)
	if of == nil || of.Entry.Kind() != (*Body)(nil).Kind() {
		d.Report(problem.New("field", 0, 0, "of", "there is no such circle"), e.ID, "of")
		return nil
	}
	c, understood := of.Live.(*Live)
	if !understood {
		return nil // the circle says why
	}
	p := &Part{Of: c, Ratio: trig.Function(b.Ratio), body: b}
	if b.Piece == Graph {
		p.loadGraph(d, b.Of)
	}
	return p
}

// Sentence says what the part is.
func (b *PartBody) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	p, ok := s.Live.(*Part)
	if !ok {
		return []evaluate.Word{evaluate.Says("a part of a circle")}
	}
	angle := p.Of.LaTeX(d)
	ratio := evaluate.Word{LaTeX: fmt.Sprintf(`\htmlClass{hue-%d}{\%s} %s`, int(RatioHue(p.Ratio)), p.Ratio, angle)}
	turned := evaluate.Word{LaTeX: angle}
	switch p.body.Piece {
	case Arc:
		return []evaluate.Word{evaluate.Says("the arc of "), turned}
	case AngleMark:
		return []evaluate.Word{evaluate.Says("the angle "), turned, evaluate.Says(" at the centre")}
	case Coordinates:
		return []evaluate.Word{evaluate.Says("the coordinates of the point on the circle")}
	case Unrolled:
		if !p.Of.countsItsArc() {
			return []evaluate.Word{{LaTeX: d.LaTeX(&expr.Name{Name: d.Dial(p.Of.Driver).Stated.Name}, d.Class)}, evaluate.Says(" on the axis and the arc unrolled beneath it")}
		}
		return []evaluate.Word{evaluate.Says("the arc unrolled on the axis")}
	case Length:
		return []evaluate.Word{ratio, evaluate.Says(" as a directed length")}
	case Carried:
		if p.Ratio == trig.Cosine {
			return []evaluate.Word{ratio, evaluate.Says(" turned by the complementary angle and carried over")}
		}
		return []evaluate.Word{ratio, evaluate.Says(" carried over to the graph")}
	case Wave:
		return []evaluate.Word{evaluate.Says("amplitude, period and centre line of "), ratio}
	case Triangles:
		return []evaluate.Word{evaluate.Says("the similar triangles for "), ratio}
	}
	return []evaluate.Word{evaluate.Says("the graph of "), ratio}
}

// Hue is the colour of the ratio, or of the dial that turns the circle.
func (p *Part) Hue(d evaluate.Moment) picture.Colour {
	switch {
	case p.body.Piece.HasRatio():
		return RatioHue(p.Ratio)
	case p.body.Piece == Coordinates:
		return compose.InkHue
	}
	return compose.DialColour(d, p.Of.Driver)
}

// Describe says how long a ratio's length is; what else is shown of a circle needs no words beside them.
func (p *Part) Describe(evaluate.Moment, *document.Entry) []string {
	c := p.Of
	if !c.Exists() || p.body.Piece != Length {
		return nil
	}
	l := c.Lengths[p.Ratio]
	if l.Undefined != "" {
		return []string{fmt.Sprintf("The %s is undefined: %s.", p.Ratio.Name(), l.Undefined)}
	}
	return []string{fmt.Sprintf("The %s is %s.", p.Ratio.Name(), number.Format(l.Value, 3))}
}

// Box asks for nothing: the circle's is the whole window.
func (p *Part) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Compose draws the part on the circle, or in its graph.
func (p *Part) Compose(on *compose.On) []compose.Anchor {
	of := p.Of
	if !of.Exists() {
		return nil
	}
	var a compose.Anchor
	var latex string
	hue := p.Hue(on.Now)
	angle := of.LaTeX(on.Now)
	switch piece := p.body.Piece; {
	case piece == Wave:
		return p.wave(on)
	case piece == Unrolled && on.Panel.Kind != document.Around:
		return p.unrolled(on)
	case on.Panel.Kind != document.Around:
		a, latex = p.inGraph(on)
	case piece == Arc:
		a, latex = of.arc(on, hue)
		if of.Given != 1 {
			latex = on.Now.Typeset(of.ArcLaTeX())
		}
	case piece == AngleMark:
		a, latex = of.angleMark(on, hue)
	case piece == Coordinates:
		a = of.coordinates(on)
		latex = on.Now.Typeset(fmt.Sprintf(`(\cos %s,\;\sin %s)`, angle, angle))
	case piece == Length:
		a, latex = p.length(on), of.LengthLaTeX(on.Now, p.Ratio)
		if of.Scaled {
			a.Short = on.Now.Typeset(number.Format(of.Radius*of.Lengths[p.Ratio].Value, 2))
		}
	case piece == Carried:
		p.carried(on)
	case piece == Triangles:
		a, latex = p.triangles(on)
		hue = picture.Ink
	}
	if a.X == 0 && a.Y == 0 {
		return nil
	}
	return on.Labelled(a, latex, hue)
}

// arc draws the arc from the positive x-axis to the point, thick; turns beyond the first wind outside of it.
func (c *Live) arc(on *compose.On, hue picture.Colour) (compose.Anchor, string) {
	r, to, begun := roundOf(c, on.View), c.Angle.Radians, len(on.Pen.Data)
	r.turn(on, 0, to, winding(to, 1, windingStep), compose.Stroke(hue, on.Scaled(arcWidth), picture.Whole, 1))
	sin, cos := math.Sincos(to / 2)
	at := r.at(cos, sin)
	latex := ""
	if r := c.Angle.OfPi; r != nil && to != 0 {
		latex = evaluate.PiLaTeX(r)
	}
	a, _ := on.OnLines(begun)
	return a.Rather(at[0], at[1]), latex
}

// winding is the distance at which an arc to an angle is drawn: on its circle within one turn, else from outside inwards.
func winding(to, distance, step float64) func(angle float64) float64 {
	if math.Abs(to) <= 2*math.Pi {
		return func(float64) float64 { return distance }
	}
	return func(a float64) float64 { return distance + step*(math.Abs(to)-math.Abs(a))/(2*math.Pi) }
}

func (c *Live) angleMark(on *compose.On, hue picture.Colour) (compose.Anchor, string) {
	r, to, begun := roundOf(c, on.View), c.Angle.Radians, len(on.Pen.Data)
	const distance = 0.26
	r.turn(on, 0, to, winding(to, distance, windingStep/2), compose.Stroke(hue, on.Scaled(2.6), picture.Whole, 1))
	sin, cos := math.Sincos(to / 2)
	at := r.at(cos*distance, sin*distance)
	a, _ := on.OnLines(begun)
	return a.Rather(at[0], at[1]), on.Now.Typeset(DegreesLaTeX(c.Angle))
}

func (c *Live) coordinates(on *compose.On) compose.Anchor {
	r := roundOf(c, on.View)
	point := r.at(r.cos, r.sin)
	pen := compose.Stroke(picture.Ink, on.Scaled(1.4), picture.Dotted, 1)
	on.Segment(pen, point, r.at(r.cos, 0))
	on.Segment(pen, point, r.at(0, r.sin))
	return compose.Anchor{X: point[0], Y: point[1], IsPoint: true}
}

// ends are where a ratio's directed length begins and ends, in radii from the centre. The tangent counts as positive
// clockwise from the point and the cotangent anticlockwise, so that both end on the axes with the ratio's own sign; on
// the axis lines x = r and y = r up and to the right are positive.
func (r round) ends(f trig.Function, value float64, onAxis bool) (from, to [2]float64) {
	switch f {
	case trig.Sine:
		return [2]float64{r.cos, 0}, [2]float64{r.cos, r.sin}
	case trig.Cosine:
		return [2]float64{0, 0}, [2]float64{r.cos, 0}
	case trig.Tangent:
		if onAxis {
			return [2]float64{1, 0}, [2]float64{1, value}
		}
		return [2]float64{r.cos, r.sin}, [2]float64{1 / r.cos, 0}
	case trig.Cotangent:
		if onAxis {
			return [2]float64{0, 1}, [2]float64{value, 1}
		}
		return [2]float64{r.cos, r.sin}, [2]float64{0, 1 / r.sin}
	case trig.Secant:
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
func (p *Part) length(on *compose.On) compose.Anchor {
	c, f := p.Of, p.Ratio
	r, onAxis, value := roundOf(c, on.View), p.body.OnAxis, c.Lengths[f].Value
	r.support(on, f, onAxis)
	if value != value {
		return compose.Anchor{}
	}
	from, to := r.ends(f, value, onAxis)
	a, b := r.at(from[0], from[1]), r.at(to[0], to[1])
	if offset := float64(on.Scaled(axisOffset)); !onAxis {
		switch f {
		case trig.Secant:
			a[1], b[1] = a[1]+offset, b[1]+offset
		case trig.Cosecant:
			a[0], b[0] = a[0]-offset, b[0]-offset
		}
	}
	begun := len(on.Pen.Data)
	on.Arrow(compose.Stroke(RatioHue(f), on.Scaled(compose.LengthWidth), picture.Whole, 1), a, b)
	label := on.Middle(a, b)
	label.From, label.To = begun, len(on.Pen.Data)
	if f == trig.Sine && math.Abs(r.sin*r.cos) > 0.02 {
		on.Corner(a, r.at(0, 0), b)
	}
	return label
}

// support draws thin what a length lies on: the tangent line at the point or the line x = r, and the ray to it.
func (r round) support(on *compose.On, f trig.Function, onAxis bool) {
	if !f.HasPoles() {
		return
	}
	pen := compose.Stroke(picture.Axis, on.Scaled(compose.RayWidth), picture.Dashed, 1)
	point, centre := r.at(r.cos, r.sin), r.at(0, 0)
	if !onAxis {
		if f == trig.Tangent || f == trig.Cotangent {
			const far = 60
			on.Segment(pen, r.at(r.cos-far*r.sin, r.sin+far*r.cos), r.at(r.cos+far*r.sin, r.sin-far*r.cos))
			on.Corner(point, centre, r.at(r.cos+r.sin, r.sin-r.cos))
		}
		return
	}
	if f == trig.Tangent || f == trig.Secant {
		on.Segment(pen, r.at(1, -60), r.at(1, 60))
	} else {
		on.Segment(pen, r.at(-60, 1), r.at(60, 1))
	}
	on.Segment(compose.Stroke(picture.Ink, on.Scaled(compose.RayWidth), picture.Dotted, 1), r.at(-60*r.cos, -60*r.sin), r.at(60*r.cos, 60*r.sin))
}

// heightOf is the height of a ratio above the centre where it can be carried level to the graph, in radii, and where that
// line begins; false for a length that lies level or along the ray. The cosine is turned: the complementary angle has
// it for its sine.
func (r round) heightOf(f trig.Function, value float64, onAxis bool) (from [2]float64, ok bool) {
	switch {
	case f == trig.Sine:
		return [2]float64{r.cos, r.sin}, true
	case f == trig.Cosine:
		return [2]float64{r.sin, r.cos}, true
	case f == trig.Tangent && onAxis:
		return [2]float64{1, value}, value == value
	case f == trig.Cosecant && !onAxis:
		return [2]float64{0, value}, value == value
	}
	return from, false
}

// triangles outlines the two similar triangles from which a ratio follows, and writes their proportion with its numbers.
func (p *Part) triangles(on *compose.On) (compose.Anchor, string) {
	c, f, v := p.Of, p.Ratio, on.View
	r, value := roundOf(c, v), c.Lengths[f].Value
	if value != value || math.Abs(r.sin*r.cos) < 1e-9 {
		return compose.Anchor{}, ""
	}
	other := [][2]float64{{0, 0}, {r.cos, r.sin}, {1 / r.cos, 0}}
	switch {
	case (f == trig.Tangent || f == trig.Secant) && p.body.OnAxis:
		other = [][2]float64{{0, 0}, {1, 0}, {1, r.sin / r.cos}}
	case (f == trig.Cotangent || f == trig.Cosecant) && p.body.OnAxis:
		other = [][2]float64{{0, 0}, {0, 1}, {r.cos / r.sin, 1}}
	case f == trig.Cotangent || f == trig.Cosecant:
		other = [][2]float64{{0, 0}, {r.cos, r.sin}, {0, 1 / r.sin}}
	}
	r.outline(on, RatioHue(f), 0.1, other)
	r.outline(on, picture.Ink, 0.12, [][2]float64{{0, 0}, {r.cos, 0}, {r.cos, r.sin}})
	// The proportion stands where the circle leaves room: below it or above.
	return compose.Anchor{X: v.Width / 2, Y: v.Height - 2, IsFree: true, Others: [][2]float64{{v.Width / 2, 4}}}, on.Now.Typeset(ProportionLaTeX(c, f, c.LaTeX(on.Now)))
}

func (r round) outline(on *compose.On, hue picture.Colour, opacity float32, corners [][2]float64) {
	start := on.Pen.Area(hue, opacity)
	for _, p := range corners {
		at := r.at(p[0], p[1])
		on.Pen.To(math.Max(-2000, math.Min(at[0], 4000)), math.Max(-2000, math.Min(at[1], 4000)))
	}
	on.Pen.EndLine(start)
	for i := range corners {
		from, to := corners[i], corners[(i+1)%len(corners)]
		on.Segment(compose.Stroke(hue, on.Scaled(2), picture.Whole, 1), r.at(from[0], from[1]), r.at(to[0], to[1]))
	}
}

// Abscissa is what the axis of the graph counts: the dial that turns the circle.
func (p *Part) Abscissa(d evaluate.Moment) string { return d.Dial(p.Of.Driver).Stated.Name }
