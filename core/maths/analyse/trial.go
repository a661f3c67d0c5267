package analyse

import (
	"math"

	"parvix/core/maths/series"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
)

// Before anything is told, what was found is put to the test of the function's own values, enclosed in intervals so that
// rounding speaks for nothing and against nothing. A sign, a gap or a formula that the values refute is given up, and the
// findings say so: the ways in which they are found are many, and a fault in one of them must not become a wrong sentence
// on the board.

// shares are where a segment is tried, as shares of its length.
var shares = []float64{0.013, 0.11, 0.23, 0.37, 0.46, 0.59, 0.71, 0.83, 0.94, 0.987}

// maxTried bounds the segments and places that are tried, and mostTries the values with which: of many segments each is
// tried with fewer, at least with those that show how it bends.
const maxTried, mostTries = 240, 600

// sharesFor are the shares for so many segments.
func sharesFor(segments int) (list []float64) {
	each := max(1, min(len(shares)/4, len(shares)*segments/mostTries))
	for i := 0; i < len(shares); i += each {
		list = append(list, shares[i])
	}
	return list
}

// sample is an enclosed value.
type sample struct {
	x float64
	y interval.I
}

// try tests every segment and place, and gives up what fails.
func (a *analyser) try() {
	value, gates, inPieces := breaks.Enclose(a.n, a.variable), a.triedGates(), hasPieces(a.n)
	for i := range a.segments[:min(len(a.segments), maxTried)] {
		s := &a.segments[i]
		if a.beyond("places", s.lo, s.hi) {
			continue
		}
		if !inPieces && !s.isAsTold(gates) {
			a.refute("places")
			return
		}
		if s.tree == nil {
			continue
		}
		samples := samplesOf(value, s, sharesFor(len(a.segments)))
		a.samples = append(a.samples, samples...)
		if !a.beyond("zeros", s.lo, s.hi) && changesSign(s, samples) {
			a.unsettled["zeros"] = true
		}
		smooth := breaks.Enclose(s.simple, a.variable)
		for _, p := range samples {
			if other, _ := smooth(interval.Point(p.x)); apart(p.y, other) {
				a.refute("places")
				return
			}
		}
		if !s.known || !s.bent {
			part := a.inWindow(Interval{Lo: s.lo, Hi: s.hi})
			if !(part.Lo.Value < part.Hi.Value) {
				continue
			}
			samples = samplesOf(value, &segment{lo: part.Lo, hi: part.Hi}, sharesFor(len(a.segments)))
		}
		for k, p := range samples {
			if k > 0 && s.near && refutesRise(samples[k-1], p, s) {
				a.refute("extrema")
			}
			if k > 1 && s.bentNear && refutesBend(samples[k-2], samples[k-1], p, s.bends) {
				a.refute("inflections")
			}
		}
	}
	a.tryPlaces(value)
}

// refute gives up all that rests on a list.
func (a *analyser) refute(list string) {
	if !a.unsettled[list] {
		a.unsettled[list], a.refuted[list] = true, true
	}
	for i := range a.segments {
		s := &a.segments[i]
		if list != "inflections" {
			s.known, s.near = false, false
		}
		if list != "extrema" {
			s.bent, s.bentNear = false, false
		}
	}
}

// changesSign tells that a segment, between whose ends no zero was found, has values or limits of both signs: a zero lies so
// close to an end that the two are one place, as that of ∛(sinh x − 2) + 10⁻⁶.
func changesSign(s *segment, samples []sample) bool {
	signs := map[int]bool{signOf(s.leftEnd): true, signOf(s.rightEnd): true}
	for _, p := range samples {
		signs[1] = signs[1] || p.y.Lo > 0
		signs[-1] = signs[-1] || p.y.Hi < 0
	}
	return signs[1] && signs[-1]
}

// signOf is the sign of what comes to this end close to it; 0 where that is not known.
func signOf(b series.Behaviour) int {
	switch b.Kind {
	case series.Rising:
		return 1
	case series.Falling:
		return -1
	case series.Finite:
		sign, known := b.Limit.Sign()
		if known && sign == 0 {
			return b.Side
		}
		return sign
	}
	return 0
}

// inside is the place at a share of a segment, of which no or both ends may be infinite.
func (s *segment) inside(share float64) float64 {
	lo, hi := s.lo.Value, s.hi.Value
	switch far := share / (1 - share); {
	case math.IsInf(lo, -1) && math.IsInf(hi, 1):
		return 2*far - 0.5/share
	case math.IsInf(hi, 1):
		return lo + far*(1+0.1*math.Abs(lo))
	case math.IsInf(lo, -1):
		return hi - far*(1+0.1*math.Abs(hi))
	}
	return lo + share*(hi-lo)
}

// triedGate is a condition for a value to exist, with an enclosure of its part.
type triedGate struct {
	gate
	part breaks.Enclosure
}

// at tells that the gate is surely open at x, or surely shut.
func (g triedGate) at(x float64) (open, shut bool) {
	v, _ := g.part(interval.Point(x))
	return g.over(v)
}

