// Package part is a part of a circle or of a trajectory, an entry of its own, so that scenes and panels know nothing of
// wholes.
package part

import (
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
)

// Kind is the kind of parts.
type Kind struct{}

// Letter begins the ids of parts.
func (Kind) Letter() string { return "a" }

// Whole has parts that can be shown; of is its entry.
type Whole interface {
	Part(d *evaluate.Demonstration, e, of *document.Shown) kind.Live
}

// Load lets the whole understand its part.
func (Kind) Load(d *evaluate.Demonstration, e *document.Shown) kind.Live {
	of := d.Other(e.Of)
	if of != nil && of.Live != nil {
		if whole, ok := of.Live.(Whole); ok {
			return whole.Part(d, e, of.Entry)
		}
	}
	// A whole that could not be understood says so itself.
	if of == nil || of.Live != nil {
		d.Report(problem.New("field", 0, 0, "of", "there is no such circle"), e.ID, "of")
	}
	return nil
}

// Sentence says what the part is.
func (Kind) Sentence(d *evaluate.Demonstration, s *evaluate.Shown) []evaluate.Word {
	if said, ok := s.Live.(interface {
		Sentence(d *evaluate.Demonstration) []evaluate.Word
	}); ok {
		return said.Sentence(d)
	}
	return []evaluate.Word{evaluate.Says("a part of what is shown")}
}
