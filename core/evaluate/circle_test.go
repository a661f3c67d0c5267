package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/document"
	"parvix/core/edit"
	"parvix/core/evaluate"
)

func turning(t testing.TB, idea edit.Idea, unit document.AngleUnit) *evaluate.Demonstration {
	t.Helper()
	empty := document.New("")
	empty.AngleUnit = unit
	d, err := edit.Begin(empty, idea)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e
}

// A hand that goes round takes the angle on over several turns, either way, and stops at the dial's ends; near a multiple of
// 15° it snaps to it exactly.
func TestADraggedAngleWindsAndSnaps(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Radian)
	circle, dial := e.Shown[0], e.Find("θ")
	drag := func(degrees float64) float64 {
		sin, cos := math.Sincos(degrees * math.Pi / 180)
		e.DragAngle(circle, 0.7*cos, 0.7*sin, 0.01) // anywhere on the ray
		e.Update()
		return e.Parameters[dial].Value
	}
	assert.InDelta(t, 50*math.Pi/180, drag(50.2), 1e-9, "on the dial's steps of a degree")
	assert.Equal(t, math.Pi/3, drag(61.5), "exactly 60°")
	for _, d := range []float64{150, 260, 350, 440} {
		drag(d)
	}
	assert.InDelta(t, 440*math.Pi/180, e.Parameters[dial].Value, 1e-9, "on past a whole turn")
	least := 0.0
	for d := 400.0; d >= -700; d -= 90 {
		least = math.Min(least, drag(d))
	}
	assert.InDelta(t, -2*math.Pi, least, 1e-12, "as far as the dial's end, and no further")
	e.DragAlong(circle, 1.55, 0.01)
	assert.InDelta(t, math.Pi/2, e.Parameters[dial].Value, 1e-15, "along the axis of the graph it snaps too")
	e.DragAlong(circle, 1.3, 0.001)
	assert.InDelta(t, 1.3, e.Parameters[dial].Value, math.Pi/360+1e-12)
}

// In degrees the same; where the angle is b(t − h) the time moves so that the point comes under the hand.
func TestADraggedAngleMovesWhatTurnsIt(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Degree)
	e.DragAngle(e.Shown[0], 0, 1, 0.01)
	assert.Equal(t, 90.0, e.Parameters[e.Find("θ")].Value)
	e = turning(t, edit.IdeaWave, document.Radian)
	wave := e.Shown[0]
	e.DragAngle(wave, 0, 2, 0.01) // straight above the centre (0, 1/2)
	e.Update()
	assert.InDelta(t, math.Pi/4, e.Parameters[e.Find("t")].Value, 1e-12, "b = 2: a quarter turn in an eighth")
	assert.InDelta(t, math.Pi/2, wave.Circle.Angle.Radians, 1e-12)
}

// The point of a curve is dragged to where the curve comes nearest to the hand, from where it is: at a crossing it goes on.
func TestTheRunnerFollowsTheHandAlongTheCurve(t *testing.T) {
	e := turning(t, edit.IdeaPath, document.Radian)
	path := e.Shown[0]
	e.DragRunner(path, 3*math.Cos(1.2), 2*math.Sin(1.2)+0.1)
	e.Update()
	assert.InDelta(t, 1.2, e.Parameters[e.Find("t")].Value, 0.05)
	e.DragRunner(path, -3, 0)
	e.Update()
	assert.Less(t, e.Parameters[e.Find("t")].Value, 2.0, "it does not jump to the other side")
}
