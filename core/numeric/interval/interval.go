// Package interval computes with enclosures: an interval that surely holds every value of an expression.
//
// Ends are rounded outward by one unit in the last place after each operation (elementary functions by two, since Go's
// own are good to about one), so that “cannot be zero” is a proof and not an impression. Method: R. E. Moore,
// R. B. Kearfott, M. J. Cloud, Introduction to Interval Analysis, SIAM 2009, chapters 2–6.
package interval

import (
	"math"

	"parvix/core/formula/number"
)

// I is the closed interval [Lo, Hi]; the ends may be infinite. An empty interval has Lo > Hi.
type I struct{ Lo, Hi float64 }

// All is the whole line, and Empty no number at all.
var (
	All   = I{math.Inf(-1), math.Inf(1)}
	Empty = I{math.Inf(1), math.Inf(-1)}
)

// Point is the interval that holds v alone.
func Point(v float64) I { return I{v, v} }

// IsEmpty tells whether no number is in a.
func (a I) IsEmpty() bool { return !(a.Lo <= a.Hi) }

// Has tells whether v is in a.
func (a I) Has(v float64) bool { return a.Lo <= v && v <= a.Hi }

// IsPoint tells whether a holds one number only.
func (a I) IsPoint() bool { return a.Lo == a.Hi }

// Subtracting |v|·halfUnit + smallest rounds to the neighbour below v or the one after that: S. M. Rump, P. Zimmermann,
// S. Boldo, G. Melquiond, Computing predecessor and successor in rounding to nearest, BIT 49 (2009), algorithm 1.
// math.Nextafter is several times slower, above all in WebAssembly.
const (
	halfUnit = 0x1p-53 * (1 + 0x1p-52)
	smallest = math.SmallestNonzeroFloat64
)

func down(v float64) float64 {
	if v > math.MaxFloat64 {
		return math.MaxFloat64
	}
	return v - (math.Abs(v)*halfUnit + smallest)
}

func up(v float64) float64 { return -down(-v) }

// outward widens [lo, hi] by one unit on each side; NaN ends become infinite.
func outward(lo, hi float64) I {
	if lo != lo {
		lo = math.Inf(-1)
	}
	if hi != hi {
		hi = math.Inf(1)
	}
	return I{down(lo), up(hi)}
}

// lower is v less so many halves of a unit in its last place, and upper v more.
func lower(v, units float64) float64 {
	switch {
	case v != v:
		return math.Inf(-1)
	case math.IsInf(v, 0) || !(units < 1<<40):
		return down(v)
	}
	return v - (math.Abs(v)*halfUnit*units + smallest)
}

func upper(v, units float64) float64 { return -lower(-v, units) }

func outward2(lo, hi float64) I {
	a := outward(lo, hi)
	return I{down(a.Lo), up(a.Hi)}
}

// Intersect is what a and b share.
func (a I) Intersect(b I) I { return I{math.Max(a.Lo, b.Lo), math.Min(a.Hi, b.Hi)} }

// Hull is the smallest interval that holds a and b.
func (a I) Hull(b I) I {
	if a.IsEmpty() {
		return b
	}
	if b.IsEmpty() {
		return a
	}
	return I{math.Min(a.Lo, b.Lo), math.Max(a.Hi, b.Hi)}
}

// Add is a + b; adding a point zero is exact, and so is a sum that comes out as 0: no float64s add up to less than the
// smallest one.
func (a I) Add(b I) I {
	if b.Lo == 0 && b.Hi == 0 {
		return a
	}
	if a.Lo == 0 && a.Hi == 0 {
		return b
	}
	sum := outward(a.Lo+b.Lo, a.Hi+b.Hi)
	if a.Lo+b.Lo == 0 {
		sum.Lo = 0
	}
	if a.Hi+b.Hi == 0 {
		sum.Hi = 0
	}
	return sum
}

// Neg is −a.
func (a I) Neg() I { return I{-a.Hi, -a.Lo} }

// Sub is a − b.
func (a I) Sub(b I) I { return a.Add(b.Neg()) }

