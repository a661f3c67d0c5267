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
	Version = 3
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
	// Shown is what is drawn on the stage, Said what is written on it and beside it.
	Shown  []Entry `json:"shown"`
	Said   []Entry `json:"said"`
	Scenes []Scene `json:"scenes"`
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
		if s.Held = slices.DeleteFunc(s.Held, func(h Held) bool { return gone[h.ID] }); len(s.Held) == 0 {
			s.Held = nil
		}
		if s.Ink = slices.DeleteFunc(s.Ink, func(ink InkStroke) bool { return gone[ink.Panel] }); len(s.Ink) == 0 {
			s.Ink = nil
		}
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
	// TicksBefore is how the x-axis is numbered in the other unit of angles, where that is not the usual way.
	TicksBefore TickStyle `json:"ticksBefore,omitempty"`
	// StepX and StepY are the distances between the numbers; 0 leaves them to the window.
	StepX float64 `json:"stepX,omitempty"`
	StepY float64 `json:"stepY,omitempty"`
	// NameX and NameY stand at the ends of the axes, such as t or “time in s”; none stands for the functions' letter, and y.
	NameX string `json:"nameX,omitempty"`
	NameY string `json:"nameY,omitempty"`
	// NameZ is that of the third axis of a space panel; Tall is how high its box is, as a share of its floor's side, where the
	// scales are not equal; 0 means 0.7.
	NameZ string  `json:"nameZ,omitempty"`
	Tall  float64 `json:"tall,omitempty"`
	// Title and Caption are words above the panel.
	Title   string `json:"title,omitempty"`
	Caption string `json:"caption,omitempty"`
	// Legend names the curves in the emptiest corner instead of at themselves.
	Legend bool `json:"legend,omitempty"`
	// Values are the panel's own values of parameters, by name: their dials do not move this panel.
	Values map[string]float64 `json:"values,omitempty"`
}

// PanelKind says what a panel shows.
type PanelKind string

// The kinds of panels: a plane, the picture of a circle, whose plane panels have the same pixels per unit, and space.
const (
	Plane   PanelKind = "plane"
	Around  PanelKind = "circle"
	InSpace PanelKind = "space"
)

// Window is the visible part of the plane.
type Window struct {
	Left   float64 `json:"left"`
	Right  float64 `json:"right"`
	Bottom float64 `json:"bottom"`
	Top    float64 `json:"top"`
	// Space is what a space panel's has beyond that.
	Space Sight `json:"space,omitzero"`
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

// Stated is a function, a parameter or data.
type Stated struct {
	ID   string     `json:"id"`
	Kind StatedKind `json:"kind"`
	// Name is a letter with an index; that of data is in words.
	Name string `json:"name"`

	// Variables and Formula define a function; Formula is what stands after “=”. With Fit the formula follows from data.
	Variables []string `json:"variables,omitempty"`
	Formula   string   `json:"formula,omitempty"`
	Fit       *Fit     `json:"fit,omitempty"`

	// Columns are those of data.
	Columns []Column `json:"columns,omitempty"`

	// From, To and Step are formulas without parameters; a parameter's steps count from From.
	From string `json:"from,omitempty"`
	To   string `json:"to,omitempty"`
	Step string `json:"step,omitempty"`
	// StepBefore is the step in the other unit of angles, where that is no part of a turn.
	StepBefore string `json:"stepBefore,omitempty"`
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
	Data      StatedKind = "data"
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

// Rest is how what has not been run through yet is drawn.
type Rest string

// The rests; an empty one means faint.
const (
	RestFaint  Rest = "faint"
	RestHidden Rest = "hidden"
	RestWhole  Rest = "whole"
)

// Corner is where a text stands on a panel.
type Corner string

// The corners.
const (
	TopLeft     Corner = "topLeft"
	TopRight    Corner = "topRight"
	BottomLeft  Corner = "bottomLeft"
	BottomRight Corner = "bottomRight"
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
	// Ink is what was written by hand on the stage.
	Ink []InkStroke `json:"ink,omitempty"`
	// Held is what waits while presenting until it is revealed, in the order in which it is.
	Held []Held `json:"held,omitempty"`
	// Note is the teacher's own: aim, questions, usual mistakes. The class never sees it.
	Note string `json:"note,omitempty"`
}

// Held is an entry that a scene holds back, or its label only.
type Held struct {
	ID        string `json:"id"`
	LabelOnly bool   `json:"labelOnly,omitempty"`
}

// New is an empty demonstration with one plane panel and one scene.
func New(title string) *Document {
	return &Document{
		Format: Format, Version: Version, Title: title, AngleUnit: Radian,
		Panels: []Panel{{ID: "plane1", Kind: Plane, Window: Window{Left: -6, Right: 6, Bottom: -3.5, Top: 3.5}, EqualScales: true, Grid: true,
			Axes: true, TicksX: TicksInNumbers, TicksY: TicksInNumbers}},
		Stated: []Stated{}, Shown: []Entry{}, Said: []Entry{},
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

// Data lists the stated data in order.
func (d *Document) Data() []*Stated { return d.stated(Data) }

// StatedNamed finds a function or parameter by its name; nil when there is none.
func (d *Document) StatedNamed(name string) *Stated {
	for i := range d.Stated {
		if d.Stated[i].Name == name && d.Stated[i].Kind != Data {
			return &d.Stated[i]
		}
	}
	return nil
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
