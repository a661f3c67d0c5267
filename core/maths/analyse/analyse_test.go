package analyse_test

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return f.Node
}

func findings(t testing.TB, text string, bounds analyse.Bounds) *analyse.Findings {
	t.Helper()
	f, err := analyse.Function(parse(t, text), "x", bounds)
	require.NoError(t, err, text)
	return f
}

// The values are checked in core/ask/question against a reference library; here is what findings say of themselves.

func TestEveryFindingSaysHowItWasFound(t *testing.T) {
	for _, text := range []string{"x³ − 3x", "x − cos x", "(x² − 1)/(x − 1)", "tan x", "x² + 1/x", "e^(−x²)", "|x| − 1"} {
		f := findings(t, text, analyse.Bounds{})
		for _, list := range [][]analyse.Point{f.Zeros, f.Maxima, f.Minima, f.Inflections, f.Holes} {
			for _, p := range list {
				assert.NotEmpty(t, p.How, "%s at %s", text, p.X.Text())
			}
		}
		for _, list := range [][]analyse.Line{f.Vertical, f.Horizontal, f.Slanted} {
			for _, l := range list {
				assert.NotEmpty(t, l.How, text)
			}
		}
		assert.NotEmpty(t, f.SymmetryHow)
	}
}

// cos x = x at 0.739085133215160641655…, the Dottie number (OEIS A003957).
func TestWhatHasNoClosedFormIsBracketedAndSaysSo(t *testing.T) {
	f := findings(t, "x − cos x", analyse.Bounds{})
	require.Len(t, f.Zeros, 1)
	assert.InDelta(t, 0.7390851332151607, f.Zeros[0].X.Value, 1e-12)
	assert.Nil(t, f.Zeros[0].X.Exact)
	assert.Equal(t, analyse.Bracketed, f.Zeros[0].How)
	assert.Equal(t, "≈0.739085", f.Zeros[0].X.Text())
}

func TestAnEndlessListIsListedInTheWindowAndSaysSo(t *testing.T) {
	f := findings(t, "x sin x", analyse.Bounds{Left: -7, Right: 7})
	require.Len(t, f.Zeros, 5)
	assert.Equal(t, "-2 pi", expr.Text(f.Zeros[0].X.Exact))
	assert.Contains(t, f.Undecided[0], "only listed from x = −7 to 7")
}

// (x sin x)′ is 0 where tan x = −x: 0, 2.02876, 4.91318 (Abramowitz & Stegun, table 4.19), and x + 2 cos x falls where
// sin x > 1/2. Where the list stops the function may go on as it does.
func TestWhatLeavesTheWindowIsToldAsFarAsTheWindow(t *testing.T) {
	f := findings(t, "x sin x", analyse.Bounds{Left: -7, Right: 7})
	assert.Equal(t, "(≈−4.91318, ≈−2.028758) ∪ (0, ≈2.028758) ∪ (≈4.91318, 7)", analyse.Intervals(f.Rising))
	assert.Equal(t, "(−7, ≈−4.91318) ∪ (≈−2.028758, 0) ∪ (≈2.028758, ≈4.91318)", analyse.Intervals(f.Falling))
	f = findings(t, "x + 2cos x", analyse.Bounds{})
	assert.Equal(t, "(−10, −19π/6) ∪ (−11π/6, −7π/6) ∪ (π/6, 5π/6) ∪ (13π/6, 17π/6)", analyse.Intervals(f.Falling))
	assert.Equal(t, "(−19π/6, −11π/6) ∪ (−7π/6, π/6) ∪ (5π/6, 13π/6) ∪ (17π/6, 10)", analyse.Intervals(f.Rising))
	assert.Equal(t, "(−10, −5π/2) ∪ (−3π/2, −π/2) ∪ (π/2, 3π/2) ∪ (5π/2, 10)", analyse.Intervals(f.ConcaveUp))
	f = findings(t, "√(x³ + 1) sin x/x", analyse.Bounds{Left: 2, Right: 3})
	assert.Equal(t, "(2, 3)", analyse.Intervals(f.Falling), "no turn in the window")
}

