package fit

import (
	"math"
	"sort"

	"gonum.org/v1/gonum/stat/distuv"
)

// AdjustedR2 is R² held against the number of letters: 1 − (1 − R²)(n − 1)/(n − p); NaN where no point is left over (Ezekiel 1930).
func (f *Fit) AdjustedR2() float64 {
	n, p := float64(len(f.Residuals)), float64(len(f.Coefficients))
	if n <= p {
		return math.NaN()
	}
	return 1 - (1-f.R2)*(n-1)/(n-p)
}

// AICc is Akaike's criterion corrected for few points (Hurvich & Tsai 1989), lower is better; NaN where there are too few points or the fit is
// exact.
func (f *Fit) AICc() float64 {
	n, k := float64(len(f.Residuals)), float64(len(f.Coefficients))+1
	if n-k-1 <= 0 || f.SSE == 0 {
		return math.NaN()
	}
	return n*math.Log(f.SSE/n) + 2*k + 2*k*(k+1)/(n-k-1)
}

// Pattern is what the signs of residuals say.
type Pattern string

// The patterns: too few residuals to say, no pattern, long runs of one sign, and signs that change more often than by chance.
const (
	TooFew  Pattern = "tooFew"
	Random  Pattern = "random"
	Runs    Pattern = "runs"
	Zigzag  Pattern = "zigzag"
	Perfect Pattern = "perfect"
)

// Pattern counts runs of one sign in the order of x (Wald & Wolfowitz 1940): with n₁ and n₂ residuals of either sign about 2n₁n₂/n + 1 are
// expected; two standard deviations fewer or more are a pattern.
func (f *Fit) Pattern(x, y []float64) Pattern {
	size := 0.0
	for _, v := range y {
		size = math.Max(size, math.Abs(v))
	}
	order := make([]int, len(x))
	exact := true
	for i := range order {
		order[i] = i
		exact = exact && math.Abs(f.Residuals[i]) <= 1e-12*size
	}
	if exact {
		return Perfect
	}
	sort.SliceStable(order, func(i, j int) bool { return x[order[i]] < x[order[j]] })
	var above, below, runs, last float64
	for _, i := range order {
		sign := math.Copysign(1, f.Residuals[i])
		if sign > 0 {
			above++
		} else {
			below++
		}
		if sign != last {
			runs++
		}
		last = sign
	}
	n := above + below
	if n < 8 || above < 2 || below < 2 {
		return TooFew
	}
	expected := 2*above*below/n + 1
	spread := math.Sqrt((expected - 1) * (expected - 2) / (n - 1))
	switch {
	case runs < expected-2*spread:
		return Runs
	case runs > expected+2*spread:
		return Zigzag
	}
	return Random
}

// Words say what a pattern means.
func (p Pattern) Words() string {
	switch p {
	case Perfect:
		return "all points lie on the curve"
	case Random:
		return "residuals change sign as by chance"
	case Runs:
		return "residuals change sign in long runs: the shape is not that of the data"
	case Zigzag:
		return "residuals change sign nearly every time: something alternates in the data"
	}
	return "too few points to judge the residuals"
}

// Linearised is the fit of a straight line to logarithms, written as the model it stands for: exponential in ln y, power in ln y and ln x. It
// minds relative errors, where a fit in y minds absolute ones, so the two differ. False where the model has none or a value is not above 0.
func Linearised(name Name, x, y []float64) (coefficients []float64, ok bool) {
	if name != Exponential && name != Power {
		return nil, false
	}
	u, v := make([]float64, len(x)), make([]float64, len(y))
	for i := range x {
		u[i], v[i] = x[i], math.Log(y[i])
		if name == Power {
			u[i] = math.Log(x[i])
		}
		if !finite(u[i]) || !finite(v[i]) {
			return nil, false
		}
	}
	line, _ := NewModel(Linear, "x")
	f := line.To(u, v, nil)
	if !f.Converged() {
		return nil, false
	}
	return []float64{math.Exp(f.Coefficients[1]), f.Coefficients[0]}, true
}

// Band gives half the height of the band in which a further value at x lies with a probability, 0.95 for 95 %: t·s·√(1 + gᵀ(JᵀJ)⁻¹g) with the
// quantile of Student's t (Bates & Watts, Nonlinear Regression Analysis, 1988, 1.1.2, 2.3.2). It is nil where no point is left over.
func (f *Fit) Band(probability float64) func(at float64) float64 {
	n, p := len(f.x), len(f.Coefficients)
	if n <= p || f.Model.Name == MedianLine {
		return nil
	}
	leverage := f.leverage()
	t := distuv.StudentsT{Mu: 0, Sigma: 1, Nu: float64(n - p)}.Quantile((1 + probability) / 2)
	s := math.Sqrt(f.SSE / float64(n-p))
	return func(at float64) float64 { return t * s * math.Sqrt(1+leverage(at)) }
}
