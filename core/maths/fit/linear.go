package fit

import (
	"math"

	"gonum.org/v1/gonum/mat"
)

// refinements bounds how often a solution is improved by that of its residuals.
const refinements = 6

// leastSquares solves a·x ≈ b, a with rows × p entries by rows, in the least squares sense: QR with columns of about length 1, then improved
// with residuals that carry twice the digits (Björck, Numerical Methods for Least Squares Problems, 2.9.3). It is false where the columns
// hang on each other.
func leastSquares(a []float64, b []float64, p int) (x []float64, ok bool) {
	rows := len(b)
	if rows < p {
		return nil, false
	}
	scale := columnLengths(a, p)
	for k, length := range scale {
		if length == 0 || !finite(length) {
			return nil, false
		}
		scale[k] = math.Ldexp(1, math.Ilogb(length)) // a power of two, so that nothing is rounded
	}
	scaled := make([]float64, len(a))
	for i := range rows {
		for k := range p {
			scaled[i*p+k] = a[i*p+k] / scale[k]
		}
	}
	var qr mat.QR
	qr.Factorize(mat.NewDense(rows, p, scaled))
	if !independent(&qr, p) {
		return nil, false
	}
	return refined(&qr, scaled, b, scale), true
}

// refined solves the system of residuals and coefficients together, r + a·x = b and aᵀr = 0, and improves both.
func refined(qr *mat.QR, a, b, scale []float64) []float64 {
	rows, p := len(b), len(scale)
	var triangle mat.Dense
	qr.RTo(&triangle)
	r := triangle.Slice(0, p, 0, p)
	x, rest, off := make([]float64, p), make([]float64, rows), make([]float64, rows)
	last := math.Inf(1)
	for range refinements {
		for i := range rows {
			off[i] = residual(b[i]-rest[i], a[i*p:i*p+p], x)
		}
		var step mat.VecDense
		if err := qr.SolveVecTo(&step, false, mat.NewVecDense(rows, off)); err != nil && step.Len() != p {
			break
		}
		across := mat.NewVecDense(p, nil) // aᵀr, then (RᵀR)⁻¹aᵀr
		column := make([]float64, rows)
		for k := range p {
			for i := range rows {
				column[i] = -a[i*p+k]
			}
			across.SetVec(k, residual(0, column, rest))
		}
		for _, side := range []mat.Matrix{r.T(), r} {
			_ = across.SolveVec(side, across) // a warning of bad condition ends in a step that gains nothing
		}
		step.AddVec(&step, across)
		size := mat.Norm(&step, 2)
		if !(size < last/2) {
			break
		}
		last = size
		for k := range p {
			x[k] += step.AtVec(k)
		}
		for i := range rows {
			for k := range p {
				off[i] -= a[i*p+k] * step.AtVec(k)
			}
			rest[i] += off[i]
		}
	}
	for k := range p {
		x[k] /= scale[k]
	}
	return x
}

// independent tells that no column of a factorised matrix is, to the digits of a float64, made of the others.
func independent(qr *mat.QR, p int) bool {
	var r mat.Dense
	qr.RTo(&r)
	for k := range p {
		if !(math.Abs(r.At(k, k)) > 1e-15) {
			return false
		}
	}
	return true
}

func columnLengths(a []float64, p int) []float64 {
	lengths := make([]float64, p)
	for i, v := range a {
		lengths[i%p] = math.Hypot(lengths[i%p], v)
	}
	return lengths
}

// residual is b − a·x with twice the digits of a float64 inside (Ogita, Rump, Oishi: Accurate sum and dot product, 2005, Dot2).
func residual(b float64, a, x []float64) float64 {
	sum, rest := b, 0.0
	for k, v := range a {
		product := -v * x[k]
		rest += math.FMA(-v, x[k], -product)
		next := sum + product
		part := next - sum
		rest += (sum - (next - part)) + (product - part)
		sum = next
	}
	return sum + rest
}
