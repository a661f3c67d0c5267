package sample

import (
	"cmp"
	"math"
	"slices"
)

// grid adds a place every few pixels and the knots, strictly between the places that are there and b.
func (s *Sampler) grid(v View, a, b float64) {
	step := math.Max(s.step, 2*v.Width/float64(s.most)) * (v.Right - v.Left) / v.Width
	n := math.Max(math.Ceil((b-a)/step), 8)
	knot := 0
	for knot < len(s.knots) && s.knots[knot] <= a {
		knot++
	}
	margin := (b - a) / n / 4
	last := a
	if len(s.xs) > 0 {
		last = s.xs[len(s.xs)-1]
	}
	for i := 1.0; i < n; i++ {
		x := a + (b-a)*i/n
		for ; knot < len(s.knots) && s.knots[knot] <= x; knot++ {
			s.xs = append(s.xs, s.knots[knot])
			last = s.knots[knot]
		}
		if x > last+margin*0.01 {
			s.xs = append(s.xs, x)
			last = x
		}
	}
	for ; knot < len(s.knots) && s.knots[knot] < b; knot++ {
		s.xs = append(s.xs, s.knots[knot])
	}
}

// evaluate sorts out places that came twice and computes the values.
func (s *Sampler) evaluate(f *Function, in []float64) {
	unique := s.xs[:0]
	for i, x := range s.xs {
		if i == 0 || x > unique[len(unique)-1] {
			unique = append(unique, x)
			continue
		}
		// The approach to a pole on the right steps back over the last places of the grid.
		for len(unique) > 1 && unique[len(unique)-1] > x {
			unique = unique[:len(unique)-1]
		}
		if x > unique[len(unique)-1] {
			unique = append(unique, x)
		}
	}
	s.xs = unique
	s.ys = resize(s.ys, len(s.xs))
	s.Spent += s.work * float64(len(s.xs))
	f.run(&s.machine, s.ys, s.xs, in)
}

// resize gives a slice of length n with any contents.
func resize[T any](a []T, n int) []T {
	if cap(a) < n {
		a = make([]T, n, n+n/2)
	}
	return a[:n]
}

// fixEnds puts the limits in the place of values that rounding or a gap would spoil.
func (s *Sampler) fixEnds(from, to breakPoint) {
	if from.right.kind == finite {
		s.ys[0] = from.right.value
	}
	if to.left.kind == finite {
		s.ys[len(s.ys)-1] = to.left.value
	}
}

// refine halves every step off whose straight line the function lies, until none is left or the points are used up.
func (s *Sampler) refine(f *Function, in []float64, v View) {
	s.next = s.next[:0]
	for i, x := range s.xs {
		s.next = append(s.next, Point{x, s.ys[i]})
	}
	s.off = Moving
	if !s.bend(f, in, v, true) {
		s.coarse = s.coarse || s.most < MaxPoints
		return
	}
	// Only when the piece is right everywhere it is made smooth, where the points suffice for all of it.
	if s.smooth {
		s.off, s.right = cmp.Or(s.Tolerance, AtRest), append(s.right[:0], s.next...)
		if !s.bend(f, in, v, false) {
			s.off, s.next = Moving, append(s.next[:0], s.right...)
		}
	}
}

// bend halves the steps off whose line the function lies by more than the tolerance of the piece; fresh ones are halved once in any case.
// false where the points are used up.
func (s *Sampler) bend(f *Function, in []float64, v View, fresh bool) (done bool) {
	sx := v.Width / (v.Right - v.Left)
	look := lens(v, s.off)
	done = true
	for k, share := range probes {
		s.bends = resize(s.bends, len(s.next))
		for i := range s.bends {
			s.bends[i] = i+1 < len(s.next) && !(len(s.bandsNow) > 0 && inBand(s.bandsNow, (s.next[i].X+s.next[i+1].X)/2, column/sx))
		}
		if k > 0 || !fresh {
			s.keepBent(f, in, look, share)
		}
		done = s.halve(f, in, look, share) && done
	}
	return done
}

// keepBent leaves of the steps those off whose line the function lies at the share of their width.
func (s *Sampler) keepBent(f *Function, in []float64, look seen, share float64) {
	s.probe(f, in, share)
	mid := 0
	for i, asked := range s.bends {
		if asked {
			s.bends[i] = look.bends(s.next[i], Point{s.mids[mid], s.values[mid]}, s.next[i+1])
			mid++
		}
	}
}

// probe evaluates the function in the steps that may bend.
func (s *Sampler) probe(f *Function, in []float64, share float64) {
	s.mids = s.mids[:0]
	for i, bends := range s.bends {
		if bends {
			s.mids = append(s.mids, s.next[i].X+(s.next[i+1].X-s.next[i].X)*share)
		}
	}
	s.values = resize(s.values, len(s.mids))
	s.Spent += s.work * float64(len(s.mids))
	f.run(&s.machine, s.values, s.mids, in)
}

// halve cuts the steps that may bend at the share of their width, and their parts as long as these bend; false where the points are used up.
func (s *Sampler) halve(f *Function, in []float64, look seen, share float64) (done bool) {
	for range maxHalvings {
		s.probe(f, in, share)
		if len(s.mids) == 0 {
			break
		}
		if len(s.points)+len(s.next)+len(s.mids) > s.most {
			return false
		}
		s.merge(look)
	}
	return true
}

// merge puts the computed middles between their neighbours and decides which of the halves bend.
func (s *Sampler) merge(look seen) {
	read, mid := len(s.next)-1, len(s.mids)-1
	write := read + len(s.mids)
	s.next = slices.Grow(s.next, len(s.mids))[:write+1]
	s.newBends = resize(s.newBends, write+1)
	for ; read >= 0; read-- {
		if read < len(s.bends) && s.bends[read] {
			m := Point{s.mids[mid], s.values[mid]}
			mid--
			bent := look.bends(s.next[read], m, s.next[write+1])
			s.next[write], s.newBends[write] = m, bent
			write--
			s.next[write], s.newBends[write] = s.next[read], bent
			write--
			continue
		}
		s.next[write], s.newBends[write] = s.next[read], false
		write--
	}
	s.bends, s.newBends = s.newBends, s.bends
}

// seen is what can be seen of a window: its scales in pixels, how far down and up, and how far off a line is seen to be.
type seen struct{ sx, sy, low, high, off float64 }

func lens(v View, off float64) seen {
	beyond := 0.2 * (v.Top - v.Bottom)
	return seen{v.Width / (v.Right - v.Left), v.Height / (v.Top - v.Bottom), v.Bottom - beyond, v.Top + beyond, off}
}

// bends tells whether m lies off the line from p to q by more than the tolerance, where that can be seen.
func (s seen) bends(p, m, q Point) bool {
	if p.Y > s.high && m.Y > s.high && q.Y > s.high || p.Y < s.low && m.Y < s.low && q.Y < s.low {
		return false
	}
	if m.Y != m.Y || p.Y != p.Y || q.Y != q.Y {
		return m.Y == m.Y || p.Y == p.Y || q.Y == q.Y
	}
	// The distance of m from the line p–q in pixels, compared without a root.
	dx, dy := (q.X-p.X)*s.sx, (q.Y-p.Y)*s.sy
	ex, ey := (m.X-p.X)*s.sx, (m.Y-p.Y)*s.sy
	cross, square := dx*ey-dy*ex, dx*dx+dy*dy
	if square == 0 {
		return ex*ex+ey*ey > s.off*s.off
	}
	return cross*cross > s.off*s.off*square
}
