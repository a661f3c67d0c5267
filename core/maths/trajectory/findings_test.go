package trajectory_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/trajectory"
)

// Level and upright tangents as calculus books work them (common practice): dy/dθ = 0 and dx/dθ = 0, where not both are.
func TestTangentsRestOnlyWhereOneCoordinateDoes(t *testing.T) {
	turn := 2 * math.Pi
	for _, c := range []struct {
		about          string
		curve          *trajectory.Curve
		from, to       float64
		level, upright []float64
	}{
		{"a circle", parametric(t, "cos t", "sin t"), 0.1, 0.1 + turn, []float64{math.Pi / 2, 1.5 * math.Pi}, []float64{math.Pi, turn}},
		{"an ellipse beside the origin", parametric(t, "1 + 3cos t", "2 sin t − 5"), 0.1, 0.1 + turn, []float64{math.Pi / 2, 1.5 * math.Pi}, []float64{math.Pi, turn}},
		{"the cardioid 1 + cos θ, which has a cusp at π", polar(t, "1 + cos θ"), 0.1, 0.1 + turn,
			[]float64{math.Pi / 3, 5 * math.Pi / 3}, []float64{2 * math.Pi / 3, 4 * math.Pi / 3, turn}},
		{"the cardioid 1 − sin θ", polar(t, "1 − sin θ"), 0.1, 0.1 + turn,
			[]float64{math.Pi / 6, 5 * math.Pi / 6, 1.5 * math.Pi}, []float64{7 * math.Pi / 6, 11 * math.Pi / 6}},
		{"x = t³ − 3t, y = t² − 3", parametric(t, "t³ − 3t", "t² − 3"), -3.1, 3, []float64{0}, []float64{-1, 1}},
		{"the cycloid, whose cusps stand still", parametric(t, "t − sin t", "1 − cos t"), -0.1, 7, []float64{math.Pi}, nil},
		{"the semicubical parabola, whose cusp stands still", parametric(t, "t²", "t³"), -1, 1, nil, nil},
		{"a line", parametric(t, "2t", "1 − t"), -4, 4, nil, nil},
	} {
		level, upright := c.curve.Tangents(c.from, c.to)
		assert.InDeltaSlice(t, c.level, level, 1e-9, "level tangents of %s", c.about)
		assert.InDeltaSlice(t, c.upright, upright, 1e-9, "upright tangents of %s", c.about)
	}
}

// A list of tangents ends where nobody would read on.
func TestOnlySoManyTangentsAreListed(t *testing.T) {
	level, _ := polar(t, "1").Tangents(0.1, 400)
	assert.Len(t, level, 40)
}

// The symmetries of the classic polar curves (Lawrence, A Catalog of Special Plane Curves; common practice).
func TestSymmetriesOfPolarCurves(t *testing.T) {
	for r, want := range map[string]trajectory.Symmetry{
		"1 + cos θ": {InX: true}, "1 − sin θ": {InY: true}, "2": {InX: true, InY: true, AtPole: true}, "3cos θ": {InX: true}, "3 sin θ": {InY: true},
		"cos(2θ)": {InX: true, InY: true, AtPole: true}, "sin(2θ)": {InX: true, InY: true, AtPole: true}, "cos(3θ)": {InX: true}, "sin(3θ)": {InY: true},
		"√(cos(2θ))": {InX: true, InY: true, AtPole: true}, "√(sin(2θ))": {AtPole: true}, "1 + 2 sin θ": {InY: true}, "e^(θ/5)": {},
		"1 + cos(θ − 1)": {}, "1/(1 + cos θ)": {InX: true}, "√(sin(θ) − 2)": {},
	} {
		assert.Equal(t, want, polar(t, r).Symmetries(), r)
	}
	assert.Zero(t, parametric(t, "cos t", "sin t").Symmetries(), "asked of polar curves only")
}

// Eliminations from calculus books (common practice); the equation is also put to the test with the curve's own places.
func TestTheParameterIsEliminatedWhereThatIsElementary(t *testing.T) {
	for _, c := range []struct{ x, y, equation, kind string }{
		{"t + 1", "2t − 3", "y=2x - 5", "a line"},
		{"t − 2", "t²", "y=(x + 2)^2", "a parabola"},
		{"t² − 2t", "t + 1", "x=y^2 - 4y + 3", "a parabola"},
		{"2t", "t³", "y=x^3/8", ""},
		{"t/3", "√t", "y=sqrt(3) sqrt(x)", ""},
		{"20t", "2 + 15t − 5t²", "y=-x^2/80 + 3x/4 + 2", "a parabola"},
		{"3cos t", "3 sin t", "x^2 + y^2=9", "a circle"},
		{"2 + cos(3t)", "sin(3t) − 1", "(x - 2)^2 + (y + 1)^2=1", "a circle"},
		{"3 sin t", "−3cos t", "x^2 + y^2=9", "a circle"},
		{"3cos t", "2 sin t", "x^2/9 + y^2/4=1", "an ellipse"},
		{"1 + 5 sin t", "2cos t − 4", "(x - 1)^2/25 + (y + 4)^2/4=1", "an ellipse"},
	} {
		curve := parametric(t, c.x, c.y)
		form, ok := curve.WithoutParameter()
		require.True(t, ok, c.equation)
		assert.Equal(t, c.equation, expr.Text(form.Left)+"="+expr.Text(form.Right))
		assert.Equal(t, c.kind, form.Kind, c.equation)
		for _, at := range []float64{0.3, 1.1, 2.7} {
			x, y, _ := curve.At(at)
			assert.InDelta(t, valueOf(t, form.Left, x, y), valueOf(t, form.Right, x, y), 1e-12*(1+x*x+y*y), "%s at %v", c.equation, at)
		}
	}
}

// What is no elementary elimination is not one: two speeds without a ratio, two cosines, a wave beside a power, a curve in space.
func TestOtherCurvesKeepTheirParameter(t *testing.T) {
	for _, c := range [][]string{{"cos t", "sin(√2 t)"}, {"cos t", "cos t"}, {"cos t + cos(2t)", "sin t"}, {"t² + t", "t²"}, {"cos t", "2"}, {"cos t", "sin t", "t"}} {
		_, ok := parametric(t, c...).WithoutParameter()
		assert.False(t, ok, c)
	}
	_, ok := polar(t, "2 + sin(2θ)").WithoutParameter()
	assert.False(t, ok, "a polar curve without a name")
}

func valueOf(t *testing.T, n expr.Node, x, y float64) float64 {
	t.Helper()
	switch n := n.(type) {
	case *expr.Number:
		v, _ := n.Value.Float64()
		return v
	case *expr.Constant:
		return map[string]float64{"pi": math.Pi, "e": math.E}[n.Name]
	case *expr.Name:
		return map[string]float64{"x": x, "y": y}[n.Name]
	case *expr.Neg:
		return -valueOf(t, n.X, x, y)
	case *expr.Binary:
		l, r := valueOf(t, n.L, x, y), valueOf(t, n.R, x, y)
		switch n.Op {
		case expr.Add:
			return l + r
		case expr.Sub:
			return l - r
		case expr.Mul:
			return l * r
		case expr.Div:
			return l / r
		}
		return math.Pow(l, r)
	case *expr.Call:
		if n.Name == "cbrt" {
			return math.Cbrt(valueOf(t, n.Args[0], x, y))
		}
		require.Equal(t, "sqrt", n.Name)
		return math.Sqrt(valueOf(t, n.Args[0], x, y))
	}
	t.Fatalf("no value for %T", n)
	return 0
}
