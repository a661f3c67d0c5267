package region

import (
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/maths/solve"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
	"parvix/core/numeric/quadrature"
	"parvix/core/stage/evaluate"
)

// measuredWhere is how far a region reaches and its area, at a stamp.
type measuredWhere struct {
	stamp                    uint64
	done                     bool
	area                     float64
	left, right, bottom, top float64
	bounded                  bool
}

// bordersOf are the heights at which a condition begins or ends to hold, as formulas in x and the parameters; ok is false where
// it cannot be solved for y.
func bordersOf(n expr.Node, inputs []string) (borders []program.Point, ok bool) {
	set, ok := solve.Zeros(n, "y")
	if !ok || set.All {
		return nil, false
	}
	for _, s := range set.Solutions {
		if s.Step != nil || !s.Period.IsZero() {
			return nil, false
		}
		at, err := program.CompilePoint(s.X, inputs)
		if err != nil {
			return nil, false
		}
		borders = append(borders, at)
	}
	return borders, true
}

// measure works out how far the region reaches and its area, once for a stamp.
func (l *Where) measure(d evaluate.Moment) *measuredWhere {
	m := &l.measured
	if stamp := d.StampOf(l.on, -1); !m.done || m.stamp != stamp {
		*m = measuredWhere{stamp: stamp, done: true, area: math.NaN()}
		in := append([]float64{}, l.inputs(d)...)
		l.left = areaWork
		if l.reach(m, in); m.bounded && l.Equation == nil {
			m.area = l.areaWithin(m, in)
		}
	}
	return m
}

// areaWork bounds what an area takes, in operations, as compose.pictureWork does a picture.
const areaWork float64 = 5e6

// Area is that of the region, NaN where it runs off or cannot be told.
func (l *Where) Area(d evaluate.Moment) float64 { return l.measure(d).area }

// extent is how far a bounded region reaches.
func (l *Where) extent(d evaluate.Moment) (left, right, bottom, top float64, ok bool) {
	m := l.measure(d)
	return m.left, m.right, m.bottom, m.top, m.bounded
}

// farthest is how far from the origin a region is looked for: one that reaches it is taken to run off.
const farthest = 1 << 12

// A region is enclosed in cells as small as a share of it, but in no more of them than this.
const smallestShare, mostCells = 1.0 / 32, 3000

// reach finds how far the region reaches: the squares of the plane that are not proven to lie outside, quartered until they
// are small beside it.
func (l *Where) reach(m *measuredWhere, in []float64) {
	type square struct{ x, y float64 }
	size := 2.0 * farthest
	cells := []square{{-farthest, -farthest}}
	for len(cells) > 0 && len(cells) < mostCells && l.left > 0 {
		size /= 2
		var next []square
		m.left, m.right, m.bottom, m.top = math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)
		for _, c := range cells {
			for _, q := range [4]square{c, {c.x + size, c.y}, {c.x, c.y + size}, {c.x + size, c.y + size}} {
				if l.isOutside(q.x, q.y, size, in) {
					continue
				}
				next = append(next, q)
				m.left, m.right = math.Min(m.left, q.x), math.Max(m.right, q.x+size)
				m.bottom, m.top = math.Min(m.bottom, q.y), math.Max(m.top, q.y+size)
			}
		}
		if cells = next; size <= smallestShare*math.Max(m.right-m.left, m.top-m.bottom) || size < 1e-9 {
			break
		}
	}
	m.bounded = len(cells) > 0 && l.left > 0 && m.left > -farthest && m.right < farthest && m.bottom > -farthest && m.top < farthest
}

func (l *Where) isOutside(x, y, size float64, in []float64) bool {
	for i := range l.conditions {
		value := l.over(&l.conditions[i], interval.I{Lo: x, Hi: x + size}, interval.I{Lo: y, Hi: y + size}, in)
		if value.IsEmpty() || value.Lo > 0 || l.conditions[i].equal && value.Hi < 0 {
			return true
		}
	}
	return false
}

// told is how well an area has to be known: it is told to four decimals.
const told = 5e-5

// columns is in how many strips a region is worked out.
const columns = 32

// areaWithin is ∫ height dx over the region's width; NaN where no halving brings the rule to rest.
func (l *Where) areaWithin(m *measuredWhere, in []float64) float64 {
	height := func(x float64) float64 { return l.height(m, x, in) }
	sum, unsure := 0.0, 0.0
	at := func(k int) float64 { return m.left + (m.right-m.left)*float64(k)/columns }
	for k := range columns {
		part := strip(height, at(k), at(k+1), sum)
		if sum, unsure = sum+part.Value, unsure+part.Error; l.left < 0 {
			return math.NaN()
		}
	}
	if unsure > told {
		return math.NaN()
	}
	return sum
}

// strip is the integral over a column; where the region begins or ends in it, from there on, since its height grows there
// without a slope.
func strip(height func(float64) float64, a, b, scale float64) quadrature.Integral {
	low, high := height(a), height(b)
	edge := func() float64 {
		last, first := bisect.Change(func(x float64) bool { return (height(x) > 0) == (low > 0) }, a, b, 52)
		return (last + first) / 2
	}
	switch {
	case low == 0 && high == 0 && height((a+b)/2) == 0:
		return quadrature.Integral{}
	case low == 0 && high > 0:
		return quadrature.Piece(height, edge(), b)
	case low > 0 && high == 0:
		return quadrature.Piece(height, a, edge())
	}
	return quadrature.Smooth(height, a, b, scale)
}

// rows is at how many heights a condition is looked at that cannot be solved for y.
const rows = 128

// height is how much of an upright line lies in the region: the stretches between its borders in which all conditions hold.
func (l *Where) height(m *measuredWhere, x float64, in []float64) (total float64) {
	if l.left < 0 {
		return 0 // the work is spent, and the area is given up
	}
	places := append(l.places[:0], m.bottom)
	for i := range l.conditions {
		places = l.bordersAt(&l.conditions[i], x, m, in, places)
	}
	places = append(places, m.top)
	l.places = places
	slices.Sort(places)
	for i := 1; i < len(places); i++ {
		low, high := places[i-1], places[i]
		if low >= m.bottom && high <= m.top && low < high && l.holdAt(x, (low+high)/2, in) {
			total += high - low
		}
	}
	return total
}

func (l *Where) holdAt(x, y float64, in []float64) bool {
	for i := range l.conditions {
		if !l.holds(&l.conditions[i], x, y, in) {
			return false
		}
	}
	return true
}

// bordersAt adds the heights at which the condition begins or ends to hold on an upright line.
func (l *Where) bordersAt(c *condition, x float64, m *measuredWhere, in, places []float64) []float64 {
	if c.solved {
		in[0], in[1] = x, 0
		for _, border := range c.borders {
			if y := border(in); y > m.bottom && y < m.top {
				places = append(places, y)
			}
		}
		return places
	}
	step := (m.top - m.bottom) / rows
	held := l.holds(c, x, m.bottom, in)
	for k := range rows {
		low, high := m.bottom+step*float64(k), m.bottom+step*float64(k+1)
		if holds := l.holds(c, x, high, in); holds != held {
			last, first := bisect.Change(func(y float64) bool { return l.holds(c, x, y, in) == held }, low, high, 52)
			places, held = append(places, (last+first)/2), holds
		}
	}
	return places
}
