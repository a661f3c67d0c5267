package evaluate

import (
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// Notation is how a demonstration writes numbers, angles and formulas.
type Notation struct {
	doc *document.Document
}

// IsInDegrees tells whether a unit of angles is a degree.
func (w Notation) IsInDegrees() bool { return w.doc.AngleUnit == document.Degree }

// HasDecimalComma tells whether numbers are written with a comma.
func (w Notation) HasDecimalComma() bool { return w.doc.DecimalComma }

// RadiansPerUnit is how many radians a unit of angles is.
func (w Notation) RadiansPerUnit() float64 {
	if w.IsInDegrees() {
		return math.Pi / 180
	}
	return 1
}

// Numeral writes a number that has a decimal point with the demonstration's decimal sign.
func (w Notation) Numeral(text string) string {
	if w.doc.DecimalComma {
		return strings.ReplaceAll(text, ".", ",")
	}
	return text
}

// Typeset writes LaTeX of this core with the demonstration's decimal sign.
func (w Notation) Typeset(latex string) string {
	if w.doc.DecimalComma {
		return expr.LaTeXWithComma(latex)
	}
	return latex
}

// LaTeX typesets a formula; class as in expr.LaTeX.
func (w Notation) LaTeX(n expr.Node, class func(name string) string) string {
	return w.Typeset(expr.LaTeX(n, class))
}

// Plain writes a formula as it would be typed.
func (w Notation) Plain(n expr.Node) string {
	if w.doc.DecimalComma {
		return expr.TextWithComma(expr.Pretty(n))
	}
	return expr.Pretty(n)
}

// HeadLaTeX writes f(x) or a, with the demonstration's separator of arguments.
func (w Notation) HeadLaTeX(name string, variables []string) string {
	return w.Typeset(HeadLaTeX(name, variables))
}

// HeadLaTeX writes f(x) or a.
func HeadLaTeX(name string, variables []string) string {
	s := expr.LaTeXName(name)
	for i, v := range variables {
		if i == 0 {
			s += "("
		} else {
			s += ", "
		}
		s += expr.LaTeXName(v)
	}
	if len(variables) > 0 {
		s += ")"
	}
	return s
}
