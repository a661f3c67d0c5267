package fit

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

func fitted(t *testing.T, name Name, x, y []float64) *Fit {
	t.Helper()
	m, ok := NewModel(name, "x")
	require.True(t, ok, name)
	return m.To(x, y, nil)
}

// Sets of NIST whose models are on the list, from the starts that the data give: DanWood is a power, Rat42 a logistic function
// (b1/(1 + e^(b2 − b3 x)) = a/(1 + e^(−b(x − c))) with a = b1, b = b3, c = b2/b3).
func TestModelsOfTheListFindTheirOwnStarts(t *testing.T) {
	set := read(t, "DanWood")
	f := fitted(t, Power, set.x, set.y)
	require.True(t, f.Converged(), f.Reason)
	assert.InEpsilonSlice(t, set.certified, f.Coefficients, 1e-8)

	set = read(t, "Rat42")
	f = fitted(t, Logistic, set.x, set.y)
	require.True(t, f.Converged(), f.Reason)
	b := set.certified
	assert.InEpsilonSlice(t, []float64{b[0], b[2], b[1] / b[2]}, f.Coefficients, 1e-8)
}

// A growing half-life table, a saturating growth and so on: what was made by a function without errors gives the function back, whatever its
// size, its place and its direction.
func TestEveryModelGivesBackTheFunctionThatMadeTheTable(t *testing.T) {
	rapid.Check(t, func(r *rapid.T) {
		name := rapid.SampledFrom(Names()).Draw(r, "model")
		m, _ := NewModel(name, "x")
		n := rapid.IntRange(9, 30).Draw(r, "n")
		width := math.Pow(10, rapid.Float64Range(-1, 3).Draw(r, "width"))
		size := math.Pow(10, rapid.Float64Range(-2, 4).Draw(r, "size"))
		first := 0.1 * width
		share := func(label string, lo, hi float64) float64 { return rapid.Float64Range(lo, hi).Draw(r, label) }
		var c []float64
		switch name {
		case Exponential:
			c = []float64{size, share("b", 0.1, 4) * float64(rapid.SampledFrom([]int{-1, 1}).Draw(r, "sign")) / width}
		case Power:
			c = []float64{size, share("b", 0.2, 4) * float64(rapid.SampledFrom([]int{-1, 1}).Draw(r, "sign"))}
		case Logistic:
			c = []float64{size, share("b", 5, 20) / width, first + share("c", 0.2, 0.8)*width}
		case Sinusoidal:
			c = []float64{size, share("turns", 0.8, 3) * 2 * math.Pi / width, share("c", -3, 3), share("d", -2, 2) * size}
		default:
			for range m.Letters {
				c = append(c, size*share("c", 0.5, 2))
			}
		}
		var x, y []float64
		for i := range n {
			x = append(x, first+width*float64(i)/float64(n-1))
			y = append(y, m.At(x[i], c))
		}
		f := m.To(x, y, nil)
		if !f.Converged() {
			r.Fatal(name, f.Reason)
		}
		if !(f.R2 > 1-1e-9) {
			r.Fatal(name, c, f.Coefficients, f.R2)
		}
	})
}

// Fitted by SciPy's least_squares; the script stands beside the numbers.
func TestSinusoidsAgreeWithAnIndependentOptimiser(t *testing.T) {
	data, err := os.ReadFile("testdata/scipy/sinusoids.json")
	require.NoError(t, err)
	var sets []struct {
		Name               string
		X, Y, Coefficients []float64
		SSE                float64
	}
	require.NoError(t, json.Unmarshal(data, &sets))
	for _, set := range sets {
		f := fitted(t, Sinusoidal, set.X, set.Y)
		require.True(t, f.Converged(), f.Reason)
		assert.InDeltaSlice(t, set.Coefficients, f.Coefficients, 1e-6, set.Name)
		assert.InEpsilon(t, set.SSE, f.SSE, 1e-9, set.Name)
	}
}

// Sparse samples of a slow wave are met by fast ones as well; the slow one is taken (decided: between half a turn over the data's width and
// half the sampling rate).
func TestASinusoidNeverAliases(t *testing.T) {
	var x, y []float64
	for i := range 30 {
		x = append(x, 2*float64(i))
		y = append(y, 3*math.Sin(0.4*x[i]+1))
	}
	f := fitted(t, Sinusoidal, x, y)
	require.True(t, f.Converged())
	assert.InDelta(t, 0.4, f.Coefficients[1], 1e-9)
	lo, hi := Frequencies(x)
	assert.InDelta(t, math.Pi/58, lo, 1e-12)
	assert.InDelta(t, math.Pi/2, hi, 1e-12)
}

// Velleman & Hoaglin's rule worked by hand: thirds {1,2,3}, {4,5,6}, {7,8,9} with medians (2, 3), (5, 8), (8, 15); slope 12/6 = 2,
// height (3 + 8 + 15 − 2·15)/3 = −4/3.
func TestTheMedianMedianLineGoesThroughTheMediansOfThirds(t *testing.T) {
	x := []float64{1, 2, 3, 4, 5, 6, 7, 8, 9}
	y := []float64{1, 3, 40, 8, 7, 9, 15, 14, 60}
	f := fitted(t, MedianLine, x, y)
	require.True(t, f.Converged(), f.Reason)
	assert.InDeltaSlice(t, []float64{2, -4.0 / 3}, f.Coefficients, 1e-12)
}

