package series

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
)

// walker turns a tree into its sum at one place.
type walker struct {
	*Effort
	variable string
	x        sum
	depth    int
	// probe is a place next to the point on the side in question, with nothing special between; it tells which piece of
	// a function holds.
	probe float64
}

func (w *walker) walk(n expr.Node) sum {
	switch n := n.(type) {
	case *expr.Number:
		return constant(exact.Fractional(n.Value))
	case *expr.Constant:
		if n.Name == "inf" {
			giveUp()
		}
		return constant(exact.Of(n))
	case *expr.Name:
		if n.Name != w.variable {
			giveUp()
		}
		return w.x
	case *expr.Neg:
		return w.scaled(w.walk(n.X), exact.Int(-1))
	case *expr.Binary:
		return w.binary(n)
	case *expr.Call:
		return w.call(n)
	case *expr.Pieces:
		return w.pieces(n)
	}
	giveUp()
	return sum{}
}

func (w *walker) binary(n *expr.Binary) sum {
	l := w.walk(n.L)
	if n.Op == expr.Pow {
		if e, ok := symbolic.Fraction(n.R); ok {
			return w.raise(l, e, w.depth)
		}
		if c, ok := n.L.(*expr.Constant); ok && c.Name == "e" {
			return w.exponential(w.walk(n.R), w.depth)
		}
		return w.exponential(w.multiply(w.walk(n.R), w.logarithm(l, w.depth)), w.depth)
	}
	r := w.walk(n.R)
	switch n.Op {
	case expr.Add:
		return w.add(l, r)
	case expr.Sub:
		return w.add(l, w.scaled(r, exact.Int(-1)))
	case expr.Mul:
		return w.multiply(l, r)
	}
	return w.multiply(l, w.inverse(r))
}

func (w *walker) inverse(a sum) sum { return w.raise(a, big.NewRat(-1, 1), w.depth) }

func (w *walker) call(n *expr.Call) sum {
	a := w.walk(n.Args[0])
	switch n.Name {
	case "sin":
		return w.sine(a)
	case "cos":
		return w.cosine(a)
	case "tan":
		return w.multiply(w.sine(a), w.inverse(w.cosine(a)))
	case "cot":
		return w.multiply(w.cosine(a), w.inverse(w.sine(a)))
	case "sec":
		return w.inverse(w.cosine(a))
	case "csc":
		return w.inverse(w.sine(a))
	case "exp":
		return w.exponential(a, w.depth)
	case "ln":
		return w.logarithm(a, w.depth)
	case "log":
		base := exact.Int(10)
		if len(n.Args) == 2 {
			base = exact.Of(n.Args[1])
		}
		return w.scaled(w.logarithm(a, w.depth), exact.Int(1).Over(base.Apply("ln")))
	case "sqrt":
		return w.raise(a, big.NewRat(1, 2), w.depth)
	case "cbrt":
		return w.raise(a, big.NewRat(1, 3), w.depth)
	case "root":
		if degree, ok := exact.Of(n.Args[1]).Rat(); ok && degree.Sign() > 0 {
			return w.raise(a, new(big.Rat).Inv(degree), w.depth)
		}
	case "abs":
		if a.isZero() {
			return a
		}
		return w.scaled(a, exact.Int(int64(signOf(a.definite().c))))
	case "sgn":
		if a.isZero() {
			return a
		}
		return whole(int64(signOf(a.definite().c)))
	case "floor":
		return w.floor(a)
	case "ceil":
		return w.scaled(w.floor(w.scaled(a, exact.Int(-1))), exact.Int(-1))
	case "min", "max":
		return w.extreme(n)
	case "arctan":
		return w.arctangent(a)
	case "arccot":
		return w.add(constant(halfPi()), w.scaled(w.arctangent(a), exact.Int(-1)))
	case "arcsin":
		return w.arcsine(a)
	case "arccos":
		return w.add(constant(halfPi()), w.scaled(w.arcsine(a), exact.Int(-1)))
	case "arccsc":
		return w.arcsine(w.inverse(a))
	case "arcsec":
		return w.add(constant(halfPi()), w.scaled(w.arcsine(w.inverse(a)), exact.Int(-1)))
	}
	return w.hyperbolic(n.Name, a)
}

