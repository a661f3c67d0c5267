package evaluate

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/fit"
	"parvix/core/stage/document"
)

// fitted is a function that follows from data.
type fitted struct {
	stated *document.Stated
	model  *fit.Model
	data   *Data
	x, y   *Column
	rows   []int // the only ones that count; nil for all
	first  int   // place of its first letter among the inputs
	stamp  uint64
	// fittedX and fittedY are the points to which it was fitted last.
	fittedX, fittedY []float64
	// fit is what was found last; nil before the first time.
	fit *fit.Fit
}

// declareFits names the coefficients of the functions that follow from data, so that formulas can be compiled with them.
func (ds *Datasets) declareFits() {
	for _, s := range ds.formulas.document.Functions() {
		if s.Fit == nil || len(s.Variables) != 1 {
			continue
		}
		m, known := fit.NewModel(fit.Name(s.Fit.Model), s.Variables[0])
		data := ds.DataOf(s.Fit.Data)
		if !known || data == nil {
			ds.formulas.Report(problem.New("no-data", 0, 0), s.ID, "fit")
			continue
		}
		f := &fitted{stated: s, model: m, data: data, x: data.Column(s.Fit.X), y: data.Column(s.Fit.Y), rows: s.Fit.Rows, first: len(ds.values.inputs)}
		if f.x == nil || f.y == nil {
			ds.formulas.Report(problem.New("no-data", 0, 0), s.ID, "fit")
			continue
		}
		for _, letter := range m.Letters {
			ds.values.addDerived(letter + expr.DerivedMark + s.ID)
		}
		ds.fits = append(ds.fits, f)
	}
}

// addDerived gives a value that follows from others a place among the inputs, behind the dials'.
func (vs *Values) addDerived(name string) {
	vs.index[name] = len(vs.inputs) - 1
	vs.inputs = append(vs.inputs, name)
	vs.in = append(vs.in, math.NaN())
	vs.moved = append(vs.moved, vs.tick)
}

// fitFor is what makes a stated function; nil for one with a formula of its own.
func (ds *Datasets) fitFor(s *document.Stated) *fitted {
	for _, f := range ds.fits {
		if f.stated == s {
			return f
		}
	}
	return nil
}

// body is the model with the derived values for its letters.
func (f *fitted) body() expr.Node {
	with := map[string]expr.Node{}
	for _, letter := range f.model.Letters {
		with[letter] = expr.Named(letter + expr.DerivedMark + f.stated.ID)
	}
	return symbolic.Substitute(f.model.Node, with)
}

// refit fits a model again whose data have changed: from where it was, which a drag needs; the first time from the starts of the data.
func (ds *Datasets) refit(f *fitted) (changed bool) {
	if f.stamp == f.data.stamp {
		return false
	}
	f.stamp = f.data.stamp
	x, y := f.points()
	if f.fit != nil && slices.Equal(x, f.fittedX) && slices.Equal(y, f.fittedY) {
		return false // another column of the data has changed, as one of residuals does
	}
	f.fittedX, f.fittedY = x, y
	var start []float64
	if f.fit != nil && f.fit.Converged() {
		start = f.fit.Coefficients
	}
	if len(x) == 0 {
		f.fit = &fit.Fit{Model: f.model, Reason: "The data have no rows with both values."}
	} else if known := ds.before.knows(f, x, y); known != nil {
		f.fit = known
	} else {
		f.fit = f.model.To(x, y, start)
	}
	for k := range f.model.Letters {
		v := math.NaN()
		if f.fit.Converged() {
			v = f.fit.Coefficients[k]
		}
		changed = ds.values.put(f.first+k-1, v) || changed
	}
	return changed
}

// knows gives what was found for the same model of the same points; nil where it was not.
func (ds *Datasets) knows(wanted *fitted, x, y []float64) *fit.Fit {
	if ds == nil {
		return nil
	}
	for _, f := range ds.fits {
		if f.model.Name != wanted.model.Name || f.fit == nil {
			continue
		}
		if slices.Equal(f.fittedX, x) && slices.Equal(f.fittedY, y) {
			return f.fit
		}
	}
	return nil
}

// points are those to which a model is fitted.
func (f *fitted) points() (x, y []float64) {
	xs, ys, rows := f.data.Pairs(f.x, f.y)
	if f.rows == nil {
		return xs, ys
	}
	for i, row := range rows {
		if slices.Contains(f.rows, row) {
			x, y = append(x, xs[i]), append(y, ys[i])
		}
	}
	return x, y
}

// put gives a derived value by its place.
func (vs *Values) put(place int, v float64) bool {
	if was := vs.in[place+1]; was == v || was != was && v != v {
		return false
	}
	vs.tick++
	vs.in[place+1] = v
	vs.moved[place] = vs.tick
	return true
}

// FitOf is how a stated function follows from its data; nil for one with a formula of its own.
func (ds *Datasets) FitOf(f *Function) *fit.Fit {
	if own := ds.fitFor(f.Stated); own != nil {
		return own.fit
	}
	return nil
}

// withNumbers is the fitted formula as it is written.
func (f *fitted) withNumbers() expr.Node {
	return fit.Written(f.model, f.fit.Coefficients, f.stated.Fit.Decimals, fit.Form(f.stated.Fit.Form))
}

// decimals is how many decimals the fitted column is written with.
func (f *fitted) decimals() (decimals int) {
	for _, v := range f.y.Values {
		if v == v {
			decimals = max(decimals, number.Decimals(v, 9))
		}
	}
	return decimals
}
