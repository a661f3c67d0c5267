package trajectory

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/family"
)

// label is what the label says: r, with the formula and its present values, or (x(t), y(t)).
func (m *Live) label(d evaluate.Moment, formula bool) string {
	given := m.body
	if m.Polar {
		f := d.Named(given.Function)
		if formula {
			return evaluate.HeadLaTeX(f.Stated.Name, nil) + "=" + d.Now(f)
		}
		return evaluate.HeadLaTeX(f.Stated.Name, nil)
	}
	if !formula {
		return ""
	}
	return `\left(` + d.FormulaWord(given.X, m.variable).LaTeX + d.Typeset(`,\;`) + d.FormulaWord(given.Y, m.variable).LaTeX + `\right)`
}

// CoordinateLaTeX names a coordinate over the parameter: x(t), and the radius of a polar curve by the name of its function.
func (m *Live) CoordinateLaTeX(name string) string {
	if name == "r" {
		name = expr.LaTeXName(m.function)
	}
	return name + `\left(` + expr.LaTeXName(m.variable) + `\right)`
}

// Variable is the letter of the curve's parameter.
func (m *Live) Variable() string { return m.variable }

// Sentence says “the polar curve r for 0 ≤ θ ≤ 2π”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	ends := []evaluate.Word{evaluate.Says(" for "), {LaTeX: d.FormulaWord(b.From).LaTeX + `\le ` + expr.LaTeXName(letterOf(d, b)) + `\le ` + d.FormulaWord(b.To).LaTeX}}
	if b.Family != nil {
		ends = append(append(ends, evaluate.Says(", ")), family.Sentence(d, b.Family)...)
	}
	if b.Function != "" {
		return append([]evaluate.Word{evaluate.Says("the polar curve "), {LaTeX: expr.LaTeXName(b.Function)}}, ends...)
	}
	pair := `\left(` + d.FormulaWord(b.X, letterOf(d, b)).LaTeX + d.Typeset(`,\;`) + d.FormulaWord(b.Y, letterOf(d, b)).LaTeX + `\right)`
	return append([]evaluate.Word{evaluate.Says("the curve "), {LaTeX: pair}}, ends...)
}

func letterOf(d evaluate.Moment, b *Body) string {
	if f := d.Named(b.Function); f != nil && len(f.Stated.Variables) == 1 {
		return f.Stated.Variables[0]
	}
	return b.Letters()
}

// Describe says how far a curve has been run through.
func (m *Live) Describe(evaluate.Moment, *document.Entry) []string {
	what := "A parametric curve"
	if m.Polar {
		what = "The polar curve " + m.body.Function
	}
	if !m.Exists() {
		return []string{what + " on an empty interval."}
	}
	if f := m.Family; f != nil {
		first, last := f.Ends()
		return []string{fmt.Sprintf("%s for %d values of %s from %v to %v.", what, len(f.Members), m.body.Family.Parameter, first, last)}
	}
	p := m.Place(m.At)
	if math.IsNaN(p.X + p.Y) {
		return []string{fmt.Sprintf("%s, run through up to %s; the point is undefined.", what, number.Format(m.At, 3))}
	}
	return []string{fmt.Sprintf("%s, run through up to %s; its point is at (%s, %s).", what, number.Format(m.At, 3), number.Format(p.X, 3), number.Format(p.Y, 3))}
}
