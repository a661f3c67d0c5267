package fit

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"
)

// Fit is what was found.
type Fit struct {
	Model *Model
	// Coefficients are those of the model's letters, nil where none are the best; Reason then says why.
	Coefficients []float64
	Reason       string
	// SSE is the sum of the squares of the Residuals y − f(x); R2 = 1 − SSE/Σ(y − ȳ)², about the mean, NaN where all y are equal.
	SSE, R2   float64
	Residuals []float64
	x         []float64 // where the points lie
	// Studentised are the residuals, each over the spread that the other points give; nil where there are too few.
	Studentised []float64
}

// Converged tells that there is one best function.
func (f *Fit) Converged() bool { return f.Coefficients != nil }

// At is the fitted function's value.
func (f *Fit) At(x float64) float64 { return f.Model.At(x, f.Coefficients) }

// To fits a model to points; start is where a search begins, nil leaves it to the data. Lengths are equal,
// numbers finite.
func (m *Model) To(x, y, start []float64) *Fit {
	f := &Fit{Model: m, R2: math.NaN(), x: x}
	if f.Reason = m.hindered(x, y); f.Reason != "" {
		return f
	}
	switch {
	case m.Name == MedianLine:
		f.Coefficients = medianLine(x, y)
	case m.isLinear():
		f.solve(x, y)
	default:
		f.search(x, y, start)
	}
	if f.Coefficients == nil {
		return f
	}
	f.Residuals = make([]float64, len(x))
	f.SSE = m.residuals(f.Residuals, x, y, f.Coefficients)
	f.R2 = determination(y, f.SSE)
	f.studentise()
	return f
}

// hindered says why a model cannot be fitted to points.
func (m *Model) hindered(x, y []float64) string {
	if len(x) < len(m.Letters) {
		return fmt.Sprintf("%d points do not fix %d unknowns; at least %d are needed.", len(x), len(m.Letters), len(m.Letters))
	}
	if m.Name == MedianLine && len(x) < 3 {
		return "A median–median line needs at least 3 points."
	}
	distinct := len(spanOf(x).xs)
	switch {
	case distinct < m.spans && distinct == 1:
		return "All x are equal: nothing tells how y changes with x."
	case distinct < m.spans:
		return fmt.Sprintf("There are only %d different x; at least %d are needed.", distinct, m.spans)
	}
	if m.Name == Power || m.Name == Logarithmic {
		for i, v := range x {
			if v <= 0 {
				return fmt.Sprintf("x must be above 0 for this model; value %d is not.", i+1)
			}
		}
	}
	if level := slices.Max(y) == slices.Min(y); level && (m.Name == Logistic || m.Name == Sinusoidal) {
		return "All y are equal: many functions of this kind are level there."
	}
	if m.Name == Exponential || m.Name == Power || m.Name == Logistic {
		if slices.Max(y) == 0 && slices.Min(y) == 0 {
			return "All y are 0: the rate could be any."
		}
	}
	return ""
}

// solve finds letters that enter linearly.
func (f *Fit) solve(x, y []float64) {
	m, p := f.Model, len(f.Model.Letters)
	zeros := make([]float64, p)
	b, a := make([]float64, len(x)), make([]float64, len(x)*p)
	if !finite(m.residuals(b, x, y, zeros)) {
		f.Reason = "The formula has no value at one of the x."
		return
	}
	m.gradients(a, x, zeros)
	var ok bool
	if f.Coefficients, ok = leastSquares(a, b, p); !ok {
		f.Coefficients, f.Reason = nil, "The best fit is not unique: several sets of the unknowns give the same function at these x."
		return
	}
	// What changes nothing that a float64 could tell beside the data is 0.
	size := math.Sqrt(meanSquare(b) * float64(len(b)))
	for k, length := range columnLengths(a, p) {
		if math.Abs(f.Coefficients[k])*length <= 1e-14*size {
			f.Coefficients[k] = 0
		}
	}
}

// few bounds the steps from a start that is only tried, mostTried the points that it is tried on.
const few, mostTried = 60, 600

// search goes down from every start and keeps the lowest end.
func (f *Fit) search(x, y, start []float64) {
	m := f.Model
	var starts [][]float64
	if start != nil {
		starts = [][]float64{start}
	} else {
		starts = m.starts(x, y)
	}
	lowest := math.Inf(1)
	tx, ty, most := x, y, steps
	if len(starts) > 1 {
		tx, ty = thinned(x, y, mostTried)
		most = few
	}
	for _, from := range starts {
		if at, sse, ok := m.descend(tx, ty, from, most); ok && sse < lowest && m.allows(x, at) {
			f.Coefficients, lowest = at, sse
		}
	}
	if f.Coefficients == nil {
		f.Reason = "No function of this kind was found near the data."
		return
	}
	if len(starts) > 1 { // tried shortly, on a part of the points
		if at, _, ok := m.descend(x, y, f.Coefficients, steps); ok {
			f.Coefficients = at
		}
	}
	if reason := m.runaway(x, y, f.Coefficients); reason != "" {
		f.Coefficients, f.Reason = nil, reason
		return
	}
	m.normalise(f.Coefficients)
}

