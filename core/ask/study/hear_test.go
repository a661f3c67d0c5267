package study_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/sample"
	"parvix/core/stage/stagetest"
)

// A higher place is a higher tone; where a function has no value there is silence; zeros and turning points are marked in their order.
func TestACurveIsHeardFromLeftToRight(t *testing.T) {
	window := sample.View{Left: -4, Right: 4, Bottom: -2, Top: 2, Width: 800, Height: 400}
	hear := func(formula string) *study.Heard {
		t.Helper()
		e := stagetest.Demonstration(t, map[string]string{"f": formula}, nil)
		heard, err := study.Hear(e, e.Function("f"), window)
		require.NoError(t, err)
		return heard
	}
	line := hear("x/2")
	for k := 1; k < len(line.Heights); k++ {
		assert.Greater(t, line.Heights[k], line.Heights[k-1])
	}
	assert.InDelta(t, 0.5, (line.Heights[0]+line.Heights[len(line.Heights)-1])/2, 1e-12)
	assert.Equal(t, []study.Mark{{At: 0.5, Finding: document.Zeros}}, line.Marks)

	logarithm := hear("ln x")
	assert.True(t, math.IsNaN(logarithm.Heights[0]), "no logarithm of a negative number")
	assert.False(t, math.IsNaN(logarithm.Heights[len(logarithm.Heights)-1]))

	parabola := hear("x² − 1")
	var order []document.Finding
	for _, m := range parabola.Marks {
		order = append(order, m.Finding)
	}
	assert.Equal(t, []document.Finding{document.Zeros, document.Minima, document.Zeros}, order)
	assert.True(t, math.IsNaN(hear("x² + 9").Heights[0]), "far above the window there is nothing to hear")
}