// times treats 0·∞ as 0, which is right for ends that stand for bounds.
func times(x, y float64) float64 {
	if x == 0 || y == 0 {
		return 0
	}
	return x * y
}

// Mul is a·b; factors that are a point 0, 1 or −1 are exact.
func (a I) Mul(b I) I {
	switch {
	case a.IsPoint() && a.Lo == 1:
		return b
	case b.IsPoint() && b.Lo == 1:
		return a
	case a.IsPoint() && a.Lo == 0, b.IsPoint() && b.Lo == 0:
		return I{}
	case a.IsPoint() && a.Lo == -1:
		return b.Neg()
	case b.IsPoint() && b.Lo == -1:
		return a.Neg()
	}
	if a.IsEmpty() || b.IsEmpty() {
		return All
	}
	// Which ends give the bounds follows from the signs (Moore, Kearfott, Cloud, table 2.1). Rounding outward must not
	// cost a sign that the factors settle.
	switch {
	case a.Hi <= 0:
		return a.Neg().Mul(b).Neg()
	case b.Hi <= 0:
		return a.Mul(b.Neg()).Neg()
	case a.Lo >= 0 && b.Lo >= 0:
		return clampLow(outward(times(a.Lo, b.Lo), times(a.Hi, b.Hi)), 0)
	case a.Lo >= 0:
		return outward(times(a.Hi, b.Lo), times(a.Hi, b.Hi))
	case b.Lo >= 0:
		return outward(times(a.Lo, b.Hi), times(a.Hi, b.Hi))
	}
	lo, hi := times(a.Lo, b.Hi), times(a.Lo, b.Lo)
	if other := times(a.Hi, b.Lo); other < lo {
		lo = other
	}
	if other := times(a.Hi, b.Hi); other > hi {
		hi = other
	}
	return outward(lo, hi)
}

// Inv is 1/a: the whole line when a holds 0 inside, a half line when 0 is an end.
func (a I) Inv() I {
	switch {
	case a.Lo == 0 && a.Hi == 0:
		return Empty
	case a.Lo < 0 && a.Hi > 0:
		return All
	case a.Lo == 0:
		return I{down(1 / a.Hi), math.Inf(1)}
	case a.Hi == 0:
		return I{math.Inf(-1), up(1 / a.Lo)}
	}
	if a.Lo > 0 {
		return clampLow(outward(1/a.Hi, 1/a.Lo), 0)
	}
	return clampHigh(outward(1/a.Hi, 1/a.Lo), 0)
}

// Div is a/b.
func (a I) Div(b I) I {
	inv := b.Inv()
	if inv.IsEmpty() {
		return Empty
	}
	return a.Mul(inv)
}

// Abs is |a|.
func (a I) Abs() I {
	switch {
	case a.Lo >= 0:
		return a
	case a.Hi <= 0:
		return a.Neg()
	}
	return I{0, math.Max(-a.Lo, a.Hi)}
}

// PowInt is a^n for a whole n ≥ 0, without the loss of repeated multiplication.
func (a I) PowInt(n int) I {
	switch {
	case n == 0:
		return I{1, 1}
	case n == 1 || a == I{}:
		return a // 0 stays 0 exactly
	}
	lo, hi := math.Pow(a.Lo, float64(n)), math.Pow(a.Hi, float64(n))
	units := math.Max(2, float64(n)) // each multiplication may round by half a unit, and squaring doubles what was off
	switch {
	case n%2 == 1:
		return I{lower(lo, units), upper(hi, units)}
	case a.Lo >= 0:
		return clampLow(I{lower(lo, units), upper(hi, units)}, 0)
	case a.Hi <= 0:
		return clampLow(I{lower(hi, units), upper(lo, units)}, 0)
	}
	return I{0, upper(math.Max(lo, hi), units)}
}

func clampLow(a I, low float64) I {
	if a.Lo < low {
		a.Lo = low
	}
	return a
}

func clampHigh(a I, high float64) I {
	if a.Hi > high {
		a.Hi = high
	}
	return a
}

func (a I) clamp(lo, hi float64) I { return I{math.Max(a.Lo, lo), math.Min(a.Hi, hi)} }

