package analyse

import (
	"math"
	"math/big"
	"slices"
	"sort"

	"parvix/core/breaks"
	"parvix/core/exact"
	"parvix/core/expr"
	"parvix/core/interval"
	"parvix/core/problem"
	"parvix/core/program"
	"parvix/core/series"
	"parvix/core/symbolic"
)

// analyser holds one function under examination.
type analyser struct {
	n          expr.Node
	variable   string
	f          program.Point
	bounds     Bounds
	lo, hi     float64 // the interval that is examined
	left       float64 // the window for endless lists
	right      float64
	period     float64 // 0 for none
	solutions  map[string]solved
	segments   []segment
	places     []place
	endless    map[string]bool // lists that go on outside the window
	unsettled  map[string]bool // lists that may miss something
	refuted    map[string]bool // those of which a value spoke against what was found
	samples    []sample        // values that were tried
	trees      map[string]derivatives
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

// place is a point of the line where something may happen.
type place struct {
	x       Number
	how     How
	cut     bool // a change of formula, a gap or an end: continuity must be shown
	border  bool // an end of what is examined that is no end of the function
	defined bool
	y       Number
	isZero  bool
	turns   bool // f′ is 0 here
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
	a.try()
	a.collect(out)
	return out, nil
}

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
	f, err := program.CompilePoint(n, []string{variable})
	if err != nil {
		return nil, nil, err
	}
	n = plainRoots(withSettledSteps(n), variable)
	bounds = bounds.within(n, variable)
	a = &analyser{n: n, variable: variable, f: f, bounds: bounds, lo: math.Inf(-1), hi: math.Inf(1),
		left: bounds.Left, right: bounds.Right, solutions: map[string]solved{}, endless: map[string]bool{},
		unsettled: map[string]bool{}, refuted: map[string]bool{}, trees: map[string]derivatives{}, quotients: map[string]quotient{}, numerators: map[string]expr.Node{}, rows: map[string][]outweighing{},
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

// Period finds the least period of n alone; n as for Function.
func Period(n expr.Node, variable string) (exact.Value, bool) {
	f, err := program.CompilePoint(n, []string{variable})
	if err != nil {
		return exact.Value{}, false
	}
	return periodOf(n, variable, f)
}

// hasSum tells whether a sum is left that is too long to be written out.
func hasSum(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool { _, is := n.(*expr.Sum); return is })
}

// start and end are the outermost places.
func (a *analyser) ends() (start, end place) {
	start = place{x: infinite(-1), border: a.period > 0, cut: true}
	end = place{x: infinite(1), border: a.period > 0, cut: true}
	if a.period > 0 {
		start.x, end.x = Number{Value: a.lo}, Number{Value: a.hi}
	}
	if a.bounds.Lo != nil {
		start.x = exactly(*a.bounds.Lo)
	}
	if a.bounds.Hi != nil {
		end.x = exactly(*a.bounds.Hi)
	}
	return start, end
}

// cut finds where the formula turns, jumps or ends, and splits the line there.
func (a *analyser) cut() {
	start, end := a.ends()
	places := []place{start, end}
	for _, part := range cutsOf(a.n) {
		places = a.addCut(places, part, a.lo, a.hi)
	}
	// Gates of the smooth formulas in between.
	inner := append([]place{}, places...)
	for i := 1; i < len(places); i++ {
		lo, hi := places[i-1].x.Value, places[i].x.Value
		tree := smoothed(a.n, a.variable, between(lo, hi))
		if tree == nil {
			continue
		}
		for _, g := range gatesOf(tree, fractionOf) {
			inner = a.addCut(inner, g.part, lo, hi)
		}
	}
	a.places = inner
	if len(inner) > maxPlaces {
		// Nobody reads a list of so many places, and what lies between them would take seconds.
		a.places = []place{start, end}
		for _, list := range []string{"places", "zeros", "extrema", "inflections"} {
			a.unsettled[list] = true
		}
	}
}

// addCut adds the places inside (lo, hi) where a part is 0. Where there is no closed form they are looked for between
// those that are known, after those where the part itself begins or ends: no search may pass over a gap.
func (a *analyser) addCut(places []place, part expr.Node, lo, hi float64) []place {
	if !depends(part, a.variable) || len(places) > maxPlaces {
		return places
	}
	n := symbolic.Simplify(part).Node
	if a.closedForm(n).ok {
		return merged(a.add(places, n, lo, hi))
	}
	for _, g := range gatesOf(n, fractionOf) {
		places = a.addCut(places, g.part, lo, hi)
	}
	for i, known := 1, slices.Clone(places); i < len(known) && len(places) <= maxPlaces; i++ {
		from, to := math.Max(lo, known[i-1].x.Value), math.Min(hi, known[i].x.Value)
		if from < to && a.open(n, between(from, to)) {
			places = a.add(places, n, from, to)
		}
	}
	return merged(places)
}

func depends(n expr.Node, variable string) bool {
	for _, name := range expr.Names(n) {
		if name == variable {
			return true
		}
	}
	return false
}

// fractionOf classifies an exponent.
func fractionOf(n expr.Node) (odd, whole, negative, known bool) {
	r, ok := symbolic.Fraction(n)
	if !ok && len(expr.Names(n)) == 0 {
		// A decimal or computed exponent: whole numbers count, other fractions are no real roots.
		if r, ok = exact.Of(n).Rat(); ok {
			return false, r.IsInt(), r.Sign() < 0, true
		}
		return false, false, exact.Float(n) < 0, true
	}
	if !ok {
		return false, false, false, false
	}
	return r.Denom().Bit(0) == 1, r.IsInt(), r.Sign() < 0, true
}

// add appends the zeros of a formula inside (lo, hi) as cuts.
func (a *analyser) add(places []place, n expr.Node, lo, hi float64) []place {
	set := a.zerosIn(n, lo, hi)
	if set.endless {
		a.endless["places"] = true
	}
	if !set.complete {
		a.unsettled["places"] = true
	}
	for _, z := range set.zeros {
		places = append(places, place{x: z.x, how: z.how, cut: true})
	}
	return places
}

// merged sorts places and joins those that are one, the exact one first.
func merged(places []place) []place {
	sort.SliceStable(places, func(i, j int) bool { return places[i].x.Value < places[j].x.Value })
	out := places[:0:0]
	for _, p := range places {
		if n := len(out); n > 0 && samePlace(out[n-1].x.Value, p.x.Value) {
			last := &out[n-1]
			if last.x.Exact == nil && p.x.Exact != nil {
				last.x, last.how = p.x, p.how
			}
			last.cut = last.cut || p.cut
			last.isZero = last.isZero || p.isZero
			last.turns = last.turns || p.turns
			continue
		}
		out = append(out, p)
	}
	return out
}

func samePlace(a, b float64) bool {
	return a == b || !math.IsInf(a, 0) && !math.IsInf(b, 0) && math.Abs(a-b) <= 1e-9*(1+math.Abs(a))
}

// between is a number inside (lo, hi) that is unlikely to be special.
func between(lo, hi float64) float64 {
	switch {
	case math.IsInf(lo, -1) && math.IsInf(hi, 1):
		return 0.31830988
	case math.IsInf(lo, -1):
		return hi - 1.1547*(1+0.1*math.Abs(hi))
	case math.IsInf(hi, 1):
		return lo + 1.1547*(1+0.1*math.Abs(lo))
	}
	return lo + (hi-lo)*0.4871
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
	return n
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
		return &expr.Binary{Op: expr.Div, L: p.Node(x), R: q.Node(x)}
	}
	first, firstBelow := derive(above, below)
	second, secondBelow := derive(first, firstBelow)
	return derivatives{write(above, below), write(first, firstBelow), write(second, secondBelow)}, true
}

