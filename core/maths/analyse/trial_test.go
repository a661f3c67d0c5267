package analyse

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

// findingsOf examines a function with a fault put in between looking for its places and telling of them.
func findingsOf(t *testing.T, text string, fault func(a *analyser)) *Findings {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err)
	a, out, err := begin(f.Node, "x", Bounds{})
	require.NoError(t, err)
	a.cut()
	a.examine()
	fault(a)
	a.try()
	a.collect(out)
	return out
}

const spokenAgainst = "values of the function speak against what was found, so it is not told"

// Whatever goes wrong in finding, no sentence is told that the function's own values refute.
func TestWhatTheValuesRefuteIsNotTold(t *testing.T) {
	texts := []string{"x³ − 3x", "x e^(−x)", "ln(x)/x", "12/(1 + 3e^(−2x))", "√(9 − x²)", "(x² − 1)/(x − 2)", "x² + 1/x", "x − 2arctan(x)"}
	for _, text := range texts {
		right := findingsOf(t, text, func(*analyser) {})
		assert.NotContains(t, right.Undecided, spokenAgainst, text)
		assert.NotEmpty(t, right.Rising, text)

		turned := findingsOf(t, text, func(a *analyser) {
			for i := range a.segments {
				a.segments[i].rises = -a.segments[i].rises
			}
		})
		assert.Contains(t, turned.Undecided, spokenAgainst, "%s with all slopes turned about", text)
		for _, list := range [][]Interval{turned.Rising, turned.Falling} {
			assert.Empty(t, list, text)
		}
		assert.Empty(t, append(turned.Maxima, turned.Minima...), text)

		bent := findingsOf(t, text, func(a *analyser) {
			for i := range a.segments {
				a.segments[i].bends = -a.segments[i].bends
			}
		})
		assert.Contains(t, bent.Undecided, spokenAgainst, "%s with all bends turned about", text)
		assert.Empty(t, append(bent.ConcaveUp, bent.ConcaveDown...), text)
		assert.Equal(t, right.Rising, bent.Rising, "%s: slopes do not hang on bends", text)
		assert.Equal(t, right.Maxima, bent.Maxima, text)
	}
}

func TestAMissedPlaceIsNoticed(t *testing.T) {
	for _, text := range []string{"floor(x/2) for −3 ≤ x < 3", "|x² − 4|", "√(x² − 4)", "ln(x) + √(5 − x)", "x² for x < −1; 3 − x for x ≥ −1"} {
		whole := findingsOf(t, text, func(*analyser) {})
		assert.NotContains(t, whole.Undecided, spokenAgainst, text)
		parts := findingsOf(t, text, func(a *analyser) {
			// Every second place is forgotten, and its segment taken for that of its neighbour.
			for i := 0; i+1 < len(a.segments); i++ {
				a.segments[i].hi = a.segments[i+1].hi
				a.segments = append(a.segments[:i+1], a.segments[i+2:]...)
				a.places = append(a.places[:i+1], a.places[i+2:]...)
			}
		})
		assert.Contains(t, parts.Undecided, spokenAgainst, text)
		assert.False(t, parts.DomainKnown, text)
		assert.Empty(t, parts.Rising, text)
	}
}

func TestAZeroOrAValueThatIsNoneIsNoticed(t *testing.T) {
	shifted := findingsOf(t, "x² − 2", func(a *analyser) {
		for i := range a.places {
			if p := &a.places[i]; p.isZero {
				p.x = Number{Value: p.x.Value + 0.1}
				p.y = Number{}
			}
		}
	})
	assert.Contains(t, shifted.Undecided, spokenAgainst)
	lifted := findingsOf(t, "x² − 2x", func(a *analyser) {
		for i := range a.places {
			if p := &a.places[i]; p.turns {
				p.y = Number{Value: p.y.Value + 0.5}
			}
		}
	})
	assert.Contains(t, lifted.Undecided, spokenAgainst)
	assert.Empty(t, lifted.Minima)
	assert.False(t, lifted.RangeKnown && lifted.Range[0].Lo.Value == -0.5)
}

// A value that a range leaves out is among the samples.
func TestARangeHoldsAllThatWasSampled(t *testing.T) {
	f, err := expr.Parse("x²", nil)
	require.NoError(t, err)
	a, _, err := begin(f.Node, "x", Bounds{})
	require.NoError(t, err)
	a.cut()
	a.examine()
	a.try()
	require.NotEmpty(t, a.samples)
	number := func(v float64) Number { return Number{Value: v} }
	assert.True(t, a.tryRange([]Interval{{number(0), infinite(1), true, false}}))
	assert.False(t, a.tryRange([]Interval{{number(0), number(40), true, true}}))
	assert.False(t, a.tryRange([]Interval{{number(2), infinite(1), true, false}}))
	assert.False(t, a.tryRange(nil))
}

// A steady operation takes its values in order: what it makes of an interval has the values at the ends as its ends, and
// every value in between lies inside.
func TestTheImageOfAnIntervalHoldsItsValues(t *testing.T) {
	inner := []Interval{{Number{Value: -0.75}, Number{Value: 0.5}, true, false}, {Number{Value: 0.25}, Number{Value: 0.875}, false, true},
		{Number{Value: -3}, Number{Value: -1.5}, true, true}, {Number{Value: 1.25}, Number{Value: 4}, true, false}}
	for _, text := range []string{"−x", "x + 2", "3 − x", "x·(−2)", "x/4", "2/x", "(−1)/x", "√x", "∛x", "e^x", "0.3^x", "ln(x)", "sinh(x)", "cosh(x)", "tanh(x)",
		"arsinh(x)", "arcosh(x)", "artanh(x)", "arcsin(x)", "arccos(x)", "arctan(x)", "|x|", "x³", "x²", "x^(2/3)", "x^(3/2)"} {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err)
		branches, u, ok := outermost(f.Node, "x")
		require.True(t, ok, text)
		require.Equal(t, "x", expr.Text(u), text)
		a, _, err := begin(f.Node, "x", Bounds{})
		require.NoError(t, err)
		for _, i := range inner {
			var images []Interval
			for _, o := range branches {
				if image, ok := o.image(i); ok {
					images = append(images, image)
				}
			}
			images = union(images)
			lowest, highest, any := math.Inf(1), math.Inf(-1), false
			const steps = 400
			for k := 1; k < steps; k++ {
				y := a.f([]float64{i.Lo.Value + (i.Hi.Value-i.Lo.Value)*float64(k)/steps})
				if y != y {
					continue
				}
				any, lowest, highest = true, math.Min(lowest, y), math.Max(highest, y)
				held := false
				for _, image := range images {
					held = held || image.holds(y)
				}
				require.True(t, held, "%s on %s takes %v, not in %s", text, i.Text(), y, Intervals(images))
			}
			require.Equal(t, any, len(images) > 0, "%s on %s", text, i.Text())
			if !any || strings.Contains(text, "/x") && i.holds(0) {
				continue
			}
			near := func(told, seen float64) bool {
				return math.IsInf(told, 0) || math.Abs(told-seen) < 0.1*(1+math.Abs(seen))
			}
			assert.True(t, near(images[0].Lo.Value, lowest) && near(images[len(images)-1].Hi.Value, highest), "%s on %s: %s, seen from %v to %v", text, i.Text(), Intervals(images), lowest, highest)
		}
	}
}
