package sample

import "math"

// emit keeps the points that the line needs; places without a value end a line.
func (s *Sampler) emit(v View) {
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	before, start, first := len(s.points), len(s.points), len(s.lines)
	for _, p := range s.next {
		if len(s.bandsNow) > 0 && inBand(s.bandsNow, p.X, column/sx/2) {
			s.finish(&start)
			continue
		}
		if math.IsNaN(p.Y) || math.IsInf(p.Y, 0) {
			s.finish(&start)
			continue
		}
		if n := len(s.points); n > start && s.points[n-1].X == p.X {
			continue // halved down to neighbouring numbers
		}
		s.points = append(s.points, p)
	}
	s.finish(&start)
	// What was thinned out makes room for the pieces to come.
	kept := before
	for i := first; i < len(s.lines); i++ {
		n := copy(s.points[kept:], Thin(s.lines[i], sx, sy, s.off))
		s.lines[i] = s.points[kept : kept+n : kept+n]
		kept += n
	}
	s.points = s.points[:kept]
}

func (s *Sampler) finish(start *int) {
	if len(s.points)-*start > 1 {
		s.lines = append(s.lines, s.points[*start:len(s.points):len(s.points)])
	}
	*start = len(s.points)
}

// Thin drops, in place, points that the line between their kept neighbours passes within the tolerance: the cone of
// directions from the last kept point that stay near all dropped ones narrows with each (the cone form of K. Reumann
// and A. Witkam's line simplification, 1974). sx and sy are pixels in one unit, the tolerance is in pixels.
func Thin(line []Point, sx, sy, tolerance float64) []Point {
	if len(line) < 3 {
		return line
	}
	kept := 1
	anchor := line[0]
	right, left := cone(anchor, line[1], sx, sy, tolerance)
	for i := 1; i+1 < len(line); i++ {
		p, q := line[i], line[i+1]
		dx, dy := (q.X-anchor.X)*sx, (q.Y-anchor.Y)*sy
		// A line that turns back on itself, as at a thin peak, stays near the directions but not near the point.
		back := (q.X-p.X)*sx*(p.X-anchor.X)*sx+(q.Y-p.Y)*sy*(p.Y-anchor.Y)*sy < 0
		if back || right[0]*dy-right[1]*dx < 0 || left[0]*dy-left[1]*dx > 0 {
			line[kept] = p
			kept++
			anchor = p
			right, left = cone(anchor, q, sx, sy, tolerance)
			continue
		}
		r, l := cone(anchor, q, sx, sy, tolerance)
		if right[0]*r[1]-right[1]*r[0] > 0 {
			right = r
		}
		if left[0]*l[1]-left[1]*l[0] < 0 {
			left = l
		}
	}
	line[kept] = line[len(line)-1]
	return line[:kept+1]
}

// cone gives the directions from a that pass p at the tolerance's distance, clockwise and counter-clockwise, in pixels
// with y up. A point nearer than the tolerance allows a half plane.
func cone(a, p Point, sx, sy, tolerance float64) (right, left [2]float64) {
	dx, dy := (p.X-a.X)*sx, (p.Y-a.Y)*sy
	k := 1.0
	if square := dx*dx + dy*dy; square > tolerance*tolerance {
		k = tolerance / math.Sqrt(square)
	}
	return [2]float64{dx + dy*k, dy - dx*k}, [2]float64{dx - dy*k, dy + dx*k}
}
