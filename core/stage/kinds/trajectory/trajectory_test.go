package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/stagetest"
)

// running loads a trajectory, with r as its radius for a polar one, driven by a dial.
func running(t testing.TB, unit document.AngleUnit, r string, given trajectory.Body, values map[string]float64) (*evaluate.Demonstration, *trajectory.Live) {
	t.Helper()
	d := document.New("")
	d.AngleUnit = unit
	if r != "" {
		d.Stated = append(d.Stated, document.Stated{ID: "r", Kind: document.Function, Name: "r", Variables: []string{"θ"}, Formula: r})
		given.Function = "r"
	}
	for name, v := range values {
		d.Stated = append(d.Stated, document.Stated{ID: "dial" + name, Kind: document.Parameter, Name: name, From: "0", To: "720", Step: "0.1"})
		d.Scenes[0].Values[name] = v
	}
	d.Shown = []document.Entry{{ID: "m", Body: &given}}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e, e.Shown[0].Live.(*trajectory.Live)
}

// On (3 cos t, 2 sin t) the velocity is (−3 sin t, 2 cos t), and the acceleration points to the centre (common practice).
func TestAPointOnAnEllipseHasItsVelocity(t *testing.T) {
	_, m := running(t, document.Radian, "", trajectory.Body{X: "3cos t", Y: "2sin t", From: "0", To: "2π"}, nil)
	assert.True(t, m.Exists())
	assert.InDelta(t, 2*math.Pi, m.At, 1e-12, "without a driver it is run through to its end")
	for _, at := range []float64{0, 0.7, math.Pi / 2, 4} {
		p, v, a := m.Place(at), m.Velocity(at), m.Acceleration(at)
		assert.InDeltaSlice(t, []float64{3 * math.Cos(at), 2 * math.Sin(at)}, []float64{p.X, p.Y}, 1e-12)
		assert.InDeltaSlice(t, []float64{-3 * math.Sin(at), 2 * math.Cos(at)}, []float64{v.X, v.Y}, 1e-12)
		assert.InDeltaSlice(t, []float64{-p.X, -p.Y}, []float64{a.X, a.Y}, 1e-12)
		assert.InDelta(t, p.X, m.Graphs["x"].At(at, m.Inputs()), 1e-12)
		assert.InDelta(t, p.Y, m.Graphs["y"].At(at, m.Inputs()), 1e-12)
	}
	assert.True(t, math.IsNaN(m.Radius(1)), "a parametric curve has no r")
}

// The cardioid r = a(1 + cos θ) passes (2a, 0), (0, a) and the pole, in either unit of angles (common practice).
func TestAPolarCurveIsTheSameInBothUnits(t *testing.T) {
	for unit, turn := range map[document.AngleUnit]float64{document.Radian: 2 * math.Pi, document.Degree: 360} {
		e, m := running(t, unit, "a(1 + cos θ)", trajectory.Body{From: "0", To: map[document.AngleUnit]string{document.Radian: "2π", document.Degree: "360"}[unit]},
			map[string]float64{"a": 1.5})
		assert.True(t, m.Polar)
		assert.Equal(t, "θ", m.Variable())
		for share, want := range map[float64][2]float64{0: {3, 0}, 0.25: {0, 1.5}, 0.5: {0, 0}, 0.75: {0, -1.5}} {
			p := m.Place(share * turn)
			assert.InDeltaSlice(t, want[:], []float64{p.X, p.Y}, 1e-12, "%v at %v", unit, share)
			assert.InDelta(t, 1.5*(1+math.Cos(2*math.Pi*share)), m.Radius(share*turn), 1e-12)
			assert.InDelta(t, 2*math.Pi*share, trajectory.Direction(e, share*turn), 1e-12)
		}
		// Its length is 8a (handbook formula; common practice).
		curve, err := m.Studied(e)
		require.NoError(t, err)
		assert.InDelta(t, 12, curve.Length(0, 2*math.Pi).Value, 1e-9)
		stamp := m.Stamp(e)
		e.Set(0, 2)
		e.Update()
		assert.Greater(t, m.Stamp(e), stamp)
		assert.InDelta(t, 4, m.Place(0).X, 1e-12)
	}
}

