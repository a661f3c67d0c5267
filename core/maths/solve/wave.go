package solve

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// wavePolynomial is A(s) + c·B(s) with s = sin v, c = cos v; coefficients from the constant up.
type wavePolynomial struct{ a, b []exact.Value }

// trigonometric solves a polynomial in sines and cosines of multiples of one angle: c² = 1 − s² leaves A(s) + c·B(s).
func (s *solver) trigonometric(list []monomial, keys []string) (Set, bool) {
	for _, key := range keys {
		c, ok := s.kernelBase(list, key).(*expr.Call)
		if !ok || c.Name != "sin" && c.Name != "cos" {
			return Set{}, false
		}
	}
	for _, m := range list {
		if len(expr.Names(m.c)) > 0 {
			return Set{}, false
		}
	}
	v, multiples, shifts, ok := s.commonAngle(list, keys)
	if !ok {
		return Set{}, false
	}
	parts := map[string]wavePolynomial{}
	for _, key := range keys {
		name := s.kernelBase(list, key).(*expr.Call).Name
		parts[key] = multiple(name, multiples[key], shifts[key])
	}
	total := wavePolynomial{}
	for _, m := range list {
		t := wavePolynomial{a: []exact.Value{exact.Of(m.c)}}
		for key, k := range m.kernels {
			if !k.exp.IsInt() || k.exp.Sign() < 0 || k.exp.Num().Int64() > 12 {
				return Set{}, false
			}
			for range k.exp.Num().Int64() {
				t = t.times(parts[key])
			}
		}
		total = total.plus(t)
	}
	return s.solveWave(total, v), true
}

// commonAngle finds v = w·x + p such that every angle is a whole multiple of v plus a constant shift.
func (s *solver) commonAngle(list []monomial, keys []string) (v expr.Node, multiples map[string]int, shifts map[string]exact.Value, ok bool) {
	type line struct{ a, b expr.Node }
	lines := map[string]line{}
	ratios := make([]*big.Rat, 0, len(keys))
	var first line
	for i, key := range keys {
		a, b, ok := s.line(s.kernelBase(list, key).(*expr.Call).Args[0])
		if !ok || len(expr.Names(a)) > 0 || len(expr.Names(b)) > 0 {
			return nil, nil, nil, false
		}
		lines[key] = line{a, b}
		if i == 0 {
			first = line{a, b}
		}
		r, isFraction := exact.Of(expr.Over(a, first.a)).Rat()
		if !isFraction {
			return nil, nil, nil, false
		}
		ratios = append(ratios, r)
	}
	step := commonMeasure(ratios)
	// The shift of the first angle is taken along, so that a single angle stays as it is.
	n := new(big.Rat).Quo(ratios[0], step)
	w := short(expr.Times(symbolic.Ratio(step), first.a))
	p := short(expr.Over(first.b, symbolic.Ratio(n)))
	v = symbolic.Simplify(expr.Plus(expr.Times(w, &expr.Name{Name: s.x}), p)).Node
	multiples, shifts = map[string]int{}, map[string]exact.Value{}
	for i, key := range keys {
		n := new(big.Rat).Quo(ratios[i], step)
		if n.Num().Int64() > 12 || n.Num().Int64() < -12 {
			return nil, nil, nil, false
		}
		multiples[key] = int(n.Num().Int64())
		shifts[key] = exact.Of(expr.Minus(lines[key].b, expr.Times(symbolic.Ratio(n), p)))
	}
	return v, multiples, shifts, true
}

// multiple is sin(n·v + shift) or cos(n·v + shift) in s and c, by the addition theorems (DLMF 4.21.1, 4.21.2).
func multiple(name string, n int, shift exact.Value) wavePolynomial {
	one := []exact.Value{exact.Int(1)}
	sine, cosine := wavePolynomial{a: []exact.Value{{}, exact.Int(1)}}, wavePolynomial{b: one}
	sn, cn := wavePolynomial{}, wavePolynomial{a: one}
	flip := n < 0
	if flip {
		n = -n
	}
	for range n {
		sn, cn = sn.times(cosine).plus(cn.times(sine)), cn.times(cosine).plus(sn.times(sine).scaled(exact.Int(-1)))
	}
	if flip {
		sn = sn.scaled(exact.Int(-1))
	}
	if shift.IsZero() {
		if name == "sin" {
			return sn
		}
		return cn
	}
	ss, cs := shift.Apply("sin"), shift.Apply("cos")
	if name == "sin" {
		return sn.scaled(cs).plus(cn.scaled(ss))
	}
	return cn.scaled(cs).plus(sn.scaled(ss.Neg()))
}

func plusValues(a, b []exact.Value) []exact.Value {
	out := make([]exact.Value, max(len(a), len(b)))
	for i := range out {
		if i < len(a) {
			out[i] = out[i].Plus(a[i])
		}
		if i < len(b) {
			out[i] = out[i].Plus(b[i])
		}
	}
	for len(out) > 0 && out[len(out)-1].IsZero() {
		out = out[:len(out)-1]
	}
	return out
}

// mostSymbols bounds a product of polynomials with irrational coefficients, in pairs of symbols that meet: what is longer
// has no solution that could be read.
const mostSymbols = 250

func timesValues(a, b []exact.Value) []exact.Value {
	if len(a) == 0 || len(b) == 0 {
		return nil
	}
	if symbolsIn(a)*symbolsIn(b) > mostSymbols {
		panic(stuck{})
	}
	out := make([]exact.Value, len(a)+len(b)-1)
	for i, x := range a {
		for j, y := range b {
			out[i+j] = out[i+j].Plus(x.Times(y))
		}
	}
	return out
}

