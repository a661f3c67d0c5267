// Package solve finds where a formula is 0, exactly and completely, or says that it cannot.
//
// Zeros takes products apart, brings sums over one denominator and reduces what is left to a polynomial: in x itself, in
// one exponential, logarithm, root or other part that holds x, or in sine and cosine of one angle. A set that is returned
// holds every real solution; a root of a polynomial that has no readable form is bracketed and marked Approximate. What
// solves the reduced equation but not the formula itself is left out by putting it in.
package solve

import (
	"math"
	"math/big"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
)

// Solution is X, or X + k·Period for every whole k.
type Solution struct {
	X expr.Node
	// Value is X rounded; NaN when X holds other letters.
	Value float64
	// Period is 0 for a single solution.
	Period exact.Value
	// Step is the period where it holds other letters, nil else.
	Step expr.Node
	// Approximate tells that X is a bracketed number.
	Approximate bool
}

// Set holds the solutions in order of their values. All tells that every x solves.
type Set struct {
	Solutions []Solution
	All       bool
}

// stuck is raised where no closed form is known.
type stuck struct{}

func giveUp() { panic(stuck{}) }

// maxDepth bounds the steps of one solution, maxSolutions its size.
const (
	maxDepth     = 14
	maxSolutions = 60
)

type solver struct {
	x     string
	depth int
}

// Zeros solves n = 0 for x; n is in radians. ok is false where no complete set is found.
func Zeros(n expr.Node, x string) (set Set, ok bool) {
	defer func() {
		if r := recover(); r != nil {
			if _, isStuck := r.(stuck); !isStuck {
				panic(r)
			}
			set, ok = Set{}, false
		}
	}()
	s := &solver{x: x}
	set = s.zeros(symbolic.Simplify(n).Node)
	for _, z := range set.Solutions {
		if len(expr.Names(z.X)) == 0 && (math.IsNaN(z.Value) || math.IsInf(z.Value, 0)) {
			return Set{}, false
		}
	}
	return set.tidy(), true
}

// tidy sorts the solutions and drops doubles.
func (set Set) tidy() Set {
	list := set.Solutions
	sort.SliceStable(list, func(i, j int) bool { return list[i].Value < list[j].Value })
	kept := list[:0:0]
	for _, z := range list {
		double := false
		for _, k := range kept {
			double = double || k.covers(z)
		}
		if !double {
			kept = append(kept, z)
		}
	}
	kept = halved(kept)
	if len(kept) > maxSolutions {
		giveUp()
	}
	return Set{kept, set.All}
}

// halved joins x + k·P and x + P/2 + k·P to x + k·P/2.
func halved(list []Solution) []Solution {
	for i := range list {
		for j := i + 1; j < len(list); j++ {
			p := list[i].Period.Float()
			if p == 0 || p != list[j].Period.Float() || !near((list[j].Value-list[i].Value)/p-0.5) {
				continue
			}
			list[i].Period = list[i].Period.Over(exact.Int(2))
			return halved(append(list[:j:j], list[j+1:]...))
		}
	}
	return list
}

// covers tells whether every value of z is one of k's.
func (k Solution) covers(z Solution) bool {
	if k.Step != nil || z.Step != nil {
		return k.Step != nil && z.Step != nil && expr.Equal(k.X, z.X) && expr.Equal(k.Step, z.Step)
	}
	if expr.Equal(k.X, z.X) && k.Period.Float() == z.Period.Float() {
		return true
	}
	p := k.Period.Float()
	d := z.Value - k.Value
	if p == 0 {
		return z.Period.IsZero() && math.Abs(d) <= 1e-12*(1+math.Abs(z.Value))
	}
	return near(d/p) && near(z.Period.Float()/p)
}

// near tells whether a quotient is whole but for rounding.
func near(v float64) bool { return math.Abs(v-math.Round(v)) < 1e-9 }

func (set Set) join(other Set) Set {
	return Set{append(append([]Solution{}, set.Solutions...), other.Solutions...), set.All || other.All}
}