// open tells whether a smooth formula has a value inside a segment without gates: it does at one place or nowhere.
func (a *analyser) open(tree expr.Node, x float64) bool {
	for _, g := range gatesOf(tree, fractionOf) {
		f, err := program.CompilePoint(g.part, []string{a.variable})
		if err != nil {
			return false
		}
		v := f([]float64{x})
		if v == 0 && !a.isConstant(g.part) {
			v = a.underflow(g.part, x)
		}
		if math.IsNaN(v) || v == 0 && !g.allowsZero(a.variable, x) || v != 0 && !g.test(v) {
			return false
		}
	}
	return true
}

// edge is how far beyond the window is looked, so that what lies on its edge is found.
const edge = 1e-7

// isBlurred tells that x is so close to an end of a segment that rounding shuts the formula between the two.
func (a *analyser) isBlurred(tree expr.Node, x, end float64) bool {
	return math.Abs(x-end) < 1e-6*(1+math.Abs(end)) && !a.open(tree, x+(end-x)/2)
}

// underflow is ±1 for a part that is 0 at x only because no float64 holds a number so small, as e^(−1000); 0 for any other.
func (a *analyser) underflow(part expr.Node, x float64) float64 {
	switch v, _ := breaks.Enclose(part, a.variable)(interval.Point(x)); {
	case v.Lo >= 0 && v.Hi > 0:
		return 1
	case v.Hi <= 0 && v.Lo < 0:
		return -1
	}
	return 0
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
	a.places = merged(places)
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
	s.tree, s.derivatives = tree, a.derive(tree)
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
	return 0
}

