// Package evaluate turns a document into values: names resolved, formulas compiled once, parameters put in.
//
// A Demonstration is made from a document and then only moved: setting a parameter marks what depends on it, and Update
// computes that again and nothing else. Counters tell how often formulas were parsed and compiled and how often each
// entry ran, so that a test can hold the stair to its word.
package evaluate

import (
	"fmt"
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/found"
	"parvix/core/stage/sample"
)

// Demonstration is a document with everything that was understood of it and the values in play.
type Demonstration struct {
	Document   *document.Document
	Parameters []*Parameter
	Functions  []*Function
	Shown      []*Shown
	Said       []*Shown
	// Problems belong to entries (see problem.Problem.Object); one entry has at most one.
	Problems []*problem.Problem
	// Notices are readings that deserve a second look.
	Notices []*problem.Problem
	// Missing are letters without a value, in order of appearance, offered as dials.
	Missing  []string
	Counters *Counters
	// Scene is the place of the scene in play.
	Scene int

	windows   []document.Window // of the panels, in play
	sizes     [][2]float64      // of the panels in pixels, as far as they are known
	passage   passage
	passing   bool // between two scenes
	scope     *expr.Scope
	functions map[string]*Function
	index     map[string]int // parameter name → its place in Parameters
	inputs    []string       // names of the inputs: the variable's place, then the parameters
	in        []float64      // their values
	tick      uint64         // counts the moves
	// held tells that a panel's own values are in the place of those in play.
	held bool
	// steppedBefore are those of the demonstration before, by id, whose positions are taken over.
	steppedBefore map[string]Stepped
	members       int      // of all families together
	moved         []uint64 // for each parameter the tick of its last move
	traces        map[string][]float64
	collapses     []found.Collapse
	turned        map[string]bool         // entries covered or revealed in play, by id
	found         map[string]*found.Found // by function
	foundTick     uint64                  // counts findings that came
	// numbers are the values as fractions, as they were at a tick.
	numbers   map[string]*big.Rat
	numbersAt uint64
}

// Counters count the work that was done, since the demonstration was first loaded.
type Counters struct {
	Parses   int `json:"parses"`
	Compiles int `json:"compiles"`
	// Runs counts evaluations by the id of the entry.
	Runs map[string]int `json:"runs"`
}

// Function is a stated function, understood.
type Function struct {
	Stated  *document.Stated
	Formula expr.Node // as typed
	Inlined expr.Node // without stated functions, in radians; nil when there is a problem
	// Meaning is Inlined as text: what has the same one has the same findings.
	Meaning string
	Curve   *sample.Function
	// Waits lists the letters without a value that it needs.
	Waits []string
	// now is the formula with values put in, as it was at a stamp.
	now   string
	nowAt uint64
	depends
}

// depends lists the parameters (places in Parameters) that something hangs on.
type depends struct {
	on   []int
	done uint64 // tick of the last run
}

// Load understands a document. Values in play and traces are taken over from before, which may be nil, for names that
// are still there; otherwise parameters start at the first scene's values.
func Load(doc *document.Document, before *Demonstration) *Demonstration {
	d := &Demonstration{Document: doc, Counters: &Counters{Runs: map[string]int{}}, tick: 1,
		functions: map[string]*Function{}, index: map[string]int{}, traces: map[string][]float64{}, turned: map[string]bool{}, found: map[string]*found.Found{}}
	if before != nil {
		d.Counters, d.tick, d.traces = before.Counters, before.tick+1, before.traces
		d.found, d.foundTick = before.found, before.foundTick
		d.turned, d.collapses = before.turned, before.collapses
		d.sizes = before.sizes
		d.Scene = min(before.Scene, len(doc.Scenes)-1)
		d.steppedBefore = map[string]Stepped{}
		for _, s := range before.Shown {
			if stepped, ok := s.Live.(Stepped); ok {
				d.steppedBefore[s.Entry.ID] = stepped
			}
		}
	}
	d.loadWindows()
	d.scope = ScopeOf(doc)
	d.loadParameters(before)
	d.loadFunctions()
	d.loadEntries()
	d.steppedBefore = nil
	d.Update()
	return d
}

