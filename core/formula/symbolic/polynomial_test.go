package symbolic_test

import (
	"math"
	"math/big"
	"math/rand/v2"
	"sort"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/symbolic"
)

func polynomial(t testing.TB, text string) symbolic.Polynomial {
	t.Helper()
	p, ok := symbolic.AsPolynomial(parse(t, text), "x")
	require.True(t, ok, text)
	return p
}

// withRoots multiplies (x − r) out.
func withRoots(roots ...*big.Rat) symbolic.Polynomial {
	p := symbolic.Polynomial{big.NewRat(1, 1)}
	for _, r := range roots {
		p = p.Times(symbolic.Polynomial{new(big.Rat).Neg(r), big.NewRat(1, 1)})
	}
	return p
}

// p = q·d + r with a rest of a lower degree (Knuth, The Art of Computer Programming, vol. 2, 4.6.1).
func TestDivisionLeavesARestOfALowerDegree(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	random := func(degree int) symbolic.Polynomial {
		p := make(symbolic.Polynomial, degree+1)
		for i := range p {
			p[i] = big.NewRat(r.Int64N(19)-9, 1+r.Int64N(4))
		}
		if p[degree].Sign() == 0 {
			p[degree].SetInt64(1)
		}
		return p
	}
	for range 200 {
		p, d := random(1+r.IntN(7)), random(1+r.IntN(4))
		q, rest := p.Divide(d)
		assert.Less(t, rest.Degree(), d.Degree())
		back := q.Times(d).Plus(rest, big.NewRat(1, 1))
		require.Equal(t, p.Degree(), back.Degree())
		for i := range p {
			assert.Zero(t, p[i].Cmp(back[i]), "coefficient %d", i)
		}
	}
}

func TestTheGreatestCommonDivisorHoldsTheCommonRoots(t *testing.T) {
	a := withRoots(big.NewRat(1, 1), big.NewRat(2, 1), big.NewRat(2, 1), big.NewRat(-1, 3))
	b := withRoots(big.NewRat(2, 1), big.NewRat(-1, 3), big.NewRat(5, 1))
	g := a.GCD(b).Monic()
	want := withRoots(big.NewRat(2, 1), big.NewRat(-1, 3))
	require.Equal(t, want.Degree(), g.Degree())
	for i := range want {
		assert.Zero(t, want[i].Cmp(g[i]))
	}
	assert.Zero(t, withRoots(big.NewRat(1, 1)).GCD(withRoots(big.NewRat(2, 1))).Degree(), "nothing in common but numbers")
}

// Polynomials built from their roots give them back, each once, in order; one that touches the axis included.
func TestRealRootsAreThoseItWasBuiltFrom(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 2))
	for range 150 {
		seen := map[float64]bool{}
		var roots []*big.Rat
		for range 1 + r.IntN(5) {
			root := big.NewRat(r.Int64N(41)-20, 1+r.Int64N(6))
			roots = append(roots, root)
			f, _ := root.Float64()
			seen[f] = true
		}
		p := withRoots(roots...)
		if r.IntN(2) == 0 {
			p = p.Times(symbolic.Polynomial{big.NewRat(3, 1), big.NewRat(1, 1), big.NewRat(1, 1)}) // x² + x + 3 has no real root
		}
		var want []float64
		for f := range seen {
			want = append(want, f)
		}
		sort.Float64s(want)
		var got []float64
		_, powers := p.Factor()
		for _, f := range powers {
			part, complete := f.Base.RealRoots()
			require.True(t, complete)
			got = append(got, part...)
		}
		sort.Float64s(got)
		require.Len(t, got, len(want), "%v", want)
		for i := range want {
			assert.InDelta(t, want[i], got[i], 1e-9*(1+math.Abs(want[i])))
		}
	}
}

