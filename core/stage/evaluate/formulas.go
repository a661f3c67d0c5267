package evaluate

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
)

// Formulas understands what was typed: what a formula may refer to, the stated functions, and what is wrong or missing.
type Formulas struct {
	Functions []*Function
	// Problems belong to entries (see problem.Problem.Object); one entry has at most one.
	Problems []*problem.Problem
	// Notices are readings that deserve a second look.
	Notices []*problem.Problem
	// Missing are letters without a value, in order of appearance, offered as dials.
	Missing  []string
	Counters *Counters

	Notation
	document  *document.Document
	values    *Values
	scope     *expr.Scope
	functions map[string]*Function
	data      *Datasets
	now       map[*Function]written
}

func newFormulas(doc *document.Document, values *Values) *Formulas {
	return &Formulas{Counters: &Counters{Runs: map[string]int{}}, Notation: Notation{doc}, document: doc, values: values,
		scope: ScopeOf(doc), functions: map[string]*Function{}, now: map[*Function]written{}}
}

// Counters count the work that was done, since the demonstration was first loaded.
type Counters struct {
	Parses   int `json:"parses"`
	Compiles int `json:"compiles"`
	// Runs counts evaluations by the id of the entry.
	Runs map[string]int `json:"runs"`
}

// ScopeOf is what every formula of the document may refer to.
func ScopeOf(doc *document.Document) *expr.Scope {
	s := &expr.Scope{Functions: map[string]int{}, Names: map[string]bool{}, Comma: doc.DecimalComma}
	for _, e := range doc.Stated {
		if e.Kind == document.Function {
			s.Functions[e.Name] = len(e.Variables)
		} else if e.Kind == document.Parameter {
			s.Names[e.Name] = true
		}
	}
	for i := range doc.Stated {
		for _, partial := range Partials(&doc.Stated[i]) {
			if _, stated := s.Functions[partial]; !stated && !s.Names[partial] {
				s.Functions[partial] = len(doc.Stated[i].Variables)
			}
		}
	}
	for _, name := range doc.Gone {
		if _, again := s.Functions[name]; !again {
			s.Functions[name] = expr.Gone
		}
	}
	listScope(doc, s)
	return s
}

// Scope is what a formula typed now may refer to.
func (fs *Formulas) Scope() *expr.Scope { return fs.scope }

// innerScope lets a function's variables hide functions of the same letter.
func innerScope(scope *expr.Scope, variables []string) *expr.Scope {
	inner := scope.With(variables...)
	inner.Functions = map[string]int{}
	for name, n := range scope.Functions {
		inner.Functions[name] = n
	}
	for _, v := range variables {
		delete(inner.Functions, v)
	}
	return inner
}

func (fs *Formulas) parse(text string, scope *expr.Scope) (expr.Node, error) {
	fs.Counters.Parses++
	f, err := expr.Parse(text, scope)
	fs.Notices = append(fs.Notices, f.Notices...)
	return f.Node, err
}

// Statement reads a formula that may have a head.
func (fs *Formulas) Statement(text string) (expr.Statement, error) {
	fs.Counters.Parses++
	return expr.ParseStatement(text, fs.scope)
}

// Report files a problem for an entry's field; an entry keeps its first.
func (fs *Formulas) Report(err error, object, field string) {
	p, ok := problem.Of(err)
	if !ok {
		panic("evaluate: " + err.Error())
	}
	for _, known := range fs.Problems {
		if known.Object == object {
			return
		}
	}
	fs.Problems = append(fs.Problems, p.In(object, field))
}

// Lookup serves symbolic.Inline.
func (fs *Formulas) Lookup(name string) (symbolic.Definition, bool) {
	return definitionIn(fs, name, false)
}

// Resolve puts stated functions into a formula and angles into radians. Angles come first, so that a derivative by an
// angle in degrees carries its factor π/180.
func (fs *Formulas) Resolve(n expr.Node) (expr.Node, error) {
	n, err := fs.data.withLists(n)
	if err != nil {
		return nil, err
	}
	degrees := fs.IsInDegrees()
	out, err := symbolic.Inline(symbolic.Radians(n, degrees), func(name string) (symbolic.Definition, bool) {
		return definitionIn(fs, name, degrees)
	})
	if p, ok := problem.Of(err); ok && p.Code == "not-a-function" && fs.functions[p.Args[0]] != nil {
		return nil, problem.New("uses-broken", p.Start, p.End, p.Args[0])
	}
	return out, err
}

// CountCompile notes that a formula was compiled.
func (fs *Formulas) CountCompile() { fs.Counters.Compiles++ }

