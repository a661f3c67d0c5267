package door

import (
	"maps"
	"math"

	"parvix/core/ask/edit"
	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/view"
	"parvix/export/svg"
)

// answers look at what is in play, or load it.
var answers = map[AskKind]func(door *Door, ask *Ask, a *Answer) error{
	AskLoad:       load,
	AskSettle:     settle,
	AskPlot:       plot,
	AskKeepInk:    keepInk,
	AskAngleUnit:  setAngleUnit,
	AskDraw:       draw,
	AskBeginnings: func(_ *Door, _ *Ask, a *Answer) error { a.Beginnings = edit.Beginnings(); return nil },
	AskGallery:    func(_ *Door, _ *Ask, a *Answer) error { a.Gallery = gallery(); return nil },
	AskTrajectory: studyTrajectory,
	AskTable:      tabulate,
	AskEffect:     effect,
	AskFindings:   findings,
	AskCompared:   compared,
	AskFit:        onPanel(fit),
	AskAdvice:     onPanel(advise),
	AskRead:       onPanel(read),
	AskHear:       onPanel(hear),
	AskFound:      putFound,
	AskTypeset:    typeset,
	AskValue:      typedValue,
	AskWindow:     askedWindow,
	AskTyped:      askedWindow,
	AskDescribe:   askedWindow,
	AskValues:     valuesInPlay,
	AskCounters:   counters,
	AskTrace:      traced,
	AskModels:     onColumns(models),
	AskSuspects:   onColumns(suspects),
	AskSummaries:  summaries,
	AskBestDials:  onColumns(bestDials),
	AskPredict:    predict,
	AskPasted:     pasted,
}

// needsDocument are the answers that are given for the question's document; needsNothing those that nothing has to be loaded
// for. All others are about what is in play.
var (
	needsDocument = map[AskKind]bool{AskLoad: true, AskSettle: true, AskPlot: true, AskKeepInk: true, AskDraw: true, AskAngleUnit: true}
	needsNothing  = map[AskKind]bool{AskGallery: true, AskBeginnings: true, AskPasted: true}
)

// load takes the document into play, in the scene that the page is in: a core that was started anew knows of none.
func load(door *Door, ask *Ask, a *Answer) error {
	if err := ask.Document.Check(); err != nil {
		return err
	}
	scene := max(0, min(ask.Scene, len(ask.Document.Scenes)-1))
	isNew := door.d == nil
	if !isNew {
		door.d.Scene = scene
	}
	door.d = evaluate.Load(ask.Document, door.d)
	if isNew && scene > 0 {
		door.d.BeginScene(scene)
		door.d.GoScene(1)
	}
	edit.TellAngles(door.d)
	door.sent = door.sent[:0]
	a.Loaded = loaded(door.d)
	return nil
}

// settle writes into the document where a hand has left an entry.
func settle(door *Door, ask *Ask, a *Answer) error {
	if door.d == nil {
		return notLoaded()
	}
	a.Document = edit.Settle(ask.Document, door.d, ask.ID)
	return nil
}

// draw makes the picture of a document at its starting values.
func draw(_ *Door, ask *Ask, a *Answer) error {
	a.SVG = svg.Document(ask.Document, ask.Width, ask.Height)
	return nil
}

// putFound takes in what another core found out.
func putFound(door *Door, ask *Ask, _ *Answer) error {
	if ask.Found == nil && ask.Collapses == nil && ask.Suspects == nil {
		return missing("found")
	}
	if ask.Suspects != nil {
		door.d.PutSuspects(*ask.Suspects)
	}
	if ask.Found != nil {
		door.d.PutFound(ask.Found)
	}
	if ask.Collapses != nil {
		door.d.PutCollapses(ask.Collapses)
	}
	return nil
}

func valuesInPlay(door *Door, _ *Ask, a *Answer) error {
	a.Values = map[string]float64{}
	for _, p := range door.d.Parameters {
		a.Values[p.Stated.Name] = p.Value
	}
	a.Steps = door.d.Positions()
	return nil
}

