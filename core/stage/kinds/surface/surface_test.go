package surface_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// over is a demonstration of f(x, y) with dials c, p and q in a space panel, and a plane beside.
func over(t *testing.T, formula string, shown ...document.Entry) *evaluate.Demonstration {
	t.Helper()
	d := document.New("")
	d.Panels = []document.Panel{{ID: "space1", Kind: document.InSpace, Window: document.Window{Left: -2, Right: 2, Bottom: -2, Top: 2, Space: document.FirstSight},
		Grid: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}, stagetest.Plane(-2, 2, -2, 2, true)}
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Function, Name: "f", Variables: []string{"x", "y"}, Formula: formula}}
	for _, name := range []string{"c", "p", "q"} {
		d.Stated = append(d.Stated, document.Stated{ID: "dial" + name, Kind: document.Parameter, Name: name, From: "-2", To: "2", Step: "0.1"})
		d.Scenes[0].Values[name] = 1
	}
	d.Shown = append([]document.Entry{{ID: "u1", Body: &surface.Body{Function: "f"}}}, shown...)
	return stagetest.Loaded(t, d)
}

func section(axis surface.Axis) document.Entry {
	return document.Entry{ID: "v1", Look: document.Look{Colour: 1}, Body: &surface.PartBody{Of: "u1", Piece: surface.Section, Axis: axis, At: "c"}}
}

// linesOf are the lines of a colour in a picture of the space panel, those that are hidden too.
func linesOf(p *picture.Picture, colour picture.Colour) (list [][][2]float64) {
	for r := range picture.Records(p.Live) {
		if picture.Op(r[0]) != picture.Line || picture.Colour(r[1]) != colour || r[2] < 1.5 {
			continue
		}
		var line [][2]float64
		for k := 6; k+1 < len(r); k += 2 {
			line = append(line, [2]float64{float64(r[k]), float64(r[k+1])})
		}
		list = append(list, line)
	}
	return list
}

// The curve of a section lies where the surface is met: each of its places on the panel is that of some (c, y, f(c, y)).
func TestASectionLiesOnTheSurface(t *testing.T) {
	f := func(x, y float64) float64 { return (x*x - y*y) / 3 }
	for axis, at := range map[surface.Axis]func(s float64) view.Place{
		surface.AcrossX: func(s float64) view.Place { return view.Place{1, s, f(1, s)} },
		surface.AcrossY: func(s float64) view.Place { return view.Place{s, 1, f(s, 1)} },
	} {
		e := over(t, "(x² − y²)/3", section(axis))
		p := stagetest.Again(e, 700, 500)
		q := view.Seen(e.Panel(0), 700, 500).Projection
		total := 0
		for _, line := range linesOf(p, 1) {
			for _, px := range line {
				near := math.Inf(1)
				for s := -2.0; s <= 2; s += 0.01 {
					pixel := q.Pixel(at(s))
					near = math.Min(near, math.Hypot(pixel[0]-px[0], pixel[1]-px[1]))
				}
				require.Less(t, near, 1.5, "%s: %v", axis, px)
				total++
			}
		}
		assert.Greater(t, total, 10)
	}
}

// A hand that takes the plane at its corner moves its dial; one that takes the point moves both of its dials, on their steps.
func TestPlanesAndPointsAreTakenInSpace(t *testing.T) {
	e := over(t, "(x² − y²)/3", section(surface.AcrossY),
		document.Entry{ID: "v2", Body: &surface.PartBody{Of: "u1", Piece: surface.Touching, X: "p", Y: "q"}})
	v := view.Seen(e.Panel(0), 700, 500)
	q := v.Projection
	to := q.Pixel(view.Place{2, -0.5, 3})
	e.Drag(1, evaluate.Hand{Panel: e.Panel(0), View: v, PX: to[0], PY: to[1]})
	assert.InDelta(t, -0.5, e.Parameters[e.Find("c")].Value, 0.051)
	place := view.Place{0.4, -0.8, (0.4*0.4 - 0.8*0.8) / 3}
	at := q.Pixel(place)
	e.Drag(2, evaluate.Hand{Panel: e.Panel(0), View: v, PX: at[0], PY: at[1]})
	assert.InDelta(t, 0.4, e.Parameters[e.Find("p")].Value, 0.11)
	assert.InDelta(t, -0.8, e.Parameters[e.Find("q")].Value, 0.11)
	e.Nudge(2, evaluate.Hand{DX: 1, DY: -1})
	e.Nudge(1, evaluate.Hand{DX: 2})
	assert.InDelta(t, -0.3, e.Parameters[e.Find("c")].Value, 0.051)
}

// The tangent plane of x² − y² + 1 at (1, 1) is z = 2x − 2y + 1 with slopes 2 and −2; the gradient is (2, −2) (worked by hand).
func TestWhatTouchesASurfaceTellsItsNumbers(t *testing.T) {
	part := func(id string, piece surface.SurfacePiece) document.Entry {
		return document.Entry{ID: id, Look: document.Look{Colour: 2}, Body: &surface.PartBody{Of: "u1", Piece: piece, X: "p", Y: "q"}}
	}
	e := over(t, "x² − y² + 1", part("v1", surface.TangentPlane), part("v2", surface.Gradient), part("v3", surface.Slopes), part("v4", surface.Touching))
	p := stagetest.Again(e, 900, 640)
	labels := map[string]string{}
	for _, l := range p.Labels {
		labels[l.ID] = l.LaTeX
	}
	assert.Equal(t, "z=2x-2y+1", labels["v1"])
	assert.Equal(t, `\text{grad}\,f=(2,\,−2)`, labels["v2"])
	assert.Equal(t, "f_{x}=2", labels["v3.0"])
	assert.Equal(t, "f_{y}=−2", labels["v3.1"])
	assert.Equal(t, `(1,\,1,\,1)`, labels["v4"])
	said := compose.Describe(e.Frame(0, 900, 640))
	assert.Contains(t, said, "Space, x from −2 to 2, y from −2 to 2, z from −3 to 3")
	assert.Contains(t, said, "The surface of f: f of x and y equals x squared minus y squared plus 1.")
	assert.Contains(t, said, "The tangent plane of f at 1, 1, 1, with slopes 2 along x and −2 along y.")
}

