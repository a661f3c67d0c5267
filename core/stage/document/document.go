// Package document is the demonstration as plain data: what the teacher stated, what is shown, what is said, in scenes.
//
// It computes nothing. Everything is text and numbers that stand in the JSON file (docs/format), in the field names of
// the trade. Formulas are textbook typing; they are understood by later stages.
package document

import (
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"
)

// Format and Version stand in every file.
const (
	Format  = "parvix-demonstration"
	Version = 2
)

// Document is one demonstration.
type Document struct {
	Format  string `json:"format"`
	Version int    `json:"version"`
	Title   string `json:"title"`
	// AngleUnit is “radian” or “degree”, for every bare angle.
	AngleUnit AngleUnit `json:"angleUnit"`
	// DecimalComma tells that formulas are typed, and numbers written, with the decimal comma.
	DecimalComma bool `json:"decimalComma,omitempty"`
	// LinkedWindows lets every panel show the same window: zoomed or panned in one, all follow.
	LinkedWindows bool     `json:"linkedWindows,omitempty"`
	Panels        []Panel  `json:"panels"`
	Stated        []Stated `json:"stated"`
	Shown         []Shown  `json:"shown"`
	Said          []Said   `json:"said"`
	Scenes        []Scene  `json:"scenes"`
	// Issued holds, for the letters of an id, the highest number behind them that was taken out: no id is used again.
	Issued map[string]int `json:"issued,omitempty"`
	// Gone are names of functions that were deleted while something used them.
	Gone []string `json:"gone,omitempty"`
}

// idParts splits an id such as “p12” into its letters and its number; ok is false for ids of other forms.
func idParts(id string) (letters string, number int, ok bool) {
	letters = strings.TrimRight(id, "0123456789")
	number, err := strconv.Atoi(id[len(letters):])
	return letters, number, err == nil
}

// NewID gives an id that was never used: the letters and a number above all others behind them.
func (d *Document) NewID(letters string) string {
	highest := d.Issued[letters]
	d.ids(func(id string) {
		if l, n, ok := idParts(id); ok && l == letters {
			highest = max(highest, n)
		}
	})
	return letters + strconv.Itoa(highest+1)
}

// ids visits the ids of entries, panels and scenes.
func (d *Document) ids(visit func(id string)) {
	for _, p := range d.Panels {
		visit(p.ID)
	}
	for _, e := range d.Stated {
		visit(e.ID)
	}
	for _, e := range d.Shown {
		visit(e.ID)
	}
	for _, e := range d.Said {
		visit(e.ID)
	}
	for _, s := range d.Scenes {
		visit(s.ID)
	}
}

// Forget takes every trace of ids that are gone out of the scenes, and notes that they were used.
func (d *Document) Forget(gone map[string]bool) {
	for id := range gone {
		if letters, n, ok := idParts(id); ok && n > d.Issued[letters] {
			if d.Issued == nil {
				d.Issued = map[string]int{}
			}
			d.Issued[letters] = n
		}
	}
	for i := range d.Scenes {
		s := &d.Scenes[i]
		s.Hidden = slices.DeleteFunc(s.Hidden, func(id string) bool { return gone[id] })
		if len(s.Hidden) == 0 {
			s.Hidden = nil
		}
		maps.DeleteFunc(s.Steps, func(id string, _ float64) bool { return gone[id] })
		maps.DeleteFunc(s.Windows, func(id string, _ Window) bool { return gone[id] })
	}
}

// AngleUnit is the unit of a bare angle.
type AngleUnit string

// The angle units.
const (
	Radian AngleUnit = "radian"
	Degree AngleUnit = "degree"
)

