// Package guide is a straight line that helps to see: upright, level or slanted.
package guide

import (
	"fmt"
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
)

// Letter begins the ids of guides.
func (*Body) Letter() string { return "g" }

// Live is a guide in play: x = At, or y = Slope·x + At.
type Live struct {
	At, Slope float64

	body    *Body
	slanted bool
	at      *evaluate.Expression
	// dial is the parameter that a hand on the guide moves, −1 for none; free tells that its place is a number, moved that a hand has
	// moved it since.
	dial        int
	free, moved bool
	// inputs are those that formulas of a variable are compiled with.
	inputs func(variable string) []string
	known  notable
	read   map[*evaluate.Function]*graph
}

// Load compiles the guide's place, for a slanted one a formula in x.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, slanted: b.Direction == Slanted, dial: -1, inputs: d.InputNames, read: map[*evaluate.Function]*graph{}}
	if l.slanted {
		l.at = d.Expression(b.At, e.ID, "at", "x")
	} else {
		l.at = d.Expression(b.At, e.ID, "at")
	}
	if l.at == nil {
		return nil
	}
	if name, is := l.at.Formula.(*expr.Name); is && !l.slanted {
		l.dial = d.Find(name.Name)
	}
	l.free = !l.slanted && len(expr.Names(l.at.Formula)) == 0
	return l
}

// drags tells whether a hand may move the guide: along a dial, or freely where its place is a number.
func (l *Live) drags() bool { return l.free || l.dial >= 0 }

// Sentence says “the guide x = h”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	head := "y="
	if b.Direction == Upright {
		head = "x="
	}
	at := d.FormulaWord(b.At, "x")
	if at.LaTeX == "" {
		return []evaluate.Word{evaluate.Says("the guide " + b.At)}
	}
	return []evaluate.Word{evaluate.Says("the guide "), {LaTeX: head + at.LaTeX}}
}

// Hangs lists the parameters of the place.
func (l *Live) Hangs() []int { return l.at.Hangs() }

// Update works the place out, and the slope of a slanted one.
func (l *Live) Update(d evaluate.Moment) {
	if l.moved {
		return // where the hand has left it, until that settles
	}
	in := d.Inputs()
	in[0] = 0
	l.At = l.at.At(in)
	if l.slanted {
		in[0] = 1
		l.Slope = l.at.At(in) - l.At
	}
}

// Compose draws the line across the panel.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if math.IsNaN(l.At) || math.IsInf(l.At, 0) {
		return nil
	}
	begun, v := len(on.Pen.Data), on.View
	colour, pattern := compose.ColourOf(on.Entry), compose.PatternOf(on.Entry, picture.Dashed)
	switch l.body.Direction {
	case Upright:
		if x := v.X(l.At); x >= 0 && x <= v.Width {
			on.Pen.Segment(colour, on.Scaled(compose.GuideWidth), pattern, x, 0, x, v.Height)
			l.grip(on, colour, x, gripInside)
		}
	case Level:
		if y := v.Y(l.At); y >= 0 && y <= v.Height {
			on.Pen.Segment(colour, on.Scaled(compose.GuideWidth), pattern, 0, y, v.Width, y)
			l.grip(on, colour, gripInside, y)
		}
	default:
		line := []sample.Point{{X: v.Left, Y: l.At + l.Slope*v.Left}, {X: v.Right, Y: l.At + l.Slope*v.Right}}
		on.Line(line, compose.Stroke(colour, on.Scaled(compose.GuideWidth), pattern, 1))
	}
	a, seen := on.OnLines(begun)
	if !seen {
		return nil
	}
	return on.Labelled(a, l.label(on.Now), colour)
}

// gripInside is how far inside of the edge a guide is taken, in pixels.
const gripInside = 16.0

// grip puts the place at which a hand takes the guide on its end.
func (l *Live) grip(on *compose.On, colour picture.Colour, x, y float64) {
	if l.drags() {
		on.Pen.Handle(on.Index, x, y)
		on.Pen.Marker(colour, picture.Grip, x, y, on.Scaled(compose.PointRadius-1))
	}
}

func (l *Live) label(d evaluate.Moment) string {
	switch l.body.Direction {
	case Upright:
		return d.Typeset("x=" + evaluate.CoordinateLaTeX(l.At, 3))
	case Level:
		return d.Typeset("y=" + evaluate.CoordinateLaTeX(l.At, 3))
	}
	return strings.TrimSpace(l.body.Name)
}

// Describe says where the guide lies.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string {
	article := "A"
	if l.body.Direction == Upright {
		article = "An"
	}
	return []string{fmt.Sprintf("%s %s guide at %s.", article, l.body.Direction, number.Format(l.At, 3))}
}

// Box is where the guide meets its axis.
func (l *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if l.body.Direction == Upright {
		box.Add(l.At, 0)
	} else {
		box.AddY(l.At)
	}
}
