package study_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/ask/study"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/sample"
)

// demonstration states formulas in a new document.
func demonstration(t testing.TB, degrees bool, statements ...string) *evaluate.Demonstration {
	t.Helper()
	d := document.New("Quay")
	if degrees {
		d.AngleUnit = document.Degree
	}
	for _, text := range statements {
		after, err := edit.State(d, "", text)
		require.NoError(t, err, text)
		d = after
	}
	return evaluate.Load(d, nil)
}

func lines(t testing.TB, d *evaluate.Demonstration, name string) map[document.Finding]string {
	t.Helper()
	f := d.Function(name)
	require.NotNil(t, f, name)
	findings, err := study.Of(d, f, 0, 0)
	require.NoError(t, err)
	out := map[document.Finding]string{}
	for _, l := range study.Lines(d, f, findings) {
		out[l.Finding] = l.LaTeX
		assert.NotEmpty(t, l.Name)
		assert.NotEmpty(t, l.How, l.Name)
	}
	return out
}

// The vertex form read off by hand: common practice.
func TestFindingsAreWrittenAsATextbookDoes(t *testing.T) {
	d := demonstration(t, false, "a = −0.5", "h = 3", "k = 4.5", "f(x) = a(x − h)² + k", "g(x) = (2x + 1)/(x − 3)", "w(x) = 3sin(2x) + 1", "j(x) = x² for x < 0; 2x + 1 for x ≥ 0", "s(x) = 2floor(x)", "u(x) = (x + 3)(|x| + x)")
	s := lines(t, d, "s")
	assert.Equal(t, `{[0,\;1)}`, s[document.Zeros])
	assert.Equal(t, `\{\ldots,\;\allowbreak -2,\;\allowbreak 0,\;\allowbreak 2,\;\allowbreak \ldots\}`, s[document.Range])
	assert.Equal(t, `{(-\infty,\;0]}`, lines(t, d, "u")[document.Zeros])
	f := lines(t, d, "f")
	assert.Equal(t, `(-\infty,\;\infty)`, f[document.Domain])
	assert.Equal(t, `(-\infty,\;4.5]`, f[document.Range])
	assert.Equal(t, `{(3,\;4.5)}`, f[document.Maxima])
	assert.Equal(t, `{x=0},\;\allowbreak {x=6}`, f[document.Zeros])
	g := lines(t, d, "g")
	assert.Equal(t, `(-\infty,\;3)\cup (3,\;\infty)`, g[document.Domain])
	assert.Equal(t, `{x=3}`, g[document.VerticalAsymptotes])
	assert.Equal(t, `{y=2}`, g[document.LevelAsymptotes])
	w := lines(t, d, "w")
	assert.Equal(t, `\pi\approx 3.142`, w[document.Period])
	assert.Equal(t, `3`, w[document.Amplitude])
	assert.Equal(t, `y=1`, w[document.CentreLine])
	assert.Equal(t, `{(\frac{\pi}{4}+k\cdot \pi,\;4)}`, w[document.Maxima])
	assert.Equal(t, `{x=0\colon 0\to 1}`, lines(t, d, "j")[document.Jumps])
}

// What goes on is told by one period, or by its first numbers.
func TestWhatGoesOnIsWrittenShort(t *testing.T) {
	d := demonstration(t, false, "f(x) = x + tan x", "g(x) = √(3/2 − x) sec x", "h(x) = tan(x)/x", "s(x) = floor(√x)", "t(x) = floor(−x²)", "u(x) = floor(4/(1 + x²))", "v(x) = 2 for x < 0; 3 for 0 ≤ x < 1; x for x ≥ 4")
	assert.Equal(t, `(-\frac{\pi}{2},\;\frac{\pi}{2})\text{, every }\pi`, lines(t, d, "f")[document.Domain])
	assert.Equal(t, `(-\infty,\;\frac{3}{2}]\cap (-\frac{\pi}{2},\;\frac{\pi}{2})\text{, every }\pi`, lines(t, d, "g")[document.Domain])
	assert.Equal(t, `\left((-\infty,\;0)\cup (0,\;\infty)\right)\cap (-\frac{\pi}{2},\;\frac{\pi}{2})\text{, every }\pi`, lines(t, d, "h")[document.Domain])
	assert.Equal(t, `\{0,\;\allowbreak 1,\;\allowbreak 2,\;\allowbreak \ldots\}`, lines(t, d, "s")[document.Range])
	assert.Equal(t, `\{\ldots,\;\allowbreak -2,\;\allowbreak -1,\;\allowbreak 0\}`, lines(t, d, "t")[document.Range])
	assert.Equal(t, `\{0,\;\allowbreak 1,\;\allowbreak 2,\;\allowbreak 3,\;\allowbreak 4\}`, lines(t, d, "u")[document.Range])
	assert.Equal(t, `\{2,\;\allowbreak 3\}\cup [4,\;\infty)`, lines(t, d, "v")[document.Range])
}

