package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// running loads a trajectory, with r as its radius for a polar one, driven by a dial.
func running(t testing.TB, unit document.AngleUnit, r string, given document.Trajectory, values map[string]float64) (*evaluate.Demonstration, *evaluate.Trajectory) {
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
	d.Shown = []document.Shown{{ID: "m", Kind: document.Moving, Trajectory: &given}}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e, e.Shown[0].Trajectory
}

// On (3 cos t, 2 sin t) the velocity is (−3 sin t, 2 cos t), and the acceleration points to the centre (common practice).
func TestAPointOnAnEllipseHasItsVelocity(t *testing.T) {
	_, m := running(t, document.Radian, "", document.Trajectory{X: "3cos t", Y: "2sin t", From: "0", To: "2π"}, nil)
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
		e, m := running(t, unit, "a(1 + cos θ)", document.Trajectory{From: "0", To: map[document.AngleUnit]string{document.Radian: "2π", document.Degree: "360"}[unit]},
			map[string]float64{"a": 1.5})
		assert.True(t, m.Polar)
		assert.Equal(t, "θ", m.Variable())
		for share, want := range map[float64][2]float64{0: {3, 0}, 0.25: {0, 1.5}, 0.5: {0, 0}, 0.75: {0, -1.5}} {
			p := m.Place(share * turn)
			assert.InDeltaSlice(t, want[:], []float64{p.X, p.Y}, 1e-12, "%v at %v", unit, share)
			assert.InDelta(t, 1.5*(1+math.Cos(2*math.Pi*share)), m.Radius(share*turn), 1e-12)
			assert.InDelta(t, 2*math.Pi*share, e.Direction(share*turn), 1e-12)
		}
		// Its length is 8a (handbook formula; common practice).
		curve, err := e.Studied(m)
		require.NoError(t, err)
		assert.InDelta(t, 12, curve.Length(0, 2*math.Pi).Value, 1e-9)
		stamp := e.TrajectoryStamp(m)
		e.Set(0, 2)
		e.Update()
		assert.Greater(t, e.TrajectoryStamp(m), stamp)
		assert.InDelta(t, 4, m.Place(0).X, 1e-12)
	}
}

// The driver says how far the curve is drawn; it moves no curve, and beyond the ends it is held there.
func TestTheDriverRunsFromEndToEnd(t *testing.T) {
	e, m := running(t, document.Radian, "", document.Trajectory{X: "t", Y: "t²", From: "1", To: "4", Driver: "k"}, map[string]float64{"k": 2})
	stamp := e.TrajectoryStamp(m)
	for k, want := range map[float64]float64{2: 2, 0: 1, 3.5: 3.5, 9: 4} {
		e.Set(0, k)
		e.Update()
		assert.Equal(t, want, m.At)
	}
	assert.Equal(t, stamp, e.TrajectoryStamp(m))
	e.Set(0, 2)
	e.Update()
	e.Nudge(e.Shown[0], 2, 0, 0.1)
	assert.InDelta(t, 2.2, e.Parameters[0].Value, 1e-12, "keys step the driver")
}

// What a polar curve encloses can be told while it runs through few turns, 500 at most, of either unit.
func TestWhatIsEnclosedIsToldForFewTurns(t *testing.T) {
	for to, has := range map[string]bool{"2π": true, "900π": true, "3000π": false} {
		e, m := running(t, document.Radian, "1 + θ", document.Trajectory{From: "0", To: to}, nil)
		assert.Equal(t, has, e.HasOutline(m), to)
	}
	e, m := running(t, document.Degree, "2", document.Trajectory{From: "0", To: "360"}, nil)
	assert.True(t, e.HasOutline(m))
	e, m = running(t, document.Radian, "2", document.Trajectory{From: "3", To: "3"}, nil)
	assert.False(t, e.HasOutline(m), "nothing is run through")
}

func TestATrajectoryIsLabelledAsItIsTyped(t *testing.T) {
	e, _ := running(t, document.Radian, "", document.Trajectory{X: "a cos(t)", Y: "1.5", From: "0", To: "1"}, map[string]float64{"a": 2})
	for _, part := range []string{`\htmlClass{hue-0}{a}`, `\cos(t)`, "1.5"} {
		assert.Contains(t, e.TrajectoryLaTeX(e.Shown[0], true), part)
	}
	assert.Empty(t, e.TrajectoryLaTeX(e.Shown[0], false))
	assert.Equal(t, `x\left(t\right)`, e.CoordinateLaTeX(e.Shown[0].Trajectory, "x"))
	e, m := running(t, document.Radian, "a θ", document.Trajectory{From: "0", To: "1"}, map[string]float64{"a": 2.5})
	assert.Equal(t, `r=2.5 \theta`, e.TrajectoryLaTeX(e.Shown[0], true), "with the present value")
	assert.Equal(t, "r", e.TrajectoryLaTeX(e.Shown[0], false))
	assert.Equal(t, `r\left(\theta\right)`, e.CoordinateLaTeX(m, "r"))
}

// A curve that cannot be drawn says what it misses.
func TestATrajectoryNamesWhatItMisses(t *testing.T) {
	for code, c := range map[string]document.Trajectory{
		"not-a-parameter": {X: "t", Y: "t", From: "0", To: "1", Driver: "k"},
		"not-a-function":  {Function: "q", From: "0", To: "1"},
		"unfinished":      {X: "t +", Y: "t", From: "0", To: "1"},
	} {
		d := document.New("")
		d.Shown = []document.Shown{{ID: "m", Kind: document.Moving, Trajectory: &c}}
		require.NoError(t, d.Check())
		e := evaluate.Load(d, nil)
		assert.Equal(t, code, problems(e)["m"])
		assert.False(t, e.Shown[0].Ready())
	}
}

// Beside its circle the graph has as many pixels to a unit, so that equal lengths look equal; in degrees up and down only.
func TestTheGraphBesideACircleHasItsScale(t *testing.T) {
	for _, unit := range []document.AngleUnit{document.Radian, document.Degree} {
		e := turning(t, edit.IdeaCircle, unit)
		round, plane := -1, -1
		for i, p := range e.Document.Panels {
			switch p.Kind {
			case document.Around:
				round = i
			case document.Plane:
				plane = i
			}
		}
		require.GreaterOrEqual(t, round, 0)
		require.GreaterOrEqual(t, plane, 0)
		e.SetSize(round, 400, 400)
		e.SetSize(plane, 700, 300)
		perUnit := func(i int) (x, y float64) {
			size := map[int][2]float64{round: {400, 400}, plane: {700, 300}}[i]
			w := e.Panel(i).Window
			return size[0] / (w.Right - w.Left), size[1] / (w.Top - w.Bottom)
		}
		equal := func() {
			t.Helper()
			_, around := perUnit(round)
			x, y := perUnit(plane)
			assert.InDelta(t, around, y, 1e-9)
			if unit == document.Radian {
				assert.InDelta(t, around, x, 1e-9)
			}
		}
		equal()
		w := e.Panel(plane).Window
		middle, half := (w.Bottom+w.Top)/2, (w.Top-w.Bottom)/4
		e.SetWindow(plane, document.Window{Left: w.Left, Right: w.Right, Bottom: middle - half, Top: middle + half})
		_, y := perUnit(plane)
		assert.InDelta(t, 300/(2*half), y, 1e-9, "zoomed to the double")
		equal()
	}
}
