package region

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
	"parvix/core/numeric/quadrature"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Between is what lies between two curves, or a curve and the axis, over an interval.
type Between struct {
	Upper *evaluate.Function
	// Lower is nil for the axis.
	Lower *evaluate.Function
	// From and To are the ends in play, in the order in which they are typed.
	From, To float64

	body *Body
	ends [2]end
	// difference is Upper − Lower; meet finds where both meet, gaps where it has gaps.
	difference program.Point
	each       float64 // what a value of it takes, in operations
	meet       *breaks.Roots
	gaps       *breaks.Finder
	on         []int   // what the curves hang on
	moved      [2]bool // that a hand has moved an end that is a number
	measured   measured
}

// end is an end of the interval: a formula, a dial that a hand moves, or a number that it moves.
type end struct {
	at   *evaluate.Expression
	dial int
	free bool
}

// measured is an area at a stamp and ends.
type measured struct {
	stamp    uint64
	from, to float64
	done     bool
	area     float64
}

func loadBetween(d evaluate.Loading, b *Body, id string) *Between {
	l := &Between{body: b, Upper: d.Graph(b.Function, id)}
	if b.Other != "" {
		l.Lower = d.Graph(b.Other, id)
	}
	for i, text := range []string{b.From, b.To} {
		l.ends[i] = loadEnd(d, text, id, []string{"from", "to"}[i])
	}
	if l.Upper == nil || b.Other != "" && l.Lower == nil || l.ends[0].at == nil || l.ends[1].at == nil {
		return nil
	}
	variable := l.Upper.Stated.Variables[0]
	n := l.Upper.Inlined
	l.on = append(l.on, l.Upper.Hangs()...)
	if l.Lower != nil {
		same := map[string]expr.Node{l.Lower.Stated.Variables[0]: &expr.Name{Name: variable}}
		n = expr.Minus(n, symbolic.Substitute(l.Lower.Inlined, same))
		l.on = append(l.on, l.Lower.Hangs()...)
	}
	inputs := d.InputNames(variable)
	var err error
	if l.difference, err = program.CompilePoint(n, inputs); err != nil {
		d.Report(err, id, "function")
		return nil
	}
	l.each = program.Work(n, inputs)(make([]float64, len(inputs)))
	d.CountCompile()
	l.meet, l.gaps = breaks.NewRoots(n, inputs), breaks.New(n, inputs)
	return l
}

func loadEnd(d evaluate.Loading, text, id, field string) end {
	e := end{at: d.Expression(text, id, field), dial: -1}
	if e.at == nil {
		return e
	}
	if name, is := e.at.Formula.(*expr.Name); is {
		e.dial = d.Find(name.Name)
	}
	_, e.free = symbolic.Fraction(e.at.Formula)
	return e
}

// Hangs lists the parameters of the curves and of the ends.
func (l *Between) Hangs() []int {
	return append(append(append([]int{}, l.on...), l.ends[0].at.Hangs()...), l.ends[1].at.Hangs()...)
}

// Update works the ends out; one that a hand has left stays where it is until it settles.
func (l *Between) Update(d evaluate.Moment) {
	for i := range l.ends {
		if !l.moved[i] {
			*l.place(i) = l.ends[i].at.At(d.Inputs())
		}
	}
}

// exists tells whether there are ends; where one lies on the other the region is empty, and a hand can go on past it.
func (l *Between) exists() bool {
	return !math.IsNaN(l.From+l.To) && !math.IsInf(l.From, 0) && !math.IsInf(l.To, 0)
}

// Area is ∫(f − g), or ∫|f − g| where it is not signed; ∞ where it grows without bound, NaN where a curve has no value over a
// stretch of the interval or it takes too much work. Backwards, a signed one counts the other way (the definite integral, DLMF 1.4.15).
func (l *Between) Area(d evaluate.Moment) float64 {
	if !l.exists() {
		return math.NaN()
	}
	now := measured{stamp: d.StampOf(l.on, -1), from: l.From, to: l.To, done: true}
	if m := l.measured; m.done && m.stamp == now.stamp && m.from == now.from && m.to == now.to {
		return m.area
	}
	now.area = l.work(append([]float64{}, d.Inputs()...))
	l.measured = now
	return now.area
}

// searchWork bounds the search for the places where both curves meet, in operations of interval arithmetic.
const searchWork = 1e6

