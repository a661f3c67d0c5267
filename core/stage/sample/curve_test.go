package sample_test

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/sample"
)

func compile(t testing.TB, text string, inputs ...string) *sample.Function {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	fn, err := sample.Compile(symbolic.Radians(f.Node, false), append([]string{"x"}, inputs...))
	require.NoError(t, err, text)
	return fn
}

// windows are ten: wide, narrow, off centre, off the axis, tall, flat.
var windows = []sample.View{
	{-6, 6, -4, 4, 1200, 800}, {-10, 10, -10, 10, 800, 800}, {-1, 1, -1, 1, 640, 480}, {-0.5, 3, -2, 2, 1000, 600},
	{-6.28, 6.28, -3, 3, 900, 500}, {0.05, 2.2, -5, 5, 700, 700}, {-2.5, -0.4, -8, 1, 390, 400}, {-3, 4, 0.5, 6, 1920, 900},
	{-5.3, 5.9, -100, 100, 1280, 700}, {-4.2, 4.1, -0.5, 0.5, 1280, 600},
}

// multiples lists offset + k·period strictly inside a window.
func multiples(offset, period float64) func(v sample.View) []float64 {
	return func(v sample.View) (at []float64) {
		for k := math.Ceil((v.Left - offset) / period); offset+k*period < v.Right; k++ {
			if x := offset + k*period; x > v.Left {
				at = append(at, x)
			}
		}
		return at
	}
}

func places(at ...float64) func(v sample.View) []float64 {
	return func(v sample.View) (inside []float64) {
		for _, x := range at {
			if x > v.Left && x < v.Right {
				inside = append(inside, x)
			}
		}
		return inside
	}
}

// breaking functions with the places where each breaks and the interval where it exists, as every calculus textbook
// derives them (common practice): zeros of the denominator, odd multiples of π/2 for the tangent, whole numbers for ⌊x⌋.
var breaking = []struct {
	text     string
	breaks   func(v sample.View) []float64
	from, to float64
}{
	{"tan x", multiples(math.Pi/2, math.Pi), math.Inf(-1), math.Inf(1)},
	{"1/(x² − 1)", places(-1, 1), math.Inf(-1), math.Inf(1)},
	{"(x² − 1)/(x − 1)", places(1), math.Inf(-1), math.Inf(1)},
	{"√(4 − x²)", places(), -2, 2},
	{"ln x", places(), 0, math.Inf(1)},
	{"⌊x⌋", multiples(0, 1), math.Inf(-1), math.Inf(1)},
	{"sin(1/x)", places(0), math.Inf(-1), math.Inf(1)},
	{"|x|/x", places(0), math.Inf(-1), math.Inf(1)},
	{"x^(1/3)", places(), math.Inf(-1), math.Inf(1)},
	{"1/sin x", multiples(0, math.Pi), math.Inf(-1), math.Inf(1)},
	{"arctan(10^6 x)", places(), math.Inf(-1), math.Inf(1)},
	{"tan(50x)", multiples(math.Pi/100, math.Pi/50), math.Inf(-1), math.Inf(1)},
	{"1/(x − 0.1234567)", places(0.1234567), math.Inf(-1), math.Inf(1)},
	{"1/(x² − 2x + 1)", places(1), math.Inf(-1), math.Inf(1)},
	{"x² for x < 0; 2x + 1 for x ≥ 0", places(0), math.Inf(-1), math.Inf(1)},
	{"|x − 1| + cbrt(x + 2)", places(), math.Inf(-1), math.Inf(1)},
	{"1/(1/x)", places(0), math.Inf(-1), math.Inf(1)},
	{"1/(x for x < 0; x² + 1 for x ≥ 0)", nil, 0, 0},
	{"1/(x² + 10^-6)", places(), math.Inf(-1), math.Inf(1)},
}

