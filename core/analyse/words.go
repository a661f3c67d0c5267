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

// DomainText writes the domain; what repeats as one period of it.
func (f *Findings) DomainText() string {
	if f.DomainAgain == nil {
		return Intervals(f.Domain)
	}
	again := Intervals(f.DomainAgain.Intervals)
	if IsLine(f.Domain) {
		return again
	}
	once := Intervals(f.Domain)
	if len(f.Domain) > 1 {
		once = "(" + once + ")"
	}
	return once + " ∩ " + again + ", every " + f.DomainAgain.Period.Text()
}

// IsLine tells whether the intervals are all real numbers.
func IsLine(list []Interval) bool {
	return len(list) == 1 && math.IsInf(list[0].Lo.Value, -1) && math.IsInf(list[0].Hi.Value, 1)
}

// RangeText writes the range; single numbers that go on both ways as {…, −1, 0, 1, …}.
func (f *Findings) RangeText() string {
	if f.RangeEvery == nil {
		return Intervals(f.Range)
	}
	var numbers []string
	for _, n := range f.RangeSample() {
		numbers = append(numbers, n.Text())
	}
	return "{…, " + strings.Join(numbers, ", ") + ", …}"
}

// RangeSample are three neighbours of a range that goes on both ways.
func (f *Findings) RangeSample() []Number {
	one, every := valueOf(f.Range[0].Lo), valueOf(*f.RangeEvery)
	return []Number{exactly(one.Minus(every)), exactly(one), exactly(one.Plus(every))}
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
