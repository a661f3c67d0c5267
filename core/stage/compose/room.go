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

	anybody = ^owners(0)
)

// cell is the side of a cell in pixels.
const cell = 3.0

// Room knows what is taken on a panel, by cells of a few pixels.
type Room struct {
	cols, rows int
	taken      []owners
}

func (r *Room) reset(v view.View) {
	r.cols, r.rows = int(v.Width/cell)+1, int(v.Height/cell)+1
	if n := r.cols * r.rows; n > cap(r.taken) {
		r.taken = make([]owners, n)
	} else {
		r.taken = r.taken[:n]
		clear(r.taken)
	}
}

// cells are the columns and rows of the cells that a rectangle lies on, the last included; none where it lies outside.
func (r *Room) cells(b box) (left, right, top, bottom int) {
	toX, toY := b.x+b.width, b.y+b.height
	if !(toX >= 0 && toY >= 0) {
		return 0, -1, 0, -1
	}
	return max(0, int(b.x*(1/cell))), min(r.cols-1, int(toX*(1/cell))), max(0, int(b.y*(1/cell))), min(r.rows-1, int(toY*(1/cell)))
}

// row are the cells of one row from a column to another.
func (r *Room) row(k, left, right int) []owners { return r.taken[k*r.cols+left : k*r.cols+right+1] }

// add marks the cell of a pixel.
func (r *Room) add(x, y float64, by owners) { r.take(box{x, y, 0, 0}, by) }

// take marks a rectangle.
func (r *Room) take(b box, by owners) {
	left, right, top, bottom := r.cells(b)
	if left > right {
		return
	}
	for k := top; k <= bottom; k++ {
		row := r.row(k, left, right)
		for i := range row {
			row[i] |= by
		}
	}
}

// fine is a cell in the whole numbers in which lines are followed, and its power of two; farthest bounds them, in pixels.
const fineBits, fine, farthest = 16, 1 << fineBits, 1e5

// line marks the cells that a line of pixels crosses. It is run for every curve of every frame: places are whole numbers, since turning
// each into one of a cell took longer than all else.
func (r *Room) line(points []float32, by owners) {
	if len(points) < 2 {
		return
	}
	x, y := finely(points[0]), finely(points[1])
	for i := 2; i+1 < len(points); i += 2 {
		toX, toY := finely(points[i]), finely(points[i+1])
		dx, dy := toX-x, toY-y
		// The end of a step is the beginning of the next.
		if steps := (max(dx, -dx, dy, -dy) + fine - 1) >> fineBits; steps <= 1 {
			r.marks(x, y, 0, 0, 1, by)
		} else {
			r.marks(x, y, dx/steps, dy/steps, steps, by)
		}
		x, y = toX, toY
	}
	r.marks(x, y, 0, 0, 1, by)
}

// finely is a length in these numbers; what is no number is taken to be far off.
func finely(pixels float32) int {
	if !(pixels > -farthest) {
		pixels = -farthest
	}
	return int(min(float64(pixels), farthest) * (fine / cell))
}

// marks marks the cells of so many places at equal steps.
func (r *Room) marks(x, y, dx, dy, steps int, by owners) {
	taken, cols, rows := r.taken, uint(r.cols), uint(r.rows)
	for range steps {
		// What lies to the left or above is a large number here.
		if i, k := uint(x>>fineBits), uint(y>>fineBits); i < cols && k < rows {
			taken[k*cols+i] |= by
		}
		x, y = x+dx, y+dy
	}
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

// holds tells that one of these has a cell of a rectangle.
func (r *Room) holds(b box, any owners) bool {
	left, right, top, bottom := r.cells(b)
	if left > right {
		return false
	}
	for k := top; k <= bottom; k++ {
		for _, o := range r.row(k, left, right) {
			if o&any != 0 {
				return true
			}
		}
	}
	return false
}

// at tells what takes the cell of a pixel.
func (r *Room) at(x, y float64) owners {
	left, right, top, bottom := r.cells(box{x, y, 0, 0})
	if left > right || top > bottom {
		return 0
	}
	return r.row(top, left, left)[0]
}

// covered counts the cells of a rectangle that are taken.
func (r *Room) covered(b box) (cells int) {
	left, right, top, bottom := r.cells(b)
	if left > right {
		return 0
	}
	for k := top; k <= bottom; k++ {
		for _, o := range r.row(k, left, right) {
			if o != 0 {
				cells++
			}
		}
	}
	return cells
}

// byCells is how many cells farther what is twice as far must be, since distances are counted in whole cells.
const byCells = 1.5

// isClear tells that nothing of others is nearer to a rectangle than twice its own: own at most as far as most pixels.
func (r *Room) isClear(b box, own, others owners, most float64) bool {
	others &^= own
	if !r.holds(b.grown(2*most), others) {
		return true
	}
	toOwn, toOthers := r.nearest(b, own, others, most)
	return toOwn*cell <= most && toOthers > 2*toOwn+byCells
}

// nearest is how many cells off a rectangle the nearest of own and of others are, at least one; of others as far as twice as far as most
// pixels, and own half as far.
func (r *Room) nearest(b box, own, others owners, most float64) (toOwn, toOthers float64) {
	far := int(most / cell)
	left, right, top, bottom := r.cells(b)
	reach := 2*far + 2
	nearOwn, nearOthers := (far+1)*(far+1), reach*reach
	fromLeft, fromRight := max(0, left-reach), min(r.cols-1, right+reach)
	for k := max(0, top-reach); k <= min(r.rows-1, bottom+reach); k++ {
		up := max(0, top-k, k-bottom)
		for i, o := range r.row(k, fromLeft, fromRight) {
			if o&(own|others) == 0 {
				continue
			}
			i += fromLeft
			aside := max(0, left-i, i-right)
			away := max(1, up*up+aside*aside)
			if o&own != 0 {
				nearOwn = min(nearOwn, away)
			}
			if o&others != 0 {
				nearOthers = min(nearOthers, away)
			}
		}
	}
	return math.Sqrt(float64(nearOwn)), math.Sqrt(float64(nearOthers))
}
