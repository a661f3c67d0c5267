package document_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
)

func sample() *document.Document {
	d := document.New("Jet")
	d.Stated = append(d.Stated, document.Stated{ID: "s1", Kind: document.Function, Name: "f", Variables: []string{"x"}, Formula: "a x²"},
		document.Stated{ID: "s2", Kind: document.Parameter, Name: "a", From: "0", To: "2π", Step: "0.1"})
	d.Shown = append(d.Shown, document.Entry{ID: "c1", Body: &curve.Body{Function: "f"}},
		document.Entry{ID: "p1", Body: &point.Body{Name: "P", X: "1", Y: "f(1)"}}, document.Entry{ID: "t1", Body: &trace.Body{Of: "p1"}})
	d.Said = append(d.Said, document.Entry{ID: "w1", Body: &text.Body{Pieces: []text.Piece{{Kind: text.Value, Text: "f(1)"}}}})
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
		"broken JSON":        {`"title"`, `"title`, "Line 4"},
		"another program's":  {`"parvix-demonstration"`, `"other"`, "not a Parvix demonstration"},
		"a newer version":    {`"version": 3`, `"version": 99`, "newer"},
		"an unknown field":   {`"title"`, `"colour": 1, "title"`, "colour"},
		"a wrong type":       {`"title": "Jet"`, `"title": 7`, "Line 4: title: a text in quotation marks is needed"},
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
			d.Said = append(d.Said, document.Entry{ID: "n" + string(rune('a'+i%26)) + string(rune('a'+i/26)), Body: &text.Body{}})
		}
	}, "the limit is 300")
	check(func(d *document.Document) { d.Title = strings.Repeat("x", 121) }, "120")
	check(func(d *document.Document) { d.Stated[0].Formula = strings.Repeat("x", 2001) }, "2000")
	check(func(d *document.Document) {
		d.Panels = append(d.Panels, d.Panels[0], d.Panels[0], d.Panels[0], d.Panels[0])
	}, "the limit is 4")
	_, err := document.Decode([]byte(`{"title":"` + strings.Repeat("x", document.MaxBytes) + `"}`))
	assert.ErrorContains(t, err, "the limit is 3145728 bytes")
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

// Each is refused with its line, what is wrong and what would be right.
func TestWhatIsWrongInAFileIsToldWithItsLine(t *testing.T) {
	good := string(document.Encode(sample()))
	for name, c := range map[string]struct{ old, new, words string }{
		"an empty title":         {`"title": "Jet"`, `"title": " "`, "Line 4: title: a title is needed"},
		"a control character":    {`"title": "Jet"`, `"title": "Je\u0007t"`, "Line 4: title: it holds a character that cannot be seen"},
		"a key twice":            {`"title": "Jet"`, `"title": "Jet", "title": "Set"`, "Line 4"},
		"a capital letter":       {`"title": "Jet"`, `"Title": "Jet"`, "Line 4: Title: there is no such field; it is written “title”"},
		"a colour that is none":  {`"colour": 0`, `"colour": 999`, "look.colour: a colour from 0 to 7 is needed"},
		"a huge value":           {`"values": {}`, `"values": {"a": 1e300}`, "values.a: a number of at most 10^12 is needed"},
		"a value without a dial": {`"values": {}`, `"values": {"q": 1}`, "values.q: there is no such parameter"},
		"an unknown hidden id":   {`"values": {}`, `"values": {}, "hidden": ["c7"]`, "c7"},
		"version 0":              {`"version": 3`, `"version": 0`, "a whole number from 1 to 3"},
		"no version":             {`"version": 3,`, ``, "“version” is missing"},
		"an unknown field":       {`"function": "f"`, `"function": "f", "thick": true`, "body.thick: there is no such field"},
		"another kind's field":   {`"function": "f"`, `"function": "f", "x": "1"`, "there are family, function, grips or parent"},
		"an unknown kind":        {`"kind": "trace"`, `"kind": "shadow"`, "“shadow” is none of circle, circlePart, curve"},
		"no scenes":              {`"scenes"`, `"szenes"`, "szenes"},
		"half a number":          {`"colour": 0`, `"colour": 0.5`, "a whole number is needed"},
		"an id twice":            {`"id": "p1"`, `"id": "c1"`, "Line"},
		"a reversed window":      {`"left": -6`, `"left": 60`, "Line 10: window: left must be below right"},
		"a list for an object":   {`"look": {`, `"look": [], "where": {`, "look: { … } is needed"},
	} {
		t.Run(name, func(t *testing.T) {
			require.Contains(t, good, c.old)
			_, err := document.Decode([]byte(strings.Replace(good, c.old, c.new, 1)))
			assert.ErrorContains(t, err, c.words)
		})
	}
	for text, words := range map[string]string{"[]": "does not begin with “{”", "3": "does not begin with “{”", "": "it is empty",
		"\x89PNG\r\n\x1a\n\x00": "a picture or another program's file", "\ufeff{}": "“format” must be", strings.Repeat(`{"a":`, 99): "too deep"} {
		_, err := document.Decode([]byte(text))
		assert.ErrorContains(t, err, words, text)
		assert.NotContains(t, err.Error(), "struct", "no words of the program's language")
	}
}

