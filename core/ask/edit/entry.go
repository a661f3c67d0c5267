package edit

import (
	"fmt"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	_ "parvix/core/stage/kinds"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/table"
)

// coloured wears the colour of something else when it is new.
type coloured interface {
	ColourLike(d *document.Document) (colour int, ok bool)
}

// tidied puts what was typed in order.
type tidied interface {
	Tidy()
}

// Put adds what is shown on the stage or said beside it, or replaces the entry with the same id. Its formulas must be
// readable; one that waits for a letter is. A new point without a name takes the next free one.
func Put(before *document.Document, entry document.Entry) (*document.Document, error) {
	d := clone(before)
	if err := readable(scope(d), entry); err != nil {
		return nil, err
	}
	entry, err := polarMeant(d, entry)
	if err != nil {
		return nil, err
	}
	if t, ok := entry.Body.(tidied); ok {
		t.Tidy()
	}
	if c, ok := entry.Body.(*curve.Body); ok && c.Grips && c.Family == nil {
		held, err := giveDials(d, c.Function)
		if err != nil {
			p, _ := problem.Of(err)
			return nil, p.In(entry.ID, "grips")
		}
		d = held
	}
	if inSpace(entry.Body) {
		if err := withSpace(d); err != nil {
			return nil, err
		}
	}
	if err := nameIt(d, entry); err != nil {
		return nil, err
	}
	if known := d.Find(entry.ID); known != nil {
		*known = entry
		return d, d.Check()
	}
	entry.ID = d.NewID(entry.Body.(kind.Body).Letter())
	if entry.Kind() == textKind {
		d.Said = append(d.Said, entry)
		return d, d.Check()
	}
	entry.Look.Colour = freeColour(shownColours(d))
	if c, ok := entry.Body.(coloured); ok {
		if colour, has := c.ColourLike(d); has {
			entry.Look.Colour = colour
		}
	}
	d.Shown = append(d.Shown, entry)
	return d, d.Check()
}

// textKind is the kind of what is said; all others are shown.
const textKind = document.Kind("text")

// nameIt gives a point without a name the next free one.
func nameIt(d *document.Document, entry document.Entry) error {
	own := entry.OwnName()
	if own == nil {
		return nil
	}
	if *own == "" {
		*own = freePointName(d)
		return nil
	}
	name, ok := expr.NameOf(*own)
	if !ok {
		return problem.New("name-invalid", 0, len(*own), *own).In(entry.ID, "name")
	}
	*own = name
	return nil
}

// readable holds that every formula of an entry can be read, and that what it names is stated; the problem names the field.
func readable(s *expr.Scope, e document.Entry) error {
	if e.Body == nil {
		return problem.New("field", 0, 0, "entry", "it is missing")
	}
	for _, r := range e.Refs() {
		if r.Optional && *r.Text == "" {
			continue
		}
		var err error
		switch r.Role {
		case document.Formula:
			_, err = expr.Parse(*r.Text, s.With(r.Variables...))
		case document.Statement:
			_, err = expr.ParseStatement(*r.Text, s)
		case document.Condition:
			_, err = expr.ParseRelation(*r.Text, s.With(r.Variables...))
		case document.FunctionName:
			if _, known := s.Functions[*r.Text]; !known {
				err = problem.New("not-a-function", 0, len(*r.Text), *r.Text)
			}
		case document.ParameterName:
			if !s.Names[*r.Text] {
				err = problem.New("not-a-parameter", 0, len(*r.Text), *r.Text)
			}
		}
		if err != nil {
			p, _ := problem.Of(err)
			return p.In(e.ID, r.Field)
		}
	}
	return nil
}

// Move puts an entry by places up (negative) or down among those of its part of the folio.
func Move(before *document.Document, id string, by int) *document.Document {
	d := clone(before)
	move(d.Stated, by, func(e document.Stated) bool { return e.ID == id })
	move(d.Shown, by, func(e document.Entry) bool { return e.ID == id })
	move(d.Said, by, func(e document.Entry) bool { return e.ID == id })
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
	entry := after.Find(id)
	for _, s := range d.Shown {
		if s.Entry.ID != id || entry == nil {
			continue
		}
		if settler, ok := s.Live.(evaluate.Settler); ok {
			settler.Settle(d, entry)
		}
	}
	for i := range after.Stated {
		if after.Stated[i].Kind == document.Data {
			d.Datasets.Settle(&after.Stated[i])
		}
	}
	return after
}

// Plot adds a point at (x, y), as they are typed, to a table.
func Plot(before *document.Document, id, x, y string) (*document.Document, error) {
	after := clone(before)
	plotted, ok := bodyOf[*table.Body](after, id)
	if !ok {
		return nil, problem.New("field", 0, len(id), "id", "there is no such table")
	}
	plotted.Rows = append(plotted.Rows, table.Row{X: x, Y: y})
	return after, after.Check()
}

// bodyOf finds the body of an entry of one kind by the entry's id.
func bodyOf[B document.Body](d *document.Document, id string) (body B, ok bool) {
	if e := d.Find(id); e != nil {
		body, ok = e.Body.(B)
	}
	return body, ok
}

func freePointName(d *document.Document) string {
	taken := map[string]bool{}
	for _, s := range d.Shown {
		if own := s.OwnName(); own != nil {
			taken[*own] = true
		}
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
		if c, ok := s.Body.(*curve.Body); !ok || !c.Parent {
			used = append(used, s.Look.Colour)
		}
	}
	return used
}
