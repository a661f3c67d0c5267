package solid_test

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Half the width in pixels of the curves that are compared, and how near to a place where one goes over another no pixel is, since
// the lower one has a gap there.
const (
	halfWidth = 1.5
	gapRoom   = 8.0
)

// The size of the panels on which curves are compared.
const wide, tall = 200, 150

// wire is a curve in space.
type wire func(t float64) view.Place

// wired are curves among surfaces: through them, on one side, around them.
var wired = map[string]struct {
	shapes []shape
	wires  []wire
}{
	"a helix alone":           {nil, []wire{helix}},
	"a helix and a ring":      {nil, []wire{helix, ring}},
	"three lines":             {nil, []wire{straight(view.Place{-1.9, -1, -1}, view.Place{1.8, 1.2, 1}), straight(view.Place{-1.5, 1.7, 0.4}, view.Place{1.6, -1.6, -0.3}), straight(view.Place{0.1, 0.2, -1.8}, view.Place{-0.3, 0.1, 1.8})}},
	"a helix through a bowl":  {[]shape{func(x, y float64) float64 { return (x*x+y*y)/3 - 1 }}, []wire{helix}},
	"a helix through a plane": {[]shape{func(x, y float64) float64 { return x/2 + y/3 }}, []wire{helix, ring}},
	"a ring through waves":    {[]shape{func(x, y float64) float64 { return math.Sin(2*x) * math.Cos(2*y) }}, []wire{ring}},
	"a line through two planes": {[]shape{func(x, y float64) float64 { return x / 2 }, func(x, y float64) float64 { return -x / 2 }},
		[]wire{straight(view.Place{-1.9, -1, -1.6}, view.Place{1.8, 1.2, 1.7}), ring}},
	"a knot over a saddle": {[]shape{func(x, y float64) float64 { return (x*x-y*y)/4 - 0.6 }}, []wire{trefoil}},
}

func helix(t float64) view.Place {
	sin, cos := math.Sincos(6 * math.Pi * t)
	return view.Place{1.4 * cos, 1.4 * sin, 3.4*t - 1.7}
}

func ring(t float64) view.Place {
	sin, cos := math.Sincos(2 * math.Pi * t)
	return view.Place{1.7 * cos, 0.4 + 1.1*sin, 1.3 * sin}
}

// trefoil is the knot (sin t + 2 sin 2t, cos t − 2 cos 2t, −sin 3t), made smaller (common practice).
func trefoil(t float64) view.Place {
	u := 2 * math.Pi * t
	return view.Place{0.6 * (math.Sin(u) + 2*math.Sin(2*u)), 0.6 * (math.Cos(u) - 2*math.Cos(2*u)), -0.8 * math.Sin(3*u)}
}

func straight(from, to view.Place) wire {
	return func(t float64) view.Place { return from.Plus(to.Sub(from), t) }
}

// Each pixel belongs to the curve that is nearest to the eye there and has no surface before it, or to none: by what is painted, and by
// places all along the curves, each hidden where the way from it to the eye goes through a surface. Seen from 24 directions.
func TestACurveIsSeenWhereNothingIsBeforeIt(t *testing.T) {
	const cells = 16
	pixels, wrong := 0, 0
	for about, c := range wired {
		var drawn []shape
		for _, f := range c.shapes {
			drawn = append(drawn, bilinear(f, cells))
		}
		for k := range 24 {
			turn, tilt := float64(k)*47-173, []float64{65, 24, 8, -20, 40, -70}[k%6]
			v := seenOn(wide, tall, turn, tilt, k%4 == 3)
			painted := paintedCurves(v, cells, drawn, c.wires)
			spots := spotsOf(v, drawn, c.wires)
			bad := 0
			for y := range tall {
				for x := range wide {
					px, py, owner := float64(x)+0.5, float64(y)+0.5, painted[y*wide+x]
					isFar := owner == 0 && !spots.isNear[y*wide+x]
					if !isFar && spots.isCrossing(px, py) {
						continue
					}
					pixels++
					if isFar || spots.owns(owner, px, py, 0.6) {
						continue
					}
					wrong++
					if spots.isClear(owner, px, py) {
						bad++
					}
				}
			}
			assert.Zero(t, bad, "%s from %v, %v: pixels more than two from an edge", about, turn, tilt)
		}
	}
	t.Logf("%d pictures, %.3f %% of %d pixels differ at an edge", len(wired)*24, 100*float64(wrong)/float64(pixels), pixels)
	assert.Less(t, float64(wrong), 0.005*float64(pixels))
}

