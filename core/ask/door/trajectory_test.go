package door_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/trajectory"
)

func studied(t *testing.T, d *document.Document, step string) (lines map[string]string, view *trajectory.View) {
	t.Helper()
	it := loaded(t, d)
	for _, s := range d.Shown {
		if s.Kind() == "trajectory" {
			view = ask(t, it, door.Ask{Kind: door.AskTrajectory, ID: s.ID, Step: step}).Trajectory
		}
	}
	require.NotNil(t, view)
	lines = map[string]string{}
	for _, l := range view.Lines {
		lines[l.Name] = l.LaTeX
	}
	return lines, view
}

// The cardioid: 2π, 3π/2, 8, symmetric in the x-axis, level tangents at ±60° and upright ones at 0 and ±120° (Lawrence 1972;
// worked by hand).
func TestAPolarCurveIsStudied(t *testing.T) {
	d, err := edit.State(document.New(""), "", "r = 1 + cos θ")
	require.NoError(t, err)
	lines, _ := studied(t, d, "")
	assert.Equal(t, `2 \pi`, lines["closes after"])
	assert.Equal(t, `\frac{3 \pi}{2}\approx 4.7124`, lines["area swept by the ray"])
	assert.Equal(t, "8", lines["length"])
	assert.Equal(t, `{\text{in the x-axis}}`, lines["symmetric"])
	assert.Equal(t, `\theta={\frac{\pi}{3}},\;\allowbreak {\frac{5 \pi}{3}}`, lines["level tangents"])
	assert.Contains(t, lines["upright tangents"], `{\frac{2 \pi}{3}},\;\allowbreak {\frac{4 \pi}{3}}`)
	assert.Contains(t, lines["reaches"], "−0.25")
}

// A branch of the hyperbola r = 1/(1 − 2cos θ) runs off at θ = π/3: what it sweeps, how long it is and how far it reaches have
// no end, and the curve is not closed by a line from one side to the other (worked by hand).
func TestACurveThatRunsOffHasNoLength(t *testing.T) {
	d, err := edit.State(document.New(""), "", "r = 1/(1 − 2cos θ)")
	require.NoError(t, err)
	lines, _ := studied(t, d, "")
	assert.Equal(t, "∞", lines["area swept by the ray"])
	assert.Equal(t, "∞", lines["length"])
	assert.Equal(t, `−∞< x< ∞,\quad −∞< y< ∞`, lines["reaches"])
	assert.NotContains(t, lines, "area enclosed")
}

// The ray of the limaçon r = 1 + 2 cos θ sweeps over 3π, its inner loop twice; it encloses 2π + 3√3/2. That of the rose
// r = cos 2θ passes each of its petals once (Lawrence 1972; worked by hand).
func TestWhatIsSweptTwiceIsEnclosedOnce(t *testing.T) {
	for statement, want := range map[string][2]string{
		"r = 1 + 2cos θ": {`3 \pi\approx 9.4248`, `2 \pi+\frac{3\sqrt{3}}{2}\approx 8.8813`},
		"r = cos(2θ)":    {`\frac{\pi}{2}\approx 1.5708`, ""},
		"r = 1 + cos θ":  {`\frac{3 \pi}{2}\approx 4.7124`, ""},
	} {
		d, err := edit.State(document.New(""), "", statement)
		require.NoError(t, err)
		lines, _ := studied(t, d, "")
		assert.Equal(t, want[0], lines["area swept by the ray"], statement)
		assert.Equal(t, want[1], lines["area enclosed"], statement)
	}
}

// (3cos t, 2 sin t) is the ellipse x²/9 + y²/4 = 1; (t, t²) the parabola y = x²; (2t, 1 − t) the line y = 1 − x/2.
func TestTheParameterIsEliminatedWhereThatIsElementary(t *testing.T) {
	for _, c := range [][4]string{{"3cos t", "2 sin t", "an ellipse", `\frac{x^{2}}{9}+\frac{y^{2}}{4}=1`},
		{"1 + 2sin t", "2cos t", "a circle", `(x-1)^{2}+y^{2}=4`},
		{"t", "t²", "a parabola", `y=x^{2}`}, {"2t", "1 − t", "a line", `y=1-\frac{x}{2}`}} {
		d, err := edit.Put(document.New(""), document.Entry{Body: &trajectory.Body{X: c[0], Y: c[1], Variable: "t", From: "0", To: "2π"}})
		require.NoError(t, err)
		lines, view := studied(t, d, "π/6")
		assert.Equal(t, c[3], lines["in x and y"], "%v", lines)
		assert.Equal(t, `\text{`+c[2]+`}`, lines["it is"])
		assert.Equal(t, []string{"t", "x", "y"}, view.Head)
		require.Len(t, view.Rows, 13)
		assert.Equal(t, []string{"0", "π/6", "π/3", "π/2"}, []string{view.Rows[0][0], view.Rows[1][0], view.Rows[2][0], view.Rows[3][0]})
		assert.InDelta(t, math.Pi/3, *view.Numbers[2][0], 1e-15, "saved as a number")
	}
}

