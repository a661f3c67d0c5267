package spacecurve

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// mostTold bounds the places of one line.
const mostTold = 8

// Findings are what is found out about the curve at the values in play: how it closes, its length and box, holes and breaks with their
// limits, where it meets the coordinate planes, and its motion at the point that runs through it.
func (l *Live) Findings(d evaluate.Moment) ([]kind.Line, error) {
	if !l.Exists() {
		return nil, problem.New("ends", 0, 0)
	}
	c, err := l.Studied(d)
	if err != nil {
		return nil, err
	}
	var lines []kind.Line
	line := func(name, latex string) { lines = append(lines, kind.Line{Name: name, LaTeX: d.Typeset(latex)}) }
	if closing, ok := c.Closing(); ok {
		line("closes after", expr.LaTeX(closing.Node(), nil))
	} else {
		line("closes", `\text{never}`)
	}
	line("length", evaluate.WithExact(c.Length(l.From, l.To).Value))
	box := c.Box(l.From, l.To)
	for k, name := range [3]string{"x", "y", "z"} {
		line("reaches along "+name, number.Format(box.Low[k], 3)+`\dots `+number.Format(box.High[k], 3))
	}
	letter := expr.LaTeXName(l.body.Letters())
	for _, g := range c.SpaceGaps(l.From, l.To) {
		at := letter + "=" + valueLaTeX(g.T, g.Exact)
		switch {
		case g.IsHole:
			line("hole", at+`:\;`+compose.TripleLaTeX(d, view.Place(g.Left))+`\text{ from both sides}`)
		default:
			line("break", at+`:\;`+sideLaTeX(d, g.Left)+`\text{ from the left, }`+sideLaTeX(d, g.Right)+`\text{ from the right}`)
		}
	}
	for k, name := range [3]string{"meets the yz-plane", "meets the xz-plane", "meets the xy-plane"} {
		if told := meetings(d, c.MeetsPlane(k, l.From, l.To)); told != "" {
			line(name, told)
		}
	}
	if l.Driver >= 0 {
		m := l.Motion(l.At)
		line("speed at its point", number.Format(m.Velocity.Length(), 3))
		if curvature := m.Curvature(); curvature > 0 && !math.IsInf(curvature, 0) {
			line("radius of curvature there", number.Format(1/curvature, 3))
		}
	}
	return lines, nil
}

// valueLaTeX is a value of the parameter, exactly where that is known.
func valueLaTeX(v float64, exactly expr.Node) string {
	if exactly != nil {
		return expr.LaTeX(exactly, nil)
	}
	return number.Format(v, 3)
}

// sideLaTeX is what the curve tends to on one side.
func sideLaTeX(d evaluate.Moment, p [3]float64) string {
	if !view.Place(p).IsFinite() {
		return `\text{nothing}`
	}
	return compose.TripleLaTeX(d, p)
}

// meetings are the places where a coordinate is 0, the first of many.
func meetings(d evaluate.Moment, list []curves.Meeting) string {
	var parts []string
	for k, m := range list {
		if k == mostTold {
			parts = append(parts, `\dots`)
			break
		}
		parts = append(parts, compose.TripleLaTeX(d, view.Place(m.Place)))
	}
	return expr.Together(parts)
}
