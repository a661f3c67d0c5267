package evaluate_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/evaluate"
)

// Areas of handbook curves (CRC Standard Mathematical Tables: cardioid 3πa²/2, astroid 3πa²/8, loops of r = 1 + 2 cos θ: the
// inner one π − 3√3/2; a lemniscate a²; what r = 1 + cos θ has outside of r = 1: 2 + π/4;
// Bronstein: a spiral's first turn 4π³a²/3, a parabola's sector 2p²/3).
func TestNumbersOfHandbooksAreRecognised(t *testing.T) {
	for want, v := range map[string]float64{
		`\frac{3 \pi}{2}\approx 4.7124`:            1.5 * math.Pi,
		`\frac{3 \pi}{8}\approx 1.1781`:            0.375 * math.Pi,
		`\pi-\frac{3\sqrt{3}}{2}\approx 0.5435`:    math.Pi - 1.5*math.Sqrt(3),
		`\frac{\pi}{4}+2\approx 2.7854`:            2 + math.Pi/4,
		`\frac{8 \pi}{3}+4\sqrt{3}\approx 15.3058`: 8*math.Pi/3 + 4*math.Sqrt(3),
		`\frac{\pi}{8}-\frac{1}{4}\approx 0.1427`:  (math.Pi - 2) / 8,
		`1`:                                 1,
		`0.375`:                             0.375,
		`8`:                                 8 + 1e-14,
		`0`:                                 0,
		`2.7183`:                            math.E,
		`9.8697`:                            9.8697,
		`\frac{2}{3}\approx 0.6667`:         2.0 / 3,
		`\pi^{2}\approx 9.8696`:             math.Pi * math.Pi,
		`\frac{4\pi^{3}}{3}\approx 41.3417`: 4 * math.Pow(math.Pi, 3) / 3,
		`\sqrt{5}\,\pi\approx 7.0248`:       math.Pi * math.Sqrt(5),
		`\frac{3\sqrt{3}}{2}\approx 2.5981`: 1.5 * math.Sqrt(3),
		`-\frac{1}{6}\approx −0.1667`:       -1.0 / 6,
		`4.7125`:                            4.7125,
	} {
		assert.Equal(t, want, evaluate.WithExact(v))
	}
}

func TestAnAreaIsToldWithItsSign(t *testing.T) {
	for want, v := range map[string]float64{`A=\pi\approx 3.1416`: math.Pi, `A\approx 9.8697`: 9.8697, "A=∞": math.Inf(1)} {
		assert.Equal(t, want, evaluate.AreaLaTeX(v))
	}
}

func TestOtherNumbersAreNotTakenForKnownOnes(t *testing.T) {
	taken := 0
	for k := range 2000 {
		// Square roots of primes-like numbers and their logarithms are no multiples of π with a root.
		v := math.Sqrt(float64(7*k+11)+0.123456789) + math.Log(float64(k+2))/17
		if text := evaluate.WithExact(v); len(text) > 12 {
			taken++
		}
	}
	assert.LessOrEqual(t, taken, 1)
}

// Coordinates are written as a class writes them: sin 60° = ½√3 and tan 30° = ⅓√3 (the table of special angles in every
// handbook), thirds as fractions; what four decimals say exactly stays a decimal, and what is none of these is rounded.
func TestCoordinatesAreExactWhereTheyAreKnown(t *testing.T) {
	for v, want := range map[float64]string{
		math.Sin(math.Pi / 3): `\frac{\sqrt{3}}{2}`, math.Tan(math.Pi / 6): `\frac{\sqrt{3}}{3}`, math.Pi / 2: `\frac{\pi}{2}`, 1.0 / 3: `\frac{1}{3}`, -2.0 / 3: `-\frac{2}{3}`,
		0.25: "0.25", 4.5: "4.5", 0: "0", math.Sqrt(2): `\sqrt{2}`, 0.261387: "0.26", math.E: "2.72", 3*math.Pi - 2: "7.42",
	} {
		assert.Equal(t, want, evaluate.CoordinateLaTeX(v, 2), v)
	}
	assert.Equal(t, `(\frac{\pi}{3},\;0.5)`, evaluate.PairLaTeX(math.Pi/3, math.Cos(math.Pi/3), 2))
}
