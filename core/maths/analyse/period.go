package analyse

import (
	"math"
	"math/big"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/solve"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// PeriodOf is the least period of a formula, exactly; false for one that does not repeat, or that is constant. n as for
// Function.
func PeriodOf(n expr.Node, variable string) (exact.Value, bool) {
	if hasSum(n) {
		return exact.Value{}, false // of more terms than are written out: what its waves have in common is not looked for
	}
	n, _, f, err := ofSize1(n, variable, Bounds{})
	if err != nil {
		return exact.Value{}, false
	}
	return periodOf(n, variable, f)
}

// periodOf finds the least period: a common multiple of the periods of the parts, divided as far as the values allow.
func periodOf(n expr.Node, variable string, f program.Point) (exact.Value, bool) {
	parts, ok := partPeriods(n, variable)
	if !ok || len(parts) == 0 {
		return exact.Value{}, false
	}
	ratios := make([]*big.Rat, len(parts))
	for i, p := range parts {
		r, ok := p.Over(parts[0]).Rat()
		if !ok {
			return exact.Value{}, false
		}
		ratios[i] = r
	}
	p := parts[0].Times(exact.Fractional(LeastMultiple(ratios)))
	if p.Float() < shortestPeriod {
		return exact.Value{}, false
	}
	at := places
	if p.Float() < shortPeriod && onlyInWaves(n, variable) {
		// So far out as the places lie rounding hides what a short wave does; what it does near 0 comes again.
		at = nearer(p.Float())
	}
	at = known(n, variable, at)
	own := OwnPlaces(n, variable)
	repeats := func(f program.Point, p float64) bool {
		other := func(x float64) float64 { return f([]float64{x + p}) }
		_, agrees := compare(f, own, other, ownShare)
		return agrees && agree(f, at, other)
	}
	repeatAll := func(list []program.Point, p float64) bool {
		return !slices.ContainsFunc(list, func(f program.Point) bool { return !repeats(f, p) })
	}
	if !repeats(f, p.Float()) {
		return exact.Value{}, false
	}
	gates, cuts, value := gateSizes(n, variable), cutPlaces(n, variable, p.Float()), exactlyAt(n, variable)
	if !repeatAll(gates, p.Float()) {
		return exact.Value{}, false // a gap that does not come again, as that of sin x + 0/x
	}
	if hasOneValue(n, variable, f) && !anyCloses(gates, p.Float()) {
		// A constant repeats after every step, unless its gaps make a period.
		return exact.Value{}, false
	}
	for k := int64(24); k > 1; k-- {
		part := p.Float() / float64(k)
		onCuts := agreeAt(cuts, value, func(x, v float64) (at, want float64) { return x + part, v })
		if onCuts && repeats(f, part) && repeatAll(gates, part) {
			return p.Over(exact.Int(k)), true
		}
	}
	return p, true
}

// hasOneValue tells that a formula has one value only, though its letter may stand in it, as in cos 2x + 2 sin² x.
func hasOneValue(n expr.Node, variable string, f program.Point) bool {
	if len(expr.Names(symbolic.Simplify(n).Node)) == 0 {
		return true
	}
	if hasJumps(n) || hasPieces(n) {
		return false // single places may differ
	}
	one, found := 0.0, false
	for _, x := range places {
		v := f([]float64{x})
		if v != v {
			continue
		}
		if found && math.Abs(v-one) > 1e-9*(1+math.Abs(one)) {
			return false
		}
		one, found = v, true
	}
	slope, ok := solve.Zeros(symbolic.Derivative(n, variable), variable)
	return found && ok && slope.All
}

// mostCuts bounds the places that are tried one by one.
const mostCuts = 40

// cutPlaces are places in [0, p] at which the steps of n jump, and those where its waves, perhaps within a step, take their
// middle and outermost values: there a function may have a value of its own that numbers tried at random never meet.
func cutPlaces(n expr.Node, variable string, p float64) (list []float64) {
	if !hasJumps(n) {
		return nil
	}
	found, _ := breaks.New(n, []string{variable}).Find(0, p, []float64{0})
	for _, place := range found[:min(len(found), mostCuts)] {
		list = append(list, place.X)
	}
	expr.Walk(n, func(n expr.Node) bool {
		c, ok := n.(*expr.Call)
		if !ok {
			return true
		}
		spacing := 1.0
		switch {
		case isWave(c.Name):
			spacing = math.Pi / 4
		case !isStep(c.Name):
			return true
		}
		slope := symbolic.Simplify(symbolic.Derivative(c.Args[0], variable)).Node
		u, err := program.CompilePoint(c.Args[0], []string{variable})
		if len(expr.Names(slope)) > 0 || err != nil || exact.Of(slope).IsZero() {
			return true
		}
		s, lift := exact.Of(slope).Float(), u([]float64{0})
		for k := range 8 {
			list = append(list, (float64(k)*spacing-lift)/s)
		}
		return true
	})
	return list
}

// exactlyAt gives the values of n, where what differs from a jump by rounding only counts as there.
func exactlyAt(n expr.Node, variable string) func(x float64) float64 {
	return func(x float64) float64 {
		tree := smoothed(n, variable, x)
		if tree == nil {
			return math.NaN()
		}
		f, err := program.CompilePoint(tree, []string{variable})
		if err != nil {
			return math.NaN()
		}
		return f([]float64{x})
	}
}

// agreeAt compares the value v at each place x with the one that is wanted somewhere else.
func agreeAt(places []float64, value func(x float64) float64, other func(x, v float64) (at, want float64)) bool {
	for _, x := range places {
		at, want := other(x, value(x))
		if v := value(at); (v == v) != (want == want) || v == v && !close(v, want) {
			return false
		}
	}
	return true
}

// gateSizes are the sizes of what must not be 0 or decides where n has a value: the gaps repeat where these do.
func gateSizes(n expr.Node, variable string) []program.Point {
	var list []program.Point
	for _, g := range gatesOf(n, fractionOf) {
		if !depends(g.part, variable) {
			continue
		}
		bounds, _ := breaks.Enclose(g.part, variable)(interval.I{Lo: math.Inf(-1), Hi: math.Inf(1)})
		if open, _ := g.over(bounds); open {
			continue // everywhere, as that of arcsin(sin x)
		}
		if f, err := program.CompilePoint(&expr.Call{Name: "abs", Args: []expr.Node{g.part}}, []string{variable}); err == nil {
			list = append(list, f)
		}
	}
	return list
}

// anyCloses tells whether one of the sizes comes down to 0 within a period.
func anyCloses(sizes []program.Point, p float64) bool {
	const tried = 500
	return slices.ContainsFunc(sizes, func(f program.Point) bool {
		least, most := math.Inf(1), 0.0
		for k := range tried {
			if v := f([]float64{p * float64(k) / tried}); v == v {
				least, most = math.Min(least, v), math.Max(most, v)
			}
		}
		return most > 0 && least <= 0.02*most
	})
}

// Periods shorter than shortPeriod are tried at places that lie nearer to 0; shorter ones than shortestPeriod are not told.
const (
	shortPeriod    = 0.05
	shortestPeriod = 1e-6
)

// onlyInWaves tells whether the variable stands nowhere but in waves of lines.
func onlyInWaves(n expr.Node, variable string) bool {
	only := true
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Name:
			only = only && n.Name != variable
		case *expr.Call:
			if isWave(n.Name) && !depends(symbolic.Simplify(symbolic.Derivative(n.Args[0], variable)).Node, variable) {
				return false
			}
		}
		return true
	})
	return only
}

