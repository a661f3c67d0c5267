package compose

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Size is a measured size in CSS pixels.
type Size struct{ Width, Height float64 }

// Widths and sizes in pixels at the usual size of the type, and opacities.
const (
	CurveWidth  = 3
	ParentWidth = 2.2
	MemberWidth = 2.6
	GuideWidth  = 1.6
	RayWidth    = 1.6
	LengthWidth = 4.5
	PointRadius = 6.5
	MarkRadius  = 4.5
	TraceRadius = 3.4
	ArrowSize   = 12.0
	// Faint is the opacity of what has not been run through yet.
	Faint       = 0.3
	AreaOpacity = 0.14
	boundWidth  = 1.2
	bandOpacity = 0.4
	rightAngle  = 11.0
)

// Strokes is how lines are drawn.
type Strokes struct {
	Colour  picture.Colour
	Width   float32
	Pattern picture.Pattern
	Opacity float32
}

// Stroke is a way of drawing lines.
func Stroke(colour picture.Colour, width float32, pattern picture.Pattern, opacity float32) Strokes {
	return Strokes{colour, width, pattern, opacity}
}

// Brush draws on one panel: in pixels, or in the plane that is seen there.
type Brush struct {
	Pen  picture.Pen
	View view.View
	// Room is what is taken already, for labels to keep clear of.
	Room Room
	// Weight multiplies the widths of the entry that is drawn; 0 means 1.
	Weight float64
	// Type is the size of the numbers on the axes, as a multiple of the usual; 0 means 1.
	Type float64
}

// Scaled grows a width or a radius with the type, so that a board's lines suit its numbers, and with the entry's weight.
func (b *Brush) Scaled(pixels float64) float32 {
	if b.Weight > 0 {
		pixels *= b.Weight
	}
	return float32(pixels * b.size())
}

func (b *Brush) size() float64 {
	if b.Type == 0 {
		return 1
	}
	return b.Type
}

// Pixel is the width of one in the plane.
func (b *Brush) Pixel() float64 { return (b.View.Right - b.View.Left) / b.View.Width }

// At is a place of the plane in pixels.
func (b *Brush) At(x, y float64) [2]float64 { return [2]float64{b.View.X(x), b.View.Y(y)} }

// Mark draws a point of the plane; nothing outside the window.
func (b *Brush) Mark(colour picture.Colour, shape picture.Shape, x, y, radius float64) bool {
	if !b.View.Sees(x, y) {
		return false
	}
	px, py := b.View.X(x), b.View.Y(y)
	b.Pen.Marker(colour, shape, px, py, b.Scaled(radius))
	return true
}

// Line draws a line of the plane cut to the panel with a margin (Liang and Barsky 1984 for each step).
func (b *Brush) Line(line []sample.Point, pen Strokes) {
	if len(line) == 0 {
		return
	}
	v := b.View
	start := -1
	x2, y2 := v.X(line[0].X), v.Y(line[0].Y)
	for _, p := range line[1:] {
		x1, y1 := x2, y2
		x2, y2 = v.X(p.X), v.Y(p.Y)
		first, last, ok := clip(x1, y1, x2, y2, v)
		if !ok {
			b.end(&start)
			continue
		}
		if start < 0 || first > 0 {
			b.end(&start)
			start = b.Pen.Line(pen.Colour, pen.Width, pen.Pattern, pen.Opacity)
			b.Pen.To(x1+(x2-x1)*first, y1+(y2-y1)*first)
		}
		b.Pen.To(x1+(x2-x1)*last, y1+(y2-y1)*last)
		if last < 1 {
			b.end(&start)
		}
	}
	b.end(&start)
}

func (b *Brush) end(start *int) {
	if *start >= 0 {
		b.Pen.EndLine(*start)
	}
	*start = -1
}

// clip gives the shares of the segment that lie inside the panel with its margin.
func clip(x1, y1, x2, y2 float64, v view.View) (a, b float64, ok bool) {
	if v.Near(x1, y1) && v.Near(x2, y2) {
		return 0, 1, true
	}
	a, b, ok = view.Cut(x1, y1, x2, y2, -view.Margin, -view.Margin, v.Width+view.Margin, v.Height+view.Margin)
	return a, b, ok && a < b
}

// Segment draws a straight line between two pixels.
func (b *Brush) Segment(pen Strokes, from, to [2]float64) {
	x1, y1, x2, y2 := from[0], from[1], to[0], to[1]
	first, last, ok := clip(x1, y1, x2, y2, b.View)
	if !ok || math.IsNaN(x1+y1+x2+y2) || math.IsInf(x1+y1+x2+y2, 0) {
		return
	}
	b.Pen.Segment(pen.Colour, pen.Width, pen.Pattern, x1+(x2-x1)*first, y1+(y2-y1)*first, x1+(x2-x1)*last, y1+(y2-y1)*last)
}

