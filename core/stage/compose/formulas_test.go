package compose_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/typeset"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
)

// glyphsOf are the runs of formulas in a picture, with what they say.
func glyphsOf(pic *picture.Picture) (runs [][]float32, words []string) {
	for r := range picture.Records(pic.Live) {
		// What is written in ink are the axes' names and numbers.
		if picture.Op(r[0]) == picture.Glyphs && picture.Colour(r[1]) != picture.Ink {
			runs, words = append(runs, r), append(words, pic.Words[int(r[6])])
		}
	}
	return runs, words
}

// A label is written where it was placed, in the colour of its curve.
func TestALabelIsWrittenInItsBox(t *testing.T) {
	pic, _ := stagetest.WithParameter(t, "a x²", document.Entry{ID: "c", Look: document.Look{Colour: 2, Label: document.LabelFormula}, Body: &curve.Body{Function: "f"}})
	require.Len(t, pic.Labels, 1)
	l := pic.Labels[0]
	runs, words := glyphsOf(pic)
	require.NotEmpty(t, runs)
	for i, r := range runs {
		right := float64(r[4]) + float64(r[3])*typeset.Width(typeset.Face(r[2]), words[i])
		assert.True(t, float64(r[4]) >= l.X && right <= l.X+l.Width && float64(r[5]) >= l.Y && float64(r[5]) <= l.Y+l.Height, "%s in %v", words[i], l)
		assert.Equal(t, picture.Colour(2), picture.Colour(r[1]), words[i])
	}
	assert.Contains(t, words, "f")
}

// While a dial moves a point a little, its label keeps its side and its distance.
func TestALabelGlidesWithItsPoint(t *testing.T) {
	_, e := stagetest.WithParameter(t, "x²/40", document.Entry{ID: "c", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "p", Look: document.Look{Label: document.LabelName}, Body: &point.Body{Name: "P", X: "a", Y: "1.5"}})
	var c compose.Composer
	var first [2]float64
	for step := range 20 {
		e.Set(0, 1+float64(step)/10)
		for _, l := range c.Compose(e.Frame(0, 900, 450)).Labels {
			if l.ID != "p" {
				continue
			}
			from := [2]float64{l.X - l.At[0], l.Y - l.At[1]}
			if step == 0 {
				first = from
			}
			assert.InDelta(t, first[0], from[0], 1, "step %d", step)
			assert.InDelta(t, first[1], from[1], 1, "step %d", step)
			assert.Equal(t, math.Trunc(l.X), l.X, "on whole pixels")
		}
	}
}