// Panel is one picture area of the stage.
type Panel struct {
	ID   string    `json:"id"`
	Kind PanelKind `json:"kind"`
	// Window is the part of the plane that is seen; with EqualScales more is seen in width or height, about its middle,
	// as the panel's shape demands.
	Window      Window `json:"window"`
	EqualScales bool   `json:"equalScales"`
	Grid        bool   `json:"grid"`
	// Polar draws the grid as circles and rays.
	Polar  bool      `json:"polar,omitempty"`
	Axes   bool      `json:"axes"`
	TicksX TickStyle `json:"ticksX"`
	TicksY TickStyle `json:"ticksY"`
	// Legend names the curves in the emptiest corner instead of at themselves.
	Legend bool `json:"legend,omitempty"`
	// Values are the panel's own values of parameters, by name: their dials do not move this panel.
	Values map[string]float64 `json:"values,omitempty"`
}

// PanelKind says what a panel shows.
type PanelKind string

// The kinds of panels: a plane, and the picture of a circle, whose plane panels have the same pixels per unit.
const (
	Plane  PanelKind = "plane"
	Around PanelKind = "circle"
)

// Window is the visible part of the plane.
type Window struct {
	Left   float64 `json:"left"`
	Right  float64 `json:"right"`
	Bottom float64 `json:"bottom"`
	Top    float64 `json:"top"`
}

// narrowest is how small a side may be, as a share of its larger end: a pixel is then a thousand times what a float64 there
// can tell apart.
const narrowest = 1e-10

// IsWide tells that the numbers along both sides can be told apart.
func (w Window) IsWide() bool {
	wide := func(lo, hi float64) bool { return hi-lo >= narrowest*math.Max(math.Abs(lo), math.Abs(hi)) }
	return wide(w.Left, w.Right) && wide(w.Bottom, w.Top)
}

// TickStyle says how an axis is numbered.
type TickStyle string

// The tick styles: whole and decimal numbers, fractions of π, or degrees.
const (
	TicksInNumbers TickStyle = "numbers"
	TicksInPi      TickStyle = "pi"
	TicksInDegrees TickStyle = "degrees"
)

// Stated is a function or a parameter.
type Stated struct {
	ID   string     `json:"id"`
	Kind StatedKind `json:"kind"`
	Name string     `json:"name"`

	// Variables and Formula define a function; Formula is what stands after “=”.
	Variables []string `json:"variables,omitempty"`
	Formula   string   `json:"formula,omitempty"`

	// From, To and Step are formulas without parameters; a parameter's steps count from From.
	From string `json:"from,omitempty"`
	To   string `json:"to,omitempty"`
	Step string `json:"step,omitempty"`
	// Whole allows whole numbers only.
	Whole bool `json:"whole,omitempty"`
	// Colour is the number of the parameter's colour, the same in dial, formulas and words.
	Colour int    `json:"colour,omitempty"`
	Sweep  *Sweep `json:"sweep,omitempty"`
	// Locked keeps students from moving it; Hidden takes its dial off the deck.
	Locked bool `json:"locked,omitempty"`
	Hidden bool `json:"hidden,omitempty"`
}

// StatedKind says what an entry states.
type StatedKind string

// The kinds of stated entries.
const (
	Function  StatedKind = "function"
	Parameter StatedKind = "parameter"
)

// Sweep says how a parameter moves by itself.
type Sweep struct {
	Way SweepWay `json:"way"`
	// Seconds is the pace: the time of one run from end to end.
	Seconds float64 `json:"seconds"`
}

// SweepWay is the way of a sweep.
type SweepWay string

// The ways of a sweep.
const (
	Once         SweepWay = "once"
	Round        SweepWay = "round"
	BackAndForth SweepWay = "backAndForth"
)

