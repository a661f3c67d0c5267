package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/trajectory"
)

func parsed(t testing.TB, text, variable string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, (&expr.Scope{}).With(variable))
	require.NoError(t, err, text)
	return f.Node
}

func polar(t testing.TB, r string) *trajectory.Curve {
	t.Helper()
	c, err := trajectory.Polar(parsed(t, r, "θ"), "θ")
	require.NoError(t, err, r)
	return c
}

func parametric(t testing.TB, coordinates ...string) *trajectory.Curve {
	t.Helper()
	nodes := []expr.Node{nil, nil, nil}
	for i, text := range coordinates {
		nodes[i] = parsed(t, text, "t")
	}
	c, err := trajectory.Parametric(nodes[0], nodes[1], nodes[2], "t")
	require.NoError(t, err, coordinates)
	return c
}

const none = -1 // no value is given

// The sources: B Bronstein and others, Handbook of Mathematics, plane curves; L J. D. Lawrence, A Catalog of Special Plane
// Curves (1972); E an elliptic integral computed with mpmath 1.3.0 (20 digits); C common practice, worked by hand.
var polarCurves = []struct {
	r             string
	closing       float64 // 0 for one that does not close
	from, to      float64 // both 0 for the closing interval
	area, length  float64
	name, sources string
}{
	{"2", 2 * math.Pi, 0, 0, 4 * math.Pi, 4 * math.Pi, "circle", "C"},
	{"2cos θ", math.Pi, 0, 0, math.Pi, 2 * math.Pi, "circle through the pole, run through in half a turn", "C"},
	{"1 + cos θ", 2 * math.Pi, 0, 0, 1.5 * math.Pi, 8, "cardioid: 3πa²/2, 8a", "B, L"},
	{"3(1 − sin θ)", 2 * math.Pi, 0, 0, 13.5 * math.Pi, 24, "cardioid", "B, L"},
	{"2 + cos θ", 2 * math.Pi, 0, 0, 4.5 * math.Pi, 13.36489322055496, "limaçon: (2b² + a²)π/2, 4(a + b)E", "L, E"},
	{"1 + 2cos θ", 2 * math.Pi, 0, 0, 3 * math.Pi, 13.36489322055496, "limaçon with a loop, the loop swept twice", "L, E"},
	{"cos(2θ)", 2 * math.Pi, 0, 0, math.Pi / 2, 9.688448220547675, "rose of four petals: πa²/2, 4E(−3)", "L, E"},
	{"cos(3θ)", math.Pi, 0, 0, math.Pi / 4, 6.682446610277196, "rose of three petals: πa²/4, 2E(−8)", "L, E"},
	{"sin(4θ)", 2 * math.Pi, 0, 0, math.Pi / 2, none, "rose of eight petals", "L"},
	{"2sin(5θ)", math.Pi, 0, 0, math.Pi, none, "rose of five petals", "L"},
	{"cos(2θ/3)", 6 * math.Pi, 0, 0, 1.5 * math.Pi, none, "rose with k = 2/3", "C"},
	{"cos(θ/3)", 3 * math.Pi, 0, 0, 0.75 * math.Pi, none, "rose with k = 1/3, a limaçon trisectrix", "C"},
	{"cos(3θ/5)", 5 * math.Pi, 0, 0, 1.25 * math.Pi, none, "rose with k = 3/5", "C"},
	{"cos(θ/2)", 4 * math.Pi, 0, 0, math.Pi, none, "rose with k = 1/2, Dürer's folium", "L"},
	{"2 + cos(5θ)", 2 * math.Pi, 0, 0, 4.5 * math.Pi, none, "a flower", "C"},
	{"cos θ + cos(7θ/3)", 3 * math.Pi, 0, 0, none, none, "a sum with a rational multiple", "C"},
	{"1 + sin(24θ/5)/2", 10 * math.Pi, 0, 0, 5 * math.Pi * 1.125, none, "a fine sum", "C"},
	{"√(cos(2θ))", 2 * math.Pi, 0, 0, 1, 5.244115108584239, "lemniscate: a², 2ϖa", "B, E"},
	{"θ", 0, 0, 2 * math.Pi, 4 * math.Pow(math.Pi, 3) / 3, 0.5 * (2*math.Pi*math.Sqrt(1+4*math.Pi*math.Pi) + math.Asinh(2*math.Pi)), "Archimedean spiral", "B"},
	{"e^(θ/5)", 0, 0, 2 * math.Pi, (math.Exp(0.8*math.Pi) - 1) / 0.8, math.Sqrt(1.04) / 0.2 * (math.Exp(0.4*math.Pi) - 1), "logarithmic spiral", "B"},
	{"1/θ", 0, 1, 2 * math.Pi, (1 - 1/(2*math.Pi)) / 2, math.Asinh(2*math.Pi) - math.Sqrt(1+4*math.Pi*math.Pi)/(2*math.Pi) - math.Asinh(1) + math.Sqrt2, "hyperbolic spiral", "B"},
	{"√θ", 0, 0, 2 * math.Pi, math.Pi * math.Pi, none, "Fermat's spiral", "L"},
	{"1/(1 + cos θ)", 2 * math.Pi, -math.Pi / 2, math.Pi / 2, 2.0 / 3, math.Sqrt2 + math.Log(1+math.Sqrt2), "parabola with its focus at the pole", "B"},
	{"|cos(2θ)|", 2 * math.Pi, 0, 0, math.Pi / 2, none, "four petals, all on their own rays", "C"},
}

