package compose

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Labels keep a gap in pixels to what they belong to, the nearest first: a point is larger than a line.
var (
	gapsOfPoints = [6]float64{8, 13, 19, 34, 52, 78}
	gapsOfCurves = [6]float64{4, 9, 15, 32, 50, 74}
)

// farFromOwn is the distance from which a line leads from a label to its own; ringsOfLeaders the first gap that is so wide.
const farFromOwn, ringsOfLeaders = 24.0, 3

// around are the directions in which a label is tried, right above first.
var around = [8][2]float64{{1, -1}, {1, 1}, {-1, -1}, {-1, 1}, {1, 0}, {-1, 0}, {0, -1}, {0, 1}}

// onPlace stands for the place itself among the directions, farOff for any place that a leader reaches.
const onPlace, farOff = -1, -2

// spot is where a label stands: on which side of its place, in which of the gaps.
type spot struct {
	side, ring int
	at         [2]float64
	box        box
	// away is how far the middle of a label that stands far off, or inside of an area, is from its place.
	away [2]float64
	cost int
	// led tells that a line leads from its place to the label.
	led    bool
	leader segment
	// short and listed tell that the label had no place and was shortened or stands in the legend; it stays so for a window.
	short, listed bool
	window        view.View
	// toward is on which side of its place it stood last, across and down; turned is the picture in which it went over to the other.
	toward [2]int
	turned int
	// missing tells that it had no place in the last picture.
	missing bool
}

// Costs of a label's place; one from covers on is none.
const (
	ringCost, placeCost = 6, 3
	leaderCost          = 25
	sideChange          = 150
	turnsBack           = 2000
	givesWay            = 20
	rowCost             = 40
	ambiguous           = 90
	leaderCrosses       = 50
	covers              = 10000
)

// labelling is the search for the places of one picture's labels: candidates with costs, one after the other, then
// improved by exchange; begun from the last picture's (Christensen, Marks and Shieber, ACM Transactions on Graphics 14, 1995).
type labelling struct {
	*Composer
	anchors []Anchor
	drawn   []float32 // the records that the anchors' From and To count in
	sizes   []Size
	spots   []spot
	isCut   []bool
	points  owners
	rows    map[string]*row
	// searched is for how many labels a place was looked for, exchanged how often room was made.
	searched, exchanged int
}

// mostSearched bounds the labels of one picture for which a place is looked for: where there are so many, hardly any has room left.
const mostSearched = 60

// place puts every label where it covers nothing and is nearest to its own: points first, since they cannot choose. A curve whose
// label has no place is named in a legend; another label is left out.
func (c *Composer) place(anchors []Anchor, drawn []float32) {
	c.placed++
	s := &labelling{Composer: c, anchors: anchors, drawn: drawn, spots: make([]spot, len(anchors)), isCut: make([]bool, len(anchors)), sizes: make([]Size, len(anchors))}
	for i := range anchors {
		if was, stood := c.stood[anchors[i].Label.ID]; stood && was.short && was.window == s.View {
			s.cut(i)
		}
		s.sizes[i] = c.labelSize(anchors[i].Label)
		s.spots[i].cost = covers
		if anchors[i].IsPoint && !anchors[i].Inside {
			s.points |= anchors[i].own
		}
	}
	s.findRows()
	// Labels that can stay come first, so that none of them has to give way to one that looks for a place.
	for i := range anchors {
		if !s.isListed(i) {
			s.spots[i] = s.stayed(i)
		}
	}
	for _, points := range []bool{true, false} {
		for i := range anchors {
			if anchors[i].IsPoint == points && s.spots[i].cost >= covers && !s.isListed(i) && s.searched < mostSearched {
				s.searched++
				s.spots[i] = s.find(i)
			}
		}
	}
	s.exchange()
	if s.shorten() {
		s.exchange()
	}
	if c.Tolerance >= sample.Moving {
		hold(s)
	}
	s.write()
}

// gaps are the distances from its own in which a label is tried.
func gapsOf(a *Anchor) *[6]float64 {
	if a.IsPoint {
		return &gapsOfPoints
	}
	return &gapsOfCurves
}

// shorten looks for places of labels that had none with less to say; it tells whether there were any.
func (s *labelling) shorten() (some bool) {
	for i := range s.anchors {
		if s.spots[i].cost >= covers && !s.isListed(i) && s.cut(i) {
			some = true
			s.sizes[i] = s.labelSize(s.anchors[i].Label)
			s.spots[i] = s.find(i)
		}
	}
	return some
}

