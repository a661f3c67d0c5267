package program_test

import (
	"math"
	"math/cmplx"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
)

// Each function by its definition from the exponential function of a complex number (DLMF 4.14, 4.23, 4.28, 4.37), worked out
// by Go's math/cmplx, or by another definition that is named.
func TestEveryFunctionIsItsDefinition(t *testing.T) {
	re := func(f func(z complex128) complex128) func(x float64) float64 {
		return func(x float64) float64 { return real(f(complex(x, 0))) }
	}
	over := func(f func(z complex128) complex128) func(x float64) float64 {
		return func(x float64) float64 { return 1 / real(f(complex(x, 0))) }
	}
	i := complex(0, 1)
	definitions := map[string]func(x float64) float64{
		"sin x": re(func(z complex128) complex128 { return (cmplx.Exp(i*z) - cmplx.Exp(-i*z)) / (2 * i) }),
		"cos x": re(func(z complex128) complex128 { return (cmplx.Exp(i*z) + cmplx.Exp(-i*z)) / 2 }),
		"tan x": re(func(z complex128) complex128 {
			return (cmplx.Exp(i*z) - cmplx.Exp(-i*z)) / (i * (cmplx.Exp(i*z) + cmplx.Exp(-i*z)))
		}),
		"cot x": over(cmplx.Tan), "sec x": over(cmplx.Cos), "csc x": over(cmplx.Sin),
		"sinh x": re(func(z complex128) complex128 { return (cmplx.Exp(z) - cmplx.Exp(-z)) / 2 }),
		"cosh x": re(func(z complex128) complex128 { return (cmplx.Exp(z) + cmplx.Exp(-z)) / 2 }),
		"tanh x": re(func(z complex128) complex128 { return (cmplx.Exp(2*z) - 1) / (cmplx.Exp(2*z) + 1) }),
		"coth x": over(cmplx.Tanh),
		"arcsin(x/7)": func(x float64) float64 {
			z := complex(x/7, 0)
			return real(-i * cmplx.Log(i*z+cmplx.Sqrt(1-z*z)))
		},
		"arccos(x/7)": func(x float64) float64 { return math.Pi/2 - real(cmplx.Asin(complex(x/7, 0))) },
		"arctan x":    re(func(z complex128) complex128 { return i / 2 * (cmplx.Log(1-i*z) - cmplx.Log(1+i*z)) }),
		"arccot x":    func(x float64) float64 { return math.Pi/2 - math.Atan(x) }, // continuous, from π to 0
		"arsinh x":    func(x float64) float64 { return math.Copysign(math.Log(math.Abs(x)+math.Sqrt(x*x+1)), x) },
		"arcosh(|x| + 1)": func(x float64) float64 {
			u := math.Abs(x) + 1
			return math.Log(u + math.Sqrt(u*u-1))
		},
		"artanh(x/7)":  func(x float64) float64 { return math.Log((1+x/7)/(1-x/7)) / 2 },
		"arcsec(9/x)":  func(x float64) float64 { return math.Acos(x / 9) },
		"arccsc(9/x)":  func(x float64) float64 { return math.Asin(x / 9) },
		"ln(x + 7)":    func(x float64) float64 { return math.Log1p(x + 6) },
		"log(x + 7)":   func(x float64) float64 { return math.Log(x+7) / math.Ln10 },
		"log_2(x + 7)": func(x float64) float64 { return math.Log(x+7) / math.Ln2 },
		"exp x":        func(x float64) float64 { return math.Expm1(x) + 1 },
		"√(x + 7)":     func(x float64) float64 { return math.Exp(math.Log(x+7) / 2) },
		"∛x":           func(x float64) float64 { return math.Copysign(math.Exp(math.Log(math.Abs(x))/3), x) },
		"root_5(x)":    func(x float64) float64 { return math.Copysign(math.Exp(math.Log(math.Abs(x))/5), x) },
		"root_4(|x|)":  func(x float64) float64 { return math.Sqrt(math.Sqrt(math.Abs(x))) },
		"x^(2/3)":      func(x float64) float64 { return math.Exp(2 * math.Log(math.Abs(x)) / 3) },
		"2^x":          func(x float64) float64 { return math.Exp(x * math.Ln2) },
		"|x|":          func(x float64) float64 { return math.Sqrt(x * x) },
		"sgn x":        func(x float64) float64 { return x / math.Abs(x) },
		"floor(x)":     func(x float64) float64 { return x - math.Mod(math.Mod(x, 1)+1, 1) },
		"ceil(x)":      func(x float64) float64 { return -(-x - math.Mod(math.Mod(-x, 1)+1, 1)) },
		"min(x, 1)":    func(x float64) float64 { return (x + 1 - math.Abs(x-1)) / 2 },
		"max(x, 1)":    func(x float64) float64 { return (x + 1 + math.Abs(x-1)) / 2 },
	}
	used := map[string]bool{}
	for text, definition := range definitions {
		f, err := expr.Parse(text, nil)
		require.NoError(t, err, text)
		expr.Walk(f.Node, func(n expr.Node) bool {
			if c, ok := n.(*expr.Call); ok {
				used[c.Name] = true
			}
			return true
		})
		p := compile(t, text, "x")
		for k := range 60 {
			x := float64(k)*0.217 - 6.491
			want := definition(x)
			assert.InDelta(t, want, p.At([]float64{x}), 1e-11*(1+math.Abs(want)), "%s at %v", text, x)
		}
	}
	for _, name := range expr.Builtins() {
		assert.True(t, used[name], "%s is compared with its definition", name)
	}
}
