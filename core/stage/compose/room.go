package compose

import (
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// box is a rectangle of the panel in pixels.
type box struct{ x, y, width, height float64 }

func (b box) grown(by float64) box {
	return box{b.x - by, b.y - by, b.width + 2*by, b.height + 2*by}
}

func (b box) meets(o box) bool {
	return b.x < o.x+o.width && o.x < b.x+b.width && b.y < o.y+o.height && o.y < b.y+b.height
}

// from is how far the middle of a box is from that of another.
func (b box) from(o box) float64 {
	return math.Hypot(b.x+b.width/2-o.x-o.width/2, b.y+b.height/2-o.y-o.height/2)
}

// nearest is the place of a box that is nearest to another.
func (b box) nearest(at [2]float64) [2]float64 {
	return [2]float64{math.Max(b.x, math.Min(at[0], b.x+b.width)), math.Max(b.y, math.Min(at[1], b.y+b.height))}
}

// segment is a straight line between two places.
type segment struct{ from, to [2]float64 }

func (s segment) length() float64 { return math.Hypot(s.to[0]-s.from[0], s.to[1]-s.from[1]) }

// crosses tells that a segment has a part in a box; most are told apart at once.
func (s segment) crosses(b box) bool {
	if max(s.from[0], s.to[0]) < b.x || min(s.from[0], s.to[0]) > b.x+b.width || max(s.from[1], s.to[1]) < b.y || min(s.from[1], s.to[1]) > b.y+b.height {
		return false
	}
	_, _, is := view.Cut(s.from[0], s.from[1], s.to[0], s.to[1], b.x, b.y, b.x+b.width, b.y+b.height)
	return is
}

// owners tells what takes a cell: one bit for what nothing may stand on, one for the axes, one for lines and one for points that
// have no label, and one for each of the labelled, which share them where they are many.
type owners uint64

const (
	firm owners = 1 << iota
	axisLine
	nobody
	unnamed
	firstOwner
)

// cell is the side of a cell in pixels.
const cell = 3.0

// Room knows what is taken on a panel, by cells of a few pixels.
type Room struct {
	cols, rows int
	taken      []owners
	// touched are the cells that are taken, so that only they are emptied.
	touched []int32
}

func (r *Room) reset(v view.View) {
	cols, rows := int(v.Width/cell)+1, int(v.Height/cell)+1
	if cols*rows > len(r.taken) {
		r.taken, r.touched = make([]owners, cols*rows), r.touched[:0]
	}
	for _, i := range r.touched {
		r.taken[i] = 0
	}
	r.cols, r.rows, r.touched = cols, rows, r.touched[:0]
}

// add marks the cell of a pixel.
func (r *Room) add(x, y float64, by owners) { r.mark(x*(1/cell), y*(1/cell), by) }

// take marks a rectangle.
func (r *Room) take(b box, by owners) {
	toX, toY := b.x+b.width, b.y+b.height
	if !(toX >= 0 && toY >= 0) {
		return
	}
	left, right := max(0, int(b.x*(1/cell))), min(r.cols-1, int(toX*(1/cell)))
	for k := max(0, int(b.y*(1/cell))); k <= int(toY*(1/cell)) && k < r.rows; k++ {
		for i := left; i <= right; i++ {
			r.own(k*r.cols+i, by)
		}
	}
}

// line marks the cells that a line of pixels crosses. It is run for every curve of every frame: places are counted in cells, and what
// stays in its cell is marked once.
func (r *Room) line(points []float32, by owners) {
	if len(points) < 2 {
		return
	}
	x, y := float64(points[0])*(1/cell), float64(points[1])*(1/cell)
	for i := 2; i+1 < len(points); i += 2 {
		toX, toY := float64(points[i])*(1/cell), float64(points[i+1])*(1/cell)
		dx, dy := toX-x, toY-y
		// The end of a step is the beginning of the next.
		steps := math.Ceil(math.Abs(dx))
		if up := math.Ceil(math.Abs(dy)); up > steps {
			steps = up
		}
		if steps <= 1 {
			r.mark(x, y, by)
		} else {
			r.marks(x, y, dx/steps, dy/steps, int(steps), by)
		}
		x, y = toX, toY
	}
	r.mark(x, y, by)
}

// marks marks the cells of so many places at equal steps.
func (r *Room) marks(x, y, dx, dy float64, steps int, by owners) {
	for range steps {
		r.mark(x, y, by)
		x, y = x+dx, y+dy
	}
}

// mark marks the cell of a place that is counted in cells.
func (r *Room) mark(x, y float64, by owners) {
	if !(x >= 0 && y >= 0) {
		return
	}
	i, k := int(x), int(y)
	if i >= r.cols || k >= r.rows {
		return
	}
	r.own(k*r.cols+i, by)
}

// own gives a cell one owner more.
func (r *Room) own(at int, by owners) {
	was := r.taken[at]
	if was|by == was {
		return
	}
	if was == 0 {
		r.touched = append(r.touched, int32(at))
	}
	r.taken[at] = was | by
}

// leastPoint is the radius from which a mark is a point of its own.
const leastPoint = 4.0

// beside marks the cells along a line at a distance from it.
func (r *Room) beside(points []float32, by float64, owner owners) {
	moved := make([]float32, 0, len(points))
	for i := 0; i+1 < len(points); i += 2 {
		k := min(i, len(points)-4)
		dx, dy := float64(points[k+2]-points[k]), float64(points[k+3]-points[k+1])
		if length := math.Hypot(dx, dy); length > 0 {
			moved = append(moved, points[i]+float32(-dy/length*by), points[i+1]+float32(dx/length*by))
		}
	}
	r.line(moved, owner)
}

// draw marks what a record draws: lines, the outlines of what is filled, points.
func (r *Room) draw(record []float32, by owners) {
	switch picture.Op(record[0]) {
	case picture.Line:
		r.line(record[6:], by)
		// A thick line takes what lies beside its middle too.
		for wide := float64(record[2])/2 - lineHalf; wide > 0.5; wide -= cell {
			r.beside(record[6:], wide, by)
			r.beside(record[6:], -wide, by)
		}
	case picture.Area:
		if record[4] == 1 {
			r.line(record[6:], by)
		}
	case picture.Marker:
		x, y, radius := float64(record[3]), float64(record[4]), float64(record[5])
		switch {
		case by == nobody && radius >= leastPoint:
			by = unnamed
		case by == nobody:
			by = 0 // a dot of a trace is no point that a label could be of
		}
		r.take(box{x, y, 0, 0}.grown(radius), by|firm)
	}
}

// in tells what takes a part of a rectangle.
func (r *Room) in(b box) (by owners) {
	left, right := max(0, int(b.x*(1/cell))), min(r.cols-1, int((b.x+b.width)*(1/cell)))
	if left > right {
		return 0
	}
	for k := max(0, int(b.y*(1/cell))); k <= int((b.y+b.height)*(1/cell)) && k < r.rows; k++ {
		for _, o := range r.taken[k*r.cols+left : k*r.cols+right+1] {
			by |= o
		}
	}
	return by
}

// covered counts the cells of a rectangle that are taken.
func (r *Room) covered(b box) (cells int) {
	left, right := max(0, int(b.x*(1/cell))), min(r.cols-1, int((b.x+b.width)*(1/cell)))
	for k := max(0, int(b.y*(1/cell))); k <= int((b.y+b.height)*(1/cell)) && k < r.rows; k++ {
		for i := left; i <= right; i++ {
			if r.taken[k*r.cols+i] != 0 {
				cells++
			}
		}
	}
	return cells
}

// isClear tells that nothing of others is nearer to a rectangle than twice its own: own at most as far as most pixels.
func (r *Room) isClear(b box, own, others owners, most float64) bool {
	others &^= own
	if r.in(b.grown(2*most))&others == 0 {
		return true
	}
	for near := cell; near <= most; near += cell {
		if r.in(b.grown(near))&own != 0 {
			return r.in(b.grown(2*near+cell))&others == 0
		}
	}
	return false
}
