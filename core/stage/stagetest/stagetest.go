// Package stagetest has what tests of the kinds share: small demonstrations, composed, and what their pictures hold.
package stagetest

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	_ "parvix/core/stage/kinds"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/picture"
)

// Demonstration loads functions of x, dials with values, and what is shown.
func Demonstration(t testing.TB, formulas map[string]string, values map[string]float64, shown ...document.Entry) *evaluate.Demonstration {
	t.Helper()
	d := document.New("")
	for name, formula := range formulas {
		d.Stated = append(d.Stated, document.Stated{ID: "f" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
	}
	for name, v := range values {
		d.Stated = append(d.Stated, document.Stated{ID: "dial" + name, Kind: document.Parameter, Name: name, From: "-5", To: "5", Step: "0.1"})
		d.Scenes[0].Values[name] = v
	}
	d.Shown = shown
	require.NoError(t, d.Check())
	return evaluate.Load(d, nil)
}

// Problems are the codes of what is wrong, by object.
func Problems(d *evaluate.Demonstration) map[string]string {
	list := map[string]string{}
	for _, p := range d.Problems {
		list[p.Object] = p.Code
	}
	return list
}

// Plane is a panel with a window.
func Plane(left, right, bottom, top float64, equal bool) document.Panel {
	return document.Panel{ID: "panel", Kind: document.Plane, Window: document.Window{Left: left, Right: right, Bottom: bottom, Top: top},
		EqualScales: equal, Grid: true, Axes: true, TicksX: document.TicksInNumbers, TicksY: document.TicksInNumbers}
}

// Composed draws the functions f1, f2 … and further entries.
func Composed(t testing.TB, p document.Panel, width, height float64, formulas []string, shown ...document.Entry) (*picture.Picture, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	d.Panels[0] = p
	for i, formula := range formulas {
		name := fmt.Sprintf("f_%d", i)
		d.Stated = append(d.Stated, document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
		d.Shown = append(d.Shown, document.Entry{ID: "c" + name, Look: document.Look{Colour: i}, Body: &curve.Body{Function: name}})
	}
	d.Shown = append(d.Shown, shown...)
	e := Loaded(t, d)
	var c compose.Composer
	return c.Compose(e.Frame(0, width, height)), e
}

// Seen is what a panel shows in the place of the demonstration's first.
func Seen(e *evaluate.Demonstration, p document.Panel, width, height float64) *evaluate.Frame {
	p.ID = e.Document.Panels[0].ID
	e.Document.Panels[0] = p
	e.SetWindow(0, p.Window)
	return e.Frame(0, width, height)
}

// Lines gives the points of the lines of a colour.
func Lines(data []float32, colour picture.Colour) (list [][][2]float64) {
	for r := range picture.Records(data) {
		if op := picture.Op(r[0]); (op != picture.Line && op != picture.Area) || picture.Colour(r[1]) != colour {
			continue
		}
		var points [][2]float64
		for k := 6; k < len(r); k += 2 {
			points = append(points, [2]float64{float64(r[k]), float64(r[k+1])})
		}
		list = append(list, points)
	}
	return list
}

// Markers counts the markers of a colour.
func Markers(data []float32, colour picture.Colour) (n int) {
	for r := range picture.Records(data) {
		if picture.Op(r[0]) == picture.Marker && picture.Colour(r[1]) == colour {
			n++
		}
	}
	return n
}

// Labelled is what a label says.
func Labelled(p *picture.Picture, id string) string {
	for _, l := range p.Labels {
		if l.ID == id {
			return l.LaTeX
		}
	}
	return ""
}

// Again composes a document again after something has been done to its demonstration.
func Again(e *evaluate.Demonstration, width, height float64) *picture.Picture {
	var c compose.Composer
	return c.Compose(e.Frame(0, width, height))
}

// WithParameter composes the function f of x and a parameter a that is 1.
func WithParameter(t *testing.T, formula string, shown ...document.Entry) (*picture.Picture, *evaluate.Demonstration) {
	t.Helper()
	d := document.New("")
	d.Panels[0] = Plane(-6, 6, -3, 3, true)
	d.Stated = []document.Stated{{ID: "sa", Kind: document.Parameter, Name: "a", From: "-4", To: "4", Step: "0.1", Colour: 5},
		{ID: "sf", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: formula}}
	d.Scenes[0].Values = map[string]float64{"a": 1}
	d.Shown = shown
	e := Loaded(t, d)
	return Again(e, 900, 450), e
}

// Loaded understands a document whole.
func Loaded(t testing.TB, d *document.Document) *evaluate.Demonstration {
	t.Helper()
	require.NoError(t, d.Check())
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	return e
}

// Drawn composes a document with further entries.
func Drawn(t testing.TB, d *document.Document, width, height float64, shown ...document.Entry) *picture.Picture {
	t.Helper()
	d.Shown = append(d.Shown, shown...)
	return Again(Loaded(t, d), width, height)
}
