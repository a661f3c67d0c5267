package analyse

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// analyser holds one function under examination.
type analyser struct {
	n          expr.Node
	variable   string
	f          program.Point
	bounds     Bounds
	given      expr.Node // the function; n is it times a power of ten, tens
	tens       int
	lo, hi     float64 // the interval that is examined
	left       float64 // the window for endless lists
	right      float64
	period     float64 // 0 for none
	solutions  map[string]solved
	solving    int // what solving has cost so far
	fractions  int // and writing as one fraction
	segments   []segment
	places     []place
	endless    map[string]bool // lists that go on outside the window
	unsettled  map[string]bool // lists that may miss something
	refuted    map[string]bool // those of which a value spoke against what was found
	samples    []sample        // values that were tried
	isCutBy    map[string]bool // parts of which the zeros have been looked for everywhere
	trees      map[string]derivatives
	simplified map[string]expr.Node // of formulas that are not differentiated
	quotients  map[string]quotient
	numerators map[string]expr.Node
	rows       map[string][]outweighing
	budget     breaks.Budget
	// effort is for the signs of derivatives and for what outweighs what far out; limits has what is kept for the ends.
	effort, limits series.Effort
	staircase      *staircase
	stairsRead     bool
	// isCondition tells that only the domain is asked for.
	isCondition bool
	// crowded tells that places lie too close together to be told apart, gap how close.
	crowded bool
	gap     float64
	// tooLarge tells that the function takes values that no float64 holds, of which no sign or size can be read.
	tooLarge bool
}

// maxWork bounds the bracketing of one function, in operations of interval arithmetic: about a tenth of a second.
const maxWork = 1000000

// maxEffort bounds the series of one function, about a tenth of a second; maxLimits those of the limits at its ends.
const (
	maxEffort = 32000
	maxLimits = 16000
)

// segment is a part of the line, between neighbouring places, on which the function is one smooth formula.
type segment struct {
	lo, hi Number
	tree   expr.Node // nil where the function has no value
	derivatives
	// rises and bends are the signs of f′ and f″, 0 for level and straight parts.
	rises, bends int
	// known tells that the sign of f′ holds on the whole segment, near only next to the places that bound it; bent and
	// bentNear tell the same of f″.
	known, near, bent, bentNear bool
	leftEnd                     series.Behaviour
	rightEnd                    series.Behaviour
}

// quotient is a formula as one fraction.
type quotient struct {
	above, below expr.Node
	ok           bool
}

type derivatives struct {
	simple, first, second expr.Node
}

// Function examines n, inlined, in radians and with no other letter than its variable.
func Function(n expr.Node, variable string, bounds Bounds) (*Findings, error) {
	a, out, err := begin(n, variable, bounds)
	if err != nil {
		return nil, err
	}
	if !(a.lo < a.hi) {
		out.Symmetry = "none"
		return out, nil
	}
	a.cut()
	a.examine()
	if a.crowded && !hasDoubtfulStep(a.n) {
		if wide, ok := a.widened(n, bounds); ok {
			return wide, nil
		}
	}
	a.try()
	a.collect(out)
	out.inTens(-a.tens)
	if hasDoubtfulStep(a.n) {
		return &Findings{Symmetry: out.Symmetry, SymmetryHow: out.SymmetryHow, Undecided: []string{doubtful, "domain", "range"}}, nil
	}
	return out, nil
}

// doubtful says why nothing is told of a function with a step that nobody can decide.
const doubtful = "places where the function turns, jumps or has gaps, zeros, extrema, inflections: a step is taken of a number that is " +
	"too close to a whole one to be told apart from it"

// domainOf finds nothing but the domain of a condition; what repeats in it only is not told.
func domainOf(n expr.Node, variable string, bounds Bounds) (out *Findings, ok bool) {
	a, out, err := begin(n, variable, bounds)
	if err != nil || !(a.lo < a.hi) {
		return nil, false
	}
	a.isCondition = true
	a.cut()
	a.read()
	a.collectDomain(out)
	return out, out.DomainKnown
}

