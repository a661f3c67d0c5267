package study

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/maths/classify"
	"parvix/core/maths/fit"
	"parvix/core/maths/statistics"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/scatter"
)

// Model is a kind of function held against two columns.
type Model struct {
	Name string `json:"name"`
	// LaTeX is the fitted function, y or the column's letter in front; empty where there is no best one, and Reason then says why.
	LaTeX  string `json:"latex"`
	Reason string `json:"reason"`
	// SSE, R2, AdjustedR2 and AICc are written to be read, empty where they do not exist.
	SSE        string `json:"sse"`
	R2         string `json:"r2"`
	AdjustedR2 string `json:"adjustedR2"`
	AICc       string `json:"aicc"`
	// Pattern says what the signs of the residuals tell.
	Pattern string `json:"pattern"`
	// Residuals are a small picture: places from 0 to 1 across, −1 to 1 up.
	Residuals [][2]float64 `json:"residuals"`
	// Linearised is the answer of a straight line through logarithms.
	Linearised string `json:"linearised,omitempty"`
	// Best tells that no model has a lower AICc.
	Best bool `json:"best,omitempty"`
}

// Models are the models of two columns, and what differences and ratios suggest, before anything is computed.
type Models struct {
	List []Model `json:"list"`
	// Suggested says it in words.
	Suggested string `json:"suggested"`
	// Points are the rows as a small picture: the row from 0, its place from 0 to 1 across and up; of very many only some.
	Points [][3]float64 `json:"points"`
}

// columns finds data with two columns.
func columns(d *evaluate.Demonstration, id, x, y string) (data *evaluate.Data, cx, cy *evaluate.Column, err error) {
	if data = d.DataOf(id); data == nil {
		return nil, nil, nil, problem.New("no-data", 0, 0)
	}
	for _, c := range []struct {
		name string
		to   **evaluate.Column
	}{{x, &cx}, {y, &cy}} {
		if *c.to = data.Column(c.name); *c.to == nil {
			return nil, nil, nil, problem.New("no-column", 0, len(c.name), c.name)
		}
	}
	return data, cx, cy, nil
}

// ModelsOf compares the models of two columns; without fitting it says only what differences suggest, and where the points lie.
func ModelsOf(d *evaluate.Demonstration, id, x, y string, fitting bool) (*Models, error) {
	data, cx, cy, err := columns(d, id, x, y)
	if err != nil {
		return nil, err
	}
	xs, ys, rows := data.Pairs(cx, cy)
	out := &Models{List: []Model{}, Suggested: suggestion(xs, ys), Points: [][3]float64{}}
	if len(xs) == 0 {
		return out, nil
	}
	const mostPoints = 1500
	left, bottom := slices.Min(xs), slices.Min(ys)
	width, height := math.Max(slices.Max(xs)-left, 1e-300), math.Max(slices.Max(ys)-bottom, 1e-300)
	for i := 0; i < len(xs); i += 1 + len(xs)/mostPoints {
		out.Points = append(out.Points, [3]float64{float64(rows[i]), (xs[i] - left) / width, (ys[i] - bottom) / height})
	}
	if !fitting {
		return out, nil
	}
	best, lowest := -1, math.Inf(1)
	variable, head := letterOf(x), "y"
	if letter, ok := expr.NameOf(y); ok && utf8.RuneCountInString(letter) == 1 {
		head = expr.LaTeXName(letter)
	}
	for _, name := range fit.Names() {
		m, _ := fit.NewModel(name, variable)
		f := m.To(xs, ys, nil)
		if criterion := f.AICc(); f.Converged() && criterion < lowest && name != fit.MedianLine {
			best, lowest = len(out.List), criterion
		}
		out.List = append(out.List, modelRow(d, f, head, xs, ys))
	}
	if best >= 0 {
		out.List[best].Best = true
	}
	return out, nil
}

