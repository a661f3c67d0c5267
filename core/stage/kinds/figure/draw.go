package figure

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Sizes in pixels of figures.
const (
	figureWidth = 2.6
	angleRadius = 30.0
)

// Compose draws the figure with its measure.
func (f *Live) Compose(on *compose.On) []compose.Anchor {
	pen := compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(figureWidth), compose.PatternOf(on.Entry, picture.Whole), 1)
	var anchors []compose.Anchor
	if f.inSpace {
		anchors = f.composeSpace(on)
		if on.Entry.Look.Label == document.LabelNone {
			return nil
		}
		return anchors
	}
	switch f.Shape {
	case Tangent, Normal:
		anchors = f.composeLine(on, pen)
	case Intersection:
		anchors = f.composeCrossings(on)
	default:
		places, defined := f.Corners()
		if !defined {
			return nil
		}
		anchors = f.composeJoined(on, places, pen)
	}
	if on.Entry.Look.Label == document.LabelNone {
		return nil
	}
	return anchors
}

// composeJoined draws what hangs on points.
func (f *Live) composeJoined(on *compose.On, places [][2]float64, pen compose.Strokes) []compose.Anchor {
	v := on.View
	at := make([][2]float64, len(places))
	for i, p := range places {
		at[i] = [2]float64{v.X(p[0]), v.Y(p[1])}
	}
	label := func(a compose.Anchor, latex string) []compose.Anchor {
		if a.X == 0 && a.Y == 0 || latex == "" {
			return nil
		}
		return on.Labelled(a, on.Now.Typeset(latex), pen.Colour)
	}
	switch f.Shape {
	case Segment:
		on.Segment(pen, at[0], at[1])
		return label(on.Middle(at[0], at[1]), signedLength(places[0], places[1]))
	case Arrow:
		on.Arrow(pen, at[0], at[1])
		return label(on.Middle(at[0], at[1]), signedLength(places[0], places[1]))
	case Midpoint:
		x, y := (at[0][0]+at[1][0])/2, (at[0][1]+at[1][1])/2
		on.Pen.Marker(pen.Colour, picture.Disc, x, y, on.Scaled(compose.PointRadius-1))
		return label(compose.Anchor{X: x, Y: y, IsPoint: true}, evaluate.HeadLaTeX(f.body.Name, nil))
	case Circle:
		r := math.Hypot(places[1][0]-places[0][0], places[1][1]-places[0][1])
		on.Around(places[0], r, 0, 2*math.Pi, pen)
		return label(on.Middle(at[0], at[1]), "r="+number.Format(r, 2))
	case Arc:
		return label(composeArc(on, places, pen))
	case Angle, RightAngle:
		return label(f.composeAngle(on, places, pen))
	}
	start := on.Pen.Area(pen.Colour, compose.AreaOpacity)
	for _, p := range at {
		on.Pen.To(p[0], p[1])
	}
	on.Pen.EndLine(start)
	x, y := 0.0, 0.0
	for i, p := range at {
		on.Segment(pen, p, at[(i+1)%len(at)])
		x, y = x+p[0]/float64(len(at)), y+p[1]/float64(len(at))
	}
	return label(compose.Anchor{X: x, Y: y, IsPoint: true, Inside: true}, "A="+number.Format(area(places), 3))
}

// signedLength writes a length, for a level or an upright segment with its direction's sign.
func signedLength(from, to [2]float64) string {
	dx, dy := to[0]-from[0], to[1]-from[1]
	switch {
	case dy == 0 && dx != 0:
		return number.Format(dx, 3)
	case dx == 0 && dy != 0:
		return number.Format(dy, 3)
	}
	return number.Format(math.Hypot(dx, dy), 3)
}

// area of a polygon, by the shoelace formula (common practice).
func area(places [][2]float64) float64 {
	sum := 0.0
	for i, p := range places {
		q := places[(i+1)%len(places)]
		sum += p[0]*q[1] - q[0]*p[1]
	}
	return math.Abs(sum) / 2
}

// turnFrom is the direction of one place from another and how far anticlockwise a third lies from there, 0 to a turn.
func turnFrom(centre, first, last [2]float64) (from, turn float64) {
	from = math.Atan2(first[1]-centre[1], first[0]-centre[0])
	turn = math.Atan2(last[1]-centre[1], last[0]-centre[0]) - from
	if turn < 0 {
		turn += 2 * math.Pi
	}
	return from, turn
}

