package door

import (
	"parvix/core/ask/study"
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/found"
	"parvix/core/stage/sample"
)

// study answers what takes longer than a frame, at the values that the question names.
func (door *Door) study(ask *Ask, a *Answer) error {
	door.putValues(ask.Values)
	if ask.Kind == AskFindings {
		return door.findings(ask, a)
	}
	panels := door.d.Document.Panels
	if ask.Panel < 0 || ask.Panel >= len(panels) {
		return problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	panel := *door.d.Panel(ask.Panel)
	if ask.Window != nil {
		panel.Window = *ask.Window
	}
	seen := compose.Seen(&panel, ask.Width, ask.Height)
	view := sample.View{Left: seen.Left, Right: seen.Right, Bottom: seen.Bottom, Top: seen.Top, Width: seen.Width, Height: seen.Height}
	switch ask.Kind {
	case AskFit:
		fitted := study.Fit(door.d, &panel, ask.Width, ask.Height)
		a.Mended = mended("", &fitted, "")
	case AskAdvice:
		if advice := study.Advise(door.d, &panel, view); advice != nil {
			a.Advice = &AdviceView{Code: advice.Code, Message: advice.Message, Mends: []Mended{}}
			for _, m := range advice.Mends {
				a.Advice.Mends = append(a.Advice.Mends, *mended(m.Words, m.Panel, m.AngleUnit))
			}
		}
	case AskRead:
		return door.read(ask, a, &panel, seen, view)
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

func (door *Door) putValues(values map[string]float64) {
	for i, p := range door.d.Parameters {
		if v, ok := values[p.Stated.Name]; ok && v != p.Value {
			door.d.Set(i, v)
		}
	}
	door.d.Update()
}

func (door *Door) findings(ask *Ask, a *Answer) error {
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
	v := &FindingsView{Function: ask.ID, Lines: []FindingLine{}, Undecided: found.Undecided, Found: study.Found(door.d, f, found)}
	v.Same = []string{}
	for _, name := range study.SameGraph(door.d, f) {
		v.Same = append(v.Same, expr.LaTeXName(name))
	}
	for _, line := range study.Lines(door.d, f, found) {
		v.Lines = append(v.Lines, FindingLine{line.Finding, line.Name, line.LaTeX, line.How, line.Finding.IsDrawn()})
	}
	a.Findings = v
	return nil
}

// effect says what a parameter does to every function that depends on it.
func (door *Door) effect(ask *Ask, a *Answer) error {
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

// read answers a reading at a touched place, or at a typed x of the function that ID names.
func (door *Door) read(ask *Ask, a *Answer, panel *document.Panel, seen compose.View, view sample.View) error {
	var r *study.Reading
	var err error
	if ask.Text != "" {
		f := door.d.Function(ask.ID)
		if f == nil || f.Curve == nil {
			return problem.New("not-a-function", 0, 0, ask.ID)
		}
		r, err = study.ReadTyped(door.d, f, ask.Text)
	} else {
		r, err = study.ReadAt(door.d, panel, view, seen.AtX(ask.X), seen.AtY(ask.Y))
	}
	if err != nil || r == nil {
		return err
	}
	a.Reading = &ReadingView{Function: r.Function, XText: r.XText, LaTeX: r.LaTeX, Special: found.NameOfOne(r.Special), Reason: r.Reason,
		Defined: r.Y == r.Y, X: seen.X(r.X)}
	if a.Reading.Defined {
		a.Reading.Y = seen.Y(r.Y)
	}
	return nil
}
