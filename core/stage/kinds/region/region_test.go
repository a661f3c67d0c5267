package region_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
)

func shaded(t testing.TB, formulas map[string]string, values map[string]float64, body region.Body) *evaluate.Demonstration {
	t.Helper()
	e := stagetest.Demonstration(t, formulas, values, document.Entry{ID: "z", Look: document.Look{Colour: 3}, Body: &body})
	require.Empty(t, e.Problems)
	return e
}

func area(e *evaluate.Demonstration) float64 {
	switch l := e.Shown[0].Live.(type) {
	case *region.Between:
		return l.Area(e)
	case *region.Where:
		return l.Area(e)
	}
	return math.NaN()
}

// Areas of the handbook and of any calculus book: the parabola and its chord (Archimedes: 4/3 of the triangle), half a wave
// of the sine 2, between x² and √x 1/3, under 1/x to e 1, from −1 to 1 under x³ 0 with signs and 1/2 without.
func TestRegionsBetweenCurvesHaveTheirAreas(t *testing.T) {
	for _, c := range []struct {
		f, g, from, to string
		signed         bool
		want           float64
	}{
		{"4 − x²", "", "-2", "2", false, 32.0 / 3}, {"x²", "x + 2", "-1", "2", false, 4.5}, {"sin x", "", "0", "π", false, 2},
		{"sin x", "", "0", "2π", false, 4}, {"sin x", "", "0", "2π", true, 0}, {"√x", "x²", "0", "1", false, 1.0 / 3},
		{"1/x", "", "1", "e", false, 1}, {"x³", "", "-1", "1", true, 0}, {"x³", "", "-1", "1", false, 0.5},
		{"x²", "", "3", "0", true, -9}, {"ln x", "", "0", "1", true, -1}, {"1/√x", "", "0", "4", false, 4},
		{"1/x", "", "0", "1", false, math.Inf(1)}, {"1/x²", "", "-1", "1", false, math.Inf(1)}, {"√x", "", "-1", "1", false, math.NaN()},
	} {
		formulas, other := map[string]string{"f": c.f}, ""
		if c.g != "" {
			formulas["g"], other = c.g, "g"
		}
		got := area(shaded(t, formulas, nil, region.Body{Function: "f", Other: other, From: c.from, To: c.to, Signed: c.signed}))
		if math.IsNaN(c.want) || math.IsInf(c.want, 0) {
			assert.Equal(t, math.IsNaN(c.want), math.IsNaN(got), c.f)
			assert.Equal(t, math.IsInf(c.want, 1), math.IsInf(got, 1), c.f)
			continue
		}
		assert.InDelta(t, c.want, got, 1e-10, "%s and %s from %s to %s", c.f, c.g, c.from, c.to)
	}
}

// The disc 9π, the ring 3π, the half disc, the lens of two discs 2π/3 − √3/2, the parabola's segment 4.5, a triangle, an
// ellipse πab (Bronstein, areas of plane figures); what runs off has none.
func TestRegionsOfConditionsHaveTheirAreas(t *testing.T) {
	for _, c := range []struct {
		conditions []string
		want       float64
	}{
		{[]string{"x² + y² ≤ 9"}, 9 * math.Pi}, {[]string{"1 ≤ x² + y² ≤ 4"}, 3 * math.Pi}, {[]string{"x² + y² < 4", "y > 0"}, 2 * math.Pi},
		{[]string{"x² + y² ≤ 1", "(x − 1)² + y² ≤ 1"}, 2*math.Pi/3 - math.Sqrt(3)/2}, {[]string{"y ≥ x²", "y ≤ x + 2"}, 4.5},
		{[]string{"x ≥ 0", "y ≥ 0", "3x + 2y ≤ 6"}, 3}, {[]string{"x²/4 + y²/9 ≤ 1"}, 6 * math.Pi}, {[]string{"|x| + |y| ≤ 1"}, 2},
		{[]string{"0 < y < sin x", "0 < x < π"}, 2},
		{[]string{"y ≥ x²"}, math.NaN()}, {[]string{"x > 1"}, math.NaN()}, {[]string{"x² + y² < −1"}, math.NaN()},
	} {
		got := area(shaded(t, nil, nil, region.Body{Conditions: c.conditions}))
		if math.IsNaN(c.want) {
			assert.True(t, math.IsNaN(got), "%v: %v", c.conditions, got)
			continue
		}
		assert.InDelta(t, c.want, got, 1e-6*c.want, "%v", c.conditions)
	}
}

