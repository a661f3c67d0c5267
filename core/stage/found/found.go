// Package found holds the findings that cross from the core that computes them to the core that draws frames.
package found

import "parvix/core/stage/document"

// Found is what core/ask/study has found out about a function at given values of the parameters. It is an input like the
// recorded positions of a trace: it comes from the other core, which may take longer than a frame.
type Found struct {
	Function string `json:"function"`
	// Values are those of the parameters that the function depends on, Formula is its formula without other stated
	// functions, in radians.
	Values  map[string]float64 `json:"values"`
	Formula string             `json:"formula"`
	// Period is 0 for none; points and upright guides repeat with it.
	Period float64                      `json:"period"`
	Points map[document.Finding][]Point `json:"points"`
	Guides map[document.Finding][]Guide `json:"guides"`
	// Told are the findings in LaTeX.
	Told map[document.Finding]string `json:"told"`
}

// Collapse is a value of a parameter at which a function is one of another type, such as a level line.
type Collapse struct {
	Function  string  `json:"function"`
	Parameter string  `json:"parameter"`
	Value     float64 `json:"value"`
	Kind      string  `json:"kind"`
}

// Point is a point of the graph, or a hole or a jump's end when Open.
type Point struct {
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	Open bool    `json:"open,omitempty"`
}

// Guide is the line x = At, or y = Slope·x + At.
type Guide struct {
	Upright bool    `json:"upright,omitempty"`
	Slope   float64 `json:"slope,omitempty"`
	At      float64 `json:"at"`
}