// The driver says how far the curve is drawn; it moves no curve, and beyond the ends it is held there.
func TestTheDriverRunsFromEndToEnd(t *testing.T) {
	e, m := running(t, document.Radian, "", trajectory.Body{X: "t", Y: "t²", From: "1", To: "4", Driver: "k"}, map[string]float64{"k": 2})
	stamp := m.Stamp(e)
	for k, want := range map[float64]float64{2: 2, 0: 1, 3.5: 3.5, 9: 4} {
		e.Set(0, k)
		e.Update()
		assert.Equal(t, want, m.At)
	}
	assert.Equal(t, stamp, m.Stamp(e))
	e.Set(0, 2)
	e.Update()
	m.Nudge(e, evaluate.Hand{DX: 2, Grain: 0.1})
	assert.InDelta(t, 2.2, e.Parameters[0].Value, 1e-12, "keys step the driver")
}

// What a polar curve encloses can be told while it runs through few turns, 500 at most, of either unit.
func TestWhatIsEnclosedIsToldForFewTurns(t *testing.T) {
	for to, has := range map[string]bool{"2π": true, "900π": true, "3000π": false} {
		e, m := running(t, document.Radian, "1 + θ", trajectory.Body{From: "0", To: to}, nil)
		assert.Equal(t, has, m.HasOutline(e), to)
	}
	e, m := running(t, document.Degree, "2", trajectory.Body{From: "0", To: "360"}, nil)
	assert.True(t, m.HasOutline(e))
	e, m = running(t, document.Radian, "2", trajectory.Body{From: "3", To: "3"}, nil)
	assert.False(t, m.HasOutline(e), "nothing is run through")
}

func TestATrajectoryIsLabelledAsItIsTyped(t *testing.T) {
	e, _ := running(t, document.Radian, "", trajectory.Body{X: "a cos(t)", Y: "1.5", From: "0", To: "1"}, map[string]float64{"a": 2})
	for _, part := range []string{`\htmlClass{hue-0}{a}`, `\cos(t)`, "1.5"} {
		assert.Contains(t, labelOf(e, true), part)
	}
	assert.Empty(t, labelOf(e, false))
	assert.Equal(t, `x\left(t\right)`, e.Shown[0].Live.(*trajectory.Live).CoordinateLaTeX("x"))
	e, m := running(t, document.Radian, "a θ", trajectory.Body{From: "0", To: "1"}, map[string]float64{"a": 2.5})
	assert.Equal(t, `r=2.5 \theta`, labelOf(e, true), "with the present value")
	assert.Equal(t, "r", labelOf(e, false))
	assert.Equal(t, `r\left(\theta\right)`, m.CoordinateLaTeX("r"))
}

// A curve that cannot be drawn says what it misses.
func TestATrajectoryNamesWhatItMisses(t *testing.T) {
	for code, c := range map[string]trajectory.Body{
		"not-a-parameter": {X: "t", Y: "t", From: "0", To: "1", Driver: "k"},
		"not-a-function":  {Function: "q", From: "0", To: "1"},
		"unfinished":      {X: "t +", Y: "t", From: "0", To: "1"},
	} {
		d := document.New("")
		d.Shown = []document.Entry{{ID: "m", Body: &c}}
		require.NoError(t, d.Check())
		e := evaluate.Load(d, nil)
		assert.Equal(t, code, stagetest.Problems(e)["m"])
		assert.Nil(t, e.Shown[0].Live)
	}
}

// The point of a curve is dragged to where the curve comes nearest to the hand, from where it is: at a crossing it goes on.
func TestTheRunnerFollowsTheHandAlongTheCurve(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaPath)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	path := e.Shown[0].Live.(*trajectory.Live)
	path.Drag(e, evaluate.Hand{X: 3 * math.Cos(1.2), Y: 2*math.Sin(1.2) + 0.1})
	e.Update()
	assert.InDelta(t, 1.2, e.Parameters[e.Find("t")].Value, 0.05)
	path.Drag(e, evaluate.Hand{X: -3})
	e.Update()
	assert.Less(t, e.Parameters[e.Find("t")].Value, 2.0, "it does not jump to the other side")
}

// labelOf is what the label of the curve says, its formula or its name alone.
func labelOf(e *evaluate.Demonstration, formula bool) string {
	e.Shown[0].Entry.Look.Label = document.LabelName
	if formula {
		e.Shown[0].Entry.Look.Label = document.LabelFormula
	}
	return stagetest.Labelled(stagetest.Again(e, 900, 450), e.Shown[0].Entry.ID)
}
