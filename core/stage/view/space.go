package view

import (
	"math"

	"parvix/core/stage/document"
)

// Place is a place in space.
type Place [3]float64

// Sub is the way from another place, Dot the scalar product, Cross the vector product, Length the length.
func (p Place) Sub(q Place) Place { return Place{p[0] - q[0], p[1] - q[1], p[2] - q[2]} }

// Plus is the place at a multiple of a way from here.
func (p Place) Plus(q Place, times float64) Place {
	return Place{p[0] + times*q[0], p[1] + times*q[1], p[2] + times*q[2]}
}

// Dot is the scalar product.
func (p Place) Dot(q Place) float64 { return p[0]*q[0] + p[1]*q[1] + p[2]*q[2] }

// Cross is the vector product.
func (p Place) Cross(q Place) Place {
	return Place{p[1]*q[2] - p[2]*q[1], p[2]*q[0] - p[0]*q[2], p[0]*q[1] - p[1]*q[0]}
}

// Length is the distance from the origin.
func (p Place) Length() float64 { return math.Sqrt(p.Dot(p)) }

// IsFinite tells that all coordinates are numbers.
func (p Place) IsFinite() bool {
	s := p[0] + p[1] + p[2]
	return !math.IsNaN(s) && !math.IsInf(s, 0)
}

// Projection turns places in space into pixels: along parallel lines, or in perspective. The zero value is that of a plane.
type Projection struct {
	// Is tells that it is one of space.
	Is bool
	// Box are the ends of what is seen, by coordinates.
	Box [3][2]float64
	// Right, Up and Toward are pixels by coordinates: to the right, up, and towards the reader.
	Right, Up, Toward Place
	// Zoom is by how much it is magnified.
	Zoom float64
	// Units are the pixels of a unit along each axis, before they are turned.
	Units Place
	// middle is the box's middle, and centre the pixel at which it is seen.
	middle Place
	centre [2]float64
	// distance of the eye in pixels; 0 stands for parallel lines.
	distance float64
}

// The box's diagonal as a multiple of the panel's height, the room in pixels for the numbers beside it, and the eye's distance as a
// multiple of half of the diagonal.
const (
	boxShare    = 1.12
	roomBeside  = 92.0
	eyeDistance = 5.0
	usualTall   = 0.7
)

// projected is how a space panel is seen in a size.
func projected(p *document.Panel, width, height float64) Projection {
	s := p.Window.Space
	q := Projection{Is: true, Zoom: s.Magnified(), Box: [3][2]float64{{p.Window.Left, p.Window.Right}, {p.Window.Bottom, p.Window.Top}, {s.Low, s.High}}}
	var extent Place
	for k, ends := range q.Box {
		extent[k], q.middle[k] = ends[1]-ends[0], (ends[0]+ends[1])/2
	}
	sides := extent
	if !p.EqualScales {
		tall := p.Tall
		if tall == 0 {
			tall = usualTall
		}
		// The floor keeps its shape unless one side is a small part of the other.
		longer := math.Max(extent[0], extent[1])
		if math.Min(extent[0], extent[1]) < longer*leastFloor {
			sides[0], sides[1], longer = 1, 1, 1
		}
		sides[2] = tall * longer
	}
	// However it is turned, the box is as wide as the diagonal of its floor at most.
	across := math.Max(width-roomBeside, width/2) / math.Hypot(sides[0], sides[1])
	scale := math.Min(height*boxShare/sides.Length(), across) * s.Magnified()
	for k := range q.Units {
		q.Units[k] = scale * sides[k] / extent[k]
	}
	turn, tilt := s.Turn*math.Pi/180, s.Tilt*math.Pi/180
	sinA, cosA := math.Sincos(turn)
	sinB, cosB := math.Sincos(tilt)
	along := func(v Place) Place { return Place{v[0] * q.Units[0], v[1] * q.Units[1], v[2] * q.Units[2]} }
	q.Right, q.Up, q.Toward = along(Place{-sinA, cosA, 0}), along(Place{-sinB * cosA, -sinB * sinA, cosB}), along(Place{cosB * cosA, cosB * sinA, sinB})
	shorter := math.Min(width, height)
	q.centre = [2]float64{width/2 + s.Across*shorter, height/2 - s.Up*shorter}
	if s.Perspective {
		q.distance = eyeDistance * scale * sides.Length() / 2
	}
	return q
}

// leastFloor is the least share of the floor's longer side that the shorter may be, to keep its shape where scales are not equal.
const leastFloor = 0.3

// At is where a place is seen, in pixels, and how near it is to the reader.
func (q *Projection) At(p Place) (x, y, near float64) {
	from := p.Sub(q.middle)
	x, y, near = from.Dot(q.Right), from.Dot(q.Up), from.Dot(q.Toward)
	if q.distance > 0 {
		factor := q.distance / math.Max(q.distance-near, q.distance/100)
		x, y = x*factor, y*factor
	}
	return q.centre[0] + x, q.centre[1] - y, near
}

