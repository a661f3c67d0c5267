package door

import (
	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/picture"
)

// Ask is a question or an edit that may take longer than a frame. Kind says which fields count.
type Ask struct {
	Kind AskKind `json:"kind"`
	// Document is the one to load, to edit or to draw.
	Document *document.Document `json:"document,omitempty"`
	// Text is what was typed, ID the entry or parameter, Names several names.
	Text  string   `json:"text,omitempty"`
	ID    string   `json:"id,omitempty"`
	Names []string `json:"names,omitempty"`
	// Entry is one to put, By the places to move by.
	Entry *document.Entry `json:"entry,omitempty"`
	By    int             `json:"by,omitempty"`
	// From and Step are formulas without parameters.
	From string `json:"from,omitempty"`
	Step string `json:"step,omitempty"`
	// Piece is a piece of a circle to be shown or hidden, Circle one to be put up.
	Piece  *edit.PieceWanted `json:"piece,omitempty"`
	Circle *circle.Body      `json:"circle,omitempty"`
	// Moving is what is done to a curve.
	Moving *edit.Moving `json:"moving,omitempty"`
	// Scene is the place of the scene in play.
	Scene int `json:"scene,omitempty"`
	// Comma asks for the decimal comma.
	Comma bool `json:"comma,omitempty"`
	// Panel is the panel's place, Width and Height its size in pixels, Window typed ends.
	Panel  int              `json:"panel,omitempty"`
	Width  float64          `json:"width,omitempty"`
	Height float64          `json:"height,omitempty"`
	Window *document.Window `json:"window,omitempty"`
	// Values are the parameters' values in play, for questions to the core that is not asked for frames.
	Values map[string]float64 `json:"values,omitempty"`
	// Steps are the positions of transformations in steps that are in play.
	Steps map[string]float64 `json:"steps,omitempty"`
	// Empty asks for a panel in which nothing appears.
	Empty bool `json:"empty,omitempty"`
	// X and Y are a place on the panel in pixels.
	X float64 `json:"x,omitempty"`
	Y float64 `json:"y,omitempty"`
	// Collapses tell at which values which functions are of another type.
	Collapses []found.Collapse `json:"collapses,omitempty"`
	// Found are findings to be taken in, Suspects values that stand out.
	Found    *found.Found       `json:"found,omitempty"`
	Suspects *evaluate.Suspects `json:"suspects,omitempty"`
	// Stated are data to be put, Row is a row of data, counted from 0.
	Stated *document.Stated `json:"stated,omitempty"`
	Row    int              `json:"row,omitempty"`
}

// AskKind names a question.
type AskKind string