// Shown is something drawn on the stage.
type Shown struct {
	ID   string    `json:"id"`
	Kind ShownKind `json:"kind"`

	// Function is the name of the function whose curve this is; Parent draws it grey and dashed.
	Function string `json:"function,omitempty"`
	Parent   bool   `json:"parent,omitempty"`
	// Family draws the curve once for each of several values of one parameter.
	Family *Family `json:"family,omitempty"`
	// Grips lets a hand move and stretch the curve by its key points, where its form has parameters, or the points of a
	// table.
	Grips bool `json:"grips,omitempty"`
	// Reading picks one of the right readings of a transformation that is shown in steps; 0 is the canonical one.
	Reading int `json:"reading,omitempty"`

	// Name, X and Y make a point.
	Name string `json:"name,omitempty"`
	X    string `json:"x,omitempty"`
	Y    string `json:"y,omitempty"`

	// Direction and At make a guide: upright x = At, level y = At, or slanted y = At with At a formula in x.
	Direction Direction `json:"direction,omitempty"`
	At        string    `json:"at,omitempty"`

	// Finding is what is shown of Function: its zeros as points, its asymptotes as guides …
	Finding Finding `json:"finding,omitempty"`

	// Feature of Function is followed, as its path, while the parameter As varies.
	// With is the other function of intersections.
	Feature string `json:"feature,omitempty"`
	As      string `json:"as,omitempty"`
	With    string `json:"with,omitempty"`

	// Rows are the points of a table; Joined joins them by lines, Distances shows how far each lies from Function.
	Rows      []Row `json:"rows,omitempty"`
	Joined    bool  `json:"joined,omitempty"`
	Distances bool  `json:"distances,omitempty"`

	// Circle is a circle with a point that an angle moves; Part is what is shown of the circle whose id Of is.
	Circle *Circle `json:"circle,omitempty"`
	Part   *Part   `json:"part,omitempty"`

	// Trajectory is a curve that a point runs through.
	Trajectory *Trajectory `json:"trajectory,omitempty"`

	// Figure is a piece of geometry; Function and At belong to a tangent or a normal.
	Figure *Figure `json:"figure,omitempty"`

	// Of is the id of the point that a trace follows; Kept are recorded positions x, y, x, y … that go with the document.
	Of   string    `json:"of,omitempty"`
	Kept []float64 `json:"kept,omitempty"`
	// Apart thins a trace: its dots are at least so many pixels apart.
	Apart float64 `json:"apart,omitempty"`

	Colour  int         `json:"colour"`
	Pattern LinePattern `json:"pattern,omitempty"`
	Label   LabelKind   `json:"label,omitempty"`
	// Hidden stands in files of version 1 only; Upgrade moves it to the scenes.
	Hidden bool `json:"hidden,omitempty"`
	// Panels lists the ids of the panels it appears in; empty means all.
	Panels []string `json:"panels,omitempty"`
}

