package question

import (
	"math"
	"sort"

	"parvix/core/analyse"
	"parvix/core/breaks"
	"parvix/core/expr"
	"parvix/core/interval"
	"parvix/core/problem"
	"parvix/core/program"
	"parvix/core/symbolic"
)

// same tells whether two expressions have the same value wherever both have one, and whether one has gaps that the
// other has not.
func (q *Question) same(degrees bool) (map[string]any, error) {
	var nodes [2]expr.Node
	for i, text := range []string{q.A, q.B} {
		n, err := q.readText(text, degrees)
		if p, ok := problem.Of(err); ok {
			q.Expr = text // the place of the mistake counts in this text
			return nil, problem.New("field", p.Start, p.Start, string("ab"[i]), p.Error())
		} else if err != nil {
			return nil, err
		}
		nodes[i] = n
	}
	c, err := compare(nodes[0], nodes[1])
	if err != nil {
		return nil, err
	}
	answer := map[string]any{"same": c.differs == nil, "domainsDiffer": c.domainsDiffer, "how": c.how}
	if at := c.differs; at != nil {
		answer["counterexample"] = at.fields(c.names)
	} else if at := c.gap; at != nil {
		answer["gap"] = at.fields(c.names)
	}
	return answer, nil
}

// comparison of two functions of the same letters.
type comparison struct {
	names         []string
	differs, gap  *trial
	domainsDiffer bool
	how           analyse.How
}

// trial is a place with the two values there.
type trial struct {
	in   []float64
	a, b float64
}

func (t *trial) fields(names []string) map[string]any {
	out := map[string]any{"a": jsonNumber(t.a), "b": jsonNumber(t.b)}
	for i, name := range names {
		out[name] = jsonNumber(t.in[i])
	}
	return out
}

func compare(a, b expr.Node) (comparison, error) {
	c := comparison{names: expr.Names(&expr.Binary{Op: expr.Sub, L: a, R: b})}
	sort.Strings(c.names)
	if len(c.names) == 0 {
		c.names = []string{"x"}
	}
	f, err := program.CompilePoint(a, c.names)
	if err != nil {
		return c, err
	}
	g, err := program.CompilePoint(b, c.names)
	if err != nil {
		return c, err
	}
	apart := enclosures(a, b, c.names)
	difference := symbolic.Simplify(&expr.Binary{Op: expr.Sub, L: a, R: b}).Node
	zero, isNumber := difference.(*expr.Number)
	c.how = analyse.Sampled
	if isNumber && zero.Value.Sign() == 0 {
		c.how = analyse.Identity
	}
	compared := 0
	for _, in := range c.trials() {
		t := &trial{in, f(in), g(in)}
		switch {
		case math.IsNaN(t.a) && math.IsNaN(t.b):
		case math.IsNaN(t.a) != math.IsNaN(t.b):
			if c.gap == nil {
				c.gap = t
			}
		default:
			compared++
			if c.how != analyse.Identity && c.differs == nil && differ(t.a, t.b) && apart(in) {
				c.differs = t
			}
		}
	}
	c.domainsDiffer = c.gap != nil
	if len(c.names) == 1 {
		c.compareDomains(a, b)
	}
	if compared == 0 && c.differs == nil {
		// Nowhere do both have a value: they are the same only if neither has any.
		c.differs = c.gap
	}
	return c, nil
}

// compareDomains decides by the domains of core/analyse where both are known.
func (c *comparison) compareDomains(a, b expr.Node) {
	var texts [2]string
	for i, n := range []expr.Node{a, b} {
		f, err := analyse.Function(n, c.names[0], analyse.Bounds{})
		if err != nil || !f.DomainKnown {
			return
		}
		texts[i] = analyse.Intervals(f.Domain)
		if f.Period != nil {
			texts[i] += " every " + f.Period.Text()
			if len(f.Domain) == 1 && math.IsInf(f.Domain[0].Lo.Value, -1) {
				texts[i] = analyse.Intervals(f.Domain)
			}
		}
	}
	if texts[0] != texts[1] {
		c.domainsDiffer = true
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

func differ(a, b float64) bool {
	if math.IsInf(a, 0) || math.IsInf(b, 0) {
		return false
	}
	return math.Abs(a-b) > 1e-9*math.Max(math.Abs(a), math.Abs(b))+1e-12
}

// trials are the places tried: small whole numbers and halves first, as a counterexample that is easy to check by hand,
// then numbers of many sizes without any relation to each other.
func (c *comparison) trials() [][]float64 {
	easy := []float64{1, 2, 0, -1, 3, -2, 0.5, -0.5, 4, -3, 5, 10, -10, 1.5, -1.5, 0.25, 7, -7, 100, -100}
	var list [][]float64
	for i := range easy {
		in := make([]float64, len(c.names))
		for k := range in {
			in[k] = easy[(i+k*3)%len(easy)]
		}
		list = append(list, in)
	}
	const steps = 240
	for i := range steps {
		in := make([]float64, len(c.names))
		for k := range in {
			u := math.Mod(float64(i+1)*math.Sqrt(float64(2+k*k+3*k)), 1) - 0.5
			in[k] = u * math.Pow(1.06, float64((i*(k+1))%steps)) / 10
		}
		list = append(list, in)
	}
	return list
}
