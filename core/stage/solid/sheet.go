package solid

import (
	"math"

	"parvix/core/numeric/bisect"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Sheet is a surface z = f(x, y) over the columns of a lattice. Its cells are cut to the box, and where f is undefined, jumps or runs
// off.
type Sheet struct {
	Hue picture.Colour
	// MeshX and MeshY tell which lines of the lattice are drawn on it.
	MeshX, MeshY []bool

	lattice *Lattice
	at      func(x, y float64) float64
	// z are the heights at the crossings of the lattice, NaN where there are none.
	z []float64
	// state tells of each cell whether it is there; normal and border are those of the cells.
	state  []state
	normal []view.Place
	border []uint8
	pieces map[int][]polygon
	// high and low are the ends of the heights.
	low, high float64
}

// Relief is what a sheet is cut from.
type Relief struct {
	// Heights are the values at the crossings of the lattice, x by x; At is the value anywhere, NaN where there is none.
	Heights []float64
	At      func(x, y float64) float64
	// Units are the pixels of a unit along each axis, for slopes.
	Units view.Place
	// Low and High are the ends of what is seen.
	Low, High float64
	// IsBounded tells whether the function is proven to run off nowhere over a rectangle; nil where it does nowhere at all.
	IsBounded func(x0, x1, y0, y1 float64) bool
	// Jumps tells that the function may jump.
	Jumps bool
}

type state uint8

// The states of a cell.
const (
	empty state = iota
	whole
	cut
)

// corner is a corner of a polygon, with the side of the cell on which the edge from it runs.
type corner struct {
	view.Place
	side int8
}

// The sides of a cell, in the order of its corners, as bits of a border by 1 << side; other edges are those of a cut, bare ones inside
// of a cell, and lines of the mesh of a net.
const (
	sideLowY int8 = iota
	sideHighX
	sideHighY
	sideLowX
	sideCut
	sideBare
	sideMesh
)

type polygon []corner

// NewSheet cuts a surface into the cells of a lattice.
func NewSheet(l *Lattice, r Relief) *Sheet {
	n := l.count()
	s := &Sheet{lattice: l, at: r.At, z: r.Heights, state: make([]state, n), normal: make([]view.Place, n), border: make([]uint8, n),
		pieces: map[int][]polygon{}}
	suspects := s.suspects(r)
	s.low, s.high = math.Inf(1), math.Inf(-1)
	for _, z := range s.z {
		if z == z {
			s.low, s.high = min(s.low, z), max(s.high, z)
		}
	}
	for i := range len(l.X) - 1 {
		for j := range len(l.Y) - 1 {
			s.cutCell(r, i, j, suspects[l.cell(i, j)])
		}
	}
	s.findBorders()
	return s
}

func (s *Sheet) height(i, j int) float64 { return s.z[i*len(s.lattice.Y)+j] }

func (s *Sheet) corners(i, j int) (c [4]view.Place) {
	l := s.lattice
	return [4]view.Place{{l.X[i], l.Y[j], s.height(i, j)}, {l.X[i+1], l.Y[j], s.height(i+1, j)},
		{l.X[i+1], l.Y[j+1], s.height(i+1, j+1)}, {l.X[i], l.Y[j+1], s.height(i, j+1)}}
}

// mostLooked bounds the rectangles whose enclosures are asked for.
const mostLooked = 6000

// suspects are the cells over which the function may run off or jump.
func (s *Sheet) suspects(r Relief) map[int]bool {
	l, list, looked := s.lattice, map[int]bool{}, 0
	var look func(i0, i1, j0, j1 int)
	look = func(i0, i1, j0, j1 int) {
		looked++
		if looked > mostLooked || r.IsBounded(l.X[i0], l.X[i1], l.Y[j0], l.Y[j1]) {
			return
		}
		switch {
		case i1-i0 == 1 && j1-j0 == 1:
			list[l.cell(i0, j0)] = true
		case i1-i0 >= j1-j0:
			m := (i0 + i1) / 2
			look(i0, m, j0, j1)
			look(m, i1, j0, j1)
		default:
			m := (j0 + j1) / 2
			look(i0, i1, j0, m)
			look(i0, i1, m, j1)
		}
	}
	if r.IsBounded != nil {
		look(0, len(l.X)-1, 0, len(l.Y)-1)
	}
	if r.Jumps {
		const visible = 1e-3
		for i := range len(l.X) - 1 {
			for j := range len(l.Y) - 1 {
				if spread(s.corners(i, j)) > visible*(r.High-r.Low) {
					list[l.cell(i, j)] = true
				}
			}
		}
	}
	return list
}

func spread(c [4]view.Place) float64 {
	low, high := math.Inf(1), math.Inf(-1)
	for _, p := range c {
		low, high = math.Min(low, p[2]), math.Max(high, p[2])
	}
	return high - low
}

// cutCell works out what of a cell is there.
func (s *Sheet) cutCell(r Relief, i, j int, isSuspect bool) {
	k, c := s.lattice.cell(i, j), s.corners(i, j)
	undefined, inside := 0, 0
	for _, p := range c {
		if !p.IsFinite() {
			undefined++
		} else if p[2] >= r.Low && p[2] <= r.High {
			inside++
		}
	}
	if inside == 4 && !isSuspect {
		s.state[k], s.normal[k] = whole, normalOf(c, r.Units)
		return
	}
	if undefined == 4 && !isSuspect {
		return
	}
	outer := [4]int8{sideLowY, sideHighX, sideHighY, sideLowX}
	var pieces []polygon
	if isSuspect {
		pieces = s.split(nil, c, outer, finest, spread(c))
	} else {
		pieces = append(pieces, s.defined(c, outer))
	}
	for _, p := range pieces {
		p = clipped(p, func(q view.Place) float64 { return q[2] - r.Low }, sideCut)
		p = clipped(p, func(q view.Place) float64 { return r.High - q[2] }, sideCut)
		if len(p) >= 3 {
			s.pieces[k] = append(s.pieces[k], p)
		}
	}
	if len(s.pieces[k]) > 0 {
		s.state[k] = cut
		s.normal[k] = newell(s.pieces[k][0], r.Units)
	}
}

// finest is how often a cell is halved where the function may run off or jump.
const finest = 4

// split halves a cell until its parts are smooth, and leaves out those that are not: where the corners lie apart by as much as in the
// whole cell.
func (s *Sheet) split(list []polygon, c [4]view.Place, sides [4]int8, depth int, whole float64) []polygon {
	if depth == 0 {
		const stays = 0.3
		if spread(c) > stays*whole {
			return list
		}
		if p := s.defined(c, sides); len(p) >= 3 {
			list = append(list, p)
		}
		return list
	}
	x, y := (c[0][0]+c[1][0])/2, (c[0][1]+c[3][1])/2
	at := func(x, y float64) view.Place { return view.Place{x, y, s.at(x, y)} }
	low, right, high, left, middle := at(x, c[0][1]), at(c[1][0], y), at(x, c[2][1]), at(c[0][0], y), at(x, y)
	b := sideBare
	list = s.split(list, [4]view.Place{c[0], low, middle, left}, [4]int8{sides[0], b, b, sides[3]}, depth-1, whole)
	list = s.split(list, [4]view.Place{low, c[1], right, middle}, [4]int8{sides[0], sides[1], b, b}, depth-1, whole)
	list = s.split(list, [4]view.Place{middle, right, c[2], high}, [4]int8{b, sides[1], sides[2], b}, depth-1, whole)
	return s.split(list, [4]view.Place{left, middle, high, c[3]}, [4]int8{b, b, sides[2], sides[3]}, depth-1, whole)
}

// defined is the part of a cell that has values: along its sides up to where they end.
func (s *Sheet) defined(c [4]view.Place, sides [4]int8) (p polygon) {
	for k, from := range c {
		to := c[(k+1)%4]
		if from.IsFinite() {
			p = append(p, corner{from, sides[k]})
		}
		switch {
		case from.IsFinite() && !to.IsFinite():
			p = append(p, corner{s.end(from, to), sideCut})
		case !from.IsFinite() && to.IsFinite():
			p = append(p, corner{s.end(to, from), sides[k]})
		}
	}
	return p
}

// endHalvings is how closely the end of the values is found.
const endHalvings = 24

// end is where the values from one place towards another end.
func (s *Sheet) end(in, out view.Place) view.Place {
	return lastPlace(func(share float64) view.Place {
		x, y := in[0]+(out[0]-in[0])*share, in[1]+(out[1]-in[1])*share
		return view.Place{x, y, s.at(x, y)}
	}, in)
}

// lastPlace is the last place along a way that begins with one.
func lastPlace(at func(share float64) view.Place, first view.Place) view.Place {
	last := first
	bisect.Change(func(share float64) bool {
		p := at(share)
		if p.IsFinite() {
			last = p
		}
		return p.IsFinite()
	}, 0, 1, endHalvings)
	return last
}

// clipped is the part of a polygon where a linear measure is not negative (Sutherland and Hodgman, Communications of the ACM 17, 1974);
// a new edge is of the side that is said.
func clipped(p polygon, measure func(view.Place) float64, edge int8) (out polygon) {
	for k, from := range p {
		to := p[(k+1)%len(p)]
		a, b := measure(from.Place), measure(to.Place)
		if a >= 0 {
			out = append(out, from)
		}
		if a >= 0 != (b >= 0) {
			side := from.side
			if a >= 0 {
				side = edge
			}
			out = append(out, corner{from.Plus(to.Sub(from.Place), a/(a-b)), side})
		}
	}
	if len(out) < 3 {
		return nil
	}
	return out
}

// normalOf is the unit normal of a cell, in pixels, up.
func normalOf(c [4]view.Place, units view.Place) view.Place {
	dx, dy := (c[1][0]-c[0][0])*units[0], (c[3][1]-c[0][1])*units[1]
	slopeX := (c[1][2] + c[2][2] - c[0][2] - c[3][2]) / 2 * units[2] / dx
	slopeY := (c[3][2] + c[2][2] - c[0][2] - c[1][2]) / 2 * units[2] / dy
	size := math.Sqrt(1 + slopeX*slopeX + slopeY*slopeY)
	return view.Place{-slopeX / size, -slopeY / size, 1 / size}
}

// newell is the unit normal of a polygon in pixels, up.
func newell(p polygon, units view.Place) view.Place {
	places := make([]view.Place, len(p))
	for k, c := range p {
		places[k] = view.Place{c.Place[0] * units[0], c.Place[1] * units[1], c.Place[2] * units[2]}
	}
	n := newellOf(places)
	size := n.Length()
	if size == 0 {
		return view.Place{0, 0, 1}
	}
	if n[2] < 0 {
		size = -size
	}
	return view.Place{n[0] / size, n[1] / size, n[2] / size}
}

// newellOf is a normal of a polygon by the sums over its edges (Newell's method).
func newellOf(places []view.Place) (n view.Place) {
	for k, a := range places {
		b := places[(k+1)%len(places)]
		n[0] += (a[1] - b[1]) * (a[2] + b[2])
		n[1] += (a[2] - b[2]) * (a[0] + b[0])
		n[2] += (a[0] - b[0]) * (a[1] + b[1])
	}
	return n
}

// findBorders notes the sides of the whole cells beside which there is no other.
func (s *Sheet) findBorders() {
	l := s.lattice
	there := func(i, j int) bool {
		return i >= 0 && j >= 0 && i < len(l.X)-1 && j < len(l.Y)-1 && s.state[l.cell(i, j)] != empty
	}
	for i := range len(l.X) - 1 {
		for j := range len(l.Y) - 1 {
			for side, beside := range [4][2]int{{i, j - 1}, {i + 1, j}, {i, j + 1}, {i - 1, j}} {
				if !there(beside[0], beside[1]) {
					s.border[l.cell(i, j)] |= 1 << side
				}
			}
		}
	}
}

// polygonsOf are the pieces of a cell.
func (s *Sheet) polygonsOf(i, j int) []polygon {
	k := s.lattice.cell(i, j)
	switch s.state[k] {
	case whole:
		c := s.corners(i, j)
		return []polygon{{{c[0], sideLowY}, {c[1], sideHighX}, {c[2], sideHighY}, {c[3], sideLowX}}}
	case cut:
		return s.pieces[k]
	}
	return nil
}

// bilinear is the height of a cell over a place, from those at its corners; NaN where one is missing.
func (s *Sheet) bilinear(i, j int, x, y float64) float64 {
	l := s.lattice
	u, v := (x-l.X[i])/(l.X[i+1]-l.X[i]), (y-l.Y[j])/(l.Y[j+1]-l.Y[j])
	return (s.height(i, j)*(1-u)+s.height(i+1, j)*u)*(1-v) + (s.height(i, j+1)*(1-u)+s.height(i+1, j+1)*u)*v
}
