// Package fit finds the function of a kind that lies nearest to measured points: least squares in y.
//
// A model is a formula with unknown letters. Where every letter enters linearly the coefficients follow from one QR
// factorisation (Golub & Van Loan, Matrix Computations, 5.3); otherwise from steps of Levenberg and Marquardt with the derivatives
// of the formula itself (Moré, The Levenberg–Marquardt algorithm: implementation and theory, 1978), from several starts that the data give.
package fit

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
)

// Name is a kind of model.
type Name string

// The models; Custom is any formula in x with unknowns.
const (
	Proportional Name = "proportional"
	Linear       Name = "linear"
	MedianLine   Name = "medianLine"
	Quadratic    Name = "quadratic"
	Cubic        Name = "cubic"
	Quartic      Name = "quartic"
	Exponential  Name = "exponential"
	Power        Name = "power"
	Logarithmic  Name = "logarithmic"
	Logistic     Name = "logistic"
	Sinusoidal   Name = "sinusoidal"
	Custom       Name = "custom"
)

// Names lists the models in the order in which a course meets them, but for Custom.
func Names() []Name {
	return []Name{Proportional, Linear, MedianLine, Quadratic, Cubic, Quartic, Exponential, Power, Logarithmic, Logistic, Sinusoidal}
}

// formulas of the models, their letters in order.
var formulas = map[Name]struct {
	text    string
	letters []string
	spans   int // how many different x determine it
}{
	Proportional: {"a x", []string{"a"}, 1},
	Linear:       {"a x + b", []string{"a", "b"}, 2},
	MedianLine:   {"a x + b", []string{"a", "b"}, 2},
	Quadratic:    {"a x^2 + b x + c", []string{"a", "b", "c"}, 3},
	Cubic:        {"a x^3 + b x^2 + c x + d", []string{"a", "b", "c", "d"}, 4},
	Quartic:      {"a x^4 + b x^3 + c x^2 + d x + k", []string{"a", "b", "c", "d", "k"}, 5},
	Exponential:  {"a e^(b x)", []string{"a", "b"}, 2},
	Power:        {"a x^b", []string{"a", "b"}, 2},
	Logarithmic:  {"a + b ln(x)", []string{"a", "b"}, 2},
	Logistic:     {"a/(1 + e^(-b(x - c)))", []string{"a", "b", "c"}, 3},
	Sinusoidal:   {"a sin(b x + c) + d", []string{"a", "b", "c", "d"}, 4},
}

// Model is a formula in a variable with unknown letters, compiled with its derivatives.
type Model struct {
	Name     Name
	Variable string
	Letters  []string
	// Node is the formula with its letters.
	Node expr.Node
	// fixed are further letters with their values.
	fixed []float64
	// linear tells of each letter whether it enters linearly, together with those before it that do.
	linear      []bool
	value       program.Point
	derivatives []program.Point
	spans       int
}

// NewModel is one of the models by its name; false for Custom and unknown ones.
func NewModel(name Name, variable string) (*Model, bool) {
	known, ok := formulas[name]
	if !ok {
		return nil, false
	}
	formula, err := expr.Parse(known.text, (&expr.Scope{}).With(append([]string{"x"}, known.letters...)...))
	if err != nil {
		panic("fit: " + err.Error())
	}
	m, err := compile(name, formula.Node, "x", known.letters, nil, nil)
	if err != nil {
		panic("fit: " + err.Error())
	}
	m.Variable, m.spans = variable, known.spans
	m.Node = symbolic.Substitute(formula.Node, map[string]expr.Node{"x": &expr.Name{Name: variable}})
	return m, true
}

// NewCustom is a formula in a variable, without stated functions and in radians, whose unknowns are to be found; further letters have the
// values that are given.
func NewCustom(n expr.Node, variable string, unknowns, others []string, values []float64) (*Model, error) {
	return compile(Custom, n, variable, unknowns, others, values)
}

func compile(name Name, n expr.Node, variable string, letters, others []string, fixed []float64) (*Model, error) {
	m := &Model{Name: name, Variable: variable, Letters: letters, Node: n, fixed: fixed, spans: 1}
	inputs := append(append([]string{variable}, letters...), others...)
	var err error
	if m.value, err = program.CompilePoint(n, inputs); err != nil {
		return nil, err
	}
	var taken []string
	for _, letter := range letters {
		d := symbolic.Simplify(symbolic.Derivative(n, letter)).Node
		p, err := program.CompilePoint(d, inputs)
		if err != nil {
			return nil, err
		}
		m.derivatives = append(m.derivatives, p)
		free := func(of string) bool { return !expr.Any(d, func(n expr.Node) bool { return isName(n, of) }) }
		linear := free(letter)
		for _, before := range taken {
			linear = linear && free(before)
		}
		if linear {
			taken = append(taken, letter)
		}
		m.linear = append(m.linear, linear)
	}
	return m, nil
}

func isName(n expr.Node, name string) bool {
	is, ok := n.(*expr.Name)
	return ok && is.Name == name
}

// isLinear tells that every letter enters linearly.
func (m *Model) isLinear() bool {
	for _, linear := range m.linear {
		if !linear {
			return false
		}
	}
	return true
}

// inputs are x and letters in the order of the programs, with room for x in front.
func (m *Model) inputs(coefficients []float64) []float64 {
	in := make([]float64, 1, 1+len(coefficients)+len(m.fixed))
	return append(append(in, coefficients...), m.fixed...)
}

// At is the model's value.
func (m *Model) At(x float64, coefficients []float64) float64 {
	in := m.inputs(coefficients)
	in[0] = x
	return m.value(in)
}

// residuals writes y − f(x) for every point and gives the sum of their squares.
func (m *Model) residuals(dst, x, y, coefficients []float64) (sse float64) {
	in := m.inputs(coefficients)
	for i := range x {
		in[0] = x[i]
		dst[i] = y[i] - m.value(in)
		sse += dst[i] * dst[i]
	}
	return sse
}

// gradients writes the derivatives by the letters at every point, a row a point.
func (m *Model) gradients(dst, x, coefficients []float64) {
	in, p := m.inputs(coefficients), len(m.Letters)
	for i := range x {
		in[0] = x[i]
		for k, d := range m.derivatives {
			dst[i*p+k] = d(in)
		}
	}
}
