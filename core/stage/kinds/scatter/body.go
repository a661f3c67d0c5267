package scatter

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is a scatter plot: the points of two columns of data.
type Body struct {
	// Data is the id of the data, X and Y name columns, Error one of half the lengths of error bars.
	Data  string `json:"data"`
	X     string `json:"x"`
	Y     string `json:"y"`
	Error string `json:"error,omitempty"`
	// Joined joins the points by lines in the order of the rows.
	Joined bool `json:"joined,omitempty"`
	// Grips unlocks all rows: a hand moves their points, and the rows follow. Unlocked are single rows, counted from 0.
	Grips    bool  `json:"grips,omitempty"`
	Unlocked []int `json:"unlocked,omitempty"`
	// Function is held against the points; Residuals shows how far they lie from it.
	Function  string    `json:"function,omitempty"`
	Residuals Residuals `json:"residuals,omitempty"`
	// AsResiduals draws the residuals over X in the place of the points.
	AsResiduals bool `json:"asResiduals,omitempty"`
	// Band draws the edges between which a further value lies with 95 %, Filled what the function says in rows without a value.
	Band   bool `json:"band,omitempty"`
	Filled bool `json:"filled,omitempty"`
	// Unmarked leaves out the rings around values that stand out.
	Unmarked bool `json:"unmarked,omitempty"`
	// Labels are words at single points.
	Labels []PointLabel `json:"labels,omitempty"`
}

// Residuals is how the distances from the function are drawn.
type Residuals string

// Residuals are not drawn, or as upright segments, or as squares with these for a side.
const (
	NoResiduals Residuals = ""
	Segments    Residuals = "segments"
	Squares     Residuals = "squares"
)

// PointLabel is a label at the point of a row, counted from 0; without words it tells the coordinates.
type PointLabel struct {
	Row   int    `json:"row"`
	Words string `json:"words,omitempty"`
}

// mostLabels bounds the labels at points.
const mostLabels = 24

// Kind names the kind.
func (*Body) Kind() document.Kind { return "scatter" }

// Refs are the data and the function.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.DataID, Field: "data", Text: &b.Data},
		{Role: document.FunctionName, Field: "function", Text: &b.Function, Optional: true, Without: document.Emptied}}
}

// WithoutRow is what is left of it when a row is taken out of its data: what names later rows goes on naming them.
func (b *Body) WithoutRow(row int) {
	b.Unlocked = document.RowsWithout(b.Unlocked, row)
	labels := b.Labels[:0]
	for _, l := range b.Labels {
		if l.Row != row {
			if l.Row > row {
				l.Row--
			}
			labels = append(labels, l)
		}
	}
	b.Labels = labels
}

// Check bounds the labels, the rows and the way of the residuals.
func (b *Body) Check(c *document.Checker) {
	c.OneOf("residuals", string(b.Residuals), string(NoResiduals), string(Segments), string(Squares))
	c.Require(len(b.Labels) <= mostLabels, "labels", fmt.Sprintf("at most %d", mostLabels))
	c.Require(len(b.Unlocked) <= MaxHandles, "unlocked", fmt.Sprintf("at most %d rows can be moved by hand", MaxHandles))
	for _, row := range b.Unlocked {
		c.Require(row >= 0 && row < document.MaxRows, "unlocked", "there is no such row")
	}
	for _, l := range b.Labels {
		c.Require(l.Row >= 0 && l.Row < document.MaxRows, "labels", "there is no such row")
		c.Text("labels", l.Words)
	}
}
