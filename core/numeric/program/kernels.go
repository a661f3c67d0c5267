package program

import "math"

//go:generate go run ./unroll

// Block kernels of the elementary functions.
//
// The loops stand in loops.go, made by core/numeric/program/unroll; here are their numbers. Each reduces its argument by rounding to a multiple of a constant that is split in three parts (W. J. Cody, W. Waite,
// Software Manual for the Elementary Functions, 1980), applies one polynomial from core/numeric/program/minimax, and puts sign
// and scale back by bit operations, without a branch. Polynomials are split in halves (G. Estrin 1960), so that the
// processor works on both at once. Arguments outside the safe range, rare in a lesson, go through
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
	signBit          = 1 << 63
)

// The bits of a number's size grow with it, NaN on top: taken from the bits of a bound they leave a sign where the bound
// is passed. Builtin max would be a call for each value in WebAssembly.
var angleBits, exponentBits = math.Float64bits(safeAngle), math.Float64bits(safeExponent)

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

// The exponential's coefficients, of r², r³ … r¹¹.
const (
	exp2  = 0.5000000000000019
	exp3  = 0.1666666666666668
	exp4  = 0.04166666666648666
	exp5  = 0.00833333333331949
	exp6  = 0.0013888888952696516
	exp7  = 0.00019841269890340666
	exp8  = 2.4801485074105115e-05
	exp9  = 2.7557240604663896e-06
	exp10 = 2.763279054211718e-07
	exp11 = 2.511015364692893e-08
)

// The logarithm's coefficients, of 2s³, 2s⁵ … 2s¹⁷.
const (
	ln0 = 0.3333333333333333
	ln1 = 0.20000000000003773
	ln2 = 0.14285714284401557
	ln3 = 0.11111111339630612
	ln4 = 0.09090886777460622
	ln5 = 0.07693584421520037
	ln6 = 0.06624292878278355
	ln7 = 0.06631854983611397
)

// repair computes again what lies outside the kernel's range.
func repair(dst, src []float64, safe float64, f func(float64) float64) {
	for i, x := range src {
		if !(math.Abs(x) <= safe) {
			dst[i] = f(x)
		}
	}
}

// repairLn computes again what is no normal number above 0.
func repairLn(dst, src []float64) {
	for i, x := range src {
		if !(x >= smallestNormal && x <= math.MaxFloat64) {
			dst[i] = ln(x)
		}
	}
}

// undefinedWhereZero takes the quotients back whose divisor is 0.
func undefinedWhereZero(dst, divisors []float64) {
	for i, b := range divisors {
		if b == 0 {
			dst[i] = math.NaN()
		}
	}
}