func counters(door *Door, _ *Ask, a *Answer) error {
	c := door.d.Counters
	a.Counters = &Counters{c.Parses, c.Compiles, maps.Clone(c.Runs)}
	for _, composer := range door.composers {
		for id, runs := range composer.Runs {
			a.Counters.Runs[id] += runs
		}
	}
	return nil
}

// setAngleUnit changes the unit of angles and tells what was converted.
func setAngleUnit(_ *Door, ask *Ask, a *Answer) (err error) {
	a.Document, a.Told, err = edit.SetAngleUnit(ask.Document, document.AngleUnit(ask.Text))
	return err
}

// traced answers the places of a trace, and whether they are those of space.
func traced(door *Door, ask *Ask, a *Answer) error {
	for _, s := range door.d.Shown {
		if t, ok := s.Live.(*trace.Live); ok && s.Entry.ID == ask.ID {
			a.Numbers, a.Space = t.Places(door.d, ask.ID)
		}
	}
	return nil
}

// typeset shows what was understood of a text while it is typed.
func typeset(door *Door, ask *Ask, a *Answer) error {
	latex := func(n expr.Node) string { return door.d.LaTeX(n, door.d.Class) }
	if reading, is := edit.Reading(door.d.Document, ask.Text, latex); is {
		a.LaTeX = reading
		return nil
	}
	st, err := expr.ParseStatement(ask.Text, door.d.Scope())
	if err != nil {
		return err
	}
	if st.Name != "" {
		a.LaTeX = door.d.HeadLaTeX(st.Name, st.Variables) + "="
	}
	a.LaTeX += door.d.LaTeX(st.Node, door.d.Class)
	for _, n := range st.Notices {
		a.Notices = append(a.Notices, *told(n, ask.Text))
	}
	return nil
}

// typedValue works out what was typed for a parameter: a formula without letters. Where angles count degrees a multiple of π that is typed
// into a dial that is an angle is one in radians all the same.
func typedValue(door *Door, ask *Ask, a *Answer) error {
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
	if d := door.d.Document; d.AngleUnit == document.Degree && holdsPi(f.Node) && edit.AngleDials(d)[ask.ID] {
		a.Number = number.InDegrees(a.Number)
	}
	return nil
}

// holdsPi tells that π stands in a formula, and no degree sign.
func holdsPi(n expr.Node) (is bool) {
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Degree:
			is = false
			return false
		case *expr.Constant:
			is = is || n.Name == "pi"
		}
		return true
	})
	return is
}

// askedWindow answers what is asked about a panel's window in play.
func askedWindow(door *Door, ask *Ask, a *Answer) error {
	if ask.Panel < 0 || ask.Panel >= len(door.d.Document.Panels) {
		return problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	p := door.d.Panel(ask.Panel)
	w := view.Seen(p, ask.Width, ask.Height).Window
	switch ask.Kind {
	case AskDescribe:
		frame := door.d.Frame(ask.Panel, ask.Width, ask.Height)
		if a.Text = compose.DescribeHandle(frame, ask.ID, ask.By-1); ask.ID == "" {
			a.Text = compose.Describe(frame)
		}
		return nil
	case AskTyped:
		if ask.Window == nil {
			return problem.New("field", 0, 0, "window", "it is missing")
		}
		w = view.Typed(p, *ask.Window, ask.Width, ask.Height)
	}
	a.Window = &w
	return nil
}

// plot adds the point of the plane that a tap on a panel means to a table.
func plot(door *Door, ask *Ask, a *Answer) (err error) {
	if door.d == nil || door.composer(ask.Panel) == nil {
		return problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	p := door.d.Panel(ask.Panel)
	x, y := compose.Tapped(view.Seen(p, ask.Width, ask.Height), p, ask.X, ask.Y)
	a.Document, err = edit.Plot(ask.Document, ask.ID, door.d.Numeral(number.Format(x, 9)), door.d.Numeral(number.Format(y, 9)))
	return err
}
