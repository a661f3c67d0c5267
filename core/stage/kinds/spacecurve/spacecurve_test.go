package spacecurve_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// run is a curve in space that a point runs through with the dial t.
func run(t *testing.T, body spacecurve.Body, parts ...spacecurve.SpacePiece) *evaluate.Demonstration {
	t.Helper()
	d := document.New("")
	d.Panels[0] = document.Panel{ID: "space1", Kind: document.InSpace, Window: document.Window{Left: -3, Right: 3, Bottom: -3, Top: 3, Space: document.FirstSight}, Axes: true,
		TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Parameter, Name: "t", From: "-4", To: "14", Step: "0.01"}}
	d.Scenes[0].Values["t"] = 1
	body.Variable = "t"
	d.Shown = []document.Entry{{ID: "s2", Body: &body}}
	for _, piece := range parts {
		d.Shown = append(d.Shown, document.Entry{ID: "b" + string(piece), Look: document.Look{Colour: 2}, Body: &spacecurve.PartBody{Of: "s2", Piece: piece}})
	}
	return stagetest.Loaded(t, d)
}

func hole() spacecurve.Body {
	return spacecurve.Body{X: "sin t", Y: "cos t", Z: "(e^t − 1)/t", From: "-3", To: "2", Driver: "t"}
}

// (e^t − 1)/t tends to 1 at 0: an open ring stands at (0, 1, 1), and the description tells it.
func TestAHoleIsDrawnAsAnOpenRing(t *testing.T) {
	e := run(t, hole())
	p := stagetest.Again(e, 700, 500)
	seen := view.Seen(e.Panel(0), 700, 500)
	at := seen.Projection.Pixel(view.Place{0, 1, 1})
	rings := 0
	for r := range picture.Records(p.Live) {
		if picture.Op(r[0]) == picture.Marker && picture.Shape(r[2]) == picture.Ring {
			rings++
			assert.InDelta(t, at[0], r[3], 0.01)
			assert.InDelta(t, at[1], r[4], 0.01)
		}
	}
	assert.Equal(t, 1, rings)
	assert.Contains(t, compose.Describe(e.Frame(0, 700, 500)), "It has a hole at 0, 1, 1, for t equals 0.")
}

// Pieces take the hues in turn; what has not been run through yet is faint.
func TestPiecesHaveColoursAndTheRestIsFaint(t *testing.T) {
	body := hole()
	body.Pieces = true
	e := run(t, body)
	lines := map[picture.Colour][]float32{}
	for r := range picture.Records(stagetest.Again(e, 700, 500).Live) {
		if picture.Op(r[0]) == picture.Line && picture.Colour(r[1]) < 8 {
			lines[picture.Colour(r[1])] = append(lines[picture.Colour(r[1])], r[4])
		}
	}
	require.Contains(t, lines, picture.Colour(0))
	require.Contains(t, lines, picture.Colour(1))
	assert.NotContains(t, lines[0], float32(compose.Faint), "the first piece has been run through")
	assert.Contains(t, lines[1], float32(compose.Faint), "the point stands at 1 of 2")
	assert.Contains(t, lines[1], float32(1))
}

// A helix (cos t, sin t, t/2) has speed √(1 + 1/4) and curvature 1/(1 + 1/4) everywhere (common practice).
func TestAHelixHasOneSpeedAndOneCurvature(t *testing.T) {
	e := run(t, spacecurve.Body{X: "cos t", Y: "sin t", Z: "t/2", From: "0", To: "4π", Driver: "t"}, spacecurve.Velocity, spacecurve.Osculating, spacecurve.TangentAt, spacecurve.Shadows)
	l := e.Shown[0].Live.(*spacecurve.Live)
	for _, at := range []float64{0.1, 2, 9} {
		m := l.Motion(at)
		assert.InDelta(t, math.Sqrt(1.25), m.Velocity.Length(), 1e-12)
		assert.InDelta(t, 0.8, m.Curvature(), 1e-12)
	}
	said := compose.Describe(e.Frame(0, 700, 500))
	assert.Contains(t, said, "Its speed is 1.118.")
	assert.Contains(t, said, "Its radius of curvature is 1.25.")
	assert.Equal(t, `\rho=1.25`, stagetest.Labelled(stagetest.Again(e, 700, 500), "bosculating"))
}

// A hand leads the point along the curve to where it is seen nearest.
func TestThePointIsLedAlongTheCurve(t *testing.T) {
	e := run(t, spacecurve.Body{X: "2cos t", Y: "2 sin t", Z: "t/4", From: "0", To: "12", Driver: "t"})
	v := view.Seen(e.Panel(0), 700, 500)
	at := v.Projection.Pixel(view.Place{2 * math.Cos(1.6), 2 * math.Sin(1.6), 0.4})
	e.Drag(0, evaluate.Hand{Panel: e.Panel(0), View: v, PX: at[0], PY: at[1]})
	assert.InDelta(t, 1.6, e.Parameters[0].Value, 0.02)
	e.Nudge(0, evaluate.Hand{DX: 5})
	assert.InDelta(t, 1.65, e.Parameters[0].Value, 0.02)
	bad := run(t, hole()).Document
	bad.Shown[0].Body.(*spacecurve.Body).Driver = "k"
	assert.Equal(t, "not-a-parameter", stagetest.Problems(evaluate.Load(bad, nil))["s2"])
}

// The findings tell the hole with its limit, where the planes are met, and that the curve never closes (worked by hand: cos t = 0 at ±π/2).
func TestFindingsOfACurveInSpace(t *testing.T) {
	e := run(t, hole())
	lines, err := e.Shown[0].Live.(*spacecurve.Live).Findings(e)
	require.NoError(t, err)
	told := map[string]string{}
	for _, l := range lines {
		told[l.Name] = l.LaTeX
	}
	assert.Equal(t, `t=0:\;(0,\,1,\,1)\text{ from both sides}`, told["hole"])
	assert.Equal(t, `\text{never}`, told["closes"])
	assert.Contains(t, told["meets the xz-plane"], "(−1,\\,0,\\,0.5)")
	assert.NotContains(t, told, "meets the xy-plane")
	assert.Contains(t, told, "speed at its point")
}