func composeArc(on *compose.On, p [][2]float64, pen compose.Strokes) (compose.Anchor, string) {
	v, begun := on.View, len(on.Pen.Data)
	from, turn := turnFrom(p[0], p[1], p[2])
	r := math.Hypot(p[1][0]-p[0][0], p[1][1]-p[0][1])
	on.Around(p[0], r, from, from+turn, pen)
	sin, cos := math.Sincos(from + turn/2)
	a, _ := on.OnLines(begun)
	return a.Rather(v.X(p[0][0]+r*cos), v.Y(p[0][1]+r*sin)), number.Format(r*turn, 2)
}

// composeAngle marks an angle at the second point, anticlockwise from the first to the third, with its measure; a right
// angle gets its own mark, and one that is none says so by its measure.
func (f *Live) composeAngle(on *compose.On, p [][2]float64, pen compose.Strokes) (compose.Anchor, string) {
	vertex, isRight := p[1], f.Shape == RightAngle
	from, turn := turnFrom(vertex, p[0], p[2])
	at := func(q [2]float64) [2]float64 { return on.At(q[0], q[1]) }
	if isRight && turn > math.Pi {
		from, turn = from+turn, 2*math.Pi-turn
	}
	if isRight && math.Abs(turn-math.Pi/2) < 1e-6 {
		on.Corner(at(vertex), at(p[0]), at(p[2]))
		return compose.Anchor{}, ""
	}
	r, begun := float64(on.Scaled(angleRadius))*on.Pixel(), len(on.Pen.Data)
	on.Around(vertex, r, from, from+turn, pen)
	sin, cos := math.Sincos(from + turn/2)
	middle := at([2]float64{vertex[0] + r*cos, vertex[1] + r*sin})
	a, _ := on.OnLines(begun)
	return a.Rather(middle[0], middle[1]), angleLaTeX(on.Now, turn)
}

// See works out the line, or where both functions meet between the window's sides.
func (f *Live) See(m evaluate.Moment, v view.View, _ any) any {
	switch f.Shape {
	case Tangent, Normal:
		x, y, slope, defined := f.Line(m)
		return line{x, y, slope, defined}
	case Intersection:
		return f.Crossings(m, v.Left, v.Right)
	}
	return nil
}

// line is what Line gives.
type line struct {
	x, y, slope float64
	defined     bool
}

// composeLine draws a tangent or a normal with the point that it belongs to, and writes its slope.
func (f *Live) composeLine(on *compose.On, pen compose.Strokes) []compose.Anchor {
	v := on.View
	seen := on.Seen.(line)
	if !seen.defined {
		return nil
	}
	x, y, slope := seen.x, seen.y, seen.slope
	latex, begun := "y="+evaluate.LineLaTeX(slope, y-slope*x, 3), len(on.Pen.Data)
	if on.Entry.Look.Label == document.LabelName {
		latex = "m=" + number.Format(slope, 3)
	}
	if math.IsInf(slope, 0) {
		on.Segment(pen, [2]float64{v.X(x), 0}, [2]float64{v.X(x), v.Height})
		latex = "x=" + number.Format(x, 3)
	} else {
		on.Line([]sample.Point{{X: v.Left, Y: y + slope*(v.Left-x)}, {X: v.Right, Y: y + slope*(v.Right-x)}}, pen)
	}
	px, py := v.X(x), v.Y(y)
	if v.Sees(x, y) {
		on.Pen.Marker(pen.Colour, picture.Disc, px, py, on.Scaled(compose.MarkRadius))
		if f.Shape == Normal && slope != 0 && !math.IsInf(slope, 0) {
			on.Corner([2]float64{px, py}, [2]float64{v.X(x + 1), v.Y(y - 1/slope)}, [2]float64{v.X(x + 1), v.Y(y + slope)})
		}
	}
	a, inSight := on.OnLines(begun)
	if !inSight {
		return nil
	}
	return on.Labelled(a, on.Now.Typeset(latex), pen.Colour)
}

