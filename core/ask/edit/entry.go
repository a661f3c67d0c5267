package edit

import (
	"fmt"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds"
)

// PutShown adds what is shown on the stage, or replaces the entry with the same id. Its formulas must be readable; one
// that waits for a letter is. A new point without a name takes the next free one.
func PutShown(before *document.Document, entry document.Shown) (*document.Document, error) {
	d := clone(before)
	s := scope(d)
	if err := readable(s, entry); err != nil {
		return nil, err
	}
	if entry.Kind == document.Moving && entry.Trajectory != nil && entry.Trajectory.Function == "" {
		typed, ok := expr.NameOf(entry.Trajectory.Variable)
		if !ok {
			typed = "t"
		}
		entry.Trajectory.Variable = typed
	}
	if entry.Kind == document.Curve && entry.Grips && entry.Family == nil {
		held, err := giveDials(d, entry.Function)
		if err != nil {
			p, _ := problem.Of(err)
			return nil, p.In(entry.ID, "grips")
		}
		d = held
	}
	if entry.Kind == document.Point || entry.Figure != nil && entry.Figure.Shape == document.Midpoint {
		name, ok := expr.NameOf(entry.Name)
		switch {
		case entry.Name == "":
			name = freePointName(d)
		case !ok:
			return nil, problem.New("name-invalid", 0, len(entry.Name), entry.Name).In(entry.ID, "name")
		}
		entry.Name = name
	}
	for i := range d.Shown {
		if d.Shown[i].ID == entry.ID {
			d.Shown[i] = entry
			return d, d.Check()
		}
	}
	entry.ID = d.NewID(kinds.Of(entry.Kind).Letter())
	if entry.Colour = freeColour(shownColours(d)); entry.Kind == document.Trace {
		for _, p := range d.Shown {
			if p.ID == entry.Of {
				entry.Colour = p.Colour
			}
		}
	}
	for _, other := range d.Shown {
		if entry.Kind == document.Found && other.Kind == document.Curve && other.Function == entry.Function {
			entry.Colour = other.Colour
			break
		}
	}
	d.Shown = append(d.Shown, entry)
	return d, d.Check()
}

// readable holds that every formula of an entry can be read; the problem names the field.
func readable(s *expr.Scope, e document.Shown) error {
	type field struct {
		name, text string
		variables  []string
	}
	var fields []field
	if e.Family != nil {
		if !s.Names[e.Family.Parameter] {
			return problem.New("not-a-parameter", 0, len(e.Family.Parameter), e.Family.Parameter).In(e.ID, "family.parameter")
		}
		for _, text := range e.Family.Values {
			fields = append(fields, field{name: "family.values", text: text})
		}
		if len(e.Family.Values) == 0 {
			fields = append(fields, field{name: "family.from", text: e.Family.From}, field{name: "family.to", text: e.Family.To},
				field{name: "family.step", text: e.Family.Step})
		}
	}
	switch e.Kind {
	case document.Curve, document.Found, document.Steps, document.Path:
		if e.Kind == document.Path && !s.Names[e.As] {
			return problem.New("not-a-parameter", 0, len(e.As), e.As).In(e.ID, "as")
		}
		if _, known := s.Functions[e.Function]; !known {
			return problem.New("not-a-function", 0, len(e.Function), e.Function).In(e.ID, "function")
		}
		if _, known := s.Functions[e.With]; e.With != "" && !known {
			return problem.New("not-a-function", 0, len(e.With), e.With).In(e.ID, "with")
		}
	case document.Table:
		for _, r := range e.Rows {
			fields = append(fields, field{name: "rows", text: r.X}, field{name: "rows", text: r.Y})
		}
	case document.Moving:
		m := e.Trajectory
		if m == nil {
			return problem.New("field", 0, 0, "trajectory", "it is missing").In(e.ID, "trajectory")
		}
		if _, known := s.Functions[m.Function]; m.Function != "" && !known {
			return problem.New("not-a-function", 0, len(m.Function), m.Function).In(e.ID, "trajectory.function")
		}
		if m.Function == "" {
			letter := m.Variable
			if letter == "" {
				letter = "t"
			}
			fields = append(fields, field{"trajectory.x", m.X, []string{letter}}, field{"trajectory.y", m.Y, []string{letter}})
		}
		fields = append(fields, field{name: "trajectory.from", text: m.From}, field{name: "trajectory.to", text: m.To})
	case document.FigureEntry:
		if e.Figure != nil && e.Figure.Shape.Points() == 0 {
			names := []string{e.Function}
			if e.Figure.Shape == document.Intersection {
				names = append(names, e.Figure.Other)
			} else {
				fields = []field{{name: "at", text: e.At}}
			}
			for _, name := range names {
				if _, known := s.Functions[name]; !known {
					return problem.New("not-a-function", 0, len(name), name).In(e.ID, "function")
				}
			}
		}
	case document.CircleEntry:
		c := e.Circle
		if c == nil || !s.Names[c.Driver] {
			driver := ""
			if c != nil {
				driver = c.Driver
			}
			return problem.New("not-a-parameter", 0, len(driver), driver).In(e.ID, "circle.driver")
		}
		for _, f := range []field{{name: "circle.angle", text: c.Angle}, {name: "circle.radius", text: c.Radius}, {name: "circle.centre", text: c.Centre}} {
			if f.text != "" {
				fields = append(fields, f)
			}
		}
	case document.PartOf:
		if e.Part != nil && e.Part.Step != "" {
			fields = append(fields, field{name: "part.step", text: e.Part.Step})
		}
	case document.Point:
		fields = []field{{name: "x", text: e.X}, {name: "y", text: e.Y}}
	case document.Guide:
		fields = []field{{name: "at", text: e.At}}
		if e.Direction == document.Slanted {
			fields[0].variables = []string{"x"}
		}
	}
	for _, f := range fields {
		if err := readableFormula(f.text, s.With(f.variables...)); err != nil {
			p, _ := problem.Of(err)
			return p.In(e.ID, f.name)
		}
	}
	return nil
}

