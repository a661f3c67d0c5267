package evaluate

import (
	"maps"
	"math"
	"math/big"
	"strconv"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
)

// Values are the parameters with their values in play, and what has moved.
type Values struct {
	ghost      ghost
	Parameters []*Parameter

	index  map[string]int // parameter name → its place in Parameters
	inputs []string       // names of the inputs: the variable's place, then the parameters
	in     []float64      // their values
	tick   uint64         // counts the moves
	moved  []uint64       // for each parameter the tick of its last move
	// still are the parameters that do not move, by their places; nil where all do.
	still []bool
	// numbers are the values as fractions, as they were at a tick.
	numbers   map[string]*big.Rat
	numbersAt uint64
}

func newValues() *Values { return &Values{tick: 1, index: map[string]int{}} }

// depends lists the parameters (places in Parameters) that something hangs on.
type depends struct {
	on   []int
	done uint64 // tick of the last run
}

// Inputs gives the inputs' values with room for the variable in front; it must not be kept.
func (vs *Values) Inputs() []float64 { return vs.in }

// fresh tells whether what depends on these parameters is up to date, and takes note that it will be.
func (vs *Values) fresh(x *depends) bool {
	if x.done > 0 {
		latest := uint64(0)
		for _, i := range x.on {
			latest = max(latest, vs.moved[i])
		}
		if latest <= x.done {
			return true
		}
	}
	x.done = vs.tick
	return false
}

// InputNames are the names of the inputs with a variable in front.
func (vs *Values) InputNames(variable string) []string {
	return append([]string{variable}, vs.inputs[1:]...)
}

// Moves counts the moves so far: what was told at one count holds until it grows.
func (vs *Values) Moves() uint64 { return vs.tick }

// HasMoved tells whether something has moved on which an expression hangs since it was asked last.
func (vs *Values) HasMoved(x *Expression) bool { return !vs.fresh(&x.depends) }

// StampOf is a number that grows whenever one of some parameters moves, one of them left out; −1 leaves out none.
func (vs *Values) StampOf(on []int, but int) uint64 {
	latest := uint64(1)
	for _, i := range on {
		if i != but {
			latest = max(latest, vs.moved[i])
		}
	}
	return latest
}

// Stamp is a number that grows whenever a parameter that the function depends on moves: what was computed at one stamp
// holds until it changes.
func (vs *Values) Stamp(f *Function) uint64 { return vs.StampOf(f.on, -1) }

// Why says why an expression has no value now.
func (vs *Values) Why(x *Expression) string { return program.Why(x.inlined, vs.inputs, vs.in) }

// DependsOn tells whether a parameter moves a function.
func (vs *Values) DependsOn(f *Function, parameter string) bool {
	i := vs.Find(parameter)
	for _, k := range f.on {
		if k == i {
			return f.Inlined != nil
		}
	}
	return false
}

// WithNumbers is a function's formula, without stated functions and in radians, with the parameters' values put in as
// fractions.
func (vs *Values) WithNumbers(f *Function) expr.Node {
	with := map[string]expr.Node{}
	for name, v := range vs.Numbers() {
		if name != f.Stated.Variables[0] {
			with[name] = fractionNode(v)
		}
	}
	return symbolic.Substitute(f.Inlined, with)
}

// ValuesOf are the values of the parameters that a function depends on.
func (vs *Values) ValuesOf(f *Function) map[string]float64 {
	values := map[string]float64{}
	for _, i := range f.on {
		values[vs.inputs[i+1]] = vs.in[i+1]
	}
	return values
}

// Numbers are the parameters' values as they are written on the dials.
func (vs *Values) Numbers() map[string]*big.Rat {
	if vs.numbersAt == vs.tick {
		return vs.numbers
	}
	values := map[string]*big.Rat{}
	for _, p := range vs.Parameters {
		decimals := number.Decimals(p.Value, 6)
		if r := new(big.Rat).SetFloat64(number.Round(p.Value, decimals)); r != nil {
			if short, ok := new(big.Rat).SetString(r.FloatString(decimals)); ok {
				r = short
			}
			values[p.Stated.Name] = r
		}
	}
	for k := len(vs.Parameters); k+1 < len(vs.inputs); k++ {
		if r, ok := new(big.Rat).SetString(strconv.FormatFloat(vs.in[k+1], 'g', -1, 64)); ok {
			values[vs.inputs[k+1]] = r
		}
	}
	vs.numbers, vs.numbersAt = values, vs.tick
	return values
}

// NumbersBut are the parameters' values, those left out that a variable of the same letter hides.
func (vs *Values) NumbersBut(variables ...string) map[string]*big.Rat {
	all := vs.Numbers()
	for _, v := range variables {
		if _, hides := all[v]; hides {
			all = maps.Clone(all)
			delete(all, v)
		}
	}
	return all
}

// Class is the style class of a parameter's letter, the same wherever it is typeset.
func (vs *Values) Class(name string) string {
	if i, ok := vs.index[name]; ok && i < len(vs.Parameters) {
		return ColourClass(vs.Parameters[i].Stated.Colour)
	}
	return ""
}

// Set gives parameter i a value; what depends on it is computed at the next Update.
func (vs *Values) Set(i int, value float64) {
	p := vs.Parameters[i]
	p.passing = false
	if math.IsNaN(value) || math.IsInf(value, 0) || p.Value == value || vs.still != nil && vs.still[i] {
		return
	}
	vs.tick++
	p.Value = value
	vs.in[i+1] = value
	vs.moved[i] = vs.tick
}

// Pass gives a parameter a value that it only passes, on a sweep or on the way to a scene.
func (vs *Values) Pass(i int, value float64) {
	vs.Set(i, value)
	vs.Parameters[i].passing = true
}

// Dial is a parameter by its place, with its value in play; it is only read.
func (vs *Values) Dial(i int) *Parameter { return vs.Parameters[i] }

// Find gives the place of the parameter with this name, −1 when there is none; a derived value is none.
func (vs *Values) Find(name string) int {
	if i, ok := vs.index[name]; ok && i < len(vs.Parameters) {
		return i
	}
	return -1
}

// ColourClass is the style class of a colour's number.
func ColourClass(colour int) string {
	return "hue-" + string(rune('0'+((colour%document.Colours)+document.Colours)%document.Colours))
}

func fractionNode(v *big.Rat) expr.Node {
	if v.Sign() < 0 {
		return expr.Opposite(expr.Rat(new(big.Rat).Neg(v)))
	}
	return expr.Rat(v)
}