// paintedCurves tells for each pixel which curve was painted there last, from 1; 0 for none.
func paintedCurves(v view.View, cells int, shapes []shape, wires []wire) (owner [wide * tall]int) {
	s := scene(v, cells, shapes...)
	for k, at := range wires {
		s.AddStrand(solid.Strand{Line: lineOf(at), Pen: solid.Pen{Width: 2 * halfWidth, Opacity: 1}, Owner: k + 1, Crosses: true})
	}
	for _, part := range s.Strands() {
		if part.IsHidden {
			continue
		}
		for i := 1; i < len(part.Points); i++ {
			stroke(&owner, part.Points[i-1], part.Points[i], s.Of(part).Owner)
		}
	}
	return owner
}

// lineOf is a curve as it is given to be drawn.
func lineOf(at wire) []view.Place {
	line := make([]view.Place, 1501)
	for i := range line {
		line[i] = at(float64(i) / 1500)
	}
	return line
}

// stroke takes the pixels whose middles lie on a thick segment.
func stroke(owner *[wide * tall]int, a, b [2]float64, by int) {
	wx, wy := b[0]-a[0], b[1]-a[1]
	long := wx*wx + wy*wy
	for y := max(0, int(min(a[1], b[1])-halfWidth-1)); y <= min(tall-1, int(max(a[1], b[1])+halfWidth+1)); y++ {
		for x := max(0, int(min(a[0], b[0])-halfWidth-1)); x <= min(wide-1, int(max(a[0], b[0])+halfWidth+1)); x++ {
			px, py := float64(x)+0.5-a[0], float64(y)+0.5-a[1]
			if share := (px*wx + py*wy) / long; share >= 0 && share <= 1 && math.Hypot(px-share*wx, py-share*wy) <= halfWidth {
				owner[y*wide+x] = by
			}
		}
	}
}

// spot is a place of a curve as it is seen.
type spot struct {
	x, y     float64
	curve    int
	isHidden bool
	// along is how long the curve is seen to be up to the place, in pixels.
	along float64
}

// spots are the places of all curves, by the pixel in which they are seen.
type spots struct {
	at [wide * tall][]spot
	// isNear tells that a spot may be seen on the pixel, crossings are the spots at which one part of a curve is seen over another.
	isNear    [wide * tall]bool
	crossings []spot
}

// spotsOf follows the curves in small steps.
func spotsOf(v view.View, shapes []shape, wires []wire) *spots {
	const places = 1000
	all := &spots{}
	for k, wire := range wires {
		along, last := 0.0, v.Projection.Pixel(wire(0))
		for i := range places + 1 {
			p := wire(float64(i) / places)
			x, y, _ := v.Projection.At(p)
			along, last = along+math.Hypot(x-last[0], y-last[1]), [2]float64{x, y}
			if x < 0 || y < 0 || x >= wide || y >= tall || !v.Projection.Holds(p) {
				continue
			}
			at := int(y)*wide + int(x)
			all.at[at] = append(all.at[at], spot{x, y, k + 1, isCovered(v, p, shapes), along})
		}
	}
	all.marked()
	return all
}

