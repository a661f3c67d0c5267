package question

import (
	"math"
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
)

// features answers what core/maths/analyse finds out about the expression as a function of x.
func (q *Question) features(degrees bool) (map[string]any, error) {
	n, err := q.read(degrees)
	if err != nil {
		return nil, err
	}
	bounds, err := q.bounds()
	if err != nil {
		return nil, err
	}
	f, err := analyse.Function(n, "x", bounds)
	if err != nil {
		return nil, err
	}
	answer := written{}
	answer.sets(f)
	answer.points(f)
	answer.lines(f)
	answer.wave(f)
	answer["undecided"] = f.Undecided
	return answer, nil
}

// bounds reads from and to; a number that is given belongs to the interval.
func (q *Question) bounds() (analyse.Bounds, error) {
	var b analyse.Bounds
	for name, end := range map[string]*Number{"from": q.From, "to": q.To} {
		if end == nil {
			continue
		}
		if math.IsNaN(end.Value) || math.IsInf(end.Value, 0) {
			return b, problem.New("field", 0, 0, name, "a number is needed")
		}
		v := exact.Of(end.Node)
		if name == "from" {
			b.Lo, b.LoClosed = &v, true
		} else {
			b.Hi, b.HiClosed = &v, true
		}
	}
	if b.Lo != nil && b.Hi != nil && q.From.Value >= q.To.Value {
		return b, problem.New("ends", 0, 0)
	}
	return b, nil
}

// written is an answer to “features”: a field for each finding.
type written map[string]any

func exactText(n analyse.Number) any {
	if n.Exact == nil {
		return nil
	}
	return expr.Text(n.Exact)
}

// list writes {"items": …}, with the period where it holds one period only.
func list[T any](f *analyse.Findings, items []T, write func(T) map[string]any) map[string]any {
	out := map[string]any{}
	rows := make([]map[string]any, 0, len(items))
	for _, i := range items {
		rows = append(rows, write(i))
	}
	out["items"] = rows
	if f.Period != nil {
		out["repeat"] = jsonNumber(f.Period.Value)
		if text := exactText(*f.Period); text != nil {
			out["repeatExact"] = text
		}
	}
	return out
}

func intervalFields(i analyse.Interval) map[string]any {
	return map[string]any{"lo": jsonNumber(i.Lo.Value), "hi": jsonNumber(i.Hi.Value), "loClosed": i.LoClosed, "hiClosed": i.HiClosed,
		"text": i.Text()}
}

func point(p analyse.Point) map[string]any {
	out := map[string]any{"x": jsonNumber(p.X.Value), "y": jsonNumber(p.Y.Value), "exact": exactText(p.X), "exactY": exactText(p.Y),
		"how": p.How}
	if p.End {
		out["end"] = true
	}
	return out
}

// sets writes domain, range and the intervals of rising and bending.
func (w written) sets(f *analyse.Findings) {
	set := func(list []analyse.Interval, known bool, how analyse.How, repeats bool) any {
		if !known {
			return nil
		}
		intervals := make([]map[string]any, 0, len(list))
		for _, i := range list {
			intervals = append(intervals, intervalFields(i))
		}
		out := map[string]any{"text": analyse.Intervals(list), "intervals": intervals, "how": how}
		if repeats && f.Period != nil && !analyse.IsWholeLine(list) {
			out["repeat"] = jsonNumber(f.Period.Value)
		}
		return out
	}
	w["domain"] = set(f.Domain, f.DomainKnown, analyse.Read, true)
	if again := f.DomainAgain; again != nil {
		repeating := set(again.Intervals, true, analyse.Read, false).(map[string]any)
		repeating["repeat"], repeating["repeatExact"] = jsonNumber(again.Period.Value), exactText(again.Period)
		if analyse.IsWholeLine(f.Domain) {
			w["domain"] = repeating
		} else {
			domain := w["domain"].(map[string]any)
			domain["text"], domain["and"] = f.DomainText(), repeating
		}
	}
	w["range"] = set(f.Range, f.RangeKnown, analyse.Signs, false)
	if f.RangeEvery != nil {
		reach := w["range"].(map[string]any)
		reach["text"], reach["repeat"] = f.RangeText(), jsonNumber(f.RangeEvery.Value)
		reach["way"] = ways[f.RangeWay]
	}
	for name, intervals := range map[string][]analyse.Interval{"increasing": f.Rising, "decreasing": f.Falling,
		"concaveUp": f.ConcaveUp, "concaveDown": f.ConcaveDown} {
		out := list(f, intervals, intervalFields)
		out["text"], out["how"] = analyse.Intervals(intervals), analyse.Signs
		if len(intervals) == 0 && mayMiss(f, restsOn[name]) {
			out["text"] = nil
		}
		w[name] = out
	}
}