// Factors multiply to the polynomial, and are those of textbooks and of cyclotomic polynomials (x¹² − 1 has six).
func TestFactorsMultiplyToThePolynomial(t *testing.T) {
	for text, parts := range map[string]int{
		"x^4 - 1": 3, "x^6 - 1": 4, "x^12 - 1": 6, "x^4 + 4": 2, "x^4 + x^2 + 1": 2, "x^2 - 2": 1, "6x^2 + x - 2": 2, "x^5 - x": 4,
		"x^3 - 3x + 2": 2, "(2x - 1)^3 (x + 4)": 2, "x^4 + 1": 1, "x^8 - 16": 4, "x^2/4 - 1/9": 2,
	} {
		p := polynomial(t, text)
		content, powers := p.Factor()
		product := symbolic.Polynomial{content}
		for _, f := range powers {
			for range f.Exponent {
				product = product.Times(f.Base)
			}
		}
		require.Equal(t, p.Degree(), product.Degree(), text)
		for i := range p {
			assert.Zero(t, p[i].Cmp(product[i]), "%s: coefficient %d", text, i)
		}
		assert.Len(t, powers, parts, text)
	}
}

func TestAShiftedPolynomialIsMovedToTheRight(t *testing.T) {
	p := polynomial(t, "x^3 - 2x + 5")
	h := big.NewRat(3, 2)
	q := p.Shifted(h)
	for _, x := range []*big.Rat{big.NewRat(-2, 1), new(big.Rat), big.NewRat(7, 10), big.NewRat(3, 1)} {
		assert.Zero(t, p.At(new(big.Rat).Add(x, h)).Cmp(q.At(x)))
	}
}

// Chebyshev's polynomials Tₙ₊₁ = 2x Tₙ − Tₙ₋₁ have the roots cos((2k − 1)π/(2n)) (DLMF 18.9.1, 18.5.1); at degree 40 their
// coefficients reach 10¹⁴ with both signs, so that floats alone would not place a root. Legendre's, with fractions, have
// theirs in DLMF 3.5.17's tables: of P₅ 0, 0.5384693101 and 0.9061798459.
func TestRootsOfPolynomialsOfAHighDegree(t *testing.T) {
	one, twice := big.NewRat(1, 1), symbolic.Polynomial{new(big.Rat), big.NewRat(2, 1)}
	before, p := symbolic.Polynomial{one}, symbolic.Polynomial{new(big.Rat), one}
	for range 39 {
		before, p = p, twice.Times(p).Plus(before, big.NewRat(-1, 1))
	}
	roots, complete := p.RealRoots()
	require.True(t, complete)
	require.Len(t, roots, 40)
	for i, root := range roots {
		assert.InDelta(t, math.Cos(float64(2*(40-i)-1)*math.Pi/80), root, 1e-14)
	}
	roots, complete = polynomial(t, "63x^5/8 - 70x^3/8 + 15x/8").RealRoots()
	require.True(t, complete)
	assert.InDeltaSlice(t, []float64{-0.906179845938664, -0.538469310105683, 0, 0.538469310105683, 0.906179845938664}, roots, 1e-14)
}

func TestQuotientsAreInLowestTerms(t *testing.T) {
	for text, want := range map[string][2]string{
		"(x^2 - 4)/(x^2 - 5x + 6)":  {"x + 2", "x - 3"},
		"1/x + 1/(x + 1)":           {"2x + 1", "x^2 + x"},
		"(x^3 - 1)/(x - 1)":         {"x^2 + x + 1", "1"},
		"x/(x^2 + 1) - 1/(x - 1/x)": {"-2x", "x^4 - 1"},
		"(x + 1/x)^2 - 2":           {"x^4 + 1", "x^2"},
	} {
		above, below, ok := symbolic.AsQuotient(parse(t, text), "x")
		require.True(t, ok, text)
		wantAbove, wantBelow := polynomial(t, want[0]), polynomial(t, want[1])
		left, right := above.Times(wantBelow), wantAbove.Times(below)
		require.Equal(t, left.Degree(), right.Degree(), text)
		for i := range left {
			assert.Zero(t, left[i].Cmp(right[i]), text)
		}
		assert.Equal(t, wantBelow.Degree(), below.Degree(), "%s in lowest terms", text)
	}
}
