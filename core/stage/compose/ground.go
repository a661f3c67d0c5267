package compose

import (
	"fmt"
	"math"
	"slices"
	"strings"

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
	c.pic.Texts = c.pic.Texts[:0]
	c.taken = c.taken[:0]
	x := ticks(p.TicksX, v.Left, v.Right, v.Width/c.size())
	y := ticks(p.TicksY, v.Bottom, v.Top, v.Height/c.size())
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
	if p.Axes {
		upright(picture.Axis, 1.6, 0)
		level(picture.Axis, 1.6, 0)
		outward := 0.0
		if p.Kind == document.Around {
			// The circle passes through the places of its radius: the numbers stand outside of it.
			outward = outside
		}
		c.numbers(x, y, outward)
	}
	c.pic.Ground = c.Pen.Data
	c.pic.GroundStamp++
}

// numbers writes the ticks beside the axes, or at the edge when an axis is out of sight; those that an edge would cut
// are left out.
func (c *Composer) numbers(x, y axis, outward float64) {
	v := c.View
	size := c.size()
	below, beside, half := 14*size, 8.0, 9*size
	lowest := 2 * below
	if slices.ContainsFunc(x.ticks, func(t tick) bool { return stacked(t.text) != "" }) {
		lowest = 2.4 * below
	}
	baseline := math.Max(0, math.Min(v.Y(0), v.Height-lowest)) + below
	for _, t := range x.ticks {
		at := v.X(t.value) + math.Copysign(outward*size, t.value)
		room := 5 * size * float64(len([]rune(t.text)))
		if t.value == 0 || at < room || at > v.Width-room {
			continue
		}
		c.write(t.text, at, baseline, picture.Centre)
	}
	edge := math.Max(30*size, math.Min(v.X(0), v.Width-4)) - beside
	for _, t := range y.ticks {
		at := v.Y(t.value) - math.Copysign(outward*size, t.value)
		if t.value == 0 || at < half || at > v.Height-half {
			continue
		}
		c.write(t.text, edge, at, picture.Right)
	}
	if zx, zy := v.X(0), v.Y(0); zx > 20 && zx < v.Width && zy > 0 && zy < v.Height-20 {
		c.write("0", zx-beside, zy+below, picture.Right)
	}
}

// write puts a number beside an axis, a fraction of π as a fraction.
func (c *Composer) write(text string, x, y float64, a picture.Align) {
	if latex := stacked(text); latex != "" {
		c.writeFraction(latex, x, y, a)
		return
	}
	c.pic.Texts = append(c.pic.Texts, text)
	c.Pen.Text(picture.Ink, len(c.pic.Texts)-1, x, y, a)
	// The shipped face's digits are about 8 pixels wide and 14 high at the usual size.
	width, height := 8*c.size()*float64(len([]rune(text))), 14*c.size()
	left := map[picture.Align]float64{picture.Left: x, picture.Centre: x - width/2, picture.Right: x - width}[a]
	c.taken = append(c.taken, [4]float64{left, y - height/2, width, height})
}

// fractionEm is the em of a fraction beside an axis in pixels: its parts are as large as the other numbers.
const fractionEm = 20.0

// writeFraction puts a fraction where a number would stand: below an axis with its top where theirs is, else in the middle.
func (c *Composer) writeFraction(latex string, x, y float64, a picture.Align) {
	box, em := c.set(latex), fractionEm*c.size()
	width, height := box.Width*em, (box.Height+box.Depth)*em
	left := map[picture.Align]float64{picture.Left: x, picture.Centre: x - width/2, picture.Right: x - width}[a]
	top := y - height/2
	if a == picture.Centre {
		top = y - 7*c.size()
	}
	c.pic.Texts = c.writeBox(box, em, left, top+box.Height*em, picture.Ink, true, c.pic.Texts)
	c.taken = append(c.taken, [4]float64{left, top, width, height})
}

// stacked is a fraction of π as a formula; empty for another number.
func stacked(text string) string {
	above, below, is := strings.Cut(text, "/")
	if !is || !strings.Contains(above, "π") {
		return ""
	}
	sign := ""
	if rest, negative := strings.CutPrefix(above, number.Minus); negative {
		sign, above = "-", rest
	}
	return sign + `\frac{` + strings.ReplaceAll(above, "π", `\pi `) + "}{" + below + "}"
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
		if k%6 == 0 || k%2 == 1 {
			continue
		}
		// Each ray of 30° is numbered at the rim of the largest circle that fits.
		rim := math.Min(math.Min(v.Right, -v.Left), math.Min(v.Top, -v.Bottom)) * 0.93
		text := fmt.Sprintf("%d°", 15*k)
		if !d.IsInDegrees() {
			text = number.OfPi(k, 12)
		}
		if rim > 0 {
			c.write(text, v.X(rim*cos), v.Y(rim*sin), picture.Centre)
		}
	}
}