// restsOn names the list between whose members a function rises or bends.
var restsOn = map[string]string{"increasing": "extrema", "decreasing": "extrema", "concaveUp": "inflections", "concaveDown": "inflections"}

// mayMiss tells that some members of a list, or the turns and slopes, could not be found out.
func mayMiss(f *analyse.Findings, list string) bool {
	return slices.ContainsFunc(f.Undecided, func(words string) bool {
		return !strings.HasPrefix(words, "only listed") && (strings.Contains(words, list) || strings.Contains(words, "places where") ||
			strings.HasPrefix(words, "turns and slopes") || strings.HasPrefix(words, "values of the function"))
	})
}

func (w written) points(f *analyse.Findings) {
	for name, points := range map[string][]analyse.Point{"zeros": f.Zeros, "maxima": f.Maxima, "minima": f.Minima,
		"inflections": f.Inflections, "holes": f.Holes} {
		w[name] = list(f, points, point)
	}
	w["zeroIntervals"] = list(f, f.ZeroOn, intervalFields)
	w["yIntercept"] = nil
	if f.YIntercept != nil {
		out := point(*f.YIntercept)
		out["exact"] = out["exactY"] // x is 0 anyway
		w["yIntercept"] = out
	}
	w["jumps"] = list(f, f.Jumps, func(j analyse.Jump) map[string]any {
		return map[string]any{"x": jsonNumber(j.X.Value), "exact": exactText(j.X), "left": jsonNumber(j.Left.Value),
			"right": jsonNumber(j.Right.Value), "value": jsonNumber(j.Value.Value), "how": j.How}
	})
}

// ways says in words which way single numbers go on.
var ways = map[int]string{-1: "down", 0: "both", 1: "up"}

// sides says in words where an asymptote is neared.
var sides = map[int]string{-1: "left", 0: "both", 1: "right"}

func (w written) lines(f *analyse.Findings) {
	w["verticalAsymptotes"] = list(f, f.Vertical, func(l analyse.Line) map[string]any {
		return map[string]any{"x": jsonNumber(l.X.Value), "exact": exactText(l.X), "side": sides[l.Side], "how": l.How}
	})
	aperiodic := &analyse.Findings{}
	w["horizontalAsymptotes"] = list(aperiodic, f.Horizontal, func(l analyse.Line) map[string]any {
		return map[string]any{"y": jsonNumber(l.Lift.Value), "exact": exactText(l.Lift), "side": sides[l.Side], "how": l.How}
	})
	w["obliqueAsymptotes"] = list(aperiodic, f.Slanted, func(l analyse.Line) map[string]any {
		return map[string]any{"m": jsonNumber(l.Slope.Value), "b": jsonNumber(l.Lift.Value), "exactM": exactText(l.Slope),
			"exactB": exactText(l.Lift), "side": sides[l.Side], "how": l.How}
	})
}

func (w written) wave(f *analyse.Findings) {
	for name, n := range map[string]*analyse.Number{"period": f.Period, "amplitude": f.Amplitude, "centreLine": f.CentreLine} {
		w[name] = nil
		if n != nil {
			w[name], w[name+"Exact"] = jsonNumber(n.Value), exactText(*n)
		}
	}
	if f.Period != nil {
		w["periodHow"] = f.PeriodHow
	}
	w["symmetry"], w["symmetryHow"] = f.Symmetry, f.SymmetryHow
}
