package door_test

import (
	"encoding/json"
	"os"
	"testing"

	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/kinds/trajectory"
)

// tenCurves is a demonstration in which one dial moves ten curves that a teacher uses.
func tenCurves(t testing.TB) *document.Document {
	t.Helper()
	data, err := os.ReadFile("testdata/ten-curves.json")
	require.NoError(t, err)
	d, err := document.Decode(data)
	require.NoError(t, err)
	return d
}

func loaded(t testing.TB, d *document.Document) *door.Door {
	t.Helper()
	it := door.New()
	question, err := json.Marshal(door.Ask{Kind: door.AskLoad, Document: d})
	require.NoError(t, err)
	var answer door.Answer
	require.NoError(t, json.Unmarshal(it.Ask(question), &answer))
	require.Nil(t, answer.Problem)
	return it
}

// BenchmarkFrame is one frame of a dial that moves ten curves: the core's part of what quality.md allows 16.7 ms.
func BenchmarkFrame(b *testing.B) {
	it := loaded(b, tenCurves(b))
	door.Moving(it, true)
	for i := range 20 {
		it.DragDial(0, float64(i)/20)
		it.Frame(0, 915, 560)
	}
	b.ReportAllocs()
	for i := 0; b.Loop(); i++ {
		it.DragDial(0, float64(i%300)/300)
		it.Frame(0, 915, 560)
	}
}

// tracedCurves are the ten curves with three traced points on them, zeros and maxima.
func tracedCurves(t testing.TB) *document.Document {
	t.Helper()
	d := tenCurves(t)
	put := func(body document.Body) {
		after, err := edit.Put(d, document.Entry{Body: body})
		require.NoError(t, err)
		d = after
	}
	functions := d.Functions()
	for k, x := range []string{"1", "2", "−1"} {
		put(&point.Body{X: x + " + a/4", Y: functions[k].Name + "(" + x + " + a/4)"})
		put(&trace.Body{Of: d.Shown[len(d.Shown)-1].ID})
	}
	for k, what := range []document.Finding{document.Zeros, document.Maxima} {
		put(&finding.Body{Function: functions[k].Name, Finding: what})
	}
	return d
}

// BenchmarkTracedFrame is one frame of the same dial with traces, labels and findings; the hand goes on without clearing its traces.
func BenchmarkTracedFrame(b *testing.B) {
	it := loaded(b, tracedCurves(b))
	door.Moving(it, true)
	for i := range 300 {
		it.DragDial(0, float64(i)/300)
		it.Frame(0, 915, 560)
	}
	b.ReportAllocs()
	for i := 0; b.Loop(); i++ {
		it.DragDial(0, float64(i%300)/300)
		it.Frame(0, 915, 560)
	}
}

// circleTraced is the circle beside its graph with all six ratios and two traces.
func circleTraced(t testing.TB) *document.Document {
	t.Helper()
	d, err := edit.Begin(document.New("circle"), edit.IdeaCircle)
	require.NoError(t, err)
	put := func(entry document.Entry) {
		d, err = edit.Put(d, entry)
		require.NoError(t, err)
	}
	for _, f := range circle.Functions() {
		d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Ratio: string(f), Shown: true})
		require.NoError(t, err)
	}
	for _, ratio := range []string{"sin", "cos"} {
		put(document.Entry{Where: document.Where{Panels: []string{"plane1"}}, Body: &point.Body{X: "θ", Y: ratio + "(θ)"}})
		put(document.Entry{Where: document.Where{Panels: []string{"plane1"}}, Body: &trace.Body{Of: d.Shown[len(d.Shown)-1].ID}})
	}
	return d
}

// BenchmarkCircleFrame is one frame of an angle that sweeps, both panels.
func BenchmarkCircleFrame(b *testing.B) {
	it := loaded(b, circleTraced(b))
	door.Moving(it, true)
	frame := func(i int) {
		it.DragDial(0, float64(i%300)/300)
		it.PanelSize(0, 300, 520)
		it.PanelSize(1, 600, 520)
		it.Frame(0, 300, 520)
		it.Frame(1, 600, 520)
	}
	for i := range 300 {
		frame(i)
	}
	b.ReportAllocs()
	for i := 0; b.Loop(); i++ {
		frame(i)
	}
}

// BenchmarkFineCurveFrame is one frame of a polar curve of 25 turns and 101 loops: as its ray turns, and when another dial
// moves all of it.
func BenchmarkFineCurveFrame(b *testing.B) {
	d, err := edit.State(document.New("fine"), "", "r = 2 + a cos(101θ/25)/2")
	require.NoError(b, err)
	d, err = edit.AddParameters(d, []string{"a"})
	require.NoError(b, err)
	d.Shown[0].Body.(*trajectory.Body).To = "50π"
	d, err = edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(b, err)
	d.Panels[1].Window = document.Window{Left: -5, Right: 165, Bottom: -1, Top: 5}
	for dial, name := range []string{"another dial", "the ray turns"} {
		b.Run(name, func(b *testing.B) {
			it := loaded(b, d)
			door.Moving(it, true)
			b.ReportAllocs()
			for i := 0; b.Loop(); i++ {
				it.DragDial(dial, float64(i%300)/300)
				it.Frame(0, 450, 560)
				it.Frame(1, 450, 560)
			}
		})
	}
}

// BenchmarkEnclosedFrame is one frame of what two closed curves both enclose, as a dial changes one of them.
func BenchmarkEnclosedFrame(b *testing.B) {
	for name, lines := range map[string][]string{
		"polar":      {"r = a(1 + cos(θ − a/5))", "s = 1.5 − sin θ"},
		"parametric": {"a = 2", "(a cos t, 1.5sin t)", "(1.5cos t, 2sin t)"},
	} {
		b.Run(name, func(b *testing.B) {
			d := document.New("enclosed")
			for _, line := range lines {
				after, err := edit.Typed(d, "", line)
				require.NoError(b, err)
				d = after
			}
			d, err := edit.Put(d, document.Entry{Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Enclosed, Other: d.Shown[1].ID, Common: true}})
			require.NoError(b, err)
			it := loaded(b, d)
			door.Moving(it, true)
			b.ReportAllocs()
			for i := 0; b.Loop(); i++ {
				it.DragDial(0, 0.2+0.6*float64(i%300)/300)
				it.Frame(0, 915, 560)
			}
		})
	}
}
