// Package same tells whether two formulas are the same function, however they are written.
package same

import (
	"math"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Comparison is what was found out about two formulas.
type Comparison struct {
	// Names are their letters, in order.
	Names []string
	// Differs is a place where both have a value and not the same one, Gap one where only one has a value; nil for none.
	Differs, Gap *Trial
	// DomainsDiffer tells that one has gaps that the other has not.
	DomainsDiffer bool
	How           analyse.How
}

// Trial is a place, in the order of the names, with the two values there.
type Trial struct {
	In   []float64
	A, B float64
}

// Compare tells whether two formulas have the same value wherever both have one: by their simplified difference, or at many
// places, where enclosures prove that they differ.
func Compare(a, b expr.Node) (Comparison, error) {
	c := Comparison{Names: expr.Names(expr.Minus(a, b))}
	sort.Strings(c.Names)
	if len(c.Names) == 0 {
		c.Names = []string{"x"}
	}
	f, err := program.CompilePoint(a, c.Names)
	if err != nil {
		return c, err
	}
	g, err := program.CompilePoint(b, c.Names)
	if err != nil {
		return c, err
	}
	apart := enclosures(a, b, c.Names)
	difference := symbolic.Simplify(expr.Minus(a, b)).Node
	zero, isNumber := difference.(*expr.Number)
	c.How = analyse.Sampled
	if isNumber && zero.Value.Sign() == 0 {
		c.How = analyse.Identity
	}
	trials := c.trials()
	if len(c.Names) == 1 {
		for _, x := range append(analyse.OwnPlaces(a, c.Names[0]), analyse.OwnPlaces(b, c.Names[0])...) {
			trials = append(trials, []float64{x})
		}
	}
	compared, unit := 0, unitOf(trials, f, g)
	for _, in := range trials {
		t := &Trial{in, f(in), g(in)}
		switch {
		case math.IsNaN(t.A) && math.IsNaN(t.B):
		case math.IsNaN(t.A) != math.IsNaN(t.B):
			missing := a
			if math.IsNaN(t.B) {
				missing = b
			}
			// e^x/(1 + e^x) exists for x = 1000 too, though no float64 holds its parts.
			if c.Gap == nil && !program.Exists(program.Why(missing, c.Names, in)) {
				c.Gap = t
			}
		default:
			compared++
			if c.How != analyse.Identity && c.Differs == nil && differ(t.A, t.B, unit) && apart(in) {
				c.Differs = t
			}
		}
	}
	c.DomainsDiffer = c.Gap != nil
	if len(c.Names) == 1 {
		c.compareDomains(a, b)
	}
	if compared == 0 && c.Differs == nil {
		// Nowhere do both have a value: they are the same only if neither has any.
		c.Differs = c.Gap
	}
	return c, nil
}

// compareDomains decides by the domains of core/maths/analyse where both are known.
func (c *Comparison) compareDomains(a, b expr.Node) {
	var texts [2]string
	for i, n := range []expr.Node{a, b} {
		f, err := analyse.Function(n, c.Names[0], analyse.Bounds{})
		if err != nil || !f.DomainKnown {
			return
		}
		texts[i] = f.DomainText()
		if f.DomainAgain != nil {
			texts[i] += " every " + f.DomainAgain.Period.Text()
		}
		if f.Period != nil {
			texts[i] += " every " + f.Period.Text()
			if analyse.IsWholeLine(f.Domain) {
				texts[i] = analyse.Intervals(f.Domain)
			}
		}
	}
	if texts[0] != texts[1] {
		c.DomainsDiffer = true
	}
}

// enclosures tells whether the bounds of two formulas at a place have nothing in common: then their values differ, and
// not by rounding only, as large numbers that cancel do.
func enclosures(a, b expr.Node, names []string) func(in []float64) bool {
	f, g := breaks.EncloseAt(a, names), breaks.EncloseAt(b, names)
	return func(in []float64) bool {
		v, _ := f(interval.Point(in[0]), in)
		w, _ := g(interval.Point(in[0]), in)
		return v.Hi < w.Lo || w.Hi < v.Lo
	}
}

// unitOf is what counts as 1: less where all values are smaller.
func unitOf(trials [][]float64, formulas ...program.Point) float64 {
	largest := 0.0
	for _, in := range trials {
		for _, f := range formulas {
			if v := math.Abs(f(in)); v > largest {
				largest = v
			}
		}
	}
	return math.Min(1, largest)
}

func differ(a, b, unit float64) bool {
	if math.IsInf(a, 0) || math.IsInf(b, 0) {
		return false
	}
	return math.Abs(a-b) > 1e-9*math.Max(math.Abs(a), math.Abs(b))+1e-12*unit
}

// trials are the places tried: small whole numbers and halves first, as a counterexample that is easy to check by hand,
// then numbers of many sizes without any relation to each other.
func (c *Comparison) trials() [][]float64 {
	easy := []float64{1, 2, 0, -1, 3, -2, 0.5, -0.5, 4, -3, 5, 10, -10, 1.5, -1.5, 0.25, 7, -7, 100, -100}
	var list [][]float64
	for i := range easy {
		in := make([]float64, len(c.Names))
		for k := range in {
			in[k] = easy[(i+k*3)%len(easy)]
		}
		list = append(list, in)
	}
	const steps = 240
	for i := range steps {
		in := make([]float64, len(c.Names))
		for k := range in {
			u := math.Mod(float64(i+1)*math.Sqrt(float64(2+k*k+3*k)), 1) - 0.5
			in[k] = u * math.Pow(1.06, float64((i*(k+1))%steps)) / 10
		}
		list = append(list, in)
	}
	return list
}
