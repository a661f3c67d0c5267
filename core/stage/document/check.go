package document

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"parvix/core/formula/problem"
)

// Limits of one document, refused by name.
const (
	MaxBytes   = 3 << 20
	MaxEntries = 300
	MaxPanels  = 4
	MaxScenes  = 60
	MaxTitle   = 120
)

// Check holds a document against the format's rules; the error is a *problem.Problem. Formulas are not looked into: a
// half-typed one may be saved.
func (d *Document) Check() error {
	c := checker{ids: map[string]bool{}}
	c.require(d.Format == Format && d.Version == Version, "", "format", "must be "+Format+" "+fmt.Sprint(Version))
	c.title(d.Title)
	c.oneOf("", "angleUnit", string(d.AngleUnit), string(Radian), string(Degree))
	entries := len(d.Stated) + len(d.Shown) + len(d.Said)
	c.limit(entries, MaxEntries, "entries")
	c.limit(len(d.Panels), MaxPanels, "panels")
	c.limit(len(d.Scenes), MaxScenes, "scenes")
	c.require(len(d.Panels) > 0, "", "panels", "at least one is needed")
	c.require(len(d.Scenes) > 0, "", "scenes", "at least one is needed")
	for _, p := range d.Panels {
		c.panel(p)
	}
	names := map[string]bool{}
	for _, s := range d.Stated {
		c.stated(s)
		if s.Kind == Data {
			continue
		}
		if names[s.Name] {
			c.fail(problem.New("name-taken", 0, 0, s.Name).In(s.ID, "name"))
		}
		names[s.Name] = true
	}
	for _, list := range [][]Entry{d.Shown, d.Said} {
		for i := range list {
			c.entry(&list[i])
		}
	}
	for _, s := range d.Scenes {
		c.scene(s)
	}
	c.references(d)
	c.sights(d)
	c.fits(d)
	if c.first == nil {
		return nil
	}
	return c.first
}

// Checker checks the body of one entry.
type Checker struct {
	all    *checker
	object string
}

// Require holds a field to a rule, which is what would be right.
func (c *Checker) Require(ok bool, field, rule string) { c.all.require(ok, c.object, field, rule) }

// OneOf holds a field to the words that are allowed.
func (c *Checker) OneOf(field, value string, allowed ...string) {
	c.all.oneOf(c.object, field, value, allowed...)
}

// Text holds a text to its length.
func (c *Checker) Text(field, text string) { c.all.text(c.object, field, text) }

// Rest holds a field to the ways of drawing what has not been run through.
func (c *Checker) Rest(field string, r Rest) {
	c.OneOf(field, string(r), "", string(RestFaint), string(RestHidden), string(RestWhole))
}

type checker struct {
	ids   map[string]bool
	first *problem.Problem
}

func (c *checker) fail(p *problem.Problem) {
	if c.first == nil {
		c.first = p
	}
}

func (c *checker) require(ok bool, object, field, what string) {
	if !ok {
		c.fail(problem.New("document-field", 0, 0, field, what).In(object, field))
	}
}

func (c *checker) limit(n, most int, what string) {
	if n > most {
		c.fail(problem.New("limit", 0, 0, fmt.Sprintf("%d %s", n, what), fmt.Sprint(most)))
	}
}

func (c *checker) oneOf(object, field, value string, allowed ...string) {
	c.require(slices.Contains(allowed, value), object, field, fmt.Sprintf("“%s” is none of %s", value, listed(slices.DeleteFunc(slices.Clone(allowed), func(s string) bool { return s == "" }))))
}

func (c *checker) id(id string) {
	if id == "" || len(id) > 64 || c.ids[id] {
		c.fail(problem.New("document-id", 0, 0, id))
	}
	c.ids[id] = true
}

func (c *checker) title(title string) {
	c.require(utf8.RuneCountInString(title) <= MaxTitle, "", "title", fmt.Sprintf("at most %d characters", MaxTitle))
	c.require(!strings.ContainsFunc(title, unicode.IsControl), "", "title", "it holds a character that cannot be seen")
}

func (c *checker) text(object, field, text string) {
	const most = 2000
	c.require(utf8.RuneCountInString(text) <= most, object, field, fmt.Sprintf("at most %d characters", most))
}

