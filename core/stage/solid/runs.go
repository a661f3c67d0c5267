package solid

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// run are neighbouring cells of one sheet and one tone, which are filled at once.
type run struct {
	is          bool
	sheet       int
	tone        picture.Colour
	isFront     bool
	first, last turnOf
	rowSides    uint8
}

// join takes a cell into the run of the row, or begins another.
func (p *painter) join(row, turn turnOf, n, k, i, j int) {
	s := p.sheets[n]
	centre := view.Place{(p.Lattice.X[i] + p.Lattice.X[i+1]) / 2, (p.Lattice.Y[j] + p.Lattice.Y[j+1]) / 2, s.height(i, j)}
	tone, isFront := p.toneOf(s.Hue, s.normal[k], centre)
	next := run{is: true, sheet: n, tone: tone, isFront: isFront, first: turn, last: turn, rowSides: s.border[k] & p.rowSides()}
	r := &p.run
	if r.is && r.sheet == n && r.tone == tone && r.isFront == isFront && r.rowSides == next.rowSides && r.last.isLow == turn.isLow &&
		!p.meshOf(s, 1-p.outer)[turn.far()] {
		r.last = turn
		return
	}
	p.flush(row)
	p.run = next
}

// rowSides are the sides of a cell that lie along a row.
func (p *painter) rowSides() uint8 {
	if p.outer == 0 {
		return 1<<sideLowX | 1<<sideHighX
	}
	return 1<<sideLowY | 1<<sideHighY
}

// sideOn is the side of a cell across an axis, the lower or the higher.
func sideOn(axis int, isLow bool) uint8 {
	switch {
	case axis == 0 && isLow:
		return 1 << sideLowX
	case axis == 0:
		return 1 << sideHighX
	case isLow:
		return 1 << sideLowY
	}
	return 1 << sideHighY
}

func (p *painter) meshOf(s *Sheet, axis int) []bool {
	if axis == 0 {
		return s.MeshX
	}
	return s.MeshY
}

// Tones are of how many a hue's tints are; the last is that of lines.
const Tones = picture.Tones

// toneOf is the tint of a face of a sheet with a normal, and whether its upper side is seen.
func (p *painter) toneOf(hue picture.Colour, normal view.Place, at view.Place) (picture.Colour, bool) {
	bright, under := normal.Dot(p.light), 0
	if !p.isFaced(normal, at) {
		// What light comes from below is let in, so that the lower side is dark, but not without shape.
		bright, under = 0.5-bright/2, 2
	}
	return picture.TintOf(hue, shade(bright)+under), under == 0
}

// shade is the tone of a face that is so bright.
func shade(bright float64) int {
	const full, steep = 0.98, 11.0
	return max(0, min(Tones-4, int((full-bright)*steep)))
}

// isFaced tells whether a normal points to the eye.
func (p *painter) isFaced(normal, at view.Place) bool {
	q := &p.Projection
	eye := q.Eye(at)
	return normal[0]*eye[0]*q.Units[0]+normal[1]*eye[1]*q.Units[1]+normal[2]*eye[2]*q.Units[2] >= 0
}

// toneOfNet is the tint of a cell of a net: neither of its sides is the upper one.
func (p *painter) toneOfNet(hue picture.Colour, normal, at view.Place) picture.Colour {
	bright := normal.Dot(p.light)
	if !p.isFaced(normal, at) {
		bright = -bright
	}
	return picture.TintOf(hue, shade(bright))
}

