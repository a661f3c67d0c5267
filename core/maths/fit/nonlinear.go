package fit

import (
	"math"

	"gonum.org/v1/gonum/mat"
)

// steps bounds the search from one start.
const steps = 3000

// vanishing is the share of the sum of squares below which a step gains nothing that could be told from rounding.
const vanishing = 1e-14

// search is one descent by Levenberg and Marquardt.
type search struct {
	*Model
	x, y        []float64
	at          []float64 // the coefficients so far
	r           []float64 // residuals there
	sse         float64
	jacobian    []float64
	scale       []float64 // the largest lengths of the columns so far (Moré 1978)
	lambda      float64
	growth      float64
	trial, rest []float64
}

// descend goes down from a start to where no step gains any more; false where the model has no value on the way.
func (m *Model) descend(x, y, start []float64, most int) (at []float64, sse float64, ok bool) {
	n, p := len(x), len(m.Letters)
	s := &search{Model: m, x: x, y: y, at: append([]float64(nil), start...), r: make([]float64, n), jacobian: make([]float64, n*p),
		scale: make([]float64, p), lambda: 1e-3, growth: 2, trial: make([]float64, p), rest: make([]float64, n)}
	if s.sse = m.residuals(s.r, x, y, s.at); !finite(s.sse) {
		return nil, 0, false
	}
	for range most {
		if !s.linearise() {
			return nil, 0, false
		}
		if !s.step() {
			break
		}
	}
	return s.at, s.sse, true
}

func finite(v float64) bool { return !math.IsNaN(v) && !math.IsInf(v, 0) }

// linearise takes the derivatives where the search stands.
func (s *search) linearise() bool {
	s.gradients(s.jacobian, s.x, s.at)
	for k, length := range columnLengths(s.jacobian, len(s.at)) {
		if !finite(length) {
			return false
		}
		s.scale[k] = math.Max(s.scale[k], length)
	}
	return true
}

// step looks for a step that gains, shorter and steeper each time; false when there is none any more.
func (s *search) step() bool {
	for range 60 {
		delta, predicted, ok := s.damped()
		if ok {
			small := true
			for k := range s.at {
				s.trial[k] = s.at[k] + delta[k]
				small = small && math.Abs(delta[k]) <= 1e-15*math.Abs(s.at[k])
			}
			if small {
				return false
			}
			sse := s.residuals(s.rest, s.x, s.y, s.trial)
			if predicted <= vanishing*s.sse {
				// The last step: what it gains lies below the rounding of the sum, so that it is not held against it.
				if finite(sse) && sse <= s.sse*(1+1e-9) {
					copy(s.at, s.trial)
					s.sse = sse
				}
				return false
			}
			if finite(sse) && sse < s.sse {
				gain := (s.sse - sse) / predicted
				s.at, s.trial = s.trial, s.at
				s.r, s.rest = s.rest, s.r
				s.sse = sse
				// Nielsen, Damping parameter in Marquardt's method, 1999.
				s.lambda *= math.Max(1.0/5, 1-math.Pow(2*gain-1, 3))
				s.lambda = math.Max(s.lambda, 1e-18)
				s.growth = 2
				return true
			}
		}
		s.lambda *= s.growth
		s.growth *= 2
		if s.lambda > 1e16 {
			return false
		}
	}
	return false
}

// damped is the step that solves (JᵀJ + λD²)δ = Jᵀr, from the QR of J with √λ·D below it, and the gain that it should bring.
func (s *search) damped() (delta []float64, predicted float64, ok bool) {
	n, p := len(s.x), len(s.at)
	data := make([]float64, (n+p)*p)
	right := make([]float64, n+p)
	root := math.Sqrt(s.lambda)
	for i := range n {
		for k := range p {
			if s.scale[k] > 0 {
				data[i*p+k] = s.jacobian[i*p+k] / s.scale[k]
			}
		}
	}
	copy(right, s.r)
	for k := range p {
		data[(n+k)*p+k] = root
	}
	var qr mat.QR
	qr.Factorize(mat.NewDense(n+p, p, data))
	var d mat.VecDense
	if err := qr.SolveVecTo(&d, false, mat.NewVecDense(n+p, right)); err != nil && d.Len() != p {
		return nil, 0, false
	}
	delta = make([]float64, p)
	for k := range p {
		if s.scale[k] > 0 {
			delta[k] = d.AtVec(k) / s.scale[k]
		}
		if !finite(delta[k]) {
			return nil, 0, false
		}
	}
	for i := range n {
		moved := 0.0
		for k := range p {
			moved += s.jacobian[i*p+k] * delta[k]
		}
		predicted += moved * (2*s.r[i] - moved)
	}
	return delta, predicted, predicted > 0
}
