package study

import (
	"parvix/core/evaluate"
	"parvix/core/exact"
	"parvix/core/expr"
	"parvix/core/locus"
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
	X, Y    string
}

// DegenerateValue is a value and what the function becomes there.
type DegenerateValue struct {
	Value float64
	LaTeX string
	Kind  string
}

var featureNames = map[locus.Feature]string{locus.Extrema: "turning point", locus.Inflections: "inflection", locus.YIntercept: "y-intercept",
	locus.VerticalAsymptote: "vertical asymptote", locus.HorizontalAsymptote: "horizontal asymptote"}

// FeatureName is a feature in the words of the classroom.
func FeatureName(feature string) string {
	if name, known := featureNames[locus.Feature(feature)]; known {
		return name
	}
	return feature
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

func effectOf(d *evaluate.Demonstration, f *evaluate.Function, parameter string) Effect {
	e, out := d.EffectOf(f, parameter), Effect{Function: f.Stated.Name}
	head := evaluate.HeadLaTeX(f.Stated.Name, nil)
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
		name := featureNames[m.Feature]
		if m.Path.Stays {
			// A y-intercept that stays is said as a point already.
			if m.Feature != locus.YIntercept {
				out.Lines = append(out.Lines, EffectLine{Before: "The " + name + " stays where it is."})
			}
			continue
		}
		line := EffectLine{Before: "The " + name + " moves along ", After: ".", Feature: m.Feature}
		if m.Feature == locus.VerticalAsymptote || m.Feature == locus.HorizontalAsymptote {
			line.Before = "The " + name + " goes along: "
		}
		if m.Path.Equation != nil {
			line.LaTeX = "y=" + d.LaTeX(m.Path.Equation, d.Class)
		} else {
			line.LaTeX = "x=" + d.LaTeX(m.Path.Upright, d.Class)
		}
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
