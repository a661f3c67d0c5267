package solid_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// woven is a parametric surface over a rectangle of u and v, and the equation inside(p) = 0 that it fulfils, where its places are.
type woven struct {
	at       func(u, v float64) view.Place
	ends     [4]float64
	equation func(p view.Place) float64
	isThere  func(p view.Place) bool
	// corners are those of a plane that is larger than the box, instead.
	corners []view.Place
}

func everywhere(view.Place) bool { return true }

var sphere = woven{func(u, v float64) view.Place {
	return view.Place{1.5 * math.Cos(u) * math.Sin(v), 1.5 * math.Sin(u) * math.Sin(v), 1.5 * math.Cos(v)}
}, [4]float64{0, 2 * math.Pi, 0, math.Pi}, func(p view.Place) float64 { return p.Length() - 1.5 }, everywhere, nil}

var torus = woven{func(u, v float64) view.Place {
	return view.Place{(1.2 + 0.5*math.Cos(v)) * math.Cos(u), (1.2 + 0.5*math.Cos(v)) * math.Sin(u), 0.5 * math.Sin(v)}
}, [4]float64{0, 2 * math.Pi, 0, 2 * math.Pi}, func(p view.Place) float64 {
	return math.Hypot(math.Hypot(p[0], p[1])-1.2, p[2]) - 0.5
}, everywhere, nil}

var cylinder = woven{func(u, v float64) view.Place { return view.Place{math.Cos(u), 0.6 + math.Sin(u), v} },
	[4]float64{0, 2 * math.Pi, -1, 1.4}, func(p view.Place) float64 { return math.Hypot(p[0], p[1]-0.6) - 1 },
	func(p view.Place) bool { return p[2] >= -1 && p[2] <= 1.4 }, nil}

var plane = woven{corners: []view.Place{{9, -9, 0.5}, {9, 9, -17.5}, {-9, 9, 0.5}, {-9, -9, 18.5}}, equation: func(p view.Place) float64 { return p[0] + p[1] + p[2] - 0.5 },
	isThere: everywhere}

func (w woven) net(v view.View, cells int) *solid.Net {
	if w.corners != nil {
		return solid.NewPlate(w.corners, true, v.Projection.Units, v.Projection.Box)
	}
	weave := solid.Weave{At: w.at, Units: v.Projection.Units, Box: v.Projection.Box}
	weave.U, weave.MeshU = solid.Lines(w.ends[0], w.ends[1], nil, cells)
	weave.V, weave.MeshV = solid.Lines(w.ends[2], w.ends[3], nil, cells)
	for _, u := range weave.U {
		for _, v := range weave.V {
			weave.Places = append(weave.Places, w.at(u, v))
		}
	}
	return solid.NewNet(weave)
}

// firstMet walks along the ray of a pixel and gives the place of the surface that it goes through first, −1 for none: sheets count on
// from the nets.
func firstMet(v view.View, px, py float64, nets []woven, sheets []shape) int {
	q := &v.Projection
	low, ok := q.OnHeight(-2, px, py)
	high, ok2 := q.OnHeight(2, px, py)
	if !ok || !ok2 {
		return -1
	}
	from, way := high, low.Sub(high)
	if nearOf(q, high) < nearOf(q, low) {
		from, way = low, high.Sub(low)
	}
	values := func(p view.Place) (list [3]float64) {
		for n, w := range nets {
			list[n] = w.equation(p)
		}
		for n, f := range sheets {
			list[len(nets)+n] = p[2] - f(p[0], p[1])
		}
		return list
	}
	const steps = 240
	before := values(from)
	for k := 1; k <= steps; k++ {
		p := from.Plus(way, float64(k)/steps)
		now := values(p)
		for n := range len(nets) + len(sheets) {
			if before[n]*now[n] <= 0 && q.Holds(p) && (n >= len(nets) || nets[n].isThere(p)) {
				return n
			}
		}
		before = now
	}
	return -1
}

