package trajectory

import (
	"parvix/core/formula/expr"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/family"
)

// Body is a polar curve, or a parametric one, on an interval of its parameter.
type Body struct {
	// Function is the name of the stated r of a polar curve; a parametric one has none.
	Function string `json:"function,omitempty"`
	// X and Y are the coordinates of a parametric curve, formulas in Variable.
	X        string `json:"x,omitempty"`
	Y        string `json:"y,omitempty"`
	Variable string `json:"variable,omitempty"`
	// From and To are the ends of the interval, formulas.
	From string `json:"from"`
	To   string `json:"to"`
	// Driver is the parameter up to whose value the curve is drawn; without one it is drawn whole.
	Driver string `json:"driver,omitempty"`
	// Rest is what becomes of the part that has not been run through.
	Rest document.Rest `json:"rest,omitempty"`
	// Family draws the curve once for each of several values of one parameter.
	Family *family.Given `json:"family,omitempty"`
}

// Kind names the kind.
func (*Body) Kind() document.Kind { return "trajectory" }

// Refs are the formulas, the dial and what a family has.
func (b *Body) Refs() []document.Ref {
	polar := b.Function != ""
	letter := []string{b.Letters()}
	return append([]document.Ref{{Role: document.FunctionName, Field: "function", Text: &b.Function, Optional: true},
		{Field: "x", Text: &b.X, Variables: letter, Optional: polar}, {Field: "y", Text: &b.Y, Variables: letter, Optional: polar},
		{Field: "from", Text: &b.From}, {Field: "to", Text: &b.To},
		{Role: document.ParameterName, Field: "driver", Text: &b.Driver, Optional: true, Without: document.Emptied}}, b.Family.Refs()...)
}

// Letters is the letter of a parametric curve's parameter.
func (b *Body) Letters() string {
	if b.Variable == "" {
		return "t"
	}
	return b.Variable
}

// Check holds what is chosen to what there is.
func (b *Body) Check(c *document.Checker) {
	c.Text("variable", b.Variable)
	c.Rest("rest", b.Rest)
	b.Family.Check(c)
}

// PartBody is one thing shown of a trajectory, mostly at the point that runs through it.
type PartBody struct {
	// Of is the id of the trajectory.
	Of    string `json:"of"`
	Piece Piece  `json:"piece"`
	// Coordinate is that of a graph: r, x or y.
	Coordinate string `json:"coordinate,omitempty"`
	// Step is the distance of dots by the parameter, a formula; empty for a usual one. Line joins them.
	Step string  `json:"step,omitempty"`
	Line Joining `json:"line,omitempty"`
	// Other is the id of the second curve of a region, or of the curve that is met, which can be the graph of a function; Common is what
	// both enclose, or what lies under the graph, else what the other does not, or what lies over it.
	Other  string `json:"other,omitempty"`
	Common bool   `json:"common,omitempty"`
	// At is the value of the parameter at which a tangent or a perpendicular stands, a formula; empty for that of the running point.
	At string `json:"at,omitempty"`
}

// Joining is how dots are joined; empty for not at all.
type Joining string

// The ways of joining.
const (
	Straight Joining = "straight"
	Smooth   Joining = "smooth"
)

// Piece names what is shown of a trajectory.
type Piece string

// The pieces of a trajectory.
const (
	// Graph is that of one coordinate over the parameter.
	Graph Piece = "graph"
	// Ray is a polar curve's ray with the radius on it.
	Ray         Piece = "ray"
	Projections Piece = "projections"
	Velocity    Piece = "velocity"
	Accelerated Piece = "acceleration"
	TangentAt   Piece = "tangent"
	NormalAt    Piece = "normal"
	// Parts are the two parts of the acceleration: along the curve and across it. Run is the length that has been run through.
	Parts Piece = "accelerationParts"
	Run   Piece = "lengthRun"
	// Osculating is the circle of curvature.
	Osculating Piece = "osculating"
	// Dots stand at equal steps of the parameter, Directions are arrowheads along the curve, Swept is what the ray from the
	// pole has swept over.
	Dots       Piece = "dots"
	Directions Piece = "directions"
	Swept      Piece = "swept"
	// Inside is what a closed curve goes around.
	Inside Piece = "inside"
	// Enclosed is what a closed curve encloses and another one does not, or both do; or what it encloses over or under a graph.
	Enclosed Piece = "region"
	// Meets are the places where it meets another curve.
	Meets Piece = "meetings"
)

// IsAtPoint tells that a piece stands at the point that runs through the curve.
func (p Piece) IsAtPoint() bool {
	switch p {
	case Ray, Projections, Velocity, Accelerated, Parts, TangentAt, NormalAt, Osculating, Run:
		return true
	}
	return false
}

// Kind names the kind.
func (*PartBody) Kind() document.Kind { return "trajectoryPart" }

// Refs are the curve, the other one of a region, and the step of dots.
func (b *PartBody) Refs() []document.Ref {
	return []document.Ref{{Role: document.EntryID, Field: "of", Text: &b.Of}, {Role: document.EntryID, Field: "other", Text: &b.Other, Optional: !b.hasOther()},
		{Field: "step", Text: &b.Step, Optional: true}, {Field: "at", Text: &b.At, Optional: true}}
}

// hasOther tells that the piece is one of two curves.
func (b *PartBody) hasOther() bool { return b.Piece == Enclosed || b.Piece == Meets }

// Check holds what is chosen to what there is.
func (b *PartBody) Check(c *document.Checker) {
	c.OneOf("piece", string(b.Piece), string(Graph), string(Ray), string(Projections), string(Velocity), string(Accelerated), string(TangentAt), string(NormalAt), string(Parts),
		string(Run), string(Osculating), string(Dots), string(Directions), string(Swept), string(Inside), string(Enclosed), string(Meets))
	if b.Piece == Graph {
		c.OneOf("coordinate", b.Coordinate, "r", "x", "y")
	}
	c.OneOf("line", string(b.Line), "", string(Straight), string(Smooth))
	c.Require(!b.hasOther() || b.Other != "", "other", "another curve is needed")
}

// Tidy gives a parametric curve's parameter a name that can be typed.
func (b *Body) Tidy() {
	if b.Function != "" {
		return
	}
	name, ok := expr.NameOf(b.Variable)
	if !ok {
		name = "t"
	}
	b.Variable = name
}