func (s *solver) depends(n expr.Node) bool {
	for _, name := range expr.Names(n) {
		if name == s.x {
			return true
		}
	}
	return false
}

// short simplifies a formula; a constant goes through exact numbers.
func short(n expr.Node) expr.Node {
	if len(expr.Names(n)) == 0 {
		return exact.Of(n).Node()
	}
	return symbolic.Simplify(n).Node
}

// float is a constant's value, NaN with letters.
func float(n expr.Node) float64 {
	if len(expr.Names(n)) > 0 {
		return math.NaN()
	}
	return exact.Float(n)
}

func single(x expr.Node, approximate bool) Set {
	x = short(x)
	return Set{Solutions: []Solution{{X: x, Value: float(x), Approximate: approximate}}}
}

// zeros takes the formula apart by its structure.
func (s *solver) zeros(n expr.Node) Set {
	if s.depth++; s.depth > maxDepth {
		giveUp()
	}
	defer func() { s.depth-- }()
	if !s.depends(n) {
		return Set{All: float(short(n)) == 0}
	}
	switch n := n.(type) {
	case *expr.Name:
		return single(expr.Num(0), false)
	case *expr.Neg:
		return s.zeros(n.X)
	case *expr.Binary:
		switch n.Op {
		case expr.Mul:
			return s.where(n, s.zeros(n.L).join(s.zeros(n.R)))
		case expr.Div:
			return s.where(n, s.zeros(n.L))
		case expr.Pow:
			return s.zerosOfPower(n)
		case expr.Add, expr.Sub:
			if c, ok := s.opposite(n); ok {
				return single(c, false)
			}
		}
	case *expr.Call:
		return s.zerosOfCall(n)
	case *expr.Pieces:
		return s.zerosOfPieces(n)
	}
	return s.zerosOfSum(n)
}

// opposite gives c for x − c, which may be too long to be written as a polynomial, as e^(−40).
func (s *solver) opposite(n *expr.Binary) (c expr.Node, ok bool) {
	isX := func(n expr.Node) bool {
		name, is := n.(*expr.Name)
		return is && name.Name == s.x
	}
	switch {
	case isX(n.L) && !s.depends(n.R) && n.Op == expr.Sub:
		return short(n.R), true
	case isX(n.L) && !s.depends(n.R):
		return short(expr.Opposite(n.R)), true
	case isX(n.R) && !s.depends(n.L) && n.Op == expr.Sub:
		return short(n.L), true
	case isX(n.R) && !s.depends(n.L):
		return short(expr.Opposite(n.L)), true
	}
	return nil, false
}

func (s *solver) zerosOfPower(n *expr.Binary) Set {
	if !s.depends(n.L) {
		return Set{}
	}
	if s.depends(n.R) {
		// Defined for a base above 0 only, where a power is above 0.
		return Set{}
	}
	if e := float(short(n.R)); e > 0 {
		return s.zeros(n.L)
	}
	return Set{}
}

func (s *solver) zerosOfCall(n *expr.Call) Set {
	u := n.Args[0]
	switch n.Name {
	case "sqrt", "cbrt", "root", "abs", "arcsin", "arctan", "sinh", "tanh", "arsinh", "artanh":
		return s.zeros(u)
	case "exp", "cosh", "sec", "csc", "arccot", "coth", "arccsc":
		return Set{}
	case "ln", "log", "arccos", "arcosh", "arcsec":
		return s.where(n, s.zeros(expr.Minus(u, expr.Num(1))))
	case "tan":
		return s.zerosOfCall(&expr.Call{Name: "sin", Args: n.Args})
	case "cot":
		return s.zerosOfCall(&expr.Call{Name: "cos", Args: n.Args})
	case "sin", "cos":
		return s.invert(n, root{node: expr.Num(0)})
	case "min", "max":
		candidates := Set{}
		for _, a := range n.Args {
			candidates = candidates.join(s.zeros(short(a)))
		}
		return s.where(n, candidates)
	}
	giveUp()
	return Set{}
}

