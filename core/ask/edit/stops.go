package edit

import (
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// RestAt lets the sweep of a dial rest at places, and nowhere else.
func RestAt(before *document.Document, dial string, places []string) (*document.Document, error) {
	d := clone(before)
	s := d.StatedNamed(dial)
	if s == nil || s.Kind != document.Parameter {
		return nil, problem.New("not-a-parameter", 0, len(dial), dial)
	}
	sweep := document.Sweep{Way: document.BackAndForth, Seconds: 6}
	if s.Sweep != nil {
		sweep = *s.Sweep
	}
	sweep.Every, sweep.At = "", places
	s.Sweep = &sweep
	return d, d.Check()
}
