package compose

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
)

// tick is a numbered place of an axis.
type tick struct {
	value float64
	text  string
}

// axis is the ticks of one axis and the finer grid between them.
type axis struct {
	ticks []tick
	fine  []float64
}

// Pixels between two ticks, at least.
const tickRoom = 56

// ticks numbers an axis, at a chosen step where it leaves room. Places are whole multiples of the step, so that nothing drifts.
func ticks(style document.TickStyle, chosen, lo, hi, pixels float64) axis {
	least := (hi - lo) * tickRoom / math.Max(pixels, tickRoom)
	if chosen > 0 {
		return chosenTicks(style, chosen, lo, hi, least/tickRoom*tightRoom)
	}
	switch style {
	case document.TicksInPi:
		return piTicks(lo, hi, least)
	case document.TicksInDegrees:
		return degreeTicks(lo, hi, least)
	}
	exponent := math.Floor(math.Log10(least))
	unit := math.Pow(10, exponent)
	multiple, parts := 10.0, 5.0
	for _, m := range []struct{ multiple, parts float64 }{{1, 5}, {2, 4}, {5, 5}} {
		if m.multiple*unit >= least*(1-1e-9) {
			multiple, parts = m.multiple, m.parts
			break
		}
	}
	decimals := int(math.Max(0, -exponent))
	if multiple == 10 {
		decimals = int(math.Max(0, -exponent-1))
	}
	// Divide by a whole number below 1, since 10^-1 is not exact.
	at := func(k float64) float64 { return k * multiple * unit }
	if exponent < 0 {
		inverse := math.Round(1 / unit)
		at = func(k float64) float64 { return k * multiple / inverse }
	}
	a := axis{}
	for k := math.Ceil(lo / at(1)); at(k) <= hi; k++ {
		a.ticks = append(a.ticks, tick{at(k), number.Format(at(k), decimals)})
	}
	for k := math.Ceil(lo / at(1/parts)); at(k/parts) <= hi; k++ {
		a.fine = append(a.fine, at(k/parts))
	}
	return a
}

// RoundStep is a round part of a length of which it has about so many: 1, 2 or 5 times a power of ten.
func RoundStep(length, parts float64) float64 {
	rough := length / parts
	unit := math.Pow(10, math.Floor(math.Log10(rough)))
	for _, m := range [3]float64{1, 2, 5} {
		if m*unit >= rough*(1-1e-9) {
			return m * unit
		}
	}
	return 10 * unit
}

// tightRoom is how few pixels may lie between numbers at a chosen step; where there are fewer, some lines have no number.
const tightRoom = 30

// chosenTicks numbers an axis at a step that a person has chosen, with one finer line half way.
func chosenTicks(style document.TickStyle, step, lo, hi, least float64) (a axis) {
	every := 1.0
	for _, more := range [...]float64{2, 5, 10, 20, 50, 100} {
		if step*every < least {
			every = more
		}
	}
	if step*every < least {
		return ticks(style, 0, lo, hi, (hi-lo)/least*tickRoom/tightRoom)
	}
	text := func(v float64) string { return number.Format(v, 6) }
	if p, q, is := fractionOf(step / math.Pi); is && style == document.TicksInPi {
		text = func(v float64) string { return number.OfPi(int(math.Round(v/step))*p, q) }
	} else if style == document.TicksInDegrees {
		text = func(v float64) string { return number.Format(v, 6) + "°" }
	}
	for k := math.Ceil(lo / step); k*step <= hi; k++ {
		a.fine = append(a.fine, k*step, (k+0.5)*step)
		if math.Mod(k, every) == 0 {
			a.ticks = append(a.ticks, tick{k * step, text(k * step)})
		}
	}
	return a
}

// fractionOf is a number as a fraction of at most mostParts parts.
func fractionOf(v float64) (p, q int, is bool) {
	const mostParts = 60
	for q := 1; q <= mostParts; q++ {
		if p := math.Round(v * float64(q)); p > 0 && math.Abs(v*float64(q)-p) < 1e-9*p {
			return int(p), q, true
		}
	}
	return 0, 0, false
}

// piTicks numbers an axis in fractions of π: steps of π/12, π/6, π/4, π/2, π, and multiples of π by 2, 5, 10.
func piTicks(lo, hi, least float64) axis {
	numerator, denominator := 1.0, 12.0
	for _, step := range [][2]float64{{1, 12}, {1, 6}, {1, 4}, {1, 2}, {1, 1}, {2, 1}, {5, 1}, {10, 1}, {20, 1}, {50, 1}, {100, 1}} {
		numerator, denominator = step[0], step[1]
		if numerator/denominator*math.Pi >= least {
			break
		}
	}
	for numerator/denominator*math.Pi < least {
		numerator *= 10
	}
	step := numerator / denominator * math.Pi
	a := axis{}
	for k := math.Ceil(lo / step); k*step <= hi; k++ {
		a.ticks = append(a.ticks, tick{k * step, number.OfPi(int(k)*int(numerator), int(denominator))})
	}
	for k := math.Ceil(lo / step * 2); k*step/2 <= hi; k++ {
		a.fine = append(a.fine, k*step/2)
	}
	return a
}

// degreeTicks counts in the parts of a turn that are taught: 15°, 30°, 45°, 90°, 180°, 360° …
func degreeTicks(lo, hi, least float64) axis {
	step, parts := 360.0, 4.0
	for _, s := range [][2]float64{{5, 5}, {15, 3}, {30, 2}, {45, 3}, {90, 3}, {180, 2}, {360, 4}} {
		if step, parts = s[0], s[1]; step >= least {
			break
		}
	}
	for step < least {
		step *= 2
	}
	a := axis{}
	for k := math.Ceil(lo / step); k*step <= hi; k++ {
		a.ticks = append(a.ticks, tick{k * step, number.Format(k*step, 0) + "°"})
	}
	for k := math.Ceil(lo / step * parts); k*step/parts <= hi; k++ {
		a.fine = append(a.fine, k*step/parts)
	}
	return a
}