// The questions.
const (
	AskLoad          AskKind = "load"          // Document → Loaded
	AskState         AskKind = "state"         // Document, ID, Text → Document
	AskRename        AskKind = "rename"        // Document, ID, Text → Document
	AskDelete        AskKind = "delete"        // Document, ID → Document
	AskAddParameters AskKind = "addParameters" // Document, Names → Document
	AskPut           AskKind = "put"           // Document, Entry → Document
	AskUpgrade       AskKind = "upgrade"       // Document of an older version → Document
	AskDecimals      AskKind = "decimals"      // Document, Comma → Document
	AskGuides        AskKind = "guides"        // Document, ID a function's name, Text a finding → Document
	AskTransformed   AskKind = "transformed"   // Document, ID of a polar or parametric curve, Text a transformation → Document with a further curve
	AskStops         AskKind = "stops"         // Document, ID a dial's name, Text a function's, Values → Document whose dial rests at its findings
	AskFamily        AskKind = "family"        // Document, Text a parameter, Panel, Empty for a panel of its own beside → Document
	AskPutData       AskKind = "putData"       // Document, Stated data → Document
	AskRemoveRow     AskKind = "removeRow"     // Document, ID of data, Row → Document
	AskKeepModel     AskKind = "keepModel"     // Document, ID of data, Names of two columns, Text the model → Document with it as a function
	AskFreeze        AskKind = "freeze"        // Document, ID of a function that follows from data → Document with its numbers
	AskModels        AskKind = "models"        // ID of data, Names of two columns, Empty to fit none → Models compared
	AskSuspects      AskKind = "suspects"      // ID of data, Names of two columns → Suspects
	AskSummaries     AskKind = "summaries"     // ID of data, Values → Summaries of its columns
	AskBestDials     AskKind = "bestDials"     // Text a function's name, ID of data, Names of two columns, Values → Values of its dials; Document, where dials have to be widened for them
	AskPredict       AskKind = "predict"       // Text a function's name, ID of data, Names of the column x, From a value, Empty for the places where it is taken, Window, Values → Prediction
	AskPasted        AskKind = "pasted"        // Text of a table → Pasted
	AskMove          AskKind = "move"          // Document, ID, By → Document
	AskSettle        AskKind = "settle"        // Document, ID of a free point or a table → Document with its places in play
	AskPlot          AskKind = "plot"          // Document, ID of a table, Panel, X, Y → Document with a point there
	AskKeepInk       AskKind = "keepInk"       // Document → Document with the ink in play
	AskMoveCurve     AskKind = "moveCurve"     // Document, ID of a function, Moving → Document
	AskWriteAs       AskKind = "writeAs"       // Document, ID of a function, Text the form → Document
	AskFromParent    AskKind = "fromParent"    // Document, Text the parent's kind → Document
	AskRunAlong      AskKind = "runAlong"      // Document, Scene → Document with a point that drives points on the curves
	AskShowPiece     AskKind = "showPiece"     // Document, Piece → Document
	AskAddCircle     AskKind = "addCircle"     // Document, Circle, Empty for panels of its own → Document with a circle and its graph
	AskWatch         AskKind = "watch"         // Document, ID of a trajectory, Scene → Document with a dial that runs along it
	AskTrajectory    AskKind = "trajectory"    // ID, Values, Step → Trajectory: its findings and its table
	AskAddScene      AskKind = "addScene"      // Document, Scene, Text its name, Values and Steps in play → Document
	AskRemoveScene   AskKind = "removeScene"   // Document, Scene → Document
	AskAddSpace      AskKind = "addSpace"      // Document → Document with an empty space panel
	AskAddSection    AskKind = "addSection"    // Document, ID of a surface, Text x, y or z, Scene → Document with a section at a new dial and its graph
	AskAddMap        AskKind = "addMap"        // Document, ID of a surface, Scene → Document with its level curves in a plane panel
	AskAddPanel      AskKind = "addPanel"      // Document, Panel, Empty → Document
	AskRemovePanel   AskKind = "removePanel"   // Document, Panel → Document
	AskAngleUnit     AskKind = "angleUnit"     // Document, Text the unit → Document
	AskBegin         AskKind = "begin"         // Document, Text an idea → Document
	AskBeginnings    AskKind = "beginnings"    // → Beginnings
	AskGallery       AskKind = "gallery"       // → Gallery of parents
	AskTypeset       AskKind = "typeset"       // Text → LaTeX
	AskValue         AskKind = "value"         // ID of a parameter, Text → Number
	AskWindow        AskKind = "window"        // Panel, Width, Height → Window in play, as it is seen
	AskDraw          AskKind = "draw"          // Document, Width, Height → SVG
	AskTyped         AskKind = "typed"         // Panel, Window with typed ends, Width, Height → Window
	AskDescribe      AskKind = "describe"      // Panel, Width, Height → Text; of the entry with an ID alone, or of its grip, By, from 1 on
	AskValues        AskKind = "values"        // → Values and positions of Steps in play
	AskCounters      AskKind = "counters"      // → Counters
	AskTrace         AskKind = "trace"         // ID of a trace → Numbers, Space
	AskEffect        AskKind = "effect"        // ID a parameter's name → Effects
	AskTable         AskKind = "table"         // ID a function's name with From, Step and By rows, or a table's id → Table
	AskFindings      AskKind = "findings"      // ID a function's name, Values → Findings
	AskCompared      AskKind = "compared"      // ID and Text two functions' names, Values → Text
	AskFound         AskKind = "found"         // Found or Collapses, taken in →
	AskFit           AskKind = "fit"           // Panel, Window, Width, Height, Values → Mended
	AskAdvice        AskKind = "advice"        // Panel, Window, Width, Height, Values → Advice
	AskHear          AskKind = "hear"          // Panel, Window, Width, Height, Values, ID a function's name → Heard
	AskRead          AskKind = "read"          // Panel, Window, Width, Height, Values, X and Y or ID and Text → Reading
)

