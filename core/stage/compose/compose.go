// Package compose turns values and a window into a picture: axes, ticks, grid, curves, points, guides, labels.
package compose

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"parvix/core/formula/number"
	"parvix/core/maths/locus"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Size is a measured size in CSS pixels.
type Size struct{ Width, Height float64 }

// Composer composes one panel again and again and keeps what did not change.
type Composer struct {
	sampler sample.Sampler
	curves  map[string]*drawnCurve
	trailer sample.Trailer
	trails  map[trailKey]*drawnTrail
	paths   map[string]*followedPath
	regions map[string]*drawnRegion
	line    []sample.Point
	ground  View
	style   [7]string
	taken   [][4]float64 // boxes x, y, width, height of the ground's numbers
	pic     picture.Picture
	pen     picture.Pen
	room    room
	// Coarse are the ids of the entries that the last picture shows coarser than it should, or not at all, since they take
	// too much work.
	Coarse []string
	// left is what is left of the picture's work, waiting how many curves are still to be drawn.
	left, waiting float64
	// LabelSizes are the sizes that the page measured, by the label's id.
	LabelSizes map[string]Size
	// Type is the size of the numbers on the axes, as a multiple of the usual; 0 means 1.
	Type float64
}

// drawnCurve is a curve's lines in the plane, valid for one stamp and view.
type drawnCurve struct {
	source
	view  View
	lines [][]sample.Point
	marks []sample.Mark
	bands [][]sample.Column
	// coarse tells that it took too much work.
	coarse bool
}

// Line widths in pixels.
const (
	curveWidth  = 3
	boundWidth  = 1.2
	bandOpacity = 0.4
	parentWidth = 2.2
	guideWidth  = 1.6
	traceRadius = 3.4
	pointRadius = 6.5
	markRadius  = 4.5
	// outside is how far from its place a number stands that the circle passes through.
	outside = 12
	// Lines are followed this far beyond the edge.
	margin = 8
)

// Panel composes a panel of size width × height. The picture is valid until the next call.
func (c *Composer) Panel(d *evaluate.Demonstration, p *document.Panel, width, height float64) *picture.Picture {
	v := Seen(p, width, height)
	style := [7]string{fmt.Sprint(p.Polar, d.Document.AngleUnit), string(p.TicksX), string(p.TicksY), fmt.Sprint(p.Grid), fmt.Sprint(p.Axes), fmt.Sprint(c.Type), fmt.Sprint(d.Document.DecimalComma)}
	if v != c.ground || style != c.style || c.pic.Ground == nil {
		c.ground, c.style = v, style
		c.composeGround(d, p, v)
	}
	c.Coarse, c.left, c.waiting = c.Coarse[:0], pictureWork, countCurves(d, p)
	c.pen.Data = c.pic.Live[:0]
	c.pic.Labels = c.pic.Labels[:0]
	c.room.reset(v)
	for _, box := range c.taken {
		c.room.take(box[0], box[1], box[2], box[3], 3)
	}
	if p.Axes {
		c.room.take(0, v.Y(0), v.Width, 1, 1)
		c.room.take(v.X(0), 0, 1, v.Height, 1)
	}
	c.room.take(0, 0, controlsWidth, controlsHeight, 30)
	c.keepClearOfTexts(d, p, v)
	defer d.Hold(p.Values)()
	var anchors []anchor
	for i, s := range d.Shown {
		if !d.Appears(s, p) {
			continue
		}
		var a anchor
		var ok bool
		switch s.Entry.Kind {
		case document.Curve:
			if s.Family != nil {
				anchors = append(anchors, c.family(d, s, v)...)
				continue
			}
			a, ok = c.curve(d, s, v)
			c.grips(d, i, s, v)
		case document.Table:
			anchors = append(anchors, c.table(d, i, s, v)...)
		case document.Path:
			a, ok = c.path(d, s, v)
		case document.Steps:
			anchors = append(anchors, c.steps(d, s, v)...)
		case document.Guide:
			a, ok = c.guide(s, v)
		case document.Trace:
			c.trace(d, s, v)
		case document.CircleEntry:
			c.circle(d, i, s, p, v)
		case document.Moving:
			if s.Family != nil {
				anchors = append(anchors, c.trajectories(d, s, v)...)
				continue
			}
			a, ok = c.trajectory(d, i, s, v)
		case document.FigureEntry:
			anchors = append(anchors, c.figure(d, s, v)...)
		case document.PartOf:
			anchors = append(anchors, c.part(d, s, p, v)...)
		case document.Point:
			a, ok = c.point(i, s, v)
		case document.Found:
			anchors = append(anchors, c.found(d, s, v)...)
		}
		if label := labelOf(d, s); ok && label != "" {
			a.label = picture.Label{ID: s.Entry.ID, LaTeX: label, Colour: hueOf(s)}
			anchors = append(anchors, a)
		}
	}
	if p.Legend {
		anchors = c.legend(anchors, v)
	}
	c.place(anchors, v)
	c.pic.Live = c.pen.Data
	return &c.pic
}

