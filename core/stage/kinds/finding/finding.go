// Package finding shows what was found out about a function: points, asymptotes, a centre line.
package finding

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Letter begins the ids of findings.
func (*Body) Letter() string { return "m" }

// Live is a finding of a function in play: as it was found, or while that takes its time by formulas in the parameters.
type Live struct {
	function *evaluate.Function
	finding  document.Finding
	closed   *closedForm
}

// Load finds the function and, where there are some, the formulas for the places.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	f := d.Graph(b.Function, e.ID)
	if f == nil {
		return nil
	}
	return &Live{f, b.Finding, closedOf(d, f, b.Finding)}
}

// Sentence says “the zeros of f”.
func (b *Body) Sentence(evaluate.Moment, *evaluate.Shown) []evaluate.Word {
	return []evaluate.Word{evaluate.Says("the " + found.Name(b.Finding) + " of "), {LaTeX: expr.LaTeXName(b.Function)}}
}

// Describe says nothing: findings are told as text.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string { return nil }

// Box asks for nothing: findings are in the box of their curve.
func (l *Live) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Points are those of the finding in play between left and right. current is false while they are still
// being computed; then those of the closed forms stand in, or none.
func (l *Live) Points(d evaluate.Moment, left, right float64) (points []found.Point, current bool) {
	last, current := d.FoundOf(l.function)
	if current && l.finding == document.YIntercept {
		return last.Points[l.finding], true // of a wave too there is one
	}
	if current {
		return evaluate.Repeated(last.Points[l.finding], last.Period, left, right), true
	}
	return l.closed.points(d, left, right)
}

// Guides are the same for guides.
func (l *Live) Guides(d evaluate.Moment, left, right float64) (guides []found.Guide, current bool) {
	last, current := d.FoundOf(l.function)
	if !current {
		places, ok := l.closed.points(d, left, right)
		for _, p := range places {
			guides = append(guides, found.Guide{Upright: true, At: p.X})
		}
		return guides, ok
	}
	for _, g := range last.Guides[l.finding] {
		if !g.Upright || last.Period == 0 {
			guides = append(guides, g)
			continue
		}
		for _, p := range evaluate.Repeated([]found.Point{{X: g.At}}, last.Period, left, right) {
			guides = append(guides, found.Guide{Upright: true, At: p.X})
		}
	}
	return guides, true
}

// mostLabels is how many points of one finding carry their coordinates; more would hide the picture.
const mostLabels = 6

// See finds the points or the guides between the window's sides.
func (l *Live) See(m evaluate.Moment, v view.View, _ any) any {
	if l.isGuide() {
		guides, _ := l.Guides(m, v.Left, v.Right)
		return guides
	}
	points, _ := l.Points(m, v.Left, v.Right)
	return points
}

func (l *Live) isGuide() bool {
	switch l.finding {
	case document.VerticalAsymptotes, document.LevelAsymptotes, document.SlantedAsymptotes, document.CentreLine:
		return true
	}
	return false
}

// Compose draws the finding: points as marks, asymptotes and centre lines as guides.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if l.isGuide() {
		return l.composeGuides(on)
	}
	v := on.View
	var anchors []compose.Anchor
	for _, p := range on.Seen.([]found.Point) {
		if !v.Sees(p.X, p.Y) {
			continue
		}
		shape := picture.Disc
		if p.Open {
			shape = picture.Ring
		}
		x, y := v.X(p.X), v.Y(p.Y)
		on.Mark(compose.ColourOf(on.Entry), shape, p.X, p.Y, compose.PointRadius-1)
		at := compose.Anchor{X: x, Y: y, IsPoint: true}
		anchors = append(anchors, on.PartLabelled(len(anchors), at, on.Now.Typeset(evaluate.PairLaTeX(p.X, p.Y, 2)), compose.ColourOf(on.Entry))...)
	}
	return unlessTooMany(anchors)
}

func (l *Live) composeGuides(on *compose.On) []compose.Anchor {
	v := on.View
	var anchors []compose.Anchor
	colour, pattern := compose.ColourOf(on.Entry), compose.PatternOf(on.Entry, picture.Dashed)
	for _, g := range on.Seen.([]found.Guide) {
		if g.Upright {
			if x := v.X(g.At); x >= 0 && x <= v.Width {
				begun := len(on.Pen.Data)
				on.Pen.Segment(colour, on.Scaled(compose.GuideWidth), pattern, x, 0, x, v.Height)
				a, _ := on.OnLines(begun)
				a = a.Rather(x, v.Height-26)
				anchors = append(anchors, on.PartLabelled(len(anchors), a, on.Now.Typeset("x="+evaluate.CoordinateLaTeX(g.At, 2)), colour)...)
			}
			continue
		}
		line := []sample.Point{{X: v.Left, Y: g.At + g.Slope*v.Left}, {X: v.Right, Y: g.At + g.Slope*v.Right}}
		begun := len(on.Pen.Data)
		on.Line(line, compose.Stroke(colour, on.Scaled(compose.GuideWidth), pattern, 1))
		if a, seen := on.OnLines(begun); seen {
			anchors = append(anchors, on.PartLabelled(len(anchors), a, on.Now.Typeset("y="+evaluate.LineLaTeX(g.Slope, g.At, 2)), colour)...)
		}
	}
	return unlessTooMany(anchors)
}

// unlessTooMany gives the labels, or none where there are too many.
func unlessTooMany(anchors []compose.Anchor) []compose.Anchor {
	if len(anchors) > mostLabels {
		return nil
	}
	return anchors
}
