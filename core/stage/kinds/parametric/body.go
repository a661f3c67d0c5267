// Package parametric is a parametric surface in space: every coordinate is a formula of two parameters.
package parametric

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
)

// Body is a surface (x(u, v), y(u, v), z(u, v)) over a rectangle of its parameters.
type Body struct {
	X string `json:"x"`
	Y string `json:"y"`
	Z string `json:"z"`
	// U and V are the letters of the parameters.
	U string `json:"u"`
	V string `json:"v"`
	// FromU, ToU, FromV and ToV are the ends of the parameters, formulas.
	FromU string `json:"fromU"`
	ToU   string `json:"toU"`
	FromV string `json:"fromV"`
	ToV   string `json:"toV"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "parametricSurface" }

// Letter begins the ids of parametric surfaces.
func (*Body) Letter() string { return "n" }

// Refs are the coordinates and the ends.
func (b *Body) Refs() []document.Ref {
	letters := b.Letters()
	return []document.Ref{{Field: "x", Text: &b.X, Variables: letters}, {Field: "y", Text: &b.Y, Variables: letters}, {Field: "z", Text: &b.Z, Variables: letters},
		{Field: "fromU", Text: &b.FromU}, {Field: "toU", Text: &b.ToU}, {Field: "fromV", Text: &b.FromV}, {Field: "toV", Text: &b.ToV}}
}

// Letters are those of the parameters.
func (b *Body) Letters() []string {
	letters := []string{b.U, b.V}
	for k, usual := range []string{"u", "v"} {
		if letters[k] == "" {
			letters[k] = usual
		}
	}
	return letters
}

// Check holds the letters apart.
func (b *Body) Check(c *document.Checker) {
	c.Text("u", b.U)
	c.Text("v", b.V)
	letters := b.Letters()
	c.Require(letters[0] != letters[1], "v", "another letter than the first")
}

// Tidy gives the parameters names that can be typed.
func (b *Body) Tidy() {
	for k, letter := range []*string{&b.U, &b.V} {
		name, ok := expr.NameOf(*letter)
		if !ok {
			name = []string{"u", "v"}[k]
		}
		*letter = name
	}
}
