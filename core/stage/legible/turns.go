package legible

import (
	"math"

	"parvix/core/stage/picture"
)

// Turns counts how often labels change sides from picture to picture: jump over from the left of their place to its right or from above
// to below, or back. Beside or upright of it they have given way only; and a label that stands still while its point runs past it has
// not jumped.
type Turns struct {
	sides   map[string][2]int
	middles map[string][2]float64
	// Of is how often each label has changed; one that never has stands with 0.
	Of map[string]int
}

// leastJump is from how many pixels on a label jumps from one picture to the next.
const leastJump = 24.0

// Add takes the next picture in.
func (t *Turns) Add(p *picture.Picture) {
	if t.Of == nil {
		t.sides, t.Of = map[string][2]int{}, map[string]int{}
		t.middles = map[string][2]float64{}
	}
	for i := range p.Labels {
		l := &p.Labels[i]
		now, was := l.Side(), t.sides[l.ID]
		if _, stood := t.Of[l.ID]; !stood {
			t.Of[l.ID] = 0
		}
		middle, before := [2]float64{l.X + l.Width/2, l.Y + l.Height/2}, t.middles[l.ID]
		jumps := math.Hypot(middle[0]-before[0], middle[1]-before[1]) > leastJump
		t.middles[l.ID] = middle
		if (now[0]*was[0] < 0 || now[1]*was[1] < 0) && jumps {
			t.Of[l.ID]++
		}
		for axis := range now {
			if now[axis] == 0 {
				now[axis] = was[axis]
			}
		}
		t.sides[l.ID] = now
	}
}

// BackAndForth gives the labels that have changed more than once.
func (t *Turns) BackAndForth() (ids []string) {
	for id, n := range t.Of {
		if n > 1 {
			ids = append(ids, id)
		}
	}
	return ids
}
