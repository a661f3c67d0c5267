package study

import (
	"math"
	"slices"

	"parvix/core/maths/analyse"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
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
	if box.isEmpty() {
		out.Window = document.New("").Panels[0].Window
		return out
	}
	out.Window = box.roomy()
	w, h := out.Window.Right-out.Window.Left, out.Window.Top-out.Window.Bottom
	if p.EqualScales {
		if stretch := (h / height) / (w / width); stretch > mostStretch || stretch < 1/mostStretch {
			out.EqualScales = false
		}
	}
	return out
}

// fitting gathers what the kinds want to be seen.
type fitting struct {
	d *evaluate.Demonstration
	*box
	whole *document.Window
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

// curveBox is what is interesting of one curve.
func curveBox(d *evaluate.Demonstration, f *evaluate.Function) box {
	b := emptyBox()
	findings, err := Of(d, f, 0, 0)
	if err != nil {
		b.fallBack(d, f)
		return b
	}
	for _, points := range pointsOf(findings) {
		for _, p := range points {
			b.add(p.X.Value, p.Y.Value)
		}
	}
	for _, j := range findings.Jumps {
		b.add(j.X.Value, j.Left.Value)
		b.add(j.X.Value, j.Right.Value)
	}
	if findings.Period != nil {
		b.wave(findings)
		b.followCurve(d, f)
		return b
	}
	for _, i := range findings.Domain {
		b.addX(i.Lo.Value)
		b.addX(i.Hi.Value)
	}
	for _, l := range findings.Vertical {
		b.addX(l.X.Value)
	}
	for _, l := range findings.Horizontal {
		b.addY(l.Lift.Value)
	}
	if b.right-b.left < leastSize || b.left > b.right {
		b.widen()
	}
	b.followCurve(d, f)
	return b
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