func (a *analyser) triedGates() (list []triedGate) {
	for _, g := range a.gates() {
		list = append(list, triedGate{g, breaks.Enclose(g.part, a.variable)})
	}
	return list
}

// isAsTold tells that the function may have values on a segment where it is said to have, and none where it is said to
// have none.
func (s *segment) isAsTold(gates []triedGate) bool {
	for _, share := range shares {
		x, allOpen := s.inside(share), true
		for _, g := range gates {
			open, shut := g.at(x)
			if s.tree != nil && shut {
				return false
			}
			allOpen = allOpen && open
		}
		if s.tree == nil && allOpen {
			return false
		}
	}
	return true
}

// samplesOf encloses the values of a segment where they are bounded.
func samplesOf(value breaks.Enclosure, s *segment, shares []float64) (list []sample) {
	for _, share := range shares {
		x := s.inside(share)
		y, _ := value(interval.Point(x))
		if !y.IsEmpty() && !math.IsInf(y.Lo, 0) && !math.IsInf(y.Hi, 0) {
			list = append(list, sample{x, y})
		}
	}
	return list
}

// apart tells that no number lies in both.
func apart(v, w interval.I) bool { return !v.IsEmpty() && !w.IsEmpty() && (v.Hi < w.Lo || w.Hi < v.Lo) }

// refutesRise tells that two values are in the wrong order for the slope of their segment.
func refutesRise(left, right sample, s *segment) bool {
	if left.x > right.x {
		left, right = right, left
	}
	switch {
	case s.rises > 0:
		return right.y.Hi < left.y.Lo
	case s.rises < 0:
		return right.y.Lo > left.y.Hi
	}
	return s.isLevel() && apart(left.y, right.y)
}

// refutesBend tells that three values are surely on the wrong side of a chord for the way their segment bends.
func refutesBend(p, q, r sample, bends int) bool {
	t := interval.Point((q.x - p.x) / (r.x - p.x))
	chord := p.y.Add(r.y.Sub(p.y).Mul(interval.I{Lo: t.Lo - 1e-15, Hi: t.Hi + 1e-15}))
	return bends > 0 && q.y.Lo > chord.Hi || bends < 0 && q.y.Hi < chord.Lo
}

// tryPlaces tests the values and zeros at places.
func (a *analyser) tryPlaces(value breaks.Enclosure) {
	for i := range a.places[:min(len(a.places), maxTried)] {
		p := &a.places[i]
		if !p.defined || p.border || !p.x.IsFinite() {
			continue
		}
		reach := 1e-9 * (1 + math.Abs(p.x.Value))
		y, _ := value(interval.I{Lo: p.x.Value - reach, Hi: p.x.Value + reach})
		if y.IsEmpty() {
			continue
		}
		slack := 1e-9 * (1 + math.Abs(p.y.Value))
		if p.y.Value < y.Lo-slack || p.y.Value > y.Hi+slack {
			a.refute("places")
			return
		}
		if p.isZero && math.Abs(p.y.Value) < 1e-6 && (y.Lo > 0 || y.Hi < 0) {
			p.isZero = false
			a.refuted["zeros"], a.unsettled["zeros"] = true, true
		}
	}
}

// tryExtrema drops what does not top its neighbours.
func (a *analyser) tryExtrema(list []Point, sign float64) (kept []Point) {
	value := breaks.Enclose(a.n, a.variable)
	for _, p := range list {
		passed := false
		for i := range a.segments {
			s := &a.segments[i]
			if s.tree == nil || s.lo.Value != p.X.Value && s.hi.Value != p.X.Value {
				continue
			}
			side, last, before, limit := 1.0, i, i-1, s.leftEnd
			if s.hi.Value == p.X.Value {
				side, last, before, limit = -1, i+1, i+2, s.rightEnd
			}
			if limit.Kind != series.Finite || !close(limit.Limit.Float(), p.Y.Value) {
				continue // beside a jump a steep function passes the value a little further on
			}
			reach := math.Min(math.Min(1, s.hi.Value-s.lo.Value), a.besideLast(last, before))
			for _, share := range []float64{1e-2, 1e-3} {
				y, _ := value(interval.Point(p.X.Value + side*share*reach))
				slack := 1e-9 * (1 + math.Abs(p.Y.Value))
				passed = passed || !y.IsEmpty() && (sign > 0 && y.Lo > p.Y.Value+slack || sign < 0 && y.Hi < p.Y.Value-slack)
			}
		}
		if passed {
			a.refuted["extrema"], a.unsettled["extrema"] = true, true
			continue
		}
		kept = append(kept, p)
	}
	return kept
}

// tryRange tells that all values that were sampled lie in the range.
func (a *analyser) tryRange(list []Interval) bool {
	for _, p := range a.samples {
		taken := false
		for _, i := range list {
			slack := func(v float64) float64 { return 1e-8 * (1 + math.Abs(v)) }
			taken = taken || p.y.Hi >= i.Lo.Value-slack(i.Lo.Value) && p.y.Lo <= i.Hi.Value+slack(i.Hi.Value)
		}
		if !taken {
			return false
		}
	}
	return true
}
