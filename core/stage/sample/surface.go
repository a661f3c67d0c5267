package sample

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Surface is a function of two variables, compiled for heights on a lattice and for its cuts.
type Surface struct {
	machine program.Machine
	program *program.Program
	point   program.Point
	over    func(x, y interval.I, in []float64) interval.I
	work    program.Point
	// Across and Along are the function of one variable with the other held, x first or y first among the inputs.
	Across, Along *Function
	// Jumps tells that the formula has parts that may jump.
	Jumps bool
	// slopes are the partial derivatives by x and by y, and theirs: xx, xy, yy.
	slopes [5]program.Point
	row    []float64
}

// CompileCoordinate compiles n, inlined and in radians, for its two variables and the names of what it hangs on besides: its heights and its
// cuts, as one coordinate of a parametric surface needs them, without slopes and functions of one variable.
func CompileCoordinate(n expr.Node, x, y string, others []string) (*Surface, error) {
	inputs := append([]string{x, y}, others...)
	p, err := program.Compile(n, inputs)
	if err != nil {
		return nil, err
	}
	s := &Surface{program: p, over: breaks.EncloseBox(n, inputs), work: program.Work(n, inputs), Jumps: mayJump(n)}
	s.point, err = program.CompilePoint(n, inputs)
	return s, err
}

// CompileSurface compiles a function of two variables with its slopes.
func CompileSurface(n expr.Node, x, y string, others []string) (*Surface, error) {
	inputs := append([]string{x, y}, others...)
	s, err := CompileCoordinate(n, x, y, others)
	if err != nil {
		return nil, err
	}
	if s.Across, err = Compile(n, inputs); err != nil {
		return nil, err
	}
	if s.Along, err = Compile(n, append([]string{y, x}, others...)); err != nil {
		return nil, err
	}
	by := func(n expr.Node, variable string) expr.Node {
		return symbolic.Simplify(symbolic.Derivative(n, variable)).Node
	}
	fx, fy := by(n, x), by(n, y)
	for k, d := range [5]expr.Node{fx, fy, by(fx, x), by(fx, y), by(fy, y)} {
		if s.slopes[k], err = program.CompilePoint(d, inputs); err != nil {
			return nil, err
		}
	}
	return s, nil
}

// mayJump tells whether a formula has parts that jump.
func mayJump(n expr.Node) (is bool) {
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Pieces:
			is = true
		case *expr.Call:
			switch n.Name {
			case "floor", "ceil", "sgn":
				is = true
			}
		}
		return !is
	})
	return is
}

// At is the height over a place, NaN where there is none; in begins with room for both variables.
func (s *Surface) At(x, y float64, in []float64) float64 {
	in[0], in[1] = x, y
	return s.point(in)
}

// Work is how many operations of arithmetic one place takes; dials may make its sums longer.
func (s *Surface) Work(in []float64) float64 { return s.work(in) }

// Slopes are the partial derivatives at a place: by x, by y, and the second by both, by x and y, and by y.
func (s *Surface) Slopes(x, y float64, in []float64) (d [5]float64) {
	for k, slope := range s.slopes {
		in[0], in[1] = x, y
		d[k] = slope(in)
	}
	return d
}

// Heights are the values at the crossings of lines x = xs and y = ys, x by x.
func (s *Surface) Heights(xs, ys, in []float64) []float64 {
	z := make([]float64, len(xs)*len(ys))
	if len(s.row) < len(xs) {
		s.row = make([]float64, len(xs))
	}
	row := s.row[:len(xs)]
	for j, y := range ys {
		in[1] = y
		s.machine.Run(s.program, row, xs, in)
		for i, v := range row {
			z[i*len(ys)+j] = v
		}
	}
	return z
}

// IsBounded tells whether the heights over a rectangle are proven to run off nowhere.
func (s *Surface) IsBounded(x0, x1, y0, y1 float64, in []float64) bool {
	v := s.over(interval.I{Lo: x0, Hi: x1}, interval.I{Lo: y0, Hi: y1}, in)
	return v.IsEmpty() || !math.IsInf(v.Lo, 0) && !math.IsInf(v.Hi, 0)
}
