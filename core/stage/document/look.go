package document

// Look is how an entry is drawn.
type Look struct {
	// Colour is the number of a colour that curves and parameters share out.
	Colour  int         `json:"colour"`
	Pattern LinePattern `json:"pattern,omitempty"`
	Weight  Weight      `json:"weight,omitempty"`
	// Shape is that of points.
	Shape PointShape `json:"shape,omitempty"`
	Label LabelKind  `json:"label,omitempty"`
	// Words are those of a label in own words.
	Words     string    `json:"words,omitempty"`
	LabelSize LabelSize `json:"labelSize,omitempty"`
}

// Colours is the number of colours that parameters and curves share out.
const Colours = 8

// LinePattern tells lines apart without colour.
type LinePattern string

// The line patterns; an empty one means whole.
const (
	Whole  LinePattern = "whole"
	Dashed LinePattern = "dashed"
	Dotted LinePattern = "dotted"
)

// Weight is how strong a line is.
type Weight string

// The weights; an empty one is as usual.
const (
	Thin Weight = "thin"
	Bold Weight = "bold"
)

// LabelSize is how large a label is.
type LabelSize string

// The sizes; an empty one is as usual.
const (
	Small LabelSize = "small"
	Large LabelSize = "large"
)

// PointShape tells points apart without colour.
type PointShape string

// The shapes; an empty one is as usual for the kind.
const (
	ShapeDisc     PointShape = "disc"
	ShapeRing     PointShape = "ring"
	ShapeSquare   PointShape = "square"
	ShapeDiamond  PointShape = "diamond"
	ShapeTriangle PointShape = "triangle"
	ShapeCross    PointShape = "cross"
)

// LabelKind says what a label tells.
type LabelKind string

// The labels; an empty one means name.
const (
	LabelName        LabelKind = "name"
	LabelFormula     LabelKind = "formula"     // with current values
	LabelCoordinates LabelKind = "coordinates" // of a point
	LabelWords       LabelKind = "words"       // own words
	LabelNone        LabelKind = "none"
)