// definite is the first term, which must have a sign.
func (a sum) definite() term {
	t := a.lead()
	if t.restless {
		giveUp()
	}
	return t
}

func halfPi() exact.Value {
	return exact.Of(expr.Over(&expr.Constant{Name: "pi"}, expr.Num(2)))
}

func (w *walker) hyperbolic(name string, a sum) sum {
	half := exact.Fractional(big.NewRat(1, 2))
	both := func() (rise, fall sum) {
		return w.exponential(a, w.depth), w.exponential(w.scaled(a, exact.Int(-1)), w.depth)
	}
	minus := func(a, b sum) sum { return w.add(a, w.scaled(b, exact.Int(-1))) }
	root := func(a sum, c int64) sum { return w.raise(w.add(w.multiply(a, a), whole(c)), big.NewRat(1, 2), w.depth) }
	switch name {
	case "sinh":
		rise, fall := both()
		return w.scaled(minus(rise, fall), half)
	case "cosh":
		rise, fall := both()
		return w.scaled(w.add(rise, fall), half)
	case "tanh":
		rise, fall := both()
		return w.multiply(minus(rise, fall), w.inverse(w.add(rise, fall)))
	case "coth":
		rise, fall := both()
		return w.multiply(w.add(rise, fall), w.inverse(minus(rise, fall)))
	case "arsinh":
		if a.isZero() {
			return a
		}
		// The sum u + √(u² + 1) cancels for u < 0; the function is odd.
		sign := exact.Int(int64(signOf(a.definite().c)))
		u := w.scaled(a, sign)
		return w.scaled(w.logarithm(w.add(u, root(u, 1)), w.depth), sign)
	case "arcosh":
		return w.logarithm(w.add(a, root(a, -1)), w.depth)
	case "artanh":
		return w.scaled(w.logarithm(w.multiply(w.add(whole(1), a), w.inverse(minus(whole(1), a))), w.depth), half)
	}
	giveUp()
	return sum{}
}

// isLarge tells whether a grows without bound or is restless: then a sine of it is no more than bounded.
func (a sum) isLarge() bool {
	if len(a.terms) == 0 {
		return false
	}
	first := a.terms[0]
	side := first.compare(unit)
	return side > 0 || side == 0 && first.restless
}

// sine uses the Taylor series at the limit (DLMF 4.19.1).
func (w *walker) sine(a sum) sum {
	if a.isLarge() {
		return bounded()
	}
	_, c, small := a.parts()
	return w.compose(cycle(c.Apply("sin"), c.Apply("cos")), small, w.depth)
}

func (w *walker) cosine(a sum) sum {
	if a.isLarge() {
		return bounded()
	}
	_, c, small := a.parts()
	return w.compose(cycle(c.Apply("cos"), c.Apply("sin").Neg()), small, w.depth)
}

// cycle gives the coefficients of a function with f″ = −f, from f and f′.
func cycle(f, slope exact.Value) func(k int) exact.Value {
	return func(k int) exact.Value {
		c := f
		if k%2 == 1 {
			c = slope
		}
		size := new(big.Rat).SetFrac(big.NewInt(1), new(big.Int).MulRange(1, int64(max(k, 1))))
		if k%4 >= 2 {
			size.Neg(size)
		}
		return c.Times(exact.Fractional(size))
	}
}

// arctangent at a limit c integrates 1/(1 + (c + ε)²); far out it is ±π/2 − arctan(1/a).
func (w *walker) arctangent(a sum) sum {
	if len(a.terms) > 0 && a.terms[0].compare(unit) > 0 {
		sign := exact.Int(int64(signOf(a.definite().c)))
		return w.add(constant(halfPi().Times(sign)), w.scaled(w.arctangent(w.inverse(a)), exact.Int(-1)))
	}
	_, c, small := a.parts()
	one := exact.Int(1)
	slope := w.powerSeries([]exact.Value{one.Plus(c.Times(c)), c.Times(exact.Int(2)), one}, big.NewRat(-1, 1), w.depth)
	return w.compose(integral(c.Apply("arctan"), slope), small, w.depth)
}

