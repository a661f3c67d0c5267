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
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
)

// By hand: sin ωx repeats after 2π/ω, tan ωx after π/ω and has no value half a period beside 0.
func TestShortWavesHaveTheirPeriod(t *testing.T) {
	for text, want := range map[string][3]string{
		"sin(2π·440x)":              {"1/440", "(−∞, ∞)", "[−1, 1]"},
		"sin(10^6 x)":               {"π/500000", "(−∞, ∞)", "[−1, 1]"},
		"3cos(10^5 x) + 1":          {"π/50000", "(−∞, ∞)", "[−2, 4]"},
		"tan(10^5 x)":               {"π/100000", "(−π/200000, π/200000)", "(−∞, ∞)"},
		"1/(2 + sin(10^4 x))":       {"π/5000", "(−∞, ∞)", "[1/3, 1]"},
		"sin(10^5 x) + cos(10^5 x)": {"π/50000", "(−∞, ∞)", "[−√2, √2]"},
	} {
		f := findings(t, text, analyse.Bounds{})
		require.NotNil(t, f.Period, text)
		assert.Equal(t, want[0], f.Period.Text(), text)
		assert.Contains(t, f.DomainText(), want[1], text)
		assert.Equal(t, want[2], analyse.Intervals(f.Range), text)
		assert.Empty(t, f.Undecided, text)
	}
}

// x + 10²⁵ is 10²⁵ for every x that a picture shows, and sin(10²⁰x) depends on digits that x has not got.
func TestNothingIsReadFromAngleThatRoundingHides(t *testing.T) {
	for _, text := range []string{"tan(x + 10^25)", "sin(x + 10^25)", "cos(x + 10^18)", "sin(10^20 x)", "tan(10^16 x) + 1", "cot(10^17 x)",
		"csc(10^18 x + 10^25)", "1/sin(10^18 x)", "cot(10^22 x)/x", "cot(cot(x)/e^(−x²))"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Nil(t, f.Period, text)
		assert.Equal(t, strings.Contains(text, "/x"), f.Symmetry == "even", text)
		if f.DomainKnown {
			assert.NotEmpty(t, f.Domain, "%s has values", text)
		}
		assert.NotEmpty(t, f.Undecided, text)
	}
	assert.Equal(t, "odd", findings(t, "sin(10^20 x)", analyse.Bounds{}).Symmetry, "an identity of formulas")
}

// By hand: f′ = e^(−x²)(1 − 2x(x − 30)) is 0 at 15 ± √902/2, and e^(−900) is a number above 0, though no float64 holds it.
func TestSlopesThatNoFloatHoldsHaveTheirSign(t *testing.T) {
	f := findings(t, "(x − 30) e^(−x²)", analyse.Bounds{})
	assert.Empty(t, f.Undecided)
	require.Len(t, f.Maxima, 1)
	assert.InDelta(t, 15+math.Sqrt(902)/2, f.Maxima[0].X.Value, 1e-12)
	require.Len(t, f.Minima, 1)
	assert.InDelta(t, 15-math.Sqrt(902)/2, f.Minima[0].X.Value, 1e-12)
	assert.Equal(t, "(15 − √902/2, 15 + √902/2)", analyse.Intervals(f.Rising))
}

// Where e^(4x) is too large for a float64 a product with it is 0 where its other factor is, and what it turns at is not told.
func TestZerosWhereAPartIsTooLargeForAFloat(t *testing.T) {
	for text, zeros := range map[string][]float64{"(x² − 10^6) e^(4x)": {-1000, 1000}, "(x² − 100) e^(100x)": {-10, 10}, "(x − 30) e^(x²)": {30}} {
		f := findings(t, text, analyse.Bounds{})
		require.Len(t, f.Zeros, len(zeros), text)
		for i, z := range f.Zeros {
			assert.Equal(t, zeros[i], z.X.Value, text)
		}
		assert.False(t, f.RangeKnown, text)
		assert.Contains(t, strings.Join(f.Undecided, "; "), "too large", text)
	}
}

