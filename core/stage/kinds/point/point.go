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
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Letter begins the ids of points.
func (*Body) Letter() string { return "p" }

// Live is a point in play.
type Live struct {
	// X, Y and Z are NaN where they are undefined; Z is 0 for a point of the plane.
	X, Y, Z float64
	// Drags tells whether a hand may move the point: along a parameter, or freely when all coordinates are numbers.
	Drags bool

	body        *Body
	coordinates []*evaluate.Expression
	// dials are the parameters that are its coordinates, −1 for none.
	dials [3]int
	free  bool
}

// Load compiles the coordinates and finds what a hand on the point would move.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, dials: [3]int{-1, -1, -1}, free: true}
	texts := []string{b.X, b.Y}
	if b.Z != "" {
		texts = append(texts, b.Z)
	}
	for k, text := range texts {
		x := d.Expression(text, e.ID, [3]string{"x", "y", "z"}[k])
		if x == nil {
			return nil
		}
		l.coordinates = append(l.coordinates, x)
		l.dials[k] = dialOf(d, x)
		l.free = l.free && isNumber(x.Formula)
		l.Drags = l.Drags || l.dials[k] >= 0
	}
	l.Drags = l.Drags || l.free
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
	if b.Z != "" {
		return []evaluate.Word{evaluate.NameWord(b.Name), evaluate.Says(" is the point "), {LaTeX: compose.TripleFormulaLaTeX(d, [3]string{b.X, b.Y, b.Z})}}
	}
	x, y := d.FormulaWord(b.X), d.FormulaWord(b.Y)
	if x.LaTeX != "" && y.LaTeX != "" {
		return []evaluate.Word{evaluate.NameWord(b.Name), evaluate.Says(" is the point "), {LaTeX: "(" + x.LaTeX + d.Typeset(`,\;`) + y.LaTeX + ")"}}
	}
	return []evaluate.Word{evaluate.Says(fmt.Sprintf("%s is the point (%s, %s)", b.Name, b.X, b.Y))}
}

// Hangs lists the parameters of the coordinates.
func (l *Live) Hangs() (on []int) {
	for _, x := range l.coordinates {
		on = append(on, x.Hangs()...)
	}
	return on
}

// Update works the coordinates out.
func (l *Live) Update(d evaluate.Moment) {
	for k, into := range []*float64{&l.X, &l.Y, &l.Z}[:len(l.coordinates)] {
		*into = l.coordinates[k].At(d.Inputs())
	}
}

// Position is where the point is in the plane, or above which place of the floor.
func (l *Live) Position() (x, y float64) { return l.X, l.Y }

// PlaceInSpace is where a point of space is.
func (l *Live) PlaceInSpace() (at view.Place, is bool) {
	return view.Place{l.X, l.Y, l.Z}, len(l.coordinates) == 3
}

// AppearsIn tells that a point with three coordinates stands in space, another on all other panels.
func (l *Live) AppearsIn(kind document.PanelKind) bool {
	return (kind == document.InSpace) == (len(l.coordinates) == 3)
}

// Compose draws the point, with a handle where a hand can take it.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if at, is := l.PlaceInSpace(); is {
		return l.inSpace(on, at)
	}
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

// inSpace puts the point into space.
func (l *Live) inSpace(on *compose.On, at view.Place) []compose.Anchor {
	if !on.View.Projection.Holds(at) {
		return nil
	}
	x, y := on.InSpace(at)
	colour, shape := compose.ColourOf(on.Entry), picture.Disc
	if l.Drags {
		shape = picture.Grip
		on.Pen.Handle(on.Index, x, y)
	}
	on.Space.AddMark(solid.Mark{At: at, Colour: colour, Shape: compose.ShapeOf(on.Entry, shape), Radius: on.Scaled(compose.PointRadius), Owner: on.Index})
	return on.Labelled(compose.Anchor{X: x, Y: y, IsPoint: true}, l.label(on.Now, on.Entry.Look.Label), colour)
}

func (l *Live) label(d evaluate.Moment, label document.LabelKind) string {
	name := evaluate.HeadLaTeX(l.body.Name, nil)
	if at, is := l.PlaceInSpace(); is && label == document.LabelCoordinates {
		return name + `\,` + compose.TripleLaTeX(d, at)
	}
	if label == document.LabelCoordinates {
		return name + d.Typeset(`\,`+evaluate.PairLaTeX(l.X, l.Y, 3))
	}
	return name
}

// Describe says where the point is.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string {
	if math.IsNaN(l.X + l.Y + l.Z) {
		return []string{"Point " + l.body.Name + " is undefined."}
	}
	if at, is := l.PlaceInSpace(); is {
		return []string{fmt.Sprintf("Point %s at (%s).", l.body.Name, compose.SpokenPlace(at))}
	}
	return []string{fmt.Sprintf("Point %s at (%s, %s).", l.body.Name, number.Format(l.X, 3), number.Format(l.Y, 3))}
}

// Box is the point.
func (l *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if at, is := l.PlaceInSpace(); is {
		box.AddPlace(at)
		return
	}
	box.Add(l.X, l.Y)
}

// Drag moves what the hand on the point moves: its parameters go to the nearest step; a point that is given by numbers goes
// to coordinates rounded to the grain, in play only, until it settles. In space a hand moves it on its height, or up and down where
// nothing else moves.
func (l *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	at := view.Place{h.X, h.Y, l.Z}
	if from, is := l.PlaceInSpace(); is {
		if at, is = l.under(h, from); !is {
			return
		}
	}
	l.move(d, at, h.Grain)
}

// under is where in space a hand has taken the point to.
func (l *Live) under(h evaluate.Hand, from view.Place) (at view.Place, ok bool) {
	q := &h.View.Projection
	if !q.Is {
		return from, false
	}
	if l.dials[0] >= 0 || l.dials[1] >= 0 || l.free {
		return q.OnHeight(from[2], h.PX, h.PY)
	}
	by, ok := q.Along(from, 2, h.PX, h.PY)
	from[2] += by
	return from, ok
}

// move takes the point to a place, as far as what it hangs on lets it.
func (l *Live) move(d evaluate.Play, at view.Place, grain float64) {
	for k, into := range []*float64{&l.X, &l.Y, &l.Z}[:len(l.coordinates)] {
		switch {
		case l.dials[k] >= 0:
			d.Set(l.dials[k], d.Dial(l.dials[k]).OnStep(at[k]))
		case l.free:
			*into = evaluate.OnGrain(at[k], grain)
		}
	}
}

// Nudge moves the point as Drag does, by steps.
func (l *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	ways := view.Place{h.DX, h.DY, 0}
	if l.dials[0] < 0 && l.dials[1] < 0 && l.dials[2] >= 0 {
		ways = view.Place{0, 0, h.DX + h.DY}
	}
	for k, dial := range l.dials {
		if dial >= 0 && ways[k] != 0 {
			d.Set(dial, d.Dial(dial).Stepped(ways[k]))
		}
	}
	if l.free {
		l.move(d, view.Place{l.X, l.Y, l.Z}.Plus(ways, h.Grain), h.Grain)
	}
}

// Settle writes where a free point was left.
func (l *Live) Settle(d evaluate.Moment, e *document.Entry) {
	if !l.free || math.IsNaN(l.X+l.Y+l.Z) {
		return
	}
	b := e.Body.(*Body)
	for k, into := range []*string{&b.X, &b.Y, &b.Z}[:len(l.coordinates)] {
		*into = d.Numeral(number.Format([3]float64{l.X, l.Y, l.Z}[k], 9))
	}
}
