package program_test

import (
	"math"
	"testing"

	"github.com/expr-lang/expr"

	"parvix/core/numeric/program"
)

// One case a teacher uses: the formula, the same written by hand in Go, and in the general-purpose evaluator's words.
var cases = []struct {
	name, text, general string
	hand                func(x float64) float64
}{
	{"quadratic", "a (x - b)^2 + 4.5", "a * (x - b) * (x - b) + 4.5",
		func(x float64) float64 { return a*(x-b)*(x-b) + 4.5 }},
	{"logistic", "4/(1 + e^(-a x))", "4 / (1 + exp(-a * x))", func(x float64) float64 { return 4 / (1 + math.Exp(-a*x)) }},
	{"bell", "e^(-x^2/2)", "exp(-x * x / 2)", func(x float64) float64 { return math.Exp(-x * x / 2) }},
	{"tangent", "tan(a x)", "tan(a * x)", func(x float64) float64 { return math.Tan(a * x) }},
	{"sine", "a sin(2x + b)", "a * sin(2 * x + b)", func(x float64) float64 { return a * math.Sin(2*x+b) }},
	{"butterfly", "e^(sin x) - 2cos(4x) + sin(x/12)^5", "exp(sin(x)) - 2 * cos(4 * x) + sin(x / 12) ** 5",
		func(x float64) float64 {
			return math.Exp(math.Sin(x)) - 2*math.Cos(4*x) + math.Pow(math.Sin(x/12), 5)
		}},
	{"product", "x sin(x) e^(-x/9)", "x * sin(x) * exp(-x / 9)",
		func(x float64) float64 { return x * math.Sin(x) * math.Exp(-x/9) }},
	{"absolute", "|x - b| + a", "abs(x - b) + a", func(x float64) float64 { return math.Abs(x-b) + a }},
}

// Variables, so that the compiler cannot fold them into the hand-written loops.
var a, b = 1.5, -0.75

func BenchmarkEvaluate(bench *testing.B) {
	const n = program.BlockSize * 2
	xs, out := make([]float64, n), make([]float64, n)
	for i := range xs {
		xs[i] = -6 + 12*float64(i)/n
	}
	for _, c := range cases {
		bench.Run(c.name+"/parvix", func(bench *testing.B) {
			p := compile(bench, c.text, "x", "a", "b")
			var machine program.Machine
			in := []float64{0, a, b}
			for bench.Loop() {
				machine.Run(p, out, xs, in)
			}
		})
		bench.Run(c.name+"/hand", func(bench *testing.B) {
			for bench.Loop() {
				for i, x := range xs {
					out[i] = c.hand(x)
				}
			}
		})
		bench.Run(c.name+"/general", func(bench *testing.B) {
			env := map[string]any{"x": 0.0, "a": a, "b": b, "exp": math.Exp, "sin": math.Sin, "cos": math.Cos, "tan": math.Tan}
			compiled, err := expr.Compile(c.general, expr.Env(env))
			if err != nil {
				bench.Fatal(err)
			}
			for bench.Loop() {
				for i, x := range xs {
					env["x"] = x
					v, err := expr.Run(compiled, env)
					if err != nil {
						bench.Fatal(err)
					}
					out[i] = v.(float64)
				}
			}
		})
	}
}