func modelRow(d *evaluate.Demonstration, f *fit.Fit, head string, x, y []float64) Model {
	row := Model{Name: string(f.Model.Name), Reason: f.Reason, Residuals: [][2]float64{}}
	if !f.Converged() {
		return row
	}
	row.LaTeX = head + "=" + fittedLaTeX(d, f.Model, f.Coefficients)
	row.SSE = d.Numeral(number.Significant(f.SSE, 4))
	row.R2, row.AdjustedR2, row.AICc = readable(d, f.R2, 4), readable(d, f.AdjustedR2(), 4), readable(d, f.AICc(), 1)
	row.Pattern = f.Pattern(x, y).Words()
	if straight, ok := fit.Linearised(f.Model.Name, x, y); ok {
		row.Linearised = head + "=" + fittedLaTeX(d, f.Model, straight)
	}
	lo, hi, most := slices.Min(x), slices.Max(x), 0.0
	for _, r := range f.Residuals {
		most = math.Max(most, math.Abs(r))
	}
	const mostDots = 80
	for i := 0; i < len(x); i += 1 + len(x)/mostDots {
		row.Residuals = append(row.Residuals, [2]float64{(x[i] - lo) / math.Max(hi-lo, 1e-300), f.Residuals[i] / math.Max(most, 1e-300)})
	}
	return row
}

// fittedLaTeX is a model with its coefficients as a teacher writes them.
func fittedLaTeX(d *evaluate.Demonstration, m *fit.Model, coefficients []float64) string {
	return d.LaTeX(fit.Written(m, coefficients, 0, fit.General), nil)
}

func readable(d *evaluate.Demonstration, v float64, decimals int) string {
	if math.IsNaN(v) || math.IsInf(v, 0) {
		return ""
	}
	return d.Numeral(number.Format(v, decimals))
}

// letterOf is a column's name where it is a letter, which then stands in formulas, else x.
func letterOf(column string) string {
	if name, ok := expr.NameOf(column); ok && utf8.RuneCountInString(name) == 1 {
		return name
	}
	return "x"
}

// suggestion says what differences and ratios tell.
func suggestion(x, y []float64) string {
	if len(x) < 3 {
		return "Three rows or more are needed before differences and ratios tell anything."
	}
	order := make([]int, len(x))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(i, j int) bool { return x[order[i]] < x[order[j]] })
	var xs, ys []float64
	for _, i := range order {
		if len(xs) > 0 && xs[len(xs)-1] == x[i] {
			return "Some x come twice, so that differences and ratios tell nothing."
		}
		xs, ys = append(xs, x[i]), append(ys, y[i])
	}
	t := classify.Of(xs, ys)
	if t.Type == classify.None {
		return t.Reason
	}
	return fmt.Sprintf("%s That is a %s function.", t.Reason, t.Type)
}

// SuspectsOf are the values of two columns that stand out.
func SuspectsOf(d *evaluate.Demonstration, id, x, y string) (*evaluate.Suspects, error) {
	data, cx, cy, err := columns(d, id, x, y)
	if err != nil {
		return nil, err
	}
	xs, ys, rows := data.Pairs(cx, cy)
	out := &evaluate.Suspects{Data: id, X: x, Y: y, List: []evaluate.Suspect{}}
	for _, s := range fit.Suspects(xs, ys) {
		out.List = append(out.List, evaluate.Suspect{Row: rows[s.Index], X: xs[s.Index], Y: ys[s.Index], Reason: s.Reason})
	}
	return out, nil
}

// ColumnSummary describes a column to be read.
type ColumnSummary struct {
	Name string `json:"name"`
	// Values are those of a computed column, to be read; empty where there is none.
	Values []string `json:"values"`
	// Filled is what a function says in the rows without a value, where a scatter plot fills these; empty in the others.
	Filled []string `json:"filled,omitempty"`
	// Lines are name and value: count, mean, median and so on.
	Lines [][2]string `json:"lines"`
}

