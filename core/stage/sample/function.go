// Package sample turns a function and a window into polylines that break exactly where the function breaks.
//
// The places of the breaks come proven from core/breaks. Between them points are chosen by pixels: the line is halved
// where it bends by more than a fraction of a pixel, and points that a straight line already passes are dropped.
package sample

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Function is a function of one variable, compiled for values and for breaks.
type Function struct {
	program *program.Program
	finder  *breaks.Finder
	// enclose bounds value and slope over an interval.
	enclose func(over interval.I, in []float64) (value, slope interval.I)
	// exact is the program at breaks, compiled with the first one.
	node   expr.Node
	inputs []string
	exact  *program.Program
	// second encloses the slope and its own, compiled when it is first asked for.
	second func(over interval.I, in []float64) (value, slope interval.I)
	// tooLong tells that the formula is too long for a second derivative.
	tooLong bool
	limits  limits
	// rounding gives values with their doubt, wide those that overflow on the way; compiled when they are first asked for.
	rounding program.Rounded
	wide     program.Point
	// Work is how many operations one value takes.
	Work program.Point
}

// Compile compiles n, inlined and in radians, for its variable (the first input) and parameters.
func Compile(n expr.Node, inputs []string) (*Function, error) {
	p, err := program.Compile(n, inputs)
	if err != nil {
		return nil, err
	}
	return &Function{program: p, finder: breaks.New(n, inputs), enclose: breaks.EncloseAt(n, inputs), node: n, inputs: inputs,
		Work: program.Work(n, inputs)}, nil
}

// At is the value at x, NaN where there is none; in[0] is overwritten.
func (f *Function) At(x float64, in []float64) float64 {
	in[0] = x
	if y := f.program.At(in); y == y {
		return y
	}
	return f.widely(in)
}

// widely is the value where a part of it overflows on the way, NaN where there is none.
func (f *Function) widely(in []float64) float64 {
	if f.wide == nil {
		wide, ok := program.Wide(f.node, f.inputs)
		if !ok {
			wide = func([]float64) float64 { return math.NaN() }
		}
		f.wide = wide
	}
	return f.wide(in)
}

// doubted is the value with about how far rounding has moved it.
func (f *Function) doubted(in []float64) (value, doubt float64) {
	if f.rounding == nil {
		rounding, err := program.Rounding(f.node, f.inputs)
		if err != nil {
			panic("sample: " + err.Error()) // Compile has seen to the letters
		}
		f.rounding = rounding
	}
	return f.rounding(in)
}

// run evaluates at many places.
func (f *Function) run(m *program.Machine, ys, xs, in []float64) {
	m.Run(f.program, ys, xs, in)
	for i, y := range ys {
		if y != y {
			in[0] = xs[i]
			ys[i] = f.widely(in)
		}
	}
}

// bend bounds |f″| over an interval where f has a bounded slope; +∞ where f may have a corner.
func (f *Function) bend(over interval.I, in []float64) float64 {
	if f.tooLong {
		return math.Inf(1)
	}
	if f.second == nil {
		if symbolic.Size(f.node) > mostBent {
			f.tooLong = true
			return math.Inf(1)
		}
		f.second = breaks.EncloseAt(symbolic.Simplify(symbolic.Derivative(f.node, f.inputs[0])).Node, f.inputs)
	}
	_, second := f.second(over, in)
	return second.Abs().Hi
}

// atBreak is the value at a place where the function breaks, which a float64 hits but for its last digits: ⌊x²⌋ is 5 at √5,
// and √(3 − x²) is 0 at √3.
func (f *Function) atBreak(x float64, in []float64) float64 {
	if f.exact == nil {
		f.exact = f.program
		if n := settled(f.node); symbolic.Size(n) <= mostSettled {
			if p, err := program.Compile(n, f.inputs); err == nil {
				f.exact = p
			}
		}
	}
	in[0] = x
	return f.exact.At(in)
}

// mostBent bounds a formula whose second derivative is of use: a longer one takes longer than it saves.
const mostBent = 60

// mostSettled bounds a formula whose parts are written twice.
const mostSettled = 2000

// settled writes a formula so that what comes within a billionth of a number where a function begins, jumps or has no value
// is that number.
func settled(n expr.Node) expr.Node {
	n = expr.Map(n, settled)
	switch n := n.(type) {
	case *expr.Binary:
		if e, ok := symbolic.Fraction(n.R); n.Op == expr.Pow && !(ok && e.IsInt()) {
			n.L = snapped(n.L, expr.Num(0))
		}
	case *expr.Call:
		switch n.Name {
		case "sqrt", "cbrt", "root", "ln", "log":
			n.Args[0] = snapped(n.Args[0], expr.Num(0))
		case "arcosh":
			n.Args[0] = snapped(n.Args[0], expr.Num(1))
		case "arcsin", "arccos", "artanh", "arcsec", "arccsc":
			n.Args[0] = snapped(snapped(n.Args[0], expr.Num(1)), expr.Num(-1))
		case "floor", "ceil", "sgn":
			half := symbolic.Ratio(big.NewRat(1, 2))
			n.Args[0] = snapped(n.Args[0], &expr.Call{Name: "floor", Args: []expr.Node{expr.Plus(n.Args[0], half)}})
		}
	}
	return n
}