func (l *Between) work(in []float64) float64 {
	low, high := math.Min(l.From, l.To), math.Max(l.From, l.To)
	left := areaWork
	f := func(x float64) float64 {
		if left -= placeWork * l.each; left < 0 {
			return 0 // the work is spent, and the area is given up
		}
		in[0] = x
		return l.difference(in)
	}
	places := []float64{low}
	meet, _ := l.meet.Find(searchWork, low, high, in)
	places = merged(places, append(meet, breaks.Gaps([]*breaks.Finder{l.gaps}, low, high, in)...), high)
	sum := 0.0
	for i := 1; i < len(places); i++ {
		middle := f((places[i-1] + places[i]) / 2)
		part := quadrature.Piece(f, places[i-1], places[i]).Value
		if middle != middle || left < 0 {
			return math.NaN()
		}
		// One that grows without bound does so to its own side; on both sides at once a signed one has no value.
		if math.IsInf(part, 0) {
			part = math.Copysign(part, middle)
		}
		if !l.body.Signed {
			part = math.Abs(part)
		}
		sum += part
	}
	if l.body.Signed && l.From > l.To {
		sum = -sum
	}
	return sum
}

// merged puts places between the first and a last one in order, those too close together as one.
func merged(list, inner []float64, last float64) []float64 {
	first := list[0]
	apart := 1e-12 * math.Max(1, last-first)
	for _, x := range sorted(append(inner, last)) {
		if x-list[len(list)-1] > apart && x <= last {
			list = append(list, x)
		}
	}
	return list
}

// Measure is the area.
func (l *Between) Measure(d evaluate.Moment) string { return areaLaTeX(d, l.Area(d)) }

// sight is what is seen of a region between curves: the heights of both at its ends, where its label belongs, and its area.
type sight struct {
	ends  [2][2]float64
	label [2]float64
	area  string
}

// See works out the heights, the area, and where the region is widest between the window's sides.
func (l *Between) See(m evaluate.Moment, v view.View, _ any) any {
	if !l.exists() {
		return nil
	}
	seen := &sight{area: l.Measure(m)}
	for i, x := range []float64{l.From, l.To} {
		seen.ends[i] = [2]float64{l.valueAt(m, l.Upper, x), l.valueAt(m, l.Lower, x)}
	}
	x := l.widest(m, math.Max(math.Min(l.From, l.To), v.Left), math.Min(math.Max(l.From, l.To), v.Right))
	seen.label = [2]float64{x, l.heightAt(m, x)}
	return seen
}

// Compose shades the region and draws its ends, each a handle where a hand can take it.
func (l *Between) Compose(on *compose.On) []compose.Anchor {
	if !l.exists() {
		return nil
	}
	low, high := math.Min(l.From, l.To), math.Max(l.From, l.To)
	upper := l.lines(on, "upper", l.Upper, low, high)
	lower := [][]sample.Point{{{X: low}, {X: high}}}
	if l.Lower != nil {
		lower = l.lines(on, "lower", l.Lower, low, high)
	}
	var polygons [][][2]float64
	for _, a := range upper {
		for _, b := range lower {
			polygons = append(polygons, between(on, a, b))
		}
	}
	on.Fill(compose.ColourOf(on.Entry), polygons)
	l.composeEnds(on)
	seen := on.Seen.(*sight)
	return label(on, seen.label[0], seen.label[1], seen.area)
}

// lines are a curve's over the interval, sampled again only when the curve or the view has changed.
func (l *Between) lines(on *compose.On, key string, f *evaluate.Function, low, high float64) (list [][]sample.Point) {
	id := on.Entry.ID
	drawn := on.Sampled(id+"."+key, id, compose.Source{Function: f.Curve, Stamp: on.Now.Stamp(f)}, on.Now.Inputs())
	for _, line := range drawn.Lines {
		if part := compose.Within(line, low, high); len(part) > 1 {
			list = append(list, part)
		}
	}
	return list
}

// between is the polygon between two lines that run from left to right, over the stretch that both have.
func between(on *compose.On, upper, lower []sample.Point) (polygon [][2]float64) {
	low := math.Max(upper[0].X, lower[0].X)
	high := math.Min(upper[len(upper)-1].X, lower[len(lower)-1].X)
	if !(low < high) {
		return nil
	}
	for _, p := range compose.Within(upper, low, high) {
		polygon = append(polygon, on.At(p.X, p.Y))
	}
	back := compose.Within(lower, low, high)
	for i := len(back) - 1; i >= 0; i-- {
		polygon = append(polygon, on.At(back[i].X, back[i].Y))
	}
	return polygon
}