func isWave(function string) bool {
	switch function {
	case "sin", "cos", "tan", "cot", "sec", "csc":
		return true
	}
	return false
}

// partPeriods lists the periods of the waves and steps in n; ok is false where a wave's angle is no line.
func partPeriods(n expr.Node, variable string) (periods []exact.Value, ok bool) {
	ok = true
	expr.Walk(n, func(n expr.Node) bool {
		c, isCall := n.(*expr.Call)
		if _, isPieces := n.(*expr.Pieces); isPieces {
			ok = false
		}
		if !isCall || !ok {
			return ok
		}
		var natural expr.Node
		switch c.Name {
		case "sin", "cos", "sec", "csc":
			natural = expr.Times(expr.Num(2), expr.Pi())
		case "tan", "cot":
			natural = expr.Pi()
		case "floor", "ceil":
			natural = expr.Num(1)
		default:
			return true
		}
		slope := symbolic.Simplify(symbolic.Derivative(c.Args[0], variable)).Node
		if len(expr.Names(slope)) > 0 {
			// A wave of a wave, as sin(cos x), repeats with the inner one.
			return true
		}
		v := exact.Of(slope)
		if v.IsZero() {
			return true
		}
		periods = append(periods, exact.Of(natural).Over(v.Apply("abs")))
		return true
	})
	return periods, ok
}

