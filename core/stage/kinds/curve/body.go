package curve

import (
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/family"
)

// Body is the graph of a function.
type Body struct {
	// Function is its name.
	Function string `json:"function"`
	// Parent draws it grey and dashed.
	Parent bool `json:"parent,omitempty"`
	// Grips lets a hand move and stretch the curve by its key points, where its form has parameters.
	Grips bool `json:"grips,omitempty"`
	// Family draws the curve once for each of several values of one parameter.
	Family *family.Given `json:"family,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "curve" }

// Refs are the function, and the family's.
func (b *Body) Refs() []document.Ref {
	return append([]document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function}}, b.Family.Refs()...)
}

// Check holds the family to its bounds.
func (b *Body) Check(c *document.Checker) { b.Family.Check(c) }
