package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// The vertex of a(x − h)² + k is (h, k); the point beside it at x = h + 1 lies a above it (common practice).
func TestACurveIsMovedAndStretchedByItsKeyPoints(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "a(x − h)² + k"}, map[string]float64{"a": 1, "h": 0, "k": 0},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	curve := e.Shown[0]
	require.Len(t, curve.Grips, 2)
	e.DragGrip(curve, 0, 2.04, -1.31, 0.1)
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value, "on the dial's steps")
	assert.InDelta(t, -1.3, e.Parameters[e.Find("k")].Value, 1e-12)
	e.DragGrip(curve, 1, 3, 1.7, 0.1)
	assert.InDelta(t, 3, e.Parameters[e.Find("a")].Value, 1e-12)
	e.PlaceGrips(curve)
	assert.InDelta(t, 2, curve.Grips[0].X, 1e-12)
	assert.InDelta(t, -1.3, curve.Grips[0].Y, 1e-12)
	e.DragGrip(curve, 7, 0, 0, 0.1) // there is no such grip
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value)

	plain := demonstration(t, map[string]string{"f": "(x − 1)² + 2"}, nil, document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	assert.Empty(t, plain.Shown[0].Grips, "without dials there is nothing to move")
	wave := demonstration(t, map[string]string{"f": "a sin(b(x − h))"}, map[string]float64{"a": 1, "b": 1, "h": 0},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	wave.DragGrip(wave.Shown[0], 1, 0.7853981633974483, 2, 0.1)
	assert.InDelta(t, 2, wave.Parameters[wave.Find("a")].Value, 1e-12)
	assert.InDelta(t, 2, wave.Parameters[wave.Find("b")].Value, 1e-12, "half as wide, twice as fast")
}

// A plotted point that lies wrong is taken to its place by hand; the others stay as they were typed.
func TestAPlottedPointIsMovedByHand(t *testing.T) {
	rows := []document.Row{{X: "0", Y: "0"}, {X: "1/3", Y: "1/2"}}
	e := demonstration(t, nil, nil, document.Shown{ID: "d", Kind: document.Table, Rows: rows, Grips: true},
		document.Shown{ID: "e", Kind: document.Table, Rows: rows})
	table := e.Shown[0]
	e.DragGrip(table, 0, 1.04, 2.27, 0.1)
	x, y, ok := table.GripAt(0)
	assert.True(t, ok)
	assert.Equal(t, [2]float64{1, 2.3}, [2]float64{x, y}, "on the grain of the window")
	assert.Equal(t, []document.Row{{X: "1", Y: "2.3"}, {X: "1/3", Y: "1/2"}}, table.Table.Rows(e))
	_, _, ok = e.Shown[1].GripAt(0)
	assert.False(t, ok, "a table that is not to be moved has no handles")
}

// While presenting, what is shown is covered and revealed without a trace in the scenes.
func TestAnEntryIsCoveredAndRevealedInPlay(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "x"}, nil, document.Shown{ID: "c", Kind: document.Curve, Function: "f"},
		document.Shown{ID: "d", Kind: document.Guide, Direction: document.Level, At: "1"})
	e.Document.Scenes[0].Hidden = []string{"d"}
	for _, s := range e.Shown {
		e.Turn(s)
	}
	assert.False(t, e.InScene(e.Shown[0]), "covered")
	assert.True(t, e.InScene(e.Shown[1]), "revealed")
	e.BeginScene(0)
	assert.True(t, e.InScene(e.Shown[0]), "a scene begins as it was kept")
	assert.False(t, e.InScene(e.Shown[1]))
	assert.Equal(t, []string{"d"}, e.Document.Scenes[0].Hidden)
}
