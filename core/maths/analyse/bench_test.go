package analyse_test

import (
	"testing"

	"parvix/core/maths/analyse"
)

func BenchmarkFindings(b *testing.B) {
	for _, text := range []string{"x^3-3x", "(x^3-1)/(x^2-1)", "e^(-x^2)", "3sin(2x-pi/3)+1", "sin(x)+sin(2x)", "sin(x)/x", "12/(1+3e^(-2x))", "x^4-5x^2+4", "ln(x)/x", "tan(x/2)", "sqrt(9-x^2)", "|x^2-4|", "x e^(-x)", "sin(1/x)"} {
		n := parse(b, text)
		b.Run(text, func(b *testing.B) {
			for b.Loop() {
				if _, err := analyse.Function(n, "x", analyse.Bounds{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