func (c *checker) panel(p Panel) {
	c.id(p.ID)
	c.oneOf(p.ID, "kind", string(p.Kind), string(Plane), string(Around), string(InSpace))
	c.oneOf(p.ID, "ticksX", string(p.TicksX), string(TicksInNumbers), string(TicksInPi), string(TicksInDegrees))
	c.oneOf(p.ID, "ticksBefore", string(p.TicksBefore), "", string(TicksInNumbers), string(TicksInPi), string(TicksInDegrees))
	c.oneOf(p.ID, "ticksY", string(p.TicksY), string(TicksInNumbers), string(TicksInPi))
	c.window(p.ID, p.Window)
	c.sight(p.ID, p.Window.Space, p.Kind == InSpace)
	c.require(p.Tall == 0 || p.Tall >= 0.1 && p.Tall <= 10, p.ID, "tall", "between 0.1 and 10")
	c.values(p.ID, p.Values)
	for field, step := range map[string]float64{"stepX": p.StepX, "stepY": p.StepY} {
		c.require(step >= 0 && step <= largest, p.ID, field, "a number from 0 to 10^12 is needed")
	}
	for field, words := range map[string]string{"nameX": p.NameX, "nameY": p.NameY, "nameZ": p.NameZ, "title": p.Title} {
		c.require(len([]rune(words)) <= maxName, p.ID, field, fmt.Sprintf("at most %d letters", maxName))
		c.text(p.ID, field, words)
	}
	c.text(p.ID, "caption", p.Caption)
}

// maxName is how long the name of an axis or the title of a panel may be.
const maxName = 80

// largest is the largest number of a window's end or a dial's value.
const largest = 1e12

func (c *checker) window(object string, w Window) {
	for _, v := range []float64{w.Left, w.Right, w.Bottom, w.Top} {
		c.require(math.Abs(v) <= largest, object, "window", "every end must be a number of at most 10^12")
	}
	c.require(w.Left < w.Right && w.Bottom < w.Top, object, "window", "left must be below right, and bottom below top")
	c.require(w.IsWide(), object, "window", "the ends are too close together for numbers so large")
}

func (c *checker) values(object string, values map[string]float64) {
	for name, v := range values {
		c.require(math.Abs(v) <= largest, object, "values."+name, "a number of at most 10^12 is needed")
	}
}

func (c *checker) scene(s Scene) {
	c.id(s.ID)
	c.values(s.ID, s.Values)
	for _, w := range s.Windows {
		c.window(s.ID, w)
	}
	c.require(len(s.Hidden) <= MaxEntries, s.ID, "hidden", fmt.Sprintf("at most %d", MaxEntries))
	for id, at := range s.Steps {
		c.require(at >= 0 && at <= 20, s.ID, "steps."+id, "between 0 and 20")
	}
	c.ink(s)
	c.text(s.ID, "note", s.Note)
	c.require(len(s.Held) <= MaxEntries, s.ID, "held", fmt.Sprintf("at most %d", MaxEntries))
}

func (c *checker) stated(s Stated) {
	c.id(s.ID)
	c.require(s.Colour >= 0 && s.Colour < Colours, s.ID, "colour", fmt.Sprintf("a colour from 0 to %d is needed", Colours-1))
	c.oneOf(s.ID, "kind", string(s.Kind), string(Function), string(Parameter), string(Data))
	if s.Kind == Data {
		c.require(s.Name != "" && len([]rune(s.Name)) <= maxName, s.ID, "name", "a name is needed")
		c.data(s)
		return
	}
	c.require(s.Name != "" && len(s.Name) <= 40, s.ID, "name", "a name is needed")
	c.text(s.ID, "formula", s.Formula)
	c.require(len(s.Variables) <= 9, s.ID, "variables", "at most 9")
	for _, text := range []string{s.From, s.To, s.Step, s.StepBefore} {
		c.text(s.ID, "from", text)
	}
	if s.Sweep != nil {
		c.oneOf(s.ID, "sweep.way", string(s.Sweep.Way), string(Once), string(Round), string(BackAndForth))
		c.require(s.Sweep.Seconds >= 0.2 && s.Sweep.Seconds <= 600, s.ID, "sweep.seconds", "between 0.2 and 600")
		c.require(len(s.Sweep.At) <= MaxStops, s.ID, "sweep.at", fmt.Sprintf("at most %d", MaxStops))
		for _, text := range append([]string{s.Sweep.Every}, s.Sweep.At...) {
			c.text(s.ID, "sweep.at", text)
		}
		c.require(len(s.Sweep.Paces) <= MaxPaces, s.ID, "sweep.paces", fmt.Sprintf("at most %d", MaxPaces))
		for _, p := range s.Sweep.Paces {
			c.text(s.ID, "sweep.paces", p.From)
			c.text(s.ID, "sweep.paces", p.To)
			c.require(p.Times >= FastestPace && p.Times <= SlowestPace, s.ID, "sweep.paces", fmt.Sprintf("between %v and %v times", FastestPace, SlowestPace))
		}
	}
}

