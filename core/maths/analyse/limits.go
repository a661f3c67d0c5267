package analyse

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// approach finds the limits at both ends of a segment.
func (a *analyser) approach(i int) {
	s := &a.segments[i]
	if s.tree == nil {
		return
	}
	if a.reaches(s, s.lo, 1) {
		s.leftEnd = a.seen(a.limit(a.places[i], s, 1), s.lo, 1)
	}
	if a.reaches(s, s.hi, -1) {
		s.rightEnd = a.seen(a.limit(a.places[i+1], s, -1), s.hi, -1)
	}
}

// seen is a limit at x that the function's own values next to x allow: a place that was missed may lie between x and where
// the formula of the segment holds.
func (a *analyser) seen(limit series.Behaviour, x Number, side float64) series.Behaviour {
	if limit.Kind != series.Finite || !x.IsFinite() {
		return limit
	}
	near, far := x.Value-side*1e-13*(1+math.Abs(x.Value)), x.Value+side*1e-12*(1+math.Abs(x.Value))
	values, _ := breaks.Enclose(a.n, a.variable)(interval.I{Lo: math.Min(near, far), Hi: math.Max(near, far)})
	v := limit.Limit.Float()
	if slack := 1e-9 * (1 + math.Abs(v)); apart(values, interval.I{Lo: v - slack, Hi: v + slack}) {
		return series.Behaviour{}
	}
	return limit
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
	if y, ok := a.valueAt(s.tree, p.x); ok {
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
	return a.followed(s, s.simple, p.x.Value, side)
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

// followed watches the values of n, a segment's formula or slope, on the way to a place that is only known rounded, or whose
// series is out of reach.
func (a *analyser) followed(s *segment, n expr.Node, x float64, side int) series.Behaviour {
	f, err := program.CompilePoint(n, []string{a.variable})
	if err != nil {
		return series.Behaviour{}
	}
	room := math.Min(1, math.Abs(between(s.lo.Value, s.hi.Value)-x))
	var v []float64
	for _, h := range []float64{1e-3, 1e-4, 1e-5, 1e-6, 1e-7} {
		v = append(v, f([]float64{x + float64(side)*h*room}))
	}
	first, last := v[0], v[len(v)-1]
	if goesOnLikePowerOrLogarithm(v) {
		if last > 0 {
			return series.Behaviour{Kind: series.Rising}
		}
		return series.Behaviour{Kind: series.Falling}
	}
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

// goesOnLikePowerOrLogarithm tells that values at a tenth of the distance each time grow by the same factor, as those of
// h^−k, or by the same amount, as those of ln h: slowly, but beyond every bound.
func goesOnLikePowerOrLogarithm(v []float64) bool {
	alike := func(change func(a, b float64) float64, least float64) bool {
		first := change(v[0], v[1])
		for i := 2; i < len(v); i++ {
			if c := change(v[i-1], v[i]); !(math.Abs(c) > least) || math.Abs(c-first) > 0.01*math.Abs(first) {
				return false
			}
		}
		return (v[len(v)-1]-v[0])*v[len(v)-1] > 0
	}
	return alike(func(a, b float64) float64 { return math.Log(b / a) }, 0.05) || alike(func(a, b float64) float64 { return b - a }, 1e-3)
}
