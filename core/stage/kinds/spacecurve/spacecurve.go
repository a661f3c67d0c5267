package spacecurve

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// mostMoved bounds a coordinate, in parts: its second derivative is worked out too.
const mostMoved = 400

// Live is a curve in space in play.
type Live struct {
	Curve *sample.SpaceCurve
	// From, To and At are the interval and how far the curve has been run through; At is To without a driver.
	From, To, At float64
	// Driver is the place of the parameter that runs, −1 for none.
	Driver int

	body     *Body
	nodes    [3]expr.Node // inlined, in radians
	from, to *evaluate.Expression
	on       []int // what the curve depends on, the driver apart
	in       []float64
	track    tracked
}

// tracked is the curve as it was run through, valid for one stamp, interval and scale.
type tracked struct {
	sample.Track
	gaps     []sample.Gap
	stamp    uint64
	from, to float64
	units    view.Place
}

// Load compiles the curve with its derivatives.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, Driver: -1}
	if b.Driver != "" {
		if l.Driver = d.Find(b.Driver); l.Driver < 0 {
			d.Report(problem.New("not-a-parameter", 0, len(b.Driver), b.Driver), e.ID, "driver")
			return nil
		}
	}
	letter := b.Letters()
	for k, text := range [3]string{b.X, b.Y, b.Z} {
		x := d.Expression(text, e.ID, [3]string{"x", "y", "z"}[k], letter)
		if x == nil {
			return nil
		}
		if err := evaluate.Affordable(x.Inlined(), d.InputNames(letter), x.Formula, "a coordinate", mostMoved); err != nil {
			d.Report(err, e.ID, [3]string{"x", "y", "z"}[k])
			return nil
		}
		l.nodes[k] = x.Inlined()
		l.on = append(l.on, x.Hangs()...)
	}
	if l.from, l.to = d.Expression(b.From, e.ID, "from"), d.Expression(b.To, e.ID, "to"); l.from == nil || l.to == nil {
		return nil
	}
	l.on = append(append(l.on, l.from.Hangs()...), l.to.Hangs()...)
	var err error
	if l.Curve, err = sample.CompileSpace(l.nodes, d.InputNames(letter)); err != nil {
		d.Report(err, e.ID, "x")
		return nil
	}
	d.CountCompile()
	return l
}

// AppearsIn tells that it runs in space.
func (l *Live) AppearsIn(kind document.PanelKind) bool { return kind == document.InSpace }

// Hangs lists the parameters of the curve, and its driver.
func (l *Live) Hangs() []int {
	on := append([]int{}, l.on...)
	if l.Driver >= 0 {
		on = append(on, l.Driver)
	}
	return on
}

// Update works out the interval and how far the curve has been run through.
func (l *Live) Update(d evaluate.Moment) {
	l.From, l.To = l.from.At(d.Inputs()), l.to.At(d.Inputs())
	l.At = l.To
	if l.Driver >= 0 {
		l.At = math.Max(l.From, math.Min(l.To, d.Inputs()[l.Driver+1]))
	}
	l.in = append(l.in[:0], d.Inputs()...)
}

// Exists tells whether the interval can be run through.
func (l *Live) Exists() bool { return l.From < l.To && !math.IsInf(l.To-l.From, 0) }

// Place is where the point is at a value of the parameter.
func (l *Live) Place(t float64) view.Place { return view.Place(l.Curve.At(t, l.in)) }

// PlaceInSpace is where its point is, if one runs through it.
func (l *Live) PlaceInSpace() (at view.Place, is bool) {
	if l.Driver < 0 || !l.Exists() {
		return at, false
	}
	return l.Place(l.At), true
}

// Studied is the curve for findings, with the numbers in play.
func (l *Live) Studied(d evaluate.Moment) (*curves.Curve, error) {
	letter := l.body.Letters()
	var n [3]expr.Node
	for k, node := range l.nodes {
		n[k] = symbolic.PutNumbers(node, d.NumbersBut(letter))
	}
	return curves.Parametric(n[0], n[1], n[2], letter)
}

// run is the curve as it is run through on a panel.
func (l *Live) run(on *compose.On) *tracked {
	stamp, units := on.Now.StampOf(l.on, -1), on.View.Projection.Units
	t := &l.track
	if t.T == nil || t.stamp != stamp || t.from != l.From || t.to != l.To || t.units != units {
		*t = tracked{stamp: stamp, from: l.From, to: l.To, units: units, gaps: l.Curve.Gaps(l.From, l.To, l.in)}
		t.Track = l.Curve.Track(l.From, l.To, t.gaps, units, l.in)
		on.CountRun(on.Entry.ID)
	}
	if t.Coarse {
		compose.MarkCoarse(on)
	}
	return t
}

// piece is a part of the curve between two places without a line.
type piece struct {
	line []view.Place
	// firm is how many of its places have been run through.
	firm int
}