// ScopeOf is what every formula of the document may refer to.
func ScopeOf(doc *document.Document) *expr.Scope {
	s := &expr.Scope{Functions: map[string]int{}, Names: map[string]bool{}, Comma: doc.DecimalComma}
	for _, e := range doc.Stated {
		if e.Kind == document.Function {
			s.Functions[e.Name] = len(e.Variables)
		} else {
			s.Names[e.Name] = true
		}
	}
	for _, name := range doc.Gone {
		if _, again := s.Functions[name]; !again {
			s.Functions[name] = expr.Gone
		}
	}
	return s
}

// Scope is what a formula typed now may refer to.
func (d *Demonstration) Scope() *expr.Scope { return d.scope }

func (d *Demonstration) loadFunctions() {
	stated := d.Document.Functions()
	for _, s := range stated {
		f := &Function{Stated: s}
		d.Functions = append(d.Functions, f)
		d.functions[s.Name] = f
		n, err := d.parse(s.Formula, innerScope(d.scope, s.Variables))
		if err != nil {
			d.Report(err, s.ID, "formula")
			continue
		}
		f.Formula = n
	}
	d.reportCircles()
	for _, f := range d.Functions {
		if f.Formula != nil {
			d.compileFunction(f)
		}
	}
}

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

func (d *Demonstration) parse(text string, scope *expr.Scope) (expr.Node, error) {
	d.Counters.Parses++
	f, err := expr.Parse(text, scope)
	d.Notices = append(d.Notices, f.Notices...)
	return f.Node, err
}

// Statement reads a formula that may have a head.
func (d *Demonstration) Statement(text string) (expr.Statement, error) {
	d.Counters.Parses++
	return expr.ParseStatement(text, d.scope)
}

// Report files a problem for an entry's field; an entry keeps its first.
func (d *Demonstration) Report(err error, object, field string) {
	p, ok := problem.Of(err)
	if !ok {
		panic("evaluate: " + err.Error())
	}
	for _, known := range d.Problems {
		if known.Object == object {
			return
		}
	}
	d.Problems = append(d.Problems, p.In(object, field))
}

// reportCircles finds definitions that lead back to themselves and takes them out.
func (d *Demonstration) reportCircles() {
	const entered, left = 1, 2
	state := map[string]int{}
	var path []string
	var visit func(name string)
	visit = func(name string) {
		f := d.functions[name]
		if f == nil || f.Formula == nil || state[name] == left {
			return
		}
		if state[name] == entered {
			d.reportCircle(path, name)
			return
		}
		state[name] = entered
		path = append(path, name)
		for _, called := range expr.Calls(f.Formula) {
			visit(called)
		}
		path = path[:len(path)-1]
		state[name] = left
	}
	for _, f := range d.Functions {
		visit(f.Stated.Name)
	}
}

func (d *Demonstration) reportCircle(path []string, name string) {
	from := 0
	for path[from] != name {
		from++
	}
	words := ""
	for _, n := range path[from:] {
		words += n + " → "
	}
	for _, n := range path[from:] {
		f := d.functions[n]
		d.Report(problem.New("circle", f.Formula.Pos(), f.Formula.End(), words+name), f.Stated.ID, "formula")
	}
	for _, n := range path[from:] {
		d.functions[n].Formula = nil
	}
}

// Lookup serves symbolic.Inline.
func (d *Demonstration) Lookup(name string) (symbolic.Definition, bool) {
	f := d.functions[name]
	if f == nil || f.Formula == nil {
		return symbolic.Definition{}, false
	}
	return symbolic.Definition{Variables: f.Stated.Variables, Body: f.Formula}, true
}

// Resolve puts stated functions into a formula and angles into radians. Angles come first, so that a derivative by an
// angle in degrees carries its factor π/180.
func (d *Demonstration) Resolve(n expr.Node) (expr.Node, error) {
	degrees := d.Document.AngleUnit == document.Degree
	out, err := symbolic.Inline(symbolic.Radians(n, degrees), func(name string) (symbolic.Definition, bool) {
		def, ok := d.Lookup(name)
		def.Body = symbolic.Radians(def.Body, degrees)
		return def, ok
	})
	if p, ok := problem.Of(err); ok && p.Code == "not-a-function" && d.functions[p.Args[0]] != nil {
		return nil, problem.New("uses-broken", p.Start, p.End, p.Args[0])
	}
	return out, err
}