// Texts on a panel stand this far from its sides, below its controls and apart; web/src/stage/PanelTexts.vue holds the
// same.
const textMargin, textTop, textGap = 12.0, 48.0, 6.0

// A panel's own controls stand in its top left corner; labels look for another place.
const controlsWidth, controlsHeight = 256.0, 42.0

// keepClearOfTexts leaves the room of the texts on the panel to them, once the page has told their sizes. In a corner
// they stand one below the other in their order.
func (c *Composer) keepClearOfTexts(d *evaluate.Demonstration, p *document.Panel, v View) {
	stacked := map[document.Corner][]Size{}
	for _, s := range d.Said {
		if size, measured := c.LabelSizes[s.Entry.ID]; measured && s.Entry.Panel == p.ID {
			stacked[s.Entry.Corner] = append(stacked[s.Entry.Corner], size)
		}
	}
	for corner, sizes := range stacked {
		y := textTop
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
			c.room.take(x, y, size.Width, size.Height, 60)
			y += size.Height + textGap
		}
	}
}

func (c *Composer) composeGround(d *evaluate.Demonstration, p *document.Panel, v View) {
	c.pen.Data = c.pic.Ground[:0]
	c.pic.Texts = c.pic.Texts[:0]
	c.taken = c.taken[:0]
	x := ticks(p.TicksX, v.Left, v.Right, v.Width/c.typeSize())
	y := ticks(p.TicksY, v.Bottom, v.Top, v.Height/c.typeSize())
	for _, list := range [][]tick{x.ticks, y.ticks} {
		for i := range list {
			list[i].text = d.Numeral(list[i].text)
		}
	}
	upright := func(colour picture.Colour, width float32, at float64) {
		c.pen.Segment(colour, width, picture.Whole, v.X(at), 0, v.X(at), v.Height)
	}
	level := func(colour picture.Colour, width float32, at float64) {
		c.pen.Segment(colour, width, picture.Whole, 0, v.Y(at), v.Width, v.Y(at))
	}
	if p.Grid && p.Polar {
		c.polarGrid(d, v, x)
	} else if p.Grid {
		for _, at := range x.fine {
			upright(picture.FineGrid, 1, at)
		}
		for _, at := range y.fine {
			level(picture.FineGrid, 1, at)
		}
		for _, t := range x.ticks {
			upright(picture.Grid, 1, t.value)
		}
		for _, t := range y.ticks {
			level(picture.Grid, 1, t.value)
		}
	}
	if p.Axes {
		upright(picture.Axis, 1.6, 0)
		level(picture.Axis, 1.6, 0)
		outward := 0.0
		if p.Kind == document.Around {
			// The circle passes through the places of its radius: the numbers stand outside of it.
			outward = outside
		}
		c.numbers(x, y, v, outward)
	}
	c.pic.Ground = c.pen.Data
	c.pic.GroundStamp++
}