// snapped is t where u is within a billionth of it, else u: t + (u − t)·min(1, ⌊2³⁰|u − t|⌋).
func snapped(u, t expr.Node) expr.Node {
	off := expr.Minus(u, t)
	size := expr.Times(expr.Num(1<<30), &expr.Call{Name: "abs", Args: []expr.Node{off}})
	far := &expr.Call{Name: "min", Args: []expr.Node{expr.Num(1), &expr.Call{Name: "floor", Args: []expr.Node{size}}}}
	return expr.Plus(t, expr.Times(off, far))
}

// side is what a function does when x approaches a place from one side.
type side struct {
	kind  sideKind
	value float64 // the limit, for finite
	size  float64 // of the largest value that was seen on the way
	clean bool    // infinite: the values have grown all along, as next to a pole and not by rounding
}

type sideKind uint8

const (
	absent   sideKind = iota // no values on this side
	finite                   // tends to value
	infinite                 // grows without bound
	restless                 // does neither, as sin(1/x) at 0
)

// approachSteps is how often the distance is quartered on the way to a limit.
const approachSteps = 13

// approach watches f at c + h, h/4, h/16 … and extrapolates by Aitken's rule (Abramowitz & Stegun 3.9.7).
// h carries the direction; height is that of the window.
func (f *Function) approach(c, h float64, in []float64, height float64) side {
	var y [approachSteps]float64
	for k := range y {
		in[0] = c + h
		value, doubt := f.doubted(in)
		if value != value {
			value = f.At(c+h, in)
		}
		if y[k] = value; value != value {
			if k < 4 {
				return side{kind: absent}
			}
			// Too near to tell x from c: what was seen so far decides.
			return judge(y[:k], height)
		}
		if k >= leastSeen && doubt > trusted*(math.Abs(value)+height) {
			return judge(y[:k], height)
		}
		h /= 4
	}
	return judge(y[:], height)
}

// A value counts that rounding has not spoiled by more than a share of it and of the window; a few are looked at in any case.
const trusted, leastSeen = 1e-6, 5

// judge reads the behaviour off the values of an approach. A limit that it cannot tell to a millionth of the values and of the
// window counts as none.
func judge(y []float64, height float64) side {
	unit := unitIn(height)
	n := len(y)
	largest := math.Abs(y[0])
	growing, steps := 0, 0
	for k := 2; k < n; k++ {
		d1, d0 := y[k]-y[k-1], y[k-1]-y[k-2]
		largest = math.Max(largest, math.Abs(y[k]))
		if k > n/2 {
			steps++
			if math.Abs(d1) >= 0.97*math.Abs(d0) && d1*d0 > 0 {
				growing++
			}
		}
	}
	if math.IsInf(largest, 1) || largest > 1e6*(unit+math.Abs(y[0])) || growing >= steps-1 && math.Abs(y[n-1]-y[n-2]) > 1e-6*(unit+math.Abs(y[0])) {
		return side{kind: infinite, clean: grows(y)}
	}
	limit, doubt := extrapolate(y)
	if doubt > 1e-6*(height+largest) {
		return side{kind: restless}
	}
	return side{kind: finite, value: limit, size: largest}
}

// grows tells whether the sizes grow from the first value to the last.
func grows(y []float64) bool {
	for k := 1; k < len(y); k++ {
		if !(math.Abs(y[k]) > math.Abs(y[k-1])) {
			return false
		}
	}
	return true
}

// unitIn is what counts as 1 in a window of a height: less in one that shows less.
func unitIn(height float64) float64 { return math.Min(1, height) }

// extrapolate applies Aitken's rule along the values and takes the result that changes least over two steps: before it
// the steps are still coarse, after it rounding takes over. doubt is that change.
func extrapolate(y []float64) (limit, doubt float64) {
	doubt = math.Inf(1)
	previous, change := math.NaN(), math.NaN()
	for k := 2; k < len(y); k++ {
		a := aitken(y[k-2], y[k-1], y[k])
		d := math.Abs(a - previous)
		if d+change < doubt {
			limit, doubt = a, d+change
		}
		previous, change = a, d
	}
	return limit, doubt
}

func aitken(a, b, c float64) float64 {
	d1, d0 := c-b, b-a
	if d1 == d0 || math.Abs(d1) > 0.97*math.Abs(d0) {
		return c
	}
	return c - d1*d1/(d1-d0)
}
