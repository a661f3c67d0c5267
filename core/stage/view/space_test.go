package view_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// space is a box of 4 × 4 × 4 with equal scales, seen from a direction.
func space(turn, tilt float64, perspective bool) document.Panel {
	return document.Panel{Kind: document.InSpace, EqualScales: true, Window: document.Window{Left: -2, Right: 2, Bottom: -2, Top: 2,
		Space: document.Sight{Low: -2, High: 2, Turn: turn, Tilt: tilt, Perspective: perspective}}}
}

func projection(p document.Panel) view.Projection { return view.Seen(&p, 600, 500).Projection }

// Seen along an axis, the two others lie in the plane of the panel as a textbook draws them: right-handed, z up (common practice).
func TestAlongAnAxisTheOthersLieInThePanel(t *testing.T) {
	for about, c := range map[string]struct {
		turn, tilt float64
		right, up  view.Place
	}{
		"down the z-axis": {-90, 90, view.Place{1, 0, 0}, view.Place{0, 1, 0}},
		"down the x-axis": {0, 0, view.Place{0, 1, 0}, view.Place{0, 0, 1}},
		"down the y-axis": {90, 0, view.Place{-1, 0, 0}, view.Place{0, 0, 1}},
	} {
		q := projection(space(c.turn, c.tilt, false))
		origin, right, up := q.Pixel(view.Place{}), q.Pixel(c.right), q.Pixel(c.up)
		unit := q.Units[0]
		assert.InDelta(t, origin[0]+unit, right[0], 1e-9, about)
		assert.InDelta(t, origin[1], right[1], 1e-9, about)
		assert.InDelta(t, origin[0], up[0], 1e-9, about)
		assert.InDelta(t, origin[1]-unit, up[1], 1e-9, about)
	}
}

// Parallel lines keep lengths: what is seen across, up and towards the reader together is the distance in space (Pythagoras), from every
// side; and parallel edges stay parallel.
func TestAParallelViewKeepsLengths(t *testing.T) {
	a, b, way := view.Place{-1, 0.5, 1.5}, view.Place{1.2, -1.7, 0.3}, view.Place{0.4, 0.7, -0.2}
	for turn := -170.0; turn < 180; turn += 35 {
		for tilt := -80.0; tilt <= 80; tilt += 40 {
			q := projection(space(turn, tilt, false))
			ax, ay, an := q.At(a)
			bx, by, bn := q.At(b)
			assert.InDelta(t, a.Sub(b).Length()*q.Units[0], math.Sqrt((ax-bx)*(ax-bx)+(ay-by)*(ay-by)+(an-bn)*(an-bn)), 1e-9)
			first, second := q.Pixel(a.Plus(way, 1)), q.Pixel(b.Plus(way, 1))
			assert.InDelta(t, first[0]-ax, second[0]-bx, 1e-9)
			assert.InDelta(t, first[1]-ay, second[1]-by, 1e-9)
		}
	}
}

// In perspective what is nearer is larger, and the box's middle is seen where it is without.
func TestInPerspectiveWhatIsNearerIsLarger(t *testing.T) {
	q, flat := projection(space(0, 0, true)), projection(space(0, 0, false))
	width := func(x float64) float64 { return q.Pixel(view.Place{x, 1, 0})[0] - q.Pixel(view.Place{x, -1, 0})[0] }
	assert.Greater(t, width(2), width(0))
	assert.Greater(t, width(0), width(-2))
	assert.Equal(t, flat.Pixel(view.Place{}), q.Pixel(view.Place{}))
	assert.True(t, q.IsAbove(0, 2), "the eye is before the box")
	assert.False(t, q.IsAbove(0, 1e6), "but not before everything")
	eye := q.Eye(view.Place{})
	assert.Greater(t, eye[0], 2.0)
	assert.InDelta(t, 0, eye[1], 1e-9)
}

// A place at a known height is found again from its pixel, in both ways of seeing; from the side the floor is a line, and nothing is told.
func TestAPixelAndAHeightGiveThePlace(t *testing.T) {
	for _, perspective := range []bool{false, true} {
		q := projection(space(32, 24, perspective))
		for _, p := range []view.Place{{0, 0, 0}, {1.5, -1, 0.7}, {-1.9, 1.9, -2}} {
			at := q.Pixel(p)
			found, ok := q.OnHeight(p[2], at[0], at[1])
			assert.True(t, ok)
			assert.InDelta(t, 0, found.Sub(p).Length(), 1e-6)
			along, ok := q.Along(p, 2, at[0], at[1])
			assert.True(t, ok)
			assert.InDelta(t, 0, along, 1e-9)
			up := q.Pixel(p.Plus(view.Place{0, 0, 1}, 0.04))
			along, _ = q.Along(p, 2, up[0], up[1])
			assert.InDelta(t, 0.04, along, 2e-3)
		}
	}
	side := projection(space(32, 0, false))
	_, ok := side.OnHeight(1, 100, 100)
	assert.False(t, ok)
	down := projection(space(-90, 90, false))
	_, ok = down.Along(view.Place{}, 2, 300, 250)
	assert.False(t, ok, "an axis that is seen from its end")
}

// 900 pixels of a hand's way are a whole turn; the eye does not go over the top.
func TestAHandTurnsTheBox(t *testing.T) {
	w := space(32, 24, false).Window
	assert.InDelta(t, 32, view.Orbit(w, 900, 0).Space.Turn, 1e-9)
	assert.InDelta(t, 32-40, view.Orbit(w, 100, 0).Space.Turn, 1e-9)
	assert.InDelta(t, 90, view.Orbit(w, 0, 1000).Space.Tilt, 1e-9)
	assert.InDelta(t, -90, view.Orbit(w, 0, -1000).Space.Tilt, 1e-9)
	assert.Equal(t, [2]float64{w.Left, w.Right}, [2]float64{view.Orbit(w, 5, 5).Left, view.Orbit(w, 5, 5).Right}, "the box stays")
}

// The box holds its corners and what is inside.
func TestTheBoxHoldsWhatIsInside(t *testing.T) {
	q := projection(space(32, 24, false))
	assert.True(t, q.Holds(view.Place{2, -2, 2}))
	assert.True(t, q.Holds(view.Place{}))
	assert.False(t, q.Holds(view.Place{2.001, 0, 0}))
	assert.False(t, q.Holds(view.Place{math.NaN(), 0, 0}))
	assert.False(t, view.Place{0, math.Inf(1), 0}.IsFinite())
	cross := view.Place{1, 0, 0}.Cross(view.Place{0, 1, 0})
	assert.Equal(t, view.Place{0, 0, 1}, cross, "right-handed")
}
