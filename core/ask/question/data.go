package question

import (
	"encoding/json"
	"fmt"
	"math"
	"math/big"
	"slices"
	"strconv"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/formula/tabular"
	"parvix/core/maths/fit"
	"parvix/core/maths/statistics"
)

// dataset is a question about measured points.
type dataset struct{ *Question }

// letterList is a list of letters, or their text with commas.
type letterList []string

// UnmarshalJSON reads either.
func (l *letterList) UnmarshalJSON(data []byte) error {
	var text string
	if json.Unmarshal(data, &text) != nil {
		return json.Unmarshal(data, (*[]string)(l))
	}
	for _, letter := range strings.Split(strings.Trim(text, "[]"), ",") {
		*l = append(*l, strings.TrimSpace(letter))
	}
	return nil
}

// points holds x and y to be lists of as many finite numbers, fewest at least.
func (q dataset) points(fewest int) error {
	x, y := q.X.Numbers, q.Y.Numbers
	switch {
	case x == nil:
		return problem.New("field", 0, 0, "x", "a list of numbers is wanted here")
	case y == nil:
		return problem.New("field", 0, 0, "y", "a list of numbers is wanted here")
	case len(x) != len(y):
		return problem.New("field", 0, 0, "y", fmt.Sprintf("as many numbers as in x are wanted: here are %d, there %d", len(y), len(x)))
	case len(x) < fewest:
		return problem.New("field", 0, 0, "x", fmt.Sprintf("at least %d are needed, here are %d", fewest, len(x)))
	case len(x) > tabular.MaxRows:
		return problem.New("field", 0, 0, "x", "at most "+number.Grouped(tabular.MaxRows)+" numbers fit")
	}
	return nil
}

// letters reads the unknowns of a formula as names.
func (q dataset) letters() (names []string, err error) {
	if len(q.Unknowns) == 0 {
		return nil, problem.New("field", 0, 0, "unknowns", "the letters that are looked for are wanted here")
	}
	for _, typed := range q.Unknowns {
		name, ok := expr.NameOf(typed)
		if !ok || name == "x" || slices.Contains(names, name) {
			return nil, problem.New("field", 0, 0, "unknowns", "“"+typed+"” cannot be one of the letters that are looked for")
		}
		names = append(names, name)
	}
	return names, nil
}

// startAt reads where a search is to begin: an object of letters with numbers, or a list in the order of the unknowns.
func (q dataset) startAt(letters []string) ([]float64, error) {
	if len(q.Start) == 0 || string(q.Start) == "null" {
		return nil, nil
	}
	wrong := problem.New("field", 0, 0, "start", "a number for each of "+strings.Join(letters, ", ")+" is wanted here")
	var list []float64
	if json.Unmarshal(q.Start, &list) == nil {
		if len(list) != len(letters) {
			return nil, wrong
		}
		return list, nil
	}
	var named map[string]float64
	if json.Unmarshal(q.Start, &named) != nil || len(named) != len(letters) {
		return nil, wrong
	}
	list = make([]float64, len(letters))
	for typed, v := range named {
		name, _ := expr.NameOf(typed)
		k := slices.Index(letters, name)
		if k < 0 {
			return nil, wrong
		}
		list[k] = v
	}
	return list, nil
}

// model is the one that a question names, and where its search begins.
func (q dataset) model(degrees bool) (m *fit.Model, start []float64, err error) {
	if fit.Name(q.Model) != fit.Custom {
		m, known := fit.NewModel(fit.Name(q.Model), "x")
		if !known {
			return nil, nil, problem.New("field", 0, 0, "model", fmt.Sprintf("one of %v or custom is wanted here", fit.Names()))
		}
		start, err = q.startAt(m.Letters)
		return m, start, err
	}
	letters, err := q.letters()
	if err != nil {
		return nil, nil, err
	}
	q.names = append(slices.Clone(letters), "x")
	node, err := q.read(degrees)
	if err != nil {
		return nil, nil, err
	}
	if m, err = fit.NewCustom(node, "x", letters, nil, nil); err != nil {
		return nil, nil, err
	}
	start, err = q.startAt(letters)
	return m, start, err
}