// arcsine at a limit c integrates (1 − (c + ε)²)^(−1/2); at ±1 it is ±(π/2 − 2·arcsin √((1 ∓ a)/2)).
func (w *walker) arcsine(a sum) sum {
	_, c, small := a.parts()
	one := exact.Int(1)
	if size := c.Times(c).Minus(one); size.IsZero() {
		near := w.scaled(w.add(whole(1), w.scaled(a, c.Neg())), exact.Fractional(big.NewRat(1, 2)))
		return w.scaled(w.add(constant(halfPi()), w.scaled(w.arcsine(w.raise(near, big.NewRat(1, 2), w.depth)), exact.Int(-2))), c)
	}
	slope := w.powerSeries([]exact.Value{one.Minus(c.Times(c)), c.Times(exact.Int(-2)), exact.Int(-1)}, big.NewRat(-1, 2), w.depth)
	return w.compose(integral(c.Apply("arcsin"), slope), small, w.depth)
}

// mostPowerSize bounds the exact numbers whose powers are multiplied out: the coefficients of longer ones grow without end.
const mostPowerSize = 14

// powerSeries is the series q^r, q with a constant that is not 0. Source: Euler's recurrence, Knuth 4.7, formula (9).
func (e *Effort) powerSeries(q []exact.Value, r *big.Rat, depth int) []exact.Value {
	if symbolic.Size(q[0].Node()) > mostPowerSize {
		giveUp()
	}
	out := []exact.Value{q[0].Power(r)}
	for n := 1; n < depth; n++ {
		s := exact.Value{}
		for k := 1; k <= n && k < len(q); k++ {
			weight := new(big.Rat).Mul(r, big.NewRat(int64(k), 1))
			weight.Sub(weight, big.NewRat(int64(n-k), 1))
			e.spendProduct(q[k], out[n-k])
			s = s.Plus(q[k].Times(out[n-k]).Times(exact.Fractional(weight)))
		}
		e.spendProduct(s, q[0])
		out = append(out, s.Over(q[0]).Times(exact.Fractional(big.NewRat(1, int64(n)))))
	}
	return out
}

func integral(first exact.Value, slope []exact.Value) func(k int) exact.Value {
	return func(k int) exact.Value {
		if k == 0 {
			return first
		}
		return slope[k-1].Times(exact.Fractional(big.NewRat(1, int64(k))))
	}
}

// floor is level next to every place: at a whole limit the side decides.
func (w *walker) floor(a sum) sum {
	if a.isZero() {
		return a
	}
	_, c, small := a.parts()
	v := c.Float()
	if r, ok := c.Rat(); ok {
		down := new(big.Int).Div(r.Num(), r.Denom())
		if r.IsInt() && !small.isZero() && signOf(small.definite().c) < 0 {
			down.Sub(down, big.NewInt(1))
		}
		return constant(exact.Fractional(new(big.Rat).SetInt(down)))
	}
	// At a whole number rounding would decide, and beyond 2^53 there is nothing but whole numbers.
	if math.Abs(v-math.Round(v)) < 1e-9 {
		giveUp()
	}
	return whole(int64(math.Floor(v)))
}

func (w *walker) extreme(n *expr.Call) sum {
	out := w.walk(n.Args[0])
	for _, other := range n.Args[1:] {
		b := w.walk(other)
		d := w.add(out, w.scaled(b, exact.Int(-1)))
		if d.isZero() {
			continue
		}
		if (signOf(d.definite().c) < 0) == (n.Name == "max") {
			out = b
		}
	}
	return out
}

// pieces takes the piece that holds next to the place.
func (w *walker) pieces(n *expr.Pieces) sum {
	for _, p := range n.List {
		holds, err := program.CompilePoint(&expr.Pieces{List: []expr.Piece{{Body: expr.Num(1), When: p.When}}}, []string{w.variable})
		if err != nil {
			giveUp()
		}
		if holds([]float64{w.probe}) == 1 {
			return w.walk(p.Body)
		}
	}
	giveUp()
	return sum{}
}