// pieces are the parts of the curve between its gaps.
func (l *Live) pieces(t *tracked) (list []piece) {
	now := piece{}
	end := func() {
		if len(now.line) > 1 {
			list = append(list, now)
		}
		now = piece{}
	}
	for k, p := range t.Places {
		if math.IsNaN(p[0]) && slices.ContainsFunc(t.gaps, func(g sample.Gap) bool { return g.T == t.T[k] }) {
			end()
			continue
		}
		if k > 0 && t.T[k-1] < l.At && l.At < t.T[k] {
			now.line, now.firm = append(now.line, l.Place(l.At)), len(now.line)+1
		}
		now.line = append(now.line, view.Place(p))
		if t.T[k] <= l.At {
			now.firm = len(now.line)
		}
	}
	end()
	return list
}

// Compose puts the curve into space as far as its point has come, the rest as it is wanted, its holes, and the point.
func (l *Live) Compose(on *compose.On) (anchors []compose.Anchor) {
	if !l.Exists() {
		return nil
	}
	t := l.run(on)
	own := on.Entry.Look.Colour
	var longest []view.Place
	for k, p := range l.pieces(t) {
		colour := compose.ColourNumber(own)
		if l.body.Pieces {
			colour = compose.ColourNumber(own + k)
		}
		pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(compose.CurveWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
		if p.firm > 1 {
			on.Space.AddStrand(solid.Strand{Line: p.line[:p.firm], Pen: pen, Owner: on.Index, Crosses: true})
		}
		if rest := p.line[max(0, p.firm-1):]; len(rest) > 1 && l.body.Rest != document.RestHidden {
			if l.body.Rest != document.RestWhole {
				pen.Opacity = compose.Faint
			}
			on.Space.AddStrand(solid.Strand{Line: rest, Pen: pen, Owner: on.Index, Crosses: true})
		}
		if len(p.line) > len(longest) {
			longest = p.line
		}
	}
	radius := on.Scaled(compose.MarkRadius + 1)
	for _, g := range t.gaps {
		l.marks(on, g, radius)
	}
	anchors = l.point(on)
	if a, ok := on.AlongLine(longest); ok && l.Driver < 0 {
		anchors = append(anchors, on.Labelled(a, l.label(on.Now), compose.ColourOf(on.Entry))...)
	}
	return anchors
}

// marks draws an open ring at a hole, and one at each end of a break that has one.
func (l *Live) marks(on *compose.On, g sample.Gap, radius float32) {
	sides := [][3]float64{g.Left, g.Right}
	if g.IsHole {
		sides = sides[:1]
	}
	for _, at := range sides {
		if p := view.Place(at); p.IsFinite() {
			on.Space.AddMark(solid.Mark{At: p, Colour: compose.ColourOf(on.Entry), Shape: picture.Ring, Radius: radius, Owner: on.Index})
		}
	}
}

// point draws the point that runs through the curve.
func (l *Live) point(on *compose.On) []compose.Anchor {
	at := l.Place(l.At)
	if l.Driver < 0 || !at.IsFinite() || !on.View.Projection.Holds(at) {
		return nil
	}
	colour := compose.DialColour(on.Now, l.Driver)
	x, y := on.InSpace(at)
	on.Pen.Handle(on.Index, x, y)
	on.Space.AddMark(solid.Mark{At: at, Colour: colour, Shape: picture.Grip, Radius: on.Scaled(compose.PointRadius), Owner: on.Index})
	label := l.label(on.Now)
	if on.Entry.Look.Label == document.LabelCoordinates {
		label = compose.TripleLaTeX(on.Now, at)
	}
	return on.Labelled(compose.Anchor{X: x, Y: y, IsPoint: true}, label, colour)
}

// label is the curve's formula.
func (l *Live) label(d evaluate.Moment) string {
	return compose.TripleFormulaLaTeX(d, [3]string{l.body.X, l.body.Y, l.body.Z}, l.body.Letters())
}

// Drag moves the driver to where the curve is seen nearest to a hand, near to where it is now.
func (l *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	q := &h.View.Projection
	if l.Driver < 0 || !q.Is {
		return
	}
	best, least := l.At, math.Inf(1)
	const looks, part = 240, 12
	reach := (l.To - l.From) / part
	for k := -looks; k <= looks; k++ {
		t := math.Max(l.From, math.Min(l.To, l.At+reach*float64(k)/looks))
		at := q.Pixel(l.Place(t))
		if away := math.Hypot(at[0]-h.PX, at[1]-h.PY); away < least {
			best, least = t, away
		}
	}
	d.Set(l.Driver, d.Dial(l.Driver).OnStep(best))
}

// Nudge moves the driver by steps.
func (l *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	if l.Driver >= 0 {
		d.Set(l.Driver, d.Dial(l.Driver).Stepped(h.DX+h.DY))
	}
}

// Box is the whole curve.
func (l *Live) Box(d evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if !l.Exists() {
		return
	}
	const looks = 600
	for k := range looks + 1 {
		box.AddPlace(l.Place(l.From + (l.To-l.From)*float64(k)/looks))
	}
}
