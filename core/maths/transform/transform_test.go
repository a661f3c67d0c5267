package transform_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, (&expr.Scope{}).With("x"))
	require.NoError(t, err, text)
	return f.Node
}

func recognise(t testing.TB, text string) transform.Recognised {
	t.Helper()
	r, reason := transform.Recognise(parse(t, text), "x", false)
	require.Empty(t, reason, text)
	return r
}

// lettersAt gives every letter but x a number without relation to the others.
func lettersAt(n expr.Node) map[string]float64 {
	values := map[string]float64{}
	for i, name := range expr.Names(n) {
		if name != "x" {
			values[name] = 0.73 + 0.41*float64(i)
		}
	}
	return values
}

func function(t testing.TB, n expr.Node, letters map[string]float64) func(x float64) float64 {
	t.Helper()
	inputs, in := []string{"x"}, []float64{0}
	for name, v := range letters {
		inputs, in = append(inputs, name), append(in, v)
	}
	f, err := program.CompilePoint(n, inputs)
	require.NoError(t, err)
	return func(x float64) float64 {
		in[0] = x
		return f(in)
	}
}

// affine evaluates a step's map.
func affine(t testing.TB, a transform.Affine, letters map[string]float64) func(v float64) float64 {
	t.Helper()
	factor, add := function(t, a.Factor, letters)(0), function(t, a.Add, letters)(0)
	return func(v float64) float64 { return factor*v + add }
}

// composes holds that the steps, taken one after the other from points of the parent's graph, end on the function's
// graph, and that each step's formula is the curve after it.
func composes(t testing.TB, text string, whole func(float64) float64, r transform.Reading, letters map[string]float64) {
	t.Helper()
	parent := function(t, r.Form.Parent.Of(&expr.Name{Name: "x"}), letters)
	steps := r.Steps("x")
	maps := make([][2]func(float64) float64, len(steps))
	formulas := make([]func(float64) float64, len(steps))
	for i, s := range steps {
		maps[i] = [2]func(float64) float64{affine(t, s.X, letters), affine(t, s.Y, letters)}
		formulas[i] = function(t, s.Formula, letters)
	}
	compared := 0
	for i := range 50 {
		x := (math.Mod(float64(i+1)*0.6180339887498949, 1) - 0.5) * math.Pow(1.13, float64(i%18)) * 1.9
		y := parent(x)
		if math.IsNaN(y) || math.Abs(y) > 1e6 {
			continue
		}
		for k := range steps {
			x, y = maps[k][0](x), maps[k][1](y)
			require.InDelta(t, y, formulas[k](x), 1e-7*(1+math.Abs(y)), "%s: after step %d, “%s”, the formula %s at %v", text, k+1, steps[k].Text(), expr.Text(steps[k].Formula), x)
		}
		require.InDelta(t, y, whole(x), 1e-7*(1+math.Abs(y)), "%s at %v, by %s", text, x, r.Why)
		compared++
	}
	require.Greater(t, compared, 8, text)
}

// forms are the parents of the trade, each moved, stretched and reflected in a dozen ways, and forms that hide the parent.
func forms() []string {
	var list []string
	parents := []string{"(%s)^2", "(%s)^3", "|%s|", "sqrt(%s)", "cbrt(%s)", "1/(%s)", "1/(%s)^2", "2^(%s)", "e^(%s)", "ln(%s)", "log_3(%s)",
		"sin(%s)", "cos(%s)", "tan(%s)", "cot(%s)", "sec(%s)", "csc(%s)", "1/(1 + e^(-(%s)))", "e^(-(%s)^2)", "sqrt(1 - (%s)^2)", "floor(%s)"}
	around := []string{"%s", "-%s", "3*%s - 2", "%s/2 + 1", "4 - %s", "-0.5*%s + 3/4", "a*%s + k", "-a*%s"}
	inside := []string{"x - 3", "2x", "-x", "3 - x", "2x + 5", "(x + 1)/2", "-2x + 6", "c - x", "b(x - h)"}
	for i, p := range parents {
		for k, o := range around {
			u := inside[(i*3+k*2)%len(inside)]
			if (i+k)%9 > 7 {
				continue
			}
			list = append(list, fmt.Sprintf(o, fmt.Sprintf(p, u)))
		}
	}
	return append(list, "x^2 + 8x + 11", "2x^2 - 12x + 7", "-x^2 + 6x - 9", "a x^2 + b x + c", "x^2/4 - x", "(x + 1)(x - 5)", "x(x + 2)", "(2x - 1)^2 + x",
		"x^3 - 6x^2 + 12x - 5", "-2x^3", "(x + 1)^3 - 4", "x^3 + 3x^2 + 3x", "(x + 2)/(x - 1)", "(3x - 4)/(2x + 6)", "x/(x + 1)", "1/(2x - 4) + 3",
		"5/(x^2 - 4x + 4)", "(x^2 + 1)/x^2", "2x - 7", "4 - x/3", "m x + b", "sqrt(6 - 2x)", "sqrt(9 - x^2)", "-sqrt(16 - (x - 1)^2) + 2", "sqrt(4x - x^2)", "2sqrt(5 + 4x - x^2)",
		"12/(1 + 3e^(-2x))", "L/(1 + e^(-k(x - c)))", "5/(2 + 4*3^x)", "1/(1 + 2^(-x))", "3e^(-(x - 1)^2/2)", "e^(-x^2 + 2x)", "2^(-x^2)", "e^(2x - 4)", "5*10^(x/3)", "4^(x/2)", "(1/2)^x - 3",
		"ln(3 - 2x)", "-ln(x + 4)", "log(100x)", "ln(x)/ln(2)", "sin(2x + π/2)", "3cos(πx/6 - 1) + 10", "sin(x) + cos(x)", "3sin(2x) - 4cos(2x) + 1", "sin(x)^2", "cos(x)^2", "sin(x) cos(x)",
		"|2x - 6| + 1", "3 - |x/2|", "|c - x|", "ceil(x)", "floor(2x - 1) + 3", "1/cos(2x)", "2/sin(x)", "1/tan(x)", "cbrt(8 - x)", "x^(1/3) + 1", "(x - 2)^(1/2)", "x^(-2)", "7x^-1")
}

