package document

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"unicode/utf8"

	"parvix/core/formula/problem"
)

// Limits of one document, refused by name.
const (
	MaxBytes   = 1 << 20
	MaxEntries = 300
	MaxPanels  = 4
	MaxScenes  = 60
	MaxTitle   = 120
	MaxKept    = 20000
)

// Decode reads a document whole or refuses it whole, with the reason and the place.
func Decode(data []byte) (*Document, error) {
	if len(data) > MaxBytes {
		return nil, problem.New("limit", 0, 0, fmt.Sprintf("%d bytes", len(data)), fmt.Sprintf("%d bytes", MaxBytes))
	}
	var head struct {
		Format  string `json:"format"`
		Version int    `json:"version"`
	}
	if err := json.Unmarshal(data, &head); err != nil {
		return nil, undecodable(data, err)
	}
	if head.Format != Format {
		return nil, problem.New("document-json", 0, 0, fmt.Sprintf("its format is “%s”", head.Format))
	}
	if head.Version < 1 || head.Version > Version {
		return nil, problem.New("document-version", 0, 0, fmt.Sprint(head.Version), fmt.Sprint(Version))
	}
	d := &Document{}
	decoder := json.NewDecoder(bytes.NewReader(data))
	decoder.DisallowUnknownFields()
	if err := decoder.Decode(d); err != nil {
		return nil, undecodable(data, err)
	}
	if _, err := decoder.Token(); !errors.Is(err, io.EOF) {
		return nil, problem.New("document-json", 0, 0, "something stands behind its end")
	}
	d.Upgrade()
	return d, d.Check()
}

// undecodable says in what line of the file reading stopped.
func undecodable(data []byte, err error) error {
	at := int64(len(data))
	var syntax *json.SyntaxError
	var kind *json.UnmarshalTypeError
	what := err.Error()
	switch {
	case errors.As(err, &syntax):
		at = syntax.Offset
	case errors.As(err, &kind):
		at = kind.Offset
		what = fmt.Sprintf("“%s” is a %s, not a %s", kind.Field, kind.Value, kind.Type)
	}
	line := 1 + bytes.Count(data[:min(at, int64(len(data)))], []byte("\n"))
	return problem.New("document-json", int(at), int(at), fmt.Sprintf("line %d: %s", line, what))
}

// Encode writes a document as it stands in a file.
func Encode(d *Document) []byte {
	data, err := json.MarshalIndent(d, "", "  ")
	if err != nil {
		panic("document: " + err.Error())
	}
	return append(data, '\n')
}

// Check holds a document against the format's rules; the error is a *problem.Problem. Formulas are not looked into: a
// half-typed one may be saved.
func (d *Document) Check() error {
	c := checker{ids: map[string]bool{}}
	c.require(d.Format == Format && d.Version == Version, "", "format", "must be "+Format+" "+fmt.Sprint(Version))
	c.require(utf8.RuneCountInString(d.Title) <= MaxTitle, "", "title", fmt.Sprintf("at most %d characters", MaxTitle))
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
		if names[s.Name] {
			c.fail(problem.New("name-taken", 0, 0, s.Name).In(s.ID, "name"))
		}
		names[s.Name] = true
	}
	for _, s := range d.Shown {
		c.shown(s)
	}
	for _, s := range d.Said {
		c.said(s)
	}
	for _, s := range d.Scenes {
		c.id(s.ID)
		for name, v := range s.Values {
			c.require(!math.IsNaN(v) && !math.IsInf(v, 0), s.ID, "values."+name, "must be a number")
		}
		for _, w := range s.Windows {
			c.window(s.ID, w)
		}
		c.require(len(s.Hidden) <= MaxEntries, s.ID, "hidden", fmt.Sprintf("at most %d", MaxEntries))
		for id, at := range s.Steps {
			c.require(at >= 0 && at <= 20, s.ID, "steps."+id, "between 0 and 20")
		}
	}
	c.references(d)
	if c.first == nil {
		return nil
	}
	return c.first
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
	c.require(slices.Contains(allowed, value), object, field, fmt.Sprintf("“%s” is none of %q", value, allowed))
}

func (c *checker) id(id string) {
	if id == "" || len(id) > 64 || c.ids[id] {
		c.fail(problem.New("document-id", 0, 0, id))
	}
	c.ids[id] = true
}

func (c *checker) text(object, field, text string) {
	const most = 2000
	c.require(utf8.RuneCountInString(text) <= most, object, field, fmt.Sprintf("at most %d characters", most))
}