// begin reads a function and finds its period, the first of its findings.
func begin(n expr.Node, variable string, bounds Bounds) (a *analyser, out *Findings, err error) {
	if n = symbolic.Unrolled(n); hasSum(n) {
		return nil, nil, problem.New("work-limit", n.Pos(), n.End())
	}
	if _, err := program.CompilePoint(n, []string{variable}); err != nil {
		return nil, nil, err
	}
	n = plainRoots(withSettledSteps(n), variable)
	bounds = bounds.within(n, variable)
	given := n
	n, k, f, err := ofSize1(n, variable, bounds)
	if err != nil {
		return nil, nil, err
	}
	a = &analyser{n: n, given: given, tens: k, gap: math.Inf(1), variable: variable, f: f, bounds: bounds, lo: math.Inf(-1), hi: math.Inf(1),
		left: bounds.Left, right: bounds.Right, solutions: map[string]solved{}, endless: map[string]bool{},
		unsettled: map[string]bool{}, refuted: map[string]bool{}, trees: map[string]derivatives{}, isCutBy: map[string]bool{}, simplified: map[string]expr.Node{}, quotients: map[string]quotient{}, numerators: map[string]expr.Node{}, rows: map[string][]outweighing{},
		budget: breaks.Budget{Left: maxWork, Over: maxWork / 2}, effort: series.Effort{Left: maxEffort}, limits: series.Effort{Left: maxLimits}}
	if a.left == 0 && a.right == 0 {
		a.left, a.right = -10, 10
	}
	out = &Findings{}
	if bounds.Lo == nil && bounds.Hi == nil {
		if p, ok := periodOf(n, variable, f); ok {
			number := exactly(p)
			out.Period, out.PeriodHow = &number, Sampled
			a.period = number.Value
			// One period with room on both sides; the ends fall on no special place.
			a.lo, a.hi = -0.6371*a.period, 1.5713*a.period
		}
	}
	if bounds.Lo != nil {
		a.lo = bounds.Lo.Float()
	}
	if bounds.Hi != nil {
		a.hi = bounds.Hi.Float()
	}
	return a, out, nil
}

// hasSum tells whether a sum is left that is too long to be written out.
func hasSum(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool { _, is := n.(*expr.Sum); return is })
}

// derive simplifies a smooth formula and differentiates it twice, once a formula.
func (a *analyser) derive(tree expr.Node) derivatives {
	key := expr.Text(tree)
	if d, ok := a.trees[key]; ok {
		return d
	}
	if d, ok := deriveQuotient(tree, a.variable); ok {
		a.trees[key] = d
		return d
	}
	d := derivatives{simple: symbolic.Simplify(tree).Node}
	d.first = a.vanishing(symbolic.Simplify(symbolic.Derivative(d.simple, a.variable)).Node)
	d.second = symbolic.Simplify(symbolic.Derivative(d.first, a.variable)).Node
	a.trees[key] = d
	return d
}

// simple is a smooth formula simplified; a slope that is looked at beside a place is not differentiated for that.
func (a *analyser) simple(tree expr.Node) expr.Node {
	key := expr.Text(tree)
	if d, ok := a.trees[key]; ok {
		return d.simple
	}
	n, ok := a.simplified[key]
	if !ok {
		n = symbolic.Simplify(tree).Node
		a.simplified[key] = n
	}
	return n
}

// vanishing is 0 for a formula that is 0 throughout though simplifying does not see it: as one fraction it has nothing
// above, as the slope of arctan x + arctan(1/x).
func (a *analyser) vanishing(n expr.Node) expr.Node {
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil || !depends(n, a.variable) {
		return n
	}
	for _, x := range []float64{0.7312, -1.3791, 3.1711} {
		if v := f([]float64{x}); v == v && math.Abs(v) > 1e-9 {
			return n
		}
	}
	above, _, ok := symbolic.Together(n)
	if number, is := above.(*expr.Number); ok && is && number.Value.Sign() == 0 {
		return above
	}
	if s := a.closedForm(n); s.ok && s.set.All {
		return expr.Num(0)
	}
	return n
}

