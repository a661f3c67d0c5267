package evaluate

import (
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/sample"
)

// Function is a stated function, understood.
type Function struct {
	Stated  *document.Stated
	Formula expr.Node // as typed, or the model that follows from data
	body    expr.Node // Formula as other formulas use it
	Inlined expr.Node // without stated functions, in radians; nil when there is a problem
	// Meaning is Inlined as text: what has the same one has the same findings.
	Meaning string
	Curve   *sample.Function
	// Waits lists the letters without a value that it needs.
	Waits []string
	depends
	*fitted
}

// Hangs lists the parameters that the function hangs on.
func (f *Function) Hangs() []int { return f.on }

func (fs *Formulas) loadFunctions(data *Datasets) {
	stated := fs.document.Functions()
	for _, s := range stated {
		f := &Function{Stated: s}
		fs.Functions = append(fs.Functions, f)
		fs.functions[s.Name] = f
		if s.Fit != nil {
			if own := data.fitFor(s); own != nil {
				f.fitted = own
				f.Formula, f.body = own.model.Node, own.body()
			}
			continue
		}
		n, err := fs.parse(s.Formula, innerScope(fs.scope, s.Variables))
		if err != nil {
			fs.Report(err, s.ID, "formula")
			continue
		}
		f.Formula = n
		if f.body, err = fs.data.withLists(n); err != nil {
			fs.Report(err, s.ID, "formula")
			f.Formula = nil
		}
	}
	fs.reportCycles()
	for _, f := range fs.Functions {
		if f.Formula != nil {
			fs.compileFunction(f)
		}
	}
}

// reportCycles finds definitions that lead back to themselves and takes them out.
func (fs *Formulas) reportCycles() {
	const entered, left = 1, 2
	state := map[string]int{}
	var path []string
	var visit func(name string)
	visit = func(name string) {
		f := fs.functions[name]
		if f == nil || f.Formula == nil || state[name] == left {
			return
		}
		if state[name] == entered {
			fs.reportCycle(path, name)
			return
		}
		state[name] = entered
		path = append(path, name)
		for _, called := range expr.Calls(f.Formula) {
			if of, _ := partialIn(fs, called); of != nil {
				called = of.Stated.Name
			}
			visit(called)
		}
		path = path[:len(path)-1]
		state[name] = left
	}
	for _, f := range fs.Functions {
		visit(f.Stated.Name)
	}
}

func (fs *Formulas) reportCycle(path []string, name string) {
	from := 0
	for path[from] != name {
		from++
	}
	words := ""
	for _, n := range path[from:] {
		words += n + " → "
	}
	for _, n := range path[from:] {
		f := fs.functions[n]
		fs.Report(problem.New("circle", f.Formula.Pos(), f.Formula.End(), words+name), f.Stated.ID, "formula")
	}
	for _, n := range path[from:] {
		fs.functions[n].Formula = nil
	}
}

