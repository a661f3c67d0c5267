package finding

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/solve"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
)

// closedForm gives the places of a finding as formulas in the parameters, compiled once, so that they keep up with a
// dial in the same frame: the vertex at x = h, the zeros at h ± √(−k/a). A nil one has no such formulas.
type closedForm struct {
	finding document.Finding
	places  []closedPlace
	value   program.Point // f(x)
	// test decides between candidates: f″ for extrema, f‴ for inflections, the numerator for poles.
	test program.Point
}

type closedPlace struct{ x, period program.Point }

// closedOf solves for the places of a finding; the inputs are the variable and the parameters.
func closedOf(d evaluate.Loading, f *evaluate.Function, finding document.Finding) *closedForm {
	inputs := d.InputNames(f.Stated.Variables[0])
	equation, test, ok := equationOf(f, finding)
	if !ok {
		return nil
	}
	c := &closedForm{finding: finding, places: []closedPlace{{x: func([]float64) float64 { return 0 }}}}
	if equation != nil {
		if c.places, ok = solved(equation, f.Stated.Variables[0], inputs); !ok {
			return nil
		}
	}
	var err error
	if c.value, err = program.CompilePoint(f.Inlined, inputs); err != nil {
		return nil
	}
	if test != nil {
		if c.test, err = program.CompilePoint(test, inputs); err != nil {
			return nil
		}
	}
	d.CountCompile()
	return c
}

// equationOf is the equation whose solutions are the places of a finding, none for the y-axis, and what tells by its sign
// which of them count; ok is false for a finding that has none.
func equationOf(f *evaluate.Function, finding document.Finding) (equation, test expr.Node, ok bool) {
	derivative := func(n expr.Node) expr.Node {
		return symbolic.Simplify(symbolic.Derivative(n, f.Stated.Variables[0])).Node
	}
	switch finding {
	case document.YIntercept:
		return nil, nil, true
	case document.Zeros:
		return f.Inlined, nil, true
	case document.Maxima, document.Minima:
		first := derivative(f.Inlined)
		return first, derivative(first), true
	case document.Inflections:
		second := derivative(derivative(f.Inlined))
		return second, derivative(second), true
	case document.VerticalAsymptotes:
		above, below, ok := symbolic.Together(symbolic.TangentsAsQuotients(f.Inlined))
		return below, above, ok && len(expr.Names(below)) > 0
	}
	return nil, nil, false
}

// Places are the places of a finding as formulas in the parameters, those that repeat left out; none where there are no formulas.
func Places(f *evaluate.Function, finding document.Finding) (places []expr.Node) {
	equation, _, ok := equationOf(f, finding)
	if !ok {
		return nil
	}
	if equation == nil {
		return []expr.Node{expr.Num(0)}
	}
	set, ok := solve.Zeros(equation, f.Stated.Variables[0])
	if !ok || set.All {
		return nil
	}
	for _, s := range set.Solutions {
		if s.Step == nil && s.Period.IsZero() {
			places = append(places, symbolic.Simplify(s.X).Node)
		}
	}
	return places
}

// solved compiles the solutions of an equation; ok is false where there is no formula for them.
func solved(equation expr.Node, x string, inputs []string) (places []closedPlace, ok bool) {
	set, ok := solve.Zeros(equation, x)
	if !ok || set.All {
		return nil, false
	}
	for _, s := range set.Solutions {
		place, err := program.CompilePoint(s.X, inputs)
		if err != nil {
			return nil, false
		}
		p := closedPlace{x: place}
		step := s.Step
		if step == nil && !s.Period.IsZero() {
			step = s.Period.Node()
		}
		if step != nil {
			if p.period, err = program.CompilePoint(step, inputs); err != nil {
				return nil, false
			}
		}
		places = append(places, p)
	}
	return places, true
}

// points are the places in play between left and right; ok is false where the formulas say nothing.
func (c *closedForm) points(d evaluate.Moment, left, right float64) (points []found.Point, ok bool) {
	if c == nil {
		return nil, false
	}
	in := append([]float64{}, d.Inputs()...)
	put := func(x float64) {
		in[0] = x
		if y := c.value(in); c.holds(in, y) {
			points = append(points, found.Point{X: x, Y: y})
		}
	}
	for _, p := range c.places {
		x := p.x(in)
		if math.IsNaN(x) || math.IsInf(x, 0) {
			continue
		}
		if p.period == nil {
			put(x)
			continue
		}
		period := math.Abs(p.period(in))
		if !(period > 0) {
			return nil, false
		}
		for k := math.Ceil((left - x) / period); x+k*period <= right && len(points) < evaluate.MaxRepeats; k++ {
			put(x + k*period)
		}
	}
	return points, true
}

// holds tells whether a candidate is what is looked for.
func (c *closedForm) holds(in []float64, y float64) bool {
	test := math.NaN()
	if c.test != nil {
		test = c.test(in)
	}
	switch c.finding {
	case document.Maxima:
		return y == y && test < 0
	case document.Minima:
		return y == y && test > 0
	case document.Inflections:
		return y == y && test != 0 && test == test
	case document.VerticalAsymptotes:
		return test != 0
	case document.Zeros:
		return math.Abs(y) < 1e-6*(1+math.Abs(in[0]))
	}
	return y == y && !math.IsInf(y, 0)
}
