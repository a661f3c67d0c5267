package point

import (
	"parvix/core/stage/document"
)

// Body is a point by its coordinates, which are formulas; with a third one it stands in space.
type Body struct {
	Name string `json:"name"`
	X    string `json:"x"`
	Y    string `json:"y"`
	Z    string `json:"z,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "point" }

// Refs are the name and the coordinates.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.OwnName, Field: "name", Text: &b.Name, Optional: true}, {Field: "x", Text: &b.X}, {Field: "y", Text: &b.Y},
		{Field: "z", Text: &b.Z, Optional: true}}
}

// Check finds nothing else.
func (b *Body) Check(*document.Checker) {}