// Circle is a circle and the angle whose point runs on it.
type Circle struct {
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

// Trajectory is a polar curve, or a parametric one, on an interval of its parameter.
type Trajectory struct {
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
	Rest RestOfGraph `json:"rest,omitempty"`
}

// Part is one thing shown of a circle, in the circle's picture and in its graph, or of a trajectory.
type Part struct {
	Piece CirclePiece `json:"piece"`
	// Ratio is the trigonometric function, by its short name: sin, cos, tan, cot, sec, csc.
	Ratio string `json:"ratio,omitempty"`
	// OnAxis measures tangent and cotangent on the lines x = r and y = r instead of the tangent line at the point, and
	// secant and cosecant on the ray.
	OnAxis bool `json:"onAxis,omitempty"`
	// Rest is what becomes of the graph where the angle has not been yet.
	Rest RestOfGraph `json:"rest,omitempty"`
	// Step is the distance of dots by the parameter, a formula; empty for a usual one. Line joins them.
	Step string  `json:"step,omitempty"`
	Line Joining `json:"line,omitempty"`
	// Other is the id of the second polar curve of a region; Common is what both enclose, else what the other does not.
	Other  string `json:"other,omitempty"`
	Common bool   `json:"common,omitempty"`
}

// Joining is how dots are joined; empty for not at all.
type Joining string

// The ways of joining.
const (
	Straight Joining = "straight"
	Smooth   Joining = "smooth"
)

// CirclePiece names what is shown of a circle.
type CirclePiece string

// The pieces of a circle.
const (
	Arc         CirclePiece = "arc"
	AngleMark   CirclePiece = "angle"
	Coordinates CirclePiece = "coordinates"
	Unrolled    CirclePiece = "unrolled"
	// The following are of one ratio: its directed length, the line that carries it to the graph, its graph, and the
	// similar triangles that it comes from.
	Length    CirclePiece = "length"
	Carried   CirclePiece = "carried"
	Graph     CirclePiece = "graph"
	Triangles CirclePiece = "triangles"
)

// The pieces of a trajectory, at the point that runs through it; Graph is that of one coordinate: r, x or y.
const (
	// Ray is a polar curve's ray with the radius on it.
	Ray         CirclePiece = "ray"
	Projections CirclePiece = "projections"
	Velocity    CirclePiece = "velocity"
	Accelerated CirclePiece = "acceleration"
	TangentAt   CirclePiece = "tangent"
	// Osculating is the circle of curvature.
	Osculating CirclePiece = "osculating"
	// Dots stand at equal steps of the parameter, Directions are arrowheads along the curve, Swept is what the ray from the
	// pole has swept over.
	Dots       CirclePiece = "dots"
	Directions CirclePiece = "directions"
	Swept      CirclePiece = "swept"
	// Region is what a polar curve encloses and another one does not, or both do.
	Region CirclePiece = "region"
)

// HasRatio tells whether a piece is of one ratio.
func (p CirclePiece) HasRatio() bool {
	return p == Length || p == Carried || p == Graph || p == Triangles
}

// RestOfGraph is how the graph is drawn where the angle has not been.
type RestOfGraph string

// The rests; an empty one means faint.
const (
	RestFaint  RestOfGraph = "faint"
	RestHidden RestOfGraph = "hidden"
	RestWhole  RestOfGraph = "whole"
)

// Figure is a piece of geometry in the plane, live as the points that it hangs on.
type Figure struct {
	Shape FigureShape `json:"shape"`
	// Points are the ids of the points that it joins, in order.
	Points []string `json:"points,omitempty"`
	// Other is the name of the second function of an intersection.
	Other string `json:"other,omitempty"`
}

// FigureShape names a piece of geometry.
type FigureShape string

// The shapes: two points for a segment, an arrow, a midpoint and a circle (its centre and a point on it), three for an arc
// (centre, first point, a point on the last ray), an angle and a right angle (the vertex in the middle), three or more for
// a polygon; a tangent and a normal are of a function at a place, an intersection of two functions.
const (
	Segment      FigureShape = "segment"
	Arrow        FigureShape = "arrow"
	Midpoint     FigureShape = "midpoint"
	CircleShape  FigureShape = "circle"
	ArcShape     FigureShape = "arc"
	AngleShape   FigureShape = "angle"
	RightAngle   FigureShape = "rightAngle"
	Polygon      FigureShape = "polygon"
	TangentLine  FigureShape = "tangent"
	NormalLine   FigureShape = "normal"
	Intersection FigureShape = "intersection"
)

// Shapes lists the shapes.
func Shapes() []FigureShape {
	return []FigureShape{Segment, Arrow, Midpoint, CircleShape, ArcShape, AngleShape, RightAngle, Polygon, TangentLine, NormalLine, Intersection}
}

// Points is how many points a shape needs, −1 for three or more.
func (s FigureShape) Points() int {
	switch s {
	case Segment, Arrow, Midpoint, CircleShape:
		return 2
	case ArcShape, AngleShape, RightAngle:
		return 3
	case Polygon:
		return -1
	}
	return 0
}

// MaxCorners is the largest number of a polygon's corners.
const MaxCorners = 24

// Row is a point of a table, each coordinate a formula without parameters, such as 1/2.
type Row struct {
	X string `json:"x"`
	Y string `json:"y"`
}

// MaxRows is the largest number of points of a table.
const MaxRows = 500

// Family is one function for several values of a parameter: those of a list, or from an end to another in steps.
type Family struct {
	Parameter string `json:"parameter"`
	// Values are formulas without parameters; where there are none, From, To and Step are.
	Values []string `json:"values,omitempty"`
	From   string   `json:"from,omitempty"`
	To     string   `json:"to,omitempty"`
	Step   string   `json:"step,omitempty"`
}

// MaxMembers is the largest number of curves of one family.
const MaxMembers = 12

// ShownKind says what is drawn.
type ShownKind string

// The kinds of shown entries.
const (
	Curve ShownKind = "curve"
	Point ShownKind = "point"
	Guide ShownKind = "guide"
	Trace ShownKind = "trace"
	// Found shows a finding of a function.
	Found ShownKind = "finding"
	// Steps takes a function apart into its parent and the transformations that lead there.
	Steps ShownKind = "steps"
	// Path is the whole way of a feature while a parameter varies, its locus.
	Path ShownKind = "path"
	// Table shows plotted points.
	Table ShownKind = "table"
	// Moving is a trajectory.
	Moving ShownKind = "trajectory"
	// FigureEntry is a piece of geometry.
	FigureEntry ShownKind = "figure"
	// CircleEntry is a circle with its point, PartOf a part of it.
	CircleEntry ShownKind = "circle"
	PartOf      ShownKind = "part"
)

// Finding names what the core finds out about a function of one variable.
type Finding string

// The findings.
const (
	Domain             Finding = "domain"
	Range              Finding = "range"
	YIntercept         Finding = "yIntercept"
	Zeros              Finding = "zeros"
	Maxima             Finding = "maxima"
	Minima             Finding = "minima"
	Inflections        Finding = "inflections"
	Increasing         Finding = "increasing"
	Decreasing         Finding = "decreasing"
	ConcaveUp          Finding = "concaveUp"
	ConcaveDown        Finding = "concaveDown"
	VerticalAsymptotes Finding = "verticalAsymptotes"
	LevelAsymptotes    Finding = "horizontalAsymptotes"
	SlantedAsymptotes  Finding = "obliqueAsymptotes"
	Holes              Finding = "holes"
	Jumps              Finding = "jumps"
	Period             Finding = "period"
	Amplitude          Finding = "amplitude"
	CentreLine         Finding = "centreLine"
	Symmetry           Finding = "symmetry"
	// QuarterPoints are met by a reading only: those of a tangent's curve a quarter period beside its centres.
	QuarterPoints Finding = "quarterPoints"
)

// Findings lists them in the order in which a curve is discussed.
func Findings() []Finding {
	return []Finding{Domain, Range, YIntercept, Zeros, Maxima, Minima, Increasing, Decreasing, Inflections, ConcaveUp,
		ConcaveDown, VerticalAsymptotes, LevelAsymptotes, SlantedAsymptotes, Holes, Jumps, Period, Amplitude, CentreLine, Symmetry}
}

// IsDrawn tells whether a finding can be shown on the stage, as points or as guides.
func (f Finding) IsDrawn() bool {
	switch f {
	case YIntercept, Zeros, Maxima, Minima, Inflections, Holes, Jumps, VerticalAsymptotes, LevelAsymptotes, SlantedAsymptotes, CentreLine:
		return true
	}
	return false
}

// Direction is that of a guide.
type Direction string

// The directions of a guide.
const (
	Upright Direction = "upright"
	Level   Direction = "level"
	Slanted Direction = "slanted"
)

// LinePattern tells lines apart without colour.
type LinePattern string

// The line patterns; an empty one means whole.
const (
	Whole  LinePattern = "whole"
	Dashed LinePattern = "dashed"
	Dotted LinePattern = "dotted"
)

// LabelKind says what a label tells.
type LabelKind string

// The labels; an empty one means name.
const (
	LabelName        LabelKind = "name"
	LabelFormula     LabelKind = "formula"     // with current values
	LabelCoordinates LabelKind = "coordinates" // of a point
	LabelNone        LabelKind = "none"
)

// Said is a text beside the picture or on it.
type Said struct {
	ID     string  `json:"id"`
	Pieces []Piece `json:"pieces"`
	// Panel and Corner put the text on a panel; an empty Panel means beside the stage.
	Panel  string `json:"panel,omitempty"`
	Corner Corner `json:"corner,omitempty"`
}

// Corner is where a text stands on a panel.
type Corner string

// The corners.
const (
	TopLeft     Corner = "topLeft"
	TopRight    Corner = "topRight"
	BottomLeft  Corner = "bottomLeft"
	BottomRight Corner = "bottomRight"
)

// Piece is a part of a text: words, a typeset formula, a live value, or a live finding of the function named in Text.
type Piece struct {
	Kind PieceKind `json:"kind"`
	Text string    `json:"text"`
	// Finding is what is told of a function.
	Finding Finding `json:"finding,omitempty"`
	// Form and Decimals belong to a live value; Decimals is the largest number of decimals, 3 when absent.
	Form     ValueForm `json:"form,omitempty"`
	Decimals *int      `json:"decimals,omitempty"`
}

// PieceKind says what a piece of text is.
type PieceKind string

// The kinds of pieces.
const (
	Words   PieceKind = "words"
	Formula PieceKind = "formula"
	Value   PieceKind = "value"
	Told    PieceKind = "finding"
)

// ValueForm says how a live value is written.
type ValueForm string

// The forms of a live value; an empty one means number.
const (
	AsNumber      ValueForm = "number"      // 4.5
	AsEquation    ValueForm = "equation"    // f(2) = 3.9
	AsSubstituted ValueForm = "substituted" // −0.6(2 − 3)² + 4.5 = 3.9
)

// Scene is a kept state.
type Scene struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Values are the starting values of the parameters, by name.
	Values map[string]float64 `json:"values"`
	// Steps tells, by the id of the entry, after which step a transformation stands; one that is not named stands at
	// its end.
	Steps map[string]float64 `json:"steps,omitempty"`
	// Hidden lists the ids of what is shown or said in other scenes only.
	Hidden []string `json:"hidden,omitempty"`
	// Windows are those of the panels, by their ids; a panel that is not named has its own.
	Windows map[string]Window `json:"windows,omitempty"`
}

