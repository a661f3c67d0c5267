package edit

import (
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/fit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/scatter"
)

// PutData adds data, with their scatter plot, or replaces those with the same id: what names a column that is called otherwise now follows.
func PutData(before *document.Document, stated document.Stated) (*document.Document, error) {
	d := clone(before)
	stated.Kind = document.Data
	tidyData(&stated)
	if stated.Name == "" {
		stated.Name = "Data"
	}
	if was := d.DataWith(stated.ID); was != nil {
		renameColumns(d, was, &stated)
		*was = stated
		return d, d.Check()
	}
	stated.ID = d.NewID("s")
	d.Stated = append(d.Stated, stated)
	if len(stated.Columns) > 1 {
		x, y := stated.Columns[0], stated.Columns[1]
		isFirst := len(d.Shown) == 0
		d.Shown = append(d.Shown, document.Entry{ID: d.NewID("k"), Look: document.Look{Colour: freeColour(shownColours(d))},
			Where: planeOnly(d), Body: &scatter.Body{Data: stated.ID, X: x.Name, Y: y.Name}})
		p := &d.Panels[0]
		if !isFirst || p.Kind != document.Plane {
			return d, d.Check()
		}
		p.EqualScales = false
		if p.NameX == "" && p.NameY == "" {
			p.NameX, p.NameY = scatter.Head(&x), scatter.Head(&y)
		}
	}
	return d, d.Check()
}

// RemoveRow takes a row out of data. What names later rows, as labels, rows that a hand may move and chosen points of a fit, goes on naming them.
func RemoveRow(before *document.Document, id string, row int) (*document.Document, error) {
	d := clone(before)
	data := d.DataWith(id)
	if data == nil {
		return nil, problem.New("no-data", 0, 0)
	}
	for i := range d.Stated {
		fit := d.Stated[i].Fit
		if fit == nil || fit.Data != id {
			continue
		}
		if slices.Contains(fit.Rows, row) {
			return nil, problem.New("row-in-use", 0, 0, d.Stated[i].Name, strconv.Itoa(row+1))
		}
		fit.Rows = document.RowsWithout(fit.Rows, row)
	}
	for i := range data.Columns {
		if c := &data.Columns[i]; row >= 0 && row < len(c.Cells) {
			c.Cells = slices.Delete(c.Cells, row, row+1)
		}
	}
	tidyData(data)
	for _, entry := range d.Shown {
		if b, ok := entry.Body.(*scatter.Body); ok && b.Data == id {
			b.WithoutRow(row)
		}
	}
	return d, d.Check()
}

// planeOnly is the first plane among several panels; a circle's shows no data.
func planeOnly(d *document.Document) (where document.Where) {
	for _, p := range d.Panels {
		if p.Kind == document.Plane && len(d.Panels) > 1 {
			where.Panels = []string{p.ID}
			break
		}
	}
	return where
}

// tidyData takes spaces off cells, and empty rows off the end.
func tidyData(s *document.Stated) {
	for i := range s.Columns {
		c := &s.Columns[i]
		c.Name, c.Unit = strings.TrimSpace(c.Name), strings.TrimSpace(c.Unit)
		for k := range c.Cells {
			c.Cells[k] = strings.TrimSpace(c.Cells[k])
		}
		for len(c.Cells) > 0 && c.Cells[len(c.Cells)-1] == "" {
			c.Cells = c.Cells[:len(c.Cells)-1]
		}
	}
}