// ln x + 40 is 0 at e^(−40) = 4·10⁻¹⁸, close to where the logarithm begins: where the two are not told apart the zero is said to
// be missing. By hand; a zero that is not written is one that has no closed form.
func TestAZeroThatIsOnePlaceWithAnEndIsNotLeftOutInSilence(t *testing.T) {
	for text, zeros := range map[string][]float64{"ln(x) + 40": {math.Exp(-40)}, "ln(2x) + 40": {math.Exp(-40) / 2}, "ln(x) + x + 30": nil,
		"ln(3 − x) + 25": nil, "log(x) + 12": {1e-12}, "∛x − 10^(−6)": {1e-18}, "√x − 10^(−7)": {1e-14}, "|x| − 10^(−12)": {-1e-12, 1e-12},
		"30000 arcsin(∛x) + π/3": nil, "1/x − 10^12": {1e-12}, "∛(sinh(x) − 2) + 10^(−6)": nil, "10^6 ∛(10^5 x + 3/10^4) + 5": nil,
		"∛(x² − 2) − 10^(−5)": nil, "ln(2 − x²) + 40": nil} {
		f := findings(t, text, analyse.Bounds{})
		if strings.Contains(strings.Join(f.Undecided, "; "), "zeros") {
			continue
		}
		if assert.Len(t, f.Zeros, len(zeros), text) {
			for i, z := range zeros {
				assert.InEpsilon(t, z, f.Zeros[i].X.Value, 1e-12, text)
			}
		}
		assert.NotEmpty(t, zeros, "%s has some", text)
	}
	for text, zero := range map[string]float64{"ln(x) + 10": math.Exp(-10), "∛x − 1/100": 1e-6, "√x − 1/1000": 1e-6} {
		f := findings(t, text, analyse.Bounds{})
		require.Len(t, f.Zeros, 1, text)
		assert.InEpsilon(t, zero, f.Zeros[0].X.Value, 1e-12, text)
		assert.Empty(t, f.Undecided, text)
	}
}

// By hand: cot(πx + 10⁸) has a pole wherever x + 10⁸/π is a whole number, once a unit; tan(x + 10⁶) every π; and the smaller
// solution of x² + 10⁵x = 3 is 3/(50000 + √2500000003), which is 2.99999999910000000054·10⁻⁵ (Python's decimal module).
func TestPlacesFarFromTheirPhaseKeepTheirDigits(t *testing.T) {
	f := findings(t, "cot(πx + 10^8)", analyse.Bounds{})
	require.Len(t, f.Vertical, 20)
	for k, pole := range f.Vertical { // 31830989 − 10⁸/π by Python's decimal module
		assert.InDelta(t, 0.38162093284622324+float64(k-10), pole.X.Value, 1e-14)
	}
	f = findings(t, "cot(πx + 10^8) − 1/arcsin(x)²", analyse.Bounds{})
	assert.Equal(t, "[−1, 31830988 − 100000000/π) ∪ (31830988 − 100000000/π, 0) ∪ (0, 31830989 − 100000000/π) ∪ (31830989 − 100000000/π, 1]", f.DomainText())
	assert.Equal(t, "π", findings(t, "tan(x + 10^6)", analyse.Bounds{}).Period.Text())
	f = findings(t, "x² + 10^5 x − 3", analyse.Bounds{})
	require.Len(t, f.Zeros, 2)
	assert.InEpsilon(t, 2.99999999910000000054e-5, f.Zeros[1].X.Value, 1e-14)
	assert.Equal(t, "−50000 + √2500000003", f.Zeros[1].X.Text())
}

// tanh 9 = 1 − 3.0459959·10⁻⁸ (1 − 2/(e^18 + 1), by hand), and what is below 1 has the whole part 0, however close it is.
func TestAStepOfAConstantBesideAWholeNumber(t *testing.T) {
	for text, want := range map[string]string{"⌊tanh 9⌋": "{0}", "⌈−tanh 9⌉": "{0}", "⌈tanh 9⌉": "{1}", "⌊1 + 10^(−8)⌋": "{1}", "⌊2 − 10^(−8)⌋ + ⌊√2·√2⌋": "{3}", "⌊−tanh 8⌋": "{−1}"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Equal(t, want, analyse.Intervals(f.Range), text)
	}
	// 1 − tanh 20 = 8.5·10⁻¹⁸ is less than a float64 can tell.
	for _, text := range []string{"⌊tanh 20⌋", "x + ⌊tanh 20⌋", "⌈−tanh 25⌉ sin x"} {
		f := findings(t, text, analyse.Bounds{})
		assert.False(t, f.RangeKnown || f.DomainKnown || len(f.Zeros) > 0, text)
		assert.Contains(t, strings.Join(f.Undecided, "; "), "too close to a whole one", text)
	}
	for _, text := range []string{"⌊log 1000⌋ + x", "⌊√2·√8⌋ + x", "⌈(1 + √5)(1 − √5)⌉ + x"} {
		assert.Empty(t, findings(t, text, analyse.Bounds{}).Undecided, text)
	}
}

