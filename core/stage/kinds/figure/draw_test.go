package figure_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/stagetest"
)

func dot(id, x, y string) document.Entry {
	return document.Entry{ID: id, Look: document.Look{Label: document.LabelNone}, Body: &point.Body{Name: id, X: x, Y: y}}
}

func measured(shape figure.Shape, points ...string) document.Entry {
	return document.Entry{ID: "figure", Look: document.Look{Colour: 3}, Body: &figure.Body{Shape: shape, Points: points, Name: "M"}}
}

// measure is what a figure's label says.
func measure(t *testing.T, shown ...document.Entry) string {
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
	assert.Equal(t, "5", measure(t, b, c, measured(figure.Segment, "B", "C")))
	assert.Equal(t, "4", measure(t, a, b, measured(figure.Segment, "A", "B")))
	assert.Equal(t, "−4", measure(t, a, b, measured(figure.Arrow, "B", "A")), "a level length has its direction's sign")
	assert.Equal(t, "−3", measure(t, a, c, measured(figure.Segment, "C", "A")), "and so has an upright one")
	assert.Equal(t, "A=6", measure(t, a, b, c, measured(figure.Polygon, "A", "B", "C")))
	assert.Equal(t, "A=6", measure(t, a, b, c, measured(figure.Polygon, "C", "B", "A")), "whichever way round")
	assert.Equal(t, "0.93", measure(t, a, b, c, measured(figure.Angle, "A", "C", "B")), "arctan(4/3) in radians")
	assert.Equal(t, "", measure(t, a, b, c, measured(figure.RightAngle, "B", "A", "C")), "a right angle has its own mark")
	assert.Equal(t, "0.64", measure(t, a, b, c, measured(figure.RightAngle, "A", "B", "C")), "what is none says its measure")
	assert.Equal(t, "r=5", measure(t, b, c, measured(figure.Circle, "B", "C")))
	assert.Equal(t, "6.28", measure(t, a, b, c, measured(figure.Arc, "A", "B", "C")), "a quarter of 2π·4")
	assert.Equal(t, "M", measure(t, b, c, measured(figure.Midpoint, "B", "C")))
	missing := dot("D", "√(−1)", "0")
	assert.Equal(t, "", measure(t, a, missing, measured(figure.Segment, "A", "D")), "a point without a value takes its segment with it")
}

// The median from A to the midpoint of BC has half the length of BC in a right-angled triangle (Thales).
func TestAMidpointIsAPointForOtherFigures(t *testing.T) {
	half := document.Entry{ID: "half", Body: &figure.Body{Shape: figure.Midpoint, Points: []string{"B", "C"}, Name: "M"}}
	assert.Equal(t, "2.5", measure(t, dot("A", "0", "0"), dot("B", "4", "0"), dot("C", "0", "3"), half, measured(figure.Segment, "A", "half")))
}

// The tangent to x² at 1 has the slope 2, the perpendicular −1/2; x² meets 2x at (0, 0) and (2, 4) (worked by hand).
func TestTangentsPerpendicularsAndIntersections(t *testing.T) {
	d := document.New("")
	d.Stated = []document.Stated{{ID: "f", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "x²"},
		{ID: "g", Kind: document.Function, Name: "g", Variables: []string{"x"}, Formula: "2x"},
		{ID: "h", Kind: document.Function, Name: "h", Variables: []string{"x"}, Formula: "tan x"},
		{ID: "a", Kind: document.Parameter, Name: "a", From: "-5", To: "5", Step: "1"}}
	d.Scenes[0].Values["a"] = 1
	line := func(shape figure.Shape) document.Entry {
		return document.Entry{ID: string(shape), Body: &figure.Body{Shape: shape, Function: "f", At: "a"}}
	}
	meets := func(id, f, g string) document.Entry {
		return document.Entry{ID: id, Body: &figure.Body{Shape: figure.Intersection, Other: g, Function: f}}
	}
	d.Shown = []document.Entry{line(figure.Tangent), line(figure.Normal), meets("fg", "f", "g"), meets("gh", "g", "h")}
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
	assert.NotEmpty(t, c.Compose(stagetest.Seen(e, p, 1200, 800)).Labels)
}

// Who cannot see a panel is told the same: the angle and the ratio, the point of a curve, a length and an area.
func TestCirclesCurvesAndFiguresAreDescribed(t *testing.T) {
	describe := func(d *document.Document, panel int) string {
		return compose.Describe(evaluate.Load(d, nil).Frame(panel, 600, 500))
	}
	d, err := edit.Begin(document.New(""), edit.IdeaCircle)
	require.NoError(t, err)
	text := describe(d, 0)
	assert.Contains(t, text, "Circle, x from")
	assert.Contains(t, text, "30 degrees, in quadrant 1")
	assert.Contains(t, text, "The sine is 0.5.")
	d.Scenes[0].Values["θ"] = math.Pi / 2
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Ratio: "tan", Shown: true})
	require.NoError(t, err)
	text = describe(d, 0)
	assert.Contains(t, text, "on the positive y-axis")
	assert.Contains(t, text, "The tangent is undefined: the tangent line is parallel to the x-axis.")
	d, err = edit.Begin(document.New(""), edit.IdeaPath)
	require.NoError(t, err)
	d.Scenes[0].Values["t"] = 0
	assert.Contains(t, describe(d, 0), "its point is at (3, 0)")
	d = document.New("")
	d.Shown = []document.Entry{dot("A", "0", "0"), dot("B", "4", "0"), dot("C", "0", "3"), measured(figure.Polygon, "A", "B", "C")}
	assert.Contains(t, describe(d, 0), "A polygon of area 6.")
}
