package evaluate

import "maps"

// ghost is what the dials stood at when curves were last asked to be remembered: they are drawn as they were, pale.
type ghost struct {
	values map[string]float64
	// number tells one ghost from another.
	number uint64
}

// RememberCurves keeps the curves as they are at the scene's starting values, until they are forgotten.
func (d *Demonstration) RememberCurves(on bool) {
	if on {
		d.remember(d.scene().Values)
	} else {
		d.remember(nil)
	}
}

// remember keeps values; nil forgets those before.
func (vs *Values) remember(values map[string]float64) {
	vs.ghost = ghost{values: maps.Clone(values), number: vs.ghost.number + 1}
}

// Before are the inputs of the remembered curves, and a number that tells one memory from another; nil where none are remembered or
// no dial has moved since.
func (vs *Values) Before() (in []float64, number uint64) {
	if vs.ghost.values == nil {
		return nil, 0
	}
	moved := false
	in = append(in, vs.in...)
	for i, p := range vs.Parameters {
		if v, is := vs.ghost.values[p.Stated.Name]; is && v != p.Value {
			in[i+1], moved = v, true
		}
	}
	if !moved {
		return nil, 0
	}
	return in, vs.ghost.number
}