func TestAnAreaIsToldExactlyWhereItIsKnown(t *testing.T) {
	for _, c := range []struct {
		body region.Body
		told string
	}{
		{region.Body{Conditions: []string{"x² + y² ≤ 9"}}, `A=9 \pi\approx 28.2743`},
		{region.Body{Function: "f", From: "-2", To: "2"}, `A=\frac{32}{3}\approx 10.6667`},
		{region.Body{Conditions: []string{"y ≥ x²"}}, ""},
	} {
		e := shaded(t, map[string]string{"f": "4 − x²"}, nil, c.body)
		assert.Equal(t, c.told, stagetest.Labelled(stagetest.Again(e, 900, 450), "z"))
		assert.Equal(t, c.told, e.Shown[0].Live.(evaluate.Measured).Measure(e))
	}
}

// inside tells by the picture's one area whether a pixel is shaded: by the winding number, as a canvas and SVG fill it.
func inside(data []float32, x, y float64) bool {
	for r := range picture.Records(data) {
		if picture.Op(r[0]) != picture.Area {
			continue
		}
		winding, n := 0, int(r[5])
		at := func(k int) (float64, float64) {
			k %= n
			return float64(r[6+2*k]), float64(r[7+2*k])
		}
		for k := range n {
			x1, y1 := at(k)
			x2, y2 := at(k + 1)
			side := (x2-x1)*(y-y1) - (x-x1)*(y2-y1)
			if y1 <= y && y2 > y && side > 0 {
				winding++
			} else if y1 > y && y2 <= y && side < 0 {
				winding--
			}
		}
		return winding != 0
	}
	return false
}

// Pixel by pixel what is shaded is where the conditions hold, but for half a pixel beside the border.
func TestWhatIsShadedIsWhereItHolds(t *testing.T) {
	for _, c := range []struct {
		body  region.Body
		holds func(x, y float64) bool
	}{
		{region.Body{Conditions: []string{"y ≥ x²", "x² + y² < 6"}}, func(x, y float64) bool { return y >= x*x && x*x+y*y < 6 }},
		{region.Body{Conditions: []string{"sin(3x) < y"}}, func(x, y float64) bool { return math.Sin(3*x) < y }},
		{region.Body{Conditions: []string{"y ≤ ln x"}}, func(x, y float64) bool { return y <= math.Log(x) }},
		{region.Body{Conditions: []string{"x y > 1"}}, func(x, y float64) bool { return x*y > 1 }},
		{region.Body{Function: "f", Other: "g", From: "-2", To: "2"}, func(x, y float64) bool {
			f, g := 4-x*x, x
			return x > -2 && x < 2 && (y-f)*(y-g) < 0
		}},
	} {
		e := shaded(t, map[string]string{"f": "4 − x²", "g": "x"}, nil, c.body)
		p := stagetest.Plane(-6, 6, -4, 4, true)
		var composer compose.Composer
		pic := composer.Compose(stagetest.Seen(e, p, 600, 400))
		v := composer.View
		for px := 3.5; px < 600; px += 7 {
			for py := 3.5; py < 400; py += 7 {
				want := c.holds(v.AtX(px), v.AtY(py))
				beside := want
				for _, off := range [4][2]float64{{1, 0}, {-1, 0}, {0, 1}, {0, -1}} {
					if c.holds(v.AtX(px+off[0]), v.AtY(py+off[1])) != want {
						beside = !want
					}
				}
				if beside == want {
					require.Equal(t, want, inside(pic.Live, px, py), "%v at (%v, %v)", c.body, v.AtX(px), v.AtY(py))
				}
			}
		}
	}
}

