// Package kind says what a kind of shown entries has to do. Each kind is a folder of core/stage/kinds; what all of them are
// is listed there.
package kind

import (
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/view"
)

// Body is what an entry of a kind holds, and what the house knows of the kind.
type Body interface {
	document.Body
	// Letter begins the ids of its entries.
	Letter() string
	// Load understands an entry; nil where there is a problem, which it reports.
	Load(d evaluate.Loading, e *document.Entry) Live
	// Sentence says what an entry is, as a textbook would; s.Live is nil where it was not understood.
	Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word
}

// Live is an entry that was understood.
type Live interface {
	compose.Live
	// Box tells what of the entry a window on a panel must show to fit.
	Box(d evaluate.Moment, s *evaluate.Shown, p *document.Panel, box Box)
}

// Box gathers what a window must show.
type Box interface {
	// Add takes in a place, AddY a height; what is no number is left out.
	Add(x, y float64)
	AddY(y float64)
	// AddPlace takes in a place in space.
	AddPlace(p view.Place)
	// Curve takes in what is interesting of a function's graph.
	Curve(f *evaluate.Function)
	// Whole is the window itself, whatever else is shown; the first counts.
	Whole(w document.Window)
}

// Line is something that is told of an entry: its name and what it is, as LaTeX.
type Line struct {
	Name  string `json:"name"`
	LaTeX string `json:"latex"`
}