// rising applies a function that rises on the whole of a.
func (a I) rising(f func(float64) float64) I { return outward2(f(a.Lo), f(a.Hi)) }

// Sqrt is √a on the part of a that is ≥ 0.
func (a I) Sqrt() I {
	if a = clampLow(a, 0); a.IsEmpty() {
		return Empty
	}
	return clampLow(a.rising(math.Sqrt), 0)
}

// Cbrt is the real cube root.
func (a I) Cbrt() I { return a.rising(math.Cbrt) }

// Exp is e^a.
func (a I) Exp() I {
	if a.Hi <= number.SafeExponent {
		return clampLow(a.rising(math.Exp), 0)
	}
	return I{lower(number.Exp(a.Lo), 8), upper(number.Exp(a.Hi), 8)}
}

// Ln is ln a on the part of a that is > 0; of 0 alone, what lies below every float64, as beside it.
func (a I) Ln() I {
	if a.Hi < 0 {
		return Empty
	}
	return clampLow(a, 0).rising(number.Ln)
}

// PowReal is a^e for a ≥ 0 and a fixed e, or a fraction of which e is the rounded number. Half a unit of e's last place
// makes a factor a^(e·2^−53), and so does each step of math.Pow, which works out e·ln a.
func (a I) PowReal(e float64) I {
	if a = clampLow(a, 0); a.IsEmpty() {
		return Empty
	}
	if e > 0 && a == (I{}) {
		return a
	}
	p, q := math.Pow(a.Lo, e), math.Pow(a.Hi, e)
	units := func(v float64) float64 { return 4 + math.Abs(e)*(2+4*math.Abs(math.Log(v))) }
	if e < 0 {
		p, q = q, p
		a.Lo, a.Hi = a.Hi, a.Lo
	}
	return clampLow(I{lower(p, units(a.Lo)), upper(q, units(a.Hi))}, 0)
}

// Sin is sin a.
func (a I) Sin() I { return wave(a, math.Sin, math.Pi/2) }

// Cos is cos a.
func (a I) Cos() I { return wave(a, math.Cos, 0) }

// wave bounds a sine-like f whose maxima lie at top + 2πk.
func wave(a I, f func(float64) float64, top float64) I {
	if !(a.Hi-a.Lo < 2*math.Pi) || math.Abs(a.Lo) > 1e15 {
		return I{-1, 1}
	}
	p, q := f(a.Lo), f(a.Hi)
	r := outward2(math.Min(p, q), math.Max(p, q))
	if holdsPhase(a, top) {
		r.Hi = 1
	}
	if holdsPhase(a, top+math.Pi) {
		r.Lo = -1
	}
	return r.clamp(-1, 1)
}

// holdsPhase tells whether a may hold phase + 2πk for a whole k; a hair of slack covers the rounding of π.
func holdsPhase(a I, phase float64) bool {
	slack := 1e-15 * (1 + math.Max(math.Abs(a.Lo), math.Abs(a.Hi)))
	k := math.Ceil((a.Lo - slack - phase) / (2 * math.Pi))
	return phase+2*math.Pi*k <= a.Hi+slack
}

// Rising encloses the elementary functions that rise everywhere or on their whole domain [lo, hi].
func (a I) Rising(f func(float64) float64, lo, hi float64) I {
	if a = a.clamp(lo, hi); a.IsEmpty() {
		return Empty
	}
	return a.rising(f)
}

// Cosh is cosh a.
func (a I) Cosh() I {
	m := a.Abs()
	return clampLow(m.rising(math.Cosh), 1)
}

// Floor is ⌊a⌋, an interval whose ends are whole.
func (a I) Floor() I { return I{math.Floor(a.Lo), math.Floor(a.Hi)} }

// Ceil is ⌈a⌉.
func (a I) Ceil() I { return I{math.Ceil(a.Lo), math.Ceil(a.Hi)} }

// Min is the smaller of a and b.
func (a I) Min(b I) I { return I{math.Min(a.Lo, b.Lo), math.Min(a.Hi, b.Hi)} }

// Max is the larger of a and b.
func (a I) Max(b I) I { return I{math.Max(a.Lo, b.Lo), math.Max(a.Hi, b.Hi)} }