func (s *solver) zerosOfPieces(n *expr.Pieces) Set {
	candidates := Set{}
	for _, p := range n.List {
		found := s.zeros(short(p.Body))
		if found.All {
			giveUp()
		}
		candidates = candidates.join(found)
	}
	return s.where(n, candidates)
}

// isZeroThroughout puts an identity to the test at places without any relation to each other or to π.
func isZeroThroughout(f func(in []float64) float64, size func(x float64) float64) bool {
	tried := 0
	for k := range 40 {
		x := (math.Mod(float64(k+1)*(math.Sqrt(5)-1)/2, 1) - 0.5) * math.Pow(1.2, float64(k%20))
		v := f([]float64{x})
		if v != v {
			continue
		}
		if tried++; math.Abs(v) > 1e-8*size(x) {
			return false
		}
	}
	return tried >= 5
}

// where keeps the candidates that solve n = 0, by putting them in. A candidate with other letters stays. Of a periodic
// one, single members may be places without a value; whoever knows the domain leaves them out.
func (s *solver) where(n expr.Node, candidates Set) Set {
	if len(expr.Names(n)) > 1 && !candidates.All {
		return candidates
	}
	f, size := s.point(n), s.size(n)
	if candidates.All {
		if len(expr.Names(n)) > 1 || !isZeroThroughout(f, size) {
			giveUp()
		}
		return candidates
	}
	out := Set{}
	for _, z := range candidates.Solutions {
		if z.holds(func(x float64) verdict {
			v := f([]float64{x})
			switch {
			case math.IsInf(size(x), 1) && s.overflows(n, x):
				if x != z.Value || z.Approximate {
					giveUp()
				}
				return s.exactly(n, z.X)
			case math.IsNaN(v):
				return undefined
			case math.Abs(v) <= 1e-8*size(x):
				return yes
			case math.Abs(v) < 1e-4*size(x) && fallsTo(f, x, v):
				return yes
			case math.Abs(v) < 1e-4*size(x):
				giveUp() // neither surely 0 nor surely not
			}
			return no
		}) {
			out.Solutions = append(out.Solutions, z)
		}
	}
	return out
}

// overflows tells that n has a value at x though parts of it are too large for a float64, as in (x² − 10⁶)e^(4x).
func (s *solver) overflows(n expr.Node, x float64) bool {
	reason := program.Why(n, []string{s.x}, []float64{x})
	return reason == "" || program.Exists(reason)
}

// exactly puts a candidate in.
func (s *solver) exactly(n, x expr.Node) verdict {
	v, isNumber := symbolic.Simplify(symbolic.Substitute(n, map[string]expr.Node{s.x: x})).Node.(*expr.Number)
	if !isNumber || v.Value.Sign() != 0 {
		giveUp()
	}
	return yes
}

// fallsTo tells that a value is small against those beside it, as a root's is where it should be 0: ∛(sin x − 1/3) makes
// 4·10⁻⁶ of the last digit of arcsin(1/3), and 10⁻³ of a step of 10⁻⁹.
func fallsTo(f program.Point, x, v float64) bool {
	h := 1e-9 * (1 + math.Abs(x))
	return math.Abs(v) <= 0.1*math.Abs(f([]float64{x + h})) || math.Abs(v) <= 0.1*math.Abs(f([]float64{x - h}))
}

type verdict uint8

const (
	no verdict = iota
	yes
	undefined
)

// holds checks a condition at a solution, at several members of a periodic one, which must agree where they have a value.
func (z Solution) holds(condition func(x float64) verdict) bool {
	if math.IsNaN(z.Value) {
		return true
	}
	first := condition(z.Value)
	p := z.Period.Float()
	if p == 0 {
		return first == yes
	}
	for _, k := range []float64{-3, -1, 1, 2, 5} {
		other := condition(z.Value + k*p)
		if first == undefined {
			first = other
		} else if other != undefined && other != first {
			giveUp()
		}
	}
	return first == yes
}

