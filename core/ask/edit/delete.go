package edit

import (
	"maps"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// Delete takes an entry out, with what cannot be without it: a function's curves, a point's traces and figures, and what
// hangs on those.
func Delete(before *document.Document, id string) (*document.Document, error) {
	d := clone(before)
	name := ""
	d.Stated = keep(d.Stated, func(e document.Stated) bool {
		if e.ID == id && e.Kind != document.Data {
			name = e.Name
		}
		return e.ID != id
	})
	freezeFits(d, before, id)
	var isFunction bool
	if e := before.StatedNamed(name); e != nil {
		isFunction = e.Kind == document.Function
	}
	gone := map[string]bool{id: true}
	for before := -1; len(gone) != before; {
		before = len(gone)
		d.Shown = keep(d.Shown, func(e document.Entry) bool {
			if gone[e.ID] || cannotBeWithout(e, gone, name) {
				gone[e.ID] = true
			}
			return !gone[e.ID]
		})
	}
	d.Said = keep(d.Said, func(e document.Entry) bool { return e.ID != id })
	for i := range d.Panels {
		delete(d.Panels[i].Values, name)
	}
	for i := range d.Scenes {
		delete(d.Scenes[i].Values, name)
	}
	for _, r := range d.Refs() {
		if r.Without == document.Emptied && missing(r, gone, name) {
			*r.Text = ""
		}
	}
	d.Forget(gone)
	if isFunction {
		d.Gone = append(d.Gone, name)
		tidyGone(d)
	}
	return d, d.Check()
}

// tidyGone keeps of the deleted functions those that something still uses and that were not stated anew.
func tidyGone(d *document.Document) {
	if len(d.Gone) == 0 {
		return
	}
	used := map[string]bool{}
	for _, name := range d.Gone {
		with := scope(d).With(name)
		with.Functions = maps.Clone(with.Functions)
		with.Functions[name] = expr.Gone
		d.Formulas(func(text *string, _ ...string) { used[name] = used[name] || callsGone(*text, with, name) })
	}
	d.Gone = keep(slices.Compact(slices.Sorted(slices.Values(d.Gone))), func(name string) bool {
		return used[name] && d.StatedNamed(name) == nil
	})
	if len(d.Gone) == 0 {
		d.Gone = nil
	}
}

// callsGone tells whether a formula or a relation calls a function that is gone.
func callsGone(text string, s *expr.Scope, name string) bool {
	_, asFormula := expr.Parse(text, s)
	_, asRelation := expr.ParseRelation(text, s)
	for _, err := range []error{asFormula, asRelation} {
		if p, ok := problem.Of(err); ok && p.Code == "gone" && slices.Contains(p.Args, name) {
			return true
		}
	}
	return false
}

// cannotBeWithout tells whether an entry goes with entries that are gone, or with what is stated under a name.
func cannotBeWithout(e document.Entry, gone map[string]bool, name string) bool {
	return slices.ContainsFunc(e.Refs(), func(r document.Ref) bool { return r.Without == document.Goes && missing(r, gone, name) })
}

// missing tells whether what is referred to is gone.
func missing(r document.Ref, gone map[string]bool, name string) bool {
	switch r.Role {
	case document.EntryID, document.DataID:
		return gone[*r.Text]
	case document.FunctionName, document.ParameterName:
		return name != "" && *r.Text == name
	}
	return false
}

func keep[T any](list []T, wanted func(T) bool) []T {
	kept := []T{}
	for _, e := range list {
		if wanted(e) {
			kept = append(kept, e)
		}
	}
	return kept
}
