package evaluate

import "parvix/core/formula/expr"

// TrajectoryLaTeX is what a trajectory's label says: r, with the formula and its present values, or (x(t), y(t)).
func (d *Demonstration) TrajectoryLaTeX(s *Shown, formula bool) string {
	given := s.Entry.Trajectory
	if s.Trajectory.Polar {
		f := d.functions[given.Function]
		if formula {
			return HeadLaTeX(f.Stated.Name, nil) + "=" + d.Now(f)
		}
		return HeadLaTeX(f.Stated.Name, nil)
	}
	if !formula {
		return ""
	}
	return `\left(` + d.typed(given.X, s.Trajectory.variable) + d.Typeset(`,\;`) + d.typed(given.Y, s.Trajectory.variable) + `\right)`
}

// CoordinateLaTeX names a coordinate over the parameter: x(t), and the radius of a polar curve by the name of its function.
func (d *Demonstration) CoordinateLaTeX(m *Trajectory, name string) string {
	if name == "r" {
		name = expr.LaTeXName(m.function)
	}
	return name + `\left(` + expr.LaTeXName(m.variable) + `\right)`
}

// typed is a formula as it is typed, as LaTeX.
func (d *Demonstration) typed(text, variable string) string {
	f, err := expr.Parse(text, innerScope(d.scope, []string{variable}))
	if err != nil {
		return ""
	}
	return d.LaTeX(f.Node, d.Class)
}

// Variable is the letter of the curve's parameter.
func (m *Trajectory) Variable() string { return m.variable }