// Pixel is where a place is seen.
func (q *Projection) Pixel(p Place) [2]float64 {
	x, y, _ := q.At(p)
	return [2]float64{x, y}
}

// Eye is the way from a place towards the eye, in the coordinates of space; its length has no meaning.
func (q *Projection) Eye(p Place) Place {
	toward := Place{}
	for k := range toward {
		toward[k] = q.Toward[k] / (q.Units[k] * q.Units[k])
	}
	if q.distance == 0 {
		return toward
	}
	return q.middle.Plus(toward, q.distance).Sub(p)
}

// IsAbove tells on which side of a coordinate the eye is: above all places with that value.
func (q *Projection) IsAbove(axis int, value float64) bool {
	if q.distance == 0 {
		return q.Toward[axis] >= -1e-12*q.Units[axis]
	}
	return q.middle[axis]+q.Toward[axis]/(q.Units[axis]*q.Units[axis])*q.distance >= value
}

// Holds tells whether a place lies in the box.
func (q *Projection) Holds(p Place) bool {
	for k, ends := range q.Box {
		slack := 1e-9 * (ends[1] - ends[0])
		if !(p[k] >= ends[0]-slack && p[k] <= ends[1]+slack) {
			return false
		}
	}
	return true
}

// Along is how far from a place along an axis a pixel lies nearest; false where the axis is seen from its end.
func (q *Projection) Along(from Place, axis int, px, py float64) (by float64, ok bool) {
	ahead := from
	step := (q.Box[axis][1] - q.Box[axis][0]) / 50
	ahead[axis] += step
	a, b := q.Pixel(from), q.Pixel(ahead)
	dx, dy := b[0]-a[0], b[1]-a[1]
	square := dx*dx + dy*dy
	if square < 0.01 {
		return 0, false
	}
	return ((px-a[0])*dx + (py-a[1])*dy) / square * step, true
}

// OnHeight is the place at a height that is seen at a pixel; false where the floor is seen from its side.
func (q *Projection) OnHeight(z, px, py float64) (p Place, ok bool) {
	// Newton's method on two linear equations: one step for parallel lines, a few in perspective.
	p = Place{q.middle[0], q.middle[1], z}
	h := [2]float64{(q.Box[0][1] - q.Box[0][0]) * 1e-4, (q.Box[1][1] - q.Box[1][0]) * 1e-4}
	for range 8 {
		at := q.Pixel(p)
		dx, dy := q.Pixel(Place{p[0] + h[0], p[1], z}), q.Pixel(Place{p[0], p[1] + h[1], z})
		a, b, c, d := (dx[0]-at[0])/h[0], (dy[0]-at[0])/h[1], (dx[1]-at[1])/h[0], (dy[1]-at[1])/h[1]
		det := a*d - b*c
		if math.Abs(det) < 1e-9*(math.Abs(a*d)+math.Abs(b*c))+1e-12 {
			return p, false
		}
		ex, ey := px-at[0], py-at[1]
		p[0] += (ex*d - b*ey) / det
		p[1] += (a*ey - ex*c) / det
	}
	return p, p.IsFinite()
}

// Orbit turns the eye by pixels of a hand's way.
func Orbit(w document.Window, dx, dy float64) document.Window {
	const degrees = 0.4
	w.Space.Turn = math.Remainder(w.Space.Turn-degrees*dx, 360)
	w.Space.Tilt = math.Max(-90, math.Min(90, w.Space.Tilt+degrees*dy))
	return w
}

// zoomed is the window of space with the box larger or smaller about a pixel.
func zoomed(w document.Window, width, height, px, py, factor float64) document.Window {
	before := w.Space.Magnified()
	after := math.Max(document.LeastZoom, math.Min(document.MostZoom, before/factor))
	shorter := math.Min(width, height)
	x, y := width/2+w.Space.Across*shorter, height/2-w.Space.Up*shorter
	ratio := after / before
	w.Space.Across, w.Space.Up = held((px+(x-px)*ratio-width/2)/shorter), held((height/2-(py+(y-py)*ratio))/shorter)
	w.Space.Zoom = after
	return w
}

// shifted is the window of space with the box moved by pixels.
func shifted(w document.Window, width, height, dx, dy float64) document.Window {
	shorter := math.Min(width, height)
	w.Space.Across, w.Space.Up = held(w.Space.Across+dx/shorter), held(w.Space.Up-dy/shorter)
	return w
}

// held keeps the box from being moved off for good.
func held(share float64) float64 { return math.Max(-20, math.Min(20, share)) }
