// Package locus follows what a parameter does: the path of vertex, turning points and inflections with its equation, the
// points that stay, and the values at which the picture degenerates.
//
// A feature is where a condition holds, such as f′ = 0. Solving the condition for the parameter, not for x, and putting
// that into y = f(x) gives the path at once: the vertex of y = a·x² + b·x + c runs on y = c − a·x² as b varies (common
// practice).
package locus

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/solve"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/program"
)

// Feature is what is followed.
type Feature string

// The features.
const (
	Vertex      Feature = "vertex"
	Extrema     Feature = "extrema"
	Maxima      Feature = "maxima"
	Minima      Feature = "minima"
	Inflections Feature = "inflections"
	Zeros       Feature = "zeros"
	YIntercept  Feature = "yIntercept"
	// Intersections are those with another function.
	Intersections Feature = "intersections"
	// VerticalAsymptote and HorizontalAsymptote are moved as a whole.
	VerticalAsymptote   Feature = "vertical asymptote"
	HorizontalAsymptote Feature = "horizontal asymptote"
)

// Path is where a feature goes while the parameter runs.
type Path struct {
	// Equation is y = Equation in x, nil where there is none; Upright is x = Upright for a path straight up, with Level
	// y = Level for one along the x-axis. Stays tells that the feature does not move.
	Equation, Upright expr.Node
	Stays             bool
	// None tells that there is no such feature.
	None bool
	// Condition is 0 where the feature is, in x and the parameter, set for intersections and for a path without an equation;
	// Places are its solutions for x as formulas in the parameter, where there are closed forms.
	Condition expr.Node
	Places    []expr.Node
}

// HasEquation tells whether the path is given by an equation in x and y.
func (p Path) HasEquation() bool { return p.Equation != nil || p.Upright != nil }

// Of finds the path of a feature of n, a formula in x, as the letter of varies; other letters stay letters.
func Of(n expr.Node, x, of string, feature Feature) Path {
	switch feature {
	case Zeros:
		return Path{Equation: expr.Num(0)}
	case YIntercept:
		return Path{Upright: expr.Num(0), Stays: !depends(symbolic.Simplify(symbolic.Substitute(n, map[string]expr.Node{x: expr.Num(0)})).Node, of)}
	}
	condition := derivative(n, x)
	if feature == Inflections {
		condition = derivative(condition, x)
	}
	return pathWhere(condition, n, x, of)
}

// Crossing finds the path of the intersections of n and m, formulas in x, as the letter of varies.
func Crossing(n, m expr.Node, x, of string) Path {
	condition := tidy(expr.Minus(n, m))
	switch nMoves, mMoves := depends(n, of), depends(m, of); {
	case !nMoves && !mMoves:
		return Path{Stays: true}
	case !depends(condition, x):
		return Path{None: true}
	case !mMoves:
		return Path{Equation: m, Condition: condition}
	case !nMoves:
		return Path{Equation: n, Condition: condition}
	}
	p := pathWhere(condition, n, x, of)
	p.Condition = condition
	return p
}

// pathWhere is the path of the points of n at which the condition is 0.
func pathWhere(condition, n expr.Node, x, of string) Path {
	p := equationWhere(condition, n, x, of)
	if p.HasEquation() || p.None || p.Stays {
		return p
	}
	p.Condition = condition
	if set, ok := solve.Zeros(condition, x); ok && !set.All {
		for _, s := range set.Solutions {
			if !s.Period.IsZero() || s.Step != nil {
				return Path{Condition: condition}
			}
			p.Places = append(p.Places, s.X)
		}
	}
	return p
}

func equationWhere(condition, n expr.Node, x, of string) Path {
	if !depends(condition, x) {
		return Path{None: true}
	}
	if !depends(condition, of) {
		return fixedPlace(n, x, of, condition)
	}
	set, ok := solve.Zeros(condition, of)
	if !ok || set.All || len(set.Solutions) == 0 {
		return placesPath(n, x, of, condition)
	}
	// What depends on x alone is a path; a solution that holds no x stands for a degenerate value.
	var path expr.Node
	for _, s := range set.Solutions {
		if !depends(s.X, x) || !s.Period.IsZero() || s.Step != nil {
			continue
		}
		y := tidy(symbolic.Substitute(n, map[string]expr.Node{of: s.X}))
		if path != nil && !expr.Equal(path, y) {
			return Path{}
		}
		path = y
	}
	if path == nil {
		return placesPath(n, x, of, condition)
	}
	return Path{Equation: path}
}

// placesPath looks at the places themselves: those that the parameter does not move.
func placesPath(n expr.Node, x, of string, condition expr.Node) Path {
	set, ok := solve.Zeros(condition, x)
	if !ok || set.All {
		return Path{}
	}
	var at expr.Node
	for _, s := range set.Solutions {
		if depends(s.X, of) || !s.Period.IsZero() || s.Step != nil || at != nil && !expr.Equal(at, s.X) {
			return Path{}
		}
		at = s.X
	}
	if at == nil {
		return Path{None: true}
	}
	return uprightPath(n, x, of, at)
}

func fixedPlace(n expr.Node, x, of string, condition expr.Node) Path {
	set, ok := solve.Zeros(condition, x)
	if !ok || set.All || len(set.Solutions) == 0 {
		return Path{None: ok}
	}
	if len(set.Solutions) == 1 && set.Solutions[0].Period.IsZero() && set.Solutions[0].Step == nil {
		return uprightPath(n, x, of, set.Solutions[0].X)
	}
	return Path{Stays: stayAll(n, x, of, set)}
}

