package symbolic_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
)

func parse(t testing.TB, text string) expr.Node {
	t.Helper()
	f, err := expr.Parse(text, nil)
	require.NoError(t, err, text)
	return f.Node
}

func value(t testing.TB, n expr.Node, in []float64) float64 {
	t.Helper()
	p, err := program.Compile(symbolic.Radians(n, false), []string{"x", "a", "b"})
	require.NoError(t, err)
	return p.At(in)
}

// random builds a formula of letters, small numbers and the operations of school.
func random(r *rand.Rand, depth int) expr.Node {
	if depth == 0 {
		switch r.IntN(4) {
		case 0:
			return expr.Num(int64(r.IntN(7)) + 1)
		case 1:
			return &expr.Name{Name: "a"}
		case 2:
			return &expr.Name{Name: "b"}
		}
		return &expr.Name{Name: "x"}
	}
	sub := func() expr.Node { return random(r, depth-1) }
	switch r.IntN(8) {
	case 0:
		return &expr.Neg{X: sub()}
	case 1:
		names := []string{"sin", "cos", "ln", "sqrt", "abs", "exp", "arctan"}
		return &expr.Call{Name: names[r.IntN(len(names))], Args: []expr.Node{sub()}}
	case 2:
		return &expr.Binary{Op: expr.Pow, L: sub(), R: expr.Num(int64(r.IntN(4)) - 1)}
	case 3:
		return &expr.Binary{Op: expr.Div, L: sub(), R: sub()}
	case 4:
		return &expr.Binary{Op: expr.Sub, L: sub(), R: sub()}
	case 5:
		return &expr.Binary{Op: expr.Add, L: sub(), R: sub()}
	}
	return &expr.Binary{Op: expr.Mul, L: sub(), R: sub()}
}

func TestASimplifiedFormulaHasTheSameValues(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 7))
	compared := 0
	for range 3000 {
		n := random(r, 1+r.IntN(4))
		simple, short := symbolic.Simplify(n).Node, symbolic.Shorten(n).Node
		for range 3 {
			in := []float64{r.Float64()*6 - 3, r.Float64()*4 - 2, r.Float64() * 3}
			want := value(t, n, in)
			if math.IsNaN(want) || math.Abs(want) > 1e9 {
				continue
			}
			compared++
			// Cancellation in either form loses digits; a wrong rule loses all of them.
			for _, form := range []expr.Node{simple, short} {
				require.InDelta(t, want, value(t, form, in), 1e-5*(1+math.Abs(want)), "%s became %s at %v", expr.Text(n), expr.Text(form), in)
			}
		}
	}
	assert.Greater(t, compared, 2000)
}

func TestSimplifyingTwiceChangesNothingMore(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 3))
	for range 1000 {
		n := random(r, 1+r.IntN(3))
		once := symbolic.Simplify(n).Node
		twice := symbolic.Simplify(once).Node
		require.Equal(t, expr.Text(once), expr.Text(twice), "from %s", expr.Text(n))
	}
}

func TestSubstitutingDoesNotCatchOtherLetters(t *testing.T) {
	n := symbolic.Substitute(parse(t, "x + a"), map[string]expr.Node{"x": parse(t, "a"), "a": parse(t, "x")})
	assert.Equal(t, "a + x", expr.Text(n), "at once, not one after the other")
}

// A running letter is a sum's own: what is put in for another letter keeps its meaning though it is called alike.
func TestSubstitutingIntoASumKeepsItsRunningLetter(t *testing.T) {
	for _, c := range []struct {
		sum, letter, with string
		x, want           float64
	}{
		{"sum(k x for k from 1 to 3)", "x", "2", 0, 12},
		{"sum(k for k from 1 to x)", "x", "4", 0, 10},
		{"sum(k for k from x to 4)", "x", "3", 0, 7},
		{"sum(k for k from 1 to 3)", "k", "100", 0, 6},
		{"sum(k^2 x for k from 1 to 3)", "x", "x + 1", 1, 28},
	} {
		n := symbolic.Substitute(parse(t, c.sum), map[string]expr.Node{c.letter: parse(t, c.with)})
		assert.InDelta(t, c.want, value(t, n, []float64{c.x, 0, 0}), 1e-12, c.sum)
	}
	outer, err := expr.Parse("sum(a k for k from 1 to 3)", nil)
	require.NoError(t, err)
	put := symbolic.Substitute(outer.Node, map[string]expr.Node{"a": &expr.Name{Name: "k"}})
	assert.Equal(t, []string{"k"}, expr.Names(put), "the k that is put in is another one")
	done := symbolic.Substitute(put, map[string]expr.Node{"k": expr.Num(10)})
	assert.InDelta(t, 60, value(t, done, []float64{0, 0, 0}), 1e-12)
}

func TestASumWithWholeEndsIsWrittenOut(t *testing.T) {
	for text, want := range map[string]string{
		"sum(k^2 for k from 1 to 3)": "14", "sum(x^k for k from 0 to 3)": "x^3 + x^2 + x + 1", "sum(x for k from 5 to 4)": "0",
		"sum(k x for k from -1 to 2)": "2x", "sum(sum(j k for j from 1 to k) for k from 1 to 3)": "25",
	} {
		assert.Equal(t, want, expr.Text(symbolic.Simplify(symbolic.Unrolled(parse(t, text))).Node), text)
	}
	for _, text := range []string{"sum(x^k for k from 0 to a)", "sum(x^k for k from 1 to 500)"} {
		assert.Equal(t, expr.Text(parse(t, text)), expr.Text(symbolic.Unrolled(parse(t, text))), "%s stays a sum", text)
	}
}

func TestStatedFunctionsArePutInWithTheirDerivatives(t *testing.T) {
	define := func(name string) (symbolic.Definition, bool) {
		return symbolic.Definition{Variables: []string{"x"}, Body: parse(t, "x³")}, name == "f"
	}
	f, err := expr.Parse("f'(2) + f(x + 1)", &expr.Scope{Functions: map[string]int{"f": 1}})
	require.NoError(t, err)
	n, err := symbolic.Inline(f.Node, define)
	require.NoError(t, err)
	assert.InDelta(t, 12+27, value(t, n, []float64{2, 0, 0}), 1e-12)
}

func TestABareAngleIsInTheDemonstrationsUnit(t *testing.T) {
	at := func(text string, degrees bool) float64 {
		p, err := program.Compile(symbolic.Radians(parse(t, text), degrees), []string{"x"})
		require.NoError(t, err)
		return p.At([]float64{30})
	}
	assert.InDelta(t, 0.5, at("sin x", true), 1e-15)
	assert.InDelta(t, math.Sin(30), at("sin x", false), 1e-15)
	assert.InDelta(t, 0.5, at("sin 30°", true), 1e-15, "degrees are degrees in both")
	assert.InDelta(t, 0.5, at("sin 30°", false), 1e-15)
	assert.InDelta(t, 45, at("arctan 1", true), 1e-12)
}

func BenchmarkSimplify(b *testing.B) {
	for _, text := range []string{"2(x + 1)² − 3x(x − 4)", "sin(−x)/√12 + 6/4", "(x + 1)(x − 2)³", "a(x − h)² + k", "x² sin(x) e^(−x/3)"} {
		n := parse(b, text)
		b.Run(text, func(b *testing.B) {
			for b.Loop() {
				symbolic.Simplify(n)
			}
		})
	}
}
