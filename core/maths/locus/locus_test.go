package locus_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/locus"
	"parvix/core/numeric/program"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, (&expr.Scope{}).With("x"))
	require.NoError(t, err, text)
	return f.Node
}

func equation(p locus.Path) string {
	switch {
	case p.Equation != nil:
		return "y = " + expr.Text(p.Equation)
	case p.Upright != nil:
		return "x = " + expr.Text(p.Upright)
	}
	return ""
}

// The vertex of a·x² + b·x + c, as b varies, runs on y = c − a·x² (common practice); the others are exercises of
// calculus books on curves of extrema (“Ortskurven”), worked by hand: f′(x) = 0 solved for the parameter, put into f.
func TestThePathOfAFeatureHasAnEquation(t *testing.T) {
	for _, c := range []struct {
		text, of string
		feature  locus.Feature
		want     string
	}{
		{"a x^2 + b x + c", "b", locus.Vertex, "c - a x^2"},
		{"2x^2 + b x + 1", "b", locus.Vertex, "1 - 2x^2"},
		{"x^2 - 2p x + 3", "p", locus.Vertex, "3 - x^2"},
		{"x^3 - p x", "p", locus.Extrema, "-2x^3"},
		{"x^3 - 3p x^2", "p", locus.Inflections, "-2x^3"},
		{"x^3 + p x^2", "p", locus.Extrema, "-x^3/2"},
		{"x e^(-k x)", "k", locus.Maxima, "x/e"},
		{"x e^(-k x)", "k", locus.Inflections, "x/e^2"},
		{"a(x - h)^2 + k", "h", locus.Vertex, "k"},
		{"x + p/x", "p", locus.Extrema, "2x"},
		{"L/(1 + e^(-k(x - c)))", "c", locus.Inflections, "L/2"},
		{"x^4 - 2p x^2", "p", locus.Extrema, "-x^4"},
	} {
		got := locus.Of(parse(t, c.text), "x", c.of, c.feature)
		require.NotNil(t, got.Equation, "%s, %s of %s", c.text, c.feature, c.of)
		difference := symbolic.Simplify(expr.Minus(got.Equation, parse(t, c.want))).Node
		assert.Equal(t, "0", expr.Text(difference), "%s: %s instead of y = %s", c.text, equation(got), c.want)
	}
	assert.Equal(t, "x = h", equation(locus.Of(parse(t, "a(x - h)^2 + k"), "x", "k", locus.Vertex)))
	assert.True(t, locus.Of(parse(t, "a(x - h)^2 + k"), "x", "a", locus.Vertex).Stays)
	assert.True(t, locus.Of(parse(t, "a x + b"), "x", "a", locus.Vertex).None)
}

// An equation and the places that are found value by value agree.
func TestThePointsOfALocusLieOnItsEquation(t *testing.T) {
	for text, feature := range map[string]locus.Feature{"2x^2 + p x + 1": locus.Vertex, "x^3 - p x": locus.Extrema, "x e^(-p x)": locus.Maxima,
		"x^3 - 3p x^2 + 1": locus.Inflections, "x + p/x": locus.Minima, "(x - p)^2 + p^2": locus.Minima} {
		n := parse(t, text)
		path := locus.Of(n, "x", "p", feature)
		require.NotNil(t, path.Equation, text)
		y, err := program.CompilePoint(path.Equation, []string{"x"})
		require.NoError(t, err)
		points := locus.Points(n, "x", "p", feature, []float64{-3, -1.5, -0.5, 0.5, 1, 2, 4})
		require.NotEmpty(t, points, text)
		for _, p := range points {
			assert.InDelta(t, y([]float64{p.X}), p.Y, 1e-9*(1+math.Abs(p.Y)), "%s at %v", text, p.Value)
		}
	}
}

func TestWhatStaysAndWhereThePictureDegenerates(t *testing.T) {
	for _, c := range []struct{ text, of, fixed, degenerate string }{
		{"a x^2 + b x + c", "a", "(0, c)", "0: line"},
		{"a x^2 + b x + c", "b", "(0, c)", ""},
		{"a(x - h)^2 + k", "a", "(h, k)", "0: level line"},
		{"a^x", "a", "(0, 1)", "1: level line"},
		{"m x + b", "m", "(0, b)", "0: level line"},
		{"L/(1 + e^(-k(x - c)))", "k", "(c, L/2)", "0: level line"},
		{"a sin(x)", "a", "(0, 0)", "0: level line"},
		{"a sin(b x)", "b", "(0, 0)", "0: level line"},
		{"x^3 + p x", "p", "(0, 0)", ""},
		{"a x^3 + b x^2 + 1", "a", "(0, 1)", "0: quadratic"},
		{"2^x + k", "k", "", ""},
		{"ln(x)/ln(a)", "a", "(1, 0)", ""},
	} {
		e := locus.EffectOf(parse(t, c.text), "x", c.of)
		fixed, degenerate := "", ""
		for _, p := range e.Fixed {
			if c.text == "a sin(x)" {
				assert.InDelta(t, math.Pi, exact.Float(p.Every), 1e-15)
			}
			fixed += " (" + expr.Text(p.X) + ", " + expr.Text(p.Y) + ")"
		}
		for _, d := range e.Degenerate {
			degenerate += " " + expr.Text(d.Value) + ": " + d.Kind
		}
		want := func(s string) string {
			if s == "" {
				return ""
			}
			return " " + s
		}
		assert.Equal(t, want(c.fixed), fixed, "what stays of %s as %s varies", c.text, c.of)
		assert.Equal(t, want(c.degenerate), degenerate, "%s as %s varies", c.text, c.of)
	}
}

