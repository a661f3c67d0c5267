package table_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/stagetest"
)

// A row of a table is read like any number of a textbook; what is no number is named, and the rest stays.
func TestPlottedPointsAreReadAsTyped(t *testing.T) {
	plotted := func(rows ...table.Row) *evaluate.Demonstration {
		return stagetest.Demonstration(t, map[string]string{"f": "x²"}, map[string]float64{"a": 1}, document.Entry{ID: "d", Body: &table.Body{Function: "f", Distances: true, Rows: rows}})
	}
	e := plotted(table.Row{X: "1/2", Y: "1/4"}, table.Row{X: "√2", Y: "2.5"}, table.Row{X: "π", Y: "9"})
	require.Empty(t, e.Problems)
	points := e.Shown[0].Live.(*table.Live)
	assert.InDelta(t, 0, points.Off(e, 0), 1e-15)
	assert.InDelta(t, 0.5, points.Off(e, 1), 1e-12, "above the curve")
	assert.InDelta(t, 9-math.Pi*math.Pi, points.Off(e, 2), 1e-12, "below it")
	for formula, code := range map[string]string{"a": "not-constant", "1/0": "undefined-field", "f(1)": "not-constant", "2 +": "unfinished"} {
		bad := plotted(table.Row{X: "1", Y: "1"}, table.Row{X: formula, Y: "1"})
		assert.Equal(t, code, stagetest.Problems(bad)["d"], formula)
		assert.Nil(t, bad.Shown[0].Live, formula)
	}
}

// A plotted point that lies wrong is taken to its place by hand; the others stay as they were typed.
func TestAPlottedPointIsMovedByHand(t *testing.T) {
	rows := []table.Row{{X: "0", Y: "0"}, {X: "1/3", Y: "1/2"}}
	e := stagetest.Demonstration(t, nil, nil, document.Entry{ID: "d", Body: &table.Body{Rows: rows, Grips: true}},
		document.Entry{ID: "e", Body: &table.Body{Rows: rows}})
	moved := e.Shown[0].Live.(*table.Live)
	moved.Drag(e, evaluate.Hand{Grip: 0, X: 1.04, Y: 2.27, Grain: 0.1})
	assert.Equal(t, [2]float64{1, 2.3}, moved.Points[0], "on the grain of the window")
	assert.Equal(t, []table.Row{{X: "1", Y: "2.3"}, {X: "1/3", Y: "1/2"}}, moved.Rows(e))
	assert.False(t, e.Shown[1].Live.(*table.Live).Movable(), "a table that is not to be moved has no handles")
}
