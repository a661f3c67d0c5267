package trajectory_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/trajectory"
)

const (
	pi     = math.Pi
	untold = -1.0 // not told by the handbooks in a closed form, or without end
)

// catalogued is a curve with what handbooks tell of it: the smallest interval on which it closes (0 for never), the interval looked at, the
// axes of its symmetry (“x”, “y”, “o” for the origin), the area ½∮(x dy − y dx) or ½∫r² dθ, its length, its cusps, the places that it runs
// through more than once, its asymptotes and its name.
type catalogued struct {
	curve            string
	closes, from, to float64
	symmetry         string
	area, length     float64
	cusps, doubles   int
	asymptotes       []trajectory.Asymptote
	kind             string
}

// From J. D. Lawrence, A Catalog of Special Plane Curves, and Bronstein, Taschenbuch der Mathematik, section on plane curves (formulas from
// memory; ellipses' perimeters by complete elliptic integrals, as in DLMF 19.30).
var catalogue = []catalogued{
	{"2", 2 * pi, 0, 2 * pi, "xyo", 4 * pi, 4 * pi, 0, 0, nil, "a circle"},
	{"2cos(t)", pi, 0, pi, "x", pi, 2 * pi, 0, 0, nil, "a circle through the pole"},
	{"3sin(t)", pi, 0, pi, "y", 9 * pi / 4, 3 * pi, 0, 0, nil, "a circle through the pole"},
	{"sin(t)+cos(t)", pi, 0, pi, "", pi / 2, math.Sqrt2 * pi, 0, 0, nil, "a circle through the pole"},
	{"1+cos(t)", 2 * pi, 0, 2 * pi, "x", 3 * pi / 2, 8, 1, 0, nil, "a cardioid"},
	{"2(1-sin(t))", 2 * pi, 0, 2 * pi, "y", 6 * pi, 16, 1, 0, nil, "a cardioid"},
	{"1+2cos(t)", 2 * pi, 0, 2 * pi, "x", 3 * pi, untold, 0, 1, nil, "a limaçon with an inner loop"},
	{"2-3sin(t)", 2 * pi, 0, 2 * pi, "y", 17 * pi / 2, untold, 0, 1, nil, "a limaçon with an inner loop"},
	{"3+2cos(t)", 2 * pi, 0, 2 * pi, "x", 11 * pi, untold, 0, 0, nil, "a limaçon with a dimple"},
	{"3+cos(t)", 2 * pi, 0, 2 * pi, "x", 19 * pi / 2, untold, 0, 0, nil, "a limaçon"},
	{"cos(2t)", 2 * pi, 0, 2 * pi, "xyo", pi / 2, 9.688448220547675, 0, 1, nil, "a rose of 4 petals"},
	{"3sin(2t)", 2 * pi, 0, 2 * pi, "xyo", 9 * pi / 2, 3 * 9.688448220547675, 0, 1, nil, "a rose of 4 petals"},
	{"sin(3t)", pi, 0, pi, "y", pi / 4, 6.682446610277629, 0, 1, nil, "a rose of 3 petals"},
	{"2cos(5t)", pi, 0, pi, "x", pi, untold, 0, 1, nil, "a rose of 5 petals"},
	{"√(4cos(2t))", 2 * pi, 0, 2 * pi, "xyo", 4, 2 * 5.244115108584239, 0, 1, nil, "a lemniscate"},
	{"√(sin(2t))", 2 * pi, 0, 2 * pi, "o", 1, 5.244115108584239, 0, 1, nil, "a lemniscate"},
	{"t", 0, 0, 2 * pi, "", 8 * pi * pi * pi / 6, (2*pi*math.Sqrt(1+4*pi*pi) + math.Asinh(2*pi)) / 2, 0, 0, nil, "a spiral of Archimedes"},
	{"e^(t/4)", 0, 0, 2 * pi, "", math.Exp(pi) - 1, math.Sqrt(17) * (math.Exp(pi/2) - 1), 0, 0, nil, "a logarithmic spiral"},
	{"√t", 0, 0, 2 * pi, "", pi * pi, untold, 0, 0, nil, ""},
	{"1/t", 0, 0, 2 * pi, "", untold, untold, 0, 0, []trajectory.Asymptote{{Direction: 0, Distance: 1}}, "a hyperbolic spiral"},
	{"1/cos(t)", pi, -1.5, 1.5, "x", untold, untold, 0, 0, nil, "a line"},
	{"2/(1+cos(t))", 2 * pi, -3, 3, "x", untold, untold, 0, 0, nil, "a parabola with its focus in the pole"},
	{"2/(1+0.5cos(t))", 2 * pi, 0, 2 * pi, "x", pi * 8 / 3 * 2 / math.Sqrt(0.75), 4 * 8 / 3.0 * 1.467462209339427, 0, 0, nil, "an ellipse with a focus in the pole"},
	// p = 2, e = 3/2: the centre is (p e/(e² − 1), 0) = (12/5, 0), the slopes are ±√(e² − 1).
	{"2/(1+1.5cos(t))", 2 * pi, 0, 2 * pi, "x", untold, untold, 0, 0, hyperbola(12.0/5, math.Sqrt(1.25)), "a hyperbola with a focus in the pole"},
	{"2sin(t)^2/cos(t)", pi, 0, pi, "x", untold, untold, 1, 0, []trajectory.Asymptote{{Direction: pi / 2, Distance: -2}}, ""},
	{"-cos(2t)/cos(t)", pi, 0, pi, "x", untold, untold, 0, 1, []trajectory.Asymptote{{Direction: pi / 2, Distance: -1}}, ""},
	{"4cos(t)-1/cos(t)", pi, 0, pi, "x", untold, untold, 0, 1, []trajectory.Asymptote{{Direction: pi / 2, Distance: 1}}, ""},
	{"2+1/cos(t)", 2 * pi, 0, 2 * pi, "x", untold, untold, 0, 1, []trajectory.Asymptote{{Direction: pi / 2, Distance: -1}}, ""},
	{"cos(t)/sin(t)", 2 * pi, 0.001 - 1, 2*pi - 0.999, "xyo", untold, untold, 0, 0, []trajectory.Asymptote{{Direction: 0, Distance: -1}, {Direction: 0, Distance: 1}}, ""},
	{"cos(t/3)^3", 3 * pi, 0, 3 * pi, "x", 15 * pi / 32, 3 * pi / 2, 0, 1, nil, ""},
	{"(cos(t)^3, sin(t)^3)", 2 * pi, 0, 2 * pi, "xyo", 3 * pi / 8, 6, 4, 0, nil, "an astroid"},
	{"(2cos(t)+cos(2t), 2sin(t)-sin(2t))", 2 * pi, 0, 2 * pi, "x", 2 * pi, 16, 3, 0, nil, "a deltoid"},
	{"(3cos(t)-cos(3t), 3sin(t)-sin(3t))", 2 * pi, 0, 2 * pi, "xyo", 12 * pi, 24, 2, 0, nil, "a nephroid"},
	{"(2cos(t)-cos(2t), 2sin(t)-sin(2t))", 2 * pi, 0, 2 * pi, "x", 6 * pi, 16, 1, 0, nil, "a cardioid"},
	{"(4cos(t)-cos(4t), 4sin(t)-sin(4t))", 2 * pi, 0, 2 * pi, "x", 20 * pi, 32, 3, 0, nil, "an epicycloid with 3 cusps"},
	{"(4cos(t)+cos(4t), 4sin(t)-sin(4t))", 2 * pi, 0, 2 * pi, "x", 12 * pi, 32, 5, 0, nil, "a hypocycloid with 5 cusps"},
	{"(t-sin(t), 1-cos(t))", 0, 0, 2 * pi, "", 3 * pi, 8, 0, 0, nil, "a cycloid"},
	{"(t-sin(t), 1-cos(t))", 0, -pi, pi, "y", untold, 8, 1, 0, nil, "a cycloid"},
	{"(cos(t)+t sin(t), sin(t)-t cos(t))", 0, 0, 2 * pi, "", untold, 2 * pi * pi, 0, 0, nil, ""},
	{"(3cos(t), 2sin(t))", 2 * pi, 0, 2 * pi, "xyo", 6 * pi, 15.865439589290589, 0, 0, nil, "an ellipse"},
	{"(sin(2t), sin(3t))", 2 * pi, 0, 2 * pi, "xyo", untold, untold, 0, 7, nil, "a Lissajous curve"},
	{"(sin(t), sin(2t))", 2 * pi, 0, 2 * pi, "xyo", untold, untold, 0, 1, nil, "a Lissajous curve"},
	{"(cos(t), sin(t) cos(t))", 2 * pi, 0, 2 * pi, "xyo", untold, untold, 0, 1, nil, "a Lissajous curve"},
	{"(1+sin(t), cos(t)(1+sin(t)))", 2 * pi, 0, 2 * pi, "x", pi, untold, 1, 0, nil, ""},
	{"(t^2, t^3)", 0, -2, 2, "x", untold, 2 * (math.Pow(40, 1.5) - 8) / 27, 1, 0, nil, "a cuspidal cubic"},
	{"(t, t^2)", 0, -1, 1, "y", untold, math.Sqrt(5) + math.Asinh(2)/2, 0, 0, nil, "a parabola"},
	{"(t, (e^t+e^(-t))/2)", 0, -1, 1, "y", untold, 2 * math.Sinh(1), 0, 0, nil, ""},
	{"(3t/(1+t^3), 3t^2/(1+t^3))", 0, -8, 8, "", untold, untold, 0, 0, []trajectory.Asymptote{{Direction: -pi / 4, Distance: -math.Sqrt2 / 2}}, ""},
}

