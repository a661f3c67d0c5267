package edit

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/trajectory"
)

// angleLetter makes a statement without a head polar: r = 1 + cos θ.
const angleLetter = "θ"

// isPolar tells whether a stated function is written as a polar curve: r(θ) or r(φ), with any name but those that
// functions drawn over an axis have; f(θ) = sin θ is a graph.
func isPolar(name string, variables []string) bool {
	return len(variables) == 1 && (variables[0] == angleLetter || variables[0] == "φ") && !slices.Contains([]string{"f", "g", "h", "y"}, name)
}

// meansAngle tells whether a formula without a head's variable is one of θ, which no dial of the teacher's is.
func meansAngle(d *document.Document, n expr.Node) bool {
	if !slices.Contains(expr.Names(n), angleLetter) || slices.Contains(expr.Names(n), "x") {
		return false
	}
	dial := d.StatedNamed(angleLetter)
	return dial == nil || slices.ContainsFunc(d.Shown, func(s document.Entry) bool {
		m, ok := s.Body.(*trajectory.Body)
		return ok && m.Driver == angleLetter
	})
}

// squaredRadius takes r² = 4cos(2θ) as a textbook writes it: r = √(4cos(2θ)), and where half a turn on is not the same, −√ as a second curve.
func squaredRadius(before *document.Document, text string) (d *document.Document, is bool, err error) {
	radius, is := radiusSquaredIn(before, text)
	if !is {
		return nil, false, nil
	}
	square := behindEquals(text)
	if d, err = State(before, "", radius+"("+angleLetter+") = √("+square+")"); err != nil {
		return nil, true, err
	}
	dials, err := WithDials(d, before)
	if err != nil || isSameHalfATurnOn(dials, radius) {
		return d, true, err
	}
	d, err = State(d, "", freeFunctionName(d)+"_1("+angleLetter+") = −√("+square+")")
	return d, true, err
}

// radiusSquaredIn is the letter r of r² = …, an equation in θ.
func radiusSquaredIn(d *document.Document, text string) (radius string, is bool) {
	s := scope(d)
	relation, err := expr.ParseRelation(text, s)
	if err != nil || !relation.IsEquation() {
		return "", false
	}
	power, isPower := relation.Sides[0].(*expr.Binary)
	if !isPower || power.Op != expr.Pow || !expr.Equal(power.R, expr.Num(2)) || !meansAngle(d, relation.Sides[1]) {
		return "", false
	}
	name, isName := power.L.(*expr.Name)
	if !isName || s.Names[name.Name] {
		return "", false
	}
	return name.Name, true
}

// isSameHalfATurnOn tells whether a polar curve lies half a turn on where it lies now, so that a negative radius brings nothing new.
func isSameHalfATurnOn(d *document.Document, function string) bool {
	const looks = 31
	e := evaluate.Load(d, nil)
	for _, s := range e.Shown {
		m, is := s.Live.(*trajectory.Live)
		if !is || s.Entry.Field("function") != function {
			continue
		}
		half := math.Pi / e.RadiansPerUnit()
		for k := range looks {
			t := half * 2 * math.Mod(float64(k)*math.Sqrt2+0.137, 1)
			a, b := m.Radius(t), m.Radius(t+half)
			if (a == a) != (b == b) || a == a && math.Abs(a-b) > 1e-9*math.Max(1, math.Abs(a)) {
				return false
			}
		}
	}
	return true
}

// polarCurve is the entry that shows a stated r as a polar curve, on its closing interval or one turn. On a stage where
// nothing is shown yet the grid becomes polar.
func polarCurve(d *document.Document, name string) document.Entry {
	turn := "2π"
	if d.AngleUnit == document.Degree {
		turn = "360"
	}
	if len(d.Shown) == 0 && len(d.Panels) == 1 {
		d.Panels[0].Polar = true
	}
	return document.Entry{Look: document.Look{Label: document.LabelFormula, Colour: freeColour(shownColours(d))},
		Body: &trajectory.Body{Function: name, From: "0", To: turn}}
}

// closed gives a polar curve its closing interval, where it has one other than a turn.
func closed(d *document.Document, id string) *document.Document {
	e := evaluate.Load(d, nil)
	given, _ := bodyOf[*trajectory.Body](d, id)
	for _, s := range e.Shown {
		m, ok := s.Live.(*trajectory.Live)
		if s.Entry.ID != id || !ok {
			continue
		}
		c, err := m.Studied(e)
		if err != nil {
			return d
		}
		if closing, ok := c.Closing(); ok && d.AngleUnit == document.Radian {
			given.To = expr.Pretty(closing.Node())
		} else if ok {
			given.To = expr.Pretty(expr.Num(int64(math.Round(closing.Float() * 180 / math.Pi))))
		}
	}
	return d
}