// 2^x passes what a float64 holds at 1024: no mark lies there, though ⌊x⌋ steps at every whole number.
func TestNoMarkLiesWhereAValueIsTooLarge(t *testing.T) {
	var s sample.Sampler
	for _, text := range []string{"max(floor(x), 2^x)", "floor(x) + 2^x", "floor(x) 2^x"} {
		curve := s.Curve(compile(t, text), []float64{0}, sample.View{Left: 1e3, Right: 1e3 + 50, Bottom: -5, Top: 5, Width: 900, Height: 600})
		for _, m := range curve.Marks {
			assert.False(t, math.IsInf(m.Y, 0), "%s at %v", text, m.X)
		}
	}
	curve := s.Curve(compile(t, "floor(x) + 2^(x + 1018)"), []float64{0}, sample.View{Left: 0.5, Right: 9.5, Bottom: -5, Top: 5, Width: 900, Height: 600})
	assert.Len(t, curve.Marks, 5, "at the steps from 1 to 5; 2^1024 is too large")
}

func TestLinesBreakExactlyWhereTheFunctionDoes(t *testing.T) {
	var s sample.Sampler
	for _, c := range breaking {
		if c.breaks == nil {
			continue
		}
		f := compile(t, c.text)
		for i, v := range windows {
			name := fmt.Sprintf("%s in window %d", c.text, i)
			curve := s.Curve(f, []float64{0}, v)
			require.True(t, curve.Complete, name)
			assertPieces(t, name, curve, c.breaks(v), v, c.from, c.to)
		}
	}
}

// Wherever a function has a value inside the window, a line is there, within a pixel and a half across: also beside a pole that
// the function comes to from far off the window, at an end that it nears as flatly as a cube, and where a root holds a root.
func TestWhatIsVisibleIsDrawn(t *testing.T) {
	var s sample.Sampler
	for _, text := range []string{"16x^4 + 1/x", "(0.4 − 2x)^4 + 1/x", "tan(x) − (2x + 1.4)^4", "3(csc(x) − sinh(x))³ + 1", "4(csc(x)/3 + 3)^4 + 3",
		"arccos(1 − 3x³)", "max(|x|, arccos(1 − 3x³))", "√(1 − (1 − x³)²)", "√(1.5√x + x/2 + 2) + arcsin(x² + √2 x − 2)", "√(2√x + 3x + 2)", "√(cos(x)/√x)", "√(sin(x)/√x)", "ln(2 + 1/√x)",
		"1/x − e^(3x)", "ln(x)/x²", "x²/(x − 1)", "−5/x + 0.4/x²", "arcsin(x² − 2)", "cot(2x)(x³ + 5)"} {
		f := compile(t, text)
		for i, v := range windows {
			curve := s.Curve(f, []float64{0}, v)
			require.True(t, curve.Complete, text)
			pixel := (v.Right - v.Left) / v.Width
			for k := range 500 {
				x := v.Left + (v.Right-v.Left)*(float64(k)+0.37)/500
				if y := f.At(x, []float64{0}); !(y > v.Bottom && y < v.Top) {
					continue
				}
				covered := slices.ContainsFunc(curve.Lines, func(line []sample.Point) bool {
					return line[0].X <= x+1.5*pixel && line[len(line)-1].X >= x-1.5*pixel
				})
				assert.True(t, covered, "%s at %v in window %d", text, x, i)
			}
		}
	}
}

func TestAPoleFollowsItsDial(t *testing.T) {
	var s sample.Sampler
	f := compile(t, "1/(x − a)", "a")
	for i, v := range windows {
		for step := range 101 {
			a := -5 + float64(step)*0.1
			curve := s.Curve(f, []float64{0, a}, v)
			assertPieces(t, fmt.Sprintf("a = %v in window %d", a, i), curve, places(a)(v), v, math.Inf(-1), math.Inf(1))
		}
	}
}

// assertPieces holds that there is exactly one line between each two neighbouring breaks and none across one.
func assertPieces(t *testing.T, name string, curve sample.Curve, breaks []float64, v sample.View, from, to float64) {
	t.Helper()
	left, right := math.Max(v.Left, from), math.Min(v.Right, to)
	if left >= right {
		assert.Empty(t, curve.Lines, name)
		return
	}
	ends := append([]float64{left}, append(breaks, right)...)
	sort.Float64s(ends)
	if !assert.Len(t, curve.Lines, len(ends)-1, name) {
		return
	}
	for k, line := range curve.Lines {
		first, last := line[0].X, line[len(line)-1].X
		assert.True(t, first >= ends[k]-1e-12 && last <= ends[k+1]+1e-12, "%s: line %d runs over %v", name, k, ends[k+1])
		for i, p := range line {
			require.False(t, math.IsNaN(p.Y) || math.IsInf(p.Y, 0), name)
			if i > 0 {
				require.Greater(t, p.X, line[i-1].X, name)
			}
		}
	}
}

