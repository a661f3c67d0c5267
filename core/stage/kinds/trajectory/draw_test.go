package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/stagetest"
)

// watched is a stated polar curve that is run through by its dial.
func watched(t testing.TB, statement string) (*document.Document, *evaluate.Demonstration) {
	t.Helper()
	d, err := edit.State(document.New(""), "", statement)
	require.NoError(t, err)
	d, err = edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return d, e
}

// offCurve is how far the trail of a polar curve leaves it, at most, in pixels of a window of 6 units in 800 pixels, and how
// many places it has.
func offCurve(t *testing.T, formula string, tolerance float64) (worst float64, places int) {
	t.Helper()
	_, e := watched(t, formula)
	m := e.Shown[0].Live.(*trajectory.Live)
	const pixel, between = 6.0 / 800, 8
	trailer := sample.Trailer{Tolerance: tolerance}
	trail := trailer.Trail(m.Curve, m.Inputs(), m.From, m.To, pixel)
	for i := 1; i < len(trail.T); i++ {
		a, b := trail.Points[i-1], trail.Points[i]
		length := math.Hypot(b.X-a.X, b.Y-a.Y)
		for k := 1.0; k < between; k++ {
			q := m.Place(trail.T[i-1] + (trail.T[i]-trail.T[i-1])*k/between)
			worst = math.Max(worst, math.Abs((q.X-a.X)*(b.Y-a.Y)-(q.Y-a.Y)*(b.X-a.X))/length/pixel)
		}
	}
	return worst, len(trail.T)
}

func TestATrailThatMovesStaysWithinHalfAPixelWithFewPlaces(t *testing.T) {
	for formula, most := range map[string]int{"r = 3 sin θ": 120, "r = 1 + cos θ": 120, "r = 2 + cos(101θ/25)/2 + sin(4θ)/5": 4000, "r = θ/9": 200} {
		worst, places := offCurve(t, formula, sample.Moving)
		assert.Less(t, worst, 0.5, formula)
		assert.Less(t, places, most, formula)
		worst, _ = offCurve(t, formula, sample.AtRest)
		assert.Less(t, worst, 0.2, "%s at rest", formula)
	}
}

// A curve with a hundred loops is run through once; the point's move samples nothing again.
func TestAFineCurveIsSampledOnce(t *testing.T) {
	const formula = "r = 2 + cos(101θ/25)/2 + sin(4θ)/5"
	_, e := watched(t, formula)
	m := e.Shown[0].Live.(*trajectory.Live)
	require.InDelta(t, 50*math.Pi, m.To, 1e-9, "it closes after 25 turns")
	p := stagetest.Plane(-3, 3, -3, 3, true)
	var c compose.Composer
	c.Compose(stagetest.Seen(e, p, 800, 800))
	id := e.Shown[0].Entry.ID
	runs, placed := c.Runs[id], e.Counters.Runs[id]
	for _, at := range []float64{10, 20, 30} {
		e.Set(e.Find("θ"), at)
		e.Update()
		c.Compose(stagetest.Seen(e, p, 800, 800))
	}
	assert.Equal(t, runs, c.Runs[id])
	assert.Equal(t, placed+3, e.Counters.Runs[id], "the place of the point is all that is worked out")
}

// 1/(1 − 2cos θ) is a hyperbola: no line joins its branches. √(cos 2θ) has gaps.
func TestGapsAndInfinityBreakTheLine(t *testing.T) {
	_, e := watched(t, "r = √(cos(2θ))")
	m := e.Shown[0].Live.(*trajectory.Live)
	var trailer sample.Trailer
	trail := trailer.Trail(m.Curve, m.Inputs(), m.From, m.To, 0.01)
	gaps, nearest := 0, math.Inf(1)
	for i, q := range trail.Points {
		if math.IsNaN(q.X) {
			gaps++
		} else if i > 0 && math.IsNaN(trail.Points[i-1].X) {
			nearest = math.Min(nearest, math.Hypot(q.X, q.Y))
		}
	}
	assert.GreaterOrEqual(t, gaps, 2)
	assert.Less(t, nearest, 1e-3, "the petals begin at the pole itself")
	_, e = watched(t, "r = 1/(1 − 2cos θ)")
	p := stagetest.Plane(-4, 4, -4, 4, true)
	var c compose.Composer
	e.Set(e.Find("θ"), 6.28)
	e.Update()
	pic := c.Compose(stagetest.Seen(e, p, 800, 800))
	for _, line := range stagetest.Lines(pic.Live, picture.Colour(e.Shown[0].Entry.Look.Colour)) {
		for i := 1; i < len(line); i++ {
			assert.Less(t, math.Hypot(line[i][0]-line[i-1][0], line[i][1]-line[i-1][1]), 700.0, "no line across the panel")
		}
	}
}

