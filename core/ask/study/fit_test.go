package study_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/trajectory"
)

// Where the outermost places of curves lie that a point runs through (worked by hand): the cardioid 1 + cos θ reaches from −1/4
// to 2 and ±3√3/4 up and down, the rose sin 2θ ±4/(3√3) each way, the ellipse fills its axes.
func TestFitHoldsWholeCurvesThatAPointRunsThrough(t *testing.T) {
	for statement, reach := range map[string][4]float64{
		"r = 1 + cos θ":      {-0.25, 2, -3 * math.Sqrt(3) / 4, 3 * math.Sqrt(3) / 4},
		"r = 20(1 + cos θ)":  {-5, 40, -15 * math.Sqrt(3), 15 * math.Sqrt(3)},
		"r = 0.1 sin(2θ)":    {-0.4 / math.Sqrt(27), 0.4 / math.Sqrt(27), -0.4 / math.Sqrt(27), 0.4 / math.Sqrt(27)},
		"r = 1/(1 − 2cos θ)": {-1, 1, -1, 1},
	} {
		d := demonstration(t, false, statement)
		w := study.Fit(d, panel(d), 800, 800).Window
		assert.True(t, w.Left < reach[0] && w.Right > reach[1] && w.Bottom < reach[2] && w.Top > reach[3], "%s: %+v", statement, w)
		if statement != "r = 1/(1 − 2cos θ)" {
			size := math.Max(reach[1]-reach[0], reach[3]-reach[2])
			assert.Less(t, math.Max(w.Right-w.Left, w.Top-w.Bottom), 2*size, "%s: no more room than it needs", statement)
		}
	}
	path, err := edit.Put(document.New(""), document.Entry{Body: &trajectory.Body{X: "100 + 3cos t", Y: "2 sin t", Variable: "t", From: "0", To: "2π"}})
	require.NoError(t, err)
	d := evaluate.Load(path, nil)
	w := study.Fit(d, panel(d), 800, 500).Window
	assert.True(t, w.Left < 97 && w.Left > 90 && w.Right > 103 && w.Right < 110 && w.Bottom < -2 && w.Top > 2, "%+v", w)
}

// A circle stands in the middle of its panel, and its graph shows one turn: 2π, or 360 in degrees.
func TestFitShowsACircleAndATurnOfItsGraph(t *testing.T) {
	for _, unit := range []document.AngleUnit{document.Radian, document.Degree} {
		before := document.New("")
		before.AngleUnit = unit
		with, err := edit.AddCircle(before, circle.Body{Driver: "θ", Radius: "1"}, false)
		require.NoError(t, err)
		d := evaluate.Load(with, nil)
		around := study.Fit(d, &d.Document.Panels[0], 500, 500).Window
		assert.True(t, around.Left < -1.2 && around.Right > 1.2 && around.Bottom < -1.2 && around.Top > 1.2, "%+v", around)
		assert.InDelta(t, 0, around.Left+around.Right, 1e-12)
		graph := study.Fit(d, &d.Document.Panels[1], 700, 500).Window
		turn := map[document.AngleUnit]float64{document.Radian: 2 * math.Pi, document.Degree: 360}[unit]
		assert.True(t, graph.Left < 0 && graph.Right > turn && graph.Right < 1.3*turn, "%s: %+v", unit, graph)
	}
}

// A function of which no findings can be told in time is still shown: a sum of two hundred terms.
func TestFitShowsWhatIsTooLongToStudy(t *testing.T) {
	d := demonstration(t, false, "f(x) = 40 + sum(sin(k x)/k² for k from 1 to 200)")
	_, err := study.Of(d, d.Function("f"), 0, 0)
	require.Error(t, err)
	w := study.Fit(d, panel(d), 800, 500).Window
	assert.True(t, w.Bottom < 39.5 && w.Top > 40.5 && w.Top < 50, "%+v", w)
}

// A curve without a value anywhere, and a panel with nothing on it, get the window of a new demonstration or one of its size.
func TestFitOfNothingIsAUsefulWindow(t *testing.T) {
	for _, statements := range [][]string{nil, {"f(x) = √(−1 − x²)"}} {
		d := demonstration(t, false, statements...)
		w := study.Fit(d, panel(d), 800, 500).Window
		assert.True(t, w.Left < 0 && w.Right > 0 && w.Bottom < 0 && w.Top > 0, "%v: %+v", statements, w)
		assert.Less(t, w.Right-w.Left, 100.0)
	}
}

