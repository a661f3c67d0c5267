package solid

import (
	"cmp"
	"slices"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// piece is a part of a sheet or of a net in a column, with its place among the sheets there: each has an odd rank, in their order from
// below, and what lies between two has the even one between theirs.
type piece struct {
	polygon
	sheet, rank int
	net         *Net
	normal      view.Place
}

// pile are the pieces of a column in which something is cut: by the box, the heights of the slab, or other sheets.
type pile struct {
	*painter
	// i and j are the column's places along both axes, k is that of its cell.
	i, j, k int
}

// paint paints them from the back to the front.
func (p pile) paint() {
	var list []piece
	for n, s := range p.sheets {
		polygons := s.polygonsOf(p.i, p.j)
		if len(p.sheets) > 1 && s.state[p.k] == whole && p.crosses(n) {
			polygons = s.fan(polygons[0], p.i, p.j)
		}
		for _, polygon := range polygons {
			if p.clips {
				polygon = clipped(polygon, func(q view.Place) float64 { return q[2] - p.slab[0] }, sideCut)
				polygon = clipped(polygon, func(q view.Place) float64 { return p.slab[1] - q[2] }, sideCut)
			}
			for _, part := range p.parted(polygon, n, sideCut) {
				list = append(list, piece{polygon: part, sheet: n, rank: 2*p.rankOf(part, n) + 1})
			}
		}
	}
	p.ordered(p.netPieces(list))
}

// ordered paints pieces from the back to the front: what is behind a flat net, then that, then what is before it (binary space
// partitioning; Fuchs, Kedem and Naylor, SIGGRAPH 1980); where there is none, by the sheets' ranks.
func (p pile) ordered(list []piece) {
	for k, part := range list {
		if part.net != nil && part.net.flat != nil {
			back, flat, front := p.divided(list, k)
			p.ordered(back)
			for k := range flat {
				p.piece(&flat[k])
			}
			p.ordered(front)
			return
		}
	}
	middle := view.Place{p.Lattice.X[p.i], p.Lattice.Y[p.j], (p.slab[0] + p.slab[1]) / 2}
	isAbove := p.Projection.IsAbove(2, middle[2])
	turns := make([]turnOfPiece, len(list))
	for k := range list {
		rank := list[k].rank
		if !isAbove {
			rank = -rank
		}
		turns[k] = turnOfPiece{rank, p.nearOf(list[k].polygon), k}
	}
	slices.SortFunc(turns, func(a, b turnOfPiece) int {
		return cmp.Or(cmp.Compare(a.rank, b.rank), cmp.Compare(a.near, b.near), cmp.Compare(a.at, b.at))
	})
	for _, t := range turns {
		p.piece(&list[t.at])
	}
}

// turnOfPiece is by what a piece has its turn: its rank, how near it is, its place in the list.
type turnOfPiece struct {
	rank int
	near float64
	at   int
}

// divided parts pieces by the plane of one of them, as the eye sees it.
func (p pile) divided(list []piece, by int) (back, flat, front []piece) {
	net := list[by].net
	plane := *net.flat
	eye := p.Projection.Eye(plane.at)
	if plane.normal.Dot(eye) < 0 {
		plane.normal = view.Place{}.Plus(plane.normal, -1)
	}
	edge := sideBare
	if net.isEndless {
		edge = sideCut
	}
	behind := func(q view.Place) float64 { return -plane.normal.Dot(q.Sub(plane.at)) }
	before := func(q view.Place) float64 { return plane.normal.Dot(q.Sub(plane.at)) }
	for _, part := range list {
		if part.net == net {
			flat = append(flat, part)
			continue
		}
		whole := part.polygon
		if part.polygon = clipped(whole, behind, edge); len(part.polygon) >= 3 {
			back = append(back, part)
		}
		if part.polygon = clipped(whole, before, edge); len(part.polygon) >= 3 {
			front = append(front, part)
		}
	}
	return back, flat, front
}

// netPieces are the parts of the nets in a column, cut where sheets go through them.
func (p pile) netPieces(list []piece) []piece {
	for _, part := range p.netted[p.k] {
		whole := part.polygon
		if p.clips {
			whole = clipped(whole, func(q view.Place) float64 { return q[2] - p.slab[0] }, sideBare)
			whole = clipped(whole, func(q view.Place) float64 { return p.slab[1] - q[2] }, sideBare)
		}
		edge := sideCut
		if part.net.isEndless {
			edge = sideBare // the sheet that is cut there has the line
		}
		for _, polygon := range p.parted(whole, noSheet, edge) {
			if len(polygon) >= 3 {
				part.polygon, part.rank = polygon, 2*p.rankOf(polygon, noSheet)
				list = append(list, part)
			}
		}
	}
	return list
}

// noSheet stands for the place of a sheet among all where there is none.
const noSheet = -1

// crosses tells whether another sheet goes through a cell.
func (p pile) crosses(n int) bool {
	own := p.sheets[n].corners(p.i, p.j)
	for m, other := range p.sheets {
		if m == n || other.state[p.k] == empty {
			continue
		}
		above, below := false, false
		for k, c := range other.corners(p.i, p.j) {
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

// parted cuts a polygon of a sheet where other sheets go through it; a new edge is of the side that is said.
func (p pile) parted(whole polygon, n int, edge int8) []polygon {
	parts := []polygon{whole}
	for m, other := range p.sheets {
		if m == n || other.state[p.k] == empty {
			continue
		}
		above := func(q view.Place) float64 { return q[2] - other.bilinear(p.i, p.j, q[0], q[1]) }
		below := func(q view.Place) float64 { return -above(q) }
		var next []polygon
		for _, part := range parts {
			if isOnOneSide(part, above) {
				next = append(next, part)
				continue
			}
			for _, half := range [2]polygon{clipped(part, above, edge), clipped(part, below, edge)} {
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

// isOnOneSide tells that a measure is positive at all corners, or negative at all.
func isOnOneSide(part polygon, measure func(view.Place) float64) bool {
	positive, negative := false, false
	for _, c := range part {
		v := measure(c.Place)
		positive, negative = positive || !(v < 0), negative || !(v > 0)
	}
	return positive != negative
}

// rankOf counts the sheets below a part.
func (p pile) rankOf(part polygon, n int) (rank int) {
	at := middleOf(part)
	for m, other := range p.sheets {
		if m != n && other.state[p.k] != empty && other.bilinear(p.i, p.j, at[0], at[1]) < at[2] {
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

func (p pile) nearOf(part polygon) float64 {
	_, _, near := p.Projection.At(middleOf(part))
	return near
}

// piece paints a part with its lines.
func (p pile) piece(part *piece) {
	if len(part.polygon) < 3 {
		return
	}
	middle := middleOf(part.polygon)
	centre := p.Projection.Pixel(middle)
	points := p.corners[:0]
	p.out = p.out[:0]
	opacity := float32(1)
	if part.net != nil {
		opacity = part.net.Opacity
	}
	for c, corner := range part.polygon {
		points = append(points, p.Projection.Pixel(corner.Place))
		if opacity < 1 {
			p.out = append(p.out, points[c]) // what is see-through would be darker where it overlaps
		} else {
			p.out = append(p.out, pushed(points[c], centre))
		}
	}
	p.corners = points
	p.to.Face(p.toneOfPiece(part, middle), opacity, p.out, p.k)
	for c, corner := range part.polygon {
		if pen, is := p.edgePen(part, corner.side); is {
			// The faces that come next overlap this one: its lines reach over that.
			from, to := points[c], points[(c+1)%len(points)]
			p.pair = [2][2]float64{pushed(from, to), pushed(to, from)}
			p.to.Line(pen, p.pair[:])
		}
	}
}

// toneOfPiece is the tint of a part; one that is see-through has its hue.
func (p pile) toneOfPiece(part *piece, middle view.Place) picture.Colour {
	switch {
	case part.net == nil:
		s := p.sheets[part.sheet]
		tone, _ := p.toneOf(s.Hue, s.normal[p.k], middle)
		return tone
	case part.net.Opacity < 1:
		return part.net.Hue
	}
	return p.toneOfNet(part.net.Hue, part.normal, middle)
}

// edgePen is how an edge of a part is drawn, if it is.
func (p pile) edgePen(part *piece, side int8) (pen Pen, is bool) {
	if part.net != nil {
		switch side {
		case sideCut:
			return borderPen(part.net.Hue), true
		case sideMesh:
			return meshPen(part.net.Hue), true
		}
		return Pen{}, false
	}
	s := p.sheets[part.sheet]
	switch {
	case side == sideBare:
		return Pen{}, false
	case side == sideCut, s.border[p.k]&(1<<side) != 0:
		return borderPen(s.Hue), true
	}
	return meshPen(s.Hue), p.isMeshAt(s, side)
}

// isMeshAt tells whether a side of a cell lies on the mesh.
func (p pile) isMeshAt(s *Sheet, side int8) bool {
	switch side {
	case sideLowX:
		return s.MeshX[p.i]
	case sideHighX:
		return s.MeshX[p.i+1]
	case sideLowY:
		return s.MeshY[p.j]
	}
	return s.MeshY[p.j+1]
}
