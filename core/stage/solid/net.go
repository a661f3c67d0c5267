package solid

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Net is a surface of small cells anywhere in space: a parametric surface, or a plane. Its cells are put into the columns of the
// lattice, above or below each sheet there, and among themselves by the depth of their middles.
type Net struct {
	Hue picture.Colour
	// Opacity below 1 makes it see-through: what lies behind it stays in sight.
	Opacity float32

	cells []patch
	// flat is the plane in which all of it lies, nil where it bends; isEndless tells that it goes on to the sides of the box.
	flat      *flat
	isEndless bool
	index     netIndex
	isIndexed bool
}

// flat is a plane through a place.
type flat struct{ at, normal view.Place }

// patch is a cell of a net, with its unit normal in pixels.
type patch struct {
	polygon
	normal view.Place
}

// Weave is what a net is made of: lines u = constant and v = constant of a parametric surface.
type Weave struct {
	// U and V are the values at the lines, in rising order; MeshU and MeshV tell which of them are drawn.
	U, V         []float64
	MeshU, MeshV []bool
	// Places are those at the crossings, u by u; At is the place anywhere. A coordinate is NaN where there is none.
	Places []view.Place
	At     func(u, v float64) view.Place
	// IsBounded tells whether the surface is proven to run off nowhere over a rectangle of u and v; nil where it does nowhere at all.
	IsBounded func(u0, u1, v0, v1 float64) bool
	// Units are the pixels of a unit along each axis, Box is what is seen.
	Units view.Place
	Box   [3][2]float64
}

func (w *Weave) place(i, j int) view.Place { return w.Places[i*len(w.V)+j] }

// NewNet makes the cells of a parametric surface, cut to the box and where it is undefined or runs off.
func NewNet(w Weave) *Net {
	n := &Net{Opacity: 1}
	closedU, closedV := w.closes(0), w.closes(1)
	lastU, lastV := len(w.U)-2, len(w.V)-2
	sideOf := func(isMesh, isEnd bool) int8 {
		switch {
		case isEnd:
			return sideCut
		case isMesh:
			return sideMesh
		}
		return sideBare
	}
	for i := range len(w.U) - 1 {
		for j := range len(w.V) - 1 {
			sides := [4]int8{sideOf(w.MeshV[j], j == 0 && !closedV), sideOf(w.MeshU[i+1], i == lastU && !closedU),
				sideOf(w.MeshV[j+1], j == lastV && !closedV), sideOf(w.MeshU[i], i == 0 && !closedU)}
			cell := knots{w.U[i], w.U[i+1], w.V[j], w.V[j+1]}
			places := [4]view.Place{w.place(i, j), w.place(i+1, j), w.place(i+1, j+1), w.place(i, j+1)}
			if w.IsBounded != nil && !w.IsBounded(cell[0], cell[1], cell[2], cell[3]) {
				n.split(&w, cell, places, sides, finest)
				continue
			}
			n.add(&w, cell, places, sides)
		}
	}
	return n
}

// NewPlate makes a net of one flat cell, cut to a box: a polygon, or all of a plane.
func NewPlate(corners []view.Place, isEndless bool, units view.Place, box [3][2]float64) *Net {
	n := &Net{Opacity: 1, isEndless: isEndless}
	if len(corners) >= 3 {
		n.flat = &flat{corners[0], newellOf(corners)}
	}
	p := polygon{}
	for _, c := range corners {
		p = append(p, corner{c, sideCut})
	}
	n.keep(p, units, box)
	return n
}

// closes tells whether the surface ends where it begins, or in one point, along u or along v: there it has no border.
func (w *Weave) closes(axis int) bool {
	const near = 1e-6
	along, across := len(w.V), len(w.U)
	at := func(k, end int) view.Place { return w.place(end*(across-1), k) }
	if axis == 1 {
		along, across = len(w.U), len(w.V)
		at = func(k, end int) view.Place { return w.place(k, end*(across-1)) }
	}
	isApart := func(a, b view.Place) bool {
		for k := range a {
			if !(math.Abs(a[k]-b[k]) <= near*(w.Box[k][1]-w.Box[k][0])) {
				return true
			}
		}
		return false
	}
	meets, points := true, [2]bool{true, true}
	for k := range along {
		meets = meets && !isApart(at(k, 0), at(k, 1))
		for end := range points {
			points[end] = points[end] && !isApart(at(k, end), at(0, end))
		}
	}
	return meets || points[0] && points[1]
}

// knots are the ends of a cell in u and in v.
type knots [4]float64

