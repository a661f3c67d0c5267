package compose

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/view"
)

// A line that leaves all bounds, or is none, takes the cells that are seen of it and comes to its end.
func TestALineWithoutBoundsComesToItsEnd(t *testing.T) {
	far := float32(math.Inf(1))
	var r Room
	r.reset(view.View{Width: 300, Height: 200})
	r.line([]float32{150, 100, far, 100, float32(math.NaN()), 50, -far, -far}, unnamed)
	assert.Equal(t, unnamed, r.at(290, 100), "the part that is seen")
	assert.Zero(t, r.at(150, 150), "what lies beside")
	assert.Zero(t, r.at(400, 100), "what lies off the panel")
}

// The nearest of others is at least twice as far as the nearest of its own where a label is plainly its own; distances are straight.
func TestALabelIsPlainWhereItsOwnIsTwiceAsNear(t *testing.T) {
	const own, other = firstOwner, firstOwner << 1
	label := box{100, 100, 30, 15}
	for _, c := range []struct {
		ownAt, otherAt [2]float64
		plain          bool
	}{
		{[2]float64{140, 107}, [2]float64{165, 107}, true},
		{[2]float64{140, 107}, [2]float64{150, 107}, false},
		{[2]float64{137, 122}, [2]float64{157, 107}, true},
		{[2]float64{140, 125}, [2]float64{155, 107}, false},
	} {
		var r Room
		r.reset(view.View{Width: 300, Height: 200})
		r.add(c.ownAt[0], c.ownAt[1], own)
		r.add(c.otherAt[0], c.otherAt[1], other)
		assert.Equal(t, c.plain, r.isClear(label, own, other, 16), "own at %v, the other at %v", c.ownAt, c.otherAt)
	}
}