// Simplified is what a function that uses other functions comes to, simplified: d(x, 2) as a formula in x. It is nil
// where that says no more than the formula itself.
func (fs *Formulas) Simplified(f *Function) expr.Node {
	if f.Formula == nil || len(expr.Calls(f.Formula)) == 0 {
		return nil
	}
	inlined, err := symbolic.Inline(f.Formula, fs.Lookup)
	if fs.document.AngleUnit == document.Degree && err == nil {
		// A derivative needs its angles in radians; without trigonometry both are the same.
		inlined, err = fs.Resolve(f.Formula)
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

// mostSimplified bounds what is worth reading.
const mostSimplified = 80

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

func (fs *Formulas) compileFunction(f *Function) {
	n, err := fs.Resolve(f.body)
	if err != nil {
		fs.Report(err, f.Stated.ID, "formula")
		return
	}
	f.on, f.Waits = fs.Dependencies(n, f.Stated.Variables)
	if len(f.Waits) > 0 {
		fs.Wait(f.Waits, f.Formula, f.Stated.ID, "formula")
		return
	}
	f.Inlined, f.Meaning = n, expr.Text(n)
	if len(f.Stated.Variables) != 1 {
		return
	}
	inputs := append([]string{f.Stated.Variables[0]}, fs.values.inputs[1:]...)
	if err := Affordable(n, inputs, f.Formula, f.Stated.Name, mostDrawn); err != nil {
		fs.Report(err, f.Stated.ID, "formula")
		f.Inlined = nil
		return
	}
	fs.Counters.Compiles++
	curve, err := sample.Compile(n, inputs)
	if err != nil {
		fs.Report(err, f.Stated.ID, "formula")
		return
	}
	f.Curve = curve
}

// Function finds a stated function by name; nil when there is none or it could not be understood.
func (fs *Formulas) Function(name string) *Function {
	if f := fs.functions[name]; f != nil && f.Inlined != nil {
		return f
	}
	return nil
}

// Named finds a stated function by name, understood or not; nil when there is none.
func (fs *Formulas) Named(name string) *Function { return fs.functions[name] }

// Graph finds the function of one variable whose graph an entry shows; nil when there is none that could be understood, which
// is then reported.
func (fs *Formulas) Graph(name, object string) *Function {
	f := fs.functions[name]
	switch {
	case f == nil:
		fs.Report(problem.New("not-a-function", 0, len(name), name), object, "function")
	case len(f.Stated.Variables) != 1:
		fs.Report(problem.New("variables", 0, len(name), name, "another number of them"), object, "function")
	case f.Curve != nil:
		return f
	}
	return nil
}

// Now is the function's formula with the present values put in, as LaTeX.
func (fs *Formulas) Now(f *Function) string {
	if f.Formula == nil {
		return ""
	}
	stamp := fs.values.Stamp(f)
	if fs.now[f].stamp != stamp {
		fs.now[f] = written{stamp, fs.LaTeX(fs.withNumbers(f), nil)}
	}
	return fs.now[f].latex
}

// Spoken is the function with the present values put in, in words: f of x equals 2 x plus 1.
func (fs *Formulas) Spoken(f *Function) string {
	if f.Formula == nil {
		return ""
	}
	var of []string
	for _, v := range f.Stated.Variables {
		of = append(of, expr.SpokenName(v))
	}
	formula := fs.withNumbers(f)
	return expr.SpokenName(f.Stated.Name) + " of " + strings.Join(of, " and ") + " equals " + expr.Spoken(formula)
}

// withNumbers is a function's formula with the present numbers for its letters, that of one that follows from data in its form.
func (fs *Formulas) withNumbers(f *Function) expr.Node {
	if own := f.fitted; own != nil && own.fit != nil && own.fit.Converged() {
		return own.withNumbers()
	}
	formula := f.Formula
	if simple := fs.Simplified(f); simple != nil {
		formula = simple
	}
	return symbolic.PutNumbers(formula, fs.values.NumbersBut(f.Stated.Variables...))
}

// Text is a function's formula as it is typed, that of one that follows from data with its numbers.
func (f *Function) Text() string {
	if own := f.fitted; own != nil && own.fit != nil && own.fit.Converged() {
		return expr.Text(own.withNumbers())
	}
	return f.Stated.Formula
}

// RoundsTooMuch tells that the coefficients as they are written change the function at its data by more than the last decimal of these, and by
// how much.
func (f *Function) RoundsTooMuch() (by float64, tooMuch bool) {
	if f.fitted == nil {
		return 0, false
	}
	xs, _ := f.fitted.points()
	by = f.RoundingAt(xs)
	return by, by > 0 && by > math.Pow(10, -float64(f.fitted.decimals()))
}

// RoundingAt is by how much at most a fitted function changes at some places when its coefficients are rounded as they are written; 0 for
// another function.
func (f *Function) RoundingAt(xs []float64) (most float64) {
	own := f.fitted
	if own == nil || own.fit == nil || !own.fit.Converged() {
		return 0
	}
	rounded, err := program.CompilePoint(own.withNumbers(), []string{own.model.Variable})
	if err != nil {
		return 0
	}
	for _, x := range xs {
		most = math.Max(most, math.Abs(rounded([]float64{x})-own.fit.At(x)))
	}
	return most
}

// written is a formula with values put in, as it was at a stamp.
type written struct {
	stamp uint64
	latex string
}
