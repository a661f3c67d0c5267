package circle

import (
	"parvix/core/stage/document"
)

// Body is a circle and the angle whose point runs on it.
type Body struct {
	// Driver is the parameter that is dragged and swept, and that the axis of the graph counts.
	Driver string `json:"driver"`
	// Angle is a formula for the angle, in the demonstration's unit; empty for the driver itself.
	Angle string `json:"angle,omitempty"`
	// Radius and Centre, the height of the centre, are formulas; empty for 1 and 0.
	Radius string `json:"radius,omitempty"`
	Centre string `json:"centre,omitempty"`
	// Scaled keeps the radius a length, the amplitude of the graph; else the radius is the unit of both pictures.
	Scaled bool `json:"scaled,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "circle" }

// Refs are the dial that turns it, and its formulas.
func (b *Body) Refs() []document.Ref {
	return []document.Ref{{Role: document.ParameterName, Field: "driver", Text: &b.Driver, Without: document.Stays}, {Field: "angle", Text: &b.Angle, Optional: true},
		{Field: "radius", Text: &b.Radius, Optional: true}, {Field: "centre", Text: &b.Centre, Optional: true}}
}

// Check finds nothing else.
func (b *Body) Check(*document.Checker) {}

// PartBody is one thing shown of a circle, in the circle's picture and in its graph.
type PartBody struct {
	// Of is the id of the circle.
	Of    string `json:"of"`
	Piece Piece  `json:"piece"`
	// Ratio is the trigonometric function, by its short name.
	Ratio string `json:"ratio,omitempty"`
	// OnAxis measures tangent and cotangent on the lines x = r and y = r instead of the tangent line at the point, and
	// secant and cosecant on the ray.
	OnAxis bool `json:"onAxis,omitempty"`
	// Rest is what becomes of the graph where the angle has not been yet.
	Rest document.Rest `json:"rest,omitempty"`
}

// Piece names what is shown of a circle.
type Piece string

// The pieces of a circle.
const (
	Arc         Piece = "arc"
	AngleMark   Piece = "angle"
	Coordinates Piece = "coordinates"
	Unrolled    Piece = "unrolled"
	// The following are of one ratio: its directed length, the line that carries it to the graph, its graph, and the
	// similar triangles that it comes from.
	Length    Piece = "length"
	Carried   Piece = "carried"
	Graph     Piece = "graph"
	Triangles Piece = "triangles"
	// Wave marks amplitude, period and centre line of a sine or a cosine, on the graph, and the amplitude on the circle.
	Wave Piece = "wave"
)

// HasRatio tells whether a piece is of one ratio.
func (p Piece) HasRatio() bool {
	return p == Length || p == Carried || p == Graph || p == Triangles || p == Wave
}

// Kind names the kind.
func (*PartBody) Kind() document.Kind { return "circlePart" }

// Refs is the circle.
func (b *PartBody) Refs() []document.Ref {
	return []document.Ref{{Role: document.EntryID, Field: "of", Text: &b.Of}}
}

// Check holds the piece and its ratio to those that there are.
func (b *PartBody) Check(c *document.Checker) {
	c.OneOf("piece", string(b.Piece), string(Arc), string(AngleMark), string(Coordinates), string(Unrolled), string(Length), string(Carried), string(Graph), string(Triangles), string(Wave))
	if b.Piece.HasRatio() {
		c.OneOf("ratio", b.Ratio, "sin", "cos", "tan", "cot", "sec", "csc")
	}
	c.Rest("rest", b.Rest)
}
