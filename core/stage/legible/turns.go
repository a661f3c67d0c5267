package legible

import "parvix/core/stage/picture"

// Turns counts how often labels change sides from picture to picture: go over from the left of their place to its right or from above
// to below, or back. Beside or upright of it they have given way only.
type Turns struct {
	sides map[string][2]int
	// Of is how often each label has changed; one that never has stands with 0.
	Of map[string]int
}

// Add takes the next picture in.
func (t *Turns) Add(p *picture.Picture) {
	if t.Of == nil {
		t.sides, t.Of = map[string][2]int{}, map[string]int{}
	}
	for i := range p.Labels {
		l := &p.Labels[i]
		now, was := l.Side(), t.sides[l.ID]
		if _, stood := t.Of[l.ID]; !stood {
			t.Of[l.ID] = 0
		}
		if now[0]*was[0] < 0 || now[1]*was[1] < 0 {
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
