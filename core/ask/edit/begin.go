package edit

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/locus"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/path"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trajectory"
)

// Idea is a ready beginning of a demonstration.
type Idea string

// The ideas.
const (
	IdeaFamily    Idea = "family"
	IdeaSteps     Idea = "steps"
	IdeaTypes     Idea = "types"
	IdeaParameter Idea = "parameter"
	IdeaBeside    Idea = "beside"
	IdeaCircle    Idea = "circle"
	IdeaWave      Idea = "wave"
	IdeaPolar     Idea = "polar"
	IdeaPath      Idea = "parametric"
	IdeaData      Idea = "data"
	IdeaSurface   Idea = "surface"
	IdeaSpace     Idea = "space"
)

// Beginning is an idea as it is offered.
type Beginning struct {
	Idea  Idea   `json:"idea"`
	Title string `json:"title"`
	Words string `json:"words"`
}

// Beginnings lists the ideas with what each begins with, in words.
func Beginnings() []Beginning {
	return []Beginning{
		{IdeaFamily, "A family of curves", "f(x) = a(x − h)² + k for several a, and three dials"},
		{IdeaSteps, "A transformation, step by step", "from √x to −2√(x + 3) + 1, played forward and back"},
		{IdeaTypes, "Three types compared", "a line, a parabola and an exponential, driven by one point"},
		{IdeaParameter, "What a parameter does", "the vertex of a parabola and the path on which it runs"},
		{IdeaBeside, "Side by side", "bell-shaped curves for two parameters in two panels"},
		{IdeaCircle, "The unit circle and its graph", "an angle, its arc unrolled, the sine in circle and graph"},
		{IdeaPolar, "A polar curve comes into being", "r(θ) = a cos(kθ), its ray, its point and its r–θ graph"},
		{IdeaPath, "A point on its path", "(3cos t, 2 sin t) with its velocity and both components"},
		{IdeaData, "Data and a model", "a table of tides, the value that stands out, a model that fits"},
		{IdeaSurface, "A surface and its section", "f(x, y) over the floor, cut at a dial, its graph beside"},
		{IdeaSpace, "A curve in space", "a helix that a point climbs, with its shadows"},
		{IdeaWave, "From the circle to a wave", "radius, speed, start and height of a circle draw a sin(b(t − h)) + k"},
	}
}

// Begin fills an empty demonstration with an idea; everything in it can be changed freely.
func Begin(before *document.Document, idea Idea) (*document.Document, error) {
	begin, ok := ideas[idea]
	if !ok {
		return nil, problem.New("field", 0, 0, "text", "there is no such idea")
	}
	b := &beginner{d: clone(before)}
	if begin(b); b.err != nil {
		return nil, b.err
	}
	return b.d, b.d.Check()
}

// ideas tell how each is begun.
var ideas = map[Idea]func(b *beginner){
	IdeaFamily: func(b *beginner) {
		b.state("f(x) = a(x − h)² + k")
		b.dials(map[string]float64{"a": 1, "h": 0, "k": 0}, "a", "h", "k")
		b.show(document.Entry{Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: []string{"−2", "−1", "1/2", "2"}}}})
		b.say(words("Each curve has its own a. Moving h and k moves them all: the vertex is ("), value("h"), words(", "), value("k"), words(")."))
	},
	IdeaSteps: func(b *beginner) {
		b.state("f(x) = −2√(x + 3) + 1")
		b.show(document.Entry{Body: &steps.Body{Function: "f"}})
		b.say(words("Say each step before it is shown. Which of them could change places?"))
	},
	IdeaTypes: func(b *beginner) {
		b.state("f(x) = 2x + 1")
		b.state("g(x) = x²")
		b.state("h(x) = 2^x")
		b.do(RunAlong(b.d, 0))
		b.say(words("One point drives three. From here to one further right: f by "), value("f(t + 1) − f(t)"), words(", g by "), value("g(t + 1) − g(t)"),
			words(", h by the factor "), value("h(t + 1)/h(t)"), words("."))
	},
	IdeaParameter: func(b *beginner) {
		b.state("f(x) = x² + b x + 1")
		b.dials(map[string]float64{"b": 2}, "b")
		b.show(document.Entry{Body: &path.Body{Function: "f", As: "b", Feature: locus.Extrema}})
		b.show(document.Entry{Look: document.Look{Label: document.LabelCoordinates}, Body: &point.Body{Name: "V", X: "−b/2", Y: "f(−b/2)"}})
		b.say(words("Move b. Where does the vertex V go, and which point stays?"))
	},
	IdeaData: func(b *beginner) {
		b.do(PutData(b.d, document.Stated{Name: "Tide at the quay", Columns: []document.Column{
			{Name: "t", Unit: "h", Cells: strings.Fields("0 1 2 3 4 5 6 7 8 9 10 11 12 13")},
			{Name: "h", Unit: "m", Cells: b.numerals("4.10 4.66 4.74 4.42 3.74 2.87 2.02 1.31 0.11 1.36 1.90 2.86 3.75 4.44")}}}))
		b.say(words("Which height was mistyped? What would the next one be? Open “table and models” in the folio."))
	},
	IdeaBeside: func(b *beginner) {
		b.state("f(x) = a e^(−(x − c)²)")
		b.dials(map[string]float64{"a": 2, "c": 0}, "a", "c")
		b.beside()
		b.show(document.Entry{Where: document.Where{Panels: []string{"plane1"}}, Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", Values: []string{"1", "2", "3"}}}})
		b.show(document.Entry{Where: document.Where{Panels: []string{"plane2"}}, Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "c", Values: []string{"−2", "0", "2"}}}})
		b.say(words("Left: several a for one c. Right: several c for one a."))
	},
	IdeaCircle: func(b *beginner) {
		b.do(AddCircle(b.d, circle.Body{Driver: "θ"}, false))
		b.say(words("Turn the point. Which length in the graph belongs to which length in the circle?"))
	},
	IdeaWave: func(b *beginner) {
		b.do(AddCircle(b.d, circle.Body{Driver: "t", Angle: "b(t − h)", Radius: "a", Centre: "k", Scaled: true}, false))
		b.dials(map[string]float64{"a": 1.5, "b": 2, "h": 0, "k": 0.5}, "a", "b", "h", "k")
		b.d.Panels[0].Window = document.Window{Left: -2.7, Right: 2.7, Bottom: -2.2, Top: 3.2}
		b.clearOfRatios()
		b.say(words("Move one dial at a time. Which change in the circle belongs to which change in the graph?"))
	},
	IdeaPolar: func(b *beginner) {
		b.state("r(θ) = a cos(kθ)")
		b.dials(map[string]float64{"a": 3, "k": 3}, "a", "k")
		b.whole("k", "1", "9")
		b.d.Shown[0].Body.(*trajectory.Body).To = "2π"
		b.watch()
		b.say(words("The ray turns; where r is negative the point lies on the other side. How many petals does each k give?"))
	},
	IdeaSurface: func(b *beginner) {
		b.state(b.listed("f(x, y) = (x² − y²)/3"))
		b.section(surface.AcrossY)
		b.say(words("Move c: the plane cuts the surface in the curve of g. Where is that curve a parabola that opens upwards, and which height has its vertex?"))
	},
	IdeaSpace: func(b *beginner) {
		b.show(document.Entry{Body: &spacecurve.Body{X: "2cos t", Y: "2 sin t", Z: "t/3", Variable: "t", From: "0", To: "6π"}})
		b.watch()
		b.piece(string(spacecurve.Shadows))
		b.say(words("Which shadow is a circle, which are waves? Look straight down an axis, then run the point."))
	},
	IdeaPath: func(b *beginner) {
		b.show(document.Entry{Look: document.Look{Label: document.LabelFormula}, Body: &trajectory.Body{X: "3cos t", Y: "2 sin t", Variable: "t", From: "0", To: "2π"}})
		b.watch()
		b.say(words("Where is the point fastest? Which way does its velocity point at the ends of the axes?"))
	},
}

