package guide

import (
	"parvix/core/stage/document"
)

// Body is a guide: upright x = At, level y = At, or slanted y = At with At a formula in x.
type Body struct {
	Direction Direction `json:"direction"`
	At        string    `json:"at"`
	// Name is what the label of a slanted guide says.
	Name string `json:"name,omitempty"`
}

// Direction is that of a guide.
type Direction string

// The directions of a guide.
const (
	Upright Direction = "upright"
	Level   Direction = "level"
	Slanted Direction = "slanted"
)

// Kind names the kind.
func (*Body) Kind() document.Kind { return "guide" }

// Refs is the guide's place.
func (b *Body) Refs() []document.Ref {
	at := document.Ref{Field: "at", Text: &b.At}
	if b.Direction == Slanted {
		at.Variables = []string{"x"}
	}
	return []document.Ref{at}
}

// Check holds the direction to those that there are.
func (b *Body) Check(c *document.Checker) {
	c.OneOf("direction", string(b.Direction), string(Upright), string(Level), string(Slanted))
	c.Text("name", b.Name)
}
