package breaks_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"sort"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/numeric/breaks"
)

// spread are the places offset + k·every inside the window.
func spread(offset, every, from, to float64) (places []float64) {
	for k := math.Ceil((from - offset) / every); offset+k*every <= to; k++ {
		places = append(places, offset+k*every)
	}
	return places
}

// between keeps the places inside the window, in order.
func between(places []float64, from, to float64) (kept []float64) {
	for _, x := range places {
		if x > from && x < to {
			kept = append(kept, x)
		}
	}
	sort.Float64s(kept)
	return kept
}

// Random members of the families of school: where they break follows from their numbers (common practice, DLMF 4.14 for the
// poles of the ratios).
func TestRandomMembersBreakWhereTheirNumbersSay(t *testing.T) {
	random := rand.New(rand.NewPCG(11, 29))
	number := func(low, high float64) float64 { return math.Round(100*(low+(high-low)*random.Float64())) / 100 }
	families := map[string]func(b, c, from, to float64) (text string, places []float64, kind breaks.Kind){
		"tangent": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("tan(%v x + %v)", b, c), spread((math.Pi/2-c)/b, math.Pi/b, from, to), breaks.Undefined
		},
		"cotangent": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("cot(%v x + %v)", b, c), spread(-c/b, math.Pi/b, from, to), breaks.Undefined
		},
		"secant": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("3 sec(%v x + %v)", b, c), spread((math.Pi/2-c)/b, math.Pi/b, from, to), breaks.Undefined
		},
		"whole part": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("floor(%v x + %v)", b, c), spread(-c/b, 1/b, from, to), breaks.Jump
		},
		"absolute value of a wave": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("|sin(%v x + %v)|", b, c), spread(-c/b, math.Pi/b, from, to), breaks.Corner
		},
		"two poles": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("x/((x − %v)(x + %v))", b, c), between([]float64{b, -c}, from, to), breaks.Undefined
		},
		"logarithm": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("ln(%v x − %v)", b, c), between([]float64{c / b}, from, to), breaks.Edge
		},
		"half ellipse": func(b, c, from, to float64) (string, []float64, breaks.Kind) {
			return fmt.Sprintf("%v√(1 − x²/%v²)", c, b), between([]float64{-b, b}, from, to), breaks.Edge
		},
	}
	for name, family := range families {
		for range 25 {
			b, c := number(0.3, 4), number(0.1, 3)
			from, to := -number(1, 7)-0.003, number(1, 7)+0.0041
			text, want, kind := family(b, c, from, to)
			got := find(t, text, from, to, 0)
			require.Len(t, got, len(want), "%s: %s from %v to %v", name, text, from, to)
			for i, x := range want {
				assert.InDelta(t, x, got[i].X, 1e-9, text)
				assert.Equal(t, kind, got[i].Kind, "%s at %v", text, x)
			}
		}
	}
}

// What has a value everywhere and no corner never breaks, however steep it is.
func TestSmoothFunctionsNeverBreak(t *testing.T) {
	for _, text := range []string{"arctan(10^6 x)", "1/(1 + e^(−500x))", "tanh(1000(x − 0.3))", "e^(−10^4 x²)", "x/(10^−6 + x²)", "cos(80x)/(1 + x²)",
		"√(x² + 10^−8)", "ln(1 + x²)", "(x² + 1)^(−1/3)", "sin(x)/(2 + cos x)", "2^(−x²)", "arsinh(10^4 x)"} {
		assert.Empty(t, find(t, text, -7.003, 5.002, 0), text)
	}
}
