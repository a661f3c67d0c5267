package trajectory_test

import (
	"math"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
)

// polar states polar curves on a square of 6 units, 600 pixels wide, and loads them with further entries.
func polar(t *testing.T, formulas []string, parameters []string, further func(d *document.Document)) (*picture.Picture, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("polar")
	var err error
	for _, formula := range formulas {
		d, err = edit.State(d, "", formula)
		require.NoError(t, err)
	}
	if parameters != nil {
		d, err = edit.AddParameters(d, parameters)
		require.NoError(t, err)
	}
	further(d)
	d.Panels[0].Window = document.Window{Left: -3, Right: 3, Bottom: -3, Top: 3}
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	var c compose.Composer
	return c.Compose(e.Frame(0, 600, 600)), e
}

// Inside the circle r = 3 sin θ and outside the cardioid r = 1 + sin φ lies an area of π (common practice).
func TestARegionBetweenCurvesIsShadedWithItsArea(t *testing.T) {
	pic, _ := polar(t, []string{"r = 3 sin θ", "s(φ) = 1 + sin φ"}, nil, func(d *document.Document) {
		d.Shown = append(d.Shown, document.Entry{ID: "region", Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Enclosed, Other: d.Shown[1].ID}})
	})
	assert.Equal(t, `A=\pi\approx 3.1416`, stagetest.Labelled(pic, "region"))
	found := false
	for r := range picture.Records(pic.Live) {
		if picture.Op(r[0]) != picture.Area {
			continue
		}
		found = true
		for k := 6; k < len(r); k += 2 {
			x, y := float64(r[k]-300)/100, float64(300-r[k+1])/100
			r, θ := math.Hypot(x, y), math.Atan2(y, x)
			assert.LessOrEqual(t, r, 3*math.Sin(θ)+0.01)
			assert.GreaterOrEqual(t, r, 1+math.Sin(θ)-0.01)
		}
	}
	assert.True(t, found)
}

// The ellipses x²/9 + y²/4 = 1 and x²/4 + y²/9 = 1 share 24·atan(2/3); the first has 6π (worked by hand). A parametric curve and a polar
// one go together as well: the circle r = 1 lies in the first ellipse.
func TestParametricCurvesEncloseARegionTogether(t *testing.T) {
	parametric := func(x, y string) document.Entry {
		return document.Entry{ID: x + y, Body: &trajectory.Body{X: x, Y: y, From: "0", To: "2pi"}}
	}
	first, second := parametric("3cos(t)", "2sin(t)"), parametric("2cos(t)", "3sin(t)")
	between := func(of, other string, common bool) (pic *picture.Picture) {
		pic, _ = polar(t, []string{"r(θ) = 1"}, nil, func(d *document.Document) {
			d.Shown[0].ID = "circle"
			half := document.Entry{ID: "half", Body: &trajectory.Body{X: "cos(t)", Y: "sin(t)", From: "0", To: "pi"}}
			d.Shown = append(d.Shown, first, second, half, document.Entry{ID: "region", Body: &trajectory.PartBody{Of: of, Piece: trajectory.Enclosed, Other: other, Common: common}})
		})
		return pic
	}
	assert.Equal(t, number(24*math.Atan(2.0/3)), stagetest.Labelled(between(first.ID, second.ID, true), "region"))
	assert.Equal(t, number(6*math.Pi-24*math.Atan(2.0/3)), stagetest.Labelled(between(first.ID, second.ID, false), "region"))
	assert.Equal(t, `A=5 \pi\approx 15.708`, stagetest.Labelled(between(first.ID, "circle", false), "region"))
	assert.Equal(t, `A=\pi\approx 3.1416`, stagetest.Labelled(between("circle", first.ID, true), "region"))
	assert.Contains(t, stagetest.Labelled(between("half", first.ID, true), "region"), "does not close")
	assert.Contains(t, stagetest.Labelled(between("circle", first.ID, false), "region"), "nothing is enclosed")
}

