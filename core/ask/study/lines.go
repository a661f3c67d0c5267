package study

import (
	"fmt"
	"math"
	"math/big"
	"strconv"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
)

// Line is a finding to be read: its name, what was found in LaTeX, and how.
type Line struct {
	Finding document.Finding
	Name    string
	LaTeX   string
	How     string
}

// mostListed is how many members of a list are written out.
const mostListed = 6

// writer writes findings in the notation of a demonstration.
type writer struct {
	d        *evaluate.Demonstration
	variable string
	period   *analyse.Number
	// decimals tells that the formula holds decimals, so that fractions are written as such where they end.
	decimals bool
}

func newWriter(d *evaluate.Demonstration, f *evaluate.Function) writer {
	w := writer{d: d, variable: expr.LaTeXName(f.Stated.Variables[0])}
	expr.Walk(d.WithNumbers(f), func(n expr.Node) bool {
		if number, ok := n.(*expr.Number); ok && !number.Value.IsInt() {
			w.decimals = true
		}
		return !w.decimals
	})
	return w
}

// Lines writes findings in the order in which a curve is discussed; what a function has not got is left out, but for
// domain, range and zeros.
func Lines(d *evaluate.Demonstration, f *evaluate.Function, findings *analyse.Findings) []Line {
	w := newWriter(d, f)
	w.period = findings.Period
	written := map[document.Finding]Line{}
	counts := map[document.Finding]int{document.VerticalAsymptotes: len(findings.Vertical), document.LevelAsymptotes: len(findings.Horizontal),
		document.SlantedAsymptotes: len(findings.Slanted), document.Jumps: len(findings.Jumps)}
	for finding, points := range pointsOf(findings) {
		counts[finding] = len(points)
	}
	put := func(finding document.Finding, latex string, how analyse.How) {
		if latex == "" {
			return
		}
		count := counts[finding]
		if findings.Period != nil {
			count = 0
		}
		written[finding] = Line{finding, found.NameOfMany(finding, count), d.Typeset(latex), string(how)}
	}
	if findings.DomainKnown {
		put(document.Domain, w.domain(findings), analyse.Read)
	}
	if findings.RangeKnown {
		put(document.Range, w.reach(findings), analyse.Signs)
	}
	for finding, points := range pointsOf(findings) {
		put(finding, w.points(finding, points), howOf(points))
	}
	if len(findings.ZeroOn) > 0 {
		parts := []string{w.set(findings.ZeroOn, true)}
		if len(findings.Zeros) > 0 {
			parts = append(parts, w.points(document.Zeros, findings.Zeros))
		}
		put(document.Zeros, expr.Together(parts), analyse.Signs)
	}
	if len(findings.Zeros) == 0 && len(findings.ZeroOn) == 0 && findings.DomainKnown && len(findings.Domain) > 0 && !undecided(findings, "zeros") {
		put(document.Zeros, `\text{none}`, analyse.Signs)
	}
	for finding, list := range map[document.Finding][]analyse.Interval{document.Increasing: findings.Rising, document.Decreasing: findings.Falling,
		document.ConcaveUp: findings.ConcaveUp, document.ConcaveDown: findings.ConcaveDown} {
		if len(list) > 0 {
			put(finding, w.set(list, true), analyse.Signs)
		}
	}
	put(document.VerticalAsymptotes, w.uprights(findings.Vertical), analyse.Limit)
	put(document.LevelAsymptotes, w.slants(findings.Horizontal), analyse.Limit)
	put(document.SlantedAsymptotes, w.slants(findings.Slanted), analyse.Limit)
	put(document.Jumps, w.jumps(findings.Jumps), analyse.Limit)
	if findings.Period != nil {
		put(document.Period, w.both(*findings.Period), findings.PeriodHow)
	}
	if findings.Amplitude != nil {
		put(document.Amplitude, w.both(*findings.Amplitude), analyse.Signs)
		put(document.CentreLine, "y="+w.both(*findings.CentreLine), analyse.Signs)
	}
	switch findings.Symmetry {
	case "even":
		put(document.Symmetry, `\text{even: mirrored in the }y\text{-axis}`, findings.SymmetryHow)
	case "odd":
		put(document.Symmetry, `\text{odd: turned about the origin}`, findings.SymmetryHow)
	}
	var lines []Line
	for _, finding := range document.Findings() {
		if line, ok := written[finding]; ok {
			lines = append(lines, line)
		}
	}
	return lines
}

