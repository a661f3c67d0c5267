package sample_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/sample"
)

var board = sample.View{Left: -6, Right: 6, Bottom: -4, Top: 4, Width: 1200, Height: 800}

func highest(c sample.Curve) sample.Point {
	top := sample.Point{Y: math.Inf(-1)}
	for _, line := range c.Lines {
		for _, p := range line {
			if p.Y > top.Y {
				top = p
			}
		}
	}
	return top
}

// The peaks' places and heights stand in the formulas.
func TestThinPeaksAreFound(t *testing.T) {
	for _, c := range []struct {
		text string
		x, y float64
	}{
		{"e^(−10^6 (x − 0.3137)²)", 0.3137, 1}, {"2/(1 + 10^8 (x + 1.2345)²)", -1.2345, 2}, {"3e^(−|5000x − 7000|)", 1.4, 3},
		{"sin x + 2e^(−10^7 (x − π/2)²)", math.Pi / 2, 3}, {"max(0, 1 − 10^4 |x − 2.7182|)", 2.7182, 1},
		{"1/(10^-6 + (x − 0.777)²)/10^6", 0.777, 1},
	} {
		var s sample.Sampler
		curve := s.Curve(compile(t, c.text), []float64{0}, board)
		top := highest(curve)
		assert.InDelta(t, c.x, top.X, 0.005, "%s peaks at %v", c.text, c.x)
		assert.InDelta(t, c.y, top.Y, 0.01, "%s: a pixel is 0.01", c.text)
		assert.Empty(t, curve.Envelopes, c.text)
	}
}

// The bounds of a·sin(ωx) are ±a; those of a(x)·sin(ωx) with a slow a are ±|a(x)| (common practice: amplitude).
func TestSwingsFinerThanAPixelAreABandWithItsBounds(t *testing.T) {
	for _, c := range []struct {
		text   string
		bounds func(x float64) float64
	}{
		{"sin(1000x)", func(float64) float64 { return 1 }}, {"2cos(5000x + 1)", func(float64) float64 { return 2 }},
		{"x sin(3000x)/3", func(x float64) float64 { return math.Abs(x) / 3 }},
		{"e^(−x²) sin(2000x)", func(x float64) float64 { return math.Exp(-x * x) }},
		{"sin(10^6 x)", func(float64) float64 { return 1 }},
	} {
		var s sample.Sampler
		curve := s.Curve(compile(t, c.text), []float64{0}, board)
		covered := 0.0
		for _, band := range curve.Envelopes {
			covered += band[len(band)-1].X - band[0].X
			for _, column := range band {
				assert.InDelta(t, c.bounds(column.X), column.High, 0.06, "%s at %v", c.text, column.X)
				assert.InDelta(t, -c.bounds(column.X), column.Low, 0.06, "%s at %v", c.text, column.X)
			}
		}
		assert.Greater(t, covered, 3.5, "%s is a band where it can be seen", c.text)
	}
}

// cos(4x⁴ − 3) swings by 7 pixels 300 times a unit at 4.7, which is more than twice a pixel (by hand: 16x³/2π).
func TestLowSwingsFinerThanAPixelAreABandWithoutGaps(t *testing.T) {
	var s sample.Sampler
	curve := s.Curve(compile(t, "cos(4x^4 − 3)"), []float64{0}, sample.View{Left: -5.3, Right: 5.9, Bottom: -100, Top: 100, Width: 1280, Height: 700})
	assert.Len(t, curve.Envelopes, 2)
	require.Len(t, curve.Lines, 1)
	for _, end := range []sample.Point{curve.Lines[0][0], curve.Lines[0][len(curve.Lines[0])-1]} {
		assert.InDelta(t, 3.3, math.Abs(end.X), 0.2)
	}
}

func TestSwingsThatPixelsCanShowAreALine(t *testing.T) {
	for _, text := range []string{"sin(40x)", "sin(100x)", "x² sin(30x)", "tan(50x)", "floor(20x)", "x − floor(10x)/10", "sin x", "1/x"} {
		var s sample.Sampler
		curve := s.Curve(compile(t, text), []float64{0}, board)
		assert.Empty(t, curve.Envelopes, text)
		assert.NotEmpty(t, curve.Lines, text)
	}
}

