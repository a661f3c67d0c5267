package scatter_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/scatter"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
)

func cells(text string) []string { return strings.Split(text, " ") }

// measured is a document with data of columns x and y, their scatter plot and a function.
func measured(t *testing.T, x, y string, body scatter.Body, more ...document.Stated) *document.Document {
	t.Helper()
	d := document.New("Measured")
	d.Panels[0].EqualScales, d.Panels[0].Window = false, document.Window{Left: -1, Right: 6, Bottom: -1, Top: 7}
	d.Stated = append([]document.Stated{{ID: "data", Kind: document.Data, Name: "Heights",
		Columns: []document.Column{{Name: "x", Unit: "s", Cells: cells(x)}, {Name: "y", Unit: "m", Cells: cells(y)}}}}, more...)
	body.Data, body.X, body.Y = "data", "x", "y"
	d.Shown = []document.Entry{{ID: "k1", Body: &body}}
	for _, s := range more {
		if s.Kind == document.Function {
			d.Shown = append(d.Shown, document.Entry{ID: "c" + s.Name, Look: document.Look{Colour: 1, Label: document.LabelFormula}, Body: &curve.Body{Function: s.Name}})
		}
		if s.Kind == document.Parameter {
			d.Scenes[0].Values[s.Name] = 1
		}
	}
	require.NoError(t, d.Check())
	return d
}

func line(model string) document.Stated {
	return document.Stated{ID: "sm", Kind: document.Function, Name: "m", Variables: []string{"x"}, Fit: &document.Fit{Model: model, Data: "data", X: "x", Y: "y"}}
}

var dial = document.Stated{ID: "sa", Kind: document.Parameter, Name: "a", From: "-5", To: "5", Step: "0.1"}

// Rows in which both columns have a value are points; a gap is none, exact values are worked out.
func TestEveryFullRowIsAPoint(t *testing.T) {
	d := measured(t, "0 1/2 1 2", "1 2  π", scatter.Body{})
	p := stagetest.Drawn(t, d, 800, 500)
	assert.Equal(t, 3, stagetest.Markers(p.Live, 0))
	e := stagetest.Loaded(t, d)
	assert.InDelta(t, math.Pi, e.Data[0].Column("y").Values[3], 1e-15)
}

// Least squares by hand: through (0, 0), (1, 1), (2, 5) runs 5/2·x − 1/2 with the sum of squares 3/2. The function that follows is one like any
// other: it has values, a derivative, and its formula is its label; when a point moves, it follows.
func TestAFunctionFollowsFromItsData(t *testing.T) {
	d := measured(t, "0 1 2", "0 1 5", scatter.Body{Grips: true, Function: "m", Residuals: scatter.Squares}, line("linear"),
		document.Stated{ID: "sg", Kind: document.Function, Name: "g", Variables: []string{"x"}, Formula: "m'(x) + m(2)"})
	e := stagetest.Loaded(t, d)
	m, g := e.Function("m"), e.Function("g")
	require.NotNil(t, m)
	require.NotNil(t, g)
	assert.InDelta(t, 4.5, m.Curve.At(2, e.Inputs()), 1e-12)
	assert.InDelta(t, 7, g.Curve.At(0, e.Inputs()), 1e-12)
	assert.Equal(t, "2.5 x-0.5", e.Now(m))
	live := e.Shown[0].Live.(*scatter.Live)
	assert.Contains(t, live.Measure(e), "1.5")

	live.Drag(e, evaluate.Hand{Grip: 2, X: 2.2, Y: 2.4, Grain: 0.1})
	e.Update()
	assert.Equal(t, "Row 3 at (2, 2).", live.DescribeGrip(2))
	assert.InDelta(t, 2, m.Curve.At(2, e.Inputs()), 1e-12, "the point (2, 2) on whole numbers: y = x")
	assert.InDelta(t, 3, g.Curve.At(0, e.Inputs()), 1e-12)
	after := edit.Settle(d, e, "k1")
	assert.Equal(t, []string{"0", "1", "2"}, after.Stated[0].Columns[1].Cells, "the row follows")
	assert.Equal(t, []string{"0", "1", "5"}, d.Stated[0].Columns[1].Cells, "for undo")
}

