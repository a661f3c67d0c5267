package compose

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// outside is how far from its place a number stands that the circle passes through.
const outside = 12

func (c *Composer) composeGround(f *evaluate.Frame) {
	v, p := c.View, f.Panel
	c.Pen.Data = c.pic.Ground[:0]
	x := ticks(p.TicksX, p.StepX, v.Left, v.Right, v.Width/c.size())
	y := ticks(p.TicksY, p.StepY, v.Bottom, v.Top, v.Height/c.size())
	for _, list := range [][]tick{x.ticks, y.ticks} {
		for i := range list {
			list[i].text = f.Now.Numeral(list[i].text)
		}
	}
	upright := func(colour picture.Colour, width float32, at float64) {
		c.Pen.Segment(colour, width, picture.Whole, v.X(at), 0, v.X(at), v.Height)
	}
	level := func(colour picture.Colour, width float32, at float64) {
		c.Pen.Segment(colour, width, picture.Whole, 0, v.Y(at), v.Width, v.Y(at))
	}
	if p.Grid && p.Polar {
		c.polarGrid(f.Now, x)
	} else if p.Grid {
		for _, at := range x.fine {
			upright(picture.FineGrid, 1, at)
		}
		for _, at := range y.fine {
			level(picture.FineGrid, 1, at)
		}
		for _, t := range x.ticks {
			upright(picture.Grid, 1, t.value)
		}
		for _, t := range y.ticks {
			level(picture.Grid, 1, t.value)
		}
	}
	c.numbers.Brush, c.numbers.set, c.numbers.numerals = &c.Brush, c.set, c.numbers.numerals[:0]
	if p.Axes {
		upright(picture.Axis, axisWidth, 0)
		level(picture.Axis, axisWidth, 0)
		c.arrowheads()
		outward := 0.0
		if p.Kind == document.Around {
			// The circle passes through the places of its radius: the numbers stand outside of it.
			outward = outside
		}
		c.numbers.find(x, y, [2]string{c.style.names[0], c.style.names[1]}, outward)
	}
	if p.Grid && p.Polar {
		c.findRayNumbers(f.Now)
	}
	c.pic.Ground = c.Pen.Data
	c.pic.GroundStamp++
}

// axisWidth is that of an axis' line, arrowhead the length of its head.
const axisWidth, arrowhead = 1.6, 9.0

// arrowheads draws the heads of the axes at the panel's edges.
func (c *Composer) arrowheads() {
	v := c.View
	if y := v.Y(0); y > 0 && y < v.Height {
		c.head([2]float64{v.Width, y}, [2]float64{-1, 0})
	}
	if x := v.X(0); x > 0 && x < v.Width {
		c.head([2]float64{x, 0}, [2]float64{0, 1})
	}
}

// head draws an arrowhead with its tip at a place.
func (b *Brush) head(tip, back [2]float64) {
	length := arrowhead * b.size()
	start := b.Pen.Area(picture.Axis, 1)
	b.Pen.To(tip[0], tip[1])
	for _, side := range [2]float64{0.4, -0.4} {
		b.Pen.To(tip[0]+length*(back[0]+side*back[1]), tip[1]+length*(back[1]+side*back[0]))
	}
	b.Pen.EndLine(start)
}

// polarGrid draws circles about the pole and rays, numbered along the axis and around.
func (c *Composer) polarGrid(d evaluate.Moment, x axis) {
	v, far := c.View, 0.0
	for _, corner := range [4][2]float64{{v.Left, v.Bottom}, {v.Left, v.Top}, {v.Right, v.Bottom}, {v.Right, v.Top}} {
		far = math.Max(far, math.Hypot(corner[0], corner[1]))
	}
	step := 1.0
	if n := len(x.ticks); n > 1 {
		step = x.ticks[1].value - x.ticks[0].value
	}
	const mostCircles = 60
	for k := 1.0; k*step <= far && k < mostCircles; k++ {
		c.Around([2]float64{}, k*step, 0, 2*math.Pi, Stroke(picture.Grid, 1, picture.Whole, 1))
	}
	pole := [2]float64{v.X(0), v.Y(0)}
	for k := range 24 {
		sin, cos := math.Sincos(float64(k) * math.Pi / 12)
		colour := picture.FineGrid
		if k%2 == 0 {
			colour = picture.Grid
		}
		c.Segment(Stroke(colour, 1, picture.Whole, 1), pole, [2]float64{v.X(far * cos), v.Y(far * sin)})
	}
}

// findRayNumbers gathers the numbers of the rays, each of 30°, at the rim of the largest circle that fits.
func (c *Composer) findRayNumbers(d evaluate.Moment) {
	v := c.View
	rim := math.Min(math.Min(v.Right, -v.Left), math.Min(v.Top, -v.Bottom)) * 0.93
	if rim <= 0 {
		return
	}
	for k := 2; k < 24; k += 2 {
		if k%6 == 0 {
			continue
		}
		text := fmt.Sprintf("%d°", 15*k)
		if !d.IsInDegrees() {
			text = number.OfPi(k, 12)
		}
		n := numeral{text: text, latex: stacked(text)}
		room := c.numbers.sizeOf(&n)
		sin, cos := math.Sincos(float64(k) * math.Pi / 12)
		for _, share := range [4]float64{1, 0.9, 0.8, 0.7} {
			n.places = append(n.places, c.numbers.at(room, v.X(rim*share*cos), v.Y(rim*share*sin), 0, 0))
		}
		c.numbers.numerals = append(c.numbers.numerals, n)
	}
}