// symbolsIn counts those of irrational coefficients, 1 where there are none.
func symbolsIn(values []exact.Value) int {
	total := 1
	for _, v := range values {
		if _, rational := v.Rat(); !rational {
			total += symbolic.Size(v.Node())
		}
	}
	return total
}

func (w wavePolynomial) plus(o wavePolynomial) wavePolynomial {
	return wavePolynomial{plusValues(w.a, o.a), plusValues(w.b, o.b)}
}

func (w wavePolynomial) scaled(c exact.Value) wavePolynomial {
	k := []exact.Value{c}
	return wavePolynomial{timesValues(w.a, k), timesValues(w.b, k)}
}

func (w wavePolynomial) times(o wavePolynomial) wavePolynomial {
	square := []exact.Value{exact.Int(1), {}, exact.Int(-1)} // c² = 1 − s²
	return wavePolynomial{
		a: plusValues(timesValues(w.a, o.a), timesValues(timesValues(w.b, o.b), square)),
		b: plusValues(timesValues(w.a, o.b), timesValues(w.b, o.a)),
	}
}

func nodesOf(values []exact.Value) []expr.Node {
	out := make([]expr.Node, len(values))
	for i, v := range values {
		out[i] = v.Node()
	}
	return out
}

// inCosine writes A(s) for even powers of s as a polynomial in c.
func inCosine(a []exact.Value) ([]exact.Value, bool) {
	var out []exact.Value
	power := []exact.Value{exact.Int(1)}
	square := []exact.Value{exact.Int(1), {}, exact.Int(-1)}
	for i, v := range a {
		if i%2 == 1 {
			if !v.IsZero() {
				return nil, false
			}
			continue
		}
		out = plusValues(out, timesValues(power, []exact.Value{v}))
		power = timesValues(power, square)
	}
	return out, true
}

func (s *solver) solveWave(w wavePolynomial, v expr.Node) Set {
	sine, cosine := &expr.Call{Name: "sin", Args: []expr.Node{v}}, &expr.Call{Name: "cos", Args: []expr.Node{v}}
	all := func(base *expr.Call, roots []root) Set {
		out := Set{}
		for _, r := range roots {
			out = out.join(s.invertWave(base, r))
		}
		return out
	}
	w = w.plus(wavePolynomial{})
	switch {
	case len(w.a) == 0 && len(w.b) == 0:
		return Set{All: true}
	case len(w.b) == 0:
		return all(sine, polynomialRoots(nodesOf(w.a)))
	case len(w.a) == 0:
		return all(cosine, []root{{node: expr.Num(0)}}).join(all(sine, polynomialRoots(nodesOf(w.b))))
	}
	evenA, okA := inCosine(w.a)
	evenB, okB := inCosine(w.b)
	if okA && okB {
		return all(cosine, polynomialRoots(nodesOf(plusValues(evenA, timesValues(evenB, []exact.Value{{}, exact.Int(1)})))))
	}
	if len(w.b) == 1 && len(w.a) <= 2 {
		return s.solveLinearWave(w, v)
	}
	return s.solveMixedWave(w, v)
}

// solveLinearWave solves p·sin v + q·cos v + d = 0 as R·sin(v + φ) = −d.
func (s *solver) solveLinearWave(w wavePolynomial, v expr.Node) Set {
	d, p, q := w.a[0], exact.Value{}, w.b[0]
	if len(w.a) == 2 {
		p = w.a[1]
	}
	phase := exact.Of(expr.Apply("arctan", q.Over(p).Node())).Node()
	size := exact.Of(expr.Apply("sqrt", p.Times(p).Plus(q.Times(q)).Node()))
	if p.Float() < 0 {
		size = size.Neg()
	}
	shifted := symbolic.Simplify(expr.Plus(v, phase)).Node
	return s.invertWave(&expr.Call{Name: "sin", Args: []expr.Node{shifted}}, root{node: d.Neg().Over(size).Node()})
}

// solveMixedWave squares c·B = −A to a polynomial in s; the sign of c follows from A and B.
func (s *solver) solveMixedWave(w wavePolynomial, v expr.Node) Set {
	square := []exact.Value{exact.Int(1), {}, exact.Int(-1)}
	squared := plusValues(timesValues(w.a, w.a), timesValues(timesValues(timesValues(w.b, w.b), square), []exact.Value{exact.Int(-1)}))
	out := Set{}
	turn := exact.Of(expr.Times(expr.Num(2), expr.Pi()))
	at := func(values []exact.Value, x float64) float64 {
		total := 0.0
		for i := len(values) - 1; i >= 0; i-- {
			total = total*x + values[i].Float()
		}
		return total
	}
	for _, r := range polynomialRoots(nodesOf(squared)) {
		x := r.float()
		if math.Abs(x) > 1+1e-12 {
			continue
		}
		angle := r.of(func(n expr.Node) expr.Node { return expr.Apply("arcsin", n) })
		if x > 1 {
			angle.node = expr.Over(expr.Pi(), expr.Num(2))
		}
		other := angle.of(func(n expr.Node) expr.Node { return expr.Minus(expr.Pi(), n) })
		c := math.Sqrt(math.Max(0, 1-x*x))
		for _, side := range []struct {
			c     float64
			angle root
		}{{c, angle}, {-c, other}} {
			if left := at(w.a, x) + side.c*at(w.b, x); math.Abs(left) < 1e-7 {
				out = out.join(s.angles(v, side.angle, turn))
			}
		}
	}
	return out
}
