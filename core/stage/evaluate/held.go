package evaluate

// Hold puts a panel's own values in the place of those in play and computes again what depends on them, until the
// returned function puts everything back. The counters of runs and the traces take no notice.
func (d *Demonstration) Hold(values map[string]float64) (release func()) {
	if len(values) == 0 {
		return func() {}
	}
	type kept struct {
		i     int
		value float64
	}
	var was []kept
	for i, p := range d.Parameters {
		if v, held := values[p.Stated.Name]; held {
			was = append(was, kept{i, p.Value})
			d.put(i, v)
		}
	}
	d.held = true
	d.placeAgain(values)
	return func() {
		for _, k := range was {
			d.put(k.i, k.value)
		}
		d.held = false
		d.placeAgain(values)
	}
}

// placeAgain computes what hangs on the named parameters.
func (d *Demonstration) placeAgain(values map[string]float64) {
	for _, s := range d.Shown {
		if u, ok := s.Live.(Updater); ok && d.hangsOn(s.on, values) {
			u.Update(d)
		}
	}
}
