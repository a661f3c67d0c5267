// Package text is a text beside the picture or on it: words, formulas, live values and live findings.
package text

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
)

// Letter begins the ids of texts.
func (*Body) Letter() string { return "w" }

// Live is a text with its live values.
type Live struct {
	Pieces []*LivePiece
}

// LivePiece is a part of a text: words in Text, or a formula or value as LaTeX.
type LivePiece struct {
	Given *Piece
	// Text is set for words and for numbers, LaTeX for formulas and values with a formula.
	Text, LaTeX string
	value       *evaluate.Expression
	// isAngle tells that the value is an angle that counts degrees.
	isAngle bool
	// hasUnit tells that the words after a value begin with the degrees it counts.
	hasUnit bool
	// told is the function of a finding; Waiting tells that its words are still being computed.
	told    *evaluate.Function
	toldAt  [2]uint64
	Waiting bool
	// of is the entry that is measured, as it was at a move.
	of   string
	ofAt uint64
}

// IsLive tells that it follows the values in play.
func (p *LivePiece) IsLive() bool { return p.Given.Kind != Words && p.Given.Kind != Formula }

const defaultDecimals = 3

// Load understands the pieces; one that cannot be is reported, and the others are shown.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{}
	for i := range b.Pieces {
		p := &LivePiece{Given: &b.Pieces[i]}
		l.Pieces = append(l.Pieces, p)
		switch p.Given.Kind {
		case Words:
			p.Text = p.Given.Text
		case Formula:
			st, err := d.Statement(p.Given.Text)
			if err != nil {
				d.Report(err, e.ID, "pieces")
				continue
			}
			p.LaTeX = head(d, st) + d.LaTeX(st.Node, d.Class)
		case Told:
			if p.told = d.Function(p.Given.Text); p.told == nil {
				d.Report(problem.New("not-a-function", 0, len(p.Given.Text), p.Given.Text), e.ID, "pieces")
			}
		case Measure:
			p.of = p.Given.Text
		case Value:
			p.value = d.Expression(p.Given.Text, e.ID, "pieces")
			p.hasUnit = i+1 < len(b.Pieces) && b.Pieces[i+1].beginsWithDegrees()
		}
	}
	return l
}

// head writes f(x) = for a formula in a text that was typed with one.
func head(d evaluate.Moment, st expr.Statement) string {
	if st.Name == "" {
		return ""
	}
	return d.HeadLaTeX(st.Name, st.Variables) + "="
}

// Sentence is the text itself, which says what it is.
func (b *Body) Sentence(evaluate.Moment, *evaluate.Shown) []evaluate.Word { return nil }

// Refresh writes values and findings anew that hang on what has moved; it tells how many there were.
func (l *Live) Refresh(d evaluate.Telling) (count int) {
	for _, p := range l.Pieces {
		if p.value != nil {
			isAngle := d.IsInDegrees() && !p.hasUnit && p.value.IsAngle(d)
			if d.HasMoved(p.value) || isAngle != p.isAngle {
				count++
				p.isAngle = isAngle
				p.update(d)
			}
		}
		if p.of != "" && p.ofAt != d.Moves() {
			p.ofAt = d.Moves()
			p.measure(d)
		}
		if p.told != nil {
			if at := [2]uint64{d.Stamp(p.told), d.FoundStamp()}; at != p.toldAt {
				p.toldAt = at
				p.tell(d)
			}
		}
	}
	return count
}

// Compose draws nothing: texts are typeset beside the picture.
func (l *Live) Compose(*compose.On) []compose.Anchor { return nil }

// Describe says nothing: texts can be read as they are.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string { return nil }

// Box asks for nothing: a text has a corner.
func (l *Live) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// measure writes that of another entry.
func (p *LivePiece) measure(d evaluate.Telling) {
	p.LaTeX, p.Text = "", "undefined"
	if other := d.Other(p.of); other != nil {
		if m, ok := other.Live.(evaluate.Measured); ok {
			if latex := m.Measure(d); latex != "" {
				p.LaTeX, p.Text = latex, ""
			}
		}
	}
}

// tell writes a finding as it was last found.
func (p *LivePiece) tell(d evaluate.Telling) {
	last, current := d.FoundOf(p.told)
	p.Waiting = !current
	switch {
	case last != nil && last.Told[p.Given.Finding] != "":
		p.LaTeX, p.Text = last.Told[p.Given.Finding], ""
	case current:
		p.LaTeX, p.Text = "", "none"
	default:
		p.LaTeX, p.Text = "", "…"
	}
}

// update writes a live value. An angle that counts degrees says so.
func (p *LivePiece) update(d evaluate.Telling) {
	v := p.value.At(d.Inputs())
	decimals := defaultDecimals
	if p.Given.Decimals != nil {
		decimals = *p.Given.Decimals
	}
	text := d.Numeral(number.Format(v, decimals))
	typeset := text
	switch {
	case v != v:
		text = "undefined (" + d.Why(p.value) + ")"
		typeset = `\text{` + text + `}`
	case d.HasDecimalComma():
		typeset = strings.ReplaceAll(text, ",", "{,}")
	}
	if v == v && p.isAngle {
		text, typeset = text+"°", typeset+`^{\circ}`
	}
	switch p.Given.Form {
	case AsEquation:
		p.LaTeX = d.LaTeX(p.value.Formula, d.Class) + "=" + typeset
	case AsSubstituted:
		body := p.substituted(d)
		if p.isAngle {
			body = p.value.WithDegrees(d)
		}
		p.LaTeX = d.LaTeX(symbolic.PutNumbers(body, d.Numbers()), nil) + "=" + typeset
	default:
		p.Text = text
	}
}

// substituted is the formula in which a stated function's arguments stand for its variables.
func (p *LivePiece) substituted(d evaluate.Telling) expr.Node {
	c, ok := p.value.Formula.(*expr.Call)
	if !ok || c.Primes > 0 || expr.IsBuiltin(c.Name) {
		return p.value.Formula
	}
	def, _ := d.Lookup(c.Name)
	with := map[string]expr.Node{}
	for i, v := range def.Variables {
		with[v] = c.Args[i]
	}
	return symbolic.Substitute(def.Body, with)
}
