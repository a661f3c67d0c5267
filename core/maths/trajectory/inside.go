package trajectory

import (
	"cmp"
	"math"
	"slices"
)

// insideLines is on how many level lines the inside of a curve is measured.
const insideLines = 1500

// levelCrossing is a crossing of a level line: where, and whether the curve goes up (1) or down (−1) there.
type levelCrossing struct {
	x  float64
	up int
}

// Inside is the area of what a closed polygon goes around, the places whose winding number is not 0 (the non-zero rule, as SVG 2 fills,
// section 13.4.2): the lengths inside on level lines, added up. simple tells that it goes around each place once, and the same way.
func Inside(x, y []float64) (area float64, simple bool) {
	if len(x) < 3 {
		return 0, true
	}
	low, high := slices.Min(y), slices.Max(y)
	step := (high - low) / insideLines
	if !(step > 0) {
		return 0, true
	}
	lines := crossingsOf(x, y, low, step)
	simple = true
	way := 0
	for _, line := range lines {
		slices.SortFunc(line, func(a, b levelCrossing) int { return cmp.Compare(a.x, b.x) })
		winding := 0
		for k, c := range line {
			if winding != 0 {
				area += (c.x - line[k-1].x) * step
			}
			if winding += c.up; winding == 0 {
				continue
			}
			if way == 0 {
				way = winding
			}
			simple = simple && winding == way && (way == 1 || way == -1)
		}
	}
	return area, simple
}

// crossingsOf are where a closed polygon crosses the middles of strips between its lowest and its highest place.
func crossingsOf(x, y []float64, low, step float64) [][]levelCrossing {
	lines := make([][]levelCrossing, insideLines)
	for i := range x {
		k := (i + 1) % len(x)
		from, to, up := i, k, 1
		if y[from] > y[to] {
			from, to, up = k, i, -1
		}
		first := int(math.Ceil((y[from]-low)/step - 0.5))
		for line := max(first, 0); line < insideLines; line++ {
			at := low + (float64(line)+0.5)*step
			if at >= y[to] {
				break
			}
			if at >= y[from] {
				share := (at - y[from]) / (y[to] - y[from])
				lines[line] = append(lines[line], levelCrossing{x[from] + share*(x[to]-x[from]), up})
			}
		}
	}
	return lines
}
