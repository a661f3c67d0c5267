// Package door is how the page talks to the core: questions in JSON, frames in numbers.
//
// Ask is for everything that may take its time. The rest is the hot path of a drag: it takes and returns numbers, and
// Frame leaves the picture in arrays that are read in place.
package door

import (
	"encoding/json"
	"math"
	"slices"
	"unicode/utf16"

	"parvix/core/ask/edit"
	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
	"parvix/export/svg"
)

// Door holds one demonstration in play.
type Door struct {
	d         *evaluate.Demonstration
	composers map[string]*compose.Composer
	floats    []float32
	texts     []byte
	sent      []sent // by panel
}

// New is a door with nothing behind it yet.
func New() *Door { return &Door{composers: map[string]*compose.Composer{}} }

// Ask answers a question in JSON with an Answer in JSON.
func (door *Door) Ask(question []byte) []byte {
	var ask Ask
	answer := Answer{}
	if err := json.Unmarshal(question, &ask); err != nil {
		answer.Problem = view(problem.New("question", 0, 0, err.Error()), "")
	} else if err := door.answer(&ask, &answer); err != nil {
		answer.Problem = viewError(err, askedText(&ask, err))
	}
	data, err := json.Marshal(answer)
	if err != nil {
		panic("door: " + err.Error())
	}
	return data
}

