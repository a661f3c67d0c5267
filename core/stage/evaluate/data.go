package evaluate

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/tabular"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
)

// Datasets are the stated data, understood, with the functions that follow from them.
type Datasets struct {
	Data     []*Data
	formulas *Formulas
	values   *Values
	// fits are the functions that follow from data, by their places among the derived values.
	fits []*fitted
	// told are what formulas tell of columns.
	told []*told
	// suspects are what another core found to stand out.
	suspects []Suspects
	// before are those of the document before, while this one is loaded.
	before *Datasets
}

// Data are stated data with their values in play.
type Data struct {
	Stated  *document.Stated
	Columns []*Column
	// stamp grows with every change of a value.
	stamp uint64
}

// Column is a column with its values in play, NaN where nothing stands or a value does not exist.
type Column struct {
	Stated *document.Column
	Values []float64
	// row computes a row from the other columns and the dials; nil where nothing is computed by a formula.
	row     program.Point
	letters []*Column
	of      *Column // whose neighbouring rows are taken; nil where they are not
	depends
	typed map[string]float64 // values of cells that are no plain numbers
	moved map[int]bool       // rows that a hand has moved
}

// Decimals is how many the values are written with at most.
func (c *Column) Decimals() (most int) {
	for _, v := range c.Values {
		if v == v {
			most = max(most, number.Decimals(v, 6))
		}
	}
	return most
}

func (d *Demonstration) loadData(before *Demonstration) {
	d.Datasets = &Datasets{formulas: d.Formulas, values: d.Values}
	d.Formulas.data = d.Datasets
	if before != nil {
		d.before, d.suspects = before.Datasets, before.suspects
	}
	for _, s := range d.Document.Data() {
		data := &Data{Stated: s, stamp: d.tick}
		for i := range s.Columns {
			data.Columns = append(data.Columns, d.loadColumn(s, &s.Columns[i]))
		}
		d.Data = append(d.Data, data)
	}
}

// loadColumn reads the cells of a column; one that cannot be read is a problem and counts as missing.
func (ds *Datasets) loadColumn(s *document.Stated, stated *document.Column) *Column {
	c := &Column{Stated: stated, Values: make([]float64, s.Rows()), typed: map[string]float64{}}
	for i := range c.Values {
		c.Values[i] = math.NaN()
	}
	for i, text := range stated.Cells {
		cell, ok := tabular.ReadCell(text, ds.formulas.HasDecimalComma())
		switch {
		case !ok:
			ds.formulas.Report(problem.New("cell", 0, 0, stated.Name, text), s.ID, "columns")
		case cell.IsNumber:
			c.Values[i] = cell.Value
		case cell.Text != "":
			known, again := c.typed[cell.Text]
			if !again {
				known = ds.formulas.Constant(cell.Text, math.NaN(), s.ID, "columns")
				c.typed[cell.Text] = known
			}
			c.Values[i] = known
		}
	}
	return c
}

// compileColumns understands the formulas of computed columns, once functions are known.
func (ds *Datasets) compileColumns() {
	for _, data := range ds.Data {
		letters := data.Stated.ColumnLetters()
		for _, c := range data.Columns {
			if c.Stated.Steps != "" {
				c.of = data.Column(c.Stated.Of)
			} else if c.Stated.Formula != "" {
				ds.compileColumn(data, c, letters)
			}
		}
	}
	ds.refuseCircles()
}

func (ds *Datasets) compileColumn(data *Data, c *Column, letters []string) {
	fs, id := ds.formulas, data.Stated.ID
	n, err := fs.parse(c.Stated.Formula, innerScope(fs.scope, letters))
	if err != nil {
		fs.Report(err, id, "columns")
		return
	}
	n, err = fs.Resolve(n) // a mean of a column of its own table stands for all rows
	if err != nil {
		fs.Report(err, id, "columns")
		return
	}
	var waits []string
	if c.on, waits = fs.Dependencies(n, letters); len(waits) > 0 {
		fs.Report(problem.New("no-value", 0, 0, waits[0]), id, "columns")
		return
	}
	var used []string
	for _, name := range expr.Names(n) {
		if k := slices.Index(letters, name); k >= 0 && !slices.Contains(used, name) {
			used = append(used, name)
			c.letters = append(c.letters, data.Columns[k])
		}
	}
	if c.row, err = program.CompilePoint(n, append(used, ds.values.inputs...)); err != nil {
		fs.Report(err, id, "columns")
	}
}

