package legible_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/legible"
	"parvix/core/stage/picture"
)

// judged has a blue level line at y = 100 and a red one as far below it as is said, with a label between them.
func judged(redAt float64, l picture.Label) legible.Verdict {
	var pen picture.Pen
	pen.Segment(0, 3, picture.Whole, 0, 100, 400, 100)
	pen.Segment(1, 3, picture.Whole, 0, redAt, 400, redAt)
	return legible.Judge(&picture.Picture{Live: pen.Data, Labels: []picture.Label{l}})
}

func TestALabelBelongsToTheLineThatIsClearlyNearest(t *testing.T) {
	beside := picture.Label{ID: "f", Colour: 0, X: 50, Y: 105, Width: 40, Height: 20, At: [2]float64{70, 100}}
	assert.Empty(t, judged(200, beside).Ambiguous)
	assert.NotEmpty(t, judged(132, beside).Ambiguous, "the red line is as near")
	beside.IsLed = true
	assert.Empty(t, judged(132, beside).Ambiguous, "a line that leads there settles it")
}

func TestWhatALabelCoversIsSeen(t *testing.T) {
	on := picture.Label{ID: "f", X: 50, Y: 90, Width: 40, Height: 20, At: [2]float64{70, 100}}
	assert.NotEmpty(t, judged(200, on).Covering)
	on.Y = 105
	assert.Empty(t, judged(200, on).Covering)
	on.Y = 200.5
	assert.NotEmpty(t, judged(400, on).Blurred)
	assert.NotEmpty(t, judged(400, on).Far)
}
