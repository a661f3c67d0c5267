package study

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/view"
)

// Fit gives a panel the window that shows the interesting part of everything on it: zeros, intercepts, turning points,
// inflections, gaps, asymptotes and ends of the curves, two periods of a wave, points and traces. Equal scales are given
// up where they would leave a curve nothing but a line.
func Fit(d *evaluate.Demonstration, p *document.Panel, width, height float64) document.Panel {
	box := emptyBox()
	fit := fitting{d: d, box: &box}
	for _, s := range d.Shown {
		if live, ok := s.Live.(kind.Live); ok && d.Appears(s, p) {
			live.Box(d, s, p, &fit)
		}
	}
	if fit.whole != nil {
		out := *p
		out.Window = *fit.whole
		return out
	}
	out := *p
	if p.Kind == document.InSpace {
		out.Window = fit.inSpace(p)
		return out
	}
	if box.isEmpty() {
		out.Window = document.New("").Panels[0].Window
		return out
	}
	out.Window = held(withRoundEnds(box.roomy(), p), p)
	w, h := out.Window.Right-out.Window.Left, out.Window.Top-out.Window.Bottom
	if p.EqualScales {
		if stretch := (h / height) / (w / width); stretch > mostStretch || stretch < 1/mostStretch {
			out.EqualScales = false
		}
	}
	return out
}

// held is a window, or the panel's own instead of one that cannot be shown.
func held(w document.Window, p *document.Panel) document.Window {
	const largest = 1e12
	if !w.IsWide() || math.Max(math.Max(-w.Left, w.Right), math.Max(-w.Bottom, w.Top)) > largest {
		return p.Window
	}
	return w
}

// fitting gathers what the kinds want to be seen.
type fitting struct {
	d *evaluate.Demonstration
	*box
	whole  *document.Window
	places []view.Place
}

// Add takes in a place.
func (f *fitting) Add(x, y float64) { f.add(x, y) }

// AddY takes in a height.
func (f *fitting) AddY(y float64) { f.addY(y) }

// Curve takes in what is interesting of a function's graph.
func (f *fitting) Curve(function *evaluate.Function) { f.join(curveBox(f.d, function)) }

// Whole is the window, whatever else is shown.
func (f *fitting) Whole(w document.Window) {
	if f.whole == nil {
		f.whole = &w
	}
}

// mostStretch is how far apart the scales of x and y may lie before equal scales show nothing.
const mostStretch = 5.0

// box is a rectangle of the plane; each side may be empty on its own.
type box struct{ left, right, bottom, top float64 }

func emptyBox() box { return box{math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)} }

func (b *box) isEmpty() bool { return b.left > b.right && b.bottom > b.top }

func finite(v float64) bool { return !math.IsNaN(v) && !math.IsInf(v, 0) }

func (b *box) addX(x float64) {
	if finite(x) {
		b.left, b.right = math.Min(b.left, x), math.Max(b.right, x)
	}
}

func (b *box) addY(y float64) {
	if finite(y) {
		b.bottom, b.top = math.Min(b.bottom, y), math.Max(b.top, y)
	}
}

func (b *box) add(x, y float64) {
	if finite(x) && finite(y) {
		b.addX(x)
		b.addY(y)
	}
}

func (b *box) join(c box) {
	b.left, b.right = math.Min(b.left, c.left), math.Max(b.right, c.right)
	b.bottom, b.top = math.Min(b.bottom, c.bottom), math.Max(b.top, c.top)
}

// leastSize is the least width and height of a window.
const leastSize = 4.0

// roomy is the box with room about it, never small where it holds a single place.
func (b *box) roomy() document.Window {
	side := func(lo, hi float64) (float64, float64) {
		if lo > hi {
			lo, hi = -leastSize/2, leastSize/2
		}
		size := hi - lo
		if size < 1e-9*(1+math.Abs(lo)) {
			size = leastSize
		}
		middle := (lo + hi) / 2
		return middle - 0.65*size, middle + 0.65*size
	}
	w := document.Window{}
	w.Left, w.Right = side(b.left, b.right)
	w.Bottom, w.Top = side(b.bottom, b.top)
	return w
}