// New is an empty demonstration with one plane panel and one scene.
func New(title string) *Document {
	return &Document{
		Format: Format, Version: Version, Title: title, AngleUnit: Radian,
		Panels: []Panel{{ID: "plane1", Kind: Plane, Window: Window{-6, 6, -3.5, 3.5}, EqualScales: true, Grid: true,
			Axes: true, TicksX: TicksInNumbers, TicksY: TicksInNumbers}},
		Stated: []Stated{}, Shown: []Shown{}, Said: []Said{},
		Scenes: []Scene{{ID: "scene1", Name: "Start", Values: map[string]float64{}}},
	}
}

// Parameters lists the stated parameters in order.
func (d *Document) Parameters() []*Stated { return d.stated(Parameter) }

// Functions lists the stated functions in order.
func (d *Document) Functions() []*Stated { return d.stated(Function) }

func (d *Document) stated(kind StatedKind) []*Stated {
	var list []*Stated
	for i := range d.Stated {
		if d.Stated[i].Kind == kind {
			list = append(list, &d.Stated[i])
		}
	}
	return list
}

// StatedNamed finds a function or parameter by its name; nil when there is none.
func (d *Document) StatedNamed(name string) *Stated {
	for i := range d.Stated {
		if d.Stated[i].Name == name {
			return &d.Stated[i]
		}
	}
	return nil
}

// Upgrade turns a document of an older version into one of this version.
func (d *Document) Upgrade() {
	if d.Version != 1 {
		return
	}
	d.Version = Version
	for i := range d.Shown {
		if !d.Shown[i].Hidden {
			continue
		}
		d.Shown[i].Hidden = false
		for k := range d.Scenes {
			d.Scenes[k].Hidden = append(d.Scenes[k].Hidden, d.Shown[i].ID)
		}
	}
}

// IsHidden tells whether an entry is left out of a scene.
func (s *Scene) IsHidden(id string) bool { return slices.Contains(s.Hidden, id) }

// WindowOf is a panel's window in a scene.
func (s *Scene) WindowOf(p *Panel) Window {
	if w, own := s.Windows[p.ID]; own {
		return w
	}
	return p.Window
}
