package edit

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/maths/circle"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
)

// PieceWanted is a piece of a circle that is to be shown in a scene, or hidden there.
type PieceWanted struct {
	Circle string               `json:"circle"`
	Piece  document.CirclePiece `json:"piece"`
	Ratio  string               `json:"ratio"`
	Shown  bool                 `json:"shown"`
	Scene  int                  `json:"scene"`
}

// ShowPiece shows or hides a piece of a circle in a scene; what is not there yet is added. Without a piece it is all of a
// ratio: its length, its graph and, for the sine, the line that carries it over.
func ShowPiece(before *document.Document, w PieceWanted) (*document.Document, error) {
	d := clone(before)
	of := shownWithID(d, w.Circle)
	if of == nil || of.Kind != document.CircleEntry && of.Kind != document.Moving || w.Scene < 0 || w.Scene >= len(d.Scenes) {
		return nil, problem.New("field", 0, 0, "circle", "there is no such circle")
	}
	pieces := []document.CirclePiece{w.Piece}
	if w.Piece == "" {
		pieces = []document.CirclePiece{document.Length, document.Carried, document.Graph}
	}
	var err error
	for _, piece := range pieces {
		there := false
		for _, s := range d.Shown {
			if s.Of != w.Circle || s.Part == nil || s.Part.Piece != piece || s.Part.Step != "" || piece.HasRatio() && s.Part.Ratio != w.Ratio {
				continue
			}
			there = true
			scene := &d.Scenes[w.Scene]
			scene.Hidden = slices.DeleteFunc(scene.Hidden, func(id string) bool { return id == s.ID })
			if !w.Shown {
				scene.Hidden = append(scene.Hidden, s.ID)
			}
		}
		// Only the sine is carried over as it is; the others are turned, which is shown when it is asked for.
		if there || !w.Shown || w.Piece == "" && piece == document.Carried && w.Ratio != "sin" {
			continue
		}
		part := document.Part{Piece: piece}
		if piece.HasRatio() {
			part.Ratio, part.OnAxis, part.Rest = w.Ratio, onAxis(d, w.Circle), restOf(d, w.Circle)
		}
		if d, err = PutShown(d, document.Shown{Kind: document.PartOf, Of: w.Circle, Part: &part, Panels: panelsOf(d, of, piece)}); err != nil {
			return nil, err
		}
	}
	return d, d.Check()
}

// panelsOf are the panels of a new part: those of what it belongs to, but a trajectory's graphs stand in the last one.
func panelsOf(d *document.Document, of *document.Shown, piece document.CirclePiece) []string {
	if of.Kind == document.Moving && piece == document.Graph {
		return []string{d.Panels[len(d.Panels)-1].ID}
	}
	return of.Panels
}

// onAxis and restOf are how the other parts of a circle are drawn, so that a new one is drawn alike.
func onAxis(d *document.Document, circle string) bool {
	return slices.ContainsFunc(d.Shown, func(s document.Shown) bool { return s.Of == circle && s.Part != nil && s.Part.OnAxis })
}

func restOf(d *document.Document, circle string) document.RestOfGraph {
	for _, s := range d.Shown {
		if s.Of == circle && s.Part != nil && s.Part.Piece == document.Graph {
			return s.Part.Rest
		}
	}
	return ""
}

// drivenColour is the colour of a new dial that turns a circle: none of those of the six functions.
const drivenColour = 6

