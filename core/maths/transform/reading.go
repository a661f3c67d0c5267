package transform

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
)

// Reading is one right way from the parent to the function, with the reason why it leads to the same curve as the
// canonical one; Why is empty for that one itself.
type Reading struct {
	Form  Form
	Order Order
	Why   string
}

// Steps are the reading's.
func (r Reading) Steps(x string) []Step { return r.Form.Steps(x, r.Order) }

// Readings lists the canonical reading first, then what else is right: other orders, the formula as it is written, and
// what the parent's own laws allow. Each is held against the canonical one at many places before it is offered.
func (r Recognised) Readings(x string) []Reading {
	c := r.Canonical
	list := []Reading{{Form: c}}
	put := func(reading Reading) {
		for _, known := range list {
			if sameSteps(known.Steps(x), reading.Steps(x)) {
				return
			}
		}
		if agrees(c, reading.Form, x) {
			list = append(list, reading)
		}
	}
	if !equalForms(r.Written, c) {
		put(Reading{Form: r.Written, Why: whyWritten(r.Written, c)})
	}
	for _, f := range []Form{r.Written, c} {
		if !isZero(f.H) && !isOne(f.B) {
			put(Reading{f, Order{ShiftFirst: true}, whyShiftFirst(f, x)})
		}
	}
	for _, other := range otherForms(c) {
		put(other)
	}
	if !isZero(c.K) && !isOne(c.A) && !isZero(c.A) {
		lift := simple(expr.Over(c.K, c.A))
		why := expr.Pretty(scaled(c.A, shifted(&expr.Name{Name: "y"}, lift))) + " = " + expr.Pretty(shifted(scaled(c.A, &expr.Name{Name: "y"}), c.K)) +
			": lifted first, the curve is stretched or reflected together with its lift."
		put(Reading{c, Order{LiftFirst: true}, why})
	}
	return list
}

// otherForms uses the laws of the parents.
func otherForms(c Form) (list []Reading) {
	kind := c.Parent.Kind
	put := func(f Form, why string) { list = append(list, Reading{Form: f, Why: why}) }
	minusA, minusB := simple(expr.Opposite(c.A)), simple(expr.Opposite(c.B))
	numeric := len(expr.Names(c.A))+len(expr.Names(c.B))+len(expr.Names(c.H))+len(expr.Names(c.K)) == 0
	if odd[kind] && kind != Linear && sign(c.A) < 0 {
		put(Form{c.Parent, minusA, minusB, c.H, c.K}, "p(−x) = −p(x): for this parent a reflection in the y-axis and one in the x-axis give the same curve.")
	}
	if q := exponents[kind]; q != nil && kind != Linear && numeric && !isZero(c.A) {
		// |A| = s^q, so that A·p(x) = ±p(s·x).
		size := simple(expr.Apply("abs", c.A))
		if s := simple(expr.Power(size, symbolic.Ratio(new(big.Rat).Inv(q)))); !isOne(s) {
			a := num(1)
			if sign(c.A) < 0 {
				a = num(-1)
			}
			put(Form{c.Parent, a, simple(expr.Times(c.B, s)), c.H, c.K}, "p("+pretty(s)+"·x) = "+pretty(size)+"·p(x): for this parent a stretch up by "+pretty(size)+
				" is a horizontal stretch by "+pretty(simple(expr.Over(num(1), s)))+".")
		}
	}
	switch kind {
	case Linear:
		if !isZero(c.K) && !isZero(c.A) {
			put(Form{c.Parent, c.A, num(1), simple(expr.Opposite(expr.Over(c.K, c.A))), num(0)}, "A line that is lifted can as well be shifted sideways.")
		}
	case Exponential:
		factor := simple(expr.Power(c.Parent.Base, expr.Opposite(expr.Times(c.B, c.H))))
		if !isZero(c.H) {
			put(Form{c.Parent, simple(expr.Times(c.A, factor)), c.B, num(0), c.K}, "b^(x − h) = b^(−h)·b^x: a horizontal shift of an exponential curve is a vertical stretch.")
		} else if numeric && sign(c.A) > 0 && !isOne(c.A) {
			h := simple(expr.Opposite(expr.Over(expr.Apply("ln", c.A), expr.Times(c.B, expr.Apply("ln", c.Parent.Base)))))
			put(Form{c.Parent, num(1), c.B, h, c.K}, "b^(x − h) = b^(−h)·b^x: a vertical stretch of an exponential curve is a horizontal shift.")
		}
	case Logarithm:
		if numeric && !isZero(c.K) && !isZero(c.A) {
			s := simple(expr.Power(c.Parent.Base, expr.Over(c.K, c.A)))
			put(Form{c.Parent, c.A, simple(expr.Times(c.B, s)), c.H, num(0)}, "log(c·x) = log c + log x: a vertical shift of a logarithm is a horizontal stretch.")
		}
	}
	if period := c.Parent.period(); period != nil && numeric && sign(c.B) != 0 {
		step := simple(expr.Over(period, expr.Apply("abs", c.B)))
		if halves[kind] {
			half := simple(expr.Over(step, num(2)))
			for _, h := range []expr.Node{simple(expr.Plus(c.H, half)), simple(expr.Minus(c.H, half))} {
				put(Form{c.Parent, minusA, c.B, h, c.K}, "A shift by half a period turns the sign of the wave.")
			}
		}
		for _, h := range []expr.Node{simple(expr.Plus(c.H, step)), simple(expr.Minus(c.H, step))} {
			put(Form{c.Parent, c.A, c.B, h, c.K}, "A shift by a whole period leaves the wave as it is.")
		}
	}
	return list
}

