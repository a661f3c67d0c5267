package trajectory

import (
	"math"

	"parvix/core/numeric/bisect"
)

// specialLooks is how finely a turn is looked through for special places, mostSpecial how many of one sort are listed.
const specialLooks, mostSpecial = 1440, 24

// steps is how finely an interval is looked through.
func steps(from, to float64) int {
	return int(math.Min(60000, math.Max(specialLooks, specialLooks*(to-from)/(2*math.Pi))))
}

// least are the places at which a function that is not negative has a least value, closed in by the golden section (Kiefer, Proceedings of
// the AMS 4, 1953); the ends are among them.
func least(f func(t float64) float64, from, to float64) (list []float64) {
	n := steps(from, to)
	f = orInfinite(f)
	at := func(k int) float64 { return from + (to-from)*float64(k)/float64(n) }
	before, now := math.Inf(1), f(from)
	for k := range n + 1 {
		next := math.Inf(1)
		if k < n {
			next = f(at(k + 1))
		}
		if now <= before && now <= next && (now < before || now < next) {
			list = append(list, settledOn(f, golden(f, at(max(0, k-1)), at(min(n, k+1)))))
		}
		before, now = now, next
	}
	return list
}

// orInfinite is infinite where a function has no value.
func orInfinite(f func(t float64) float64) func(t float64) float64 {
	return func(t float64) float64 {
		if v := f(t); v == v {
			return v
		}
		return math.Inf(1)
	}
}

// settledOn is a part of a turn or a short decimal beside a place, where the function is as small: by its values alone a least one is known to
// half of the digits.
func settledOn(f func(t float64) float64, t float64) float64 {
	const near = 1e-6
	for _, part := range [2]float64{math.Pi / 24, 0.01} {
		if whole := math.Round(t/part) * part; math.Abs(whole-t) < near && f(whole) <= f(t)+1e-14*math.Abs(f(t)) {
			return whole
		}
	}
	return t
}

// golden closes in the least value between two places.
func golden(f func(t float64) float64, a, b float64) float64 {
	share := (math.Sqrt(5) - 1) / 2
	c, d := b-share*(b-a), a+share*(b-a)
	fc, fd := f(c), f(d)
	for range 90 {
		if fc < fd {
			b, d, fd = d, c, fc
			c = b - share*(b-a)
			fc = f(c)
		} else {
			a, c, fc = c, d, fd
			d = a + share*(b-a)
			fd = f(d)
		}
	}
	return (a + b) / 2
}

// AtPole are the angles at which a polar curve passes through the pole; they are those of its tangents there (common practice). None for a
// parametric curve.
func (c *Curve) AtPole(from, to float64) (angles []float64) {
	if c.radius == nil {
		return nil
	}
	size := c.spread(from, to)
	for _, t := range least(func(t float64) float64 { return math.Abs(c.Radius(t)) }, from, to) {
		if math.Abs(c.Radius(t)) > 1e-7*size {
			continue
		}
		// Closed in where the sign changes; a touching is known to half of the digits.
		h := (to - from) / float64(steps(from, to))
		if low, high := c.Radius(t-h), c.Radius(t+h); low*high < 0 {
			t, _ = bisect.Change(func(x float64) bool { return c.Radius(x)*low > 0 }, t-h, t+h, 60)
		}
		if len(angles) < mostSpecial {
			angles = append(angles, t)
		}
	}
	return angles
}

// Cusp is a place where a curve stands still and turns back.
type Cusp struct {
	Place
	T float64
	// Direction is that of the tangent, an angle from −π/2 to π/2.
	Direction float64
}