// A line through two chosen points goes through both, whatever the others are.
func TestAModelMayMindSomeRowsOnly(t *testing.T) {
	d := measured(t, "0 1 2 3", "0 1 9 3", scatter.Body{}, line("linear"))
	d.Stated[1].Fit.Rows = []int{0, 3}
	require.NoError(t, d.Check())
	e := stagetest.Loaded(t, d)
	assert.Equal(t, "x", e.Now(e.Function("m")))
	d.Stated[1].Fit.Rows = []int{-1}
	assert.ErrorContains(t, d.Check(), "rows of the data")
}

// What a dial does to a computed column the function follows in the same frame: y scaled by a, the slope by a.
func TestComputedColumnsFollowTheDialsAndTheFitFollowsThem(t *testing.T) {
	d := measured(t, "0 1 2", "0 2 4", scatter.Body{}, dial, line("linear"))
	d.Stated[0].Columns = append(d.Stated[0].Columns, document.Column{Name: "z", Formula: "a y + 1"},
		document.Column{Name: "dz", Steps: document.Differences, Of: "z"}, document.Column{Name: "rz", Steps: document.Ratios, Of: "z"})
	d.Stated[2].Fit.Y = "z"
	e := stagetest.Loaded(t, d)
	require.Empty(t, e.Problems)
	assert.Equal(t, []float64{1, 3, 5}, e.Data[0].Column("z").Values)
	assert.Equal(t, []float64{2, 2}, e.Data[0].Column("dz").Values[1:])
	assert.Equal(t, 3.0, e.Data[0].Column("rz").Values[1])
	e.Set(0, 3)
	e.Update()
	assert.Equal(t, []float64{1, 7, 13}, e.Data[0].Column("z").Values)
	assert.InDelta(t, 6, e.Function("m").Curve.At(1, e.Inputs())-e.Function("m").Curve.At(0, e.Inputs()), 1e-12)
	assert.NotContains(t, e.Idle(), "a", "the dial moves what is seen")
}

// A column of residuals changes when the fit does, and does not make it run again.
func TestAColumnOfResidualsComesToRest(t *testing.T) {
	d := measured(t, "0 1 2 3 4 5", "1 2.1 4.3 8.1 15 33", scatter.Body{Grips: true}, line("exponential"))
	d.Stated[0].Columns = append(d.Stated[0].Columns, document.Column{Name: "u", Formula: "y − m(x)"})
	e := stagetest.Loaded(t, d)
	e.SetCell(e.Data[0], e.Data[0].Column("y"), 3, 8.4)
	e.Update()
	moves, m := e.Moves(), e.Function("m")
	assert.InDelta(t, 33-m.Curve.At(5, e.Inputs()), e.Data[0].Column("u").Values[5], 1e-12)
	e.Update()
	assert.Equal(t, moves, e.Moves(), "nothing moves any more")
}

// Columns may follow from others that stand behind them.
func TestTheOrderOfColumnsDoesNotMatter(t *testing.T) {
	d := measured(t, "1 2", "3 4", scatter.Body{})
	for _, c := range [][2]string{{"p", "2q"}, {"q", "2r"}, {"r", "2s"}, {"s", "x + 1"}} {
		d.Stated[0].Columns = append(d.Stated[0].Columns, document.Column{Name: c[0], Formula: c[1]})
	}
	assert.Equal(t, []float64{16, 24}, stagetest.Loaded(t, d).Data[0].Column("p").Values)
}

// A residual's square has the residual for its side in pixels, so that the areas are what is summed.
func TestResidualsAreSegmentsOrSquares(t *testing.T) {
	for way, areas := range map[scatter.Residuals]int{scatter.Segments: 0, scatter.Squares: 3} {
		d := measured(t, "0 1 2", "0 1 5", scatter.Body{Function: "m", Residuals: way}, line("linear"))
		p := stagetest.Drawn(t, d, 800, 500)
		found := 0
		for r := range picture.Records(p.Live) {
			if picture.Op(r[0]) == picture.Area && picture.Colour(r[1]) == picture.Ink {
				found++
				wide, high := math.Abs(float64(r[8]-r[6])), math.Abs(float64(r[11]-r[9]))
				assert.InDelta(t, wide, high, 1e-3)
			}
		}
		assert.Equal(t, areas, found, string(way))
	}
}