// numbers writes the ticks beside the axes, or at the edge when an axis is out of sight; those that an edge would cut
// are left out.
func (c *Composer) numbers(x, y axis, v View, outward float64) {
	size := c.typeSize()
	below, beside, half := 14*size, 8.0, 9*size
	baseline := math.Max(0, math.Min(v.Y(0), v.Height-2*below)) + below
	for _, t := range x.ticks {
		at := v.X(t.value) + math.Copysign(outward*size, t.value)
		room := 5 * size * float64(len([]rune(t.text)))
		if t.value == 0 || at < room || at > v.Width-room {
			continue
		}
		c.write(t.text, at, baseline, picture.Centre)
	}
	edge := math.Max(30*size, math.Min(v.X(0), v.Width-4)) - beside
	for _, t := range y.ticks {
		at := v.Y(t.value) - math.Copysign(outward*size, t.value)
		if t.value == 0 || at < half || at > v.Height-half {
			continue
		}
		c.write(t.text, edge, at, picture.Right)
	}
	if zx, zy := v.X(0), v.Y(0); zx > 20 && zx < v.Width && zy > 0 && zy < v.Height-20 {
		c.write("0", zx-beside, zy+below, picture.Right)
	}
}

func (c *Composer) write(text string, x, y float64, a picture.Align) {
	c.pic.Texts = append(c.pic.Texts, text)
	c.pen.Text(picture.Ink, len(c.pic.Texts)-1, x, y, a)
	// The shipped face's digits are about 8 pixels wide and 14 high at the usual size.
	width, height := 8*c.typeSize()*float64(len([]rune(text))), 14*c.typeSize()
	left := map[picture.Align]float64{picture.Left: x, picture.Centre: x - width/2, picture.Right: x - width}[a]
	c.taken = append(c.taken, [4]float64{left, y - height/2, width, height})
}

// scaled grows a width or a radius with the type, so that a board's lines suit its numbers.
func (c *Composer) scaled(pixels float64) float32 { return float32(pixels * c.typeSize()) }

func (c *Composer) typeSize() float64 {
	if c.Type == 0 {
		return 1
	}
	return c.Type
}

func colourOf(e *document.Shown) picture.Colour {
	if e.Parent {
		return picture.Grey
	}
	return picture.Colour(((e.Colour % evaluate.Colours) + evaluate.Colours) % evaluate.Colours)
}

// hueOf is an entry's colour; a path wears its parameter's.
func hueOf(s *evaluate.Shown) picture.Colour {
	if s.Path != nil {
		return picture.Colour(s.Path.Colour % evaluate.Colours)
	}
	return colourOf(s.Entry)
}

// path draws the way of a feature, dashed in the colour of the parameter that moves it.
func (c *Composer) path(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchor, bool) {
	pen := strokes{hueOf(s), c.scaled(parentWidth), patternOf(s.Entry, picture.Dashed), 1}
	if s.Path.Curve != nil {
		from := source{function: s.Path.Curve, stamp: d.PathStamp(s.Path)}
		return c.stroke(c.sampled(d, s.Entry.ID, s.Entry.ID, from, s.Path.Inputs(d), v), pen, v)
	}
	at, upright := s.Path.Upright(d)
	if !upright {
		return c.way(d, s, pen, v)
	}
	x := v.X(at)
	if !(x >= 0 && x <= v.Width) {
		return anchor{}, false
	}
	from := len(c.pen.Data)
	c.pen.Segment(pen.colour, pen.width, pen.pattern, x, 0, x, v.Height)
	c.room.lines(c.pen.Data[from:])
	return anchor{x: x, y: v.Height * 0.2}, true
}

// way draws a path without an equation: a line through the places where they have a closed form, else a dot for each
// value of the parameter.
func (c *Composer) way(d *evaluate.Demonstration, s *evaluate.Shown, pen strokes, v View) (anchor, bool) {
	begun := len(c.pen.Data)
	from, to := d.Bar(s.Path)
	for k, curve := range s.Path.Ways {
		run := drawnTrail{curve: curve, stamp: d.PathStamp(s.Path), from: from, to: to, pixel: (v.Right - v.Left) / v.Width}
		c.broken(c.trailFor(d, s.Entry.ID, k, run, s.Path.Inputs(d)).trail.Points, v, pen)
	}
	if s.Path.Ways == nil {
		for _, p := range c.followed(d, s, v) {
			if v.Sees(p.X, p.Y) {
				c.pen.Marker(pen.colour, picture.Disc, v.X(p.X), v.Y(p.Y), c.scaled(pathDot))
			}
		}
	}
	c.room.lines(c.pen.Data[begun:])
	return c.curveAnchor(c.pen.Data[begun:], v)
}