func TestWhatHasNoBestFitSaysWhy(t *testing.T) {
	for _, c := range []struct {
		model Name
		x, y  []float64
		says  string
	}{
		{Linear, []float64{2, 2, 2}, []float64{1, 2, 3}, "All x are equal"},
		{Quadratic, []float64{1, 2}, []float64{1, 2}, "2 points do not fix 3 unknowns"},
		{Quadratic, []float64{1, 2, 2, 1}, []float64{1, 2, 3, 4}, "only 2 different x"},
		{Power, []float64{0, 1, 2}, []float64{1, 2, 3}, "x must be above 0"},
		{Logarithmic, []float64{1, -1, 2}, []float64{1, 2, 3}, "value 2 is not"},
		{Sinusoidal, []float64{1, 2, 3, 4, 5}, []float64{4, 4, 4, 4, 4}, "All y are equal"},
		{Logistic, []float64{0, 1, 2, 3, 4, 5}, []float64{1, 2, 4, 8, 16, 32}, "levels off"},
	} {
		f := fitted(t, c.model, c.x, c.y)
		assert.False(t, f.Converged(), c.model)
		assert.Contains(t, f.Reason, c.says, c.model)
		assert.Nil(t, f.Coefficients)
	}
}

// A fit is in y: the ratio of a doubling with one late error is not that of the logarithms. Where nothing is wrong R² is 1, where all
// y are equal it does not exist.
func TestR2IsAboutTheMean(t *testing.T) {
	f := fitted(t, Linear, []float64{0, 1, 2}, []float64{0, 1, 5})
	// ȳ = 2, Σ(y − ȳ)² = 14; slope 5/2, intercept −1/2, residuals 1/2, −1, 1/2.
	assert.InDeltaSlice(t, []float64{2.5, -0.5}, f.Coefficients, 1e-12)
	assert.InDelta(t, 1.5, f.SSE, 1e-12)
	assert.InDelta(t, 1-1.5/14, f.R2, 1e-12)
	assert.True(t, math.IsNaN(fitted(t, Linear, []float64{0, 1, 2}, []float64{3, 3, 3}).R2))
}

// Tables as a class measures them, invented, with one value off by 40 times the spread; not at an end, where a trend may as well turn.
func TestAMistypedValueStandsOutAndTheOthersDoNot(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	shapes := []struct {
		name string
		at   func(float64) float64
	}{
		{"line", func(x float64) float64 { return 3 + 2*x }},
		{"parabola", func(x float64) float64 { return 40 - (x-6)*(x-6) }},
		{"growth", func(x float64) float64 { return 2 * math.Exp(0.3*x) }},
		{"logistic", func(x float64) float64 { return 60 / (1 + math.Exp(5-x)) }},
		{"tide", func(x float64) float64 { return 30 + 18*math.Sin(0.9*x) }},
	}
	marked := 0
	for _, shape := range shapes {
		for range 6 {
			var x, y []float64
			for i := range 20 {
				x = append(x, 0.6*float64(i))
				y = append(y, math.Round(10*(shape.at(x[i])+0.3*r.NormFloat64()))/10)
			}
			marked += len(Suspects(x, y))
			wrong := 1 + r.IntN(18)
			y[wrong] += 12
			found := false
			for _, s := range Suspects(x, y) {
				found = found || s.Index == wrong
				assert.Contains(t, s.Reason, "times the usual distance from")
			}
			assert.True(t, found, "%s, row %d", shape.name, wrong)
		}
	}
	assert.LessOrEqual(t, marked, 3, "of 600 right values in 30 tables: about one table in thirty has one")
}

// What a float64 cannot tell apart is no mistake: exact values have no outliers, though their residuals are not 0.
func TestExactTablesHaveNoSuspects(t *testing.T) {
	var x, y, z []float64
	for i := range 15 {
		x = append(x, float64(i))
		y = append(y, 0.1*float64(i*i)-0.3*float64(i))
		z = append(z, math.Pow(1.1, float64(i)))
	}
	assert.Empty(t, Suspects(x, y))
	assert.Empty(t, Suspects(x, z))
	assert.Empty(t, fitted(t, Quadratic, x, y).Outliers(x, y))
}

func BenchmarkRefitOf200PointsLogistic(b *testing.B) {
	r := rand.New(rand.NewPCG(3, 5))
	m, _ := NewModel(Logistic, "x")
	var x, y []float64
	for i := range 200 {
		x = append(x, float64(i)/10)
		y = append(y, m.At(x[i], []float64{80, 0.7, 9})+r.NormFloat64())
	}
	near := m.To(x, y, nil).Coefficients
	for b.Loop() {
		y[100] += 0.01
		m.To(x, y, near)
	}
}
