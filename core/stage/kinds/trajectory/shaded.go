package trajectory

import (
	"fmt"
	"math"
	"sort"

	"parvix/core/formula/number"
	curves "parvix/core/maths/trajectory"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// region fills what lies between two closed curves, or between a closed one and a graph, and tells its area.
func (p *Part) region(on *compose.On) []compose.Anchor {
	v, known := on.View, on.Seen.(*enclosed)
	if known == nil {
		return nil
	}
	polygons := make([][][2]float64, len(known.loops))
	for i, loop := range known.loops {
		for _, at := range loop {
			polygons[i] = append(polygons[i], on.At(at.X, at.Y))
		}
	}
	on.Fill(compose.ColourOf(p.of), polygons)
	place := known.middle
	if known.loops == nil {
		at := p.Of.Place((p.Of.From + p.Of.To) / 2)
		place = curves.Place{X: at.X, Y: at.Y}
	}
	if !v.Sees(place.X, place.Y) {
		return nil
	}
	label := compose.Anchor{X: v.X(place.X), Y: v.Y(place.Y), IsPoint: true, Inside: known.loops != nil}
	return on.Labelled(label, on.Now.Typeset(known.told), compose.ColourOf(p.of))
}

// enclosed is a region between two curves, valid for one stamp. Without loops nothing is enclosed, and told says why.
type enclosed struct {
	stamp  uint64
	loops  [][]curves.Place
	middle curves.Place
	told   string
}

// hindrances say why nothing is enclosed.
var hindrances = map[curves.Hindrance]string{
	curves.Free:    `\text{nothing is enclosed}`,
	curves.Open:    `\text{does not close}`,
	curves.RunOver: `\text{runs over itself}`,
	curves.Along:   `\text{one runs along the other}`,
	curves.Broken:  `\text{the graph breaks}`,
}

// See works out what hangs on values: the region between two curves, the area that was swept over, the places of dots.
func (p *Part) See(m evaluate.Moment, v view.View, before any) any {
	switch p.body.Piece {
	case Enclosed:
		was, _ := before.(*enclosed)
		return p.enclosed(m, was)
	case Meets:
		was, _ := before.(*met)
		return p.met(m, v, was)
	case Swept:
		return sweptArea(m, p.Of)
	case Inside:
		was, _ := before.(*around)
		return p.around(m, was)
	case Dots:
		if p.step != nil {
			return stepped(p.Of, p.step.At(m.Inputs()))
		}
		return stepsOf(p.Of, dotCount, turnOf(m))
	case Directions:
		return stepsOf(p.Of, 12, turnOf(m))
	}
	return nil
}

// enclosed is worked out again only when one of the curves has moved; nil where one of them does not exist.
func (p *Part) enclosed(d evaluate.Moment, was *enclosed) *enclosed {
	if !p.both.exist() {
		return nil
	}
	stamp := p.both.stamp(d)
	if was != nil && was.stamp == stamp {
		return was
	}
	known := &enclosed{stamp: stamp}
	region, why := p.both.overlap(d, p.body.Common)
	if known.loops = region.Loops; known.loops == nil {
		known.told = hindrances[why]
		return known
	}
	known.middle, known.told = region.Middle(), evaluate.AreaLaTeX(region.Area)
	return known
}

// Describe says how large a region is; of what hangs on the point the curve says where it is.
func (p *Part) Describe(d evaluate.Moment, _ *document.Entry) []string {
	if p.body.Piece != Enclosed || !p.both.exist() {
		return nil
	}
	region, _ := p.both.overlap(d, p.body.Common)
	if region.Loops == nil {
		return nil
	}
	return []string{fmt.Sprintf("%s has an area of %s.", p.both.spokenRegion(p.body.Common), number.Format(region.Area, 3))}
}

// around is the area inside of a closed curve, valid for one stamp; NaN for one that does not close.
type around struct {
	stamp uint64
	area  float64
}

func (p *Part) around(d evaluate.Moment, was *around) *around {
	stamp := p.Of.Stamp(d)
	if was != nil && was.stamp == stamp {
		return was
	}
	area, _ := areaInside(d, p.Of)
	return &around{stamp, area}
}

// inside fills what a closed curve goes around, and tells its area.
func (p *Part) inside(on *compose.On) []compose.Anchor {
	area := on.Seen.(*around).area
	if math.IsNaN(area) || area == 0 {
		return nil
	}
	v := on.View
	start := on.Pen.Area(compose.ColourOf(p.of), compose.AreaOpacity)
	x, y, n := 0.0, 0.0, 0.0
	for _, at := range p.Of.trail(on, p.of.ID).Points {
		if !math.IsNaN(at.X) {
			on.Pen.To(math.Max(-4000, math.Min(v.X(at.X), 8000)), math.Max(-4000, math.Min(v.Y(at.Y), 8000)))
			x, y, n = x+at.X, y+at.Y, n+1
		}
	}
	on.Pen.EndLine(start)
	return on.Labelled(compose.Anchor{X: v.X(x / n), Y: v.Y(y / n), IsPoint: true, Inside: true}, on.Now.Typeset(evaluate.AreaLaTeX(area)), compose.ColourOf(p.of))
}

// sweptArea is ½∫(x y′ − y x′) dt up to the point, by Simpson's rule with so many steps a turn; gaps count as nothing.
func sweptArea(d evaluate.Moment, m *Live) float64 {
	const perTurn, most = 64, 4096
	n := 2 * math.Ceil(math.Min(most, math.Max(perTurn, perTurn*(m.At-m.From)/turnOf(d)))/2)
	sum, step := 0.0, (m.At-m.From)/n
	for k := 0.0; k <= n; k++ {
		weight := 2.0
		if k == 0 || k == n {
			weight = 1
		} else if math.Mod(k, 2) == 1 {
			weight = 4
		}
		p, q := m.Place(m.From+k*step), m.Velocity(m.From+k*step)
		if v := p.X*q.Y - p.Y*q.X; !math.IsNaN(v) && !math.IsInf(v, 0) {
			sum += weight * v / 2
		}
	}
	return math.Abs(sum * step / 3)
}

// swept fills what the ray from the pole has swept over, and gives its area; NaN beyond a place where the curve runs off, for
// the steps of a rule tell nothing of an integral without end.
func (p *Part) swept(on *compose.On) (middle compose.Anchor, area float64) {
	m, v := p.Of, on.View
	trail := m.trail(on, p.of.ID)
	cut := sort.SearchFloat64s(trail.T, m.At)
	start := on.Pen.Area(compose.ColourOf(p.of), compose.AreaOpacity)
	to := func(at sample.Point) {
		if !math.IsNaN(at.X) {
			on.Pen.To(math.Max(-4000, math.Min(v.X(at.X), 8000)), math.Max(-4000, math.Min(v.Y(at.Y), 8000)))
		}
	}
	to(sample.Point{})
	area = on.Seen.(float64)
	for i, at := range trail.Points[:cut] {
		to(at)
		if i > 0 && math.IsNaN(at.X) && runsOff(trail.Points[i-1], v) {
			area = math.NaN()
		}
	}
	place := m.Place(m.At)
	to(place)
	on.Pen.EndLine(start)
	return compose.Anchor{X: v.X(place.X / 2), Y: v.Y(place.Y / 2), IsPoint: true, Inside: true}, area
}