// pathDot is the size of the dots of a path.
const pathDot = 2

// followedPath is a path's points, valid for one stamp, bar and stretch of the window.
type followedPath struct {
	path                  *evaluate.Path
	stamp                 uint64
	from, to, left, right float64
	points                []locus.Point
}

// followed gives a path's points, followed again only when what they hang on has changed.
func (c *Composer) followed(d *evaluate.Demonstration, s *evaluate.Shown, v View) []locus.Point {
	if c.paths == nil {
		c.paths = map[string]*followedPath{}
	}
	known := c.paths[s.Entry.ID]
	now := followedPath{path: s.Path, stamp: d.PathStamp(s.Path), left: v.Left, right: v.Right}
	now.from, now.to = d.Bar(s.Path)
	if known == nil || known.path != now.path || known.stamp != now.stamp || known.from != now.from || known.to != now.to || known.left != now.left || known.right != now.right {
		now.points = d.Follow(s.Path, v.Left, v.Right)
		known = &now
		c.paths[s.Entry.ID] = known
		d.CountRun(s.Entry.ID)
	}
	return known.points
}

func patternOf(e *document.Shown, usual picture.Pattern) picture.Pattern {
	switch e.Pattern {
	case document.Whole:
		return picture.Whole
	case document.Dashed:
		return picture.Dashed
	case document.Dotted:
		return picture.Dotted
	}
	return usual
}

// curve draws a function's lines, sampling again only when a parameter of it or the view has changed.
func (c *Composer) curve(d *evaluate.Demonstration, s *evaluate.Shown, v View) (anchor, bool) {
	drawn := c.sampled(d, s.Entry.ID, s.Entry.ID, source{function: s.Curve.Curve, stamp: d.Stamp(s.Curve)}, d.Inputs(), v)
	pen := strokes{colour: colourOf(s.Entry), width: c.scaled(curveWidth), pattern: patternOf(s.Entry, picture.Whole), opacity: 1}
	if s.Entry.Parent {
		pen.width, pen.pattern = c.scaled(parentWidth), patternOf(s.Entry, picture.Dashed)
	}
	return c.stroke(drawn, pen, v)
}

// source is what a curve was sampled from: it is sampled again when one of these changes.
type source struct {
	function *sample.Function
	stamp    uint64
	place    evaluate.Place
}

// sampled gives the lines kept under a key, sampled again where the source or the view has changed; id is the entry's.
func (c *Composer) sampled(d *evaluate.Demonstration, key, id string, from source, in []float64, v View) *drawnCurve {
	if c.curves == nil {
		c.curves = map[string]*drawnCurve{}
	}
	drawn := c.curves[key]
	if drawn == nil {
		drawn = &drawnCurve{}
		c.curves[key] = drawn
	}
	if drawn.source != from || drawn.view != v {
		drawn.source, drawn.view = from, v
		d.CountRun(id)
		c.sampler.Allowed = min(c.left/max(1, c.waiting), sample.AllowedAlone)
		drawn.keep(c.sampler.Curve(from.function, in,
			sample.View{Left: v.Left, Right: v.Right, Bottom: v.Bottom, Top: v.Top, Width: v.Width, Height: v.Height}))
		c.left -= c.sampler.Spent
	}
	c.waiting--
	if drawn.coarse && !slices.Contains(c.Coarse, id) {
		c.Coarse = append(c.Coarse, id)
	}
	return drawn
}

// pictureWork is what the curves of one picture may take together, in operations: 40 ms or so on the machine it was
// measured on.
const pictureWork = 5e6

// countCurves tells how many curves will share the work of a picture.
func countCurves(d *evaluate.Demonstration, p *document.Panel) (curves float64) {
	for _, s := range d.Shown {
		if !d.Appears(s, p) {
			continue
		}
		if curves++; s.Family != nil {
			curves += float64(len(s.Family.Members)) - 1
		}
	}
	return curves
}