func (k knots) u(share float64) float64 { return k[0] + (k[1]-k[0])*share }
func (k knots) v(share float64) float64 { return k[2] + (k[3]-k[2])*share }

// split halves a cell over which the surface may run off, and leaves out what is not proven to stay.
func (n *Net) split(w *Weave, k knots, c [4]view.Place, sides [4]int8, depth int) {
	if w.IsBounded(k[0], k[1], k[2], k[3]) {
		n.add(w, k, c, sides)
		return
	}
	if depth == 0 {
		return
	}
	u, v, b := k.u(0.5), k.v(0.5), sideBare
	low, right, high, left, middle := w.At(u, k[2]), w.At(k[1], v), w.At(u, k[3]), w.At(k[0], v), w.At(u, v)
	n.split(w, knots{k[0], u, k[2], v}, [4]view.Place{c[0], low, middle, left}, [4]int8{sides[0], b, b, sides[3]}, depth-1)
	n.split(w, knots{u, k[1], k[2], v}, [4]view.Place{low, c[1], right, middle}, [4]int8{sides[0], sides[1], b, b}, depth-1)
	n.split(w, knots{u, k[1], v, k[3]}, [4]view.Place{middle, right, c[2], high}, [4]int8{b, sides[1], sides[2], b}, depth-1)
	n.split(w, knots{k[0], u, v, k[3]}, [4]view.Place{left, middle, high, c[3]}, [4]int8{b, b, sides[2], sides[3]}, depth-1)
}

// add keeps the part of a cell that has places: along its sides up to where they end.
func (n *Net) add(w *Weave, k knots, c [4]view.Place, sides [4]int8) {
	at := [5][2]float64{{k[0], k[2]}, {k[1], k[2]}, {k[1], k[3]}, {k[0], k[3]}, {k[0], k[2]}}
	var p polygon
	for i, from := range c {
		to := c[(i+1)%4]
		if from.IsFinite() {
			p = append(p, corner{from, sides[i]})
		}
		if from.IsFinite() == to.IsFinite() {
			continue
		}
		edge := func(share float64) view.Place {
			return w.At(at[i][0]+(at[i+1][0]-at[i][0])*share, at[i][1]+(at[i+1][1]-at[i][1])*share)
		}
		if from.IsFinite() {
			p = append(p, corner{lastPlace(edge, from), sideCut})
		} else {
			p = append(p, corner{lastPlace(func(share float64) view.Place { return edge(1 - share) }, to), sides[i]})
		}
	}
	if len(p) >= 3 {
		n.keep(p, w.Units, w.Box)
	}
}

// keep cuts a cell to the box and keeps what is left.
func (n *Net) keep(p polygon, units view.Place, box [3][2]float64) {
	for axis, ends := range box {
		p = clipped(p, func(q view.Place) float64 { return q[axis] - ends[0] }, sideCut)
		p = clipped(p, func(q view.Place) float64 { return ends[1] - q[axis] }, sideCut)
	}
	if len(p) >= 3 {
		n.cells = append(n.cells, patch{p, newell(p, units)})
	}
}

// netIndex finds the cells of a net that are seen at a pixel: by squares, row by row, from the corner of the net on the panel.
type netIndex struct {
	left, top, across int
	squares           [][]int32
	// seen are the corners of the cells, one after the other: pixels, and how near they are; first tells where those of a cell begin.
	seen  [][3]float64
	first []int
}

// of are the cells that are looked for at a pixel.
func (x *netIndex) of(px, py float64) []int32 {
	i, j := int(math.Floor(px/indexCell))-x.left, int(math.Floor(py/indexCell))-x.top
	if i < 0 || i >= x.across || j < 0 || j*x.across >= len(x.squares) {
		return nil
	}
	return x.squares[j*x.across+i]
}

// corners are those of a cell.
func (x *netIndex) corners(cell int32) [][3]float64 { return x.seen[x.first[cell]:x.first[cell+1]] }

// indexCell is the side of the squares in which cells are looked up.
const indexCell = 16.0

