package door_test

import (
	"fmt"
	"math"
	"testing"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/scatter"
	"parvix/core/stage/sample"
)

// Ten thousand points with a curve whose dial moves, and a logistic model of 200 points of which one is dragged.
func BenchmarkData(b *testing.B) {
	table := func(n int, fit *document.Fit) *document.Document {
		d := document.New("Many")
		d.Panels[0].EqualScales, d.Panels[0].Window = false, document.Window{Left: -1, Right: 21, Bottom: -10, Top: 110}
		x, y := document.Column{Name: "x"}, document.Column{Name: "y"}
		for i := range n {
			at := 20 * float64(i) / float64(n)
			x.Cells, y.Cells = append(x.Cells, fmt.Sprintf("%.4f", at)), append(y.Cells, fmt.Sprintf("%.3f", 80/(1+math.Exp(-0.7*(at-9)))+3*math.Sin(37*at)))
		}
		f := document.Stated{ID: "s2", Kind: document.Function, Name: "f", Variables: []string{"x"}, Fit: fit}
		if fit == nil {
			f.Formula = "80/(1 + e^(−a(x − 9)))"
		}
		d.Stated = []document.Stated{{ID: "s1", Kind: document.Data, Name: "Many", Columns: []document.Column{x, y}}, f,
			{ID: "s3", Kind: document.Parameter, Name: "a", From: "0", To: "2", Step: "0.01"}}
		d.Scenes[0].Values["a"] = 0.7
		d.Shown = []document.Entry{{ID: "k1", Body: &scatter.Body{Data: "s1", X: "x", Y: "y", Function: "f"}}, {ID: "c1", Body: &curve.Body{Function: "f"}}}
		return d
	}
	b.Run("10000PointsDial", func(b *testing.B) {
		e := evaluate.Load(table(10000, nil), nil)
		c := compose.Composer{Tolerance: sample.Moving}
		for i := 0; b.Loop(); i++ {
			e.Set(0, 0.5+0.01*float64(i%50))
			c.Compose(e.Frame(0, 1200, 800))
		}
	})
	b.Run("200PointsLogisticRefit", func(b *testing.B) {
		e := evaluate.Load(table(200, &document.Fit{Model: "logistic", Data: "s1", X: "x", Y: "y"}), nil)
		for i := 0; b.Loop(); i++ {
			e.SetCell(e.Data[0], e.Data[0].Columns[1], 100, 40+0.1*float64(i%50))
			e.Update()
		}
	})
}
