// Command minimax prints the polynomial coefficients of core/numeric/program/kernels.go.
//
// It interpolates in Chebyshev points with 300-bit numbers, which is within a hair of the best polynomial
// (L. N. Trefethen, Approximation Theory and Approximation Practice, SIAM 2013, chapter 16).
//
//	go run ./core/numeric/program/minimax
package main

import (
	"fmt"
	"math"
	"math/big"
)

const precision = 300

func real(v float64) *big.Float { return new(big.Float).SetPrec(precision).SetFloat64(v) }

func zero() *big.Float { return new(big.Float).SetPrec(precision) }

// sinc is sin(√u)/√u and expm is eʳ, each by its power series.
func sinc(u *big.Float) *big.Float {
	sum, term := real(1), real(1)
	for k := 1; k < 60; k++ {
		term = zero().Quo(zero().Neg(zero().Mul(term, u)), real(float64(2*k*(2*k+1))))
		sum = zero().Add(sum, term)
	}
	return sum
}

func expm(r *big.Float) *big.Float {
	sum, term := real(1), real(1)
	for k := 1; k < 90; k++ {
		term = zero().Quo(zero().Mul(term, r), real(float64(k)))
		sum = zero().Add(sum, term)
	}
	return sum
}

// atanhSeries is (artanh √u)/√u, for ln m = 2·s·P(s²) with s = (m−1)/(m+1).
func atanhSeries(u *big.Float) *big.Float {
	sum, power := zero(), real(1)
	for k := 0; k < 400; k++ {
		sum = zero().Add(sum, zero().Quo(power, real(float64(2*k+1))))
		power = zero().Mul(power, u)
	}
	return sum
}

// interpolate gives the n coefficients of the polynomial through f at n Chebyshev points of [lo, hi], lowest first.
func interpolate(f func(*big.Float) *big.Float, lo, hi float64, n int) []*big.Float {
	nodes, divided := make([]*big.Float, n), make([]*big.Float, n)
	for i := range nodes {
		nodes[i] = real((lo+hi)/2 + (hi-lo)/2*math.Cos(math.Pi*(2*float64(i)+1)/(2*float64(n))))
		divided[i] = f(nodes[i])
	}
	for level := 1; level < n; level++ {
		for i := n - 1; i >= level; i-- {
			top := zero().Sub(divided[i], divided[i-1])
			divided[i] = zero().Quo(top, zero().Sub(nodes[i], nodes[i-level]))
		}
	}
	// Newton's form to powers, by Horner.
	poly := []*big.Float{divided[n-1]}
	for i := n - 2; i >= 0; i-- {
		next := make([]*big.Float, len(poly)+1)
		for k := range next {
			next[k] = zero()
		}
		for k, c := range poly {
			next[k+1] = zero().Add(next[k+1], c)
			next[k] = zero().Sub(next[k], zero().Mul(c, nodes[i]))
		}
		next[0] = zero().Add(next[0], divided[i])
		poly = next
	}
	return poly
}

func main() {
	show := func(name string, coefficients []*big.Float) {
		fmt.Println(name)
		for _, c := range coefficients {
			v, _ := c.Float64()
			fmt.Printf("\t%v,\n", v)
		}
	}
	show("sine", interpolate(sinc, 0, math.Pi*math.Pi/4*1.001, 9))
	show("exponential", interpolate(expm, -math.Ln2/2*1.001, math.Ln2/2*1.001, 12))
	s := (math.Sqrt2 - 1) / (math.Sqrt2 + 1)
	show("logarithm", interpolate(atanhSeries, 0, s*s*1.001, 9))
}
