package fit

import (
	"math"
	"math/big"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// FewestDecimals and fewestDigits are how a coefficient is written: to three decimals at least (common practice), and to four digits that
// count where it is small.
const FewestDecimals, fewestDigits = 3, 4

// Form is the way in which a fitted function is written.
type Form string

// The forms: as the model is, with the vertex, as factors, with the shift of a sinusoid, with the time of doubling or of halving.
const (
	General  Form = ""
	Vertex   Form = "vertex"
	Factors  Form = "factored"
	Shift    Form = "shift"
	Doubling Form = "doubling"
)

// Forms lists the ways in which a model can be written.
func Forms(name Name) []Form {
	switch name {
	case Quadratic:
		return []Form{General, Vertex, Factors}
	case Sinusoidal:
		return []Form{General, Shift}
	case Exponential:
		return []Form{General, Doubling}
	}
	return []Form{General}
}

// RoundedTo writes a coefficient with so many decimals at least.
func RoundedTo(v float64, decimals int) string {
	if size := math.Abs(v); size > 0 && size < 1 {
		decimals = max(decimals, fewestDigits-1-int(math.Floor(math.Log10(size))))
	}
	text := strconv.FormatFloat(v, 'f', min(decimals, 30), 64)
	if value, _ := strconv.ParseFloat(text, 64); value == 0 {
		return "0"
	}
	return text
}

// Written is a fitted function with rounded coefficients in a form; one that there is not, as factors without zeros, is written in general.
func Written(m *Model, coefficients []float64, decimals int, form Form) expr.Node {
	if decimals == 0 {
		decimals = FewestDecimals
	}
	text, values := inForm(m.Name, coefficients, form)
	if text == "" {
		text, values = formulas[m.Name].text, map[string]float64{}
		for k, letter := range m.Letters {
			values[letter] = coefficients[k]
		}
	}
	names := []string{"x"}
	numbers := map[string]*big.Rat{}
	for letter, v := range values {
		names = append(names, letter)
		numbers[letter], _ = new(big.Rat).SetString(RoundedTo(v, decimals))
	}
	formula, err := expr.Parse(text, (&expr.Scope{}).With(names...))
	if err != nil {
		panic("fit: " + err.Error())
	}
	n := symbolic.Substitute(formula.Node, map[string]expr.Node{"x": expr.Named(m.Variable)})
	return symbolic.PutNumbers(n, numbers)
}

// inForm gives the formula of a form with its letters' values; no formula where there is none.
func inForm(name Name, c []float64, form Form) (text string, values map[string]float64) {
	switch {
	case name == Quadratic && form == Vertex && c[0] != 0:
		h := -c[1] / (2 * c[0])
		return "a(x - h)^2 + k", map[string]float64{"a": c[0], "h": h, "k": c[2] - c[0]*h*h}
	case name == Quadratic && form == Factors && c[0] != 0:
		discriminant := c[1]*c[1] - 4*c[0]*c[2]
		if discriminant < 0 {
			return "", nil
		}
		root := math.Sqrt(discriminant)
		return "a(x - p)(x - q)", map[string]float64{"a": c[0], "p": (-c[1] - root) / (2 * c[0]), "q": (-c[1] + root) / (2 * c[0])}
	case name == Sinusoidal && form == Shift:
		return "a sin(b(x - h)) + d", map[string]float64{"a": c[0], "b": c[1], "h": -c[2] / c[1], "d": c[3]}
	case name == Exponential && form == Doubling && c[1] > 0:
		return "a 2^(x/T)", map[string]float64{"a": c[0], "T": math.Ln2 / c[1]}
	case name == Exponential && form == Doubling && c[1] < 0:
		return "a (1/2)^(x/T)", map[string]float64{"a": c[0], "T": -math.Ln2 / c[1]}
	}
	return "", nil
}
