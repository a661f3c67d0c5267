// Package breaks proves where a function of one variable can break: poles, jumps, ends of the domain, corners.
//
// Every place where an elementary operation may break is read from the tree as a condition on a part of the formula (a
// denominator is not 0, a logarithm's argument is above 0, an argument of ⌊ ⌋ is no whole number …). The places where
// the condition changes are enclosed by interval arithmetic with derivatives: a subinterval is dropped only when it
// surely holds none, and a place is reported only where the part surely takes the value. Nothing is guessed from slopes.
// Method: R. E. Moore, R. B. Kearfott, M. J. Cloud, Introduction to Interval Analysis, SIAM 2009, chapter 8.
package breaks

import (
	"math"
	"slices"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Kind says what an operation does at its critical places.
type Kind uint8

// The kinds, strongest first; a place where several meet has the strongest.
const (
	// Undefined: the function has no value there (a pole or a hole).
	Undefined Kind = iota
	// Edge: the function may have a value on one side only.
	Edge
	// Jump: the function may take different values on the two sides.
	Jump
	// Corner: the function is continuous, its slope is not.
	Corner
)

// Place is a critical place of a function.
type Place struct {
	X    float64
	Kind Kind
}

// drawing are the limits of the search for a curve's breaks.
var drawing = limits{places: 1500, work: 60000}

// Finder finds the critical places of one formula; it is immutable and made once a formula.
type Finder struct {
	guards []guard
	limits limits
}

// limits of one search: places, steps, and the sizes of the parts that are enclosed at each together, 0 for any.
type limits struct {
	places, work int
	operations   float64
}

// guard is one condition on a part of the formula.
type guard struct {
	kind    Kind
	size    float64
	value   program.Point
	enclose dualFunc
	// The critical values of the part: the numbers at, or offset + k·period for every whole k when period > 0.
	at             []float64
	offset, period float64
	// applies tells for given parameters whether the condition exists at all (a power's exponent decides); nil: always.
	applies program.Point
	// active tells whether the piece that holds the part is in force at a place; nil: always.
	active program.Point
}

// New reads the conditions of n, which must be inlined and in radians; inputs as in program.Compile, the variable first.
func New(n expr.Node, inputs []string) *Finder {
	r := reader{inputs: inputs, duals: dualCompiler{slots: program.Slots(inputs)}, f: &Finder{}}
	r.read(n, nil)
	return r.f
}

type reader struct {
	inputs []string
	duals  dualCompiler
	f      *Finder
}

func (r *reader) point(n expr.Node) program.Point {
	p, err := program.Compile(n, r.inputs)
	if err != nil {
		panic("breaks: " + err.Error())
	}
	return p.At
}

// varies tells whether n depends on the variable.
func (r *reader) varies(n expr.Node) bool {
	for _, name := range expr.Names(n) {
		if name == r.inputs[0] {
			return true
		}
	}
	return false
}

func (r *reader) add(part expr.Node, active program.Point, g guard) {
	if !r.varies(part) {
		return
	}
	g.value, g.enclose, g.active, g.size = r.point(part), r.duals.compile(part), active, float64(cost(part))
	r.f.guards = append(r.f.guards, g)
}

// read collects conditions, inner parts first, since an outer part can only be searched where the inner ones hold.
func (r *reader) read(n expr.Node, active program.Point) {
	if pieces, ok := n.(*expr.Pieces); ok {
		r.readPieces(pieces, active)
		return
	}
	if sum, ok := n.(*expr.Sum); ok {
		r.readSum(sum, active)
		return
	}
	for _, child := range expr.Children(n) {
		r.read(child, active)
	}
	zero := []float64{0}
	switch n := n.(type) {
	case *expr.Binary:
		switch n.Op {
		case expr.Div:
			r.add(n.R, active, guard{kind: Undefined, at: zero})
		case expr.Pow:
			r.readPower(n, active)
		}
	case *expr.Call:
		x := n.Args[0]
		switch n.Name {
		case "tan", "sec":
			r.add(x, active, guard{kind: Undefined, offset: math.Pi / 2, period: math.Pi})
		case "cot", "csc":
			r.add(x, active, guard{kind: Undefined, period: math.Pi})
		case "coth":
			r.add(x, active, guard{kind: Undefined, at: zero})
		case "ln":
			r.add(x, active, guard{kind: Edge, at: zero})
		case "log":
			r.add(x, active, guard{kind: Edge, at: zero})
			if len(n.Args) == 2 {
				r.add(n.Args[1], active, guard{kind: Undefined, at: []float64{0, 1}})
			}
		case "sqrt":
			r.add(x, active, guard{kind: Edge, at: zero})
		case "cbrt":
			r.add(x, active, guard{kind: Corner, at: zero})
		case "root":
			r.readRoot(n, active)
		case "arcsin", "arccos", "artanh":
			r.add(x, active, guard{kind: Edge, at: []float64{-1, 1}})
		case "arcsec", "arccsc":
			r.add(x, active, guard{kind: Edge, at: []float64{-1, 1}})
			r.add(x, active, guard{kind: Undefined, at: zero})
		case "arcosh":
			r.add(x, active, guard{kind: Edge, at: []float64{1}})
		case "floor", "ceil":
			r.add(x, active, guard{kind: Jump, period: 1})
		case "sgn":
			r.add(x, active, guard{kind: Jump, at: zero})
		case "abs":
			r.add(x, active, guard{kind: Corner, at: zero})
		case "min", "max":
			for i, a := range n.Args {
				for _, b := range n.Args[i+1:] {
					r.add(expr.Minus(a, b), active, guard{kind: Corner, at: zero})
				}
			}
		}
	}
}

// readRoot: an odd root goes on below 0.
func (r *reader) readRoot(n *expr.Call, active program.Point) {
	g := guard{kind: Edge, at: []float64{0}}
	if degree, ok := symbolic.Fraction(n.Args[1]); ok && degree.IsInt() && degree.Sign() > 0 && degree.Num().Bit(0) == 1 {
		g.kind = Corner
	}
	r.add(n.Args[0], active, g)
}

// readPower: what a power does at base 0 hangs on its exponent, which may be a parameter.
func (r *reader) readPower(n *expr.Binary, active program.Point) {
	if e, ok := symbolic.Fraction(n.R); ok {
		switch {
		case e.Sign() < 0:
			r.add(n.L, active, guard{kind: Undefined, at: []float64{0}})
		case !e.IsInt() && e.Denom().Bit(0) == 0:
			r.add(n.L, active, guard{kind: Edge, at: []float64{0}})
		case !e.IsInt():
			r.add(n.L, active, guard{kind: Corner, at: []float64{0}})
		}
		return
	}
	if !r.varies(n.L) {
		return
	}
	exponent := r.point(n.R)
	if r.varies(n.R) {
		r.add(n.L, active, guard{kind: Edge, at: []float64{0}})
		return
	}
	r.add(n.L, active, guard{kind: Edge, at: []float64{0}, applies: func(in []float64) float64 {
		if e := exponent(in); e >= 0 && e == math.Trunc(e) {
			return 0
		}
		return 1
	}})
}

// maxBreakingTerms bounds how far from 0 the terms of a sum may break.
const maxBreakingTerms = 60

// readSum reads the conditions of each term that may be there: those of the whole numbers near 0, in force where the
// number lies between the ends.
func (r *reader) readSum(n *expr.Sum, active program.Point) {
	if r.varies(n.From) || r.varies(n.To) {
		// The sum jumps with its ends; where it has values at all they are whole numbers.
		r.add(n.From, active, guard{kind: Jump, period: 1})
		r.add(n.To, active, guard{kind: Jump, period: 1})
		return
	}
	from, to := r.point(n.From), r.point(n.To)
	for k := -maxBreakingTerms; k <= maxBreakingTerms; k++ {
		before := len(r.f.guards)
		r.read(symbolic.Substitute(n.Body, map[string]expr.Node{n.Var: expr.Num(int64(k))}), active)
		if len(r.f.guards) == before && k > -maxBreakingTerms+2 {
			return // no term breaks
		}
		number := float64(k)
		for i := before; i < len(r.f.guards); i++ {
			inner := r.f.guards[i].applies
			r.f.guards[i].applies = func(in []float64) float64 {
				if number < from(in) || number > to(in) || inner != nil && inner(in) == 0 {
					return 0
				}
				return 1
			}
		}
	}
}

func (r *reader) readPieces(n *expr.Pieces, outer program.Point) {
	for _, p := range n.List {
		when := p.When
		for _, end := range []expr.Node{when.Lo, when.Hi} {
			if end != nil {
				r.add(expr.Minus(when.Subject(), end), outer, guard{kind: Jump, at: []float64{0}})
			}
		}
		holds := r.point(&expr.Pieces{List: []expr.Piece{{Body: expr.Num(1), When: when}}})
		active := holds
		if outer != nil {
			active = func(in []float64) float64 { return holds(in) * outer(in) }
		}
		r.read(p.Body, active)
	}
}

// Find lists the critical places in [from, to], in order and each once, for the inputs in (in[0] is overwritten).
// complete is false when there are more than can be listed; then some are missing.
func (f *Finder) Find(from, to float64, in []float64) (places []Place, complete bool) {
	s := f.search(from, to, in)
	return s.places, s.complete
}

// stepWork is about what enclosing a part of size 1 once takes, in operations of arithmetic.
const stepWork = 30

// Within is Find with at most so many operations of arithmetic.
func (f *Finder) Within(work, from, to float64, in []float64) (places []Place, complete bool) {
	few := *f
	if few.limits == (limits{}) {
		few.limits = drawing
	}
	few.limits.operations = work / stepWork
	s := few.search(from, to, in)
	return s.places, s.complete
}

// Gaps are the places in [from, to] at which one of several formulas has no value or jumps, in order and each once: a line
// through the values of all of them breaks there.
func Gaps(of []*Finder, from, to float64, in []float64) (places []float64) {
	for _, f := range of {
		found, _ := f.Find(from, to, in)
		for _, p := range found {
			if p.Kind == Undefined || p.Kind == Jump {
				places = append(places, p.X)
			}
		}
	}
	slices.Sort(places)
	return slices.Compact(places)
}

func (f *Finder) search(from, to float64, in []float64) *search {
	s := &search{in: in, scale: math.Max(math.Abs(from), math.Abs(to)), together: 1e-7 * (to - from), complete: true, limits: f.limits,
		from: from, to: to}
	if s.limits == (limits{}) {
		s.limits = drawing
	}
	for i := range f.guards {
		g := &f.guards[i]
		if g.applies != nil && g.applies(in) == 0 {
			continue
		}
		s.look(g)
		s.keep()
	}
	return s
}

// look finds the critical places of a guard, whose part is continuous between the places of the parts inside it.
func (s *search) look(g *guard) {
	s.g = g
	s.found, s.doubtful = s.found[:0], s.doubtful[:0]
	s.left = s.from
	for _, p := range s.places {
		if p.Kind != Corner {
			s.right = p.X
			s.isolate(s.left, s.right, 0)
			s.left = p.X
		}
	}
	s.right = s.to
	s.isolate(s.left, s.right, 0)
	s.settle()
}

type search struct {
	g     *guard
	in    []float64
	scale float64
	work  int
	// operations are the sizes of the parts that were enclosed.
	operations float64
	found      []float64
	doubtful   []float64 // may meet a critical value
	together   float64   // places nearer than this are one
	places     []Place
	complete   bool
	limits     limits
	// from and to end the line that is searched, left and right the part of it at hand, on whose inside g is continuous.
	from, to, left, right float64
}

// keep files the places that were found for one guard.
func (s *search) keep() {
	for _, x := range s.found {
		if s.g.active != nil {
			s.in[0] = x
			if v := s.g.active(s.in); v != 1 {
				continue
			}
		}
		s.places = append(s.places, Place{x, s.g.kind})
	}
	sort.Slice(s.places, func(i, j int) bool {
		a, b := s.places[i], s.places[j]
		return a.X < b.X || a.X == b.X && a.Kind < b.Kind
	})
	merged := s.places[:0]
	for _, p := range s.places {
		if n := len(merged); n > 0 && p.X-merged[n-1].X <= 4*ulp(p.X) {
			merged[n-1].Kind = min(merged[n-1].Kind, p.Kind)
			continue
		}
		merged = append(merged, p)
	}
	s.places = merged
	if len(s.places) > s.limits.places {
		s.complete = false
	}
}

func ulp(x float64) float64 {
	x = math.Abs(x)
	return math.Nextafter(x, math.Inf(1)) - x
}

func (s *search) at(x float64) float64 {
	s.in[0] = x
	return s.g.value(s.in)
}

func (s *search) over(a, b float64) dual {
	return s.g.enclose(&scope{x: interval.I{Lo: a, Hi: b}, in: s.in})
}

// isolate finds the critical places of the guard in [a, b], on whose inside its part is continuous.
func (s *search) isolate(a, b float64, depth int) {
	s.operations += s.g.size
	if s.work++; s.work > s.limits.work || s.limits.operations > 0 && s.operations > s.limits.operations || len(s.found) > s.limits.places {
		s.complete = false
		return
	}
	if !(a < b) {
		return
	}
	e := s.over(a, b)
	mid := a + (b-a)/2
	// The mean value form is the tighter one on small intervals: g(m) + g′(X)(X − m).
	if bounded(e.d) {
		centred := s.over(mid, mid).v.Add(e.d.Mul(interval.I{Lo: a - mid, Hi: b - mid}))
		e.v = e.v.Intersect(centred)
	}
	if !s.g.criticalIn(e.v) {
		return
	}
	if bounded(e.d) && (e.d.Lo > 0 || e.d.Hi < 0) {
		s.monotone(a, b)
		return
	}
	if b-a <= math.Max(1e-10*s.scale, 64*ulp(mid)) {
		s.touching(a, b)
		return
	}
	s.isolate(a, mid, depth+1)
	s.isolate(mid, b, depth+1)
}

func bounded(d interval.I) bool { return !math.IsInf(d.Lo, 0) && !math.IsInf(d.Hi, 0) }

// criticalIn tells whether v may hold a critical value.
func (g *guard) criticalIn(v interval.I) bool {
	if v.IsEmpty() {
		return false
	}
	if g.period > 0 {
		slack := 1e-15 * (math.Abs(v.Lo) + math.Abs(v.Hi))
		return math.Ceil((v.Lo-slack-g.offset)/g.period)*g.period+g.offset <= v.Hi+slack || math.IsInf(v.Lo, 0)
	}
	for _, t := range g.at {
		if v.Has(t) {
			return true
		}
	}
	return false
}

// monotone solves g = t on [a, b] for every critical value t between the ends.
func (s *search) monotone(a, b float64) {
	ga, gb := s.at(a), s.at(b)
	lo, hi := math.Min(ga, gb), math.Max(ga, gb)
	if lo != lo || hi != hi {
		return
	}
	if s.g.period == 0 {
		for _, t := range s.g.at {
			if lo <= t && t <= hi {
				s.found = append(s.found, s.solve(a, b, ga-t, gb-t, t))
			}
		}
		return
	}
	first := math.Ceil((lo - s.g.offset) / s.g.period)
	last := math.Floor((hi - s.g.offset) / s.g.period)
	// Beyond 2⁵² rounding hides which multiple it is.
	if last-first > float64(s.limits.places) || math.Max(-first, last) > 1<<52 {
		s.complete = false
		return
	}
	for k := first; k <= last; k++ {
		t := s.g.offset + k*s.g.period
		s.found = append(s.found, s.solve(a, b, ga-t, gb-t, t))
	}
}

// solve brackets the one place where g = t by the Illinois form of the false position, halving where that is slow, ending
// with neighbouring numbers or an exact hit, and prefers a short decimal that hits exactly.
func (s *search) solve(a, b, fa, fb, t float64) float64 {
	if fa == 0 {
		return a
	}
	if fb == 0 {
		return b
	}
	x, side, width := a, 0, b-a
	for step := range 200 {
		x = b - fb*(b-a)/(fb-fa)
		// Where the values at the ends differ by hundreds of powers of ten, false positions stay beside one end.
		slow := step%3 == 2 && b-a > width/4
		if step%3 == 2 {
			width = b - a
		}
		if slow || !(x > a && x < b) {
			x = a + (b-a)/2
		}
		if x <= a || x >= b {
			break
		}
		fx := s.at(x) - t
		if fx == 0 {
			break
		}
		if (fx > 0) == (fb > 0) {
			b, fb = x, fx
			if side == -1 {
				fa /= 2
			}
			side = -1
		} else {
			a, fa = x, fx
			if side == 1 {
				fb /= 2
			}
			side = 1
		}
		if b-a <= 2*ulp(x) {
			break
		}
	}
	if short := shorten(x, 12); short != x && math.Abs(s.at(short)-t) <= math.Abs(s.at(x)-t) {
		return short
	}
	return x
}

// shorten rounds to so many places below the number's own size.
func shorten(x float64, places int) float64 {
	if x == 0 {
		return 0
	}
	digits := places - int(math.Floor(math.Log10(math.Abs(x))))
	if digits < 0 || digits > 300 {
		return x
	}
	scale := math.Pow(10, float64(digits))
	return math.Round(x*scale) / scale
}

// touching notes a tiny interval in which g may meet a critical value without surely crossing it, by its middle.
func (s *search) touching(a, b float64) {
	s.doubtful = append(s.doubtful, a+(b-a)/2)
	if s.g.period == 0 && (a == s.left && s.crowded(a, b) || b == s.right && s.crowded(b, a)) {
		s.complete = false
	}
}

// crowded tells that g swings more and more towards the end a of a tiny interval, as sin(ln x) does at 0: there are more
// places than can be told apart.
func (s *search) crowded(a, b float64) bool {
	for _, t := range s.g.at {
		swings, before := 0, 0.0
		for h := b - a; a+h != a; h *= 0.31 { // no power of 2, which log₂ would not see
			side := 0.0 // of t on which g surely is
			switch g := s.over(a+h, a+h).v; {
			case g.IsEmpty():
			case g.Lo > t:
				side = 1
			case g.Hi < t:
				side = -1
			}
			if side*before < 0 {
				swings++
			}
			if side != 0 {
				before = side
			}
		}
		if swings > 1 {
			return true
		}
	}
	return false
}

// settle joins what belongs together: rounding blurs a double zero over many neighbouring numbers, and each may have
// been reported. Of a group, the place is where g′ changes its sign, or a short decimal that meets the value.
func (s *search) settle() {
	all := append(s.doubtful, s.found...)
	sort.Float64s(all)
	sure := map[float64]bool{}
	for _, x := range s.found {
		sure[x] = true
	}
	s.found = s.found[:0]
	for i := 0; i < len(all); {
		a, b := all[i], all[i]
		for i++; i < len(all) && all[i]-b <= s.together; i++ {
			b = all[i]
		}
		if a == b && sure[a] {
			s.found = append(s.found, a)
			continue
		}
		if x, crosses := s.crossing(a-s.together, b+s.together); crosses {
			s.take(x)
			continue
		}
		x := s.turning(a-s.together, b+s.together)
		if short := shorten(x, 8); math.Abs(short-x) <= s.together && s.g.isCritical(s.at(short)) {
			x = short
		}
		x = s.orNothing(x)
		w := 4 * ulp(x)
		if s.g.isCritical(s.at(x)) || s.g.criticalIn(s.over(x-w, x+w).v) {
			s.take(x)
		}
	}
}

// take adds a place that rests on values of g alone, unless those mean nothing.
func (s *search) take(x float64) {
	if !s.means(x) {
		s.complete = false
		return
	}
	s.found = append(s.found, x)
}

// means tells whether values about x say that g is critical there. Beside π/2 the last digit of x turns sin(x tan x) about
// many times, and a 0 there is as good as any other number.
func (s *search) means(x float64) bool {
	w, fromEnd := 4*ulp(x), math.Min(x-s.left, s.right-x)
	blur := s.over(x-w, x+w).v
	switch {
	case fromEnd <= w || !bounded(blur) && fromEnd <= s.together:
		return true // the end itself; where g grows beyond every bound beside it, what is found there is that end
	case !s.g.criticalIn(blur):
		// g steps over the value, as at a pole: at an end that is the end's own, inside one that nobody has found.
		return fromEnd <= 1e-9*math.Max(s.right-s.left, 1+s.scale)
	}
	most := 0.0
	for _, share := range []float64{-3e-3, -1e-3, 1e-3, 3e-3} {
		if y := x + share*(s.right-s.left); y > s.left && y < s.right {
			if v := math.Abs(s.at(y)); v > most {
				most = v
			}
		}
	}
	return most == 0 || blur.Hi-blur.Lo <= 0.1*most
}

// crossing finds the place of a group at whose ends g lies on both sides of a critical value: a zero of a higher odd order,
// such as 0 of sin³ x, which is so flat that no interval proves its slope.
func (s *search) crossing(a, b float64) (x float64, crosses bool) {
	ga, gb := s.at(a), s.at(b)
	// At the ends of the line and beyond g may have no value, as a logarithm at 0.
	if ga != ga && a < s.from {
		a = math.Nextafter(s.from, s.to)
		ga = s.at(a)
	}
	if gb != gb && b > s.to {
		b = math.Nextafter(s.to, s.from)
		gb = s.at(b)
	}
	for _, t := range s.g.near(ga) {
		if fa, fb := ga-t, gb-t; fa*fb < 0 {
			x = s.solve(a, b, fa, fb, t)
			if short := shorten(x, 8); math.Abs(short-x) <= s.together && s.g.isCritical(s.at(short)) {
				x = short
			}
			return s.orNothing(x), true
		}
	}
	return 0, false
}

// orNothing is 0 for a place so close to it that it is that: a flat zero at 0 has no digits of its own.
func (s *search) orNothing(x float64) float64 {
	if math.Abs(x) <= s.together && s.g.isCritical(s.at(0)) {
		return 0
	}
	return x
}

// turning bisects for the change of sign of g′ in [a, b]; without one it gives the middle.
func (s *search) turning(a, b float64) float64 {
	slope := func(x float64) float64 {
		d := s.over(x, x).d
		return d.Lo/2 + d.Hi/2
	}
	sb := slope(b)
	if !(slope(a)*sb < 0) {
		return a + (b-a)/2
	}
	for range 100 {
		mid := a + (b-a)/2
		if mid <= a || mid >= b {
			break
		}
		if (slope(mid) > 0) == (sb > 0) {
			b = mid
		} else {
			a = mid
		}
	}
	return a
}

// near lists the critical values next to v.
func (g *guard) near(v float64) []float64 {
	if g.period == 0 {
		return g.at
	}
	k := math.Round((v - g.offset) / g.period)
	return []float64{g.offset + k*g.period}
}

func (g *guard) isCritical(v float64) bool {
	for _, t := range g.near(v) {
		if v == t {
			return true
		}
	}
	return false
}
