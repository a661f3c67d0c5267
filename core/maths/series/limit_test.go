package series_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
	"parvix/core/maths/series"
)

// unbounded lets the tests' series grow as they need.
var unbounded *series.Effort

func parse(t *testing.T, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err)
	return f.Node
}

func words(b series.Behaviour) string {
	switch b.Kind {
	case series.Rising:
		return "inf"
	case series.Falling:
		return "-inf"
	case series.Restless:
		return "restless"
	case series.Finite:
		return expr.Text(b.Limit.Node())
	}
	return "unknown"
}

func TestLimitsFarOut(t *testing.T) {
	for _, c := range []struct{ text, left, right string }{
		{"(2x^2+3)/(x^2-1)", "2", "2"},
		{"x^3-5x", "-inf", "inf"},
		{"x^2 e^(-x)", "inf", "0"},
		{"sqrt(x^2+x)-x", "inf", "1/2"},
		{"(1+1/x)^x", "e", "e"},
		{"arctan(x)", "-pi/2", "pi/2"},
		{"12/(1+3e^(-2x))", "0", "12"},
		{"sin(x)/x", "0", "0"},
		{"sin(x)", "restless", "restless"},
		{"x + sin x", "-inf", "inf"},
		{"tanh(3x)", "-1", "1"},
		{"ln(x)/x", "unknown", "0"},
		{"x^3/e^x", "-inf", "0"},
		{"2^x/3^x", "inf", "0"},
		{"|x|/x", "-1", "1"},
		{"x ln(1+1/x)", "1", "1"},
		{"(e^x-e^-x)/(e^x+e^-x)", "-1", "1"},
		{"x^(1/x)", "unknown", "1"},
	} {
		assert.Equal(t, c.left, words(unbounded.FarOut(parse(t, c.text), "x", -1, -1e6)), c.text)
		assert.Equal(t, c.right, words(unbounded.FarOut(parse(t, c.text), "x", 1, 1e6)), c.text)
	}
}

func TestLimitsAtAPlace(t *testing.T) {
	for _, c := range []struct{ text, at, left, right string }{
		{"sin(x)/x", "0", "1", "1"},
		{"(x^2-4)/(x-2)", "2", "4", "4"},
		{"1/x", "0", "-inf", "inf"},
		{"1/x^2", "0", "inf", "inf"},
		{"(1-cos x)/x^2", "0", "1/2", "1/2"},
		{"tan x", "pi/2", "inf", "-inf"},
		{"x ln x", "0", "unknown", "0"},
		{"e^(1/x)", "0", "0", "inf"},
		{"arctan(1/x)", "0", "-pi/2", "pi/2"},
		{"sin(1/x)", "0", "restless", "restless"},
		{"x sin(1/x)", "0", "0", "0"},
		{"|x-1|/(x-1)", "1", "-1", "1"},
		{"floor(x)", "3", "2", "3"},
		{"(sqrt(x+4)-2)/x", "0", "1/4", "1/4"},
		{"(tan x - x)/x^3", "0", "1/3", "1/3"},
		{"arcsin(x)", "1", "pi/2", "unknown"},
		{"(x^2-3)/(x-sqrt 3)", "sqrt 3", "2 sqrt(3)", "2 sqrt(3)"},
		{"sin(x)/(x-pi)", "pi", "-1", "-1"},
	} {
		p := exact.Of(parse(t, c.at))
		assert.Equal(t, c.left, words(unbounded.Near(parse(t, c.text), "x", p, -1, p.Float()-1e-3)), c.text)
		assert.Equal(t, c.right, words(unbounded.Near(parse(t, c.text), "x", p, 1, p.Float()+1e-3)), c.text)
	}
}

