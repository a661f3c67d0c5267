package trajectory

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
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

// Part is something shown of a trajectory, mostly at its point.
type Part struct {
	Of *Live

	body *PartBody
	// both are the curves of a region, or those that meet; nil for a part of one curve.
	both *pair
	of   *document.Entry
	step *evaluate.Expression
	at   *evaluate.Expression
}

// Letter begins the ids of parts.
func (*PartBody) Letter() string { return "a" }

// Load finds the curve, and the other one of a region.
func (b *PartBody) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	of := d.Other(b.Of)
	if of == nil || of.Entry.Kind() != (*Body)(nil).Kind() {
		d.Report(problem.New("field", 0, 0, "of", "there is no such curve"), e.ID, "of")
		return nil
	}
	m, understood := of.Live.(*Live)
	if !understood {
		return nil // the curve says why
	}
	p := &Part{Of: m, body: b, of: of.Entry}
	if b.Step != "" {
		if p.step = d.Expression(b.Step, e.ID, "step"); p.step == nil {
			return nil
		}
	}
	if b.At != "" {
		if p.at = d.Expression(b.At, e.ID, "at"); p.at == nil {
			return nil
		}
	}
	if b.hasOther() {
		if p.both = pairOf(d, e, m, b.Other); p.both == nil {
			return nil
		}
	}
	return p
}

// Sentence says what the part is.
func (b *PartBody) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	p, ok := s.Live.(*Part)
	if !ok {
		return []evaluate.Word{evaluate.Says("a part of a curve")}
	}
	piece := p.body.Piece
	if piece == Graph {
		return []evaluate.Word{evaluate.Says("the graph of "), {LaTeX: p.Of.CoordinateLaTeX(p.body.Coordinate)}}
	}
	if piece == Enclosed {
		return p.both.regionSentence(d, p.body.Common)
	}
	if piece == Meets {
		return []evaluate.Word{evaluate.Says("where "), nameOf(d, p.Of), evaluate.Says(" meets "), p.both.otherName(d)}
	}
	if at := p.body.At; at != "" {
		what := map[Piece]string{TangentAt: "the tangent at ", NormalAt: "the perpendicular at "}[piece]
		return []evaluate.Word{evaluate.Says(what), {LaTeX: expr.LaTeXName(p.Of.variable) + "=" + d.FormulaWord(at).LaTeX}}
	}
	if step := p.body.Step; piece == Dots && step != "" {
		after := map[Joining]string{Straight: ", joined", Smooth: ", joined smoothly"}[p.body.Line]
		return []evaluate.Word{evaluate.Says("points at steps of "), d.FormulaWord(step), evaluate.Says(after)}
	}
	return []evaluate.Word{evaluate.Says(map[Piece]string{Ray: "the ray and the radius on it", Projections: "the projections on the axes",
		Velocity: "the velocity", Accelerated: "the acceleration", TangentAt: "the tangent", NormalAt: "the perpendicular", Parts: "the two parts of the acceleration", Run: "the length run through", Osculating: "the circle of curvature",
		Dots: "dots at equal steps", Directions: "the direction along the curve", Swept: "what the ray sweeps over", Inside: "what the curve encloses"}[piece])}
}

// Hue is the colour of the part; what lies on the curve wears the curve's.
func (p *Part) Hue(evaluate.Moment) picture.Colour {
	switch p.body.Piece {
	case Ray:
		return radiusHue
	case Projections:
		return acrossHue
	case Velocity, TangentAt, NormalAt:
		return velocityHue
	case Accelerated, Parts:
		return accelerationHue
	case Osculating:
		return osculatingHue
	case Graph:
		return map[string]picture.Colour{"r": radiusHue, "x": acrossHue, "y": upHue}[p.body.Coordinate]
	}
	return compose.ColourOf(p.of)
}

// Box is that of a coordinate's graph.
func (p *Part) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	graph := p.Of.Graphs[p.body.Coordinate]
	if p.body.Piece != Graph || graph == nil {
		return
	}
	for k := range looks + 1 {
		t := p.Of.From + (p.Of.To-p.Of.From)*float64(k)/looks
		if v := graph.At(t, p.Of.Inputs()); math.Abs(v) < farthest {
			box.Add(t, v)
		}
	}
	box.AddY(0)
}

