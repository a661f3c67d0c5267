package trajectory

import (
	"math"

	"parvix/core/numeric/bisect"
)

// Below is what a closed curve encloses under the graph of f, or, with below false, what it encloses over it.
func Below(a Path, f func(x float64) float64, below bool) (o Overlap, why Hindrance) {
	first, why := closedOf(a)
	if why != Free {
		return o, why
	}
	second, why := graphOver(first, f)
	if why != Free {
		return o, why
	}
	return overlap(first, second, below)
}

// graphOver is the graph of a function over the width of a closed curve. At both ends it goes on level for a little, so that the curve is
// crossed there and f is asked for nothing beside it; far above and below the curve it is level too. Where the curve reaches farthest both
// are cut: a graph that begins there may come in along it.
func graphOver(c *limit, f func(x float64) float64) (g *limit, why Hindrance) {
	left, right, edges := c.width()
	c.cuts = append(c.cuts, edges[:]...)
	bottom, top := c.heights()
	room := right - left + top - bottom
	height := func(x float64) float64 {
		return math.Max(bottom-room, math.Min(f(math.Max(left, math.Min(x, right))), top+room))
	}
	edge, step := 1e-3*(right-left), 1e-6*(right-left)
	path := Path{From: left - edge, To: right + edge,
		At: func(x float64) Place { return Place{x, height(x)} },
		Velocity: func(x float64) Place {
			from, to := math.Max(left, x-step), math.Min(x+step, right)
			if !(from < to) {
				return Place{1, 0}
			}
			return Place{1, (height(to) - height(from)) / (to - from)}
		}}
	g = &limit{Path: path, places: looked(path), cuts: []float64{path.From, left, right, path.To}}
	for i, p := range g.places {
		if math.IsNaN(p.Y) || i > 0 && jumps(height, g.places[i-1], p, room) {
			return g, Broken
		}
	}
	g.holds = func(at Place) bool { return at.Y < g.heightOf(at.X) }
	return g, Free
}

// jumps tells that between two places of a graph one halving after the other leaves most of their difference in height.
func jumps(height func(float64) float64, p, q Place, size float64) bool {
	const worthALook, halvings = 0.02, 40
	if math.Abs(q.Y-p.Y) <= worthALook*size {
		return false
	}
	a, b := p, q
	for range halvings {
		x := (a.X + b.X) / 2
		middle := Place{x, height(x)}
		if !(math.Abs(middle.Y-a.Y) <= math.Abs(b.Y-middle.Y)) {
			b = middle
		} else {
			a = middle
		}
	}
	return !(math.Abs(b.Y-a.Y) < math.Abs(q.Y-p.Y)/2)
}

// heightOf is the height of a graph's polygon.
func (g *limit) heightOf(x float64) float64 {
	at := math.Max(0, math.Min((x-g.From)/(g.To-g.From)*sharedLooks, sharedLooks))
	i := min(int(at), sharedLooks-1)
	return g.places[i].Y + (at-float64(i))*(g.places[i+1].Y-g.places[i].Y)
}

// width is how far a curve reaches to both sides, and where on it.
func (c *limit) width() (left, right float64, edges [2]float64) {
	nearest, farthest := 0, 0
	for i, p := range c.places {
		if p.X < c.places[nearest].X {
			nearest = i
		}
		if p.X > c.places[farthest].X {
			farthest = i
		}
	}
	edges = [2]float64{c.turning(nearest, -1), c.turning(farthest, 1)}
	return c.At(edges[0]).X, c.At(edges[1]).X, edges
}

// turning is where a curve reaches farthest around one of the places at which it was looked at: to the right where way is 1, to the left
// where it is −1. There its velocity across changes its sign.
func (c *limit) turning(place int, way float64) float64 {
	step := (c.To - c.From) / sharedLooks
	t := c.From + float64(place)*step
	away := func(t float64) bool { return way*c.Velocity(t).X > 0 }
	from, to := math.Max(c.From, t-step), math.Min(t+step, c.To)
	if !away(from) || away(to) {
		return t
	}
	_, after := bisect.Change(away, from, to, 60)
	return after
}

// heights are how far down and up a curve reaches, as it was looked at.
func (c *limit) heights() (bottom, top float64) {
	bottom, top = math.Inf(1), math.Inf(-1)
	for _, p := range c.places {
		bottom, top = math.Min(bottom, p.Y), math.Max(top, p.Y)
	}
	return bottom, top
}

// firstRun is the first run of a curve that is run through several times, as r = 2 cos θ from 0 to 2π is.
func firstRun(p Path) Path {
	const mostRuns, places = 24, 16
	same := func(p, q Place) bool {
		return math.Hypot(p.X-q.X, p.Y-q.Y) <= 1e-9*(1+math.Hypot(p.X, p.Y))
	}
runs:
	for runs := mostRuns; runs > 1; runs-- {
		length := (p.To - p.From) / float64(runs)
		for k := range places {
			// All over the interval: a curve may stand still on a part of it.
			t := p.From + (p.To-length-p.From)*(float64(k)+0.37)/places
			if !same(p.At(t), p.At(t+length)) {
				continue runs
			}
		}
		p.To = p.From + length
		return p
	}
	return p
}