// What handbooks tell of four curves (J. D. Lawrence, A Catalog of Special Plane Curves): the knot of a lemniscate lies in the pole, its
// tangents there at ±45°; an astroid has four cusps, level and upright in turn; r = 2/(1 + 1.5 cos θ) is a hyperbola with its centre at
// 2.4 on the axis and the slopes ±√1.25; r = 1 + cos θ is a cardioid that comes to rest in the pole.
func TestFindingsOfCurvesNameWhatHandbooksName(t *testing.T) {
	tell := func(body *trajectory.Body, statement string) map[string]string {
		d, err := document.New(""), error(nil)
		if statement != "" {
			d, err = edit.Typed(d, "", statement)
		} else {
			d, err = edit.Put(d, document.Entry{Body: body})
		}
		require.NoError(t, err)
		lines, _ := studied(t, d, "")
		return lines
	}
	lemniscate := tell(nil, "r = √(4cos(2θ))")
	assert.Equal(t, `\text{a lemniscate}`, lemniscate["it is"])
	assert.Equal(t, `{(0,\,0)}`, lemniscate["crosses itself at"])
	assert.Contains(t, lemniscate["passes through the pole, with tangents in its direction, at"], `\frac{\pi}{4}`)
	astroid := tell(&trajectory.Body{X: "cos³t", Y: "sin³t", Variable: "t", From: "0", To: "2π"}, "")
	assert.Equal(t, `\text{an astroid}`, astroid["it is"])
	assert.Equal(t, 2, strings.Count(astroid["cusps, with the tangent there"], "upright"))
	assert.Equal(t, 2, strings.Count(astroid["cusps, with the tangent there"], "level"))
	hyperbola := tell(nil, "r = 2/(1 + 1.5cos θ)")
	assert.Equal(t, `\text{a hyperbola with a focus in the pole}`, hyperbola["it is"])
	assert.Equal(t, `{y=−1.118x+2.683},\;\allowbreak {y=1.118x−2.683}`, hyperbola["asymptotes"])
	cardioid := tell(nil, "r = 1 + cos θ")
	assert.Equal(t, `\text{a cardioid}`, cardioid["it is"])
	assert.Equal(t, `{(0,\;0)\;\text{level}}`, cardioid["cusps, with the tangent there"])
	ellipse := tell(&trajectory.Body{X: "3cos t", Y: "2 sin t", Variable: "t", From: "0", To: "2π"}, "")
	assert.Contains(t, ellipse["fastest"], `\frac{\pi}{2}`)
	assert.Contains(t, ellipse["fastest"], `=3`)
}

// A throw with 20 at 50°: at the top after v sin α/g = 1.562, back on the ground after v² sin 2α/g = 40.155, its path y = x tan α − g x²/(2v² cos² α)
// (common practice, any course of mechanics; g = 9.81). In degrees everything is told in degrees, and time is no angle.
func TestAThrowIsToldInDegrees(t *testing.T) {
	d := document.New("")
	d.AngleUnit = document.Degree
	d, err := edit.Typed(d, "", "(v t cos α, v t sin α − 4.905t²)")
	require.NoError(t, err)
	assert.Equal(t, "5", d.Shown[0].Field("to"))
	d.Scenes[0].Values["v"], d.Scenes[0].Values["α"] = 20, 50
	lines, _ := studied(t, d, "")
	assert.Equal(t, "t={1.562}", lines["level tangents"])
	assert.Contains(t, lines["meets the x-axis at"], "40.155")
	assert.Equal(t, `y=x\,\tan(50^{\circ})-\frac{0.0122625 x^{2}}{\cos^{2}(50^{\circ})}`, lines["in x and y"])
}
