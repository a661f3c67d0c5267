// Package study finds out about the functions of a demonstration: findings at the values in play as lines to be read,
// the window that shows them, advice about a window that shows nothing, and readings at a place of a curve.
//
// It stands beside evaluate: a demonstration goes in, words and places come out. It may take longer than a frame and is
// asked outside of them.
package study

import (
	"math"

	"parvix/core/maths/analyse"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
)

// Of examines a function at the values in play. left and right bound lists that never end; both 0 for the usual ones.
func Of(d *evaluate.Demonstration, f *evaluate.Function, left, right float64) (*analyse.Findings, error) {
	return analyse.Function(d.WithNumbers(f), f.Stated.Variables[0], analyse.Bounds{Left: left, Right: right})
}

// Found gives what the stage and the texts need of findings.
func Found(d *evaluate.Demonstration, f *evaluate.Function, findings *analyse.Findings) *found.Found {
	out := &found.Found{Function: f.Stated.Name, Values: d.ValuesOf(f), Formula: f.Meaning,
		Points: map[document.Finding][]found.Point{}, Guides: map[document.Finding][]found.Guide{},
		Told: map[document.Finding]string{}}
	if findings.Period != nil {
		out.Period = findings.Period.Value
	}
	for finding, points := range pointsOf(findings) {
		for _, p := range points {
			out.Points[finding] = append(out.Points[finding], found.Point{X: p.X.Value, Y: p.Y.Value, Open: finding == document.Holes})
		}
	}
	for _, j := range findings.Jumps {
		for _, y := range []analyse.Number{j.Left, j.Right} {
			isOpen := math.Abs(y.Value-j.Value.Value) > 1e-9 || j.Value.Value != j.Value.Value
			out.Points[document.Jumps] = append(out.Points[document.Jumps], found.Point{X: j.X.Value, Y: y.Value, Open: isOpen})
		}
	}
	for _, l := range findings.Vertical {
		out.Guides[document.VerticalAsymptotes] = append(out.Guides[document.VerticalAsymptotes], found.Guide{Upright: true, At: l.X.Value})
	}
	for finding, lines := range map[document.Finding][]analyse.Line{document.LevelAsymptotes: findings.Horizontal, document.SlantedAsymptotes: findings.Slanted} {
		for _, l := range lines {
			out.Guides[finding] = append(out.Guides[finding], found.Guide{Slope: l.Slope.Value, At: l.Lift.Value})
		}
	}
	if c := findings.CentreLine; c != nil {
		out.Guides[document.CentreLine] = []found.Guide{{At: c.Value}}
	}
	for _, line := range Lines(d, f, findings) {
		out.Told[line.Finding] = line.LaTeX
	}
	return out
}

// pointsOf are the findings that are points.
func pointsOf(f *analyse.Findings) map[document.Finding][]analyse.Point {
	points := map[document.Finding][]analyse.Point{document.Zeros: f.Zeros, document.Maxima: f.Maxima, document.Minima: f.Minima,
		document.Inflections: f.Inflections, document.Holes: f.Holes}
	if f.YIntercept != nil {
		points[document.YIntercept] = []analyse.Point{*f.YIntercept}
	}
	return points
}
