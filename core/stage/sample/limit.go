package sample

import (
	"math"
	"math/big"
	"slices"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
)

// Limits of exact limits: how many gaps of one curve are looked at, how long a formula may be, and the work of a series.
const (
	mostLimits  = 12
	mostFollow  = 200
	limitEffort = 2000
)

// limits are the exact limits of a function at its gaps, for one setting of its parameters.
type limits struct {
	parameters []float64
	node       expr.Node // with the parameters put in
	at         map[float64][2]side
}

// limit is what the function tends to on both sides of a gap, from its series: rounded values next to a gap tell nothing
// where digits cancel, as those of (1 − cos x)/x² at 0. ok is false where the gap is at no number that is known exactly,
// or the series is not known. reach is a distance within which nothing else happens.
func (f *Function) limit(gap, reach float64, in []float64) (sides [2]side, ok bool) {
	l := &f.limits
	if l.node == nil || !slices.Equal(l.parameters, in[1:]) {
		*l = limits{parameters: slices.Clone(in[1:]), node: f.withParameters(in), at: map[float64][2]side{}}
	}
	if sides, ok = l.at[gap]; ok {
		return sides, sides[0].kind != absent
	}
	if len(l.at) >= mostLimits || symbolic.Size(f.node) > mostFollow {
		return sides, false
	}
	sides, ok = l.follow(f.inputs[0], gap, reach)
	if !ok {
		sides = [2]side{}
	}
	l.at[gap] = sides
	return sides, ok
}

func (l *limits) follow(variable string, gap, reach float64) (sides [2]side, ok bool) {
	for _, place := range exactly(gap) {
		if value, _ := symbolic.Exact(symbolic.Substitute(l.node, map[string]expr.Node{variable: place})); !symbolic.IsUndefined(value) {
			continue
		}
		for i, way := range []int{-1, 1} {
			effort := series.Effort{Left: limitEffort}
			switch b := effort.Near(l.node, variable, exact.Of(place), way, gap+float64(way)*reach); b.Kind {
			case series.Finite:
				v := b.Limit.Float()
				sides[i] = side{kind: finite, value: v, size: math.Abs(v)}
			case series.Rising, series.Falling:
				sides[i] = side{kind: infinite}
			default:
				return sides, false
			}
		}
		return sides, true
	}
	return sides, false
}

// withParameters puts the parameters' values in, as the decimals that they are written with.
func (f *Function) withParameters(in []float64) expr.Node {
	with := map[string]expr.Node{}
	for i, name := range f.inputs {
		if i > 0 {
			with[name] = decimal(in[i])
		}
	}
	delete(with, f.inputs[0])
	return symbolic.Substitute(f.node, with)
}

// decimal is the shortest decimal that a number is the nearest float64 of.
func decimal(v float64) expr.Node {
	r, ok := new(big.Rat).SetString(strconv.FormatFloat(v, 'g', -1, 64))
	if !ok {
		return expr.Over(expr.Num(0), expr.Num(0))
	}
	return symbolic.Ratio(r)
}

// exactly are numbers that a place which was found by bracketing may be: a decimal of few digits, a fraction, a multiple
// of a fraction of π.
func exactly(x float64) (places []expr.Node) {
	near := 1e-9 * (1 + math.Abs(x))
	add := func(value float64, node expr.Node) {
		if math.Abs(value-x) <= near {
			places = append(places, node)
		}
	}
	for _, d := range []float64{1, 2, 3, 4, 6, 7, 9, 12} {
		p := math.Round(x * d)
		add(p/d, symbolic.Ratio(big.NewRat(int64(p), int64(d))))
		p = math.Round(x / math.Pi * d)
		add(p/d*math.Pi, expr.Times(symbolic.Ratio(big.NewRat(int64(p), int64(d))), &expr.Constant{Name: "pi"}))
	}
	short, err := strconv.ParseFloat(strconv.FormatFloat(x, 'g', 9, 64), 64)
	if err == nil {
		add(short, decimal(short))
	}
	return places
}