// By hand: ((x − a)/(x² + 1))″ is 0 where (3x − x³)/(1 − 3x²) = a, the tangent of three times an angle (DLMF 4.21.28): at
// tan((arctan a + kπ)/3).
func TestPolynomialWithRootsAsCoefficientsHasAllItsZeros(t *testing.T) {
	f := findings(t, "(x − 10√2)/(x² + 1)", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	require.Len(t, f.Inflections, 3)
	for k, p := range f.Inflections {
		assert.InEpsilon(t, math.Tan((math.Atan(10*math.Sqrt2)+float64(k-1)*math.Pi)/3), p.X.Value, 1e-11)
	}
	assert.True(t, math.IsInf(f.ConcaveUp[len(f.ConcaveUp)-1].Hi.Value, 1))
}

func TestWhatCouldNotBeDecidedIsSaidAndNotGuessed(t *testing.T) {
	f := findings(t, "sin(1/x)", analyse.Bounds{})
	assert.NotEmpty(t, f.Undecided)
	assert.Empty(t, f.Vertical)
	assert.Empty(t, f.Holes, "it swings endlessly at 0")
	assert.Equal(t, "[−1, 1]", analyse.Intervals(f.Range))
}

// Zeros of a higher order, where rounding hides the sign on a whole stretch.
func TestFlatZerosAreOne(t *testing.T) {
	for _, text := range []string{"(x − 1)^5", "(x − 1)^6", "x − sin x", "1 − cos x − x²/2", "(x² − 2x + 1)³"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Len(t, f.Zeros, 1, text)
	}
	for _, slope := range []string{"2", "3", "7", "1/3", "0.7"} {
		for n := 2; n <= 9; n++ {
			text := fmt.Sprintf("(%s x − 1)^%d", slope, n)
			f := findings(t, text, analyse.Bounds{})
			assert.Empty(t, f.Undecided, text)
			assert.Len(t, f.Zeros, 1, text)
			assert.Len(t, append(f.Maxima, f.Minima...), (n+1)%2, text)
			assert.Len(t, f.Inflections, map[bool]int{true: 1}[n%2 == 1], text)
		}
	}
}

func TestAnIntervalsEndsCount(t *testing.T) {
	lo, hi := exact.Int(-1), exact.Int(2)
	f := findings(t, "x²", analyse.Bounds{Lo: &lo, Hi: &hi, LoClosed: true, HiClosed: false})
	assert.Equal(t, "[−1, 2)", analyse.Intervals(f.Domain))
	assert.Equal(t, "[0, 4)", analyse.Intervals(f.Range))
	require.Len(t, f.Maxima, 1)
	assert.True(t, f.Maxima[0].End)
	assert.InDelta(t, -1, f.Maxima[0].X.Value, 0)
	assert.False(t, math.IsInf(f.Range[0].Hi.Value, 1))
}

// A step hides the number that it steps, not where that number exists; nor does the larger of two hide the smaller; and a
// flat zero under a root is an end.
func TestAFormulaHasAValueOnlyWhereItsPartsHaveOne(t *testing.T) {
	for text, domain := range map[string]string{
		"sgn(1/x)":                  "(−∞, 0) ∪ (0, ∞)",
		"floor(0 arcsin x)":         "[−1, 1]",
		"floor(1/2 + 0/(x − 2))":    "(−∞, 2) ∪ (2, ∞)",
		"ceil(sqrt(x)/sqrt(x))":     "(0, ∞)",
		"sgn(1 + sqrt(x − 1))":      "[1, ∞)",
		"max(x, 1/x)":               "(−∞, 0) ∪ (0, ∞)",
		"min(x², ln x)":             "(0, ∞)",
		"max(x, sqrt(x) − 9)":       "[0, ∞)",
		"min(1, 2 + arctan(ln x))":  "(0, ∞)",
		"floor(2/(3 + |x|) + 1/2)²": "(−∞, ∞)",
		"floor(sqrt(x))":            "[0, ∞)",
		"ceil(x) + ln x":            "(0, ∞)",
		"floor(1/x)":                "(−∞, 0) ∪ (0, ∞)",
		"sqrt(x − sin x)":           "[0, ∞)",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.DomainKnown, text)
		assert.Equal(t, domain, analyse.Intervals(f.Domain), text)
	}
}

// A root grows so steeply from its zero that an angle's last digit makes it look unlike 0: ∛(sin π) is computed as 5·10⁻⁶.
func TestARootInADenominatorIsZeroWhereItsNumberIs(t *testing.T) {
	for text, domain := range map[string]string{
		"1/cbrt(cos x)": "(−π/2, π/2) ∪ (π/2, 3π/2)", "sin(x)^(−2/3)": "(0, π)", "1/cbrt(x² − 2)": "(−∞, −√2) ∪ (−√2, √2) ∪ (√2, ∞)",
		"1/cbrt(x³ − x − 1)": "(−∞, ≈1.324718) ∪ (≈1.324718, ∞)", "cbrt(x³ − x − 1)": "(−∞, ∞)",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.DomainKnown, text)
		assert.Equal(t, domain, analyse.Intervals(f.Domain), text)
	}
	assert.Len(t, findings(t, "1/cbrt(cos x)", analyse.Bounds{}).Vertical, 2, "in one period")
}

// Beyond the last zero of its slope a formula only rises or falls: its value there and its limit tell whether it passes 0
// again, however far out (places by mpmath 1.3.0, findroot).
func TestZerosFarOutsideTheWindowAreFoundByTheSlope(t *testing.T) {
	for text, want := range map[string][]float64{
		"x − ln(1 + x²)":   {0},
		"ln x − x/1000":    {1.0010015026718856, 9118.006470402739},
		"arctan x − x/100": {-156.44042039811544, 0, 156.44042039811544},
		"√x − x/500":       {0, 250000},
		"arcosh x − x":     {},
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.Empty(t, f.Undecided, text)
		require.Len(t, f.Zeros, len(want), text)
		for i, x := range want {
			assert.InDelta(t, x, f.Zeros[i].X.Value, 1e-9*(1+math.Abs(x)), text)
		}
	}
}

// A constant written with functions is a constant, and has the gaps of these (Pythagorean and reciprocal identities).
func TestAConstantInDisguiseHasItsGapsOnly(t *testing.T) {
	for text, want := range map[string][2]string{
		"sin²x + cos²x": {"(−∞, ∞)", "{1}"}, "sin²(x)/2 + cos²(x)/2": {"(−∞, ∞)", "{1/2}"}, "sec²x − tan²x": {"(−π/2, π/2)", "{1}"},
		"tan x cot x": {"(−π/2, 0) ∪ (0, π/2)", "{1}"}, "cos x/cos x": {"(−π/2, π/2)", "{1}"}, "√(sin x) − √(sin x)": {"[0, π]", "{0}"},
		"√(2 + sin x)/√(2 + sin x)": {"(−∞, ∞)", "{1}"}, "arctan x + arctan(1/x)": {"(−∞, 0) ∪ (0, ∞)", "{−π/2, π/2}"},
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.Equal(t, want, [2]string{analyse.Intervals(f.Domain), analyse.Intervals(f.Range)}, text)
		assert.Empty(t, f.Undecided, text)
		assert.Empty(t, f.Horizontal, text)
		assert.Equal(t, strings.Contains(want[0], "π"), f.Period != nil, text)
	}
}

