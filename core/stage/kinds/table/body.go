package table

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is plotted points.
type Body struct {
	Rows []Row `json:"rows,omitempty"`
	// Grips lets a hand move the points, Joined joins them by lines.
	Grips  bool `json:"grips,omitempty"`
	Joined bool `json:"joined,omitempty"`
	// Distances shows how far each lies from Function.
	Distances bool   `json:"distances,omitempty"`
	Function  string `json:"function,omitempty"`
}

// Row is a point of a table, each coordinate a formula without parameters, such as 1/2.
type Row struct {
	X string `json:"x"`
	Y string `json:"y"`
}

// MaxRows is the largest number of points of a table.
const MaxRows = 500

// Kind names the kind.
func (*Body) Kind() document.Kind { return "table" }

// Refs are the coordinates, and the function.
func (b *Body) Refs() []document.Ref {
	list := []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function, Optional: true, Without: document.Emptied}}
	for i := range b.Rows {
		list = append(list, document.Ref{Field: "rows", Text: &b.Rows[i].X}, document.Ref{Field: "rows", Text: &b.Rows[i].Y})
	}
	return list
}

// Check bounds the rows.
func (b *Body) Check(c *document.Checker) {
	c.Require(len(b.Rows) <= MaxRows, "rows", fmt.Sprintf("at most %d", MaxRows))
}
