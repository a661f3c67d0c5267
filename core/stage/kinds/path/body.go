package path

import (
	"parvix/core/maths/locus"
	"parvix/core/stage/document"
)

// Body is the whole way of a feature of a function while a parameter varies, its locus.
type Body struct {
	Function string        `json:"function"`
	Feature  locus.Feature `json:"feature"`
	// As is the parameter that varies.
	As string `json:"as"`
	// With is the other function of intersections.
	With string `json:"with,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "path" }

// Refs are the functions and the parameter.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function}, {Role: document.ParameterName, Field: "as", Text: &b.As},
		{Role: document.FunctionName, Field: "with", Text: &b.With, Optional: true}}
}

// Check holds the feature to those that have a path.
func (b *Body) Check(c *document.Checker) {
	c.Require(b.As != "", "as", "a parameter is needed")
	c.OneOf("feature", string(b.Feature), "extrema", "inflections", "zeros", "yIntercept", "intersections", "vertical asymptote", "horizontal asymptote")
	c.Require(b.Feature != locus.Intersections || b.With != "", "with", "another function is needed")
}