// What holds for f holds for 10^k·f, its heights times 10^k: the laws of physics are written with such numbers (by hand).
func TestFindingsDoNotHangOnTheUnitOfTheValues(t *testing.T) {
	for _, text := range []string{"x/|x|", "1/x", "⌊x⌋", "arctan x + 1", "sin x", "x² for x < 1; x + 3 for x ≥ 1", "(x² − 1)/(x − 1)", "e^x/(1 + e^x)",
		"x³ − 3x", "|sin x|", "(x + 1)²", "1/(1 + e^(1/x))", "x + 1/x", "√(4 − x²)", "⌊sin x⌋"} {
		plain := findings(t, text, analyse.Bounds{})
		for _, k := range []int{-19, -9, 12} {
			formula := fmt.Sprintf("10^(%d)·(%s)", k, text)
			if strings.Contains(text, "for") {
				formula = strings.NewReplacer("x² for", fmt.Sprintf("10^(%d) x² for", k), "x + 3 for", fmt.Sprintf("10^(%d)(x + 3) for", k)).Replace(text)
			}
			f := findings(t, formula, analyse.Bounds{})
			same := func(what string, heights bool, plain, scaled []float64) {
				t.Helper()
				if !assert.Len(t, scaled, len(plain), "%s of %s", what, formula) {
					return
				}
				for i := range plain {
					want := plain[i]
					if heights {
						want *= math.Pow(10, float64(k))
					}
					if want != scaled[i] {
						assert.InEpsilon(t, want, scaled[i], 1e-9, "%s of %s", what, formula)
					}
				}
			}
			for what, lists := range map[string][2][]analyse.Point{"zeros": {plain.Zeros, f.Zeros}, "maxima": {plain.Maxima, f.Maxima},
				"minima": {plain.Minima, f.Minima}, "inflections": {plain.Inflections, f.Inflections}, "holes": {plain.Holes, f.Holes}} {
				for heights, of := range map[bool]func(p analyse.Point) float64{false: func(p analyse.Point) float64 { return p.X.Value },
					true: func(p analyse.Point) float64 { return p.Y.Value }} {
					same(what, heights, each(lists[0], of), each(lists[1], of))
				}
			}
			for _, of := range []func(j analyse.Jump) float64{func(j analyse.Jump) float64 { return j.Left.Value },
				func(j analyse.Jump) float64 { return j.Right.Value }} {
				same("jumps", true, each(plain.Jumps, of), each(f.Jumps, of))
			}
			for what, lists := range map[string][2][]analyse.Interval{"range": {plain.Range, f.Range}, "domain": {plain.Domain, f.Domain},
				"rise": {plain.Rising, f.Rising}, "fall": {plain.Falling, f.Falling}, "bends": {plain.ConcaveUp, f.ConcaveUp}} {
				for _, of := range []func(i analyse.Interval) float64{func(i analyse.Interval) float64 { return i.Lo.Value },
					func(i analyse.Interval) float64 { return i.Hi.Value }} {
					same(what, what == "range", each(lists[0], of), each(lists[1], of))
				}
			}
			for _, of := range []func(l analyse.Line) float64{func(l analyse.Line) float64 { return l.Lift.Value }, func(l analyse.Line) float64 { return l.Slope.Value }} {
				same("asymptotes", true, each(append(plain.Horizontal, plain.Slanted...), of), each(append(f.Horizontal, f.Slanted...), of))
			}
			assert.Equal(t, plain.Symmetry, f.Symmetry, formula)
			assert.Equal(t, plain.Undecided, f.Undecided, formula)
			if plain.Period != nil && assert.NotNil(t, f.Period, formula) {
				assert.Equal(t, plain.Period.Text(), f.Period.Text(), formula)
				if plain.Amplitude != nil {
					same("amplitude", true, []float64{plain.Amplitude.Value}, []float64{f.Amplitude.Value})
				}
			}
		}
	}
}

