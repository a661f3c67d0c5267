// Package surface is the graph of a function of two variables in space, with what is shown of it: sections, level curves, the tangent
// plane, the gradient and the slopes at a point.
package surface

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is the graph of a function of two variables, over the panel's floor or a part of it.
type Body struct {
	Function string `json:"function"`
	// FromX, ToX, FromY and ToY are the ends of a rectangle, formulas; an empty one is the panel's.
	FromX string `json:"fromX,omitempty"`
	ToX   string `json:"toX,omitempty"`
	FromY string `json:"fromY,omitempty"`
	ToY   string `json:"toY,omitempty"`
	// Conditions are relations in x and y, all of which hold where the surface is.
	Conditions []string `json:"conditions,omitempty"`
}

// MaxConditions is the largest number of conditions.
const MaxConditions = 4

// Kind names the kind.
func (*Body) Kind() document.Kind { return "surface" }

// Letter begins the ids of surfaces.
func (*Body) Letter() string { return "u" }

// Refs are the function, the ends and the conditions.
func (b *Body) Refs() []document.Ref {
	list := []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function},
		{Field: "fromX", Text: &b.FromX, Optional: true}, {Field: "toX", Text: &b.ToX, Optional: true},
		{Field: "fromY", Text: &b.FromY, Optional: true}, {Field: "toY", Text: &b.ToY, Optional: true}}
	for i := range b.Conditions {
		list = append(list, document.Ref{Role: document.Condition, Field: "conditions", Text: &b.Conditions[i], Variables: []string{"x", "y"}})
	}
	return list
}

// Check bounds the conditions.
func (b *Body) Check(c *document.Checker) {
	c.Require(len(b.Conditions) <= MaxConditions, "conditions", fmt.Sprintf("at most %d", MaxConditions))
}

// PartBody is one thing shown of a surface.
type PartBody struct {
	// Of is the id of the surface.
	Of    string       `json:"of"`
	Piece SurfacePiece `json:"piece"`
	// Axis is that across which a section's plane stands, At where: a formula, mostly a dial.
	Axis Axis   `json:"axis,omitempty"`
	At   string `json:"at,omitempty"`
	// Step is the distance between level curves, a formula; empty for round values. OnFloor draws them on the floor too.
	Step    string `json:"step,omitempty"`
	OnFloor bool   `json:"onFloor,omitempty"`
	// X and Y are the place of what touches the surface, formulas.
	X string `json:"x,omitempty"`
	Y string `json:"y,omitempty"`
}

// SurfacePiece names what is shown of a surface.
type SurfacePiece string

// The pieces: the section by a plane, level curves, and at a point the point itself, the tangent plane, the gradient and the slopes of
// the sections through it.
const (
	Section      SurfacePiece = "section"
	Levels       SurfacePiece = "levels"
	Touching     SurfacePiece = "point"
	TangentPlane SurfacePiece = "tangentPlane"
	Gradient     SurfacePiece = "gradient"
	Slopes       SurfacePiece = "slopes"
)

// Axis names a coordinate of space.
type Axis string

// The coordinates.
const (
	AcrossX Axis = "x"
	AcrossY Axis = "y"
	AcrossZ Axis = "z"
)

// index is the coordinate's place.
func (a Axis) index() int {
	switch a {
	case AcrossY:
		return 1
	case AcrossZ:
		return 2
	}
	return 0
}

// Kind names the kind.
func (*PartBody) Kind() document.Kind { return "surfacePart" }

// Letter begins the ids of parts.
func (*PartBody) Letter() string { return "v" }

// isAtPoint tells that the piece is at a point of the surface.
func (b *PartBody) isAtPoint() bool { return b.Piece != Section && b.Piece != Levels }

// Refs are the surface and the formulas that the piece needs.
func (b *PartBody) Refs() []document.Ref {
	return []document.Ref{{Role: document.EntryID, Field: "of", Text: &b.Of},
		{Field: "at", Text: &b.At, Optional: b.Piece != Section}, {Field: "step", Text: &b.Step, Optional: true},
		{Field: "x", Text: &b.X, Optional: !b.isAtPoint()}, {Field: "y", Text: &b.Y, Optional: !b.isAtPoint()}}
}

// Check holds what is chosen to what there is.
func (b *PartBody) Check(c *document.Checker) {
	c.OneOf("piece", string(b.Piece), string(Section), string(Levels), string(Touching), string(TangentPlane), string(Gradient), string(Slopes))
	if b.Piece == Section {
		c.OneOf("axis", string(b.Axis), string(AcrossX), string(AcrossY), string(AcrossZ))
	}
}

// ColourLike is the colour of the surface.
func (b *PartBody) ColourLike(d *document.Document) (colour int, ok bool) {
	if b.Piece == Levels || b.Piece == Section || b.Piece == TangentPlane {
		return 0, false
	}
	if e := d.Find(b.Of); e != nil {
		return e.Look.Colour, true
	}
	return 0, false
}
