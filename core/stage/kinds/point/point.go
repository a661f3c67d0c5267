// Package point is a point whose coordinates are formulas.
package point

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
)

// Letter begins the ids of points.
func (*Body) Letter() string { return "p" }

// Live is a point in play.
type Live struct {
	// X and Y are NaN where they are undefined.
	X, Y float64
	// Drags tells whether a hand may move the point: along a parameter, or freely when both coordinates are numbers.
	Drags bool

	body *Body
	x, y *evaluate.Expression
	// dialX and dialY are the parameters that are its coordinates, −1 for none.
	dialX, dialY int
	free         bool
}

// Load compiles the coordinates and finds what a hand on the point would move.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, x: d.Expression(b.X, e.ID, "x"), y: d.Expression(b.Y, e.ID, "y")}
	if l.x == nil || l.y == nil {
		return nil
	}
	l.dialX, l.dialY = dialOf(d, l.x), dialOf(d, l.y)
	l.free = isNumber(l.x.Formula) && isNumber(l.y.Formula)
	l.Drags = l.dialX >= 0 || l.dialY >= 0 || l.free
	return l
}

func dialOf(d evaluate.Loading, x *evaluate.Expression) int {
	if name, ok := x.Formula.(*expr.Name); ok {
		return d.Find(name.Name)
	}
	return -1
}

func isNumber(n expr.Node) bool {
	if _, is := symbolic.Fraction(n); is {
		return true
	}
	if neg, ok := n.(*expr.Neg); ok {
		n = neg.X
	}
	_, is := n.(*expr.Number)
	return is
}

// Sentence says “P is the point (a, b)”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	x, y := d.FormulaWord(b.X), d.FormulaWord(b.Y)
	if x.LaTeX != "" && y.LaTeX != "" {
		return []evaluate.Word{evaluate.NameWord(b.Name), evaluate.Says(" is the point "), {LaTeX: "(" + x.LaTeX + d.Typeset(`,\;`) + y.LaTeX + ")"}}
	}
	return []evaluate.Word{evaluate.Says(fmt.Sprintf("%s is the point (%s, %s)", b.Name, b.X, b.Y))}
}

// Hangs lists the parameters of both coordinates.
func (l *Live) Hangs() []int { return append(append([]int{}, l.x.Hangs()...), l.y.Hangs()...) }

// Update works the coordinates out.
func (l *Live) Update(d evaluate.Moment) {
	l.X, l.Y = l.x.At(d.Inputs()), l.y.At(d.Inputs())
}

// Position is where the point is.
func (l *Live) Position() (x, y float64) { return l.X, l.Y }

// Compose draws the point, with a handle where a hand can take it.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if !on.View.Sees(l.X, l.Y) {
		return nil
	}
	at, shape := on.At(l.X, l.Y), picture.Disc
	if l.Drags {
		shape = picture.Grip
		on.Pen.Handle(on.Index, at[0], at[1])
	}
	on.Mark(compose.ColourOf(on.Entry), compose.ShapeOf(on.Entry, shape), l.X, l.Y, compose.PointRadius)
	return on.Labelled(compose.Anchor{X: at[0], Y: at[1], IsPoint: true}, l.label(on.Now, on.Entry.Look.Label), compose.ColourOf(on.Entry))
}

func (l *Live) label(d evaluate.Moment, label document.LabelKind) string {
	name := evaluate.HeadLaTeX(l.body.Name, nil)
	if label == document.LabelCoordinates {
		return name + d.Typeset(`\,`+evaluate.PairLaTeX(l.X, l.Y, 3))
	}
	return name
}

// Describe says where the point is.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string {
	if math.IsNaN(l.X) || math.IsNaN(l.Y) {
		return []string{"Point " + l.body.Name + " is undefined."}
	}
	return []string{fmt.Sprintf("Point %s at (%s, %s).", l.body.Name, number.Format(l.X, 3), number.Format(l.Y, 3))}
}

// Box is the point.
func (l *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	box.Add(l.X, l.Y)
}

// Drag moves what the hand on the point moves: its parameters go to the nearest step; a point that is given by numbers goes
// to x and y rounded to the grain, in play only, until it settles.
func (l *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	if l.dialX >= 0 {
		d.Set(l.dialX, d.Dial(l.dialX).OnStep(h.X))
	}
	if l.dialY >= 0 {
		d.Set(l.dialY, d.Dial(l.dialY).OnStep(h.Y))
	}
	if l.free {
		l.X, l.Y = evaluate.OnGrain(h.X, h.Grain), evaluate.OnGrain(h.Y, h.Grain)
	}
}

// Nudge moves the point as Drag does, by steps.
func (l *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	if l.dialX >= 0 {
		d.Set(l.dialX, d.Dial(l.dialX).Stepped(h.DX))
	}
	if l.dialY >= 0 {
		d.Set(l.dialY, d.Dial(l.dialY).Stepped(h.DY))
	}
	if l.free {
		h.X, h.Y = l.X+h.DX*h.Grain, l.Y+h.DY*h.Grain
		l.Drag(d, h)
	}
}

// Settle writes where a free point was left.
func (l *Live) Settle(d evaluate.Moment, e *document.Entry) {
	if l.free && !math.IsNaN(l.X+l.Y) {
		b := e.Body.(*Body)
		b.X, b.Y = d.Numeral(number.Format(l.X, 9)), d.Numeral(number.Format(l.Y, 9))
	}
}