// Answer answers an Ask; Problem is set when it could not be done.
type Answer struct {
	Problem  *Problem           `json:"problem,omitempty"`
	Loaded   *Loaded            `json:"loaded,omitempty"`
	Document *document.Document `json:"document,omitempty"`
	LaTeX    string             `json:"latex,omitempty"`
	Notices  []Problem          `json:"notices,omitempty"`
	Number   float64            `json:"number,omitempty"`
	Numbers  []float64          `json:"numbers,omitempty"`
	Told     []string           `json:"told,omitempty"` // sentences about what an edit did
	Space    bool               `json:"space,omitempty"`
	Window   *document.Window   `json:"window,omitempty"`
	SVG      string             `json:"svg,omitempty"`
	Text     string             `json:"text,omitempty"`
	Values   map[string]float64 `json:"values,omitempty"`
	Steps    map[string]float64 `json:"steps,omitempty"`
	Counters *Counters          `json:"counters,omitempty"`
	Findings *FindingsView      `json:"findings,omitempty"`
	Effects  []EffectView       `json:"effects,omitempty"`
	Gallery  []ParentView       `json:"gallery,omitempty"`
	Table    *TableView         `json:"table,omitempty"`
	// Trajectory is what is found out about a trajectory.
	Trajectory *trajectory.View `json:"trajectory,omitempty"`
	// Beginnings are the ideas with which a demonstration can begin.
	Beginnings []edit.Beginning `json:"beginnings,omitempty"`
	Mended     *Mended          `json:"mended,omitempty"`
	Advice     *AdviceView      `json:"advice,omitempty"`
	Heard      *HeardView       `json:"heard,omitempty"`
	// Models, Suspects, Summaries, Prediction and Pasted are about data.
	Models     *study.Models         `json:"models,omitempty"`
	Suspects   *evaluate.Suspects    `json:"suspects,omitempty"`
	Summaries  []study.ColumnSummary `json:"summaries,omitempty"`
	Prediction *study.Prediction     `json:"prediction,omitempty"`
	Pasted     *PastedView           `json:"pasted,omitempty"`
	Reading    *ReadingView          `json:"reading,omitempty"`
}

// PastedView is a text read as a table in one way, and in others where it can be.
type PastedView struct {
	Columns []document.Column `json:"columns"`
	// Decimal is “.” or “,”, Words say how the text was read.
	Decimal string       `json:"decimal"`
	Words   string       `json:"words"`
	Others  []PastedView `json:"others,omitempty"`
}

// TableView is a table with its differences and ratios, and the type that they tell; Type is empty where x does not rise
// or a value is missing.
type TableView struct {
	Rows   []TableRow `json:"rows"`
	Type   string     `json:"type"`
	Reason string     `json:"reason"`
}

// TableRow is a row; what belongs to the step from the row before is empty in the first rows.
type TableRow struct {
	X      string `json:"x"`
	Y      string `json:"y"`
	First  string `json:"first"`
	Second string `json:"second"`
	Ratio  string `json:"ratio"`
}

// ParentView is a parent function with a small drawing: an SVG path in a box 60 wide and 44 high.
type ParentView struct {
	Kind  string `json:"kind"`
	LaTeX string `json:"latex"`
	Path  string `json:"path"`
}

// EffectView is what a parameter does to a function.
type EffectView struct {
	Function   string           `json:"function"`
	Lines      []EffectLineView `json:"lines"`
	Degenerate []DegenerateView `json:"degenerate"`
}

// EffectLineView is one sentence. Feature is set where its path can be shown on the stage, X and Y where a point can.
type EffectLineView struct {
	Sentence []PieceView `json:"sentence"`
	Feature  string      `json:"feature,omitempty"`
	With     string      `json:"with,omitempty"`
	X        string      `json:"x,omitempty"`
	Y        string      `json:"y,omitempty"`
}

// DegenerateView is a value of a parameter at which a function becomes one of another type, with its place on the bar.
type DegenerateView struct {
	Value float64 `json:"value"`
	Place float64 `json:"place"`
	LaTeX string  `json:"latex"`
	Kind  string  `json:"kind"`
}

// FindingsView are the findings of a function at the values in play.
type FindingsView struct {
	Function string        `json:"function"`
	Lines    []FindingLine `json:"lines"`
	// Same names the functions with the same graph, in LaTeX.
	Same []string `json:"same"`
	// Polar tells that the function is seen as a polar curve alone: what is found is told of its radius.
	Polar bool `json:"polar"`
	// Undecided lists, in words, what could not be found out.
	Undecided []string `json:"undecided"`
	// Found is what the other core needs to show and tell them.
	Found *found.Found `json:"found"`
}

// FindingLine is one finding to be read.
type FindingLine struct {
	Finding document.Finding `json:"finding"`
	Name    string           `json:"name"`
	LaTeX   string           `json:"latex"`
	How     string           `json:"how"`
	// Drawn tells that it can be shown on the stage.
	Drawn bool `json:"drawn"`
}

// Mended is a panel with another window, or a demonstration with another angle unit.
type Mended struct {
	Words       string             `json:"words"`
	Window      *document.Window   `json:"window,omitempty"`
	EqualScales bool               `json:"equalScales,omitempty"`
	AngleUnit   document.AngleUnit `json:"angleUnit,omitempty"`
}

// AdviceView points out a window in which something cannot be seen, with actions that mend it.
type AdviceView struct {
	Code    string   `json:"code"`
	Message string   `json:"message"`
	Mends   []Mended `json:"mends"`
}

// HeardView is a curve as a line of tones from left to right.
type HeardView struct {
	// Heights are shares of the window's height; null where there is silence.
	Heights []*float64 `json:"heights"`
	Marks   []MarkView `json:"marks"`
	// Words tell the marks in their order.
	Words string `json:"words"`
}