// A border that does not belong to the region is dashed, one that does is drawn whole.
func TestAStrictBorderIsDashed(t *testing.T) {
	for text, want := range map[string]picture.Pattern{"x² + y² < 4": picture.Dashed, "x² + y² ≤ 4": picture.Whole} {
		e := shaded(t, nil, nil, region.Body{Conditions: []string{text}})
		data := stagetest.Again(e, 900, 450).Live
		length := 0.0
		for r := range picture.Records(data) {
			// A line of one pixel leads to the label.
			if picture.Op(r[0]) != picture.Line || r[2] == 1 {
				continue
			}
			assert.Equal(t, want, picture.Pattern(r[3]), text)
			for k := 8; k < len(r); k += 2 {
				length += math.Hypot(float64(r[k]-r[k-2]), float64(r[k+1]-r[k-1]))
			}
		}
		pixel := 900.0 / 14 // the window of a new demonstration grows with the panel
		assert.InEpsilon(t, 4*math.Pi, length/pixel, 0.15, "the whole circle")
	}
}

// The ends go where the hand is: a dial by its steps, a number on the grain, written when it settles.
func TestTheEndsAreDragged(t *testing.T) {
	e := shaded(t, map[string]string{"f": "x²"}, map[string]float64{"b": 3}, region.Body{Function: "f", From: "1/2", To: "b"})
	l := e.Shown[0].Live.(*region.Between)
	l.Drag(e, evaluate.Hand{Grip: 1, X: 2.04, Grain: 0.1})
	e.Update()
	assert.Equal(t, 2.0, l.To)
	l.Drag(e, evaluate.Hand{Grip: 0, X: 1.02, Grain: 0.1})
	assert.Equal(t, 1.0, l.From)
	assert.InDelta(t, 7.0/3, l.Area(e), 1e-10)
	body := *e.Shown[0].Entry.Body.(*region.Body)
	l.Settle(e, &document.Entry{Body: &body})
	assert.Equal(t, [2]string{"1", "b"}, [2]string{body.From, body.To})
	l.Nudge(e, evaluate.Hand{Grip: 1, DX: -3})
	e.Update()
	assert.InDelta(t, 1.7, l.To, 1e-12)
}

// handles counts what a hand can take in a picture.
func handles(data []float32) (count int) {
	for r := range picture.Records(data) {
		if picture.Op(r[0]) == picture.Handle {
			count++
		}
	}
	return count
}

// A hand that brings one end to the other still holds it, and can go on to the other side.
func TestAnEndIsDraggedPastTheOther(t *testing.T) {
	e := shaded(t, map[string]string{"f": "x²"}, map[string]float64{"b": 2}, region.Body{Function: "f", From: "0", To: "b", Signed: true})
	for b, want := range map[float64]float64{3: 9, 0: 0, -3: -9} {
		e.Set(0, b)
		e.Update()
		assert.Equal(t, 2, handles(stagetest.Again(e, 900, 450).Live), b)
		assert.InDelta(t, want, area(e), 1e-9, "∫ x² from 0 to %v is b³/3", b)
	}
}

func TestAnEndThatAHandHasLeftStaysWhenADialMoves(t *testing.T) {
	e := shaded(t, map[string]string{"f": "a x²"}, map[string]float64{"a": 1}, region.Body{Function: "f", From: "0", To: "1"})
	l := e.Shown[0].Live.(*region.Between)
	l.Drag(e, evaluate.Hand{Grip: 1, X: 2, Grain: 0.1})
	e.Set(0, 3)
	e.Update()
	assert.Equal(t, 2.0, l.To)
	assert.InDelta(t, 8, area(e), 1e-9, "∫ 3x² from 0 to 2")
}