// allows holds a sinusoid to the range of its frequencies, with a hundredth to spare.
func (m *Model) allows(x, at []float64) bool {
	if m.Name != Sinusoidal {
		return true
	}
	lo, hi := Frequencies(x)
	b := math.Abs(at[1])
	return b >= 0.99*lo && b <= 1.01*hi
}

// normalise writes a sinusoid with a and b above 0 and c between −π and π.
func (m *Model) normalise(c []float64) {
	if m.Name != Sinusoidal {
		return
	}
	if c[1] < 0 {
		c[0], c[1], c[2] = -c[0], -c[1], -c[2]
	}
	if c[0] < 0 {
		c[0], c[2] = -c[0], c[2]+math.Pi
	}
	c[2] = math.Remainder(c[2], 2*math.Pi)
}

// runaway says why there is no best function: the search has not ended, or ended where a letter makes no difference any more.
func (m *Model) runaway(x, y, at []float64) string {
	n, p := len(x), len(at)
	a := make([]float64, n*p)
	m.gradients(a, x, at)
	lengths := columnLengths(a, p)
	size := math.Sqrt(meanSquare(y) * float64(n))
	for k, length := range lengths {
		// What a letter changes by its own size is nothing beside the data.
		if !finite(length) || length*math.Max(math.Abs(at[k]), 1e-12) <= 1e-12*size && math.Abs(at[k]) > 1e-9 {
			return m.noBest(m.Letters[k])
		}
		for i := range n {
			a[i*p+k] /= math.Max(length, math.SmallestNonzeroFloat64)
		}
	}
	var qr mat.QR
	qr.Factorize(mat.NewDense(n, p, a))
	var rt mat.Dense
	qr.RTo(&rt)
	for k := range p {
		if math.Abs(rt.At(k, k)) < 1e-13 {
			return m.noBest(m.Letters[k])
		}
	}
	if m.Name == Logistic {
		reached := 0.0
		for _, v := range x {
			reached = math.Max(reached, math.Abs(m.At(v, at)/at[0]))
		}
		if reached < 0.01 { // less than a hundredth of the height at which it would level off
			return m.noBest("a")
		}
	}
	return ""
}

func (m *Model) noBest(letter string) string {
	switch m.Name {
	case Logistic:
		return "The data do not say where the growth levels off (or how steep it is): there is no best logistic function."
	case Exponential, Power:
		return "The fit gets better without end as " + letter + " runs away: there is no best function of this kind."
	}
	return "The best fit is not unique: the data do not fix " + letter + "."
}

func meanSquare(y []float64) (mean float64) {
	for _, v := range y {
		mean += v * v / float64(len(y))
	}
	return mean
}

// determination is R² about the mean.
func determination(y []float64, sse float64) float64 {
	mean, sst := 0.0, 0.0
	for _, v := range y {
		mean += v / float64(len(y))
	}
	for _, v := range y {
		sst += (v - mean) * (v - mean)
	}
	if sst == 0 {
		return math.NaN()
	}
	return 1 - sse/sst
}

// studentise divides each residual by its spread as the other points give it (Cook & Weisberg, Residuals and Influence in Regression,
// 1982, 2.2.1): externally studentised residuals.
func (f *Fit) studentise() {
	n, p := len(f.x), len(f.Coefficients)
	if n < p+3 || f.Model.Name == MedianLine {
		return
	}
	leverage := f.leverage()
	f.Studentised = make([]float64, n)
	for i, x := range f.x {
		kept := math.Max(1-leverage(x), 1e-12)
		without := (f.SSE - f.Residuals[i]*f.Residuals[i]/kept) / float64(n-p-1)
		f.Studentised[i] = f.Residuals[i] / math.Sqrt(math.Max(without, 0)*kept)
	}
}

// leverage gives gᵀ(JᵀJ)⁻¹g for the derivatives g at a place, from the QR of those at the points.
func (f *Fit) leverage() func(x float64) float64 {
	n, p := len(f.x), len(f.Coefficients)
	a := make([]float64, n*p)
	f.Model.gradients(a, f.x, f.Coefficients)
	lengths := columnLengths(a, p)
	for k := range lengths {
		lengths[k] = math.Max(lengths[k], math.SmallestNonzeroFloat64)
	}
	for i := range a {
		a[i] /= lengths[i%p]
	}
	var qr mat.QR
	qr.Factorize(mat.NewDense(n, p, a))
	var r mat.Dense
	qr.RTo(&r)
	g, z := make([]float64, p), make([]float64, p)
	return func(x float64) (sum float64) {
		f.Model.gradients(g, []float64{x}, f.Coefficients)
		for k := range p { // Rᵀz = g
			z[k] = g[k] / lengths[k]
			for j := range k {
				z[k] -= r.At(j, k) * z[j]
			}
			z[k] /= r.At(k, k)
			sum += z[k] * z[k]
		}
		return sum
	}
}