// evaluate finds the value at a place, exactly where it can.
func (a *analyser) evaluate(i int) {
	p := &a.places[i]
	if !p.x.IsFinite() || p.border {
		return
	}
	if p.x.Value == a.lo && a.bounds.Lo != nil && !a.bounds.LoClosed || p.x.Value == a.hi && a.bounds.Hi != nil && !a.bounds.HiClosed {
		return
	}
	tree := smoothed(a.n, a.variable, p.x.Value)
	if tree == nil {
		return
	}
	p.y, p.defined = a.valueAt(tree, p.x, p.cut)
}

// valueAt evaluates a smooth formula; ok is false where a gate is shut. A gate can be 0 at a cut only, where rounding
// may hide it; elsewhere a small number is a number.
func (a *analyser) valueAt(tree expr.Node, x Number, cut bool) (Number, bool) {
	for _, g := range gatesOf(tree, fractionOf) {
		f, err := program.CompilePoint(g.part, []string{a.variable})
		if err != nil {
			return Number{}, false
		}
		v := f([]float64{x.Value})
		if math.IsNaN(v) {
			// An inner part fails by rounding, or has no value: its own gate tells.
			continue
		}
		if isNearZero(f, v, x.Value) && (cut || x.Exact != nil || a.isConstant(g.part)) && a.vanishes(g.part, x) {
			if !g.allowsZero(a.variable, x.Value) {
				return Number{}, false
			}
			continue
		}
		if !g.test(v) {
			return Number{}, false
		}
	}
	return a.number(a.derive(tree).simple, x)
}

// isNearZero tells that v = f(x) may be 0 but for rounding: it is tiny, or next to x the values are many times larger, as
// beside a root's zero, where an angle's last digit alone makes ∛(sin π) 5e-6.
func isNearZero(f program.Point, v, x float64) bool {
	if math.Abs(v) <= 1e-10*(1+math.Abs(x)) {
		return true
	}
	h := 1e-9 * (1 + math.Abs(x))
	for _, beside := range []float64{f([]float64{x - h}), f([]float64{x + h})} {
		if math.Abs(v) <= 0.1*math.Abs(beside) {
			return true
		}
	}
	return false
}

// isConstant tells whether a part is the same for every x, as 1 − x/x is.
func (a *analyser) isConstant(part expr.Node) bool {
	return !depends(part, a.variable) || !depends(symbolic.Simplify(part).Node, a.variable)
}

