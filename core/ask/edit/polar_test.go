package edit_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/sample"
	"parvix/core/stage/stagetest"
)

// typedLines is what lines give that are typed one after another.
func typedLines(t *testing.T, lines ...string) *document.Document {
	t.Helper()
	d, err := edit.Typed(document.New(""), "", strings.Join(lines, "\n"))
	require.NoError(t, err)
	return d
}

// labelsOf are the labels of the last entry, part by part.
func labelsOf(t *testing.T, d *document.Document) (list []string) {
	t.Helper()
	d.Panels[0].Window = document.Window{Left: -4, Right: 4, Bottom: -3, Top: 4}
	p := stagetest.Again(stagetest.Loaded(t, d), 900, 700)
	id := d.Shown[len(d.Shown)-1].ID
	for _, l := range p.Labels {
		if l.ID == id || strings.HasPrefix(l.ID, id+" ") || strings.HasPrefix(l.ID, id+"/") || strings.HasPrefix(l.ID, id+".") {
			list = append(list, l.LaTeX)
		}
	}
	return list
}

// r = 3 sin θ and s = 1 + sin θ meet where 2 sin θ = 1, at θ = π/6 and 5π/6 with r = 3/2: (±3√3/4, 3/4); and in the pole, which each passes
// at another angle (a worked example of many a calculus textbook, Stewart's among them; from memory). As graphs over an axis they would
// meet at (π/6, 3/2), where no curve is seen.
func TestPolarCurvesMeetOnTheCurves(t *testing.T) {
	d := typedLines(t, "r = 3sin(θ)", "s(θ) = 1 + sin(θ)")
	d, err := edit.Put(d, document.Entry{Body: &figure.Body{Shape: figure.Intersection, Function: "r", Other: "s"}})
	require.NoError(t, err)
	part, is := d.Shown[2].Body.(*trajectory.PartBody)
	require.True(t, is)
	assert.Equal(t, trajectory.Meets, part.Piece)
	labels := labelsOf(t, d)
	assert.ElementsMatch(t, []string{`(-\frac{3\sqrt{3}}{4},\;0.75)`, `(\frac{3\sqrt{3}}{4},\;0.75)`, `(0,\;0)`}, labels)
	_, err = edit.Put(d, document.Entry{Body: &figure.Body{Shape: figure.Intersection, Function: "s", Other: "s"}})
	assert.ErrorContains(t, err, "different")
}

// The cardioid r = 1 + cos θ has a level tangent at θ = π/3, at the height (1 + 1/2)·√3/2 = 3√3/4, and an upright one at θ = 0, x = 2
// (common practice; slopes of polar curves in any calculus course).
func TestATangentOfAPolarCurveTouchesTheCurve(t *testing.T) {
	for at, want := range map[string]string{"π/3": `y=\frac{3\sqrt{3}}{4}`, "0": "x=2"} {
		d := typedLines(t, "r = 1 + cos(θ)")
		d, err := edit.Put(d, document.Entry{Body: &figure.Body{Shape: figure.Tangent, Function: "r", At: at}})
		require.NoError(t, err)
		assert.Equal(t, []string{want}, labelsOf(t, d), at)
	}
	degrees := typedLines(t, "r = 1 + cos(θ)")
	degrees.AngleUnit = document.Degree
	degrees.Shown[0].Body.(*trajectory.Body).To = "360"
	d, err := edit.Put(degrees, document.Entry{Body: &figure.Body{Shape: figure.Normal, Function: "r", At: "60"}})
	require.NoError(t, err)
	assert.Equal(t, []string{`x=0.75`}, labelsOf(t, d))
}

// A polar curve meets the graph of a function where both are seen: the circle r = 2 and y = x at (±√2, ±√2).
func TestAPolarCurveMeetsAGraph(t *testing.T) {
	d := typedLines(t, "r(θ) = 2", "f(x) = x")
	d, err := edit.Put(d, document.Entry{Body: &figure.Body{Shape: figure.Intersection, Function: "f", Other: "r"}})
	require.NoError(t, err)
	assert.ElementsMatch(t, []string{`(\sqrt{2},\;\sqrt{2})`, `(-\sqrt{2},\;-\sqrt{2})`}, labelsOf(t, d))
}