func each[T any](list []T, of func(T) float64) (out []float64) {
	for _, v := range list {
		out = append(out, of(v))
	}
	return out
}

// A step whose height is small beside the values further away is one: ⌊x⌋ e^(−x²) jumps by e^(−25) at 5 and is highest there
// on its right (by hand).
func TestAStepAmongSmallValuesIsAJump(t *testing.T) {
	f := findings(t, "⌊x⌋ e^(−x²)", analyse.Bounds{})
	require.Len(t, f.Jumps, 21, "at every whole number of the window")
	at := slices.IndexFunc(f.Jumps, func(j analyse.Jump) bool { return j.X.Value == 5 })
	assert.InEpsilon(t, 4*math.Exp(-25), f.Jumps[at].Left.Value, 1e-12)
	assert.InEpsilon(t, 5*math.Exp(-25), f.Jumps[at].Right.Value, 1e-12)
	assert.True(t, slices.ContainsFunc(f.Maxima, func(p analyse.Point) bool { return p.X.Value == 5 }))
}

// cosh u is above 0 and too large for a float64 from u = 711 on; 1/cosh rises and falls with −|u| (DLMF 4.35.1).
func TestSlopesOfWhatIsTooSmallForAFloatAreSeen(t *testing.T) {
	for text, want := range map[string][2]string{
		"1/cosh(1/x)":      {"(0, ∞)", "(−∞, 0)"},
		"1/cosh(30/(x+2))": {"(−2, ∞)", "(−∞, −2)"},
		"2/cosh(x³)":       {"(−∞, 0)", "(0, ∞)"},
		"(tanh(7/x))^1.5":  {"∅", "(0, ∞)"},
	} {
		f := findings(t, text, analyse.Bounds{})
		assert.Equal(t, want, [2]string{analyse.Intervals(f.Rising), analyse.Intervals(f.Falling)}, text)
		assert.Empty(t, f.Zeros, text)
	}
	f := findings(t, "⌊x + 4⌋/cosh((8x² − 0.5x − 1)/(x + 2))", analyse.Bounds{})
	assert.Empty(t, f.Zeros, "only where the step is 0, throughout")
	assert.Len(t, f.ZeroOn, 1)
}

// By hand: from −∞ the function rises to −3.3·10⁻¹⁰, falls to −4.5·10⁻⁹ and rises without bound: it takes every value.
func TestRunsThatOverlapByLittleLeaveNoGapInTheRange(t *testing.T) {
	f := findings(t, "10^(3x − 6) log(x + 5/4)", analyse.Bounds{})
	require.Len(t, f.Maxima, 1)
	require.Len(t, f.Minima, 1)
	assert.Greater(t, f.Maxima[0].Y.Value, f.Minima[0].Y.Value)
	assert.Equal(t, "(−∞, ∞)", analyse.Intervals(f.Range))
}

// A number that is not 0 is not written as 0: x − cos x is 0 at 0.739… (OEIS A003957), its 10^(−12)-fold at that over 10¹².
func TestATinyNumberIsNotWrittenAs0(t *testing.T) {
	f := findings(t, "10^12 x − cos(10^12 x)", analyse.Bounds{})
	require.Len(t, f.Zeros, 1)
	assert.Equal(t, "≈7.391·10⁻¹³", f.Zeros[0].X.Text())
	f = findings(t, "10^5 x − cos(10^5 x)", analyse.Bounds{})
	require.Len(t, f.Zeros, 1)
	assert.Equal(t, "≈7.391·10⁻⁶", f.Zeros[0].X.Text())
}