// Summaries describe the columns of data.
func Summaries(d *evaluate.Demonstration, id string) ([]ColumnSummary, error) {
	data := d.DataOf(id)
	if data == nil {
		return nil, problem.New("no-data", 0, 0)
	}
	list := []ColumnSummary{}
	for _, c := range data.Columns {
		s := ColumnSummary{Name: c.Stated.Name, Values: []string{}, Lines: [][2]string{}}
		var values []float64
		for _, v := range c.Values {
			if v == v {
				values = append(values, v)
			}
			if c.Stated.IsComputed() {
				s.Values = append(s.Values, readable(d, v, 6))
			}
		}
		if len(values) > 0 {
			s.Lines = summaryLines(d, values)
		}
		s.Filled = filledOf(d, c)
		list = append(list, s)
	}
	return list, nil
}

// filledOf is what is told in the rows of a column that have no value, with as many decimals as the others have.
func filledOf(d *evaluate.Demonstration, c *evaluate.Column) (filled []string) {
	decimals := c.Decimals()
	for _, s := range d.Shown {
		plot, ok := s.Live.(*scatter.Live)
		if !ok || plot.Column() != c {
			continue
		}
		for row, y := range plot.Fillings(d) {
			for len(filled) <= row {
				filled = append(filled, "")
			}
			filled[row] = readable(d, y, decimals)
		}
	}
	return filled
}

func summaryLines(d *evaluate.Demonstration, values []float64) [][2]string {
	s := statistics.Of(values)
	lines := [][2]string{{"count n", fmt.Sprint(s.N)}}
	for _, line := range []struct {
		name string
		v    float64
	}{{"mean", s.Mean}, {"median", s.Median}, {"lower quartile", s.Q1}, {"upper quartile", s.Q3}, {"standard deviation (n − 1)", s.SD},
		{"standard deviation (n)", s.SDPopulation}, {"smallest", s.Min}, {"largest", s.Max}} {
		if text := readable(d, line.v, 4); text != "" {
			lines = append(lines, [2]string{line.name, text})
		}
	}
	return lines
}

// BestDials are the values of the dials of a function at which it lies nearest to two columns; a dial that is locked keeps its value.
func BestDials(d *evaluate.Demonstration, function, id, x, y string) (map[string]float64, error) {
	data, cx, cy, err := columns(d, id, x, y)
	if err != nil {
		return nil, err
	}
	f := d.Function(function)
	if f == nil || f.Curve == nil {
		return nil, problem.New("not-a-function", 0, len(function), function)
	}
	var unknowns, others []string
	var start, fixed []float64
	for i, p := range d.Parameters {
		if slices.Contains(f.Hangs(), i) && !p.Stated.Locked {
			unknowns, start = append(unknowns, p.Stated.Name), append(start, p.Value)
		} else {
			others, fixed = append(others, p.Stated.Name), append(fixed, p.Value)
		}
	}
	if len(unknowns) == 0 {
		return nil, problem.New("no-dials", 0, len(function), function)
	}
	m, err := fit.NewCustom(f.Inlined, f.Stated.Variables[0], unknowns, others, fixed)
	if err != nil {
		return nil, err
	}
	xs, ys, _ := data.Pairs(cx, cy)
	best := m.To(xs, ys, start)
	if elsewhere := m.To(xs, ys, nil); !best.Converged() || elsewhere.Converged() && elsewhere.SSE < best.SSE*(1-1e-6) && len(unknowns) < 4 {
		best = elsewhere
	}
	if !best.Converged() {
		return nil, problem.New("no-best", 0, 0, best.Reason)
	}
	values := map[string]float64{}
	for k, name := range unknowns {
		values[name] = onDial(best.Coefficients[k], d.Parameters[d.Find(name)].Step)
	}
	return values, nil
}

// onDial rounds a value that a dial is led to: to five digits that count, and two more than its step has.
func onDial(v, step float64) float64 {
	digits := 4
	if v != 0 {
		digits -= int(math.Floor(math.Log10(math.Abs(v))))
	}
	return number.Round(v, max(digits, number.Decimals(step, 3)+2))
}
