package edit

import (
	"fmt"
	"math"
	"slices"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
)

// AddCircle puts up a circle with a dial that turns it, and its graph beside it: the first in a panel before the plane, a further one in
// the pictures of the first, or in two panels of its own.
func AddCircle(before *document.Document, given circle.Body, own bool) (*document.Document, error) {
	d := clone(before)
	var where document.Where
	var err error
	first := slices.IndexFunc(d.Shown, func(e document.Entry) bool { return isCircle(&e) })
	switch {
	case first >= 0 && !own:
		where = d.Shown[first].Where
	case len(d.Panels) == 1 && d.Panels[0].Kind == document.Plane:
		d.Panels = circlePanels(d, d.Panels[0])
	default:
		where, err = ownPanels(d)
	}
	if err != nil {
		return nil, err
	}
	if d.StatedNamed(given.Driver) == nil {
		if d, err = driving(d, &given); err != nil {
			return nil, err
		}
	}
	if d, err = Put(d, document.Entry{Where: where, Body: &given}); err != nil {
		return nil, err
	}
	added := d.Shown[len(d.Shown)-1].ID
	// Two arcs about one centre would lie on each other.
	if first < 0 || own {
		for _, piece := range []circle.Piece{circle.Arc, circle.AngleMark, circle.Unrolled} {
			if d, err = ShowPiece(d, PieceWanted{Of: added, Piece: string(piece), Shown: true}); err != nil {
				return nil, err
			}
		}
	}
	if d, err = ShowPiece(d, PieceWanted{Of: added, Ratio: "sin", Shown: true}); err != nil {
		return nil, err
	}
	if first >= 0 && !own {
		tellApart(d, added)
	}
	return d, d.Check()
}

func isCircle(e *document.Entry) bool {
	_, is := e.Body.(*circle.Body)
	return is
}

// tellApart dashes the graphs of a further circle, whose colours are those of the first one's.
func tellApart(d *document.Document, of string) {
	for i := range d.Shown {
		if p, is := d.Shown[i].Body.(*circle.PartBody); is && p.Of == of && p.Piece == circle.Graph {
			d.Shown[i].Look.Pattern = document.Dashed
		}
	}
}

// drivenColour is the colour of a new dial that turns a circle or runs a point: none of those of the six functions.
const drivenColour = 6

// drivenColours are those of the dials of several circles.
var drivenColours = [2]int{drivenColour, 7}

// driving states the dial that turns a circle, over three turns.
func driving(d *document.Document, given *circle.Body) (*document.Document, error) {
	circles := 0
	for i := range d.Shown {
		if isCircle(&d.Shown[i]) {
			circles++
		}
	}
	d, err := AddParameters(d, []string{given.Driver})
	if err != nil {
		return nil, err
	}
	dial := &d.Stated[len(d.Stated)-1]
	dial.From, dial.To, dial.Step, dial.Colour = "-2π", "4π", "π/180", drivenColours[circles%len(drivenColours)]
	turn := 2 * math.Pi
	if d.AngleUnit == document.Degree {
		dial.From, dial.To, dial.Step = "-360", "720", "1"
		turn = 360
	}
	dial.Sweep = &document.Sweep{Way: document.Once, Seconds: 18}
	for i := range d.Scenes {
		// A further point begins apart from those that are there.
		d.Scenes[i].Values[dial.Name] = turn / 12 * float64(1+circles%11)
	}
	given.Driver = dial.Name
	return d, nil
}

// circlePanels are a circle's panel and a plane made into that of its graph.
func circlePanels(d *document.Document, plane document.Panel) []document.Panel {
	plane.EqualScales, plane.TicksX = true, document.TicksInPi
	plane.Window = document.Window{Left: -0.5, Right: 7, Bottom: -2, Top: 2}
	if d.AngleUnit == document.Degree {
		plane.TicksX, plane.EqualScales = document.TicksInDegrees, false
		plane.Window.Left, plane.Window.Right = -30, 400
	}
	around := document.Panel{ID: d.NewID("circle"), Kind: document.Around, Window: document.Window{Left: -1.8, Right: 1.8, Bottom: -1.8, Top: 1.8},
		EqualScales: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	return []document.Panel{around, plane}
}

// ownPanels adds a circle's panel and its graph's after those that are there; what appears in all of those stays in them.
func ownPanels(d *document.Document) (where document.Where, err error) {
	if len(d.Panels)+2 > document.MaxPanels {
		return where, problem.New("limit", 0, 0, fmt.Sprintf("%d panels", len(d.Panels)+2), fmt.Sprint(document.MaxPanels))
	}
	keepToPanels(d)
	plane := document.Panel{ID: d.NewID("plane"), Kind: document.Plane, Grid: true, Axes: true, TicksY: document.TicksInNumbers}
	for _, p := range circlePanels(d, plane) {
		d.Panels = append(d.Panels, p)
		where.Panels = append(where.Panels, p.ID)
	}
	return where, nil
}

// keepToPanels lets everything appear in the panels in which it appears now, whatever panels come.
func keepToPanels(d *document.Document) {
	var all []string
	for _, p := range d.Panels {
		all = append(all, p.ID)
	}
	for i := range d.Shown {
		if where := &d.Shown[i].Where; len(where.Panels) == 0 {
			where.Panels = slices.Clone(all)
		}
	}
}
