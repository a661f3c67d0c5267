package evaluate

import "parvix/core/formula/expr"

// Word is a part of a sentence about an entry: words, or a formula as LaTeX.
type Word struct{ Text, LaTeX string }

// Says is a word of a sentence.
func Says(text string) Word { return Word{Text: text} }

// NameWord is a name, typeset.
func NameWord(name string) Word { return Word{LaTeX: expr.LaTeXName(name)} }

// RelationLaTeX typesets a relation in x and y as it was typed.
func RelationLaTeX(d Moment, text string) string {
	r, err := expr.ParseRelation(text, d.Scope().With("x", "y"))
	if err != nil {
		return `\text{` + text + `}`
	}
	return d.Typeset(r.LaTeX(d.Class))
}
