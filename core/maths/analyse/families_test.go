package analyse_test

import (
	"fmt"
	"math"
	"math/big"
	"math/rand"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
)

// families are what classes look at; capital letters are numbers to be put in.
var families = []string{
	"A(x - B)^2 + C", "A x^3 + B x^2 + C x + D", "A(x - B)^2 (x - C)", "A x^4 + B x^2 + C", "A/(x - B) + C", "(A x + B)/(C x + D)",
	"(x^2 + A x + B)/(x - C)", "(x - A)/(x^2 + B x + C)", "(A x^2 + B)/(x^2 + P)", "A sqrt(x - B) + C", "A sqrt(P - x) + B x", "sqrt(x^2 + A x + B)",
	"x sqrt(P - x)", "A e^(B x) + C", "A x e^(-P x)", "A e^(-(x - B)^2/P) + C", "P/(1 + A e^(-B x))", "(x^2 + A) e^(-P x)", "A ln(x - B) + C",
	"x^2 ln(P x)", "ln(x^2 + A x + B)", "A sin(B x + C) + D", "A cos(P x) + B cos(2P x)", "A sin(P x)^2 + B sin(P x)", "tan(P x) + A", "A/(B + sin(x))",
	"|A x + B| + C", "|x^2 + A x + B|", "|x - A| + |x - B|", "A|x|/(x + B)", "A arctan(B x + C)", "A x + B sin(x)", "A x + B/x", "e^(A x) - B x",
	"x - A ln(x)", "A 2^x + B 2^(-x)", "A tanh(x - B)", "A x^(1/3) + B", "x^(2/3)(x - A)", "A x^2 for x < B; C x + D for x >= B", "A sin(x) e^(-x/P)",
	"(x - A)^3/(x - B)^2", "A/(x^2 + P) + B x", "A sec(P x) + B", "cosh(A x) - P", "1/(e^(A x) - P)",
}

// made puts random numbers into a family: small whole numbers and halves; P is above 0, no letter is 0.
func made(family string, random *rand.Rand) string {
	text := family
	for _, letter := range "ABCDP" {
		v := float64(random.Intn(17)-8) / 2
		if v == 0 {
			v = 1
		}
		if letter == 'P' {
			v = math.Abs(v)
		}
		text = strings.ReplaceAll(text, string(letter), fmt.Sprintf("(%v)", v))
	}
	return text
}

// Whatever the numbers, no finding is invented and, seen by values, none is missing.
func TestFindingsOfFamiliesAreTrueAndComplete(t *testing.T) {
	random := rand.New(rand.NewSource(7))
	undecided, all := 0, 0
	for _, family := range families {
		for range 6 {
			text := made(family, random)
			n := parse(t, text)
			f, err := analyse.Function(n, "x", analyse.Bounds{})
			if !assert.NoError(t, err, text) {
				continue
			}
			value, err := program.CompilePoint(n, []string{"x"})
			assert.NoError(t, err, text)
			c := claims{t, n, text, value, f, breaks.Enclose(n, "x")}
			c.domainAndRange()
			c.zeros()
			c.extrema()
			c.period()
			c.runs()
			c.complete()
			all++
			if !f.DomainKnown || !f.RangeKnown {
				undecided++
				t.Logf("not decided of %s: %v", text, f.Undecided)
			}
		}
	}
	assert.Less(t, float64(undecided), 0.03*float64(all), "%d of %d", undecided, all)
}

func TestFindingsOfFamiliesOnAnInterval(t *testing.T) {
	random := rand.New(rand.NewSource(11))
	lo, hi := exact.Fractional(big.NewRat(-5, 2)), exact.Int(3)
	for _, family := range families {
		if strings.Contains(family, "for") {
			continue
		}
		for range 4 {
			text := made(family, random)
			n := parse(t, text)
			f, err := analyse.Function(n, "x", analyse.Bounds{Lo: &lo, Hi: &hi, LoClosed: true, HiClosed: true})
			if !assert.NoError(t, err, text) {
				continue
			}
			value, err := program.CompilePoint(n, []string{"x"})
			assert.NoError(t, err, text)
			c := claims{t, n, text + " from -5/2 to 3", func(in []float64) float64 {
				if in[0] < -2.5 || in[0] > 3 {
					return math.NaN()
				}
				return value(in)
			}, f, breaks.Enclose(n, "x")}
			c.domainAndRange()
			c.zeros()
			c.extrema()
			c.runs()
			c.complete()
			assert.Nil(t, f.Period, text)
			assert.True(t, f.DomainKnown && f.RangeKnown, "%s: %v", text, f.Undecided)
		}
	}
}

// complete looks for changes of sign and turns of the values between −10 and 10 and expects them in the lists.
func (c *claims) complete() {
	const steps = 4000
	at := func(k int) float64 { return (float64(k)+0.31)*20/steps - 10 }
	listed := func(list []analyse.Point, lo, hi float64) bool {
		for _, p := range list {
			if x := c.shifted(p.X.Value, lo); x >= lo && x <= hi {
				return true
			}
		}
		return false
	}
	broken := func(lo, hi float64) bool { // a gap or a jump lies between
		for _, l := range c.f.Vertical {
			if x := c.shifted(l.X.Value, lo); x >= lo && x <= hi {
				return true
			}
		}
		for _, j := range c.f.Jumps {
			if x := c.shifted(j.X.Value, lo); x >= lo && x <= hi {
				return true
			}
		}
		return false
	}
	for k := 1; k < steps; k++ {
		lo, mid, hi := at(k-1), at(k), at(k+1)
		a, b, d := c.at(lo), c.at(mid), c.at(hi)
		if math.IsNaN(a+b+d) || math.IsInf(a+b+d, 0) || broken(lo, hi) {
			continue
		}
		if a*b < 0 && !listed(append(c.f.Zeros, c.f.Holes...), lo, mid) {
			c.t.Fatalf("%s changes its sign between %v and %v; zeros %v", c.text, lo, mid, texts(c.f.Zeros))
		}
		slack := 1e3 * (c.rough(lo) + c.rough(mid) + c.rough(hi))
		if b > a+slack && b > d+slack && !listed(append(c.f.Maxima, c.f.Holes...), lo, hi) {
			c.t.Fatalf("%s has a maximum between %v and %v; maxima %v", c.text, lo, hi, texts(c.f.Maxima))
		}
		if b < a-slack && b < d-slack && !listed(append(c.f.Minima, c.f.Holes...), lo, hi) {
			c.t.Fatalf("%s has a minimum between %v and %v; minima %v", c.text, lo, hi, texts(c.f.Minima))
		}
	}
}

// shifted is x moved by periods to the first place from lo on.
func (c *claims) shifted(x, lo float64) float64 {
	if c.f.Period == nil {
		return x
	}
	period := c.f.Period.Value
	return x + math.Ceil((lo-x)/period)*period
}

func texts(list []analyse.Point) (out []string) {
	for _, p := range list {
		out = append(out, p.X.Text())
	}
	return out
}