// Parametric surfaces alone, and with a surface over the floor that goes through them: each pixel belongs to the one that its ray meets
// first, seen from six directions.
func TestParametricSurfacesCoverWhatIsBehind(t *testing.T) {
	saddle := shape(func(x, y float64) float64 { return (x*x - y*y) / 4 })
	bowl := shape(func(x, y float64) float64 { return (x*x+y*y)/3 - 1 })
	for about, c := range map[string]struct {
		nets   []woven
		sheets []shape
	}{"a torus": {[]woven{torus}, nil}, "a sphere in a cylinder": {[]woven{sphere, cylinder}, nil},
		"a sphere and a plane": {[]woven{sphere, plane}, nil}, "a plane and a saddle": {[]woven{plane}, []shape{saddle}},
		"a sphere and a saddle": {[]woven{sphere}, []shape{saddle}}, "a torus and a bowl": {[]woven{torus}, []shape{bowl}},
		"a cylinder and a saddle": {[]woven{cylinder}, []shape{saddle}}} {
		pixels, wrong := 0, 0
		for k := range 6 {
			turn, tilt := float64(k)*94-173, []float64{65, 24, 8, -20, 40, -70}[k%6]
			v := seenFrom(turn, tilt, k%4 == 3)
			var drawn []shape
			for range c.nets {
				drawn = append(drawn, func(_, _ float64) float64 { return math.NaN() }) // hues are counted on from the nets
			}
			s := scene(v, 16, append(drawn, c.sheets...)...)
			for n, w := range c.nets {
				net := w.net(v, 40)
				net.Hue = picture.Colour(n)
				s.AddNet(net)
			}
			var canvas owners
			for i := range canvas.cell {
				canvas.hue[i] = -1
			}
			s.PaintFaces(&canvas)
			meets := func(x, y int, reach float64) (found []int) {
				for dx := -reach; dx <= reach; dx += 0.25 {
					for dy := -reach; dy <= reach; dy += 0.25 {
						found = append(found, firstMet(v, float64(x)+0.5+dx, float64(y)+0.5+dy, c.nets, c.sheets))
					}
				}
				return found
			}
			for y := range height {
				for x := range width {
					pixels++
					hue := canvas.hue[y*width+x]
					if firstMet(v, float64(x)+0.5, float64(y)+0.5, c.nets, c.sheets) == hue {
						continue
					}
					if !contains(meets(x, y, 0.75), hue) {
						wrong++
					}
					assert.True(t, contains(meets(x, y, 2), hue), "%s from %v, %v: pixel %d, %d is more than two from an edge", about, turn, tilt, x, y)
				}
			}
		}
		assert.Less(t, float64(wrong), 0.005*float64(pixels), about)
	}
}

func contains(list []int, value int) bool {
	for _, v := range list {
		if v == value {
			return true
		}
	}
	return false
}

// What lies inside of a sphere or behind it is hidden; a line on it is seen on the side of the eye alone.
func TestASphereHidesWhatIsInsideAndBehind(t *testing.T) {
	v := seenFrom(30, 20, false)
	s := scene(v, 16)
	net := sphere.net(v, 40)
	s.AddNet(net)
	eye := v.Projection.Eye(view.Place{})
	toEye := view.Place{}.Plus(eye, 1/eye.Length())
	assert.True(t, s.Hides(view.Place{}, nil))
	assert.True(t, s.Hides(view.Place{}.Plus(toEye, -1.8), nil))
	assert.False(t, s.Hides(view.Place{}.Plus(toEye, 1.8), nil))
	assert.False(t, s.Hides(view.Place{}.Plus(toEye, 1.5), net), "on it, before the reader")
	assert.True(t, s.Hides(view.Place{}.Plus(toEye, -1.5), net), "on it, on the far side")
	net.Opacity = 0.3
	assert.False(t, s.Hides(view.Place{}, nil), "what is see-through hides nothing")
}

// A surface that is nowhere beyond an edge ends there: (u, v, √(1 − u² − v²)) covers the disc of radius 1.
func TestAParametricSurfaceEndsWhereItIsUndefined(t *testing.T) {
	v := seenFrom(0, 90, false)
	dome := woven{at: func(a, b float64) view.Place { return view.Place{a, b, math.Sqrt(1 - a*a - b*b)} }, ends: [4]float64{-1.5, 1.5, -1.5, 1.5}}
	s := scene(v, 16)
	s.AddNet(dome.net(v, 40))
	var canvas owners
	s.PaintFaces(&canvas)
	painted := 0
	for _, c := range canvas.cell {
		if c > 0 {
			painted++
		}
	}
	unit := v.Projection.Units
	assert.InDelta(t, math.Pi*unit[0]*unit[1], float64(painted), 0.06*math.Pi*unit[0]*unit[1], "the area of the disc, in pixels, with what faces overlap")
}