// −1/x² goes down without bound towards 0; 1/x on both sides of 0 goes both ways, and has no integral (common practice).
func TestAnAreaWithoutBoundHasItsSide(t *testing.T) {
	for f, want := range map[string]float64{"-1/x²": math.Inf(-1), "1/x²": math.Inf(1), "1/x": math.NaN()} {
		e := shaded(t, map[string]string{"f": f}, nil, region.Body{Function: "f", From: "-1", To: "1", Signed: true})
		if got := area(e); want != want {
			assert.True(t, math.IsNaN(got), "%s: %v", f, got)
		} else {
			assert.Equal(t, want, got, f)
		}
	}
}

// Conditions that would take seconds: the picture is drawn coarser and says so, the area is given up, and the work ends.
func TestTheWorkOfConditionsIsBounded(t *testing.T) {
	for _, conditions := range [][]string{{"sin(50x) sin(50y) ≥ 0"}, {"sin(50x) sin(50y) ≥ 0", "x² + y² < 16"}, {"sin(x) + sin(y) + sin(3x y) > 0.3", "x² + y² ≤ 25"}} {
		e := shaded(t, nil, nil, region.Body{Conditions: conditions})
		var c compose.Composer
		c.Compose(e.Frame(0, 1200, 800))
		assert.Equal(t, []string{"z"}, c.Coarse, conditions)
		assert.True(t, math.IsNaN(area(e)))
	}
	e := shaded(t, map[string]string{"f": "sum(sin(k² x)/k for k from 1 to 300)"}, nil, region.Body{Function: "f", From: "0", To: "10"})
	assert.True(t, math.IsNaN(area(e)), "a curve of which an area takes 19 s")
	e = shaded(t, nil, nil, region.Body{Conditions: []string{"x² + y² ≤ 9"}})
	var c compose.Composer
	c.Compose(e.Frame(0, 1200, 800))
	assert.Empty(t, c.Coarse)
}

func TestARegionFollowsItsDials(t *testing.T) {
	e := shaded(t, nil, map[string]float64{"r": 2}, region.Body{Conditions: []string{"x² + y² ≤ r²"}})
	for _, r := range []float64{1, 2.5, 4} {
		e.Set(0, r)
		e.Update()
		assert.InDelta(t, math.Pi*r*r, area(e), 1e-8)
	}
	var c compose.Composer
	for range 3 {
		c.Compose(e.Frame(0, 600, 400))
	}
	assert.Equal(t, 1, c.Runs["z"], "what rests is composed once")
}

func TestARegionIsSpokenAndNamesWhatItMisses(t *testing.T) {
	e := shaded(t, nil, nil, region.Body{Conditions: []string{"x² + y² ≤ 9"}})
	assert.Contains(t, compose.Describe(e.Frame(0, 600, 400)), "The region where x² + y² ≤ 9, of area 28.274.")
	for code, body := range map[string]region.Body{
		"not-a-function": {Function: "q", From: "0", To: "1"}, "no-relation": {Conditions: []string{"x + y"}}, "unfinished": {Conditions: []string{"x <"}},
		"no-value": {Conditions: []string{"x < c"}},
	} {
		e := stagetest.Demonstration(t, map[string]string{"f": "x"}, nil, document.Entry{ID: "z", Body: &body})
		assert.Equal(t, code, stagetest.Problems(e)["z"], body)
		assert.Nil(t, e.Shown[0].Live)
	}
}

func BenchmarkConditions(b *testing.B) {
	e := shaded(b, nil, map[string]float64{"r": 2}, region.Body{Conditions: []string{"x² + y² ≤ r²", "y > x²/r − 1", "sin(3x) < y"}})
	var c compose.Composer
	for i := 0; b.Loop(); i++ {
		e.Set(0, 2+float64(i%50)/50)
		e.Update()
		c.Compose(e.Frame(0, 1200, 800))
	}
}
