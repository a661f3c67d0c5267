package study

import (
	"math"
	"math/big"
	"strconv"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
)

// number writes a number: exact where it is, else rounded with ≈ in front.
func (w writer) number(n analyse.Number) string {
	switch {
	case math.IsInf(n.Value, 1):
		return `\infty`
	case math.IsInf(n.Value, -1):
		return `-\infty`
	case n.Exact != nil:
		if text, short := inTens(n.Exact); short {
			return text
		}
		if w.decimals {
			return expr.LaTeX(withDecimals(n.Exact), nil)
		}
		return expr.LaTeX(n.Exact, nil)
	}
	return `\approx ` + rounded(n.Value, 4)
}

// inTens writes a tiny or huge fraction as a short multiple of a power of ten, 1.6·10⁻¹⁹; short is false where it is none.
func inTens(n expr.Node) (text string, short bool) {
	r, ok := symbolic.Fraction(n)
	if !ok {
		return "", false
	}
	v, _ := r.Float64()
	if size := math.Abs(v); size == 0 || size >= 1e-6 && size < 1e9 {
		return "", false
	}
	written, ok := new(big.Rat).SetString(strconv.FormatFloat(v, 'e', 3, 64))
	return number.InTens(v, 3), ok && written.Cmp(r) == 0
}

// rounded writes a finding's number, which is 0 only where it was found to be.
func rounded(v float64, decimals int) string {
	if v != 0 && math.Abs(v) < 1e-6 {
		return number.InTens(v, 2)
	}
	return number.Rounded(v, decimals)
}

// withDecimals writes the fractions in a number as decimals where they end.
func withDecimals(n expr.Node) expr.Node {
	if r, ok := symbolic.Fraction(n); ok && ends(r) {
		if r.Sign() < 0 {
			return expr.Opposite(expr.Rat(new(big.Rat).Neg(r)))
		}
		return expr.Rat(r)
	}
	return expr.Map(n, withDecimals)
}

// ends tells whether a fraction has at most four decimals.
func ends(r *big.Rat) bool {
	places, exact := r.FloatPrec()
	return exact && places <= 4
}

// both writes an exact number with its decimal beside it where that says more.
func (w writer) both(n analyse.Number) string {
	text := w.number(n)
	if n.Exact == nil {
		return text
	}
	if r, ok := exact.Of(n.Exact).Rat(); ok && ends(r) {
		if r.IsInt() || w.decimals {
			return text
		}
		return text + "=" + expr.LaTeX(expr.Rat(r), nil)
	}
	return text + `\approx ` + rounded(n.Value, 3)
}

func isRational(n expr.Node) bool {
	_, ok := exact.Of(n).Rat()
	return ok
}

// repeated writes a place that comes again, as x₀ + k·P, and as k·P where x₀ is 0.
func (w writer) repeated(x analyse.Number, period *analyse.Number) string {
	first := w.number(x)
	if period == nil {
		return first
	}
	every := w.number(*period)
	if _, isSum := period.Exact.(*expr.Binary); isSum && strings.ContainsAny(every, "+-") {
		every = "(" + every + ")"
	}
	multiple := `k\cdot ` + every
	if every == "1" {
		multiple = "k"
	}
	if x.Exact != nil && exact.Of(x.Exact).IsZero() {
		return multiple
	}
	return first + "+" + multiple
}

// evenly is what the places of a period are written by where they lie as far apart as the next period's first from the last:
// those of sin x are k·π, though its period is 2π.
func (w writer) evenly(places []analyse.Number) (shown []analyse.Number, period *analyse.Number) {
	if w.period == nil || w.period.Exact == nil || len(places) < 2 {
		return places, w.period
	}
	step := exact.Of(w.period.Exact).Over(exact.Int(int64(len(places))))
	for i, x := range places {
		if x.Exact == nil || i > 0 && !exact.Of(x.Exact).Minus(exact.Of(places[i-1].Exact)).Minus(step).IsZero() {
			return places, w.period
		}
	}
	return places[:1], &analyse.Number{Exact: step.Node(), Value: step.Float()}
}