// cut makes a label say less; false when it has no shorter words.
func (s *labelling) cut(i int) bool {
	a := &s.anchors[i]
	if a.Short == "" || a.Label.LaTeX == a.Short {
		return false
	}
	a.Label.LaTeX, s.isCut[i] = a.Short, true
	return true
}

// isListed tells that a label stands in the legend and stays there until the window changes.
func (s *labelling) isListed(i int) bool {
	was, stood := s.stood[s.anchors[i].Label.ID]
	return stood && was.listed && was.window == s.View
}

// candidates visits the places of a label, with what each costs beside what it covers; the visit tells from which cost on a place is not
// worth it.
func (s *labelling) candidates(i int, visit func(spot) (tooMuch int)) {
	tooMuch := covers
	a := &s.anchors[i]
	was, known := s.stood[a.Label.ID]
	stood := known && !was.missing
	r := s.rows[a.Row]
	places := make([][2]float64, 0, 32)
	if stood && !was.listed {
		if nearest, is := s.nearestTo(a, was.at); is {
			places = append(places, nearest)
		}
	}
	if r != nil {
		if at, is := r.places[i]; is {
			places = append(places, at)
		}
	}
	places = append(append(places, [2]float64{a.X, a.Y}), a.Others...)
	gaps := gapsOf(a)
	for n, at := range places {
		distant := placeCost * n
		if stood {
			distant += int(math.Hypot(at[0]-was.at[0], at[1]-was.at[1]) / 8)
		}
		if distant >= tooMuch {
			continue
		}
		if a.Inside {
			tooMuch = s.insideOf(i, at, visit)
		}
		for side := range around {
			cost := distant + side
			cost += s.turnCost(was, [2]int{int(around[side][0]), int(around[side][1])})
			if cost >= turnsBack && s.Tolerance >= sample.Moving {
				continue // it holds its place
			}
			if stood && was.side >= 0 && was.side != side {
				cost += givesWay
			}
			if r != nil && r.sided && side != r.side {
				cost += rowCost
			}
			for ring := 0; ring < len(gaps) && cost+ringCost*ring < tooMuch; ring++ {
				tooMuch = visit(s.laid(i, spot{side: side, ring: ring, at: at, cost: cost + ringCost*ring}, gaps[ring]))
			}
		}
	}
}

// once is how many pictures a label that has gone over to the other side stays there, at the cost of a place farther off: three
// seconds of a drag, so that no label goes back and forth.
const once = 90

// turnCost is what it costs to go over to the other side of its place, most where it has done so not long ago.
func (s *labelling) turnCost(was spot, toward [2]int) int {
	switch {
	case was.toward[0]*toward[0] >= 0 && was.toward[1]*toward[1] >= 0:
		return 0
	case s.turnedLately(was):
		return turnsBack
	}
	return sideChange
}

// turnedLately tells that a label has gone over to the other side not long ago.
func (s *labelling) turnedLately(was spot) bool { return was.turned > 0 && s.placed-was.turned < once }

// SettleLabels lets the labels of the next picture stand where they are best, since nothing moves any more: one that kept its side at the
// cost of a place farther off comes near again.
func (c *Composer) SettleLabels() {
	for id, was := range c.stood {
		was.turned = 0
		c.stood[id] = was
	}
}

// glide is how far in pixels a label moves at most from one picture to the next without a jump: one that stands still while its point
// runs past it has not gone over to the other side.
const glide = 20.0

// sides tells on which side of its place a label would stand.
func (at *spot) sides() [2]int {
	l := picture.Label{X: at.box.x, Y: at.box.y, Width: at.box.width, Height: at.box.height, At: at.at}
	return l.Side()
}

// remember keeps on which side a label stands, and when it went over; beside or upright of its place it is still on its side.
func (s *labelling) remember(was, now spot) spot {
	now.toward, now.turned = now.sides(), was.turned
	glides := now.box.from(was.box) <= glide
	for i := range now.toward {
		if now.toward[i]*was.toward[i] < 0 && !glides {
			now.turned = s.placed
		}
		if now.toward[i] == 0 {
			now.toward[i] = was.toward[i]
		}
	}
	return now
}

// laid is a candidate with its box. Gaps grow with the type, as points and lines do.
func (s *labelling) laid(i int, at spot, gap float64) spot {
	gap *= s.size()
	size := s.sizes[i]
	side := [2]float64{}
	if at.side >= 0 {
		side = around[at.side]
	}
	if side[0] != 0 && side[1] != 0 {
		gap *= math.Sqrt2 / 2
	}
	at.box = box{math.Round(at.at[0] + side[0]*gap - size.Width*(1-side[0])/2),
		math.Round(at.at[1] + side[1]*gap - size.Height*(1-side[1])/2), size.Width, size.Height}
	return at
}

