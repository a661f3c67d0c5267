package exact_test

import (
	"math"
	"math/big"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/exact"
)

func of(t testing.TB, text string) exact.Value {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return exact.Of(f.Node)
}

// Rules of surds and special angles: DLMF 4.17 (sin π/12 = √2(√3 − 1)/4), common practice.
func TestNumbersStayExact(t *testing.T) {
	for text, want := range map[string]string{
		"√2·√2": "2", "√8 + √2": "3sqrt(2)", "(1 + √5)/2·(1 − √5)/2": "-1", "(3 + √30/2)(3 − √30/2)": "3/2",
		"1/(√3 − 1)": "(1 + sqrt(3))/2", "sin(π/6)": "1/2", "cos(π/12)·4": "sqrt(2) + sqrt(6)", "tan(7π/6)": "sqrt(3)/3", "ln(e³)": "3",
		"2^(1/2)·2^(1/2)": "2", "0.1 + 0.2": "3/10", "e^(ln 5)": "5", "7π/6 − π": "pi/6", "arctan 1": "pi/4", "∛27": "3",
		"ln 8/ln 2": "3", "log(27)/log(9)": "3/2", "ln(1/4)/ln 2": "-2",
		"1/(1 − e) − e/(1 − e)": "1", "√(1/(π + 1) + π/(π + 1) − 1)": "0", "∛(2/(5(1 − e)) + 0.4 − 2e/(5(1 − e)) − 0.4·2)": "0",
		"√(3 + 2√2)": "1 + sqrt(2)", "√(7 − 4√3)": "2 - sqrt(3)", "√(6 − 2√5)": "sqrt(5) - 1", "√(5 − 2√6)": "sqrt(3) - sqrt(2)",
		"∛(20/(7 − √29) − 7 − √29)": "0", "e^(1/(√2 − 1)) − e^(1 + √2)": "0",
		"√(2 + √3)": "(sqrt(6) + sqrt(2))/2", "√(5 + 2√6) − √3": "sqrt(2)", "√(4 + √7) − √(4 − √7)": "sqrt(2)",
	} {
		got := of(t, text)
		difference := got.Minus(of(t, want))
		assert.True(t, difference.IsZero(), "%s is %s, by hand %s", text, expr.Text(got.Node()), want)
	}
}

func TestArithmeticAgreesWithFloats(t *testing.T) {
	values := []string{"1/3", "√2", "1 + √3", "π/4", "e", "ln 2", "−5", "√6/2"}
	for _, a := range values {
		for _, b := range values {
			x, y := of(t, a), of(t, b)
			for name, pair := range map[string][2]float64{"+": {x.Plus(y).Float(), x.Float() + y.Float()}, "−": {x.Minus(y).Float(), x.Float() - y.Float()},
				"·": {x.Times(y).Float(), x.Float() * y.Float()}, "/": {x.Over(y).Float(), x.Float() / y.Float()}} {
				assert.InDelta(t, pair[1], pair[0], 1e-13*(1+math.Abs(pair[1])), "%s %s %s", a, name, b)
			}
		}
	}
}

// Special values of the sine, Abramowitz & Stegun 4.3.46 and common practice for π/5, π/8 and π/10; the others follow by
// symmetry.
func TestSinesOfSpecialAnglesAreExact(t *testing.T) {
	for angle, sine := range map[string]string{"0": "0", "π/12": "(√6 − √2)/4", "π/10": "(√5 − 1)/4", "π/8": "√(2 − √2)/2", "π/6": "1/2", "π/4": "√2/2",
		"3π/10": "(√5 + 1)/4", "π/3": "√3/2", "3π/8": "√(2 + √2)/2", "5π/12": "(√6 + √2)/4", "π/2": "1"} {
		want := of(t, sine)
		for _, text := range []string{"sin(" + angle + ")", "sin(π − " + angle + ")", "−sin(−" + angle + ")", "cos(π/2 − " + angle + ")", "−sin(" + angle + " + π)", "sin(" + angle + " + 4π)"} {
			got := of(t, text)
			assert.True(t, got.Minus(want).IsZero(), "%s is %s", text, expr.Text(got.Node()))
			assert.InDelta(t, want.Float(), got.Float(), 1e-15, text)
		}
	}
}

// By hand: rules of roots, powers and logarithms.
func TestFunctionsOfExactNumbers(t *testing.T) {
	third, eight := exact.Fractional(big.NewRat(1, 3)), exact.Int(8)
	assert.True(t, eight.Power(big.NewRat(1, 3)).Minus(exact.Int(2)).IsZero())
	assert.True(t, eight.Power(big.NewRat(-2, 3)).Minus(exact.Fractional(big.NewRat(1, 4))).IsZero())
	assert.True(t, third.Neg().Apply("abs").Minus(third).IsZero())
	assert.True(t, exact.Int(72).Apply("sqrt").Minus(of(t, "6√2")).IsZero())
	assert.True(t, of(t, "−7/2").Apply("floor").Minus(exact.Int(-4)).IsZero())
	assert.True(t, of(t, "e^3").Apply("ln").Minus(exact.Int(3)).IsZero())
	assert.True(t, of(t, "1/2").Apply("arcsin").Minus(of(t, "π/6")).IsZero())
	r, ok := of(t, "√2·√8 + 0.5").Rat()
	require.True(t, ok)
	assert.Equal(t, "9/2", r.String())
	_, ok = of(t, "√2").Rat()
	assert.False(t, ok, "√2 is no fraction")
	assert.True(t, exact.Value{}.IsZero())
}

func TestASignIsKnownHoweverSmallTheNumber(t *testing.T) {
	for text, want := range map[string]int{"e^(−32)": 1, "−2e^(−40)": -1, "√2 − 1": 1, "1 − √2": -1, "√2·√2 − 2": 0, "e^(−50)/(1 − √2)": -1} {
		sign, known := of(t, text).Sign()
		assert.True(t, known, text)
		assert.Equal(t, want, sign, text)
	}
	_, known := of(t, "e^π − e^π − 10^-14·π").Sign()
	assert.True(t, known, "what cancels exactly leaves no doubt")
	// sin 1/cos 1 − tan 1 is 0, which a float64 misses by its last digit; a root makes that digit large.
	for _, text := range []string{"sin(1)/cos(1) − tan(1)", "∛(sin(1)/cos(1) − tan(1))", "(sin(1)/cos(1) − tan(1))^(1/5)", "arccos(1 + sin(1)/cos(1) − tan(1))"} {
		_, known := of(t, text).Sign()
		assert.False(t, known && !of(t, text).IsZero(), text)
	}
}