// strokes is how a curve's lines are drawn.
type strokes struct {
	colour  picture.Colour
	width   float32
	pattern picture.Pattern
	opacity float32
}

// stroke draws sampled lines with their bands and marks, and gives the place for a label.
func (c *Composer) stroke(drawn *drawnCurve, pen strokes, v View) (anchor, bool) {
	from := len(c.pen.Data)
	for _, band := range drawn.bands {
		c.band(band, v, pen.colour)
	}
	for _, line := range drawn.lines {
		c.clipped(line, v, pen)
	}
	for _, m := range drawn.marks {
		shape := picture.Ring
		if m.Kind == sample.Closed {
			shape = picture.Disc
		}
		if v.Sees(m.X, m.Y) {
			c.pen.Marker(pen.colour, shape, v.X(m.X), v.Y(m.Y), c.scaled(markRadius))
		}
	}
	c.room.lines(c.pen.Data[from:])
	a, ok := c.curveAnchor(c.pen.Data[from:], v)
	a.pen = pen
	return a, ok
}

// band draws an envelope: an area between its bounds, and the bounds as lines.
func (c *Composer) band(band []sample.Column, v View, colour picture.Colour) {
	half := 0.5 * (v.Right - v.Left) / v.Width
	var low, high []sample.Point
	for i, column := range band {
		if i == 0 {
			low, high = append(low, sample.Point{X: column.X - half, Y: column.Low}), append(high, sample.Point{X: column.X - half, Y: column.High})
		}
		low, high = append(low, sample.Point{X: column.X, Y: column.Low}), append(high, sample.Point{X: column.X, Y: column.High})
		if i == len(band)-1 {
			low, high = append(low, sample.Point{X: column.X + half, Y: column.Low}), append(high, sample.Point{X: column.X + half, Y: column.High})
		}
	}
	start := c.pen.Area(colour, bandOpacity)
	held := func(p sample.Point) {
		c.pen.To(v.X(p.X), math.Min(math.Max(v.Y(p.Y), -margin), v.Height+margin))
	}
	for _, p := range low {
		held(p)
	}
	for i := len(high) - 1; i >= 0; i-- {
		held(high[i])
	}
	c.pen.EndLine(start)
	for _, bound := range [][]sample.Point{low, high} {
		c.clipped(bound, v, strokes{colour, c.scaled(boundWidth), picture.Whole, 1})
	}
}

// keep copies what the sampler will overwrite.
func (k *drawnCurve) keep(curve sample.Curve) {
	k.lines, k.coarse = k.lines[:0], curve.Coarse
	for _, line := range curve.Lines {
		k.lines = append(k.lines, slices.Clone(line))
	}
	k.marks = append(k.marks[:0], curve.Marks...)
	k.bands = k.bands[:0]
	for _, band := range curve.Envelopes {
		k.bands = append(k.bands, slices.Clone(band))
	}
}

// Sees tells whether a place of the plane lies in the window.
func (v View) Sees(x, y float64) bool {
	return x >= v.Left && x <= v.Right && y >= v.Bottom && y <= v.Top
}

// clipped draws a line of the plane cut to the panel with a margin (Liang and Barsky 1984 for each step).
func (c *Composer) clipped(line []sample.Point, v View, pen strokes) {
	if len(line) == 0 {
		return
	}
	start := -1
	x2, y2 := v.X(line[0].X), v.Y(line[0].Y)
	for _, p := range line[1:] {
		x1, y1 := x2, y2
		x2, y2 = v.X(p.X), v.Y(p.Y)
		a, b, ok := clip(x1, y1, x2, y2, v)
		if !ok {
			c.end(&start)
			continue
		}
		if start < 0 || a > 0 {
			c.end(&start)
			start = c.pen.Line(pen.colour, pen.width, pen.pattern, pen.opacity)
			c.pen.To(x1+(x2-x1)*a, y1+(y2-y1)*a)
		}
		c.pen.To(x1+(x2-x1)*b, y1+(y2-y1)*b)
		if b < 1 {
			c.end(&start)
		}
	}
	c.end(&start)
}

func (c *Composer) end(start *int) {
	if *start >= 0 {
		c.pen.EndLine(*start)
	}
	*start = -1
}

