package fit

import (
	"math"
	"slices"
	"sort"

	"parvix/core/numeric/program"
)

// mostScanned bounds the points on which starts are looked for.
const mostScanned = 60

// sights bounds the starts from which a search begins.
const sights = 6

// span is what the data give for starts: distinct x in order, their width, the step between neighbours.
type span struct {
	xs            []float64
	width, middle float64
	step          float64
}

func spanOf(x []float64) span {
	xs := slices.Clone(x)
	sort.Float64s(xs)
	xs = slices.Compact(xs)
	s := span{xs: xs, width: xs[len(xs)-1] - xs[0], middle: (xs[0] + xs[len(xs)-1]) / 2}
	if len(xs) > 1 {
		gaps := make([]float64, len(xs)-1)
		for i := range gaps {
			gaps[i] = xs[i+1] - xs[i]
		}
		sort.Float64s(gaps)
		s.step = gaps[len(gaps)/2]
	}
	return s
}

// Frequencies is the range in which b of a sinusoid is searched: from half a turn over the data's width to half the sampling rate.
func Frequencies(x []float64) (lo, hi float64) {
	s := spanOf(x)
	return math.Pi / s.width, math.Pi / s.step
}

// thinned are at most so many of the points, evenly taken.
func thinned(x, y []float64, most int) (tx, ty []float64) {
	if len(x) <= most {
		return x, y
	}
	for k := range most {
		i := k * (len(x) - 1) / (most - 1)
		tx, ty = append(tx, x[i]), append(ty, y[i])
	}
	return tx, ty
}

// starts gives coefficients near which the best ones may lie: the letters that do not enter linearly run over a net, those that do are
// solved for (Golub & Pereyra, Separable nonlinear least squares, 1973), and the lowest places of the net are taken.
func (m *Model) starts(x, y []float64) [][]float64 {
	s := spanOf(x)
	switch m.Name {
	case Exponential:
		return m.lowest(x, y, [][]float64{rates(1/s.width, 1.5, 20)})
	case Power:
		ratio := math.Log(s.xs[len(s.xs)-1] / s.xs[0])
		return m.lowest(x, y, [][]float64{rates(1/ratio, 1.5, 20)})
	case Logistic:
		var places []float64
		for k := -4.0; k <= 8; k++ {
			places = append(places, s.xs[0]+k/4*s.width)
		}
		return m.lowest(x, y, [][]float64{rates(1/s.width, 2.2, 10), places})
	case Sinusoidal:
		return sines(x, y, s)
	}
	return m.anywhere(x, y)
}

// rates are growths of both signs, from slow to steep.
func rates(unit, factor float64, count int) (list []float64) {
	for k := range count + 1 {
		size := 0.02 * math.Pow(factor, float64(k)) * unit
		list = append(list, -size, size)
	}
	return list
}

// start is a place of the net with the sum of squares there.
type start struct {
	at  []float64
	sse float64
}

// lowest runs over a net of the letters that do not enter linearly.
func (m *Model) lowest(x, y []float64, net [][]float64) [][]float64 {
	x, y = thinned(x, y, mostScanned)
	var bent []int
	for k, linear := range m.linear {
		if !linear {
			bent = append(bent, k)
		}
	}
	var found []start
	at := make([]float64, len(m.Letters))
	place := make([]int, len(net))
	for {
		for k, i := range place {
			at[bent[k]] = net[k][i]
		}
		if c, sse, ok := m.solved(x, y, at); ok {
			found = append(found, start{c, sse})
		}
		if !next(place, net) {
			break
		}
	}
	return best(found)
}

// next goes to the next place of a net; false behind the last.
func next(place []int, net [][]float64) bool {
	for k := range place {
		if place[k]++; place[k] < len(net[k]) {
			return true
		}
		place[k] = 0
	}
	return false
}

// best are the lowest starts, a few of them that differ.
func best(found []start) (list [][]float64) {
	sort.SliceStable(found, func(i, j int) bool { return found[i].sse < found[j].sse })
	for _, f := range found[:min(sights, len(found))] {
		list = append(list, f.at)
	}
	return list
}

// solved are the letters with those that enter linearly solved for.
func (m *Model) solved(x, y, at []float64) (c []float64, sse float64, ok bool) {
	c = slices.Clone(at)
	for k, linear := range m.linear {
		if linear {
			c[k] = 0
		}
	}
	r := make([]float64, len(x))
	if !finite(m.residuals(r, x, y, c)) {
		return nil, 0, false
	}
	in := m.inputs(c)
	var columns []program.Point
	var places []int
	for k, linear := range m.linear {
		if linear {
			columns, places = append(columns, m.derivatives[k]), append(places, k)
		}
	}
	p := len(columns)
	if p == 0 {
		sse = m.residuals(r, x, y, c)
		return c, sse, finite(sse)
	}
	a := make([]float64, len(x)*p)
	for i, v := range x {
		in[0] = v
		for k, column := range columns {
			if a[i*p+k] = column(in); !finite(a[i*p+k]) {
				return nil, 0, false
			}
		}
	}
	if !quickly(a, r, p, c, places) {
		return nil, 0, false
	}
	sse = m.residuals(r, x, y, c)
	return c, sse, finite(sse)
}

