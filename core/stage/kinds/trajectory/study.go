package trajectory

import (
	"fmt"
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	curves "parvix/core/maths/trajectory"
	"parvix/core/numeric/program"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
)

// View is what is found out about a trajectory at the values in play, and its table.
type View struct {
	Lines []kind.Line `json:"lines"`
	// Head names the columns; a value that does not exist is “undefined”.
	Head []string   `json:"head"`
	Rows [][]string `json:"rows"`
	// Numbers are the rows' numbers in full, for a file; one that does not exist is null.
	Numbers [][]*float64 `json:"numbers"`
}

// Study is what is found out about the curve at the values in play, with a table at steps of the parameter where a step is
// typed.
func (m *Live) Study(d evaluate.Moment, step string) (*View, error) {
	if !m.Exists() {
		return nil, problem.New("ends", 0, 0)
	}
	c, err := m.Studied(d)
	if err != nil {
		return nil, err
	}
	unit := 1.0
	if m.Polar {
		unit = Direction(d, 1)
	}
	v := &View{Lines: linesOf(d, m, c, unit), Head: []string{}, Rows: [][]string{}, Numbers: [][]*float64{}}
	if step != "" {
		if err := tabulate(d, m, v, c, unit, step); err != nil {
			return nil, err
		}
	}
	return v, nil
}

// tabulate fills the table: the parameter in its own unit, r for a polar curve, x and y.
func tabulate(d evaluate.Moment, m *Live, v *View, c *curves.Curve, unit float64, typed string) error {
	f, err := expr.Parse(typed, d.Scope())
	if err != nil {
		return err
	}
	at, err := program.CompilePoint(f.Node, []string{"\x00"})
	if err != nil {
		return err
	}
	rows, ok := c.Table(m.From*unit, m.To*unit, at([]float64{0})*unit)
	if !ok || len(rows) > mostPointsListed {
		return problem.New("field", 0, len(typed), "step", fmt.Sprintf("a number above 0 that gives at most %d rows", mostPointsListed))
	}
	v.Head = []string{m.variable, "x", "y"}
	if m.Polar {
		v.Head = []string{m.variable, "r", "x", "y"}
	}
	for _, p := range rows {
		values := []float64{p.T / unit, p.X, p.Y}
		if m.Polar {
			values = []float64{p.T / unit, p.R, p.X, p.Y}
		}
		row, numbers := make([]string, len(values)), make([]*float64, len(values))
		for i, value := range values {
			row[i] = d.Numeral(cell(value, i == 0))
			if !math.IsNaN(value) && !math.IsInf(value, 0) {
				numbers[i] = &values[i]
			}
		}
		v.Rows, v.Numbers = append(v.Rows, row), append(v.Numbers, numbers)
	}
	return nil
}

// cell writes a number of the table; the parameter as π/12 where it is one, as a book's table has it.
func cell(value float64, isParameter bool) string {
	if r, ok := evaluate.ShareOfPi(value); ok && isParameter {
		return number.OfPi(int(r.Num().Int64()), int(r.Denom().Int64()))
	}
	return number.Format(value, 4)
}

// mostPointsListed bounds a table on the bench.
const mostPointsListed = 5000

// insideSlack is how far a measured inside may be off, as a share of it.
const insideSlack = 1e-3

// insidePlaces is by how many places a closed curve is followed to measure its inside.
const insidePlaces = 4096

// areaInside is the area inside of a curve that closes on its interval, NaN for another; exact tells that it is known to more digits than
// are told.
func areaInside(d evaluate.Moment, m *Live) (area float64, exact bool) {
	first, last := m.Place(m.From), m.Place(m.To)
	if !(math.Hypot(first.X-last.X, first.Y-last.Y) <= 1e-9*(1+math.Hypot(first.X, first.Y))) {
		return math.NaN(), false
	}
	if m.Polar && m.HasOutline(d) {
		pole := func(float64) float64 { return 0 }
		return curves.Between(m.Outline(d), pole, false).Area(), true
	}
	at := make([]float64, insidePlaces)
	for k := range at {
		at[k] = m.From + (m.To-m.From)*float64(k)/insidePlaces
	}
	x, y := m.Curve.All(at, m.in)
	for k := range at {
		if math.IsNaN(x[k]+y[k]) || math.IsInf(x[k]+y[k], 0) {
			return math.NaN(), false
		}
	}
	area, simple := curves.Inside(x, y)
	if !simple {
		return area, false
	}
	round := 0.0
	for k, t := range at {
		v := m.Velocity(t)
		round += (x[k]*v.Y - y[k]*v.X) / 2 * (m.To - m.From) / insidePlaces
	}
	// Around once and the same way it is ∮(x dy − y dx)/2, which the trapezoidal rule gives to all digits over a period (Trefethen and
	// Weideman, The Exponentially Convergent Trapezoidal Rule).
	if math.Abs(math.Abs(round)-area) <= insideSlack*area {
		return math.Abs(round), true
	}
	return area, false
}