func TestLinesLieOnTheCurve(t *testing.T) {
	var s sample.Sampler
	for _, text := range []string{"x^2 - 2", "3 sin(2x)", "e^(-x^2)", "√(4 − x²)", "x^(1/3)", "arctan(10^6 x)", "|x − 1|",
		"1/x", "x^3 − 3x", "ln x", "4/(1 + e^(-3x))", "x^2/sec(x^3 + x + 1)", "sec((x² + π/2) e^(−x/2)) − arctan(x)"} {
		f := compile(t, text)
		for _, v := range windows {
			sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
			for _, line := range s.Curve(f, []float64{0}, v).Lines {
				for i := 1; i < len(line); i++ {
					p, q := line[i-1], line[i]
					for _, share := range []float64{0.25, 0.5, 0.75} {
						x := p.X + (q.X-p.X)*share
						y := f.At(x, []float64{0})
						if y < v.Bottom || y > v.Top {
							continue
						}
						dx, dy := (q.X-p.X)*sx, (q.Y-p.Y)*sy
						off := math.Abs(dx*(y-p.Y)*sy-dy*(x-p.X)*sx) / math.Hypot(dx, dy)
						assert.Less(t, off, 0.5, "%s: %v pixels off at %v in %v", text, off, x, v)
					}
				}
			}
		}
	}
}

func TestMarksShowHolesAndEnds(t *testing.T) {
	var s sample.Sampler
	at := func(text string) []sample.Mark {
		return append([]sample.Mark{}, s.Curve(compile(t, text), []float64{0}, windows[0]).Marks...)
	}
	mark := func(x, y float64, kind sample.MarkKind) sample.Mark {
		return sample.Mark{Point: sample.Point{X: x, Y: y}, Kind: kind}
	}
	for text, want := range map[string][]sample.Mark{
		"(x² − 1)/(x − 1)":              {mark(1, 2, sample.Hole)},
		"sin(x)/x":                      {mark(0, 1, sample.Hole)}, // limit 1: DLMF 4.31.1
		"(1 − cos x)/x²":                {mark(0, 0.5, sample.Hole)},
		"√(4 − x²)":                     {mark(-2, 0, sample.Closed), mark(2, 0, sample.Closed)},
		"x² for 0 ≤ x < 2":              {mark(0, 0, sample.Closed), mark(2, 4, sample.Open)},
		"|x|/x":                         {mark(0, -1, sample.Open), mark(0, 1, sample.Open)},
		"x² for x < 0; x + 1 for x ≥ 0": {mark(0, 0, sample.Open), mark(0, 1, sample.Closed)},
		"1/x":                           nil,
		"|x − 1|":                       nil,
		"x for x < 1; x² for x ≥ 1":     nil,
	} {
		got := at(text)
		if assert.Len(t, got, len(want), text) {
			for i := range want {
				assert.Equal(t, want[i].Kind, got[i].Kind, text)
				assert.InDelta(t, want[i].X, got[i].X, 1e-9, text)
				assert.InDelta(t, want[i].Y, got[i].Y, 1e-8, text)
			}
		}
	}
}