func stayAll(n expr.Node, x, of string, set solve.Set) bool {
	for _, s := range set.Solutions {
		if depends(tidy(symbolic.Substitute(n, map[string]expr.Node{x: s.X})), of) {
			return false
		}
	}
	return true
}

func uprightPath(n expr.Node, x, of string, at expr.Node) Path {
	y := tidy(symbolic.Substitute(n, map[string]expr.Node{x: at}))
	return Path{Upright: at, Stays: !depends(y, of)}
}

func derivative(n expr.Node, x string) expr.Node {
	return symbolic.Simplify(symbolic.Derivative(n, x)).Node
}

// tidy expands, or brings on one fraction, where that makes a formula plainer.
func tidy(n expr.Node) expr.Node {
	plain := symbolic.Simplify(n).Node
	if above, below, ok := symbolic.Together(plain); ok {
		one := symbolic.Simplify(expr.Over(above, below)).Node
		if symbolic.Size(one) < symbolic.Size(plain) {
			plain = one
		}
	}
	if expanded, ok := symbolic.Expand(plain); ok {
		if expanded = symbolic.Simplify(expanded).Node; symbolic.Size(expanded) < symbolic.Size(plain) {
			return expanded
		}
	}
	return plain
}

func depends(n expr.Node, name string) bool {
	return expr.Any(n, func(n expr.Node) bool { m, is := n.(*expr.Name); return is && m.Name == name })
}

// Point is where a feature is for one value of the parameter.
type Point struct{ Value, X, Y float64 }

// Steps between which a condition's sign is looked at, and halvings of such a step.
const followSteps, followHalvings = 240, 50

// Follow finds, value by value of the parameter in[slot], where between left and right a condition changes its sign, and
// what the function is there. in[0] is x; what turns twice between two of the steps is missed.
func Follow(value, condition program.Point, in []float64, slot int, values []float64, left, right float64) (points []Point) {
	at := func(x float64) float64 {
		in[0] = x
		return condition(in)
	}
	for _, v := range values {
		in[slot] = v
		before := at(left)
		for i := 1; i <= followSteps; i++ {
			a, b := left+(right-left)*float64(i-1)/followSteps, left+(right-left)*float64(i)/followSteps
			now := at(b)
			start := before
			before = now
			if !(start < 0 && now >= 0 || start > 0 && now <= 0) {
				continue
			}
			size := math.Max(math.Abs(start), math.Abs(now))
			_, b = bisect.Change(func(x float64) bool { c := at(x); return c != 0 && c < 0 == (start < 0) }, a, b, followHalvings)
			// A sign that changes through a pole is none of a zero.
			if c := at(b); !(math.Abs(c) <= 1e-6*size) {
				continue
			}
			if y := value(in); !math.IsNaN(y) && !math.IsInf(y, 0) {
				points = append(points, Point{v, b, y})
			}
		}
	}
	return points
}

// followed finds the points of a feature without a closed form from −10 to 10.
func followed(n, condition, test expr.Node, x, of string, feature Feature, values []float64) []Point {
	value, err := program.CompilePoint(n, []string{x, of})
	if err != nil {
		return nil
	}
	zero, err := program.CompilePoint(condition, []string{x, of})
	if err != nil {
		return nil
	}
	const left, right = -10, 10
	points := Follow(value, zero, make([]float64, 2), 1, values, left, right)
	holds, err := kept(test, x, of, feature)
	if err != nil {
		return nil
	}
	return slices.DeleteFunc(points, func(p Point) bool { return !holds([]float64{p.X, p.Value}) })
}

// kept tells of a turning point whether it is of the kind that is asked for, by the sign of the next derivative.
func kept(test expr.Node, x, of string, feature Feature) (func(in []float64) bool, error) {
	if test == nil {
		return func([]float64) bool { return true }, nil
	}
	second, err := program.CompilePoint(test, []string{x, of})
	return func(in []float64) bool {
		v := second(in)
		return feature == Maxima && v < 0 || feature == Minima && v > 0 || feature != Maxima && feature != Minima && v != 0
	}, err
}

// Points follows a feature through values of the parameter, from the closed form of its place where there is one, else by
// the sign of its condition between x = −10 and 10. Other letters must have been put in.
func Points(n expr.Node, x, of string, feature Feature, values []float64) []Point {
	var condition, test expr.Node
	switch feature {
	case Zeros:
		condition = n
	case Inflections:
		condition = derivative(derivative(n, x), x)
		test = derivative(condition, x)
	case YIntercept:
		condition = &expr.Name{Name: x}
	default:
		condition = derivative(n, x)
		test = derivative(condition, x)
	}
	set, ok := solve.Zeros(condition, x)
	if ok && set.All {
		return nil
	}
	if !ok {
		return followed(n, condition, test, x, of, feature, values)
	}
	value, err := program.CompilePoint(n, []string{x, of})
	if err != nil {
		return nil
	}
	var places []program.Point
	for _, s := range set.Solutions {
		p, err := program.CompilePoint(s.X, []string{x, of})
		if err != nil {
			return nil
		}
		places = append(places, p)
	}
	holds, err := kept(test, x, of, feature)
	if err != nil {
		return nil
	}
	var points []Point
	for _, v := range values {
		for _, place := range places {
			in := []float64{0, v}
			in[0] = place(in)
			y := value(in)
			if !math.IsNaN(in[0]) && !math.IsInf(in[0], 0) && !math.IsNaN(y) && !math.IsInf(y, 0) && holds(in) {
				points = append(points, Point{v, in[0], y})
			}
		}
	}
	return points
}
