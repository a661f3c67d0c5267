package compose

import "math"

// hold lets labels stand over lines that would go back to a side which they left not long ago, or vanish, until the hand lets go: a line
// that runs under a label for a moment is read more easily than a label that goes back and forth.
func hold(s *labelling) {
	for i := range s.spots {
		was, stood := s.stood[s.anchors[i].Label.ID]
		vanishes := s.spots[i].cost >= covers && s.anchors[i].Pen.Width == 0
		if s.spots[i].cost < turnsBack || s.isListed(i) || !stood || !(vanishes || s.turnedLately(was)) {
			continue
		}
		s.spots[i].cost = covers
		if held, is := beside(s, i, was); is && !s.meetsLabel(i, -1, held.box) {
			s.spots[i] = held
		}
	}
}

// beside is where a label stands that keeps its side and its distance, inside of the panel.
func beside(s *labelling, i int, was spot) (at spot, is bool) {
	a := &s.anchors[i]
	at = spot{side: was.side, ring: was.ring, at: [2]float64{a.X, a.Y}, away: was.away}
	middle := [2]float64{a.X + was.away[0], a.Y + was.away[1]}
	switch was.side {
	case onPlace:
		at.at = middle
		at = s.laid(i, at, 0)
	case farOff:
		size := s.sizes[i]
		at.box = box{math.Round(middle[0] - size.Width/2), math.Round(middle[1] - size.Height/2), size.Width, size.Height}
	default:
		if at.at, is = s.nearestTo(a, was.at); !is {
			return at, false
		}
		at = s.laid(i, at, gapsOf(a)[was.ring])
	}
	if was.led {
		at.led, at.leader = true, segment{at.at, at.box.grown(-labelPad).nearest(at.at)}
	}
	return at, isInside(s.View, at.box)
}
