package figure_test

import (
	"math"
	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/stagetest"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func dot(id, x, y string) document.Shown {
	return document.Shown{ID: id, Kind: document.Point, Name: id, X: x, Y: y, Label: document.LabelNone}
}

func measured(shape document.FigureShape, points ...string) document.Shown {
	return document.Shown{ID: "figure", Kind: document.FigureEntry, Name: "M", Figure: &document.Figure{Shape: shape, Points: points}, Colour: 3}
}

// measure is what a figure's label says.
func measure(t *testing.T, shown ...document.Shown) string {
	t.Helper()
	pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, true), 1200, 800, nil, shown...)
	for _, l := range pic.Labels {
		if l.ID == "figure" {
			return l.LaTeX
		}
	}
	return ""
}

// The triangle with the sides 3, 4 and 5: its right angle, its area 6, the angle of 53.1° (Euclid I.47, III.31 and common
// practice).
func TestFiguresTellTheirMeasures(t *testing.T) {
	a, b, c := dot("A", "0", "0"), dot("B", "4", "0"), dot("C", "0", "3")
	assert.Equal(t, "5", measure(t, b, c, measured(document.Segment, "B", "C")))
	assert.Equal(t, "4", measure(t, a, b, measured(document.Segment, "A", "B")))
	assert.Equal(t, "−4", measure(t, a, b, measured(document.Arrow, "B", "A")), "a level length has its direction's sign")
	assert.Equal(t, "−3", measure(t, a, c, measured(document.Segment, "C", "A")), "and so has an upright one")
	assert.Equal(t, "A=6", measure(t, a, b, c, measured(document.Polygon, "A", "B", "C")))
	assert.Equal(t, "A=6", measure(t, a, b, c, measured(document.Polygon, "C", "B", "A")), "whichever way round")
	assert.Equal(t, "0.93", measure(t, a, b, c, measured(document.AngleShape, "A", "C", "B")), "arctan(4/3) in radians")
	assert.Equal(t, "", measure(t, a, b, c, measured(document.RightAngle, "B", "A", "C")), "a right angle has its own mark")
	assert.Equal(t, "0.64", measure(t, a, b, c, measured(document.RightAngle, "A", "B", "C")), "what is none says its measure")
	assert.Equal(t, "r=5", measure(t, b, c, measured(document.CircleShape, "B", "C")))
	assert.Equal(t, "6.28", measure(t, a, b, c, measured(document.ArcShape, "A", "B", "C")), "a quarter of 2π·4")
	assert.Equal(t, "M", measure(t, b, c, measured(document.Midpoint, "B", "C")))
	missing := dot("D", "√(−1)", "0")
	assert.Equal(t, "", measure(t, a, missing, measured(document.Segment, "A", "D")), "a point without a value takes its segment with it")
}

// The median from A to the midpoint of BC has half the length of BC in a right-angled triangle (Thales).
func TestAMidpointIsAPointForOtherFigures(t *testing.T) {
	half := document.Shown{ID: "half", Kind: document.FigureEntry, Name: "M", Figure: &document.Figure{Shape: document.Midpoint, Points: []string{"B", "C"}}}
	assert.Equal(t, "2.5", measure(t, dot("A", "0", "0"), dot("B", "4", "0"), dot("C", "0", "3"), half, measured(document.Segment, "A", "half")))
}

