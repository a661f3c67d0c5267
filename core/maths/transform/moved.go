package transform

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// Moved is the function whose curve is that of n with every point (x, y) gone to (s·x + right, t·y + up). A function with
// a parent keeps the form A·p(B(x − h)) + k; any other is simplified.
func Moved(n expr.Node, x string, degrees bool, s, right, t, up expr.Node) expr.Node {
	if r, reason := Recognise(n, x, degrees); reason == "" && len(expr.Calls(n)) == 0 {
		f := r.Written
		f.H, f.B = expr.Plus(expr.Times(s, f.H), right), expr.Over(f.B, s)
		f.A, f.K = expr.Times(t, f.A), expr.Plus(expr.Times(t, f.K), up)
		moved := f.simplified().withoutFactorInside()
		if r.Written.Parent.period() != nil || r.Written.Parent.Kind == Linear {
			moved = f.simplified().canonical()
		}
		return moved.Node(x)
	}
	inner := expr.Over(expr.Minus(&expr.Name{Name: x}, right), s)
	put := symbolic.Substitute(n, map[string]expr.Node{x: simple(inner)})
	return simple(expr.Plus(expr.Times(t, put), up))
}

// Beginning is a statement with which a lesson about a parent begins: its letters become dials.
func Beginning(kind Kind) (statement string, known bool) {
	forms := map[Kind]string{
		Linear: "a x + k", Quadratic: "a(x − h)² + k", Cubic: "a(x − h)³ + k", Absolute: "a|x − h| + k", SquareRoot: "a √(b(x − h)) + k",
		CubeRoot: "a cbrt(x − h) + k", Reciprocal: "a/(x − h) + k", Reciprocal2: "a/(x − h)² + k", Exponential: "a q^(x − h) + k",
		Logarithm: "a ln(b(x − h)) + k", Sine: "a sin(b(x − h)) + k", Cosine: "a cos(b(x − h)) + k", Tangent: "a tan(b(x − h)) + k",
		Cotangent: "a cot(b(x − h)) + k", Secant: "a sec(b(x − h)) + k", Cosecant: "a csc(b(x − h)) + k",
		Logistic: "a/(1 + e^(−b(x − h))) + k", Bell: "a e^(−(b(x − h))²) + k", HalfCircle: "a √(1 − (b(x − h))²) + k", Floor: "a floor(b(x − h)) + k",
	}
	statement, known = forms[kind]
	return statement, known
}
