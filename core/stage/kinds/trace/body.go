package trace

import (
	"fmt"

	"parvix/core/stage/document"
)

// Body is the trace of a point.
type Body struct {
	// Of is the id of the point that the trace follows.
	Of string `json:"of"`
	// Kept are recorded positions x, y, x, y … that go with the document; of a point of space x, y, z, x, y, z ….
	Kept []float64 `json:"kept,omitempty"`
	// Apart thins the trace: its dots are at least so many pixels apart.
	Apart float64 `json:"apart,omitempty"`
	// Space tells that what is kept are places of space.
	Space bool `json:"space,omitempty"`
}

// size is how many numbers a kept place has.
func (b *Body) size() int {
	if b.Space {
		return 3
	}
	return 2
}

// MaxKept is how many numbers a trace may keep.
const MaxKept = 20000

// Kind names the kind.
func (*Body) Kind() document.Kind { return "trace" }

// Refs is the point.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.EntryID, Field: "of", Text: &b.Of}}
}

// Check holds what is kept to pairs of numbers, and to its bound.
func (b *Body) Check(c *document.Checker) {
	c.Require(b.Apart >= 0 && b.Apart <= 200, "apart", "between 0 and 200")
	c.Require(len(b.Kept) <= MaxKept && len(b.Kept)%b.size() == 0, "kept", fmt.Sprintf("%d numbers a place, at most %d", b.size(), MaxKept))
}

// ColourLike is the colour of the point.
func (b *Body) ColourLike(d *document.Document) (colour int, ok bool) {
	if p := d.Find(b.Of); p != nil {
		return p.Look.Colour, true
	}
	return 0, false
}
