package edit

import (
	"fmt"
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/parametric"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/surface"
)

// inSpace tells whether a body stands in space alone.
func inSpace(body document.Body) bool {
	switch b := body.(type) {
	case *surface.Body, *parametric.Body, *spacecurve.Body, *spacecurve.PartBody:
		return true
	case *surface.PartBody:
		return b.Piece != surface.Levels
	case *point.Body:
		return b.Z != ""
	case *figure.Body:
		return b.Shape == figure.Plane
	}
	return false
}

// withSpace gives a demonstration a space panel: in the place of its only panel where nothing is shown yet, else beside the others.
func withSpace(d *document.Document) error {
	if slices.ContainsFunc(d.Panels, func(p document.Panel) bool { return p.Kind == document.InSpace }) {
		return nil
	}
	if len(d.Panels) == document.MaxPanels {
		return problem.New("limit", 0, 0, fmt.Sprintf("%d panels", document.MaxPanels+1), fmt.Sprint(document.MaxPanels))
	}
	panel := newSpace(d)
	if len(d.Shown) == 0 && len(d.Panels) == 1 {
		d.Forget(map[string]bool{d.Panels[0].ID: true})
		for i := range d.Said {
			where := &d.Said[i].Where
			for k, id := range where.Panels {
				if id == d.Panels[0].ID {
					where.Panels[k] = panel.ID
				}
			}
		}
		d.Panels[0] = panel
		return nil
	}
	d.Panels = append(d.Panels, panel)
	return nil
}

// newSpace is a space panel as it begins.
func newSpace(d *document.Document) document.Panel {
	return document.Panel{ID: d.NewID("space"), Kind: document.InSpace, Window: document.Window{Left: -3, Right: 3, Bottom: -3, Top: 3, Space: document.FirstSight},
		Grid: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
}

// AddSpace puts an empty space panel beside the others.
func AddSpace(before *document.Document) (*document.Document, error) {
	d := clone(before)
	d.Panels = append(d.Panels, newSpace(d))
	return d, d.Check()
}

// surfaceOf finds a surface with its function.
func surfaceOf(d *document.Document, id string) (*document.Entry, *document.Stated, error) {
	body, ok := bodyOf[*surface.Body](d, id)
	if !ok {
		return nil, nil, problem.New("field", 0, 0, "id", "there is no such surface")
	}
	f := d.StatedNamed(body.Function)
	if f == nil || len(f.Variables) != 2 {
		return nil, nil, problem.New("two-variables", 0, 0, body.Function)
	}
	return d.Find(id), f, nil
}

// windowInSpace is the window of the space panel in a scene.
func windowInSpace(d *document.Document, scene int) document.Window {
	for i := range d.Panels {
		if d.Panels[i].Kind == document.InSpace && scene >= 0 && scene < len(d.Scenes) {
			return d.Scenes[scene].WindowOf(&d.Panels[i])
		}
	}
	return newSpace(d).Window
}

// AddSection puts a section of a surface across an axis, at a new dial, with its linked graph in a plane panel: the function of the other
// variable across x or y, the level curve across z.
func AddSection(before *document.Document, id string, axis surface.Axis, scene int) (*document.Document, error) {
	d := clone(before)
	_, f, err := surfaceOf(d, id)
	if err != nil {
		return nil, err
	}
	w := windowInSpace(d, scene)
	ends := map[surface.Axis][2]float64{surface.AcrossX: {w.Left, w.Right}, surface.AcrossY: {w.Bottom, w.Top}, surface.AcrossZ: {w.Space.Low, w.Space.High}}
	side, known := ends[axis]
	if !known {
		return nil, problem.New("field", 0, 0, "text", "x, y or z is needed")
	}
	dial := addDialOver(d, freeLetter(d, "c", "d", "k", "h"), side)
	if d, err = Put(d, document.Entry{Body: &surface.PartBody{Of: id, Piece: surface.Section, Axis: axis, At: dial}}); err != nil {
		return nil, err
	}
	colour := d.Shown[len(d.Shown)-1].Look.Colour
	d.StatedNamed(dial).Colour = colour
	x, y := f.Variables[0], f.Variables[1]
	plane, err := planeFor(d, axis, w)
	if err != nil {
		return nil, err
	}
	entry := document.Entry{Look: document.Look{Colour: colour}, Where: document.Where{Panels: []string{plane}}}
	switch axis {
	case surface.AcrossZ:
		if x != "x" || y != "y" {
			return d, d.Check()
		}
		entry.ID, entry.Body = d.NewID("z"), &region.Body{Conditions: []string{fmt.Sprintf("%s(x, y) = %s", f.Name, dial)}}
	default:
		name, free := freeFunctionName(d), y
		formula := fmt.Sprintf("%s(%s, %s)", f.Name, dial, y)
		if axis == surface.AcrossY {
			free, formula = x, fmt.Sprintf("%s(%s, %s)", f.Name, x, dial)
		}
		if d.DecimalComma {
			formula = expr.WithDecimalComma(formula)
		}
		d.Stated = append(d.Stated, document.Stated{ID: d.NewID("s"), Kind: document.Function, Name: name, Variables: []string{free}, Formula: formula})
		entry.ID, entry.Body = d.NewID("c"), &curve.Body{Function: name}
	}
	d.Shown = append(d.Shown, entry)
	return d, d.Check()
}

// addDialOver adds a dial whose bar goes from end to end, standing at three fifths of it, on its steps.
func addDialOver(d *document.Document, name string, ends [2]float64) string {
	const parts, share, digits = 60, 0.6, 9
	step := compose.RoundStep(ends[1]-ends[0], parts)
	write := func(v float64) string {
		text := number.Format(v, digits)
		if d.DecimalComma {
			text = expr.WithDecimalComma(text)
		}
		return text
	}
	p := newParameter(d, d.NewID("s"), name, freeColour(parameterColours(d)))
	p.From, p.To, p.Step = write(ends[0]), write(ends[1]), write(step)
	d.Stated = append(d.Stated, p)
	value := number.Round(ends[0]+math.Round((ends[1]-ends[0])*share/step)*step, digits)
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = value
	}
	return name
}

