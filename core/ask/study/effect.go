package study

import (
	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
	"parvix/core/maths/locus"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	paths "parvix/core/stage/kinds/path"
)

// Effect is what a parameter does to a function, in sentences.
type Effect struct {
	Function string
	Lines    []EffectLine
	// Degenerate are the parameter's values at which the function is one of another type, without letters in them.
	Degenerate []DegenerateValue
}

// EffectLine is one sentence: Before, a formula, After. Feature is set where a path can be shown, X and Y where a point.
type EffectLine struct {
	Before, LaTeX, After string
	// More is a second formula at the end.
	More    string
	Feature locus.Feature
	// With is the other function of intersections.
	With string
	X, Y string
}

// DegenerateValue is a value and what the function becomes there.
type DegenerateValue struct {
	Value float64
	LaTeX string
	Kind  string
}

// Effects says what a parameter does to each function that depends on it.
func Effects(d *evaluate.Demonstration, parameter string) []Effect {
	list := []Effect{}
	for _, f := range d.Functions {
		if len(f.Stated.Variables) != 1 || !d.DependsOn(f, parameter) {
			continue
		}
		list = append(list, effectOf(d, f, parameter))
	}
	return list
}

// lookedAt is how far from 0 a feature whose path has no equation is looked for.
const lookedAt = 20

// mostCrossed is the largest number of curves whose intersections are told: of more nobody reads all pairs.
const mostCrossed = 4

// crossed are the other functions whose curves are shown, each pair under the first that the parameter moves.
func crossed(d *evaluate.Demonstration, f *evaluate.Function, parameter string) (list []*evaluate.Function) {
	shown := map[string]bool{}
	for _, s := range d.Document.Shown {
		if c, ok := s.Body.(*curve.Body); ok && !c.Parent {
			shown[c.Function] = true
		}
	}
	if !shown[f.Stated.Name] || len(shown) > mostCrossed {
		return nil
	}
	before := true
	for _, g := range d.Functions {
		before = before && g != f
		told := before && d.DependsOn(g, parameter)
		if g != f && shown[g.Stated.Name] && !told && len(g.Stated.Variables) == 1 && g.Inlined != nil {
			list = append(list, g)
		}
	}
	return list
}

// moveLine says how a feature moves.
func moveLine(d *evaluate.Demonstration, what string, m locus.Move) EffectLine {
	if m.Path.Stays {
		return EffectLine{Before: what + " stays where it is."}
	}
	line := EffectLine{Before: what + " moves along ", After: ".", Feature: m.Feature}
	if m.Feature == locus.VerticalAsymptote || m.Feature == locus.HorizontalAsymptote {
		line.Before = what + " goes along: "
	}
	switch {
	case m.Path.Equation != nil:
		line.LaTeX = "y=" + d.LaTeX(m.Path.Equation, d.Class)
	case m.Path.Upright != nil:
		line.LaTeX = "x=" + d.LaTeX(m.Path.Upright, d.Class)
	case len(m.Path.Places) == 1:
		line.Before, line.LaTeX = what+" lies at ", "x="+d.LaTeX(m.Path.Places[0], d.Class)
		line.After = "; its path has no equation in x and y that could be found."
	default:
		line.Before, line.After = what+" moves along a path without an equation that could be found.", ""
	}
	return line
}

func effectOf(d *evaluate.Demonstration, f *evaluate.Function, parameter string) Effect {
	e, out := evaluate.EffectOf(f, parameter), Effect{Function: f.Stated.Name}
	head := evaluate.HeadLaTeX(f.Stated.Name, nil)
	occurs := func(p locus.Path) bool { return paths.Occurs(d, p, f, parameter, -lookedAt, lookedAt) }
	for _, p := range e.Fixed {
		line := EffectLine{Before: "The point ", LaTeX: "(" + d.LaTeX(p.X, d.Class) + d.Typeset(`,\;`) + d.LaTeX(p.Y, d.Class) + ")", After: " stays.",
			X: d.Plain(p.X), Y: d.Plain(p.Y)}
		if p.Every != nil {
			line.After = " stays, and every one a step further:"
			line.More = d.LaTeX(p.Every, d.Class)
		}
		out.Lines = append(out.Lines, line)
	}
	for _, m := range e.Moves {
		// A y-intercept that stays is said as a point already.
		if m.Path.Stays && m.Feature == locus.YIntercept || !m.Path.Stays && !occurs(m.Path) {
			continue
		}
		out.Lines = append(out.Lines, moveLine(d, "The "+m.Feature.Name(), m))
	}
	for _, g := range crossed(d, f, parameter) {
		path := evaluate.CrossingOf(f, g, parameter)
		if path.None || !path.Stays && !occurs(path) {
			continue
		}
		line := moveLine(d, "The intersection with "+g.Stated.Name, locus.Move{Feature: locus.Intersections, Path: path})
		line.With = g.Stated.Name
		out.Lines = append(out.Lines, line)
	}
	for _, g := range e.Degenerate {
		out.Lines = append(out.Lines, EffectLine{Before: "For ", After: " it becomes a " + g.Kind + ".",
			LaTeX: d.LaTeX(&expr.Name{Name: parameter}, d.Class) + "=" + d.LaTeX(g.Value, d.Class)})
		if len(expr.Names(g.Value)) == 0 {
			out.Degenerate = append(out.Degenerate, DegenerateValue{exact.Float(g.Value), head + ": y=" + d.LaTeX(g.Becomes, d.Class), g.Kind})
		}
	}
	if len(out.Lines) == 0 {
		out.Lines = append(out.Lines, EffectLine{Before: "It moves the curve as a whole; no point stays and no path has an equation."})
	}
	return out
}