// Simplified is what a function that uses other functions comes to, simplified: d(x, 2) as a formula in x. It is nil
// where that says no more than the formula itself.
func (d *Demonstration) Simplified(f *Function) expr.Node {
	if f.Formula == nil || len(expr.Calls(f.Formula)) == 0 {
		return nil
	}
	inlined, err := symbolic.Inline(f.Formula, d.Lookup)
	if d.Document.AngleUnit == document.Degree && err == nil {
		// A derivative needs its angles in radians; without trigonometry both are the same.
		inlined, err = d.Resolve(f.Formula)
	}
	if err != nil {
		return nil
	}
	simple := symbolic.Simplify(inlined).Node
	if expr.Equal(simple, f.Formula) || symbolic.Size(simple) > mostSimplified {
		return nil
	}
	return simple
}

const (
	// mostDrawn bounds a formula of which a curve is made, in parts; each part of it that may break is looked at alone.
	mostDrawn = 3000
	// mostWork bounds what one value of a curve takes, in operations, whatever its parameters.
	mostWork = 20000
)

// Affordable holds a formula, with everything put in, to its bounds; a problem names it and stands where it was typed.
func Affordable(n expr.Node, inputs []string, typed expr.Node, name string, most int) error {
	if size := symbolic.Size(n); size > most {
		return problem.New("too-large", typed.Pos(), typed.End(), name, number.Grouped(size), number.Grouped(most))
	}
	if work := program.Work(n, inputs)(make([]float64, len(inputs))); work > mostWork {
		return problem.New("too-long-to-work-out", typed.Pos(), typed.End(), name, number.Grouped(int(work)), number.Grouped(mostWork))
	}
	return nil
}

// mostSimplified bounds what is worth reading.
const mostSimplified = 80

func (d *Demonstration) compileFunction(f *Function) {
	n, err := d.Resolve(f.Formula)
	if err != nil {
		d.Report(err, f.Stated.ID, "formula")
		return
	}
	f.on, f.Waits = d.Dependencies(n, f.Stated.Variables)
	if len(f.Waits) > 0 {
		d.Wait(f.Waits, f.Formula, f.Stated.ID, "formula")
		return
	}
	f.Inlined, f.Meaning = n, expr.Text(n)
	if len(f.Stated.Variables) != 1 {
		return
	}
	inputs := append([]string{f.Stated.Variables[0]}, d.inputs[1:]...)
	if err := Affordable(n, inputs, f.Formula, f.Stated.Name, mostDrawn); err != nil {
		d.Report(err, f.Stated.ID, "formula")
		f.Inlined = nil
		return
	}
	d.Counters.Compiles++
	curve, err := sample.Compile(n, inputs)
	if err != nil {
		d.Report(err, f.Stated.ID, "formula")
		return
	}
	f.Curve = curve
}

// Dependencies splits the names of n into parameters and letters without a value.
func (d *Demonstration) Dependencies(n expr.Node, variables []string) (on []int, waits []string) {
	for _, name := range expr.Names(n) {
		isVariable := false
		for _, v := range variables {
			isVariable = isVariable || v == name
		}
		if i, ok := d.index[name]; ok && !isVariable {
			on = append(on, i)
		} else if !isVariable {
			waits = append(waits, name)
		}
	}
	return on, waits
}

// Wait notes letters without a value: they are offered as dials, and the entry says what it waits for.
func (d *Demonstration) Wait(letters []string, typed expr.Node, object, field string) {
	at := expr.Span{From: typed.Pos(), To: typed.End()}
	expr.Walk(typed, func(n expr.Node) bool {
		if name, ok := n.(*expr.Name); ok && name.Name == letters[0] {
			at = name.Span
			return false
		}
		return true
	})
	d.Report(problem.New("no-value", at.From, at.To, letters[0]), object, field)
	for _, letter := range letters {
		known := false
		for _, m := range d.Missing {
			known = known || m == letter
		}
		if !known {
			d.Missing = append(d.Missing, letter)
		}
	}
}

// Function finds a stated function by name; nil when there is none or it could not be understood.
func (d *Demonstration) Function(name string) *Function {
	if f := d.functions[name]; f != nil && f.Inlined != nil {
		return f
	}
	return nil
}

// Inputs gives the inputs' values with room for the variable in front; it must not be kept.
func (d *Demonstration) Inputs() []float64 { return d.in }

