package statistics

import (
	"fmt"
	"math"
	"slices"
	"sort"

	"parvix/core/formula/number"
)

// Suspect is a value that stands out, and why.
type Suspect struct {
	Index  int
	Reason string
}

// MAD is the median of the absolute values.
func MAD(values []float64) float64 {
	sizes := make([]float64, len(values))
	for i, v := range values {
		sizes[i] = math.Abs(v)
	}
	return Median(sizes)
}

// Resolution is one unit of the last decimal in which values are written, and no less than what a float64 can tell apart.
func Resolution(values []float64) float64 {
	decimals, largest := 0, 0.0
	for _, v := range values {
		decimals = max(decimals, number.Decimals(v, 12))
		largest = math.Max(largest, math.Abs(v))
	}
	if decimals == 0 {
		return 1e-9 * math.Max(largest, 1)
	}
	return math.Max(math.Pow(10, -float64(decimals)), 1e-12*largest)
}

const (
	// aside is how many neighbours on each side a value is compared with.
	aside = 3
	// normal makes of a median of absolute values the standard deviation of normal errors (Hampel 1974).
	normal = 1.4826
	// farOff is how many such spreads a value may lie off its neighbours' trend. With normal errors about one clean table in a hundred
	// has a value beyond it (measured).
	farOff = 9
	// fewest is how many values a trend needs.
	fewest = 6
)

// OffNeighbours are the values that lie far from the trend of their neighbours: a parabola through these that minds the majority of them only
// (least median of squares, Rousseeuw 1984) tells where each should lie; far is measured by the median of all such distances, and by
// that of those near by, since a table may be rough in one place only. The worst is taken out and its neighbours are looked at again, so that
// it does not accuse them. x and y have the same length; nothing is changed. Spread is the standard deviation of normal errors of which the
// distances that are left would be the usual ones.
func OffNeighbours(x, y []float64) (list []Suspect, spread float64) {
	order := make([]int, len(x))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(i, j int) bool { return x[order[i]] < x[order[j]] })
	floor := Resolution(y) / 2
	found := map[int]float64{}
	off := offs(order, x, y)
	for len(order) >= fewest && len(found) <= len(x)/5 {
		spread = math.Max(normal*MAD(off), floor)
		worst, measure := 0, 0.0
		for k := range off {
			if m := math.Abs(off[k]) / spread; m > farOff && m > measure {
				m = math.Abs(off[k]) / math.Max(spread, normal*MAD(around(off, k)))
				if m > farOff && m > measure {
					worst, measure = k, m
				}
			}
		}
		if measure == 0 {
			break
		}
		found[order[worst]] = math.Abs(off[worst])
		order = slices.Delete(order, worst, worst+1)
		off = slices.Delete(off, worst, worst+1)
		for k, to := reached(order, worst, x); k < to; k++ {
			off[k] = offTrend(order, k, x, y)
		}
	}
	usual := math.Max(MAD(off), floor)
	for i, distance := range found {
		list = append(list, Suspect{i, FarOff(distance/usual, "from its neighbours")})
	}
	sort.Slice(list, func(i, j int) bool { return list[i].Index < list[j].Index })
	return list, spread
}

// FarOff says how many times as far as usual something lies.
func FarOff(times float64, from string) string {
	return fmt.Sprintf("%s times the usual distance %s", number.Significant(times, 2), from)
}

// around are the values beside value k.
func around(off []float64, k int) []float64 {
	from, to := max(0, k-aside-1), min(len(off), k+aside+2)
	return append(slices.Clone(off[from:k]), off[k+1:to]...)
}

func offs(order []int, x, y []float64) []float64 {
	off := make([]float64, len(order))
	for k := range order {
		off[k] = offTrend(order, k, x, y)
	}
	return off
}

// offTrend is how far value k of an order lies from the trend of its neighbours, in units that make the ends, where a trend is less sure,
// comparable with the middle. Values at one place count as their median there, so that a table of repeated measurements has a trend too.
func offTrend(order []int, k int, x, y []float64) float64 {
	left, right := placesBeside(order, k, -1, x, y), placesBeside(order, k, 1, x, y)
	before, behind := min(aside, len(left)), min(aside, len(right))
	// At an end there are more of the other side.
	before, behind = min(len(left), max(before, 2*aside-behind)), min(len(right), max(behind, 2*aside-before))
	slices.Reverse(left[:before])
	places := append(left[:before:before], right[:behind]...)
	if own := besides(order, k, x, y); len(own) > 0 {
		places = append(places, place{0, Median(own)})
	}
	nx, ny := make([]float64, len(places)), make([]float64, len(places))
	for i, p := range places {
		nx[i], ny[i] = p.away, p.y
	}
	if len(places) == 0 {
		return 0
	}
	level, sureness, ok := robustParabola(nx, ny)
	if !ok {
		return y[order[k]] - Median(ny)
	}
	return (y[order[k]] - level) / sureness
}

// place is where neighbours lie: how far away by x, and their height.
type place struct{ away, y float64 }

// Bounds on how many values of one place are looked at, and how many on one side.
const mostAtOnePlace, mostWalked = 32, 64

