package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

func point(id, name, x, y string) document.Shown {
	return document.Shown{ID: id, Kind: document.Point, Name: name, X: x, Y: y}
}

func figure(shape document.FigureShape, points ...string) document.Shown {
	return document.Shown{ID: "fig", Kind: document.FigureEntry, Figure: &document.Figure{Shape: shape, Points: points}}
}

// A point on a curve goes along it: the hand moves its x, to the steps of the dial, and its y is the function's.
func TestAPointOnACurveIsDraggedAlongIt(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "x²/4"}, map[string]float64{"p": 1}, point("P", "P", "p", "f(p)"))
	require.Empty(t, e.Problems)
	p := e.Shown[0]
	assert.True(t, p.Drags)
	e.Drag(p, 2.94, -40, 0.01)
	e.Update()
	assert.Equal(t, 2.9, e.Parameters[0].Value)
	assert.InDelta(t, 2.9*2.9/4, p.Y, 1e-12)
	e.Drag(p, 400, 0, 0.01)
	e.Update()
	assert.Equal(t, [2]float64{5, 6.25}, [2]float64{p.X, p.Y}, "as far as the dial goes, and no further")
	e.Nudge(p, -3, 0, 0.01)
	e.Update()
	assert.InDelta(t, 4.7, p.X, 1e-12, "three steps of the dial back")
	_, _, free := p.Place()
	assert.False(t, free)
}

func TestAPointOfTwoDialsGoesWhereTheHandIs(t *testing.T) {
	e := demonstration(t, nil, map[string]float64{"a": 0, "b": 0}, point("P", "P", "a", "b"))
	e.Drag(e.Shown[0], 1.26, -2.34, 0.01)
	assert.Equal(t, 1.3, e.Parameters[e.Find("a")].Value)
	assert.Equal(t, -2.3, e.Parameters[e.Find("b")].Value)
	e.Nudge(e.Shown[0], 0, 2, 0.01)
	assert.InDelta(t, -2.1, e.Parameters[e.Find("b")].Value, 1e-12)
}

// A point typed as numbers is free: its place in play is rounded to the grain of the picture and can be typed again.
func TestAFreePointIsDraggedOnTheGrainOfThePicture(t *testing.T) {
	e := demonstration(t, nil, nil, point("P", "P", "1/2", "-1.5"))
	p := e.Shown[0]
	assert.Equal(t, [2]float64{0.5, -1.5}, [2]float64{p.X, p.Y})
	e.Drag(p, 0.3000000004, 2.0499, 0.1)
	x, y, free := p.Place()
	assert.True(t, free)
	assert.Equal(t, [2]string{"0.3", "2"}, [2]string{x, y}, "no 0.30000000000000004")
	e.Nudge(p, 1, -1, 0.1)
	x, y, _ = p.Place()
	assert.Equal(t, [2]string{"0.4", "1.9"}, [2]string{x, y})
	fixed := demonstration(t, map[string]string{"f": "x"}, nil, point("P", "P", "f(2)", "1"))
	assert.False(t, fixed.Shown[0].Drags, "a computed point is not moved by hand")
}

// The middle of two points lies half way, and that of a middle and a point a quarter; where a point has no value none of what
// hangs on it has (common practice).
func TestGeometryHangsOnItsPoints(t *testing.T) {
	middle := figure(document.Midpoint, "A", "B")
	middle.ID = "M"
	quarter := figure(document.Midpoint, "M", "A")
	quarter.ID = "Q"
	e := demonstration(t, nil, map[string]float64{"a": 4}, point("A", "A", "0", "2"), point("B", "B", "a", "√a"), middle, quarter,
		figure(document.Polygon, "A", "B", "M"))
	require.Empty(t, e.Problems)
	x, y := e.Shown[3].Position()
	assert.Equal(t, [2]float64{1, 2}, [2]float64{x, y})
	corners, defined := e.Shown[4].Figure.Corners()
	assert.True(t, defined)
	assert.Equal(t, [][2]float64{{0, 2}, {4, 2}, {2, 2}}, corners)
	e.Set(0, -1)
	e.Update()
	_, y = e.Shown[3].Position()
	assert.True(t, math.IsNaN(y), "√(−1) has no value")
	_, defined = e.Shown[4].Figure.Corners()
	assert.False(t, defined)

	bad := demonstration(t, map[string]string{"f": "x"}, nil, point("A", "A", "0", "0"), document.Shown{ID: "c", Kind: document.Curve, Function: "f"},
		figure(document.Segment, "A", "c"))
	assert.Equal(t, "field", problems(bad)["fig"], "a curve is no point")
	assert.False(t, bad.Shown[2].Ready())
}

