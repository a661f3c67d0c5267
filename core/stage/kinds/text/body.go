package text

import (
	"fmt"
	"slices"
	"strings"

	"parvix/core/stage/document"
)

// Body is a text beside the picture or on it.
type Body struct {
	Pieces []Piece `json:"pieces"`
}

// Piece is a part of a text: words, a typeset formula, a live value, a live finding of the function named in Text, or
// the measure of the entry whose id it is.
type Piece struct {
	Kind PieceKind `json:"kind"`
	Text string    `json:"text"`
	// Finding is what is told of a function.
	Finding document.Finding `json:"finding,omitempty"`
	// Form and Decimals belong to a live value; Decimals is the largest number of decimals, 3 when absent.
	Form     ValueForm `json:"form,omitempty"`
	Decimals *int      `json:"decimals,omitempty"`
}

// beginsWithDegrees tells that words begin with the unit of the value before them.
func (p *Piece) beginsWithDegrees() bool {
	words := strings.TrimSpace(p.Text)
	return p.Kind == Words && (strings.HasPrefix(words, "°") || strings.HasPrefix(words, "degree"))
}

// PieceKind says what a piece of text is.
type PieceKind string

// The kinds of pieces.
const (
	Words   PieceKind = "words"
	Formula PieceKind = "formula"
	Value   PieceKind = "value"
	Told    PieceKind = "finding"
	// Measure is that of the entry whose id Text is, as the area of a region.
	Measure PieceKind = "measure"
)

// ValueForm says how a live value is written.
type ValueForm string

// The forms of a live value; an empty one means number.
const (
	AsNumber      ValueForm = "number"      // 4.5
	AsEquation    ValueForm = "equation"    // f(2) = 3.9
	AsSubstituted ValueForm = "substituted" // −0.6(2 − 3)² + 4.5 = 3.9
)

// MaxPieces is the largest number of pieces of a text.
const MaxPieces = 200

// Kind names the kind.
func (*Body) Kind() document.Kind { return "text" }

// Refs are the formulas, the values, and the functions of which something is told.
func (b *Body) Refs() (list []document.Ref) {
	for i := range b.Pieces {
		p := &b.Pieces[i]
		switch p.Kind {
		case Formula:
			list = append(list, document.Ref{Role: document.Statement, Field: "pieces", Text: &p.Text})
		case Value:
			list = append(list, document.Ref{Field: "pieces", Text: &p.Text})
		case Told:
			list = append(list, document.Ref{Role: document.FunctionName, Field: "pieces", Text: &p.Text, Without: document.Stays})
		case Measure:
			list = append(list, document.Ref{Role: document.EntryID, Field: "pieces", Text: &p.Text, Optional: true, Without: document.Emptied})
		}
	}
	return list
}

// Check holds the pieces to what there is.
func (b *Body) Check(c *document.Checker) {
	c.Require(len(b.Pieces) <= MaxPieces, "pieces", fmt.Sprintf("at most %d", MaxPieces))
	for _, p := range b.Pieces {
		c.OneOf("pieces.kind", string(p.Kind), string(Words), string(Formula), string(Value), string(Told), string(Measure))
		c.OneOf("pieces.form", string(p.Form), "", string(AsNumber), string(AsEquation), string(AsSubstituted))
		c.Text("pieces.text", p.Text)
		if p.Kind == Told {
			c.Require(slices.Contains(document.Findings(), p.Finding), "pieces.finding", fmt.Sprintf("there is no finding “%s”", p.Finding))
		}
		c.Require(p.Decimals == nil || *p.Decimals >= 0 && *p.Decimals <= 12, "pieces.decimals", "between 0 and 12")
	}
}
