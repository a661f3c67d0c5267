package circle_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/stagetest"
)

func turning(t testing.TB, idea edit.Idea, unit document.AngleUnit) *evaluate.Demonstration {
	t.Helper()
	empty := document.New("")
	empty.AngleUnit = unit
	d, err := edit.Begin(empty, idea)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e
}

// A hand that goes round takes the angle on over several turns, either way, and stops at the dial's ends; near a multiple of
// 15° it snaps to it exactly.
func TestADraggedAngleWindsAndSnaps(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Radian)
	turned, dial := liveCircle(e), e.Find("θ")
	drag := func(degrees float64) float64 {
		sin, cos := math.Sincos(degrees * math.Pi / 180)
		turned.Drag(e, onCircle(0.7*cos, 0.7*sin)) // anywhere on the ray
		e.Update()
		return e.Parameters[dial].Value
	}
	assert.InDelta(t, 50*math.Pi/180, drag(50.2), 1e-9, "on the dial's steps of a degree")
	assert.Equal(t, math.Pi/3, drag(61.5), "exactly 60°")
	for _, d := range []float64{150, 260, 350, 440} {
		drag(d)
	}
	assert.InDelta(t, 440*math.Pi/180, e.Parameters[dial].Value, 1e-9, "on past a whole turn")
	least := 0.0
	for d := 400.0; d >= -700; d -= 90 {
		least = math.Min(least, drag(d))
	}
	assert.InDelta(t, -2*math.Pi, least, 1e-12, "as far as the dial's end, and no further")
	turned.Drag(e, alongAxis(1.55, 0.01))
	assert.InDelta(t, math.Pi/2, e.Parameters[dial].Value, 1e-15, "along the axis of the graph it snaps too")
	turned.Drag(e, alongAxis(1.3, 0.001))
	assert.InDelta(t, 1.3, e.Parameters[dial].Value, math.Pi/360+1e-12)
}

// In degrees the same; where the angle is b(t − h) the time moves so that the point comes under the hand.
func TestADraggedAngleMovesWhatTurnsIt(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Degree)
	liveCircle(e).Drag(e, onCircle(0, 1))
	assert.Equal(t, 90.0, e.Parameters[e.Find("θ")].Value)
	e = turning(t, edit.IdeaWave, document.Radian)
	wave := liveCircle(e)
	wave.Drag(e, onCircle(0, 2)) // straight above the centre (0, 1/2)
	e.Update()
	assert.InDelta(t, math.Pi/4, e.Parameters[e.Find("t")].Value, 1e-12, "b = 2: a quarter turn in an eighth")
	assert.InDelta(t, math.Pi/2, wave.Angle.Radians, 1e-12)
}