// Compose draws the part.
func (p *Part) Compose(on *compose.On) (anchors []compose.Anchor) {
	m, v := p.Of, on.View
	if !m.Exists() {
		return nil
	}
	at := m.Place(m.At)
	pixel := on.At
	here, pole := pixel(at.X, at.Y), pixel(0, 0)
	label := func(a compose.Anchor, latex string, hue picture.Colour) {
		anchors = append(anchors, on.Labelled(a, on.Now.Typeset(latex), hue)...)
	}
	switch p.body.Piece {
	case Ray:
		sin, cos := math.Sincos(Direction(on.Now, m.At))
		far := (v.Right - v.Left + v.Top - v.Bottom) + math.Hypot(v.Left+v.Right, v.Top+v.Bottom)
		on.Segment(compose.Stroke(picture.Axis, on.Scaled(compose.RayWidth), picture.Dashed, 1), pole, pixel(far*cos, far*sin))
		if r := m.Radius(m.At); r == r {
			begun := len(on.Pen.Data)
			on.Arrow(compose.Stroke(radiusHue, on.Scaled(compose.LengthWidth), picture.Whole, 1), pole, here)
			a := on.Middle(pole, here)
			a.From, a.To = begun, len(on.Pen.Data)
			label(a, "r="+number.Format(r, 2), radiusHue)
		}
	case Projections:
		on.Segment(compose.Stroke(acrossHue, on.Scaled(compose.RayWidth), picture.Dotted, 1), here, pixel(at.X, 0))
		on.Segment(compose.Stroke(upHue, on.Scaled(compose.RayWidth), picture.Dotted, 1), here, pixel(0, at.Y))
		on.Arrow(compose.Stroke(acrossHue, on.Scaled(compose.LengthWidth), picture.Whole, 1), pole, pixel(at.X, 0))
		on.Arrow(compose.Stroke(upHue, on.Scaled(compose.LengthWidth), picture.Whole, 1), pole, pixel(0, at.Y))
	case Velocity, Accelerated, Parts, Run:
		return p.motion(on)
	case TangentAt, NormalAt:
		return p.touching(on)
	case Meets:
		return p.meetings(on)
	case Osculating:
		return m.osculating(on, at)
	case Dots:
		p.dots(on)
	case Enclosed:
		return p.region(on)
	case Directions:
		p.directions(on)
	case Swept:
		if a, area := p.swept(on); area == area {
			label(a, `A\approx `+number.Format(area, 2), compose.ColourOf(p.of))
		}
	case Inside:
		return p.inside(on)
	case Graph:
		return p.coordinateGraph(on)
	}
	return anchors
}

// osculating draws the circle of curvature: its centre lies at (x, y) + (−y′, x′)·(x′² + y′²)/(x′y″ − y′x″) (common practice;
// Bronstein, curvature of plane curves).
func (m *Live) osculating(on *compose.On, at sample.Point) []compose.Anchor {
	v := on.View
	q, w := m.Velocity(m.At), m.Acceleration(m.At)
	cross, square := q.X*w.Y-q.Y*w.X, q.X*q.X+q.Y*q.Y
	k := square / cross
	centre := [2]float64{at.X - q.Y*k, at.Y + q.X*k}
	radius := math.Hypot(centre[0]-at.X, centre[1]-at.Y)
	if !(radius > 0) || radius > 50*(v.Right-v.Left) {
		return nil
	}
	pen := compose.Stroke(osculatingHue, on.Scaled(compose.GuideWidth), picture.Whole, 1)
	begun := len(on.Pen.Data)
	on.Around(centre, radius, 0, 2*math.Pi, pen)
	pen.Pattern = picture.Dotted
	on.Segment(pen, [2]float64{v.X(centre[0]), v.Y(centre[1])}, [2]float64{v.X(at.X), v.Y(at.Y)})
	if v.Sees(centre[0], centre[1]) {
		on.Pen.Marker(osculatingHue, picture.Disc, v.X(centre[0]), v.Y(centre[1]), on.Scaled(3))
	}
	a, ok := on.OnLines(begun)
	if !ok {
		return nil
	}
	return on.Labelled(a, `\rho=`+number.Format(radius, 2), osculatingHue)
}

// runsOff tells that a line that ends at p has left for good: it is dozens of windows away.
func runsOff(p sample.Point, v view.View) bool {
	return math.Hypot(p.X, p.Y) > 30*math.Max(v.Right-v.Left, v.Top-v.Bottom)
}

// coordinateGraph draws r, x or y over the parameter, firmly as far as the point has come, with the present value as the
// same coloured length.
func (p *Part) coordinateGraph(on *compose.On) []compose.Anchor {
	m, v, name := p.Of, on.View, p.body.Coordinate
	graph := m.Graphs[name]
	if graph == nil {
		return nil
	}
	hue := p.Hue(on.Now)
	begun := len(on.Pen.Data)
	from := compose.Source{Function: graph, Stamp: m.Stamp(on.Now)}
	drawn := on.Sampled(on.Entry.ID, on.Entry.ID, from, m.Inputs())
	length := 0.0
	for _, line := range drawn.Lines {
		length += compose.LengthOf(line, (v.Right-v.Left)/v.Width, (v.Top-v.Bottom)/v.Height)
	}
	firm, rest := firmAndRest(on, hue, picture.Whole, widthFor(length))
	for _, line := range drawn.Lines {
		if p.Of.body.Rest != document.RestHidden {
			on.Line(compose.Within(line, m.At, m.To), rest)
		}
		on.Line(compose.Within(line, m.From, m.At), firm)
	}
	in := m.Inputs()
	value := graph.At(m.At, in)
	if m.Driver >= 0 && value == value {
		foot, head := [2]float64{v.X(m.At), v.Y(0)}, [2]float64{v.X(m.At), v.Y(value)}
		on.Arrow(compose.Stroke(hue, on.Scaled(compose.LengthWidth), picture.Whole, 1), foot, head)
		if v.Near(head[0], head[1]) {
			on.Pen.Marker(hue, picture.Disc, head[0], head[1], on.Scaled(compose.PointRadius-1))
		}
	}
	a, ok := on.OnLines(begun)
	if !ok {
		return nil
	}
	return on.Labelled(a, m.CoordinateLaTeX(name), hue)
}

// Abscissa is what the axis of a coordinate's graph counts: the letter that runs along the curve.
func (p *Part) Abscissa(d evaluate.Moment) string {
	if p.body.Piece != Graph {
		return ""
	}
	if f := d.Named(p.Of.body.Function); f != nil && len(f.Stated.Variables) > 0 {
		return f.Stated.Variables[0]
	}
	return p.Of.body.Letters()
}