func TestEveryStepMovesTheCurveToWhereItsFormulaSays(t *testing.T) {
	list := forms()
	require.Greater(t, len(list), 200)
	for _, text := range list {
		n := parse(t, text)
		r := recognise(t, text)
		letters := lettersAt(n)
		whole := function(t, n, letters)
		readings := r.Readings("x")
		for _, reading := range readings {
			if len(expr.Names(n)) > 1 {
				// Sentences about letters hold for positive ones, the formulas for all; a letter's value decides the sign.
				reading.Form = reading.Form.At(nil)
			}
			composes(t, text, whole, reading, letters)
		}
	}
}

// The formula with A, B, h and k in their places is the function itself, letter by letter.
func TestTheFormIsTheFunction(t *testing.T) {
	for _, text := range []string{"x^2 + 8x + 11", "a x^2 + b x + c", "-x^2 + 6x - 9", "(3x - 4)/(2x + 6)", "x^3 - 6x^2 + 12x - 5", "5/(x^2 - 4x + 4)",
		"a(x - h)^2 + k", "(x + 1)(x - 5)", "m x + b", "(x^2 + 1)/x^2"} {
		difference := expr.Minus(parse(t, text), recognise(t, text).Canonical.Node("x"))
		above, _, ok := symbolic.Together(difference)
		require.True(t, ok, text)
		expanded, _ := symbolic.Expand(above)
		assert.Equal(t, "0", expr.Text(symbolic.Simplify(expanded).Node), text)
	}
}

// Worked examples of the trade (common practice: “inside” changes look reversed, factors outside act as written).
func TestTheCanonicalReading(t *testing.T) {
	for _, c := range []struct{ text, parent, a, b, h, k string }{
		{"x^2 + 8x + 11", "x^2", "1", "1", "-4", "-5"},
		{"2x^2 - 12x + 7", "x^2", "2", "1", "3", "-11"},
		{"(x + 3)^2", "x^2", "1", "1", "-3", "0"},
		{"(3x)^2", "x^2", "9", "1", "0", "0"},
		{"sin(2x + π/2)", "sin(x)", "1", "2", "-pi/4", "0"},
		{"3cos(2(x - π/3)) - 1", "cos(x)", "3", "2", "pi/3", "-1"},
		{"sqrt(6 - 2x)", "sqrt(x)", "sqrt(2)", "-1", "3", "0"},
		{"sqrt(4x)", "sqrt(x)", "2", "1", "0", "0"},
		{"|c - x|", "abs(x)", "1", "1", "c", "0"},
		{"|2x - 6| + 1", "abs(x)", "2", "1", "3", "1"},
		{"a(x - h)^2 + k", "x^2", "a", "1", "h", "k"},
		{"(2x + 1)/(x - 3)", "1/x", "7", "1", "3", "2"},
		{"-1/(x + 2)^2 + 5", "1/x^2", "-1", "1", "-2", "5"},
		{"-2*3^(1 - x) + 4", "3^x", "-2", "-1", "1", "4"},
		{"2^(3x)", "8^x", "1", "1", "0", "0"},
		{"e^(x - 2) + 1", "e^x", "1", "1", "2", "1"},
		{"ln(2x)", "ln(x)", "1", "1", "0", "ln(2)"},
		{"-log(x + 5)", "log_10(x)", "-1", "1", "-5", "0"},
		{"12/(1 + 3e^(-2x))", "1/(1 + e^(-x))", "12", "2", "ln(3)/2", "0"},
		{"sqrt(9 - x^2)", "sqrt(1 - x^2)", "3", "1/3", "0", "0"},
		{"-(x - 1)^3 + 2", "x^3", "-1", "1", "1", "2"},
		{"cbrt(8x)", "cbrt(x)", "2", "1", "0", "0"},
		{"floor(x) + 2", "floor(x)", "1", "1", "0", "2"},
		{"sin(-x)", "sin(x)", "-1", "1", "0", "0"},
		{"cos(-x + 1)", "cos(x)", "1", "1", "1", "0"},
		{"2x - 7", "x", "2", "1", "0", "-7"},
	} {
		f := recognise(t, c.text).Canonical
		got := []string{expr.Text(f.Parent.Of(&expr.Name{Name: "x"})), expr.Text(f.A), expr.Text(f.B), expr.Text(f.H), expr.Text(f.K)}
		assert.Equal(t, []string{c.parent, c.a, c.b, c.h, c.k}, got, c.text)
	}
}

