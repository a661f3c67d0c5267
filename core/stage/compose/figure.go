package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Sizes in pixels of figures.
const (
	figureWidth = 2.6
	angleRadius = 30.0
	areaOpacity = 0.14
)

// figure draws a piece of geometry with its measure.
func (c *Composer) figure(d *evaluate.Demonstration, s *evaluate.Shown, v View) []anchor {
	f, begun := s.Figure, len(c.pen.Data)
	pen := strokes{colourOf(s.Entry), c.scaled(figureWidth), patternOf(s.Entry, picture.Whole), 1}
	var anchors []anchor
	switch f.Shape {
	case document.TangentLine, document.NormalLine:
		anchors = c.lineAt(d, s, v, pen)
	case document.Intersection:
		anchors = c.crossings(d, s, v)
	default:
		places, defined := f.Corners()
		if !defined {
			return nil
		}
		anchors = c.joined(d, s, places, v, pen)
	}
	c.room.lines(c.pen.Data[begun:])
	if s.Entry.Label == document.LabelNone {
		return nil
	}
	return anchors
}

// joined draws what hangs on points.
func (c *Composer) joined(d *evaluate.Demonstration, s *evaluate.Shown, places [][2]float64, v View, pen strokes) []anchor {
	at := make([][2]float64, len(places))
	for i, p := range places {
		at[i] = [2]float64{v.X(p[0]), v.Y(p[1])}
	}
	label := func(a anchor, latex string) []anchor {
		if a.x == 0 && a.y == 0 || latex == "" {
			return nil
		}
		a.label = picture.Label{ID: s.Entry.ID, LaTeX: d.Typeset(latex), Colour: pen.colour}
		return []anchor{a}
	}
	switch s.Figure.Shape {
	case document.Segment:
		c.segment(pen, at[0], at[1])
		return label(c.middle(at[0], at[1]), signedLength(places[0], places[1]))
	case document.Arrow:
		c.arrow(pen, at[0], at[1])
		return label(c.middle(at[0], at[1]), signedLength(places[0], places[1]))
	case document.Midpoint:
		x, y := (at[0][0]+at[1][0])/2, (at[0][1]+at[1][1])/2
		c.pen.Marker(pen.colour, picture.Disc, x, y, c.scaled(pointRadius-1))
		return label(anchor{x: x, y: y, isPoint: true}, evaluate.HeadLaTeX(s.Entry.Name, nil))
	case document.CircleShape:
		r := math.Hypot(places[1][0]-places[0][0], places[1][1]-places[0][1])
		c.around(places[0], r, 0, 2*math.Pi, v, pen)
		return label(c.middle(at[0], at[1]), "r="+number.Format(r, 2))
	case document.ArcShape:
		return label(c.arcShape(places, v, pen))
	case document.AngleShape, document.RightAngle:
		return label(c.angleShape(d, s.Figure.Shape, places, v, pen))
	}
	start := c.pen.Area(pen.colour, areaOpacity)
	for _, p := range at {
		c.pen.To(p[0], p[1])
	}
	c.pen.EndLine(start)
	x, y := 0.0, 0.0
	for i, p := range at {
		c.segment(pen, p, at[(i+1)%len(at)])
		x, y = x+p[0]/float64(len(at)), y+p[1]/float64(len(at))
	}
	return label(anchor{x: x, y: y, isPoint: true}, "A="+number.Format(area(places), 3))
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

// around draws a part of a circle of the plane.
func (c *Composer) around(centre [2]float64, r, from, to float64, v View, pen strokes) {
	steps := math.Max(8, math.Ceil(math.Abs(to-from)/(math.Pi/60)))
	line := make([]sample.Point, 0, int(steps)+1)
	for k := 0.0; k <= steps; k++ {
		sin, cos := math.Sincos(from + (to-from)*k/steps)
		line = append(line, sample.Point{X: centre[0] + r*cos, Y: centre[1] + r*sin})
	}
	c.clipped(line, v, pen)
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

func (c *Composer) arcShape(p [][2]float64, v View, pen strokes) (anchor, string) {
	from, turn := turnFrom(p[0], p[1], p[2])
	r := math.Hypot(p[1][0]-p[0][0], p[1][1]-p[0][1])
	c.around(p[0], r, from, from+turn, v, pen)
	sin, cos := math.Sincos(from + turn/2)
	return anchor{x: v.X(p[0][0] + r*cos), y: v.Y(p[0][1] + r*sin)}, number.Format(r*turn, 2)
}

// angleShape marks an angle at the second point, anticlockwise from the first to the third, with its measure; a right
// angle gets its own mark, and one that is none says so by its measure.
func (c *Composer) angleShape(d *evaluate.Demonstration, shape document.FigureShape, p [][2]float64, v View, pen strokes) (anchor, string) {
	vertex := p[1]
	from, turn := turnFrom(vertex, p[0], p[2])
	at := func(q [2]float64) [2]float64 { return [2]float64{v.X(q[0]), v.Y(q[1])} }
	if shape == document.RightAngle && turn > math.Pi {
		from, turn = from+turn, 2*math.Pi-turn
	}
	if shape == document.RightAngle && math.Abs(turn-math.Pi/2) < 1e-6 {
		c.corner(at(vertex), at(p[0]), at(p[2]))
		return anchor{}, ""
	}
	pixel := (v.Right - v.Left) / v.Width
	r := float64(c.scaled(angleRadius)) * pixel
	c.around(vertex, r, from, from+turn, v, pen)
	sin, cos := math.Sincos(from + turn/2)
	middle := at([2]float64{vertex[0] + r*cos*1.2, vertex[1] + r*sin*1.2})
	latex := number.Format(turn*180/math.Pi, 1) + `^{\circ}`
	if d.Document.AngleUnit == document.Radian {
		latex = number.Format(turn, 2)
	}
	return anchor{x: middle[0], y: middle[1], isPoint: true}, latex
}

// lineAt draws a tangent or a normal with the point that it belongs to, and writes its slope.
func (c *Composer) lineAt(d *evaluate.Demonstration, s *evaluate.Shown, v View, pen strokes) []anchor {
	x, y, slope, defined := s.Figure.Line(d)
	if !defined {
		return nil
	}
	latex := "m=" + number.Format(slope, 3)
	if math.IsInf(slope, 0) {
		c.segment(pen, [2]float64{v.X(x), 0}, [2]float64{v.X(x), v.Height})
		latex = "x=" + number.Format(x, 3)
	} else {
		c.clipped([]sample.Point{{X: v.Left, Y: y + slope*(v.Left-x)}, {X: v.Right, Y: y + slope*(v.Right-x)}}, v, pen)
	}
	px, py := v.X(x), v.Y(y)
	if v.Sees(x, y) {
		c.pen.Marker(pen.colour, picture.Disc, px, py, c.scaled(markRadius))
		if s.Figure.Shape == document.NormalLine && slope != 0 && !math.IsInf(slope, 0) {
			c.corner([2]float64{px, py}, [2]float64{v.X(x + 1), v.Y(y - 1/slope)}, [2]float64{v.X(x + 1), v.Y(y + slope)})
		}
	}
	away := math.Copysign(90, v.Width/2-px)
	ax := px + away
	if math.IsInf(slope, 0) {
		ax = px
	}
	ay := v.Y(y + slope*(v.AtX(ax)-x))
	if math.IsInf(slope, 0) || ay < 0 || ay > v.Height {
		ay = math.Max(20, math.Min(v.Height-20, py-60))
	}
	return []anchor{{x: ax, y: ay, label: picture.Label{ID: s.Entry.ID, LaTeX: d.Typeset(latex), Colour: pen.colour}}}
}

func (c *Composer) crossings(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchors []anchor) {
	for i, p := range s.Figure.Crossings(d, v.Left, v.Right) {
		if !v.Sees(p[0], p[1]) {
			continue
		}
		x, y := v.X(p[0]), v.Y(p[1])
		c.pen.Marker(colourOf(s.Entry), picture.Disc, x, y, c.scaled(pointRadius-1))
		c.room.take(x-7, y-7, 14, 14, 50)
		if i < mostNamed {
			anchors = append(anchors, anchor{x: x, y: y, isPoint: true, label: picture.Label{ID: fmt.Sprintf("%s.%d", s.Entry.ID, i),
				LaTeX: d.Typeset("(" + number.Format(p[0], 2) + `,\;` + number.Format(p[1], 2) + ")"), Colour: colourOf(s.Entry)}})
		}
	}
	return anchors
}

// mostNamed is how many intersections have their coordinates beside them.
const mostNamed = 8