func (c *checker) panel(p Panel) {
	c.id(p.ID)
	c.oneOf(p.ID, "kind", string(p.Kind), string(Plane), string(Around))
	c.oneOf(p.ID, "ticksX", string(p.TicksX), string(TicksInNumbers), string(TicksInPi), string(TicksInDegrees))
	c.oneOf(p.ID, "ticksY", string(p.TicksY), string(TicksInNumbers), string(TicksInPi))
	c.window(p.ID, p.Window)
	for name, v := range p.Values {
		c.require(!math.IsNaN(v) && !math.IsInf(v, 0), p.ID, "values."+name, "must be a number")
	}
}

func (c *checker) window(object string, w Window) {
	for _, v := range []float64{w.Left, w.Right, w.Bottom, w.Top} {
		c.require(!math.IsNaN(v) && math.Abs(v) <= 1e12, object, "window", "every end must be a number of at most 10^12")
	}
	c.require(w.Left < w.Right && w.Bottom < w.Top, object, "window", "left must be below right, and bottom below top")
	c.require(w.IsWide(), object, "window", "the ends are too close together for numbers so large")
}

func (c *checker) stated(s Stated) {
	c.id(s.ID)
	c.oneOf(s.ID, "kind", string(s.Kind), string(Function), string(Parameter))
	c.require(s.Name != "" && len(s.Name) <= 40, s.ID, "name", "a name is needed")
	c.text(s.ID, "formula", s.Formula)
	c.require(len(s.Variables) <= 9, s.ID, "variables", "at most 9")
	for _, text := range []string{s.From, s.To, s.Step} {
		c.text(s.ID, "from", text)
	}
	if s.Sweep != nil {
		c.oneOf(s.ID, "sweep.way", string(s.Sweep.Way), string(Once), string(Round), string(BackAndForth))
		c.require(s.Sweep.Seconds >= 0.2 && s.Sweep.Seconds <= 600, s.ID, "sweep.seconds", "between 0.2 and 600")
	}
}

func (c *checker) figure(s Shown) {
	if s.Kind != FigureEntry {
		return
	}
	if c.require(s.Figure != nil, s.ID, "figure", "a figure is needed"); s.Figure == nil {
		return
	}
	f := s.Figure
	c.require(slices.Contains(Shapes(), f.Shape), s.ID, "figure.shape", fmt.Sprintf("“%s” is none of %q", f.Shape, Shapes()))
	if n := f.Shape.Points(); n >= 0 {
		c.require(len(f.Points) == n, s.ID, "figure.points", fmt.Sprintf("%d points are needed", n))
	} else {
		c.require(len(f.Points) >= 3 && len(f.Points) <= MaxCorners, s.ID, "figure.points", fmt.Sprintf("3 to %d points are needed", MaxCorners))
	}
	c.text(s.ID, "figure.other", f.Other)
}

func (c *checker) circle(s Shown) {
	if s.Kind == CircleEntry {
		if c.require(s.Circle != nil, s.ID, "circle", "a circle is needed"); s.Circle != nil {
			for _, text := range []string{s.Circle.Driver, s.Circle.Angle, s.Circle.Radius, s.Circle.Centre} {
				c.text(s.ID, "circle", text)
			}
		}
	}
	if s.Kind == Moving {
		if c.require(s.Trajectory != nil, s.ID, "trajectory", "a trajectory is needed"); s.Trajectory != nil {
			m := s.Trajectory
			for _, text := range []string{m.Function, m.X, m.Y, m.Variable, m.From, m.To, m.Driver} {
				c.text(s.ID, "trajectory", text)
			}
			c.oneOf(s.ID, "trajectory.rest", string(m.Rest), "", string(RestFaint), string(RestHidden), string(RestWhole))
		}
	}
	if s.Kind != PartOf {
		return
	}
	if c.require(s.Part != nil, s.ID, "part", "a part is needed"); s.Part == nil {
		return
	}
	c.oneOf(s.ID, "part.piece", string(s.Part.Piece), string(Arc), string(AngleMark), string(Coordinates), string(Unrolled), string(Length),
		string(Carried), string(Graph), string(Triangles), string(Ray), string(Projections), string(Velocity), string(Accelerated),
		string(TangentAt), string(Osculating), string(Dots), string(Directions), string(Swept), string(Region))
	c.text(s.ID, "part.step", s.Part.Step)
	c.oneOf(s.ID, "part.line", string(s.Part.Line), "", string(Straight), string(Smooth))
	c.require(s.Part.Piece != Region || s.Part.Other != "", s.ID, "part.other", "another polar curve is needed")
	c.oneOf(s.ID, "part.rest", string(s.Part.Rest), "", string(RestFaint), string(RestHidden), string(RestWhole))
	if s.Part.Piece.HasRatio() {
		c.oneOf(s.ID, "part.ratio", s.Part.Ratio, "sin", "cos", "tan", "cot", "sec", "csc", "r", "x", "y")
	}
}

