package question_test

import (
	"bufio"
	"encoding/json"
	"math"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/question"
)

func answer(t testing.TB, line string) map[string]any {
	t.Helper()
	var fields map[string]any
	require.NoError(t, json.Unmarshal(question.Answer([]byte(line)), &fields))
	return fields
}

func asked(t testing.TB, fields map[string]any) map[string]any {
	t.Helper()
	line, err := json.Marshal(fields)
	require.NoError(t, err)
	return answer(t, string(line))
}

// Values by mpmath; testdata/values.py says how they were made.
func TestValuesAgreeWithTheReferenceLibrary(t *testing.T) {
	file, err := os.Open("testdata/values.tsv")
	require.NoError(t, err)
	defer file.Close()
	count := 0
	for lines := bufio.NewScanner(file); lines.Scan(); {
		text, value, ok := strings.Cut(lines.Text(), "\t")
		if strings.HasPrefix(text, "#") {
			continue
		}
		require.True(t, ok, lines.Text())
		want, err := strconv.ParseFloat(value, 64)
		require.NoError(t, err)
		got, isNumber := asked(t, map[string]any{"ask": "value", "expr": text})["value"].(float64)
		if !assert.True(t, isNumber, "%s has a value", text) {
			continue
		}
		assert.LessOrEqual(t, math.Abs(got-want), 1e-12*math.Abs(want), "%s = %v, by mpmath %v", text, got, want)
		count++
	}
	assert.GreaterOrEqual(t, count, 200)
}

// Special angles: DLMF table 4.17.1.
func TestSpecialAnglesAreExact(t *testing.T) {
	for text, exact := range map[string]string{
		"sin(π/6)": "1/2", "cos(π/6)": "sqrt(3)/2", "tan(π/6)": "sqrt(3)/3", "sin(π/4)": "sqrt(2)/2", "tan(π/4)": "1",
		"cos(π/3)": "1/2", "tan(π/3)": "sqrt(3)", "sin(π/2)": "1", "cos π": "-1", "sin 150°": "1/2", "cos 210°": "-sqrt(3)/2",
		"arcsin(1/2)": "pi/6", "arccos(-1/2)": "2 pi/3", "arctan 1": "pi/4", "ln e": "1", "√8": "2 sqrt(2)", "8^(2/3)": "4",
		"0.1 + 0.2": "0.3", "2/4": "1/2", "20/(7 − √29) − 7 − √29": "0", "1/(√2 − 1) − √2": "1",
	} {
		got := asked(t, map[string]any{"ask": "value", "expr": text})
		assert.Equal(t, exact, got["exact"], text)
	}
}

func TestAValueThatDoesNotExistHasItsReason(t *testing.T) {
	for text, reason := range map[string]string{
		"1/0": "denominator", "√(−2)": "even root", "ln 0": "logarithm", "tan(π/2)": "pole", "tan 90°": "pole",
		"arcsin 2": "from −1 to 1", "0/0": "denominator", "(−1)^0.5": "power", "log_2(−4)": "logarithm", "arcosh 0.5": "1 or more",
	} {
		got := asked(t, map[string]any{"ask": "value", "expr": text})
		assert.Equal(t, "undefined", got["value"], text)
		assert.Contains(t, got["reason"], reason, text)
	}
}

func TestLettersTakeNumbersOrFormulas(t *testing.T) {
	got := asked(t, map[string]any{"ask": "value", "expr": "a x² + φ", "with": map[string]any{"a": "1/3", "x": 3, "phi": "2pi"}})
	assert.InDelta(t, 3+2*math.Pi, got["value"], 1e-12)
	got = asked(t, map[string]any{"ask": "simplify", "expr": "d x + d", "with": map[string]any{"d": 2}})
	assert.Equal(t, "2x + 2", got["text"])
	assert.Equal(t, 2.0, asked(t, map[string]any{"ask": "value", "expr": "4 sin x", "with": map[string]any{"x": 30}, "angleUnit": "degree"})["value"])
}

// Worked examples of every algebra course (common practice).
func TestSimplifyWritesAsPeopleDo(t *testing.T) {
	for text, want := range map[string]string{
		"2(x+1)+3": "2x + 5", "x·x": "x^2", "3x − x": "2x", "−11 + 6·x^2·1": "6x^2 - 11", "x/x": "1", "0·x": "0",
		"2x·3y": "6x y", "√12": "2 sqrt(3)", "x^2 x^3": "x^5", "(x^2)^3": "x^6", "6/4": "3/2", "a − (b − a)": "2a - b",
		"ln(e^x)": "x", "sin(−x)": "-sin(x)", "cos(−x)": "cos(x)", "|−x|": "abs(x)", "1/(1/x)": "x",
	} {
		assert.Equal(t, want, asked(t, map[string]any{"ask": "simplify", "expr": text})["text"], text)
	}
	gap := asked(t, map[string]any{"ask": "simplify", "expr": "x/x"})
	assert.Equal(t, []any{"x ≠ 0"}, gap["conditions"], "what the shorter text no longer shows")
}

