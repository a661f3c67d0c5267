package spacecurve_test

import (
	"math"
	"testing"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/spacecurve"
)

// A coil of six turns is run through, with its shadows and its circle of curvature.
func BenchmarkCoilRunThrough(b *testing.B) {
	d := document.New("")
	d.Panels[0] = document.Panel{ID: "space1", Kind: document.InSpace, Window: document.Window{Left: -2, Right: 2, Bottom: -2, Top: 2, Space: document.FirstSight}, Axes: true,
		TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Parameter, Name: "t", From: "0", To: "12π", Step: "0.01"}}
	d.Scenes[0].Values["t"] = 1
	d.Shown = []document.Entry{{ID: "s2", Body: &spacecurve.Body{X: "cos t", Y: "sin t", Z: "t/20", Variable: "t", From: "0", To: "12π", Driver: "t"}}}
	for _, piece := range []spacecurve.SpacePiece{spacecurve.Osculating, spacecurve.Shadows} {
		d.Shown = append(d.Shown, document.Entry{ID: "b" + string(piece), Look: document.Look{Colour: 2}, Body: &spacecurve.PartBody{Of: "s2", Piece: piece}})
	}
	e := evaluate.Load(d, nil)
	var c compose.Composer
	for k := 0; b.Loop(); k++ {
		e.Set(0, math.Mod(float64(k)*0.37, 12*math.Pi))
		e.Update()
		c.Compose(e.Frame(0, 800, 600))
	}
}