// AddCircle puts a circle's panel and a plane beside it, with a dial that turns the circle.
func AddCircle(before *document.Document, given document.Circle) (*document.Document, error) {
	d := clone(before)
	if len(d.Panels) > 1 {
		return nil, problem.New("field", 0, 0, "panels", "a circle and its graph need two panels, and there are more")
	}
	var err error
	if d.StatedNamed(given.Driver) == nil {
		if d, err = AddParameters(d, []string{given.Driver}); err != nil {
			return nil, err
		}
		dial := &d.Stated[len(d.Stated)-1]
		dial.From, dial.To, dial.Step, dial.Colour = "-2π", "4π", "π/180", drivenColour
		turn := 2 * math.Pi
		if d.AngleUnit == document.Degree {
			dial.From, dial.To, dial.Step = "-360", "720", "1"
			turn = 360
		}
		dial.Sweep = &document.Sweep{Way: document.Once, Seconds: 18}
		for i := range d.Scenes {
			d.Scenes[i].Values[dial.Name] = turn / 12
		}
		given.Driver = dial.Name
	}
	plane := d.Panels[0]
	plane.EqualScales, plane.TicksX = true, document.TicksInPi
	plane.Window = document.Window{Left: -0.5, Right: 7, Bottom: -2, Top: 2}
	if d.AngleUnit == document.Degree {
		plane.TicksX, plane.EqualScales = document.TicksInDegrees, false
		plane.Window.Left, plane.Window.Right = -30, 400
	}
	around := document.Panel{ID: "circle1", Kind: document.Around, Window: document.Window{Left: -1.8, Right: 1.8, Bottom: -1.8, Top: 1.8},
		EqualScales: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	d.Panels = []document.Panel{around, plane}
	if d, err = PutShown(d, document.Shown{Kind: document.CircleEntry, Circle: &given}); err != nil {
		return nil, err
	}
	added := d.Shown[len(d.Shown)-1].ID
	for _, piece := range []document.CirclePiece{document.Arc, document.AngleMark, document.Unrolled} {
		if d, err = ShowPiece(d, PieceWanted{Circle: added, Piece: piece, Shown: true}); err != nil {
			return nil, err
		}
	}
	return ShowPiece(d, PieceWanted{Circle: added, Ratio: "sin", Shown: true})
}

// SetAngleUnit changes the unit of every bare angle. What is itself an angle is converted: the interval of a polar curve, the
// dial that turns a circle or runs along a polar curve, with its ends, its step and its values in the scenes, and the axis of
// the graph beside it. Other formulas stay as they are.
func SetAngleUnit(before *document.Document, unit document.AngleUnit) (*document.Document, error) {
	d := clone(before)
	if d.AngleUnit == unit {
		return d, nil
	}
	d.AngleUnit = unit
	u := unitChange{d: d, unit: unit, factor: 180 / math.Pi, ticks: document.TicksInDegrees, step: "1", done: map[string]bool{}}
	if unit == document.Radian {
		u.factor, u.ticks, u.step = math.Pi/180, document.TicksInPi, "π/180"
	}
	for _, s := range d.Shown {
		switch {
		case s.Circle != nil && (s.Circle.Angle == "" || s.Circle.Angle == s.Circle.Driver):
			u.dial(s.Circle.Driver)
			for i := range d.Panels {
				if p := &d.Panels[i]; p.Kind == document.Plane && appearsOn(s, p.ID) {
					u.axis(p, unit == document.Radian)
				}
			}
		case s.Trajectory != nil && s.Trajectory.Function != "":
			m := s.Trajectory
			m.From, m.To = u.end(m.From), u.end(m.To)
			u.dial(m.Driver)
			for _, part := range d.Shown {
				if part.Of != s.ID || part.Part == nil {
					continue
				}
				if part.Part.Step != "" {
					part.Part.Step = u.end(part.Part.Step)
				}
				if part.Part.Piece != document.Graph {
					continue
				}
				for i := range d.Panels {
					if p := &d.Panels[i]; appearsOn(part, p.ID) {
						u.axis(p, p.EqualScales)
					}
				}
			}
		}
	}
	return d, d.Check()
}

func appearsOn(s document.Shown, panel string) bool {
	return len(s.Panels) == 0 || slices.Contains(s.Panels, panel)
}

// unitChange converts angles to another unit, each dial and each axis once.
type unitChange struct {
	d      *document.Document
	unit   document.AngleUnit
	factor float64
	ticks  document.TickStyle
	step   string
	done   map[string]bool
}

func (u unitChange) once(id string) bool {
	first := !u.done[id]
	u.done[id] = true
	return first
}

// dial converts a dial that is an angle.
func (u unitChange) dial(name string) {
	dial := u.d.StatedNamed(name)
	if dial == nil || !u.once(dial.ID) {
		return
	}
	dial.From, dial.To, dial.Step = u.end(dial.From), u.end(dial.To), u.step
	for i := range u.d.Scenes {
		if v, ok := u.d.Scenes[i].Values[name]; ok {
			u.d.Scenes[i].Values[name] = number.Round(v*u.factor, 12)
		}
	}
}

// axis lets a panel's x-axis count the new unit.
func (u unitChange) axis(p *document.Panel, equal bool) {
	if !u.once(p.ID) {
		return
	}
	p.TicksX, p.EqualScales = u.ticks, equal
	p.Window.Left, p.Window.Right = p.Window.Left*u.factor, p.Window.Right*u.factor
	for k := range u.d.Scenes {
		if w, ok := u.d.Scenes[k].Windows[p.ID]; ok {
			w.Left, w.Right = w.Left*u.factor, w.Right*u.factor
			u.d.Scenes[k].Windows[p.ID] = w
		}
	}
}

// end writes an end in the new unit: 2π as 360, 90 as π/2; one that cannot be read or holds a letter stays.
func (u unitChange) end(text string) string {
	f, err := expr.Parse(text, scope(u.d))
	if err != nil || len(expr.Names(f.Node)) > 0 {
		return text
	}
	at, err := program.CompilePoint(f.Node, []string{"\x00"})
	if err != nil {
		return text
	}
	v := at([]float64{0}) * u.factor
	if u.unit == document.Radian {
		if exact := circle.At(v).Exact(); exact != nil {
			return expr.Pretty(exact)
		}
	}
	if u.d.DecimalComma {
		return expr.WithDecimalComma(number.Format(v, 9))
	}
	return number.Format(v, 9)
}
