package edit

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/kinds/guide"
)

// mostGuided bounds the features through which guides are put at once.
const mostGuided = 4

// GuidesThrough puts an upright and a level guide through each feature of a function, bound to its formula where there is one, so
// that they stay right while dials move; else at the places where it is found.
func GuidesThrough(before *document.Document, function string, of document.Finding, places func() []found.Point) (*document.Document, error) {
	d := clone(before)
	e := evaluate.Load(d, nil)
	i := slices.IndexFunc(e.Functions, func(f *evaluate.Function) bool { return f.Stated.Name == function && f.Curve != nil })
	if i < 0 {
		return nil, problem.New("field", 0, 0, "text", "there is no such function")
	}
	f := e.Functions[i]
	at := placesOf(e, f, of)
	if len(at) == 0 {
		for _, p := range places() {
			at = append(at, [2]string{number.Format(p.X, 9), number.Format(p.Y, 9)})
		}
	}
	if len(at) == 0 {
		return nil, problem.New("field", 0, 0, "finding", "it has no place that a guide could go through")
	}
	known := map[guide.Body]bool{}
	for i := range d.Shown {
		if g, is := d.Shown[i].Body.(*guide.Body); is {
			known[*g] = true
		}
	}
	for _, place := range at[:min(len(at), mostGuided)] {
		for k, direction := range [2]guide.Direction{guide.Upright, guide.Level} {
			body := guide.Body{Direction: direction, At: place[k]}
			if known[body] {
				continue
			}
			known[body] = true
			var err error
			if d, err = Put(d, document.Entry{Body: &body}); err != nil {
				return nil, err
			}
		}
	}
	return d, d.Check()
}

// placesOf are the places of a finding as formulas that have a value now, with the height of the function there.
func placesOf(e *evaluate.Demonstration, f *evaluate.Function, of document.Finding) (at [][2]string) {
	in := append([]float64{}, e.Inputs()...)
	for _, x := range finding.Places(f, of) {
		y := symbolic.Simplify(symbolic.Substitute(f.Inlined, map[string]expr.Node{f.Stated.Variables[0]: x})).Node
		place, err := program.CompilePoint(x, e.InputNames(evaluate.NoVariable))
		if err != nil {
			continue
		}
		if v := place(in); math.IsNaN(v) || math.IsInf(v, 0) {
			continue
		}
		at = append(at, [2]string{e.Numeral(expr.Pretty(x)), e.Numeral(expr.Pretty(y))})
	}
	return at
}