func (door *Door) answer(ask *Ask, a *Answer) (err error) {
	switch ask.Kind {
	case AskLoad, AskUpgrade, AskState, AskRename, AskDelete, AskAddParameters, AskPut, AskMove, AskSettle, AskPlot, AskDraw, AskDecimals, AskMoveCurve, AskWriteAs, AskFromParent, AskRunAlong, AskBegin, AskShowPiece, AskAddCircle, AskAngleUnit, AskWatch, AskAddScene, AskRemoveScene, AskAddPanel, AskRemovePanel:
		if ask.Document == nil {
			return problem.New("field", 0, 0, "document", "it is missing")
		}
	case AskGallery, AskBeginnings:
	default:
		if door.d == nil {
			return problem.New("question", 0, 0, "before a demonstration is loaded")
		}
	}
	switch ask.Kind {
	case AskLoad:
		if err := ask.Document.Check(); err != nil {
			return err
		}
		if door.d != nil {
			door.d.Scene = max(0, min(ask.Scene, len(ask.Document.Scenes)-1))
		}
		door.d = evaluate.Load(ask.Document, door.d)
		door.sent = door.sent[:0]
		a.Loaded = door.loaded()
	case AskUpgrade:
		a.Document = ask.Document // reading it has done that
	case AskState:
		a.Document, err = edit.State(ask.Document, ask.ID, ask.Text)
	case AskRename:
		a.Document, err = edit.Rename(ask.Document, ask.ID, ask.Text)
	case AskDelete:
		a.Document, err = edit.Delete(ask.Document, ask.ID)
	case AskAddParameters:
		a.Document, err = edit.AddParameters(ask.Document, ask.Names)
	case AskPut:
		if ask.Entry == nil {
			return problem.New("field", 0, 0, "entry", "it is missing")
		}
		a.Document, err = edit.Put(ask.Document, *ask.Entry)
	case AskDecimals:
		a.Document, err = edit.Decimals(ask.Document, ask.Comma)
	case AskMove:
		a.Document = edit.Move(ask.Document, ask.ID, ask.By)
	case AskMoveCurve:
		if ask.Moving == nil {
			return problem.New("field", 0, 0, "moving", "it is missing")
		}
		a.Document, err = edit.MoveCurve(ask.Document, ask.ID, *ask.Moving)
	case AskWriteAs:
		a.Document, err = edit.WriteAs(ask.Document, ask.ID, symbolic.Form(ask.Text))
	case AskFromParent:
		a.Document, err = edit.FromParent(ask.Document, transform.Kind(ask.Text))
	case AskRunAlong:
		a.Document, err = edit.RunAlong(ask.Document, ask.Scene)
	case AskShowPiece:
		if ask.Piece == nil {
			return problem.New("field", 0, 0, "piece", "it is missing")
		}
		a.Document, err = edit.ShowPiece(ask.Document, *ask.Piece)
	case AskAddScene:
		a.Document, err = edit.AddScene(ask.Document, ask.Scene, ask.Text, ask.Values, ask.Steps)
	case AskRemoveScene:
		a.Document, err = edit.RemoveScene(ask.Document, ask.Scene)
	case AskAddPanel:
		a.Document, err = edit.AddPanel(ask.Document, ask.Panel, ask.Empty)
	case AskRemovePanel:
		a.Document, err = edit.RemovePanel(ask.Document, ask.Panel)
	case AskWatch:
		a.Document, err = edit.Watch(ask.Document, ask.ID, ask.Scene)
	case AskTrajectory:
		return door.trajectory(ask, a)
	case AskAngleUnit:
		a.Document, err = edit.SetAngleUnit(ask.Document, document.AngleUnit(ask.Text))
	case AskAddCircle:
		if ask.Circle == nil {
			return problem.New("field", 0, 0, "circle", "it is missing")
		}
		a.Document, err = edit.AddCircle(ask.Document, *ask.Circle)
	case AskBegin:
		a.Document, err = edit.Begin(ask.Document, edit.Idea(ask.Text))
	case AskBeginnings:
		a.Beginnings = edit.Beginnings()
	case AskGallery:
		a.Gallery = gallery()
	case AskSettle:
		if door.d == nil {
			return problem.New("question", 0, 0, "before a demonstration is loaded")
		}
		a.Document = edit.Settle(ask.Document, door.d, ask.ID)
	case AskPlot:
		return door.plot(ask, a)
	case AskTable:
		return door.table(ask, a)
	case AskEffect:
		return door.effect(ask, a)
	case AskFindings, AskFit, AskAdvice, AskRead:
		return door.study(ask, a)
	case AskFound:
		if ask.Found == nil && ask.Collapses == nil {
			return problem.New("field", 0, 0, "found", "it is missing")
		}
		if ask.Found != nil {
			door.d.PutFound(ask.Found)
		}
		if ask.Collapses != nil {
			door.d.PutCollapses(ask.Collapses)
		}
	case AskDraw:
		a.SVG = svg.Document(ask.Document, ask.Width, ask.Height)
	case AskTypeset:
		return door.typeset(ask, a)
	case AskValue:
		return door.value(ask, a)
	case AskWindow, AskTyped, AskDescribe:
		return door.window(ask, a)
	case AskValues:
		a.Values = map[string]float64{}
		for _, p := range door.d.Parameters {
			a.Values[p.Stated.Name] = p.Value
		}
		a.Steps = door.d.Positions()
	case AskCounters:
		c := door.d.Counters
		a.Counters = &Counters{c.Parses, c.Compiles, c.Runs}
	case AskTrace:
		for _, s := range door.d.Shown {
			if t, ok := s.Live.(*trace.Live); ok && s.Entry.ID == ask.ID {
				a.Numbers = t.Places(door.d, ask.ID)
			}
		}
	default:
		return problem.New("question", 0, 0, string(ask.Kind))
	}
	return err
}

// typeset shows what was understood of a text while it is typed.
func (door *Door) typeset(ask *Ask, a *Answer) error {
	st, err := expr.ParseStatement(ask.Text, door.d.Scope())
	if err != nil {
		return err
	}
	if st.Name != "" {
		a.LaTeX = door.d.HeadLaTeX(st.Name, st.Variables) + "="
	}
	a.LaTeX += door.d.LaTeX(st.Node, door.d.Class)
	for _, n := range st.Notices {
		a.Notices = append(a.Notices, *view(n, ask.Text))
	}
	return nil
}