// At t the velocity of (3cos t, 2 sin t) is (−3 sin t, 2cos t); the circle of curvature at (3, 0) has the radius b²/a = 4/3
// (Bronstein, ellipse).
func TestTheVelocityAndTheCircleOfCurvature(t *testing.T) {
	d, err := edit.Begin(document.New(""), edit.IdeaPath)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	m := e.Shown[0].Live.(*trajectory.Live)
	v, a := m.Velocity(0.7), m.Acceleration(0.7)
	assert.InDelta(t, -3*math.Sin(0.7), v.X, 1e-12)
	assert.InDelta(t, 2*math.Cos(0.7), v.Y, 1e-12)
	assert.InDelta(t, -3*math.Cos(0.7), a.X, 1e-12)
	d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(trajectory.Osculating), Shown: true})
	require.NoError(t, err)
	e = evaluate.Load(d, nil)
	e.Set(e.Find("t"), 0)
	e.Update()
	p := stagetest.Plane(-6, 6, -4, 4, true)
	p.ID = d.Panels[0].ID
	var c compose.Composer
	pic := c.Compose(stagetest.Seen(e, p, 1200, 800))
	var circle [][2]float64
	for _, line := range stagetest.Lines(pic.Live, 4) {
		if len(line) > len(circle) {
			circle = line
		}
	}
	require.NotEmpty(t, circle)
	left, right := math.Inf(1), math.Inf(-1)
	for _, q := range circle {
		left, right = math.Min(left, q[0]), math.Max(right, q[0])
	}
	assert.InDelta(t, 2*4.0/3, (right-left)/100, 0.01, "a hundred pixels are a unit")
}

// What the ray of 1 + cos θ has swept over after a whole turn is 3π/2 (Bronstein), after half a turn half of it. That of the
// hyperbola 1/(1 − 2cos θ) sweeps over more than any number before it comes to π/3, so that none is told beyond; that of a
// lemniscate over a half loop up to π/4, and over another one at the end of half a turn (worked by hand).
func TestTheSweptAreaIsTold(t *testing.T) {
	for statement, told := range map[string]map[float64]string{
		"r = 1 + cos θ":      {2 * math.Pi: `A\approx 4.71`, math.Pi: `A\approx 2.36`},
		"r = 1/(1 − 2cos θ)": {2 * math.Pi: "", 2: ""},
		"r = √(cos(2θ))":     {math.Pi / 4: `A\approx 0.25`, math.Pi: `A\approx 0.5`},
	} {
		d, _ := watched(t, statement)
		d, err := edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(trajectory.Swept), Shown: true})
		require.NoError(t, err)
		e := evaluate.Load(d, nil)
		var c compose.Composer
		for at, want := range told {
			e.Set(e.Find("θ"), at)
			e.Update()
			found := ""
			for _, l := range c.Compose(e.Frame(0, 500, 500)).Labels {
				if l.ID == d.Shown[len(d.Shown)-1].ID {
					found = l.LaTeX
				}
			}
			assert.Equal(t, want, found, "%s up to %v", statement, at)
		}
	}
}

// What closed curves enclose, shaded and told: the deltoid 2π (Lawrence, from memory), the eight curve 4/3 in two loops that are run through
// in opposite ways, so that the ray's sweep cancels; the limaçon with its inner loop 2π + 3√3/2 = 8.881, of which nothing counts twice
// (Bronstein, from memory). What does not close encloses nothing.
func TestWhatACurveEnclosesIsShadedAndTold(t *testing.T) {
	parametric := func(x, y, to string) *document.Document {
		d, err := edit.Put(document.New(""), document.Entry{Body: &trajectory.Body{X: x, Y: y, Variable: "t", From: "0", To: to}})
		require.NoError(t, err)
		return d
	}
	limaçon, err := edit.Typed(document.New(""), "", "r = 1 + 2cos θ")
	require.NoError(t, err)
	for want, d := range map[string]*document.Document{
		`A=2 \pi\approx 6.2832`: parametric("2cos t + cos(2t)", "2sin t − sin(2t)", "2π"),
		`A\approx 1.3333`:       parametric("cos t", "sin t cos t", "2π"),
		`8.881`:                 limaçon,
		"":                      parametric("cos t", "sin t", "π"),
	} {
		d, err := edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(trajectory.Inside), Shown: true})
		require.NoError(t, err)
		e := evaluate.Load(d, nil)
		var c compose.Composer
		pic := c.Compose(e.Frame(0, 500, 500))
		told := ""
		for _, l := range pic.Labels {
			if l.ID == d.Shown[len(d.Shown)-1].ID {
				told = l.LaTeX
			}
		}
		assert.Contains(t, told, want)
		assert.Equal(t, want == "", told == "", told)
		shaded := 0
		for r := range picture.Records(pic.Live) {
			if picture.Op(r[0]) == picture.Area {
				shaded++
			}
		}
		assert.Equal(t, want != "", shaded > 0, want)
	}
}