// MarkView is a place of a curve that is marked by a tick: its share of the window's width, and what it is.
type MarkView struct {
	At      float64          `json:"at"`
	Finding document.Finding `json:"finding"`
}

// Problem is what is wrong, in words, with its place in UTF-16 units as a page counts.
type Problem struct {
	Code    string `json:"code"`
	Object  string `json:"object"`
	Field   string `json:"field"`
	Start   int    `json:"start"`
	End     int    `json:"end"`
	Message string `json:"message"`
}

// Counters are the core's counts of work (evaluate.Counters).
type Counters struct {
	Parses   int            `json:"parses"`
	Compiles int            `json:"compiles"`
	Runs     map[string]int `json:"runs"`
}

// Loaded is what was understood of a document.
type Loaded struct {
	Functions []FunctionView `json:"functions"`
	Dials     []DialView     `json:"dials"`
	Shown     []ShownView    `json:"shown"`
	Said      []SaidView     `json:"said"`
	Steps     []steps.View   `json:"steps"`
	// Missing are letters without a value.
	Missing  []NameView `json:"missing"`
	Problems []Problem  `json:"problems"`
	Notices  []Problem  `json:"notices"`
}

// NameView is a name, typeset.
type NameView struct {
	Name  string `json:"name"`
	LaTeX string `json:"latex"`
}

// FunctionView is a stated function, typeset.
type FunctionView struct {
	ID    string `json:"id"`
	LaTeX string `json:"latex"`
	Text  string `json:"text"`
	// Simplified is what a function that uses others comes to, typeset; empty where that says no more.
	Simplified string `json:"simplified,omitempty"`
	// Caution is what is to be minded, in words: a fit that does not exist, a rounding that changes the curve.
	Caution string `json:"caution,omitempty"`
	// Moves tells that its formula holds parameters, so that a line with their values is worth showing.
	Moves bool `json:"moves"`
}

// DialView is a parameter's dial.
type DialView struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	LaTeX  string `json:"latex"`
	Colour int    `json:"colour"`
	From   string `json:"from"`
	To     string `json:"to"`
	// Low and High are its ends as numbers.
	Low   float64   `json:"low"`
	High  float64   `json:"high"`
	Zero  float64   `json:"zero"` // share of the bar at which 0 lies, held within it
	Ticks []float64 `json:"ticks"`
	// Degrees tells that it is an angle and counts degrees.
	Degrees bool `json:"degrees,omitempty"`
}

// ShownView is the sentence of an entry on the stage, in pieces.
type ShownView struct {
	ID       string      `json:"id"`
	Sentence []PieceView `json:"sentence"`
	// Hue is the number of its colour on the stage; 8 is the parent's grey.
	Hue int `json:"hue"`
	// Panels are the ids of those on which it is drawn where a scene shows it.
	Panels []string `json:"panels"`
}

// SaidView is a text beside the stage.
type SaidView struct {
	ID     string      `json:"id"`
	Pieces []PieceView `json:"pieces"`
}

// PieceView is a piece of text: words in Text, or LaTeX.
type PieceView struct {
	Text  string `json:"text,omitempty"`
	LaTeX string `json:"latex,omitempty"`
	Live  bool   `json:"live,omitempty"`
	// Waiting tells that what it says is still being computed for the values in play.
	Waiting bool `json:"waiting,omitempty"`
}

// FrameTexts are the words of a frame; they are sent when they changed.
type FrameTexts struct {
	// Dials are the dials' values, in the order of Loaded.Dials.
	Dials []string `json:"dials"`
	// Words are the numbers beside the axes and the runs of formulas in the picture.
	Words []string `json:"words"`
	// Now are the functions' formulas with values put in, in the order of Loaded.Functions; while a hand moves they are told a few times
	// a second, and absent between.
	Now []string `json:"now,omitempty"`
	// Said are the pieces of the texts, in the order of Loaded.Said.
	Said [][]PieceView `json:"said"`
	// Steps are the transformations in steps, as they stand.
	Steps []steps.Now `json:"steps"`
	// Circles are the circles with their angle and ratios as they are.
	Circles []circle.Now `json:"circles"`
	// Moved tells that values in play differ from the scene's.
	Moved bool `json:"moved"`
	// Coarse are the ids of the curves that the panel shows coarser than it should, or not at all: they take too much work.
	Coarse []string `json:"coarse"`
	// Idle names the dials that move nothing in the scene.
	Idle []string `json:"idle"`
	// Inked tells that ink is in play which the document does not keep.
	Inked bool `json:"inked"`
	// LeftOut is how many labels have no room.
	LeftOut int `json:"leftOut"`
	// Numbers are where the numbers beside the axes stand.
	Numbers []picture.Number `json:"numbers"`
}
