package compose

import (
	"math"

	"parvix/core/stage/view"
)

// weight is what a place costs by what is near, beside what it costs already: covers for one that would cover something, labels but one
// included. It tells whether a line leads to the label.
func (s *labelling) weight(i int, at *spot, but int) (cost int) {
	if !isInside(s.View, at.box) {
		return covers
	}
	ink := at.box.grown(-labelPad)
	if s.Room.holds(ink.grown(lineHalf), anybody) || s.meetsLabel(i, but, at.box) {
		return covers
	}
	a := &s.anchors[i]
	if a.IsFree {
		return 0
	}
	if at.side == onPlace {
		// It is still inside where no line lies between.
		way := segment{[2]float64{at.at[0] - at.away[0], at.at[1] - at.away[1]}, at.at}
		if at.away != [2]float64{} && s.along(way)&^(axisLine|firm) != 0 {
			return covers
		}
		return 0
	}
	if at.ring < ringsOfLeaders {
		others := ^(firm | axisLine | unnamed | s.points)
		if a.IsPoint {
			others = s.points | unnamed
		}
		if s.Room.isClear(ink, a.own, others, farFromOwn*2/3*s.size()) {
			return 0
		}
		cost += ambiguous
	} else {
		cost += leaderCost
	}
	at.led, at.leader = true, segment{at.at, ink.nearest(at.at)}
	if s.leaderMeetsLabel(i, but, at.leader) {
		return covers
	}
	crossed := s.crossed(a, at.leader)
	if crossed&firm != 0 {
		return covers
	}
	if crossed != 0 {
		cost += leaderCrosses
	}
	return cost
}

// isInside tells that all of a box is seen.
func isInside(v view.View, b box) bool {
	const edge = 2
	return b.x >= edge && b.y >= edge && b.x+b.width <= v.Width-edge && b.y+b.height <= v.Height-edge
}

// meetsLabel tells that a box lies on another label or on the line that leads to it.
func (s *labelling) meetsLabel(i, but int, b box) bool {
	for k := range s.spots {
		if other := &s.spots[k]; k != but && k != i && other.cost < covers &&
			(other.box.meets(b) || other.led && other.leader.crosses(b)) {
			return true
		}
	}
	return false
}

// leaderMeetsLabel tells that a line which would lead to a label crosses another label.
func (s *labelling) leaderMeetsLabel(i, but int, leader segment) bool {
	for k := range s.spots {
		if k != but && k != i && s.spots[k].cost < covers && leader.crosses(s.spots[k].box) {
			return true
		}
	}
	return false
}

// lineHalf is half the width of a curve, which its cells do not know.
const lineHalf = 1.5

// crossed tells what the line that would lead to a label crosses, its own and the axes aside.
func (s *labelling) crossed(a *Anchor, leader segment) (by owners) {
	dx, dy := leader.to[0]-leader.from[0], leader.to[1]-leader.from[1]
	if length, short := math.Hypot(dx, dy), leaderShort*s.size(); length > short {
		leader.from = [2]float64{leader.from[0] + dx*short/length, leader.from[1] + dy*short/length}
	}
	return s.along(leader) &^ (a.own | axisLine)
}

// along tells what a line would cross.
func (s *labelling) along(line segment) (by owners) {
	dx, dy := line.to[0]-line.from[0], line.to[1]-line.from[1]
	steps := math.Ceil(math.Hypot(dx, dy) / cell)
	for k := 0.0; k < steps; k++ {
		by |= s.Room.at(line.from[0]+dx*k/steps, line.from[1]+dy*k/steps)
	}
	return by
}

// leaderShort is how far before its end a leader may touch what lies there.
const leaderShort = 15.0
