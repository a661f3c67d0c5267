package table_test

import (
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/table"
	"parvix/core/stage/picture"
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

// drawnOps counts the records of a picture by what they are.
func drawnOps(t *testing.T, e *evaluate.Demonstration) map[picture.Op]int {
	t.Helper()
	c := compose.Composer{}
	ops := map[picture.Op]int{}
	for r := range picture.Records(c.Compose(e.Frame(0, 800, 500)).Live) {
		ops[picture.Op(r[0])]++
	}
	return ops
}

// Points are plotted first, joined when that is wanted, and only those that a hand may move have handles; one outside the window is not drawn.
func TestPlottedPointsAreDrawnAsWanted(t *testing.T) {
	rows := []table.Row{{X: "0", Y: "0"}, {X: "1", Y: "1"}, {X: "2", Y: "3"}, {X: "70", Y: "1"}}
	plotted := func(b table.Body) map[picture.Op]int {
		b.Rows = rows
		return drawnOps(t, stagetest.Demonstration(t, nil, nil, document.Entry{ID: "d", Body: &b}))
	}
	plain, joined, held := plotted(table.Body{}), plotted(table.Body{Joined: true}), plotted(table.Body{Grips: true})
	assert.Equal(t, 3, plain[picture.Marker], "three of four lie in the window")
	assert.Zero(t, plain[picture.Handle])
	assert.Equal(t, plain[picture.Line]+1, joined[picture.Line], "one line through all of them")
	assert.Equal(t, 3, held[picture.Handle])
}

// A point that lies off the function is joined with it by a dotted piece, and how far it is off stands beside it with its sign; one that lies on
// it has neither.
func TestDistancesFromAFunctionAreShownWhereThereAreAny(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "x²"}, nil, document.Entry{ID: "d", Body: &table.Body{Function: "f", Distances: true,
		Rows: []table.Row{{X: "0", Y: "0"}, {X: "1", Y: "1.5"}, {X: "1.5", Y: "1.25"}}}})
	dotted := 0
	c := compose.Composer{}
	p := c.Compose(e.Frame(0, 800, 500))
	for r := range picture.Records(p.Live) {
		if picture.Op(r[0]) == picture.Line && picture.Pattern(r[3]) == picture.Dotted {
			dotted++
		}
	}
	assert.Equal(t, 2, dotted)
	var labels []string
	for _, l := range p.Labels {
		labels = append(labels, l.LaTeX)
	}
	assert.ElementsMatch(t, []string{"+0.5", "−1"}, labels)
}

// Keys move a point by steps of the grain; its rows settle in the document as they were left, and it tells where it is.
func TestAPlottedPointIsMovedByKeys(t *testing.T) {
	entry := document.Entry{ID: "d", Body: &table.Body{Grips: true, Rows: []table.Row{{X: "1/2", Y: "0"}, {X: "3", Y: "√2"}}}}
	e := stagetest.Demonstration(t, nil, nil, entry)
	live := e.Shown[0].Live.(*table.Live)
	assert.Equal(t, []string{"2 plotted points."}, live.Describe(e, e.Shown[0].Entry))
	live.Nudge(e, evaluate.Hand{Grip: 0, DX: 1, DY: -2, Grain: 0.5})
	live.Nudge(e, evaluate.Hand{Grip: 9, DX: 1, Grain: 0.5})
	assert.Equal(t, "Plotted point 1 at (1, -1).", strings.ReplaceAll(live.DescribeGrip(0), "−", "-"))
	assert.Empty(t, live.DescribeGrip(2))
	settled := document.Entry{ID: "d", Body: &table.Body{Grips: true, Rows: []table.Row{{X: "1/2", Y: "0"}, {X: "3", Y: "√2"}}}}
	live.Settle(e, &settled)
	rows := settled.Body.(*table.Body).Rows
	assert.Equal(t, "1", rows[0].X)
	assert.Equal(t, table.Row{X: "3", Y: "√2"}, rows[1], "as it was typed")
}

// More points than hands could tell apart are not moved by hand.
func TestManyPlottedPointsHaveNoHandles(t *testing.T) {
	var rows []table.Row
	for i := range table.MaxHandles + 1 {
		rows = append(rows, table.Row{X: strconv.Itoa(i), Y: "0"})
	}
	e := stagetest.Demonstration(t, nil, nil, document.Entry{ID: "d", Body: &table.Body{Grips: true, Rows: rows}})
	assert.False(t, e.Shown[0].Live.(*table.Live).Movable())
	e = stagetest.Demonstration(t, nil, nil, document.Entry{ID: "d", Body: &table.Body{Grips: true, Rows: rows[1:]}})
	assert.True(t, e.Shown[0].Live.(*table.Live).Movable())
}