// indexed puts the cells of a net into squares of the panel.
func (n *Net) indexed(q *view.Projection) {
	x := netIndex{seen: make([][3]float64, 0, 4*len(n.cells)), first: make([]int, 0, len(n.cells)+1)}
	type square struct{ left, right, top, bottom int }
	reach := square{math.MaxInt32, math.MinInt32, math.MaxInt32, math.MinInt32}
	over := make([]square, len(n.cells))
	for k, cell := range n.cells {
		x.first = append(x.first, len(x.seen))
		left, right, top, bottom := math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)
		for _, c := range cell.polygon {
			px, py, near := q.At(c.Place)
			x.seen = append(x.seen, [3]float64{px, py, near})
			left, right, top, bottom = min(left, px), max(right, px), min(top, py), max(bottom, py)
		}
		in := func(v float64) int { return int(math.Floor(max(-farOut, min(farOut, v)) / indexCell)) }
		over[k] = square{in(left), in(right), in(top), in(bottom)}
		reach = square{min(reach.left, over[k].left), max(reach.right, over[k].right), min(reach.top, over[k].top), max(reach.bottom, over[k].bottom)}
	}
	x.first = append(x.first, len(x.seen))
	if len(n.cells) > 0 {
		x.left, x.top, x.across = reach.left, reach.top, reach.right-reach.left+1
		x.squares = make([][]int32, x.across*(reach.bottom-reach.top+1))
	}
	for k, s := range over {
		for j := s.top; j <= s.bottom; j++ {
			for i := s.left; i <= s.right; i++ {
				at := (j-x.top)*x.across + i - x.left
				x.squares[at] = append(x.squares[at], int32(k))
			}
		}
	}
	n.index, n.isIndexed = x, true
}

// farOut is how far beside the panel places are told apart, in pixels.
const farOut = 1e4

// hides tells whether a cell stands between a place and the eye. A place on the net itself lies by less than a cell's bend off it.
func (n *Net) hides(s *Scene, p view.Place, isOwn bool) bool {
	if n.Opacity < 1 {
		return false
	}
	if !n.isIndexed {
		n.indexed(&s.Projection)
	}
	least := 1.0
	if isOwn {
		least = 3
	}
	x, y, near := s.Projection.At(p)
	for _, k := range n.index.of(x, y) {
		seen := n.index.corners(k)
		for c := 2; c < len(seen); c++ {
			if ahead, isIn := aheadOf(seen[0], seen[c-1], seen[c], x, y, near); isIn && ahead > least {
				return true
			}
		}
	}
	return false
}

// aheadOf tells whether a triangle is seen at a pixel, and how far it lies before a place there, measured across the triangle.
func aheadOf(a, b, c [3]float64, x, y, near float64) (by float64, isIn bool) {
	ux, uy, vx, vy := b[0]-a[0], b[1]-a[1], c[0]-a[0], c[1]-a[1]
	det := ux*vy - uy*vx
	if det == 0 {
		return 0, false
	}
	s, t := ((x-a[0])*vy-(y-a[1])*vx)/det, (ux*(y-a[1])-uy*(x-a[0]))/det
	if s < 0 || t < 0 || s+t > 1 {
		return 0, false
	}
	un, vn := b[2]-a[2], c[2]-a[2]
	normal := view.Place{uy*vn - un*vy, un*vx - ux*vn, det}
	return (a[2] + s*un + t*vn - near) * math.Abs(det) / normal.Length(), true
}

// spread puts the cells of the nets into the columns of the lattice, cut at its lines.
func (p *painter) spread() {
	p.netted = nil
	if len(p.nets) > 0 {
		p.netted = map[int][]piece{}
	}
	for _, n := range p.nets {
		for k := range n.cells {
			cell := &n.cells[k]
			p.parts(cell.polygon, p.Lattice.X, 0, func(part polygon, i int) {
				p.parts(part, p.Lattice.Y, 1, func(part polygon, j int) {
					at := p.Lattice.cell(i, j)
					p.netted[at] = append(p.netted[at], piece{polygon: part, net: n, normal: cell.normal})
				})
			})
		}
	}
}

// parts cuts a polygon at the lines of an axis and visits the parts with their places.
func (p *painter) parts(whole polygon, lines []float64, axis int, visit func(part polygon, at int)) {
	low, high := math.Inf(1), math.Inf(-1)
	for _, c := range whole {
		low, high = math.Min(low, c.Place[axis]), math.Max(high, c.Place[axis])
	}
	first, last := find(lines, clamp(low, lines)), find(lines, clamp(high, lines))
	if first < last && lines[last] == high {
		last--
	}
	for at := first; at <= last; at++ {
		part := whole
		if at > first {
			part = clipped(part, func(q view.Place) float64 { return q[axis] - lines[at] }, sideBare)
		}
		if at < last {
			part = clipped(part, func(q view.Place) float64 { return lines[at+1] - q[axis] }, sideBare)
		}
		if len(part) >= 3 {
			visit(part, at)
		}
	}
}