// As tables of trigonometric functions list them (DLMF 4.14 to 4.17): sin x is 0 at kπ, cos x at π/2 + kπ.
func TestPlacesOfAPeriodThatLieEvenlyAreOne(t *testing.T) {
	d := demonstration(t, false, "s(x) = sin x", "c(x) = cos 2x", "t(x) = tan x", "u(x) = csc x", "v(x) = sin x + sin 2x", "w(x) = x − floor(x)", "y(x) = cos x")
	s := lines(t, d, "s")
	assert.Equal(t, `{x=k\cdot \pi}`, s[document.Zeros])
	assert.Equal(t, `{(k\cdot \pi,\;0)}`, s[document.Inflections])
	assert.Equal(t, `{(\frac{\pi}{2}+k\cdot 2 \pi,\;1)}`, s[document.Maxima])
	assert.Equal(t, `{x=\frac{\pi}{4}+k\cdot \frac{\pi}{2}}`, lines(t, d, "c")[document.Zeros])
	assert.Equal(t, `{x=\frac{\pi}{2}+k\cdot \pi}`, lines(t, d, "t")[document.VerticalAsymptotes])
	assert.Equal(t, `{x=k\cdot \pi}`, lines(t, d, "u")[document.VerticalAsymptotes])
	assert.Equal(t, `{(k\cdot 2 \pi,\;1)}`, lines(t, d, "y")[document.Maxima])
	v := lines(t, d, "v")[document.Zeros]
	assert.Equal(t, 3, strings.Count(v, `+k\cdot 2 \pi`), "0, 2π/3, π and 4π/3 do not lie evenly: %s", v)
	assert.Contains(t, v, `{x=k\cdot 2 \pi}`)
	w := lines(t, d, "w")
	assert.Equal(t, `{x=k}`, w[document.Zeros])
	assert.Equal(t, `{x=k\colon 1\to 0}`, w[document.Jumps])
}

// Of many numbers or intervals the first and the last are told: ⌊x⌋ takes 7 values on [−3, 3], and x + 2 cos x falls where
// sin x > 1/2, in each turn once.
func TestOfALongListTheFirstAndTheLastAreTold(t *testing.T) {
	d := demonstration(t, false, "f(x) = 2⌊x⌋ for −3 ≤ x ≤ 3", "g(x) = x + 2cos(x) for 0 ≤ x ≤ 50")
	assert.Equal(t, `\{-6,\;\allowbreak -4,\;\allowbreak -2,\;\allowbreak \ldots,\;\allowbreak 6\}`, lines(t, d, "f")[document.Range])
	falls := lines(t, d, "g")[document.Decreasing]
	assert.Equal(t, 4, strings.Count(falls, `\cup`), falls)
	assert.Contains(t, falls, `\ldots`)
}

// A zero close to 0 is not 0: e^(−10) is 0.0000454 (Abramowitz & Stegun, table 4.4).
func TestSmallPlacesKeepTheirDigits(t *testing.T) {
	d := demonstration(t, false, "f(x) = ln x + 10", "g(x) = e^x − 1.00012 − x²", "h(x) = x² + 10^5 x − 3")
	assert.Contains(t, lines(t, d, "f")[document.Zeros], `\approx 0.000045`)
	assert.Contains(t, lines(t, d, "g")[document.Zeros], `{x\approx 0.00012}`)
	assert.Contains(t, lines(t, d, "h")[document.Zeros], `\approx 0.00003`)
	// cos x = x at 0.739… (OEIS A003957), and √2·10^(−12) is none either.
	d = demonstration(t, false, "f(x) = 10^12 x − cos(10^12 x)", "g(x) = x² − 2·10^(−24)")
	assert.Contains(t, lines(t, d, "f")[document.Zeros], `\approx 7.39·10⁻¹³`)
	assert.Contains(t, lines(t, d, "g")[document.Zeros], `\approx 1.41·10⁻¹²`)
	assert.Equal(t, `[−2·10⁻²⁴,\;\infty)`, lines(t, d, "g")[document.Range])
}