func TestEndlessSwingsAreABandWhereTheyCrowd(t *testing.T) {
	var s sample.Sampler
	curve := s.Curve(compile(t, "sin(1/x)"), []float64{0}, board)
	if assert.Len(t, curve.Envelopes, 1) {
		band := curve.Envelopes[0]
		assert.Less(t, math.Abs(band[0].X), 0.2)
		assert.InDelta(t, 1, band[len(band)/2].High, 0.01)
		assert.InDelta(t, -1, band[len(band)/2].Low, 0.01)
	}
}

// Where a function is smooth its line is never half a pixel off, at rest and while a hand moves it: 20 places a pixel are measured.
func TestLinesStayWithinHalfAPixel(t *testing.T) {
	for _, text := range []string{"x²", "x³ − 3x", "3sin(2x)", "e^(−x²)", "1/(1 + x²)", "√(x + 6)", "sin(40x)", "e^x", "x sin(9x)",
		"12/(1 + 3e^(−2x))", "cbrt(x)", "ln(x + 7)", "e^(−1000(x − 1)²)", "arctan(100x)", "x^5/100", "tanh(30x)",
		"sin(100x)", "cos(cosh x)", "x sin(x²)", "sin(60x)/x", "|sin(50x)|", "3sin(200x) + x"} {
		f := compile(t, text)
		for _, v := range windows {
			for _, tolerance := range []float64{sample.AtRest, sample.Moving} {
				s := sample.Sampler{Tolerance: tolerance}
				curve := s.Curve(f, []float64{0}, v)
				worst := 0.0
				for _, line := range curve.Lines {
					worst = math.Max(worst, farthest(f, line, v))
				}
				assert.LessOrEqual(t, worst, 0.5, "%s in %v at %v", text, v, tolerance)
			}
		}
	}
}

// At rest a line leaves its function by so little that a thick stroke shows no corners; while a hand moves it, it has fewer points. By how
// much it turns at a point follows from that: a chord that leaves a circle of radius R by s is √(8Rs) long.
func TestALineAtRestIsSmooth(t *testing.T) {
	for _, text := range []string{"x²", "x³ − 3x", "3sin(2x)", "e^(−x²)", "1/(1 + x²)", "12/(1 + 3e^(−2x))", "x sin(x²)"} {
		f := compile(t, text)
		for _, v := range windows {
			var rest sample.Sampler
			moving := sample.Sampler{Tolerance: sample.Moving}
			fine, points := 0.0, 0
			for _, line := range rest.Curve(f, []float64{0}, v).Lines {
				fine, points = math.Max(fine, farthest(f, line, v)), points+len(line)
			}
			assert.LessOrEqual(t, fine, 2.5*sample.AtRest, "%s in %v", text, v)
			for _, line := range moving.Curve(f, []float64{0}, v).Lines {
				points -= len(line)
			}
			assert.Positive(t, points, "%s in %v: fewer points while it moves", text, v)
		}
	}
}

// What is made smooth takes no points from the pieces that come after it: of hundreds of branches the last is as right as the first.
func TestManyPiecesAreAllRightAtRest(t *testing.T) {
	wide := sample.View{Left: -9, Right: 9, Bottom: -5, Top: 5, Width: 1900, Height: 950}
	for text, lines := range map[string]int{"1/sin(60x)": 344, "tan(90x)": 517, "tan(20x)": 115} {
		f := compile(t, text)
		var s sample.Sampler
		curve := s.Curve(f, []float64{0}, wide)
		require.Len(t, curve.Lines, lines, text)
		for k, line := range curve.Lines {
			assert.LessOrEqual(t, farthest(f, line, wide), 0.5, "%s, branch %d", text, k)
		}
	}
}

// farthest is the largest distance in pixels of the function from its line, seen inside the window.
func farthest(f *sample.Function, line []sample.Point, v sample.View) float64 {
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	worst := 0.0
	for i := 1; i < len(line); i++ {
		p, q := line[i-1], line[i]
		steps := math.Ceil((q.X - p.X) * sx * 20)
		for k := 1.0; k < steps; k++ {
			x := p.X + (q.X-p.X)*k/steps
			y := f.At(x, []float64{0})
			if y < v.Bottom || y > v.Top {
				continue
			}
			dx, dy := (q.X-p.X)*sx, (q.Y-p.Y)*sy
			ex, ey := (x-p.X)*sx, (y-p.Y)*sy
			worst = math.Max(worst, math.Abs(dx*ey-dy*ex)/math.Hypot(dx, dy))
		}
	}
	return worst
}