// What another core found to stand out is ringed as long as the row is as it was found.
func TestWhatStandsOutIsRingedUntilItIsMended(t *testing.T) {
	d := measured(t, "0 1 2 3", "0 1 9 3", scatter.Body{})
	e := stagetest.Loaded(t, d)
	rings := func(e *evaluate.Demonstration) int {
		return len(stagetest.Lines(stagetest.Again(e, 800, 500).Live, picture.Ink))
	}
	assert.Zero(t, rings(e))
	e.PutSuspects(evaluate.Suspects{Data: "data", X: "x", Y: "y", List: []evaluate.Suspect{{Row: 2, X: 2, Y: 9, Reason: "far off"}}})
	assert.Equal(t, 1, rings(e))
	assert.Contains(t, strings.Join(e.Shown[0].Live.(*scatter.Live).Describe(e, e.Shown[0].Entry), " "), "Row 3 stands out: far off.")
	mended := measured(t, "0 1 2 3", "0 1 2 3", scatter.Body{})
	assert.Zero(t, rings(evaluate.Load(mended, e)))
}

// Ten thousand points are drawn once for each few pixels.
func TestManyPointsShareTheirPixels(t *testing.T) {
	var x, y []string
	for i := range 10000 {
		x, y = append(x, fmt.Sprint(float64(i)/5000)), append(y, fmt.Sprint(math.Round(1000*math.Sin(float64(i)/700))/1000))
	}
	d := measured(t, strings.Join(x, " "), strings.Join(y, " "), scatter.Body{})
	n := stagetest.Markers(stagetest.Drawn(t, d, 800, 500).Live, 0)
	assert.Greater(t, n, 100)
	assert.Less(t, n, 3000)
}

func TestDataThatCannotBeReadAreNamed(t *testing.T) {
	for code, change := range map[string]func(d *document.Document){
		"cell":      func(d *document.Document) { d.Stated[0].Columns[0].Cells[1] = "cold" },
		"no-column": func(d *document.Document) { d.Shown[0].Body.(*scatter.Body).Y = "w" },
		"circle":    func(d *document.Document) { d.Stated[0].Columns[1] = document.Column{Name: "y", Formula: "2y"} },
		"no-value":  func(d *document.Document) { d.Stated[0].Columns[1] = document.Column{Name: "y", Formula: "q x"} },
	} {
		d := measured(t, "0 1 2", "0 1 5", scatter.Body{})
		change(d)
		e := evaluate.Load(d, nil)
		require.NotEmpty(t, e.Problems, code)
		assert.Equal(t, code, e.Problems[0].Code)
	}
	// Circles of several columns, and through a fitted function.
	d := measured(t, "0 1 2", "0 1 5", scatter.Body{}, line("linear"))
	d.Stated[0].Columns = append(d.Stated[0].Columns, document.Column{Name: "u", Formula: "v + 1"}, document.Column{Name: "v", Formula: "u + x"})
	assert.Equal(t, "circle", evaluate.Load(d, nil).Problems[0].Code)
	d.Stated[0].Columns[2], d.Stated[0].Columns[3] = document.Column{Name: "u", Formula: "y − m(x)"}, document.Column{Name: "v", Formula: "x"}
	assert.Empty(t, evaluate.Load(d, nil).Problems, "residuals follow from the fit")
	d.Stated[1].Fit.Y = "u"
	assert.Equal(t, "circle", evaluate.Load(d, nil).Problems[0].Code)

	d = measured(t, "1 1 1", "0 1 5", scatter.Body{}, line("linear"))
	e := evaluate.Load(d, nil)
	assert.True(t, math.IsNaN(e.Function("m").Curve.At(1, e.Inputs())), "no best line: no curve")
	assert.Contains(t, e.FitOf(e.Function("m")).Reason, "All x are equal")
}

