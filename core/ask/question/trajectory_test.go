package question_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// The cardioid: 2π, 3π/2, 8 (Bronstein); in degrees the same curve closes after 360.
func TestPolarCurvesAreAnswered(t *testing.T) {
	for _, line := range []string{`{"ask":"polar","r":"1 + cos(theta)"}`, `{"ask":"polar","r":"1 + cos t"}`, `{"ask":"polar","r":"a(1 + cos θ)","with":{"a":1},"from":0,"to":"2pi"}`} {
		a := circleAnswer(t, line)
		require.NotContains(t, a, "error", line)
		assert.InDelta(t, 2*math.Pi, a["closing"], 1e-12)
		assert.Equal(t, "2 pi", a["closingExact"])
		assert.InDelta(t, 1.5*math.Pi, a["area"], 1e-9)
		assert.InDelta(t, 8, a["length"], 1e-9)
		assert.InDelta(t, -0.25, a["box"].(map[string]any)["left"], 1e-9)
		assert.NotEmpty(t, a["lines"])
	}
	a := circleAnswer(t, `{"ask":"polar","r":"1 + cos θ","angleUnit":"degree","step":90}`)
	assert.InDelta(t, 360, a["closing"], 1e-9)
	assert.InDelta(t, 1.5*math.Pi, a["area"], 1e-9)
	rows := a["table"].([]any)
	require.Len(t, rows, 5)
	assert.InDelta(t, 90, rows[1].(map[string]any)["theta"], 1e-12)
	assert.InDelta(t, 1, rows[1].(map[string]any)["r"], 1e-12)
	assert.InDelta(t, -0, rows[2].(map[string]any)["r"], 1e-12, "the cusp")
	a = circleAnswer(t, `{"ask":"polar","r":"θ","from":0,"to":"2pi"}`)
	assert.Nil(t, a["closing"], "a spiral never closes")
	assert.InDelta(t, 4*math.Pow(math.Pi, 3)/3, a["area"], 1e-9)
	a = circleAnswer(t, `{"ask":"polar","r":"√(cos(2θ))","step":"pi/2"}`)
	assert.Equal(t, "undefined", a["table"].([]any)[1].(map[string]any)["r"])
	assert.Len(t, a["lines"], 3, "the gaps break the line")
}

// The cycloid's arch: 3π and 8; the astroid: 3π/8 and 6; a helix has no area (Bronstein).
func TestParametricCurvesAreAnswered(t *testing.T) {
	a := circleAnswer(t, `{"ask":"parametric","x":"t − sin t","y":"1 − cos t","from":0,"to":"2π","step":"π/6"}`)
	require.NotContains(t, a, "error")
	assert.Nil(t, a["closing"])
	assert.InDelta(t, 3*math.Pi, a["area"], 1e-9)
	assert.InDelta(t, 8, a["length"], 1e-9)
	assert.Len(t, a["table"], 13)
	a = circleAnswer(t, `{"ask":"parametric","x":"cos^3 t","y":"sin^3 t"}`)
	assert.InDelta(t, 3*math.Pi/8, a["area"], 1e-9)
	assert.InDelta(t, 6, a["length"], 1e-9)
	a = circleAnswer(t, `{"ask":"parametric","x":"cos t","y":"sin t","z":"t/2","from":0,"to":"2π"}`)
	assert.Nil(t, a["area"])
	assert.InDelta(t, 2*math.Pi*math.Sqrt(1.25), a["length"], 1e-9)
	assert.InDelta(t, math.Pi, a["box"].(map[string]any)["high"], 1e-9)
	for _, wrong := range []string{`{"ask":"polar"}`, `{"ask":"polar","r":"a cos t"}`, `{"ask":"parametric","x":"t","y":"1 +"}`, `{"ask":"parametric","x":[1],"y":"t"}`,
		`{"ask":"polar","r":"1","from":2,"to":1}`, `{"ask":"polar","r":"1","step":0}`, `{"ask":"polar","r":"1","step":"1/100000"}`} {
		assert.Contains(t, circleAnswer(t, wrong), "error", wrong)
	}
}

// What is drawn lies on the curve, as finely as it bends: between two points it leaves the chord by less than a half pixel
// of a picture 1000 pixels wide.
func TestTheLinesOfACurveAreFine(t *testing.T) {
	a := circleAnswer(t, `{"ask":"polar","r":"2 + cos(24θ/5)"}`)
	require.Len(t, a["lines"], 1)
	points := a["lines"].([]any)[0].([]any)
	const halfPixel = 0.5 * 6 / 1000
	angle := 0.0
	for i := 1; i < len(points); i++ {
		p, q := points[i-1].([]any), points[i].([]any)
		x1, y1, x2, y2 := p[0].(float64), p[1].(float64), q[0].(float64), q[1].(float64)
		step := math.Remainder(math.Atan2(y2, x2)-math.Atan2(y1, x1), 2*math.Pi)
		x, y := (x1+x2)/2, (y1+y2)/2
		middle := angle + math.Remainder(math.Atan2(y, x)-math.Atan2(y1, x1), 2*math.Pi)
		require.InDelta(t, 2+math.Cos(24*middle/5), math.Hypot(x, y), 2*halfPixel, "half way between two points, along the ray")
		angle += step
	}
	assert.InDelta(t, 10*math.Pi, angle, 1e-6, "the whole curve, five turns")
}