// composeCrossings marks where two curves meet.
func (f *Live) composeCrossings(on *compose.On) (anchors []compose.Anchor) {
	v := on.View
	for i, p := range on.Seen.([][2]float64) {
		if !v.Sees(p[0], p[1]) {
			continue
		}
		x, y := v.X(p[0]), v.Y(p[1])
		on.Mark(compose.ColourOf(on.Entry), picture.Disc, p[0], p[1], compose.PointRadius-1)
		if i < mostNamed {
			at := compose.Anchor{X: x, Y: y, IsPoint: true}
			anchors = append(anchors, on.PartLabelled(i, at, on.Now.Typeset(evaluate.PairLaTeX(p[0], p[1], 2)), compose.ColourOf(on.Entry))...)
		}
	}
	return anchors
}

// mostNamed is how many intersections have their coordinates beside them.
const mostNamed = 8

// Describe says what a piece of geometry is, and how long, how large or how steep.
func (f *Live) Describe(d evaluate.Moment, _ *document.Entry) []string {
	switch f.Shape {
	case Tangent, Normal:
		name := map[Shape]string{Tangent: "tangent", Normal: "perpendicular"}[f.Shape]
		if x, _, slope, defined := f.Line(d); defined {
			return []string{fmt.Sprintf("The %s to %s at %s with slope %s.", name, f.body.Function, number.Format(x, 3), number.Format(slope, 3))}
		}
		return []string{"The " + name + " to " + f.body.Function + " is undefined."}
	case Intersection:
		return []string{fmt.Sprintf("Where %s meets %s.", f.body.Function, f.body.Other)}
	}
	if f.inSpace {
		return f.describeSpace(d)
	}
	places, defined := f.Corners()
	if !defined {
		return nil
	}
	switch f.Shape {
	case Segment, Arrow:
		return []string{fmt.Sprintf("%s of length %s.", map[Shape]string{Segment: "A segment", Arrow: "An arrow"}[f.Shape], signedLength(places[0], places[1]))}
	case Polygon:
		return []string{fmt.Sprintf("A polygon of area %s.", number.Format(area(places), 3))}
	}
	return nil
}

// Box asks for nothing: a figure hangs on what is shown beside it.
func (f *Live) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Sentence says what the figure is, with its points.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	names := ""
	for _, id := range b.Points {
		if p := d.Other(id); p != nil {
			names += expr.LaTeXName(p.Entry.Field("name")) + " "
		}
	}
	points := evaluate.Word{LaTeX: names}
	function := evaluate.Word{LaTeX: expr.LaTeXName(b.Function)}
	switch b.Shape {
	case Segment:
		return []evaluate.Word{evaluate.Says("the segment "), points}
	case Arrow:
		return []evaluate.Word{evaluate.Says("the arrow "), points}
	case Midpoint:
		return []evaluate.Word{{LaTeX: expr.LaTeXName(b.Name)}, evaluate.Says(" is the midpoint of "), points}
	case Circle:
		return []evaluate.Word{evaluate.Says("the circle "), points, evaluate.Says(" by its centre and a point on it")}
	case Arc:
		return []evaluate.Word{evaluate.Says("the arc "), points, evaluate.Says(" about the first point")}
	case Angle:
		return []evaluate.Word{evaluate.Says("the angle "), points}
	case RightAngle:
		return []evaluate.Word{evaluate.Says("the right angle "), points}
	case Polygon:
		return []evaluate.Word{evaluate.Says("the polygon "), points, evaluate.Says(" with its area")}
	case Plane:
		if b.Equation != "" {
			return []evaluate.Word{evaluate.Says("the plane "), {LaTeX: evaluate.RelationLaTeX(d, b.Equation)}}
		}
		return []evaluate.Word{evaluate.Says("the plane through "), points}
	case Tangent:
		return []evaluate.Word{evaluate.Says("the tangent to "), function, evaluate.Says(" at "), {LaTeX: "x=" + d.FormulaWord(b.At).LaTeX}}
	case Normal:
		return []evaluate.Word{evaluate.Says("the perpendicular to "), function, evaluate.Says(" at "), {LaTeX: "x=" + d.FormulaWord(b.At).LaTeX}}
	}
	return []evaluate.Word{evaluate.Says("where "), function, evaluate.Says(" meets "), {LaTeX: expr.LaTeXName(b.Other)}}
}