// A throw (10t, 10t − 5t²) at t = 1: v = (10, 0), a = (0, −10), so that the speed is 10, all of a turns the way, the radius of curvature is
// 100/10 = 10; at t = 0 half of it each, 10/√2 (common practice, mechanics of a throw).
func TestMotionTellsItsNumbers(t *testing.T) {
	d := typedLines(t, "(10t, 10t − 5t²)")
	of := d.Shown[0].ID
	d.Shown[0].Body.(*trajectory.Body).To = "2"
	for _, piece := range []trajectory.Piece{trajectory.Velocity, trajectory.Accelerated, trajectory.Osculating, trajectory.Run, trajectory.TangentAt} {
		shown, err := edit.ShowPiece(d, edit.PieceWanted{Of: of, Piece: string(piece), Shown: true})
		require.NoError(t, err)
		shown.Scenes[0].Values["t"] = 1
		e := evaluate.Load(shown, nil)
		told := e.Shown[len(e.Shown)-1].Live.(evaluate.Measured).Measure(e)
		// The length of the parabola from 0 to its top: 5(√2 + ln(1 + √2)) (Bronstein, arc of a parabola).
		want := map[trajectory.Piece]string{trajectory.Velocity: "10", trajectory.Accelerated: "10", trajectory.Osculating: "10", trajectory.Run: "11.478", trajectory.TangentAt: "0"}
		assert.Equal(t, want[piece], told, piece)
	}
	parts, err := edit.ShowPiece(d, edit.PieceWanted{Of: of, Piece: string(trajectory.Parts), Shown: true})
	require.NoError(t, err)
	parts.Scenes[0].Values["t"] = 0
	parts.Panels[0].Window = document.Window{Left: -12, Right: 22, Bottom: -12, Top: 12}
	p := stagetest.Again(stagetest.Loaded(t, parts), 900, 700)
	var told []string
	for _, l := range p.Labels {
		if strings.HasPrefix(l.LaTeX, "a_{") {
			told = append(told, l.LaTeX)
		}
	}
	assert.ElementsMatch(t, []string{"a_{t}=−7.07", "a_{n}=7.07"}, told)
}

// What is found of the radius of a polar curve is told without the words of a graph in x and y; nothing of it can be put on the stage, where
// the graph is not.
func TestFindingsOfARadiusDoNotSpeakOfAxes(t *testing.T) {
	e := stagetest.Loaded(t, typedLines(t, "r = 2 + cos(θ)"))
	f := e.Function("r")
	require.True(t, study.IsPolar(e, f))
	found, err := study.Of(e, f, 0, 6)
	require.NoError(t, err)
	told := ""
	for _, line := range study.Lines(e, f, found) {
		told += line.Name + ": " + line.LaTeX + "\n"
	}
	assert.NotContains(t, told, "y-")
	assert.NotContains(t, told, "y=")
	assert.Contains(t, told, "value at 0: ")
	assert.Contains(t, told, "middle value: r=2")
	graph := stagetest.Loaded(t, typedLines(t, "f(x) = 2 + cos(x)"))
	assert.False(t, study.IsPolar(graph, graph.Function("f")))
}

