package compose

import (
	"math"
	"strings"

	"parvix/core/formula/typeset"
	"parvix/core/stage/picture"
)

// labelEm is the em of a label in pixels, at the usual size of the numbers; labelPad the room around it.
const labelEm, labelPad = 18.4, 3.0

// mostSet bounds how many formulas are kept as they were set: a dial that goes back and forth shows the same again.
const mostSet = 2000

// set sets a formula in type.
func (c *Composer) set(latex string) typeset.Box {
	box, known := c.formulas[latex]
	if !known {
		if c.formulas == nil || len(c.formulas) >= mostSet {
			c.formulas = map[string]typeset.Box{}
		}
		box = typeset.Set(latex)
		c.formulas[latex] = box
	}
	return box
}

// WordsLaTeX are plain words as a formula; what would be a command in one is left out.
func WordsLaTeX(words string) string {
	return `\text{` + strings.Map(func(r rune) rune {
		if strings.ContainsRune(`\{}$`, r) {
			return -1
		}
		return r
	}, words) + "}"
}

// scaleOf is by how much a label is larger than usual.
func scaleOf(l picture.Label) float64 {
	if l.Scale > 0 {
		return l.Scale
	}
	return 1
}

// labelSize is the size of a label with the room around it.
func (c *Composer) labelSize(l picture.Label) Size {
	box, em := c.set(l.LaTeX), labelEm*c.size()*scaleOf(l)
	return Size{Width: box.Width*em + 2*labelPad, Height: (box.Height+box.Depth)*em + 2*labelPad}
}

// writeLabel writes a label in its box, on whole pixels.
func (c *Composer) writeLabel(l picture.Label, at box) {
	set, em := c.set(l.LaTeX), labelEm*c.size()*scaleOf(l)
	l.X, l.Y, l.Width, l.Height = math.Round(at.x), math.Round(at.y), at.width, at.height
	c.pic.Labels = append(c.pic.Labels, l)
	left, baseline := l.X+labelPad, math.Round(l.Y+labelPad+set.Height*em)
	// In space a label may have to stand over a surface.
	c.pic.Words = c.writeBox(set, em, left, baseline, l.Colour, c.View.Projection.Is, c.pic.Words)
}

// writeBox writes a formula that was set, its baseline beginning at a place, and gives the words with its own.
func (c *Composer) writeBox(box typeset.Box, em, left, baseline float64, colour picture.Colour, halo bool, words []string) []string {
	for _, run := range box.Runs {
		words = append(words, run.Text)
		c.Pen.Glyphs(inColour(run.Class, colour), int(run.Face), run.Size*em, left+run.X*em, baseline+run.Y*em, len(words)-1, halo)
	}
	for _, rule := range box.Rules {
		c.Pen.Bar(inColour(rule.Class, colour), left+rule.X*em, math.Round(baseline+rule.Y*em), rule.Width*em, math.Max(1, rule.Height*em))
	}
	return words
}

// inColour is the colour of a style class of a parameter, or the label's own.
func inColour(class string, own picture.Colour) picture.Colour {
	if digit, is := strings.CutPrefix(class, "hue-"); is && len(digit) == 1 {
		return ColourNumber(int(digit[0] - '0'))
	}
	return own
}