func texts(r transform.Reading) (list []string) {
	for _, s := range r.Steps("x") {
		list = append(list, s.Text())
	}
	return list
}

// “Left c, then reflected” is “reflected, then right c”; both are offered, each with its reason (common practice).
func TestTheOtherRightOrdersAreOffered(t *testing.T) {
	offered := map[string]string{}
	for _, r := range recognise(t, "|c - x|").Readings("x") {
		offered[fmt.Sprint(texts(r))] = r.Why
	}
	assert.Contains(t, offered, "[Shift c to the right.]")
	reflect := "Reflect in the y-axis: every x changes its sign."
	assert.NotEmpty(t, offered["["+reflect+" Shift c to the right.]"])
	assert.NotEmpty(t, offered["[Shift c to the left. "+reflect+"]"])

	offered = map[string]string{}
	for _, r := range recognise(t, "9x^2").Readings("x") {
		offered[fmt.Sprint(texts(r))] = r.Why
	}
	assert.Contains(t, offered, "[Stretch vertically by the factor 9: every y is multiplied by 9.]")
	assert.Contains(t, offered["[Shrink horizontally by the factor 1/3: every x is multiplied by 1/3.]"], "p(3·x) = 9·p(x)")
}

func TestWhatHasNoSingleParentSaysWhy(t *testing.T) {
	for text, word := range map[string]string{"x^3 + x": "linear part", "x^4": "powers above", "sin(x) + x": "several functions", "x sin(x)": "parents", "sin(x) + sin(2x)": "",
		"e^x + e^(-x)": "", "5": "constant", "x for x < 0; x^2 for x >= 0": "pieces", "|x| + |x - 1|": "several functions", "1/(x^2 + 1)": "", "(-2)^x": "", "sqrt(x^2 + 1)": "", "x^x": "", "ln(x^2 + 1)": ""} {
		_, reason := transform.Recognise(parse(t, text), "x", false)
		assert.NotEmpty(t, reason, text)
		assert.Contains(t, reason, word, text)
	}
}

func TestKeyPointsDomainRangeAndAsymptotesGoAlong(t *testing.T) {
	states := recognise(t, "-ln(x + 4) + 2").Readings("x")[0].States("x")
	last := states[len(states)-1]
	require.Len(t, last.Domain, 1)
	assert.Equal(t, "-4", expr.Text(last.Domain[0].Lo))
	assert.False(t, last.Domain[0].LoClosed)
	assert.Equal(t, "-4", expr.Text(last.Asymptotes.Upright[0]))
	// ln has (1, 0), which goes to (−3, 2).
	assert.Equal(t, "-3", expr.Text(last.Keys[1].X))
	assert.Equal(t, "2", expr.Text(last.Keys[1].Y))

	states = recognise(t, "5 - 2sqrt(3 - x)").Readings("x")[0].States("x")
	last = states[len(states)-1]
	assert.Nil(t, last.Domain[0].Lo)
	assert.Equal(t, "3", expr.Text(last.Domain[0].Hi))
	assert.True(t, last.Domain[0].HiClosed)
	assert.Nil(t, last.Range[0].Lo)
	assert.Equal(t, "5", expr.Text(last.Range[0].Hi))
	assert.Equal(t, "all x but those of the asymptotes", recognise(t, "tan(2x)").Readings("x")[0].States("x")[1].DomainWords)
}

func TestDegreesStayDegrees(t *testing.T) {
	r, reason := transform.Recognise(parse(t, "3sin(2x − 60) + 1"), "x", true)
	require.Empty(t, reason)
	assert.Equal(t, "30", expr.Text(r.Canonical.H))
	keys := r.Canonical.Parent.KeyPoints()
	assert.Equal(t, "360", expr.Text(keys[len(keys)-1].X))
}
