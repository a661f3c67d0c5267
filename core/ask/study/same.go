package study

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/same"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
)

// mostCompared bounds the functions that one is compared with.
const mostCompared = 20

// SameGraph names the other functions of one variable that have the same graph as f at the values in play, however they
// are written: −3 sin(2x + 2π/3) and 3 sin(2x − π/3).
func SameGraph(d *evaluate.Demonstration, f *evaluate.Function) (names []string) {
	x := f.Stated.Variables[0]
	own := d.WithNumbers(f)
	for i, g := range d.Functions {
		if g == f || g.Curve == nil || len(g.Stated.Variables) != 1 || i > mostCompared || differAtOnce(d, f, g) {
			continue
		}
		other := symbolic.Substitute(d.WithNumbers(g), map[string]expr.Node{g.Stated.Variables[0]: &expr.Name{Name: x}})
		if c, err := same.Compare(own, other); err == nil && c.Differs == nil && !c.DomainsDiffer {
			names = append(names, g.Stated.Name)
		}
	}
	return names
}

// differAtOnce tells two functions apart at a few places, before anything slow is tried.
func differAtOnce(d *evaluate.Demonstration, f, g *evaluate.Function) bool {
	in := d.Inputs()
	for _, x := range []float64{0.37, 1.91, -2.63, 4.11} {
		v, w := f.Curve.At(x, in), g.Curve.At(x, in)
		if math.IsNaN(v) != math.IsNaN(w) || math.Abs(v-w) > 1e-6*math.Max(1, math.Abs(v)) {
			return true
		}
	}
	return false
}

// Compared says in words whether two functions are the same, with the proof or a place where they differ.
func Compared(d *evaluate.Demonstration, f, g *evaluate.Function) (string, error) {
	x := f.Stated.Variables[0]
	other := symbolic.Substitute(d.WithNumbers(g), map[string]expr.Node{g.Stated.Variables[0]: &expr.Name{Name: x}})
	c, err := same.Compare(d.WithNumbers(f), other)
	if err != nil {
		return "", err
	}
	a, b := f.Stated.Name, g.Stated.Name
	at := func(t *same.Trial) string {
		return fmt.Sprintf("at %s = %s, %s is %s and %s is %s", x, number.Format(t.In[0], 3), a, valueOr(t.A), b, valueOr(t.B))
	}
	switch {
	case c.Differs != nil:
		return fmt.Sprintf("%s and %s are not the same: %s.", a, b, at(c.Differs)), nil
	case c.DomainsDiffer && c.Gap != nil:
		return fmt.Sprintf("%s and %s are the same wherever both have a value, but not everywhere: %s.", a, b, at(c.Gap)), nil
	case c.DomainsDiffer:
		return fmt.Sprintf("%s and %s are the same wherever both have a value, but one has gaps that the other has not.", a, b), nil
	case c.How == analyse.Identity:
		return fmt.Sprintf("%s and %s are the same: their difference simplifies to 0.", a, b), nil
	}
	return fmt.Sprintf("%s and %s agree wherever they were tried, but it could not be proved that they are the same.", a, b), nil
}

func valueOr(v float64) string {
	if math.IsNaN(v) || math.IsInf(v, 0) {
		return "undefined"
	}
	return number.Format(v, 4)
}

// PlacesOf are the places of a finding at the starting values, as numbers.
func PlacesOf(doc *document.Document, function string, finding document.Finding) (places []found.Point) {
	d := evaluate.Load(doc, nil)
	f := d.Function(function)
	if f == nil || f.Curve == nil {
		return nil
	}
	findings, err := Of(d, f, 0, 0)
	if err != nil {
		return nil
	}
	return Found(d, f, findings).Points[finding]
}
