package locus

import (
	"math"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/solve"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
)

// Effect is what a parameter does to a function.
type Effect struct {
	// Fixed are the points through which every member of the family goes.
	Fixed []FixedPoint
	// Moves are the features that it moves, and along which path.
	Moves []Move
	// Degenerate are the values at which the picture becomes one of another type.
	Degenerate []Degenerate
}

// FixedPoint is a point that stays; Every is the distance at which it repeats, nil for none.
type FixedPoint struct{ X, Y, Every expr.Node }

// Move is a feature with its path.
type Move struct {
	Feature Feature
	Path    Path
}

// Degenerate is a value of the parameter and what the function becomes there.
type Degenerate struct {
	Value   expr.Node
	Becomes expr.Node
	// Kind is the type of what it becomes: “level line”, “line”, or the parent's name.
	Kind string
}

// EffectOf looks at what the letter of does to n, a formula in x, its angles in radians; other letters stay letters.
func EffectOf(n expr.Node, x, of string) Effect {
	e := Effect{Fixed: fixedPoints(n, x, of), Degenerate: degenerate(n, x, of)}
	for _, f := range []Feature{Extrema, Inflections, YIntercept} {
		path := Of(n, x, of, f)
		if path.None || !path.HasEquation() && path.Condition == nil {
			continue
		}
		if f == YIntercept && !hasIntercept(n, x) {
			continue
		}
		e.Moves = append(e.Moves, Move{f, path})
	}
	e.Moves = append(e.Moves, asymptoteMoves(n, x, of)...)
	return e
}

// asymptoteMoves tells how the asymptotes of a moved parent go along.
func asymptoteMoves(n expr.Node, x, of string) (moves []Move) {
	r, reason := transform.Recognise(n, x, false)
	if reason != "" {
		return nil
	}
	states := r.Readings(x)[0].States(x)
	last := states[len(states)-1].Asymptotes
	for _, at := range last.Upright {
		if depends(at, of) && last.Every == nil {
			moves = append(moves, Move{VerticalAsymptote, Path{Upright: at}})
		}
	}
	for _, at := range last.Level {
		if depends(at, of) {
			moves = append(moves, Move{HorizontalAsymptote, Path{Equation: at}})
		}
	}
	return moves
}

// hasIntercept tells whether the function has a value at 0.
func hasIntercept(n expr.Node, x string) bool {
	at := symbolic.Simplify(symbolic.Substitute(n, map[string]expr.Node{x: expr.Num(0)})).Node
	return !symbolic.IsUndefined(at) && finite(at, x)
}

// fixedPoints solves ∂f/∂p = 0 for the x that do it whatever p is.
func fixedPoints(n expr.Node, x, of string) (list []FixedPoint) {
	change := symbolic.Simplify(symbolic.Derivative(n, of)).Node
	if !depends(change, x) {
		return nil
	}
	set, ok := solve.Zeros(change, x)
	if !ok || set.All {
		return nil
	}
	for _, s := range set.Solutions {
		if depends(s.X, of) || s.Step != nil && depends(s.Step, of) {
			continue
		}
		y := tidy(symbolic.Substitute(n, map[string]expr.Node{x: s.X}))
		if depends(y, of) || symbolic.IsUndefined(y) || !existsAt(n, x, s.X) {
			continue
		}
		p := FixedPoint{X: s.X, Y: y}
		if p.Every = s.Step; p.Every == nil && !s.Period.IsZero() {
			p.Every = s.Period.Node()
		}
		list = append(list, p)
	}
	sort.SliceStable(list, func(i, j int) bool { return exact.Float(list[i].X) < exact.Float(list[j].X) })
	return list
}

// existsAt tells whether a formula has a value at a place, for some values of its letters: where ln(x) is multiplied by 0
// there is none.
func existsAt(n expr.Node, x string, place expr.Node) bool {
	inputs := []string{x}
	for _, name := range expr.Names(expr.Plus(n, place)) {
		if name != x {
			inputs = append(inputs, name)
		}
	}
	value, err := program.CompilePoint(n, inputs)
	if err != nil {
		return false
	}
	at, err := program.CompilePoint(place, inputs)
	if err != nil {
		return false
	}
	for k := range 12 {
		in := make([]float64, len(inputs))
		for i := range in {
			in[i] = []float64{0.7, 1.3, 2.1, -0.6, 3.4, -1.9}[(k+i*5)%6]
		}
		in[0] = at(in)
		if v := value(in); !math.IsNaN(v) && !math.IsInf(v, 0) {
			return true
		}
	}
	return false
}

// degenerate finds the values at which a factor vanishes: the leading coefficient of a polynomial, the stretch of a
// moved parent, the base 1 of an exponential.
func degenerate(n expr.Node, x, of string) (list []Degenerate) {
	seen := map[string]bool{}
	put := func(condition expr.Node) {
		if !depends(condition, of) {
			return
		}
		set, ok := solve.Zeros(condition, of)
		if !ok || set.All {
			return
		}
		for _, s := range set.Solutions {
			text := expr.Text(s.X)
			if depends(s.X, x) || !s.Period.IsZero() || s.Step != nil || seen[text] {
				continue
			}
			becomes := tidy(symbolic.Substitute(n, map[string]expr.Node{of: s.X}))
			if symbolic.IsUndefined(becomes) || !finite(becomes, x) {
				continue
			}
			seen[text] = true
			list = append(list, Degenerate{s.X, becomes, kindOf(becomes, x)})
		}
	}
	if c, ok := symbolic.Coefficients(n, x); ok {
		if len(c) > 1 {
			put(c[len(c)-1])
		}
		return list
	}
	if r, reason := transform.Recognise(n, x, false); reason == "" {
		f := r.Written
		put(f.A)
		put(f.B)
		if f.Parent.Base != nil && f.Parent.Kind == transform.Exponential {
			put(expr.Minus(f.Parent.Base, expr.Num(1)))
		}
	}
	return list
}

// finite tells that a formula without letters but x has a value somewhere.
func finite(n expr.Node, x string) bool {
	if len(expr.Names(n)) > 0 {
		return true
	}
	return !math.IsNaN(exact.Float(n)) && !math.IsInf(exact.Float(n), 0)
}

func kindOf(n expr.Node, x string) string {
	if !depends(n, x) {
		return "level line"
	}
	r, reason := transform.Recognise(n, x, false)
	switch {
	case reason != "":
		return "another function"
	case r.Canonical.Parent.Kind == transform.Linear:
		return "line"
	}
	return string(r.Canonical.Parent.Kind)
}