// What is said of special angles: 7π/6 is 210° and its tangent √3/3 (Abramowitz & Stegun 4.3.46); a ratio without a value says
// why in the words of the trade.
func TestAnAngleAndItsRatiosAreSaidExactly(t *testing.T) {
	e := turning(t, edit.IdeaCircle, document.Radian)
	c := liveCircle(e)
	at := func(radians float64) {
		e.Set(e.Find("θ"), radians)
		e.Update()
	}
	at(7 * math.Pi / 6)
	assert.Equal(t, `\frac{7 \pi}{6}={210}^{\circ}`, circle.BothLaTeX(c.Angle))
	assert.Contains(t, c.AngleLaTeX(e), `\frac{7 \pi}{6}={210}^{\circ}\approx 3.67`)
	for f, words := range map[trig.Function]string{trig.Sine: `=-\frac{1}{2}`, trig.Cosine: `=-\frac{\sqrt{3}}{2}\approx −0.87`,
		trig.Tangent: `=\frac{\sqrt{3}}{3}\approx 0.58`, trig.Cosecant: `=-2`} {
		text, decimal, reason := c.RatioLaTeX(e, f)
		assert.Contains(t, text+decimal, words)
		assert.Empty(t, reason)
	}
	assert.Contains(t, circle.ProportionLaTeX(c, trig.Tangent, `\theta`), `\dfrac{{0.58}}{1}=\dfrac{{−0.5}}{{−0.87}}`, "as similar triangles")
	assert.Contains(t, circle.ProportionLaTeX(c, trig.Secant, `\theta`), `\dfrac{{−1.15}}{1}=\dfrac{{1}}{{−0.87}}`)
	assert.Empty(t, circle.ProportionLaTeX(c, trig.Sine, `\theta`), "a leg of the triangle itself")
	at(math.Pi / 2)
	text, _, reason := c.RatioLaTeX(e, trig.Tangent)
	assert.Contains(t, text, "is undefined")
	assert.Contains(t, reason, "parallel to the x-axis", "the tangent from the point never comes to the axis")
	at(1)
	assert.Equal(t, `1\approx {57.3}^{\circ}`, circle.BothLaTeX(c.Angle), "no multiple of π that anybody knows")
	text, _, _ = c.RatioLaTeX(e, trig.Sine)
	assert.Contains(t, text, `\approx 0.84`)
	at(0)
	assert.Contains(t, c.AngleLaTeX(e), `=0={0}^{\circ}`)
	assert.NotContains(t, c.AngleLaTeX(e), `\approx`)
}

// Beside its circle the graph has as many pixels to a unit, so that equal lengths look equal; in degrees up and down only.
func TestTheGraphBesideACircleHasItsScale(t *testing.T) {
	for _, unit := range []document.AngleUnit{document.Radian, document.Degree} {
		e := turning(t, edit.IdeaCircle, unit)
		round, plane := -1, -1
		for i, p := range e.Document.Panels {
			switch p.Kind {
			case document.Around:
				round = i
			case document.Plane:
				plane = i
			}
		}
		require.GreaterOrEqual(t, round, 0)
		require.GreaterOrEqual(t, plane, 0)
		e.SetSize(round, 400, 400)
		e.SetSize(plane, 700, 300)
		perUnit := func(i int) (x, y float64) {
			size := map[int][2]float64{round: {400, 400}, plane: {700, 300}}[i]
			w := e.Panel(i).Window
			return size[0] / (w.Right - w.Left), size[1] / (w.Top - w.Bottom)
		}
		equal := func() {
			t.Helper()
			_, around := perUnit(round)
			x, y := perUnit(plane)
			assert.InDelta(t, around, y, 1e-9)
			if unit == document.Radian {
				assert.InDelta(t, around, x, 1e-9)
			}
		}
		equal()
		w := e.Panel(plane).Window
		middle, half := (w.Bottom+w.Top)/2, (w.Top-w.Bottom)/4
		e.SetWindow(plane, document.Window{Left: w.Left, Right: w.Right, Bottom: middle - half, Top: middle + half})
		_, y := perUnit(plane)
		assert.InDelta(t, 300/(2*half), y, 1e-9, "zoomed to the double")
		equal()
	}
}

func liveCircle(e *evaluate.Demonstration) *circle.Live { return e.Shown[0].Live.(*circle.Live) }

// onCircle is a hand on the circle's panel, alongAxis one on a plane.
func onCircle(x, y float64) evaluate.Hand {
	return evaluate.Hand{Panel: &document.Panel{Kind: document.Around}, X: x, Y: y, Pixel: 0.01}
}

func alongAxis(x, pixel float64) evaluate.Hand {
	return evaluate.Hand{Panel: &document.Panel{Kind: document.Plane}, X: x, Pixel: pixel}
}

