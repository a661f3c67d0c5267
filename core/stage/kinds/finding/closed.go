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
func closedOf(d *evaluate.Demonstration, f *evaluate.Function, finding document.Finding) *closedForm {
	x := f.Stated.Variables[0]
	inputs := d.InputNames(x)
	derive := func(n expr.Node, times int) expr.Node {
		for range times {
			n = symbolic.Simplify(symbolic.Derivative(n, x)).Node
		}
		return n
	}
	c := &closedForm{finding: finding}
	var equation, test expr.Node
	switch finding {
	case document.YIntercept:
		c.places = []closedPlace{{x: func([]float64) float64 { return 0 }}}
	case document.Zeros:
		equation = f.Inlined
	case document.Maxima, document.Minima:
		equation, test = derive(f.Inlined, 1), derive(f.Inlined, 2)
	case document.Inflections:
		equation, test = derive(f.Inlined, 2), derive(f.Inlined, 3)
	case document.VerticalAsymptotes:
		above, below, ok := symbolic.Together(symbolic.TangentsAsQuotients(f.Inlined))
		if !ok || len(expr.Names(below)) == 0 {
			return nil
		}
		equation, test = below, above
	default:
		return nil
	}
	if equation != nil {
		set, ok := solve.Zeros(equation, x)
		if !ok || set.All {
			return nil
		}
		for _, s := range set.Solutions {
			place, err := program.CompilePoint(s.X, inputs)
			if err != nil {
				return nil
			}
			p := closedPlace{x: place}
			step := s.Step
			if step == nil && !s.Period.IsZero() {
				step = s.Period.Node()
			}
			if step != nil {
				if p.period, err = program.CompilePoint(step, inputs); err != nil {
					return nil
				}
			}
			c.places = append(c.places, p)
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
	d.Counters.Compiles++
	return c
}

// points are the places in play between left and right; ok is false where the formulas say nothing.
func (c *closedForm) points(d *evaluate.Demonstration, left, right float64) (points []found.Point, ok bool) {
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
