package conic_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/expr"
	"parvix/core/maths/conic"
)

// Standard forms with their centre, axes and foci: handbook formulas (Bronstein and Semendjajew, conics). The rotated ones follow by
// turning the axes by 45° (common practice: xy = 1 is the rectangular hyperbola with half-axes √2 and foci (±√2, ±√2)).
func TestLinesAndConicsAreKnownByTheirEquations(t *testing.T) {
	root := math.Sqrt2
	for name, c := range map[string]struct {
		of   conic.Equation
		want conic.Curve
	}{
		"3x + 2y = 6":           {conic.Equation{D: 3, E: 2, F: -6}, conic.Curve{Kind: conic.Line, Slope: -1.5, OnX: []float64{2}, OnY: []float64{3}}},
		"x = 4":                 {conic.Equation{D: 1, F: -4}, conic.Curve{Kind: conic.Line, Slope: math.Inf(1), OnX: []float64{4}}},
		"x² + y² = 9":           {conic.Equation{A: 1, C: 1, F: -9}, conic.Curve{Kind: conic.Circle, Long: 3, Short: 3, OnX: []float64{-3, 3}, OnY: []float64{-3, 3}}},
		"(x−1)² + (y+2)² = 4":   {conic.Equation{A: 1, C: 1, D: -2, E: 4, F: 1}, conic.Curve{Kind: conic.Circle, Centre: [2]float64{1, -2}, Long: 2, Short: 2, OnX: []float64{1}, OnY: []float64{-2 - math.Sqrt(3), -2 + math.Sqrt(3)}}},
		"x²/25 + y²/9 = 1":      {conic.Equation{A: 1.0 / 25, C: 1.0 / 9, F: -1}, conic.Curve{Kind: conic.Ellipse, Long: 5, Short: 3, Foci: [][2]float64{{-4, 0}, {4, 0}}, OnX: []float64{-5, 5}, OnY: []float64{-3, 3}}},
		"x²/9 − y²/16 = 1":      {conic.Equation{A: 1.0 / 9, C: -1.0 / 16, F: -1}, conic.Curve{Kind: conic.Hyperbola, Long: 3, Short: 4, Foci: [][2]float64{{-5, 0}, {5, 0}}, OnX: []float64{-3, 3}}},
		"y² = 4x":               {conic.Equation{C: 1, D: -4}, conic.Curve{Kind: conic.Parabola, Long: 1, Foci: [][2]float64{{1, 0}}, OnX: []float64{0}, OnY: []float64{0}}},
		"x y = 1":               {conic.Equation{B: 1, F: -1}, conic.Curve{Kind: conic.Hyperbola, Long: root, Short: root, Foci: [][2]float64{{-root, -root}, {root, root}}}},
		"x² + y² = 0, a point":  {conic.Equation{A: 1, C: 1}, conic.Curve{OnX: []float64{0}, OnY: []float64{0}}},
		"x² + y² = −1, nothing": {conic.Equation{A: 1, C: 1, F: 1}, conic.Curve{}},
		"x² − y² = 0, lines":    {conic.Equation{A: 1, C: -1}, conic.Curve{OnX: []float64{0}, OnY: []float64{0}}},
	} {
		got := c.of.Classify()
		assert.Equal(t, c.want.Kind, got.Kind, name)
		if c.want.Kind == conic.Other {
			continue
		}
		assert.Equal(t, math.IsInf(c.want.Slope, 1), math.IsInf(got.Slope, 1), name)
		if !math.IsInf(c.want.Slope, 1) {
			assert.InDelta(t, c.want.Slope, got.Slope, 1e-12, name)
		}
		assert.InDeltaSlice(t, c.want.Centre[:], got.Centre[:], 1e-12, name)
		assert.InDelta(t, c.want.Long, got.Long, 1e-12, name)
		assert.InDelta(t, c.want.Short, got.Short, 1e-12, name)
		assert.InDeltaSlice(t, c.want.OnX, got.OnX, 1e-12, name)
		assert.InDeltaSlice(t, c.want.OnY, got.OnY, 1e-12, name)
		require.Len(t, got.Foci, len(c.want.Foci), name)
		for i := range got.Foci {
			assert.InDeltaSlice(t, c.want.Foci[i][:], got.Foci[i][:], 1e-12, name)
		}
	}
}

func TestOnlyWhatIsOfTheSecondDegreeIsTaken(t *testing.T) {
	for text, want := range map[string]bool{"3x + 2y − 6": true, "x y − 1": true, "(x + y)² − 3": true, "x³ − y": false, "sin x − y": false, "x²y": false} {
		f, err := expr.Parse(text, (&expr.Scope{}).With("x", "y"))
		require.NoError(t, err, text)
		assert.Equal(t, want, conic.Degree(f.Node), text)
	}
	e := conic.Read(func(x, y float64) float64 { return 2*x*x - 3*x*y + 5*y*y - 7*x + 11*y - 13 })
	assert.Equal(t, conic.Equation{A: 2, B: -3, C: 5, D: -7, E: 11, F: -13}, e)
}