// levelAt is the number that a formula without slope is between lo and hi, written as short as it comes out at one of
// some places inside: sin 2x/sin x cos x is 2 at π/4.
func (a *analyser) levelAt(n expr.Node, lo, hi float64) expr.Node {
	if !depends(n, a.variable) {
		return n
	}
	v := a.f([]float64{between(lo, hi)})
	level := n
	whole := func(v float64) expr.Node { return symbolic.Ratio(new(big.Rat).SetInt64(int64(v))) }
	part := func(p, q int64) expr.Node { return expr.Times(symbolic.Ratio(big.NewRat(p, q)), expr.Pi()) }
	tried := []expr.Node{whole(0), whole(1), whole(-1), part(1, 4), part(1, 2), part(-1, 4), part(1, 3)}
	for _, end := range []float64{math.Ceil(lo), math.Floor(hi)} {
		if math.Abs(end) < 1e6 {
			tried = append(tried, whole(end))
		}
	}
	for _, x := range tried {
		if at := exact.Float(x); !(at > lo && at < hi) {
			continue
		}
		e := exact.Of(symbolic.Substitute(n, map[string]expr.Node{a.variable: x}))
		if isReadable(e.Node()) && close(e.Float(), v) && (depends(level, a.variable) || symbolic.Size(e.Node()) < symbolic.Size(level)) {
			level = e.Node()
		}
	}
	return level
}

// deriveQuotient differentiates a quotient of polynomials in lowest terms: (p/q)′ = (p′q − pq′)/q².
func deriveQuotient(tree expr.Node, x string) (derivatives, bool) {
	above, below, ok := symbolic.AsQuotient(tree, x)
	if !ok || above.Degree() > 12 || below.Degree() > 12 {
		return derivatives{}, false
	}
	derive := func(p, q symbolic.Polynomial) (symbolic.Polynomial, symbolic.Polynomial) {
		minus := big.NewRat(-1, 1)
		return symbolic.Reduced(p.Derivative().Times(q).Plus(p.Times(q.Derivative()), minus), q.Times(q))
	}
	write := func(p, q symbolic.Polynomial) expr.Node {
		if q.Degree() == 0 {
			return p.Scaled(new(big.Rat).Inv(q[0])).Node(x)
		}
		return expr.Over(p.Node(x), q.Node(x))
	}
	first, firstBelow := derive(above, below)
	second, secondBelow := derive(first, firstBelow)
	return derivatives{write(above, below), write(first, firstBelow), write(second, secondBelow)}, true
}

// examine solves f = 0, f′ = 0 and f″ = 0 on every smooth part, and reads the signs between the places.
func (a *analyser) examine() {
	places := append([]place{}, a.places...)
	for i := 1; i < len(a.places); i++ {
		lo, hi := a.places[i-1].x.Value, a.places[i].x.Value
		x := between(lo, hi)
		last := a.beyond("places", a.places[i-1].x, a.places[i].x)
		if last {
			// Beyond the last place the formula holds for sure as far as the window goes.
			x = a.besideWindow(lo, hi)
			lo, hi = math.Max(lo, a.left-edge), math.Min(hi, a.right+edge)
		}
		tree := smoothed(a.n, a.variable, x)
		if tree == nil || !a.open(tree, x) {
			continue
		}
		d := a.derive(tree)
		chain := [3]expr.Node{d.simple, d.first, d.second}
		var sets [3]zeroSet
		// In this order, so that what matters most is looked for while there is work left to spend.
		for k, n := range chain {
			if sets[k].complete = true; depends(n, a.variable) && lo < hi {
				sets[k] = a.zerosWithin(n, lo, hi)
				sets[k].endless = sets[k].endless || last
			}
		}
		for k := 1; k >= 0; k-- {
			sets[k] = a.boundedBySlope(chain[k], sets[k], sets[k+1], lo, hi)
		}
		for k, list := range []string{"zeros", "extrema", "inflections"} {
			a.endless[list] = a.endless[list] || sets[k].endless
			a.unsettled[list] = a.unsettled[list] || !sets[k].complete
			for _, z := range sets[k].zeros {
				if a.isBlurred(tree, z.x.Value, lo) || a.isBlurred(tree, z.x.Value, hi) {
					a.unsettled[list] = true
					continue
				}
				places = append(places, place{x: z.x, how: z.how, isZero: list == "zeros", turns: list == "extrema"})
			}
		}
	}
	if a.places = a.merged(places); a.crowded {
		a.giveUp()
	}
	a.read()
	a.extend()
	for i := range a.segments {
		a.approach(i)
	}
}