// Cusps are the places, each once, where the velocity is 0 and the way out goes back along the way in. The end of an interval on which the
// curve closes is looked at from both sides.
func (c *Curve) Cusps(from, to float64) (list []Cusp) {
	if c.Z != nil {
		return nil
	}
	speed := func(t float64) float64 { return c.speedAt(t) }
	size, middle := c.spread(from, to), 0.0
	if !(size > 0) {
		return nil
	}
	const looks = 64
	for k := range looks {
		if v := speed(from + (to-from)*(float64(k)+0.5)/looks); v == v && !math.IsInf(v, 0) {
			middle += v / looks
		}
	}
	startX, startY, _ := c.At(from)
	endX, endY, _ := c.At(to)
	closes := math.Hypot(endX-startX, endY-startY) < 1e-9*size
	for _, t := range least(speed, from, to) {
		if !closes && math.Min(t-from, to-t) < 1e-6*(to-from) {
			continue // there it only begins or ends
		}
		// Rounding leaves half of the digits of the place at which the speed is least.
		if !(speed(t) < 1e-6*middle) {
			continue
		}
		h := 1e-4 * (to - from) / math.Max(1, (to-from)/(2*math.Pi))
		inX, inY, _ := c.Velocity(t - h)
		outX, outY, _ := c.Velocity(t + h)
		in, out := math.Hypot(inX, inY), math.Hypot(outX, outY)
		if !(in > 0 && out > 0) || inX*outX+inY*outY > -0.9*in*out {
			continue
		}
		x, y, _ := c.At(t)
		place := Place{roundedTo(x, 1e-9*size), roundedTo(y, 1e-9*size)}
		known := false
		for _, other := range list {
			known = known || math.Hypot(other.X-place.X, other.Y-place.Y) < 1e-6*size
		}
		if !known && len(list) < mostSpecial {
			list = append(list, Cusp{place, t, tangentOf(outX/out-inX/in, outY/out-inY/in)})
		}
	}
	return list
}

func roundedTo(v, slack float64) float64 {
	if math.Abs(v) < slack {
		return 0
	}
	return v
}

// tangentOf is the angle of a line from −π/2 (not included) to π/2.
func tangentOf(dx, dy float64) float64 {
	if math.Abs(dx) < 1e-3*math.Abs(dy) {
		return math.Pi / 2
	}
	if math.Abs(dy) < 1e-3*math.Abs(dx) {
		return 0
	}
	return math.Atan(dy / dx)
}

func (c *Curve) speedAt(t float64) float64 {
	x, y, z := c.Velocity(t)
	return math.Sqrt(x*x + y*y + z*z)
}

// Extreme is a value of the parameter at which something is largest or smallest, with its value there.
type Extreme struct{ T, Value float64 }

// Speeds are where the point is fastest and where it is slowest; none where it runs evenly, or runs off.
func (c *Curve) Speeds(from, to float64) (fastest, slowest []Extreme) {
	high := c.extremes(func(t float64) float64 { return -c.speedAt(t) }, from, to)
	low := c.extremes(c.speedAt, from, to)
	if len(high) == 0 || len(low) == 0 || -high[0].Value-low[0].Value < 1e-9*-high[0].Value || math.IsInf(high[0].Value, 0) {
		return nil, nil
	}
	for i := range high {
		high[i].Value = -high[i].Value
	}
	return high, low
}

// extremes are the places of the least value of all.
func (c *Curve) extremes(f func(t float64) float64, from, to float64) (list []Extreme) {
	best := math.Inf(1)
	for _, t := range least(f, from, to) {
		v := f(t)
		slack := 1e-9 * max(1, math.Abs(v))
		switch {
		case v < best-slack:
			best, list = v, []Extreme{{t, v}}
		case v <= best+slack && len(list) < mostSpecial:
			list = append(list, Extreme{t, v})
		}
	}
	return list
}

// Asymptote is a line −x sin d + y cos d = p, by its direction d, from −π/2 to π/2, and its distance p to the left of that.
type Asymptote struct{ Direction, Distance float64 }

// Asymptotes are the lines to which the curve tends where it runs off within the interval: its way there has a limit, and so has its
// distance from the line through the origin in that direction (common practice).
func (c *Curve) Asymptotes(from, to float64) (list []Asymptote) {
	if c.Z != nil {
		return nil
	}
	size := c.spread(from, to)
	for _, p := range c.pieces(from, to) {
		for _, way := range [2][2]float64{{p.from, p.to}, {p.to, p.from}} {
			if c.leaves(0, way[0], way[1]) == 0 && c.leaves(1, way[0], way[1]) == 0 {
				continue
			}
			a, ok := c.asymptoteAt(way[0], way[1], size)
			if !ok {
				continue
			}
			known := false
			for _, other := range list {
				known = known || math.Abs(a.Direction-other.Direction) < 1e-6 && math.Abs(a.Distance-other.Distance) < 1e-6*size
			}
			if !known && len(list) < mostSpecial {
				list = append(list, a)
			}
		}
	}
	return list
}