// Watch lets a trajectory be watched as it comes into being: a dial runs along its interval, with the ray of a polar curve
// or the velocity of a parametric one, and its coordinates as graphs in a panel beside it.
func Watch(before *document.Document, id string, scene int) (*document.Document, error) {
	d := clone(before)
	if b, ok := bodyOf[*spacecurve.Body](d, id); ok {
		if b.Driver == "" {
			runThrough(d, b)
		}
		return d, d.Check()
	}
	m, ok := bodyOf[*trajectory.Body](d, id)
	if !ok {
		return nil, problem.New("field", 0, 0, "id", "there is no such curve")
	}
	if m.Driver == "" {
		drive(d, m)
	}
	polar := m.Function != ""
	if len(d.Panels) == 1 {
		beside := d.Panels[0]
		beside.ID, beside.Polar, beside.EqualScales, beside.Grid = newPanelID(d), false, false, true
		beside.TicksX = document.TicksInPi
		beside.Window = document.Window{Left: -0.5, Right: 7, Bottom: -4, Top: 4}
		if d.AngleUnit == document.Degree {
			beside.TicksX, beside.Window.Left, beside.Window.Right = document.TicksInDegrees, -30, 400
		}
		first := d.Panels[0].ID
		for i := range d.Shown {
			if where := &d.Shown[i].Where; len(where.Panels) == 0 {
				where.Panels = []string{first}
			}
		}
		d.Panels = append(d.Panels, beside)
	}
	pieces := []PieceWanted{{Piece: string(trajectory.Ray)}, {Piece: string(trajectory.Graph), Ratio: "r"}}
	if !polar {
		pieces = []PieceWanted{{Piece: string(trajectory.Velocity)}, {Piece: string(trajectory.Graph), Ratio: "x"}, {Piece: string(trajectory.Graph), Ratio: "y"}}
	}
	var err error
	for _, w := range pieces {
		w.Of, w.Shown, w.Scene = id, true, scene
		if d, err = ShowPiece(d, w); err != nil {
			return nil, err
		}
	}
	return d, d.Check()
}

// polarMeant turns a tangent to, a perpendicular on or the intersections of functions that are shown as polar curves alone into those of the
// curves: as a graph over an axis nobody sees them.
func polarMeant(d *document.Document, entry document.Entry) (document.Entry, error) {
	f, is := entry.Body.(*figure.Body)
	if !is || f.Shape.Points() != 0 {
		return entry, nil
	}
	first := shownAs(d, f.Function)
	switch f.Shape {
	case figure.Intersection:
		second := shownAs(d, f.Other)
		if f.Function == f.Other {
			return entry, problem.New("field", 0, 0, "other", "two different functions are needed").In(entry.ID, "other")
		}
		if isTrajectory(second) && !isTrajectory(first) {
			first, second = second, first
		}
		if isTrajectory(first) && second != nil {
			entry.Body = &trajectory.PartBody{Of: first.ID, Piece: trajectory.Meets, Other: second.ID}
			entry.Where = first.Where
		}
	case figure.Tangent, figure.Normal:
		if isTrajectory(first) {
			piece := map[figure.Shape]trajectory.Piece{figure.Tangent: trajectory.TangentAt, figure.Normal: trajectory.NormalAt}[f.Shape]
			entry.Body, entry.Where = &trajectory.PartBody{Of: first.ID, Piece: piece, At: f.At}, first.Where
		}
	}
	return entry, nil
}

// shownAs is the entry that shows a function: as a graph if there is one, else as a polar curve; nil where nothing does.
func shownAs(d *document.Document, function string) (entry *document.Entry) {
	for i := range d.Shown {
		switch b := d.Shown[i].Body.(type) {
		case *curve.Body:
			if b.Function == function {
				return &d.Shown[i]
			}
		case *trajectory.Body:
			if b.Function == function && entry == nil {
				entry = &d.Shown[i]
			}
		}
	}
	return entry
}

func isTrajectory(e *document.Entry) bool {
	if e == nil {
		return false
	}
	_, is := e.Body.(*trajectory.Body)
	return is
}

// drive makes a dial that runs along a trajectory's interval.
func drive(d *document.Document, m *trajectory.Body) {
	letter := m.Letters()
	if f := d.StatedNamed(m.Function); f != nil && len(f.Variables) == 1 {
		letter = f.Variables[0]
	}
	name := freeLetter(d, letter, "t", "s", "u")
	dial := newParameter(d, d.NewID("s"), name, drivenColour)
	dial.From, dial.To, dial.Step = m.From, m.To, "π/180"
	if d.AngleUnit == document.Degree && m.Function != "" {
		dial.Step = "1"
	}
	dial.Sweep = &document.Sweep{Way: document.Once, Seconds: 12}
	m.Driver = name
	d.Stated = append(d.Stated, dial)
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = startOf(d, m)
	}
}

// startOf is a sixth of a trajectory's interval: far enough for something to be seen.
func startOf(d *document.Document, m *trajectory.Body) float64 {
	e := evaluate.Load(d, nil)
	for _, s := range e.Shown {
		if live, ok := s.Live.(*trajectory.Live); ok && s.Entry.Body == document.Body(m) {
			return live.From + (live.To-live.From)/6
		}
	}
	return evaluate.DefaultValue
}

func newPanelID(d *document.Document) string {
	for n := 2; ; n++ {
		id := "plane" + string(rune('0'+n))
		if !slices.ContainsFunc(d.Panels, func(p document.Panel) bool { return p.ID == id }) {
			return id
		}
	}
}