// hyperbola gives both asymptotes through a centre on the x-axis.
func hyperbola(centre, slope float64) []trajectory.Asymptote {
	d := math.Atan(slope)
	return []trajectory.Asymptote{{Direction: d, Distance: -centre * math.Sin(d)}, {Direction: -d, Distance: centre * math.Sin(d)}}
}

func curveOf(t *testing.T, text string) *trajectory.Curve {
	t.Helper()
	parse := func(text string) expr.Node {
		f, err := expr.Parse(text, (&expr.Scope{}).With("t"))
		require.NoError(t, err, text)
		return f.Node
	}
	if x, y, pair := cutPair(text); pair {
		c, err := trajectory.Parametric(parse(x), parse(y), nil, "t")
		require.NoError(t, err)
		return c
	}
	c, err := trajectory.Polar(parse(text), "t")
	require.NoError(t, err)
	return c
}

func TestCurvesOfTheHandbooks(t *testing.T) {
	assert.GreaterOrEqual(t, len(catalogue), 40)
	for _, want := range catalogue {
		about := fmt.Sprintf("%s from %.3g to %.3g", want.curve, want.from, want.to)
		c := curveOf(t, want.curve)
		closing, closes := c.Closing()
		assert.Equal(t, want.closes != 0, closes, "%s closes", about)
		if closes && want.closes != 0 {
			assert.InDelta(t, want.closes, closing.Float(), 1e-12, "%s closes after", about)
		}
		s := c.SymmetriesOn(want.from, want.to)
		has := ""
		for k, is := range []bool{s.InX, s.InY, s.AtPole} {
			if is {
				has += "xyo"[k : k+1]
			}
		}
		assert.Equal(t, want.symmetry, has, "symmetries of %s", about)
		if want.area != untold {
			assert.InDelta(t, want.area, c.Area(want.from, want.to).Value, 1e-9*want.area, "area of %s", about)
		}
		if want.length != untold {
			assert.InDelta(t, want.length, c.Length(want.from, want.to).Value, 1e-9*want.length, "length of %s", about)
		}
		assert.Len(t, c.Cusps(want.from, want.to), want.cusps, "cusps of %s", about)
		assert.Len(t, c.SelfCrossings(want.from, want.to), want.doubles, "double points of %s", about)
		found := c.Asymptotes(want.from, want.to)
		if assert.Len(t, found, len(want.asymptotes), "asymptotes of %s: %v", about, found) {
			for _, a := range want.asymptotes {
				least := math.Inf(1)
				for _, b := range found {
					least = math.Min(least, math.Abs(a.Direction-b.Direction)+math.Abs(a.Distance-b.Distance))
				}
				assert.Less(t, least, 1e-5, "the asymptote %v of %s: %v", a, about, found)
			}
		}
		f, _ := c.WithoutParameter()
		assert.Equal(t, want.kind, f.Kind, "the name of %s", about)
		if f.Left != nil {
			for k := range 17 {
				x, y, _ := c.At(want.from + (want.to-want.from)*(float64(k)+0.37)/17)
				if math.IsNaN(x + y) {
					continue
				}
				left, right := valueOf(t, f.Left, x, y), valueOf(t, f.Right, x, y)
				assert.InDelta(t, left, right, 1e-9*math.Max(1, math.Abs(left)), "%s without its parameter: %s = %s at (%g, %g)", about, expr.Pretty(f.Left), expr.Pretty(f.Right), x, y)
			}
		}
	}
}