// withRoundEnds moves the ends of a window outwards to round numbers of its axes: multiples of 1, 2 or 5 with a power of ten, or of a part
// of π.
func withRoundEnds(w document.Window, p *document.Panel) document.Window {
	w.Left, w.Right = roundEnds(w.Left, w.Right, p.TicksX)
	w.Bottom, w.Top = roundEnds(w.Bottom, w.Top, p.TicksY)
	return w
}

func roundEnds(lo, hi float64, style document.TickStyle) (float64, float64) {
	const parts = 12 // how many steps of the rounding a side has, at least
	step := stepBelow((hi - lo) / parts)
	unit := 1.0
	switch style {
	case document.TicksInPi:
		unit = math.Pi / 2
		if step = stepBelow((hi - lo) / parts / unit); step < 1 {
			step = 0.5
		}
	case document.TicksInDegrees:
		unit = 15
		step = max(1, stepBelow((hi-lo)/parts/unit))
	}
	first, last := math.Floor(lo/unit/step+1e-9), math.Ceil(hi/unit/step-1e-9)
	at := func(k float64) float64 { return number.Round(k*step, 12) * unit }
	return at(first), at(last)
}

// stepBelow is the largest of 1, 2 and 5 times a power of ten that is not above a size.
func stepBelow(size float64) float64 {
	power := math.Pow(10, math.Floor(math.Log10(size)))
	for _, m := range [2]float64{5, 2} {
		if m*power <= size {
			return m * power
		}
	}
	return power
}

// bendOf is what is worth seeing of an exponential function or a logarithm: its key points, with one more where it is steep. Its
// zeros and intercepts may lie so far off that they would leave nothing of it.
func bendOf(d *evaluate.Demonstration, f *evaluate.Function) box {
	b := emptyBox()
	n, err := symbolic.Inline(f.Formula, d.Lookup)
	if err != nil || len(f.Stated.Variables) != 1 {
		return b
	}
	found, reason := transform.Recognise(n, f.Stated.Variables[0], d.IsInDegrees())
	kind := found.Written.Parent.Kind
	if reason != "" || kind != transform.Exponential && kind != transform.Logarithm {
		return b
	}
	in := append([]float64{}, d.Inputs()...)
	value := func(n expr.Node) float64 {
		at, err := program.CompilePoint(n, d.InputNames(f.Stated.Variables[0]))
		if err != nil {
			return math.NaN()
		}
		return at(in)
	}
	form := found.Written
	a, stretch, h, k := value(form.A), value(form.B), value(form.H), value(form.K)
	base := value(form.Parent.Base)
	keys := [][2]float64{{-1, 1 / base}, {0, 1}, {1, base}}
	const steep = 4
	if base < steep {
		keys = append(keys, [2]float64{-2, 1 / base / base}, [2]float64{2, base * base})
	}
	for _, key := range keys {
		x, y := key[0], key[1]
		if kind == transform.Logarithm {
			x, y = y, x
		}
		b.add(x/stretch+h, a*y+k)
	}
	return b
}

// near is how far beside a bend features are taken in, as a multiple of its width.
const near = 3.0

// reach is where features count: everywhere, or near a bend.
func (b *box) reach() (r box) {
	if b.left > b.right {
		return box{math.Inf(-1), math.Inf(1), math.Inf(-1), math.Inf(1)}
	}
	width, height := math.Max(b.right-b.left, 1), math.Max(b.top-b.bottom, 1)
	return box{b.left - near*width, b.right + near*width, b.bottom - near*height, b.top + near*height}
}

func (r box) addTo(b *box, x, y float64) {
	if x >= r.left && x <= r.right && y >= r.bottom && y <= r.top {
		b.add(x, y)
	}
}