func undecided(f *analyse.Findings, word string) bool {
	for _, u := range f.Undecided {
		if strings.Contains(u, word) {
			return true
		}
	}
	return false
}

// howOf is how the points were found; the least certain one speaks for all.
func howOf(points []analyse.Point) analyse.How {
	how := analyse.How("")
	for _, p := range points {
		if how == "" || p.How == analyse.Bracketed || p.How == analyse.Followed {
			how = p.How
		}
	}
	return how
}

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
			return &expr.Neg{X: expr.Rat(new(big.Rat).Neg(r))}
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

// equations lists places on the axis, as x = π/2 + k·π.
func (w writer) equations(places []analyse.Number) string {
	shown, period := w.evenly(places)
	var parts []string
	for _, x := range shown[:min(len(shown), mostListed)] {
		text := w.repeated(x, period)
		if period == nil {
			text = w.both(x)
		}
		if strings.HasPrefix(text, `\approx`) {
			parts = append(parts, w.variable+text)
		} else {
			parts = append(parts, w.variable+"="+text)
		}
	}
	return expr.Together(parts) + more(len(shown))
}

func more(count int) string {
	if count > mostListed {
		return fmt.Sprintf(`,\;\ldots\;\text{(%d)}`, count)
	}
	return ""
}

func (w writer) points(finding document.Finding, points []analyse.Point) string {
	var places []analyse.Number
	level := true
	for _, p := range points {
		places = append(places, p.X)
		level = level && p.Y.Exact != nil && points[0].Y.Exact != nil && exact.Of(p.Y.Exact).Minus(exact.Of(points[0].Y.Exact)).IsZero()
	}
	shown, period := places, w.period
	switch {
	case finding == document.Zeros:
		return w.equations(places)
	case finding == document.YIntercept:
		period = nil
	case level:
		shown, period = w.evenly(places)
	}
	var parts []string
	for i, x := range shown[:min(len(shown), mostListed)] {
		parts = append(parts, w.pair(x, points[i].Y, period))
	}
	return expr.Together(parts) + more(len(shown))
}

// pair writes coordinates, with decimals beside them where they are not short.
func (w writer) pair(x, y analyse.Number, period *analyse.Number) string {
	pair := "(" + w.repeated(x, period) + `,\;` + w.number(y) + ")"
	if x.Exact == nil || y.Exact == nil || isRational(x.Exact) && isRational(y.Exact) || period != nil {
		return pair
	}
	return "{" + pair + `}\;` + expr.MayBreak + `{\approx (` + rounded(x.Value, 3) + `,\;` + rounded(y.Value, 3) + ")}"
}

// set writes a union of intervals; on the axis of the variable of a periodic function it holds one period.
func (w writer) set(list []analyse.Interval, onAxis bool) string {
	if len(list) == 0 {
		return `\varnothing`
	}
	var parts []string
	for _, set := range analyse.Sets(list) {
		if !set[0].IsSingle() {
			parts = append(parts, w.interval(set[0]))
			continue
		}
		var numbers []string
		for _, i := range set {
			numbers = append(numbers, w.number(i.Lo))
		}
		parts = append(parts, braced(shortened(numbers)))
	}
	text := strings.Join(shortened(parts), `\cup `)
	if onAxis && w.period != nil && !analyse.IsWholeLine(list) {
		text += `\text{, every }` + w.number(*w.period)
	}
	return text
}

