package breaks_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

func find(t *testing.T, text string, from, to float64, in ...float64) []breaks.Place {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err)
	places, complete := breaks.New(symbolic.Radians(f.Node, false), []string{"x", "a"}).Find(from, to, append([]float64{0}, in...))
	require.True(t, complete, text)
	return places
}

// A variable hides a parameter of the same letter, as in programs: the dial θ turns the ray of r(θ) and is not the angle.
func TestAVariableHidesAParameterOfItsName(t *testing.T) {
	f, err := expr.Parse("1/(x − 1)", nil)
	require.NoError(t, err)
	for _, dial := range []float64{1, 2} {
		places, complete := breaks.New(f.Node, []string{"x", "x"}).Find(0, 3, []float64{0, dial})
		require.True(t, complete)
		assert.Equal(t, []breaks.Place{{X: 1, Kind: breaks.Undefined}}, places)
		value, _ := breaks.EncloseAt(f.Node, []string{"x", "x"})(interval.Point(3), []float64{0, dial})
		assert.True(t, value.Has(0.5))
	}
}

// Left of 0 the root has no value, nor has a multiple of it or what that stands in: nothing is looked for there, and the search
// comes to its end.
func TestWhatHasNoValueHasNoPlaces(t *testing.T) {
	assert.Equal(t, []breaks.Place{{X: 0, Kind: breaks.Edge}}, find(t, "√(1.5√x + x/2 + 2)", -6, 6, 0))
	for _, text := range []string{"3√x + 2", "1/√x", "(√x)²", "sin(√x)", "√x^x", "x − √x", "−√x", "max(1, √x)", "min(√x, 1)", "cosh(ln x)", "log_x(3)", "arccos(√x)", "|√x|", "arcsec(ln x)", "0·√x"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		value, _ := breaks.Enclose(f.Node, "x")(interval.I{Lo: -2, Hi: -1})
		assert.True(t, value.IsEmpty(), "%s: %v", text, value)
	}
}

// Beside 1 cot(x)e^(x²) takes multiples of π that no two float64 tell apart: the search says so and ends.
func TestMultiplesThatRoundingHidesAreNotCounted(t *testing.T) {
	for _, text := range []string{"tan(10^17 x)", "cot(10^20 x)", "cot(cot(x)/e^(−x²))", "floor(10^18 x)"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		_, complete := breaks.New(f.Node, []string{"x"}).Find(-5, 5, []float64{0})
		assert.False(t, complete, text)
	}
}

// Places as every calculus textbook derives them (common practice).
func TestCriticalPlacesAreFoundWithTheirKind(t *testing.T) {
	for text, want := range map[string][]breaks.Place{
		"1/(x² − 4)":                {{-2, breaks.Undefined}, {2, breaks.Undefined}},
		"ln(x − 1)":                 {{1, breaks.Edge}},
		"√(9 − x²)":                 {{-3, breaks.Edge}, {3, breaks.Edge}},
		"|x + 1|":                   {{-1, breaks.Corner}},
		"sgn(x)":                    {{0, breaks.Jump}},
		"1/(x² + 1)":                {},
		"1/(x² + 10^−9)":            {},
		"1/(x³ − 3x + 2)":           {{-2, breaks.Undefined}, {1, breaks.Undefined}}, // a double zero at 1
		"x^(2/3)":                   {{0, breaks.Corner}},
		"x^−3":                      {{0, breaks.Undefined}},
		"arcsin(x/2)":               {{-2, breaks.Edge}, {2, breaks.Edge}},
		"1/ln x":                    {{0, breaks.Edge}, {1, breaks.Undefined}},
		"x² for x < 1; 2 for x ≥ 1": {{1, breaks.Jump}},
	} {
		got := find(t, text, -5, 5, 0)
		if !assert.Len(t, got, len(want), "%s: %v", text, got) {
			continue
		}
		for i := range want {
			assert.InDelta(t, want[i].X, got[i].X, 1e-9, text)
			assert.Equal(t, want[i].Kind, got[i].Kind, "%s at %v", text, want[i].X)
		}
	}
}

