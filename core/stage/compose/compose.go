// Package compose turns values and a window into a picture: axes, ticks, grid, and what each kind draws, with its labels.
package compose

import (
	"fmt"
	"math"
	"strings"

	"parvix/core/formula/number"
	"parvix/core/formula/typeset"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Live is an entry that can be composed into the picture of a panel.
type Live interface {
	// Compose draws the entry and gives the places of its labels.
	Compose(on *On) []Anchor
	// Describe says in sentences what is seen, for those who cannot see it.
	Describe(d evaluate.Moment, e *document.Entry) []string
}

// Many is drawn as several curves, which share the work of the picture with others.
type Many interface {
	Curves() int
}

// Hued wears another colour than its entry's.
type Hued interface {
	Hue(d evaluate.Moment) picture.Colour
}

// On is an entry on the panel that is composed.
type On struct {
	*Composer
	*evaluate.Frame
	evaluate.Appearing
}

// Composer composes one panel again and again and keeps what did not change.
type Composer struct {
	Brush
	sampler sample.Sampler
	curves  map[string]*Drawn
	trailer sample.Trailer
	trails  map[trailKey]*Trail
	kept    map[string]any
	// Space is what stands in space on the panel; MeshX and MeshY tell which lines of its lattice are drawn on surfaces.
	Space        solid.Scene
	MeshX, MeshY []bool
	// Cells is about how many cells a surface has along an axis; 0 stands for the usual.
	Cells int
	// Tolerance is by how many pixels a line may leave its curve; 0 stands for sample.AtRest.
	Tolerance float64
	// box are the edges of space's box.
	box     [][2][2]float64
	ground  view.View
	style   style
	numbers numbering
	pic     picture.Picture
	// Coarse are the ids of the entries that the last picture shows coarser than it should, or not at all, since they take
	// too much work.
	Coarse []string
	// left is what is left of the picture's work, waiting how many curves are still to be drawn.
	left, waiting float64
	// Runs counts by the id of the entry how often it was sampled.
	Runs map[string]int
	// TextSizes are the sizes of the texts on the panel as the page measured them, by their ids.
	TextSizes map[string]Size
	formulas  map[string]typeset.Box
	// stood is where the labels of the last picture stood, by their ids.
	stood map[string]spot
	// placed counts the pictures whose labels were placed.
	placed int
	// drawn are the records of the entries in the order in which they were drawn.
	drawn []float32
}

// style is what the ground of a panel follows from beside its window.
type style struct {
	kind              document.PanelKind
	polar, grid, axes bool
	ticksX, ticksY    document.TickStyle
	stepX, stepY      float64
	names             [3]string
	size              float64
	degrees, comma    bool
}

// Compose draws what a panel shows. The picture is valid until the next call.
func (c *Composer) Compose(f *evaluate.Frame) *picture.Picture {
	v, p := f.View, f.Panel
	c.View = v
	is := style{p.Kind, p.Polar, p.Grid, p.Axes, p.TicksX, p.TicksY, p.StepX, p.StepY, namesOf(f), c.Type, f.Now.IsInDegrees(), f.Now.HasDecimalComma()}
	if v != c.ground || is != c.style || c.pic.Ground == nil {
		c.ground, c.style = v, is
		if v.Projection.Is {
			spacious{c}.composeBox(f)
		} else {
			c.composeGround(f)
		}
	}
	c.Coarse, c.left, c.waiting = c.Coarse[:0], pictureWork, countCurves(f)
	c.Pen.Data = c.drawn[:0]
	c.pic.Labels, c.pic.Words = c.pic.Labels[:0], c.pic.Words[:0]
	c.takeGround(f)
	var anchors []Anchor
	if v.Projection.Is {
		anchors = spacious{c}.drawSpace(f)
	} else {
		anchors = c.drawEntries(f)
	}
	c.drawn = c.Pen.Data
	c.numbers.choose()
	for _, number := range c.numbers.taken {
		c.Room.take(number, firm)
	}
	c.Pen.Data = c.pic.Live[:0]
	c.writeNumerals()
	if v.Projection.Is {
		c.Pen.Data = append(c.Pen.Data, c.drawn...)
	} else {
		c.Pen.Data = raised(c.Pen.Data, c.drawn)
	}
	if p.Legend {
		var curves []Anchor
		if curves, anchors = curvesAmong(anchors); len(curves) > 0 {
			c.legend(curves, false)
		}
	}
	c.place(anchors, c.drawn)
	c.drawInk(f)
	c.pic.Live = c.Pen.Data
	return &c.pic
}

// drawEntries draws each entry, marks what it takes, and gathers the places of their labels.
func (c *Composer) drawEntries(f *evaluate.Frame) (anchors []Anchor) {
	next := firstOwner
	for _, a := range f.Appearing {
		live, ok := a.Live.(Live)
		if !ok {
			continue
		}
		begun := len(c.Pen.Data)
		c.Weight = weights[a.Entry.Look.Weight]
		own := live.Compose(&On{c, f, a})
		for i := range own {
			if own[i].To == 0 {
				own[i].From, own[i].To = begun, len(c.Pen.Data)
			}
		}
		next = ownersOf(own, next)
		c.Room.takeDrawn(c.Pen.Data[begun:], begun, own)
		anchors = append(anchors, own...)
	}
	c.Weight = 0
	return anchors
}

// takeGround marks the axes and the texts, of which numbers and labels keep clear.
func (c *Composer) takeGround(f *evaluate.Frame) {
	v := c.View
	c.Room.reset(v)
	if f.Panel.Axes && !v.Projection.Is {
		c.Room.take(box{0, v.Y(0), v.Width, 0}, axisLine)
		c.Room.take(box{v.X(0), 0, 0, v.Height}, axisLine)
	}
	c.keepClearOfTexts(f)
}

// isPoint tells that a record is a point, or the head of an arrow, which ends at one.
func isPoint(r []float32) bool {
	op := picture.Op(r[0])
	return op == picture.Marker || op == picture.Area && r[4] == 1
}

// raised copies records so that points lie above curves.
func raised(to, drawn []float32) []float32 {
	for _, points := range [2]bool{false, true} {
		for r := range picture.Records(drawn) {
			if isPoint(r) == points {
				to = append(to, r...)
			}
		}
	}
	return to
}

// countCurves tells how many curves will share the work of a picture.
func countCurves(f *evaluate.Frame) (curves float64) {
	for _, a := range f.Appearing {
		if many, ok := a.Live.(Many); ok {
			curves += float64(many.Curves())
		} else {
			curves++
		}
	}
	return curves
}

// Kept gives what an entry has kept under its id from the picture before, made anew where it is not fresh.
func Kept[T any](on *On, isFresh func(T) bool, anew func() T) T {
	if on.kept == nil {
		on.kept = map[string]any{}
	}
	if known, ok := on.kept[on.Entry.ID].(T); ok && isFresh(known) {
		return known
	}
	made := anew()
	on.kept[on.Entry.ID] = made
	on.CountRun(on.Entry.ID)
	return made
}

// CountRun notes that an entry was worked out anew.
func (c *Composer) CountRun(id string) {
	if c.Runs == nil {
		c.Runs = map[string]int{}
	}
	c.Runs[id]++
}

// Texts on a panel stand this far from its sides and apart; web/src/stage/PanelTexts.vue holds the same.
const textMargin, textGap = 12.0, 6.0

// keepClearOfTexts leaves the room of the texts on the panel to them, once the page has told their sizes. In a corner
// they stand one below the other in their order.
func (c *Composer) keepClearOfTexts(f *evaluate.Frame) {
	v := c.View
	stacked := map[document.Corner][]Size{}
	for _, s := range f.Said {
		if size, measured := c.TextSizes[s.Entry.ID]; measured && s.Entry.IsOn(f.Panel.ID) {
			stacked[s.Entry.Where.Corner] = append(stacked[s.Entry.Where.Corner], size)
		}
	}
	for corner, sizes := range stacked {
		y := textMargin
		if corner == document.BottomLeft || corner == document.BottomRight {
			y = v.Height - textMargin + textGap
			for _, size := range sizes {
				y -= size.Height + textGap
			}
		}
		for _, size := range sizes {
			x := textMargin
			if corner == document.TopRight || corner == document.BottomRight {
				x = v.Width - textMargin - size.Width
			}
			c.Room.take(box{x, y, size.Width, size.Height}, firm)
			y += size.Height + textGap
		}
	}
}

// ColourOf is an entry's own colour.
func ColourOf(e *document.Entry) picture.Colour {
	return ColourNumber(e.Look.Colour)
}

// ColourNumber is a colour by its number, one of those that curves and parameters share out.
func ColourNumber(n int) picture.Colour {
	return picture.Colour(((n % document.Colours) + document.Colours) % document.Colours)
}

// DialColour is the colour of a dial.
func DialColour(d evaluate.Moment, dial int) picture.Colour {
	return ColourNumber(d.Dial(dial).Stated.Colour)
}

// InkHue is the darkest of the hues, for what belongs to no dial and no ratio.
const InkHue = picture.Colour(7)

// greyHue stands for the parent's grey.
const greyHue = document.Colours

// Hue is the number of the colour in which an entry is drawn: its own, its parameter's, or that of what it is a part of.
func Hue(d evaluate.Moment, s *evaluate.Shown) int {
	if p, ok := s.Live.(interface{ IsParent() bool }); ok && p.IsParent() {
		return greyHue
	}
	if hued, ok := s.Live.(Hued); ok {
		return int(hued.Hue(d))
	}
	return int(ColourOf(s.Entry))
}

var patterns = map[document.LinePattern]picture.Pattern{document.Whole: picture.Whole, document.Dashed: picture.Dashed, document.Dotted: picture.Dotted}

// PatternOf is how an entry's lines are broken, or as they usually are.
func PatternOf(e *document.Entry, usual picture.Pattern) picture.Pattern {
	if pattern, chosen := patterns[e.Look.Pattern]; chosen {
		return pattern
	}
	return usual
}

// weights are by how much an entry's lines are wider than usual.
var weights = map[document.Weight]float64{document.Thin: 0.6, document.Bold: 1.7}

var shapes = map[document.PointShape]picture.Shape{document.ShapeDisc: picture.Disc, document.ShapeRing: picture.Ring,
	document.ShapeSquare: picture.Square, document.ShapeDiamond: picture.Diamond, document.ShapeTriangle: picture.Triangle, document.ShapeCross: picture.Cross}

// ShapeOf is how an entry's points are drawn, or as they usually are.
func ShapeOf(e *document.Entry, usual picture.Shape) picture.Shape {
	if shape, chosen := shapes[e.Look.Shape]; chosen {
		return shape
	}
	return usual
}

// RampColour is the colour of member k of n: the ramp's ends are the first and the last.
func RampColour(k, n int) picture.Colour {
	if n < 2 {
		return picture.Ramp
	}
	return picture.Ramp + picture.Colour(math.Round(float64(k)*(picture.RampColours-1)/float64(n-1)))
}

// Labelled gives an anchor its label, in a colour; none where the entry wants none or there is nothing to say.
func (on *On) Labelled(a Anchor, latex string, colour picture.Colour) []Anchor {
	return on.LabelledAs(on.Entry.ID, a, latex, colour)
}

// PartLabelled is Labelled for one of several of an entry, by its number.
func (on *On) PartLabelled(part int, a Anchor, latex string, colour picture.Colour) []Anchor {
	return on.LabelledAs(fmt.Sprintf("%s.%d", on.Entry.ID, part), a, latex, colour)
}

// LabelledAs is Labelled with an id of the label's own.
func (on *On) LabelledAs(id string, a Anchor, latex string, colour picture.Colour) []Anchor {
	look := on.Entry.Look
	if look.Label == document.LabelWords && look.Words != "" {
		latex, a.Short = WordsLaTeX(look.Words), ""
	}
	if latex == "" || look.Label == document.LabelNone || !on.Now.TellsLabel(on.Entry.ID) {
		return nil
	}
	a.Label = picture.Label{ID: id, LaTeX: latex, Colour: colour, Scale: labelScales[look.LabelSize]}
	return []Anchor{a}
}

// labelScales are by how much a label is larger than usual.
var labelScales = map[document.LabelSize]float64{document.Small: 0.8, document.Large: 1.4}

// Describe says in words what a panel shows, for those who cannot see it.
func Describe(f *evaluate.Frame) string {
	v := f.View
	head, heights := "Plane", ""
	switch f.Panel.Kind {
	case document.Around:
		head = "Circle"
	case document.InSpace:
		head, heights = "Space", fmt.Sprintf(", z from %s to %s, seen from %s", number.Significant(v.Space.Low, 3), number.Significant(v.Space.High, 3), seenFrom(v.Space))
	}
	parts := []string{fmt.Sprintf(head+", x from %s to %s, y from %s to %s%s.", number.Significant(v.Left, 3),
		number.Significant(v.Right, 3), number.Significant(v.Bottom, 3), number.Significant(v.Top, 3), heights)}
	for _, a := range f.Appearing {
		if live, ok := a.Live.(Live); ok {
			parts = append(parts, live.Describe(f.Now, a.Entry)...)
		}
	}
	return strings.Join(parts, " ")
}

// GripTeller is what says where one of its grips is, by the number of the grip from 0 on.
type GripTeller interface {
	DescribeGrip(grip int) string
}

// DescribeHandle tells where what a handle moves is: an entry as a whole where grip is negative, or one of its grips.
func DescribeHandle(f *evaluate.Frame, id string, grip int) string {
	for _, a := range f.Appearing {
		if a.Entry.ID != id {
			continue
		}
		if teller, ok := a.Live.(GripTeller); ok && grip >= 0 {
			return teller.DescribeGrip(grip)
		}
		if live, ok := a.Live.(Live); ok {
			return strings.Join(live.Describe(f.Now, a.Entry), " ")
		}
	}
	return ""
}
