// Package typeset sets formulas in type: the LaTeX that this core writes becomes runs of glyphs and rules with their exact
// places and sizes, so that a picture knows how large its labels are and draws them itself.
//
// Lengths are in em of the text, y goes down from the baseline. The rules of placing are those of the TeXbook, appendix G
// (fractions rule 15, radicals rule 11, scripts rule 18, spaces page 170), the sizes of glyphs those that ship with the faces
// (metrics_generated.go).
package typeset

//go:generate go run ./metrics

// Face is one of the shipped faces.
type Face int

// The faces: letters of formulas are in Italic, words of several letters in Slanted, large signs in Size1 to Size4.
const (
	Roman Face = iota
	Italic
	Bold
	Slanted
	Size1
	Size2
	Size3
	Size4
	Symbols
)

// Run is a text in one face, its baseline beginning at a place.
type Run struct {
	Face Face
	Size float64 // of the em
	X, Y float64
	Text string
	// Class is the style class around it, a parameter's colour; empty for none.
	Class string
}

// Rule is a filled rectangle by its top left corner: a bar of a fraction, of a root, of an absolute value.
type Rule struct {
	X, Y, Width, Height float64
	Class               string
}

// Box is a formula that was set: its extent about the baseline, and what is drawn.
type Box struct {
	Width, Height, Depth float64
	Runs                 []Run
	Rules                []Rule
}

// Set sets a formula in the style of running text. What it cannot read it sets as it stands; nothing is left out.
func Set(latex string) Box {
	list := parse(latex)
	return setter{style: text}.list(list).trimmed()
}

// trimmed joins runs that follow each other.
func (b Box) trimmed() Box {
	joined := b.Runs[:0]
	end := 0.0
	for _, r := range b.Runs {
		if n := len(joined) - 1; n >= 0 {
			last := &joined[n]
			if last.Face == r.Face && last.Size == r.Size && last.Y == r.Y && last.Class == r.Class && near(end, r.X) {
				last.Text += r.Text
				end = r.X + r.Size*Width(r.Face, r.Text)
				continue
			}
		}
		joined = append(joined, r)
		end = r.X + r.Size*Width(r.Face, r.Text)
	}
	b.Runs = joined
	return b
}

func near(a, b float64) bool { return a-b < 1e-9 && b-a < 1e-9 }

// Width is the width of words in a face, in its em.
func Width(face Face, words string) (width float64) {
	for _, letter := range words {
		width += glyphOf(face, letter).width
	}
	return width
}

// put adds what another box draws, moved and scaled.
func (b *Box) put(inner Box, x, y float64) {
	for _, r := range inner.Runs {
		r.X, r.Y = r.X+x, r.Y+y
		b.Runs = append(b.Runs, r)
	}
	for _, r := range inner.Rules {
		r.X, r.Y = r.X+x, r.Y+y
		b.Rules = append(b.Rules, r)
	}
	b.Height, b.Depth = max(b.Height, inner.Height-y), max(b.Depth, inner.Depth+y)
}

// glyph is the extent of a sign about its baseline, in em; italic is how far it leans out to the right of its width.
type glyph struct {
	letter                       rune
	depth, height, italic, width float64
}

// unknown stands for signs that a face has none of: as wide as a digit.
var unknown = glyph{0, 0.2, 0.7, 0, 0.5}

func glyphOf(face Face, letter rune) glyph {
	list := metrics[face]
	low, high := 0, len(list)
	for low < high {
		if middle := (low + high) / 2; list[middle].letter < letter {
			low = middle + 1
		} else {
			high = middle
		}
	}
	if low < len(list) && list[low].letter == letter {
		return list[low]
	}
	return unknown
}

func has(face Face, letter rune) bool { return glyphOf(face, letter).letter == letter }