// Derivatives: DLMF 4.20, 4.24, 4.34 and the rules of 1.4.
func TestDerivativesFollowTheTables(t *testing.T) {
	for text, want := range map[string]string{
		"x^3": "3x^2", "sin x": "cos(x)", "cos x": "-sin(x)", "e^x": "e^x", "ln x": "1/x", "x sin x": "x cos(x) + sin(x)",
		"√x": "1/(2sqrt(x))", "1/x": "-1/x^2", "2^x": "2^x ln(2)", "5": "0", "sinh x": "cosh(x)", "cosh x": "sinh(x)",
	} {
		got := asked(t, map[string]any{"ask": "derivative", "expr": text, "by": "x"})["text"].(string)
		same := asked(t, map[string]any{"ask": "simplify", "expr": "(" + got + ") − (" + want + ")"})["text"]
		assert.Equal(t, "0", same, "(%s)′ = %s, by the table %s", text, got, want)
	}
}

// The derivative agrees with the central difference, whose error at h = 1e-5 is about 1e-10 of the third derivative.
func TestDerivativesAgreeWithDifferences(t *testing.T) {
	for _, text := range []string{"tan x", "arcsin(x/4)", "arctan x²", "e^(sin x)", "x^x", "|x − 1|", "sec x + csc x", "log_2(x + 3)",
		"√(4 + x²)", "(x² + 1)/(x + 2)", "artanh(x/5)", "arcosh(x + 2)", "x² for x < 5; x for x ≥ 5", "cot x", "coth(x)", "x^(1/3)"} {
		slope := asked(t, map[string]any{"ask": "derivative", "expr": text, "by": "x"})["text"].(string)
		at := func(expr string, x float64) float64 {
			v, ok := asked(t, map[string]any{"ask": "value", "expr": expr, "with": map[string]any{"x": x}})["value"].(float64)
			require.True(t, ok, "%s at %v", expr, x)
			return v
		}
		for _, x := range []float64{0.4, 1.3, 2.2} {
			const h = 1e-5
			difference := (at(text, x+h) - at(text, x-h)) / (2 * h)
			assert.InDelta(t, difference, at(slope, x), 1e-6*(1+math.Abs(difference)), "%s at %v: %s", text, x, slope)
		}
	}
}

func TestAMistakeIsAnAnswerWithItsPlaceInCodePoints(t *testing.T) {
	for text, at := range map[string]float64{"2x + ": 5, "π·(x": 2, "sin()": 0, "x ? 2": 2, "½ + )": 4} {
		problem := asked(t, map[string]any{"ask": "value", "expr": text, "with": map[string]any{"x": 1}})["error"].(map[string]any)
		assert.Equal(t, at, problem["at"], "%s: %s", text, problem["message"])
		assert.NotEmpty(t, problem["message"])
	}
}

func TestABadLineNamesItsIdAndWhatIsWrong(t *testing.T) {
	got := answer(t, `{"id": 7, "ask": "fit", "expr": "x"}`)
	assert.Equal(t, 7.0, got["id"])
	assert.Contains(t, got["error"].(map[string]any)["message"], "“x”: a list of numbers is wanted here")
	assert.Contains(t, answer(t, `{"ask":"dance"}`)["error"].(map[string]any)["message"], "no question")
	assert.Contains(t, answer(t, `not json`)["error"].(map[string]any)["message"], "JSON")
	assert.Contains(t, answer(t, `{"ask":"sample","expr":"x","from":2,"to":1,"bottom":0,"top":1,"width":9,"height":9}`)["error"].(map[string]any)["message"], "below")
	assert.Contains(t, answer(t, `{"ask":"value","expr":"x","angleUnit":"gon"}`)["error"].(map[string]any)["message"], "degree")
}

// A field with the wrong form is named, with what is wanted, in words of the trade and not of the program.
func TestAFieldOfTheWrongFormIsNamed(t *testing.T) {
	for line, words := range map[string]string{
		`{"ask":"classify","x":[0,1,2],"y":[5,"a",5]}`: "“y”: a number is wanted here, not a text.",
		`{"ask":"classify","x":[0,1,2],"y":true}`:      "a list of numbers is wanted here, not true or false.",
		`{"ask":"value","expr":[1]}`:                   "“expr”: a text is wanted here, not a list.",
		`{"ask":"value","expr":"x","with":3}`:          "an object of letters with numbers or formulas is wanted here, not a number.",
		`{"ask":"value","expr":"x","with":{"x":[1]}}`:  "x: “[1]” is not a number.",
		`{"ask":"sample","expr":"x","width":"9"}`:      "“width”",
		`[1, 2]`:          "an object with a field “ask” is wanted.",
		`{"ask":"value",`: "This line is no question in JSON",
	} {
		message := answer(t, line)["error"].(map[string]any)["message"].(string)
		assert.Contains(t, message, words, line)
		assert.NotContains(t, message, "json:", line)
		assert.NotContains(t, message, "..", line)
	}
}

