package compose_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

func TestTicksAreWholeDecimalOrFractionsOfPi(t *testing.T) {
	for name, c := range map[string]struct {
		left, right float64
		style       document.TickStyle
		width       float64
		want        string
	}{
		"whole":   {-3.2, 3.3, document.TicksInNumbers, 500, "−3 −2 −1 1 2 3"},
		"halves":  {-1.1, 1.1, document.TicksInNumbers, 400, "−1 −0.5 0.5 1"},
		"tenths":  {0.05, 0.45, document.TicksInNumbers, 400, "0.1 0.2 0.3 0.4"},
		"wide":    {-250, 250, document.TicksInNumbers, 500, "−200 −100 100 200"},
		"quarter": {-0.1, 3.5, document.TicksInPi, 300, "π 4 π 2 3 π 4 π"},
		"halfpi":  {-4, 7, document.TicksInPi, 500, "−π − π 2 π 2 π 3 π 2 2π"},
	} {
		t.Run(name, func(t *testing.T) {
			p := stagetest.Plane(c.left, c.right, -1e-3, 1e-3, false)
			p.TicksX = c.style
			pic, _ := stagetest.Composed(t, p, c.width, 40, nil)
			got := strings.Join(pic.Words, " ")
			got = strings.TrimPrefix(strings.TrimSuffix(got, " 0"), "x y ")
			assert.Equal(t, c.want, got)
		})
	}
}

func TestEqualScalesKeepTheWholeWindowInSight(t *testing.T) {
	p := stagetest.Plane(-6, 6, -3, 3, true)
	for _, size := range [][2]float64{{1200, 300}, {300, 900}, {800, 400}} {
		v := view.Seen(&p, size[0], size[1])
		assert.InDelta(t, v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom), 1e-9, "a unit is as long in both directions")
		assert.True(t, v.Left <= -6+1e-9 && v.Right >= 6-1e-9 && v.Bottom <= -3+1e-9 && v.Top >= 3-1e-9)
		assert.InDelta(t, 0, v.Left+v.Right, 1e-9, "about the middle")
	}
}

func TestZoomingKeepsThePlaceUnderThePointer(t *testing.T) {
	p := stagetest.Plane(-6, 6, -3, 3, true)
	before := view.Seen(&p, 900, 500)
	x, y := before.AtX(200), before.AtY(100)
	p.Window = view.Zoom(&p, 900, 500, 200, 100, 0.5)
	after := view.Seen(&p, 900, 500)
	assert.InDelta(t, x, after.AtX(200), 1e-9)
	assert.InDelta(t, y, after.AtY(100), 1e-9)
	assert.InDelta(t, (before.Right-before.Left)/2, after.Right-after.Left, 1e-9)
	for range 200 {
		p.Window = view.Zoom(&p, 900, 500, 200, 100, 0.1)
	}
	assert.Greater(t, p.Window.Right, p.Window.Left, "there is an end to zooming")
	far := stagetest.Plane(1e10, 1e10+20, -5, 5, true)
	for range 200 {
		far.Window = view.Zoom(&far, 900, 500, 450, 250, 0.5)
		far.Window = view.Pan(&far, 900, 500, 300, 0)
	}
	assert.True(t, far.Window.IsWide(), "far out it comes sooner, where numbers lie further apart")
	pic, _ := stagetest.Composed(t, far, 900, 500, []string{"sin x"})
	assert.NotEmpty(t, pic.Live)
}

func TestCurvesLieWhereTheFunctionIsAndAreCutToThePanel(t *testing.T) {
	pic, e := stagetest.Composed(t, stagetest.Plane(-6, 6, -3, 3, true), 900, 450, []string{"x² − 2", "tan x"})
	v := view.Seen(&e.Document.Panels[0], 900, 450)
	parabola := stagetest.Lines(pic.Live, 0)
	require.Len(t, parabola, 1)
	for _, p := range parabola[0] {
		// The distance along x, since the curve is steep at the edges.
		x := math.Copysign(math.Sqrt(v.AtY(p[1])+2), v.AtX(p[0]))
		if p[1] < 440 {
			assert.InDelta(t, v.X(x), p[0], 0.7, "at y = %v", v.AtY(p[1]))
		}
		assert.True(t, p[1] > -20 && p[1] < 470, "cut to the panel and a margin")
	}
	assert.Len(t, stagetest.Lines(pic.Live, 1), 5, "one branch of the tangent between two poles")
}

