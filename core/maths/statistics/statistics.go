// Package statistics describes the values of a column, and finds those that stand out from their neighbours.
package statistics

import (
	"math"
	"slices"
)

// Summary describes a column.
type Summary struct {
	N int
	// Q1 and Q3 are the medians of the lower and the upper half; with an odd number of values the middle one is in neither (Moore & McCabe,
	// Introduction to the Practice of Statistics, 1.2). They are NaN for fewer than two values.
	Mean, Median, Q1, Q3 float64
	// SD divides by n − 1 and is NaN for one value, SDPopulation divides by n.
	SD, SDPopulation, Min, Max float64
}

// Of describes at least one value.
func Of(values []float64) Summary {
	sorted := slices.Sorted(slices.Values(values))
	n := len(sorted)
	s := Summary{N: n, Median: middle(sorted), Q1: math.NaN(), Q3: math.NaN(), SD: math.NaN(), Min: sorted[0], Max: sorted[n-1]}
	if n > 1 {
		s.Q1, s.Q3 = middle(sorted[:n/2]), middle(sorted[(n+1)/2:])
	}
	s.Mean = Mean(values)
	// Two passes with the rounding of the mean taken out (Chan, Golub & LeVeque, 1983).
	squares, rest := 0.0, 0.0
	for _, v := range values {
		squares += (v - s.Mean) * (v - s.Mean)
		rest += v - s.Mean
	}
	squares -= rest * rest / float64(n)
	s.SDPopulation = math.Sqrt(squares / float64(n))
	if n > 1 {
		s.SD = math.Sqrt(squares / float64(n-1))
	}
	return s
}

// Mean is the mean, summed with what each addition loses (Neumaier 1974).
func Mean(values []float64) float64 {
	sum, rest := 0.0, 0.0
	for _, v := range values {
		next := sum + v
		if math.Abs(sum) >= math.Abs(v) {
			rest += (sum - next) + v
		} else {
			rest += (v - next) + sum
		}
		sum = next
	}
	return (sum + rest) / float64(len(values))
}

// Median is the middle value, or the mean of the two middle ones.
func Median(values []float64) float64 { return middle(slices.Sorted(slices.Values(values))) }

func middle(sorted []float64) float64 {
	n := len(sorted)
	if n%2 == 1 {
		return sorted[n/2]
	}
	return sorted[n/2-1] + (sorted[n/2]-sorted[n/2-1])/2
}