// The picture of 10^k·f(10^m·x) in a window that is as much larger or smaller is that of f (by hand).
func TestMarksDoNotHangOnTheUnits(t *testing.T) {
	var s sample.Sampler
	for _, text := range []string{"x/|x|", "⌊x⌋", "1/(x − 1)", "(x² − 1)/(x − 1)", "√(x − 1)", "√(4 − x²)", "tan x", "ln x", "|x − 2|", "sgn(x − 1)", "e^x",
		"x sin(1/x)", "arcsin(x/2)", "∛x", "e^(−100(x − 1)²)"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		plain := s.Curve(compile(t, text), []float64{0}, windows[1])
		marks, lines := append([]sample.Mark{}, plain.Marks...), len(plain.Lines)
		for _, power := range [][2]int{{0, -12}, {0, 12}, {-9, 0}, {9, 0}, {6, -9}, {-3, 6}} {
			unit := func(k int) expr.Node {
				ten, err := expr.Parse(fmt.Sprintf("10^(%d)", k), nil)
				require.NoError(t, err)
				return ten.Node
			}
			x := expr.Times(unit(power[0]), &expr.Name{Name: "x"})
			n := expr.Times(unit(power[1]), symbolic.Substitute(f.Node, map[string]expr.Node{"x": x}))
			scaled, err := sample.Compile(symbolic.Radians(n, false), []string{"x"})
			require.NoError(t, err)
			v, narrow, tall := windows[1], math.Pow(10, float64(power[0])), math.Pow(10, float64(power[1]))
			v.Left, v.Right, v.Bottom, v.Top = v.Left/narrow, v.Right/narrow, v.Bottom*tall, v.Top*tall
			curve := s.Curve(scaled, []float64{0}, v)
			if text != "x sin(1/x)" { // where it swings endlessly the lines end as the pixels have it
				assert.Len(t, curve.Lines, lines, "%s, %v", text, power)
			}
			if assert.Len(t, curve.Marks, len(marks), "%s, %v", text, power) {
				for i, m := range curve.Marks {
					assert.Equal(t, marks[i].Kind, m.Kind, "%s, %v", text, power)
					assert.InDelta(t, marks[i].X, m.X*narrow, 1e-6, "%s, %v", text, power)
					assert.InDelta(t, marks[i].Y, m.Y/tall, 1e-6, "%s, %v", text, power)
				}
			}
		}
	}
}

// Ends and holes at places that no float64 hits: the end of √(3 − x²) belongs to the curve, that of e^(−1/√(3 − x²)) and of
// u ln u does not, and a root with an odd degree goes on (common practice).
func TestMarksAreRightWherePlacesAreRounded(t *testing.T) {
	var s sample.Sampler
	closed, open, none := sample.Closed, sample.Open, sample.MarkKind("")
	for text, want := range map[string]sample.MarkKind{
		"√(3 − x²)": closed, "√(2^x − 5)": closed, "√(x³ + x + 1)": closed, "root_4(x² − 3)": closed, "(x² − 3)^(1/4)": closed,
		"arcsin(x² − 2)": closed, "1/(2 + √(3 − x²))": closed, "arccos(x/3 + √2)": closed, "√(cos(x) − x)": closed,
		"e^(−1/√(3 − x²))": open, "tanh(1/√(3 − x²))": open, "(x − √2) ln(x − √2)": open, "√(x − √2) for x > √2": open,
		"∛(x² − 2)": none, "∛(2^x − 5)": none, "∛(x³ + x + 1)": none, "root_5(x² − 2)": none, "(x² − 2)^(1/3)": none, "∛(cos(x) − 1/3)": none,
		"1/√(3 − x²)": none, "1/∛(x² − 2)": none, "|x³ + x + 1|": none,
	} {
		marks := s.Curve(compile(t, text), []float64{0}, windows[0]).Marks
		if want == none {
			assert.Empty(t, marks, text)
			continue
		}
		assert.NotEmpty(t, marks, text)
		for _, m := range marks {
			assert.Equal(t, want, m.Kind, "%s at %v", text, m.X)
		}
	}
}

// ⌊x²⌋ is k at ±√k, ⌈x²/4⌉ is k at ±2√k, ⌊2^x/8⌋ is k at log₂(8k), and sgn(x² − 2) is 0 at ±√2 (from the definitions).
func TestAStepBelongsToItsOwnSideWhereItsPlaceIsRounded(t *testing.T) {
	var s sample.Sampler
	for text, value := range map[string]func(x float64) float64{
		"floor(x²)": func(x float64) float64 { return math.Round(x * x) }, "ceil(x²/4)": func(x float64) float64 { return math.Round(x * x / 4) },
		"floor(2^x/8)": func(x float64) float64 { return math.Round(math.Exp2(x) / 8) }, "sgn(x² − 2)": func(float64) float64 { return 0 },
	} {
		closed := 0
		for _, m := range s.Curve(compile(t, text), []float64{0}, sample.View{Left: -5.05, Right: 5.05, Bottom: -3, Top: 30, Width: 900, Height: 600}).Marks {
			if m.Kind == sample.Closed {
				closed++
				assert.InDelta(t, value(m.X), m.Y, 1e-9, "%s at %v", text, m.X)
			}
		}
		assert.Positive(t, closed, text)
	}
}

