package solid

import (
	"sort"

	"parvix/core/stage/view"
)

// piece is a part of a sheet in a column, above so many others.
type piece struct {
	polygon
	sheet, rank int
}

// pieces paints a column in which something is cut: by the box, the heights of the slab, or other sheets.
func (p *painter) pieces(i, j int) {
	var list []piece
	for n, s := range p.sheets {
		polygons := s.polygonsOf(i, j)
		if len(p.sheets) > 1 && s.state[p.Lattice.cell(i, j)] == whole && p.crosses(n, i, j) {
			polygons = s.fan(polygons[0], i, j)
		}
		for _, polygon := range polygons {
			if p.clips {
				polygon = clipped(polygon, func(q view.Place) float64 { return q[2] - p.slab[0] })
				polygon = clipped(polygon, func(q view.Place) float64 { return p.slab[1] - q[2] })
			}
			for _, part := range p.parted(polygon, n, i, j) {
				list = append(list, piece{part, n, p.rankOf(part, n, i, j)})
			}
		}
	}
	middle := view.Place{p.Lattice.X[i], p.Lattice.Y[j], (p.slab[0] + p.slab[1]) / 2}
	isAbove := p.Projection.IsAbove(2, middle[2])
	sort.SliceStable(list, func(a, b int) bool {
		if list[a].rank != list[b].rank {
			return (list[a].rank < list[b].rank) == isAbove
		}
		return p.nearOf(list[a].polygon) < p.nearOf(list[b].polygon)
	})
	for _, part := range list {
		p.piece(part, i, j)
	}
}

// crosses tells whether another sheet goes through a cell.
func (p *painter) crosses(n, i, j int) bool {
	own := p.sheets[n].corners(i, j)
	for m, other := range p.sheets {
		if m == n || other.state[p.Lattice.cell(i, j)] == empty {
			continue
		}
		above, below := false, false
		for k, c := range other.corners(i, j) {
			above, below = above || own[k][2] > c[2], below || own[k][2] < c[2]
		}
		if above && below {
			return true
		}
	}
	return false
}

// fan parts a cell into four triangles about its middle, in which the difference of two sheets all but follows a plane.
func (s *Sheet) fan(whole polygon, i, j int) (parts []polygon) {
	m := middleOf(whole)
	m[2] = s.bilinear(i, j, m[0], m[1])
	for k, c := range whole {
		parts = append(parts, polygon{c, {whole[(k+1)%len(whole)].Place, sideBare}, {m, sideBare}})
	}
	return parts
}

// parted cuts a polygon of a sheet where other sheets go through it.
func (p *painter) parted(whole polygon, n, i, j int) []polygon {
	parts := []polygon{whole}
	for m, other := range p.sheets {
		if m == n || other.state[p.Lattice.cell(i, j)] == empty {
			continue
		}
		above := func(q view.Place) float64 { return q[2] - other.bilinear(i, j, q[0], q[1]) }
		below := func(q view.Place) float64 { return -above(q) }
		var next []polygon
		for _, part := range parts {
			for _, half := range []polygon{clipped(part, above), clipped(part, below)} {
				if len(half) >= 3 {
					next = append(next, half)
				}
			}
			if len(part) >= 3 && above(part[0].Place) != above(part[0].Place) {
				next = append(next, part)
			}
		}
		parts = next
	}
	return parts
}

// rankOf counts the sheets below a part.
func (p *painter) rankOf(part polygon, n, i, j int) (rank int) {
	at := middleOf(part)
	for m, other := range p.sheets {
		if m != n && other.state[p.Lattice.cell(i, j)] != empty && other.bilinear(i, j, at[0], at[1]) < at[2] {
			rank++
		}
	}
	return rank
}

func middleOf(part polygon) (m view.Place) {
	for _, c := range part {
		m = m.Plus(c.Place, 1/float64(len(part)))
	}
	return m
}

func (p *painter) nearOf(part polygon) float64 {
	_, _, near := p.Projection.At(middleOf(part))
	return near
}

// piece paints a part with its lines.
func (p *painter) piece(part piece, i, j int) {
	if len(part.polygon) < 3 {
		return
	}
	s, k := p.sheets[part.sheet], p.Lattice.cell(i, j)
	middle := middleOf(part.polygon)
	tone, _ := p.toneOf(s, s.normal[k], middle)
	centre := p.Projection.Pixel(middle)
	points := make([][2]float64, len(part.polygon))
	p.out = p.out[:0]
	for c, corner := range part.polygon {
		points[c] = p.Projection.Pixel(corner.Place)
		p.out = append(p.out, pushed(points[c], centre))
	}
	p.to.Face(tone, 1, p.out, k)
	for c, corner := range part.polygon {
		edge := [][2]float64{points[c], points[(c+1)%len(points)]}
		switch {
		case corner.side == sideBare:
		case corner.side == sideCut:
			p.to.Line(borderPen(s), edge)
		case s.border[k]&(1<<corner.side) != 0:
			p.to.Line(borderPen(s), edge)
		case p.isMeshAt(s, corner.side, i, j):
			p.to.Line(meshPen(s), edge)
		}
	}
}

// isMeshAt tells whether a side of a cell lies on the mesh.
func (p *painter) isMeshAt(s *Sheet, side int8, i, j int) bool {
	switch side {
	case sideLowX:
		return s.MeshX[i]
	case sideHighX:
		return s.MeshX[i+1]
	case sideLowY:
		return s.MeshY[j]
	}
	return s.MeshY[j+1]
}
