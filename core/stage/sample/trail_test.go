package sample_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/sample"
)

func plane(t testing.TB, x, y string, inputs ...string) *sample.Plane {
	t.Helper()
	node := func(text string) expr.Node {
		f, err := expr.Parse(text, (&expr.Scope{}).With("t").With("c"))
		require.NoError(t, err, text)
		return symbolic.Radians(f.Node, false)
	}
	p, err := sample.CompilePlane(node(x), node(y), append([]string{"t"}, inputs...))
	require.NoError(t, err)
	return p
}

// assertTrail holds that a trail breaks at the given values of its parameter and nowhere else, and that its lines keep to the
// curve within half a pixel wherever a window of 600 pixels about the origin shows them.
func assertTrail(t *testing.T, about string, p *sample.Plane, in []float64, from, to, pixel float64, cuts ...float64) {
	t.Helper()
	var trailer sample.Trailer
	trail := trailer.Trail(p, in, from, to, pixel)
	seen := func(q sample.Point) bool { return math.Abs(q.X) < 300*pixel && math.Abs(q.Y) < 300*pixel }
	broken := map[float64]bool{}
	for i, q := range trail.Points {
		if q.X != q.X {
			nearest := math.Inf(1)
			for _, cut := range cuts {
				if math.Abs(cut-trail.T[i]) < math.Abs(nearest-trail.T[i]) {
					nearest = cut
				}
			}
			assert.InDelta(t, nearest, trail.T[i], 0.01, "%s breaks", about)
			broken[nearest] = true
			continue
		}
		if i == 0 || trail.Points[i-1].X != trail.Points[i-1].X {
			continue
		}
		before := trail.Points[i-1]
		for _, cut := range cuts {
			assert.False(t, trail.T[i-1] < cut-1e-9 && trail.T[i] > cut+1e-9, "%s: a line runs over %v", about, cut)
		}
		for _, share := range []float64{0.25, 0.5, 0.75} {
			at := p.At(trail.T[i-1]+share*(trail.T[i]-trail.T[i-1]), in)
			if !seen(at) {
				continue
			}
			dx, dy := q.X-before.X, q.Y-before.Y
			off := math.Abs((at.X-before.X)*dy-(at.Y-before.Y)*dx) / math.Hypot(dx, dy)
			assert.Less(t, off, 0.5*pixel, "%s between %v and %v", about, trail.T[i-1], trail.T[i])
		}
	}
	assert.Len(t, broken, len(cuts), "gaps of %s", about)
	assert.Less(t, len(trail.Points), 6000, about)
}

// Where denominators are 0 is worked by hand: 1 − 2cos θ at π/3 and 5π/3, cos θ at π/2 and 3π/2, the whole part at every whole
// number. Near such a place a curve runs off beside its asymptote, which is no part of it.
func TestTrailsBreakWhereTheCurveRunsOffOrJumps(t *testing.T) {
	polar := func(r string, inputs ...string) *sample.Plane {
		return plane(t, "("+r+")cos(t)", "("+r+")sin(t)", inputs...)
	}
	turn, π := 2*math.Pi, math.Pi
	for _, pixel := range []float64{0.002, 0.02, 0.5} {
		assertTrail(t, "the hyperbola", polar("1/(1 − 2cos t)"), []float64{0}, 0, turn, pixel, π/3, 5*π/3)
		assertTrail(t, "r = tan θ", polar("tan t"), []float64{0}, 0, turn, pixel, π/2, 3*π/2)
		assertTrail(t, "the conchoid r = 1 + sec θ", polar("1 + 1/cos(t)"), []float64{0}, 0, turn, pixel, π/2, 3*π/2)
		assertTrail(t, "the line r = csc θ", polar("1/sin(t)"), []float64{0}, 0.1, 6, pixel, π)
		assertTrail(t, "y = 1/x", plane(t, "t", "1/t"), []float64{0}, -3, 5, pixel, 0)
		assertTrail(t, "a parabola, which has its pole at the end", polar("1/(1 − cos t)"), []float64{0}, 0.01, turn-0.01, pixel)
		assertTrail(t, "stairs", plane(t, "t", "floor(t)"), []float64{0}, 0.5, 3.5, pixel, 1, 2, 3)
		assertTrail(t, "the cardioid", polar("1 + cos t"), []float64{0}, 0, turn, pixel)
	}
}

// A conic r = 1/(1 − c·cos θ) is an ellipse for c < 1 and a hyperbola, which runs off at ±arccos(1/c), for c > 1 (common
// practice): the breaks follow the dial.
func TestBreaksOfATrailFollowADial(t *testing.T) {
	conic := plane(t, "cos(t)/(1 − c cos(t))", "sin(t)/(1 − c cos(t))", "c")
	for _, c := range []float64{0, 0.5, 0.95} {
		assertTrail(t, "an ellipse", conic, []float64{0, c}, 0, 2*math.Pi, 0.01)
	}
	for _, c := range []float64{1.1, 1.5, 2, 10} {
		at := math.Acos(1 / c)
		assertTrail(t, "a hyperbola", conic, []float64{0, c}, 0, 2*math.Pi, 0.01, at, 2*math.Pi-at)
	}
}

// √cos 2θ has a value from −π/4 to π/4 and on the other side of the pole: a trail ends there, at the pole itself.
func TestATrailEndsWhereTheCurveDoes(t *testing.T) {
	var trailer sample.Trailer
	trail := trailer.Trail(plane(t, "√(cos(2t))cos(t)", "√(cos(2t))sin(t)"), []float64{0}, -1, 1, 0.01)
	first, last := -1, -1
	for i, q := range trail.Points {
		if q.X == q.X {
			if first < 0 {
				first = i
			}
			last = i
		}
	}
	assert.InDelta(t, -math.Pi/4, trail.T[first], 1e-9)
	assert.InDelta(t, math.Pi/4, trail.T[last], 1e-9)
	assert.InDelta(t, 0, trail.Points[first].X, 1e-4)
}
