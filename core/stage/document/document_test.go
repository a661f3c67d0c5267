package document_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

func sample() *document.Document {
	d := document.New("Jet")
	d.Stated = append(d.Stated, document.Stated{ID: "s1", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "a x²"},
		document.Stated{ID: "s2", Kind: document.Parameter, Name: "a", From: "0", To: "2π", Step: "0.1"})
	d.Shown = append(d.Shown, document.Shown{ID: "c1", Kind: document.Curve, Function: "f"},
		document.Shown{ID: "p1", Kind: document.Point, Name: "P", X: "1", Y: "f(1)"}, document.Shown{ID: "t1", Kind: document.Trace, Of: "p1"})
	d.Said = append(d.Said, document.Said{ID: "w1", Pieces: []document.Piece{{Kind: document.Value, Text: "f(1)"}}})
	return d
}

func TestAFileIsReadAsItWasWritten(t *testing.T) {
	d := sample()
	again, err := document.Decode(document.Encode(d))
	require.NoError(t, err)
	assert.Equal(t, d, again)
}

func TestAHalfTypedFormulaMayBeSaved(t *testing.T) {
	d := sample()
	d.Stated[0].Formula = "a(x − "
	assert.NoError(t, d.Check())
}

func TestAFileThatCannotBeReadIsRefusedWholeWithTheReason(t *testing.T) {
	good := string(document.Encode(sample()))
	for name, c := range map[string]struct{ old, new, words string }{
		"broken JSON":        {`"title"`, `"title`, "line"},
		"another program's":  {`"parvix-demonstration"`, `"other"`, "not a Parvix demonstration"},
		"a newer version":    {`"version": 2`, `"version": 99`, "newer"},
		"an unknown field":   {`"title"`, `"colour": 1, "title"`, "colour"},
		"a wrong type":       {`"title": "Jet"`, `"title": 7`, "line 4"},
		"an unknown unit":    {`"radian"`, `"gon"`, "gon"},
		"a name twice":       {`"name": "a"`, `"name": "f"`, "already stated"},
		"an id twice":        {`"id": "s2"`, `"id": "s1"`, "twice"},
		"a lost reference":   {`"of": "p1"`, `"of": "p9"`, "p9"},
		"an inverted window": {`"left": -6`, `"left": 60`, "left must be below right"},
		"a narrow window":    {`"left": -6`, `"left": 5.9999999999`, "too close together"},
		"no panel":           {`"kind": "plane"`, `"kind": "sphere"`, "sphere"},
	} {
		t.Run(name, func(t *testing.T) {
			require.Contains(t, good, c.old)
			_, err := document.Decode([]byte(strings.Replace(good, c.old, c.new, 1)))
			_, isProblem := problem.Of(err)
			assert.True(t, isProblem)
			assert.ErrorContains(t, err, c.words)
		})
	}
}

func TestEveryLimitIsRefusedByName(t *testing.T) {
	check := func(change func(d *document.Document), words string) {
		t.Helper()
		d := sample()
		change(d)
		assert.ErrorContains(t, d.Check(), words)
	}
	check(func(d *document.Document) {
		for i := range 301 {
			d.Said = append(d.Said, document.Said{ID: "n" + string(rune('a'+i%26)) + string(rune('a'+i/26))})
		}
	}, "the limit is 300")
	check(func(d *document.Document) { d.Title = strings.Repeat("x", 121) }, "120")
	check(func(d *document.Document) { d.Stated[0].Formula = strings.Repeat("x", 2001) }, "2000")
	check(func(d *document.Document) {
		d.Panels = append(d.Panels, d.Panels[0], d.Panels[0], d.Panels[0], d.Panels[0])
	}, "the limit is 4")
	_, err := document.Decode([]byte(`{"title":"` + strings.Repeat("x", document.MaxBytes) + `"}`))
	assert.ErrorContains(t, err, "the limit is 1048576 bytes")
}

func FuzzDecode(f *testing.F) {
	f.Add(document.Encode(sample()))
	f.Add([]byte(`{"format":"parvix-demonstration","version":1}`))
	f.Fuzz(func(t *testing.T, data []byte) {
		d, err := document.Decode(data)
		if err != nil {
			_, isProblem := problem.Of(err)
			require.True(t, isProblem, "%v", err)
			return
		}
		again, err := document.Decode(document.Encode(d))
		require.NoError(t, err)
		first, _ := json.Marshal(d)
		second, _ := json.Marshal(again)
		require.JSONEq(t, string(first), string(second))
	})
}

func TestWhatWasHiddenInAnOlderFileIsHiddenInEveryScene(t *testing.T) {
	old := strings.Replace(string(document.Encode(sample())), `"version": 2`, `"version": 1`, 1)
	old = strings.Replace(old, `"function": "f",
      "colour": 0`, `"function": "f",
      "colour": 0,
      "hidden": true`, 1)
	require.Contains(t, old, `"hidden": true`)
	d, err := document.Decode([]byte(old))
	require.NoError(t, err)
	assert.Equal(t, document.Version, d.Version)
	assert.True(t, d.Scenes[0].IsHidden("c1"))
	assert.False(t, d.Scenes[0].IsHidden("p1"))
	again, err := document.Decode(document.Encode(d))
	require.NoError(t, err)
	assert.Equal(t, d, again)
}