// On a phone a line breaks between intervals, and between a point's exact numbers and its decimals; not after the sign ≈.
func TestALineBreaksWhereItCanBeRead(t *testing.T) {
	d := demonstration(t, false, "f(x) = ∛(x³ + x + 1)")
	assert.Contains(t, lines(t, d, "f")[document.ConcaveUp], `{(-\frac{3}{2}-\frac{\sqrt{93}}{6},\;\approx −0.6823)}\cup `)
	inflections := lines(t, d, "f")[document.Inflections]
	assert.Contains(t, inflections, `)}\;\allowbreak {\approx (−3.107,\;`)
	assert.Contains(t, inflections, `{(\approx −0.6823,\;0)}`)
}

func TestFindingsFollowTheDials(t *testing.T) {
	d := demonstration(t, false, "h = 3", "f(x) = (x − h)²")
	assert.Equal(t, "{x=3}", lines(t, d, "f")[document.Zeros])
	d.Set(0, -1.5)
	d.Update()
	assert.Equal(t, "{x=-1.5}", lines(t, d, "f")[document.Zeros])
}

func panel(d *evaluate.Demonstration) *document.Panel { return &d.Document.Panels[0] }

func sees(p document.Panel, x, y float64) bool {
	w := p.Window
	return x > w.Left && x < w.Right && y > w.Bottom && y < w.Top
}

// The places are zeros, turning points, asymptotes and ends that anyone can work out (common practice).
func TestFitShowsWhatIsInteresting(t *testing.T) {
	for text, places := range map[string][][2]float64{
		"f(x) = x³ − 9x":                   {{-3, 0}, {3, 0}, {-math.Sqrt(3), 6 * math.Sqrt(3)}, {math.Sqrt(3), -6 * math.Sqrt(3)}},
		"f(x) = (x − 100)² + 50":           {{100, 50}, {101, 51}},
		"f(x) = 1000 − 0.1x²":              {{-100, 0}, {100, 0}, {0, 1000}},
		"f(x) = 0.001(x − 0.02)(x − 0.05)": {{0.02, 0}, {0.05, 0}},
		"f(x) = 800/(1 + 39e^(−0.3x))":     {{math.Log(39) / 0.3, 400}, {0, 20}},
		"f(x) = 3sin(2x) + 20":             {{math.Pi / 4, 23}, {-math.Pi / 4, 17}},
		"f(x) = √(x − 7)":                  {{7.1, 0.3}},
		"f(x) = 1/(x − 40) + 12":           {{41, 13}, {39, 11}},
		"f(x) = e^x":                       {{0, 1}},
		"f(x) = 5":                         {{0, 5}},
	} {
		d := demonstration(t, false, text)
		fitted := study.Fit(d, panel(d), 900, 500)
		for _, place := range places {
			assert.True(t, sees(fitted, place[0], place[1]), "%s: %v in %+v", text, place, fitted.Window)
		}
		v := sample.View{Left: fitted.Window.Left, Right: fitted.Window.Right, Bottom: fitted.Window.Bottom, Top: fitted.Window.Top, Width: 900, Height: 500}
		assert.Nil(t, study.Advise(d, &fitted, v), "what was fitted needs no advice: %s", text)
	}
}

func TestFitShowsManyCurvesAndPointsTogether(t *testing.T) {
	d := demonstration(t, false, "f(x) = (x − 8)²", "g(x) = −(x + 8)²")
	d.Document.Shown = append(d.Document.Shown, document.Entry{ID: "q", Body: &point.Body{Name: "Q", X: "0", Y: "9"}})
	d = evaluate.Load(d.Document, d)
	fitted := study.Fit(d, panel(d), 900, 500)
	for _, place := range [][2]float64{{8, 0}, {-8, 0}, {0, 9}} {
		assert.True(t, sees(fitted, place[0], place[1]), "%v in %+v", place, fitted.Window)
	}
}