func (s *solver) point(n expr.Node) program.Point {
	f, err := program.CompilePoint(n, []string{s.x})
	if err != nil {
		giveUp()
	}
	return f
}

// size is the sum of the absolute values of the terms that make n, against which a remainder is judged.
func (s *solver) size(n expr.Node) func(x float64) float64 {
	of := s.sizeOf(n)
	return func(x float64) float64 {
		// Far from 0 an angle itself is rounded.
		return math.Max(of(x), 1e-5*(1+math.Abs(x)))
	}
}

func (s *solver) sizeOf(n expr.Node) func(x float64) float64 {
	switch n := n.(type) {
	case *expr.Neg:
		return s.sizeOf(n.X)
	case *expr.Binary:
		l, r := s.sizeOf(n.L), s.sizeOf(n.R)
		switch n.Op {
		case expr.Add, expr.Sub:
			return func(x float64) float64 { return l(x) + r(x) }
		case expr.Mul:
			return func(x float64) float64 { return l(x) * r(x) }
		case expr.Div:
			below := s.point(n.R)
			return func(x float64) float64 { return l(x) / math.Abs(below([]float64{x})) }
		}
	}
	value := s.point(n)
	// A wave or a logarithm that is 0 but for rounding is still a number of size 1.
	least := 0.0
	if _, isCall := n.(*expr.Call); isCall {
		least = 1
	}
	return func(x float64) float64 {
		if v := math.Abs(value([]float64{x})); !math.IsNaN(v) {
			return math.Max(v, least)
		}
		return 0
	}
}

// root is a value that a part of the formula takes.
type root struct {
	node        expr.Node
	approximate bool
}

func (r root) float() float64 { return float(r.node) }

func (r root) of(build func(n expr.Node) expr.Node) root {
	return root{short(build(r.node)), r.approximate}
}

// polynomialRoots gives the real roots of Σ c[i]·K^i; the coefficients are free of x.
func polynomialRoots(c []expr.Node) []root {
	var rational symbolic.Polynomial
	for _, n := range c {
		r, ok := exact.Of(n).Rat()
		if len(expr.Names(n)) > 0 {
			ok = false
		}
		if !ok {
			return radicalRoots(c)
		}
		rational = append(rational, r)
	}
	for len(rational) > 0 && rational.Lead().Sign() == 0 {
		rational = rational[:len(rational)-1]
	}
	if len(rational) == 0 {
		giveUp()
	}
	_, powers := rational.Factor()
	var out []root
	for _, f := range powers {
		out = append(out, irreducibleRoots(f.Base)...)
	}
	return out
}

// maxBracketed bounds the degree at which all roots are bracketed: the work grows with its fourth power.
const maxBracketed = 30

// irreducibleRoots: lines and parabolas by formula; powers and biquadratics, perhaps shifted, by roots; else brackets.
func irreducibleRoots(p symbolic.Polynomial) []root {
	n := p.Degree()
	if n < 1 {
		return nil
	}
	if n > 2 {
		// y = x + b/(n·a) has no term of the second highest power.
		shift := new(big.Rat).Quo(p[n-1], new(big.Rat).Mul(big.NewRat(int64(n), 1), p[n]))
		shifted := p.Shifted(new(big.Rat).Neg(shift))
		if roots, ok := readableRoots(shifted); ok {
			for i, r := range roots {
				roots[i] = r.of(func(y expr.Node) expr.Node { return expr.Minus(y, symbolic.Ratio(shift)) })
			}
			return roots
		}
		if n > maxBracketed {
			giveUp()
		}
		values, complete := p.RealRoots()
		if !complete {
			giveUp()
		}
		var out []root
		for _, v := range values {
			out = append(out, approximate(v))
		}
		return out
	}
	nodes := make([]expr.Node, len(p))
	for i, r := range p {
		nodes[i] = symbolic.Ratio(r)
	}
	return radicalRoots(nodes)
}

