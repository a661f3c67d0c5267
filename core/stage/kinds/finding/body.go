package finding

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is what is shown of a function: its zeros as points, its asymptotes as guides …
type Body struct {
	Function string           `json:"function"`
	Finding  document.Finding `json:"finding"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "finding" }

// Refs is the function.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function}}
}

// Check holds the finding to those that can be drawn.
func (b *Body) Check(c *document.Checker) {
	c.Require(b.Finding.IsDrawn(), "finding", fmt.Sprintf("“%s” cannot be drawn", b.Finding))
}

// ColourLike is the colour in which the function's curve is shown.
func (b *Body) ColourLike(d *document.Document) (colour int, ok bool) {
	for i := range d.Shown {
		if e := &d.Shown[i]; e.Kind() == "curve" && e.Field("function") == b.Function {
			return e.Look.Colour, true
		}
	}
	return 0, false
}