// Places that lie within 10^(−9) of each other are found apart, as on an axis on which they do; by hand.
func TestPlacesThatCrowdAreToldApart(t *testing.T) {
	f := findings(t, "x² − 10^(−20)", analyse.Bounds{})
	require.Len(t, f.Zeros, 2)
	assert.Equal(t, [2]float64{-1e-10, 1e-10}, [2]float64{f.Zeros[0].X.Value, f.Zeros[1].X.Value})
	assert.Equal(t, "(−∞, 0)", analyse.Intervals(f.Falling))
	assert.InEpsilon(t, -1e-20, f.Range[0].Lo.Value, 1e-12)
	f = findings(t, "x²/(x − 10^(−10))", analyse.Bounds{})
	require.Len(t, f.Vertical, 1)
	assert.InEpsilon(t, 1e-10, f.Vertical[0].X.Value, 1e-12)
	require.Len(t, f.Minima, 1)
	assert.InEpsilon(t, 2e-10, f.Minima[0].X.Value, 1e-12)
	assert.InEpsilon(t, 4e-10, f.Minima[0].Y.Value, 1e-12)
	require.Len(t, f.Slanted, 1)
	assert.Equal(t, 1.0, f.Slanted[0].Slope.Value)
	assert.InEpsilon(t, 1e-10, f.Slanted[0].Lift.Value, 1e-12)
	f = findings(t, "√(x(x − 10^(−10)))", analyse.Bounds{})
	assert.Len(t, f.Domain, 2)
	f = findings(t, "x for x < 10^(−10); 2x for x ≥ 10^(−10)", analyse.Bounds{})
	require.Len(t, f.Jumps, 1)
	assert.InEpsilon(t, 2e-10, f.Jumps[0].Right.Value, 1e-12)
	// The potential ε((σ/x)⁶ − (σ/x)³) has its zero at σ and its least value −ε/4 at ∛2·σ.
	f = findings(t, "4·10^(−21)((3·10^(−10)/x)^6 − (3·10^(−10)/x)^3)", analyse.Bounds{})
	require.Len(t, f.Minima, 1)
	assert.InEpsilon(t, 3e-10*math.Cbrt(2), f.Minima[0].X.Value, 1e-12)
	assert.InEpsilon(t, -1e-21, f.Minima[0].Y.Value, 1e-9)
}

// Where they lie apart on no axis nothing is told that hangs on them.
func TestPlacesThatCrowdOnEveryAxisAreAdmitted(t *testing.T) {
	for _, text := range []string{"sgn(x) − sgn(x − 10^(−10))", "|sin x| + |sin(x + 10^(−10))|"} {
		f := findings(t, text, analyse.Bounds{})
		assert.False(t, f.DomainKnown && f.RangeKnown, text)
		assert.NotEmpty(t, f.Undecided, text)
		assert.Equal(t, "none", f.Symmetry, text)
	}
}

// The range of a huge function is looked for in what it is made of, and never in itself again.
func TestTheRangeOfAHugeFunctionEnds(t *testing.T) {
	for _, text := range []string{"4·10^21((3·10^10/x)^12 − (3·10^10/x)^6)", "10^12 x/sin x", "10^(−9) x/sin x"} {
		assert.NotEmpty(t, findings(t, text, analyse.Bounds{}).Undecided, text)
	}
}

// A thin peak that no number tried at random meets lies where the formula's own polynomials turn, and takes period and symmetry
// away (by hand).
func TestAThinPeakTakesPeriodAndSymmetryAway(t *testing.T) {
	for _, text := range []string{"x² + e^(−3000(x − 7.77)²)", "sin x + e^(−3000(x − 7.77)²)", "cos x + 10^(−3)/(1 + 10^8 (x − π)²)",
		"⌊x⌋ e^(−10^5 (x − 5.05)²)", "10^(−3) e^(−3000(x − 7.77)²)", "e^(−3000(x − √2)²)", "sin x + max(0, 1 − 1000|x − 77|)"} {
		f := findings(t, text, analyse.Bounds{})
		assert.Nil(t, f.Period, text)
		assert.Equal(t, "none", f.Symmetry, text)
	}
	for text, symmetry := range map[string]string{"e^(−3000(x − 7)²) + e^(−3000(x + 7)²)": "even", "1/((x − 1/3)(10x + 10/3))": "even",
		"|x − 2| − |x + 2|": "odd", "x/((x − 1)⁴ (x + 1)⁴)": "odd"} {
		assert.Equal(t, symmetry, findings(t, text, analyse.Bounds{}).Symmetry, text)
	}
	for _, text := range []string{"x − ⌊x⌋", "sin x + (x + 1)² − x² − 2x", "|x/2 − ⌊x/2 + 1/2⌋|"} {
		assert.NotNil(t, findings(t, text, analyse.Bounds{}).Period, text)
	}
}