// planeFor is the panel of the plane in which the graph of a section stands; one is put beside where there is none.
func planeFor(d *document.Document, axis surface.Axis, w document.Window) (id string, err error) {
	for _, p := range d.Panels {
		if p.Kind == document.Plane {
			return p.ID, nil
		}
	}
	if len(d.Panels) == document.MaxPanels {
		return "", problem.New("limit", 0, 0, fmt.Sprintf("%d panels", document.MaxPanels+1), fmt.Sprint(document.MaxPanels))
	}
	p := document.Panel{ID: newPanelID(d), Kind: document.Plane, Grid: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	switch axis {
	case surface.AcrossX:
		p.Window, p.NameY = document.Window{Left: w.Bottom, Right: w.Top, Bottom: w.Space.Low, Top: w.Space.High}, "z"
	case surface.AcrossY:
		p.Window, p.NameY = document.Window{Left: w.Left, Right: w.Right, Bottom: w.Space.Low, Top: w.Space.High}, "z"
	default:
		p.Window, p.EqualScales = document.Window{Left: w.Left, Right: w.Right, Bottom: w.Bottom, Top: w.Top}, true
	}
	d.Panels = append(d.Panels, p)
	return p.ID, nil
}

// showOfSurface shows a piece at a point of a surface, with dials for the point where it has none yet.
func showOfSurface(d *document.Document, of *document.Entry, w PieceWanted) (*document.Document, error) {
	piece := surface.SurfacePiece(w.Piece)
	there := turnPiece(d, w, func(body document.Body) bool {
		p, ok := body.(*surface.PartBody)
		return ok && p.Of == w.Of && p.Piece == piece && (piece != surface.Levels || p.OnFloor)
	})
	if there || !w.Shown {
		return d, nil
	}
	part := surface.PartBody{Of: w.Of, Piece: piece}
	if piece == surface.Levels {
		part.OnFloor = true
		return Put(d, document.Entry{Where: document.Where{Panels: spacePanels(d)}, Body: &part})
	}
	part.X, part.Y = placeOn(d, w.Of, w.Scene)
	return Put(d, document.Entry{Where: of.Where, Body: &part})
}

// placeOn is the place of the pieces of a surface: where others are, else at two new dials.
func placeOn(d *document.Document, of string, scene int) (x, y string) {
	for _, s := range d.Shown {
		if p, ok := s.Body.(*surface.PartBody); ok && p.Of == of && p.X != "" {
			return p.X, p.Y
		}
	}
	w := windowInSpace(d, scene)
	x = addDialOver(d, freeLetter(d, "x_0", "p"), [2]float64{w.Left, w.Right})
	y = addDialOver(d, freeLetter(d, "y_0", "q"), [2]float64{w.Bottom, w.Top})
	return x, y
}

// showOfSpaceCurve shows a piece of a curve in space; at a point that runs through it, for which a dial is made where there is none.
func showOfSpaceCurve(d *document.Document, of *document.Entry, w PieceWanted) (*document.Document, error) {
	piece := spacecurve.SpacePiece(w.Piece)
	there := turnPiece(d, w, func(body document.Body) bool {
		p, ok := body.(*spacecurve.PartBody)
		return ok && p.Of == w.Of && p.Piece == piece
	})
	if there || !w.Shown {
		return d, nil
	}
	if b := of.Body.(*spacecurve.Body); b.Driver == "" && piece != spacecurve.Shadows {
		runThrough(d, b)
	}
	return Put(d, document.Entry{Where: of.Where, Body: &spacecurve.PartBody{Of: w.Of, Piece: piece}})
}

// runThrough makes a dial that runs along a curve in space.
func runThrough(d *document.Document, b *spacecurve.Body) {
	name := freeLetter(d, b.Letters(), "t", "s", "u")
	dial := newParameter(d, d.NewID("s"), name, drivenColour)
	dial.From, dial.To, dial.Step = b.From, b.To, "0.01"
	if d.DecimalComma {
		dial.Step = "0,01"
	}
	dial.Sweep = &document.Sweep{Way: document.Once, Seconds: 12}
	b.Driver = name
	d.Stated = append(d.Stated, dial)
	start := evaluate.DefaultValue
	for _, s := range evaluate.Load(d, nil).Shown {
		if live, ok := s.Live.(*spacecurve.Live); ok && s.Entry.Body == document.Body(b) {
			start = live.From + (live.To-live.From)/6
		}
	}
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = start
	}
}

// aroundHole lets a new curve in space that has no place at 0 run on both sides of it.
func aroundHole(d *document.Document, b *spacecurve.Body) {
	for _, s := range evaluate.Load(d, nil).Shown {
		live, ok := s.Live.(*spacecurve.Live)
		if !ok || s.Entry.Body != document.Body(b) || live.Place(0).IsFinite() {
			continue
		}
		if b.From, b.To = "−π", "π"; d.AngleUnit == document.Degree {
			b.From, b.To = "−180", "180"
		}
	}
}

// surfaceEntry shows a stated function of x and y as a surface.
func surfaceEntry(d *document.Document, name string) error {
	if err := withSpace(d); err != nil {
		return err
	}
	d.Shown = append(d.Shown, document.Entry{ID: d.NewID("u"), Look: document.Look{Colour: freeColour(shownColours(d))}, Body: &surface.Body{Function: name}})
	return nil
}

// isOfPlace tells whether a function's variables are those of the floor.
func isOfPlace(variables []string) bool { return slices.Equal(variables, []string{"x", "y"}) }
