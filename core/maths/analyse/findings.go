// Package analyse finds what a mathematics lesson asks of a function: domain, range, intercepts, extrema, inflections,
// asymptotes, holes, jumps, period, symmetry, where it rises and how it bends.
//
// A function is cut where one of its operations turns, jumps or ends, so that each segment is smooth; on each segment
// the equations f = 0, f′ = 0 and f″ = 0 are solved in closed form (core/maths/solve) or, where there is none, bracketed by
// interval arithmetic (core/numeric/breaks); limits at the ends come from series (core/maths/series). Signs between the places so
// found decide the rest. What cannot be decided is said to be undecided; nothing is guessed from a picture.
package analyse

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
)

// Number is a finding's number: Exact is nil where only the rounded value is known.
type Number struct {
	Exact expr.Node
	Value float64
}

// IsFinite tells whether n is a number and no end at infinity.
func (n Number) IsFinite() bool { return !math.IsInf(n.Value, 0) && !math.IsNaN(n.Value) }

func infinite(side int) Number { return Number{Value: math.Inf(side)} }

func exactly(v exact.Value) Number { return Number{v.Node(), v.Float()} }

// How says how a finding was found.
type How string

// The ways of finding.
const (
	Solved    How = "solved exactly"
	Bracketed How = "bracketed by interval arithmetic"
	Limit     How = "limit from the series"
	Read      How = "read from the formula"
	Signs     How = "signs of the derivative"
	Identity  How = "identity of formulas"
	Sampled   How = "agrees at many places"
	Followed  How = "followed by values"
	Inserted  How = "put in"
)

// Point is a point of the graph.
type Point struct {
	X, Y Number
	How  How
	// End tells that the point is an extremum only because the domain ends there.
	End bool
}

// Jump is a place where the two sides have different limits; Value is NaN where the function has none.
type Jump struct {
	X, Left, Right, Value Number
	How                   How
}

// Line is an asymptote: x = X for a vertical one, y = Slope·x + Lift else. Sides tells where: −1, 1, or 0 for both.
type Line struct {
	X, Slope, Lift Number
	Side           int
	How            How
}

// Interval of numbers; infinite ends are open.
type Interval struct {
	Lo, Hi             Number
	LoClosed, HiClosed bool
}

// Findings of one function. A list with a Repeat holds one period.
type Findings struct {
	Domain, Range           []Interval
	RangeKnown, DomainKnown bool
	// DomainAgain is set for a function that does not repeat though gaps of its domain do: the domain is what is both in
	// Domain and in these intervals.
	DomainAgain *Repeated
	// RangeEvery is set where the range is single numbers that go on at this distance; Range then holds one. RangeWay is 1
	// where they go up from it, −1 where they go down, 0 for both.
	RangeEvery            *Number
	RangeWay              int
	YIntercept            *Point
	Zeros, Maxima, Minima []Point
	Inflections           []Point
	// ZeroOn are intervals on which the function is 0 throughout.
	ZeroOn                 []Interval
	Vertical               []Line
	Horizontal, Slanted    []Line
	Holes                  []Point
	Jumps                  []Jump
	Rising, Falling        []Interval
	ConcaveUp, ConcaveDown []Interval
	// Period is nil for a function without one; every list of places then holds one period.
	Period    *Number
	PeriodHow How
	// Symmetry is "even", "odd" or "none".
	Symmetry    string
	SymmetryHow How
	// CentreLine and Amplitude belong to a periodic function with a largest and a least value.
	CentreLine, Amplitude *Number
	// Undecided lists, in words, what could not be found out.
	Undecided []string
}

// Bounds restrict a function to an interval; nil ends are infinite.
type Bounds struct {
	Lo, Hi             *exact.Value
	LoClosed, HiClosed bool
	// Left and Right is the window in which endless lists are listed, −10 to 10 when both are 0.
	Left, Right float64
}

// within narrows bounds that are not given to those of a function that holds on an interval only: nothing is to be
// looked for outside.
func (b Bounds) within(n expr.Node, variable string) Bounds {
	pieces, ok := n.(*expr.Pieces)
	if !ok || b.Lo != nil || b.Hi != nil {
		return b
	}
	var lo, hi *exact.Value
	loClosed, hiClosed := false, false
	for _, p := range pieces.List {
		when := p.When
		if when.Of != nil || when.Var != variable || when.Lo == nil || when.Hi == nil || len(expr.Names(when.Lo))+len(expr.Names(when.Hi)) > 0 {
			return b
		}
		from, to := exact.Of(when.Lo), exact.Of(when.Hi)
		if lo == nil || from.Float() < lo.Float() {
			lo, loClosed = &from, when.LoClosed
		}
		if hi == nil || to.Float() > hi.Float() {
			hi, hiClosed = &to, when.HiClosed
		}
	}
	b.Lo, b.Hi, b.LoClosed, b.HiClosed = lo, hi, loClosed, hiClosed
	return b
}
