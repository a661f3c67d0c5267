package solid

import (
	"slices"
	"sort"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Canvas takes what is painted: filled faces and lines in pixels.
type Canvas interface {
	// Face fills an outline; cell is the place of the column it belongs to, −1 for a plane.
	Face(colour picture.Colour, opacity float32, outline [][2]float64, cell int)
	Line(pen Pen, points [][2]float64)
}

// Widths in pixels of the lines on a sheet, and by how much faces overlap, so that nothing shines through between them.
const (
	meshWidth, borderWidth = 0.9, 1.5
	overlap                = 0.4
)

// light is where the light comes from: from the left above, a little behind the reader.
var light = view.Place{-0.4, 0.6, 0.7}

// painter paints the faces of a scene.
type painter struct {
	*Scene
	to    Canvas
	light view.Place
	// pixels are those of the crossings of the lattice, by sheets.
	pixels [][][2]float64
	// outer is the axis of the rows of columns.
	outer int
	// slab are the heights that are painted; clips tells that it is not the whole box.
	slab  [2]float64
	clips bool
	run   run
	// netted are the parts of the nets in each column.
	netted map[int][]piece
	// out, far, near, edge and pair are used again and again.
	out, far, near, edge, corners [][2]float64
	pair                          [2][2]float64
}

// PaintFaces paints sheets and planes from the back to the front.
func (s *Scene) PaintFaces(to Canvas) {
	p := &s.painter
	p.Scene, p.to, p.light, p.outer = s, to, s.lightWay(), 0
	for len(p.pixels) < len(s.sheets) {
		p.pixels = append(p.pixels, nil)
	}
	for k, sheet := range s.sheets {
		p.pixels[k] = sheet.pixels(p.pixels[k][:0], &s.Projection)
	}
	p.spread()
	if len(s.walls[0]) == 0 && len(s.walls[1]) > 0 {
		p.outer = 1
	}
	floors := slices.Clone(s.walls[2])
	sort.Slice(floors, func(i, j int) bool { return floors[i].At < floors[j].At })
	ends := []float64{s.Projection.Box[2][0]}
	for _, f := range floors {
		ends = append(ends, f.At)
	}
	ends = append(ends, s.Projection.Box[2][1])
	// Below the eye from the bottom up, above it from the top down.
	low, high := 0, len(floors)
	for low < high || low == high {
		if low < high && s.Projection.IsAbove(2, ends[low+1]) {
			p.between(ends[low], ends[low+1])
			p.plane(2, floors[low])
			low++
			continue
		}
		if low < high {
			p.between(ends[high], ends[high+1])
			p.plane(2, floors[high-1])
			high--
			continue
		}
		p.between(ends[low], ends[low+1])
		break
	}
}

// lightWay is the light's way in the coordinates of normals.
func (s *Scene) lightWay() (l view.Place) {
	q := &s.Projection
	for k := range l {
		l[k] = (light[0]*q.Right[k] + light[1]*q.Up[k] + light[2]*q.Toward[k]) / q.Units[k]
	}
	size := l.Length()
	return view.Place{l[0] / size, l[1] / size, l[2] / size}
}

// pixels are those of the crossings of a sheet's lattice.
func (s *Sheet) pixels(list [][2]float64, q *view.Projection) [][2]float64 {
	ny := len(s.lattice.Y)
	for i, x := range s.lattice.X {
		for j, y := range s.lattice.Y {
			list = append(list, q.Pixel(view.Place{x, y, s.z[i*ny+j]}))
		}
	}
	return list
}

// turnOf is a cell of an axis in the order of drawing; isLow tells that its far side is the lower one.
type turnOf struct {
	cell  int
	isLow bool
}

// far and near are the lines that bound it.
func (t turnOf) far() int {
	if t.isLow {
		return t.cell
	}
	return t.cell + 1
}

func (t turnOf) near() int { return 2*t.cell + 1 - t.far() }

// order gives the cells of an axis from the back to the front.
func (p *painter) order(axis int) (list []turnOf) {
	lines := p.lines(axis)
	n := len(lines) - 1
	low := 0
	for ; low < n && p.Projection.IsAbove(axis, lines[low+1]); low++ {
		list = append(list, turnOf{low, true})
	}
	for high := n - 1; high >= low; high-- {
		list = append(list, turnOf{high, false})
	}
	return list
}

func (p *painter) lines(axis int) []float64 {
	if axis == 0 {
		return p.Lattice.X
	}
	return p.Lattice.Y
}

// between paints what lies between two heights.
func (p *painter) between(low, high float64) {
	p.slab = [2]float64{low, high}
	p.clips = low > p.Projection.Box[2][0] || high < p.Projection.Box[2][1]
	inner := p.order(1 - p.outer)
	rows := p.order(p.outer)
	for k, row := range rows {
		p.standing(p.outer, row.far())
		p.row(row, inner)
		if k == len(rows)-1 {
			p.standing(p.outer, row.near())
		}
	}
}

// standing paints the planes that stand on a line of the lattice.
func (p *painter) standing(axis, line int) {
	for _, w := range p.walls[axis] {
		if p.lines(axis)[line] == w.At {
			p.plane(axis, w)
		}
	}
}

// plane paints a plane across an axis, one that stands between the slab's heights.
func (p *painter) plane(axis int, w Wall) {
	box := p.Projection.Box
	if axis != 2 {
		box[2] = p.slab
	}
	a, b := (axis+1)%3, (axis+2)%3
	at := func(u, v int) [2]float64 {
		place := view.Place{}
		place[axis], place[a], place[b] = w.At, box[a][u], box[b][v]
		return p.Projection.Pixel(place)
	}
	p.to.Face(w.Hue, w.Opacity, [][2]float64{at(0, 0), at(1, 0), at(1, 1), at(0, 1)}, -1)
}

// row paints the columns of a row.
func (p *painter) row(row turnOf, inner []turnOf) {
	for _, turn := range inner {
		for _, w := range p.walls[1-p.outer] {
			if p.lines(1 - p.outer)[turn.far()] == w.At {
				p.flush(row)
				p.strip(row, turn.far(), w)
			}
		}
		p.column(row, turn)
	}
	p.flush(row)
}

// strip paints the part of a plane that stands along a row.
func (p *painter) strip(row turnOf, line int, w Wall) {
	outer := p.lines(p.outer)
	at := func(o, z float64) [2]float64 {
		place := view.Place{}
		place[p.outer], place[1-p.outer], place[2] = o, p.lines(1 - p.outer)[line], z
		return p.Projection.Pixel(place)
	}
	a, b := outer[row.cell], outer[row.cell+1]
	p.to.Face(w.Hue, w.Opacity, [][2]float64{at(a, p.slab[0]), at(b, p.slab[0]), at(b, p.slab[1]), at(a, p.slab[1])}, -1)
}

// column paints what stands in a column.
func (p *painter) column(row, turn turnOf) {
	i, j := row.cell, turn.cell
	if p.outer == 1 {
		i, j = j, i
	}
	k := p.Lattice.cell(i, j)
	only, several := -1, false
	for n, s := range p.sheets {
		if s.state[k] != empty {
			several = only >= 0
			only = n
			if several {
				break
			}
		}
	}
	if len(p.netted[k]) > 0 {
		p.flush(row)
		pile{p, i, j, k}.paint()
		return
	}
	if only < 0 {
		p.flush(row)
		return
	}
	s := p.sheets[only]
	if several || s.state[k] == cut || p.clips && !p.isInSlab(s.corners(i, j)) {
		p.flush(row)
		pile{p, i, j, k}.paint()
		return
	}
	p.join(row, turn, only, k, i, j)
}

// isInSlab tells that a cell lies between the slab's heights.
func (p *painter) isInSlab(c [4]view.Place) bool {
	for _, q := range c {
		if q[2] < p.slab[0] || q[2] > p.slab[1] {
			return false
		}
	}
	return true
}