// A wave that quickens: every extremum has slope 0 and a bend, up to the last in the window, and every inflection the other
// way round.
func TestTheLastPlaceInTheWindowIsWhatItIs(t *testing.T) {
	for text, slope := range map[string]func(x float64) float64{
		"sin(x³)":     func(x float64) float64 { return 3 * x * x * math.Cos(x*x*x) },
		"cos(x²)":     func(x float64) float64 { return -2 * x * math.Sin(x*x) },
		"x + sin(x²)": func(x float64) float64 { return 1 + 2*x*math.Cos(x*x) },
	} {
		for _, window := range []float64{2.9, 3.1, 4.77, 6.3} {
			f := findings(t, text, analyse.Bounds{Left: -window, Right: window})
			require.NotEmpty(t, f.Maxima, text)
			for sign, list := range map[float64][]analyse.Point{1: f.Maxima, -1: f.Minima} {
				for _, p := range list {
					x := p.X.Value
					assert.InDelta(t, 0, slope(x), 1e-6*(1+math.Abs(x*x*x*x)), "%s at %v", text, x)
					assert.LessOrEqual(t, sign*(slope(x+1e-4)-slope(x-1e-4)), 1e-9, "%s bends at %v", text, x)
				}
			}
			for _, p := range f.Inflections {
				if x := p.X.Value; x != 0 {
					assert.Greater(t, math.Abs(slope(x)), 0.1, "%s at %v", text, x)
				}
			}
		}
	}
}

// A maximum of e^(e^9) is too high for a float64: the range is bounded, and where cannot be told. A window that shows a part
// of a period tells nothing of the rest.
func TestWhatCannotBeSeenIsNotClaimed(t *testing.T) {
	for _, text := range []string{"e^(e^(9 − x²))", "(e^6/√x)^x"} {
		f := findings(t, text, analyse.Bounds{})
		assert.False(t, f.RangeKnown, text)
		assert.Contains(t, strings.Join(f.Undecided, ";"), "range", text)
	}
	f := findings(t, "sin(1 − x/5) + 0/x", analyse.Bounds{})
	assert.Contains(t, strings.Join(f.Undecided, ";"), "extrema")
	require.Len(t, f.Maxima, 1)
	assert.InDelta(t, 5-5*math.Pi/2, f.Maxima[0].X.Value, 1e-12)
	for _, i := range f.Falling {
		assert.False(t, math.IsInf(i.Lo.Value, 0) || math.IsInf(i.Hi.Value, 0), i.Text())
	}
}

// The whole part takes every whole number and no other (Graham, Knuth, Patashnik, Concrete Mathematics, 3.1), and nothing
// else once it is stretched and lifted.
func TestStairsTakeSingleNumbersThatGoOn(t *testing.T) {
	for text, want := range map[string]string{
		"floor(x)": "{…, −1, 0, 1, …}", "ceil(x/2 − 1)": "{…, −1, 0, 1, …}", "2floor(x − 2) + 1": "{…, −1, 1, 3, …}",
		"5 − 3ceil(x)": "{…, −1, 2, 5, …}", "floor(3x)/2": "{…, −1/2, 0, 1/2, …}", "π floor(x)": "{…, −π, 0, π, …}",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.RangeKnown, text)
		assert.Equal(t, want, f.RangeText(), text)
		assert.Equal(t, "(−∞, ∞)", analyse.Intervals(f.Domain), text)
	}
	f := findings(t, "floor(x)²", analyse.Bounds{})
	assert.Nil(t, f.RangeEvery)
}

// A step of anything takes the whole numbers that its inside lets it: ⌊√x⌋ those from 0 on (Concrete Mathematics, 3.2), the
// others by hand.
func TestAStepOfAnythingTakesTheWholeNumbersOfItsRange(t *testing.T) {
	for text, want := range map[string]string{
		"floor(sqrt(x))": "{0, 1, 2, …}", "ceil(sqrt(x))": "{0, 1, 2, …}", "2 − 3floor(x²)": "{…, −4, −1, 2}", "floor(e^x)": "{0, 1, 2, …}",
		"ceil(e^x)": "{1, 2, 3, …}", "floor(−x²)": "{…, −2, −1, 0}", "floor(1/x)": "{…, −1, 0, 1, …}", "floor(ln(x))": "{…, −1, 0, 1, …}",
		"floor(|x|)": "{0, 1, 2, …}", "floor(sin(x²))": "{−1, 0, 1}", "floor(tan(x))": "{…, −1, 0, 1, …}", "floor(4/(1 + x²))": "{0, 1, 2, 3, 4}",
		"ceil(4/(1 + x²))": "{1, 2, 3, 4}", "floor(arctan(x))": "{−2, −1, 0, 1}", "floor(x²)/2 for 0 ≤ x < 2": "{0, 1/2, 1, 3/2}",
	} {
		f := findings(t, text, analyse.Bounds{})
		require.True(t, f.RangeKnown, text)
		assert.Equal(t, want, f.RangeText(), text)
	}
	assert.False(t, findings(t, "floor(x + 1/x)", analyse.Bounds{}).RangeKnown, "from −2 to 2 its inside takes nothing")
}

// (6 − x)/sec(x²) = (6 − x) cos(x²) but for holes where cos(x²) = 0; artanh(x² − 2x) has a gap at 1, where x² − 2x = −1.
func TestHolesOfHigherOrderAreHoles(t *testing.T) {
	f := findings(t, "(6 − x)/sec(x²)", analyse.Bounds{Left: -3, Right: 3})
	assert.Empty(t, f.Jumps)
	require.Len(t, f.Holes, 6, "√(π/2), √(3π/2), √(5π/2) and mirrored")
	for _, p := range f.Holes {
		assert.InDelta(t, 0, p.Y.Value, 1e-9, p.X.Text())
	}
	assert.Equal(t, "(1 − √2, 1) ∪ (1, 1 + √2)", analyse.Intervals(findings(t, "x³ artanh(x² − 2x)", analyse.Bounds{}).Domain))
}

