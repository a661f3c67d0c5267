package evaluate

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/statistics"
	"parvix/core/stage/document"
)

// A column is a list where a formula means one: mean(T), sd(T), count(T), and T_3 for the value of its third row. Such a value follows
// from the data like a model's coefficient.

// listFunctions are what can be told of a list; each has one argument, a column.
var listFunctions = map[string]func(values []float64) float64{
	"mean":   present(statistics.Mean),
	"median": present(statistics.Median),
	"sd":     present(func(values []float64) float64 { return statistics.Of(values).SD }),
	"count":  present(func(values []float64) float64 { return float64(len(values)) }),
	"total":  present(func(values []float64) float64 { return statistics.Mean(values) * float64(len(values)) }),
}

// present tells something of the values that are there; of none there is nothing to tell.
func present(tell func(values []float64) float64) func(values []float64) float64 {
	return func(values []float64) float64 {
		there := slices.DeleteFunc(slices.Clone(values), math.IsNaN)
		if len(there) == 0 {
			return math.NaN()
		}
		return tell(there)
	}
}

// listScope lets formulas of a document with data use lists, but for names that are stated.
func listScope(doc *document.Document, s *expr.Scope) {
	for _, data := range doc.Data() {
		for name := range listFunctions {
			if _, stated := s.Functions[name]; !stated && !s.Names[name] {
				s.Functions[name] = 1
			}
		}
		for i := range data.Columns {
			// A letter is read as one anyway; a longer name must be known.
			if name, ok := expr.NameOf(data.Columns[i].Name); ok && len([]rune(name)) > 1 {
				if _, stated := s.Functions[name]; !stated {
					s.Names[name] = true
				}
			}
		}
	}
}

// told is a value that a column tells.
type told struct {
	place  int // among the parameters and derived values
	data   *Data
	column *Column
	tell   func(values []float64) float64
	stamp  uint64
}

// withLists puts derived values in the place of what a formula tells of columns.
func (ds *Datasets) withLists(n expr.Node) (out expr.Node, err error) {
	if n == nil || ds == nil || len(ds.Data) == 0 {
		return n, nil
	}
	var walk func(n expr.Node) expr.Node
	walk = func(n expr.Node) expr.Node {
		switch is := n.(type) {
		case *expr.Call:
			tell, isList := listFunctions[is.Name]
			if !isList || ds.formulas.functions[is.Name] != nil || len(is.Args) != 1 {
				break
			}
			column, isName := is.Args[0].(*expr.Name)
			if isName {
				if derived := ds.tellOf(column.Name, is.Name, tell); derived != "" {
					return &expr.Name{Span: is.Span, Name: derived}
				}
			}
			if err == nil {
				err = problem.New("not-a-list", is.Args[0].Pos(), is.Args[0].End(), is.Name)
			}
			return n
		case *expr.Name:
			if derived := ds.rowOf(is.Name); derived != "" {
				return &expr.Name{Span: is.Span, Name: derived}
			}
		}
		return expr.Map(n, walk)
	}
	out = walk(n)
	return out, err
}

// rowOf is the name of the derived value of T_3, empty where there is no such column, or the name is stated.
func (ds *Datasets) rowOf(name string) string {
	if _, known := ds.values.index[name]; known {
		return ""
	}
	base, index, indexed := strings.Cut(name, "_")
	row, err := strconv.Atoi(index)
	if !indexed || err != nil || row < 1 {
		return ""
	}
	return ds.tellOf(base, name, func(values []float64) float64 {
		if row > len(values) {
			return math.NaN()
		}
		return values[row-1]
	})
}

// tellOf gives the name of what a column tells, and makes a place for it; empty where there is no such column.
func (ds *Datasets) tellOf(column, what string, tell func([]float64) float64) string {
	for _, data := range ds.Data {
		c := data.Column(column)
		if c == nil {
			continue
		}
		name := what + expr.DerivedMark + data.Stated.ID + expr.DerivedMark + column
		if _, known := ds.values.index[name]; !known {
			ds.values.addDerived(name)
			ds.told = append(ds.told, &told{place: ds.values.index[name], data: data, column: c, tell: tell})
		}
		return name
	}
	return ""
}

// tellLists computes what columns tell whose values have changed.
func (ds *Datasets) tellLists() (changed bool) {
	for _, t := range ds.told {
		if t.stamp == t.data.stamp {
			continue
		}
		t.stamp = t.data.stamp
		changed = ds.values.put(t.place, t.tell(t.column.Values)) || changed
	}
	return changed
}