func TestAWindowThatShowsNothingIsPointedOut(t *testing.T) {
	d := demonstration(t, false, "f(x) = x² + 500")
	a := study.Advise(d, panel(d), sample.View{Left: -6, Right: 6, Bottom: -3, Top: 3, Width: 900, Height: 450})
	require.NotNil(t, a)
	assert.Equal(t, "empty", a.Code)
	assert.True(t, sees(*a.Mends[0].Panel, 0, 500))
}

func TestAWaveInTheWrongAngleUnitIsPointedOut(t *testing.T) {
	small := sample.View{Left: -6, Right: 6, Bottom: -3, Top: 3, Width: 900, Height: 450}
	d := demonstration(t, true, "f(x) = sin x")
	a := study.Advise(d, panel(d), small)
	require.NotNil(t, a, "in degrees a sine looks flat from −6 to 6")
	assert.Equal(t, "unit", a.Code)
	assert.Contains(t, a.Message, "360")
	assert.True(t, sees(*a.Mends[0].Panel, 90, 1) && sees(*a.Mends[0].Panel, -90, -1))
	assert.Equal(t, document.Radian, a.Mends[1].AngleUnit)

	d = demonstration(t, false, "f(x) = sin x")
	assert.Nil(t, study.Advise(d, panel(d), small))
	wide := sample.View{Left: -360, Right: 360, Bottom: -3, Top: 3, Width: 900, Height: 450}
	a = study.Advise(d, panel(d), wide)
	require.NotNil(t, a)
	assert.Equal(t, document.Degree, a.Mends[1].AngleUnit)
}

func TestAReadingIsExactWithItsDecimal(t *testing.T) {
	d := demonstration(t, false, "a = 2", "f(x) = a sin x", "g(x) = 1/(x − 3)", "u(x) = √(x − 2)", "v(x) = tan x", "w(x) = √(3 − x²)", "l(x) = ln(x² − 3)",
		"s(x) = floor(x²)")
	for _, c := range []struct{ function, at, latex string }{
		{"f", "π/2", `f(\frac{\pi}{2})=2`}, {"f", "π/3", `f(\frac{\pi}{3})=\sqrt{3}\approx 1.732`}, {"f", "1", `f(1)=2\,\sin(1)\approx 1.683`},
		{"g", "5", `g(5)=\frac{1}{2}=0.5`}, {"u", "10", `u(10)=2 \sqrt{2}\approx 2.828`},
		// At √3 a float64 is a little off, and decides nothing.
		{"w", "√3", `w(\sqrt{3})=0`}, {"s", "√3", `s(\sqrt{3})=3`},
	} {
		r, err := study.ReadTyped(d, d.Function(c.function), c.at)
		require.NoError(t, err, c.at)
		assert.Equal(t, c.latex, r.LaTeX)
		assert.Equal(t, c.function, r.Function)
	}
	for function, at := range map[string]string{"g": "3", "u": "0", "v": "π/2"} {
		r, err := study.ReadTyped(d, d.Function(function), at)
		require.NoError(t, err)
		assert.True(t, math.IsNaN(r.Y), "%s(%s)", function, at)
		assert.NotEmpty(t, r.Reason, "%s(%s)", function, at)
		assert.Contains(t, r.LaTeX, "undefined")
	}
	r, err := study.ReadTyped(d, d.Function("l"), "√3")
	require.NoError(t, err)
	assert.Contains(t, r.Reason, "logarithm")
	_, err = study.ReadTyped(d, d.Function("f"), "q")
	assert.Error(t, err, "a letter without a value")
}