// ln(3 − x) = −3·9 ln 2 makes the left side 0 a hundred-millionth before its end.
func TestAZeroCloseToAGapIsFound(t *testing.T) {
	f := findings(t, "2x² + 3x + ln(3 − x)/ln(2)", analyse.Bounds{})
	require.NotEmpty(t, f.Zeros)
	assert.InDelta(t, math.Exp2(-27), 3-f.Zeros[len(f.Zeros)-1].X.Value, 1e-9)
}

// Identities of handbooks (DLMF 4.21, 4.35) leave one value, or one beside each gap.
func TestAnIdentityIsSeenToBeConstant(t *testing.T) {
	for text, want := range map[string]string{
		"cos(2x) + 2sin(x)²": "{1}", "sin(2x) − 2sin(x)cos(x)": "{0}", "cos(x)² − sin(x)² − cos(2x) + 3": "{3}", "sin(3x) − 3sin(x) + 4sin(x)³": "{0}",
		"sin(x + 1) − sin(x)cos(1) − cos(x)sin(1)": "{0}", "(1 − cos(2x))/sin(x)²": "{2}", "(sin(x) + cos(x))² − sin(2x)": "{1}",
		"tan(x) − sin(2x)/(1 + cos(2x))": "{0}", "cosh(x)² − sinh(x)²": "{1}", "sinh(2x) − 2sinh(x)cosh(x)": "{0}", "ln(2x) − ln(x)": "{ln(2)}",
		"arctan(x) + arctan(1/x)": "{−π/2, π/2}",
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.Empty(t, f.Undecided, text)
		assert.Equal(t, want, analyse.Intervals(f.Range), text)
		assert.Empty(t, append(f.Maxima, f.Minima...), "%s: nothing tops its neighbours", text)
	}
	zero := findings(t, "sin(2x) − 2sin(x)cos(x)", analyse.Bounds{})
	assert.Equal(t, "(−∞, ∞)", analyse.Intervals(zero.ZeroOn))
	assert.Nil(t, zero.Period)
}

// Each of these once took minutes or would not end.
func TestFindingsComeToAnEnd(t *testing.T) {
	for _, text := range []string{"tan(cos x − x)", "4arcsin(arctan(x²))", "sin(x² + x)", "sin(1/(x² − 1))", "x^x^x", "tan(tan x)", "tan(tan(tan x))²", "tan(2x)(4x + sin x)/cosh(x²)", "e^(e^(e^x))",
		"floor(1/x)", "sum(sin(k x)/k for k from 1 to 30)", "floor(cosh(x)) + sinh(sinh(x))"} {
		_, err := analyse.Function(parse(t, text), "x", analyse.Bounds{})
		assert.NoError(t, err, text)
	}
	_, err := analyse.Function(parse(t, "sum(x^k for k from 1 to 500)"), "x", analyse.Bounds{})
	assert.ErrorContains(t, err, "more work")
}

// ⌈x⌉ − ⌊x⌋ is 1, and 0 at whole numbers (Graham, Knuth, Patashnik, Concrete Mathematics, 3.2): one value at single
// places is enough for a period, a range and against a symmetry.
func TestSinglePlacesCountForPeriodsAndSymmetry(t *testing.T) {
	f := findings(t, "ceil(x) − floor(x)", analyse.Bounds{})
	require.NotNil(t, f.Period)
	assert.Equal(t, 1.0, f.Period.Value)
	assert.Equal(t, "{0, 1}", analyse.Intervals(f.Range))
	assert.Equal(t, "even", f.Symmetry)
	for text, want := range map[string]string{
		"floor(x) + 1/2":     "none", // 1/2 at 0
		"floor(x) + ceil(x)": "odd",
		"0 for x < −1; x for −1 ≤ x ≤ 1; 0 for x > 1":       "odd",
		"0 for x < −1; x for −1 ≤ x < 1; 0 for x ≥ 1":       "none",
		"x² for x < −2; 4 for −2 ≤ x < 2; x² − 1 for x ≥ 2": "none",
	} {
		assert.Equal(t, want, findings(t, text, analyse.Bounds{}).Symmetry, text)
	}
	lo, hi := exact.Int(-1), exact.Int(1)
	assert.Equal(t, "{0}", analyse.Intervals(findings(t, "floor(tanh 6) sin(x)", analyse.Bounds{}).Range), "tanh 6 < 1")
	// The constant π/2 written as arcsin 1, at the very end of its domain, shuts no gate.
	assert.Equal(t, "[≈−0.561096, π]", analyse.Intervals(findings(t, "(arcsin 1 + arcsin x) x", analyse.Bounds{}).Range))
	half := analyse.Bounds{Lo: &lo, Hi: &hi, LoClosed: true}
	assert.Equal(t, "none", findings(t, "x³", half).Symmetry, "−1 has a value, 1 has none")
}

