// Package spacecurve is a curve in space that a point runs through, with what is shown of it.
package spacecurve

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// Body is a curve (x(t), y(t), z(t)) on an interval of its parameter.
type Body struct {
	X        string `json:"x"`
	Y        string `json:"y"`
	Z        string `json:"z"`
	Variable string `json:"variable"`
	// From and To are the ends of the interval, formulas.
	From string `json:"from"`
	To   string `json:"to"`
	// Driver is the parameter up to whose value the curve is drawn; without one it is drawn whole.
	Driver string `json:"driver,omitempty"`
	// Rest is what becomes of the part that has not been run through.
	Rest document.Rest `json:"rest,omitempty"`
	// Pieces gives each piece between holes and breaks a colour of its own.
	Pieces bool `json:"pieces,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "spaceCurve" }

// Letter begins the ids of curves in space.
func (*Body) Letter() string { return "s" }

// Refs are the coordinates, the ends and the dial.
func (b *Body) Refs() []document.Ref {
	letter := []string{b.Letters()}
	return []document.Ref{{Field: "x", Text: &b.X, Variables: letter}, {Field: "y", Text: &b.Y, Variables: letter}, {Field: "z", Text: &b.Z, Variables: letter},
		{Field: "from", Text: &b.From}, {Field: "to", Text: &b.To},
		{Role: document.ParameterName, Field: "driver", Text: &b.Driver, Optional: true, Without: document.Emptied}}
}

// Letters is the letter of the parameter.
func (b *Body) Letters() string {
	if b.Variable == "" {
		return "t"
	}
	return b.Variable
}

// Check holds what is chosen to what there is.
func (b *Body) Check(c *document.Checker) {
	c.Text("variable", b.Variable)
	c.Rest("rest", b.Rest)
}

// Tidy gives the parameter a name that can be typed.
func (b *Body) Tidy() {
	name, ok := expr.NameOf(b.Variable)
	if !ok {
		name = "t"
	}
	b.Variable = name
}

// PartBody is one thing shown of a curve in space, mostly at the point that runs through it.
type PartBody struct {
	// Of is the id of the curve.
	Of    string     `json:"of"`
	Piece SpacePiece `json:"piece"`
}

// SpacePiece names what is shown of a curve in space.
type SpacePiece string

// The pieces: its shadows on the three sides of the box, and at the point the velocity, the acceleration, the tangent and the circle of
// curvature.
const (
	Shadows     SpacePiece = "shadows"
	Velocity    SpacePiece = "velocity"
	Accelerated SpacePiece = "acceleration"
	TangentAt   SpacePiece = "tangent"
	Osculating  SpacePiece = "osculating"
)

// Kind names the kind.
func (*PartBody) Kind() document.Kind { return "spaceCurvePart" }

// Letter begins the ids of parts.
func (*PartBody) Letter() string { return "b" }

// Refs is the curve.
func (b *PartBody) Refs() []document.Ref {
	return []document.Ref{{Role: document.EntryID, Field: "of", Text: &b.Of}}
}

// Check holds what is chosen to what there is.
func (b *PartBody) Check(c *document.Checker) {
	c.OneOf("piece", string(b.Piece), string(Shadows), string(Velocity), string(Accelerated), string(TangentAt), string(Osculating))
}

// ColourLike is the colour of the curve.
func (b *PartBody) ColourLike(d *document.Document) (colour int, ok bool) {
	if e := d.Find(b.Of); e != nil {
		return e.Look.Colour, true
	}
	return 0, false
}
