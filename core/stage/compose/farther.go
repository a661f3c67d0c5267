package compose

import "math"

// Places inside an area are tried at such distances from its own.
const insideStep, insideMost = 20.0, 120.0

// insideOf visits places inside an area: its own, and others around it.
func (s *labelling) insideOf(i int, at [2]float64, visit func(spot) int) int {
	tooMuch := visit(s.laid(i, spot{side: onPlace, at: at}, 0))
	for distance := insideStep; distance <= insideMost; distance += insideStep {
		for k, side := range around {
			away := [2]float64{side[0] * distance, side[1] * distance}
			place := spot{side: onPlace, at: [2]float64{at[0] + away[0], at[1] + away[1]}, away: away, cost: k + int(distance/4)}
			if place.cost < tooMuch {
				tooMuch = visit(s.laid(i, place, 0))
			}
		}
	}
	return tooMuch
}

// Where a place near by is not to be had, one is looked for farther off, in so many directions.
const (
	farDirections  = 16
	farFrom, farTo = 90.0, 270.0
	farStep        = 30.0
	farCost        = 60
)

// slides are how far in pixels a label that stands far off may move from one picture to the next before it jumps.
var slides = [5]float64{0, 9, 18, 36, 72}

// ratherFar is how long in pixels the line to a label may be, rather than that the label goes over to the other side again.
const ratherFar = 160.0

// findFarOff gives the nearest place to which a line can lead, those around where the label stood in the last picture first; best where
// there is none.
func (s *labelling) findFarOff(i int, best spot) spot {
	at, reach := [2]float64{s.anchors[i].X, s.anchors[i].Y}, math.Inf(1)
	if best.cost < covers {
		reach = ratherFar * s.size()
	}
	offer := func(from [2]float64, distance float64, cost int) {
		for k := range farDirections {
			sin, cos := math.Sincos(2 * math.Pi * (float64(k) + 0.5) / farDirections)
			away := [2]float64{from[0] + distance*cos, from[1] + distance*sin}
			if far := s.awayFrom(i, at, away, cost); far.cost < best.cost && far.leader.length() <= reach {
				best = far
			}
			if distance == 0 {
				return
			}
		}
	}
	if was, stood := s.stood[s.anchors[i].Label.ID]; stood && !was.missing && !was.listed {
		before := [2]float64{was.box.x + was.box.width/2 - at[0], was.box.y + was.box.height/2 - at[1]}
		for _, slide := range slides {
			if offer(before, slide, farCost+int(slide)); best.cost < turnsBack {
				return best
			}
		}
	}
	for distance := farFrom; distance <= farTo; distance += farStep {
		if offer([2]float64{}, distance*s.size(), farCost+int(distance)); best.cost < turnsBack {
			break
		}
	}
	return best
}

// awayFrom is a place whose middle lies so far from the label's own, with what it costs.
func (s *labelling) awayFrom(i int, at, away [2]float64, cost int) spot {
	size := s.sizes[i]
	x, y := at[0]+away[0]-size.Width/2, at[1]+away[1]-size.Height/2
	far := spot{side: farOff, ring: ringsOfLeaders, at: at, away: away, cost: cost, box: box{math.Round(x), math.Round(y), size.Width, size.Height}}
	was, stood := s.stood[s.anchors[i].Label.ID]
	if !stood || far.box.from(was.box) > glide {
		far.cost += s.turnCost(was, far.sides())
	}
	far.cost += s.weight(i, &far, -1)
	return far
}

// mostExchanges bounds what is tried to make room for one label, mostInAll for all of a picture.
const mostExchanges, mostInAll = 24, 96

// exchange makes room for labels that cover something or go back and forth: another moves when both have a better place then.
func (s *labelling) exchange() {
	for i := range s.spots {
		if s.spots[i].cost < turnsBack || s.isListed(i) || s.exchanged >= mostInAll {
			continue
		}
		tries, most := 0, covers
		if s.spots[i].cost < covers {
			most = turnsBack
		}
		const enough = 0
		s.candidates(i, func(at spot) int {
			other, several := s.inTheWay(i, at.box)
			switch {
			case tries >= mostExchanges:
				return enough
			case other < 0 || several:
				return most
			}
			tries++
			s.exchanged++
			if at.cost += s.weight(i, &at, other); at.cost >= most {
				return most
			}
			before, own := s.spots[other], s.spots[i]
			s.spots[i], s.spots[other].cost = at, covers
			if moved := s.find(other); moved.cost < most {
				s.spots[other] = moved
				return enough
			}
			s.spots[i], s.spots[other] = own, before
			return most
		})
	}
}

// inTheWay is the label that a box would cover, −1 for none.
func (s *labelling) inTheWay(i int, b box) (other int, several bool) {
	other = -1
	for k := range s.spots {
		if k != i && s.spots[k].cost < covers && s.spots[k].box.meets(b) {
			if other >= 0 {
				return other, true
			}
			other = k
		}
	}
	return other, false
}