// The slopes were differentiated by hand; each changes its sign once between the two numbers.
func TestTurnsInSteepPlacesAreFound(t *testing.T) {
	for _, c := range []struct {
		text   string
		lo, hi float64
		slope  func(x float64) float64
	}{
		{"cosh(x³) + x² + 4x", -1, -0.9, func(x float64) float64 { return 3*x*x*math.Sinh(x*x*x) + 2*x + 4 }},
		{"4/ln(x) + 500x", 1e-5, 1e-3, func(x float64) float64 { return 500 - 4/(x*math.Pow(math.Log(x), 2)) }},
		{"cosh(2x) − tan(2x)", 11*math.Pi/4 - 1e-3, 11*math.Pi/4 - 1e-5, func(x float64) float64 { return 2*math.Sinh(2*x) - 2/math.Pow(math.Cos(2*x), 2) }},
		{"sinh(x) + ln(10 − x)", 10 - 1e-3, 10 - 1e-5, func(x float64) float64 { return math.Cosh(x) - 1/(10-x) }},
		{"sqrt(tan(x)) − x²", 3*math.Pi + 1e-5, 3*math.Pi + 1e-2, func(x float64) float64 { return 1/(2*math.Sqrt(math.Tan(x))*math.Pow(math.Cos(x), 2)) - 2*x }},
	} {
		require.Negative(t, c.slope(c.lo)*c.slope(c.hi), c.text)
		f := findings(t, c.text, analyse.Bounds{})
		var near []float64
		for _, p := range append(slices.Clone(f.Maxima), f.Minima...) {
			if x := p.X.Value; x > c.lo && x < c.hi {
				near = append(near, x)
			}
		}
		if assert.Len(t, near, 1, "%s: %v %v", c.text, f.Maxima, f.Minima) {
			h := 1e-6 * (c.hi - c.lo)
			assert.Negative(t, c.slope(near[0]-h)*c.slope(near[0]+h), c.text)
		}
	}
}

// sin(ln x) has its turns at e^(π/2 + kπ), more and more towards 0.
func TestTurnsThatCrowdTowardsAGapAreNotToldAsComplete(t *testing.T) {
	f := findings(t, "sin(ln(x))", analyse.Bounds{})
	for _, list := range [][]analyse.Interval{f.Rising, f.Falling, f.ConcaveUp, f.ConcaveDown} {
		for _, i := range list {
			assert.Positive(t, i.Lo.Value, i.Text())
		}
	}
	assert.Contains(t, strings.Join(f.Undecided, "; "), "some may be missing: zeros, extrema, rise and fall, inflections, bends")
}

// What is 0 of a product or a power is what is 0 of its factors.
func TestAPowerHasTheZerosOfItsBase(t *testing.T) {
	base, power := findings(t, "e^x − sin(x)", analyse.Bounds{}), findings(t, "(e^x − sin(x))³", analyse.Bounds{})
	require.Len(t, power.Zeros, len(base.Zeros))
	for i := range base.Zeros {
		assert.InDelta(t, base.Zeros[i].X.Value, power.Zeros[i].X.Value, 1e-10)
	}
}

