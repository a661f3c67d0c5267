package evaluate

import (
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// idle are the dials that move nothing in the scene, as they were found for what was seen.
type idle struct {
	seen  string
	names []string
}

// ranThrough are the fields whose parameter an entry runs through itself, as a family and a path do: the dial of that letter does not move it.
var ranThrough = []string{"family.parameter", "as"}

// Idle names the dials on which nothing hangs that the scene shows or says: before a class they would do nothing.
func (d *Demonstration) Idle() []string {
	seen := make([]byte, 0, len(d.Shown)+len(d.Said))
	for _, list := range [2][]*Shown{d.Shown, d.Said} {
		for _, s := range list {
			seen = append(seen, '0')
			if d.belongs(s) {
				seen[len(seen)-1] = '1'
			}
		}
	}
	if d.idle.names != nil && d.idle.seen == string(seen) {
		return d.idle.names
	}
	u := use{Demonstration: d, moves: make([]bool, len(d.Parameters)), visited: map[string]bool{}}
	for _, list := range [2][]*Shown{d.Shown, d.Said} {
		for _, s := range list {
			if d.belongs(s) {
				u.follow(s.Entry)
			}
		}
	}
	d.idle = idle{string(seen), []string{}}
	for i, p := range d.Parameters {
		if !u.moves[i] {
			d.idle.names = append(d.idle.names, p.Stated.Name)
		}
	}
	return d.idle.names
}

// belongs tells that the scene keeps an entry, though it may be covered now, or that it was revealed: to cover a curve takes no dial away.
func (d *Demonstration) belongs(s *Shown) bool {
	return !d.scene().IsHidden(s.Entry.ID) || d.InScene(s)
}

// use is what the dials move: those on which an entry that was visited hangs.
type use struct {
	*Demonstration
	moves   []bool
	visited map[string]bool
}

// follow marks the parameters on which an entry hangs, by itself or by what it belongs to.
func (u *use) follow(e *document.Entry) {
	if u.visited[e.ID] {
		return
	}
	u.visited[e.ID] = true
	var own []string
	for _, field := range ranThrough {
		own = append(own, e.Field(field))
	}
	mark := func(i int) {
		if i >= 0 && !slices.Contains(own, u.Parameters[i].Stated.Name) {
			u.moves[i] = true
		}
	}
	for _, r := range e.Refs() {
		switch {
		case *r.Text == "" || slices.Contains(ranThrough, r.Field):
		case r.IsFormula():
			for _, i := range u.dialsOf(u.placesIn(r)) {
				mark(i)
			}
		case r.Role == document.FunctionName:
			if f := u.Function(*r.Text); f != nil {
				for _, i := range u.dialsOf(f.Hangs()) {
					mark(i)
				}
			}
		case r.Role == document.ParameterName:
			mark(u.Find(*r.Text))
		case r.Role == document.DataID:
			if data := u.DataOf(*r.Text); data != nil {
				for _, i := range u.dialsOf(data.hangs()) {
					mark(i)
				}
			}
		case r.Role == document.EntryID:
			if other := u.Other(*r.Text); other != nil {
				u.follow(other.Entry)
			}
		}
	}
}

// dialsOf are the dials among places of inputs, and those that move the data from which the other values follow.
func (u *use) dialsOf(places []int) (dials []int) {
	for _, i := range places {
		if i < len(u.Parameters) {
			dials = append(dials, i)
			continue
		}
		for _, f := range u.fits {
			if i+1 >= f.first && i+1 < f.first+len(f.model.Letters) {
				dials = append(dials, u.dialsOf(f.data.hangs())...)
			}
		}
		for _, t := range u.told {
			if i == t.place {
				dials = append(dials, u.dialsOf(t.data.hangs())...)
			}
		}
	}
	return dials
}

// placesIn are the places of the letters of a formula, those of the functions it uses included, but for its variables.
func (u *use) placesIn(r document.Ref) (places []int) {
	var sides []expr.Node
	scope := u.Scope().With(r.Variables...)
	switch r.Role {
	case document.Condition:
		relation, _ := expr.ParseRelation(*r.Text, scope)
		sides = relation.Sides
	case document.Statement:
		statement, _ := expr.ParseStatement(*r.Text, u.Scope())
		sides = []expr.Node{statement.Node}
	default:
		formula, _ := expr.Parse(*r.Text, scope)
		sides = []expr.Node{formula.Node}
	}
	var names []string
	for _, n := range sides {
		if n == nil {
			continue // what cannot be read hangs on nothing
		}
		if inlined, err := u.Resolve(n); err == nil {
			n = inlined
		}
		names = append(names, expr.Names(n)...)
	}
	for _, name := range names {
		if i, is := u.index[name]; is && !slices.Contains(r.Variables, name) {
			places = append(places, i)
		}
	}
	return places
}