// between writes low ≤ name ≤ high, with < where there is no end.
func between(low float64, name string, high float64) string {
	sign := func(end float64) string {
		if math.IsInf(end, 0) {
			return "<"
		}
		return `\le`
	}
	return number.Format(low, 3) + sign(low) + " " + name + sign(high) + " " + number.Format(high, 3)
}

func linesOf(d evaluate.Moment, m *Live, c *curves.Curve, unit float64) []kind.Line {
	w := &writer{d: d, variable: m.variable, unit: unit, lines: []kind.Line{}}
	from, to := m.From*unit, m.To*unit
	w.form(c)
	if closing, ok := c.Closing(); ok {
		w.line("closes after", w.angle(closing.Float()))
	} else {
		w.line("closes", `\text{never}`)
	}
	if area := c.Area(from, to); area.Value == area.Value {
		w.line("area swept by the ray", evaluate.WithExact(area.Value))
		// A ray that goes around twice, or turns back, sweeps over a place more than once; one that runs off closes nothing.
		enclosed, exact := areaInside(d, m)
		switch slack := 1e-6 * enclosed; {
		case math.IsInf(area.Value, 0) || math.IsNaN(enclosed):
		case exact && math.Abs(enclosed-math.Abs(area.Value)) > slack:
			w.line("area enclosed", evaluate.WithExact(enclosed))
		case !exact && math.Abs(enclosed-math.Abs(area.Value)) > insideSlack*enclosed:
			w.line("area enclosed", `\approx `+number.Significant(enclosed, 3))
		}
	}
	w.line("length", evaluate.WithExact(c.Length(from, to).Value))
	box := c.Box(from, to)
	w.line("reaches", between(box.Low[0], "x", box.High[0])+`,\quad `+between(box.Low[1], "y", box.High[1]))
	level, upright := c.Tangents(from, to)
	w.angles("level tangents", level)
	w.angles("upright tangents", upright)
	onX, onY := c.OnAxes(from, to)
	w.places("meets the x-axis at", onX)
	w.places("meets the y-axis at", onY)
	w.places("crosses itself at", c.SelfCrossings(from, to))
	w.angles("passes through the pole, with tangents in its direction, at", c.AtPole(from, to))
	w.cusps(c.Cusps(from, to))
	w.asymptotes(c.Asymptotes(from, to))
	w.symmetries(c.SymmetriesOn(from, to))
	if fastest, slowest := c.Speeds(from, to); !m.Polar {
		w.speeds("fastest", fastest)
		w.speeds("slowest", slowest)
	}
	return w.lines
}

// form tells the name of a curve that has one, and its equation in x and y.
func (w *writer) form(c *curves.Curve) {
	f, ok := c.WithoutParameter()
	if !ok {
		return
	}
	if f.Kind != "" {
		w.line("it is", `\text{`+f.Kind+`}`)
	}
	if f.Left != nil {
		w.line("in x and y", expr.LaTeX(w.asTyped(f.Left), nil)+"="+expr.LaTeX(w.asTyped(f.Right), nil))
	}
	if left, right, is := c.Directrix(); is {
		w.line("directrix", expr.LaTeX(left, nil)+"="+expr.LaTeX(right, nil))
	}
}

// asTyped writes an equation as a teacher would: sin u/cos u as tan u, and angles in degrees where the demonstration counts those.
func (w *writer) asTyped(n expr.Node) expr.Node {
	n = expr.Map(n, w.asTyped)
	switch n := n.(type) {
	case *expr.Binary:
		if below, is := n.R.(*expr.Call); is && n.Op == expr.Div && below.Name == "cos" {
			if rest, is := withoutSine(n.L, below.Args[0]); is {
				return rest
			}
		}
	case *expr.Call:
		angles := map[string]bool{"sin": true, "cos": true, "tan": true}
		if !angles[n.Name] || !w.d.IsInDegrees() || len(expr.Names(n.Args[0])) > 0 {
			return n
		}
		if at, err := program.CompilePoint(n.Args[0], []string{"\x00"}); err == nil {
			degrees := new(big.Rat).SetFloat64(number.InDegrees(at([]float64{0})))
			return &expr.Call{Name: n.Name, Args: []expr.Node{&expr.Degree{X: &expr.Number{Value: degrees}}}}
		}
	}
	return n
}

