package edit

import (
	"fmt"
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
)

// State adds what is typed as a statement, or changes the entry with this id: a function (with its curve when it is
// new) or, when there is a name without variables and a constant behind “=”, a parameter with that value.
func State(before *document.Document, id, text string) (*document.Document, error) {
	d := clone(before)
	st, err := expr.ParseStatement(text, scope(d))
	if err != nil {
		return nil, err
	}
	entry, name, err := stated(d, id, text, &st)
	if err != nil {
		return nil, err
	}
	if isValue(&st) {
		return stateParameter(d, entry, name, st)
	}
	return stateFunction(d, entry, name, &st)
}

// isValue tells whether a statement gives a letter a constant, as a = 3 does.
func isValue(st *expr.Statement) bool {
	return st.Variables == nil && st.Name != "" && isConstant(st.Node)
}

// stated finds what a statement changes, or adds an entry for it, and the name that it gives.
func stated(d *document.Document, id, text string, st *expr.Statement) (entry *document.Stated, name string, err error) {
	for i := range d.Stated {
		if d.Stated[i].ID == id {
			entry = &d.Stated[i]
		}
	}
	name = st.Name
	if name == "" && entry != nil {
		name = entry.Name
	}
	if name == "" {
		name = freeFunctionName(d)
	}
	if other := d.StatedNamed(name); other != nil && other != entry {
		// Typing a = 3 again gives the parameter that value.
		if entry != nil || !isValue(st) || other.Kind != document.Parameter {
			return nil, "", problem.New("name-taken", 0, len(text), name)
		}
		entry = other
	}
	if entry == nil {
		d.Stated = append(d.Stated, document.Stated{ID: d.NewID("s")})
		entry = &d.Stated[len(d.Stated)-1]
	}
	return entry, name, nil
}

// stateFunction makes an entry a function; a new one is shown.
func stateFunction(d *document.Document, entry *document.Stated, name string, st *expr.Statement) (*document.Document, error) {
	old := entry.Name
	if entry.Kind == document.Parameter {
		*entry = document.Stated{ID: entry.ID}
	}
	if old != "" && old != name {
		// While the entry still has its old name, by which the others' formulas are read.
		if err := renameAll(d, entry, name); err != nil {
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
	if old == "" && isOfPlace(entry.Variables) {
		if err := surfaceEntry(d, name); err != nil {
			return nil, err
		}
		return d, d.Check()
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
		of := reachOf(d, name)
		p := newParameter(d, d.NewID("s"), name, freeColour(parameterColours(d)))
		p.From, p.To, p.Step, p.Whole = of.from, of.to, of.step, of.whole
		if d.DecimalComma {
			p.Step, p.From = strings.ReplaceAll(p.Step, ".", ","), strings.ReplaceAll(p.From, ".", ",")
		}
		d.Stated = append(d.Stated, p)
		for i := range d.Scenes {
			d.Scenes[i].Values[name] = of.value
		}
	}
	return d, d.Check()
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