func TestSlantedLines(t *testing.T) {
	for _, c := range []struct {
		text string
		side int
		m, b string
	}{
		{"(x^2+1)/(x-1)", 1, "1", "1"},
		{"sqrt(x^2+2x)", -1, "-1", "-1"},
		{"sqrt(4x^2+x)", 1, "2", "1/4"},
		{"2x-3+e^(-x)", 1, "2", "-3"},
		{"x + arctan x", -1, "1", "-pi/2"},
		{"(x^3-x)/(2x^2+1)", 1, "1/2", "0"},
		// By the series of DLMF 4.19, 4.24 and 4.6: sin u = u − u³/6 + …, arctan u, arcsin u, ln(1 + u) with u = 1/x.
		{"x^2 sin(1/x)", 1, "1", "0"},
		{"x^2 tan(1/x)", -1, "1", "0"},
		{"x^2 ln(1+1/x)", 1, "1", "-1/2"},
		{"(x^2+1) arctan(1/x)", 1, "1", "0"},
		{"x^3 (1-cos(1/x))", 1, "1/2", "0"},
		{"arcsin((1-x)/(4-x^2)) (10x^2-2x+9)", -1, "10", "-12"},
		{"(x+1) arctan x", -1, "-pi/2", "-pi/2 - 1"},
		{"x^6 sin(1/x)/(x^4+1)", 1, "1", "0"},
	} {
		b := unbounded.FarOut(parse(t, c.text), "x", c.side, float64(c.side)*1e6)
		require.True(t, b.HasLine, c.text)
		assert.Equal(t, c.m, expr.Text(b.Slope.Node()), c.text)
		assert.Equal(t, c.b, expr.Text(b.Lift.Node()), c.text)
	}
	assert.False(t, unbounded.FarOut(parse(t, "x+sin x"), "x", 1, 1e6).HasLine)
	assert.False(t, unbounded.FarOut(parse(t, "x+ln x"), "x", 1, 1e6).HasLine)
	assert.False(t, unbounded.FarOut(parse(t, "x^2"), "x", 1, 1e6).HasLine)
	for _, text := range []string{"x^3 sin(1/x)", "x^2 e^(1/x)", "x + sqrt(x)"} {
		b := unbounded.FarOut(parse(t, text), "x", 1, 1e6)
		assert.False(t, b.HasLine || b.LineUnknown, "%s surely nears no line", text)
	}
}

// Next to a place a piecewise function is its piece there, the greater of two functions the one that is greater there, and a
// step its level; far out likewise (worked by hand).
func TestLimitsOfPiecesStepsAndExtremes(t *testing.T) {
	for _, c := range []struct{ text, at, left, right string }{
		{"x + 2 for x < 1; 5 - x^2 for x >= 1", "1", "3", "4"},
		{"1/x for x < 0; x for x >= 0", "0", "-inf", "0"},
		{"sin(x)/x for x < 0; 1/x for x > 0", "0", "1", "inf"},
		{"max(x, x^2)", "0", "0", "0"},
		{"max(x, x^2)/x", "0", "0", "1"},
		{"min(x, x^2)/x", "0", "1", "0"},
		{"max(1, x, x^2)/x", "1", "1", "1"},
		{"(max(x, 1) - 1)/(x - 1)", "1", "0", "1"},
		{"min(1/x, 5)", "0", "-inf", "5"},
		{"ceil(x)", "3", "3", "4"},
		{"floor(-x^2)", "0", "-1", "-1"},
		{"floor(cos(x))", "0", "0", "0"},
		{"floor(x/2 + 1/3)", "1", "0", "0"},
		{"sgn(x^3)", "0", "-1", "1"},
		{"sgn(1 - cos(x))", "0", "1", "1"},
	} {
		p := exact.Of(parse(t, c.at))
		assert.Equal(t, c.left, words(unbounded.Near(parse(t, c.text), "x", p, -1, p.Float()-1e-3)), c.text)
		assert.Equal(t, c.right, words(unbounded.Near(parse(t, c.text), "x", p, 1, p.Float()+1e-3)), c.text)
	}
	for _, c := range []struct{ text, left, right string }{
		{"x^2 for x < 0; 3 - 1/x for x >= 0", "inf", "3"},
		{"max(x, -2x)", "inf", "inf"},
		{"max(e^x, 1/x)", "0", "inf"},
		{"min(arctan(x), 1)", "-pi/2", "1"},
		{"floor(5/2 + 1/x)", "2", "2"},
		{"floor(2 + 1/x)", "1", "2"},
		{"ceil(2 + 1/x)", "2", "3"},
	} {
		assert.Equal(t, c.left, words(unbounded.FarOut(parse(t, c.text), "x", -1, -1e6)), c.text)
		assert.Equal(t, c.right, words(unbounded.FarOut(parse(t, c.text), "x", 1, 1e6)), c.text)
	}
}
