// Package bisect closes in where something changes, by halving.
package bisect

// Change halves the way from a to b, between which something changes: still tells of a place whether it is as at a. It gives
// the last place that is and the first that is not, 2^−halvings of the way apart or as near as two float64 can be.
func Change(still func(x float64) bool, a, b float64, halvings int) (last, first float64) {
	for range halvings {
		middle := a + (b-a)/2
		if middle == a || middle == b {
			break
		}
		if still(middle) {
			a = middle
		} else {
			b = middle
		}
	}
	return a, b
}
