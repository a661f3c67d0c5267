package compose

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Anchor is what a label belongs to, in pixels.
type Anchor struct {
	X, Y    float64
	IsPoint bool
	Label   picture.Label
	// Others are further places on a curve where its label may stand.
	Others [][2]float64
	// Pen is how the curve is drawn, for a legend; a width of 0 stands for what is no curve.
	Pen Strokes
}

// Room knows what is taken on a panel, by cells of a few pixels.
type Room struct {
	cols, rows int
	cost       []uint8
}

const cell = 8

// lineCost is what covering a piece of a line costs a label.
const lineCost = 4

func (r *Room) reset(v view.View) {
	r.cols, r.rows = int(v.Width/cell)+1, int(v.Height/cell)+1
	if n := r.cols * r.rows; cap(r.cost) < n {
		r.cost = make([]uint8, n)
	} else {
		r.cost = r.cost[:n]
		clear(r.cost)
	}
}

func (r *Room) add(x, y float64, cost uint8) {
	i, k := int(x/cell), int(y/cell)
	if x >= 0 && y >= 0 && i < r.cols && k < r.rows {
		r.cost[k*r.cols+i] = max(r.cost[k*r.cols+i], cost)
	}
}

// Take marks a rectangle.
func (r *Room) Take(x, y, w, h float64, cost uint8) {
	for py := y; py < y+h+cell; py += cell {
		for px := x; px < x+w+cell; px += cell {
			r.add(math.Min(px, x+w), math.Min(py, y+h), cost)
		}
	}
}

// Lines marks the cells that the lines of a list of records cross.
func (r *Room) Lines(data []float32) {
	eachLine(data, func(points []float32) {
		for i := 2; i+1 < len(points); i += 2 {
			x1, y1 := float64(points[i-2]), float64(points[i-1])
			dx, dy := float64(points[i])-x1, float64(points[i+1])-y1
			long := math.Abs(dx)
			if up := math.Abs(dy); up > long {
				long = up
			}
			// The end of a step is the beginning of the next.
			steps := math.Ceil(long / cell * 1.5)
			for k := 0.0; k < steps; k++ {
				r.add(x1+dx*k/steps, y1+dy*k/steps, lineCost)
			}
		}
		if n := len(points); n > 1 {
			r.add(float64(points[n-2]), float64(points[n-1]), lineCost)
		}
	})
}

func eachLine(data []float32, visit func(points []float32)) {
	for r := range picture.Records(data) {
		if op := picture.Op(r[0]); op == picture.Line || op == picture.Area {
			visit(r[6:])
		}
	}
}

// covered sums what a rectangle would cover; outside the panel costs most.
func (r *Room) covered(x, y, w, h float64, v view.View) int {
	const outside = 10000
	if x < 2 || y < 2 || x+w > v.Width-2 || y+h > v.Height-2 {
		return outside
	}
	total := 0
	for k := int(y / cell); k <= int((y+h)/cell) && k < r.rows; k++ {
		for i := int(x / cell); i <= int((x+w)/cell) && i < r.cols; i++ {
			total += int(r.cost[k*r.cols+i])
		}
	}
	return total
}

// OnLines offers places along a curve's visible lines, the right end first, where labels are looked for.
func (b *Brush) OnLines(data []float32) (Anchor, bool) {
	v := b.View
	var a Anchor
	found := false
	eachLine(data, func(points []float32) {
		step := max(2, len(points)/2/8) * 2
		for i := len(points) - 2; i >= 0; i -= step {
			x, y := float64(points[i]), float64(points[i+1])
			if x < 10 || x > v.Width-10 || y < 10 || y > v.Height-10 {
				continue
			}
			if !found {
				a.X, a.Y, found = x, y, true
			} else if len(a.Others) < 12 {
				a.Others = append(a.Others, [2]float64{x, y})
			}
		}
		// A straight line may have no point inside the panel but its ends.
		if n := len(points); !found && n >= 4 {
			a.X = float64(points[0])*0.3 + float64(points[n-2])*0.7
			a.Y = float64(points[1])*0.3 + float64(points[n-1])*0.7
			found = a.X > 0 && a.X < v.Width && a.Y > 0 && a.Y < v.Height
		}
	})
	return a, found
}

// around are the directions in which a label is tried, right above first.
var around = [][2]float64{{1, -1}, {1, 1}, {-1, -1}, {-1, 1}, {1, 0}, {-1, 0}, {0, -1}, {0, 1}}

// place puts every label where it covers least: points first, since they cannot choose.
func (c *Composer) place(anchors []Anchor) {
	for _, points := range []bool{true, false} {
		for _, a := range anchors {
			if a.IsPoint == points {
				c.placeOne(a)
			}
		}
	}
}

func (c *Composer) placeOne(a Anchor) {
	v := c.View
	size := c.labelSize(a.Label)
	best, bestX, bestY := math.MaxInt, a.X, a.Y
	try := func(x, y float64, penalty int) {
		for k, side := range around {
			for ring := range 3 {
				distant := k + 6*ring + penalty
				if distant >= best {
					continue
				}
				gap := 10 + 10*float64(ring)
				px := x + side[0]*gap - size.Width*(1-side[0])/2
				py := y + side[1]*gap - size.Height*(1-side[1])/2
				if cost := c.Room.covered(px, py, size.Width, size.Height, v)*8 + distant; cost < best {
					best, bestX, bestY = cost, px, py
				}
			}
		}
	}
	try(a.X, a.Y, 0)
	for i, other := range a.Others {
		try(other[0], other[1], 4+4*i)
	}
	// A label that no side of its point has room for is held inside the panel.
	bestX = math.Max(2, math.Min(bestX, v.Width-size.Width-2))
	bestY = math.Max(2, math.Min(bestY, v.Height-size.Height-2))
	c.writeLabel(a.Label, bestX, bestY)
}

// Sizes of a legend in pixels: the piece of line before a name, and the room around and between.
const legendLine, legendGap, legendMargin = 34.0, 4.0, 12.0

// legend names the curves among the anchors in the corner that covers least, and gives back the others.
func (c *Composer) legend(anchors []Anchor) (rest []Anchor) {
	v := c.View
	var rows []Anchor
	width, height := 0.0, 0.0
	for _, a := range anchors {
		if a.IsPoint || a.Pen.Width == 0 {
			rest = append(rest, a)
			continue
		}
		size := c.labelSize(a.Label)
		width, height = math.Max(width, legendLine+8+size.Width), height+size.Height+legendGap
		rows = append(rows, a)
	}
	if len(rows) == 0 {
		return rest
	}
	best, left, top := math.MaxInt, legendMargin, legendMargin
	for _, corner := range [][2]float64{{v.Width - width - legendMargin, legendMargin}, {legendMargin, ControlsHeight + legendMargin},
		{v.Width - width - legendMargin, v.Height - height - legendMargin}, {legendMargin, v.Height - height - legendMargin}} {
		if cost := c.Room.covered(corner[0], corner[1], width, height, v); cost < best {
			best, left, top = cost, corner[0], corner[1]
		}
	}
	c.Room.Take(left, top, width, height, 60)
	for _, a := range rows {
		size := c.labelSize(a.Label)
		c.Pen.Segment(a.Pen.Colour, a.Pen.Width, a.Pen.Pattern, left, top+size.Height/2, left+legendLine, top+size.Height/2)
		c.writeLabel(a.Label, left+legendLine+8, top)
		top += size.Height + legendGap
	}
	return rest
}
