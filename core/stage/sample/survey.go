package sample

import (
	"math"
	"sort"

	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Column is one place of an envelope: between low and high the curve swings faster than pixels can show.
type Column struct{ X, Low, High float64 }

// Limits of a survey, lengths in pixels.
const (
	// mayStray is how far the bounds may let a curve stray from the line through its points before the step is looked
	// into; what strays less is found by the halving at the steps' probes, since the slopes are bounded too.
	mayStray = 8.0
	// hidden is what may be lost of a peak.
	hidden = 1.0
	// column is the width below which swings cannot be told apart.
	column = 1.0
	// tried places lie in a column and its neighbours; at least minTurns turns among them make it a band.
	tried    = 48
	minTurns = 5
	maxHunt  = 60
	// visible is how far what turns so often must swing to be taken for a band, in pixels, where the bend is bounded.
	visible = 2.0
	// Bands less than joined pixels apart are one.
	joined = 8.0
	// enclosed is how many values take as long as an enclosure of value and slope.
	enclosed = 15
	// maxSurvey bounds the enclosures of one curve.
	maxSurvey = 6000
	// evenStray is how far equal steps may let a curve stray: an S between two places must not hide at the probe between them.
	evenStray = 2.0
	// lessBent is what share of a stretch's bend its half must keep for halves to be given up for equal steps.
	lessBent = 0.7
	// Stretches are gone over in equal steps where these need not be shorter, in pixels.
	shortest = 0.15
)

// survey goes over the grid with enclosures of the function and its slope. Where these prove that the function stays
// near the line through the grid's points nothing is to be done; elsewhere the step is halved, so that no peak between
// two points is lost, and what still turns within a pixel becomes a band with its bounds.
type survey struct {
	f            *Function
	in           []float64
	sx, sy       float64
	bottom, top  float64
	work, most   int
	extra        []float64 // places to be added to the grid
	columns      []Column
	xs, ys       []float64
	belowColumns float64 // the width of a column in x
	machine      *program.Machine
	at, values   [tried]float64
	// Of a stretch that is gone over in equal steps: the places and values, the line through them, and where it turns.
	even, evenY []float64
	line        []Point
	turns       []float64
}

// survey adds what the grid misses and collects the columns of bands.
func (s *Sampler) survey(f *Function, in []float64, v View) {
	c := &s.check
	*c = survey{f: f, in: in, machine: &s.machine, sx: v.Width / (v.Right - v.Left), sy: v.Height / (v.Top - v.Bottom), bottom: v.Bottom,
		top: v.Top, extra: c.extra[:0], columns: c.columns[:0], xs: s.xs, ys: s.ys, even: c.even, evenY: c.evenY, line: c.line,
		turns: c.turns}
	c.belowColumns = column / c.sx
	c.most = int(math.Min(maxSurvey, s.allowed/(s.work*enclosed)))
	defer func() {
		s.Spent += s.work * enclosed * float64(c.work)
		s.coarse = s.coarse || c.work > c.most && c.most < maxSurvey
	}()
	if len(s.xs) > 1 {
		c.steps(0, len(s.xs)-1, math.Inf(1))
	}
	s.columns = append(s.columns, smoothed(c.columns, c.belowColumns)...)
	if len(c.extra) == 0 {
		return
	}
	s.xs = append(s.xs, c.extra...)
	sort.Float64s(s.xs)
	s.evaluateAgain(f, in)
}

// evaluateAgain computes the values at the added places; the values at the ends, which may be limits, stay.
func (s *Sampler) evaluateAgain(f *Function, in []float64) {
	first, last := s.ys[0], s.ys[len(s.ys)-1]
	s.ys = resize(s.ys, len(s.xs))
	f.run(&s.machine, s.ys, s.xs, in)
	s.ys[0], s.ys[len(s.ys)-1] = first, last
}

// steps settles the grid's steps from i to j: all at once where that can be proven, else by halves. around bounds the bend
// of the stretch that is halved.
func (c *survey) steps(i, j int, around float64) {
	if c.work++; c.work > c.most {
		return
	}
	a, b := c.xs[i], c.xs[j]
	value, slope := c.f.enclose(interval.I{Lo: a, Hi: b}, c.in)
	if value.Hi < c.bottom || value.Lo > c.top || slope.Lo > 0 || slope.Hi < 0 {
		return // out of sight, or running one way, where the halving by bends sees everything
	}
	widest := 0.0
	for k := i; k < j; k++ {
		if wide := c.xs[k+1] - c.xs[k]; wide > widest {
			widest = wide
		}
	}
	if c.near(slope, widest) {
		return
	}
	if j > i+1 {
		bend := math.Inf(1)
		if !math.IsInf(slope.Hi-slope.Lo, 0) {
			bend = c.f.bend(interval.I{Lo: a, Hi: b}, c.in)
		}
		// Over a step h a function with |f″| ≤ M strays by M·h²/8 at most from its chord.
		straight := math.Sqrt(8 * evenStray / (bend * c.sy))
		if straight >= widest || bend > lessBent*around && c.evenly(i, j, straight) {
			return
		}
		mid := (i + j) / 2
		c.steps(i, mid, bend)
		c.steps(mid, j, bend)
		return
	}
	c.step(a, b, c.ys[i], c.ys[j])
}

// evenly goes over the grid's steps from i to j in steps so short that the function stays near the line through the places,
// where they may be long enough.
func (c *survey) evenly(i, j int, step float64) bool {
	if !(step*c.sx >= shortest) {
		return false
	}
	c.even = c.even[:0]
	for k := i; k < j; k++ {
		a, b := c.xs[k], c.xs[k+1]
		n := math.Ceil((b - a) / step)
		for m := range int(n) {
			c.even = append(c.even, a+(b-a)*float64(m)/n)
		}
	}
	c.even = append(c.even, c.xs[j])
	c.run()
	c.evenY[0], c.evenY[len(c.even)-1] = c.ys[i], c.ys[j] // at the ends of a piece these are limits
	c.line = c.line[:0]
	for k, y := range c.evenY {
		c.line = append(c.line, Point{c.even[k], y})
	}
	grid := i
	for _, p := range Thin(c.line, c.sx, c.sy, Moving) {
		for c.xs[grid] < p.X {
			grid++
		}
		if c.xs[grid] != p.X {
			c.extra = append(c.extra, p.X)
		}
	}
	c.seek(c.xs[i], c.xs[j], step)
	return true
}

// seek finds the bands of a stretch that is gone over in steps of this width: columns in and about which it turns often.
func (c *survey) seek(a, b, step float64) {
	// Between two turns h apart a function with |f″| ≤ M, here 8·evenStray/step², swings by M·h²/4 at most: in steps so
	// short every swing of visible pixels is seen.
	h := step * math.Sqrt(visible/(2*evenStray))
	width := c.belowColumns
	if h > width {
		return // what turns so often swings by less
	}
	c.even = c.even[:0]
	from, to := math.Max(a-width, c.xs[0]), math.Min(b+width, c.xs[len(c.xs)-1])
	for k := range int((to-from)/h) + 1 {
		c.even = append(c.even, from+h*float64(k))
	}
	c.run()
	c.turns = c.turns[:0]
	for k := 1; k+1 < len(c.even); k++ {
		if (c.evenY[k]-c.evenY[k-1])*(c.evenY[k+1]-c.evenY[k]) < 0 {
			c.turns = append(c.turns, c.even[k])
		}
	}
	first := 0
	for x := a; x < b; x += width {
		for first < len(c.turns) && c.turns[first] < x-width {
			first++
		}
		if last := first + minTurns - 1; last < len(c.turns) && c.turns[last] < x+2*width {
			c.band(x, math.Min(x+width, b))
		}
	}
}

// run evaluates the function at the even places.
func (c *survey) run() {
	c.evenY = resize(c.evenY, len(c.even))
	c.f.run(c.machine, c.evenY, c.even, c.in)
}

// near tells whether a function with this slope stays within hidden pixels of a chord over a step: the curve lies in
// the parallelogram of the extreme slopes through the chord's ends.
func (c *survey) near(slope interval.I, width float64) bool {
	if math.IsInf(slope.Lo, 0) || math.IsInf(slope.Hi, 0) {
		return false
	}
	stray := width * (slope.Hi - slope.Lo) / 4 * c.sy
	// Seen across a steep line the distance is smaller than straight up.
	least := 0.0
	if slope.Lo > 0 {
		least = slope.Lo
	} else if slope.Hi < 0 {
		least = -slope.Hi
	}
	steep := least * c.sy / c.sx
	return stray <= mayStray*math.Sqrt(1+steep*steep)
}

// step looks into one step of the grid.
func (c *survey) step(a, b, ya, yb float64) {
	if c.work++; c.work > c.most {
		return
	}
	if b-a > c.belowColumns*1.01 {
		value, slope := c.f.enclose(interval.I{Lo: a, Hi: b}, c.in)
		if value.Hi < c.bottom || value.Lo > c.top || slope.Lo > 0 || slope.Hi < 0 || c.near(slope, b-a) || c.isLow(value) {
			return
		}
		mid := a + (b-a)/2
		ym := c.f.At(mid, c.in)
		c.step(a, mid, ya, ym)
		c.extra = append(c.extra, mid)
		c.step(mid, b, ym, yb)
		return
	}
	if !c.band(a, b) {
		left := maxHunt
		c.hunt(a, b, ya, yb, &left)
	}
}

// isLow tells whether all values lie within two pixels.
func (c *survey) isLow(value interval.I) bool { return (value.Hi-value.Lo)*c.sy <= 2*hidden }

// inBox tells whether all values lie between the values at the ends, but for a pixel.
func (c *survey) inBox(value interval.I, ya, yb float64) bool {
	slack := hidden / c.sy
	return value.Lo >= math.Min(ya, yb)-slack && value.Hi <= math.Max(ya, yb)+slack
}

// unequal are the places that are tried, as shares: in unequal steps, so that no regular swing falls in with them.
var unequal = func() (shares [tried]float64) {
	for k := range shares {
		shares[k] = (float64(k) + 0.5 + 0.4*math.Sin(float64(k*k))) / tried
	}
	return shares
}()

// band notes the column when the function turns often within it.
func (c *survey) band(a, b float64) bool {
	low, high := math.Inf(1), math.Inf(-1)
	turns, way, previous := 0, 0.0, math.NaN()
	from, to := math.Max(a-c.belowColumns, c.xs[0]), math.Min(b+c.belowColumns, c.xs[len(c.xs)-1])
	for k := range tried {
		c.at[k] = from + (to-from)*unequal[k]
	}
	c.f.run(c.machine, c.values[:], c.at[:], c.in)
	for _, y := range c.values {
		if math.IsNaN(y) || math.IsInf(y, 0) {
			continue
		}
		low, high = math.Min(low, y), math.Max(high, y)
		if d := y - previous; d*way < 0 {
			turns++
			way = d
		} else if d == d && d != 0 {
			way = d
		}
		previous = y
	}
	if turns < minTurns || (high-low)*c.sy < hidden {
		return false
	}
	// The enclosure bounds the swings from outside; it is taken where it says little more than the places tried.
	if value, _ := c.f.enclose(interval.I{Lo: a, Hi: b}, c.in); (value.Hi-value.Lo)*c.sy <= 1.1*(high-low)*c.sy+2*hidden {
		low, high = value.Lo, value.Hi
	}
	c.columns = append(c.columns, Column{a + (b-a)/2, low, high})
	return true
}

// hunt follows a peak thinner than a pixel, where the enclosure allows one.
func (c *survey) hunt(a, b, ya, yb float64, left *int) {
	if *left--; *left < 0 || b-a < 1e-12*(math.Abs(a)+math.Abs(b)) {
		return
	}
	value, slope := c.f.enclose(interval.I{Lo: a, Hi: b}, c.in)
	if slope.Lo > 0 || slope.Hi < 0 || c.inBox(value, ya, yb) || value.Hi < c.bottom || value.Lo > c.top {
		return
	}
	if math.IsInf(value.Lo, 0) || math.IsInf(value.Hi, 0) {
		return // next to a pole, which the line follows on its own
	}
	mid := a + (b-a)/2
	ym := c.f.At(mid, c.in)
	c.extra = append(c.extra, mid)
	c.hunt(a, mid, ya, ym, left)
	c.hunt(mid, b, ym, yb, left)
}

// smoothed gives each column the bounds of its neighbours too: between the places that were tried the function may have
// gone as far.
func smoothed(columns []Column, width float64) []Column {
	out := append([]Column{}, columns...)
	for i := range columns {
		for _, k := range []int{i - 1, i + 1} {
			if k >= 0 && k < len(columns) && math.Abs(columns[k].X-columns[i].X) < 2*width {
				out[i].Low, out[i].High = math.Min(out[i].Low, columns[k].Low), math.Max(out[i].High, columns[k].High)
			}
		}
	}
	return out
}

// bands joins neighbouring columns to envelopes.
func bands(columns []Column, sx float64) [][]Column {
	var list [][]Column
	start := 0
	for i := range columns {
		if i+1 == len(columns) || (columns[i+1].X-columns[i].X)*sx > joined {
			list = append(list, columns[start:i+1:i+1])
			start = i + 1
		}
	}
	return list
}

// inBand tells whether x lies in one of the envelopes, half a column beyond their ends included.
func inBand(list [][]Column, x, half float64) bool {
	for _, band := range list {
		if x > band[0].X-half && x < band[len(band)-1].X+half {
			return true
		}
	}
	return false
}