func TestAllPolesOfAFastTangentAreFound(t *testing.T) {
	got := find(t, "tan(50x)", -6, 6, 0)
	first := math.Ceil((-6*50 - math.Pi/2) / math.Pi)
	last := math.Floor((6*50 - math.Pi/2) / math.Pi)
	require.Len(t, got, int(last-first)+1)
	for i, p := range got {
		assert.InDelta(t, (math.Pi/2+(first+float64(i))*math.Pi)/50, p.X, 1e-12)
	}
}

func TestAPlaceFollowsAParameter(t *testing.T) {
	for a := -4.0; a <= 4; a += 0.37 {
		got := find(t, "1/(x − a)", -5, 5, a)
		require.Len(t, got, 1)
		assert.InDelta(t, a, got[0].X, 1e-14)
	}
}

func TestMoreBreaksThanCanBeListedAreAdmitted(t *testing.T) {
	f, err := expr.Parse("tan(10^5 x)", nil)
	require.NoError(t, err)
	_, complete := breaks.New(symbolic.Radians(f.Node, false), []string{"x"}).Find(-6, 6, []float64{0})
	assert.False(t, complete)
}

// sin³ x, x³ and x³·cos x cross the axis at a zero of order three (the order of a product is the sum of the orders).
func TestFlatZerosOfOddOrderAreFound(t *testing.T) {
	for text, want := range map[string][]float64{"sin(x)^3": {0, math.Pi}, "x^3 cos(x)": {-math.Pi / 2, 0, math.Pi / 2, 3 * math.Pi / 2},
		"sin(x) sin(sin(x)^2)": {0, math.Pi}, "(x − 1)^5": {1}, "(x − 1/3)^3 (x^2 + 1)": {1.0 / 3}} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		budget := breaks.Budget{Left: 1e6, Over: 1e6}
		got, complete := breaks.Zeros(f.Node, "x", -2.0015, 4.936, &budget)
		assert.True(t, complete, text)
		assert.InDeltaSlice(t, want, got, 1e-7, text)
	}
}

func zerosOf(t *testing.T, text string, from, to float64) ([]float64, bool) {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err)
	return breaks.Zeros(f.Node, "x", from, to, &breaks.Budget{Left: 1e6, Over: 1e6})
}

// Between values of hundreds of powers of ten a false position stays beside one end: halving must help it on. Each zero is
// known otherwise.
func TestZerosOfSteepFormulasAreFound(t *testing.T) {
	for _, c := range []struct {
		text     string
		from, to float64
		want     float64
	}{
		{"sinh(x³ − 1)", -8, 8, 1},
		{"e^(x²·x) − 2", -9, 6, math.Cbrt(math.Ln2)},
		{"sinh(50x) − 3", -10, 10, math.Asinh(3) / 50},
		{"x^61 − 5", -20, 30, math.Pow(5, 1.0/61)},
		{"1 − 10^(100x − 70)", -2, 3, 0.7},
	} {
		zeros, complete := zerosOf(t, c.text, c.from, c.to)
		assert.True(t, complete, c.text)
		if assert.Len(t, zeros, 1, c.text) {
			assert.InDelta(t, c.want, zeros[0], 1e-12, c.text)
		}
	}
}

// A zero without a change of sign is found wherever it lies in the interval, also at 0, which has no digits of its own.
func TestDoubleZerosAreFoundWhereverTheyLie(t *testing.T) {
	for _, to := range []float64{1, 0.7, 3, 10, 0.001} {
		zeros, complete := zerosOf(t, "x² cosh(x)", -10, to)
		assert.True(t, complete)
		assert.Equal(t, []float64{0}, zeros, "from −10 to %v", to)
	}
	zeros, complete := zerosOf(t, "(x − 1/3)² e^x", -1, 2)
	assert.True(t, complete)
	require.Len(t, zeros, 1)
	assert.InDelta(t, 1.0/3, zeros[0], 1e-9)
}