func TestACurveHasAtMostAFewThousandPoints(t *testing.T) {
	var s sample.Sampler
	for _, text := range []string{"sin(1/x)", "tan(50x)", "sin(500x)", "1/sin(1/x)", "x sin(10^4 x)"} {
		total := 0
		for _, line := range s.Curve(compile(t, text), []float64{0}, windows[0]).Lines {
			total += len(line)
		}
		assert.LessOrEqual(t, total, sample.MaxPoints, text)
	}
}

func BenchmarkCurve(b *testing.B) {
	var s sample.Sampler
	for _, text := range []string{"x^2 − 1", "3 sin(2x)", "1/(x − 0.1234567)", "tan(50x)"} {
		b.Run(text, func(b *testing.B) {
			f, in := compile(b, text), []float64{0}
			for b.Loop() {
				s.Curve(f, in, windows[0])
			}
		})
	}
}

// The limits are those of the Taylor series of cos, tan, sin and e^x (DLMF 4.19, 4.2.19).
func TestAHoleWhereDigitsCancelHasItsLimitAndTheLineRunsThere(t *testing.T) {
	for _, one := range []struct {
		formula string
		view    sample.View
		want    float64
	}{
		{"(1-cos(x))/x^2", sample.View{Left: -0.1, Right: 0.1, Bottom: -0.5, Top: 1, Width: 1200, Height: 800}, 1.0 / 2},
		{"(tan(x)-x)/x^3", sample.View{Left: -5, Right: 5, Bottom: -2, Top: 2, Width: 1200, Height: 800}, 1.0 / 3},
		{"(sin(x)-x)/x^3", sample.View{Left: -1, Right: 1, Bottom: -1, Top: 1, Width: 1200, Height: 800}, -1.0 / 6},
		{"(e^x-1-x)/x^2", sample.View{Left: -0.001, Right: 0.001, Bottom: 0, Top: 1, Width: 1200, Height: 800}, 1.0 / 2},
	} {
		f := compile(t, one.formula)
		var s sample.Sampler
		curve := s.Curve(f, []float64{0}, one.view)
		found := false
		for _, m := range curve.Marks {
			if m.X == 0 {
				found = true
				assert.Equal(t, sample.Hole, m.Kind, one.formula)
				assert.InDelta(t, one.want, m.Y, 1e-12, one.formula)
			}
		}
		assert.True(t, found, one.formula)
		pixel := (one.view.Top - one.view.Bottom) / one.view.Height
		near := 0.05 * (one.view.Right - one.view.Left)
		for _, line := range curve.Lines {
			for _, p := range line {
				if math.Abs(p.X) < math.Min(near, 0.05) {
					assert.InDelta(t, one.want, p.Y, 2*pixel, "%s at %g", one.formula, p.X)
				}
			}
		}
	}
}

func TestTheDifferenceOfTwoEqualFunctionsIsZeroWithItsHolesAndNothingElse(t *testing.T) {
	// cot(u + π/2) = −tan u (DLMF 4.21.1): both are the same wave.
	f := compile(t, "(3 tan(pi/6 (x - 2)) + 4) - (4 - 3 cot(pi/6 (x + 1)))")
	var s sample.Sampler
	curve := s.Curve(f, []float64{0}, sample.View{Left: -20, Right: 20, Bottom: -10, Top: 10, Width: 1200, Height: 800})
	for _, line := range curve.Lines {
		for _, p := range line {
			assert.InDelta(t, 0, p.Y, 1e-6)
		}
	}
	var holes []float64
	for _, m := range curve.Marks {
		assert.Equal(t, sample.Hole, m.Kind)
		holes = append(holes, math.Round(m.X*1e6)/1e6)
	}
	assert.Equal(t, []float64{-19, -13, -7, -1, 5, 11, 17}, holes)
}

func TestACurveThatOverflowsOnTheWayGoesOn(t *testing.T) {
	f := compile(t, "e^x/(1+e^x)")
	var s sample.Sampler
	curve := s.Curve(f, []float64{0}, sample.View{Left: -1000, Right: 1000, Bottom: -1, Top: 2, Width: 1200, Height: 800})
	require.Len(t, curve.Lines, 1)
	line := curve.Lines[0]
	assert.Equal(t, sample.Point{X: 1000, Y: 1}, line[len(line)-1])
}
