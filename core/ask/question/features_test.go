package question_test

import (
	"bufio"
	"encoding/json"
	"math"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// reference is a line of testdata/findings.jsonl: what SymPy 1.11.1 found out; testdata/findings.py says how.
type reference struct {
	Expr        string     `json:"expr"`
	Period      *float64   `json:"period"`
	Domain      [][4]any   `json:"domain"`
	Range       [][4]any   `json:"range"`
	Zeros       *[]float64 `json:"zeros"`
	Maxima      *[][2]any  `json:"maxima"`
	Minima      *[][2]any  `json:"minima"`
	Inflections *[][2]any  `json:"inflections"`
	FarOut      []*[2]any  `json:"farOut"`
	Poles       *[]float64 `json:"poles"`
	Holes       *[][2]any  `json:"holes"`
	Symmetry    string     `json:"symmetry"`
}

func real(t testing.TB, v any) float64 {
	t.Helper()
	switch v := v.(type) {
	case float64:
		return v
	case string:
		require.Contains(t, []string{"inf", "-inf"}, v)
		if v == "inf" {
			return math.Inf(1)
		}
		return math.Inf(-1)
	}
	require.Fail(t, "no number", "%v", v)
	return 0
}

func nears(a, b float64) bool { return a == b || math.Abs(a-b) <= 1e-8*(1+math.Abs(b)) }

func items(fields map[string]any, name string) []map[string]any {
	var out []map[string]any
	for _, item := range fields[name].(map[string]any)["items"].([]any) {
		out = append(out, item.(map[string]any))
	}
	return out
}

// tally counts what agreed and what was left undecided.
type tally struct{ checked, undecided int }

func (c *tally) set(t *testing.T, about string, got any, want [][4]any) {
	if want == nil {
		return
	}
	c.checked++
	if got == nil {
		c.undecided++
		t.Logf("undecided: %s", about)
		return
	}
	list := got.(map[string]any)["intervals"].([]any)
	text := got.(map[string]any)["text"]
	if !assert.Len(t, list, len(want), "%s: %v, by SymPy %v", about, text, want) {
		return
	}
	for i, w := range want {
		g := list[i].(map[string]any)
		ends := nears(real(t, g["lo"]), real(t, w[0])) && nears(real(t, g["hi"]), real(t, w[1]))
		assert.True(t, ends && g["loClosed"] == w[2] && g["hiClosed"] == w[3], "%s: %v, by SymPy %v", about, text, want)
	}
}

func (c *tally) places(t *testing.T, about string, got []map[string]any, x, y string, want [][2]any) {
	c.checked++
	if !assert.Len(t, got, len(want), "%s: %v, by SymPy %v", about, got, want) {
		return
	}
	for i, w := range want {
		agrees := nears(real(t, got[i][x]), real(t, w[0])) && nears(real(t, got[i][y]), real(t, w[1]))
		assert.True(t, agrees, "%s: %v, by SymPy %v", about, got[i], w)
	}
}

func TestFindingsAgreeWithTheReferenceLibrary(t *testing.T) {
	file, err := os.Open("testdata/findings.jsonl")
	require.NoError(t, err)
	defer file.Close()
	var c tally
	for lines := bufio.NewScanner(file); lines.Scan(); {
		var want reference
		require.NoError(t, json.Unmarshal(lines.Bytes(), &want), lines.Text())
		c.function(t, asked(t, map[string]any{"ask": "features", "expr": want.Expr}), want)
	}
	t.Logf("%d findings, %d undecided", c.checked, c.undecided)
	assert.GreaterOrEqual(t, c.checked, 400)
	assert.Less(t, float64(c.undecided), 0.03*float64(c.checked))
}

func (c *tally) function(t *testing.T, got map[string]any, want reference) {
	if !assert.NotContains(t, got, "error", want.Expr) {
		return
	}
	if len(got["undecided"].([]any)) > 0 {
		t.Logf("undecided in %s: %v", want.Expr, got["undecided"])
	}
	if want.Period != nil {
		c.checked++
		assert.True(t, got["period"] != nil && nears(real(t, got["period"]), *want.Period), "%s: period %v, by SymPy %v", want.Expr, got["period"], *want.Period)
	}
	c.set(t, "domain of "+want.Expr, got["domain"], want.Domain)
	c.set(t, "range of "+want.Expr, got["range"], want.Range)
	upright := func(list *[]float64) (points [][2]any) {
		for _, x := range *list {
			points = append(points, [2]any{x, 0.0})
		}
		return points
	}
	if want.Zeros != nil {
		c.places(t, "zeros of "+want.Expr, items(got, "zeros"), "x", "y", upright(want.Zeros))
	}
	for name, list := range map[string]*[][2]any{"maxima": want.Maxima, "minima": want.Minima, "inflections": want.Inflections, "holes": want.Holes} {
		if list == nil {
			continue
		}
		var inner []map[string]any
		for _, item := range items(got, name) {
			if item["end"] != true {
				inner = append(inner, item)
			}
		}
		c.places(t, name+" of "+want.Expr, inner, "x", "y", *list)
	}
	if want.Poles != nil {
		var poles []map[string]any
		for _, item := range items(got, "verticalAsymptotes") {
			poles = append(poles, map[string]any{"x": item["x"], "y": 0.0})
		}
		c.places(t, "vertical asymptotes of "+want.Expr, poles, "x", "y", upright(want.Poles))
	}
	for i, line := range want.FarOut {
		c.farOut(t, got, want.Expr, []string{"left", "right"}[i], line)
	}
	c.checked++
	assert.Equal(t, want.Symmetry, got["symmetry"], "symmetry of %s", want.Expr)
}

// farOut checks the asymptote on one side, or that there is none.
func (c *tally) farOut(t *testing.T, got map[string]any, about, side string, want *[2]any) {
	c.checked++
	var lines [][2]float64
	for _, l := range items(got, "horizontalAsymptotes") {
		if l["side"] == side || l["side"] == "both" {
			lines = append(lines, [2]float64{0, real(t, l["y"])})
		}
	}
	for _, l := range items(got, "obliqueAsymptotes") {
		if l["side"] == side || l["side"] == "both" {
			lines = append(lines, [2]float64{real(t, l["m"]), real(t, l["b"])})
		}
	}
	if want == nil {
		assert.Empty(t, lines, "asymptotes of %s on the %s, by SymPy none", about, side)
		return
	}
	if assert.Len(t, lines, 1, "asymptote of %s on the %s: by SymPy %v", about, side, *want) {
		assert.True(t, nears(lines[0][0], real(t, want[0])) && nears(lines[0][1], real(t, want[1])), "%s on the %s: %v, by SymPy %v", about, side, lines, *want)
	}
}

// What repeats in a domain, or goes on in a range, carries its distance (docs/math.md).
func TestDomainsThatRepeatAndRangesThatGoOnCarryTheirDistance(t *testing.T) {
	features := func(text string) map[string]any {
		return asked(t, map[string]any{"ask": "features", "expr": text})
	}
	domain := features("x + tan(x)")["domain"].(map[string]any)
	assert.Equal(t, "(−π/2, π/2)", domain["text"])
	assert.InDelta(t, math.Pi, domain["repeat"], 1e-15)
	assert.Equal(t, "pi", domain["repeatExact"])

	bounded := features("sqrt(3 − x) tan(x)")["domain"].(map[string]any)
	assert.Equal(t, "(−∞, 3] ∩ (−π/2, π/2), every π", bounded["text"])
	assert.Equal(t, "(−π/2, π/2)", bounded["and"].(map[string]any)["text"])
	assert.Len(t, bounded["intervals"], 1)
	assert.NotContains(t, bounded, "repeat")

	for text, want := range map[string][]any{"floor(x)/2": {"{…, −1/2, 0, 1/2, …}", 0.5, "both"}, "floor(sqrt(x))": {"{0, 1, 2, …}", 1.0, "up"}, "−2ceil(e^x)": {"{…, −6, −4, −2}", 2.0, "down"}} {
		reach := features(text)["range"].(map[string]any)
		assert.Equal(t, want, []any{reach["text"], reach["repeat"], reach["way"]}, text)
	}
}
