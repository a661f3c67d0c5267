// Package solid puts what lies in space into the order in which it is drawn: from the back to the front, as flat records.
//
// Space is cut into columns that stand on a lattice of lines x = constant and y = constant, on which every surface z = f(x, y) has
// its cells. Seen along parallel lines, or from an eye, columns that are nearer never lie behind others, so that their order is
// exact (a painter's order from a grid; Anderson, ACM Transactions on Mathematical Software 8, 1982). Lines and points are drawn
// last, as far as no surface stands between them and the eye.
package solid

import (
	"math"
	"slices"
)

// Lattice are the lines on which columns stand, in rising order.
type Lattice struct{ X, Y []float64 }

// Lines are the lines of one axis of a lattice: those of a mesh, each part between two of them cut into so many cells, and further
// ones. isMesh tells which of them belong to the mesh.
func Lines(from, to float64, mesh []float64, cells int, further ...float64) (lines []float64, isMesh []bool) {
	slack := (to - from) * 1e-9
	ends := []float64{from}
	for _, m := range mesh {
		if m > from+slack && m < to-slack {
			ends = append(ends, m)
		}
	}
	ends = append(ends, to)
	parts := max(1, int(math.Round(float64(cells)/float64(len(ends)-1))))
	for i := 1; i < len(ends); i++ {
		for k := range parts {
			lines = append(lines, ends[i-1]+(ends[i]-ends[i-1])*float64(k)/float64(parts))
		}
	}
	lines = append(lines, to)
	for _, at := range further {
		if at > from && at < to {
			lines = append(lines, at)
		}
	}
	slices.Sort(lines)
	lines = slices.CompactFunc(lines, func(a, b float64) bool { return math.Abs(b-a) <= slack })
	// What has to be met exactly stands in the place of a line that all but meets it.
	for _, at := range further {
		if i, _ := slices.BinarySearch(lines, at-slack); i < len(lines) && math.Abs(lines[i]-at) <= slack {
			lines[i] = at
		}
	}
	isMesh = make([]bool, len(lines))
	for i, at := range lines {
		isMesh[i] = slices.ContainsFunc(mesh, func(m float64) bool { return math.Abs(m-at) <= slack })
	}
	return lines, isMesh
}

// count is the number of cells.
func (l *Lattice) count() int { return (len(l.X) - 1) * (len(l.Y) - 1) }

// cell is the place of a cell among all.
func (l *Lattice) cell(i, j int) int { return i*(len(l.Y)-1) + j }

// find is the place of the cell between lines that holds a value, −1 outside.
func find(lines []float64, at float64) int {
	n := len(lines) - 1
	if !(at >= lines[0] && at <= lines[n]) {
		return -1
	}
	i, exact := slices.BinarySearch(lines, at)
	if !exact {
		i--
	}
	return min(i, n-1)
}
