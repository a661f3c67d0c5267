package surface

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/surface"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// mostTold bounds the places of one line.
const mostTold = 8

// Findings are what is found out about the surface over its rectangle within a window, at the values in play: its partial derivatives,
// where it is stationary, and between which heights it lies.
func (l *Live) Findings(d evaluate.Moment, w document.Window) ([]kind.Line, error) {
	variables := l.Function.Stated.Variables
	s, err := surface.New(symbolic.PutNumbers(l.Function.Inlined, d.NumbersBut(variables...)), variables[0], variables[1])
	if err != nil {
		return nil, err
	}
	var lines []kind.Line
	line := func(name, latex string) { lines = append(lines, kind.Line{Name: name, LaTeX: d.Typeset(latex)}) }
	for k, letter := range variables {
		line("slope along "+letter, evaluate.HeadLaTeX(l.body.Function, nil)+"_{"+letter+"}="+expr.LaTeX(s.Partials[k], nil))
	}
	ends := l.Rectangle(d, [3][2]float64{{w.Left, w.Right}, {w.Bottom, w.Top}, {w.Space.Low, w.Space.High}})
	r := surface.Rectangle{X0: ends[0], X1: ends[1], Y0: ends[2], Y1: ends[3]}
	if !(r.X0 < r.X1 && r.Y0 < r.Y1) {
		return lines, nil
	}
	points, complete := s.Stationary(r)
	for _, of := range []struct {
		kind surface.Kind
		name string
	}{{surface.Maximum, "highest around"}, {surface.Minimum, "lowest around"}, {surface.Saddle, "saddle points"}, {surface.Undecided, "level, of undecided kind"}} {
		if told := placesOf(d, points, of.kind); told != "" {
			line(of.name, told)
		}
	}
	if !complete {
		line("level places", `\text{not all of them could be found}`)
	} else if len(points) == 0 {
		line("level places", `\text{none over this floor}`)
	}
	if extent, ok := s.Range(r); ok && len(l.conditions) == 0 {
		line("heights over this floor", endLaTeX(extent.Lo, extent.Exact[0])+`\dots `+endLaTeX(extent.Hi, extent.Exact[1]))
	}
	return lines, nil
}

// placesOf are the places of a kind, the first of many.
func placesOf(d evaluate.Moment, points []surface.Stationary, of surface.Kind) string {
	var parts []string
	for _, p := range points {
		switch {
		case p.Kind != of:
			continue
		case len(parts) == mostTold:
			return expr.Together(append(parts, `\dots`))
		}
		parts = append(parts, compose.TripleLaTeX(d, view.Place{p.X, p.Y, p.Z}))
	}
	return expr.Together(parts)
}

// endLaTeX is an end of the heights, exactly where that is known.
func endLaTeX(v float64, exactly expr.Node) string {
	if exactly != nil {
		return expr.LaTeX(exactly, nil)
	}
	return number.Format(v, 3)
}
