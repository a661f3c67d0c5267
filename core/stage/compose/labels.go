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
	// Lines are the records of the curve, on which a label goes on standing that stood there.
	Lines []float32
	// Pen is how the curve is drawn, for a legend; a width of 0 stands for what is no curve.
	Pen Strokes
}

// Room knows what is taken on a panel, by cells of a few pixels.
type Room struct {
	cols, rows int
	cost       []uint8
}

const cell = 5

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
	a := Anchor{Lines: data}
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

// Gaps in pixels between a label and what it belongs to, nearest first: a point is larger than a line.
var (
	gapsOfPoints = [5]float64{8, 14, 22, 40, 60}
	gapsOfCurves = [5]float64{5, 11, 18, 36, 54}
)

// farFromOwn is the distance from which a line leads from a label to its own.
const farFromOwn = 24.0

// ringsOfLeaders is the first of the gaps so wide that a line leads over it: a label that stands there comes nearer when it can.
const ringsOfLeaders = 3

// spot is where a label stands: on which side of its place, in which of the gaps.
type spot struct {
	side, ring int
	at         [2]float64
}

// stays is how far a place may move between two pictures so that a label goes on standing at it.
const stays = 60.0

// placeOne tries the sides of the label's places and takes the one that covers least and is nearest. A label that stood
// somewhere in the last picture stays there while it covers nothing, so that it glides with a dial and does not jump
// (candidates with costs, started from the last solution: Christensen, Marks and Shieber, ACM Transactions on Graphics 14, 1995).
func (c *Composer) placeOne(a Anchor) {
	v := c.View
	size := c.labelSize(a.Label)
	gaps := gapsOfCurves
	if a.IsPoint {
		gaps = gapsOfPoints
	}
	best, bestX, bestY, stands := math.MaxInt, a.X, a.Y, spot{at: [2]float64{a.X, a.Y}}
	was, stood := c.spots[a.Label.ID]
	try := func(at [2]float64, penalty int) {
		held := stood && math.Hypot(at[0]-was.at[0], at[1]-was.at[1]) < stays
		for k, side := range around {
			for ring, gap := range gaps {
				distant := k + 6*ring + penalty
				keeps := held && k == was.side && ring == was.ring && ring < ringsOfLeaders
				if distant >= best && !keeps {
					continue
				}
				if side[0] != 0 && side[1] != 0 {
					gap *= math.Sqrt2 / 2
				}
				x := at[0] + side[0]*gap - size.Width*(1-side[0])/2
				y := at[1] + side[1]*gap - size.Height*(1-side[1])/2
				covered := c.Room.covered(x, y, size.Width, size.Height, v)
				cost := covered*8 + distant
				if keeps && covered == 0 {
					cost = int(math.Hypot(at[0]-was.at[0], at[1]-was.at[1])) - int(stays)
				}
				if cost < best {
					best, bestX, bestY, stands = cost, x, y, spot{k, ring, at}
				}
			}
		}
	}
	if nearest, is := a.nearestTo(was.at, v); stood && is {
		try(nearest, 0)
	}
	try([2]float64{a.X, a.Y}, 0)
	for i, other := range a.Others {
		try(other, 4+4*i)
	}
	// A label that no side of its point has room for is held inside the panel.
	bestX = math.Max(2, math.Min(bestX, v.Width-size.Width-2))
	bestY = math.Max(2, math.Min(bestY, v.Height-size.Height-2))
	if c.spots == nil {
		c.spots = map[string]spot{}
	}
	c.spots[a.Label.ID] = stands
	a.Label.At = stands.at
	c.lead(a.Label, bestX, bestY, size)
	c.writeLabel(a.Label, bestX, bestY)
}

// nearestTo is the place of a curve in sight that is nearest to another; false for what is no curve.
func (a *Anchor) nearestTo(at [2]float64, v view.View) (nearest [2]float64, is bool) {
	least := math.Inf(1)
	eachLine(a.Lines, func(points []float32) {
		for i := 0; i+1 < len(points); i += 2 {
			x, y := float64(points[i]), float64(points[i+1])
			if x < 10 || x > v.Width-10 || y < 10 || y > v.Height-10 {
				continue
			}
			if away := math.Hypot(x-at[0], y-at[1]); away < least {
				least, nearest, is = away, [2]float64{x, y}, true
			}
		}
	})
	return nearest, is
}

// lead draws a thin line from a label to what it belongs to where that is far.
func (c *Composer) lead(l picture.Label, x, y float64, size Size) {
	near := [2]float64{math.Max(x, math.Min(l.At[0], x+size.Width)), math.Max(y, math.Min(l.At[1], y+size.Height))}
	if math.Hypot(near[0]-l.At[0], near[1]-l.At[1]) > farFromOwn {
		c.Segment(Stroke(l.Colour, 1, picture.Whole, 1), l.At, near)
	}
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