// LeastMultiple is the least fraction that is a whole multiple of all.
func LeastMultiple(list []*big.Rat) *big.Rat {
	l, g := big.NewInt(1), new(big.Int)
	for _, r := range list {
		a := r.Num()
		l.Mul(l, new(big.Int).Div(a, new(big.Int).GCD(nil, nil, l, a)))
		g.GCD(nil, nil, g, r.Denom())
	}
	return new(big.Rat).SetFrac(l, g)
}

// places are numbers without any relation to each other or to π at which identities are tried.
var places = func() []float64 {
	var list []float64
	golden := (math.Sqrt(5) - 1) / 2
	for i := range 60 {
		u := math.Mod(float64(i+1)*golden, 1)
		list = append(list, (u-0.5)*math.Pow(1.17, float64(i%24))*1.37)
	}
	return list
}()

// known are those of the places at which what stands in waves and steps is not lost in rounding, as x is in x + 10²⁵.
func known(n expr.Node, variable string, at []float64) []float64 {
	expr.Walk(n, func(n expr.Node) bool {
		c, isCall := n.(*expr.Call)
		if !isCall || !isWave(c.Name) && !isStep(c.Name) || !depends(c.Args[0], variable) {
			return true
		}
		enclose := breaks.Enclose(c.Args[0], variable)
		var kept []float64
		for _, x := range at {
			if v, _ := enclose(interval.Point(x)); !(v.Hi-v.Lo > 1e-6) {
				kept = append(kept, x)
			}
		}
		at = kept
		return true
	})
	return at
}

// nearer are the places, moved towards 0.
func nearer(factor float64) []float64 {
	list := make([]float64, len(places))
	for i, x := range places {
		list[i] = factor * x
	}
	return list
}

// agree compares f with another function at many places, also in where f has no value; it needs some at which both have one.
func agree(f program.Point, at []float64, other func(x float64) float64) bool {
	compared, agrees := compare(f, at, other, 1e-9)
	return agrees && compared >= enough
}

// enough are the places at which functions must have values to be compared.
const enough = 5

// compare tells at how many places both functions have a value, and whether those differ by no more than a share.
func compare(f program.Point, at []float64, other func(x float64) float64, share float64) (compared int, agrees bool) {
	least := math.Inf(1)
	for _, x := range at {
		if v := math.Abs(f([]float64{x})); v > 0 {
			least = math.Min(least, v)
		}
	}
	for _, x := range at {
		v, w := f([]float64{x}), other(x)
		if math.IsNaN(v) != math.IsNaN(w) {
			return compared, false
		}
		if math.IsNaN(v) || math.IsInf(v, 0) || math.Abs(v) > 1e12*math.Max(1, least) {
			continue
		}
		compared++
		if math.IsInf(w, 0) || math.Abs(v-w) > share*(math.Abs(v)+math.Abs(w))+1e-12 {
			return compared, false
		}
	}
	return compared, true
}

// mostOwn bounds the places of a formula's own, and besideOwn is how far beside them, as a share, it is looked at: a pole may lie
// there. So near to one values are compared by ownShare only.
const mostOwn, besideOwn, ownShare = 30, 1.37e-6, 1e-6

