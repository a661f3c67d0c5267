package evaluate

import (
	"math"

	"parvix/core/stage/found"
)

// Findings are what another core has found out about the functions, as it came.
type Findings struct {
	values *Values
	*discovered
}

// discovered is what was found out.
type discovered struct {
	found     map[string]*found.Found // by function
	foundTick uint64                  // counts findings that came
	collapses []found.Collapse
}

// PutFound takes findings in; what shows or tells them is computed again.
func (fi *Findings) PutFound(f *found.Found) {
	fi.found[f.Function] = f
	fi.foundTick++
}

// FoundStamp grows whenever findings come.
func (fi *Findings) FoundStamp() uint64 { return fi.foundTick + 1 }

// PutCollapses takes in at which values which functions collapse.
func (fi *Findings) PutCollapses(list []found.Collapse) { fi.collapses = list }

// Collapsed says what a function is at the values in play when it is none of its own type, empty else.
func (fi *Findings) Collapsed(f *Function) string {
	for _, c := range fi.collapses {
		if i := fi.values.Find(c.Parameter); c.Function == f.Stated.Name && i >= 0 && fi.values.in[1+i] == c.Value {
			return c.Kind
		}
	}
	return ""
}

// FoundOf gives the last findings of a function; current tells that they hold for the values in play.
func (fi *Findings) FoundOf(f *Function) (last *found.Found, current bool) {
	last = fi.found[f.Stated.Name]
	if last == nil || last.Formula != f.Meaning {
		return nil, false
	}
	for _, i := range f.on {
		if last.Values[fi.values.inputs[i+1]] != fi.values.in[i+1] {
			return last, false
		}
	}
	return last, true
}

// MaxRepeats bounds how many copies of a periodic finding are drawn.
const MaxRepeats = 200

// Repeated gives points between left and right that come again with a period; 0 for none.
func Repeated(points []found.Point, period, left, right float64) []found.Point {
	if period == 0 {
		return points
	}
	var list []found.Point
	for _, p := range points {
		for k := math.Ceil((left - p.X) / period); p.X+k*period <= right && len(list) < MaxRepeats; k++ {
			list = append(list, found.Point{X: p.X + k*period, Y: p.Y, Open: p.Open})
		}
	}
	return list
}
