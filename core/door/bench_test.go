package door_test

import (
	"encoding/json"
	"os"
	"testing"

	"github.com/stretchr/testify/require"

	"parvix/core/document"
	"parvix/core/door"
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
