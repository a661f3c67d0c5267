package edit

import (
	"maps"
	"slices"
	"sort"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// Rename gives a function or parameter a new name, and every formula follows.
func Rename(before *document.Document, id, typed string) (*document.Document, error) {
	name, ok := expr.NameOf(typed)
	if !ok {
		return nil, problem.New("name-invalid", 0, len(typed), typed)
	}
	d := clone(before)
	for i := range d.Stated {
		e := &d.Stated[i]
		if e.ID != id || e.Name == name {
			continue
		}
		if d.StatedNamed(name) != nil {
			return nil, problem.New("name-taken", 0, len(typed), name)
		}
		if err := renameAll(d, e, name); err != nil {
			return nil, err
		}
		e.Name = name
	}
	return d, d.Check()
}

// renameAll rewrites the uses of a function or parameter, and of a function's partial derivatives.
func renameAll(d *document.Document, e *document.Stated, name string) error {
	olds, names := []string{e.Name}, []string{name}
	for _, partial := range evaluate.Partials(e) {
		if d.StatedNamed(partial) == nil {
			olds, names = append(olds, partial), append(names, name+strings.TrimPrefix(partial, e.Name))
		}
	}
	for i := range olds {
		if err := renameUses(d, olds[i], names[i], names...); err != nil {
			return err
		}
	}
	return nil
}

// renameUses rewrites every formula that uses a name; the entry itself keeps its old name until the caller changes it. A
// name that would mean something else in one of them, as its variable, is refused. among are the names that are given together.
func renameUses(d *document.Document, old, name string, among ...string) (err error) {
	s := scope(d)
	if arity, isFunction := s.Functions[old]; isFunction {
		for _, other := range among {
			s.Functions[other] = arity // some of them may stand in the formulas already
		}
	}
	replace := func(text *string, hidden ...string) {
		if slices.Contains(hidden, old) {
			return
		}
		to := renamed(*text, s.With(hidden...), old, name)
		if to != *text && (slices.Contains(hidden, name) || captured(*text, to, s.With(hidden...), old, name)) {
			err = problem.New("name-captured", 0, len(name), old, name, *text)
		}
		*text = to
	}
	if d.Formulas(replace); err != nil {
		return err
	}
	for _, r := range d.Refs() {
		if (r.Role == document.FunctionName || r.Role == document.ParameterName) && *r.Text == old {
			*r.Text = name
		}
	}
	for i := range d.Panels {
		renameKey(d.Panels[i].Values, old, name)
	}
	for i := range d.Scenes {
		renameKey(d.Scenes[i].Values, old, name)
	}
	return nil
}

// captured tells whether a formula with another name means something else than the old name in its place, as where the
// name is that of a running letter.
func captured(before, after string, s *expr.Scope, old, name string) bool {
	known := s.With(name)
	if arity, isFunction := s.Functions[old]; isFunction {
		known.Functions = maps.Clone(s.Functions)
		known.Functions[name] = arity
	}
	was, is := sidesOf(before, s), sidesOf(after, known)
	if len(was) != len(is) {
		return len(was) > 0
	}
	for i := range was {
		if !expr.Equal(withName(was[i], old, name), is[i]) {
			return true
		}
	}
	return false
}

// sidesOf are those of a relation, or the one formula that a text is; none where it cannot be read.
func sidesOf(text string, s *expr.Scope) []expr.Node {
	if f, err := expr.Parse(text, s); err == nil {
		return []expr.Node{f.Node}
	}
	if r, err := expr.ParseRelation(text, s); err == nil {
		return r.Sides
	}
	return nil
}

// withName puts a name in the place of another, of functions too.
func withName(n expr.Node, old, name string) expr.Node {
	n = expr.Map(n, func(child expr.Node) expr.Node { return withName(child, old, name) })
	switch n := n.(type) {
	case *expr.Name:
		if n.Name == old {
			return &expr.Name{Span: n.Span, Name: name}
		}
	case *expr.Call:
		if n.Name == old {
			c := *n
			c.Name = name
			return &c
		}
	}
	return n
}

func renameKey(values map[string]float64, old, name string) {
	if v, ok := values[old]; ok {
		delete(values, old)
		values[name] = v
	}
}

// nameEnd is where the name of a function ends that begins at a place; ∂²f/∂x² with spaces in it is one.
func nameEnd(text string, from int) int {
	rest, ends := text[from:], "(' "
	if strings.HasPrefix(rest, "∂") {
		ends = "("
	}
	if end := strings.IndexAny(rest, ends); end >= 0 {
		rest = rest[:end]
	}
	return from + len(strings.TrimRight(rest, " "))
}

// renamed replaces a name where it stands in a formula; a text that cannot be read stays as it is.
func renamed(text string, s *expr.Scope, old, name string) string {
	var at []expr.Span
	for _, side := range sidesOf(text, s) {
		expr.Walk(side, func(n expr.Node) bool {
			switch n := n.(type) {
			case *expr.Name:
				if n.Name == old {
					at = append(at, n.Span)
				}
			case *expr.Call:
				if n.Name == old {
					at = append(at, expr.Span{From: n.From, To: nameEnd(text, n.From)})
				}
			}
			return true
		})
	}
	sort.Slice(at, func(i, j int) bool { return at[i].From > at[j].From })
	for _, place := range at {
		after := text[place.To:]
		put := name
		if len([]rune(name)) > 1 && after != "" && strings.IndexByte(" ()+-*/^,;|", after[0]) < 0 {
			put += " " // keep x_1 and y apart
		}
		text = text[:place.From] + put + after
	}
	return text
}
