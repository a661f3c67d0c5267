package evaluate

import (
	"parvix/core/locus"
	"parvix/core/problem"
	"parvix/core/program"
	"parvix/core/sample"
)

// Path is the way of a feature while a parameter varies: a curve, or an upright line.
type Path struct {
	Curve *sample.Function
	// Equation is the path's equation in LaTeX.
	LaTeX string
	// Colour is the parameter's.
	Colour  int
	upright program.Point
}

// loadPath finds the equation of a path; nil where there is none, which is then reported.
func (d *Demonstration) loadPath(s *Shown) *Path {
	f, e := s.Curve, s.Entry
	i := d.Find(e.As)
	if i < 0 {
		d.report(problem.New("not-a-parameter", 0, len(e.As), e.As), e.ID, "as")
		return nil
	}
	x := f.Stated.Variables[0]
	path := d.PathOf(f, e.As, locus.Feature(e.Feature))
	p := &Path{Colour: d.Parameters[i].Stated.Colour}
	inputs := append([]string{x}, d.inputs[1:]...)
	d.Counters.Compiles++
	var err error
	switch {
	case path.Equation != nil:
		p.LaTeX = "y=" + d.LaTeX(path.Equation, d.Class)
		p.Curve, err = sample.Compile(path.Equation, inputs)
	case path.Upright != nil:
		p.LaTeX = "x=" + d.LaTeX(path.Upright, d.Class)
		p.upright, err = program.CompilePoint(path.Upright, inputs)
	default:
		d.report(problem.New("no-path", 0, 0, e.Feature, e.As), e.ID, "feature")
		return nil
	}
	if err != nil {
		d.report(err, e.ID, "feature")
		return nil
	}
	return p
}

// PathOf is the path of a feature of a function as a parameter varies.
func (d *Demonstration) PathOf(f *Function, as string, feature locus.Feature) locus.Path {
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

// Upright is the place of a path that is an upright line; false for a curve.
func (p *Path) Upright(d *Demonstration) (x float64, is bool) {
	if p.upright == nil {
		return 0, false
	}
	return p.upright(d.in), true
}

// EffectOf is what a parameter does to a function.
func (d *Demonstration) EffectOf(f *Function, parameter string) locus.Effect {
	return locus.EffectOf(f.Inlined, f.Stated.Variables[0], parameter)
}

// DependsOn tells whether a parameter moves a function.
func (d *Demonstration) DependsOn(f *Function, parameter string) bool {
	i := d.Find(parameter)
	for _, k := range f.on {
		if k == i {
			return f.Inlined != nil
		}
	}
	return false
}
