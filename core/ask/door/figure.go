package door

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// figureSentence says what a piece of geometry is.
func figureSentence(d *evaluate.Demonstration, s *evaluate.Shown, formula func(text string, variables ...string) PieceView) []PieceView {
	words := func(text string) PieceView { return PieceView{Text: text} }
	e := s.Entry
	names := ""
	for _, id := range e.Figure.Points {
		for _, p := range d.Document.Shown {
			if p.ID == id {
				names += expr.LaTeXName(p.Name) + " "
			}
		}
	}
	points := PieceView{LaTeX: names}
	function := PieceView{LaTeX: expr.LaTeXName(e.Function)}
	switch e.Figure.Shape {
	case document.Segment:
		return []PieceView{words("the segment "), points}
	case document.Arrow:
		return []PieceView{words("the arrow "), points}
	case document.Midpoint:
		return []PieceView{{LaTeX: expr.LaTeXName(e.Name)}, words(" is the midpoint of "), points}
	case document.CircleShape:
		return []PieceView{words("the circle "), points, words(" by its centre and a point on it")}
	case document.ArcShape:
		return []PieceView{words("the arc "), points, words(" about the first point")}
	case document.AngleShape:
		return []PieceView{words("the angle "), points}
	case document.RightAngle:
		return []PieceView{words("the right angle "), points}
	case document.Polygon:
		return []PieceView{words("the polygon "), points, words(" with its area")}
	case document.TangentLine:
		return []PieceView{words("the tangent to "), function, words(" at "), {LaTeX: "x=" + formula(e.At).LaTeX}}
	case document.NormalLine:
		return []PieceView{words("the perpendicular to "), function, words(" at "), {LaTeX: "x=" + formula(e.At).LaTeX}}
	}
	return []PieceView{words("where "), function, words(" meets "), {LaTeX: expr.LaTeXName(e.Figure.Other)}}
}
