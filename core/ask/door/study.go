package door

import (
	"strings"

	"parvix/core/ask/study"
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// asked is the panel of a question as it is seen: its entry with the window in play, and its view.
type asked struct {
	panel *document.Panel
	seen  view.View
	view  sample.View
}

// onPanel answers what is asked about a panel, at the values and in the window that the question names.
func onPanel(answer func(door *Door, ask *Ask, a *Answer, on asked) error) func(door *Door, ask *Ask, a *Answer) error {
	return func(door *Door, ask *Ask, a *Answer) error {
		putValues(door.d, ask.Values)
		if ask.Panel < 0 || ask.Panel >= len(door.d.Document.Panels) {
			return noPanel()
		}
		panel := *door.d.Panel(ask.Panel)
		if ask.Window != nil {
			panel.Window = *ask.Window
		}
		seen := view.Seen(&panel, ask.Width, ask.Height)
		view := sample.View{Left: seen.Left, Right: seen.Right, Bottom: seen.Bottom, Top: seen.Top, Width: seen.Width, Height: seen.Height}
		return answer(door, ask, a, asked{&panel, seen, view})
	}
}

func noPanel() error { return problem.New("field", 0, 0, "panel", "there is no such panel") }

// fit answers the window that shows what is interesting.
func fit(door *Door, ask *Ask, a *Answer, on asked) error {
	fitted := study.Fit(door.d, on.panel, ask.Width, ask.Height)
	a.Mended = mended("", &fitted, "")
	return nil
}

// advise answers why nothing is seen, and what would help.
func advise(door *Door, _ *Ask, a *Answer, on asked) error {
	advice := study.Advise(door.d, on.panel, on.view)
	if advice == nil {
		return nil
	}
	a.Advice = &AdviceView{Code: advice.Code, Message: advice.Message, Mends: []Mended{}}
	for _, m := range advice.Mends {
		a.Advice.Mends = append(a.Advice.Mends, *mended(m.Words, m.Panel, m.AngleUnit))
	}
	return nil
}

func mended(words string, panel *document.Panel, unit document.AngleUnit) *Mended {
	m := &Mended{Words: words, AngleUnit: unit}
	if panel != nil {
		m.Window, m.EqualScales = &panel.Window, panel.EqualScales
	}
	return m
}

// putValues brings into play what a question names.
func putValues(d *evaluate.Demonstration, values map[string]float64) {
	for i, p := range d.Parameters {
		if v, ok := values[p.Stated.Name]; ok && v != p.Value {
			d.Set(i, v)
		}
	}
	d.Update()
}

// findings answers what was found out about a function.
func findings(door *Door, ask *Ask, a *Answer) error {
	putValues(door.d, ask.Values)
	f := door.d.Function(ask.ID)
	if f == nil {
		return problem.New("not-a-function", 0, 0, ask.ID)
	}
	if len(f.Stated.Variables) != 1 {
		return problem.New("variables", 0, 0, ask.ID, "another number of them")
	}
	left, right := 0.0, 0.0
	if ask.Window != nil {
		left, right = ask.Window.Left, ask.Window.Right
	}
	found, err := study.Of(door.d, f, left, right)
	if err != nil {
		return err
	}
	v := &FindingsView{Function: ask.ID, Lines: []FindingLine{}, Undecided: found.Undecided, Found: study.Found(door.d, f, found),
		Polar: study.IsPolar(door.d, f)}
	v.Same = []string{}
	for _, name := range study.SameGraph(door.d, f) {
		v.Same = append(v.Same, expr.LaTeXName(name))
	}
	for _, line := range study.Lines(door.d, f, found) {
		v.Lines = append(v.Lines, FindingLine{line.Finding, line.Name, line.LaTeX, line.How, line.Finding.IsDrawn() && !v.Polar})
	}
	a.Findings = v
	return nil
}

// effect says what a parameter does to every function that depends on it.
func effect(door *Door, ask *Ask, a *Answer) error {
	i := door.d.Find(ask.ID)
	if i < 0 {
		return problem.New("not-a-parameter", 0, len(ask.ID), ask.ID)
	}
	p := door.d.Parameters[i]
	a.Effects = []EffectView{}
	for _, e := range study.Effects(door.d, ask.ID) {
		v := EffectView{Function: e.Function, Lines: []EffectLineView{}, Degenerate: []DegenerateView{}}
		for _, l := range e.Lines {
			sentence := []PieceView{{Text: l.Before}}
			if l.LaTeX != "" {
				sentence = append(sentence, PieceView{LaTeX: l.LaTeX}, PieceView{Text: l.After})
			}
			if l.More != "" {
				sentence = append(sentence, PieceView{Text: " "}, PieceView{LaTeX: l.More})
			}
			v.Lines = append(v.Lines, EffectLineView{sentence, string(l.Feature), l.With, l.X, l.Y})
		}
		for _, g := range e.Degenerate {
			if g.Value >= p.From && g.Value <= p.To {
				v.Degenerate = append(v.Degenerate, DegenerateView{g.Value, p.Fraction(g.Value), g.LaTeX, g.Kind})
			}
		}
		a.Effects = append(a.Effects, v)
	}
	return nil
}

// compared says whether two functions are the same at the values in play.
func compared(door *Door, ask *Ask, a *Answer) (err error) {
	putValues(door.d, ask.Values)
	var both [2]*evaluate.Function
	for i, name := range [2]string{ask.ID, ask.Text} {
		if both[i] = door.d.Function(name); both[i] == nil || both[i].Curve == nil || len(both[i].Stated.Variables) != 1 {
			return problem.New("not-a-function", 0, 0, name)
		}
	}
	a.Text, err = study.Compared(door.d, both[0], both[1])
	return err
}

// hear gives a curve as tones.
func hear(door *Door, ask *Ask, a *Answer, on asked) error {
	f := door.d.Function(ask.ID)
	if f == nil || f.Curve == nil {
		return problem.New("not-a-function", 0, 0, ask.ID)
	}
	heard, err := study.Hear(door.d, f, on.view)
	if err != nil {
		return err
	}
	a.Heard = &HeardView{Heights: make([]*float64, len(heard.Heights)), Marks: []MarkView{}}
	for k, height := range heard.Heights {
		if height == height {
			a.Heard.Heights[k] = &height
		}
	}
	var names []string
	for _, m := range heard.Marks {
		a.Heard.Marks, names = append(a.Heard.Marks, MarkView{m.At, m.Finding}), append(names, found.NameOfOne(m.Finding))
	}
	a.Heard.Words = ask.ID + ": " + strings.Join(names, ", ")
	if len(names) == 0 {
		a.Heard.Words = ask.ID + ": nothing is marked in this window"
	}
	return nil
}