// vanishes tells whether a part is 0 at x, by exact numbers where x is exact.
func (a *analyser) vanishes(part expr.Node, x Number) bool {
	if x.Exact == nil {
		return true
	}
	v := exact.Of(symbolic.Substitute(part, map[string]expr.Node{a.variable: x.Exact}))
	if _, known := v.Sign(); known {
		return v.IsZero()
	}
	return true
}

// maxExactSize bounds what is worth reading as an exact value.
const maxExactSize = 24

// mostUnderRoot is the largest number under a fourth or higher root that says more than decimals do.
var mostUnderRoot = big.NewRat(999, 1)

// isReadable tells whether an exact value says more than its decimals: no waves of inverse waves, not too long.
func isReadable(n expr.Node) bool {
	readable := symbolic.Size(n) <= maxExactSize
	expr.Walk(n, func(n expr.Node) bool {
		if p, ok := n.(*expr.Binary); ok && p.Op == expr.Pow {
			base, isNumber := p.L.(*expr.Number)
			readable = readable && !(isNumber && base.Value.Cmp(mostUnderRoot) > 0)
		}
		if c, ok := n.(*expr.Call); ok {
			switch c.Name {
			case "sqrt", "cbrt", "root", "ln", "log":
			case "arcsin", "arccos", "arctan", "arsinh", "arcosh", "artanh", "arccot":
				readable = readable && symbolic.Size(c) <= 9
			default:
				// sin 1 is as good a name as any; sin(2 arctan 3) is not.
				_, isNumber := exact.Of(c.Args[0]).Rat()
				readable = readable && isNumber
			}
		}
		return readable
	})
	return readable
}

// maxPutIn bounds the formulas into which exact numbers are put.
const maxPutIn = 200

// number puts x into a simplified formula.
func (a *analyser) number(n expr.Node, x Number) (Number, bool) {
	if e := exact.Of(n); !depends(n, a.variable) && isReadable(e.Node()) && !math.IsNaN(e.Float()) {
		return exactly(e), true
	}
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return Number{}, false
	}
	v := f([]float64{x.Value})
	if x.Exact != nil && symbolic.Size(n) <= maxPutIn {
		e := exact.Of(symbolic.Substitute(n, map[string]expr.Node{a.variable: x.Exact}))
		w := e.Float()
		agrees := math.IsNaN(v) || math.Abs(w-v) <= 1e-8*(1+math.Abs(w))
		if !math.IsNaN(w) && agrees && isReadable(e.Node()) {
			return exactly(e), true
		}
	}
	if math.IsNaN(v) || math.IsInf(v, 0) {
		return Number{}, false
	}
	return Number{Value: v}, true
}

// approach finds the limits at both ends of a segment.
func (a *analyser) approach(i int) {
	s := &a.segments[i]
	if s.tree == nil {
		return
	}
	if a.reaches(s, s.lo, 1) {
		s.leftEnd = a.limit(a.places[i], s, 1)
	}
	if a.reaches(s, s.hi, -1) {
		s.rightEnd = a.limit(a.places[i+1], s, -1)
	}
}

// reaches tells whether the formula of a segment is that right beside its end too. Where places may be missing, a step may
// lie in between.
func (a *analyser) reaches(s *segment, end Number, side int) bool {
	if !a.unsettled["places"] {
		return true
	}
	if !end.IsFinite() {
		return !hasJumps(a.n)
	}
	beside := smoothed(a.n, a.variable, end.Value+float64(side)*1e-7*(1+math.Abs(end.Value)))
	return beside != nil && expr.Equal(beside, s.tree)
}

// limit is the behaviour of a segment's formula as x comes to p from the segment (side as seen from p).
func (a *analyser) limit(p place, s *segment, side int) series.Behaviour {
	if !p.x.IsFinite() {
		probe := between(s.lo.Value, s.hi.Value)
		if b := a.limits.FarOut(s.simple, a.variable, -side, probe); b.Kind != series.Unknown {
			return b
		}
		return a.limitThrough(s.simple, -side, probe)
	}
	if !p.cut || p.border {
		return series.Behaviour{Kind: series.Finite, Limit: valueOf(p.y)}
	}
	// A smooth formula is continuous wherever it has a value, also at the end of a root or an arcsine.
	if y, ok := a.valueAt(s.tree, p.x, true); ok {
		return series.Behaviour{Kind: series.Finite, Limit: valueOf(y)}
	}
	if b, ok := a.pole(s, p.x, side); ok {
		return b
	}
	if p.x.Exact != nil {
		probe := between(s.lo.Value, s.hi.Value)
		if b := a.limits.Near(s.simple, a.variable, exact.Of(p.x.Exact), side, probe); b.Kind != series.Unknown {
			return b
		}
	}
	return a.followed(s, p.x.Value, side)
}