// domain writes the domain; one period of what repeats.
func (w writer) domain(f *analyse.Findings) string {
	if f.DomainAgain == nil {
		return w.set(f.Domain, true)
	}
	w.period = &f.DomainAgain.Period
	again := w.set(f.DomainAgain.Intervals, true)
	if analyse.IsWholeLine(f.Domain) {
		return again
	}
	once := w.set(f.Domain, false)
	if len(f.Domain) > 1 {
		once = `\left(` + once + `\right)`
	}
	return once + `\cap ` + again
}

// reach writes the range.
func (w writer) reach(f *analyse.Findings) string {
	if f.RangeEvery == nil {
		return w.set(f.Range, false)
	}
	var numbers []string
	for _, n := range f.RangeSample() {
		numbers = append(numbers, w.number(n))
	}
	if f.RangeWay <= 0 {
		numbers = append([]string{`\ldots`}, numbers...)
	}
	if f.RangeWay >= 0 {
		numbers = append(numbers, `\ldots`)
	}
	return braced(numbers)
}

// shortened leaves out the middle of a list that is too long to be read.
func shortened(list []string) []string {
	if len(list) <= mostListed {
		return list
	}
	return append(append([]string{}, list[:3]...), `\ldots`, list[len(list)-1])
}

// braced writes single numbers, between which a line may break.
func braced(numbers []string) string {
	return `\{` + strings.Join(numbers, `,\;`+expr.MayBreak) + `\}`
}

func (w writer) interval(i analyse.Interval) string {
	left, right := "(", ")"
	if i.LoClosed {
		left = "["
	}
	if i.HiClosed {
		right = "]"
	}
	lo, hi := w.number(i.Lo), w.number(i.Hi)
	text := left + lo + `,\;` + hi + right
	// A line breaks at relations, sums and differences; within an interval it must not.
	if strings.Contains(text, `\approx`) || strings.ContainsAny(strings.TrimPrefix(lo, "-")+strings.TrimPrefix(hi, "-"), "+-") {
		return "{" + text + "}"
	}
	return text
}

func (w writer) uprights(lines []analyse.Line) string {
	var places []analyse.Number
	for _, l := range lines {
		places = append(places, l.X)
	}
	return w.equations(places)
}

func (w writer) slants(lines []analyse.Line) string {
	sides := map[int]string{-1: `\;(` + w.variable + `\to -\infty)`, 0: "", 1: `\;(` + w.variable + `\to \infty)`}
	var parts []string
	for _, l := range lines {
		parts = append(parts, "y="+w.line(l)+sides[l.Side])
	}
	return strings.ReplaceAll(expr.Together(parts), `=\approx`, `\approx`)
}

// line writes m·x + b.
func (w writer) line(l analyse.Line) string {
	if l.Slope.Value == 0 {
		return w.number(l.Lift)
	}
	slope := strings.TrimPrefix(w.number(l.Slope), `\approx `)
	switch slope {
	case "1":
		slope = ""
	case "-1":
		slope = "-"
	}
	text := slope + w.variable
	lift := strings.TrimPrefix(w.number(l.Lift), `\approx `)
	switch {
	case l.Lift.Value == 0:
	case strings.HasPrefix(lift, "-") || strings.HasPrefix(lift, number.Minus):
		text += lift
	default:
		text += "+" + lift
	}
	return text
}

// longJump is from how many letters on a line may break within a jump.
const longJump = 32

func (w writer) jumps(jumps []analyse.Jump) string {
	var parts []string
	for i, j := range jumps {
		if i == mostListed {
			break
		}
		left, right := w.variable+"="+w.repeated(j.X, w.period)+`\colon `+w.number(j.Left), `\to `+w.number(j.Right)
		if utf8.RuneCountInString(left+right) > longJump {
			left, right = "{"+left+`}\;`+expr.MayBreak, "{"+right+"}"
		}
		parts = append(parts, left+right)
	}
	return expr.Together(parts) + more(len(jumps))
}