// read makes the segments between the places and evaluates the places themselves.
func (a *analyser) read() {
	for i := 1; i < len(a.places); i++ {
		a.segments = append(a.segments, a.segment(i))
	}
	for i := range a.places {
		a.evaluate(i)
	}
}

// segment is the one that ends at place i.
func (a *analyser) segment(i int) segment {
	lo, hi := a.places[i-1].x, a.places[i].x
	s := segment{lo: lo, hi: hi}
	x := between(lo.Value, hi.Value)
	nearer := x // where the signs are read
	s.known, s.near = true, true
	endless := a.beyond("extrema", lo, hi) || a.beyond("places", lo, hi)
	if endless || a.beyond("inflections", lo, hi) {
		// Beyond the last place of the window the formula is known next to that place only.
		s.known = !endless
		x = a.besideWindow(lo.Value, hi.Value)
		nearer = x
		if lo.IsFinite() && lo.Value >= a.left {
			nearer = lo.Value + math.Min(x-lo.Value, a.besideLast(i-1, i-2))
		} else if hi.IsFinite() {
			nearer = hi.Value - math.Min(hi.Value-x, a.besideLast(i, i+1))
		}
	}
	tree := smoothed(a.n, a.variable, x)
	if tree == nil || !a.open(tree, x) || math.IsNaN(a.f([]float64{x})) && !a.isTooLarge(x) {
		return s
	}
	a.tooLarge = a.tooLarge || math.IsInf(a.f([]float64{x}), 0)
	if s.tree, s.derivatives = tree, a.derive(tree); s.isLevel() {
		s.simple = a.levelAt(s.simple, lo.Value, hi.Value)
	}
	s.rises, s.bends = a.signAt(s.first, nearer), a.signAt(s.second, nearer)
	s.bent, s.bentNear = s.known && !a.beyond("inflections", lo, hi), true
	if a.unsettled["places"] || a.unsettled["extrema"] {
		s.known, s.near = false, false
	}
	if a.unsettled["places"] || a.unsettled["inflections"] {
		s.bent, s.bentNear = false, false
	}
	return s
}

// besideWindow is a number of a segment that leaves the window, close to its end inside.
func (a *analyser) besideWindow(lo, hi float64) float64 {
	switch {
	case !math.IsInf(lo, 0) && lo >= a.left:
		return lo + 1e-3*math.Min(1+math.Abs(lo), hi-lo)
	case !math.IsInf(hi, 0):
		return hi - 1e-3*math.Min(1+math.Abs(hi), hi-lo)
	}
	return between(lo, hi)
}

// besideLast is a distance from the last place that was looked for at which no slope has turned yet: small beside the
// distance of the place before it, since a wave that quickens has its next place nearer still.
func (a *analyser) besideLast(last, before int) float64 {
	if before < 0 || before >= len(a.places) || !a.places[before].x.IsFinite() {
		return math.Inf(1)
	}
	return 0.03 * math.Abs(a.places[last].x.Value-a.places[before].x.Value)
}

