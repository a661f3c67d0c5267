package circle_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// circleAt is a circle and its graph with all six ratios, its dial at an angle.
func circleAt(t testing.TB, given circle.Body, angle float64) *evaluate.Demonstration {
	t.Helper()
	d := document.New("")
	d.Panels = []document.Panel{{ID: "round", Kind: document.Around, Window: document.Window{Left: -1.8, Right: 1.8, Bottom: -1.8, Top: 1.8}, EqualScales: true, Axes: true,
		TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}, d.Panels[0]}
	d.Panels[1].Window = document.Window{Left: -1, Right: 7, Bottom: -2, Top: 2}
	d.Stated = []document.Stated{{ID: "t", Kind: document.Parameter, Name: "t", From: "-20", To: "20", Step: "0.01"},
		{ID: "a", Kind: document.Parameter, Name: "a", From: "0", To: "5", Step: "0.1"}}
	d.Scenes[0].Values["t"], d.Scenes[0].Values["a"] = angle, 1.5
	d.Shown = []document.Entry{{ID: "o", Body: &given}}
	for _, f := range trig.Functions() {
		for _, piece := range []circle.Piece{circle.Length, circle.Graph, circle.Carried, circle.Triangles} {
			d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint(f, piece), Body: &circle.PartBody{Of: "o", Piece: piece, Ratio: string(f)}})
		}
	}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e
}

// Every ratio's segment is as long as the ratio says and points its way: the tangent at the point clockwise when it is
// positive, the cotangent anticlockwise, on the lines x = r and y = r up and to the right (the product's own statement,
// which the menu makes). The tangent line at the point meets the radius at a right angle (Euclid III.18).
func TestDirectedLengthsAreTheRatios(t *testing.T) {
	for k := -37; k < 97; k++ {
		angle := float64(k)*math.Pi/24 + 0.01
		e := circleAt(t, circle.Body{Driver: "t"}, angle)
		c := e.Shown[0].Live.(*circle.Live)
		r := circle.RoundOf(c, view.View{Window: document.Window{Left: -2, Right: 2, Bottom: -2, Top: 2}, Width: 400, Height: 400})
		for _, f := range trig.Functions() {
			value := c.Lengths[f].Value
			for _, onAxis := range []bool{false, true} {
				from, to := r.Ends(f, value, onAxis)
				dx, dy := to[0]-from[0], to[1]-from[1]
				require.InDelta(t, math.Abs(value), math.Hypot(dx, dy), 1e-9*math.Max(1, math.Abs(value)), "%s at %v", f, angle)
				positive := map[trig.Function][2]float64{trig.Sine: {0, 1}, trig.Cosine: {1, 0}, trig.Tangent: {r.Sin(), -r.Cos()}, trig.Cotangent: {-r.Sin(), r.Cos()},
					trig.Secant: {1, 0}, trig.Cosecant: {0, 1}}[f]
				if onAxis {
					positive = map[trig.Function][2]float64{trig.Sine: {0, 1}, trig.Cosine: {1, 0}, trig.Tangent: {0, 1}, trig.Cotangent: {1, 0},
						trig.Secant: {r.Cos(), r.Sin()}, trig.Cosecant: {r.Cos(), r.Sin()}}[f]
				}
				require.InDelta(t, value, dx*positive[0]+dy*positive[1], 1e-9*math.Max(1, math.Abs(value)), "the sign of %s at %v", f, angle)
				if !onAxis && (f == trig.Tangent || f == trig.Cotangent) {
					assert.InDelta(t, 0, dx*r.Cos()+dy*r.Sin(), 1e-9*math.Max(1, math.Abs(value)), "a right angle at the point")
				}
			}
		}
	}
}

