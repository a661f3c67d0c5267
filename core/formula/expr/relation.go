package expr

import (
	"slices"

	"parvix/core/formula/problem"
)

// Relation is a chain such as 0 ≤ y < x²: one sign between every two sides; or an equation of two.
type Relation struct {
	Sides []Node
	Signs []string
}

// IsEquation tells that both sides are equal.
func (r Relation) IsEquation() bool { return len(r.Signs) == 1 && r.Signs[0] == "=" }

// Mentions tells that a letter stands in one of the sides.
func (r Relation) Mentions(letter string) bool {
	return slices.ContainsFunc(r.Sides, func(side Node) bool { return slices.Contains(Names(side), letter) })
}

// ParseRelation reads a relation of two or more sides by <, ≤, > or ≥, or of two sides by =. The error is a *problem.Problem.
func ParseRelation(text string, scope *Scope) (r Relation, err error) {
	p, err := newParser(text, scope, 0)
	if err != nil {
		return r, err
	}
	err = p.run(func() {
		r.Sides = append(r.Sides, p.sum())
		if p.isOp("=") {
			r.Signs = append(r.Signs, p.next().text)
			r.Sides = append(r.Sides, p.sum())
		}
		for !r.IsEquation() && p.isOp("<", ">", "≤", "≥") {
			r.Signs = append(r.Signs, p.next().text)
			r.Sides = append(r.Sides, p.sum())
		}
		p.atEnd()
	})
	if err == nil && len(r.Signs) == 0 {
		err = problem.New("no-relation", len(text), len(text))
	}
	return r, err
}

// LaTeX writes the relation; class as in LaTeX of a formula.
func (r Relation) LaTeX(class func(name string) string) string {
	text := LaTeX(r.Sides[0], class)
	for i, sign := range r.Signs {
		text += map[string]string{"<": "<", ">": ">", "≤": `\le `, "≥": `\ge `, "=": "="}[sign] + LaTeX(r.Sides[i+1], class)
	}
	return text
}