// Level curves of x² + y² are circles: on the map every place of the curve at the height 1 is 1 from the middle.
func TestLevelCurvesAreAMapOfThePlane(t *testing.T) {
	e := over(t, "x² + y²", document.Entry{ID: "v1", Look: document.Look{Colour: 3}, Body: &surface.PartBody{Of: "u1", Piece: surface.Levels, Step: "1"}})
	var c compose.Composer
	p := c.Compose(e.Frame(1, 500, 500))
	v := view.Seen(e.Panel(1), 500, 500)
	heights := map[float64]int{}
	for _, line := range linesOf(p, 3) {
		for _, px := range line {
			x, y := v.AtX(px[0]), v.AtY(px[1])
			if !v.Sees(x, y) {
				continue
			}
			z := x*x + y*y
			require.InDelta(t, math.Round(z), z, 0.02)
			heights[math.Round(z)]++
		}
	}
	for _, height := range []float64{1, 2, 3, 4} {
		assert.Greater(t, heights[height], 20, "%v", height)
	}
}

// A surface is there only where its conditions hold and within its rectangle; what is not a function of two variables is refused.
func TestASurfaceKeepsToItsRectangleAndConditions(t *testing.T) {
	d := over(t, "1").Document
	d.Shown[0].Body = &surface.Body{Function: "f", FromX: "0", ToX: "1", Conditions: []string{"x² + y² ≤ p"}}
	e := stagetest.Loaded(t, d)
	at := e.Shown[0].Live.(*surface.Live).At(e, view.Seen(e.Panel(0), 500, 500).Projection.Box)
	assert.Equal(t, 1.0, at(0.5, 0.5))
	assert.True(t, math.IsNaN(at(-0.5, 0.5)), "outside of the rectangle")
	assert.True(t, math.IsNaN(at(0.9, 0.9)), "where the condition does not hold")
	d.Stated[0].Variables = []string{"x"}
	problems := stagetest.Problems(evaluate.Load(d, nil))
	assert.Equal(t, "two-variables", problems["u1"])
}

// A surface stands in space alone, a curve in the plane alone.
func TestWhatStandsInSpaceIsNotDrawnInThePlane(t *testing.T) {
	e := over(t, "x y", section(surface.AcrossX))
	var c compose.Composer
	for r := range picture.Records(c.Compose(e.Frame(1, 400, 400)).Live) {
		assert.NotEqual(t, picture.Area, picture.Op(r[0]))
	}
	sentence := ""
	for _, w := range e.Shown[1].Entry.Body.(*surface.PartBody).Sentence(e, e.Shown[1]) {
		sentence += w.Text + w.LaTeX
	}
	assert.True(t, strings.HasPrefix(sentence, "the section of f at x="), sentence)
}

// x² − y² has a saddle at the origin and lies between −4 and 4 over −2 ≤ x, y ≤ 2; its slopes are 2x and −2y (common practice).
func TestFindingsOfASurface(t *testing.T) {
	e := over(t, "x² − y²")
	lines, err := e.Shown[0].Live.(*surface.Live).Findings(e, e.Panel(0).Window)
	require.NoError(t, err)
	told := map[string]string{}
	for _, l := range lines {
		told[l.Name] = l.LaTeX
	}
	assert.Equal(t, "f_{x}=2 x", told["slope along x"])
	assert.Equal(t, "f_{y}=-2 y", told["slope along y"])
	assert.Equal(t, `{(0,\,0,\,0)}`, told["saddle points"])
	assert.Equal(t, `-4\dots 4`, told["heights over this floor"])
	assert.NotContains(t, told, "highest around")
}

// On the panels that are chosen for it a gradient stands on the map: from (1, 1) along (2x, −2y) = (2, −2), and tells it.
func TestAGradientStandsOnTheMap(t *testing.T) {
	body := &surface.PartBody{Of: "u1", Piece: surface.Gradient, X: "p", Y: "q"}
	for _, panels := range [][]string{nil, {"space1", "panel"}} {
		e := over(t, "x² − y²", document.Entry{ID: "v1", Where: document.Where{Panels: panels}, Body: body})
		var c compose.Composer
		p := c.Compose(e.Frame(1, 600, 600))
		if panels == nil {
			assert.Empty(t, p.Labels, "in space alone")
			continue
		}
		require.Len(t, p.Labels, 1)
		assert.Equal(t, `\text{grad}\,f=(2,\,−2)`, p.Labels[0].LaTeX)
		line := 0
		for r := range picture.Records(p.Live) {
			if picture.Op(r[0]) == picture.Line {
				line++
			}
		}
		assert.Positive(t, line)
	}
}