func (r box) addXTo(b *box, x float64) {
	if x >= r.left && x <= r.right {
		b.addX(x)
	}
}

// curveBox is what is interesting of one curve.
func curveBox(d *evaluate.Demonstration, f *evaluate.Function) box {
	b := emptyBox()
	findings, err := Of(d, f, 0, 0)
	if err != nil {
		b.fallBack(d, f)
		return b
	}
	bend := bendOf(d, f)
	b.join(bend)
	reach := bend.reach()
	for _, points := range pointsOf(findings) {
		for _, p := range points {
			reach.addTo(&b, p.X.Value, p.Y.Value)
		}
	}
	for _, j := range findings.Jumps {
		reach.addTo(&b, j.X.Value, j.Left.Value)
		reach.addTo(&b, j.X.Value, j.Right.Value)
	}
	if findings.Period != nil {
		b.wave(findings)
		b.followCurve(d, f)
		return b
	}
	for _, i := range findings.Domain {
		reach.addXTo(&b, i.Lo.Value)
		reach.addXTo(&b, i.Hi.Value)
	}
	for _, l := range findings.Vertical {
		reach.addXTo(&b, l.X.Value)
	}
	for _, l := range findings.Horizontal {
		b.addY(l.Lift.Value)
	}
	if b.right-b.left < leastSize || b.left > b.right {
		b.widen()
	}
	b.besideExtrema(findings)
	b.followCurve(d, f)
	return b
}

// besideExtrema leaves room on both sides of a turning point, so that it is seen to be one.
func (b *box) besideExtrema(findings *analyse.Findings) {
	room := (b.right - b.left) * 0.4
	for _, points := range [][]analyse.Point{findings.Maxima, findings.Minima} {
		for _, p := range points {
			if x := p.X.Value; x >= b.left && x <= b.right {
				b.addX(math.Max(x-room, b.left-room))
				b.addX(math.Min(x+room, b.right+room))
			}
		}
	}
}

// wave shows two periods from −P to P, with the values that are taken.
func (b *box) wave(f *analyse.Findings) {
	b.left, b.right = -f.Period.Value, f.Period.Value
	for _, i := range f.Range {
		b.addY(i.Lo.Value)
		b.addY(i.Hi.Value)
	}
}

// widen gives a curve whose features lie close together, or that has none, some of its course beside them.
func (b *box) widen() {
	if b.left > b.right {
		b.left, b.right = -leastSize, leastSize
		return
	}
	middle, half := (b.left+b.right)/2, math.Max(b.right-b.left, leastSize*0.75)
	b.left, b.right = middle-half, middle+half
}

// followCurve makes sure that the height shows the curve between the sides: the middle three quarters of its values
// where it has no features that give the height, or only level ones.
func (b *box) followCurve(d *evaluate.Demonstration, f *evaluate.Function) {
	var values []float64
	in := append([]float64{}, d.Inputs()...)
	const steps = 200
	for k := range steps + 1 {
		x := b.left + (b.right-b.left)*(0.5+float64(k))/(steps+1)
		if y := f.Curve.At(x, in); finite(y) {
			values = append(values, y)
		}
	}
	if len(values) == 0 {
		return
	}
	slices.Sort(values)
	low, high := values[len(values)/8], values[len(values)*7/8]
	if b.bottom > b.top || b.top-b.bottom < 1e-9*(1+math.Abs(b.top)) {
		b.addY(low)
		b.addY(high)
		return
	}
	// Features give the height; of the rest as much as they are high.
	size := math.Max(b.top-b.bottom, math.Min(leastSize, high-low))
	b.addY(math.Max(low, b.bottom-size*0.6))
	b.addY(math.Min(high, b.top+size*0.6))
}

func (b *box) fallBack(d *evaluate.Demonstration, f *evaluate.Function) {
	b.left, b.right = -2*leastSize, 2*leastSize
	b.followCurve(d, f)
}