func readableFormula(text string, s *expr.Scope) error {
	_, err := expr.Parse(text, s)
	return err
}

// PutSaid adds a text, or replaces the one with the same id. Formulas and values in it must be readable.
func PutSaid(before *document.Document, entry document.Said) (*document.Document, error) {
	d := clone(before)
	s := scope(d)
	for _, p := range entry.Pieces {
		var err error
		switch p.Kind {
		case document.Formula:
			_, err = expr.ParseStatement(p.Text, s)
		case document.Value:
			err = readableFormula(p.Text, s)
		case document.Told:
			if _, known := s.Functions[p.Text]; !known {
				err = problem.New("not-a-function", 0, len(p.Text), p.Text)
			}
		}
		if err != nil {
			found, _ := problem.Of(err)
			return nil, found.In(entry.ID, "pieces")
		}
	}
	for i := range d.Said {
		if d.Said[i].ID == entry.ID {
			d.Said[i] = entry
			return d, d.Check()
		}
	}
	entry.ID = d.NewID("w")
	d.Said = append(d.Said, entry)
	return d, d.Check()
}

// Move puts an entry by places up (negative) or down among those of its part of the folio.
func Move(before *document.Document, id string, by int) *document.Document {
	d := clone(before)
	move(d.Stated, by, func(e document.Stated) bool { return e.ID == id })
	move(d.Shown, by, func(e document.Shown) bool { return e.ID == id })
	move(d.Said, by, func(e document.Said) bool { return e.ID == id })
	return d
}

func move[T any](list []T, by int, wanted func(T) bool) {
	for i := range list {
		if !wanted(list[i]) {
			continue
		}
		to := max(0, min(len(list)-1, i+by))
		moved := list[i]
		if to > i {
			copy(list[i:to], list[i+1:to+1])
		} else {
			copy(list[to+1:i+1], list[to:i])
		}
		list[to] = moved
		return
	}
}

// Settle writes the places at which a free point or plotted points were left in play into the document.
func Settle(before *document.Document, d *evaluate.Demonstration, id string) *document.Document {
	after := clone(before)
	entry := shownWithID(after, id)
	for _, s := range d.Shown {
		if s.Entry.ID != id || entry == nil {
			continue
		}
		if settler, ok := s.Live.(evaluate.Settler); ok {
			settler.Settle(d, entry)
		}
	}
	return after
}

// Plot adds a point at (x, y), as they are typed, to a table.
func Plot(before *document.Document, id, x, y string) (*document.Document, error) {
	after := clone(before)
	entry := shownWithID(after, id)
	if entry == nil || entry.Kind != document.Table {
		return nil, problem.New("field", 0, len(id), "id", "there is no such table")
	}
	entry.Rows = append(entry.Rows, document.Row{X: x, Y: y})
	return after, after.Check()
}

// shownWithID finds an entry of the stage; nil when there is none.
func shownWithID(d *document.Document, id string) *document.Shown {
	for i := range d.Shown {
		if d.Shown[i].ID == id {
			return &d.Shown[i]
		}
	}
	return nil
}

func freePointName(d *document.Document) string {
	taken := map[string]bool{}
	for _, s := range d.Shown {
		taken[s.Name] = true
	}
	for _, name := range strings.Fields("P Q R S T U V W A B C D") {
		if !taken[name] && d.StatedNamed(name) == nil {
			return name
		}
	}
	for n := 1; ; n++ {
		if name := fmt.Sprintf("P_%d", n); !taken[name] {
			return name
		}
	}
}

func shownColours(d *document.Document) (used []int) {
	for _, s := range d.Shown {
		if !s.Parent {
			used = append(used, s.Colour)
		}
	}
	return used
}
