// Package family is what families of curves share: one curve for several values of a parameter.
package family

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// Given is one curve for several values of a parameter, as a document has it: those of a list, or from an end to another in
// steps.
type Given struct {
	Parameter string `json:"parameter"`
	// Values are formulas without parameters; where there are none, From, To and Step are.
	Values []string `json:"values,omitempty"`
	From   string   `json:"from,omitempty"`
	To     string   `json:"to,omitempty"`
	Step   string   `json:"step,omitempty"`
}

// MaxMembers is the largest number of curves of one family.
const MaxMembers = 12

// Refs are the parameter, and the values or the ends.
func (g *Given) Refs() []document.Ref {
	if g == nil {
		return nil
	}
	list := []document.Ref{{Role: document.ParameterName, Field: "family.parameter", Text: &g.Parameter}}
	for k := range g.Values {
		list = append(list, document.Ref{Field: "family.values", Text: &g.Values[k]})
	}
	listed := len(g.Values) > 0
	return append(list, document.Ref{Field: "family.from", Text: &g.From, Optional: listed}, document.Ref{Field: "family.to", Text: &g.To, Optional: listed},
		document.Ref{Field: "family.step", Text: &g.Step, Optional: listed})
}

// Check holds a family to its bounds.
func (g *Given) Check(c *document.Checker) {
	if g == nil {
		return
	}
	c.Require(g.Parameter != "" && len(g.Parameter) <= 40, "family.parameter", "a parameter is needed")
	c.Require(len(g.Values) <= MaxMembers, "family.values", fmt.Sprintf("at most %d", MaxMembers))
}

// Family is a curve for several values of one parameter.
type Family struct {
	Parameter int
	Members   []Member

	in []float64
}

// Member is one value, with the label beside its curve.
type Member struct {
	Value float64
	LaTeX string
}

// Of works a family's values out; nil when there is a problem, which is then reported for the entry.
func Of(d evaluate.Loading, given *Given, id string) *Family {
	f := &Family{Parameter: d.Find(given.Parameter)}
	if f.Parameter < 0 {
		d.Report(problem.New("not-a-parameter", 0, len(given.Parameter), given.Parameter), id, "family.parameter")
		return nil
	}
	if !f.listed(d, given, id) || !d.AffordsCurves(len(f.Members), id, "family.step") {
		return nil
	}
	return f
}

// listed fills in the members: those of a list, or from an end to another in steps.
func (f *Family) listed(d evaluate.Loading, given *Given, id string) bool {
	head := expr.LaTeXName(given.Parameter) + "="
	add := func(v float64, latex string) { f.Members = append(f.Members, Member{v, d.Typeset(head + latex)}) }
	if len(given.Values) > 0 {
		for _, text := range given.Values {
			v := d.Constant(text, math.NaN(), id, "family.values")
			if v != v {
				return false
			}
			latex := number.Format(v, 3)
			if word := d.FormulaWord(text); word.LaTeX != "" {
				latex = word.LaTeX
			}
			add(v, latex)
		}
		return true
	}
	from := d.Constant(given.From, math.NaN(), id, "family.from")
	to := d.Constant(given.To, math.NaN(), id, "family.to")
	step := d.Constant(given.Step, math.NaN(), id, "family.step")
	switch {
	case math.IsNaN(from + to + step):
		d.Report(problem.New("field", 0, 0, "family", "a list of values, or both ends and a step, are needed"), id, "family.from")
		return false
	case step <= 0 || from > to:
		d.Report(problem.New("step", 0, len(given.Step)), id, "family.step")
		return false
	}
	count := math.Floor((to-from)/step + 1e-9)
	if count >= MaxMembers {
		d.Report(problem.New("limit", 0, 0, fmt.Sprintf("%d curves", int(count)+1), fmt.Sprint(MaxMembers)), id, "family.step")
		return false
	}
	for k := 0.0; k <= count; k++ {
		v := number.Round(from+k*step, 9)
		add(v, number.Format(v, 4))
	}
	return true
}

// InputsFor are the inputs with the family's parameter at a member's value; valid until the next call.
func (f *Family) InputsFor(d evaluate.Moment, m Member) []float64 {
	f.in = append(f.in[:0], d.Inputs()...)
	f.in[f.Parameter+1] = m.Value
	return f.in
}

// Ends are the first and the last value.
func (f *Family) Ends() (first, last float64) {
	return f.Members[0].Value, f.Members[len(f.Members)-1].Value
}

// Sentence says “a = −3, −1, 2” or “a from −2 to 2, step 1”.
func Sentence(d evaluate.Moment, given *Given) []evaluate.Word {
	letter := d.LetterWord(given.Parameter)
	if len(given.Values) == 0 {
		return []evaluate.Word{letter, evaluate.Says(" from "), d.FormulaWord(given.From), evaluate.Says(" to "), d.FormulaWord(given.To), evaluate.Says(", step "), d.FormulaWord(given.Step)}
	}
	list := []evaluate.Word{letter, evaluate.Says(" = ")}
	for i, text := range given.Values {
		if i > 0 {
			list = append(list, evaluate.Says(", "))
		}
		list = append(list, d.FormulaWord(text))
	}
	return list
}
