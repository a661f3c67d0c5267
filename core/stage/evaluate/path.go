package evaluate

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/locus"
	"parvix/core/numeric/program"
	"parvix/core/stage/sample"
)

// Path is the way of a feature while a parameter varies: a curve y = …, an upright line, or, where it has no equation, the
// places for each value of the parameter.
type Path struct {
	Curve *sample.Function
	// LaTeX is the path's equation, or the place x for a value of the parameter; empty where neither has a closed form.
	LaTeX string
	// Colour is the parameter's.
	Colour  int
	upright program.Point
	// Ways run through the places as the parameter, in their first input, goes over its bar.
	Ways []*sample.Plane
	// value and condition follow the feature value by value where its places have no closed form.
	value, condition program.Point
	parameter        int
	// on are the parameters that the way hangs on, its own apart.
	on []int
	in []float64
}

// passing stands for the parameter that varies, in formulas whose other letters keep their values.
const passing = "τ"

// loadPath finds the equation of a path, or how to follow it; nil where there is none, which is then reported.
func (d *Demonstration) loadPath(s *Shown) *Path {
	f, e := s.Curve, s.Entry
	i := d.Find(e.As)
	if i < 0 {
		d.report(problem.New("not-a-parameter", 0, len(e.As), e.As), e.ID, "as")
		return nil
	}
	p := &Path{Colour: d.Parameters[i].Stated.Colour, parameter: i}
	for _, k := range f.on {
		if k != i {
			p.on = append(p.on, k)
		}
	}
	path := locus.Path{}
	if locus.Feature(e.Feature) == locus.Intersections {
		with := d.functions[e.With]
		if with == nil || len(with.Stated.Variables) != 1 || with.Inlined == nil {
			d.report(problem.New("not-a-function", 0, len(e.With), e.With), e.ID, "with")
			return nil
		}
		path = d.CrossingOf(f, with, e.As)
		for _, k := range with.on {
			if k != i {
				p.on = append(p.on, k)
			}
		}
	} else {
		path = d.PathOf(f, e.As, locus.Feature(e.Feature))
	}
	d.Counters.Compiles++
	if err := d.compilePath(p, path, f, e.As); err != nil {
		d.report(err, e.ID, "feature")
		return nil
	}
	if p.Curve == nil && p.upright == nil && p.Ways == nil && p.condition == nil {
		d.report(problem.New("no-path", 0, 0, e.Feature, e.As), e.ID, "feature")
		return nil
	}
	return p
}

func (d *Demonstration) compilePath(p *Path, path locus.Path, f *Function, as string) (err error) {
	x := f.Stated.Variables[0]
	inputs := append([]string{x}, d.inputs[1:]...)
	switch {
	case path.Equation != nil:
		p.LaTeX = "y=" + d.LaTeX(path.Equation, d.Class)
		p.Curve, err = sample.Compile(path.Equation, inputs)
	case path.Upright != nil:
		p.LaTeX = "x=" + d.LaTeX(path.Upright, d.Class)
		p.upright, err = program.CompilePoint(path.Upright, inputs)
	case len(path.Places) > 0:
		if len(path.Places) == 1 {
			p.LaTeX = "x=" + d.LaTeX(path.Places[0], d.Class)
		}
		inputs[0] = passing
		for _, place := range path.Places {
			along := map[string]expr.Node{as: &expr.Name{Name: passing}}
			place = symbolic.Substitute(place, along)
			along[x] = place
			way, err := sample.CompilePlane(place, symbolic.Substitute(f.Inlined, along), inputs)
			if err != nil {
				return err
			}
			p.Ways = append(p.Ways, way)
		}
	case path.Condition != nil:
		if p.value, err = program.CompilePoint(f.Inlined, inputs); err == nil {
			p.condition, err = program.CompilePoint(path.Condition, inputs)
		}
	}
	return err
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

// CrossingOf is the path of the intersections of two functions of one variable each as a parameter varies.
func (d *Demonstration) CrossingOf(f, with *Function, as string) locus.Path {
	x := f.Stated.Variables[0]
	other := symbolic.Substitute(with.Inlined, map[string]expr.Node{with.Stated.Variables[0]: &expr.Name{Name: x}})
	return locus.Crossing(f.Inlined, other, x, as)
}

// Upright is the place of a path that is an upright line; false for another.
func (p *Path) Upright(d *Demonstration) (x float64, is bool) {
	if p.upright == nil {
		return 0, false
	}
	return p.upright(d.in), true
}

// PathStamp grows whenever a parameter moves that a path hangs on, its own apart.
func (d *Demonstration) PathStamp(p *Path) uint64 {
	latest := uint64(1)
	for _, k := range p.on {
		latest = max(latest, d.moved[k])
	}
	return latest
}

// Inputs are those in play, valid until the next call; the first is free.
func (p *Path) Inputs(d *Demonstration) []float64 {
	p.in = append(p.in[:0], d.in...)
	return p.in
}

// pathValues is for how many values of the parameter a path without closed forms is followed, triedValues for how many it is
// tried whether there is anything to follow.
const pathValues, triedValues = 81, 17

// Follow gives the points of a path without closed forms between two places, for values over the parameter's bar.
func (d *Demonstration) Follow(p *Path, left, right float64) []locus.Point {
	return d.follow(p, left, right, pathValues)
}

func (d *Demonstration) follow(p *Path, left, right float64, count int) []locus.Point {
	from, to := d.Bar(p)
	values := make([]float64, count)
	for k := range values {
		values[k] = from + (to-from)*float64(k)/float64(count-1)
	}
	return locus.Follow(p.value, p.condition, p.Inputs(d), p.parameter+1, values, left, right)
}

// Occurs tells whether what a path follows is anywhere between two places for any value over the bar; a feature whose path
// has an equation does.
func (d *Demonstration) Occurs(path locus.Path, f *Function, as string, left, right float64) bool {
	if path.Condition == nil {
		return path.HasEquation()
	}
	p, path := &Path{parameter: d.Find(as)}, locus.Path{Condition: path.Condition}
	return d.compilePath(p, path, f, as) == nil && p.condition != nil && len(d.follow(p, left, right, triedValues)) > 0
}

// Bar is the interval over which the parameter of a path varies.
func (d *Demonstration) Bar(p *Path) (from, to float64) {
	q := d.Parameters[p.parameter]
	return q.From, q.To
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