// The tangent of x² at p has the slope 2p and the normal −1/(2p), upright at the vertex; the tangent of ∛x at 0 is upright
// (worked examples of any calculus book; common practice).
func TestTangentsAndNormalsFollowTheirPlace(t *testing.T) {
	line := func(formula string, shape document.FigureShape, at float64) (y, slope float64, defined bool) {
		e := demonstration(t, map[string]string{"f": formula}, map[string]float64{"p": at}, document.Shown{ID: "l", Kind: document.FigureEntry,
			Function: "f", At: "p", Figure: &document.Figure{Shape: shape}})
		require.Empty(t, e.Problems)
		x, y, slope, defined := e.Shown[0].Figure.Line(e)
		assert.Equal(t, at, x)
		return y, slope, defined
	}
	y, slope, defined := line("x²", document.TangentLine, 3)
	assert.True(t, defined)
	assert.Equal(t, [2]float64{9, 6}, [2]float64{y, slope})
	_, slope, _ = line("x²", document.NormalLine, 3)
	assert.InDelta(t, -1.0/6, slope, 1e-15)
	_, slope, defined = line("x²", document.NormalLine, 0)
	assert.True(t, defined)
	assert.True(t, math.IsInf(slope, 0), "upright")
	_, slope, _ = line("x² + 3", document.TangentLine, 0)
	assert.Zero(t, slope)
	_, _, defined = line("1/x", document.TangentLine, 0)
	assert.False(t, defined, "no point, no tangent")
	_, _, defined = line("|x|", document.TangentLine, 0)
	assert.False(t, defined, "no tangent at a corner")
	_, slope, _ = line("e^x", document.TangentLine, 1)
	assert.InDelta(t, math.E, slope, 1e-12)
}

func TestIntersectionsNeedTwoFunctionsOfOneVariable(t *testing.T) {
	e := demonstration(t, map[string]string{"f": "x"}, nil, document.Shown{ID: "i", Kind: document.FigureEntry, Function: "f",
		Figure: &document.Figure{Shape: document.Intersection, Other: "g"}})
	assert.Equal(t, "not-a-function", problems(e)["i"])
	assert.False(t, e.Shown[0].Ready())
}

// y = a x + b as a slanted guide: its place is b and its slope a; upright and level ones have a place only.
func TestGuidesAreFormulas(t *testing.T) {
	e := demonstration(t, nil, map[string]float64{"a": 2, "b": -1},
		document.Shown{ID: "s", Kind: document.Guide, Direction: document.Slanted, At: "a x + b"},
		document.Shown{ID: "u", Kind: document.Guide, Direction: document.Upright, At: "a/b"},
		document.Shown{ID: "l", Kind: document.Guide, Direction: document.Level, At: "π a"})
	require.Empty(t, e.Problems)
	assert.Equal(t, [2]float64{-1, 2}, [2]float64{e.Shown[0].At, e.Shown[0].Slope})
	assert.Equal(t, -2.0, e.Shown[1].At)
	assert.InDelta(t, 2*math.Pi, e.Shown[2].At, 1e-12)
	e.Set(e.Find("b"), 0)
	e.Update()
	assert.True(t, math.IsNaN(e.Shown[1].At) || math.IsInf(e.Shown[1].At, 0), "a/0 is no place")
	assert.Equal(t, [2]float64{0, 2}, [2]float64{e.Shown[0].At, e.Shown[0].Slope})
}

// A row of a table is read like any number of a textbook; what is no number is named, and the rest stays.
func TestPlottedPointsAreReadAsTyped(t *testing.T) {
	table := func(rows ...document.Row) *evaluate.Demonstration {
		return demonstration(t, map[string]string{"f": "x²"}, map[string]float64{"a": 1}, document.Shown{ID: "d", Kind: document.Table, Function: "f",
			Distances: true, Rows: rows})
	}
	e := table(document.Row{X: "1/2", Y: "1/4"}, document.Row{X: "√2", Y: "2.5"}, document.Row{X: "π", Y: "9"})
	require.Empty(t, e.Problems)
	points := e.Shown[0].Table
	assert.InDelta(t, 0, points.Off(e, 0), 1e-15)
	assert.InDelta(t, 0.5, points.Off(e, 1), 1e-12, "above the curve")
	assert.InDelta(t, 9-math.Pi*math.Pi, points.Off(e, 2), 1e-12, "below it")
	for formula, code := range map[string]string{"a": "not-constant", "1/0": "undefined-field", "f(1)": "not-constant", "2 +": "unfinished"} {
		bad := table(document.Row{X: "1", Y: "1"}, document.Row{X: formula, Y: "1"})
		assert.Equal(t, code, problems(bad)["d"], formula)
		assert.Nil(t, bad.Shown[0].Table, formula)
	}
}

// What a dial's pointer shows lies between its ends, and a step further is the next of its values (common practice).
func TestADialIsReadAndSteppedByShares(t *testing.T) {
	d := document.New("")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-2", To: "6", Step: "0.5"},
		document.Stated{ID: "n", Kind: document.Parameter, Name: "n", From: "0", To: "5", Step: "0.2", Whole: true})
	e := evaluate.Load(d, nil)
	a, n := e.Parameters[0], e.Parameters[1]
	assert.Equal(t, 0.0, a.AtFraction(0.25))
	assert.Equal(t, 2.5, a.AtFraction(0.55), "on the nearest step")
	assert.Equal(t, 0.5, a.Fraction(2))
	assert.Equal(t, 1.0, a.Fraction(99))
	assert.Equal(t, 0.0, a.Fraction(-99))
	assert.Equal(t, 2.5, a.Stepped(3), "three steps above 1")
	assert.Equal(t, 6.0, a.Stepped(100))
	assert.Equal(t, 3.0, n.Stepped(2), "whole numbers step by one")
	e.Set(0, math.NaN())
	assert.Equal(t, 1.0, a.Value, "no dial stands at what is no number")
}