// A polar curve is read off in both ways: at θ = π/3 the cardioid r = 1 + cos θ has r = 3/2, lies at (3/4, 3√3/4) and is level there; the
// ellipse (3cos t, 2 sin t) at t = π/2 is at (0, 2), level (common practice). What is read can be kept as a point.
func TestPolarAndParametricCurvesAreReadOff(t *testing.T) {
	read := func(x, y float64, lines ...string) *study.Reading {
		d := typedLines(t, lines...)
		d.Panels[0].Window = document.Window{Left: -4, Right: 4, Bottom: -3, Top: 3}
		e := stagetest.Loaded(t, d)
		v := sample.View{Left: -4, Right: 4, Bottom: -3, Top: 3, Width: 800, Height: 600}
		r, err := study.ReadAt(e, e.Panel(0), v, x, y)
		require.NoError(t, err)
		require.NotNil(t, r)
		kept, err := edit.Put(d, document.Entry{Body: &point.Body{X: r.KeepX, Y: r.KeepY}})
		require.NoError(t, err)
		at := stagetest.Loaded(t, kept)
		px, py := at.Shown[len(at.Shown)-1].Live.(evaluate.Placed).Position()
		assert.InDelta(t, r.X, px, 1e-12)
		assert.InDelta(t, r.Y, py, 1e-12)
		return r
	}
	r := read(0.76, 1.32, "r = 1 + cos(θ)")
	assert.Equal(t, `(r,\,θ)=(1.5,\;\frac{\pi}{3}),\quad (x,\,y)=(0.75,\;\frac{3\sqrt{3}}{4}),\quad m=0`, strings.ReplaceAll(r.LaTeX, `\theta`, "θ"))
	assert.Equal(t, "π/3", r.XText)
	r = read(0.02, 2.03, "(3cos t, 2 sin t)")
	assert.Equal(t, `t=\frac{\pi}{2},\quad (x,\,y)=(0,\;2),\quad m=0`, r.LaTeX)
	r = read(2.98, 0.01, "(3cos t, 2 sin t)")
	assert.Contains(t, r.LaTeX, "upright")
	d := typedLines(t, "r = 1 + cos(θ)")
	e := stagetest.Loaded(t, d)
	typed, err := study.ReadCurveTyped(e, study.CurveOf(e, "r"), "π/2")
	require.NoError(t, err)
	assert.InDelta(t, 1, typed.Y, 1e-12)
	_, err = study.ReadCurveTyped(e, study.CurveOf(e, "r"), "π/")
	assert.Error(t, err)
}

// r² = 4 cos 2θ is the lemniscate, one curve; r² = θ is Fermat's spiral, whose negative radii are another arm (J. D. Lawrence, A Catalog of
// Special Plane Curves).
func TestASquaredRadiusIsTypedAsInATextbook(t *testing.T) {
	d := typedLines(t, "r² = 4cos(2θ)")
	require.Len(t, d.Stated, 1)
	assert.Equal(t, "√(4cos(2θ))", d.Stated[0].Formula)
	require.Len(t, d.Shown, 1)
	_, polar := d.Shown[0].Body.(*trajectory.Body)
	assert.True(t, polar)
	spiral := typedLines(t, "r^2 = θ")
	require.Len(t, spiral.Stated, 2)
	assert.Equal(t, "−√(θ)", spiral.Stated[1].Formula)
	require.Len(t, spiral.Shown, 2)
	require.Empty(t, evaluate.Load(spiral, nil).Problems)
	dials := typedLines(t, "r² = a cos(2θ)")
	assert.NotNil(t, dials.StatedNamed("a"))
}

// z may be the name of a function too.
func TestAFunctionNamedZIsNoPlane(t *testing.T) {
	d := typedLines(t, "z(x) = 2x − 1")
	require.Len(t, d.Stated, 1)
	assert.Equal(t, "z", d.Stated[0].Name)
	assert.Equal(t, document.Kind("curve"), d.Shown[0].Kind())
}

// Two names of one curve have no single places in common, and that is said.
func TestACurveThatRunsAlongAnotherIsTold(t *testing.T) {
	d := typedLines(t, "r = 1 + cos(θ)", "s(φ) = 1 + cos(φ)")
	d, err := edit.Put(d, document.Entry{Body: &figure.Body{Shape: figure.Intersection, Function: "r", Other: "s"}})
	require.NoError(t, err)
	assert.Equal(t, []string{`\text{one runs along the other}`}, labelsOf(t, d))
}
