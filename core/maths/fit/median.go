package fit

import (
	"sort"

	"parvix/core/maths/statistics"
)

// medianLine is the median–median line: through the medians of three groups by x (Tukey's resistant line, Velleman & Hoaglin, ABCs of EDA,
// 1981, ch. 5): the outer two give the slope, all three the height. Of a rest of one the middle group takes it, of two the outer ones.
func medianLine(x, y []float64) []float64 {
	order := make([]int, len(x))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(i, j int) bool { return x[order[i]] < x[order[j]] })
	outer := (len(x) + 1) / 3
	middle := func(from, to int, of []float64) float64 {
		var list []float64
		for _, i := range order[from:to] {
			list = append(list, of[i])
		}
		return statistics.Median(list)
	}
	n := len(x)
	var mx, my [3]float64
	for k, part := range [3][2]int{{0, outer}, {outer, n - outer}, {n - outer, n}} {
		mx[k], my[k] = middle(part[0], part[1], x), middle(part[0], part[1], y)
	}
	if mx[2] == mx[0] {
		return nil
	}
	slope := (my[2] - my[0]) / (mx[2] - mx[0])
	return []float64{slope, (my[0] + my[1] + my[2] - slope*(mx[0]+mx[1]+mx[2])) / 3}
}