// composeEnds draws both ends from curve to curve, with a grip where a hand can take them.
func (l *Between) composeEnds(on *compose.On) {
	for i, x := range []float64{l.From, l.To} {
		heights := on.Seen.(*sight).ends[i]
		a, b := heights[0], heights[1]
		if !math.IsNaN(a + b) {
			on.Segment(border(on, false), on.At(x, a), on.At(x, b))
		}
		if l.ends[i].dial < 0 && !l.ends[i].free || !on.View.Sees(x, 0) {
			continue
		}
		at := on.At(x, 0)
		on.Pen.Handle(on.Index+evaluate.GripStride*(i+1), at[0], at[1])
		on.Mark(compose.ColourOf(on.Entry), picture.Grip, x, 0, compose.PointRadius-1)
	}
}

func (l *Between) valueAt(d evaluate.Moment, f *evaluate.Function, x float64) float64 {
	if f == nil {
		return 0
	}
	return f.Curve.At(x, append([]float64{}, d.Inputs()...))
}

// looks is at how many places a region is looked at for where it is widest.
const looks = 24

// widest is where the region is highest between two places, for its label.
func (l *Between) widest(d evaluate.Moment, low, high float64) float64 {
	in := append([]float64{}, d.Inputs()...)
	best, most := (low+high)/2, -1.0
	for k := range looks {
		in[0] = low + (high-low)*(float64(k)+0.5)/looks
		if v := math.Abs(l.difference(in)); v > most && !math.IsInf(v, 0) {
			best, most = in[0], v
		}
	}
	return best
}

func (l *Between) heightAt(d evaluate.Moment, x float64) float64 {
	return (l.valueAt(d, l.Upper, x) + l.valueAt(d, l.Lower, x)) / 2
}

// Describe says between what the region lies, and its area.
func (l *Between) Describe(d evaluate.Moment, _ *document.Entry) []string {
	other := "the axis"
	if l.Lower != nil {
		other = l.Lower.Stated.Name
	}
	if !l.exists() {
		return []string{fmt.Sprintf("The region between %s and %s has no interval.", l.Upper.Stated.Name, other)}
	}
	return []string{fmt.Sprintf("The region between %s and %s from %s to %s%s.", l.Upper.Stated.Name, other, number.Format(l.From, 3), number.Format(l.To, 3), spoken(l.Area(d)))}
}

// Box is the region: its ends, and the heights of both curves over the interval.
func (l *Between) Box(d evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if !l.exists() {
		return
	}
	for k := range looks + 1 {
		x := l.From + (l.To-l.From)*float64(k)/looks
		for _, f := range []*evaluate.Function{l.Upper, l.Lower} {
			if y := l.valueAt(d, f, x); math.Abs(y) < 1e4 {
				box.Add(x, y)
			}
		}
	}
}

// Drag moves an end: a dial to its steps, a number on the grain, in play only until it settles.
func (l *Between) Drag(d evaluate.Play, h evaluate.Hand) {
	if h.Grip < 0 || h.Grip > 1 {
		return
	}
	switch e := l.ends[h.Grip]; {
	case e.dial >= 0:
		d.Set(e.dial, d.Dial(e.dial).OnStep(h.X))
	case e.free:
		*l.place(h.Grip), l.moved[h.Grip] = evaluate.OnGrain(h.X, h.Grain), true
	}
}

// Nudge moves an end by steps.
func (l *Between) Nudge(d evaluate.Play, h evaluate.Hand) {
	if h.Grip < 0 || h.Grip > 1 {
		return
	}
	if e := l.ends[h.Grip]; e.dial >= 0 {
		d.Set(e.dial, d.Dial(e.dial).Stepped(h.DX))
		return
	}
	h.X = *l.place(h.Grip) + h.DX*h.Grain
	l.Drag(d, h)
}

// place is where an end is in play.
func (l *Between) place(grip int) *float64 {
	if grip == 0 {
		return &l.From
	}
	return &l.To
}

// Settle writes where a hand has left an end that is a number.
func (l *Between) Settle(d evaluate.Moment, e *document.Entry) {
	b := e.Body.(*Body)
	for i, text := range []*string{&b.From, &b.To} {
		if l.moved[i] {
			*text = d.Numeral(number.Format(*l.place(i), 9))
		}
	}
}
