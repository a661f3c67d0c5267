package evaluate_test

import (
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
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

// What is said of special angles: 7π/6 is 210° and its tangent √3/3 (Abramowitz & Stegun 4.3.46); a ratio without a value says
// why in the words of the trade.
func TestAnAngleAndItsRatiosAreSaidExactly(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Radian)
	c := e.Shown[0].Circle
	at := func(radians float64) {
		e.Set(e.Find("θ"), radians)
		e.Update()
	}
	at(7 * math.Pi / 6)
	assert.Equal(t, `\frac{7 \pi}{6}={210}^{\circ}`, evaluate.BothLaTeX(c.Angle))
	assert.Contains(t, e.AngleLaTeX(c), `\frac{7 \pi}{6}={210}^{\circ}\approx 3.67`)
	for f, words := range map[circle.Function]string{circle.Sine: `=-\frac{1}{2}`, circle.Cosine: `=-\frac{\sqrt{3}}{2}\approx −0.87`,
		circle.Tangent: `=\frac{\sqrt{3}}{3}\approx 0.58`, circle.Cosecant: `=-2`} {
		text, reason := e.RatioLaTeX(c, f)
		assert.Contains(t, text, words)
		assert.Empty(t, reason)
	}
	assert.Contains(t, evaluate.ProportionLaTeX(c, circle.Tangent, `\theta`), `\dfrac{{0.58}}{1}=\dfrac{{−0.5}}{{−0.87}}`, "as similar triangles")
	assert.Contains(t, evaluate.ProportionLaTeX(c, circle.Secant, `\theta`), `\dfrac{{−1.15}}{1}=\dfrac{{1}}{{−0.87}}`)
	assert.Empty(t, evaluate.ProportionLaTeX(c, circle.Sine, `\theta`), "a leg of the triangle itself")
	at(math.Pi / 2)
	text, reason := e.RatioLaTeX(c, circle.Tangent)
	assert.Contains(t, text, "is undefined")
	assert.Contains(t, reason, "parallel to the x-axis", "the tangent from the point never comes to the axis")
	at(1)
	assert.Equal(t, `1\approx {57.3}^{\circ}`, evaluate.BothLaTeX(c.Angle), "no multiple of π that anybody knows")
	text, _ = e.RatioLaTeX(c, circle.Sine)
	assert.Contains(t, text, `\approx 0.84`)
	at(0)
	assert.Contains(t, e.AngleLaTeX(c), `=0={0}^{\circ}`)
	assert.NotContains(t, e.AngleLaTeX(c), `\approx`)
}

func TestMultiplesOfPiAreWrittenAsATextbookDoes(t *testing.T) {
	for text, r := range map[string]*big.Rat{"0": big.NewRat(0, 1), `\pi`: big.NewRat(1, 1), `-\pi`: big.NewRat(-1, 1), `2 \pi`: big.NewRat(2, 1),
		`\frac{\pi}{6}`: big.NewRat(1, 6), `-\frac{7 \pi}{6}`: big.NewRat(-7, 6), `\frac{3 \pi}{2}`: big.NewRat(6, 4)} {
		assert.Equal(t, text, evaluate.PiLaTeX(r))
	}
}