// Half of the cardioid r = 1 + cos θ has 3π/4 (handbooks: 3π/2 in all); a level line at a cuts arccos a − a√(1 − a²) off the unit circle
// (circular segment, handbooks, from memory). 1/(x − 0.3) has a pole over the circle.
func TestAClosedCurveAndTheGraphOfAFunctionEncloseARegion(t *testing.T) {
	over := func(of, f string, under bool, inDegrees bool) (*picture.Picture, *evaluate.Demonstration) {
		return polar(t, []string{of, f}, []string{"a"}, func(d *document.Document) {
			graph := document.Entry{ID: "graph", Body: &curve.Body{Function: "f"}}
			round := d.Shown[0]
			if inDegrees {
				d.AngleUnit = document.Degree
				round.Body.(*trajectory.Body).To = "360"
			}
			d.Shown = []document.Entry{round, graph, {ID: "region", Body: &trajectory.PartBody{Of: round.ID, Piece: trajectory.Enclosed, Other: "graph", Common: under}}}
		})
	}
	label := func(pic *picture.Picture, _ *evaluate.Demonstration) string { return stagetest.Labelled(pic, "region") }
	assert.Equal(t, `A=\frac{3 \pi}{4}\approx 2.3562`, label(over("r = 1 + cos θ", "f(x) = 0", false, false)))
	assert.Equal(t, `A=\frac{3 \pi}{4}\approx 2.3562`, label(over("r = 1 + cos θ", "f(x) = 0", true, true)))
	assert.Contains(t, label(over("r(θ) = 1", "f(x) = 1/(x - 0.3)", true, false)), "the graph breaks")
	assert.Contains(t, label(over("r(θ) = 1", "f(x) = x + 3", false, false)), "nothing is enclosed")
	_, e := over("r(θ) = 1", "f(x) = a", false, false)
	var c compose.Composer
	for _, a := range []float64{0.3, -0.25} {
		e.Set(e.Find("a"), a)
		e.Update()
		pic := c.Compose(e.Frame(0, 600, 600))
		segment := math.Acos(a) - a*math.Sqrt(1-a*a)
		assert.Equal(t, number(segment), stagetest.Labelled(pic, "region"), "over the line at %v", a)
		assert.Contains(t, compose.Describe(e.Frame(0, 600, 600)), "What r encloses over f has an area of "+strconv.FormatFloat(math.Round(segment*1e3)/1e3, 'f', -1, 64))
	}
}

// number is how an area without a known form is told.
func number(area float64) string {
	return `A\approx ` + strconv.FormatFloat(math.Round(area*1e4)/1e4, 'f', -1, 64)
}

// After 10¹⁷ radians nobody can say how often a curve has passed a direction; the page must not try.
func TestOfACurveWithoutEndNoRegionIsTold(t *testing.T) {
	pic, _ := polar(t, []string{"r = 3 sin θ", "s(φ) = 1 + sin φ"}, nil, func(d *document.Document) {
		d.Shown[1].Body.(*trajectory.Body).To = "10^17"
		d.Shown = append(d.Shown, document.Entry{ID: "region", Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Enclosed, Other: d.Shown[1].ID}})
	})
	assert.Contains(t, stagetest.Labelled(pic, "region"), "runs over itself")
	assert.NotEmpty(t, pic.Live, "the curves are drawn")
}

