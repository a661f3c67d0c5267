package view

import "math"

// Cut gives the shares of a segment that lie inside a rectangle by its sides (Liang and Barsky, ACM Transactions on Graphics 3, 1984);
// false where none of it does.
func Cut(x1, y1, x2, y2, left, top, right, bottom float64) (first, last float64, is bool) {
	first, last = 0, 1
	for _, side := range [4][2]float64{{x1 - x2, x1 - left}, {x2 - x1, right - x1}, {y1 - y2, y1 - top}, {y2 - y1, bottom - y1}} {
		p, q := side[0], side[1]
		switch {
		case p == 0 && q < 0:
			return 0, 0, false
		case p < 0:
			first = math.Max(first, q/p)
		case p > 0:
			last = math.Min(last, q/p)
		}
	}
	return first, last, first <= last
}
