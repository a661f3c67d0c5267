package spacecurve

import (
	"fmt"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/view"
)

// Sentence says “the curve (cos t, sin t, t/5), t from 0 to 2π”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	letter := b.Letters()
	return []evaluate.Word{evaluate.Says("the curve ("), d.FormulaWord(b.X, letter), evaluate.Says(", "), d.FormulaWord(b.Y, letter), evaluate.Says(", "),
		d.FormulaWord(b.Z, letter), evaluate.Says("), "), d.LetterWord(letter), evaluate.Says(" from "), d.FormulaWord(b.From), evaluate.Says(" to "), d.FormulaWord(b.To)}
}

// Sentence names the piece.
func (b *PartBody) Sentence(evaluate.Moment, *evaluate.Shown) []evaluate.Word {
	return []evaluate.Word{evaluate.Says(map[SpacePiece]string{Shadows: "its shadows on the sides of the box", Velocity: "its velocity", Accelerated: "its acceleration",
		TangentAt: "its tangent", Osculating: "its circle of curvature"}[b.Piece])}
}

// Describe says the interval, where the point is, and the holes.
func (l *Live) Describe(d evaluate.Moment, _ *document.Entry) []string {
	if !l.Exists() {
		return nil
	}
	letter := l.body.Letters()
	said := []string{fmt.Sprintf("A curve in space, %s from %s to %s.", letter, number.Format(l.From, 3), number.Format(l.To, 3))}
	if l.Driver >= 0 {
		said = append(said, fmt.Sprintf("Its point is at %s, for %s equals %s.", compose.SpokenPlace(l.Place(l.At)), letter, number.Format(l.At, 3)))
	}
	for _, g := range l.Curve.Gaps(l.From, l.To, l.in) {
		if g.IsHole {
			said = append(said, fmt.Sprintf("It has a hole at %s, for %s equals %s.", compose.SpokenPlace(view.Place(g.Left)), letter, number.Format(g.T, 3)))
		} else {
			said = append(said, fmt.Sprintf("It breaks at %s equals %s.", letter, number.Format(g.T, 3)))
		}
	}
	return said
}

// Describe tells the numbers of motion.
func (p *Part) Describe(d evaluate.Moment, _ *document.Entry) []string {
	l := p.curve()
	if !l.Exists() {
		return nil
	}
	m := l.Motion(l.At)
	switch p.body.Piece {
	case Velocity:
		return []string{"Its speed is " + number.Format(m.Velocity.Length(), 3) + "."}
	case Accelerated:
		return []string{"Its acceleration is " + number.Format(m.Acceleration.Length(), 3) + "."}
	case Osculating:
		return []string{"Its radius of curvature is " + number.Format(1/m.Curvature(), 3) + "."}
	}
	return nil
}