// What holds for f(x) holds for f(10^k x), its places divided by 10^k, or is said to be undecided (by hand).
func TestFindingsDoNotHangOnTheUnitOfTheAxis(t *testing.T) {
	for _, text := range []string{"x² − 4", "x³ − 6x² + 9x + 1", "(x − 1)/(x + 2)", "(x² + 1)/(x − 3)", "(x² − 1)/(x − 1)", "√(x − 2)", "√(9 − x²)",
		"ln(x − 1) + 2", "|x − 3| − 2", "e^(−x²)", "1/(1 + x²)", "12/(1 + 3e^(−2x))", "∛(x − 1) + 2", "x^(2/3)", "x + 4/x", "arcsin(x/2)",
		"x² for x < 1; 3 − x for x ≥ 1", "x/|x|", "ln x/x", "x ln x", "|x² − 4|", "√(x² − 1)", "max(x, 2 − x²)", "x/(x² − 4)", "√x − x", "e^x"} {
		plain := findings(t, text, analyse.Bounds{})
		for _, k := range []int{-12, -6, 3, 9, 12} {
			unit := math.Pow(10, float64(k))
			axis := expr.Times(parse(t, fmt.Sprintf("10^(%d)", k)), &expr.Name{Name: "x"})
			f, err := analyse.Function(symbolic.Substitute(parse(t, text), map[string]expr.Node{"x": axis}), "x", analyse.Bounds{})
			require.NoError(t, err)
			assert.Equal(t, plain.Symmetry, f.Symmetry, "%s, 10^%d", text, k)
			if len(f.Undecided) > 0 {
				continue
			}
			x, y := func(p analyse.Point) float64 { return p.X.Value * unit }, func(p analyse.Point) float64 { return p.Y.Value }
			plainX := func(p analyse.Point) float64 { return p.X.Value }
			for what, lists := range map[string][2][]analyse.Point{"zeros": {plain.Zeros, f.Zeros}, "maxima": {plain.Maxima, f.Maxima},
				"minima": {plain.Minima, f.Minima}, "inflections": {plain.Inflections, f.Inflections}, "holes": {plain.Holes, f.Holes}} {
				assert.InDeltaSlice(t, each(lists[0], plainX), each(lists[1], x), 1e-8, "%s of %s, 10^%d", what, text, k)
				assert.InDeltaSlice(t, each(lists[0], y), each(lists[1], y), 1e-8, "%s of %s, 10^%d", what, text, k)
			}
			for what, lists := range map[string][2][]analyse.Interval{"domain": {plain.Domain, f.Domain}, "rise": {plain.Rising, f.Rising},
				"fall": {plain.Falling, f.Falling}, "bends": {plain.ConcaveUp, f.ConcaveUp}} {
				if assert.Len(t, lists[1], len(lists[0]), "%s of %s, 10^%d", what, text, k) {
					for i, want := range lists[0] {
						assertEnd(t, want.Lo.Value, lists[1][i].Lo.Value*unit, "%s of %s, 10^%d", what, text, k)
						assertEnd(t, want.Hi.Value, lists[1][i].Hi.Value*unit, "%s of %s, 10^%d", what, text, k)
					}
				}
			}
			assert.Equal(t, analyse.Intervals(plain.Range), analyse.Intervals(f.Range), "%s, 10^%d", text, k)
			assert.Equal(t, [4]int{len(plain.Jumps), len(plain.Vertical), len(plain.Horizontal), len(plain.Slanted)},
				[4]int{len(f.Jumps), len(f.Vertical), len(f.Horizontal), len(f.Slanted)}, "%s, 10^%d", text, k)
		}
	}
}

// assertEnd compares the ends of intervals, infinite ones included.
func assertEnd(t *testing.T, want, got float64, message string, args ...any) {
	t.Helper()
	if want != got {
		assert.InDelta(t, want, got, 1e-8, append([]any{message}, args...)...)
	}
}
