package compose_test

import (
	"fmt"
	"runtime"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/kinds/trajectory"
)

// stating is a demonstration that states functions of x, as “f = x² + 1”, and shows their curves.
func stating(lines ...string) *document.Document {
	d := document.New("worst")
	for i, line := range lines {
		name, formula, _ := strings.Cut(line, " = ")
		d.Stated = append(d.Stated, document.Stated{ID: fmt.Sprint("s", i), Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
		d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("c", i), Body: &curve.Body{Function: name}})
	}
	return d
}

// manyFamilies shows a function in more families than anybody can tell apart.
func manyFamilies() *document.Document {
	d := stating("f = a x^2 + b sin(c x)")
	for _, name := range []string{"a", "b", "c"} {
		d.Stated = append(d.Stated, document.Stated{ID: name, Kind: document.Parameter, Name: name, From: "-5", To: "5", Step: "1"})
	}
	for i := range 140 {
		d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("f", i), Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", From: "-5", To: "5", Step: "1"}}})
	}
	return d
}

// manyTraces has eight kept traces of ten thousand places each.
func manyTraces() *document.Document {
	d := stating("f = x^2")
	var kept []float64
	for i := range 10000 {
		kept = append(kept, float64(i%1000)/100-5, float64(i)/1000-5)
	}
	d.Shown = append(d.Shown, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "1"}})
	for i := range 8 {
		d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("t", i), Body: &trace.Body{Of: "p", Kept: kept}})
	}
	return d
}

// worst are documents that took minutes or gigabytes before their work was bounded, with what is said of them.
var worst = map[string]struct {
	doc  *document.Document
	says string
}{
	"a fourth derivative":                  {stating("f = sin(x^2)e^x/(x^3-5x+1)", "g = f''''(x)"), "g becomes too large: 10,208 parts, at most 3,000"},
	"a function of itself, again":          {stating("f = x^2+1/x", "g = f(f(x))", "h = g(g(x))", "k = h(h(x))", "l = k(k(x))", "m = l(l(x))"), "k(k(x)) becomes too large: more than 200,000 parts, at most 20,000"},
	"an eighth derivative":                 {stating("f = sin(x^2 cos(x^3 e^x))/(1+x^2 tan(x))^x", "g = f''''''''(x)"), "f′′′′ becomes too large"},
	"a sum of sums":                        {stating("f = sum(sum(sin(i j x) for i from 1 to 1000) for j from 1 to 1000)"), "One value of f takes 13,003,003 operations; at most 20,000"},
	"1540 curves":                          {manyFamilies(), "242 curves are too many for one demonstration; at most 240"},
	"eighty thousand places":               {manyTraces(), ""},
	"a heavy function, many times":         {heavyTwelveTimes(), ""},
	"a point at a million terms":           {heavyPoint(), "One value of this takes"},
	"a polar curve of sums on a dial":      {heavyPolar(), ""},
	"a sum whose ends are on a dial":       {sumToADial(), ""},
	"a heavy surface":                      {typed("f(x, y) = sum(sin(i x y) for i from 1 to 900)"), ""},
	"a heavy parametric surface":           {typed("(u, v, sum(sin(i u v) for i from 1 to 900))"), ""},
	"an endless surface":                   {typed("f(x, y) = sum(sin(i x y) for i from 1 to 4000)"), ""},
	"an endless parametric surface":        {typed("(u, v, sum(sin(i u v) for i from 1 to 4000))"), ""},
	"level curves of a heavy surface":      {heavyPiece(surface.Levels), ""},
	"the map of a heavy surface":           {heavyMap(), ""},
	"the slopes of a heavy surface":        {heavyPiece(surface.Slopes), ""},
	"a heavy curve in space":               {typed("(t, sum(sin(i t) for i from 1 to 900), sum(cos(i t) for i from 1 to 900))"), ""},
	"a heavy parametric curve":             {typed("(sum(sin(i t) for i from 1 to 900), t)"), ""},
	"a surface of a dial's sum":            {typed("f(x, y) = sum(sin(i x y) for i from 1 to n)"), ""},
	"a parametric surface of a dial's sum": {typed("(u, v, sum(sin(i u v) for i from 1 to n))"), ""},
}

// heavyPiece shows a piece of a heavy surface.
func heavyPiece(piece surface.SurfacePiece) *document.Document {
	d := typed("f(x, y) = sum(sin(i x y) for i from 1 to 900)")
	d, err := edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(piece), Shown: true})
	if err != nil {
		panic(err)
	}
	return d
}

// heavyMap is the map of a heavy surface.
func heavyMap() *document.Document {
	d := typed("f(x, y) = sum(sin(i x y) for i from 1 to 900)")
	d, err := edit.AddMap(d, d.Shown[0].ID, 0)
	if err != nil {
		panic(err)
	}
	return d
}

// typed is what a line makes of an empty demonstration; a dial n is far out.
func typed(line string) *document.Document {
	d, err := edit.Typed(document.New("worst"), "", line)
	if err != nil {
		panic(err)
	}
	if n := d.StatedNamed("n"); n != nil {
		n.To = "1000"
		d.Scenes[0].Values["n"] = 1000
	}
	return d
}

