// Package region is a part of the plane that is shaded, with its area: what lies between curves over an interval, or where
// conditions hold.
package region

import (
	"strings"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
)

// Letter begins the ids of regions.
func (*Body) Letter() string { return "z" }

// Load understands the curves and the ends, or the conditions.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	if len(b.Conditions) > 0 {
		if l := loadWhere(d, b, e.ID); l != nil {
			return l
		}
		return nil
	}
	if l := loadBetween(d, b, e.ID); l != nil {
		return l
	}
	return nil
}

// Sentence says “the region between f and g from 0 to 2”, or “where y ≥ x²”.
func (b *Body) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	if len(b.Conditions) > 0 {
		var parts []string
		for _, text := range b.Conditions {
			parts = append(parts, "{"+evaluate.RelationLaTeX(d, text)+"}")
		}
		if l, is := s.Live.(*Where); is && l.Equation != nil {
			return l.Equation.sentence(d, parts)
		}
		return []evaluate.Word{evaluate.Says("the region where "), {LaTeX: strings.Join(parts, `\;\text{and}\;\allowbreak `)}}
	}
	sentence := []evaluate.Word{evaluate.Says("the region between "), evaluate.NameWord(b.Function), evaluate.Says(" and the axis")}
	if b.Other != "" {
		sentence[2] = evaluate.Says(" and ")
		sentence = append(sentence, evaluate.NameWord(b.Other))
	}
	return append(sentence, evaluate.Says(" from "), d.FormulaWord(b.From), evaluate.Says(" to "), d.FormulaWord(b.To))
}

// label stands in the middle of a region: its area, where it has one that can be told.
func label(on *compose.On, x, y float64, area string) []compose.Anchor {
	if !on.View.Sees(x, y) {
		return nil
	}
	a := compose.Anchor{X: on.View.X(x), Y: on.View.Y(y), IsPoint: true, Inside: true}
	return on.Labelled(a, area, compose.ColourOf(on.Entry))
}

// border is how the edge of a region is drawn; one that does not belong to it is dashed.
func border(on *compose.On, strict bool) compose.Strokes {
	pattern := compose.PatternOf(on.Entry, picture.Whole)
	if strict {
		pattern = picture.Dashed
	}
	return compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(compose.GuideWidth), pattern, 1)
}