func (q dataset) fit(degrees bool) (map[string]any, error) {
	if err := q.points(1); err != nil {
		return nil, err
	}
	m, start, err := q.model(degrees)
	if err != nil {
		return nil, err
	}
	x, y := q.X.Numbers, q.Y.Numbers
	f := m.To(x, y, start)
	answer := map[string]any{"converged": f.Converged()}
	if m.Name == fit.Sinusoidal && len(x) > 1 && slices.Min(x) < slices.Max(x) {
		lo, hi := fit.Frequencies(x)
		answer["searched"] = map[string]any{"from": lo, "to": hi}
	}
	if !f.Converged() {
		answer["reason"] = f.Reason
		return answer, nil
	}
	answer["coefficients"] = q.named(m, f.Coefficients)
	answer["expr"] = expr.Text(withCoefficients(m, f.Coefficients, precise))
	short := withCoefficients(m, f.Coefficients, func(v float64) string { return fit.RoundedTo(v, fit.FewestDecimals) })
	answer["text"], answer["latex"], answer["mathml"] = expr.Text(short), expr.LaTeX(short, nil), expr.MathML(short)
	answer["sse"], answer["residuals"] = f.SSE, f.Residuals
	answer["r2"], answer["adjustedR2"], answer["aicc"] = orUndefined(f.R2), orUndefined(f.AdjustedR2()), orUndefined(f.AICc())
	if math.IsNaN(f.R2) {
		answer["reason"] = "R² does not exist: all y are equal."
	}
	answer["pattern"] = f.Pattern(x, y).Words()
	answer["outliers"] = suspects(f.Outliers(x, y))
	if straight, ok := fit.Linearised(m.Name, x, y); ok {
		answer["linearised"] = map[string]any{"coefficients": q.named(m, straight),
			"reason": "a straight line through logarithms minds relative errors, the fit in y absolute ones"}
	}
	return answer, nil
}

// named are coefficients by their letters, as the question wrote them.
func (q dataset) named(m *fit.Model, coefficients []float64) map[string]any {
	named := map[string]any{}
	for k, letter := range m.Letters {
		if m.Name == fit.Custom {
			letter = q.Unknowns[k]
		}
		named[letter] = coefficients[k]
	}
	return named
}

// withCoefficients is a model with numbers for its letters, each as it is written.
func withCoefficients(m *fit.Model, coefficients []float64, write func(float64) string) expr.Node {
	values := map[string]*big.Rat{}
	for k, letter := range m.Letters {
		values[letter], _ = new(big.Rat).SetString(write(coefficients[k]))
	}
	return symbolic.PutNumbers(m.Node, values)
}

func precise(v float64) string { return strconv.FormatFloat(v, 'g', -1, 64) }

func orUndefined(v float64) any {
	if math.IsNaN(v) {
		return "undefined"
	}
	return v
}

func suspects(list []statistics.Suspect) []map[string]any {
	out := []map[string]any{}
	for _, s := range list {
		out = append(out, map[string]any{"index": s.Index, "reason": s.Reason})
	}
	return out
}

func (q dataset) suspect() (map[string]any, error) {
	if err := q.points(1); err != nil {
		return nil, err
	}
	return map[string]any{"suspects": suspects(fit.Suspects(q.X.Numbers, q.Y.Numbers))}, nil
}

func stats(values []float64) (map[string]any, error) {
	if len(values) == 0 {
		return nil, problem.New("field", 0, 0, "values", "a list of at least one number is wanted here")
	}
	s := statistics.Of(values)
	answer := map[string]any{"n": s.N, "mean": s.Mean, "median": s.Median, "q1": orUndefined(s.Q1), "q3": orUndefined(s.Q3),
		"sd": orUndefined(s.SD), "sdPopulation": s.SDPopulation, "min": s.Min, "max": s.Max}
	if s.N == 1 {
		answer["reason"] = "one value has no halves, and no spread that n − 1 could divide"
	}
	return answer, nil
}

func table(text string) (map[string]any, error) {
	r, err := tabular.Read(text)
	if err != nil {
		return nil, err
	}
	answer := read(r.Table)
	answer["ambiguous"] = len(r.Others) > 0
	if len(r.Others) > 0 {
		readings := []map[string]any{read(r.Table)}
		for _, other := range r.Others {
			readings = append(readings, read(other))
		}
		answer["readings"] = readings
	}
	return answer, nil
}

// read is a table as it was read.
func read(t tabular.Table) map[string]any {
	columns := []map[string]any{}
	for _, c := range t.Columns {
		values := []any{}
		for _, cell := range c.Cells {
			switch {
			case cell.Text == "":
				values = append(values, nil)
			case cell.IsNumber:
				values = append(values, cell.Value)
			default:
				values = append(values, cell.Text)
			}
		}
		columns = append(columns, map[string]any{"name": c.Name, "unit": c.Unit, "values": values})
	}
	return map[string]any{"columns": columns, "separator": t.Separator, "decimal": t.Decimal, "header": t.Header}
}
