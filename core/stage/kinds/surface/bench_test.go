package surface_test

import (
	"testing"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	_ "parvix/core/stage/kinds"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/view"
)

// cutSurface is a surface with a dial, its section at another, and a tangent plane's point.
func cutSurface() *evaluate.Demonstration {
	d := document.New("")
	d.Panels[0] = document.Panel{ID: "space1", Kind: document.InSpace, Window: document.Window{Left: -3, Right: 3, Bottom: -3, Top: 3, Space: document.FirstSight},
		Grid: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Parameter, Name: "a", From: "-3", To: "3", Step: "0.1"},
		{ID: "s2", Kind: document.Parameter, Name: "c", From: "-3", To: "3", Step: "0.1", Colour: 1},
		{ID: "s3", Kind: document.Function, Name: "f", Variables: []string{"x", "y"}, Formula: "a sin(x) cos(y)"}}
	d.Scenes[0].Values = map[string]float64{"a": 2, "c": 1}
	d.Shown = []document.Entry{{ID: "u1", Body: &surface.Body{Function: "f"}},
		{ID: "v1", Look: document.Look{Colour: 1}, Body: &surface.PartBody{Of: "u1", Piece: surface.Section, Axis: surface.AcrossY, At: "c"}},
		{ID: "v2", Look: document.Look{Colour: 3}, Body: &surface.PartBody{Of: "u1", Piece: surface.Touching, X: "1", Y: "c"}}}
	return evaluate.Load(d, nil)
}

// The surface itself changes in every picture.
func BenchmarkDialOfASurface(b *testing.B) {
	e := cutSurface()
	var c compose.Composer
	a := e.Find("a")
	for k := 0; b.Loop(); k++ {
		e.Set(a, 1+float64(k%100)/100)
		c.Compose(e.Frame(0, 900, 600))
	}
}

// Its section moves.
func BenchmarkSectionOfASurface(b *testing.B) {
	e := cutSurface()
	var c compose.Composer
	at := e.Find("c")
	for k := 0; b.Loop(); k++ {
		e.Set(at, -2+float64(k%100)/25)
		c.Compose(e.Frame(0, 900, 600))
	}
}

// It is turned.
func BenchmarkOrbitOfASurface(b *testing.B) {
	e := cutSurface()
	var c compose.Composer
	for b.Loop() {
		e.SetWindow(0, view.Orbit(e.Panel(0).Window, 4, 1))
		c.Compose(e.Frame(0, 900, 600))
	}
}