// whyShiftFirst shows that both orders end in the same brackets.
func whyShiftFirst(f Form, x string) string {
	line := shifted(scaled(f.B, &expr.Name{Name: x}), expr.Opposite(expr.Times(f.B, f.H)))
	return expr.Pretty(f.inner(x)) + " = " + expr.Pretty(line) +
		": whoever shifts first shifts before stretch and reflection change the distance and its side."
}

func whyWritten(w, c Form) string {
	switch {
	case w.Parent.Kind == Exponential && !expr.Equal(w.Parent.Base, c.Parent.Base):
		return "b^(cx) = (b^c)^x: a horizontal stretch of an exponential curve is another base."
	case even[w.Parent.Kind] && sign(w.B) < 0 && expr.Equal(w.A, c.A):
		return "The parent looks the same after a reflection in the y-axis: p(−u) = p(u)."
	case w.Parent.period() != nil && !expr.Equal(w.H, c.H):
		return "The wave repeats: whole periods change nothing, and half a period turns its sign."
	case w.Parent.Kind == Logistic:
		return "1 − p(x) = p(−x): the reflected logistic curve is its complement to 1."
	}
	return "As the formula is written: the factor inside the brackets can be taken out of them."
}

func equalForms(a, b Form) bool {
	if a.Parent.Base != nil && !expr.Equal(a.Parent.Base, b.Parent.Base) {
		return false
	}
	return expr.Equal(a.A, b.A) && expr.Equal(a.B, b.B) && expr.Equal(a.H, b.H) && expr.Equal(a.K, b.K)
}

func sameSteps(a, b []Step) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range a {
		if a[i].Text() != b[i].Text() {
			return false
		}
	}
	return true
}

// agrees compares two forms at many places, with letters at numbers of no relation to each other.
func agrees(a, b Form, x string) bool {
	n, m := symbolic.Radians(a.Node(x), a.Parent.Degrees), symbolic.Radians(b.Node(x), b.Parent.Degrees)
	inputs := []string{x}
	for _, name := range expr.Names(expr.Minus(n, m)) {
		if name != x {
			inputs = append(inputs, name)
		}
	}
	f, err1 := program.CompilePoint(n, inputs)
	g, err2 := program.CompilePoint(m, inputs)
	if err1 != nil || err2 != nil {
		return false
	}
	compared := 0
	for i := range 80 {
		in := make([]float64, len(inputs))
		golden := (math.Sqrt(5) - 1) / 2
		in[0] = (math.Mod(float64(i+1)*golden, 1) - 0.5) * math.Pow(1.2, float64(i%20)) * 3
		for k := 1; k < len(in); k++ {
			in[k] = 0.3 + math.Mod(float64((i+1)*(k+2))*golden, 1)*2
		}
		v, w := f(in), g(in)
		if math.IsNaN(v) && math.IsNaN(w) || math.Abs(v) > 1e9 {
			continue
		}
		if !(math.Abs(v-w) <= 1e-8*(1+math.Abs(v))) {
			// An end of the domain may fall apart by rounding, but not at numbers like these.
			return false
		}
		compared++
	}
	return compared > 2
}

// State is what the parent's graph has become: after no step, the parent itself.
type State struct {
	Formula       expr.Node
	Keys          []Place
	Domain, Range []Extent
	// DomainWords and RangeWords tell what no list of intervals tells, where the list is nil.
	DomainWords, RangeWords string
	Asymptotes              Asymptotes
}

// States are the parent and what it is after each step.
func (r Reading) States(x string) []State {
	p := r.Form.Parent
	domain, domainWords := p.domain()
	reach, rangeWords := p.reach()
	now := State{Formula: p.Of(&expr.Name{Name: x}), Keys: p.KeyPoints(), Domain: domain, Range: reach,
		DomainWords: domainWords, RangeWords: rangeWords, Asymptotes: p.asymptotes()}
	list := []State{now}
	for _, s := range r.Steps(x) {
		now = now.after(s)
		list = append(list, now)
	}
	return list
}

func (s State) after(step Step) State {
	out := State{Formula: step.Formula, DomainWords: s.DomainWords, RangeWords: s.RangeWords,
		Domain: step.X.extents(s.Domain), Range: step.Y.extents(s.Range)}
	for _, k := range s.Keys {
		out.Keys = append(out.Keys, Place{step.X.Of(k.X), step.Y.Of(k.Y)})
	}
	for _, a := range s.Asymptotes.Upright {
		out.Asymptotes.Upright = append(out.Asymptotes.Upright, step.X.Of(a))
	}
	for _, a := range s.Asymptotes.Level {
		out.Asymptotes.Level = append(out.Asymptotes.Level, step.Y.Of(a))
	}
	if every := s.Asymptotes.Every; every != nil {
		out.Asymptotes.Every = simple(expr.Apply("abs", expr.Times(step.X.Factor, every)))
	}
	return out
}

// extents maps intervals; a factor below 0 turns them round, and a factor of 0 leaves one number.
func (a Affine) extents(list []Extent) []Extent {
	var out []Extent
	for _, e := range list {
		if isZero(simple(a.Factor)) {
			return []Extent{{a.Add, a.Add, true, true}}
		}
		end := func(n expr.Node) expr.Node {
			if n == nil {
				return nil
			}
			return a.Of(n)
		}
		moved := Extent{end(e.Lo), end(e.Hi), e.LoClosed, e.HiClosed}
		if isBelowZero(simple(a.Factor)) {
			moved = Extent{moved.Hi, moved.Lo, moved.HiClosed, moved.LoClosed}
		}
		out = append(out, moved)
	}
	if len(out) == 2 && out[0].Hi != nil && out[1].Lo != nil && exact.Float(out[0].Hi) > exact.Float(out[1].Lo) ||
		len(out) == 2 && out[0].Lo != nil && out[0].Hi == nil {
		out[0], out[1] = out[1], out[0]
	}
	return out
}
