package program_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
)

func compile(t testing.TB, text string, inputs ...string) *program.Program {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	p, err := program.Compile(symbolic.Radians(f.Node, false), inputs)
	require.NoError(t, err, text)
	return p
}

// formulas use every operation; a and b are parameters.
var formulas = []string{
	"a x^2 + b x + 1", "3 sin(2x + a) - b", "e^(-x^2/2)", "1/(1 + e^(-a x))", "tan(x) + cot x", "sec(x) csc(x)",
	"|x - a|", "sqrt(x)", "cbrt x", "x^(1/3)", "x^(-2/3)", "x^0.2", "x^a", "2^x", "x^-3", "x^11", "ln x", "log_3(x)",
	"log x", "arcsin(x/9)", "arccos(x/9)", "arctan x", "arccot x", "arcsec x", "arccsc x", "sinh x", "cosh x", "tanh x",
	"coth x", "arsinh x", "arcosh x", "artanh(x/9)", "floor(x)", "ceil(x)", "sgn x", "min(x, a)", "max(x, a, b)",
	"root_5(x)", "root_4(x)", "x² for x < 0; 2x + 1 for 0 ≤ x < 3", "a", "x", "x sin(x) + x cos(x)", "(x + a)^2 (x + a)",
	"b - x", "a/x", "x/a", "a - b x", "sin(a) x", "exp(x) - exp x", "1/(1/x)", "a + x b", "a x + b", "x x + x",
}

func TestBlocksAgreeWithSinglePoints(t *testing.T) {
	var machine program.Machine
	xs := make([]float64, 1201) // more than two blocks
	for i := range xs {
		xs[i] = -9 + float64(i)*0.015
	}
	got := make([]float64, len(xs))
	for _, text := range formulas {
		p := compile(t, text, "x", "a", "b")
		in := []float64{0, 1.5, -0.75}
		machine.Run(p, got, xs, in)
		for i, x := range xs {
			in[0] = x
			want := p.At(in)
			if math.IsNaN(want) {
				require.True(t, math.IsNaN(got[i]), "%s at %v: %v, want undefined", text, x, got[i])
				continue
			}
			// The allowance grows near poles, where one unit in x moves the value by more.
			require.InDelta(t, want, got[i], 1e-14*math.Max(1, want*want), "%s at %v", text, x)
		}
	}
}

// Reference: Go's math, whose own tests hold it against Cephes and FreeBSD's msun tables to about one unit.
func TestKernelsStayWithinTheToleranceOfDrawing(t *testing.T) {
	var machine program.Machine
	for text, f := range map[string]func(float64) float64{
		"sin x": math.Sin, "cos x": math.Cos, "exp x": math.Exp, "ln x": number.Ln,
	} {
		p := compile(t, text, "x")
		var xs []float64
		for x := 1e-9; x < 1e9; x *= 1.003 {
			xs = append(xs, x, -x)
		}
		xs = append(xs, 0, math.Copysign(0, -1), 1e300, -1e300, 5e-324, 708.5, -745, 709.7, 1e6, -1e6)
		got := make([]float64, len(xs))
		machine.Run(p, got, xs, []float64{0})
		for i, x := range xs {
			want := f(x)
			if x <= 0 && text == "ln x" {
				want = math.NaN()
			}
			if math.IsNaN(want) || math.IsInf(want, 0) {
				assert.Equal(t, math.IsNaN(want), math.IsNaN(got[i]), "%s at %v", text, x)
				continue
			}
			assert.InDelta(t, want, got[i], 1e-15*math.Max(1, math.Abs(want)), "%s at %v", text, x)
		}
	}
}

func TestUndefinedInsideIsUndefinedOutside(t *testing.T) {
	for text, at := range map[string]float64{
		"1/(1/x)": 0, "arctan(1/x)": 0, "e^(-1/x)": 0, "0 ln x": 0, "√x²": -1, "(x^2 - 1)/(x - 1)": 1, "x^-2": 0,
		"0/x": 0, "artanh x": 1, "x^0.2": -1, "max(e^(1000x), √(−x))": 1, "1/min(ln(−x), −x^400)": 10,
	} {
		p := compile(t, text, "x")
		assert.True(t, math.IsNaN(p.At([]float64{at})), text)
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		one, err := program.CompilePoint(f.Node, []string{"x"})
		require.NoError(t, err)
		assert.True(t, math.IsNaN(one([]float64{at})), text)
	}
}

func TestALetterWithoutValueIsReportedAtItsPlace(t *testing.T) {
	f, err := expr.Parse("2x + c", nil)
	require.NoError(t, err)
	_, err = program.Compile(f.Node, []string{"x"})
	require.ErrorContains(t, err, "c has no value yet")
}

func TestRunningAllocatesNothing(t *testing.T) {
	var machine program.Machine
	p := compile(t, "a sin(b x) e^(-x/9) + |x|", "x", "a", "b")
	xs, out, in := make([]float64, 2000), make([]float64, 2000), []float64{0, 1, 2}
	assert.Zero(t, testing.AllocsPerRun(20, func() { machine.Run(p, out, xs, in) }))
}