// value works out what was typed for a parameter: a formula without letters.
func (door *Door) value(ask *Ask, a *Answer) error {
	f, err := expr.Parse(ask.Text, door.d.Scope())
	if err != nil {
		return err
	}
	if names := append(expr.Names(f.Node), expr.Calls(f.Node)...); len(names) > 0 {
		return problem.New("not-constant", f.Node.Pos(), f.Node.End(), names[0])
	}
	n := symbolic.Radians(f.Node, door.d.Document.AngleUnit == document.Degree)
	p, err := program.Compile(n, []string{"\x00"})
	if err != nil {
		return err
	}
	if a.Number = p.At([]float64{0}); math.IsNaN(a.Number) || math.IsInf(a.Number, 0) {
		a.Number = 0
		return problem.New("undefined-field", 0, len(ask.Text), program.Why(n, []string{"\x00"}, []float64{0}))
	}
	return nil
}

// window answers what is asked about a panel's window in play.
func (door *Door) window(ask *Ask, a *Answer) error {
	if ask.Panel < 0 || ask.Panel >= len(door.d.Document.Panels) {
		return problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	p := door.d.Panel(ask.Panel)
	w := compose.Seen(p, ask.Width, ask.Height).Window
	switch ask.Kind {
	case AskDescribe:
		a.Text = compose.Describe(door.d, p, ask.Width, ask.Height)
		return nil
	case AskTyped:
		if ask.Window == nil {
			return problem.New("field", 0, 0, "window", "it is missing")
		}
		w = compose.Typed(p, *ask.Window, ask.Width, ask.Height)
	}
	a.Window = &w
	return nil
}

// plot adds the point of the plane that a tap on a panel means to a table.
func (door *Door) plot(ask *Ask, a *Answer) (err error) {
	if door.composer(ask.Panel) == nil {
		return problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	p := door.d.Panel(ask.Panel)
	x, y := compose.Seen(p, ask.Width, ask.Height).Tapped(p, ask.X, ask.Y)
	a.Document, err = edit.Plot(ask.Document, ask.ID, door.d.Numeral(number.Format(x, 9)), door.d.Numeral(number.Format(y, 9)))
	return err
}

// viewError turns an error of the core into its view; anything but a problem is a programmer's mistake.
func viewError(err error, text string) *Problem {
	p, ok := problem.Of(err)
	if !ok {
		panic(err)
	}
	return view(p, text)
}

func view(p *problem.Problem, text string) *Problem {
	return &Problem{p.Code, p.Object, p.Field, utf16Offset(text, p.Start), utf16Offset(text, p.End), p.Error()}
}

// utf16Offset turns an offset in bytes into one in UTF-16 units, as the page counts.
func utf16Offset(text string, bytes int) int {
	if bytes > len(text) {
		bytes = len(text)
	}
	return len(utf16.Encode([]rune(text[:bytes])))
}

func (door *Door) loaded() *Loaded {
	d := door.d
	l := &Loaded{Functions: []FunctionView{}, Dials: []DialView{}, Shown: []ShownView{}, Said: []SaidView{}, Steps: []steps.View{},
		Missing: []NameView{}, Problems: []Problem{}, Notices: []Problem{}}
	for _, f := range d.Functions {
		head := d.HeadLaTeX(f.Stated.Name, f.Stated.Variables)
		v := FunctionView{ID: f.Stated.ID, Text: plainHead(d, f.Stated) + " = " + f.Stated.Formula, LaTeX: head}
		if f.Formula != nil {
			v.LaTeX += "=" + d.LaTeX(f.Formula, d.Class)
			for _, name := range expr.Names(f.Formula) {
				v.Moves = v.Moves || d.Find(name) >= 0 && !slices.Contains(f.Stated.Variables, name)
			}
			if simple := d.Simplified(f); simple != nil {
				v.Simplified = d.LaTeX(simple, d.Class)
			}
		}
		l.Functions = append(l.Functions, v)
	}
	for _, p := range d.Parameters {
		l.Dials = append(l.Dials, dial(d, p))
	}
	for _, s := range d.Shown {
		l.Shown = append(l.Shown, ShownView{s.Entry.ID, sentence(d, s), compose.Hue(d, s)})
		if t, ok := s.Live.(*steps.Live); ok {
			l.Steps = append(l.Steps, t.View(d, s.Entry))
		}
	}
	for _, s := range d.Said {
		l.Said = append(l.Said, SaidView{s.Entry.ID, pieces(s)})
	}
	for _, name := range d.Missing {
		l.Missing = append(l.Missing, NameView{name, expr.LaTeXName(name)})
	}
	for _, p := range d.Problems {
		l.Problems = append(l.Problems, *view(p, fieldText(d.Document, p)))
	}
	return l
}

func plainHead(d *evaluate.Demonstration, s *document.Stated) string {
	separator := ", "
	if d.Document.DecimalComma {
		separator = "; "
	}
	head := s.Name
	for i, v := range s.Variables {
		if i == 0 {
			head += "("
		} else {
			head += separator
		}
		head += v
	}
	if len(s.Variables) > 0 {
		head += ")"
	}
	return head
}

// askedText is the text of a question that a problem's place counts in.
func askedText(ask *Ask, err error) string {
	p, ok := problem.Of(err)
	if !ok || ask.Entry == nil {
		return ask.Text
	}
	return ask.Entry.Field(p.Field)
}

// fieldText is the text that a problem's place counts in.
func fieldText(doc *document.Document, p *problem.Problem) string {
	for _, s := range doc.Stated {
		if s.ID == p.Object {
			return map[string]string{"formula": s.Formula, "from": s.From, "to": s.To, "step": s.Step}[p.Field]
		}
	}
	if e := doc.Find(p.Object); e != nil {
		return e.Field(p.Field)
	}
	return ""
}

// barTicks is about how many ticks a dial's bar carries.
const barTicks = 20

func dial(d *evaluate.Demonstration, p *evaluate.Parameter) DialView {
	v := DialView{ID: p.Stated.ID, Name: p.Stated.Name, LaTeX: expr.LaTeXName(p.Stated.Name), Colour: p.Stated.Colour,
		From: endText(d, p.Stated.From, p.From), To: endText(d, p.Stated.To, p.To), Zero: p.Fraction(0)}
	span := p.To - p.From
	step := math.Pow(10, math.Floor(math.Log10(span/barTicks)))
	for _, m := range []float64{1, 2, 5, 10} {
		if span/(step*m) <= barTicks {
			step *= m
			break
		}
	}
	for k := math.Ceil(p.From/step - 1e-9); k*step <= p.To+1e-9*span && len(v.Ticks) < 50; k++ {
		v.Ticks = append(v.Ticks, p.Fraction(k*step))
	}
	return v
}

// endText shows an end as it was typed, or its number.
func endText(d *evaluate.Demonstration, typed string, value float64) string {
	if f, err := expr.Parse(typed, d.Scope()); err == nil {
		return d.Plain(f.Node)
	}
	return d.Numeral(number.Significant(value, 6))
}

// sentence says what an entry on the stage is, as a textbook would.
func sentence(d *evaluate.Demonstration, s *evaluate.Shown) []PieceView {
	list := []PieceView{}
	for _, word := range s.Entry.Body.(kind.Body).Sentence(d, s) {
		list = append(list, PieceView{Text: word.Text, LaTeX: word.LaTeX})
	}
	return list
}

func pieces(s *evaluate.Shown) []PieceView {
	list := []PieceView{}
	said, ok := s.Live.(*text.Live)
	if !ok {
		return list
	}
	for _, p := range said.Pieces {
		v := PieceView{Text: p.Text, LaTeX: p.LaTeX, Live: p.IsLive(), Waiting: p.Waiting}
		if v.Text == "" && v.LaTeX == "" {
			v.Text = p.Given.Text
		}
		list = append(list, v)
	}
	return list
}
