package door

import (
	"fmt"
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/maths/transform"
	"parvix/core/stage/sample"
)

// The box of a small drawing in pixels, and the window that it shows.
const boxWidth, boxHeight = 60.0, 44.0

// gallery draws every parent function small.
func gallery() []ParentView {
	list := []ParentView{}
	for _, kind := range transform.Kinds() {
		p := transform.Parent{Kind: kind}
		switch kind {
		case transform.Exponential:
			p.Base = expr.Num(2)
		case transform.Logarithm:
			p.Base = &expr.Constant{Name: "e"}
		}
		n := p.Of(&expr.Name{Name: "x"})
		view := ParentView{Kind: string(kind), LaTeX: expr.LaTeX(n, nil)}
		if f, err := sample.Compile(n, []string{"x"}); err == nil {
			view.Path = small(f)
		}
		list = append(list, view)
	}
	return list
}

// small writes a function's lines as an SVG path, cut off at the box.
func small(f *sample.Function) string {
	v := sample.View{Left: -4.1, Right: 4.1, Bottom: -3, Top: 3, Width: boxWidth, Height: boxHeight}
	var s sample.Sampler
	var b strings.Builder
	for _, line := range s.Curve(f, []float64{0}, v).Lines {
		down := false
		for i := 1; i < len(line); i++ {
			p, q := line[i-1], line[i]
			// In steps of a pixel, so that what leaves the box is cut off at its edge.
			steps := math.Max(1, math.Ceil(math.Max(math.Abs(q.X-p.X), math.Abs(q.Y-p.Y))*boxWidth/(v.Right-v.Left)))
			for k := 0.0; k <= steps; k++ {
				x, y := p.X+(q.X-p.X)*k/steps, p.Y+(q.Y-p.Y)*k/steps
				if y < v.Bottom || y > v.Top {
					down = false
					continue
				}
				pen := "L"
				if !down {
					pen, down = "M", true
				}
				fmt.Fprintf(&b, "%s%.1f %.1f", pen, (x-v.Left)/(v.Right-v.Left)*boxWidth, (v.Top-y)/(v.Top-v.Bottom)*boxHeight)
			}
		}
	}
	return b.String()
}