// Lissajous curves without their parameter: (sin t, sin 2t) is Y² = 4X²(1 − X²), the eight curve (Lawrence, from memory); those whose phase is
// no part of a turn have the product of both polynomials too. What a circle's point draws that rolls with its pen beside its rim has no cusps.
func TestLissajousAndRollingCurves(t *testing.T) {
	eight, _ := curveOf(t, "(sin(t), sin(2t))").WithoutParameter()
	for k := range 9 {
		x := float64(k)/4 - 1
		for _, sign := range []float64{-1, 1} {
			y := sign * 2 * x * math.Sqrt(1-x*x)
			assert.InDelta(t, valueOf(t, eight.Left, x, y), valueOf(t, eight.Right, x, y), 1e-12, "(%g, %g) lies on it", x, y)
		}
		assert.Greater(t, math.Abs(valueOf(t, eight.Left, x, 1.1)-valueOf(t, eight.Right, x, 1.1)), 0.01, "(%g, 1.1) does not", x)
	}
	for text, kind := range map[string]string{"(3cos(2t), 2sin(3t))": "a Lissajous curve", "(2sin(t), cos(2t))": "a Lissajous curve", "(cos(2t), cos(t))": "a Lissajous curve",
		"(cos(t), cos(2t+π/3))": "a Lissajous curve", "(3cos(t)+cos(2t), 3sin(t)-sin(2t))": "a hypotrochoid", "(3cos(t)+cos(2t), 3sin(t)+sin(2t))": "an epitrochoid",
		"(2t-sin(t), 2-cos(t))": "a trochoid", "(1-cos(t), t-sin(t))": "a cycloid", "(t+cos(2t), sin(t))": ""} {
		c := curveOf(t, text)
		f, _ := c.WithoutParameter()
		assert.Equal(t, kind, f.Kind, text)
		for k := 0; k < 12 && f.Left != nil; k++ {
			x, y, _ := c.At(0.1 + 0.5*float64(k))
			assert.InDelta(t, valueOf(t, f.Left, x, y), valueOf(t, f.Right, x, y), 1e-9, "%s: %s = %s", text, expr.Pretty(f.Left), expr.Pretty(f.Right))
		}
		assert.Equal(t, kind == "a Lissajous curve", f.Left != nil, text)
	}
}

