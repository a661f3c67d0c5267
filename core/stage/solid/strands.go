package solid

import (
	"cmp"
	"math"
	"slices"

	"parvix/core/numeric/bisect"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Seen is a part of a line in pixels, in sight or behind a surface.
type Seen struct {
	Points [][2]float64
	// Near is how near each point is to the reader.
	Near     []float64
	IsHidden bool
	// strand is the place of the strand among the scene's.
	strand int
}

// Sizes in pixels: how far apart the places of a line are at which it is looked whether it is hidden, the width of what is hidden as a
// share, half of a gap where a line goes under another, how near to each other two places of a line are at least, how far apart they
// are at most, and how far a line may leave the way it began with: a circle lies by a quarter of that beside the chord.
const (
	lookEvery   = 8.0
	hiddenShare = 0.6
	halfGap     = 5.0
	thinnest    = 2.0
	longest     = 10.0
	straight    = 0.4
	// hiddenOpacity is that of what is behind a surface.
	hiddenOpacity = 0.5
)

// Strands works out what of the lines is in sight.
func (s *Scene) Strands() (list []Seen) {
	for k := range s.strands {
		list = append(list, s.seen(k)...)
	}
	return s.gapped(list)
}

// Pen is how a part of a line is drawn: behind a surface thin and dotted.
func (s *Scene) Pen(part Seen) Pen {
	pen := s.strands[part.strand].Pen
	if part.IsHidden {
		pen.Width, pen.Pattern, pen.Opacity = pen.Width*hiddenShare, picture.Dotted, pen.Opacity*hiddenOpacity
	}
	return pen
}

// Of is the line that a part belongs to.
func (s *Scene) Of(part Seen) Strand { return s.strands[part.strand] }

// seen parts a line where it leaves the box, and where it goes behind a surface.
func (s *Scene) seen(k int) (list []Seen) {
	strand := &s.strands[k]
	var now Seen
	end := func() {
		if len(now.Points) > 1 {
			now.strand = k
			list = append(list, now)
		}
		now = Seen{}
	}
	add := func(p view.Place) {
		x, y, near := s.Projection.At(p)
		now.Points, now.Near = append(now.Points, [2]float64{x, y}), append(now.Near, near)
	}
	isHidden := func(p view.Place) bool { return s.Hides(p, strand.On) }
	s.eachStep(s.thinned(strand.Line), func(a, b view.Place, isNew bool) {
		hiddenB := isHidden(b)
		if isNew {
			end()
			now.IsHidden = isHidden(a)
			add(a)
		}
		if hiddenB != now.IsHidden {
			m := s.change(a, b, now.IsHidden, isHidden)
			add(m)
			end()
			now.IsHidden = hiddenB
			add(m)
		}
		add(b)
	})
	end()
	return list
}

// thinned leaves out places that are seen all but where the one before is, or on the straight way on from there.
func (s *Scene) thinned(line []view.Place) []view.Place {
	const fewToThin = 64
	if len(line) < fewToThin {
		return line
	}
	s.thin = s.thin[:0]
	last := [2]float64{math.Inf(1), 0}
	var way [2]float64 // of length 1, from the last place that was kept; 0 for none yet
	for k, p := range line {
		at := s.Projection.Pixel(p)
		dx, dy := at[0]-last[0], at[1]-last[1]
		length := dx*dx + dy*dy
		isEnd := k == len(line)-1 || !p.IsFinite() || k > 0 && !line[k-1].IsFinite() || !line[k+1].IsFinite()
		if !isEnd && length < longest*longest {
			if length < thinnest*thinnest {
				continue
			}
			if way == [2]float64{} {
				long := math.Sqrt(length)
				way = [2]float64{dx / long, dy / long}
				continue
			}
			if math.Abs(dx*way[1]-dy*way[0]) < straight {
				continue
			}
		}
		s.thin, last, way = append(s.thin, p), at, [2]float64{}
	}
	return s.thin
}

// change is where between two places a line goes behind a surface or comes out again.
func (s *Scene) change(a, b view.Place, hiddenA bool, isHidden func(view.Place) bool) view.Place {
	const halvings = 5
	way := b.Sub(a)
	last, first := bisect.Change(func(share float64) bool { return isHidden(a.Plus(way, share)) == hiddenA }, 0, 1, halvings)
	return a.Plus(way, (last+first)/2)
}

// eachStep visits the short steps of a line inside of the box; isNew tells that one does not begin where the last has ended.
func (s *Scene) eachStep(line []view.Place, visit func(a, b view.Place, isNew bool)) {
	goesOn := false
	for k := 1; k < len(line); k++ {
		a, b := line[k-1], line[k]
		if !a.IsFinite() || !b.IsFinite() {
			goesOn = false
			continue
		}
		from, to, ok := s.inBox(a, b)
		if !ok {
			goesOn = false
			continue
		}
		way := b.Sub(a)
		first, last := a.Plus(way, from), a.Plus(way, to)
		if to == 1 {
			last = b
		}
		p, q := s.Projection.Pixel(first), s.Projection.Pixel(last)
		steps := 1.0
		if len(s.sheets)+len(s.nets) > 0 {
			steps = math.Max(1, math.Min(400, math.Ceil(math.Hypot(q[0]-p[0], q[1]-p[1])/lookEvery)))
		}
		at := first
		for n := 1.0; n <= steps; n++ {
			next := first.Plus(last.Sub(first), n/steps)
			visit(at, next, n == 1 && (!goesOn || from > 0))
			at = next
		}
		goesOn = to == 1
	}
}

// inBox gives the shares of a step between which it lies in the box (Liang and Barsky 1984).
func (s *Scene) inBox(a, b view.Place) (from, to float64, ok bool) {
	from, to = 0, 1
	for k, ends := range s.Projection.Box {
		slack := 1e-9 * (ends[1] - ends[0])
		low, high, way := ends[0]-slack-a[k], ends[1]+slack-a[k], b[k]-a[k]
		if way == 0 {
			if low > 0 || high < 0 {
				return 0, 0, false
			}
			continue
		}
		t0, t1 := low/way, high/way
		if t0 > t1 {
			t0, t1 = t1, t0
		}
		from, to = math.Max(from, t0), math.Min(to, t1)
	}
	return from, to, from < to
}

// gapCell is the side of the squares in which crossings are looked for.
const gapCell = 12.0

// step of a part, by their places.
type stepOf struct{ part, at int }

// gap is a stretch that is left out of a part, in steps.
type gap struct{ from, to float64 }

// gapped leaves gaps where a line goes under another, so that it is seen which is in front.
func (s *Scene) gapped(parts []Seen) []Seen {
	squares := map[[2]int][]stepOf{}
	gaps := map[int][]gap{}
	for k := range parts {
		if parts[k].IsHidden || !s.strands[parts[k].strand].Crosses {
			continue
		}
		for at := 1; at < len(parts[k].Points); at++ {
			a, b := parts[k].Points[at-1], parts[k].Points[at]
			for i := int(math.Min(a[0], b[0]) / gapCell); i <= int(math.Max(a[0], b[0])/gapCell); i++ {
				for j := int(math.Min(a[1], b[1]) / gapCell); j <= int(math.Max(a[1], b[1])/gapCell); j++ {
					square := [2]int{i, j}
					for _, other := range squares[square] {
						meet(parts, stepOf{k, at}, other, gaps)
					}
					squares[square] = append(squares[square], stepOf{k, at})
				}
			}
		}
	}
	if len(gaps) == 0 {
		return parts
	}
	var list []Seen
	for k, part := range parts {
		if len(gaps[k]) == 0 {
			list = append(list, part)
			continue
		}
		list = append(list, without(part, gaps[k])...)
	}
	return list
}

// meet notes a gap in the one of two steps that lies behind where they cross.
func meet(parts []Seen, one, other stepOf, gaps map[int][]gap) {
	if one.part == other.part && one.at-other.at < 2 {
		return
	}
	p, q := &parts[one.part], &parts[other.part]
	a, b, c, d := p.Points[one.at-1], p.Points[one.at], q.Points[other.at-1], q.Points[other.at]
	if max(a[0], b[0]) < min(c[0], d[0]) || max(c[0], d[0]) < min(a[0], b[0]) || max(a[1], b[1]) < min(c[1], d[1]) || max(c[1], d[1]) < min(a[1], b[1]) {
		return
	}
	ux, uy, vx, vy := b[0]-a[0], b[1]-a[1], d[0]-c[0], d[1]-c[1]
	det := ux*vy - uy*vx
	if det == 0 {
		return
	}
	t := ((c[0]-a[0])*vy - (c[1]-a[1])*vx) / det
	w := ((c[0]-a[0])*uy - (c[1]-a[1])*ux) / det
	if t < 0 || t >= 1 || w < 0 || w >= 1 {
		return
	}
	nearOne := p.Near[one.at-1] + t*(p.Near[one.at]-p.Near[one.at-1])
	nearOther := q.Near[other.at-1] + w*(q.Near[other.at]-q.Near[other.at-1])
	const touches = 3
	if math.Abs(nearOne-nearOther) < touches {
		return
	}
	under, at, share := other, other.at, w
	if nearOne < nearOther {
		under, at, share = one, one.at, t
	}
	from, to := parts[under.part].around(at, share)
	gaps[under.part] = append(gaps[under.part], gap{from, to})
}

// around is the stretch of a gap about a place, in steps from the part's beginning.
func (p *Seen) around(at int, share float64) (from, to float64) {
	length := func(k int) float64 {
		return math.Hypot(p.Points[k][0]-p.Points[k-1][0], p.Points[k][1]-p.Points[k-1][1])
	}
	from, to = float64(at-1)+share, float64(at-1)+share
	for left, k, room := halfGap, at, share; k >= 1; {
		if have := length(k) * room; have >= left {
			from = float64(k-1) + room - left/length(k)
			break
		} else {
			left -= have
		}
		k, room = k-1, 1
		from = float64(k)
	}
	for left, k, room := halfGap, at, 1-share; k < len(p.Points); {
		if have := length(k) * room; have >= left {
			to = float64(k) - room + left/length(k)
			break
		} else {
			left -= have
		}
		to = float64(k)
		k, room = k+1, 1
	}
	return from, to
}

// without leaves stretches out of a part.
func without(part Seen, gaps []gap) (list []Seen) {
	slices.SortFunc(gaps, func(a, b gap) int { return cmp.Compare(a.from, b.from) })
	last := float64(len(part.Points) - 1)
	from := 0.0
	for _, g := range append(gaps, gap{last, last}) {
		if g.from > from {
			list = append(list, part.stretch(from, g.from))
		}
		from = math.Max(from, g.to)
	}
	return list
}

// stretch is a part of a part, in steps.
func (p *Seen) stretch(from, to float64) Seen {
	now := Seen{strand: p.strand}
	now.take(*p, from)
	for k := math.Floor(from) + 1; k < to; k++ {
		now.take(*p, k)
	}
	now.take(*p, to)
	return now
}

// take adds a place of another part, counted in its steps.
func (p *Seen) take(from Seen, t float64) {
	k := min(int(t), len(from.Points)-2)
	u := t - float64(k)
	a, b := from.Points[k], from.Points[k+1]
	p.Points = append(p.Points, [2]float64{a[0] + u*(b[0]-a[0]), a[1] + u*(b[1]-a[1])})
	p.Near = append(p.Near, from.Near[k]+u*(from.Near[k+1]-from.Near[k]))
}

// IsEnd tells that a part ends where its line does.
func (s *Scene) IsEnd(part Seen) bool {
	line := s.strands[part.strand].Line
	end, last := s.Projection.Pixel(line[len(line)-1]), part.Points[len(part.Points)-1]
	return math.Hypot(end[0]-last[0], end[1]-last[1]) < 0.5
}

// PaintMarks draws the points of an owner; one behind a surface as a small ring.
func (s *Scene) PaintMarks(pen *picture.Pen, owner int) {
	const smaller = 0.7
	for _, m := range s.marks {
		if m.Owner != owner || !s.Projection.Holds(m.At) {
			continue
		}
		shape, radius := m.Shape, m.Radius
		if s.Hides(m.At, m.On) {
			shape, radius = picture.Ring, radius*smaller
		}
		at := s.Projection.Pixel(m.At)
		pen.Marker(m.Colour, shape, at[0], at[1], radius)
	}
}
