// Package edit changes a document where that needs to understand formulas: from document to document, or a problem.
package edit

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"slices"
	"sort"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
)

// clone keeps the caller's document as it was, for undo.
func clone(d *document.Document) *document.Document {
	data, err := json.Marshal(d)
	if err != nil {
		panic("edit: " + err.Error())
	}
	out := &document.Document{}
	if err := json.Unmarshal(data, out); err != nil {
		panic("edit: " + err.Error())
	}
	return out
}

func scope(d *document.Document) *expr.Scope { return evaluate.ScopeOf(d) }

// State adds what is typed as a statement, or changes the entry with this id: a function (with its curve when it is
// new) or, when there is a name without variables and a constant behind “=”, a parameter with that value.
func State(before *document.Document, id, text string) (*document.Document, error) {
	d := clone(before)
	st, err := expr.ParseStatement(text, scope(d))
	if err != nil {
		return nil, err
	}
	var entry *document.Stated
	for i := range d.Stated {
		if d.Stated[i].ID == id {
			entry = &d.Stated[i]
		}
	}
	old := ""
	if entry != nil {
		old = entry.Name
	}
	name := st.Name
	if name == "" {
		if name = old; name == "" {
			name = freeFunctionName(d)
		}
	}
	isValue := st.Variables == nil && st.Name != "" && isConstant(st.Node)
	if other := d.StatedNamed(name); other != nil && other != entry {
		// Typing a = 3 again gives the parameter that value.
		if entry != nil || !isValue || other.Kind != document.Parameter {
			return nil, problem.New("name-taken", 0, len(text), name)
		}
		entry = other
	}
	if entry == nil {
		d.Stated = append(d.Stated, document.Stated{ID: d.NewID("s")})
		entry = &d.Stated[len(d.Stated)-1]
	}
	if isValue {
		return stateParameter(d, entry, name, st)
	}
	if entry.Kind == document.Parameter {
		*entry = document.Stated{ID: entry.ID}
	}
	if old != "" && old != name {
		// While the entry still has its old name, by which the others' formulas are read.
		if err := renameUses(d, old, name); err != nil {
			return nil, err
		}
	}
	entry.Kind, entry.Name, entry.Formula = document.Function, name, strings.TrimSpace(st.Body)
	switch {
	case st.Variables != nil:
		entry.Variables = st.Variables
	case entry.Variables == nil && meansAngle(d, st.Node):
		entry.Variables = []string{angleLetter}
	case entry.Variables == nil:
		entry.Variables = []string{"x"}
	}
	tidyGone(d)
	if old == "" && isPolar(name, entry.Variables) {
		polar := polarCurve(d, name)
		polar.ID = d.NewID("q")
		d.Shown = append(d.Shown, polar)
		return closed(d, polar.ID), d.Check()
	}
	if old == "" && len(entry.Variables) == 1 {
		d.Shown = append(d.Shown, document.Entry{ID: d.NewID("c"), Look: document.Look{Colour: freeColour(shownColours(d))}, Body: &curve.Body{Function: name}})
	}
	return d, d.Check()
}

func isConstant(n expr.Node) bool { return len(expr.Names(n)) == 0 && len(expr.Calls(n)) == 0 }

func stateParameter(d *document.Document, entry *document.Stated, name string, st expr.Statement) (*document.Document, error) {
	p, err := program.Compile(symbolic.Radians(st.Node, d.AngleUnit == document.Degree), []string{"\x00"})
	if err != nil {
		return nil, err
	}
	value := p.At([]float64{0})
	if math.IsNaN(value) || math.IsInf(value, 0) {
		return nil, problem.New("undefined-field", st.BodyAt, len(st.Body)+st.BodyAt, "the value does not exist")
	}
	if entry.Kind != document.Parameter {
		*entry = newParameter(d, entry.ID, name, freeColour(parameterColours(d)))
		if value < -5 || value > 5 {
			entry.From, entry.To = fmt.Sprint(math.Floor(-2*math.Abs(value))), fmt.Sprint(math.Ceil(2*math.Abs(value)))
		}
	}
	if entry.Name != name {
		if err := renameUses(d, entry.Name, name); err != nil {
			return nil, err
		}
		entry.Name = name
	}
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = value
	}
	tidyGone(d)
	return d, d.Check()
}

func newParameter(d *document.Document, id, name string, colour int) document.Stated {
	step := "0.1"
	if d.DecimalComma {
		step = "0,1"
	}
	return document.Stated{ID: id, Kind: document.Parameter, Name: name, From: "-5", To: "5", Step: step, Colour: colour,
		Sweep: &document.Sweep{Way: document.BackAndForth, Seconds: 6}}
}

// AddParameters makes dials of letters that have no value yet.
func AddParameters(before *document.Document, names []string) (*document.Document, error) {
	d := clone(before)
	for _, typed := range names {
		name, ok := expr.NameOf(typed)
		if !ok {
			return nil, problem.New("name-invalid", 0, len(typed), typed)
		}
		if d.StatedNamed(name) != nil {
			return nil, problem.New("name-taken", 0, len(typed), name)
		}
		d.Stated = append(d.Stated, newParameter(d, d.NewID("s"), name, freeColour(parameterColours(d))))
		for i := range d.Scenes {
			d.Scenes[i].Values[name] = evaluate.DefaultValue
		}
	}
	return d, d.Check()
}

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
		if err := renameUses(d, e.Name, name); err != nil {
			return nil, err
		}
		e.Name = name
	}
	return d, d.Check()
}

// renameUses rewrites every formula that uses a name; the entry itself keeps its old name until the caller changes it. A
// name that would mean something else in one of them, as its variable, is refused.
func renameUses(d *document.Document, old, name string) (err error) {
	s := scope(d)
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
					end := n.From
					for end < len(text) && text[end] != '(' && text[end] != '\'' && text[end] != ' ' {
						end++
					}
					at = append(at, expr.Span{From: n.From, To: end})
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

// Delete takes an entry out, with what cannot be without it: a function's curves, a point's traces and figures, and what
// hangs on those.
func Delete(before *document.Document, id string) (*document.Document, error) {
	d := clone(before)
	name := ""
	d.Stated = keep(d.Stated, func(e document.Stated) bool {
		if e.ID == id {
			name = e.Name
		}
		return e.ID != id
	})
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
	case document.EntryID:
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

func freeFunctionName(d *document.Document) string {
	for _, name := range strings.Fields("f g h p q r s u v w") {
		if d.StatedNamed(name) == nil {
			return name
		}
	}
	for n := 1; ; n++ {
		if name := fmt.Sprintf("f_%d", n); d.StatedNamed(name) == nil {
			return name
		}
	}
}

func parameterColours(d *document.Document) (used []int) {
	for _, p := range d.Parameters() {
		used = append(used, p.Colour)
	}
	return used
}

// freeColour is the colour that is used least, the first of them.
func freeColour(used []int) int {
	counts := make([]int, document.Colours)
	for _, c := range used {
		counts[((c%document.Colours)+document.Colours)%document.Colours]++
	}
	best := 0
	for c, n := range counts {
		if n < counts[best] {
			best = c
		}
	}
	return best
}
