package evaluate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/document"
)

// The vertex of a(x − h)² + k is (h, k); the point beside it at x = h + 1 lies a above it (common practice).
func TestACurveIsMovedAndStretchedByItsKeyPoints(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "a(x − h)² + k"}, map[string]float64{"a": 1, "h": 0, "k": 0},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	curve := e.Shown[0]
	require.Len(t, curve.Grips, 2)
	e.DragGrip(curve, 0, 2.04, -1.31)
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value, "on the dial's steps")
	assert.InDelta(t, -1.3, e.Parameters[e.Find("k")].Value, 1e-12)
	e.DragGrip(curve, 1, 3, 1.7)
	assert.InDelta(t, 3, e.Parameters[e.Find("a")].Value, 1e-12)
	e.PlaceGrips(curve)
	assert.InDelta(t, 2, curve.Grips[0].X, 1e-12)
	assert.InDelta(t, -1.3, curve.Grips[0].Y, 1e-12)
	e.DragGrip(curve, 7, 0, 0) // there is no such grip
	assert.Equal(t, 2.0, e.Parameters[e.Find("h")].Value)

	plain := demonstration(t, map[string]string{"f": "(x − 1)² + 2"}, nil, document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	assert.Empty(t, plain.Shown[0].Grips, "without dials there is nothing to move")
	wave := demonstration(t, map[string]string{"f": "a sin(b(x − h))"}, map[string]float64{"a": 1, "b": 1, "h": 0},
		document.Shown{ID: "c", Kind: document.Curve, Function: "f", Grips: true})
	wave.DragGrip(wave.Shown[0], 1, 0.7853981633974483, 2)
	assert.InDelta(t, 2, wave.Parameters[wave.Find("a")].Value, 1e-12)
	assert.InDelta(t, 2, wave.Parameters[wave.Find("b")].Value, 1e-12, "half as wide, twice as fast")
}