// quickly solves for one letter by the normal equation, which is enough for a start, for several by leastSquares.
func quickly(a, b []float64, p int, c []float64, places []int) bool {
	if p == 1 {
		above, below := 0.0, 0.0
		for i, v := range a {
			above += v * b[i]
			below += v * v
		}
		if below == 0 || !finite(below) {
			return false
		}
		c[places[0]] = above / below
		return true
	}
	solution, ok := leastSquares(a, b, p)
	for k := range solution {
		c[places[k]] = solution[k]
	}
	return ok
}

// sines are starts of a sinusoid: the frequencies run over their range, finely enough that a period more or less over the data's width is
// not passed over (Lomb, Least-squares frequency analysis of unequally spaced data, 1976).
func sines(x, y []float64, s span) [][]float64 {
	const fineness, mostFrequencies = 8.0, 1500
	lo, hi := math.Pi/s.width, math.Pi/s.step
	count := min(mostFrequencies, int(math.Ceil((hi-lo)/(math.Pi/s.width)*fineness))+1)
	if len(x) > 1200 {
		x, y = thinned(x, y, 1200)
	}
	var found []start
	for k := range count {
		b := lo
		if count > 1 {
			b += (hi - lo) * float64(k) / float64(count-1)
		}
		if f, ok := sineOf(x, y, b, s.middle); ok {
			found = append(found, f)
		}
	}
	return best(valleys(found))
}

// sineOf is the sinusoid of a frequency that lies nearest to points, by the normal equations about the middle of the data.
func sineOf(x, y []float64, b, middle float64) (start, bool) {
	var m [3][4]float64
	squares := 0.0
	for i, v := range x {
		sin, cos := math.Sincos(b * (v - middle))
		row := [4]float64{sin, cos, 1, y[i]}
		for p := range 3 {
			for q := range 4 {
				m[p][q] += row[p] * row[q]
			}
		}
		squares += y[i] * y[i]
	}
	right := [3]float64{m[0][3], m[1][3], m[2][3]}
	for p := range 3 { // elimination; the matrix is positive definite
		for q := p + 1; q < 3; q++ {
			if !(m[p][p] > 1e-9*float64(len(x))) {
				return start{}, false
			}
			factor := m[q][p] / m[p][p]
			for c := p; c < 4; c++ {
				m[q][c] -= factor * m[p][c]
			}
		}
	}
	if !(m[2][2] > 1e-9*float64(len(x))) {
		return start{}, false
	}
	var c [3]float64
	for p := 2; p >= 0; p-- {
		c[p] = m[p][3]
		for q := p + 1; q < 3; q++ {
			c[p] -= m[p][q] * c[q]
		}
		c[p] /= m[p][p]
	}
	sse := squares - c[0]*right[0] - c[1]*right[1] - c[2]*right[2]
	return start{[]float64{math.Hypot(c[0], c[1]), b, math.Atan2(c[1], c[0]) - b*middle, c[2]}, sse}, true
}

// valleys are the starts that lie lower than both neighbours.
func valleys(found []start) (list []start) {
	for i, f := range found {
		if (i == 0 || found[i-1].sse >= f.sse) && (i+1 == len(found) || found[i+1].sse >= f.sse) {
			list = append(list, f)
		}
	}
	return list
}

// anywhere are starts of a formula of which nothing is known: numbers of several sizes and signs for the letters that do not enter linearly.
func (m *Model) anywhere(x, y []float64) [][]float64 {
	s := spanOf(x)
	var net [][]float64
	sizes := []float64{0.01, 0.1, 0.5, 1, 2, 10, -0.1, -1, s.middle}
	if s.width > 0 {
		sizes = append(sizes, 1/s.width, -1/s.width)
	}
	bent := 0
	for _, linear := range m.linear {
		if !linear {
			bent++
		}
	}
	switch { // the net has at most about 1,500 places
	case bent > 5:
		sizes = []float64{0.3, 3}
	case bent > 3:
		sizes = []float64{0.1, 1, -1, s.middle}
	}
	for range bent {
		net = append(net, sizes)
	}
	return m.lowest(x, y, net)
}