// near tells whether a pixel lies on the panel or its margin.
func (v View) near(x, y float64) bool {
	return x >= -margin && x <= v.Width+margin && y >= -margin && y <= v.Height+margin
}

// clip gives the shares of the segment that lie inside the panel with its margin.
func clip(x1, y1, x2, y2 float64, v View) (a, b float64, ok bool) {
	a, b = 0, 1
	if v.near(x1, y1) && v.near(x2, y2) {
		return a, b, true
	}
	for _, edge := range [4][2]float64{
		{x1 - x2, x1 + margin}, {x2 - x1, v.Width + margin - x1}, {y1 - y2, y1 + margin}, {y2 - y1, v.Height + margin - y1},
	} {
		p, q := edge[0], edge[1]
		switch {
		case p == 0 && q < 0:
			return 0, 0, false
		case p < 0:
			a = max(a, q/p)
		case p > 0:
			b = min(b, q/p)
		}
	}
	return a, b, a < b
}

func (c *Composer) guide(s *evaluate.Shown, v View) (anchor, bool) {
	if math.IsNaN(s.At) || math.IsInf(s.At, 0) {
		return anchor{}, false
	}
	from := len(c.pen.Data)
	colour, pattern := colourOf(s.Entry), patternOf(s.Entry, picture.Dashed)
	a := anchor{}
	switch s.Entry.Direction {
	case document.Upright:
		x := v.X(s.At)
		if x < 0 || x > v.Width {
			return a, false
		}
		c.pen.Segment(colour, c.scaled(guideWidth), pattern, x, 0, x, v.Height)
		a = anchor{x: x, y: v.Height - 26}
	case document.Level:
		y := v.Y(s.At)
		if y < 0 || y > v.Height {
			return a, false
		}
		c.pen.Segment(colour, c.scaled(guideWidth), pattern, 0, y, v.Width, y)
		a = anchor{x: v.Width - 60, y: y}
	default:
		line := []sample.Point{{X: v.Left, Y: s.At + s.Slope*v.Left}, {X: v.Right, Y: s.At + s.Slope*v.Right}}
		c.clipped(line, v, strokes{colour, c.scaled(guideWidth), pattern, 1})
		x := v.AtX(v.Width - 70)
		a = anchor{x: v.X(x), y: v.Y(s.At + s.Slope*x)}
	}
	c.room.lines(c.pen.Data[from:])
	return a, a.y >= 0 && a.y <= v.Height
}

// A trace of more than mostTraced places is drawn with its dots crowded pixels apart, of which nothing is seen.
const mostTraced, crowded = 1000, 2.0

func (c *Composer) trace(d *evaluate.Demonstration, s *evaluate.Shown, v View) {
	kept, recorded := d.Trace(s)
	lastX, lastY := math.Inf(-1), math.Inf(-1)
	apart := s.Entry.Apart
	if (len(kept)+len(recorded))/2 > mostTraced {
		apart = math.Max(apart, crowded)
	}
	for _, list := range [2][]float64{kept, recorded} {
		for i := 0; i+1 < len(list); i += 2 {
			x, y := v.X(list[i]), v.Y(list[i+1])
			if !v.Sees(list[i], list[i+1]) || math.Hypot(x-lastX, y-lastY) < apart {
				continue
			}
			lastX, lastY = x, y
			c.pen.Marker(colourOf(s.Entry), picture.Disc, x, y, c.scaled(traceRadius))
		}
	}
}

func (c *Composer) point(index int, s *evaluate.Shown, v View) (anchor, bool) {
	if math.IsNaN(s.X) || math.IsNaN(s.Y) || !v.Sees(s.X, s.Y) {
		return anchor{}, false
	}
	x, y := v.X(s.X), v.Y(s.Y)
	shape := picture.Disc
	if s.Drags {
		shape = picture.Grip
		c.pen.Handle(index, x, y)
	}
	c.pen.Marker(colourOf(s.Entry), shape, x, y, c.scaled(pointRadius))
	c.room.take(x-8, y-8, 16, 16, 50)
	return anchor{x: x, y: y, isPoint: true}, true
}

