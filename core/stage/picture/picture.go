// Package picture is what the core draws: primitives in one panel's coordinates, and their wire form.
//
// Coordinates are CSS pixels, y down, float32. A list is a flat array of records, each beginning with its Op; lengths are
// fixed but for Line and Area, whose count of points stands before them:
//
//	Line    op, colour, width, pattern, opacity, n, x, y, x, y, …
//	Area    the same; filled inside its closed outline, without a pen
//	Marker  op, colour, shape, x, y, radius
//	Text    op, colour, index into Words, x, y, align     (y is the middle of the line)
//	Handle  op, index of the shown entry, x, y            (can be dragged)
//	Glyphs  op, colour, face, size, x, y, index, halo   (into Words; y is the baseline; 1 for a halo)
//	Bar     op, colour, x, y, width, height               (a filled rectangle, of a formula)
package picture

import "iter"

// Op begins a record.
type Op float32

// The records.
const (
	Line Op = iota + 1
	Marker
	Text
	Handle
	Area
	Glyphs
	Bar
)

// Records walks over the records of a list.
func Records(data []float32) iter.Seq[[]float32] {
	return func(visit func([]float32) bool) {
		for i := 0; i < len(data); {
			n := lengthOf(data[i:])
			if !visit(data[i : i+n]) {
				return
			}
			i += n
		}
	}
}

func lengthOf(r []float32) int {
	switch Op(r[0]) {
	case Line, Area:
		return 6 + 2*int(r[5])
	case Handle:
		return 4
	case Glyphs:
		return 8
	}
	return 6
}

// Colour is a number of the theme's palette: 0 to 7 are the hues of curves and parameters.
type Colour float32

// The colours that are no hue and no step of the ramp.
const (
	Ink Colour = iota + 10
	Grid
	FineGrid
	Axis
	Grey
	Sheet
	// Ramp is the first of RampColours colours in order, for the members of a family.
	Ramp
	// Tint is the first of the tints of the hues, Tones for each: from the lightest face of a surface to the darkest, then its lines.
	Tint Colour = iota + 33
)

// RampColours is the number of the ramp's colours.
const RampColours = 9

// Tones is how many tints each hue has.
const Tones = 12

// TintOf is a tint of a hue.
func TintOf(hue Colour, tone int) Colour { return Tint + hue*Tones + Colour(tone) }

// Pattern of a line.
type Pattern float32

// The patterns.
const (
	Whole Pattern = iota
	Dashed
	Dotted
)

// Shape of a marker.
type Shape float32

// The shapes.
const (
	Disc Shape = iota
	Ring
	Grip // a disc that can be dragged
	Square
	Diamond
	Triangle
	Cross
)

// Align of a text about its x.
type Align float32

// The alignments.
const (
	Left Align = iota
	Centre
	Right
)

// Number is the box of a number beside an axis.
type Number struct {
	X      float64 `json:"x"`
	Y      float64 `json:"y"`
	Width  float64 `json:"width"`
	Height float64 `json:"height"`
	OnY    bool    `json:"onY"`
}

// Label is a formula beside something on the panel.
type Label struct {
	// ID is the id of the shown entry it belongs to.
	ID     string
	LaTeX  string
	Colour Colour
	// Scale is by how much it is larger than usual; 0 means 1.
	Scale float64
	// X and Y are its top left corner, Width and Height its size.
	X, Y, Width, Height float64
	// At is the place of what it belongs to; IsLed tells that a line leads there.
	At    [2]float64
	IsLed bool
}

// Side tells on which side of its place a label stands: before it, around it or behind, across and down.
func (l *Label) Side() [2]int {
	side := func(from, length, at float64) int {
		switch {
		case from > at:
			return 1
		case from+length < at:
			return -1
		}
		return 0
	}
	return [2]int{side(l.X, l.Width, l.At[0]), side(l.Y, l.Height, l.At[1])}
}

// Picture is one panel, drawn.
type Picture struct {
	// Ground is what changes with the window only: grid and axes. Live is everything else.
	Ground, Live []float32
	// GroundStamp grows whenever Ground changes.
	GroundStamp uint64
	// Words are the numbers beside the axes and the runs of formulas.
	Words  []string
	Labels []Label
	// Numbers are where the numbers beside the axes stand.
	Numbers []Number
	// LeftOut is how many labels have no room.
	LeftOut int
}

// Pen writes records to a list.
type Pen struct{ Data []float32 }

// Line begins a line and returns the place of its count, for EndLine.
func (p *Pen) Line(c Colour, width float32, pattern Pattern, opacity float32) int {
	p.Data = append(p.Data, float32(Line), float32(c), width, float32(pattern), opacity, 0)
	return len(p.Data) - 1
}

// Area begins a filled outline and returns the place of its count, for EndLine.
func (p *Pen) Area(c Colour, opacity float32) int {
	p.Data = append(p.Data, float32(Area), float32(c), 0, float32(Whole), opacity, 0)
	return len(p.Data) - 1
}

// To adds a point to the line that was begun.
func (p *Pen) To(x, y float64) { p.Data = append(p.Data, float32(x), float32(y)) }

// EndLine writes the count; a line of fewer than two points is taken back.
func (p *Pen) EndLine(start int) {
	n := (len(p.Data) - start - 1) / 2
	if n < 2 {
		p.Data = p.Data[:start-5]
		return
	}
	p.Data[start] = float32(n)
}

// Segment draws one straight line.
func (p *Pen) Segment(c Colour, width float32, pattern Pattern, x1, y1, x2, y2 float64) {
	start := p.Line(c, width, pattern, 1)
	p.To(x1, y1)
	p.To(x2, y2)
	p.EndLine(start)
}

// Marker draws a point.
func (p *Pen) Marker(c Colour, s Shape, x, y float64, r float32) {
	p.Data = append(p.Data, float32(Marker), float32(c), float32(s), float32(x), float32(y), r)
}

// Text writes Words[index].
func (p *Pen) Text(c Colour, index int, x, y float64, a Align) {
	p.Data = append(p.Data, float32(Text), float32(c), float32(index), float32(x), float32(y), float32(a))
}

// Glyphs writes Words[index] in a face and a size of the em, on a baseline, with a halo or without.
func (p *Pen) Glyphs(c Colour, face int, size float64, x, y float64, index int, halo bool) {
	around := float32(0)
	if halo {
		around = 1
	}
	p.Data = append(p.Data, float32(Glyphs), float32(c), float32(face), float32(size), float32(x), float32(y), float32(index), around)
}

// Bar fills a rectangle of a formula.
func (p *Pen) Bar(c Colour, x, y, width, height float64) {
	p.Data = append(p.Data, float32(Bar), float32(c), float32(x), float32(y), float32(width), float32(height))
}

// Handle marks a place that can be dragged.
func (p *Pen) Handle(entry int, x, y float64) {
	p.Data = append(p.Data, float32(Handle), float32(entry), float32(x), float32(y))
}