// A gap is filled by the function, as a ring. The band of a line through (0, 0), (1, 1), (2, 5), (3, 6) by hand: x̄ = 3/2, Sxx = 5, slope 2.2,
// intercept −0.3, SSE = 1.8, s = √0.9, t₀.₉₇₅ of 2 degrees of freedom 4.3027 (table): at x̄ half its height is t·s·√(1 + 1/4).
func TestGapsAreFilledAndTheBandIsThatOfStudent(t *testing.T) {
	d := measured(t, "0 1 2 3 1.5", "0 1 5 6", scatter.Body{Function: "m", Filled: true, Band: true}, line("linear"))
	p := stagetest.Drawn(t, d, 800, 500)
	assert.Equal(t, 5, stagetest.Markers(p.Live, 0), "four points and the ring of row 5")
	assert.NotEmpty(t, stagetest.Lines(p.Live, picture.Grey))
	e := stagetest.Loaded(t, d)
	best := e.FitOf(e.Function("m"))
	half := best.Band(0.95)
	assert.InDelta(t, 4.3027*math.Sqrt(0.9)*math.Sqrt(1.25), half(1.5), 1e-3)
}

// A column is a list in formulas: mean 2, sample standard deviation √7 (by hand: Σ(v − 2)² = 14), the third value 5; they follow the rows, and
// computed columns may use them.
func TestFormulasTellOfColumns(t *testing.T) {
	d := measured(t, "0 1 2", "0 1 5", scatter.Body{Grips: true},
		document.Stated{ID: "sg", Kind: document.Function, Name: "g", Variables: []string{"x"}, Formula: "mean(y) + y_3 + count(y) x"},
		document.Stated{ID: "sh", Kind: document.Function, Name: "h", Variables: []string{"x"}, Formula: "sd(y)"})
	d.Stated[0].Columns = append(d.Stated[0].Columns, document.Column{Name: "c", Formula: "y - mean(y)"})
	e := stagetest.Loaded(t, d)
	require.Empty(t, e.Problems)
	assert.InDelta(t, 2+5+3, e.Function("g").Curve.At(1, e.Inputs()), 1e-12)
	assert.InDelta(t, math.Sqrt(7), e.Function("h").Curve.At(1, e.Inputs()), 1e-12)
	assert.Equal(t, []float64{-2, -1, 3}, e.Data[0].Column("c").Values)
	e.SetCell(e.Data[0], e.Data[0].Column("y"), 2, 2)
	e.Update()
	assert.InDelta(t, 1+2+3, e.Function("g").Curve.At(1, e.Inputs()), 1e-12)
	assert.Equal(t, []float64{-1, 0, 1}, e.Data[0].Column("c").Values)

	d.Stated[1].Formula = "mean(x^2)"
	assert.Equal(t, "not-a-list", stagetest.Problems(evaluate.Load(d, nil))["sg"])
}

// Of locked rows none has a handle and none is moved; one that is unlocked is, also among more rows than a hand may have.
func TestOnlyAnUnlockedRowIsMoved(t *testing.T) {
	var x, y []string
	for i := range scatter.MaxHandles + 20 {
		x, y = append(x, fmt.Sprint(i)), append(y, "1")
	}
	d := measured(t, strings.Join(x, " "), strings.Join(y, " "), scatter.Body{Unlocked: []int{3, 70}})
	e := stagetest.Loaded(t, d)
	live := e.Shown[0].Live.(*scatter.Live)
	for _, row := range []int{2, 3, 70, 71} {
		live.Drag(e, evaluate.Hand{Grip: row, X: float64(row), Y: 4, Grain: 0.1})
	}
	values := e.Data[0].Column("y").Values
	assert.Equal(t, []float64{1, 4, 4, 1}, []float64{values[2], values[3], values[70], values[71]})
	handles := []float32{}
	for r := range picture.Records(stagetest.Drawn(t, d, 800, 500).Live) {
		if picture.Op(r[0]) == picture.Handle {
			handles = append(handles, r[1])
		}
	}
	assert.Equal(t, []float32{4 * evaluate.GripStride}, handles, "row 71 lies outside the window")
	d.Shown[0].Body.(*scatter.Body).Unlocked = []int{-1}
	assert.ErrorContains(t, d.Check(), "there is no such row")
}
