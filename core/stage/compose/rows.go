package compose

import "math"

// row is a line across the panel on which the members of a family are labelled in their order.
type row struct {
	// places are where the members cross it, by the places of their anchors.
	places map[int][2]float64
	// side is the side of their curves on which they stand, once one has found its place.
	side  int
	sided bool
}

// scans are how many upright and how many level lines are tried as a row.
const scans = 9

// leastOfRow is from how many curves on a family is labelled in a row.
const leastOfRow = 3

// findRows looks for each family's row: the line, upright or level, on which most of its members are so far apart that their labels
// have room between them.
func (s *labelling) findRows() {
	s.rows = map[string]*row{}
	members := map[string][]int{}
	for i := range s.anchors {
		if name := s.anchors[i].Row; name != "" {
			members[name] = append(members[name], i)
		}
	}
	for name, list := range members {
		if len(list) >= leastOfRow {
			s.rows[name] = s.rowOf(list)
		}
	}
}

// rowOf scores the lines by how many members have room on them.
func (s *labelling) rowOf(list []int) *row {
	crossings := make([]map[int][2]float64, 2*scans)
	for k := range crossings {
		crossings[k] = map[int][2]float64{}
	}
	for _, i := range list {
		s.cross(i, crossings)
	}
	best, most := 0, -1
	for k := range crossings {
		upright := k < scans
		free := 0
		for i, at := range crossings[k] {
			need := s.sizes[i].Height
			if !upright {
				need = s.sizes[i].Width
			}
			isFree := true
			for j, other := range crossings[k] {
				away := math.Abs(at[1] - other[1])
				if !upright {
					away = math.Abs(at[0] - other[0])
				}
				isFree = isFree && (i == j || away > need)
			}
			if isFree {
				free++
			}
		}
		if free > most {
			best, most = k, free
		}
	}
	return &row{places: crossings[best]}
}

// cross notes where a member first crosses each of the lines: upright ones from the right, then level ones from above.
func (s *labelling) cross(i int, crossings []map[int][2]float64) {
	v, a := s.View, &s.anchors[i]
	eachLine(s.drawn[a.From:a.To], func(points []float32) {
		for p := 2; p+1 < len(points); p += 2 {
			from := [2]float64{float64(points[p-2]), float64(points[p-1])}
			to := [2]float64{float64(points[p]), float64(points[p+1])}
			for axis, extent := range [2]float64{v.Width, v.Height} {
				step := extent / (scans + 1)
				low, high := math.Min(from[axis], to[axis]), math.Max(from[axis], to[axis])
				for n := math.Max(1, math.Ceil(low/step)); n <= scans && n*step < high; n++ {
					share := (n*step - from[axis]) / (to[axis] - from[axis])
					at := [2]float64{from[0] + (to[0]-from[0])*share, from[1] + (to[1]-from[1])*share}
					k := axis*scans + int(n) - 1
					if axis == 0 {
						k = scans - int(n)
					}
					if _, known := crossings[k][i]; !known && at[0] > 10 && at[0] < v.Width-10 && at[1] > 10 && at[1] < v.Height-10 {
						crossings[k][i] = at
					}
				}
			}
		}
	})
}