func (c *checker) shown(s Shown) {
	c.id(s.ID)
	c.oneOf(s.ID, "kind", string(s.Kind), string(Curve), string(Point), string(Guide), string(Trace), string(Found), string(Steps), string(Path), string(Table), string(CircleEntry), string(PartOf), string(FigureEntry), string(Moving))
	for _, text := range []string{s.Function, s.Name, s.X, s.Y, s.At, s.As, s.With} {
		c.text(s.ID, "formula", text)
	}
	c.oneOf(s.ID, "pattern", string(s.Pattern), "", string(Whole), string(Dashed), string(Dotted))
	c.oneOf(s.ID, "label", string(s.Label), "", string(LabelName), string(LabelFormula), string(LabelCoordinates), string(LabelNone))
	if s.Kind == Guide {
		c.oneOf(s.ID, "direction", string(s.Direction), string(Upright), string(Level), string(Slanted))
	}
	if s.Kind == Found {
		c.require(s.Finding.IsDrawn(), s.ID, "finding", fmt.Sprintf("“%s” cannot be drawn", s.Finding))
	}
	c.require(s.Reading >= 0 && s.Reading < 100, s.ID, "reading", "between 0 and 99")
	c.require(s.Apart >= 0 && s.Apart <= 200, s.ID, "apart", "between 0 and 200")
	c.require(len(s.Rows) <= MaxRows, s.ID, "rows", fmt.Sprintf("at most %d", MaxRows))
	for _, r := range s.Rows {
		c.text(s.ID, "rows", r.X)
		c.text(s.ID, "rows", r.Y)
	}
	c.circle(s)
	c.figure(s)
	if s.Kind == Path {
		c.require(s.As != "", s.ID, "as", "a parameter is needed")
		c.oneOf(s.ID, "feature", s.Feature, "extrema", "inflections", "zeros", "yIntercept", "intersections", "vertical asymptote", "horizontal asymptote")
		c.require(s.Feature != "intersections" || s.With != "", s.ID, "with", "another function is needed")
	}
	if f := s.Family; f != nil {
		c.require(s.Kind == Curve || s.Kind == Moving, s.ID, "family", "only a curve can be a family")
		c.require(f.Parameter != "" && len(f.Parameter) <= 40, s.ID, "family.parameter", "a parameter is needed")
		c.require(len(f.Values) <= MaxMembers, s.ID, "family.values", fmt.Sprintf("at most %d", MaxMembers))
		for _, text := range append([]string{f.From, f.To, f.Step}, f.Values...) {
			c.text(s.ID, "family", text)
		}
	}
	c.require(len(s.Kept) <= MaxKept && len(s.Kept)%2 == 0, s.ID, "kept", "pairs of numbers, at most 10,000")
}

func (c *checker) said(s Said) {
	c.id(s.ID)
	c.require(len(s.Pieces) <= 200, s.ID, "pieces", "at most 200")
	for _, p := range s.Pieces {
		c.oneOf(s.ID, "pieces.kind", string(p.Kind), string(Words), string(Formula), string(Value), string(Told))
		c.oneOf(s.ID, "pieces.form", string(p.Form), "", string(AsNumber), string(AsEquation), string(AsSubstituted))
		c.text(s.ID, "pieces.text", p.Text)
		if p.Kind == Told {
			c.require(slices.Contains(Findings(), p.Finding), s.ID, "pieces.finding", fmt.Sprintf("there is no finding “%s”", p.Finding))
		}
		c.require(p.Decimals == nil || *p.Decimals >= 0 && *p.Decimals <= 12, s.ID, "pieces.decimals", "between 0 and 12")
	}
	c.oneOf(s.ID, "corner", string(s.Corner), "", string(TopLeft), string(TopRight), string(BottomLeft), string(BottomRight))
}

// references holds that every id that is referred to exists.
func (c *checker) references(d *Document) {
	refer := func(object, id string) {
		if id != "" && !c.ids[id] {
			c.fail(problem.New("document-reference", 0, 0, id).In(object, ""))
		}
	}
	for _, s := range d.Shown {
		refer(s.ID, s.Of)
		if s.Part != nil {
			refer(s.ID, s.Part.Other)
		}
		if s.Figure != nil {
			for _, point := range s.Figure.Points {
				refer(s.ID, point)
			}
		}
		for _, panel := range s.Panels {
			refer(s.ID, panel)
		}
	}
	for _, s := range d.Said {
		refer(s.ID, s.Panel)
	}
}