// asymptoteAt follows the curve towards an end at which it runs off: the error of direction and distance falls with the step, so that half
// steps tell the limit (Richardson).
func (c *Curve) asymptoteAt(end, other, size float64) (a Asymptote, ok bool) {
	look := func(h float64) (angle, p float64) {
		t := end + (other-end)*h
		x, y, _ := c.At(t)
		vx, vy, _ := c.Velocity(t)
		v := math.Hypot(vx, vy)
		return math.Atan2(vy/v, vx/v), (vx*y - vy*x) / v
	}
	limit := func(h float64) (angle, p float64) {
		d1, p1 := look(h)
		d2, p2 := look(h / 2)
		return d2 + math.Remainder(d2-d1, math.Pi), 2*p2 - p1
	}
	const first, second = 1e-4, 2.5e-5
	d1, p1 := limit(first)
	d2, p2 := limit(second)
	if !(math.Abs(math.Remainder(d2-d1, math.Pi)) < 1e-6) || !(math.Abs(p2-p1) < 1e-5*size) {
		return a, false
	}
	direction := math.Remainder(d2, math.Pi)
	distance := p2
	if math.Abs(math.Remainder(d2-direction, 2*math.Pi)) > 1 {
		distance = -distance
	}
	if direction < -math.Pi/2+1e-6 {
		direction, distance = direction+math.Pi, -distance
	}
	return Asymptote{roundedTo(direction, 1e-7), roundedTo(distance, 1e-6*size)}, true
}

// isImage tells whether the image of the curve under a map of the plane lies on the curve: places of it are looked for there and closed in.
func (c *Curve) isImage(image func(p Place) Place, from, to float64) bool {
	size := c.spread(from, to)
	const tries, looks, nearby = 29, 1200, 0.05
	var places [looks + 1]Place
	for k := range places {
		x, y, _ := c.At(from + (to-from)*float64(k)/looks)
		places[k] = Place{x, y}
	}
	found := 0
	for k := range tries {
		x, y, _ := c.At(from + (to-from)*math.Mod(float64(k)*math.Sqrt2+0.137, 1))
		p := image(Place{x, y})
		if math.IsNaN(p.X+p.Y) || math.Hypot(x, y) > 5*size {
			continue
		}
		found++
		away := orInfinite(func(t float64) float64 {
			x, y, _ := c.At(t)
			return math.Hypot(x-p.X, y-p.Y)
		})
		// Where branches cross, the nearest place of all may lie on another one than that on which the image lies.
		step, isOn := (to-from)/looks, false
		for i := 0; i <= looks && !isOn; i++ {
			before, after := places[max(0, i-1)], places[min(looks, i+1)]
			d := math.Hypot(places[i].X-p.X, places[i].Y-p.Y)
			if d > math.Hypot(before.X-p.X, before.Y-p.Y) || d > math.Hypot(after.X-p.X, after.Y-p.Y) || !(d < nearby*size) {
				continue
			}
			t := golden(away, math.Max(from, from+step*float64(i-1)), math.Min(to, from+step*float64(i+1)))
			isOn = away(t) < 1e-6*size
		}
		if !isOn {
			return false
		}
	}
	return found > tries/2
}

// SymmetriesOn are those of the curve on an interval, for a polar and for a parametric one: in the axes, and about the origin.
func (c *Curve) SymmetriesOn(from, to float64) (s Symmetry) {
	if c.Z != nil {
		return s
	}
	if c.R != nil {
		s = c.Symmetries()
	}
	s.InX = s.InX || c.isImage(func(p Place) Place { return Place{p.X, -p.Y} }, from, to)
	s.InY = s.InY || c.isImage(func(p Place) Place { return Place{-p.X, p.Y} }, from, to)
	s.AtPole = s.AtPole || c.isImage(func(p Place) Place { return Place{-p.X, -p.Y} }, from, to)
	return s
}