// Panels beside each other have as many pixels per unit and the same height of the axis, whatever their sizes; in degrees
// the width is free. Zooming the graph zooms the circle.
func TestAGraphHasTheScaleOfItsCircle(t *testing.T) {
	e := circleAt(t, circle.Body{Driver: "t"}, 1)
	size := [4]float64{310, 540, 617, 540}
	views := func() (round, graph view.View) {
		e.SetSize(0, size[0], size[1])
		e.SetSize(1, size[2], size[3])
		return view.Seen(e.Panel(0), size[0], size[1]), view.Seen(e.Panel(1), size[2], size[3])
	}
	same := func() {
		t.Helper()
		round, graph := views()
		assert.InDelta(t, round.X(1)-round.X(0), graph.X(1)-graph.X(0), 1e-9)
		assert.InDelta(t, round.Y(0)-round.Y(1), graph.Y(0)-graph.Y(1), 1e-9)
		assert.InDelta(t, round.Y(0), graph.Y(0), 1e-9)
	}
	// The bench, a board, a phone with the panels below each other.
	for _, size = range [][4]float64{{620, 860, 1250, 860}, {366, 220, 366, 220}, {310, 540, 617, 540}} {
		same()
	}
	before, _ := views()
	e.SetWindow(1, view.Zoom(e.Panel(1), 617, 540, 100, 270, 0.5))
	after, _ := views()
	assert.InDelta(t, 2*(before.X(1)-before.X(0)), after.X(1)-after.X(0), 1e-6, "the circle grows with its graph")
	same()
	e.SetWindow(1, view.Pan(e.Panel(1), 617, 540, 40, 30))
	same()
	e.Document.AngleUnit = document.Degree
	round, graph := views()
	assert.InDelta(t, round.Y(0)-round.Y(1), graph.Y(0)-graph.Y(1), 1e-9)
}

// A circle of any radius shows the same picture in its own unit; as an amplitude its radius stretches circle and graph.
func TestTheRadiusIsTheUnitOrTheAmplitude(t *testing.T) {
	unit := circleAt(t, circle.Body{Driver: "t", Radius: "a"}, 1).Shown[0].Live.(*circle.Live)
	assert.Equal(t, []float64{1.5, 1, 0}, []float64{unit.Given, unit.Radius, unit.Centre})
	e := circleAt(t, circle.Body{Driver: "t", Angle: "2(t − 1/2)", Radius: "a", Centre: "1/2", Scaled: true}, 1)
	scaled := e.Shown[0].Live.(*circle.Live)
	assert.Equal(t, []float64{1.5, 1.5, 0.5}, []float64{scaled.Given, scaled.Radius, scaled.Centre})
	for _, s := range e.Shown {
		p, ok := s.Live.(*circle.Part)
		if !ok || p.Graph == nil || p.Ratio != trig.Sine {
			continue
		}
		for x := -3.0; x < 3; x += 0.31 {
			assert.InDelta(t, 0.5+1.5*math.Sin(2*(x-0.5)), p.Graph.At(x, e.Inputs()), 1e-12, "a sin(b(t − h)) + k")
		}
	}
	assert.InDelta(t, 2, scaled.Slope(e), 1e-12)
}

// The graph's lines are cut exactly where the angle is.
func TestAGraphIsDrawnAsFarAsTheAngleHasBeen(t *testing.T) {
	line := compose.Within(pointsOf(0, 1, 2, 3, 4), 0.5, 2.25)
	assert.Equal(t, 0.5, line[0].X)
	assert.Equal(t, 2.25, line[len(line)-1].X)
	assert.Len(t, line, 4)
	assert.Empty(t, compose.Within(pointsOf(0, 1), 2, 3))
	e := circleAt(t, circle.Body{Driver: "t"}, 2)
	var c compose.Composer
	pic := c.Compose(e.Frame(1, 800, 500))
	v := c.View
	furthest := 0.0
	for _, line := range linesOf(pic.Live) {
		for _, p := range line {
			furthest = math.Max(furthest, p[0])
		}
	}
	assert.Greater(t, furthest, v.X(6.9), "the rest is faint, to the edge")
	runs := c.Runs["singraph"]
	e.Set(0, 2.5)
	e.Update()
	c.Compose(e.Frame(1, 800, 500))
	assert.Equal(t, runs, c.Runs["singraph"], "moving the angle samples no curve again")
}

func pointsOf(xs ...float64) (line []sample.Point) {
	for _, x := range xs {
		line = append(line, sample.Point{X: x, Y: x})
	}
	return line
}

// linesOf are the points of all lines.
func linesOf(data []float32) (list [][][2]float64) {
	for colour := range 40 {
		list = append(list, stagetest.Lines(data, picture.Colour(colour))...)
	}
	return list
}