// marked notes what is near, and where curves are seen over each other: two places within two pixels that are no neighbours.
func (s *spots) marked() {
	const apart, over = 20.0, 2.0
	for at := range s.at {
		x, y := at%wide, at/wide
		s.within(float64(x)+0.5, float64(y)+0.5, halfWidth+2, func(spot) { s.isNear[at] = true })
		for _, p := range s.at[at] {
			isCrossed := false
			s.within(p.x, p.y, over, func(q spot) {
				isCrossed = isCrossed || p.curve != q.curve || math.Abs(p.along-q.along) > apart
			})
			if isCrossed {
				s.crossings = append(s.crossings, p)
			}
		}
	}
}

// isCovered tells whether a surface lies between a place and the eye.
func isCovered(v view.View, from view.Place, shapes []shape) bool {
	for _, f := range shapes {
		for before, above := range towardsEye(v, from, f, 340) {
			if above*before < 0 {
				return true
			}
		}
	}
	return false
}

// within visits the spots that are seen near a pixel's middle.
func (s *spots) within(px, py, radius float64, visit func(spot)) {
	for y := max(0, int(py-radius)); y <= min(tall-1, int(py+radius)); y++ {
		for x := max(0, int(px-radius)); x <= min(wide-1, int(px+radius)); x++ {
			for _, p := range s.at[y*wide+x] {
				if math.Hypot(p.x-px, p.y-py) <= radius {
					visit(p)
				}
			}
		}
	}
}

// isCrossing tells that a pixel is near to where one curve is seen over another: the lower one has a gap there.
func (s *spots) isCrossing(px, py float64) bool {
	return slices.ContainsFunc(s.crossings, func(p spot) bool { return math.Hypot(p.x-px, p.y-py) < gapRoom })
}

// owns tells whether a pixel may belong to a curve, 0 for none, give or take so many pixels.
func (s *spots) owns(owner int, px, py, slack float64) bool {
	surely, maybe := false, false
	s.within(px, py, halfWidth+slack, func(p spot) {
		if !p.isHidden {
			maybe = maybe || p.curve == owner
			surely = surely || math.Hypot(p.x-px, p.y-py) <= halfWidth-slack
		}
	})
	if owner == 0 {
		return !surely
	}
	return maybe
}

// isClear tells that a pixel is more than two from every edge and still belongs to someone else than was painted.
func (s *spots) isClear(owner int, px, py float64) bool {
	for dx := -2.0; dx <= 2; dx += 0.5 {
		for dy := -2.0; dy <= 2; dy += 0.5 {
			if s.owns(owner, px+dx, py+dy, 0.6) {
				return false
			}
		}
	}
	return true
}

// Where one curve goes over another, the nearer one runs on and the other stops before it: at the crossing's middle the nearer one is
// painted, from every side.
func TestTheNearerCurveRunsOn(t *testing.T) {
	across, along := straight(view.Place{-1.5, 0.2, 0.6}, view.Place{1.5, -0.2, 0.6}), straight(view.Place{0.2, -1.5, -0.6}, view.Place{-0.2, 1.5, -0.6})
	for k := range 12 {
		v := seenOn(wide, tall, float64(k)*30+7, []float64{70, 50, -60}[k%3], k%2 == 1)
		painted := paintedCurves(v, 16, nil, []wire{across, along})
		// The place of both that is seen at one pixel, by walking along both.
		best, nearer, x, y := math.Inf(1), 0, 0.0, 0.0
		for i := range 301 {
			px, py, near := v.Projection.At(across(float64(i) / 300))
			for j := range 301 {
				qx, qy, other := v.Projection.At(along(float64(j) / 300))
				if away := math.Hypot(px-qx, py-qy); away < best {
					best, x, y = away, px, py
					if nearer = 1; other > near {
						nearer = 2
					}
				}
			}
		}
		assert.Less(t, best, 0.5, "they cross")
		assert.Equal(t, nearer, painted[int(y)*wide+int(x)], "from %v", k)
	}
}
