package study

import (
	"math"
	"sort"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/sample"
)

// Heard is a curve as a line of tones from left to right.
type Heard struct {
	// Heights are the curve's as shares of the window's height, 0 at its lower edge; NaN where there is nothing to hear: where the function
	// has no value, or one that lies far outside.
	Heights []float64
	Marks   []Mark
}

// Mark is a place that is marked by a tick.
type Mark struct {
	// At is its share of the window's width.
	At      float64
	Finding document.Finding
}

// heardColumns are how many tones a curve has, farOutside by how many heights of the window it may leave it and still be heard.
const heardColumns, farOutside = 160, 0.5

// Hear gives a curve over the window, with its zeros, turning points and holes.
func Hear(d *evaluate.Demonstration, f *evaluate.Function, v sample.View) (*Heard, error) {
	h := &Heard{Heights: make([]float64, heardColumns)}
	in := append([]float64{}, d.Inputs()...)
	for k := range h.Heights {
		x := v.Left + (v.Right-v.Left)*(float64(k)+0.5)/heardColumns
		height := (f.Curve.At(x, in) - v.Bottom) / (v.Top - v.Bottom)
		if !(height > -farOutside && height < 1+farOutside) {
			height = math.NaN()
		}
		h.Heights[k] = height
	}
	findings, err := Of(d, f, v.Left, v.Right)
	if err != nil {
		return nil, err
	}
	points := pointsOf(findings)
	for _, finding := range []document.Finding{document.Zeros, document.Maxima, document.Minima, document.Holes} {
		for _, p := range points[finding] {
			if at := (p.X.Value - v.Left) / (v.Right - v.Left); at >= 0 && at <= 1 {
				h.Marks = append(h.Marks, Mark{at, finding})
			}
		}
	}
	sort.Slice(h.Marks, func(i, k int) bool { return h.Marks[i].At < h.Marks[k].At })
	return h, nil
}