// isTooLarge tells that the value at x exists, though no float64 holds it or a part of it.
func (a *analyser) isTooLarge(x float64) bool {
	return program.Exists(program.Why(a.n, []string{a.variable}, []float64{x}))
}

// beyond tells that one of the places lies outside the window in which an endless list was looked for.
func (a *analyser) beyond(list string, places ...Number) bool {
	if !a.endless[list] || a.period > 0 {
		return false
	}
	for _, p := range places {
		if p.Value < a.left || p.Value > a.right {
			return true
		}
	}
	return false
}

// extend carries signs beyond the window where f′ repeats itself and never changes its sign, as 1 − sin x.
func (a *analyser) extend() {
	if len(a.segments) < 3 || a.period > 0 || a.segments[1].first == nil || a.endless["places"] {
		return
	}
	first, last := &a.segments[0], &a.segments[len(a.segments)-1]
	inner := a.segments[1].rises
	for i := range len(a.segments) - 2 {
		if s := &a.segments[i+1]; !s.known || s.rises != inner || s.first != a.segments[1].first {
			return
		}
	}
	f, err := program.CompilePoint(a.segments[1].first, []string{a.variable})
	if err != nil {
		return
	}
	// A part of a period tells nothing of the rest.
	if p, periodic := periodOf(a.segments[1].first, a.variable, f); !periodic || last.lo.Value-first.hi.Value < p.Float() {
		return
	}
	for _, s := range []*segment{first, last} {
		if !s.known && s.tree != nil && s.first == a.segments[1].first {
			s.known, s.rises = true, inner
		}
	}
	a.endless["extrema"] = false
}

// signAt is the sign of a formula at a place where it is not 0, by enclosure; 0 for a constant 0.
func (a *analyser) signAt(n expr.Node, x float64) int {
	if !depends(n, a.variable) {
		sign, _ := exact.Of(n).Sign()
		return sign
	}
	v, _ := breaks.Enclose(n, a.variable)(interval.Point(x))
	switch {
	case v.Lo > 0:
		return 1
	case v.Hi < 0:
		return -1
	}
	if sign := a.signOfParts(n, x); sign != 0 {
		return sign
	}
	if e := powerIn(n, a.variable); e != nil {
		// Too small or too large for a float64, as e^(−x²) at 30; without it the sign is the same.
		if rest := symbolic.Simplify(expr.Over(n, e)).Node; symbolic.Size(rest) < symbolic.Size(n) {
			return a.signAt(rest, x)
		}
	}
	return 0
}

// signOfParts is the sign of a product or quotient by those of its parts, which may be too large or too small for a float64
// together, as in 1/cosh(x³) at 10; 0 for anything else.
func (a *analyser) signOfParts(n expr.Node, x float64) int {
	switch n := n.(type) {
	case *expr.Neg:
		return -a.signAt(n.X, x)
	case *expr.Binary:
		switch n.Op {
		case expr.Mul, expr.Div:
			if left := a.signAt(n.L, x); left != 0 {
				return left * a.signAt(n.R, x)
			}
		case expr.Pow:
			if e, ok := symbolic.Fraction(n.R); ok && e.Num().Bit(0) == 0 && e.Sign() != 0 {
				return a.signAt(n.L, x) * a.signAt(n.L, x)
			} else if ok && e.IsInt() {
				return a.signAt(n.L, x)
			}
		}
	}
	return 0
}

// powerIn is a power of a number above 0 that depends on the variable, the first in n; nil for none.
func powerIn(n expr.Node, variable string) (power expr.Node) {
	expr.Walk(n, func(n expr.Node) bool {
		if b, is := n.(*expr.Binary); is && power == nil && b.Op == expr.Pow && !depends(b.L, variable) && depends(b.R, variable) {
			if base, known := exact.Of(b.L).Sign(); known && base > 0 {
				power = b
			}
		}
		return power == nil
	})
	return power
}
