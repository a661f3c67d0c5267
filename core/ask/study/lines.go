package study

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/trajectory"
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
	l := lister{d: d, findings: findings, written: map[document.Finding]Line{}, counts: map[document.Finding]int{
		document.VerticalAsymptotes: len(findings.Vertical), document.LevelAsymptotes: len(findings.Horizontal),
		document.SlantedAsymptotes: len(findings.Slanted), document.Jumps: len(findings.Jumps)}}
	if findings.DomainKnown {
		l.put(document.Domain, w.domain(findings), analyse.Read)
	}
	if findings.RangeKnown {
		l.put(document.Range, w.reach(findings), analyse.Signs)
	}
	l.putPoints(w)
	for finding, list := range map[document.Finding][]analyse.Interval{document.Increasing: findings.Rising, document.Decreasing: findings.Falling,
		document.ConcaveUp: findings.ConcaveUp, document.ConcaveDown: findings.ConcaveDown} {
		if len(list) > 0 {
			l.put(finding, w.set(list, true), analyse.Signs)
		}
	}
	l.put(document.VerticalAsymptotes, w.uprights(findings.Vertical), analyse.Limit)
	l.put(document.LevelAsymptotes, w.slants(findings.Horizontal), analyse.Limit)
	l.put(document.SlantedAsymptotes, w.slants(findings.Slanted), analyse.Limit)
	l.put(document.Jumps, w.jumps(findings.Jumps), analyse.Limit)
	if findings.Period != nil {
		l.put(document.Period, w.both(*findings.Period), findings.PeriodHow)
	}
	if findings.Amplitude != nil {
		l.put(document.Amplitude, w.both(*findings.Amplitude), analyse.Signs)
		l.put(document.CentreLine, "y="+w.both(*findings.CentreLine), analyse.Signs)
	}
	isPolar := IsPolar(d, f)
	switch {
	case isPolar:
		l.asRadius(w, f.Stated.Name, findings)
	case findings.Symmetry == "even":
		l.put(document.Symmetry, `\text{even: mirrored in the }y\text{-axis}`, findings.SymmetryHow)
	case findings.Symmetry == "odd":
		l.put(document.Symmetry, `\text{odd: turned about the origin}`, findings.SymmetryHow)
	}
	var lines []Line
	for _, finding := range document.Findings() {
		if line, ok := l.written[finding]; ok {
			lines = append(lines, line)
		}
	}
	return lines
}

// IsPolar tells whether a function is shown as a polar curve alone: nobody sees it as a graph over an axis.
func IsPolar(d *evaluate.Demonstration, f *evaluate.Function) (is bool) {
	for _, s := range d.Shown {
		if s.Entry.Field("function") != f.Stated.Name {
			continue
		}
		switch s.Entry.Body.(type) {
		case *trajectory.Body:
			is = true
		case *curve.Body:
			return false
		}
	}
	return is
}

// asRadius tells what is found of the radius of a polar curve without the words of a graph in x and y.
func (l *lister) asRadius(w writer, name string, findings *analyse.Findings) {
	name = expr.LaTeXName(name)
	if line, ok := l.written[document.YIntercept]; ok {
		line.Name = "value at 0"
		l.written[document.YIntercept] = line
	}
	if findings.CentreLine != nil {
		l.put(document.CentreLine, name+"="+w.both(*findings.CentreLine), analyse.Signs)
		line := l.written[document.CentreLine]
		line.Name = "middle value"
		l.written[document.CentreLine] = line
	}
	sign := map[string]string{"even": "", "odd": "-"}
	if s, ok := sign[findings.Symmetry]; ok {
		l.put(document.Symmetry, `\text{`+findings.Symmetry+`: }`+name+`\left(-`+w.variable+`\right)=`+s+name+`\left(`+w.variable+`\right)`, findings.SymmetryHow)
	}
}

// lister gathers the lines of findings.
type lister struct {
	d        *evaluate.Demonstration
	findings *analyse.Findings
	counts   map[document.Finding]int
	written  map[document.Finding]Line
}

// put notes a line; one that says nothing is left out.
func (l *lister) put(finding document.Finding, latex string, how analyse.How) {
	if latex == "" {
		return
	}
	count := l.counts[finding]
	if l.findings.Period != nil {
		count = 0
	}
	l.written[finding] = Line{finding, found.NameOfMany(finding, count), l.d.Typeset(latex), string(how)}
}

// putPoints notes the findings that are points, and the stretches on which a function is zero.
func (l *lister) putPoints(w writer) {
	f := l.findings
	for finding, points := range pointsOf(f) {
		l.counts[finding] = len(points)
		l.put(finding, w.points(finding, points), howOf(points))
	}
	if len(f.ZeroOn) > 0 {
		parts := []string{w.set(f.ZeroOn, true)}
		if len(f.Zeros) > 0 {
			parts = append(parts, w.points(document.Zeros, f.Zeros))
		}
		l.put(document.Zeros, expr.Together(parts), analyse.Signs)
	}
	if len(f.Zeros) == 0 && len(f.ZeroOn) == 0 && f.DomainKnown && len(f.Domain) > 0 && !undecided(f, "zeros") {
		l.put(document.Zeros, `\text{none}`, analyse.Signs)
	}
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
