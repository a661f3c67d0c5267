package door

import (
	"fmt"
	"math"

	"parvix/core/ask/study"
	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/maths/trajectory"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// trajectory answers what is found out about a trajectory at the values that the question names, and its table.
func (door *Door) trajectory(ask *Ask, a *Answer) error {
	door.putValues(ask.Values)
	d := door.d
	for _, s := range d.Shown {
		if s.Entry.ID != ask.ID || s.Trajectory == nil {
			continue
		}
		if !s.Trajectory.Exists() {
			return problem.New("ends", 0, 0)
		}
		c, err := d.Studied(s.Trajectory)
		if err != nil {
			return err
		}
		unit := 1.0
		if s.Trajectory.Polar {
			unit = d.Direction(1)
		}
		v := &TrajectoryView{Lines: trajectoryLines(d, s.Trajectory, c, unit), Head: []string{}, Rows: [][]string{}, Numbers: [][]*float64{}}
		if ask.Step != "" {
			if err := door.tabulate(v, s.Trajectory, c, unit, ask.Step); err != nil {
				return err
			}
		}
		a.Trajectory = v
		return nil
	}
	return problem.New("field", 0, 0, "id", "there is no such curve")
}

// tabulate fills the table: the parameter in its own unit, r for a polar curve, x and y.
func (door *Door) tabulate(v *TrajectoryView, m *evaluate.Trajectory, c *trajectory.Curve, unit float64, typed string) error {
	f, err := expr.Parse(typed, door.d.Scope())
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
	v.Head = []string{m.Variable(), "x", "y"}
	if m.Polar {
		v.Head = []string{m.Variable(), "r", "x", "y"}
	}
	for _, p := range rows {
		values := []float64{p.T / unit, p.X, p.Y}
		if m.Polar {
			values = []float64{p.T / unit, p.R, p.X, p.Y}
		}
		row, numbers := make([]string, len(values)), make([]*float64, len(values))
		for i, value := range values {
			row[i] = door.d.Numeral(cell(value, i == 0))
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

// enclosedBy is the area inside a polar curve that closes on its interval, NaN for another.
func enclosedBy(d *evaluate.Demonstration, m *evaluate.Trajectory, c *trajectory.Curve) float64 {
	first, last := m.Place(m.From), m.Place(m.To)
	if _, closes := c.Closing(); !m.Polar || !closes || math.Hypot(first.X-last.X, first.Y-last.Y) > 1e-9 {
		return math.NaN()
	}
	pole := func(float64) float64 { return 0 }
	return trajectory.RegionArea(trajectory.Between(d.Outline(m), pole, false))
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

func trajectoryLines(d *evaluate.Demonstration, m *evaluate.Trajectory, c *trajectory.Curve, unit float64) []CircleLine {
	lines := []CircleLine{}
	line := func(name, latex string) { lines = append(lines, CircleLine{name, d.Typeset(latex)}) }
	from, to := m.From*unit, m.To*unit
	angle := func(t float64) string {
		if unit != 1 {
			return "{" + number.Format(t/unit, 2) + `}^{\circ}`
		}
		if ofPi := evaluate.MultipleOfPi(t); ofPi != "" {
			return ofPi
		}
		return number.Format(t, 3)
	}
	if closing, ok := c.Closing(); ok {
		line("closes after", angle(closing.Float()))
	} else {
		line("closes", `\text{never}`)
	}
	if area := c.Area(from, to); area.Value == area.Value {
		line("area swept by the ray", evaluate.WithExact(area.Value))
		// A ray that goes around twice, or turns back, sweeps over a place more than once; one that runs off closes nothing.
		if enclosed := enclosedBy(d, m, c); !math.IsInf(area.Value, 0) && enclosed == enclosed && math.Abs(enclosed-math.Abs(area.Value)) > 1e-6*enclosed {
			line("area enclosed", evaluate.WithExact(enclosed))
		}
	}
	line("length", evaluate.WithExact(c.Length(from, to).Value))
	box := c.Box(from, to)
	line("reaches", between(box.Low[0], "x", box.High[0])+`,\quad `+between(box.Low[1], "y", box.High[1]))
	level, upright := c.Tangents(from, to)
	list := func(name string, places []float64) {
		var parts []string
		for _, t := range places {
			parts = append(parts, angle(t))
		}
		if len(parts) > 0 {
			line(name, expr.LaTeXName(m.Variable())+"="+listed(parts))
		}
	}
	list("level tangents", level)
	list("upright tangents", upright)
	places := func(name string, list []trajectory.Place) {
		var parts []string
		for _, p := range list {
			parts = append(parts, "("+number.Format(p.X, 3)+`,\,`+number.Format(p.Y, 3)+")")
		}
		if len(parts) > 0 {
			line(name, listed(parts))
		}
	}
	onX, onY := c.OnAxes(from, to)
	places("meets the x-axis at", onX)
	places("meets the y-axis at", onY)
	places("crosses itself at", c.SelfCrossings(from, to))
	var symmetries []string
	has := c.Symmetries()
	for _, one := range []struct {
		is    bool
		words string
	}{{has.InX, `\text{in the x-axis}`}, {has.InY, `\text{in the y-axis}`}, {has.AtPole, `\text{about the pole}`}} {
		if one.is {
			symmetries = append(symmetries, one.words)
		}
	}
	if len(symmetries) > 0 {
		line("symmetric", listed(symmetries))
	}
	if f, ok := c.WithoutParameter(); ok {
		name := "without the parameter"
		if f.Kind != "" {
			name += ", " + f.Kind
		}
		line(name, expr.LaTeX(f.Left, nil)+"="+expr.LaTeX(f.Right, nil))
	}
	return lines
}

// listed writes the first of many parts.
func listed(parts []string) string {
	const most = 8
	if len(parts) > most {
		parts = append(parts[:most:most], `\dots`)
	}
	return study.Together(parts)
}

// trajectorySentence says what a trajectory or a part of one is.
func trajectorySentence(d *evaluate.Demonstration, s *evaluate.Shown, formula func(text string, variables ...string) PieceView) []PieceView {
	words := func(text string) PieceView { return PieceView{Text: text} }
	if s.Entry.Kind == document.PartOf {
		piece := s.Entry.Part.Piece
		if piece == document.Graph && s.Part.Of.Trajectory != nil {
			return []PieceView{words("the graph of "), {LaTeX: d.CoordinateLaTeX(s.Part.Of.Trajectory, s.Entry.Part.Ratio)}}
		}
		if piece == document.Region && s.Part.Other != nil {
			of, other := PieceView{LaTeX: expr.LaTeXName(s.Part.Of.Entry.Trajectory.Function)}, PieceView{LaTeX: expr.LaTeXName(s.Part.Other.Entry.Trajectory.Function)}
			if s.Entry.Part.Common {
				return []PieceView{words("what both "), of, words(" and "), other, words(" enclose")}
			}
			return []PieceView{words("what "), of, words(" encloses and "), other, words(" does not")}
		}
		if step := s.Entry.Part.Step; piece == document.Dots && step != "" {
			after := map[document.Joining]string{document.Straight: ", joined", document.Smooth: ", joined smoothly"}[s.Entry.Part.Line]
			return []PieceView{words("points at steps of "), formula(step), words(after)}
		}
		return []PieceView{words(map[document.CirclePiece]string{document.Ray: "the ray and the radius on it", document.Projections: "the projections on the axes",
			document.Velocity: "the velocity", document.Accelerated: "the acceleration", document.TangentAt: "the tangent", document.Osculating: "the circle of curvature",
			document.Dots: "dots at equal steps", document.Directions: "the direction along the curve", document.Swept: "what the ray sweeps over"}[piece])}
	}
	m := s.Entry.Trajectory
	ends := []PieceView{words(" for "), {LaTeX: formula(m.From).LaTeX + `\le ` + expr.LaTeXName(letterOf(d, m)) + `\le ` + formula(m.To).LaTeX}}
	if s.Entry.Family != nil {
		ends = append(append(ends, words(", ")), familySentence(d, s.Entry.Family, formula)...)
	}
	if m.Function != "" {
		return append([]PieceView{words("the polar curve "), {LaTeX: expr.LaTeXName(m.Function)}}, ends...)
	}
	pair := `\left(` + formula(m.X, letterOf(d, m)).LaTeX + d.Typeset(`,\;`) + formula(m.Y, letterOf(d, m)).LaTeX + `\right)`
	return append([]PieceView{words("the curve "), {LaTeX: pair}}, ends...)
}

func letterOf(d *evaluate.Demonstration, m *document.Trajectory) string {
	if f := d.Document.StatedNamed(m.Function); f != nil && len(f.Variables) == 1 {
		return f.Variables[0]
	}
	if m.Variable != "" {
		return m.Variable
	}
	return "t"
}