// DataOf finds data by their id, understood; nil when there are none.
func (ds *Datasets) DataOf(id string) *Data {
	for _, data := range ds.Data {
		if data.Stated.ID == id {
			return data
		}
	}
	return nil
}

// Column finds a column by its name; nil when there is none.
func (data *Data) Column(name string) *Column {
	for _, c := range data.Columns {
		if c.Stated.Name == name {
			return c
		}
	}
	return nil
}

// Stamp grows with every change of a value of the data.
func (data *Data) Stamp() uint64 { return data.stamp }

// SetCell puts a value into a row of a typed column, in play.
func (ds *Datasets) SetCell(data *Data, c *Column, row int, v float64) {
	if row < 0 || row >= len(c.Values) || c.Stated.IsComputed() || c.Values[row] == v {
		return
	}
	c.Values[row] = v
	if c.moved == nil {
		c.moved = map[int]bool{}
	}
	c.moved[row] = true
	ds.values.tick++
	data.stamp = ds.values.tick
}

// Settle writes into stated data what a hand has moved.
func (ds *Datasets) Settle(stated *document.Stated) {
	data := ds.DataOf(stated.ID)
	if data == nil || len(stated.Columns) != len(data.Columns) {
		return
	}
	for k, c := range data.Columns {
		for row := range c.moved {
			if row < len(stated.Columns[k].Cells) {
				stated.Columns[k].Cells[row] = ds.formulas.Numeral(number.Format(c.Values[row], 9))
			}
		}
	}
}

// hangs are the places of what moves the computed columns.
func (data *Data) hangs() (on []int) {
	for _, c := range data.Columns {
		on = append(on, c.on...)
	}
	return on
}

// Pairs are the rows of two columns in which both have a value, with their places.
func (data *Data) Pairs(x, y *Column) (xs, ys []float64, rows []int) {
	for i := range x.Values {
		if i < len(y.Values) && !math.IsNaN(x.Values[i]) && !math.IsNaN(y.Values[i]) {
			xs, ys, rows = append(xs, x.Values[i]), append(ys, y.Values[i]), append(rows, i)
		}
	}
	return xs, ys, rows
}

// updateData computes columns and fits again whose sources have changed, until nothing changes any more: there are no circles.
func (ds *Datasets) updateData() {
	for changed := true; changed; {
		changed = ds.tellLists()
		for _, data := range ds.Data {
			changed = ds.computeColumns(data) || changed
		}
		for _, f := range ds.fits {
			changed = ds.refit(f) || changed
		}
	}
}

// computeColumns computes those columns of data of which a source has moved.
func (ds *Datasets) computeColumns(data *Data) (changed bool) {
	for _, c := range data.Columns {
		if !c.Stated.IsComputed() || c.done >= max(data.stamp, ds.values.StampOf(c.on, -1)) {
			continue
		}
		before := slices.Clone(c.Values)
		switch {
		case c.of != nil:
			steps(c.Values, c.of.Values, c.Stated.Steps)
		case c.row != nil:
			in := make([]float64, len(c.letters), len(c.letters)+len(ds.values.in))
			in = append(in, ds.values.in...)
			for i := range c.Values {
				for k, letter := range c.letters {
					in[k] = letter.Values[i]
				}
				c.Values[i] = c.row(in)
			}
		}
		if !slices.EqualFunc(before, c.Values, func(a, b float64) bool { return a == b || a != a && b != b }) {
			ds.values.tick++
			data.stamp = ds.values.tick
			changed = true
		}
		c.done = ds.values.tick
	}
	return changed
}

// steps writes differences or ratios of neighbouring rows; the first rows have none.
func steps(dst, of []float64, kind document.ColumnSteps) {
	for i := range dst {
		dst[i] = math.NaN()
		switch {
		case kind == document.SecondDifferences && i > 1:
			dst[i] = of[i] - 2*of[i-1] + of[i-2]
		case kind == document.Differences && i > 0:
			dst[i] = of[i] - of[i-1]
		case kind == document.Ratios && i > 0 && of[i-1] != 0:
			dst[i] = of[i] / of[i-1]
		}
	}
}
