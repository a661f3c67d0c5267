package parametric_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/parametric"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

func live(t *testing.T, e *evaluate.Demonstration) *parametric.Live {
	t.Helper()
	require.NotEmpty(t, e.Shown)
	l, ok := e.Shown[0].Live.(*parametric.Live)
	require.True(t, ok, "%T", e.Shown[0].Live)
	return l
}

// Surfaces of handbooks by their equations in x, y and z (from memory): whatever the parameters are, the place lies on the surface.
func TestSurfacesOfHandbooksSatisfyTheirEquations(t *testing.T) {
	for typed, off := range map[string]func(x, y, z float64) float64{
		"((2 + cos v) cos u, (2 + cos v) sin u, sin v)": func(x, y, z float64) float64 {
			return math.Pow(math.Hypot(x, y)-2, 2) + z*z - 1 // torus
		},
		"(2cos u sin v, 2sin u sin v, 2cos v)":  func(x, y, z float64) float64 { return x*x + y*y + z*z - 4 },
		"(v cos u, v sin u, v)":                 func(x, y, z float64) float64 { return x*x + y*y - z*z },                 // cone
		"(cosh(v) cos u, cosh(v) sin u, v)":     func(x, y, z float64) float64 { return math.Hypot(x, y) - math.Cosh(z) }, // catenoid
		"(u, v, u^2 - v^2)":                     func(x, y, z float64) float64 { return z - x*x + y*y },                   // saddle
		"(v cos u, v sin u, u)":                 func(x, y, z float64) float64 { return x*math.Sin(z) - y*math.Cos(z) },   // helicoid
		"(u + v, u - v, 4u v)":                  func(x, y, z float64) float64 { return z - x*x + y*y },                   // the saddle by its lines
		"(cos u - v sin u, sin u + v cos u, v)": func(x, y, z float64) float64 { return x*x + y*y - z*z - 1 },             // hyperboloid by its lines
	} {
		l := live(t, torus(t, typed))
		for _, u := range []float64{0.1, 0.9, 2.3, 4} {
			for _, v := range []float64{0.2, 0.7, 1.3} {
				p := l.At(u, v)
				assert.InDelta(t, 0, off(p[0], p[1], p[2]), 1e-9, "%s at %v, %v", typed, u, v)
			}
		}
	}
}

// A torus of radii 2 and 1 reaches to ±3 across and up, and to ±1 in height; it is said so, and is fitted by the same box.
func TestATorusIsDescribedByHowFarItReaches(t *testing.T) {
	e := torus(t, "((2 + cos v) cos u, (2 + cos v) sin u, sin v)")
	l := live(t, e)
	assert.InDeltaSlice(t, []float64{0, 2 * math.Pi, 0, 2 * math.Pi}, l.Ends[:], 1e-12, "one turn of each angle, without a word about it")
	assert.Equal(t, []string{"A parametric surface, x from -3 to 3, y from -3 to 3, z from -1 to 1."}, normal(l.Describe(e, e.Shown[0].Entry)))
}

// normal writes minus signs as they are on a keyboard.
func normal(list []string) []string {
	for i := range list {
		list[i] = strings.ReplaceAll(list[i], "−", "-")
	}
	return list
}

// A dial moves the surface and its ends; where its ends are no interval there is nothing, which is said, and nothing fails.
func TestASurfaceFollowsItsDials(t *testing.T) {
	d, err := edit.Typed(document.New(""), "", "(h cos u, h sin u, v)")
	require.NoError(t, err)
	body := d.Shown[0].Body.(*parametric.Body)
	body.FromV, body.ToV = "0", "h − 1"
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	l, dial := live(t, e), e.Find("h")
	e.Set(dial, 3)
	e.Update()
	assert.Equal(t, 2.0, l.Ends[3])
	assert.InDelta(t, 3, l.At(0, 0)[0], 1e-12)
	assert.True(t, l.Exists())
	e.Set(dial, 1)
	e.Update()
	assert.False(t, l.Exists())
	assert.Equal(t, []string{"A parametric surface without an interval."}, l.Describe(e, e.Shown[0].Entry))
	c := compose.Composer{}
	assert.NotPanics(t, func() { c.Compose(e.Frame(0, 600, 400)) })
}

// While a hand turns it, it is drawn of fewer cells than at rest, of the same hue; what cannot be worked out is refused at its field.
func TestASurfaceIsDrawnCoarserWhileItIsTurned(t *testing.T) {
	e := torus(t, "((2 + cos v) cos u, (2 + cos v) sin u, sin v)")
	areas := func(cells int) (n int) {
		c := compose.Composer{Cells: cells}
		for r := range picture.Records(c.Compose(e.Frame(0, 900, 600)).Live) {
			if picture.Op(r[0]) == picture.Area {
				n++
			}
		}
		return n
	}
	moving, rest := areas(compose.MovingCells), areas(0)
	assert.Positive(t, moving)
	assert.Less(t, moving, rest)
}

// A long sum is drawn of fewer cells, and one that no sum of a demonstration may have (more than 1,000 terms) is nowhere defined: neither is
// an error, and both are said.
func TestALongSumIsDrawnCoarser(t *testing.T) {
	for terms, coarse := range map[string]bool{"20": false, "600": true, "4000": false} {
		e := torus(t, "(u, v, sum(sin(i u v)/i for i from 1 to "+terms+"))")
		c := compose.Composer{}
		c.Compose(e.Frame(0, 900, 600))
		assert.Equal(t, coarse, len(c.Coarse) > 0, terms)
		assert.Equal(t, terms == "4000", math.IsNaN(live(t, e).At(1, 1)[2]), terms)
	}
}

func TestWhatIsNoSurfaceIsRefusedAtItsField(t *testing.T) {
	surface := func(change func(b *parametric.Body)) map[string]string {
		d, err := edit.Typed(document.New(""), "", "(u, v, u v)")
		require.NoError(t, err)
		change(d.Shown[0].Body.(*parametric.Body))
		return stagetest.Problems(evaluate.Load(d, nil))
	}
	id := "n1"
	assert.Empty(t, surface(func(*parametric.Body) {}))
	assert.Equal(t, "unfinished", surface(func(b *parametric.Body) { b.Z = "u +" })[id])
	assert.Equal(t, "unfinished", surface(func(b *parametric.Body) { b.ToU = "2(" })[id])
	assert.Contains(t, surface(func(b *parametric.Body) { b.Z = "sum(sum(sin(i j u) for i from 1 to 900) for j from 1 to 900)" })[id], "too-long")

	d, err := edit.Typed(document.New(""), "", "(u, v, u v)")
	require.NoError(t, err)
	b := d.Shown[0].Body.(*parametric.Body)
	b.V = "u"
	assert.ErrorContains(t, d.Check(), "another letter than the first")
	b.U, b.V = "", ""
	assert.Equal(t, []string{"u", "v"}, b.Letters())
}

// Its sentence names the letters and their ends as they were typed.
func TestASurfaceIsToldInASentence(t *testing.T) {
	e := torus(t, "(u cos v, u sin v, u^2)")
	text := ""
	for _, w := range e.Shown[0].Entry.Body.(*parametric.Body).Sentence(e, e.Shown[0]) {
		text += w.Text + w.LaTeX
	}
	assert.Contains(t, text, "the surface ")
	assert.Contains(t, text, " from ")
	assert.Equal(t, view.Place{2, 0, 4}, live(t, e).At(2, 0))
}
