package evaluate

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/document"
)

// Said is a text with its live values.
type Said struct {
	Entry  *document.Said
	Pieces []*Piece
}

// Piece is a part of a text: words in Text, or a formula or value as LaTeX.
type Piece struct {
	Entry *document.Piece
	// Text is set for words and for numbers, LaTeX for formulas and values with a formula.
	Text, LaTeX string
	value       *Expression
	// told is the function of a finding; Waiting tells that its words are still being computed.
	told    *Function
	toldAt  [2]uint64
	Waiting bool
}

const defaultDecimals = 3

func (d *Demonstration) loadSaid() {
	for i := range d.Document.Said {
		e := &d.Document.Said[i]
		s := &Said{Entry: e}
		d.Said = append(d.Said, s)
		for k := range e.Pieces {
			p := &Piece{Entry: &e.Pieces[k]}
			s.Pieces = append(s.Pieces, p)
			switch p.Entry.Kind {
			case document.Words:
				p.Text = p.Entry.Text
			case document.Formula:
				st, err := expr.ParseStatement(p.Entry.Text, d.scope)
				d.Counters.Parses++
				if err != nil {
					d.Report(err, e.ID, "pieces")
					continue
				}
				p.LaTeX = d.head(st) + d.LaTeX(st.Node, d.Class)
			case document.Told:
				if p.told = d.Function(p.Entry.Text); p.told == nil {
					d.Report(problem.New("not-a-function", 0, len(p.Entry.Text), p.Entry.Text), e.ID, "pieces")
				}
			case document.Value:
				p.value = d.Expression(p.Entry.Text, e.ID, "pieces")
			}
		}
	}
}

// head writes f(x) = for a formula in a text that was typed with one.
func (d *Demonstration) head(st expr.Statement) string {
	if st.Name == "" {
		return ""
	}
	return d.HeadLaTeX(st.Name, st.Variables) + "="
}

// HeadLaTeX writes f(x) or a, with the demonstration's separator of arguments.
func (d *Demonstration) HeadLaTeX(name string, variables []string) string {
	return d.Typeset(HeadLaTeX(name, variables))
}

// HeadLaTeX writes f(x) or a.
func HeadLaTeX(name string, variables []string) string {
	s := expr.LaTeXName(name)
	for i, v := range variables {
		if i == 0 {
			s += "("
		} else {
			s += ", "
		}
		s += expr.LaTeXName(v)
	}
	if len(variables) > 0 {
		s += ")"
	}
	return s
}

// tell writes a finding as it was last found.
func (p *Piece) tell(d *Demonstration) {
	last, current := d.FoundOf(p.told)
	p.Waiting = !current
	switch {
	case last != nil && last.Told[p.Entry.Finding] != "":
		p.LaTeX, p.Text = last.Told[p.Entry.Finding], ""
	case current:
		p.LaTeX, p.Text = "", "none"
	default:
		p.LaTeX, p.Text = "", "…"
	}
}

func (p *Piece) update(d *Demonstration) {
	v := p.value.At(d.in)
	decimals := defaultDecimals
	if p.Entry.Decimals != nil {
		decimals = *p.Entry.Decimals
	}
	text := d.Numeral(number.Format(v, decimals))
	if v != v {
		text = "undefined (" + d.why(p.value) + ")"
	}
	typeset := text
	if v != v {
		typeset = `\text{` + text + `}`
	} else if d.Document.DecimalComma {
		typeset = strings.ReplaceAll(text, ",", "{,}")
	}
	switch p.Entry.Form {
	case document.AsEquation:
		p.LaTeX = d.LaTeX(p.value.Formula, d.Class) + "=" + typeset
	case document.AsSubstituted:
		body := p.value.Formula
		if c, ok := body.(*expr.Call); ok && c.Primes == 0 && !expr.IsBuiltin(c.Name) {
			def, _ := d.Lookup(c.Name)
			with := map[string]expr.Node{}
			for i, v := range def.Variables {
				with[v] = c.Args[i]
			}
			body = symbolic.Substitute(def.Body, with)
		}
		p.LaTeX = d.LaTeX(symbolic.PutNumbers(body, d.numbersNow()), nil) + "=" + typeset
	default:
		p.Text = text
	}
}