func TestAsymptotesGoAlong(t *testing.T) {
	moves := map[locus.Feature]string{}
	for _, m := range locus.EffectOf(parse(t, "1/(x - h) + k"), "x", "h").Moves {
		moves[m.Feature] = equation(m.Path)
	}
	assert.Equal(t, "x = h", moves[locus.VerticalAsymptote])
	for _, m := range locus.EffectOf(parse(t, "2^x + k"), "x", "k").Moves {
		moves[m.Feature] = equation(m.Path)
	}
	assert.Equal(t, "y = k", moves[locus.HorizontalAsymptote])
}

// Exercises on intersections of families, worked by hand: f(x) = g(x) solved for the parameter and put into f.
func TestThePathOfAnIntersection(t *testing.T) {
	for _, c := range []struct{ f, g, of, want string }{
		{"x^2 + p", "p x", "p", "y = x^3/(x - 1)"},
		{"p/x", "p + x", "p", "y = x/(1 - x)"},
		{"p x^2", "x + p", "p", "y = x^3/(x^2 - 1)"},
		{"p e^x", "x", "p", "y = x"},
		{"x^2", "p x", "p", "y = x^2"},
		{"x + p", "p - x", "p", "x = 0"},
	} {
		got := locus.Crossing(parse(t, c.f), parse(t, c.g), "x", c.of)
		require.True(t, got.HasEquation(), "%s with %s", c.f, c.g)
		if got.Upright != nil {
			assert.Equal(t, c.want, equation(got), "%s with %s", c.f, c.g)
			continue
		}
		above, _, _ := symbolic.Together(expr.Minus(got.Equation, parse(t, c.want[len("y = "):])))
		assert.Equal(t, "0", expr.Text(above), "%s with %s: %s instead of %s", c.f, c.g, equation(got), c.want)
	}
	assert.True(t, locus.Crossing(parse(t, "x^2"), parse(t, "2x"), "x", "p").Stays, "neither is moved")
	assert.True(t, locus.Crossing(parse(t, "x + p"), parse(t, "x - p"), "x", "p").None, "parallel lines")
}

// Where the condition cannot be solved for the parameter its places are told; where neither can, they are bracketed: with
// y = sin(x + p) + p x the slope cos(x + p) + p is 0 at x = arccos(−p) − p + 2kπ or −arccos(−p) − p + 2kπ.
func TestAPathWithoutAnEquationIsFollowed(t *testing.T) {
	n := parse(t, "x^3/3 - p^4 x + sin(p)")
	path := locus.Of(n, "x", "p", locus.Extrema)
	assert.False(t, path.HasEquation())
	require.NotNil(t, path.Condition)
	require.Len(t, path.Places, 2, "x = ±p²")
	for _, p := range locus.Points(n, "x", "p", locus.Minima, []float64{0.5, 1, 2}) {
		assert.InDelta(t, p.Value*p.Value, p.X, 1e-12)
		assert.InDelta(t, -2*math.Pow(p.Value, 6)/3+math.Sin(p.Value), p.Y, 1e-9)
	}
	bracketed := locus.Points(parse(t, "sin(x + p) + p x + e^(-x^2)/1000000"), "x", "p", locus.Maxima, []float64{0.3, 0.7})
	require.NotEmpty(t, bracketed)
	for _, p := range bracketed {
		nearest := math.Inf(1)
		for k := -4.0; k <= 4; k++ {
			nearest = min(nearest, math.Abs(math.Acos(-p.Value)-p.Value+2*k*math.Pi-p.X))
		}
		assert.Less(t, nearest, 1e-5, "a maximum at %v for p = %v", p.X, p.Value)
	}
	assert.Len(t, bracketed, 6, "two numbers, three maxima each between −10 and 10")
}

// A condition that changes its sign through a pole is not 0 there.
func TestAPoleIsNoPlaceOfAPath(t *testing.T) {
	point := func(text string) program.Point {
		f, err := program.CompilePoint(parse(t, text), []string{"x", "p"})
		require.NoError(t, err)
		return f
	}
	found := locus.Follow(point("x"), point("1/(x - p)"), make([]float64, 2), 1, []float64{0.1, 1.3}, -5, 5)
	assert.Empty(t, found)
	found = locus.Follow(point("x^2"), point("x - p"), make([]float64, 2), 1, []float64{0.1, 1.3}, -5, 5)
	require.Len(t, found, 2)
	assert.InDelta(t, 1.3, found[1].X, 1e-12)
	assert.InDelta(t, 1.69, found[1].Y, 1e-12)
}