// fresh tells whether what depends on these parameters is up to date, and takes note that it will be.
func (d *Demonstration) fresh(x *depends) bool {
	if x.done > 0 {
		latest := uint64(0)
		for _, i := range x.on {
			latest = max(latest, d.moved[i])
		}
		if latest <= x.done {
			return true
		}
	}
	x.done = d.tick
	return false
}

// Named finds a stated function by name, understood or not; nil when there is none.
func (d *Demonstration) Named(name string) *Function { return d.functions[name] }

// InputNames are the names of the inputs with a variable in front.
func (d *Demonstration) InputNames(variable string) []string {
	return append([]string{variable}, d.inputs[1:]...)
}

// Hangs lists the parameters that the function hangs on.
func (f *Function) Hangs() []int { return f.on }

// RadiansPerUnit is how many radians a unit of angles is.
func (d *Demonstration) RadiansPerUnit() float64 {
	if d.Document.AngleUnit == document.Degree {
		return math.Pi / 180
	}
	return 1
}

// Moves counts the moves so far: what was told at one count holds until it grows.
func (d *Demonstration) Moves() uint64 { return d.tick }

// HasMoved tells whether something has moved on which an expression hangs since it was asked last.
func (d *Demonstration) HasMoved(x *Expression) bool { return !d.fresh(&x.depends) }

// StampOf is a number that grows whenever one of some parameters moves, one of them left out; −1 leaves out none.
func (d *Demonstration) StampOf(on []int, but int) uint64 {
	latest := uint64(1)
	for _, i := range on {
		if i != but {
			latest = max(latest, d.moved[i])
		}
	}
	return latest
}

// Stamp is a number that grows whenever a parameter that the function depends on moves: what was computed at one stamp
// holds until it changes.
func (d *Demonstration) Stamp(f *Function) uint64 { return d.StampOf(f.on, -1) }

// CountRun notes that an entry was computed.
func (d *Demonstration) CountRun(id string) { d.Counters.Runs[id]++ }

// Expression is a compiled formula without a variable.
type Expression struct {
	Formula expr.Node // as typed
	program *program.Program
	inlined expr.Node
	depends
}

// Expression compiles a formula of an entry's field; nil when there is a problem, which is then reported.
func (d *Demonstration) Expression(text, object, field string, variables ...string) *Expression {
	n, err := d.parse(text, innerScope(d.scope, variables))
	if err != nil {
		d.Report(err, object, field)
		return nil
	}
	inlined, err := d.Resolve(n)
	if err != nil {
		d.Report(err, object, field)
		return nil
	}
	x := &Expression{Formula: n, inlined: inlined}
	var waits []string
	if x.on, waits = d.Dependencies(inlined, variables); len(waits) > 0 {
		d.Wait(waits, n, object, field)
		return nil
	}
	inputs := d.inputs
	if len(variables) == 1 {
		inputs = append([]string{variables[0]}, d.inputs[1:]...)
	}
	if err := Affordable(inlined, inputs, n, "this", symbolic.MaxNodes); err != nil {
		d.Report(err, object, field)
		return nil
	}
	d.Counters.Compiles++
	if x.program, err = program.Compile(inlined, inputs); err != nil {
		d.Report(err, object, field)
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

// Why says why an expression has no value now.
func (d *Demonstration) Why(x *Expression) string { return program.Why(x.inlined, d.inputs, d.in) }

// Graph finds the function of one variable whose graph an entry shows; nil when there is none that could be understood, which
// is then reported.
func (d *Demonstration) Graph(name, object string) *Function {
	f := d.functions[name]
	switch {
	case f == nil:
		d.Report(problem.New("not-a-function", 0, len(name), name), object, "function")
	case len(f.Stated.Variables) != 1:
		d.Report(problem.New("variables", 0, len(name), name, "another number of them"), object, "function")
	case f.Curve != nil:
		return f
	}
	return nil
}

// mostMembers bounds the members of all families together.
const mostMembers = 240

// AffordsCurves takes note of so many more members of families; false when they are too many, which is then reported.
func (d *Demonstration) AffordsCurves(count int, object, field string) bool {
	if d.members += count; d.members > mostMembers {
		d.Report(problem.New("too-many-curves", 0, 0, fmt.Sprint(d.members), fmt.Sprint(mostMembers)), object, field)
		return false
	}
	return true
}
