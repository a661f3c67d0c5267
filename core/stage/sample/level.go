package sample

import (
	"math"

	"parvix/core/numeric/bisect"
)

// Grid is a function of two variables at the crossings of lines, for its level curves.
type Grid struct {
	X, Y []float64
	// Heights are the values, x by x; NaN where there are none.
	Heights []float64
	At      func(x, y float64) float64
}

func (g *Grid) height(i, j int) float64 { return g.Heights[i*len(g.Y)+j] }

// Range is that of the finite heights.
func (g *Grid) Range() (low, high float64) {
	low, high = math.Inf(1), math.Inf(-1)
	for _, z := range g.Heights {
		if !math.IsNaN(z) && !math.IsInf(z, 0) {
			low, high = math.Min(low, z), math.Max(high, z)
		}
	}
	return low, high
}

// edgeOf names an edge of the grid: from the crossing (i, j), along y where isUp, else along x.
type edgeOf struct {
	i, j int
	isUp bool
}

// Level is the level curve at a height: through each cell from edge to edge (marching squares; Lorensen and Cline's method in the plane,
// Computer Graphics 21, 1987), its places on the edges found by halving.
func (g *Grid) Level(height float64) [][]Point {
	next := map[edgeOf][]edgeOf{}
	join := func(a, b edgeOf) { next[a], next[b] = append(next[a], b), append(next[b], a) }
	for i := range len(g.X) - 1 {
		for j := range len(g.Y) - 1 {
			g.cell(i, j, height, join)
		}
	}
	return g.follow(next, height)
}

// cell joins the edges of a cell that the level curve goes through.
func (g *Grid) cell(i, j int, height float64, join func(a, b edgeOf)) {
	corners := [4]float64{g.height(i, j), g.height(i+1, j), g.height(i+1, j+1), g.height(i, j+1)}
	above, count := [4]bool{}, 0
	for k, z := range corners {
		if math.IsNaN(z) || math.IsInf(z, 0) {
			return
		}
		if above[k] = z >= height; above[k] {
			count++
		}
	}
	if count == 0 || count == 4 {
		return
	}
	edges := [4]edgeOf{{i, j, false}, {i + 1, j, true}, {i, j + 1, false}, {i, j, true}}
	var crossed []int
	for k := range 4 {
		if above[k] != above[(k+1)%4] {
			crossed = append(crossed, k)
		}
	}
	if len(crossed) == 2 {
		join(edges[crossed[0]], edges[crossed[1]])
		return
	}
	// A saddle: the value in the middle tells which corners belong together.
	middle := g.At((g.X[i]+g.X[i+1])/2, (g.Y[j]+g.Y[j+1])/2)
	if middle >= height == above[0] {
		join(edges[0], edges[1])
		join(edges[2], edges[3])
		return
	}
	join(edges[3], edges[0])
	join(edges[1], edges[2])
}

// follow joins edges to lines: first those that begin at an open end, then rings.
func (g *Grid) follow(next map[edgeOf][]edgeOf, height float64) (lines [][]Point) {
	places := map[edgeOf]Point{}
	place := func(e edgeOf) Point {
		p, known := places[e]
		if !known {
			p = g.crossing(e, height)
			places[e] = p
		}
		return p
	}
	done := map[edgeOf]bool{}
	run := func(from edgeOf) {
		line := []Point{place(from)}
		done[from] = true
		for at := from; ; {
			isOn := false
			for _, to := range next[at] {
				if !done[to] {
					done[to], at, isOn = true, to, true
					line = append(line, place(to))
					break
				}
			}
			if !isOn {
				for _, to := range next[at] {
					if to == from && len(line) > 2 {
						line = append(line, line[0])
					}
				}
				break
			}
		}
		if len(line) > 1 {
			lines = append(lines, line)
		}
	}
	for _, isOpen := range [2]bool{true, false} {
		// In the order of the grid, so that the lines are always the same.
		for i := range g.X {
			for j := range g.Y {
				for _, e := range [2]edgeOf{{i, j, false}, {i, j, true}} {
					if n := len(next[e]); n > 0 && !done[e] && (n == 1) == isOpen {
						run(e)
					}
				}
			}
		}
	}
	return lines
}

// crossing is where an edge of the grid is crossed.
func (g *Grid) crossing(e edgeOf, height float64) Point {
	x, y := g.X[e.i], g.Y[e.j]
	isAbove := g.height(e.i, e.j) >= height
	if e.isUp {
		_, t := bisect.Change(func(t float64) bool { return g.At(x, t) >= height == isAbove }, y, g.Y[e.j+1], levelHalvings)
		return Point{X: x, Y: t}
	}
	_, t := bisect.Change(func(t float64) bool { return g.At(t, y) >= height == isAbove }, x, g.X[e.i+1], levelHalvings)
	return Point{X: t, Y: y}
}

// levelHalvings is how often an edge is halved.
const levelHalvings = 16
