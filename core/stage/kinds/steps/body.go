package steps

import (
	"parvix/core/stage/document"
)

// Body takes a function apart into its parent and the transformations that lead there.
type Body struct {
	Function string `json:"function"`
	// Reading picks one of the right readings; 0 is the canonical one.
	Reading int `json:"reading,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "steps" }

// Refs is the function.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function}}
}

// Check holds the reading to its bounds.
func (b *Body) Check(c *document.Checker) {
	c.Require(b.Reading >= 0 && b.Reading < 100, "reading", "between 0 and 99")
}
