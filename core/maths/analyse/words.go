package analyse

import (
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/maths/exact"
)

// Text writes n for reading: exact, or ≈ with six decimals, a tiny number as a multiple of a power of ten.
func (n Number) Text() string {
	switch {
	case math.IsInf(n.Value, 1):
		return "∞"
	case math.IsInf(n.Value, -1):
		return "−∞"
	case n.Exact != nil:
		return expr.Pretty(n.Exact)
	}
	if size := math.Abs(n.Value); size > 0 && size < 1e-4 {
		return "≈" + number.InTens(n.Value, 3)
	}
	return "≈" + number.Format(n.Value, 6)
}

// Intervals writes a union of intervals: (−∞, 2) ∪ (2, ∞), {0, 1} for single numbers, ∅ for none.
func Intervals(list []Interval) string {
	if len(list) == 0 {
		return "∅"
	}
	var parts []string
	for _, set := range Sets(list) {
		if !set[0].IsSingle() {
			parts = append(parts, set[0].Text())
			continue
		}
		var numbers []string
		for _, i := range set {
			numbers = append(numbers, i.Lo.Text())
		}
		parts = append(parts, "{"+strings.Join(numbers, ", ")+"}")
	}
	return strings.Join(parts, " ∪ ")
}

// Sets groups intervals as they are written: neighbouring single numbers together, any other one alone.
func Sets(list []Interval) (sets [][]Interval) {
	for k, i := range list {
		if k > 0 && i.IsSingle() && list[k-1].IsSingle() {
			last := &sets[len(sets)-1]
			*last = append(*last, i)
			continue
		}
		sets = append(sets, []Interval{i})
	}
	return sets
}

// IsSingle tells whether an interval is one number.
func (i Interval) IsSingle() bool { return i.Lo.Value == i.Hi.Value }

// DomainText writes the domain; what repeats as one period of it.
func (f *Findings) DomainText() string {
	if f.DomainAgain == nil {
		return Intervals(f.Domain)
	}
	again := Intervals(f.DomainAgain.Intervals)
	if IsWholeLine(f.Domain) {
		return again
	}
	once := Intervals(f.Domain)
	if len(f.Domain) > 1 {
		once = "(" + once + ")"
	}
	return once + " ∩ " + again + ", every " + f.DomainAgain.Period.Text()
}

// IsWholeLine tells whether the intervals are all real numbers.
func IsWholeLine(list []Interval) bool {
	return len(list) == 1 && math.IsInf(list[0].Lo.Value, -1) && math.IsInf(list[0].Hi.Value, 1)
}

// RangeText writes the range; single numbers that go on as {…, −1, 0, 1, …} or {0, 1, 2, …}.
func (f *Findings) RangeText() string {
	if f.RangeEvery == nil {
		return Intervals(f.Range)
	}
	var numbers []string
	for _, n := range f.RangeSample() {
		numbers = append(numbers, n.Text())
	}
	if f.RangeWay <= 0 {
		numbers = append([]string{"…"}, numbers...)
	}
	if f.RangeWay >= 0 {
		numbers = append(numbers, "…")
	}
	return "{" + strings.Join(numbers, ", ") + "}"
}

// RangeSample are three neighbours, in order, of a range of single numbers that go on: the last ones where it has an end.
func (f *Findings) RangeSample() []Number {
	one, every := valueOf(f.Range[0].Lo), valueOf(*f.RangeEvery)
	var numbers []Number
	for k := -1; k <= 1; k++ {
		numbers = append(numbers, exactly(one.Plus(every.Times(exact.Int(int64(k+f.RangeWay))))))
	}
	return numbers
}

// Text writes one interval.
func (i Interval) Text() string {
	if i.IsSingle() {
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