// placesBeside are the next 2·aside places on one side of a value, the nearest first.
func placesBeside(order []int, k, way int, x, y []float64) (places []place) {
	here := x[order[k]]
	var at float64
	var heights []float64
	end := func() {
		if len(heights) > 0 {
			places = append(places, place{at - here, Median(heights)})
		}
		heights = heights[:0]
	}
	for j := k + way; j >= 0 && j < len(order) && len(places) < 2*aside && (j-k)*way <= mostWalked; j += way {
		i := order[j]
		if x[i] == here {
			continue
		}
		if len(heights) > 0 && x[i] != at {
			if end(); len(places) == 2*aside {
				return places
			}
		}
		if at = x[i]; len(heights) < mostAtOnePlace {
			heights = append(heights, y[i])
		}
	}
	end()
	return places[:min(len(places), 2*aside)]
}

// besides are the other values at the place of value k.
func besides(order []int, k int, x, y []float64) (heights []float64) {
	for _, way := range [2]int{-1, 1} {
		for j := k + way; j >= 0 && j < len(order) && x[order[j]] == x[order[k]] && len(heights) < mostAtOnePlace; j += way {
			heights = append(heights, y[order[j]])
		}
	}
	return heights
}

// reached are the values whose trend a value at k belongs to: those of so many places on both sides.
func reached(order []int, k int, x []float64) (from, to int) {
	walk := func(way int) int {
		j, places := k, 0
		for next := j + way; next >= 0 && next < len(order) && (next-k)*way <= mostWalked; next += way {
			if x[order[next]] != x[order[j]] {
				places++
			}
			if places > 2*aside {
				break
			}
			j = next
		}
		return j
	}
	if len(order) == 0 {
		return 0, 0
	}
	k = min(k, len(order)-1)
	return walk(-1), walk(1) + 1
}

// robustParabola gives at 0 the height of a parabola near most of a few points, and the spread of its prediction, 1 where the height were
// known exactly.
func robustParabola(x, y []float64) (height, spread float64, ok bool) {
	best := math.Inf(1)
	var inliers [2*aside + 1]bool
	var sizes, sorted [2*aside + 1]float64
	n := len(x)
	for i := range n {
		for j := i + 1; j < n; j++ {
			for k := j + 1; k < n; k++ {
				if x[i] == x[j] || x[j] == x[k] || x[i] == x[k] {
					continue
				}
				// Newton's form of the parabola through three points.
				slope := (y[j] - y[i]) / (x[j] - x[i])
				bend := ((y[k]-y[j])/(x[k]-x[j]) - slope) / (x[k] - x[i])
				for m := range n {
					sizes[m] = math.Abs(y[m] - y[i] - (x[m]-x[i])*(slope+(x[m]-x[j])*bend))
				}
				copy(sorted[:], sizes[:n])
				slices.Sort(sorted[:n])
				if middle := sorted[n*2/3]; middle < best {
					best = middle
					for m := range n {
						inliers[m] = sizes[m] <= 3*middle+1e-12
					}
				}
			}
		}
	}
	if math.IsInf(best, 1) {
		return 0, 1, false
	}
	c, fits := parabola(x, y, func(m int) bool { return inliers[m] })
	return c[0], c[3], fits
}

// parabola is that of least squares through the points that are taken: its coefficients, and the spread of its prediction at 0.
func parabola(x, y []float64, taken func(int) bool) (c [4]float64, ok bool) {
	unit := 0.0
	for _, v := range x {
		unit = math.Max(unit, math.Abs(v))
	}
	if unit == 0 {
		return c, false
	}
	var m [3][4]float64 // normal equations in x/unit, beside them those for the value at 0
	for i := range x {
		if !taken(i) {
			continue
		}
		u := x[i] / unit
		row := [3]float64{1, u, u * u}
		for a := range 3 {
			for b := range 3 {
				m[a][b] += row[a] * row[b]
			}
			m[a][3] += row[a] * y[i]
		}
	}
	inverse, ok := inverted(m)
	if !ok {
		return c, false
	}
	for a := range 3 {
		for b := range 3 {
			c[a] += inverse[a][b] * m[b][3]
		}
	}
	c[1], c[2] = c[1]/unit, c[2]/unit/unit
	c[3] = math.Sqrt(1 + math.Max(0, inverse[0][0]))
	return c, true
}

// inverted is the inverse of the first three columns, by cofactors.
func inverted(m [3][4]float64) (inverse [3][3]float64, ok bool) {
	cofactor := func(i, j int) float64 {
		a, b, c, d := (i+1)%3, (i+2)%3, (j+1)%3, (j+2)%3
		return m[a][c]*m[b][d] - m[a][d]*m[b][c]
	}
	det := m[0][0]*cofactor(0, 0) + m[0][1]*cofactor(0, 1) + m[0][2]*cofactor(0, 2)
	if !(math.Abs(det) > 1e-10) {
		return inverse, false
	}
	for i := range 3 {
		for j := range 3 {
			inverse[j][i] = cofactor(i, j) / det
		}
	}
	return inverse, true
}
