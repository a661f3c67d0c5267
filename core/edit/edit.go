// Package edit changes a document where that needs to understand formulas: from document to document, or a problem.
package edit

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"

	"parvix/core/document"
	"parvix/core/evaluate"
	"parvix/core/expr"
	"parvix/core/problem"
	"parvix/core/program"
	"parvix/core/symbolic"
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

// NewID gives an id that is not used yet: the prefix and the smallest free number.
func NewID(d *document.Document, prefix string) string {
	used := map[string]bool{}
	for _, e := range d.Stated {
		used[e.ID] = true
	}
	for _, e := range d.Shown {
		used[e.ID] = true
	}
	for _, e := range d.Said {
		used[e.ID] = true
	}
	for n := 1; ; n++ {
		if id := fmt.Sprintf("%s%d", prefix, n); !used[id] {
			return id
		}
	}
}

func scope(d *document.Document) *expr.Scope { return evaluate.Load(d, nil).Scope() }

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
		d.Stated = append(d.Stated, document.Stated{ID: NewID(d, "s")})
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
		renameUses(d, old, name)
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
	if old == "" && isPolar(name, entry.Variables) {
		curve := polarCurve(d, name)
		curve.ID = NewID(d, "q")
		d.Shown = append(d.Shown, curve)
		return closed(d, curve.ID), d.Check()
	}
	if old == "" && len(entry.Variables) == 1 {
		d.Shown = append(d.Shown, document.Shown{ID: NewID(d, "c"), Kind: document.Curve, Function: name,
			Colour: freeColour(shownColours(d))})
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
		renameUses(d, entry.Name, name)
		entry.Name = name
	}
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = value
	}
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
		d.Stated = append(d.Stated, newParameter(d, NewID(d, "s"), name, freeColour(parameterColours(d))))
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
		renameUses(d, e.Name, name)
		e.Name = name
	}
	return d, d.Check()
}

// renameUses rewrites every formula that uses a name; the entry itself keeps its old name until the caller changes it.
func renameUses(d *document.Document, old, name string) {
	s := scope(d)
	replace := func(text *string, hidden ...string) {
		for _, v := range hidden {
			if v == old {
				return
			}
		}
		*text = renamed(*text, s.With(hidden...), old, name)
	}
	d.Formulas(replace)
	for i := range d.Shown {
		e := &d.Shown[i]
		if e.Function == old {
			e.Function = name
		}
		if e.Family != nil && e.Family.Parameter == old {
			e.Family.Parameter = name
		}
		if e.As == old {
			e.As = name
		}
		if e.With == old {
			e.With = name
		}
		if m := e.Trajectory; m != nil {
			if m.Function == old {
				m.Function = name
			}
			if m.Driver == old {
				m.Driver = name
			}
		}
		if e.Figure != nil && e.Figure.Other == old {
			e.Figure.Other = name
		}
		if c := e.Circle; c != nil && c.Driver == old {
			c.Driver = name
		}
	}
	for i := range d.Panels {
		renameKey(d.Panels[i].Values, old, name)
	}
	for i := range d.Said {
		for k := range d.Said[i].Pieces {
			if p := &d.Said[i].Pieces[k]; p.Kind == document.Told && p.Text == old {
				p.Text = name
			}
		}
	}
	for i := range d.Scenes {
		renameKey(d.Scenes[i].Values, old, name)
	}
}

func renameKey(values map[string]float64, old, name string) {
	if v, ok := values[old]; ok {
		delete(values, old)
		values[name] = v
	}
}

// renamed replaces a name where it stands in a formula; a text that cannot be read stays as it is.
func renamed(text string, s *expr.Scope, old, name string) string {
	f, err := expr.Parse(text, s)
	if err != nil {
		return text
	}
	var at []expr.Span
	expr.Walk(f.Node, func(n expr.Node) bool {
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
	gone := map[string]bool{id: true}
	for before := -1; len(gone) != before; {
		before = len(gone)
		d.Shown = keep(d.Shown, func(e document.Shown) bool {
			without := gone[e.ID] || gone[e.Of] || e.Part != nil && gone[e.Part.Other] || name != "" && hangsOnFunction(e, name) ||
				e.Figure != nil && slices.ContainsFunc(e.Figure.Points, func(point string) bool { return gone[point] })
			if without {
				gone[e.ID] = true
			}
			return !without
		})
	}
	for i := range d.Panels {
		delete(d.Panels[i].Values, name)
	}
	d.Said = keep(d.Said, func(e document.Said) bool { return e.ID != id })
	for i := range d.Scenes {
		delete(d.Scenes[i].Values, name)
		for entry := range d.Scenes[i].Steps {
			if gone[entry] {
				delete(d.Scenes[i].Steps, entry)
			}
		}
	}
	return d, d.Check()
}

// hangsOnFunction tells whether an entry cannot be without what is stated under a name.
func hangsOnFunction(e document.Shown, name string) bool {
	return e.Function == name || e.As == name || e.With == name || e.Family != nil && e.Family.Parameter == name ||
		e.Figure != nil && e.Figure.Other == name || e.Trajectory != nil && e.Trajectory.Function == name
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
	counts := make([]int, evaluate.Colours)
	for _, c := range used {
		counts[((c%evaluate.Colours)+evaluate.Colours)%evaluate.Colours]++
	}
	best := 0
	for c, n := range counts {
		if n < counts[best] {
			best = c
		}
	}
	return best
}