// Of a logarithm or an exponential function the part near its bend is shown, with its asymptote, not a zero at e⁷ or at 10¹² + 2.
func TestFitShowsTheBendOfLogarithmsAndExponentials(t *testing.T) {
	for formula, c := range map[string]struct {
		holds  [][2]float64
		widest float64
	}{
		"7 − ln x":        {[][2]float64{{0, 5}, {1, 7}, {math.E, 6}, {math.E * math.E, 5}}, 14},
		"lg(x − 2)/3 − 4": {[][2]float64{{2, -4}, {3, -4}, {12, -11.0 / 3}}, 130},
		"2·3^(x − 4) + 1": {[][2]float64{{4, 3}, {5, 7}, {6, 19}}, 14},
		"e^(−x)":          {[][2]float64{{0, 1}, {-1, math.E}}, 14},
		"2|4 − x|":        {[][2]float64{{4, 0}, {0, 8}, {6, 4}}, 16},
	} {
		d := demonstration(t, false, "f(x) = "+formula)
		w := study.Fit(d, panel(d), 900, 500).Window
		for _, p := range c.holds {
			assert.True(t, w.Left < p[0] && p[0] < w.Right && w.Bottom < p[1] && p[1] < w.Top, "%s: %v in %+v", formula, p, w)
		}
		assert.Less(t, w.Right-w.Left, c.widest, "%s: %+v", formula, w)
	}
}

// The ends of a fitted window are numbers that a person would type.
func TestFittedEndsAreRound(t *testing.T) {
	for _, formula := range []string{"x² − 3", "7 − ln x", "1/(x − 1)", "0.003x³", "5000 − x²"} {
		d := demonstration(t, false, "f(x) = "+formula)
		w := study.Fit(d, panel(d), 900, 500).Window
		for _, v := range []float64{w.Left, w.Right, w.Bottom, w.Top} {
			assert.LessOrEqual(t, len(strings.Trim(strings.TrimLeft(strings.ReplaceAll(fmt.Sprintf("%g", math.Abs(v)), ".", ""), "0"), "0")), 3, "%s: %v", formula, v)
		}
	}
	d := demonstration(t, false, "f(x) = sin x")
	p := *panel(d)
	p.TicksX = document.TicksInPi
	w := study.Fit(d, &p, 900, 500).Window
	assert.InDelta(t, math.Round(w.Right/(math.Pi/4)), w.Right/(math.Pi/4), 1e-9, "multiples of a part of π")
}

// Equal scales are kept as long as they show a curve: a parabola through (±3, 0), but not 1000 − x²/10 nor x/1000.
func TestFitGivesUpEqualScalesOnlyWhereTheyShowALine(t *testing.T) {
	for formula, equal := range map[string]bool{"9 − x²": true, "1000 − 0.1x²": false, "800/(1 + 39e^(−0.3x))": false, "√(16 − x²)": true} {
		d := demonstration(t, false, "f(x) = "+formula)
		p := *panel(d)
		p.EqualScales = true
		assert.Equal(t, equal, study.Fit(d, &p, 900, 500).EqualScales, formula)
	}
}

// What is fitted is roomy: nothing of interest stands on the edge. The zeros of (x − p)(x − q) are p and q.
func TestFitLeavesRoomAtTheEdges(t *testing.T) {
	for _, z := range [][2]float64{{1, 4}, {-200, 300}, {0.01, 0.02}, {1e5, 1e5 + 1}} {
		d := demonstration(t, false, fmt.Sprintf("f(x) = (x − %v)(x + %v)", z[0], -z[1]))
		w := study.Fit(d, panel(d), 900, 500).Window
		room := 0.05 * (w.Right - w.Left)
		assert.True(t, w.Left < z[0]-room && w.Right > z[1]+room, "%v in %+v", z, w)
		lowest := -(z[1] - z[0]) * (z[1] - z[0]) / 4
		assert.Less(t, w.Bottom, lowest-0.05*(w.Top-w.Bottom), "%v in %+v", lowest, w)
	}
}