// Arrow draws a directed segment; one too short for a head is a segment.
func (b *Brush) Arrow(pen Strokes, from, to [2]float64) {
	dx, dy := to[0]-from[0], to[1]-from[1]
	length := math.Hypot(dx, dy)
	size := math.Min(float64(b.Scaled(ArrowSize)), length*0.6)
	if !(length > 3) || math.IsInf(length, 0) || !b.View.Near(to[0], to[1]) {
		b.Segment(pen, from, to)
		return
	}
	ux, uy := dx/length, dy/length
	b.Segment(pen, from, [2]float64{to[0] - size*0.8*ux, to[1] - size*0.8*uy})
	start := b.Pen.Area(pen.Colour, 1)
	b.Pen.To(to[0], to[1])
	b.Pen.To(to[0]-size*ux+size*0.45*uy, to[1]-size*uy-size*0.45*ux)
	b.Pen.To(to[0]-size*ux-size*0.45*uy, to[1]-size*uy+size*0.45*ux)
	b.Pen.EndLine(start)
}

// Corner draws the mark of a right angle at a place, its arms along two directions.
func (b *Brush) Corner(at, along, up [2]float64) {
	size := float64(b.Scaled(rightAngle))
	unit := func(to [2]float64) [2]float64 {
		dx, dy := to[0]-at[0], to[1]-at[1]
		length := math.Max(math.Hypot(dx, dy), 1e-9)
		return [2]float64{dx / length * size, dy / length * size}
	}
	one, other := unit(along), unit(up)
	pen := Stroke(picture.Ink, b.Scaled(1.4), picture.Whole, 1)
	b.Segment(pen, [2]float64{at[0] + one[0], at[1] + one[1]}, [2]float64{at[0] + one[0] + other[0], at[1] + one[1] + other[1]})
	b.Segment(pen, [2]float64{at[0] + other[0], at[1] + other[1]}, [2]float64{at[0] + one[0] + other[0], at[1] + one[1] + other[1]})
}

// Middle is a place for a label half way along the part of a segment that is seen.
func (b *Brush) Middle(from, to [2]float64) Anchor {
	first, last, ok := clip(from[0], from[1], to[0], to[1], b.View)
	if !ok {
		return Anchor{}
	}
	at := func(share float64) [2]float64 {
		share = first + (last-first)*share
		return [2]float64{from[0] + (to[0]-from[0])*share, from[1] + (to[1]-from[1])*share}
	}
	m := at(0.5)
	return Anchor{X: m[0], Y: m[1], Others: [][2]float64{at(0.7), at(0.3), at(0.9)}}
}

// Around draws a part of a circle of the plane.
func (b *Brush) Around(centre [2]float64, r, from, to float64, pen Strokes) {
	steps := math.Max(8, math.Ceil(math.Abs(to-from)/(math.Pi/60)))
	line := make([]sample.Point, 0, int(steps)+1)
	for k := 0.0; k <= steps; k++ {
		sin, cos := math.Sincos(from + (to-from)*k/steps)
		line = append(line, sample.Point{X: centre[0] + r*cos, Y: centre[1] + r*sin})
	}
	b.Line(line, pen)
}

// Broken draws a line that has gaps where a place is NaN.
func (b *Brush) Broken(line []sample.Point, pen Strokes) {
	from := 0
	for i := 0; i <= len(line); i++ {
		if i == len(line) || math.IsNaN(line[i].X) {
			if i-from > 1 {
				b.Line(line[from:i], pen)
			}
			from = i + 1
		}
	}
}

// held keeps a pixel near the panel, so that no number of the picture is beyond what a canvas takes.
func held(at [2]float64) [2]float64 {
	const far = 4000
	return [2]float64{max(-far, min(at[0], 2*far)), max(-far, min(at[1], 2*far))}
}

// Fill shades polygons, in pixels, as one area, so that no seam shows where they meet: each is gone to from the first place of all and
// back the same way, which encloses nothing.
func (b *Brush) Fill(colour picture.Colour, polygons [][][2]float64) {
	start, begun := -1, [2]float64{}
	for _, polygon := range polygons {
		if len(polygon) < 3 {
			continue
		}
		if start < 0 {
			start, begun = b.Pen.Area(colour, AreaOpacity), held(polygon[0])
			b.Pen.To(begun[0], begun[1])
		}
		for i := range len(polygon) + 1 {
			at := held(polygon[i%len(polygon)])
			b.Pen.To(at[0], at[1])
		}
		b.Pen.To(begun[0], begun[1])
	}
	if start >= 0 {
		b.Pen.EndLine(start)
	}
}
