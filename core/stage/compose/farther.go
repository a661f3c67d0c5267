package compose

import "math"

// Places inside an area are tried at such distances from its own.
const insideStep, insideMost = 20.0, 120.0

// offerInside offers places inside an area: its own, and others around it.
func (s *labelling) offerInside(i int, at [2]float64, visit func(spot) bool) bool {
	if !s.offer(i, spot{side: onPlace, at: at}, 0, visit) {
		return false
	}
	for distance := insideStep; distance <= insideMost; distance += insideStep {
		for k, side := range around {
			away := [2]float64{side[0] * distance, side[1] * distance}
			place := spot{side: onPlace, at: [2]float64{at[0] + away[0], at[1] + away[1]}, away: away, cost: k + int(distance/4)}
			if !s.offer(i, place, 0, visit) {
				return false
			}
		}
	}
	return true
}

// Where a place near by is not to be had, one is looked for farther off, in so many directions.
const (
	farDirections  = 16
	farFrom, farTo = 90.0, 270.0
	farStep        = 30.0
	farCost        = 60
)

// findFarOff gives the nearest place to which a line can lead, that of the last picture first; best where there is none.
func (s *labelling) findFarOff(i int, best spot) spot {
	at := [2]float64{s.anchors[i].X, s.anchors[i].Y}
	offer := func(away [2]float64, cost int) {
		if far := s.awayFrom(i, at, away, cost); far.cost < best.cost {
			best = far
		}
	}
	if was, stood := s.stood[s.anchors[i].Label.ID]; stood && was.side == farOff {
		if offer(was.away, farCost); best.cost < covers {
			return best
		}
	}
	for distance := farFrom; distance <= farTo; distance += farStep {
		for k := range farDirections {
			sin, cos := math.Sincos(2 * math.Pi * (float64(k) + 0.5) / farDirections)
			offer([2]float64{distance * cos, distance * sin}, farCost+int(distance))
		}
		if best.cost < covers {
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
	far.cost += s.weight(i, &far, -1)
	return far
}

// mostExchanges bounds what is tried to make room for one label.
const mostExchanges = 24

// exchange makes room for labels that cover something: another moves when both have a place then.
func (s *labelling) exchange() {
	for i := range s.spots {
		if s.spots[i].cost < covers || s.isListed(i) {
			continue
		}
		tries := 0
		s.candidates(i, func(at spot) bool {
			other, several := s.inTheWay(i, at.box)
			if other < 0 || several || tries >= mostExchanges {
				return tries < mostExchanges
			}
			tries++
			if at.cost += s.weight(i, &at, other); at.cost >= covers {
				return true
			}
			before, own := s.spots[other], s.spots[i]
			s.spots[i], s.spots[other].cost = at, covers
			if moved := s.find(other); moved.cost < covers {
				s.spots[other] = moved
				return false
			}
			s.spots[i], s.spots[other] = own, before
			return true
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
