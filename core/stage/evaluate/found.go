package evaluate

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/found"
)

// WithNumbers is a function's formula, without stated functions and in radians, with the parameters' values put in as
// fractions.
func (d *Demonstration) WithNumbers(f *Function) expr.Node {
	with := map[string]expr.Node{}
	for name, v := range d.Numbers() {
		if name != f.Stated.Variables[0] {
			with[name] = fractionNode(v)
		}
	}
	return symbolic.Substitute(f.Inlined, with)
}

func fractionNode(v *big.Rat) expr.Node {
	if v.Sign() < 0 {
		return &expr.Neg{X: expr.Rat(new(big.Rat).Neg(v))}
	}
	return expr.Rat(v)
}

// ValuesOf are the values of the parameters that a function depends on.
func (d *Demonstration) ValuesOf(f *Function) map[string]float64 {
	values := map[string]float64{}
	for _, i := range f.on {
		values[d.Parameters[i].Stated.Name] = d.Parameters[i].Value
	}
	return values
}

// PutFound takes findings in; what shows or tells them is computed again.
func (d *Demonstration) PutFound(f *found.Found) {
	d.found[f.Function] = f
	d.foundTick++
}

// FoundStamp grows whenever findings come.
func (d *Demonstration) FoundStamp() uint64 { return d.foundTick + 1 }

// PutCollapses takes in at which values which functions collapse.
func (d *Demonstration) PutCollapses(list []found.Collapse) { d.collapses = list }

// Collapsed says what a function is at the values in play when it is none of its own type, empty else.
func (d *Demonstration) Collapsed(f *Function) string {
	for _, c := range d.collapses {
		if i := d.Find(c.Parameter); c.Function == f.Stated.Name && i >= 0 && d.in[1+i] == c.Value {
			return c.Kind
		}
	}
	return ""
}

// FoundOf gives the last findings of a function; current tells that they hold for the values in play.
func (d *Demonstration) FoundOf(f *Function) (last *found.Found, current bool) {
	last = d.found[f.Stated.Name]
	if last == nil || last.Formula != f.Meaning {
		return nil, false
	}
	for _, i := range f.on {
		if p := d.Parameters[i]; last.Values[p.Stated.Name] != p.Value {
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
