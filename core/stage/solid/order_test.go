package solid_test

import (
	"fmt"
	"iter"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// Sizes of the pictures that are compared, and the cells across.
const width, height = 80, 60

// owners is a canvas that notes for each pixel whose face was painted there last.
type owners struct {
	cell [width * height]int
	// sheet tells the hue of the face.
	hue [width * height]int
}

// Face fills the pixels whose middles lie inside the outline (by the winding number).
func (o *owners) Face(colour picture.Colour, opacity float32, outline [][2]float64, cell int) {
	if opacity < 1 {
		return
	}
	low, high := math.Inf(1), math.Inf(-1)
	for _, p := range outline {
		low, high = math.Min(low, p[1]), math.Max(high, p[1])
	}
	for y := max(0, int(low-0.5)); y <= min(height-1, int(high+0.5)); y++ {
		for x := range width {
			if winds(outline, float64(x)+0.5, float64(y)+0.5) {
				o.cell[y*width+x], o.hue[y*width+x] = cell+1, int(colour-picture.Tint)/picture.Tones
			}
		}
	}
}

func winds(outline [][2]float64, x, y float64) bool {
	n := 0
	for k := range outline {
		a, b := outline[k], outline[(k+1)%len(outline)]
		if (a[1] <= y) == (b[1] <= y) {
			continue
		}
		if at := a[0] + (y-a[1])/(b[1]-a[1])*(b[0]-a[0]); at > x {
			if a[1] <= y {
				n++
			} else {
				n--
			}
		}
	}
	return n != 0
}

// Line is not looked at: it lies on the edges of faces.
func (o *owners) Line(solid.Pen, [][2]float64) {}

// shape is a surface by its function; NaN where it is not there.
type shape func(x, y float64) float64

// seenFrom is a space panel from a direction.
func seenFrom(turn, tilt float64, perspective bool) view.View {
	return seenOn(width, height, turn, tilt, perspective)
}

// seenOn is one of a size.
func seenOn(width, height, turn, tilt float64, perspective bool) view.View {
	sight := document.Sight{Low: -2, High: 2, Turn: turn, Tilt: tilt, Perspective: perspective}
	return view.Seen(&document.Panel{Kind: document.InSpace, Window: document.Window{Left: -2, Right: 2, Bottom: -2, Top: 2, Space: sight}, Tall: 1}, width, height)
}

// scene puts surfaces into space; every line of the lattice is one of the mesh, so that no two cells are filled at once.
func scene(v view.View, cells int, shapes ...shape) *solid.Scene {
	lines, all := solid.Lines(-2, 2, nil, cells)
	for i := range all {
		all[i] = true
	}
	l := solid.Lattice{X: lines, Y: lines}
	s := &solid.Scene{}
	s.Begin(v.Projection, l)
	for k, f := range shapes {
		var z []float64
		for _, x := range l.X {
			for _, y := range l.Y {
				z = append(z, f(x, y))
			}
		}
		sheet := solid.NewSheet(&l, solid.Relief{Heights: z, At: f, Units: v.Projection.Units, Low: -2, High: 2})
		sheet.Hue, sheet.MeshX, sheet.MeshY = picture.Colour(k), all, all
		s.AddSheet(sheet)
	}
	return s
}

// hit follows the ray of a pixel from the eye through the box and gives the first surface that it goes through with the cell in which
// it does; −1 for none. It knows nothing of the painter: it walks in small steps.
func hit(v view.View, px, py float64, cells, finer int, shapes []shape) (sheet, cell int) {
	q := &v.Projection
	// Two places that are seen at the pixel give the ray.
	low, ok := q.OnHeight(-2, px, py)
	high, ok2 := q.OnHeight(2, px, py)
	if !ok || !ok2 {
		return -1, -1
	}
	from, to := high, low
	if _, _, near := q.At(high); near < nearOf(q, low) {
		from, to = low, high
	}
	way := to.Sub(from)
	// Only what is over the floor counts.
	begin, end := 0.0, 1.0
	for k := range 2 {
		a, b := (-2-from[k])/way[k], (2-from[k])/way[k]
		begin, end = math.Max(begin, math.Min(a, b)), math.Min(end, math.Max(a, b))
	}
	if !(begin < end) {
		return -1, -1
	}
	steps := int(math.Ceil((end-begin)*math.Hypot(way[0], way[1])/4*float64(cells*4*finer))) + 12*finer
	above := make([]float64, len(shapes))
	for k := 0; k <= steps; k++ {
		p := from.Plus(way, begin+(end-begin)*float64(k)/float64(steps))
		first := 2.0
		for n, f := range shapes {
			d := p[2] - f(p[0], p[1])
			// Of several in one step the one that is met first.
			if share := above[n] / (above[n] - d); k > 0 && above[n]*d <= 0 && share < first {
				first, sheet = share, n
				cell = cellAt(from.Plus(way, begin+(end-begin)*(float64(k-1)+share)/float64(steps)), cells)
			}
			above[n] = d
		}
		if first <= 1 {
			return sheet, cell
		}
	}
	return -1, -1
}

func nearOf(q *view.Projection, p view.Place) float64 {
	_, _, near := q.At(p)
	return near
}

func cellAt(p view.Place, cells int) int {
	at := func(v float64) int { return max(0, min(cells-1, int((v+2)/4*float64(cells)))) }
	return at(p[0])*cells + at(p[1])
}

// bilinear is a surface as it is drawn: between the corners of its cells.
func bilinear(f shape, cells int) shape {
	side, n := 4/float64(cells), cells+1
	z := make([]float64, n*n)
	for i := range n {
		for j := range n {
			z[i*n+j] = f(-2+float64(i)*side, -2+float64(j)*side)
		}
	}
	return func(x, y float64) float64 {
		i, j := max(0, min(cells-1, int((x+2)/side))), max(0, min(cells-1, int((y+2)/side)))
		u, v := (x+2)/side-float64(i), (y+2)/side-float64(j)
		return (z[i*n+j]*(1-u)+z[(i+1)*n+j]*u)*(1-v) + (z[i*n+j+1]*(1-u)+z[(i+1)*n+j+1]*u)*v
	}
}

// Surfaces of calculus books, alone and through each other: waves, saddles, hats, steep sides, and pairs that cross.
var groups = map[string][]shape{
	"a plane":           {func(x, y float64) float64 { return x/2 + y/3 }},
	"a bowl":            {func(x, y float64) float64 { return (x*x+y*y)/3 - 1 }},
	"a saddle":          {func(x, y float64) float64 { return (x*x - y*y) / 3 }},
	"waves":             {func(x, y float64) float64 { return 1.5 * math.Sin(2*x) * math.Cos(2*y) }},
	"a hat":             {func(x, y float64) float64 { return 1.8 * math.Cos(2*math.Hypot(x, y)) }},
	"a bell":            {func(x, y float64) float64 { return 3*math.Exp(-2*(x*x+y*y)) - 1.2 }},
	"a steep step":      {func(x, y float64) float64 { return 1.5 * math.Tanh(6*x) }},
	"a ridge":           {func(x, y float64) float64 { return 1.5 - 2*math.Abs(x-y) }},
	"a cone":            {func(x, y float64) float64 { return 1.8 - 1.5*math.Hypot(x, y) }},
	"a monkey's saddle": {func(x, y float64) float64 { return (x*x*x - 3*x*y*y) / 6 }},
	"a twist":           {func(x, y float64) float64 { return x * y / 2.2 }},
	"a trough":          {func(x, y float64) float64 { return x*x - 1.5 }},
	"two planes":        {func(x, y float64) float64 { return x / 2 }, func(x, y float64) float64 { return -x / 2 }},
	"a bowl and its lid": {func(x, y float64) float64 { return (x*x+y*y)/3 - 1 },
		func(x, y float64) float64 { return 1 - (x*x+y*y)/3 }},
	"a saddle and a plane": {func(x, y float64) float64 { return (x*x - y*y) / 3 }, func(x, y float64) float64 { return 0.3*x + 0.1 }},
	"waves over waves":     {func(x, y float64) float64 { return math.Sin(2 * x) }, func(x, y float64) float64 { return math.Sin(2*y) / 1.5 }},
	"three sheets": {func(x, y float64) float64 { return 1 }, func(x, y float64) float64 { return -1 + y/4 },
		func(x, y float64) float64 { return math.Sin(x) }},
}

// Each pixel belongs to the cell of the surface that a ray from the eye meets first, found by walking along it: seen from 24 directions,
// in parallel lines and in perspective. What differs does so within two pixels of an edge.
func TestWhatIsNearerCoversWhatIsFarther(t *testing.T) {
	const cells = 16
	pixels, wrong := 0, 0
	for about, shapes := range groups {
		var drawn []shape
		for _, f := range shapes {
			drawn = append(drawn, bilinear(f, cells))
		}
		for k := range 24 {
			turn, tilt := float64(k)*47-173, []float64{65, 24, 8, -20, 40, -70}[k%6]
			v := seenFrom(turn, tilt, k%4 == 3)
			var canvas owners
			scene(v, cells, drawn...).PaintFaces(&canvas)
			bad := 0
			for y := range height {
				for x := range width {
					at := y*width + x
					pixels++
					if agrees(v, cells, drawn, x, y, canvas.hue[at], canvas.cell[at]-1) {
						continue
					}
					wrong++
					if isFarFromEdges(v, cells, drawn, x, y, canvas.hue[at], canvas.cell[at]-1) {
						bad++
					}
				}
			}
			assert.Zero(t, bad, "%s from %v, %v: pixels more than two from an edge", about, turn, tilt)
		}
	}
	t.Logf("%d pictures, %.3f %% of %d pixels differ at an edge", len(groups)*24, 100*float64(wrong)/float64(pixels), pixels)
	assert.Less(t, float64(wrong), 0.005*float64(pixels))
}

// agrees tells whether what was painted on a pixel is what a ray meets within a pixel of its middle.
func agrees(v view.View, cells int, shapes []shape, x, y, hue, cell int) bool {
	offsets := []float64{0, -0.3, 0.3, -0.6, 0.6}
	for _, dx := range offsets {
		for _, dy := range offsets {
			sheet, at := hit(v, float64(x)+0.5+dx, float64(y)+0.5+dy, cells, 1, shapes)
			if sheet < 0 && cell < 0 || sheet == hue && at == cell {
				return true
			}
		}
	}
	return false
}

// isFarFromEdges tells that within two pixels all rays meet one part of one surface, or nothing, and none meets what was painted, not even
// a cell beside it.
func isFarFromEdges(v view.View, cells int, shapes []shape, x, y, hue, painted int) bool {
	const finer = 8
	own, middle := hit(v, float64(x)+0.5, float64(y)+0.5, cells, finer, shapes)
	for dx := -2.0; dx <= 2; dx += 0.25 {
		for dy := -2.0; dy <= 2; dy += 0.25 {
			sheet, cell := hit(v, float64(x)+0.5+dx, float64(y)+0.5+dy, cells, finer, shapes)
			if sheet != own || own >= 0 && !isBeside(cell, middle, cells) || sheet == hue && isBeside(cell, painted, cells) {
				return false
			}
		}
	}
	return true
}

func isBeside(a, b, cells int) bool {
	return b >= 0 && max(a/cells-b/cells, b/cells-a/cells, a%cells-b%cells, b%cells-a%cells) <= 1
}

// A place is hidden where the way from it to the eye goes through a surface, walked along in small steps.
func TestWhatLiesBehindASurfaceIsHidden(t *testing.T) {
	const cells = 40
	for about, shapes := range groups {
		var drawn []shape
		for _, f := range shapes {
			drawn = append(drawn, bilinear(f, cells))
		}
		for k := range 6 {
			v := seenFrom(float64(k)*61, []float64{30, 12, -25}[k%3], k == 5)
			s := scene(v, cells, drawn...)
			for n := range 120 {
				at := view.Place{math.Mod(float64(n)*0.7321, 3.8) - 1.9, math.Mod(float64(n)*1.1357, 3.8) - 1.9, math.Mod(float64(n)*0.4142, 3.8) - 1.9}
				hidden, isNear := isBehind(v, at, drawn)
				if !isNear {
					assert.Equal(t, hidden, s.Hides(at, nil), "%s from %v: %v", about, k, at)
				}
			}
		}
	}
}

// isBehind tells whether a surface lies between a place and the eye; isNear, that it comes so near that steps cannot tell.
func isBehind(v view.View, from view.Place, shapes []shape) (is, isNear bool) {
	for _, f := range shapes {
		for before, above := range towardsEye(v, from, f, 4000) {
			if above*before < 0 {
				is = true
			} else if math.Abs(above) < 0.01 {
				isNear = true
			}
		}
	}
	return is, isNear && !is
}

// towardsEye walks from a place to the eye through the box, in so many steps, and gives how far each step lies above a surface, after how far
// the one before did.
func towardsEye(v view.View, from view.Place, f shape, steps int) iter.Seq2[float64, float64] {
	const length = 8.0
	way := v.Projection.Eye(from)
	way = view.Place{}.Plus(way, 1/way.Length())
	return func(visit func(before, above float64) bool) {
		before := from[2] - f(from[0], from[1])
		for k := 1; k <= steps; k++ {
			p := from.Plus(way, length*float64(k)/float64(steps))
			if !v.Projection.Holds(p) {
				return
			}
			above := p[2] - f(p[0], p[1])
			if !visit(before, above) {
				return
			}
			before = above
		}
	}
}

// The surface of a hemisphere ends where the root does, that of 1/x at the pole, and nothing is drawn across.
func TestSurfacesEndWhereTheFunctionDoes(t *testing.T) {
	v := seenFrom(-90, 90, false)
	for about, c := range map[string]struct {
		f         shape
		isBounded func(x0, x1, y0, y1 float64) bool
		inside    func(x, y float64) float64 // distance in units inside of what is there, negative outside
	}{
		"a hemisphere": {func(x, y float64) float64 { return math.Sqrt(2.25 - x*x - y*y) }, nil, func(x, y float64) float64 { return 1.5 - math.Hypot(x, y) }},
		"a pole":       {func(x, y float64) float64 { return 1 / x }, func(x0, x1, _, _ float64) bool { return x0*x1 > 0 }, func(x, y float64) float64 { return math.Abs(x) - 0.5 }},
		"a jump": {func(x, y float64) float64 { return math.Copysign(1, x+0.013) }, func(x0, x1, _, _ float64) bool { return (x0+0.013)*(x1+0.013) > 0 },
			func(x, y float64) float64 { return 1 }},
	} {
		lines, none := solid.Lines(-2, 2, nil, 40)
		l := solid.Lattice{X: lines, Y: lines}
		var z []float64
		for _, x := range l.X {
			for _, y := range l.Y {
				z = append(z, c.f(x, y))
			}
		}
		s := &solid.Scene{}
		s.Begin(v.Projection, l)
		sheet := solid.NewSheet(&l, solid.Relief{Heights: z, At: c.f, Units: v.Projection.Units, Low: -2, High: 2, IsBounded: c.isBounded})
		sheet.MeshX, sheet.MeshY = none, none
		s.AddSheet(sheet)
		var canvas owners
		s.PaintFaces(&canvas)
		unit := v.Projection.Units[0]
		for y := range height {
			for x := range width {
				wx, wy := (float64(x)+0.5-width/2)/unit, (height/2-float64(y)-0.5)/unit
				if math.Abs(wx) > 1.97 || math.Abs(wy) > 1.97 || math.Abs(c.inside(wx, wy)*unit) < 1.5 || about == "a jump" && math.Abs(wx+0.013)*unit < 1.5 {
					continue
				}
				require.Equal(t, c.inside(wx, wy) > 0, canvas.cell[y*width+x] > 0, "%s at %v, %v", about, wx, wy)
			}
		}
	}
}

// A line that goes under another one has a gap there; the upper one has none.
func TestALineThatGoesUnderAnotherHasAGap(t *testing.T) {
	s := scene(seenFrom(-90, 90, false), 12)
	pen := solid.Pen{Width: 3, Opacity: 1}
	s.AddStrand(solid.Strand{Line: []view.Place{{-1, 0, 0}, {1, 0, 0}}, Pen: pen, Owner: 1, Crosses: true})
	s.AddStrand(solid.Strand{Line: []view.Place{{0, -1, 1}, {0, 1, 1}}, Pen: pen, Owner: 2, Crosses: true})
	parts := map[int]int{}
	for _, part := range s.Strands() {
		parts[s.Of(part).Owner]++
		assert.False(t, part.IsHidden)
	}
	assert.Equal(t, map[int]int{1: 2, 2: 1}, parts)
}

// What leaves the box is cut there, and a line through a surface is hidden behind it and seen before it.
func TestALineIsCutToTheBoxAndHiddenBehindASurface(t *testing.T) {
	v := seenFrom(0, 0, false) // along the x-axis: what has the larger x is nearer
	s := scene(v, 12, func(x, y float64) float64 { return 3 * x })
	s.AddStrand(solid.Strand{Line: []view.Place{{-5, 0.3, -0.5}, {5, 0.3, 1.5}}, Pen: solid.Pen{Width: 3, Opacity: 1}})
	var seen, hidden float64
	for _, part := range s.Strands() {
		first, last := part.Points[0], part.Points[len(part.Points)-1]
		if length := math.Hypot(last[0]-first[0], last[1]-first[1]); part.IsHidden {
			hidden += length
		} else {
			seen += length
		}
	}
	// On the line z = 0.5 + 0.2x; it meets z = 3x at x = 0.5/2.8, where it comes through.
	through := 0.5 / 2.8
	assert.InDelta(t, (2-through)/(2+through), seen/hidden, 0.03)
	a := v.Projection.Pixel(view.Place{-2, 0.3, 0.1})
	b := v.Projection.Pixel(view.Place{2, 0.3, 0.9})
	assert.InDelta(t, math.Hypot(b[0]-a[0], b[1]-a[1]), seen+hidden, 0.5)
}

// A lattice meets what has to be met exactly, and keeps the lines of its mesh.
func TestALatticeHoldsWhatItIsAskedFor(t *testing.T) {
	lines, mesh := solid.Lines(-3, 3, []float64{-2, -1, 0, 1, 2}, 50, 0.7, -2.9999999999)
	assert.Greater(t, len(lines), 45)
	assert.Less(t, len(lines), 60)
	assert.Contains(t, lines, 0.7)
	meshed := []string{}
	for i, is := range mesh {
		if i > 0 {
			require.Greater(t, lines[i], lines[i-1])
		}
		if is {
			meshed = append(meshed, fmt.Sprint(lines[i]))
		}
	}
	assert.Equal(t, []string{"-2", "-1", "0", "1", "2"}, meshed)
}
