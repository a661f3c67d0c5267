package analyse

import (
	"math"
	"strings"

	"parvix/core/expr"
	"parvix/core/number"
)

// Text writes n for reading: exact, or ≈ with six decimals.
func (n Number) Text() string {
	switch {
	case math.IsInf(n.Value, 1):
		return "∞"
	case math.IsInf(n.Value, -1):
		return "−∞"
	case n.Exact != nil:
		return expr.Pretty(n.Exact)
	}
	return "≈" + number.Format(n.Value, 6)
}

// Intervals writes a union of intervals: (−∞, 2) ∪ (2, ∞), {0} for a single number, ∅ for none.
func Intervals(list []Interval) string {
	if len(list) == 0 {
		return "∅"
	}
	var parts []string
	for _, i := range list {
		parts = append(parts, i.Text())
	}
	return strings.Join(parts, " ∪ ")
}

// Text writes one interval.
func (i Interval) Text() string {
	if i.Lo.Value == i.Hi.Value {
		return "{" + i.Lo.Text() + "}"
	}
	left, right := "(", ")"
	if i.LoClosed {
		left = "["
	}
	if i.HiClosed {
		right = "]"
	}
	return left + i.Lo.Text() + ", " + i.Hi.Text() + right
}