// flush paints the run that has been gathered in a row, with the lines of the mesh on its far sides and those of the border.
func (p *painter) flush(row turnOf) {
	r := p.run
	p.run = run{}
	if !r.is {
		return
	}
	s := p.sheets[r.sheet]
	inner := 1 - p.outer
	p.far, p.near = p.along(p.far[:0], &r, row.far()), p.along(p.near[:0], &r, row.near())
	far, near := p.far, p.near
	cell := p.Lattice.cell(row.cell, r.first.cell)
	if p.outer == 1 {
		cell = p.Lattice.cell(r.first.cell, row.cell)
	}
	p.to.Face(r.tone, 1, p.outline(far, near), cell)
	last := len(far) - 1
	mesh, border := meshPen(s.Hue), borderPen(s.Hue)
	draw := func(isMesh, isBorder bool, points [][2]float64) {
		if !isMesh && !isBorder {
			return
		}
		// The faces that come next overlap this one: where their own lines begin they reach over that.
		p.edge = append(p.edge[:0], points...)
		end := len(points) - 1
		p.edge[0], p.edge[end] = pushed(points[0], points[1]), pushed(points[end], points[end-1])
		if isBorder {
			p.to.Line(border, p.edge)
		} else {
			p.to.Line(mesh, p.edge)
		}
	}
	draw(p.meshOf(s, p.outer)[row.far()], r.rowSides&sideOn(p.outer, row.isLow) != 0, far)
	draw(false, r.rowSides&sideOn(p.outer, !row.isLow) != 0, near)
	first, end := p.borderAt(s, row, r.first), p.borderAt(s, row, r.last)
	draw(p.meshOf(s, inner)[r.first.far()], first&sideOn(inner, r.first.isLow) != 0, p.across(far[0], near[0]))
	draw(false, end&sideOn(inner, !r.last.isLow) != 0, p.across(far[last], near[last]))
}

// along are the pixels of a run's corners on a line of the lattice along its row.
func (p *painter) along(points [][2]float64, r *run, line int) [][2]float64 {
	way := 1
	if !r.first.isLow {
		way = -1
	}
	pixels, ny := p.pixels[r.sheet], len(p.Lattice.Y)
	for at := r.first.far(); ; at += way {
		if p.outer == 0 {
			points = append(points, pixels[line*ny+at])
		} else {
			points = append(points, pixels[at*ny+line])
		}
		if at == r.last.near() {
			return points
		}
	}
}

// across is the edge of a run across its row.
func (p *painter) across(far, near [2]float64) [][2]float64 {
	p.pair = [2][2]float64{far, near}
	return p.pair[:]
}

func (p *painter) borderAt(s *Sheet, row, turn turnOf) uint8 {
	if p.outer == 1 {
		return s.border[p.Lattice.cell(turn.cell, row.cell)]
	}
	return s.border[p.Lattice.cell(row.cell, turn.cell)]
}

func meshPen(hue picture.Colour) Pen {
	return Pen{picture.TintOf(hue, Tones-1), meshWidth, picture.Whole, 1}
}

func borderPen(hue picture.Colour) Pen { return Pen{hue, borderWidth, picture.Whole, 1} }

// outline is that of a strip between two lines, a little larger.
func (p *painter) outline(far, near [][2]float64) [][2]float64 {
	p.out = p.out[:0]
	last := len(far) - 1
	for k := range far {
		p.out = append(p.out, pushed(far[k], near[k]))
	}
	for k := last; k >= 0; k-- {
		p.out = append(p.out, pushed(near[k], far[k]))
	}
	// The ends are pushed out along the strip.
	for _, pair := range [2][2]int{{0, min(1, last)}, {last, max(0, last-1)}} {
		a, b := far[pair[0]], far[pair[1]]
		dx, dy := push(a, b)
		for _, at := range [2]int{pair[0], 2*last + 1 - pair[0]} {
			p.out[at] = [2]float64{p.out[at][0] + dx, p.out[at][1] + dy}
		}
	}
	return p.out
}

// push is the way by which a place goes away from another.
func push(a, from [2]float64) (dx, dy float64) {
	dx, dy = a[0]-from[0], a[1]-from[1]
	size := math.Sqrt(dx*dx + dy*dy)
	if size < 1e-9 {
		return 0, 0
	}
	return dx / size * overlap, dy / size * overlap
}

func pushed(a, from [2]float64) [2]float64 {
	dx, dy := push(a, from)
	return [2]float64{a[0] + dx, a[1] + dy}
}
