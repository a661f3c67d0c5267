package program

import "math"

// Block kernels of the elementary functions.
//
// Each reduces its argument by rounding to a multiple of a constant that is split in three parts (W. J. Cody, W. Waite,
// Software Manual for the Elementary Functions, 1980), applies one polynomial from core/program/minimax, and puts sign
// and scale back by bit operations, without a branch. Arguments outside the safe range, rare in a lesson, go through
// Go's math in a second pass; a kernel therefore must not write over its source.

const (
	// roundMagic added to and taken from a number below 2^51 rounds it to a whole number.
	roundMagic = 3 << 51
	// π and ln 2 in parts of 30 bits, so that products with whole numbers up to 2^22 are exact.
	pi1, pi2, pi3    = 3.141592651605606, 1.9841871583270443e-09, 1.034036596358821e-18
	ln2Hi, ln2Lo     = 6.93147180369123816490e-01, 1.90821492927058770002e-10
	safeAngle        = 1e6
	safeExponent     = 708
	mantissa         = 1<<52 - 1
	smallestNormal   = 0x1p-1022
	sqrtHalfMantissa = 0x6A09E667F3BCD
)

// The sine's coefficients on ±π/2, of r³, r⁵ … r¹⁷.
const (
	sine1 = -0.16666666666666666
	sine2 = 0.008333333333333186
	sine3 = -0.0001984126984120831
	sine4 = 2.7557319211166023e-06
	sine5 = -2.5052106884617687e-08
	sine6 = 1.6058940571674158e-10
	sine7 = -7.643018364326954e-13
	sine8 = 2.721486441670626e-15
)

// The sine's polynomial is written out in both kernels: a call for each value would cost a third of the time. It is split
// in halves (G. Estrin 1960), so that the processor works on both at once.
func sinBlock(dst, src []float64) {
	src = src[:len(dst)]
	largest := 0.0
	for i, x := range src {
		t := x*(1/math.Pi) + roundMagic
		k := t - roundMagic
		r := ((x - k*pi1) - k*pi2) - k*pi3
		u := r * r
		v := u * u
		high := sine8*v + (sine7*u + sine6)
		low := (sine5*u+sine4)*v + (sine3*u + sine2)
		s := r + r*u*((high*(v*v)+low)*u+sine1)
		dst[i] = math.Float64frombits(math.Float64bits(s) ^ math.Float64bits(t)<<63)
		largest = max(largest, math.Abs(x))
	}
	if !(largest <= safeAngle) {
		repair(dst, src, safeAngle, math.Sin)
	}
}

// cosBlock uses cos x = sin(x + π/2): the multiple of π is taken at half steps.
func cosBlock(dst, src []float64) {
	src = src[:len(dst)]
	largest := 0.0
	for i, x := range src {
		t := (x*(1/math.Pi) + 0.5) + roundMagic
		k := (t - roundMagic) - 0.5
		r := ((x - k*pi1) - k*pi2) - k*pi3
		u := r * r
		v := u * u
		high := sine8*v + (sine7*u + sine6)
		low := (sine5*u+sine4)*v + (sine3*u + sine2)
		s := r + r*u*((high*(v*v)+low)*u+sine1)
		dst[i] = math.Float64frombits(math.Float64bits(s) ^ math.Float64bits(t)<<63)
		largest = max(largest, math.Abs(x))
	}
	if !(largest <= safeAngle) {
		repair(dst, src, safeAngle, math.Cos)
	}
}

func expBlock(dst, src []float64) {
	src = src[:len(dst)]
	largest := 0.0
	for i, x := range src {
		t := x*(1/math.Ln2) + roundMagic
		k := t - roundMagic
		r := (x - k*ln2Hi) - k*ln2Lo
		p := 2.511015364692893e-08*r + 2.763279054211718e-07
		p = p*r + 2.7557240604663896e-06
		p = p*r + 2.4801485074105115e-05
		p = p*r + 0.00019841269890340666
		p = p*r + 0.0013888888952696516
		p = p*r + 0.00833333333331949
		p = p*r + 0.04166666666648666
		p = p*r + 0.1666666666666668
		p = p*r + 0.5000000000000019
		p = p*r*r + r + 1
		// The low bits of t hold k: adding them to the exponent multiplies by 2^k.
		dst[i] = math.Float64frombits(math.Float64bits(p) + math.Float64bits(t)<<52)
		largest = max(largest, math.Abs(x))
	}
	if !(largest <= safeExponent) {
		repair(dst, src, safeExponent, math.Exp)
	}
}

// lnBlock writes x = 2^e·m with √½ ≤ m < √2 and uses ln m = 2 artanh((m−1)/(m+1)).
func lnBlock(dst, src []float64) {
	src = src[:len(dst)]
	far := false
	for i, x := range src {
		bits := math.Float64bits(x)
		// One more power of two when the mantissa lies above √2.
		upper := (bits&mantissa + (1<<52 - sqrtHalfMantissa)) >> 52
		e := float64(int64(bits>>52) - 1023 + int64(upper))
		m := math.Float64frombits(bits&mantissa | (1023-upper)<<52)
		f := m - 1
		s := f / (m + 1)
		u := s * s
		p := 0.06631854983611397*u + 0.06624292878278355
		p = p*u + 0.07693584421520037
		p = p*u + 0.09090886777460622
		p = p*u + 0.11111111339630612
		p = p*u + 0.14285714284401557
		p = p*u + 0.20000000000003773
		p = p*u + 0.3333333333333333
		// 2s = f − s·f keeps the leading term exact near 1.
		dst[i] = e*ln2Hi + (f - s*(f-2*u*p) + e*ln2Lo)
		far = far || !(x >= smallestNormal && x <= math.MaxFloat64)
	}
	if far {
		for i, x := range src {
			if !(x >= smallestNormal && x <= math.MaxFloat64) {
				dst[i] = ln(x)
			}
		}
	}
}

// repair computes again what lies outside the kernel's range.
func repair(dst, src []float64, safe float64, f func(float64) float64) {
	for i, x := range src {
		if !(math.Abs(x) <= safe) {
			dst[i] = f(x)
		}
	}
}
