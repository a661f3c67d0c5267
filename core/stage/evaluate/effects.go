package evaluate

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/locus"
)

// PathOf is the path of a feature of a function as a parameter varies.
func PathOf(f *Function, as string, feature locus.Feature) locus.Path {
	switch feature {
	case locus.VerticalAsymptote, locus.HorizontalAsymptote:
		for _, m := range locus.EffectOf(f.Inlined, f.Stated.Variables[0], as).Moves {
			if m.Feature == feature {
				return m.Path
			}
		}
		return locus.Path{}
	}
	return locus.Of(f.Inlined, f.Stated.Variables[0], as, feature)
}

// CrossingOf is the path of the intersections of two functions of one variable each as a parameter varies.
func CrossingOf(f, with *Function, as string) locus.Path {
	x := f.Stated.Variables[0]
	other := symbolic.Substitute(with.Inlined, map[string]expr.Node{with.Stated.Variables[0]: &expr.Name{Name: x}})
	return locus.Crossing(f.Inlined, other, x, as)
}

// EffectOf is what a parameter does to a function.
func EffectOf(f *Function, parameter string) locus.Effect {
	return locus.EffectOf(f.Inlined, f.Stated.Variables[0], parameter)
}