// 7π/3 is a turn and π/3, −4π are two turns the other way, less than a turn is not counted.
func TestTurnsAreCounted(t *testing.T) {
	assert.Equal(t, `,\;1\text{ turn}+\frac{\pi}{3}`, circle.TurnsLaTeX(trig.At(7*math.Pi/3), false))
	assert.Equal(t, `,\;2\text{ turns}+{60}^{\circ}`, circle.TurnsLaTeX(trig.At(13*math.Pi/3), true))
	assert.Equal(t, `,\;−2\text{ turns}`, circle.TurnsLaTeX(trig.At(-4*math.Pi), false))
	assert.Equal(t, `,\;−1\text{ turn}-\frac{\pi}{2}`, circle.TurnsLaTeX(trig.At(-5*math.Pi/2), false))
	assert.Empty(t, circle.TurnsLaTeX(trig.At(1.9*math.Pi), false))
}

// 1.5 sin(2(t − 0)) + 0.5: amplitude 1.5, period 2π/2 = π, centre line y = 0.5 (common practice), on the graph; the amplitude is the circle's
// radius.
func TestAWaveIsToldByAmplitudePeriodAndCentreLine(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaWave)
	require.NoError(t, err)
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: "wave", Ratio: "sin", Shown: true})
	require.NoError(t, err)
	e := stagetest.Loaded(t, d)
	told := func(panel int) (list []string) {
		var c compose.Composer
		for _, l := range c.Compose(e.Frame(panel, 800, 600)).Labels {
			if strings.HasPrefix(l.LaTeX, "a=") || strings.HasPrefix(l.LaTeX, "T=") || strings.HasPrefix(l.LaTeX, "y=") {
				list = append(list, l.LaTeX)
			}
		}
		return list
	}
	assert.Equal(t, []string{"a=1.5"}, told(0))
	assert.ElementsMatch(t, []string{"y=0.5", "a=1.5", `T=\pi`}, told(1))
}

// a sin(b t) with a = 1.5, b = 2 at t = π/6: the time is π/6, the angle 60°, the arc 1.5 · π/3 = π/2 = 1.57, the sine's length 1.5 · √3/2 = 1.3
// and the height of the wave 1.3 + 0.5 = 1.8 (worked by hand).
func TestArcAngleAndTimeAreToldApart(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaWave)
	require.NoError(t, err)
	for _, piece := range []circle.Piece{circle.Arc, circle.AngleMark, circle.Unrolled, circle.Wave, circle.Length} {
		d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(piece), Ratio: "sin", Shown: true})
		require.NoError(t, err)
	}
	e := stagetest.Loaded(t, d)
	e.Set(e.Find("t"), math.Pi/6)
	e.Update()
	told := func(panel int) (all string) {
		var c compose.Composer
		for _, l := range c.Compose(e.Frame(panel, 800, 700)).Labels {
			all += l.LaTeX + "; "
		}
		return all
	}
	around, graph := told(0), told(1)
	for _, words := range []string{`{60}^{\circ}`, `\frac{{1.57}}{{1.5}}=1.05`, `=1.3;`, `\sin`} {
		assert.Contains(t, around, words)
	}
	for _, words := range []string{`=\frac{\pi}{6};`, `\text{arc }1.57`, `y(t)=1.8`} {
		assert.Contains(t, graph, words)
	}
}

// The tangent of 120° on the tangent line at the point ends at 1/cos 120° = −2, beyond the usual room about the circle: the window that fits
// has it. One that is too long is left.
func TestTheWindowThatFitsHasTheLengths(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaCircle)
	require.NoError(t, err)
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Ratio: "tan", Shown: true})
	require.NoError(t, err)
	e := stagetest.Loaded(t, d)
	fitted := func(degrees float64) document.Window {
		e.Set(e.Find("θ"), degrees*math.Pi/180)
		e.Update()
		return study.Fit(e, &e.Document.Panels[0], 500, 500).Window
	}
	assert.Less(t, fitted(120).Left, -2.0)
	assert.InDelta(t, -1.8, fitted(30).Left, 0.1)
	assert.InDelta(t, -1.8, fitted(91).Left, 0.1, "57 radii are too far")
}