func TestSampleGivesLinesThatBreakAndMarks(t *testing.T) {
	got := answer(t, `{"ask":"sample","expr":"(x² − 1)/(x − 1)","from":-2,"to":4,"bottom":-2,"top":6,"width":600,"height":400}`)
	assert.Len(t, got["lines"], 2)
	mark := got["marks"].([]any)[0].(map[string]any)
	assert.Equal(t, "hole", mark["kind"])
	assert.InDelta(t, 1, mark["x"], 1e-9)
	assert.InDelta(t, 2, mark["y"], 1e-9)
}

func BenchmarkValue(b *testing.B) {
	line := []byte(`{"ask":"value","expr":"a sin(2x + 1)/√(x² + 1)","with":{"a":2,"x":0.5}}`)
	for b.Loop() {
		question.Answer(line)
	}
}

// Derivatives by SymPy 1.11.1; testdata/derivatives.py says how they were made.
func TestDerivativesAgreeWithTheReferenceLibrary(t *testing.T) {
	file, err := os.Open("testdata/derivatives.tsv")
	require.NoError(t, err)
	defer file.Close()
	slopes := map[string][2]string{}
	count := 0
	for lines := bufio.NewScanner(file); lines.Scan(); {
		cells := strings.Split(lines.Text(), "\t")
		require.Len(t, cells, 4, lines.Text())
		text := cells[0]
		if _, known := slopes[text]; !known {
			first, _ := asked(t, map[string]any{"ask": "derivative", "expr": text})["text"].(string)
			second, _ := asked(t, map[string]any{"ask": "derivative", "expr": first})["text"].(string)
			slopes[text] = [2]string{first, second}
		}
		for i, slope := range slopes[text] {
			want, err := strconv.ParseFloat(cells[2+i], 64)
			require.NoError(t, err)
			got, ok := asked(t, map[string]any{"ask": "value", "expr": slope, "with": map[string]any{"x": cells[1]}})["value"].(float64)
			if assert.True(t, ok, "%s at %s: %s has a value", text, cells[1], slope) {
				assert.InDelta(t, want, got, 1e-9*(1+math.Abs(want)), "%s at %s: %s", text, cells[1], slope)
			}
			count++
		}
	}
	assert.GreaterOrEqual(t, count, 1500)
}

// What is simplified has the values of the formula, at the places of the same table.
func TestFormsKeepTheValues(t *testing.T) {
	file, err := os.Open("testdata/derivatives.tsv")
	require.NoError(t, err)
	defer file.Close()
	seen := map[string]bool{}
	for lines := bufio.NewScanner(file); lines.Scan(); {
		cells := strings.Split(lines.Text(), "\t")
		if seen[cells[0]] {
			continue
		}
		seen[cells[0]] = true
		at := map[string]any{"x": cells[1]}
		want, ok := asked(t, map[string]any{"ask": "value", "expr": cells[0], "with": at})["value"].(float64)
		require.True(t, ok, cells[0])
		for _, form := range []string{"", "expanded", "collected", "factored", "squared", "fractions"} {
			question := map[string]any{"ask": "simplify", "expr": cells[0]}
			if form != "" {
				question["form"] = form
			}
			text, exists := asked(t, question)["text"].(string)
			if !exists {
				require.NotEmpty(t, form, "%s can be simplified", cells[0])
				continue
			}
			got, ok := asked(t, map[string]any{"ask": "value", "expr": text, "with": at})["value"].(float64)
			if assert.True(t, ok, "%s %s: %s", cells[0], form, text) {
				assert.InDelta(t, want, got, 1e-9*(1+math.Abs(want)), "%s %s: %s", cells[0], form, text)
			}
		}
	}
}

// Where turns may be missing that nothing was found to rise says nothing.
func TestIntervalsThatAreNotKnownAreNull(t *testing.T) {
	for text, isKnown := range map[string]bool{"(x² − 10^6) e^(4x)": false, "sin(10^20 x)": false, "−2x": true, "floor(x)": true} {
		got := asked(t, map[string]any{"ask": "features", "expr": text})
		rising := got["increasing"].(map[string]any)
		assert.Empty(t, rising["items"], text)
		if isKnown {
			assert.Equal(t, "∅", rising["text"], text)
		} else {
			assert.Nil(t, rising["text"], text)
		}
	}
}
