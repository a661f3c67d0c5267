package surface

import (
	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// Sentence says “the section of f at x = c”.
func (b *PartBody) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	of := evaluate.Says("a surface")
	if p, ok := s.Live.(*Part); ok {
		of = evaluate.NameWord(p.surface().body.Function)
	}
	at := func() []evaluate.Word {
		return []evaluate.Word{evaluate.Says(" at ("), d.FormulaWord(b.X), evaluate.Says(", "), d.FormulaWord(b.Y), evaluate.Says(")")}
	}
	switch b.Piece {
	case Section:
		return []evaluate.Word{evaluate.Says("the section of "), of, evaluate.Says(" at "), {LaTeX: string(b.Axis) + "="}, d.FormulaWord(b.At)}
	case Levels:
		words := []evaluate.Word{evaluate.Says("the level curves of "), of}
		if b.Step != "" {
			words = append(words, evaluate.Says(", each "), d.FormulaWord(b.Step))
		}
		return words
	case TangentPlane:
		return append([]evaluate.Word{evaluate.Says("the tangent plane of "), of}, at()...)
	case Gradient:
		return append([]evaluate.Word{evaluate.Says("the gradient of "), of}, at()...)
	case Slopes:
		return append([]evaluate.Word{evaluate.Says("the slopes of "), of}, at()...)
	}
	return append([]evaluate.Word{evaluate.Says("the point of "), of}, at()...)
}

// Describe says where the piece is, with the numbers that it tells.
func (p *Part) Describe(d evaluate.Moment, _ *document.Entry) []string {
	l, name := p.surface(), p.surface().body.Function
	switch p.body.Piece {
	case Section:
		return []string{"Its section at " + string(p.body.Axis) + " equals " + number.Format(p.at.At(d.Inputs()), 3) + "."}
	case Levels:
		return []string{"Level curves of " + name + "."}
	}
	x, y := p.x.At(d.Inputs()), p.y.At(d.Inputs())
	in := l.inputs(d)
	z := l.Shape.At(x, y, in)
	slopes := l.Shape.Slopes(x, y, in)
	where := " at " + number.Format(x, 3) + ", " + number.Format(y, 3) + ", " + number.Format(z, 3)
	both := number.Format(slopes[0], 3) + " along x and " + number.Format(slopes[1], 3) + " along y"
	switch p.body.Piece {
	case TangentPlane:
		return []string{"The tangent plane of " + name + where + ", with slopes " + both + "."}
	case Gradient:
		return []string{"The gradient of " + name + where + ": " + both + "."}
	case Slopes:
		return []string{"The slopes of " + name + where + ": " + both + "."}
	}
	return []string{"A point of " + name + where + "."}
}