func TestGuidesCrossTheWholeWindowWhateverItIs(t *testing.T) {
	guides := []document.Entry{{ID: "u", Look: document.Look{Colour: 3}, Body: &guide.Body{Direction: guide.Upright, At: "1"}},
		{ID: "l", Look: document.Look{Colour: 4}, Body: &guide.Body{Direction: guide.Level, At: "−1"}},
		{ID: "s", Look: document.Look{Colour: 5}, Body: &guide.Body{Direction: guide.Slanted, At: "x/2 + 1"}}}
	for _, p := range []document.Panel{stagetest.Plane(-6, 6, -3, 3, false), stagetest.Plane(-100, 90, -40, 50, false)} {
		pic, e := stagetest.Composed(t, p, 900, 450, nil, guides...)
		v := view.Seen(&e.Document.Panels[0], 900, 450)
		up, level, slanted := stagetest.Lines(pic.Live, 3)[0], stagetest.Lines(pic.Live, 4)[0], stagetest.Lines(pic.Live, 5)[0]
		assert.Equal(t, []float64{0, 450}, []float64{up[0][1], up[1][1]})
		assert.Equal(t, []float64{0, 900}, []float64{level[0][0], level[1][0]})
		for _, end := range slanted {
			assert.InDelta(t, v.AtX(end[0])/2+1, v.AtY(end[1]), 1e-3*(v.Top-v.Bottom))
		}
	}
}

// boxes gives the labels' rectangles from a picture.
func boxes(pic *picture.Picture) (list [][4]float64) {
	for _, l := range pic.Labels {
		list = append(list, [4]float64{l.X, l.Y, l.Width, l.Height})
	}
	return list
}

func TestLabelsStayInsideAndApart(t *testing.T) {
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-6, 6, -3, 3, true)
	for i := range 6 {
		id := fmt.Sprintf("p%d", i)
		d.Shown = append(d.Shown, document.Entry{ID: id, Look: document.Look{Label: document.LabelCoordinates}, Body: &point.Body{Name: fmt.Sprintf("P_%d", i), X: fmt.Sprintf("%d − 2.5", i), Y: fmt.Sprintf("%d/4", i)}})
	}
	e := evaluate.Load(d, nil)
	var c compose.Composer
	pic := c.Compose(e.Frame(0, 900, 450))
	placed := boxes(pic)
	require.Len(t, placed, 6)
	for i, a := range placed {
		assert.True(t, a[0] >= 0 && a[1] >= 0 && a[0]+a[2] <= 900 && a[1]+a[3] <= 450, "inside the panel")
		for _, b := range placed[i+1:] {
			apart := a[0]+a[2] <= b[0] || b[0]+b[2] <= a[0] || a[1]+a[3] <= b[1] || b[1]+b[3] <= a[1]
			assert.True(t, apart, "%v and %v overlap", a, b)
		}
	}
}

// A text on the panel has its corner to itself, once the page has told how large it is.
func TestLabelsKeepClearOfTextsOnThePanel(t *testing.T) {
	d := document.New("")
	d.Panels[0] = stagetest.Plane(-6, 6, -3, 3, true)
	for i := range 4 {
		d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("p", i), Look: document.Look{Label: document.LabelCoordinates},
			Body: &point.Body{Name: fmt.Sprintf("P_%d", i), X: fmt.Sprintf("3.5 + %d/2", i), Y: "2"}})
	}
	d.Said = []document.Entry{{ID: "w", Where: document.Where{Panels: []string{d.Panels[0].ID}, Corner: document.TopRight},
		Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "The drop is at its top."}}}}}
	require.NoError(t, d.Check())
	c := compose.Composer{TextSizes: map[string]compose.Size{"w": {Width: 260, Height: 34}}}
	const left, top, right, bottom = 900 - 12 - 260, 12, 900 - 12, 12 + 34
	placed := boxes(c.Compose(evaluate.Load(d, nil).Frame(0, 900, 450)))
	require.Len(t, placed, 4)
	for _, a := range placed {
		assert.True(t, a[0] >= right || a[0]+a[2] <= left || a[1] >= bottom || a[1]+a[3] <= top, "%v lies on the text", a)
	}
}

func TestAPointWithoutAValueDisappearsAndIsSpokenOf(t *testing.T) {
	pic, e := stagetest.Composed(t, stagetest.Plane(-6, 6, -3, 3, true), 900, 450, nil, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "ln(−1)"}})
	assert.Zero(t, stagetest.Markers(pic.Live, 0))
	assert.Empty(t, pic.Labels)
	assert.Contains(t, compose.Describe(e.Frame(0, 900, 450)), "Point P is undefined")
}