// r = ep/(1 + e cos θ) has the directrix x = p, r = ep/(1 − e sin θ) y = −p (Bronstein, conics in polar coordinates); a circle has none.
func TestDirectrices(t *testing.T) {
	for text, want := range map[string][2]string{"2/(1+0.5cos(t))": {"x", "4"}, "2/(1+1.5cos(t))": {"x", "4/3"}, "3/(1-sin(t))": {"y", "−3"}, "2": {}, "1+cos(t)": {}, "1/cos(t)": {}} {
		left, right, ok := curveOf(t, text).Directrix()
		assert.Equal(t, want[0] != "", ok, text)
		if ok {
			assert.Equal(t, want, [2]string{expr.Pretty(left), expr.Pretty(right)}, text)
		}
	}
}

// The pole of 1 + 2cos θ is passed at θ = 2π/3 and 4π/3, with these tangents (common practice).
func TestTangentsInThePole(t *testing.T) {
	angles := curveOf(t, "1+2cos(t)").AtPole(0, 2*pi)
	require.Len(t, angles, 2)
	assert.InDelta(t, 2*pi/3, angles[0], 1e-12)
	assert.InDelta(t, 4*pi/3, angles[1], 1e-12)
	assert.Empty(t, curveOf(t, "2+cos(t)").AtPole(0, 2*pi))
}

// An ellipse (3cos t, 2sin t) has its greatest speed 3 at π/2 and 3π/2, its least 2 at 0, π and 2π; a circle is run through evenly.
func TestWhereAPointIsFastest(t *testing.T) {
	fastest, slowest := curveOf(t, "(3cos(t), 2sin(t))").Speeds(0, 2*pi)
	require.Len(t, fastest, 2)
	assert.InDelta(t, pi/2, fastest[0].T, 1e-7)
	assert.InDelta(t, 3, fastest[0].Value, 1e-12)
	require.Len(t, slowest, 3)
	assert.InDelta(t, 2, slowest[1].Value, 1e-12)
	fastest, _ = curveOf(t, "(cos(t), sin(t))").Speeds(0, 2*pi)
	assert.Empty(t, fastest)
}