func TestWhatWasHiddenInAFileOfTheFirstVersionIsHiddenInEveryScene(t *testing.T) {
	d, err := document.Decode([]byte(`{"format": "parvix-demonstration", "version": 1, "title": "Jet", "angleUnit": "radian",
		"panels": [{"id": "plane1", "kind": "plane", "window": {"left": -6, "right": 6, "bottom": -3.5, "top": 3.5}, "equalScales": true, "grid": true, "axes": true,
			"ticksX": "numbers", "ticksY": "numbers"}],
		"stated": [{"id": "s1", "kind": "function", "name": "f", "variables": ["x"], "formula": "x²"}],
		"shown": [{"id": "c1", "kind": "curve", "function": "f", "colour": 9, "hidden": true}, {"id": "p1", "kind": "point", "name": "P", "x": "1", "y": "f(1)", "colour": 2}],
		"said": [{"id": "w1", "pieces": [{"kind": "value", "text": "f(1)"}], "panel": "plane1", "corner": "topRight"}],
		"scenes": [{"id": "scene1", "name": "Start", "values": {"q": 1}, "hidden": ["c9"]}]}`))
	require.NoError(t, err)
	assert.Equal(t, document.Version, d.Version)
	assert.True(t, d.Scenes[0].IsHidden("c1"))
	assert.False(t, d.Scenes[0].IsHidden("p1"))
	assert.Equal(t, []string{"c1"}, d.Scenes[0].Hidden, "what is not there is hidden nowhere")
	assert.Empty(t, d.Scenes[0].Values, "nor does it have a value")
	assert.Equal(t, 1, d.Shown[0].Look.Colour, "the colours begin again after the last")
	assert.Equal(t, document.Where{Panels: []string{"plane1"}, Corner: document.TopRight}, d.Said[0].Where)
	again, err := document.Decode(document.Encode(d))
	require.NoError(t, err)
	assert.Equal(t, d, again)
}

// Demonstrations in files of version 2 say the same as those that were written in version 3 at the same time.
func TestFilesOfTheSecondVersionSayTheSame(t *testing.T) {
	names, err := filepath.Glob("testdata/version-2/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, names)
	for _, name := range names {
		old, err := os.ReadFile(name)
		require.NoError(t, err)
		d, err := document.Decode(old)
		require.NoError(t, err, name)
		third, err := os.ReadFile(filepath.Join("testdata/version-3", filepath.Base(name)))
		require.NoError(t, err)
		assert.JSONEq(t, string(third), string(document.Encode(d)), name)
	}
}
