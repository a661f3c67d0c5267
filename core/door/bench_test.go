package door_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"parvix/core/document"
	"parvix/core/door"
)

// tenCurves is a demonstration in which one dial moves ten curves that a teacher uses.
func tenCurves() *document.Document {
	d := document.New("Ten curves")
	d.Stated = append(d.Stated, document.Stated{ID: "a", Kind: document.Parameter, Name: "a", From: "-3", To: "3", Step: "0.01"})
	d.Scenes[0].Values["a"] = 1
	for i, formula := range []string{"a(x − 1)² − 2", "4/(1 + e^(−a x))", "3e^(−x²/2) a", "tan(a x)", "2 sin(2x + a)",
		"e^(sin(a x)) − 2cos(4x)", "x sin(x) e^(−x/9) a", "|x − a| − 1", "1/(x − a)", "√(9 − x²) a/3"} {
		name := fmt.Sprintf("f_%d", i)
		d.Stated = append(d.Stated, document.Stated{ID: "s" + name, Kind: document.Function, Name: name, Variables: []string{"x"}, Formula: formula})
		d.Shown = append(d.Shown, document.Shown{ID: "c" + name, Kind: document.Curve, Function: name, Colour: i})
	}
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
	it := loaded(b, tenCurves())
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
