package question_test

import (
	"encoding/json"
	"math"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func numbersOf(v any) []float64 {
	var out []float64
	for _, x := range v.([]any) {
		out = append(out, x.(float64))
	}
	return out
}

// A straight line worked by hand: x̄ = 1, ȳ = 2, slope Σ(x − x̄)(y − ȳ)/Σ(x − x̄)² = 5/2, and (2 + 1/2)² … residuals ½, −1, ½.
func TestAFitAnswersAsTheContractSays(t *testing.T) {
	got := asked(t, map[string]any{"ask": "fit", "model": "linear", "x": []int{0, 1, 2}, "y": []int{0, 1, 5}})
	assert.Equal(t, true, got["converged"])
	c := got["coefficients"].(map[string]any)
	assert.InDelta(t, 2.5, c["a"], 1e-12)
	assert.InDelta(t, -0.5, c["b"], 1e-12)
	assert.InDeltaSlice(t, []float64{0.5, -1, 0.5}, numbersOf(got["residuals"]), 1e-12)
	assert.InDelta(t, 1.5, got["sse"], 1e-12)
	assert.InDelta(t, 1-1.5/14, got["r2"], 1e-12)
	assert.Equal(t, "2.5x - 0.5", got["text"])
	assert.Empty(t, got["outliers"])

	got = asked(t, map[string]any{"ask": "fit", "model": "linear", "x": []int{2, 2, 2}, "y": []int{0, 1, 5}})
	assert.Equal(t, false, got["converged"])
	assert.Contains(t, got["reason"], "All x are equal")
	assert.NotContains(t, got, "coefficients")
}

// Misra1a of NIST, certified b1 = 238.94212918, b2 = 5.5015643181E−04, from its second start; letters with digits are names there.
func TestAFormulaOfOnesOwnIsFitted(t *testing.T) {
	x := []float64{77.6, 114.9, 141.1, 190.8, 239.9, 289, 332.8, 378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760}
	y := []float64{10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02, 44.82, 50.76, 55.05, 61.01, 66.40, 75.47, 81.78}
	for _, start := range []any{map[string]any{"b1": 250, "b2": 0.0005}, []float64{250, 0.0005}, nil} {
		got := asked(t, map[string]any{"ask": "fit", "model": "custom", "expr": "b1(1 - e^(-b2 x))", "unknowns": []string{"b1", "b2"}, "x": x, "y": y, "start": start})
		require.Equal(t, true, got["converged"], got)
		c := got["coefficients"].(map[string]any)
		assert.InEpsilon(t, 238.94212918, c["b1"], 1e-9)
		assert.InEpsilon(t, 5.5015643181e-4, c["b2"], 1e-9)
	}
}

// Half-lives: 80·e^(−0.2t) by hand; the sum of squares in y and that of the logarithms have different minima once a value is off.
func TestTheLinearisedAnswerStandsBesideTheOneInY(t *testing.T) {
	got := asked(t, map[string]any{"ask": "fit", "model": "exponential", "x": []int{0, 1, 2, 3, 4}, "y": []float64{81, 64, 54, 43, 37}})
	inY, straight := got["coefficients"].(map[string]any), got["linearised"].(map[string]any)["coefficients"].(map[string]any)
	assert.NotEqual(t, inY["b"], straight["b"])
	assert.InDelta(t, inY["b"].(float64), straight["b"].(float64), 0.02)
}

// Moore & McCabe, Introduction to the Practice of Statistics: quartiles are the medians of the halves. Worked by hand: mean 5, Σ(v − 5)² = 70.
func TestAColumnIsDescribed(t *testing.T) {
	got := asked(t, map[string]any{"ask": "stats", "values": []int{1, 2, 3, 5, 6, 7, 11}})
	for field, want := range map[string]float64{"n": 7, "mean": 5, "median": 5, "q1": 2, "q3": 7, "min": 1, "max": 11} {
		assert.InDelta(t, want, got[field], 1e-12, field)
	}
	assert.InDelta(t, math.Sqrt(70.0/6), got["sd"], 1e-12)
	assert.InDelta(t, math.Sqrt(10), got["sdPopulation"], 1e-12)
}

// Single-variable sets of NIST StRD, certified means and standard deviations (as printed there): NumAcc3 and NumAcc4 by their definition:
// a large mean, 0.1 up and down, one value more. Certified mean 1000000.2 and 10000000.2, standard deviation 0.1.
func TestSmallSpreadsAboutLargeMeansAreNotLost(t *testing.T) {
	for _, mean := range []float64{1000000.2, 10000000.2} {
		values := []float64{mean}
		for range 500 {
			values = append(values, mean-0.1, mean+0.1)
		}
		got := asked(t, map[string]any{"ask": "stats", "values": values})
		assert.InEpsilon(t, mean, got["mean"], 1e-15)
		assert.InEpsilon(t, 0.1, got["sd"], 1e-7)
	}
}

func TestATableIsReadFromItsText(t *testing.T) {
	got := asked(t, map[string]any{"ask": "table", "text": "t (h)\th (m)\n0\t1/2\n1\t\n2\t2.5"})
	assert.Equal(t, "tab", got["separator"])
	assert.Equal(t, ".", got["decimal"])
	assert.Equal(t, true, got["header"])
	assert.Equal(t, false, got["ambiguous"])
	h := got["columns"].([]any)[1].(map[string]any)
	assert.Equal(t, "h", h["name"])
	assert.Equal(t, "m", h["unit"])
	assert.Equal(t, []any{"1/2", nil, 2.5}, h["values"])

	got = asked(t, map[string]any{"ask": "table", "text": "1,5\n2,5"})
	assert.Equal(t, true, got["ambiguous"])
	assert.Len(t, got["readings"], 2)
}

// The tide of the SciPy check with one height mistyped: 4.6 for 2.9 or thereabouts.
func TestAMistypedHeightIsNamed(t *testing.T) {
	data, err := os.ReadFile("../../maths/fit/testdata/scipy/sinusoids.json")
	require.NoError(t, err)
	var sets []struct{ X, Y []float64 }
	require.NoError(t, json.Unmarshal(data, &sets))
	x, y := sets[0].X, sets[0].Y
	assert.Empty(t, asked(t, map[string]any{"ask": "suspect", "x": x, "y": y})["suspects"])
	y[9] += 1.7
	got := asked(t, map[string]any{"ask": "suspect", "x": x, "y": y})["suspects"].([]any)
	require.Len(t, got, 1)
	assert.Equal(t, 9.0, got[0].(map[string]any)["index"])
	assert.Contains(t, got[0].(map[string]any)["reason"], "times the usual distance")
	fit := asked(t, map[string]any{"ask": "fit", "model": "sinusoidal", "x": x, "y": y})
	require.Len(t, fit["outliers"], 1)
	assert.Equal(t, 9.0, fit["outliers"].([]any)[0].(map[string]any)["index"])
}

func TestBadDataSayWhatWouldBeRight(t *testing.T) {
	for line, says := range map[string]string{
		`{"ask":"fit","model":"linear","x":[1,2],"y":[1]}`:                                           "as many numbers as in x",
		`{"ask":"fit","model":"linear","x":[1,null],"y":[1,2]}`:                                      "number 2 of a list is missing",
		`{"ask":"fit","model":"linear","x":[1,"b"],"y":[1,2]}`:                                       "a number is wanted here, not a text",
		`{"ask":"fit","model":"linear","x":[1,NaN],"y":[1,2]}`:                                       "JSON",
		`{"ask":"fit","model":"spline","x":[1,2],"y":[1,2]}`:                                         "one of [proportional linear",
		`{"ask":"fit","model":"custom","expr":"a x","x":[1,2],"y":[1,2]}`:                            "letters that are looked for",
		`{"ask":"fit","model":"custom","expr":"a x + q","unknowns":["a"],"x":[1],"y":[2]}`:           "q has no value",
		`{"ask":"fit","model":"custom","expr":"a x","unknowns":["a"],"start":[1,2],"x":[1],"y":[2]}`: "a number for each of a",
		`{"ask":"stats","values":[]}`:                                                                "at least one number",
		`{"ask":"suspect","x":[1],"y":3}`:                                                            "a list of numbers",
		`{"ask":"table","text":""}`:                                                                  "no table",
	} {
		got := answer(t, line)
		require.Contains(t, got, "error", line)
		assert.Contains(t, got["error"].(map[string]any)["message"], says, line)
	}
}
