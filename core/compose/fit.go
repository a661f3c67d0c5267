package compose

import (
	"math"

	"parvix/core/document"
	"parvix/core/evaluate"
	"parvix/core/sample"
)

// Fit finds a window that shows the interesting part: points, traces, and of every curve the middle of its values with
// zeros and turning points seen over a wide first window.
func Fit(d *evaluate.Demonstration, p *document.Panel, width, height float64) document.Window {
	box := bounds{math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)}
	var sampler sample.Sampler
	for _, s := range d.Shown {
		if s.Entry.Hidden || !s.Ready() {
			continue
		}
		switch s.Entry.Kind {
		case document.Point:
			box.add(s.X, s.Y)
		case document.Trace:
			kept, recorded := d.Trace(s)
			for _, list := range [2][]float64{kept, recorded} {
				for i := 0; i+1 < len(list); i += 2 {
					box.add(list[i], list[i+1])
				}
			}
		case document.Curve:
			wide := sample.View{Left: -12, Right: 12, Bottom: -12, Top: 12, Width: 600, Height: 600}
			for _, line := range sampler.Curve(s.Curve.Curve, d.Inputs(), wide).Lines {
				box.features(line)
			}
		}
	}
	if box.left > box.right {
		return document.New("").Panels[0].Window
	}
	// Room about it, never narrower than four units, the axes near by.
	w, h := math.Max(box.right-box.left, 4), math.Max(box.top-box.bottom, 4)
	x, y := (box.left+box.right)/2, (box.bottom+box.top)/2
	if p.EqualScales && h/height > w/width {
		w = h * width / height
	}
	return document.Window{Left: x - 0.65*w, Right: x + 0.65*w, Bottom: y - 0.65*h, Top: y + 0.65*h}
}

type bounds struct{ left, right, bottom, top float64 }

func (b *bounds) add(x, y float64) {
	if math.IsNaN(x) || math.IsNaN(y) || math.IsInf(x, 0) || math.IsInf(y, 0) {
		return
	}
	b.left, b.right = math.Min(b.left, x), math.Max(b.right, x)
	b.bottom, b.top = math.Min(b.bottom, y), math.Max(b.top, y)
}

// features adds zeros, turning points and the crossing of the y-axis of a sampled line.
func (b *bounds) features(line []sample.Point) {
	for i, p := range line {
		if i == 0 {
			continue
		}
		q := line[i-1]
		if (p.Y > 0) != (q.Y > 0) {
			b.add(p.X, 0)
		}
		if (p.X > 0) != (q.X > 0) && math.Abs(p.Y) < 50 {
			b.add(0, p.Y)
		}
		if i+1 < len(line) && (p.Y-q.Y)*(line[i+1].Y-p.Y) < 0 && math.Abs(p.Y) < 50 {
			b.add(p.X, p.Y)
		}
	}
}