func TestStepsOfAPartThatEndsAreAllFound(t *testing.T) {
	f := findings(t, "floor(arcsin(−x))", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	assert.Equal(t, "[−1, 1]", analyse.Intervals(f.Domain))
	assert.Equal(t, "{−2, −1, 0, 1}", analyse.Intervals(f.Range))
	assert.Len(t, f.Jumps, 3, "where the angle is −1, 0 and 1")
}

func TestNoPeriodIsReadFromValuesThatCannotBeCompared(t *testing.T) {
	assert.Nil(t, findings(t, "tan(x/5) sinh(sinh(x))", analyse.Bounds{}).Period, "sinh(sinh(x)) grows")
	nothing := findings(t, "cos(x + 6) cbrt(0x)", analyse.Bounds{})
	assert.Nil(t, nothing.Period, "a constant")
	assert.Equal(t, "{0}", analyse.Intervals(nothing.Range))
}

// Worked by hand: cos x = 0 at π/2 + kπ, sin x ≥ 0 on [2kπ, (2k + 1)π], ⌊x⌋ = 0 on [0, 1).
func TestADomainMayRepeatThoughTheFunctionDoesNot(t *testing.T) {
	for text, want := range map[string]string{
		"x + tan(x)":           "(−π/2, π/2)",
		"x/sin(x)":             "(0, π)",
		"1/(x sin(x))":         "((−∞, 0) ∪ (0, ∞)) ∩ (0, π), every π",
		"x + sqrt(sin(x))":     "[0, π]",
		"x ln(sin(x))":         "(0, π)",
		"x²/(tan(x) − 1)":      "(−π/2, π/4) ∪ (π/4, π/2)",
		"sqrt(3/2 − x) sec(x)": "(−∞, 3/2] ∩ (−π/2, π/2), every π",
		"x/(2 + sin(x))":       "(−∞, ∞)",
		"x tan(x)/arctan(0)":   "∅",
		"tan(x)/((3 − 3)x)":    "∅",
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.True(t, f.DomainKnown, text)
		assert.Equal(t, want, f.DomainText(), text)
		assert.Nil(t, f.Period, text)
	}
	assert.Equal(t, "2π", findings(t, "x ln(sin(x))", analyse.Bounds{}).DomainAgain.Period.Text())
	assert.Equal(t, "π", findings(t, "x + tan(x)", analyse.Bounds{}).DomainAgain.Period.Text())
}

func TestStepsThatGoOnLeaveTheDomainDecided(t *testing.T) {
	for text, want := range map[string]string{
		"x²/floor(x)":                            "(−∞, 0) ∪ [1, ∞)",
		"ln(floor(x))":                           "[1, ∞)",
		"sqrt(floor(3x/2))":                      "[0, ∞)",
		"x/(1 + floor(x))":                       "(−∞, −1) ∪ [0, ∞)",
		"1/(floor(x)² + 1)":                      "(−∞, ∞)",
		"floor(x) for x < 0; sqrt(x) for x >= 0": "(−∞, ∞)",
		"floor(x) for x < 0; sqrt(x) for x >= 4": "(−∞, 0) ∪ [4, ∞)",
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.True(t, f.DomainKnown, text)
		assert.Equal(t, want, f.DomainText(), text)
	}
	assert.False(t, findings(t, "x/sin(floor(x))", analyse.Bounds{}).DomainKnown, "how near to 0 the sines of whole numbers come is not seen")
}

// e^(x³) is below what a float64 holds from x = −9 on, and is no 0.
func TestAValueTooSmallForAFloatIsNoGap(t *testing.T) {
	f := findings(t, "exp(x)/exp(x³ + 6x)", analyse.Bounds{})
	assert.True(t, f.DomainKnown)
	assert.Equal(t, "(−∞, ∞)", analyse.Intervals(f.Domain))
}

// tan x passes every bound on its way to π/2, where it has no value; e^(tan x), too large or too small there, has none
// either, though the last float64 before π/2 lets it be worked out. e^(sec x): cos x = 0 at π/2 + kπ.
func TestAGapIsOneWhateverTheFunctionGrowsToBesideIt(t *testing.T) {
	for text, want := range map[string][2]string{
		"e^(tan(x))":     {"(−π/2, π/2)", "(0, ∞)"},
		"e^(−tan(x))":    {"(−π/2, π/2)", "(0, ∞)"},
		"1/2^(tan(x))":   {"(−π/2, π/2)", "(0, ∞)"},
		"ln(e^(tan(x)))": {"(−π/2, π/2)", "(−∞, ∞)"},
		"x/e^(tan(x))":   {"(−π/2, π/2)", "(−∞, ∞)"},
		"e^(−sec(x))":    {"(−π/2, π/2) ∪ (π/2, 3π/2)", "(0, 1/e] ∪ [e, ∞)"},
		"e^(cot(x))":     {"(0, π)", "(0, ∞)"},
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.True(t, f.DomainKnown && f.RangeKnown, text)
		assert.Equal(t, want, [2]string{f.DomainText(), analyse.Intervals(f.Range)}, text)
	}
}

// By hand, with 2^x = 5, cos x = 1/3, sin x = 1/3 and 2^x = 5/4: under a root the last digit of such a place is no small
// number any more.
func TestUnderARootAPlaceIsWhatItIs(t *testing.T) {
	for text, want := range map[string][2]string{
		"∛(2^x − 5)":           {"(−∞, ∞)", "ln(5)/ln(2)"},
		"1/∛(2^x − 5)":         {"(−∞, ln(5)/ln(2)) ∪ (ln(5)/ln(2), ∞)", ""},
		"1/√(0.4·2^x − 1/2)":   {"(ln(5)/ln(2) − 2, ∞)", ""},
		"√(2^x − 5)":           {"[ln(5)/ln(2), ∞)", "ln(5)/ln(2)"},
		"∛(cos(x) − 1/3)":      {"(−∞, ∞)", "arccos(1/3) 2π − arccos(1/3)"},
		"1/∛(cos(x) − 1/3)":    {"(−arccos(1/3), arccos(1/3)) ∪ (arccos(1/3), 2π − arccos(1/3))", ""},
		"1/∛(sin(x) − 1/3)":    {"(arcsin(1/3), π − arcsin(1/3)) ∪ (π − arcsin(1/3), arcsin(1/3) + 2π)", ""},
		"(cos(x) − 1/3)^(2/3)": {"(−∞, ∞)", "arccos(1/3) 2π − arccos(1/3)"},
		"1/√(cos(x) − x)":      {"(−∞, ≈0.739085)", ""},
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.True(t, f.DomainKnown && f.RangeKnown, text)
		assert.Equal(t, want, [2]string{f.DomainText(), strings.Join(texts(f.Zeros), " ")}, text)
	}
}

// A logarithm goes to −∞ where its number goes to 0, slowly: a millionth beside it, it is −14. By hand: tan(1/2), cos(1/2),
// sin(1/2); cos x = x at 0.7390851332 (the Dottie number, OEIS A003957).
func TestASlowAsymptoteIsOne(t *testing.T) {
	for text, want := range map[string]string{
		"ln|arctan(x) − 1/2|": "tan(1/2)", "ln|arccos(x) − 1/2|": "cos(1/2)", "1/∛(arcsin(x) − 1/2)": "sin(1/2)", "ln|2^x − 5|": "ln(5)/ln(2)",
		"ln|cos(x) − x|": "≈0.739085", "1/∛(cos(x) − x)": "≈0.739085", "ln(x)²": "0",
	} {
		f := findings(t, text, analyse.Bounds{})
		if assert.Len(t, f.Vertical, 1, text) {
			assert.Equal(t, want, f.Vertical[0].X.Text(), text)
		}
	}
	// ln(−ln(1 − x)) grows too slowly to be seen to.
	f := findings(t, "ln(−ln(x²))", analyse.Bounds{})
	assert.True(t, len(f.Vertical) == 3 || strings.Contains(strings.Join(f.Undecided, "; "), "the limit at"), "%v", f.Vertical)
}

// By hand: the arc sine is steeper than the cube at its end −3(π + 1), so that the function turns a hair further on and a
// ten-thousandth lower.
func TestARangeBeginsAtTheLeastValue(t *testing.T) {
	f := findings(t, "(π x/2 + π/2)³ − arcsin(x/3 + π)", analyse.Bounds{})
	require.True(t, f.RangeKnown)
	require.Len(t, f.Minima, 2)
	assert.InDelta(t, f.Minima[0].Y.Value, f.Range[0].Lo.Value, 1e-9)
	assert.True(t, f.Range[0].LoClosed)
}

// x³ + x + 1 is 0 at −0.6823278038 only (Cardano's formula; OEIS A263719 with the other sign), which no short number names.
// A root there is 0 all the same, and upright: ∛ bends the other way beyond it.
func TestARootIsZeroAtAPlaceThatIsOnlyKnownRounded(t *testing.T) {
	const place = -0.6823278038280193
	root := findings(t, "∛(x³ + x + 1)", analyse.Bounds{})
	require.Len(t, root.Zeros, 1)
	assert.InDelta(t, place, root.Zeros[0].X.Value, 1e-12)
	require.Len(t, root.Inflections, 3)
	assert.InDelta(t, place, root.Inflections[1].X.Value, 1e-12)
	for text, least := range map[string]string{"√(x³ + x + 1)": "[0, ∞)", "(x³ + x + 1)^(2/3)": "[0, ∞)", "|x³ + x + 1|": "[0, ∞)", "2 + √|x³ + x + 1|": "[2, ∞)"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Equal(t, least, analyse.Intervals(f.Range), text)
		if assert.Len(t, f.Minima, 1, text) {
			assert.InDelta(t, place, f.Minima[0].X.Value, 1e-12, text)
		}
	}
}

// By hand, 5/x + x − 7 = 0 where x² − 7x + 5 = 0, and 1/3 − x + e/x = 0 where 3x² − x − 3e = 0. In floats a root makes 10⁻⁵ of
// what should be 0 at such a place.
func TestARootIsZeroAtAnExactPlaceThatIsLongToWrite(t *testing.T) {
	sevenths := []float64{(7 - math.Sqrt(29)) / 2, (7 + math.Sqrt(29)) / 2}
	thirds := []float64{(1 - math.Sqrt(1+36*math.E)) / 6, (1 + math.Sqrt(1+36*math.E)) / 6}
	for text, zeros := range map[string][]float64{"∛(5/x + x − 7)": sevenths, "(5/x + x − 7)^(2/3)": sevenths, "∛(1/3 − x + e/x)": thirds} {
		f := findings(t, text, analyse.Bounds{})
		require.Len(t, f.Zeros, 2, text)
		for i, z := range f.Zeros {
			assert.InDelta(t, zeros[i], z.X.Value, 1e-12, text)
			assert.NotNil(t, z.X.Exact, text)
		}
	}
	assert.Len(t, findings(t, "1/∛(5/x + x − 7)", analyse.Bounds{}).Vertical, 2)
}

// arccos and arcsin have a value at ∓1, also where the place is rounded: by hand, √2·(−2√2) + 3 = −1, and cos x − x = −1 at
// 1.2834287418 (from memory: the root of cos x = x − 1).
func TestAnArcSineHasAValueAtItsEnds(t *testing.T) {
	f := findings(t, "sinh(2x − 2) arccos(√2 x + 3)", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	assert.Equal(t, "[−2√2, −√2]", f.DomainText())
	f = findings(t, "arcsin(cos(x) − x)", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	assert.Equal(t, "[0, ≈1.283429]", f.DomainText())
	assert.Equal(t, "[−π/2, π/2]", analyse.Intervals(f.Range))
}

// A place that the next float64 hides is not left out in silence: x¹² = ∛(4x + 1) has a solution 5·10⁻²³ above −1/4. And
// beside −5π/2 nothing can be told of sin(x tan x), of e^(−x³) far out only that it is above 0.
func TestWhatFloatsCannotShowIsNotTold(t *testing.T) {
	f := findings(t, "x^12 − ∛(4x + 1)", analyse.Bounds{})
	assert.Contains(t, strings.Join(f.Undecided, "; "), "zeros")
	for _, z := range findings(t, "sin(x tan(x))", analyse.Bounds{}).Zeros {
		assert.InDelta(t, 0, math.Sin(z.X.Value*math.Tan(z.X.Value)), 1e-3, z.X.Text())
	}
	assert.Empty(t, findings(t, "cosh(3x/2 + 2)/e^(x³ + x + 1)", analyse.Bounds{}).Zeros)
	assert.Empty(t, findings(t, "e^(−(πx + 3/2)²)/x^4", analyse.Bounds{}).Zeros)
}

// At −1/6 the arc cosine is 0 and e^(−(π − 1/18)²) = 7.3·10⁻⁵, which it passes 10⁻⁹ further on: the function is nowhere less
// (by hand). What is not known of the place in between is not told.
func TestAPartThatIsPassedAtOnceIsNotTakenForTheFunction(t *testing.T) {
	f := findings(t, "max(e^(−(x/3 + π)²), arccos(1/2 − 3x))", analyse.Bounds{})
	if !f.RangeKnown {
		assert.Contains(t, f.Undecided, "range")
		return
	}
	require.Len(t, f.Range, 1)
	assert.Greater(t, f.Range[0].Lo.Value, 7e-5)
}

// sin x = x/2 at ±1.8954942670 (from memory; the first zero of sin x/x − 1/2) and 0: there 1/(sin x − x/2)² has its poles, and
// between them its least values, where cos x = 1/2. Written out, the square is too flat to be placed so well.
func TestThePolesOfASquareAreThoseOfItsBase(t *testing.T) {
	f := findings(t, "1/(sin(x) − x/2)²", analyse.Bounds{})
	require.Len(t, f.Vertical, 3)
	for i, want := range []float64{-1.8954942670339809, 0, 1.8954942670339809} {
		assert.InDelta(t, want, f.Vertical[i].X.Value, 1e-12)
	}
	for _, want := range []float64{-math.Pi / 3, math.Pi / 3} {
		assert.True(t, slices.ContainsFunc(f.Minima, func(p analyse.Point) bool { return math.Abs(p.X.Value-want) < 1e-9 }), "%v", want)
	}
}

// A sum from a negative number on is written out like any other: x(−1 + 0 + 1 + 2) = 2x (by hand).
func TestASumFromANegativeNumberOn(t *testing.T) {
	f := findings(t, "sum(k x for k from −1 to 2) − 4", analyse.Bounds{})
	require.Len(t, f.Zeros, 1)
	assert.InDelta(t, 2, f.Zeros[0].X.Value, 1e-15)
}

// sgn(sin x − 1/3) is 0 where the sine is 1/3 and ±1 elsewhere (by hand): its square is 1 but for these places, which make
// the period and, below a fraction line, the gaps.
func TestSinglePlacesMakeAPeriod(t *testing.T) {
	f := findings(t, "sgn(sin(x) − 1/3)²", analyse.Bounds{})
	require.NotNil(t, f.Period)
	assert.InDelta(t, 2*math.Pi, f.Period.Value, 1e-12)
	assert.Equal(t, "{0, 1}", f.RangeText())
	f = findings(t, "x/sgn(sin(x) − 1/3)", analyse.Bounds{})
	assert.Equal(t, "(arcsin(1/3), π − arcsin(1/3)) ∪ (π − arcsin(1/3), arcsin(1/3) + 2π)", f.DomainText())
}

// sin x = x/3 at 2.2788626601 (the sinc function is 1/3 there; from memory), which has no short name: it is told as a decimal.
func TestARoundedPlaceIsNotToldAsAFraction(t *testing.T) {
	assert.Equal(t, "(−∞, ≈−2.278863) ∪ (0, ≈2.278863)", findings(t, "x/sgn(sin(x) − x/3)", analyse.Bounds{}).RangeText())
}

// 0^x is 0 for every x above 0 (common practice), and so is its power: that is no number too small for a float64.
func TestPowersOfZero(t *testing.T) {
	for _, text := range []string{"(−0^x)^x", "√(−0^x)", "(0^x)^x"} {
		f := findings(t, text, analyse.Bounds{})
		assert.True(t, f.DomainKnown, text)
		assert.Equal(t, "(0, ∞)", f.DomainText(), text)
	}
}

// 1/(2/⌊x⌋) is ⌊x⌋/2 but where ⌊x⌋ is 0: there it has no value, and 0 is not in the range.
func TestAStairThatHasNoValueIsNotInTheRange(t *testing.T) {
	for _, text := range []string{"1/(2/floor(x))", "(e^0.8/floor(x))^(−1)"} {
		f := findings(t, text, analyse.Bounds{})
		for _, i := range f.Range {
			assert.False(t, f.RangeKnown && i.Lo.Value <= 0 && i.Hi.Value >= 0, "%s: %s", text, i.Text())
		}
		assert.Nil(t, f.RangeEvery, text)
	}
	assert.NotNil(t, findings(t, "floor(x)/2", analyse.Bounds{}).RangeEvery)
}

// cos(arcsin(sin x)) = |cos x|, which repeats with π, though sin x − 1 and sin x + 1 repeat with 2π; both hold everywhere.
func TestConditionsThatAlwaysHoldMakeNoGapsAndNoPeriod(t *testing.T) {
	for text, period := range map[string]string{"cos(arcsin(sin(x)))": "π", "arcsin(sin(x))": "2π", "sin(arccos(cos(x)))": "π", "arcsin(sin(x))²": "π"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Equal(t, "(−∞, ∞)", f.DomainText(), text)
		if assert.NotNil(t, f.Period, text) {
			assert.Equal(t, period, f.Period.Text(), text)
		}
	}
	assert.Equal(t, "(−π/2, π/2) ∪ (π/2, 3π/2)", findings(t, "tan(arcsin(sin(x)))", analyse.Bounds{}).DomainText())
}

// By hand: csc x ≤ −1 ≤ cos x from −π to 0, so that the greater one is 0 at −π/2, beyond the gap at 0 where they part.
func TestAGapChangesWhichOneIsGreater(t *testing.T) {
	f := findings(t, "1/max(csc(x), cos(x))", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	assert.Equal(t, "(−π, −π/2) ∪ (−π/2, 0) ∪ (0, π)", f.DomainText())
}

// By hand: x² + 5x + 3 is 0 at (−5 ± √13)/2, where its fourth power and so the product have turns of height 0. Written
// out, the powers cancel to 10⁻⁸ there only.
func TestAProductOfPowersIsZeroWhereItsFactorsAre(t *testing.T) {
	f := findings(t, "(x² + 5x + 3)^4 x³", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	assert.Equal(t, []string{"(−5 − √13)/2", "(−5 + √13)/2"}, texts(f.Maxima))
	assert.Equal(t, []string{"(−5 − √13)/2", "(−5 + √13)/2", "0"}, texts(f.Zeros))
}

// ⌊log₂ x⌋ jumps at every power of 2, endlessly many of them between 0 and the first one that is listed.
func TestStepsThatCrowdTowardsAGapAreNotToldAsComplete(t *testing.T) {
	f := findings(t, "floor(ln(x)/ln(2))", analyse.Bounds{})
	assert.Contains(t, strings.Join(f.Undecided, "; "), "some may be missing: places")
}

// x + tan x rises wherever it has a value, but between two gaps only; what lies outside the window has gaps too.
func TestNothingRisesAcrossGapsThatAreNotListed(t *testing.T) {
	f := findings(t, "x + tan(x)", analyse.Bounds{Left: -6, Right: 6})
	require.NotEmpty(t, f.Rising)
	for _, i := range f.Rising {
		assert.LessOrEqual(t, i.Hi.Value-i.Lo.Value, math.Pi+1e-9, i.Text())
	}
}