// The tangent to x² at 1 has the slope 2, the perpendicular −1/2; x² meets 2x at (0, 0) and (2, 4) (worked by hand).
func TestTangentsPerpendicularsAndIntersections(t *testing.T) {
	d := document.New("")
	d.Stated = []document.Stated{{ID: "f", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "x²"},
		{ID: "g", Kind: document.Function, Name: "g", Variables: []string{"x"}, Formula: "2x"},
		{ID: "h", Kind: document.Function, Name: "h", Variables: []string{"x"}, Formula: "tan x"},
		{ID: "a", Kind: document.Parameter, Name: "a", From: "-5", To: "5", Step: "1"}}
	d.Scenes[0].Values["a"] = 1
	line := func(shape document.FigureShape) document.Shown {
		return document.Shown{ID: string(shape), Kind: document.FigureEntry, Function: "f", At: "a", Figure: &document.Figure{Shape: shape}}
	}
	meets := func(id, f, g string) document.Shown {
		return document.Shown{ID: id, Kind: document.FigureEntry, Function: f, Figure: &document.Figure{Shape: document.Intersection, Other: g}}
	}
	d.Shown = []document.Shown{line(document.TangentLine), line(document.NormalLine), meets("fg", "f", "g"), meets("gh", "g", "h")}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	x, y, slope, defined := e.Shown[0].Live.(*figure.Live).Line(e)
	assert.True(t, defined)
	assert.Equal(t, [3]float64{1, 1, 2}, [3]float64{x, y, slope})
	_, _, slope, _ = e.Shown[1].Live.(*figure.Live).Line(e)
	assert.Equal(t, -0.5, slope)
	e.Set(0, 0)
	_, _, slope, defined = e.Shown[1].Live.(*figure.Live).Line(e)
	assert.True(t, defined && math.IsInf(slope, 0), "the perpendicular at the vertex is upright")
	places := e.Shown[2].Live.(*figure.Live).Crossings(e, -6.03, 6)
	require.Len(t, places, 2)
	assert.InDelta(t, 0, places[0][0], 1e-12)
	assert.InDelta(t, 2, places[1][0], 1e-12)
	assert.InDelta(t, 4, places[1][1], 1e-12)
	// tan x = 2x between the poles at 0 and one place on either side of it.
	for _, p := range e.Shown[3].Live.(*figure.Live).Crossings(e, -1.5, 1.51) {
		assert.InDelta(t, math.Tan(p[0]), 2*p[0], 1e-9)
	}
	assert.Len(t, e.Shown[3].Live.(*figure.Live).Crossings(e, -2, 2.01), 3, "the poles are no intersections")
	p := stagetest.Plane(-6, 6, -4, 4, true)
	var c compose.Composer
	assert.NotEmpty(t, c.Panel(e, &p, 1200, 800).Labels)
}

// Who cannot see a panel is told the same: the angle and the ratio, the point of a curve, a length and an area.
func TestCirclesCurvesAndFiguresAreDescribed(t *testing.T) {
	describe := func(d *document.Document, panel int) string {
		return compose.Describe(evaluate.Load(d, nil), &d.Panels[panel], 600, 500)
	}
	d, err := edit.Begin(document.New(""), edit.IdeaCircle)
	require.NoError(t, err)
	text := describe(d, 0)
	assert.Contains(t, text, "Circle, x from")
	assert.Contains(t, text, "30 degrees, in quadrant 1")
	assert.Contains(t, text, "The sine is 0.5.")
	d.Scenes[0].Values["θ"] = math.Pi / 2
	d, err = edit.ShowPiece(d, edit.PieceWanted{Circle: d.Shown[0].ID, Ratio: "tan", Shown: true})
	require.NoError(t, err)
	text = describe(d, 0)
	assert.Contains(t, text, "on the positive y-axis")
	assert.Contains(t, text, "The tangent is undefined: the tangent line is parallel to the x-axis.")
	d, err = edit.Begin(document.New(""), edit.IdeaPath)
	require.NoError(t, err)
	d.Scenes[0].Values["t"] = 0
	assert.Contains(t, describe(d, 0), "its point is at (3, 0)")
	d = document.New("")
	d.Shown = []document.Shown{dot("A", "0", "0"), dot("B", "4", "0"), dot("C", "0", "3"), measured(document.Polygon, "A", "B", "C")}
	assert.Contains(t, describe(d, 0), "A polygon of area 6.")
}