// stayed is where a label stands that stood somewhere and covers nothing there: on the same side of its own and as near, or nearer. So
// it glides with a dial and does not jump.
func (s *labelling) stayed(i int) spot {
	a := &s.anchors[i]
	was, stood := s.stood[a.Label.ID]
	none := spot{cost: covers}
	if !stood || was.listed || was.missing {
		return none
	}
	at, is := s.nearestTo(a, was.at)
	if was.side == onPlace {
		at = [2]float64{a.X + was.away[0], a.Y + was.away[1]}
	}
	// What stands far off comes nearer as soon as it can.
	if !is || was.side == farOff || math.Hypot(at[0]-was.at[0], at[1]-was.at[1]) >= stays {
		return none
	}
	gaps := gapsOf(a)
	best := none
	for ring := 0; ring <= was.ring; ring++ {
		stays := s.laid(i, spot{side: was.side, ring: ring, at: at, away: was.away, cost: ringCost * ring}, gaps[ring])
		if stays.cost += s.weight(i, &stays, -1); stays.cost < best.cost {
			best = stays
		}
		if best.cost < covers {
			break
		}
	}
	return best
}

// find gives the cheapest place of a label.
func (s *labelling) find(i int) spot {
	best := spot{cost: covers}
	s.candidates(i, func(at spot) int {
		if at.cost += s.weight(i, &at, -1); at.cost < best.cost {
			best = at
		}
		return best.cost
	})
	if r := s.rows[s.anchors[i].Row]; r != nil && !r.sided && best.cost < covers {
		r.side, r.sided = best.side, true
	}
	if best.cost >= turnsBack {
		best = s.findFarOff(i, best)
	}
	return best
}

// stays is how far a place may move between two pictures so that a label goes on standing at it.
const stays = 60.0

// nearestTo is the place of a curve in sight that is nearest to another; false for what has no lines.
func (s *labelling) nearestTo(a *Anchor, at [2]float64) (nearest [2]float64, is bool) {
	if a.IsPoint {
		return [2]float64{a.X, a.Y}, true
	}
	v, least := s.View, math.Inf(1)
	const edge = 10
	eachLine(s.drawn[a.From:a.To], func(points []float32) {
		for i := 2; i+1 < len(points); i += 2 {
			x1, y1 := float64(points[i-2]), float64(points[i-1])
			dx, dy := float64(points[i])-x1, float64(points[i+1])-y1
			share := 0.0
			if square := dx*dx + dy*dy; square > 0 {
				share = math.Max(0, math.Min(1, ((at[0]-x1)*dx+(at[1]-y1)*dy)/square))
			}
			x, y := x1+share*dx, y1+share*dy
			if x < edge || x > v.Width-edge || y < edge || y > v.Height-edge {
				continue
			}
			if away := (x-at[0])*(x-at[0]) + (y-at[1])*(y-at[1]); away < least {
				least, nearest, is = away, [2]float64{x, y}, true
			}
		}
	})
	return nearest, is
}

// write writes the labels that have a place, and the others in a legend where they name curves.
func (s *labelling) write() {
	c := s.Composer
	stood := make(map[string]spot, len(s.spots))
	var listed []Anchor
	c.pic.LeftOut = 0
	for i := range s.spots {
		a, at := &s.anchors[i], s.spots[i]
		if at.cost < covers {
			at.short, at.window = s.isCut[i], s.View
			stood[a.Label.ID] = s.remember(s.stood[a.Label.ID], at)
			a.Label.At, a.Label.IsLed = at.at, at.led
			if a.IsFree || a.Inside && !at.led {
				a.Label.At = [2]float64{at.box.x + at.box.width/2, at.box.y + at.box.height/2}
			}
			if at.led {
				c.Segment(Stroke(a.Label.Colour, 1, picture.Whole, 1), at.leader.from, at.leader.to)
			}
			c.writeLabel(a.Label, at.box)
			continue
		}
		if a.Pen.Width > 0 {
			listed = append(listed, *a)
			stood[a.Label.ID] = spot{listed: true, window: s.View}
			continue
		}
		c.pic.LeftOut++
	}
	for id, was := range c.stood {
		if _, is := stood[id]; !is && !was.listed && (c.Tolerance >= sample.Moving || s.turnedLately(was)) {
			was.missing = true
			stood[id] = was
		}
	}
	c.stood = stood
	if len(listed) > 0 && !c.legend(listed, true) {
		c.pic.LeftOut += len(listed)
	}
}