// heavyTwelveTimes shows a long function in families.
func heavyTwelveTimes() *document.Document {
	d := stating("f = sum(sin(k x + a)/k for k from 1 to 400)")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-5", To: "5", Step: "1"})
	for i := range 10 {
		d.Shown = append(d.Shown, document.Entry{ID: fmt.Sprint("f", i), Body: &curve.Body{Function: "f", Family: &family.Given{Parameter: "a", From: "-5", To: "5", Step: "1"}}})
	}
	return d
}

// heavyPoint has a coordinate that takes a million terms.
func heavyPoint() *document.Document {
	d := stating("f = x")
	d.Shown = append(d.Shown, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "sum(sum(sin(i j) for i from 1 to 1000) for j from 1 to 1000)"}})
	return d
}

// heavyPolar is a polar curve whose sum a dial has made long.
func heavyPolar() *document.Document {
	d := document.New("polar")
	d.Stated = []document.Stated{{ID: "s", Kind: document.Function, Name: "r", Variables: []string{"t"}, Formula: "sum(cos(k t)/k for k from 1 to n)"},
		{ID: "n", Kind: document.Parameter, Name: "n", From: "1", To: "1000", Step: "1"}}
	d.Shown = []document.Entry{{ID: "q", Body: &trajectory.Body{Function: "r", From: "0", To: "2π"}}}
	d.Scenes[0].Values["n"] = 1000
	return d
}

// sumToADial sums to ends that a dial has moved far out.
func sumToADial() *document.Document {
	d := stating("f = sum(sum(sin(i j x) for i from 1 to n) for j from 1 to n)")
	d.Stated = append(d.Stated, document.Stated{ID: "n", Kind: document.Parameter, Name: "n", From: "1", To: "1000", Step: "1"})
	d.Scenes[0].Values["n"] = 1000
	return d
}

func drawWorst(d *document.Document) (*evaluate.Demonstration, *compose.Composer) {
	e := evaluate.Load(d, nil)
	c := &compose.Composer{}
	for panel := range d.Panels {
		c = &compose.Composer{}
		c.Compose(e.Frame(panel, 1280, 800))
	}
	return e, c
}

func TestTheWorstDocumentsAreRefusedByNameOrDrawnCoarser(t *testing.T) {
	for name, one := range worst {
		t.Run(name, func(t *testing.T) {
			require.NoError(t, one.doc.Check())
			var before, after runtime.MemStats
			runtime.ReadMemStats(&before)
			e, c := drawWorst(one.doc)
			runtime.ReadMemStats(&after)
			assert.Less(t, after.TotalAlloc-before.TotalAlloc, uint64(64<<20), "quality.md: at most 64 MB")
			words := ""
			for _, p := range e.Problems {
				words += p.Error() + "\n"
			}
			assert.Contains(t, words, one.says)
			if one.says == "" {
				assert.Empty(t, e.Problems)
			}
			if strings.Contains(name, "dial") || strings.Contains(name, "heavy") {
				assert.NotEmpty(t, c.Coarse, "it is said what is drawn coarser")
			}
		})
	}
}

func TestAnOrdinaryPictureIsNotDrawnCoarser(t *testing.T) {
	for _, formula := range []string{"sin(50x)", "tan(x)", "x^3 - 3x", "sum(x^k/k for k from 1 to 20)", "sin(1/x)", "e^(-x^2) cos(8x)", "floor(x) + |x|"} {
		_, c := drawWorst(stating("f = "+formula, "g = 2f(x)", "h = f(x - 1)", "k = f(2x) + 1"))
		assert.Empty(t, c.Coarse, formula)
	}
}

func TestAnOrdinarySurfaceIsNotDrawnCoarser(t *testing.T) {
	for _, line := range []string{"f(x, y) = sin(x) cos(y)", "f(x, y) = -2 - y/2 + 3e^(-(x - 2)^2 - (y - 4)^2)", "f(x, y) = x y (x^2 - y^2)/(x^2 + y^2)",
		"((2 + cos v) cos u, (2 + cos v) sin u, sin v)", "(cosh(v) cos u, cosh(v) sin u, v)", "(sin t, cos t, (e^t - 1)/t)"} {
		d := typed(line)
		if strings.HasPrefix(line, "f") {
			var err error
			d, err = edit.AddMap(d, d.Shown[0].ID, 0)
			require.NoError(t, err)
			d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(surface.Levels), Shown: true})
			require.NoError(t, err)
		}
		e := evaluate.Load(d, nil)
		for panel := range d.Panels {
			c := compose.Composer{}
			c.Compose(e.Frame(panel, 1280, 800))
			assert.Empty(t, c.Coarse, line)
		}
	}
}

// BenchmarkWorst draws each of the worst documents from its file to its picture; quality.md allows 50 ms.
func BenchmarkWorst(b *testing.B) {
	for name, one := range worst {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				drawWorst(one.doc)
			}
		})
	}
}
