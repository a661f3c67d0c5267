package document

import (
	"fmt"
	"slices"
)

// Column is a column of data: what was typed, or what is computed.
type Column struct {
	// Name stands at its head and, where it is a letter, in formulas; Unit behind it.
	Name string `json:"name"`
	Unit string `json:"unit,omitempty"`
	// Cells are the rows from the top: numbers, fractions or multiples of π as they are typed, empty where nothing stands.
	Cells []string `json:"cells,omitempty"`
	// Formula computes each row from the other columns' letters and the dials.
	Formula string `json:"formula,omitempty"`
	// Steps computes it from one row to the next of the column Of.
	Steps ColumnSteps `json:"steps,omitempty"`
	Of    string      `json:"of,omitempty"`
}

// ColumnSteps is what is taken of neighbouring rows.
type ColumnSteps string

// The steps: first and second differences, and ratios.
const (
	Differences       ColumnSteps = "differences"
	SecondDifferences ColumnSteps = "secondDifferences"
	Ratios            ColumnSteps = "ratios"
)

// IsComputed tells that nothing is typed into the column.
func (c *Column) IsComputed() bool { return c.Formula != "" || c.Steps != "" }

// Fit makes a function the model of a kind that lies nearest to data.
type Fit struct {
	Model string `json:"model"`
	// Data is the id of the data, X and Y name its columns.
	Data string `json:"data"`
	X    string `json:"x"`
	Y    string `json:"y"`
	// Rows are the only rows that count, from 0; none stands for all. Two make a line that goes through both.
	Rows []int `json:"rows,omitempty"`
	// Decimals is how many decimals its coefficients are written with at least; 0 means three.
	Decimals int `json:"decimals,omitempty"`
	// Form is the way in which it is written: in general, with the vertex, as factors, with the shift, with the time of doubling.
	Form FitForm `json:"form,omitempty"`
}

// FitForm is the way in which a fitted function is written.
type FitForm string

// The forms.
const (
	FitGeneral  FitForm = ""
	FitVertex   FitForm = "vertex"
	FitFactored FitForm = "factored"
	FitShift    FitForm = "shift"
	FitDoubling FitForm = "doubling"
)

// Limits of data.
const (
	MaxRows    = 10000
	MaxColumns = 12
)

// DataWith finds data by their id; nil when there are none.
func (d *Document) DataWith(id string) *Stated {
	for i := range d.Stated {
		if d.Stated[i].ID == id && d.Stated[i].Kind == Data {
			return &d.Stated[i]
		}
	}
	return nil
}

// Column finds a column by its name; nil when there is none.
func (s *Stated) Column(name string) *Column {
	for i := range s.Columns {
		if s.Columns[i].Name == name {
			return &s.Columns[i]
		}
	}
	return nil
}

// Rows is how many rows data have.
func (s *Stated) Rows() (rows int) {
	for _, c := range s.Columns {
		rows = max(rows, len(c.Cells))
	}
	return rows
}

// ColumnLetters are the names of the columns, which are letters in each other's formulas.
func (s *Stated) ColumnLetters() (letters []string) {
	for _, c := range s.Columns {
		letters = append(letters, c.Name)
	}
	return letters
}

// data holds stated data to their bounds.
func (c *checker) data(s Stated) {
	c.require(len(s.Columns) <= MaxColumns, s.ID, "columns", fmt.Sprintf("at most %d", MaxColumns))
	names := map[string]bool{}
	for _, column := range s.Columns {
		c.require(column.Name != "" && len([]rune(column.Name)) <= maxName, s.ID, "columns", fmt.Sprintf("a name of at most %d letters is needed", maxName))
		c.require(!names[column.Name], s.ID, "columns", "two columns are called “"+column.Name+"”")
		names[column.Name] = true
		c.require(len([]rune(column.Unit)) <= maxName, s.ID, "columns", "the unit is too long")
		c.require(len(column.Cells) <= MaxRows, s.ID, "columns", fmt.Sprintf("at most %d rows", MaxRows))
		c.require(!column.IsComputed() || len(column.Cells) == 0, s.ID, "columns", "a computed column holds no cells")
		c.oneOf(s.ID, "columns", string(column.Steps), "", string(Differences), string(SecondDifferences), string(Ratios))
		c.text(s.ID, "columns", column.Formula)
		for _, cell := range column.Cells {
			c.require(len(cell) <= maxName, s.ID, "columns", "a cell is too long")
		}
	}
}

// fits holds that functions that follow from data name columns that are there.
func (c *checker) fits(d *Document) {
	for _, s := range d.Stated {
		if s.Fit == nil {
			continue
		}
		data := d.DataWith(s.Fit.Data)
		c.require(data != nil, s.ID, "fit.data", "there are no such data")
		c.require(len(s.Variables) == 1 && s.Formula == "", s.ID, "fit", "the function has one variable, and no formula of its own")
		if data != nil {
			has := func(name string) bool {
				return slices.ContainsFunc(data.Columns, func(c Column) bool { return c.Name == name })
			}
			c.require(has(s.Fit.X) && has(s.Fit.Y), s.ID, "fit", "there are no such columns")
		}
		c.oneOf(s.ID, "fit.form", string(s.Fit.Form), string(FitGeneral), string(FitVertex), string(FitFactored), string(FitShift), string(FitDoubling))
		c.require(len(s.Fit.Rows) <= MaxRows && !slices.ContainsFunc(s.Fit.Rows, func(row int) bool { return row < 0 || row >= MaxRows }), s.ID, "fit.rows", "rows of the data")
		c.require(s.Fit.Decimals >= 0 && s.Fit.Decimals <= 12, s.ID, "fit.decimals", "between 0 and 12")
	}
}

// RowsWithout are places of rows after one row was taken out: later ones have moved up, the one itself is gone.
func RowsWithout(rows []int, row int) []int {
	var list []int
	for _, r := range rows {
		switch {
		case r > row:
			list = append(list, r-1)
		case r < row:
			list = append(list, r)
		}
	}
	return list
}
