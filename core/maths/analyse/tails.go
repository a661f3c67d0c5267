package analyse

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/series"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// maxCompared bounds the formulas of which terms are compared, maxPairs the quotients of the terms, all their sizes together.
const maxCompared, maxPairs = 90, 3000

// tail finds a place beyond which, on one side, the formula surely has no zero; NaN where that could not be shown.
func (a *analyser) tail(n expr.Node, side int, other float64) float64 {
	t := tailProof{analyser: a, n: n, side: side, enclose: breaks.Enclose(n, a.variable)}
	for _, r := range []float64{8, 20, 60, 300, 2000} {
		if side > 0 && r < other {
			r = other + r
		}
		if side < 0 && -r > other {
			r = -other + r
		}
		if t.holds(r) {
			return float64(side) * r
		}
	}
	return float64(side) * a.rootBound(n)
}

// maxRootBound is how far out the zeros of a polynomial are still looked for.
const maxRootBound = 1e5

// rootBound is a size that no zero of a polynomial has, whatever constants its coefficients are: twice the largest of
// |aₙ₋ₖ/aₙ|^(1/k), after Fujiwara (1916). NaN for another formula, or for a bound too far out.
func (a *analyser) rootBound(n expr.Node) float64 {
	if expr.Any(n, func(n expr.Node) bool { return isCall(n) && depends(n, a.variable) }) {
		return math.NaN()
	}
	coefficients, ok := symbolic.Coefficients(n, a.variable)
	degree := len(coefficients) - 1
	if !ok || degree < 1 {
		return math.NaN()
	}
	size := func(i int) interval.I {
		v, _ := breaks.Enclose(coefficients[i], a.variable)(interval.Point(0))
		return v.Abs()
	}
	leading, bound := size(degree), 0.0
	for k := 1; k <= degree; k++ {
		bound = math.Max(bound, math.Pow(size(degree-k).Hi/leading.Lo, 1/float64(k)))
	}
	if bound *= 2.0001; bound < maxRootBound {
		return bound
	}
	return math.NaN()
}

func isCall(n expr.Node) bool {
	_, ok := n.(*expr.Call)
	return ok
}

type tailProof struct {
	analyser *analyser
	n        expr.Node
	side     int
	enclose  breaks.Enclosure
	limit    *series.Behaviour
}

// outweighing is a term with the quotients of all others by it, and its factors that could be 0.
type outweighing struct {
	others  []ratio
	factors []breaks.Enclosure
}

// ratio is a quotient of two terms with its logarithmic derivative.
type ratio struct {
	value       program.Point
	over, slope breaks.Enclosure
}

func (t *tailProof) beyond(r float64) interval.I {
	if t.side > 0 {
		return interval.I{Lo: r, Hi: math.Inf(1)}
	}
	return interval.I{Lo: math.Inf(-1), Hi: -r}
}

// holds shows that the formula is not 0 beyond r: by its enclosure; because it moves one way and away from 0, or towards
// a limit of the sign that it has; or because one of its terms outweighs all others together.
func (t *tailProof) holds(r float64) bool {
	v, slope := t.enclose(t.beyond(r))
	if v.Lo > 0 || v.Hi < 0 {
		return true
	}
	at, _ := t.enclose(interval.Point(float64(t.side) * r))
	sign := 0
	if at.Lo > 0 {
		sign = 1
	} else if at.Hi < 0 {
		sign = -1
	}
	if sign == 0 {
		return false
	}
	way := 0
	if slope.Lo >= 0 {
		way = t.side
	} else if slope.Hi <= 0 {
		way = -t.side
	}
	if way == sign {
		return true
	}
	if way == -sign {
		if t.limit == nil {
			b := t.analyser.effort.FarOut(t.n, t.analyser.variable, t.side, float64(t.side)*1e9)
			t.limit = &b
		}
		return t.limit.Kind == series.Finite && t.limit.Limit.Float()*float64(sign) >= 0
	}
	return t.outweighed(r)
}

func (t *tailProof) outweighed(r float64) bool {
	for _, term := range t.analyser.rowsOf(t.n) {
		total := 0.0
		for _, q := range term.others {
			total += q.bound(t.beyond(r), float64(t.side)*r, t.side)
		}
		if total < 1 && term.neverZero(t.beyond(r)) {
			return true
		}
	}
	return false
}

func (o outweighing) neverZero(beyond interval.I) bool {
	for _, f := range o.factors {
		if v, _ := f(beyond); v.Lo <= 0 && v.Hi >= 0 {
			return false
		}
	}
	return true
}

// withExponentials writes the hyperbolic functions by e^u, whose growth can be compared.
func withExponentials(n expr.Node) expr.Node {
	n = expr.Map(n, withExponentials)
	c, ok := n.(*expr.Call)
	if !ok || c.Name != "sinh" && c.Name != "cosh" && c.Name != "tanh" {
		return n
	}
	e := func(u expr.Node) expr.Node { return expr.Power(&expr.Constant{Name: "e"}, u) }
	up, down := e(c.Args[0]), e(expr.Opposite(c.Args[0]))
	sinh, cosh := expr.Minus(up, down), expr.Plus(up, down)
	switch c.Name {
	case "sinh":
		return expr.Over(sinh, expr.Num(2))
	case "cosh":
		return expr.Over(cosh, expr.Num(2))
	}
	return expr.Over(sinh, cosh)
}

// bound is a size that the quotient surely does not exceed beyond r.
func (q ratio) bound(beyond interval.I, r float64, side int) float64 {
	v, _ := q.over(beyond)
	size := math.Max(math.Abs(v.Lo), math.Abs(v.Hi))
	if q.slope != nil {
		// The size shrinks along the way out where (ln |q|)′ has the sign against it.
		if s, _ := q.slope(beyond); side > 0 && s.Hi < 0 || side < 0 && s.Lo > 0 {
			size = math.Min(size, math.Abs(q.value([]float64{r}))*(1+1e-9))
		}
	}
	if math.IsNaN(size) {
		return math.Inf(1)
	}
	return size
}

// rowsOf works the quotients of a formula's terms out once, for both sides.
func (a *analyser) rowsOf(n expr.Node) []outweighing {
	key := expr.Text(n)
	rows, known := a.rows[key]
	if !known {
		rows = compared(n, a.variable)
		a.rows[key] = rows
	}
	return rows
}

// compared divides the terms of a formula by each other; nil where that would take too long.
func compared(n expr.Node, variable string) (rows []outweighing) {
	exponential := withExponentials(n)
	if symbolic.Size(exponential) > maxCompared {
		return nil
	}
	terms, ok := symbolic.Numerator(exponential)
	if !ok || len(terms) < 2 {
		return nil
	}
	size := 0
	for _, term := range terms {
		size += symbolic.Size(term.Product())
	}
	if 2*len(terms)*size > maxPairs {
		return nil
	}
	for i := range terms {
		row := outweighing{}
		for _, f := range terms[i].Factors {
			if c, ok := f.Base.(*expr.Constant); !ok || c.Name != "e" {
				row.factors = append(row.factors, breaks.Enclose(f.Base, variable))
			}
		}
		for j := range terms {
			if i == j {
				continue
			}
			quotient := terms[j].Over(terms[i])
			q := quotient.Product()
			value, err := program.CompilePoint(q, []string{variable})
			if err != nil {
				return nil
			}
			row.others = append(row.others, ratio{value, breaks.Enclose(q, variable), breaks.Enclose(quotient.Rate(variable), variable)})
		}
		rows = append(rows, row)
	}
	return rows
}
