// Package sample turns a function and a window into polylines that break exactly where the function breaks.
//
// The places of the breaks come proven from core/breaks. Between them points are chosen by pixels: the line is halved
// where it bends by more than a fraction of a pixel, and points that a straight line already passes are dropped.
package sample

import (
	"math"

	"parvix/core/breaks"
	"parvix/core/expr"
	"parvix/core/interval"
	"parvix/core/program"
)

// Function is a function of one variable, compiled for values and for breaks.
type Function struct {
	program *program.Program
	finder  *breaks.Finder
	// enclose bounds value and slope over an interval.
	enclose func(over interval.I, in []float64) (value, slope interval.I)
}

// Compile compiles n, inlined and in radians, for its variable (the first input) and parameters.
func Compile(n expr.Node, inputs []string) (*Function, error) {
	p, err := program.Compile(n, inputs)
	if err != nil {
		return nil, err
	}
	return &Function{p, breaks.New(n, inputs), breaks.EncloseAt(n, inputs)}, nil
}

// At is the value at x, NaN where there is none; in[0] is overwritten.
func (f *Function) At(x float64, in []float64) float64 {
	in[0] = x
	return f.program.At(in)
}

// side is what a function does when x approaches a place from one side.
type side struct {
	kind  sideKind
	value float64 // the limit, for finite
}

type sideKind uint8

const (
	absent   sideKind = iota // no values on this side
	finite                   // tends to value
	infinite                 // grows without bound
	restless                 // does neither, as sin(1/x) at 0
)

// approachSteps is how often the distance is quartered on the way to a limit.
const approachSteps = 13

// approach watches f at c + h, h/4, h/16 … and extrapolates by Aitken's rule (Abramowitz & Stegun 3.9.7).
// h carries the direction.
func (f *Function) approach(c, h float64, in []float64) side {
	var y [approachSteps]float64
	for k := range y {
		y[k] = f.At(c+h, in)
		if math.IsNaN(y[k]) {
			if k < 4 {
				return side{kind: absent}
			}
			// Too near to tell x from c: what was seen so far decides.
			return judge(y[:k])
		}
		h /= 4
	}
	return judge(y[:])
}

// judge reads the behaviour off the values of an approach. A limit that it cannot tell to a millionth counts as none.
func judge(y []float64) side {
	n := len(y)
	largest := math.Abs(y[0])
	growing, steps := 0, 0
	for k := 2; k < n; k++ {
		d1, d0 := y[k]-y[k-1], y[k-1]-y[k-2]
		largest = math.Max(largest, math.Abs(y[k]))
		if k > n/2 {
			steps++
			if math.Abs(d1) >= 0.97*math.Abs(d0) && d1*d0 > 0 {
				growing++
			}
		}
	}
	if largest > 1e6*(1+math.Abs(y[0])) || growing >= steps-1 && math.Abs(y[n-1]-y[n-2]) > 1e-6*(1+math.Abs(y[0])) {
		return side{kind: infinite}
	}
	limit, doubt := extrapolate(y)
	if doubt > 1e-6*(1+math.Abs(limit)) {
		return side{kind: restless}
	}
	return side{finite, limit}
}

// extrapolate applies Aitken's rule along the values and takes the result that changes least over two steps: before it
// the steps are still coarse, after it rounding takes over. doubt is that change.
func extrapolate(y []float64) (limit, doubt float64) {
	doubt = math.Inf(1)
	previous, change := math.NaN(), math.NaN()
	for k := 2; k < len(y); k++ {
		a := aitken(y[k-2], y[k-1], y[k])
		d := math.Abs(a - previous)
		if d+change < doubt {
			limit, doubt = a, d+change
		}
		previous, change = a, d
	}
	return limit, doubt
}

func aitken(a, b, c float64) float64 {
	d1, d0 := c-b, b-a
	if d1 == d0 || math.Abs(d1) > 0.97*math.Abs(d0) {
		return c
	}
	return c - d1*d1/(d1-d0)
}