// Dependencies splits the names of n into parameters and letters without a value.
func (fs *Formulas) Dependencies(n expr.Node, variables []string) (on []int, waits []string) {
	for _, name := range expr.Names(n) {
		isVariable := false
		for _, v := range variables {
			isVariable = isVariable || v == name
		}
		if i, ok := fs.values.index[name]; ok && !isVariable {
			on = append(on, i)
		} else if !isVariable {
			waits = append(waits, name)
		}
	}
	return on, waits
}

// Wait notes letters without a value: they are offered as dials, and the entry says what it waits for.
func (fs *Formulas) Wait(letters []string, typed expr.Node, object, field string) {
	at := expr.Span{From: typed.Pos(), To: typed.End()}
	expr.Walk(typed, func(n expr.Node) bool {
		if name, ok := n.(*expr.Name); ok && name.Name == letters[0] {
			at = name.Span
			return false
		}
		return true
	})
	fs.Report(problem.New("no-value", at.From, at.To, letters[0]), object, field)
	for _, letter := range letters {
		known := false
		for _, m := range fs.Missing {
			known = known || m == letter
		}
		if !known {
			fs.Missing = append(fs.Missing, letter)
		}
	}
}

// Constant works out a formula that may not depend on a parameter.
func (fs *Formulas) Constant(text string, fallback float64, object, field string) float64 {
	if text == "" {
		return fallback
	}
	n, err := fs.parse(text, fs.scope)
	if err != nil {
		fs.Report(err, object, field)
		return fallback
	}
	if names := expr.Names(n); len(names) > 0 {
		fs.Report(problem.New("not-constant", n.Pos(), n.End(), names[0]), object, field)
		return fallback
	}
	if calls := expr.Calls(n); len(calls) > 0 {
		fs.Report(problem.New("not-constant", n.Pos(), n.End(), calls[0]), object, field)
		return fallback
	}
	n = symbolic.Radians(n, fs.IsInDegrees())
	inputs := []string{NoVariable}
	p, err := program.Compile(n, inputs)
	if err != nil {
		fs.Report(err, object, field)
		return fallback
	}
	v := p.At([]float64{0})
	if math.IsNaN(v) || math.IsInf(v, 0) {
		fs.Report(problem.New("undefined-field", 0, len(text), program.Why(n, inputs, []float64{0})), object, field)
		return fallback
	}
	return v
}

// Expression is a compiled formula without a variable.
type Expression struct {
	Formula expr.Node // as typed
	program *program.Program
	inlined expr.Node
	depends
}

// Expression compiles a formula of an entry's field; nil when there is a problem, which is then reported.
func (fs *Formulas) Expression(text, object, field string, variables ...string) *Expression {
	n, err := fs.parse(text, innerScope(fs.scope, variables))
	if err != nil {
		fs.Report(err, object, field)
		return nil
	}
	inlined, err := fs.Resolve(n)
	if err != nil {
		fs.Report(err, object, field)
		return nil
	}
	x := &Expression{Formula: n, inlined: inlined}
	var waits []string
	if x.on, waits = fs.Dependencies(inlined, variables); len(waits) > 0 {
		fs.Wait(waits, n, object, field)
		return nil
	}
	inputs := fs.values.inputs
	if len(variables) > 0 {
		inputs = append(slices.Clone(variables), fs.values.inputs[1:]...)
	}
	if err := Affordable(inlined, inputs, n, "this", symbolic.MaxNodes); err != nil {
		fs.Report(err, object, field)
		return nil
	}
	fs.Counters.Compiles++
	if x.program, err = program.Compile(inlined, inputs); err != nil {
		fs.Report(err, object, field)
		return nil
	}
	return x
}

// At is the expression's value in play; one with a variable takes it from the first input.
func (x *Expression) At(in []float64) float64 { return x.program.At(in) }

// Hangs lists the parameters that the expression hangs on.
func (x *Expression) Hangs() []int { return x.on }

// Inlined is the formula without stated functions, in radians.
func (x *Expression) Inlined() expr.Node { return x.inlined }

// FormulaWord is a formula as it was typed, typeset where it can be read.
func (fs *Formulas) FormulaWord(text string, variables ...string) Word {
	if f, err := expr.Parse(text, fs.scope.With(variables...)); err == nil {
		return Word{LaTeX: fs.LaTeX(f.Node, fs.values.Class)}
	}
	return Word{Text: text}
}

// LetterWord is the letter of a parameter in its colour.
func (fs *Formulas) LetterWord(name string) Word {
	return Word{LaTeX: fs.LaTeX(&expr.Name{Name: name}, fs.values.Class)}
}
