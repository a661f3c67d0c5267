package door

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/kinds/text"
)

// loaded is what the folio and the dials show of a demonstration.
func loaded(d *evaluate.Demonstration) *Loaded {
	l := &Loaded{Functions: []FunctionView{}, Dials: []DialView{}, Shown: []ShownView{}, Said: []SaidView{}, Steps: []steps.View{},
		Missing: []NameView{}, Problems: []Problem{}, Notices: []Problem{}}
	for _, f := range d.Functions {
		head := d.HeadLaTeX(f.Stated.Name, f.Stated.Variables)
		v := FunctionView{ID: f.Stated.ID, Text: plainHead(d, f.Stated) + " = " + textOf(d, f), LaTeX: head}
		if f.Formula != nil {
			class := d.Class
			if f.Stated.Fit != nil {
				class = nil // the letters of a model are no dials
			}
			v.LaTeX += "=" + d.LaTeX(f.Formula, class)
			v.Moves = f.Stated.Fit != nil
			v.Caution = roundingOf(d, f)
			if fit := d.FitOf(f); fit != nil && !fit.Converged() {
				v.Caution = fit.Reason
			}
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
		l.Shown = append(l.Shown, ShownView{s.Entry.ID, sentence(d, s), compose.Hue(d, s), panelsOf(d, s)})
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
		l.Problems = append(l.Problems, *told(p, fieldText(d.Document, p)))
	}
	return l
}

// roundingOf says what is lost by the rounding of a function that follows from data: at the data more than their last decimal, or in a
// window in which its curve is drawn more than a pixel.
func roundingOf(d *evaluate.Demonstration, f *evaluate.Function) string {
	if by, tooMuch := f.RoundsTooMuch(); tooMuch {
		return "Rounded like this the function is off by up to " + d.Numeral(number.Significant(by, 2)) + " at its data; write it with more decimals."
	}
	for k := range d.Document.Panels {
		if p := &d.Document.Panels[k]; p.Kind == document.Plane && isDrawnOn(d, f, p) {
			if pixels := f.RoundingAt(across(p.Window)) / (p.Window.Top - p.Window.Bottom) * usualHeight; pixels > 1 {
				return "Rounded like this the curve is off by up to " + d.Numeral(number.Significant(pixels, 2)) + " pixels in its window; write it with more decimals."
			}
		}
	}
	return ""
}

// usualHeight is that of a panel, in pixels, by which a rounding is judged: a demonstration is loaded before its panels have their sizes.
const usualHeight = 500

// across are places all over a window's width.
func across(w document.Window) []float64 {
	const places = 64
	xs := make([]float64, places+1)
	for i := range xs {
		xs[i] = w.Left + (w.Right-w.Left)*float64(i)/places
	}
	return xs
}

// isDrawnOn tells that the curve of a function is shown on a panel, by itself or with its data.
func isDrawnOn(d *evaluate.Demonstration, f *evaluate.Function, p *document.Panel) bool {
	return slices.ContainsFunc(d.Shown, func(s *evaluate.Shown) bool {
		return s.IsDrawnOn(p) && s.Entry.Field("function") == f.Stated.Name
	})
}

// textOf is a function's formula as it is typed.
func textOf(d *evaluate.Demonstration, f *evaluate.Function) string {
	if f.Stated.Fit != nil {
		return d.Numeral(f.Text())
	}
	return f.Stated.Formula
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

// barTicks is about how many ticks a dial's bar carries.
const barTicks = 20

func dial(d *evaluate.Demonstration, p *evaluate.Parameter) DialView {
	v := DialView{ID: p.Stated.ID, Name: p.Stated.Name, LaTeX: expr.LaTeXName(p.Stated.Name), Colour: p.Stated.Colour,
		From: endText(d, p.Stated.From, p.From), To: endText(d, p.Stated.To, p.To), Low: p.From, High: p.To, Zero: p.Fraction(0), Degrees: p.Degrees}
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

// panelsOf are the ids of the panels on which an entry is drawn.
func panelsOf(d *evaluate.Demonstration, s *evaluate.Shown) []string {
	list := []string{}
	for i := range d.Document.Panels {
		if p := &d.Document.Panels[i]; s.IsDrawnOn(p) {
			list = append(list, p.ID)
		}
	}
	return list
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