func approximate(v float64) root {
	return root{symbolic.Ratio(new(big.Rat).SetFloat64(v)), true}
}

// readableRoots solves a·yⁿ + b and a·y⁴ + b·y² + c.
func readableRoots(p symbolic.Polynomial) ([]root, bool) {
	n := p.Degree()
	middle := false
	for i := 1; i < n; i++ {
		middle = middle || p[i].Sign() != 0 && !(n == 4 && i == 2)
	}
	if middle {
		return nil, false
	}
	if n == 4 && p[2].Sign() != 0 {
		squares := irreducibleRoots(symbolic.Polynomial{p[0], p[2], p[4]})
		var out []root
		for _, q := range squares {
			if q.float() >= 0 {
				out = append(out, q.of(func(n expr.Node) expr.Node { return expr.Apply("sqrt", n) }),
					q.of(func(n expr.Node) expr.Node { return expr.Opposite(expr.Apply("sqrt", n)) }))
			}
		}
		return out, true
	}
	return nthRoots(symbolic.Ratio(new(big.Rat).Neg(new(big.Rat).Quo(p[0], p[n]))), int64(n)), true
}

// nthRoots solves yⁿ = r.
func nthRoots(r expr.Node, n int64) []root {
	value := float(r)
	if n == 1 {
		return []root{{node: short(r)}}
	}
	degree := func(x expr.Node) expr.Node {
		switch n {
		case 2:
			return expr.Apply("sqrt", x)
		case 3:
			return expr.Apply("cbrt", x)
		}
		return &expr.Call{Name: "root", Args: []expr.Node{x, expr.Num(n)}}
	}
	if n%2 == 1 {
		if value < 0 {
			return []root{{node: short(expr.Opposite(degree(expr.Opposite(r))))}}
		}
		return []root{{node: short(degree(r))}}
	}
	switch {
	case value < 0:
		return nil
	case value == 0:
		return []root{{node: expr.Num(0)}}
	}
	return []root{{node: short(degree(r))}, {node: short(expr.Opposite(degree(r)))}}
}

// radicalRoots solves equations of two terms and quadratic ones whatever their coefficients are.
func radicalRoots(c []expr.Node) []root {
	var at []int
	for i, n := range c {
		if v := float(n); v != 0 {
			if len(expr.Names(n)) == 0 && math.Abs(v) < 1e-12 {
				giveUp()
			}
			at = append(at, i)
		}
	}
	switch {
	case len(at) == 0:
		giveUp()
	case at[0] > 0:
		rest := radicalRoots(c[at[0]:])
		return append(rest, root{node: expr.Num(0)})
	case len(at) == 1:
		return nil
	case len(at) == 2:
		return nthRoots(short(expr.Opposite(expr.Over(c[0], c[at[1]]))), int64(at[1]))
	case len(at) == 3 && at[2] == 2*at[1]:
		var out []root
		for _, y := range quadraticRoots(c[at[2]], c[at[1]], c[0]) {
			out = append(out, nthRoots(y.node, int64(at[1]))...)
		}
		return out
	}
	giveUp()
	return nil
}

func quadraticRoots(a, b, c expr.Node) []root {
	discriminant := short(expr.Minus(expr.Power(b, expr.Num(2)), expr.Times(expr.Times(expr.Num(4), a), c)))
	switch v := float(discriminant); {
	case v < 0:
		return nil
	case v == 0:
		return []root{{node: short(expr.Opposite(expr.Over(b, expr.Times(expr.Num(2), a))))}}
	}
	half := func(op expr.Op) root {
		above := &expr.Binary{Op: op, L: expr.Opposite(b), R: expr.Apply("sqrt", discriminant)}
		return root{node: short(expr.Over(above, expr.Times(expr.Num(2), a)))}
	}
	return []root{half(expr.Sub), half(expr.Add)}
}
