package solid

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Scene is what stands in space on a panel.
type Scene struct {
	Projection view.Projection
	Lattice    Lattice
	sheets     []*Sheet
	nets       []*Net
	// walls are the planes across x, across y and across z.
	walls   [3][]Wall
	strands []Strand
	marks   []Mark
	painter painter
	thin    []view.Place
}

// Wall is a see-through plane across an axis.
type Wall struct {
	At      float64
	Hue     picture.Colour
	Opacity float32
}

// Cover is a surface that hides what lies behind it.
type Cover interface {
	// hides tells whether it stands between a place and the eye; isOwn that the place lies on it.
	hides(s *Scene, p view.Place, isOwn bool) bool
}

// Pen is how a line is drawn.
type Pen struct {
	Colour  picture.Colour
	Width   float32
	Pattern picture.Pattern
	Opacity float32
}

// Strand is a line in space; NaN parts it.
type Strand struct {
	Line []view.Place
	Pen  Pen
	// On is the surface on which it lies, nil for none.
	On Cover
	// Owner is the place of the entry that it belongs to.
	Owner int
	// Head is the length of an arrowhead at its end in pixels, 0 for none.
	Head float64
	// Crosses tells that it goes over and under others with a gap.
	Crosses bool
}

// Mark is a point in space.
type Mark struct {
	At     view.Place
	Colour picture.Colour
	Shape  picture.Shape
	Radius float32
	On     Cover
	Owner  int
}

// Begin empties a scene.
func (s *Scene) Begin(q view.Projection, l Lattice) {
	s.Projection, s.Lattice = q, l
	s.sheets, s.nets, s.strands, s.marks = s.sheets[:0], s.nets[:0], s.strands[:0], s.marks[:0]
	for k := range s.walls {
		s.walls[k] = s.walls[k][:0]
	}
}

// AddSheet adds a surface over the scene's lattice.
func (s *Scene) AddSheet(sheet *Sheet) { s.sheets = append(s.sheets, sheet) }

// AddNet adds a parametric surface or a plane.
func (s *Scene) AddNet(n *Net) {
	n.isIndexed = false
	s.nets = append(s.nets, n)
}

// AddWall adds a plane across an axis; one across x or y stands on a line of the lattice.
func (s *Scene) AddWall(axis int, w Wall) { s.walls[axis] = append(s.walls[axis], w) }

// AddStrand adds a line.
func (s *Scene) AddStrand(line Strand) { s.strands = append(s.strands, line) }

// AddMark adds a point.
func (s *Scene) AddMark(m Mark) { s.marks = append(s.marks, m) }

// Hides tells whether a surface stands between a place and the eye; own is the one on which the place lies, nil for none.
func (s *Scene) Hides(p view.Place, own Cover) bool {
	if !s.Projection.Holds(p) {
		return false
	}
	for _, sheet := range s.sheets {
		if sheet.hides(s, p, own == Cover(sheet)) {
			return true
		}
	}
	for _, net := range s.nets {
		if net.hides(s, p, own == Cover(net)) {
			return true
		}
	}
	return false
}

// hides walks from the place towards the eye.
func (s *Sheet) hides(in *Scene, p view.Place, isOwn bool) bool {
	r := ray{scene: in, from: p, way: in.Projection.Eye(p)}
	return r.meets(s, isOwn)
}

// ray goes from a place towards the eye.
type ray struct {
	scene *Scene
	from  view.Place
	way   view.Place
}

// meets walks over the columns under the ray and tells whether it goes through a sheet.
func (r *ray) meets(s *Sheet, isOwn bool) bool {
	if !isOwn && (r.way[2] >= 0 && r.from[2] > s.high || r.way[2] <= 0 && r.from[2] < s.low) {
		return false
	}
	l, box := s.lattice, r.scene.Projection.Box
	// Just behind its beginning the ray is in the column that it goes through first.
	tiny := 1e-9 * (box[0][1] - box[0][0]) / (math.Abs(r.way[0]) + math.Abs(r.way[1]) + math.Abs(r.way[2]))
	start := r.from.Plus(r.way, tiny)
	i, j := find(l.X, clamp(start[0], l.X)), find(l.Y, clamp(start[1], l.Y))
	off := 0.0
	if isOwn {
		if off = r.from[2] - s.bilinear(i, j, r.from[0], r.from[1]); math.IsNaN(off) {
			off = 0
		}
	}
	above := func(i, j int, t float64) float64 {
		p := r.from.Plus(r.way, t)
		return p[2] - off - s.bilinear(i, j, p[0], p[1])
	}
	for t, first := 0.0, true; ; first = false {
		next := math.Min(math.Min(r.leaves(0, l.X, i), r.leaves(1, l.Y, j)), r.leaves(2, box[2][:], 0))
		if math.IsInf(next, 1) || next < t {
			return false
		}
		if s.state[l.cell(i, j)] != empty && next > t {
			a, b := above(i, j, t), above(i, j, next)
			if isOwn && first {
				// It begins on the sheet: what counts is to which side it leaves it.
				a = above(i, j, math.Min(next, t+(next-t)*1e-3))
			}
			if a*b < 0 {
				z := r.from[2] + r.way[2]*(t+(next-t)*a/(a-b))
				if z >= box[2][0] && z <= box[2][1] {
					return true
				}
			}
		}
		t = next
		switch {
		case r.leaves(0, l.X, i) <= next:
			i += step(r.way[0])
		case r.leaves(1, l.Y, j) <= next:
			j += step(r.way[1])
		default:
			return false
		}
		if i < 0 || j < 0 || i >= len(l.X)-1 || j >= len(l.Y)-1 {
			return false
		}
	}
}

func clamp(v float64, lines []float64) float64 {
	return math.Max(lines[0], math.Min(lines[len(lines)-1], v))
}

func step(way float64) int {
	if way < 0 {
		return -1
	}
	return 1
}

// leaves is the share of the way at which the ray leaves a column along an axis.
func (r *ray) leaves(axis int, lines []float64, at int) float64 {
	switch {
	case r.way[axis] > 0:
		return (lines[at+1] - r.from[axis]) / r.way[axis]
	case r.way[axis] < 0:
		return (lines[at] - r.from[axis]) / r.way[axis]
	}
	return math.Inf(1)
}