func TestARegionFollowsItsDialAndGoesWithItsCurve(t *testing.T) {
	_, e := polar(t, []string{"r(θ) = a", "s(φ) = 1"}, []string{"a"}, func(d *document.Document) {
		d.Shown = append(d.Shown, document.Entry{ID: "region", Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Enclosed, Other: d.Shown[1].ID}})
	})
	var c compose.Composer
	for radius, area := range map[float64]string{2: `A=3 \pi\approx 9.4248`, 1.5: `A=\frac{5 \pi}{4}\approx 3.927`, 1.1: `A\approx 0.6597`} {
		e.Set(e.Find("a"), radius)
		e.Update()
		assert.Equal(t, area, stagetest.Labelled(c.Compose(e.Frame(0, 600, 600)), "region"), "π (a² − 1)")
	}
	after, err := edit.Delete(e.Document, e.Document.Shown[1].ID)
	require.NoError(t, err)
	for _, s := range after.Shown {
		assert.NotEqual(t, "region", s.ID, "no region without its second curve")
	}
}

func TestPointsOfATableCanBeJoinedOrSmooth(t *testing.T) {
	for _, line := range []trajectory.Joining{"", trajectory.Straight, trajectory.Smooth} {
		pic, e := polar(t, []string{"r = 1 + cos θ"}, nil, func(d *document.Document) {
			d.Shown = append(d.Shown, document.Entry{ID: "dots", Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Dots, Step: "π/4", Line: line}})
		})
		assert.Equal(t, 9, stagetest.Markers(pic.Live, picture.Colour(e.Shown[0].Entry.Look.Colour)), "0, π/4 … 2π")
		joins := stagetest.Lines(pic.Live, picture.Ink)
		if line == "" {
			assert.Empty(t, joins)
			continue
		}
		require.Len(t, joins, 1)
		for k := range 9 {
			θ := float64(k) * math.Pi / 4
			x, y := 300+100*(1+math.Cos(θ))*math.Cos(θ), 300-100*(1+math.Cos(θ))*math.Sin(θ)
			nearest := math.Inf(1)
			for _, q := range joins[0] {
				nearest = min(nearest, math.Hypot(q[0]-x, q[1]-y))
			}
			assert.Less(t, nearest, 0.01, "the line goes through every point")
		}
		assert.Equal(t, line == trajectory.Smooth, len(joins[0]) > 9)
	}
}

func TestAFamilyOfPolarCurvesHasOneForEachValue(t *testing.T) {
	pic, e := polar(t, []string{"r = a + cos(3θ)"}, []string{"a"}, func(d *document.Document) {
		d.Shown[0].Body.(*trajectory.Body).Family = &family.Given{Parameter: "a", Values: []string{"0", "1", "2"}}
	})
	members := e.Shown[0].Live.(*trajectory.Live).Family.Members
	require.Len(t, members, 3)
	for k, colour := range []picture.Colour{picture.Ramp, picture.Ramp + 4, picture.Ramp + 8} {
		drawn := stagetest.Lines(pic.Live, colour)
		require.NotEmpty(t, drawn)
		for _, line := range drawn {
			for _, q := range line {
				x, y := (q[0]-300)/100, (300-q[1])/100
				if math.Hypot(x, y) < 1e-3 {
					continue // at the pole there is no direction
				}
				θ := math.Atan2(y, x)
				one, other := float64(k)+math.Cos(3*θ), float64(k)+math.Cos(3*(θ+math.Pi))
				off := min(math.Abs(one-math.Hypot(x, y)), math.Abs(other+math.Hypot(x, y)))
				assert.Less(t, off, 0.01, "a = %d at %v, %v", k, x, y)
			}
		}
		assert.Equal(t, members[k].LaTeX, stagetest.Labelled(pic, e.Shown[0].Entry.ID+"."+string(rune('0'+k))))
	}
}

// The graph beside a polar curve is called as the curve is.
func TestTheGraphOfAPolarCurveHasItsName(t *testing.T) {
	pic, _ := polar(t, []string{"s(φ) = 1 + cos φ"}, nil, func(d *document.Document) {
		d.Shown = append(d.Shown, document.Entry{ID: "graph", Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Graph, Coordinate: "r"}})
	})
	assert.Equal(t, `s\left(\phi\right)`, stagetest.Labelled(pic, "graph"))
}