func TestTheGroundIsComposedAgainOnlyWhenTheWindowChanges(t *testing.T) {
	d := document.New("")
	e := evaluate.Load(d, nil)
	var c compose.Composer
	stamp := c.Compose(e.Frame(0, 900, 450)).GroundStamp
	assert.Equal(t, stamp, c.Compose(e.Frame(0, 900, 450)).GroundStamp)
	w := d.Panels[0].Window
	w.Left = -7
	e.SetWindow(0, w)
	assert.Greater(t, c.Compose(e.Frame(0, 900, 450)).GroundStamp, stamp)
}

// A legend stands in a corner, names every curve with its line, and covers no curve where a corner is free.
func TestALegendStandsInTheEmptiestCorner(t *testing.T) {
	panel := stagetest.Plane(-6, 6, -3, 3, false)
	panel.Legend = true
	p, _ := stagetest.Composed(t, panel, 900, 450, []string{"x²/4 − 3", "x²/8 − 3"})
	require.Len(t, p.Labels, 2)
	places := boxes(p)
	assert.Equal(t, places[0][0], places[1][0], "one below the other")
	assert.Less(t, places[0][1], places[1][1])
	corner := places[0][0] < 120 || places[0][0] > 780
	assert.True(t, corner, "%v", places)
}

// A tap near a line of the grid means that line; elsewhere a number that is rounded to the window's grain.
func TestATapMeansTheGridNearby(t *testing.T) {
	p := stagetest.Plane(-6, 6, -4, 4, true)
	v := view.Seen(&p, 1200, 800)
	x, y := compose.Tapped(v, &p, v.X(2)+3, v.Y(-1)-4)
	assert.Equal(t, [2]float64{2, -1}, [2]float64{x, y})
	x, _ = compose.Tapped(v, &p, v.X(0.0931), v.Y(0))
	assert.InDelta(t, 0.09, x, 0.011)
	p.TicksX = document.TicksInPi
	x, _ = compose.Tapped(v, &p, v.X(math.Pi)+2, v.Y(0))
	assert.InDelta(t, math.Pi, x, 1e-9)
}

// A trace that is thinned keeps its dots apart; a curve that has collapsed says what it is.
func TestATraceIsThinnedAndACollapsedCurveIsNamed(t *testing.T) {
	kept := []float64{}
	for k := range 200 {
		kept = append(kept, float64(k)*0.01, 0.5)
	}
	point := document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "0", Y: "0"}}
	dots := func(apart float64) int {
		pic, _ := stagetest.Composed(t, stagetest.Plane(-6, 6, -4, 4, true), 1200, 800, nil, point,
			document.Entry{ID: "t", Look: document.Look{Colour: 5}, Body: &trace.Body{Of: "p", Kept: kept, Apart: apart}})
		return stagetest.Markers(pic.Live, 5)
	}
	assert.Greater(t, dots(0), 190)
	assert.InDelta(t, 200/20, dots(20), 2, "200 pixels of trace, 20 apart")

	p := stagetest.Plane(-6, 6, -4, 4, true)
	_, e := stagetest.Composed(t, p, 1200, 800, []string{"0x²"})
	e.PutCollapses([]found.Collapse{{Function: "f_0", Parameter: "a", Value: 0, Kind: "level line"}})
	assert.Empty(t, e.Collapsed(e.Functions[0]), "there is no parameter a")
	d := e.Document
	d.Stated[0].Formula = "a x²"
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-1", To: "1", Step: "1"})
	d.Scenes[0].Values["a"] = 0
	e = evaluate.Load(d, e)
	var c compose.Composer
	assert.Equal(t, `f_{0}\text{, now a level line}`, c.Compose(stagetest.Seen(e, p, 1200, 800)).Labels[0].LaTeX)
	e.Set(0, 1)
	assert.Equal(t, "f_{0}", c.Compose(stagetest.Seen(e, p, 1200, 800)).Labels[0].LaTeX)
}

// sin 4000x turns 25 times within a pixel's width: the band between its bounds is the honest picture.
func TestWhatIsFinerThanAPixelIsABand(t *testing.T) {
	pic, e := stagetest.Composed(t, stagetest.Plane(-6, 6, -3, 3, true), 300, 150, []string{"2 sin(4000 x)"})
	v := view.Seen(&e.Document.Panels[0], 300, 150)
	drawn := stagetest.Lines(pic.Live, 0)
	require.Len(t, drawn, 3, "an area and its two bounds")
	low, high := math.Inf(1), math.Inf(-1)
	for _, p := range drawn[0] {
		low, high = math.Min(low, v.AtY(p[1])), math.Max(high, v.AtY(p[1]))
	}
	assert.InDelta(t, -2, low, 0.02)
	assert.InDelta(t, 2, high, 0.02)
}