func words(said string) text.Piece { return text.Piece{Kind: text.Words, Text: said} }

func value(formula string) text.Piece { return text.Piece{Kind: text.Value, Text: formula} }

// beginner makes one edit after the other until one fails.
type beginner struct {
	d   *document.Document
	err error
}

func (b *beginner) do(d *document.Document, err error) {
	if b.err == nil {
		if b.err = err; err == nil {
			b.d = d
		}
	}
}

func (b *beginner) state(typed string) {
	b.do(State(b.d, "", typed))
}

func (b *beginner) dials(values map[string]float64, names ...string) {
	b.do(AddParameters(b.d, names))
	for i := range b.d.Scenes {
		for name, v := range values {
			b.d.Scenes[i].Values[name] = v
		}
	}
}

func (b *beginner) show(entry document.Entry) { b.do(Put(b.d, entry)) }

func (b *beginner) say(pieces ...text.Piece) {
	b.do(Put(b.d, document.Entry{Body: &text.Body{Pieces: pieces}}))
}

// numerals are numbers with the demonstration's decimal sign.
func (b *beginner) numerals(text string) []string {
	if b.d.DecimalComma {
		text = expr.WithDecimalComma(text)
	}
	return strings.Fields(text)
}

// whole lets a dial run over whole numbers.
func (b *beginner) whole(name, from, to string) {
	if dial := b.d.StatedNamed(name); dial != nil {
		dial.From, dial.To, dial.Step, dial.Whole = from, to, "1", true
	}
}

// watch lets the last entry, a trajectory, be watched.
func (b *beginner) watch() {
	if n := len(b.d.Shown); n > 0 && b.err == nil {
		b.do(Watch(b.d, b.d.Shown[n-1].ID, 0))
	}
}

// listed is a text whose lists are parted as the demonstration parts them.
func (b *beginner) listed(text string) string {
	if b.d.DecimalComma {
		return strings.ReplaceAll(text, ", ", "; ")
	}
	return text
}

// section cuts the last entry, a surface.
func (b *beginner) section(axis surface.Axis) {
	if n := len(b.d.Shown); n > 0 && b.err == nil {
		b.do(AddSection(b.d, b.d.Shown[n-1].ID, axis, 0))
	}
}

// piece shows a piece of the first entry.
func (b *beginner) piece(piece string) {
	if len(b.d.Shown) > 0 && b.err == nil {
		b.do(ShowPiece(b.d, PieceWanted{Of: b.d.Shown[0].ID, Piece: piece, Shown: true}))
	}
}

// clearOfRatios gives the dials beside a circle colours that the sine does not wear.
func (b *beginner) clearOfRatios() {
	for i, name := range []string{"a", "b", "h", "k"} {
		if dial := b.d.StatedNamed(name); dial != nil && b.err == nil {
			dial.Colour = []int{1, 3, 4, 5}[i]
		}
	}
}

// beside puts a second panel like the first and takes the plain curve off.
func (b *beginner) beside() {
	second := b.d.Panels[0]
	second.ID = "plane2"
	b.d.Panels = append(b.d.Panels, second)
	b.d.Shown = b.d.Shown[:0]
}