// pole tells that the formula grows without bound at x: as one fraction its denominator is 0 there and its numerator is
// not. The way it goes is its sign next to x.
func (a *analyser) pole(s *segment, x Number, side int) (series.Behaviour, bool) {
	if x.Exact == nil {
		return series.Behaviour{}, false
	}
	key := expr.Text(s.tree)
	q, known := a.quotients[key]
	if !known {
		q.above, q.below, q.ok = symbolic.Together(symbolic.Simplify(symbolic.TangentsAsQuotients(s.simple)).Node)
		a.quotients[key] = q
	}
	if !q.ok || !depends(q.below, a.variable) {
		return series.Behaviour{}, false
	}
	above, _ := breaks.Enclose(q.above, a.variable)(interval.I{Lo: x.Value - 1e-9, Hi: x.Value + 1e-9})
	below := exact.Of(symbolic.Substitute(q.below, map[string]expr.Node{a.variable: x.Exact}))
	if above.Lo <= 0 && above.Hi >= 0 || !below.IsZero() {
		return series.Behaviour{}, false
	}
	f, err := program.CompilePoint(s.simple, []string{a.variable})
	if err != nil {
		return series.Behaviour{}, false
	}
	room := math.Min(1, math.Abs(between(s.lo.Value, s.hi.Value)-x.Value))
	near, nearer := f([]float64{x.Value + float64(side)*1e-3*room}), f([]float64{x.Value + float64(side)*1e-5*room})
	switch {
	case near > 0 && nearer > near:
		return series.Behaviour{Kind: series.Rising}, true
	case near < 0 && nearer < near:
		return series.Behaviour{Kind: series.Falling}, true
	}
	return series.Behaviour{}, false
}

func valueOf(n Number) exact.Value {
	if n.Exact != nil {
		return exact.Of(n.Exact)
	}
	return exact.Of(decimal(n.Value))
}

// followed watches the values on the way to a place that is only known rounded, or whose series is out of reach.
func (a *analyser) followed(s *segment, x float64, side int) series.Behaviour {
	f, err := program.CompilePoint(s.simple, []string{a.variable})
	if err != nil {
		return series.Behaviour{}
	}
	room := math.Min(1, math.Abs(between(s.lo.Value, s.hi.Value)-x))
	var v []float64
	for _, h := range []float64{1e-3, 1e-4, 1e-5, 1e-6, 1e-7} {
		v = append(v, f([]float64{x + float64(side)*h*room}))
	}
	first, last := v[0], v[len(v)-1]
	switch {
	case math.IsNaN(first) || math.IsNaN(last):
		return series.Behaviour{}
	case math.Abs(last) > 1e3*math.Abs(first) && math.Abs(last) > 1e3*math.Abs(v[2])/1e2 && last > 0:
		return series.Behaviour{Kind: series.Rising}
	case math.Abs(last) > 1e3*math.Abs(first) && last < 0:
		return series.Behaviour{Kind: series.Falling}
	case math.Abs(last-v[len(v)-2]) <= 1e-4*(1+math.Abs(last)):
		// What is left of the way shrinks like the distance, ten times a step.
		limit := last + (last-v[len(v)-2])/9
		if math.Abs(limit) <= 1e-9*math.Abs(first) {
			limit = 0
		}
		return series.Behaviour{Kind: series.Finite, Limit: exact.Of(decimal(limit))}
	}
	return series.Behaviour{}
}
