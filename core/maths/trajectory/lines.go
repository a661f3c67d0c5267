package trajectory

import "math"

// Point is one of a table or a line: the parameter and the place, r for a polar curve.
type Point struct {
	T, R, X, Y, Z float64
}

// MaxRows bounds a table.
const MaxRows = 20000

// Table gives the points from an end to the other in steps, counted in whole steps so that nothing drifts; what has no
// value is NaN. false when there would be too many.
func (c *Curve) Table(from, to, step float64) ([]Point, bool) {
	count := math.Floor((to-from)/step + 1e-9)
	if !(step > 0) || !(count >= 0) || count >= MaxRows {
		return nil, false
	}
	rows := make([]Point, 0, int(count)+1)
	for k := 0.0; k <= count; k++ {
		rows = append(rows, c.point(from+k*step))
	}
	return rows, true
}

func (c *Curve) point(t float64) Point {
	x, y, z := c.At(t)
	return Point{t, c.Radius(t), x, y, z}
}

// How finely a curve is followed: so many looks for each turn, halved where it bends by more than the sagitta allows.
const (
	looksPerTurn = 48
	mostPoints   = 40000
	// flat is how far from the chord, as a share of the curve's size, a curve may run.
	flat = 2e-4
	// mostHalvings bounds the looks between two of the first ones.
	mostHalvings = 9
)

// Lines follow the curve as unbroken lines, as finely as it bends.
func (c *Curve) Lines(from, to float64) [][]Point {
	size := c.spread(from, to)
	var lines [][]Point
	total := 0
	for _, piece := range c.pieces(from, to) {
		steps := int(math.Max(4, math.Ceil((piece.to-piece.from)/(2*math.Pi)*looksPerTurn)))
		line := []Point{c.point(piece.from)}
		if n := len(lines); piece.goesOn {
			line, lines = lines[n-1], lines[:n-1]
			total -= len(line)
		}
		for k := 1; k <= steps; k++ {
			next := c.point(piece.from + (piece.to-piece.from)*float64(k)/float64(steps))
			if total+len(line) < mostPoints {
				line = c.between(line, line[len(line)-1], next, flat*size, mostHalvings)
			}
			line = append(line, next)
		}
		total += len(line)
		lines = append(lines, line)
	}
	return lines
}

func (c *Curve) between(line []Point, a, b Point, tolerance float64, depth int) []Point {
	m := c.point((a.T + b.T) / 2)
	if depth == 0 || math.IsNaN(m.X+m.Y+m.Z) || off(a, m, b) <= tolerance && off(a, c.point(a.T+(b.T-a.T)*0.27), b) <= tolerance {
		return line
	}
	line = c.between(line, a, m, tolerance, depth-1)
	line = append(line, m)
	return c.between(line, m, b, tolerance, depth-1)
}

// off is the distance of m from the chord between a and b.
func off(a, m, b Point) float64 {
	dx, dy, dz := b.X-a.X, b.Y-a.Y, b.Z-a.Z
	length := math.Hypot(math.Hypot(dx, dy), dz)
	ux, uy, uz := m.X-a.X, m.Y-a.Y, m.Z-a.Z
	if length == 0 {
		return math.Hypot(math.Hypot(ux, uy), uz)
	}
	cx, cy, cz := uy*dz-uz*dy, uz*dx-ux*dz, ux*dy-uy*dx
	return math.Hypot(math.Hypot(cx, cy), cz) / length
}
