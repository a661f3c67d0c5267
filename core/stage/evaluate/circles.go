package evaluate

import (
	"slices"

	"parvix/core/formula/problem"
)

// refuseCircles takes out computed columns that lead back to themselves, through other columns, a fitted function or what a formula tells of
// a column; each is a problem of its data.
func (ds *Datasets) refuseCircles() {
	var path, done []*Column
	var visit func(c *Column)
	visit = func(c *Column) {
		if from := slices.Index(path, c); from >= 0 {
			ds.reportCircle(path[from:])
			return
		}
		if slices.Contains(done, c) {
			return
		}
		path = append(path, c)
		for _, source := range ds.sources(c) {
			visit(source)
		}
		path, done = path[:len(path)-1], append(done, c)
	}
	for _, data := range ds.Data {
		for _, c := range data.Columns {
			visit(c)
		}
	}
}

func (ds *Datasets) reportCircle(circle []*Column) {
	words := ""
	for _, c := range circle {
		words += c.Stated.Name + " → "
		c.row, c.of = nil, nil
	}
	for _, data := range ds.Data {
		if slices.Contains(data.Columns, circle[0]) {
			ds.formulas.Report(problem.New("circle", 0, 0, words+circle[0].Stated.Name), data.Stated.ID, "columns")
		}
	}
}

// sources are the columns from which a computed column follows.
func (ds *Datasets) sources(c *Column) []*Column {
	list := slices.Clone(c.letters)
	if c.of != nil {
		list = append(list, c.of)
	}
	for _, place := range c.on {
		for _, f := range ds.fits {
			if place+1 >= f.first && place+1 < f.first+len(f.model.Letters) {
				list = append(list, f.x, f.y)
			}
		}
		for _, t := range ds.told {
			if t.place == place {
				list = append(list, t.column)
			}
		}
	}
	return list
}