// renameColumns lets everything that names a column follow where columns were called otherwise; where their number has changed the names
// count.
func renameColumns(d *document.Document, was, is *document.Stated) {
	if len(was.Columns) != len(is.Columns) {
		return
	}
	names := map[string]string{}
	for i := range was.Columns {
		names[was.Columns[i].Name] = is.Columns[i].Name
	}
	follow := func(text *string) {
		if name, known := names[*text]; known {
			*text = name
		}
	}
	for i := range d.Stated {
		if f := d.Stated[i].Fit; f != nil && f.Data == was.ID {
			follow(&f.X)
			follow(&f.Y)
		}
	}
	for i := range d.Shown {
		if b, ok := d.Shown[i].Body.(*scatter.Body); ok && b.Data == was.ID {
			follow(&b.X)
			follow(&b.Y)
			follow(&b.Error)
		}
	}
	letters := was.ColumnLetters()
	for i := range is.Columns {
		c := &is.Columns[i]
		if c.Of != "" && is.Column(c.Of) == nil {
			follow(&c.Of)
		}
		for old, name := range names {
			if old != name && c.Formula != "" && c.Formula == was.Columns[i].Formula {
				c.Formula = renamed(c.Formula, scope(d).With(letters...), old, name)
			}
		}
	}
}

// KeepModel states the model of a kind that lies nearest to two columns as a function like any other, with its curve, which tells its
// formula; it follows the data.
func KeepModel(before *document.Document, id, x, y, model string) (*document.Document, error) {
	d := clone(before)
	data := d.DataWith(id)
	if data == nil || data.Column(x) == nil || data.Column(y) == nil {
		return nil, problem.New("no-data", 0, 0)
	}
	name := "m"
	if d.StatedNamed(name) != nil {
		name = freeFunctionName(d)
	}
	variable := "x"
	if letter, ok := expr.NameOf(x); ok && utf8.RuneCountInString(letter) == 1 && d.StatedNamed(letter) == nil {
		variable = letter
	}
	m, known := fit.NewModel(fit.Name(model), variable)
	if !known {
		return nil, problem.New("field", 0, len(model), "text", "there is no such model")
	}
	if slices.Contains(m.Letters, variable) { // a(a)? the letters of the model are not to be met by its variable
		variable = "x"
	}
	d.Stated = append(d.Stated, document.Stated{ID: d.NewID("s"), Kind: document.Function, Name: name, Variables: []string{variable},
		Fit: &document.Fit{Model: model, Data: id, X: x, Y: y}})
	d.Shown = append(d.Shown, document.Entry{ID: d.NewID("c"), Look: document.Look{Colour: freeColour(shownColours(d)), Label: document.LabelFormula},
		Body: &curve.Body{Function: name}})
	for i := range d.Shown {
		if b, ok := d.Shown[i].Body.(*scatter.Body); ok && b.Data == id && b.X == x && b.Y == y && b.Function == "" {
			b.Function = name
		}
	}
	tidyGone(d)
	return d, d.Check()
}

// Freeze gives a function that follows from data a formula of its own, with the numbers as they are written now.
func Freeze(before *document.Document, id string) (*document.Document, error) {
	d := clone(before)
	for i := range d.Stated {
		if d.Stated[i].ID == id && d.Stated[i].Fit != nil && !freeze(&d.Stated[i], evaluate.Load(before, nil)) {
			return nil, problem.New("no-fit", 0, 0)
		}
	}
	return d, d.Check()
}

// freeze writes the numbers of a fit into the function's formula; false where there is no fit.
func freeze(s *document.Stated, e *evaluate.Demonstration) bool {
	f := e.Named(s.Name)
	if f == nil {
		return false
	}
	found := e.FitOf(f)
	if found == nil || !found.Converged() {
		return false
	}
	node := fit.Written(found.Model, found.Coefficients, s.Fit.Decimals, fit.Form(s.Fit.Form))
	s.Formula, s.Fit = e.Numeral(expr.Text(node)), nil
	return true
}

// freezeFits keeps the functions that followed from data which are deleted, with their numbers.
func freezeFits(d, before *document.Document, id string) {
	if before.DataWith(id) == nil {
		return
	}
	e := evaluate.Load(before, nil)
	for i := range d.Stated {
		if s := &d.Stated[i]; s.Fit != nil && s.Fit.Data == id && !freeze(s, e) {
			s.Fit = nil // without numbers nothing can be kept; the formula is to be typed
		}
	}
}
