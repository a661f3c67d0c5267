package evaluate

import (
	"math"
	"math/big"

	"parvix/core/expr"
	"parvix/core/number"
)

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

// WithPi writes a number, and in front of it what it is to ten digits where that is short, as the areas of handbook curves
// are: a multiple of π, or one and a multiple of 1, √2 or √3.
func WithPi(v float64) string {
	if text := knownAs(v); text != "" {
		return text + `\approx ` + number.Format(v, 4)
	}
	return number.Format(v, 4)
}

// AreaLaTeX writes A = π ≈ 3.1416, or A ≈ 3.14 where the number is no known one.
func AreaLaTeX(v float64) string {
	if knownAs(v) != "" {
		return "A=" + WithPi(v)
	}
	return `A\approx ` + number.Format(v, 4)
}

func knownAs(v float64) string {
	if v == 0 {
		return ""
	}
	if text := MultipleOfPi(v); text != "" {
		return text
	}
	return piAndRoot(v)
}

// MultipleOfPi writes r·π with a small denominator; empty for another number.
func MultipleOfPi(v float64) string {
	if r, ok := ShareOfPi(v); ok {
		return PiLaTeX(r)
	}
	return ""
}

// ShareOfPi recognises r·π with a small denominator.
func ShareOfPi(v float64) (r *big.Rat, ok bool) {
	const most = 48
	for q := int64(1); q <= most; q++ {
		p := v / math.Pi * float64(q)
		if k := math.Round(p); math.Abs(p-k) < 1e-10*math.Max(1, math.Abs(p)) && math.Abs(k) < 1e6 {
			return big.NewRat(int64(k), q), true
		}
	}
	return nil, false
}

// piAndRoot recognises (p·π + r·s)/q with s = 1, √2 or √3 and small whole numbers; so few of them that another number
// agrees to ten digits once in ten thousand.
func piAndRoot(v float64) string {
	const mostBelow, mostPi, mostRoot = 12, 60, 60
	for q := 1.0; q <= mostBelow; q++ {
		for p := -float64(mostPi); p <= mostPi; p++ {
			rest := v*q - p*math.Pi
			for _, root := range []struct {
				size float64
				text string
			}{{1, ""}, {math.Sqrt2, `\sqrt{2}`}, {math.Sqrt(3), `\sqrt{3}`}} {
				r := math.Round(rest / root.size)
				if p == 0 || r == 0 || math.Abs(r) > mostRoot || math.Abs(rest-r*root.size) > 1e-10*math.Max(1, math.Abs(v)) {
					continue
				}
				sign := "+"
				if r < 0 {
					sign = "-"
				}
				factor := big.NewRat(int64(math.Abs(r)), int64(q))
				return PiLaTeX(big.NewRat(int64(p), int64(q))) + sign + rootLaTeX(factor, root.text)
			}
		}
	}
	return ""
}

// rootLaTeX writes a positive fraction of a root.
func rootLaTeX(r *big.Rat, root string) string {
	above := r.Num().String()
	if root != "" && above == "1" {
		above = ""
	}
	if r.IsInt() {
		return above + root
	}
	return `\frac{` + above + root + "}{" + r.Denom().String() + "}"
}