// OwnPlaces lie beside those at which the polynomials that stand in a formula are 0 or turn, waves of lines apart: a thin peak,
// as that of e^(−3000(x − 7.77)²), is met by no number tried at random.
func OwnPlaces(n expr.Node, variable string) (list []float64) {
	put := func(p symbolic.Polynomial) {
		if p.Degree() < 1 {
			return
		}
		simple, _ := p.Divide(p.GCD(p.Derivative()))
		roots, _ := simple.RealRoots()
		for _, x := range roots {
			list = append(list, x+besideOwn*(1+math.Abs(x)))
		}
	}
	expr.Walk(n, func(n expr.Node) bool {
		if len(list) >= mostOwn || !depends(n, variable) {
			return false
		}
		if c, is := n.(*expr.Call); is && isWave(c.Name) && isWrittenAsPolynomial(c.Args[0], variable) {
			return false
		}
		if !isWrittenAsPolynomial(n, variable) {
			return true
		}
		if p, ok := symbolic.AsPolynomial(rational(n), variable); ok && p.Degree() <= 4 {
			put(p)
			put(p.Derivative())
		}
		return false
	})
	return list
}

// isWrittenAsPolynomial tells that nothing but sums, products and small whole powers of the variable stand in a formula.
func isWrittenAsPolynomial(n expr.Node, variable string) bool {
	return !expr.Any(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Name, *expr.Number, *expr.Neg, *expr.Constant:
			return false
		case *expr.Binary:
			if n.Op == expr.Pow && depends(n, variable) {
				e, whole := symbolic.Fraction(n.R)
				return depends(n.R, variable) || !whole || !e.IsInt() || e.Sign() < 0 || e.Cmp(big.NewRat(4, 1)) > 0
			}
			return n.Op == expr.Div && depends(n.R, variable)
		}
		return depends(n, variable)
	})
}

// rational puts decimals in the place of a formula's constants.
func rational(n expr.Node) expr.Node {
	if len(expr.Names(n)) == 0 {
		if v := exact.Float(n); v == v && !math.IsInf(v, 0) {
			return decimal(v)
		}
		return n
	}
	if b, is := n.(*expr.Binary); is && b.Op == expr.Pow {
		return expr.Power(rational(b.L), b.R)
	}
	return expr.Map(n, rational)
}

// symmetryOf compares f(−x) with f(x) and −f(x), in the formula first, then at many places and, with
// the values there, at the cuts.
func symmetryOf(n expr.Node, variable string, f program.Point, cuts []float64, value func(float64) float64) (symmetry string, how How) {
	mirrored := symbolic.Substitute(n, map[string]expr.Node{variable: expr.Opposite(&expr.Name{Name: variable})})
	at := known(n, variable, places)
	own := OwnPlaces(n, variable)
	mirrors := func(sign float64, difference expr.Node) (how How, ok bool) {
		other := func(x float64) float64 { return sign * f([]float64{-x}) }
		_, agreesOwn := compare(f, own, other, ownShare)
		compared, agrees := compare(f, at, other, 1e-9)
		if !agreesOwn || !agrees || !agreeAt(cuts, value, func(x, v float64) (at, want float64) { return -x, sign * v }) {
			return Sampled, false
		}
		if identityOr(difference) == Identity {
			return Identity, true
		}
		// 10^(−12) x + 1 is not even, though its values differ by rounding only: by no rounding, say their bounds.
		enclose := breaks.Enclose(n, variable)
		return Sampled, compared >= enough && !slices.ContainsFunc(at, func(x float64) bool {
			v, _ := enclose(interval.Point(x))
			w, _ := enclose(interval.Point(-x))
			return apart(v, w.Mul(interval.Point(sign)))
		})
	}
	if how, ok := mirrors(1, expr.Minus(mirrored, n)); ok {
		return "even", how
	}
	if how, ok := mirrors(-1, expr.Plus(mirrored, n)); ok {
		return "odd", how
	}
	return "none", Sampled
}

// identityOr tells whether the difference is seen to be 0 in the formula.
func identityOr(difference expr.Node) How {
	if number, ok := symbolic.Simplify(difference).Node.(*expr.Number); ok && number.Value.Sign() == 0 {
		return Identity
	}
	return Sampled
}