func TestPolarCurvesHaveTheAreasAndLengthsOfTheHandbooks(t *testing.T) {
	for _, p := range polarCurves {
		c := polar(t, p.r)
		closing, closes := c.Closing()
		assert.Equal(t, p.closing > 0, closes, p.name)
		if closes {
			assert.InDelta(t, p.closing, closing.Float(), 1e-12, "%s closes", p.name)
		}
		from, to := p.from, p.to
		if from == to {
			from, to = 0, p.closing
		}
		if p.area != none {
			assert.InDelta(t, p.area, c.Area(from, to).Value, 1e-9*math.Max(1, p.area), "the area of the %s (%s)", p.name, p.sources)
		}
		if p.length != none {
			assert.InDelta(t, p.length, c.Length(from, to).Value, 1e-9*math.Max(1, p.length), "the length of the %s (%s)", p.name, p.sources)
		}
	}
}

var parametricCurves = []struct {
	x, y, z       string
	closing       float64
	to            float64 // 0 for the closing interval
	area, length  float64
	name, sources string
}{
	{"3cos t", "2 sin t", "", 2 * math.Pi, 0, 6 * math.Pi, 15.86543958929059, "ellipse: πab, 4aE(e)", "B, E"},
	{"t − sin t", "1 − cos t", "", 0, 2 * math.Pi, 3 * math.Pi, 8, "cycloid: 3πa², 8a for an arch", "B"},
	{"cos³t", "sin³t", "", 2 * math.Pi, 0, 3 * math.Pi / 8, 6, "astroid: 3πa²/8, 6a", "B"},
	{"2cos t + cos(2t)", "2 sin t − sin(2t)", "", 2 * math.Pi, 0, 2 * math.Pi, 16, "deltoid: 2πa², 16a", "L"},
	{"2cos t − cos(2t)", "2 sin t − sin(2t)", "", 2 * math.Pi, 0, 6 * math.Pi, 16, "epicycloid with one cusp: 6πa², 16a", "B"},
	{"3cos t − cos(3t)", "3 sin t − sin(3t)", "", 2 * math.Pi, 0, 12 * math.Pi, 24, "nephroid: 12πa², 24a", "L"},
	{"3.5cos t − cos(3.5t)", "3.5 sin t − sin(3.5t)", "", 4 * math.Pi, 0, 31.5 * math.Pi, 56, "epicycloid with k = 5/2, two turns", "B"},
	{"4cos t + cos(4t)", "4 sin t − sin(4t)", "", 2 * math.Pi, 0, 12 * math.Pi, 32, "hypocycloid with five cusps: (k − 1)(k − 2)πr², 8(k − 1)r", "B"},
	{"sin(3t)", "sin(2t)", "", 2 * math.Pi, 0, 0, none, "Lissajous curve 3 : 2", "C"},
	{"cos(2t/3)", "sin(t/2)", "", 12 * math.Pi, 0, none, none, "Lissajous curve of fractions", "C"},
	{"cos t + t sin t", "sin t − t cos t", "", 0, 2 * math.Pi, 4 * math.Pow(math.Pi, 3) / 3, 2 * math.Pi * math.Pi, "involute of a circle: at²/2", "B"},
	{"t²", "t³", "", 0, 1, none, (13*math.Sqrt(13) - 8) / 27, "semicubical parabola", "B"},
	{"t", "cosh t", "", 0, 1, none, math.Sinh(1), "catenary: a sinh(x/a)", "B"},
	{"cos t", "sin t", "t/2", 0, 2 * math.Pi, none, 2 * math.Pi * math.Sqrt(1.25), "helix", "B"},
	{"cos t", "sin t", "cos(3t)", 2 * math.Pi, 0, none, none, "a closed curve in space", "C"},
	{"2", "sin(πt)", "", 2, 0, none, 4, "a segment, run through twice", "C"},
	{"cos t", "cos(√2 t)", "", 0, 5, none, none, "a curve that never closes", "C"},
}