func (c *checker) entry(e *Entry) {
	c.id(e.ID)
	if e.Body == nil {
		c.fail(problem.New("document-kind", 0, 0, "").In(e.ID, "kind"))
		return
	}
	c.require(e.Look.Colour >= 0 && e.Look.Colour < Colours, e.ID, "look.colour", fmt.Sprintf("a colour from 0 to %d is needed", Colours-1))
	c.oneOf(e.ID, "look.pattern", string(e.Look.Pattern), "", string(Whole), string(Dashed), string(Dotted))
	c.oneOf(e.ID, "look.label", string(e.Look.Label), "", string(LabelName), string(LabelFormula), string(LabelCoordinates), string(LabelWords), string(LabelNone))
	c.oneOf(e.ID, "look.weight", string(e.Look.Weight), "", string(Thin), string(Bold))
	c.oneOf(e.ID, "look.labelSize", string(e.Look.LabelSize), "", string(Small), string(Large))
	c.oneOf(e.ID, "look.shape", string(e.Look.Shape), "", string(ShapeDisc), string(ShapeRing), string(ShapeSquare), string(ShapeDiamond), string(ShapeTriangle), string(ShapeCross))
	c.require(utf8.RuneCountInString(e.Look.Words) <= maxName, e.ID, "look.words", fmt.Sprintf("at most %d letters", maxName))
	c.oneOf(e.ID, "where.corner", string(e.Where.Corner), "", string(TopLeft), string(TopRight), string(BottomLeft), string(BottomRight))
	for _, r := range e.Refs() {
		c.text(e.ID, r.Field, *r.Text)
	}
	e.Body.Check(&Checker{c, e.ID})
}

// references holds that every id that is referred to exists.
func (c *checker) references(d *Document) {
	refer := func(object, field, id string) {
		if id != "" && !c.ids[id] {
			c.fail(problem.New("document-reference", 0, 0, id).In(object, field))
		}
	}
	for _, list := range [][]Entry{d.Shown, d.Said} {
		for i := range list {
			e := &list[i]
			for _, r := range e.Refs() {
				if r.Role == EntryID || r.Role == DataID {
					refer(e.ID, r.Field, *r.Text)
				}
			}
			for _, panel := range e.Where.Panels {
				refer(e.ID, "where.panels", panel)
			}
		}
	}
	for _, s := range d.Scenes {
		for _, id := range s.Hidden {
			refer(s.ID, "hidden", id)
		}
		for id := range s.Steps {
			refer(s.ID, "steps", id)
		}
		for id := range s.Windows {
			refer(s.ID, "windows", id)
		}
		for _, held := range s.Held {
			refer(s.ID, "held", held.ID)
		}
		for _, ink := range s.Ink {
			refer(s.ID, "ink.panel", ink.Panel)
		}
		c.dials(d, s.ID, s.Values)
	}
	for _, p := range d.Panels {
		c.dials(d, p.ID, p.Values)
	}
}

// dials holds that values are those of parameters.
func (c *checker) dials(d *Document, object string, values map[string]float64) {
	for name := range values {
		of := d.StatedNamed(name)
		c.require(of != nil && of.Kind == Parameter, object, "values."+name, "there is no such parameter")
	}
}
