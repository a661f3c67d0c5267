package parametric_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/view"
)

func torus(t testing.TB, lines string) *evaluate.Demonstration {
	t.Helper()
	d, err := edit.Typed(document.New(""), "", lines)
	require.NoError(t, err)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e
}

// A torus is turned while a hand moves, with fewer cells, and at rest with all of them.
func BenchmarkTorusTurned(b *testing.B) {
	for name, cells := range map[string]int{"moving": compose.MovingCells, "rest": 0} {
		b.Run(name, func(b *testing.B) {
			e := torus(b, "((2 + cos v) cos u, (2 + cos v) sin u, sin v)")
			c := compose.Composer{Cells: cells}
			for b.Loop() {
				e.SetWindow(0, view.Orbit(e.Panel(0).Window, 4, 1))
				c.Compose(e.Frame(0, 900, 600))
			}
		})
	}
}

// A saddle and a sphere that go through each other: the sphere's cells are cut at the columns of the saddle.
func BenchmarkSphereInASaddleTurned(b *testing.B) {
	e := torus(b, "f(x, y) = (x^2 - y^2)/3\n(2cos u sin v, 2sin u sin v, 2cos v)")
	c := compose.Composer{Cells: compose.MovingCells}
	for b.Loop() {
		e.SetWindow(0, view.Orbit(e.Panel(0).Window, 4, 1))
		c.Compose(e.Frame(0, 900, 600))
	}
}