// grips draws the key points by which a curve can be moved.
func (c *Composer) grips(d *evaluate.Demonstration, index int, s *evaluate.Shown, v View) {
	d.PlaceGrips(s)
	for i, g := range s.Grips {
		if !v.Sees(g.X, g.Y) {
			continue
		}
		x, y := v.X(g.X), v.Y(g.Y)
		c.pen.Handle(index+evaluate.GripStride*(i+1), x, y)
		c.pen.Marker(colourOf(s.Entry), picture.Grip, x, y, c.scaled(pointRadius-1))
		c.room.take(x-8, y-8, 16, 16, 50)
	}
}

// labelOf is the LaTeX beside an entry, empty for none.
func labelOf(d *evaluate.Demonstration, s *evaluate.Shown) string {
	e := s.Entry
	if e.Label == document.LabelNone || e.Kind == document.CircleEntry || e.Kind == document.PartOf || e.Kind == document.FigureEntry || e.Kind == document.Trace || e.Kind == document.Found || e.Kind == document.Table {
		return ""
	}
	switch e.Kind {
	case document.Path:
		return s.Path.LaTeX
	case document.Moving:
		return d.TrajectoryLaTeX(s, e.Label == document.LabelFormula)
	case document.Curve:
		head := evaluate.HeadLaTeX(s.Curve.Stated.Name, nil)
		// A curve that has collapsed would seem to have vanished: it says what it is now.
		if kind := d.Collapsed(s.Curve); kind != "" {
			return head + `\text{, now a ` + kind + `}`
		}
		if e.Label == document.LabelFormula {
			return d.HeadLaTeX(s.Curve.Stated.Name, s.Curve.Stated.Variables) + "=" + d.Now(s.Curve)
		}
		return head
	case document.Point:
		if e.Label == document.LabelCoordinates {
			return evaluate.HeadLaTeX(e.Name, nil) + d.Typeset(`\,(`+number.Format(s.X, 3)+`,\;`+number.Format(s.Y, 3)+")")
		}
		return evaluate.HeadLaTeX(e.Name, nil)
	}
	switch e.Direction {
	case document.Upright:
		return d.Typeset("x=" + number.Format(s.At, 3))
	case document.Level:
		return d.Typeset("y=" + number.Format(s.At, 3))
	}
	return strings.TrimSpace(e.Name)
}

// Describe says in words what a panel shows, for those who cannot see it.
func Describe(d *evaluate.Demonstration, p *document.Panel, width, height float64) string {
	v := Seen(p, width, height)
	defer d.Hold(p.Values)()
	head := "Plane"
	if p.Kind == document.Around {
		head = "Circle"
	}
	parts := []string{fmt.Sprintf(head+", x from %s to %s, y from %s to %s.", number.Significant(v.Left, 3),
		number.Significant(v.Right, 3), number.Significant(v.Bottom, 3), number.Significant(v.Top, 3))}
	for _, s := range d.Shown {
		if !d.Appears(s, p) {
			continue
		}
		switch s.Entry.Kind {
		case document.Curve:
			parts = append(parts, describeCurve(s))
		case document.CircleEntry:
			parts = append(parts, describeCircle(s))
		case document.PartOf:
			parts = append(parts, describePart(s)...)
		case document.Moving:
			parts = append(parts, describeTrajectory(s))
		case document.FigureEntry:
			parts = append(parts, describeFigure(d, s)...)
		case document.Table:
			parts = append(parts, fmt.Sprintf("%d plotted points.", len(s.Table.Points)))
		case document.Steps:
			parts = append(parts, describeSteps(d, s))
		case document.Point:
			if math.IsNaN(s.X) || math.IsNaN(s.Y) {
				parts = append(parts, "Point "+s.Entry.Name+" is undefined.")
				continue
			}
			parts = append(parts, fmt.Sprintf("Point %s at (%s, %s).", s.Entry.Name, number.Format(s.X, 3), number.Format(s.Y, 3)))
		case document.Guide:
			parts = append(parts, fmt.Sprintf("A %s guide at %s.", s.Entry.Direction, number.Format(s.At, 3)))
		}
	}
	return strings.Join(parts, " ")
}
