package circle_test

import (
	"bufio"
	"math"
	"math/big"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/circle"
	"parvix/core/maths/exact"
)

func degrees(d float64) circle.Angle { return circle.At(d * math.Pi / 180) }

// The file was written by mpmath with 30 digits, all 24 multiples of 15° and angles between them over several turns.
func TestTheSixFunctionsAgreeWithAMultiplePrecisionLibrary(t *testing.T) {
	f, err := os.Open("testdata/mpmath.txt")
	require.NoError(t, err)
	defer f.Close()
	lines, checked := bufio.NewScanner(f), 0
	for lines.Scan() {
		if strings.HasPrefix(lines.Text(), "#") {
			continue
		}
		fields := strings.Fields(lines.Text())
		d, err := strconv.ParseFloat(fields[0], 64)
		require.NoError(t, err)
		for i, function := range circle.Functions() {
			l := function.Of(degrees(d))
			checked++
			if fields[i+1] == "undefined" {
				assert.True(t, math.IsNaN(l.Value), "%s %v°", function, d)
				assert.Contains(t, l.Undefined, "parallel", "%s %v°", function, d)
				continue
			}
			want, err := strconv.ParseFloat(fields[i+1], 64)
			require.NoError(t, err)
			assert.InDelta(t, want, l.Value, 1e-14*math.Max(1, math.Abs(want)), "%s %v°", function, d)
			if math.Mod(d, 15) == 0 {
				require.NotNil(t, l.Exact, "%s %v° is a special angle", function, d)
				assert.InDelta(t, want, exact.Float(l.Exact), 1e-14*math.Max(1, math.Abs(want)), "%s %v°", function, d)
			}
		}
	}
	assert.Equal(t, 37*6, checked)
}

// DLMF Table 4.17.1, typed from the table.
func TestSpecialAnglesAreExactAsTheHandbookHasThem(t *testing.T) {
	for text, want := range map[string]string{
		"sin 15": "(√6 − √2)/4", "cos 15": "(√6 + √2)/4", "tan 15": "2 − √3", "csc 15": "√2 + √6", "sec 15": "√6 − √2", "cot 15": "2 + √3",
		"sin 30": "1/2", "cos 30": "√3/2", "tan 30": "√3/3", "sin 45": "√2/2", "tan 45": "1", "sec 45": "√2",
		"sin 60": "√3/2", "tan 60": "√3", "csc 60": "2√3/3", "sin 75": "(√6 + √2)/4", "tan 75": "2 + √3", "sin 90": "1", "cos 90": "0",
	} {
		name, angle, _ := strings.Cut(text, " ")
		d, _ := strconv.ParseFloat(angle, 64)
		l := circle.Function(name).Of(degrees(d))
		require.NotNil(t, l.Exact, text)
		wanted, err := expr.Parse(want, nil)
		require.NoError(t, err)
		assert.InDelta(t, exact.Float(wanted.Node), exact.Float(l.Exact), 1e-15*8, text)
		assert.LessOrEqual(t, len([]rune(expr.Pretty(l.Exact))), len([]rune(want))+2, "as short as in the table: %s", expr.Pretty(l.Exact))
	}
}

// Periodicity, sin² + cos² = 1, 1 + tan² = sec², 1 + cot² = csc², reciprocals and quotients (DLMF 4.21) over several
// turns both ways, at exact angles and between them.
func TestIdentitiesHoldOverSeveralTurns(t *testing.T) {
	near := func(want, got float64, what string, d float64) {
		t.Helper()
		assert.InDelta(t, want, got, 4e-15*math.Max(1, math.Abs(want)), "%s at %v°", what, d)
	}
	for k := -1500; k <= 1500; k++ {
		for _, a := range []circle.Angle{degrees(float64(k)), {Radians: float64(k) * 0.01734}} {
			d := a.Degrees()
			v := map[circle.Function]float64{}
			for _, f := range circle.Functions() {
				l := f.Of(a)
				v[f] = l.Value
				later := f.Of(a.Coterminal(3))
				assert.Equal(t, math.IsNaN(l.Value), math.IsNaN(later.Value))
				if a.OfPi != nil && l.Value == l.Value {
					assert.Equal(t, l.Value, later.Value, "%s of %v° and three turns on", f, d)
				}
			}
			s, c := v[circle.Sine], v[circle.Cosine]
			near(1, s*s+c*c, "sin² + cos²", d)
			if tan, sec := v[circle.Tangent], v[circle.Secant]; tan == tan && math.Abs(tan) < 1e3 {
				near(sec*sec, 1+tan*tan, "1 + tan²", d)
				near(1, sec*c, "sec · cos", d)
				near(s/c, tan, "tan", d)
			}
			if cot, csc := v[circle.Cotangent], v[circle.Cosecant]; cot == cot && math.Abs(cot) < 1e3 {
				near(csc*csc, 1+cot*cot, "1 + cot²", d)
				near(1, csc*s, "csc · sin", d)
			}
			near(c, circle.Sine.Of(a.Complement()).Value, "cosine, the sine of the complement,", d)
		}
	}
}

// Quadrants, reference and coterminal angles (common practice).
func TestAnAngleIsPlacedInItsQuadrant(t *testing.T) {
	for d, want := range map[float64][3]float64{30: {1, 30, 30}, 150: {2, 30, 150}, 210: {3, 30, 210}, 300: {4, 60, 300}, 405: {1, 45, 45}, -45: {4, 45, 315},
		-750: {4, 30, 330}, 95.5: {2, 84.5, 95.5}} {
		a := degrees(d)
		q, axis := a.Quadrant()
		assert.Equal(t, int(want[0]), q, "%v°", d)
		assert.Empty(t, axis)
		assert.InDelta(t, want[1], a.Reference().Degrees(), 1e-12, "the reference angle of %v°", d)
		assert.InDelta(t, want[2], a.Principal().Degrees(), 1e-12, "%v° within one turn", d)
	}
	for d, want := range map[float64]string{0: "positive x-axis", 90: "positive y-axis", -180: "negative x-axis", 270: "negative y-axis", 720: "positive x-axis"} {
		q, axis := degrees(d).Quadrant()
		assert.Zero(t, q)
		assert.Equal(t, want, axis, "%v°", d)
	}
	assert.Equal(t, "7π/6", expr.Pretty(degrees(210).Exact()))
	assert.Equal(t, "−5π/6", expr.Pretty(degrees(210).Coterminal(-1).Exact()))
	assert.Equal(t, int64(-3), degrees(-750).Turns())
	q, _ := circle.Angle{Radians: 4}.Quadrant()
	assert.Equal(t, 3, q)
	assert.InDelta(t, 4-math.Pi, circle.Angle{Radians: 4}.Reference().Radians, 1e-15)
	assert.Nil(t, circle.At(1).OfPi, "one radian is no fraction of π")
	assert.Equal(t, big.NewRat(1, 12), circle.At(math.Pi/12).OfPi)
}