func TestATouchSnapsToSpecialPoints(t *testing.T) {
	d := demonstration(t, false, "f(x) = x² − 2", "w(x) = sin x")
	v := sample.View{Left: -6, Right: 6, Bottom: -3, Top: 3, Width: 1200, Height: 600}
	for _, c := range []struct {
		x, y    float64
		special document.Finding
		text    string
	}{
		{1.45, 0.05, document.Zeros, "sqrt(2)"}, {0.04, -1.93, document.Minima, "0"}, {-math.Pi/2 + 0.05, -0.97, document.Minima, "-pi/2"},
		{3*math.Pi/2 - 0.03, -1.02, document.Minima, "3 pi/2"},
	} {
		r, err := study.ReadAt(d, panel(d), v, c.x, c.y)
		require.NoError(t, err)
		require.NotNil(t, r)
		assert.Equal(t, c.special, r.Special)
		assert.Equal(t, c.text, r.XText)
	}
	short := demonstration(t, false, "s(x) = sin(10^5 x)")
	r, err := study.ReadAt(short, panel(short), sample.View{Left: -6e5, Right: 6e5, Bottom: -3, Top: 3, Width: 1200, Height: 600}, 3e5, 0.99)
	require.NoError(t, err, "of 20 thousand million turns in the window only those close by are looked at")
	require.NotNil(t, r)
	assert.Equal(t, document.Maxima, r.Special)
	r, err = study.ReadAt(d, panel(d), v, 1.9, 1.65)
	require.NoError(t, err)
	assert.Equal(t, "1.9", r.XText, "elsewhere the place is a short number")
	r, err = study.ReadAt(d, panel(d), v, 5, -2.9)
	require.NoError(t, err)
	assert.Nil(t, r, "no curve is near")
}

// Right equations of one graph look different: cos(x − π/2) = sin x, 3 sin(2x − π/3) = −3 sin(2x + 2π/3), tan x has the
// period π (common practice).
func TestEquationsOfTheSameGraphAreRecognised(t *testing.T) {
	d := demonstration(t, false, "f(x) = 3 sin(2x − π/3)", "g(x) = −3 sin(2x + 2π/3)", "h(x) = 3 cos(2(x − 5π/12))", "u(x) = 3 sin(2x)")
	assert.Equal(t, []string{"g", "h"}, study.SameGraph(d, d.Function("f")))
	assert.Empty(t, study.SameGraph(d, d.Function("u")))
	d = demonstration(t, false, "f(x) = tan x", "g(t) = tan(t + π)", "h(x) = sin x/cos x")
	assert.Equal(t, []string{"g", "h"}, study.SameGraph(d, d.Function("f")), "whatever the variable is called")
	d = demonstration(t, false, "f(x) = (x² − 1)/(x − 1)", "g(x) = x + 1", "h(x) = (x + 1)²/(x + 1)")
	assert.Empty(t, study.SameGraph(d, d.Function("g")), "a hole is a difference")
}

// A tangent's curve is read off by its centre and the points a quarter period beside it: 1 + 2tan(x/2) lies at (π/2, 3)
// (common practice: its factor above the centre line).
func TestATangentIsReadOffAtItsQuarterPoints(t *testing.T) {
	d := demonstration(t, false, "f(x) = 1 + 2tan(x/2)")
	v := sample.View{Left: -6, Right: 6, Bottom: -4, Top: 4, Width: 1200, Height: 800}
	for _, at := range [][2]float64{{1.52, 2.97}, {1.52 - 2*math.Pi, 3}} {
		r, err := study.ReadAt(d, &d.Document.Panels[0], v, at[0], at[1])
		require.NoError(t, err)
		require.NotNil(t, r)
		assert.Equal(t, document.QuarterPoints, r.Special)
		assert.InDelta(t, 3, r.Y, 1e-12)
	}
	r, err := study.ReadAt(d, &d.Document.Panels[0], v, 0.05, 1.04)
	require.NoError(t, err)
	assert.NotEqual(t, document.QuarterPoints, r.Special, "its centre is an inflection")
}

// cos 2x = 1 − 2 sin² x (DLMF 4.21.27); x²/x has a gap that x has not.
func TestTwoFunctionsAreComparedInWords(t *testing.T) {
	for _, c := range []struct{ f, g, want string }{
		{"2x − 1", "1 + 2(x − 1)", "f and g are the same: their difference simplifies to 0."},
		{"x²", "x² + 1", "f and g are not the same: at x = "},
		{"x²/x", "x", "f and g are the same wherever both have a value, but"},
	} {
		d := demonstration(t, false, "f(x) = "+c.f, "g(x) = "+c.g)
		words, err := study.Compared(d, d.Function("f"), d.Function("g"))
		require.NoError(t, err)
		assert.Contains(t, words, c.want)
	}
	d := demonstration(t, false, "f(x) = cos(2x)", "g(x) = 1 − 2 sin(x)²")
	words, err := study.Compared(d, d.Function("f"), d.Function("g"))
	require.NoError(t, err)
	assert.NotContains(t, words, "not the same")
}