func TestParametricCurvesHaveTheAreasAndLengthsOfTheHandbooks(t *testing.T) {
	for _, p := range parametricCurves {
		coordinates := []string{p.x, p.y}
		if p.z != "" {
			coordinates = append(coordinates, p.z)
		}
		c := parametric(t, coordinates...)
		closing, closes := c.Closing()
		assert.Equal(t, p.closing > 0, closes, p.name)
		if closes {
			assert.InDelta(t, p.closing, closing.Float(), 1e-12, "%s closes", p.name)
		}
		to := p.to
		if to == 0 {
			to = p.closing
		}
		if p.area != none {
			assert.InDelta(t, p.area, c.Area(0, to).Value, 1e-9*math.Max(1, p.area), "the area of the %s (%s)", p.name, p.sources)
		}
		if p.length != none {
			assert.InDelta(t, p.length, c.Length(0, to).Value, 1e-9*math.Max(1, p.length), "the length of the %s (%s)", p.name, p.sources)
		}
	}
}

// The cardioid r = 1 + cos θ reaches from x = −1/4 to 2 and ±3√3/4 up and down; the ellipse fills its axes (worked by hand).
func TestTheBoxHoldsACurve(t *testing.T) {
	b := polar(t, "1 + cos θ").Box(0, 2*math.Pi)
	assert.InDelta(t, -0.25, b.Low[0], 1e-12)
	assert.InDelta(t, 2, b.High[0], 1e-12)
	assert.InDelta(t, 3*math.Sqrt(3)/4, b.High[1], 1e-12)
	assert.InDelta(t, -3*math.Sqrt(3)/4, b.Low[1], 1e-12)
	b = parametric(t, "3cos t", "2 sin t").Box(0, 2*math.Pi)
	assert.InDeltaSlice(t, []float64{-3, -2, 3, 2}, []float64{b.Low[0], b.Low[1], b.High[0], b.High[1]}, 1e-12)
	assert.True(t, parametric(t, "cos t", "sin t", "t").Box(0, 1).Spatial)
}

// r < 0 lies on the ray that is turned back: at θ = 0 the curve r = cos θ − 2 is at (−1, 0).
func TestANegativeRadiusTurnsBack(t *testing.T) {
	x, y, _ := polar(t, "cos θ − 2").At(0)
	assert.Equal(t, [2]float64{-1, 0}, [2]float64{x, y})
}

// The limaçon 1 + 2cos θ crosses itself at the pole; the curve (sin 2t, sin 3t) at seven places (n·m·2 − n − m for a
// Lissajous curve, Bronstein and common practice); an ellipse nowhere; a rose run through twice has its pole only.
func TestCrossingsWithItselfAndTheAxes(t *testing.T) {
	at := func(c *trajectory.Curve, to float64) []trajectory.Place { return c.SelfCrossings(0, to) }
	loop := at(polar(t, "1 + 2cos θ"), 2*math.Pi)
	require.Len(t, loop, 1)
	assert.InDelta(t, 0, math.Hypot(loop[0].X, loop[0].Y), 1e-9)
	assert.Len(t, at(parametric(t, "sin(2t)", "sin(3t)"), 2*math.Pi), 7)
	assert.Len(t, at(parametric(t, "cos(3t)", "sin(4t)"), 2*math.Pi), 17)
	assert.Empty(t, at(parametric(t, "3cos t", "2 sin t"), 2*math.Pi))
	rose := at(polar(t, "cos(3θ)"), math.Pi)
	require.Len(t, rose, 1)
	assert.Equal(t, trajectory.Place{}, rose[0])
	onX, onY := polar(t, "1 + cos θ").OnAxes(0, 2*math.Pi)
	require.Len(t, onX, 2, "the cusp and (2, 0)")
	assert.InDelta(t, 2, onX[1].X, 1e-9)
	require.Len(t, onY, 3, "the cusp and (0, ±1)")
	assert.InDelta(t, 1, onY[2].Y, 1e-9)
	onX, _ = polar(t, "1/(1 − 2cos θ)").OnAxes(0, 2*math.Pi)
	assert.Len(t, onX, 2, "the vertices of a hyperbola; its poles are no meetings")
}
