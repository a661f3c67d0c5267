package evaluate

import "parvix/core/formula/expr"

// Word is a part of a sentence about an entry: words, or a formula as LaTeX.
type Word struct{ Text, LaTeX string }

// Says is a word of a sentence.
func Says(text string) Word { return Word{Text: text} }

// NameWord is a name, typeset.
func NameWord(name string) Word { return Word{LaTeX: expr.LaTeXName(name)} }

// FormulaWord is a formula as it was typed, typeset where it can be read.
func (d *Demonstration) FormulaWord(text string, variables ...string) Word {
	if f, err := expr.Parse(text, d.scope.With(variables...)); err == nil {
		return Word{LaTeX: d.LaTeX(f.Node, d.Class)}
	}
	return Word{Text: text}
}

// LetterWord is the letter of a parameter in its colour.
func (d *Demonstration) LetterWord(name string) Word {
	return Word{LaTeX: d.LaTeX(&expr.Name{Name: name}, d.Class)}
}