// withoutSine is a product with the tangent in the place of its factor sin u.
func withoutSine(n, u expr.Node) (rest expr.Node, is bool) {
	if call, isCall := n.(*expr.Call); isCall && call.Name == "sin" && expr.Equal(call.Args[0], u) {
		return &expr.Call{Name: "tan", Args: []expr.Node{u}}, true
	}
	product, isProduct := n.(*expr.Binary)
	if !isProduct || product.Op != expr.Mul {
		return nil, false
	}
	if right, is := withoutSine(product.R, u); is {
		return expr.Times(product.L, right), true
	}
	if left, is := withoutSine(product.L, u); is {
		return expr.Times(left, product.R), true
	}
	return nil, false
}

// cusps writes where the point stands still and turns back, with the tangent there.
func (w *writer) cusps(list []curves.Cusp) {
	var parts []string
	for _, p := range list {
		part := evaluate.PairLaTeX(p.X, p.Y, 3)
		switch p.Direction {
		case math.Pi / 2:
			part += `\;\text{upright}`
		case 0:
			part += `\;\text{level}`
		}
		parts = append(parts, part)
	}
	if len(parts) > 0 {
		w.line("cusps, with the tangent there", listed(parts))
	}
}

// asymptotes writes the lines to which the curve tends.
func (w *writer) asymptotes(list []curves.Asymptote) {
	var parts []string
	for _, a := range list {
		sin, cos := math.Sincos(a.Direction)
		if math.Abs(cos) < 1e-9 {
			parts = append(parts, "x="+evaluate.CoordinateLaTeX(rounded(-a.Distance/sin), 3))
			continue
		}
		parts = append(parts, "y="+evaluate.LineLaTeX(rounded(sin/cos), rounded(a.Distance/cos), 3))
	}
	if len(parts) > 0 {
		w.line("asymptotes", listed(parts))
	}
}

// rounded leaves off the digits that a limit is not known to.
func rounded(v float64) float64 {
	const digits = 1e7
	return math.Round(v*digits) / digits
}

// speeds writes where the point is fastest or slowest, and how fast.
func (w *writer) speeds(name string, list []curves.Extreme) {
	var parts []string
	for _, e := range list {
		parts = append(parts, w.angle(e.T))
	}
	if len(parts) > 0 {
		w.line(name, expr.LaTeXName(w.variable)+"="+listed(parts)+`,\quad \left|v\right|=`+evaluate.CoordinateLaTeX(list[0].Value, 3))
	}
}

// writer writes what is told of a curve, line by line.
type writer struct {
	d        evaluate.Moment
	variable string
	unit     float64 // of angles, in radians
	lines    []kind.Line
}

func (w *writer) line(name, latex string) {
	w.lines = append(w.lines, kind.Line{Name: name, LaTeX: w.d.Typeset(latex)})
}

// angle writes a value of the parameter, in radians, in the demonstration's unit.
func (w *writer) angle(t float64) string {
	if w.unit != 1 {
		return "{" + number.Format(t/w.unit, 2) + `}^{\circ}`
	}
	if ofPi := evaluate.MultipleOfPi(t); ofPi != "" {
		return ofPi
	}
	return number.Format(t, 3)
}

// angles writes at which values of the parameter something is; no line for none.
func (w *writer) angles(name string, at []float64) {
	var parts []string
	for _, t := range at {
		parts = append(parts, w.angle(t))
	}
	if len(parts) > 0 {
		w.line(name, expr.LaTeXName(w.variable)+"="+listed(parts))
	}
}

// places writes where something is; no line for nowhere.
func (w *writer) places(name string, list []curves.Place) {
	var parts []string
	for _, p := range list {
		parts = append(parts, "("+number.Format(p.X, 3)+`,\,`+number.Format(p.Y, 3)+")")
	}
	if len(parts) > 0 {
		w.line(name, listed(parts))
	}
}

// symmetries writes all of them in one line; no line for none.
func (w *writer) symmetries(has curves.Symmetry) {
	var parts []string
	for _, one := range []struct {
		is    bool
		words string
	}{{has.InX, `\text{in the x-axis}`}, {has.InY, `\text{in the y-axis}`}, {has.AtPole, `\text{about the pole}`}} {
		if one.is {
			parts = append(parts, one.words)
		}
	}
	if len(parts) > 0 {
		w.line("symmetric", listed(parts))
	}
}

// listed writes the first of many parts.
func listed(parts []string) string {
	const most = 8
	if len(parts) > most {
		parts = append(parts[:most:most], `\dots`)
	}
	return expr.Together(parts)
}
