package region

import (
	"math"
	"slices"

	"parvix/core/numeric/bisect"
	"parvix/core/numeric/interval"
)

// cutter cuts a panel into cells.
type cutter struct {
	*shape
	in []float64
}

// cell looks at a square: outside it is left, inside it is taken whole, and where a border may run it is quartered, down to
// the smallest, which are cut along the borders.
func (c *cutter) cell(x, y, size float64) {
	v := c.view
	across := interval.I{Lo: v.AtX(x), Hi: v.AtX(x + size)}
	up := interval.I{Lo: v.AtY(y + size), Hi: v.AtY(y)}
	if c.of.left < 0 {
		return
	}
	var open []int
	for i := range c.of.conditions {
		value := c.of.over(&c.of.conditions[i], across, up, c.in)
		switch {
		case value.IsEmpty() || value.Lo > 0 || c.of.conditions[i].equal && value.Hi < 0:
			return
		case !(value.Hi < 0):
			open = append(open, i)
		}
	}
	switch {
	case len(open) == 0:
		c.take([][2]float64{{x, y}, {x + size, y}, {x + size, y + size}, {x, y + size}})
	case size > c.shape.cell:
		half := size / 2
		c.cell(x, y, half)
		c.cell(x+half, y, half)
		c.cell(x, y+half, half)
		c.cell(x+half, y+half, half)
	default:
		c.cut(x, y, size, open)
	}
}

// corner is a corner of a polygon; edge is the condition whose border the side after it is, −1 for none.
type corner struct {
	at   [2]float64
	edge int
}

// cut takes of a smallest cell what the conditions leave, one after the other (Sutherland and Hodgman 1974).
func (c *cutter) cut(x, y, size float64, open []int) {
	polygon := []corner{{[2]float64{x, y}, -1}, {[2]float64{x + size, y}, -1}, {[2]float64{x + size, y + size}, -1}, {[2]float64{x, y + size}, -1}}
	for _, i := range open {
		var left []corner
		for k, from := range polygon {
			to := polygon[(k+1)%len(polygon)]
			here, there := c.holds(i, from.at), c.holds(i, to.at)
			if here {
				left = append(left, from)
			}
			if here != there {
				at := c.crossing(i, from.at, to.at, here)
				edge := i // on leaving, the side runs along the border
				if there {
					edge = from.edge
				}
				left = append(left, corner{at, edge})
			}
		}
		if polygon = left; len(polygon) == 0 {
			return
		}
	}
	outline := make([][2]float64, len(polygon))
	for k, p := range polygon {
		outline[k] = p.at
		if p.edge >= 0 && c.meets(p.edge, p.at) && c.meets(p.edge, polygon[(k+1)%len(polygon)].at) {
			c.borders[p.edge] = append(c.borders[p.edge], [2][2]float64{p.at, polygon[(k+1)%len(polygon)].at})
		}
	}
	if c.of.Equation == nil {
		c.take(outline)
	}
}

// meets tells that a border is really there: the value of an equation comes near to 0 and does not jump over it, as at a pole.
func (c *cutter) meets(i int, at [2]float64) bool {
	condition := &c.of.conditions[i]
	if !condition.equal {
		return true
	}
	size := func(dx, dy float64) float64 {
		c.of.left -= placeWork * condition.work
		c.in[0], c.in[1] = c.view.AtX(at[0]+dx), c.view.AtY(at[1]+dy)
		return math.Abs(condition.value(c.in))
	}
	const beside = smallestCell / 2
	around := max(size(beside, beside), size(-beside, beside), size(beside, -beside), size(-beside, -beside))
	return size(0, 0) <= around/2 || !(around > 0)
}

func (c *cutter) holds(i int, at [2]float64) bool {
	return c.of.holds(&c.of.conditions[i], c.view.AtX(at[0]), c.view.AtY(at[1]), c.in)
}

// halvings is how often a side of a cell is halved towards a border: to a hundredth of a pixel.
const halvings = 10

// crossing is where a border crosses a side, on the side where the condition holds.
func (c *cutter) crossing(i int, from, to [2]float64, holdsAtFrom bool) [2]float64 {
	along := func(t float64) [2]float64 {
		return [2]float64{from[0] + t*(to[0]-from[0]), from[1] + t*(to[1]-from[1])}
	}
	last, first := bisect.Change(func(t float64) bool { return c.holds(i, along(t)) == holdsAtFrom }, 0, 1, halvings)
	if holdsAtFrom {
		return along(last)
	}
	return along(first)
}

func (c *cutter) take(polygon [][2]float64) {
	c.polygons = append(c.polygons, polygon)
	for i, p := range polygon {
		q := polygon[(i+1)%len(polygon)]
		cross := (p[0]*q[1] - q[0]*p[1]) / 2
		c.area += cross
		c.mx += cross * (p[0] + q[0]) / 3
		c.my += cross * (p[1] + q[1]) / 3
	}
}

// joined puts segments that meet together into lines, so that dashes run on.
func joined(segments [][2][2]float64) (lines [][][2]float64) {
	near := func(p [2]float64) [2]int32 {
		return [2]int32{int32(math.Round(p[0] * 8)), int32(math.Round(p[1] * 8))}
	}
	ends := map[[2]int32][]int{}
	for i, s := range segments {
		ends[near(s[0])] = append(ends[near(s[0])], i)
		ends[near(s[1])] = append(ends[near(s[1])], i)
	}
	used := make([]bool, len(segments))
	follow := func(line [][2]float64) [][2]float64 {
		for {
			last, next := line[len(line)-1], -1
			for _, i := range ends[near(last)] {
				if !used[i] {
					next = i
				}
			}
			if next < 0 {
				return line
			}
			used[next] = true
			far := segments[next][1]
			if near(far) == near(last) {
				far = segments[next][0]
			}
			line = append(line, far)
		}
	}
	for i, s := range segments {
		if used[i] {
			continue
		}
		used[i] = true
		line := follow([][2]float64{s[0], s[1]})
		slices.Reverse(line)
		lines = append(lines, follow(line))
	}
	return lines
}