func TestZerosThatCrowdAreAdmitted(t *testing.T) {
	for _, text := range []string{"sin(1/x)", "sin(ln(x))", "sin(pi ln(x)/ln(2))", "cos(ln(x)/3)"} {
		_, complete := zerosOf(t, text, 0, 2)
		assert.False(t, complete, text)
	}
	for _, text := range []string{"x ln(x) + 1/10", "sqrt(x) − x", "x^(1/10) − 1/2"} {
		_, complete := zerosOf(t, text, 0, 2)
		assert.True(t, complete, text)
	}
}

// The fundamental property of interval arithmetic (Moore, Kearfott, Cloud 2009, section 2.2), for formulas of every kind: no
// value and no difference quotient lies outside the bounds.
func TestAnEnclosureHoldsAllValuesAndSlopes(t *testing.T) {
	random := rand.New(rand.NewPCG(5, 19))
	for _, text := range []string{
		"sum(x^k/k for k from 1 to 5)", "sum(sin(k x) for k from 0 to 3)", "root_4(x² + 1)", "root_5(x)", "root_3(x − 2)", "cbrt(x)", "x^(3/5)", "x^(−2/3)", "2^x", "x^x",
		"x² for x < 1; 2 − x for x ≥ 1", "|x − 1| + sgn(x)", "max(x, sin x)", "min(e^x, 2)", "floor(2x)", "ceil(x/3)", "tan(x/4)", "cot(x + 5)", "sec(x/9)", "csc(x + 5)",
		"arcsin(x/7)", "arccos(x/7)", "arctan(3x)", "arccot(x)", "sinh(x)", "cosh(x)", "tanh(x)", "arsinh(x)", "arcosh(x + 9)", "artanh(x/7)", "ln(x + 7)", "log(x + 7)",
		"log_3(x + 7)", "1/(x² + 1)", "√(x + 7)", "e^(−x²)", "x sin(1/x)",
	} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		n := symbolic.Radians(f.Node, false)
		value, err := program.CompilePoint(n, []string{"x"})
		require.NoError(t, err, text)
		enclose := breaks.Enclose(n, "x")
		for range 300 {
			a := 12*random.Float64() - 6
			over := interval.I{Lo: a, Hi: a + math.Pow(10, -3*random.Float64())*3}
			v, slope := enclose(over)
			last := math.NaN()
			for k := range 9 {
				x := over.Lo + (over.Hi-over.Lo)*float64(k)/8
				y := value([]float64{x})
				if y != y {
					last = y
					continue
				}
				require.True(t, v.Has(y), "%s is %v at %v, outside %v over %v", text, y, x, v, over)
				if d := (y - last) / ((over.Hi - over.Lo) / 8); d == d {
					slack := 1e-9 * (1 + math.Abs(y)) / (over.Hi - over.Lo)
					require.True(t, d >= slope.Lo-slack && d <= slope.Hi+slack, "%s changes by %v beside %v, outside %v over %v", text, d, x, slope, over)
				}
				last = y
			}
		}
	}
}

// Sums and roots break where their parts do (common practice).
func TestSumsAndRootsBreakWhereTheirPartsDo(t *testing.T) {
	for text, want := range map[string][]breaks.Place{
		"sum(1/(x − k) for k from 1 to 3)": {{1, breaks.Undefined}, {2, breaks.Undefined}, {3, breaks.Undefined}},
		"root_4(x − 1)":                    {{1, breaks.Edge}},
		"1/root_3(x + 2)":                  {{-2, breaks.Undefined}},
	} {
		got := find(t, text, -5, 5, 0)
		if assert.Len(t, got, len(want), "%s: %v", text, got) {
			for i := range want {
				assert.InDelta(t, want[i].X, got[i].X, 1e-9, text)
				assert.Equal(t, want[i].Kind, got[i].Kind, text)
			}
		}
	}
}
