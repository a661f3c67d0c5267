package solve_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"sort"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/maths/solve"
	"parvix/core/numeric/program"
)

// members lists the solutions of a set between two places.
func members(set solve.Set, from, to float64) (list []float64) {
	for _, z := range set.Solutions {
		period := z.Period.Float()
		if period == 0 {
			if z.Value >= from && z.Value <= to {
				list = append(list, z.Value)
			}
			continue
		}
		for k := math.Ceil((from - z.Value) / period); z.Value+k*period <= to; k++ {
			list = append(list, z.Value+k*period)
		}
	}
	sort.Float64s(list)
	return list
}

// Equations whose solutions are known because they were built from them.
func TestEquationsBuiltFromTheirSolutionsGiveThemBack(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 8))
	whole := func() int { return r.IntN(13) - 6 }
	for range 120 {
		p, q := whole(), whole()
		want := []float64{float64(min(p, q)), float64(max(p, q))}
		if p == q {
			want = want[:1]
		}
		quadratic := fmt.Sprintf("x^2 - (%d)x + (%d)", p+q, p*q)
		for text, map1 := range map[string]func(float64) float64{
			quadratic: func(v float64) float64 { return v },
			fmt.Sprintf("(e^x)^2 - (%d)e^x + (%d)", p+q, p*q):   math.Log,
			fmt.Sprintf("ln(x)^2 - (%d)ln(x) + (%d)", p+q, p*q): math.Exp,
			fmt.Sprintf("x - (%d)sqrt(x) + (%d)", p+q, p*q): func(v float64) float64 {
				if v < 0 {
					return math.NaN()
				}
				return v * v
			},
			fmt.Sprintf("x^6 - (%d)x^3 + (%d)", p+q, p*q): math.Cbrt,
		} {
			var expected []float64
			for _, v := range want {
				if u := map1(v); !math.IsNaN(u) && !math.IsInf(u, 0) {
					expected = append(expected, u)
				}
			}
			set, ok := solve.Zeros(parse(t, text), "x")
			require.True(t, ok, text)
			got := members(set, -1e9, 1e9)
			require.Len(t, got, len(expected), "%s: %v", text, got)
			for i := range got {
				assert.InDelta(t, expected[i], got[i], 1e-9*(1+math.Abs(expected[i])), text)
			}
		}
	}
}

// The solutions of a wave equation over three turns are as many, and where, as a fine search for changes of sign finds them;
// touching zeros are left out of the equations.
func TestWaveEquationsAreSolvedCompletely(t *testing.T) {
	for _, text := range []string{
		"sin(x) - 1/3", "cos(2x) + 1/4", "2sin(x)^2 - sin(x) - 1/2", "sin(x) + sqrt(3)cos(x) - 1", "tan(x) - 2", "sin(3x - 1) - 0.3",
		"sin(2x) - cos(x)", "cos(x)^2 - sin(x)", "tan(2x) + 1", "2cos(x)^2 + 3sin(x) - 2.5", "sin(x/2) - 0.1", "cos(x) - sin(2x)",
		"3sin(x) - 4cos(x) - 1", "sin(x)cos(x) - 0.2", "1/sin(x) - 3", "cot(x) - 1/2",
	} {
		set, ok := solve.Zeros(parse(t, text), "x")
		require.True(t, ok, text)
		f, err := program.CompilePoint(parse(t, text), []string{"x"})
		require.NoError(t, err)
		const from, to, steps = -9.4321, 9.4876, 40000
		var found []float64
		for k := range steps {
			a, b := from+(to-from)*float64(k)/steps, from+(to-from)*float64(k+1)/steps
			u, v := f([]float64{a}), f([]float64{b})
			// A change of sign through a pole is as large as the values beside it.
			if u*v < 0 && math.Abs(u)+math.Abs(v) < 1 {
				found = append(found, (a+b)/2)
			}
		}
		got := members(set, from, to)
		require.Len(t, got, len(found), "%s: %v", text, got)
		for i := range got {
			assert.InDelta(t, found[i], got[i], 1e-3, text)
			assert.InDelta(t, 0, f([]float64{got[i]}), 1e-9, "%s at %v", text, got[i])
		}
	}
}

// A set that is returned is complete; where that cannot be had, none is.
func TestWhatHasNoClosedFormIsNotSolvedInPart(t *testing.T) {
	for _, text := range []string{"x - cos x", "e^x - x - 2", "x + ln x", "sin(x) - x/2", "x^x - 2", "x tan x - 1", "e^x + x^2 - 3"} {
		_, ok := solve.Zeros(parse(t, text), "x")
		assert.False(t, ok, text)
	}
}

// Equations with letters are solved for x in them; put in, the solution solves (worked by hand).
func TestLettersStayInSolutions(t *testing.T) {
	for text, want := range map[string]string{
		"a x + b": "-b/a", "x^2 - a x": "0, a", "e^(k x) - c": "ln(c)/k", "a ln(x) - b": "e^(b/a)", "x/a - a/x": "-a, a",
	} {
		set, ok := solve.Zeros(parse(t, text), "x")
		require.True(t, ok, text)
		got := words(set, ok)
		for _, in := range [][]float64{{2, 3, 0.5, 1.7}, {1.3, 0.4, 2, 3}} {
			for _, z := range set.Solutions {
				x, err := program.CompilePoint(z.X, []string{"a", "b", "k", "c"})
				require.NoError(t, err)
				f, err := program.CompilePoint(parse(t, text), []string{"x", "a", "b", "k", "c"})
				require.NoError(t, err)
				assert.InDelta(t, 0, f(append([]float64{x(in)}, in...)), 1e-9, "%s: %s", text, got)
			}
		}
		assert.Equal(t, len(set.Solutions), 1+len(want)-len(removeCommas(want)), "%s: %s instead of %s", text, got, want)
	}
}

func removeCommas(s string) (out string) {
	for _, c := range s {
		if c != ',' {
			out += string(c)
		}
	}
	return out
}
